import { writePathData } from '../forms';
import { type Path, drawnBounds, scale, compose, transformPath, translate, union } from '../plane';
import type { Hex } from '../colour';

/** Flat outlines in a box 1000 high and `ratio` times as wide. A colour of null stands for whatever the drawing is given. */
export type Drawing = { readonly ratio: number; readonly paths: { d: string; colour: Hex | null }[] };

export const DRAWING_HEIGHT = 1000;

/** Outlines brought into a box of their own; null where they draw nothing. */
export function drawingOf(paths: readonly { path: Path; colour: Hex | null }[]): Drawing | null {
  const box = union(paths.map(({ path }) => drawnBounds(path)).filter((r) => r.width > 0 || r.height > 0));
  if (!(box.width > 0) || !(box.height > 0)) return null;
  const ratio = Math.min(50, Math.max(0.02, box.width / box.height));
  const place = compose(scale(DRAWING_HEIGHT / box.height), translate(-box.x, -box.y));
  return { ratio, paths: paths.map(({ path, colour }) => ({ d: writePathData(transformPath(path, place)), colour })) };
}
