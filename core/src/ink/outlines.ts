import type { Hex } from '../colour';
import { type Path, transformPath } from '../plane';
import type { Ink, InkItem } from './ink';

/** A shape of one colour, in cover pixels, to be filled by the non-zero rule. */
export type Outline = { readonly path: Path; readonly colour: Hex };

function outlineOf(item: InkItem): Outline | null {
  if (item.kind !== 'fill' || item.paint.kind !== 'flat') return null;
  if (item.blend !== 'normal' || item.opacity !== 1 || item.paint.opacity !== 1) return null;
  return { path: item.transform ? transformPath(item.path, item.transform) : item.path, colour: item.paint.colour };
}

/**
 * Takes from the top of a list what can be drawn as plain outlines, down to the first thing that cannot: laid over
 * a picture of the rest they give the same cover. Words keep their sharp edges at any size in this way.
 */
export function outlinesOnTop(ink: Ink): { rest: Ink; outlines: readonly Outline[] } {
  const outlines: Outline[] = [];
  let end = ink.items.length;
  for (; end > 0; end--) {
    const outline = outlineOf(ink.items[end - 1]);
    if (!outline) break;
    outlines.unshift(outline);
  }
  return { rest: { ...ink, items: ink.items.slice(0, end) }, outlines };
}
