import { type Area, type PartSeed, newShape } from '../../cover';
import { readPathData, writePathData } from '../../forms';
import { type Path, compose, rotate, scale, transformPath, translate } from '../../plane';
import { type Drawn, drawnForm } from '../../symbols';
import type { Board } from '../board';
import { toneDistance } from '../tones';
import { headAndFoot, titleItems } from './common';

type More = Partial<Omit<Extract<PartSeed, { kind: 'shape' }>, 'kind'>>;

/** A symbol about a point, as large as fits a box of `width` and `height`, both fractions of the cover's width. */
export function symbolAt(
  b: Board,
  drawn: Drawn,
  at: { x: number; y: number; width: number; height?: number },
  colour: string,
  more: More = {},
): PartSeed & { area: Area } {
  const width = Math.min(at.width, (at.height ?? at.width) * drawn.ratio);
  const tall = b.high(width / drawn.ratio);
  const area = { x: at.x - width / 2, y: at.y - tall / 2, width, height: tall };
  return {
    ...newShape(drawnForm([drawn], drawn.ratio, [drawn.d]), { area, colour, ...more }),
    id: 'symbol',
    ...more,
    area,
  } as PartSeed & { area: Area };
}

export type Copy = {
  readonly x: number;
  readonly y: number;
  readonly size: number;
  readonly turnRad: number;
  /** Seen as in a mirror beside it. */
  readonly mirrored?: boolean;
};

/** Copies of symbols over the whole cover as one drawing; places are fractions of its width, sizes too. */
export function copiesOf(
  b: Board,
  drawn: readonly Drawn[],
  copies: readonly Copy[],
  colour: string,
  more: More = {},
): PartSeed {
  const k = 1000 / b.ratio;
  const known = drawn.map(({ d }) => readPathData(d));
  const paths = copies.flatMap(({ x, y, size, turnRad, mirrored }, i) => {
    const [one, path] = [drawn[i % drawn.length], known[i % drawn.length]];
    if (!path.ok) return [];
    const times = (size * k) / (1000 * Math.max(1, one.ratio));
    const middle = translate(-500 * one.ratio, -500);
    const placed = compose(
      translate(x * k, y * k),
      compose(rotate(turnRad), compose(scale(mirrored ? -times : times, times), middle)),
    );
    return [writePathData(transformPath(path.value, placed))];
  });
  // Two lines of nothing at the corners hold the box of the drawing to the cover.
  const area = { x: 0, y: 0, width: 1, height: 1 };
  return {
    ...newShape(drawnForm(drawn, 1 / b.ratio, paths.slice(0, 200)), { area, colour, ...more }),
    id: 'symbols',
  };
}

/** A colour for a symbol that is seen on the ground and leaves the words the loudest: the block where it is far enough away, else the accent. */
export const figureColour = (b: Board): string => {
  const { ground: under, block: other, accent } = b.tones;
  return toneDistance(under, other) > 0.28 ? other : accent;
};

/**
 * Words under a figure at the first turn and over it at the second: the figure has a `share` of the height between head and foot. `y` is
 * its middle, `height` what it has, a fraction of the cover's width; null where the words do not fit.
 */
export function wordsBeside(
  b: Board,
  { share, gap, size }: { readonly share: number; readonly gap: number; readonly size: number },
): { y: number; height: number; parts: PartSeed[] } | null {
  const above = b.s.turn === 0;
  const ends = headAndFoot(b, { head: b.tones.accent, foot: b.tones.words });
  if (!ends) return null;
  const room = (ends.bottom - ends.top) * share;
  const [y0, y1] = above ? [ends.top + room + b.high(gap), ends.bottom] : [ends.top, ends.bottom - room - b.high(gap)];
  const column = b.column(
    { x: b.mx, y: y0, width: 1 - 2 * b.mx, height: y1 - y0 },
    titleItems(b.inks, size, b, { gap: 0.03 }),
    { anchor: above ? 'middle' : 'top', tight: true },
  );
  const y = above ? ends.top + room / 2 : ends.bottom - room / 2;
  return column && { y, height: room * b.ratio, parts: [...ends.parts, ...column.parts] };
}

/** A symbol whose outline was changed: it stands in the box of the whole one. */
export const shapedLike = (drawn: Drawn, area: Area, outline: Path, colour: string, id: string): PartSeed => ({
  ...newShape(drawnForm([drawn], drawn.ratio, [writePathData(outline)]), { area, colour }),
  id,
});
