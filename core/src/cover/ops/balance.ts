import type { Edit } from '../../base';
import type { Doc } from '../document';
import { type Frames, moveParts } from './arrange';

/**
 * Gives the highest and the lowest words the same distance from the top and the bottom edge: the nearer to the edge of
 * the two sets the measure. What hangs under the highest moves with it by itself.
 */
export function equalMargins(frames: Frames): Edit<Doc> {
  return (doc) => {
    const words = Object.values(doc.parts).flatMap((part) => {
      const frame = frames.get(part.id);
      const counts = part.kind === 'words' && !part.hidden && !part.locked && frame && frame.height > 0;
      return counts ? [{ id: part.id, frame }] : [];
    });
    if (words.length < 2) return;
    const high = words.reduce((best, one) => (one.frame.y < best.frame.y ? one : best));
    const low = words.reduce((best, one) =>
      one.frame.y + one.frame.height > best.frame.y + best.frame.height ? one : best,
    );
    if (high.id === low.id) return;
    const top = high.frame.y;
    const bottom = doc.heightPx - low.frame.y - low.frame.height;
    const dy = Math.abs(top - bottom) / doc.heightPx;
    if (top > bottom) return moveParts([high.id], frames, 0, -dy)(doc);
    return moveParts([low.id], frames, 0, dy)(doc);
  };
}
