import type { Rect } from '../plane';
import type { Busyness } from './quiet';

/** A calm place for words, in fractions of the cover, and the side they are set to there. */
export type QuietPlace = {
  readonly x: number;
  readonly y: number;
  readonly align: 'left' | 'centre' | 'right';
  /** Mean busyness there and of the whole map: the share tells how much calmer it is. */
  readonly busy: number;
  readonly mean: number;
};

/**
 * The place where a box of the given size lies over the calmest part of a picture, inside the safe area and clear of
 * `avoid` (all fractions of width and height). Among equally calm places the one nearer to the middle axis and to the
 * upper or lower third is taken. null where the box does not fit.
 */
export function quietestPlace(
  map: Busyness,
  box: { readonly width: number; readonly height: number },
  safe: { readonly x: number; readonly y: number },
  avoid: readonly Rect[] = [],
): QuietPlace | null {
  const { columns, rows, cells } = map;
  const sums = new Float64Array((columns + 1) * (rows + 1));
  for (let r = 0; r < rows; r++) {
    for (let c = 0; c < columns; c++) {
      const i = (r + 1) * (columns + 1) + c + 1;
      sums[i] = cells[r * columns + c] + sums[i - 1] + sums[i - columns - 1] - sums[i - columns - 2];
    }
  }
  const upTo = (x: number, y: number): number => {
    const fx = Math.min(columns, Math.max(0, x * columns));
    const fy = Math.min(rows, Math.max(0, y * rows));
    const [c, r] = [Math.min(columns - 1, Math.floor(fx)), Math.min(rows - 1, Math.floor(fy))];
    const [u, v] = [fx - c, fy - r];
    const at = (row: number, col: number): number => sums[row * (columns + 1) + col];
    return (
      at(r, c) * (1 - u) * (1 - v) + at(r, c + 1) * u * (1 - v) + at(r + 1, c) * (1 - u) * v + at(r + 1, c + 1) * u * v
    );
  };
  const mean = upTo(1, 1) / (columns * rows);
  const area = Math.max(1e-9, box.width * columns * box.height * rows);
  const clear = (x: number, y: number): boolean =>
    avoid.every((r) => x + box.width <= r.x || x >= r.x + r.width || y + box.height <= r.y || y >= r.y + r.height);
  const [right, bottom] = [1 - safe.x - box.width, 1 - safe.y - box.height];
  if (right < safe.x - 1e-9 || bottom < safe.y - 1e-9) return null;
  let best: { x: number; y: number; busy: number; score: number } | null = null;
  const steps = 36;
  for (let i = 0; i <= steps; i++) {
    for (let j = 0; j <= steps; j++) {
      const x = safe.x + ((right - safe.x) * i) / steps;
      const y = safe.y + ((bottom - safe.y) * j) / steps;
      if (!clear(x, y)) continue;
      const busy =
        (upTo(x + box.width, y + box.height) - upTo(x, y + box.height) - upTo(x + box.width, y) + upTo(x, y)) / area;
      const cx = x + box.width / 2;
      const cy = y + box.height / 2;
      const thirds = Math.min(Math.abs(cy - 0.28), Math.abs(cy - 0.72));
      const score = busy + mean * (0.12 * Math.abs(cx - 0.5) + 0.1 * thirds);
      if (!best || score < best.score) best = { x, y, busy, score };
    }
  }
  if (!best) return null;
  const centre = best.x + box.width / 2;
  const align = centre < 0.42 ? 'left' : centre > 0.58 ? 'right' : 'centre';
  return { x: best.x, y: best.y, align, busy: best.busy, mean };
}
