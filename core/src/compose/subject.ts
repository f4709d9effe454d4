import { type Lab, labOf } from '../colour';
import { type Raster, shrink } from '../pixels';
import { type Rect, clamp } from '../plane';

/**
 * What a picture is about, as a grid over it: `cells` are 0..1, how surely a cell is of the subject. `clear` says that something stands
 * out at all; a wood, a wall or a cloud has no subject, and words may lie anywhere on it.
 */
export type Subject = {
  readonly columns: number;
  readonly rows: number;
  readonly cells: Float32Array;
  readonly clear: boolean;
  /** Its middle, and the place that it fills: fractions of the picture. */
  readonly x: number;
  readonly y: number;
  readonly area: Rect;
};

const LONG = 48;
/** A subject is a part of a picture, and more than a speck. */
const [LEAST_SHARE, MOST_SHARE] = [0.006, 0.34];
/** Least share of the spread of what stands out that is explained by being of the subject or not (Otsu's measure). */
const LEAST_SPLIT = 0.64;
/** How far it stands out at its most, OKLab: what differs less from its ground is a shade of it. */
const LEAST_OUT = 0.15;
/** What runs from side to side is land, or a wall, and no subject. */
const MOST_WIDE = 0.8;

/**
 * Finds the subject by what stands out: the distance of each colour from those of the border beside it (a picture's ground runs out at its
 * edges; the lower edge is left out, for subjects stand on it) and from its own surroundings, nearer the middle sooner. Otsu's threshold
 * parts it from the rest, and of what is left the pieces that hang together and are not small beside the largest are kept.
 */
export function subjectOf(source: Raster): Subject {
  const k = LONG / Math.max(source.width, source.height);
  const small = shrink(source, source.width * k, source.height * k);
  const { width, height } = small;
  const labs = labsOf(small);
  const bordered = fromBorder(labs, width, height);
  const around = fromAround(labs, width, height);
  const stands = new Float32Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const i = y * width + x;
      const [u, v] = [(x + 0.5) / width - 0.5, (y + 0.5) / height - 0.5];
      const middle = Math.exp(-(u * u + v * v * 0.8) / 0.16);
      stands[i] = (0.62 * bordered[i] + 0.38 * around[i]) * (0.35 + 0.65 * middle);
    }
  const seen = softened(softened(stands, width, height), width, height);
  const { bound, split } = otsu(seen);
  const kept = pieces(seen, width, height, bound);
  const cells = new Float32Array(width * height);
  let count = 0;
  seen.forEach((v, i) => {
    if (!kept[i]) return;
    count++;
    cells[i] = clamp((v - bound * 0.8) / Math.max(1e-6, bound * 0.7), 0.2, 1);
  });
  const share = count / cells.length;
  const place = middleOf(cells, seen, width, height);
  const stood = split >= LEAST_SPLIT && Math.max(...seen) >= LEAST_OUT && place.area.width <= MOST_WIDE;
  return { columns: width, rows: height, cells, clear: stood && share >= LEAST_SHARE && share <= MOST_SHARE, ...place };
}

function labsOf({ width, height, data }: Raster): Lab[] {
  return Array.from({ length: width * height }, (_, i) => {
    // What is clear is no colour: it counts as grey, so that whatever stands on it stands out.
    const share = data[i * 4 + 3] / 255;
    const at = (c: number): number => data[i * 4 + c] * share + 128 * (1 - share);
    return labOf([at(0), at(1), at(2)]);
  });
}

const apart = (a: Lab, b: Lab): number => Math.hypot(a[0] - b[0], (a[1] - b[1]) * 1.6, (a[2] - b[2]) * 1.6);

const mean = (labs: readonly Lab[]): Lab => {
  const n = Math.max(1, labs.length);
  const at = (c: 0 | 1 | 2): number => labs.reduce((sum, lab) => sum + lab[c], 0) / n;
  return [at(0), at(1), at(2)];
};

/** How far each pixel is from the border at its height, left and right, and from that above it: the nearest counts. */
function fromBorder(labs: readonly Lab[], width: number, height: number): Float32Array {
  const deep = Math.max(1, Math.round(width * 0.05));
  const tall = Math.max(1, Math.round(height * 0.06));
  const at = (x: number, y: number): Lab => labs[y * width + x];
  const range = (from: number, to: number): number[] =>
    Array.from({ length: Math.max(0, to - from) }, (_, i) => from + i);
  const sides = range(0, height).map((y) => {
    const rows = range(Math.max(0, y - tall), Math.min(height, y + tall + 1));
    const of = (columns: readonly number[]): Lab => mean(rows.flatMap((row) => columns.map((x) => at(x, row))));
    return [of(range(0, deep)), of(range(width - deep, width))] as const;
  });
  const top = range(0, width).map((x) => mean(range(0, deep).map((y) => at(x, y))));
  return Float32Array.from(labs, (lab, i) => {
    const [left, right] = sides[Math.floor(i / width)];
    return Math.min(apart(lab, left), apart(lab, right), apart(lab, top[i % width]));
  });
}

/** How far each pixel is from the mean of a wide square about it. */
function fromAround(labs: readonly Lab[], width: number, height: number): Float32Array {
  const r = Math.round(Math.max(width, height) / 4);
  const sums = [0, 1, 2].map((c) =>
    summed(
      Float64Array.from(labs, (lab) => lab[c]),
      width,
      height,
    ),
  );
  return Float32Array.from(labs, (lab, i) => {
    const [x, y] = [i % width, Math.floor(i / width)];
    const [x0, y0, x1, y1] = [
      Math.max(0, x - r),
      Math.max(0, y - r),
      Math.min(width, x + r + 1),
      Math.min(height, y + r + 1),
    ];
    const n = (x1 - x0) * (y1 - y0);
    const of = (s: Float64Array): number =>
      (s[y1 * (width + 1) + x1] - s[y0 * (width + 1) + x1] - s[y1 * (width + 1) + x0] + s[y0 * (width + 1) + x0]) / n;
    return apart(lab, [of(sums[0]), of(sums[1]), of(sums[2])]);
  });
}

/** Sums of all that lies above and to the left. */
function summed(values: Float64Array, width: number, height: number): Float64Array {
  const out = new Float64Array((width + 1) * (height + 1));
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const i = (y + 1) * (width + 1) + x + 1;
      out[i] = values[y * width + x] + out[i - 1] + out[i - width - 1] - out[i - width - 2];
    }
  return out;
}

/** The mean of three by three. */
function softened(values: Float32Array, width: number, height: number): Float32Array {
  return Float32Array.from(values, (_, i) => {
    const [x, y] = [i % width, Math.floor(i / width)];
    let [sum, n] = [0, 0];
    for (let v = Math.max(0, y - 1); v <= Math.min(height - 1, y + 1); v++)
      for (let u = Math.max(0, x - 1); u <= Math.min(width - 1, x + 1); u++) {
        sum += values[v * width + u];
        n++;
      }
    return sum / n;
  });
}

/** Otsu's threshold: the one that parts values into two sets most unlike each other, and how much of their spread that explains. */
function otsu(values: Float32Array): { bound: number; split: number } {
  const most = Math.max(1e-9, ...values);
  const bins = 64;
  const counts = new Float64Array(bins);
  for (const v of values) counts[Math.min(bins - 1, Math.floor((v / most) * bins))]++;
  const n = values.length;
  const centre = counts.reduce((sum, count, i) => sum + count * i, 0) / n;
  const spread = counts.reduce((sum, count, i) => sum + count * (i - centre) ** 2, 0) / n;
  let [best, at, below, sum] = [0, bins - 1, 0, 0];
  for (let i = 0; i < bins - 1; i++) {
    below += counts[i];
    sum += counts[i] * i;
    if (below === 0 || below === n) continue;
    const [a, b] = [sum / below, (centre * n - sum) / (n - below)];
    const between = (below / n) * ((n - below) / n) * (a - b) ** 2;
    if (between > best) [best, at] = [between, i];
  }
  return { bound: ((at + 1) / bins) * most, split: spread > 1e-9 ? best / spread : 0 };
}

/** Pieces over a bound that hang together, but those that weigh less than a third of the heaviest. */
function pieces(values: Float32Array, width: number, height: number, bound: number): Uint8Array {
  const piece = new Int16Array(values.length);
  const weights: number[] = [0];
  for (let start = 0; start < values.length; start++) {
    if (piece[start] !== 0 || values[start] < bound) continue;
    const id = weights.length;
    let weight = 0;
    const open = [start];
    piece[start] = id;
    for (let i = open.pop(); i !== undefined; i = open.pop()) {
      weight += values[i];
      const x = i % width;
      for (const next of [x > 0 ? i - 1 : -1, x < width - 1 ? i + 1 : -1, i - width, i + width])
        if (next >= 0 && next < values.length && piece[next] === 0 && values[next] >= bound) {
          piece[next] = id;
          open.push(next);
        }
    }
    weights.push(weight);
  }
  const most = Math.max(...weights);
  return Uint8Array.from(piece, (id) => (id > 0 && weights[id] >= most / 3 ? 1 : 0));
}

/** The middle of what weighs, and the place that the subject fills. */
function middleOf(
  cells: Float32Array,
  seen: Float32Array,
  width: number,
  height: number,
): Pick<Subject, 'x' | 'y' | 'area'> {
  let [x, y, sum] = [0, 0, 1e-9];
  let [x0, y0, x1, y1] = [width, height, 0, 0];
  const any = cells.some((v) => v > 0);
  (any ? cells : seen).forEach((v, i) => {
    if (v <= 0) return;
    const [u, w] = [i % width, Math.floor(i / width)];
    x += v * (u + 0.5);
    y += v * (w + 0.5);
    sum += v;
    [x0, y0, x1, y1] = [Math.min(x0, u), Math.min(y0, w), Math.max(x1, u + 1), Math.max(y1, w + 1)];
  });
  if (x1 <= x0) return { x: 0.5, y: 0.5, area: { x: 0, y: 0, width: 1, height: 1 } };
  const area = { x: x0 / width, y: y0 / height, width: (x1 - x0) / width, height: (y1 - y0) / height };
  return { x: clamp(x / sum / width, 0, 1), y: clamp(y / sum / height, 0, 1), area };
}

/** How much of a subject lies in a part of its picture (fractions), 0..1; 0 where there is none. */
export function subjectIn({ columns, rows, cells, clear }: Subject, part: Rect): number {
  if (!clear) return 0;
  let [inside, all] = [0, 1e-9];
  cells.forEach((v, i) => {
    if (v <= 0) return;
    all += v;
    const [x, y] = [((i % columns) + 0.5) / columns, (Math.floor(i / columns) + 0.5) / rows];
    if (x >= part.x && x <= part.x + part.width && y >= part.y && y <= part.y + part.height) inside += v;
  });
  return inside / all;
}
