import { type Edit, fault } from '../../base';
import type { Doc } from '../document';

/** Faults: `part-gone`, `part-locked`, `ground-stays` (a cover always has a ground). */
export function removePart(id: string): Edit<Doc> {
  return (doc) => {
    const part = doc.parts[id];
    if (!part) return fault('part-gone');
    if (part.locked) return fault('part-locked');
    if (part.kind === 'ground') return fault('ground-stays');
    delete doc.parts[id];
  };
}
