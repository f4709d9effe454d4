import { labOf } from '../colour';
import type { Raster } from '../pixels';
import { type FlatColour, nearestColour } from './flat-colours';

/** What a pixel belongs to that shows nothing. */
const OUTSIDE = -1;
/** Of the eight neighbours, as many must have a pixel's own colour for it to be no mixture. */
const SOLID = 4;

/**
 * How much of each pixel each colour covers, 0..1, one plane a colour: within an area 1; where two meet, what a pixel's own
 * mixture says, so that an outline can run through the pixel where the edge ran.
 */
export function coverage(source: Raster, colours: readonly FlatColour[]): Float32Array[] {
  const { width: w, height: h, data } = source;
  const own = new Int8Array(w * h);
  const known = new Map<number, number>();
  for (let p = 0; p < w * h; p++) {
    const i = p * 4;
    if (data[i + 3] < 128) {
      own[p] = OUTSIDE;
      continue;
    }
    const key = (data[i] << 16) | (data[i + 1] << 8) | data[i + 2];
    let label = known.get(key);
    if (label === undefined) {
      label = nearestColour(colours, labOf([data[i], data[i + 1], data[i + 2]]));
      known.set(key, label);
    }
    own[p] = label;
  }
  const around = (x: number, y: number, visit: (label: number, at: number) => void): void => {
    for (let dy = -1; dy <= 1; dy++)
      for (let dx = -1; dx <= 1; dx++) {
        if (dx === 0 && dy === 0) continue;
        const inside = x + dx >= 0 && y + dy >= 0 && x + dx < w && y + dy < h;
        // The edge of the picture cuts what runs over it: beyond it everything goes on.
        const at = inside ? (y + dy) * w + x + dx : y * w + x;
        visit(own[at], at);
      }
  };
  const solid = new Uint8Array(w * h);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      let same = 0;
      around(x, y, (label) => (same += label === own[y * w + x] ? 1 : 0));
      solid[y * w + x] = same >= SOLID ? 1 : 0;
    }
  const planes = colours.map(() => new Float32Array(w * h));
  const count = new Int32Array(colours.length + 1);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const p = y * w + x;
      count.fill(0);
      let met = 0;
      around(x, y, (label, at) => {
        if (!solid[at]) return;
        if (count[label + 1]++ === 0) met++;
      });
      if (solid[p] && count[own[p] + 1]++ === 0) met++;
      if (met < 2) {
        const only = met === 1 && !solid[p] ? count.findIndex((n) => n > 0) - 1 : own[p];
        // A speck or a thin line has a colour of its own; what only fades belongs to what is around it.
        const label = met === 1 && !solid[p] && own[p] === OUTSIDE ? only : own[p];
        if (label !== OUTSIDE) planes[label][p] = own[p] === OUTSIDE ? data[p * 4 + 3] / 255 : 1;
        continue;
      }
      const [a, b] = twoMost(count);
      const t = mixture(data, p * 4, a === OUTSIDE ? null : colours[a].rgb, b === OUTSIDE ? null : colours[b].rgb);
      if (a !== OUTSIDE) planes[a][p] = 1 - t;
      if (b !== OUTSIDE) planes[b][p] = t;
    }
  return planes;
}

/** The two labels met most often. */
function twoMost(count: Int32Array): [number, number] {
  let [first, second] = [-1, -1];
  for (let k = 0; k < count.length; k++) {
    if (count[k] === 0) continue;
    if (first < 0 || count[k] > count[first]) [first, second] = [k, first];
    else if (second < 0 || count[k] > count[second]) second = k;
  }
  return [first - 1, second - 1];
}

type Rgb = readonly [number, number, number];

/** How much of a pixel is `b` rather than `a`; null is nothing. */
function mixture(data: Uint8ClampedArray, i: number, a: Rgb | null, b: Rgb | null): number {
  const alpha = data[i + 3] / 255;
  if (!a || !b) return a ? 1 - alpha : alpha;
  let [along, length] = [0, 0];
  for (let c = 0; c < 3; c++) {
    along += (data[i + c] - a[c]) * (b[c] - a[c]);
    length += (b[c] - a[c]) ** 2;
  }
  return length === 0 ? 0 : Math.min(1, Math.max(0, along / length));
}
