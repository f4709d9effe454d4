import { type Edit, fault, orderBetween } from '../../base';
import { type Doc, type PartSeed, inOrder } from '../document';
import { Part } from '../parts';

/** The part that a new picture goes in front of, so that it lies behind all words: the last picture, or the ground. */
export function behindWords(doc: Doc): string | null {
  const sorted = inOrder(doc);
  const words = sorted.findIndex((part) => part.kind === 'words' && !part.hidden);
  const below = sorted.slice(0, words < 0 ? sorted.length : words);
  return below.findLast((part) => part.kind === 'picture' || part.kind === 'ground')?.id ?? null;
}

/** Adds a part in front of `after` (null: in front of everything). Faults: `part-exists`, `part-value`. */
export function addPart(id: string, seed: PartSeed, after: string | null = null): Edit<Doc> {
  return (doc) => {
    if (doc.parts[id]) return fault('part-exists');
    const sorted = inOrder(doc);
    const below = after === null ? sorted.length - 1 : sorted.findIndex((part) => part.id === after);
    const order = orderBetween(sorted[below]?.order ?? null, sorted[below + 1]?.order ?? null);
    const parsed = Part.safeParse({ ...seed, id, order });
    if (!parsed.success) return fault('part-value', { field: String(parsed.error.issues[0]?.path.join('.') ?? '') });
    doc.parts[id] = parsed.data;
  };
}
