import type { Edit } from '../../base';
import type { Doc } from '../document';
import type { Part } from '../parts';
import { addPart } from './add-part';
import { rebind } from './arrange';
import { sizeOf } from './groups';

/**
 * Puts copies of parts in front of everything, under these names: bound to each other as those were, in a group of their own where
 * they came as one. `groups` are the names that groups had. Faults: those of `addPart`.
 */
export function pasteParts(
  parts: readonly Part[],
  names: readonly string[],
  groups: Readonly<Record<string, string>>,
): Edit<Doc> {
  return (doc) => {
    const named = new Map(parts.map((part, i) => [part.id, names[i]]));
    // As they lay over one another, in whatever order they were chosen.
    const fromTheBack = [...parts].sort((a, b) => (a.order < b.order ? -1 : 1));
    for (const part of fromTheBack) {
      const copy = JSON.parse(JSON.stringify(part)) as Part;
      rebind(copy, (of) => named.get(of) ?? null);
      const first = parts.find((one) => one.group === part.group)!;
      copy.group = part.group !== null && sizeOf(parts, part.group) > 1 ? named.get(first.id)! : null;
      const refused = addPart(named.get(part.id)!, copy)(doc);
      if (refused) return refused;
      if (copy.group !== null && groups[part.group!]) doc.groups[copy.group] = groups[part.group!];
    }
  };
}
