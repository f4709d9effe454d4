import type { Edit } from '../../base';
import type { Doc } from '../document';
import { type Frames, moveParts } from './arrange';

/** What equal margins at the top and the foot ask for: which words move by how much, px, downwards positive, to which margin. */
export type Margins =
  | { readonly kind: 'few' }
  | { readonly kind: 'equal'; readonly marginPx: number }
  | { readonly kind: 'move'; readonly id: string; readonly byPx: number; readonly marginPx: number };

/** Less than this share of the height is no difference. */
const SAME = 0.0005;

/** How the highest and the lowest words of a cover lie to its top and bottom edge: the nearer to its edge sets the measure. */
export function marginsOf(doc: Doc, frames: Frames): Margins {
  const words = Object.values(doc.parts).flatMap((part) => {
    const frame = frames.get(part.id);
    const counts = part.kind === 'words' && !part.hidden && !part.locked && frame && frame.height > 0;
    return counts ? [{ id: part.id, frame }] : [];
  });
  if (words.length < 2) return { kind: 'few' };
  const high = words.reduce((best, one) => (one.frame.y < best.frame.y ? one : best));
  const low = words.reduce((best, one) =>
    one.frame.y + one.frame.height > best.frame.y + best.frame.height ? one : best,
  );
  if (high.id === low.id) return { kind: 'few' };
  const top = high.frame.y;
  const bottom = doc.heightPx - low.frame.y - low.frame.height;
  const marginPx = Math.min(top, bottom);
  const byPx = Math.abs(top - bottom);
  if (byPx < SAME * doc.heightPx) return { kind: 'equal', marginPx };
  return top > bottom
    ? { kind: 'move', id: high.id, byPx: -byPx, marginPx }
    : { kind: 'move', id: low.id, byPx, marginPx };
}

/** Gives the highest and the lowest words the same distance from the edges. What hangs under the highest moves with it by itself. */
export function equalMargins(frames: Frames): Edit<Doc> {
  return (doc) => {
    const margins = marginsOf(doc, frames);
    if (margins.kind === 'move') return moveParts([margins.id], frames, 0, margins.byPx / doc.heightPx)(doc);
  };
}
