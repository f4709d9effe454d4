import { type Edit, fault } from '../../base';
import { clamp, type Rect } from '../../plane';
import { type Doc, SAFE } from '../document';
import type { WordsPart } from '../parts';
import { mapNodes, setFree } from './arrange';

type Align = WordsPart['align'];

const SHARE: Readonly<Record<Align, number>> = { left: 0, centre: 0.5, right: 1 };

/** Words that run straight across in a place of their own: only there a side to range on is a matter of left and right. */
const straight = (part: WordsPart): boolean =>
  part.setting === 'across' && part.baseline === null && part.room === null;

/** Moves the place sideways so that letters `ink` wide, ranged on `align`, begin at `left` px. */
function hold(part: WordsPart, align: Align, left: number, ink: Rect, doc: Doc): void {
  const room = part.area.width * doc.widthPx - ink.width;
  part.align = align;
  part.area.x = clamp((left - room * SHARE[align]) / doc.widthPx, -4, 4);
}

/**
 * Ranges words on another side. The box of their letters, `ink` px, stays where it is: only the lines in it move.
 * Faults: `part-gone`, `part-locked`.
 */
export function alignWords(id: string, align: Align, ink: Rect): Edit<Doc> {
  return (doc) => {
    const part = doc.parts[id];
    if (part?.kind !== 'words') return fault('part-gone');
    if (part.locked) return fault('part-locked');
    if (straight(part) && ink.width > 0) hold(part, align, ink.x, ink, doc);
    else part.align = align;
  };
}

/** Puts the box of words' letters, `ink` px, at a point, ranged on a side. Faults: `part-gone`, `part-locked`. */
export function putWords(
  id: string,
  align: Align,
  at: { readonly x: number; readonly y: number },
  ink: Rect,
): Edit<Doc> {
  return (doc) => {
    const part = doc.parts[id];
    if (part?.kind !== 'words') return fault('part-gone');
    if (part.locked) return fault('part-locked');
    setFree(part, ink, doc);
    part.area.y = clamp(part.area.y + (at.y - ink.y) / doc.heightPx, -4, 4);
    if (straight(part)) hold(part, align, at.x, ink, doc);
    else part.area.x = clamp(part.area.x + (at.x - ink.x) / doc.widthPx, -4, 4);
  };
}

/**
 * Brings words whose letters, `ink` px, reach out of the safe area back into it: moved by as little as will do, and set as
 * large as fits where they are too large. Faults: `part-gone`, `part-locked`.
 */
export function bringInside(id: string, ink: Rect): Edit<Doc> {
  return (doc) => {
    const part = doc.parts[id];
    if (part?.kind !== 'words') return fault('part-gone');
    if (part.locked) return fault('part-locked');
    const margin = SAFE * doc.widthPx;
    const [roomX, roomY] = [doc.widthPx - 2 * margin, doc.heightPx - 2 * margin];
    setFree(part, ink, doc);
    if (ink.width > roomX || ink.height > roomY) {
      part.size = null;
      part.turnRad = 0;
      part.area = {
        x: SAFE,
        width: 1 - 2 * SAFE,
        y: clamp(part.area.y, margin / doc.heightPx, 0.9),
        height: Math.min(part.area.height, roomY / doc.heightPx),
      };
      part.area.y = Math.min(part.area.y, 1 - margin / doc.heightPx - part.area.height);
      return;
    }
    const dx = clamp(ink.x, margin, doc.widthPx - margin - ink.width) - ink.x;
    const dy = clamp(ink.y, margin, doc.heightPx - margin - ink.height) - ink.y;
    part.area.x += dx / doc.widthPx;
    part.area.y += dy / doc.heightPx;
    if (part.baseline?.kind === 'curve')
      mapNodes(part.baseline.nodes, { x: (x) => x + dx / doc.widthPx, y: (y) => y + dy / doc.heightPx });
  };
}
