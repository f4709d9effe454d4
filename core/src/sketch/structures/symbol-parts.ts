import { type Area, type PartSeed, newShape } from '../../cover';
import { readPathData, writePathData } from '../../forms';
import { compose, rotate, scale, transformPath, translate } from '../../plane';
import { type Drawn, drawnForm } from '../../symbols';
import type { Board } from '../board';
import { toneDistance } from '../tones';

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

export type Copy = { readonly x: number; readonly y: number; readonly size: number; readonly turnRad: number };

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
  const paths = copies.flatMap(({ x, y, size, turnRad }, i) => {
    const [one, path] = [drawn[i % drawn.length], known[i % drawn.length]];
    if (!path.ok) return [];
    const times = (size * k) / (1000 * Math.max(1, one.ratio));
    const middle = translate(-500 * one.ratio, -500);
    const placed = compose(translate(x * k, y * k), compose(rotate(turnRad), compose(scale(times), middle)));
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
  return toneDistance(under, other) > 0.2 ? other : accent;
};
