import { type Path, eachOp } from '../plane';

/** Width of the columns in which two lines are held against each other, em. */
const COLUMN = 0.02;

/** Points along an outline, close enough that no stroke slips between two columns: x, y, x, y ... in em. */
export function outlinePoints(path: Path): Float32Array {
  const points: number[] = [];
  const o = path.ops;
  let x = 0;
  let y = 0;
  const to = (nx: number, ny: number): void => {
    const steps = Math.max(1, Math.ceil(Math.abs(nx - x) / COLUMN));
    for (let s = 1; s <= steps; s++) points.push(x + ((nx - x) * s) / steps, y + ((ny - y) * s) / steps);
    x = nx;
    y = ny;
  };
  eachOp(path, (code, i) => {
    if (code === 0) {
      x = o[i];
      y = o[i + 1];
      points.push(x, y);
    } else if (code === 1) to(o[i], o[i + 1]);
    else if (code === 2 || code === 3) {
      const [x0, y0] = [x, y];
      const at = code === 2 ? i + 2 : i + 4;
      for (let s = 1; s <= 8; s++) {
        const t = s / 8;
        const u = 1 - t;
        if (code === 2) {
          to(u * u * x0 + 2 * u * t * o[i] + t * t * o[at], u * u * y0 + 2 * u * t * o[i + 1] + t * t * o[at + 1]);
        } else {
          const [a, b, c, d] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
          to(a * x0 + b * o[i] + c * o[i + 2] + d * o[at], a * y0 + b * o[i + 1] + c * o[i + 3] + d * o[at + 1]);
        }
      }
    }
  });
  return Float32Array.from(points);
}

/** Outlines of a line, each placed and scaled, in em of the block. */
export type PlacedOutline = { readonly points: Float32Array; readonly x: number; readonly scale: number };

/** Extreme heights of a line by column, the lowest ink (largest y) or the highest; NaN where there is none. */
type Profile = { readonly first: number; readonly heights: Float64Array };

function profile(outlines: readonly PlacedOutline[], lowest: boolean): Profile {
  let left = Infinity;
  let right = -Infinity;
  for (const { points, x, scale } of outlines) {
    for (let i = 0; i < points.length; i += 2) {
      const at = x + points[i] * scale;
      if (at < left) left = at;
      if (at > right) right = at;
    }
  }
  if (left > right) return { first: 0, heights: new Float64Array(0) };
  const first = Math.floor(left / COLUMN);
  const heights = new Float64Array(Math.floor(right / COLUMN) - first + 1).fill(NaN);
  for (const { points, x, scale } of outlines) {
    for (let i = 0; i < points.length; i += 2) {
      const column = Math.floor((x + points[i] * scale) / COLUMN) - first;
      const y = points[i + 1] * scale;
      const known = heights[column];
      if (Number.isNaN(known) || (lowest ? y > known : y < known)) heights[column] = y;
    }
  }
  return { first, heights };
}

/**
 * The least distance between the baselines of two lines at which their letters keep `gap` from each other, in em:
 * a long tail or a deep descender pushes the next line away only where a letter really stands under it.
 */
export function clearBaselines(above: readonly PlacedOutline[], below: readonly PlacedOutline[], gap: number): number {
  const low = profile(above, true);
  const high = profile(below, false);
  let least = -Infinity;
  for (let i = 0; i < low.heights.length; i++) {
    const y = low.heights[i];
    if (Number.isNaN(y)) continue;
    const column = i + low.first - high.first;
    for (let c = Math.max(0, column - 1); c <= Math.min(high.heights.length - 1, column + 1); c++) {
      const top = high.heights[c];
      if (!Number.isNaN(top)) least = Math.max(least, y - top + gap);
    }
  }
  return least;
}
