import { type Lab, labOf } from '../colour';
import type { Raster } from '../pixels';

/** A colour that a mark is made of: where its flat areas are, not where two of them mix. */
export type FlatColour = { readonly lab: Lab; readonly rgb: readonly [number, number, number]; readonly share: number };

/** Levels between neighbours up to which an area counts as flat. */
const FLAT_LEVELS = 14;
/** OKLab distance under which two colours are one to the eye on a mark. */
const ONE_COLOUR = 0.04;
/** Least share of the flat area that makes a colour one of the mark's own. */
const LEAST_SHARE = 0.006;
export const MOST_COLOURS = 12;

const apart = (a: Lab, b: Lab): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/** The colours of a mark's flat areas, the most frequent first. Transparent pixels have none. */
export function flatColours(source: Raster): FlatColour[] {
  const { width: w, height: h, data } = source;
  type Cell = { count: number; r: number; g: number; b: number };
  const gathered = (flatOnly: boolean): Cell[] => {
    const cells = new Map<number, Cell>();
    for (let y = 0; y < h; y++)
      for (let x = 0; x < w; x++) {
        const i = (y * w + x) * 4;
        if (data[i + 3] < 250 || (flatOnly && !isFlat(source, x, y))) continue;
        const [r, g, b] = [data[i], data[i + 1], data[i + 2]];
        const key = ((r >> 3) << 10) | ((g >> 3) << 5) | (b >> 3);
        const cell = cells.get(key) ?? { count: 0, r: 0, g: 0, b: 0 };
        cell.count++;
        cell.r += r;
        cell.g += g;
        cell.b += b;
        cells.set(key, cell);
      }
    return [...cells.values()];
  };
  // A drawing of thin lines only has no flat areas.
  const flat = gathered(true);
  const cells = (flat.length > 0 ? flat : gathered(false)).sort((a, b) => b.count - a.count);
  const all = cells.reduce((sum, { count }) => sum + count, 0);
  const found: { cell: Cell; seed: Lab }[] = [];
  for (const cell of cells) {
    const lab = labOf([cell.r / cell.count, cell.g / cell.count, cell.b / cell.count]);
    const like = found.find(({ seed }) => apart(seed, lab) < ONE_COLOUR);
    if (!like) found.push({ cell: { ...cell }, seed: lab });
    else for (const name of ['count', 'r', 'g', 'b'] as const) like.cell[name] += cell[name];
  }
  return found
    .map(({ cell }) => {
      const rgb = [cell.r / cell.count, cell.g / cell.count, cell.b / cell.count] as const;
      return { rgb, lab: labOf(rgb), share: cell.count / all };
    })
    .sort((a, b) => b.share - a.share);
}

function isFlat({ width: w, height: h, data }: Raster, x: number, y: number): boolean {
  const i = (y * w + x) * 4;
  for (const [dx, dy] of [
    [1, 0],
    [-1, 0],
    [0, 1],
    [0, -1],
  ]) {
    if (x + dx < 0 || y + dy < 0 || x + dx >= w || y + dy >= h) continue;
    const j = i + (dy * w + dx) * 4;
    for (let c = 0; c < 4; c++) if (Math.abs(data[i + c] - data[j + c]) > FLAT_LEVELS) return false;
  }
  return true;
}

/** How many colours a mark seems to have, 1..12, its ground counted where it has one. */
export const proposedColours = (found: readonly FlatColour[]): number =>
  Math.min(MOST_COLOURS, Math.max(1, found.filter(({ share }) => share >= LEAST_SHARE).length));

/** `count` of the colours found: the largest, then always the one that is missed most, by its share and how far it is from those taken. */
export function chosenColours(found: readonly FlatColour[], count: number): FlatColour[] {
  const taken: FlatColour[] = found.slice(0, 1);
  const missed = (one: FlatColour): number => one.share * Math.min(...taken.map((t) => apart(t.lab, one.lab)));
  while (taken.length < Math.min(count, found.length)) {
    const rest = found.filter((one) => !taken.includes(one));
    taken.push(rest.reduce((best, one) => (missed(one) > missed(best) ? one : best)));
  }
  return taken;
}

/** The taken colour that is nearest to one, by its place. */
export function nearestColour(taken: readonly FlatColour[], lab: Lab): number {
  let best = 0;
  for (let k = 1; k < taken.length; k++) if (apart(taken[k].lab, lab) < apart(taken[best].lab, lab)) best = k;
  return best;
}
