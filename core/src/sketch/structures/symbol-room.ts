import { readPathData } from '../../forms';
import { regionOf } from '../../marks';
import type { Rect } from '../../plane';
import type { Drawn } from '../../symbols';

/** Cells along the height of a symbol in which its inside is looked for. */
const CELLS = 48;
/** A place for words or for another symbol is not narrower than a half nor wider than three of its heights. */
const [NARROW, WIDE] = [0.5, 3];

/** Whether the number of crossings up to a place is odd. */
const odd = (crossings: readonly number[], to: number): boolean =>
  crossings.reduce((count, at) => count + (at <= to ? 1 : 0), 0) % 2 === 1;

/** Which cells of a grid are wholly within the outline, row by row. */
function filledCells(drawn: Drawn): { columns: number; filled: boolean[][] } | null {
  const path = readPathData(drawn.d);
  if (!path.ok) return null;
  const rings = regionOf(path.value);
  const columns = Math.max(1, Math.round(CELLS * drawn.ratio));
  const cell = 1000 / CELLS;
  // A line of pixels, by where the outline crosses it: what lies between an odd and an even crossing is within.
  const lineAt = (y: number): boolean[] => {
    const crossings = rings
      .flatMap((ring) =>
        ring.flatMap((p, i) => {
          const q = ring[(i + 1) % ring.length];
          return p.y <= y === q.y <= y ? [] : [p.x + ((y - p.y) / (q.y - p.y)) * (q.x - p.x)];
        }),
      )
      .sort((a, b) => a - b);
    return Array.from(
      { length: columns },
      (_, i) => odd(crossings, i * cell + 1) && odd(crossings, (i + 1) * cell - 1),
    );
  };
  const filled = Array.from({ length: CELLS }, (_, row) => {
    const [first, last] = [lineAt(row * cell + 1), lineAt((row + 1) * cell - 1)];
    return first.map((on, i) => on && last[i]);
  });
  return { columns, filled };
}

/**
 * The largest upright place within a symbol's outline, in fractions of the symbol's own width and height; null where it is all lines
 * and gaps. Every rectangle that ends at a row is bounded by the columns' heights there.
 */
export function roomWithin(drawn: Drawn): Rect | null {
  const cells = filledCells(drawn);
  if (!cells) return null;
  const { columns, filled } = cells;
  const heights = Array.from({ length: columns }, () => 0);
  let best = { area: 0, rect: { x: 0, y: 0, width: 0, height: 0 } };
  for (let row = 0; row < CELLS; row++) {
    for (let i = 0; i < columns; i++) heights[i] = filled[row][i] ? heights[i] + 1 : 0;
    for (let from = 0; from < columns; from++) {
      let high = CELLS;
      for (let to = from; to < columns && heights[to] > 0; to++) {
        high = Math.min(high, heights[to]);
        const wide = to - from + 1;
        // As high as its width allows: what is higher is not for words.
        const used = Math.min(high, Math.floor(wide / NARROW));
        if (wide / used > WIDE || wide * used <= best.area) continue;
        best = { area: wide * used, rect: { x: from, y: row - used + 1, width: wide, height: used } };
      }
    }
  }
  if (best.area === 0) return null;
  const { x, y, width, height } = best.rect;
  return { x: x / columns, y: y / CELLS, width: width / columns, height: height / CELLS };
}
