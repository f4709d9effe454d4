import { type Edit, fault, orderBetween } from '../../base';
import { type Doc, inOrder } from '../document';

/** Moves a part one step to the front (+1) or to the back (-1); at the end it stays. Ground stays last. Faults: `part-gone`. */
export function movePart(id: string, step: 1 | -1): Edit<Doc> {
  return (doc) => {
    const sorted = inOrder(doc);
    const at = sorted.findIndex((part) => part.id === id);
    if (at < 0) return fault('part-gone');
    const other = sorted[at + step];
    if (!other || other.kind === 'ground' || sorted[at].kind === 'ground') return;
    const beyond = sorted[at + 2 * step]?.order ?? null;
    doc.parts[id].order = step > 0 ? orderBetween(other.order, beyond) : orderBetween(beyond, other.order);
  };
}
