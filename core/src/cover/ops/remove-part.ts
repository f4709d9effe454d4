import { type Edit, fault } from '../../base';
import { polyline } from '../../plane';
import { nodesFrom } from '../defaults';
import type { Doc } from '../document';
import { runwayOf } from '../outline';
import type { Part, WordsPart } from '../parts';

const POINTS = 96;

/** Words that ran along a part keep its line, as one of their own. */
function keepLine(words: WordsPart, along: Part, doc: Doc): void {
  if (words.baseline?.kind !== 'along') return;
  const { from, gap, back } = words.baseline;
  const runway = runwayOf(along, doc, back);
  const off = gap * (words.size ?? 0) * doc.widthPx;
  const points = Array.from({ length: POINTS + 1 }, (_, i) => {
    const { line, closed } = runway ?? { line: polyline([{ x: 0, y: 0 }]), closed: false };
    const at = i / POINTS + (closed ? from : 0);
    const { point, angleRad } = line.at((closed && at !== 1 ? at - Math.floor(at) : at) * line.length);
    return { x: point.x + Math.sin(angleRad) * off, y: point.y - Math.cos(angleRad) * off };
  });
  const nodes = runway && nodesFrom(points, doc, doc.widthPx / 500);
  words.baseline = nodes && nodes.length <= 60 ? { kind: 'curve', nodes } : null;
}

/**
 * Takes a part away. Words that stood in it or ran along it stay: in a place of their own, along a line of their own.
 * Faults: `part-gone`, `part-locked`, `ground-stays` (a cover always has a ground).
 */
export function removePart(id: string): Edit<Doc> {
  return (doc) => {
    const part = doc.parts[id];
    if (!part) return fault('part-gone');
    if (part.locked) return fault('part-locked');
    if (part.kind === 'ground') return fault('ground-stays');
    for (const other of Object.values(doc.parts)) {
      if (other.kind !== 'words') continue;
      if (other.baseline?.kind === 'along' && other.baseline.part === id) keepLine(other, part, doc);
      if (other.room?.part === id) other.room = null;
    }
    delete doc.parts[id];
  };
}
