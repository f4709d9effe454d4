import { type Doc, type WordsPart, outlineOf } from '../cover';
import { type Rect, contoursOf, crossingsAt, pathBounds } from '../plane';
import type { Room, Stretch } from '../text';

/** Levels at which a line's height is looked at. */
const LEVELS = 5;

/**
 * The room of words that fill a part or run beside it, px; null where that part is gone or has no outline. `place` is their own
 * place: what runs beside a part keeps to it, on the side where more is free.
 */
export function roomOf(binding: NonNullable<WordsPart['room']>, place: Rect, doc: Doc): Room | null {
  const other = doc.parts[binding.part];
  const outline = other && outlineOf(other, doc);
  if (!outline) return null;
  const contours = contoursOf(outline);
  const gap = binding.gap * doc.widthPx;
  const levels = (top: number, bottom: number): number[] =>
    Array.from({ length: LEVELS }, (_, i) => top + ((bottom - top) * i) / (LEVELS - 1));
  if (binding.kind === 'inside') {
    const bounds = pathBounds(outline);
    const area = {
      x: bounds.x + gap,
      y: bounds.y + gap,
      width: bounds.width - 2 * gap,
      height: bounds.height - 2 * gap,
    };
    if (area.width <= 0 || area.height <= 0) return null;
    const stretch = (top: number, bottom: number): Stretch | null =>
      widest(
        levels(top, bottom).map((y) =>
          crossingsAt(contours, y).map(([from, to]) => ({ from: from + gap, to: to - gap })),
        ),
      );
    return { area, stretch };
  }
  const whole = { from: place.x, to: place.x + place.width };
  const stretch = (top: number, bottom: number): Stretch | null => {
    let [left, right] = [Infinity, -Infinity];
    for (const y of levels(top - gap, bottom + gap)) {
      const crossed = crossingsAt(contours, y);
      if (crossed.length === 0) continue;
      left = Math.min(left, crossed[0][0] - gap);
      right = Math.max(right, crossed[crossed.length - 1][1] + gap);
    }
    if (right <= whole.from || left >= whole.to) return whole;
    const sides = [
      { from: whole.from, to: left },
      { from: right, to: whole.to },
    ].sort((a, b) => b.to - b.from - (a.to - a.from));
    return sides[0].to > sides[0].from ? sides[0] : null;
  };
  return { area: place, stretch };
}

/** The widest stretch that is free at every level; null where there is none. */
function widest(levels: readonly (readonly Stretch[])[]): Stretch | null {
  let free = levels[0] ?? [];
  for (const next of levels.slice(1))
    free = free.flatMap((a) =>
      next.flatMap((b) => {
        const both = { from: Math.max(a.from, b.from), to: Math.min(a.to, b.to) };
        return both.to > both.from ? [both] : [];
      }),
    );
  return free.reduce<Stretch | null>(
    (best, one) => (!best || one.to - one.from > best.to - best.from ? one : best),
    null,
  );
}
