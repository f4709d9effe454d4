import { type Edit, fault } from '../../base';
import type { Doc } from '../document';
import type { Part } from '../parts';

type Grouped = Pick<Part, 'group'>;
/** How many of these parts are in a group. */
export const sizeOf = (parts: readonly Grouped[], group: string): number =>
  parts.filter((p) => p.group === group).length;

/** Gives a group a name; an empty one takes it away. Names of groups that are no more go with it. Faults: `part-gone`. */
export function nameGroup(group: string, name: string): Edit<Doc> {
  return (doc) => {
    const there = new Set(Object.values(doc.parts).map((part) => part.group));
    if (!there.has(group)) return fault('part-gone');
    const said = name.trim().slice(0, 60);
    if (said === '') delete doc.groups[group];
    else doc.groups[group] = said;
    for (const known of Object.keys(doc.groups)) if (!there.has(known)) delete doc.groups[known];
  };
}

/** The group that the copy of a part is in: a new one, named like the old, where the whole group is copied; else the same. */
export function groupOfCopy(doc: Doc, part: Part, fresh: ReadonlyMap<string, string>): string | null {
  if (part.group === null) return null;
  const copied = [...fresh.keys()].flatMap((id) => doc.parts[id] ?? []);
  const made = new Set(fresh.values());
  const there = Object.values(doc.parts).filter(({ id }) => !made.has(id));
  if (sizeOf(copied, part.group) < sizeOf(there, part.group)) return part.group;
  const first = copied.find((one) => one.group === part.group)!;
  return fresh.get(first.id)!;
}
