import { type Edit, change, diff } from '../base';
import { type Doc, Part } from '../cover';
import { type Campaign, type PartChange, type PartChanges } from './campaign';
import { SLOTS, type Slot } from './message';

const same = (a: unknown, b: unknown): boolean => diff(a, b).length === 0;

/** What leads from a promo as its rule composes it to the one that a person made of it. */
export function changesOf(ruled: Doc, edited: Doc): PartChanges {
  const changes: PartChanges = {};
  for (const [id, part] of Object.entries(edited.parts)) {
    const before = ruled.parts[id];
    if (!before || before.kind !== part.kind) {
      changes[id] = { kind: 'new', part };
      continue;
    }
    const fields = Object.fromEntries(
      Object.entries(part).filter(([name, value]) => !same(before[name as keyof Part], value)),
    );
    if (Object.keys(fields).length > 0) changes[id] = { kind: 'set', fields };
  }
  for (const id of Object.keys(ruled.parts)) if (!edited.parts[id]) changes[id] = { kind: 'gone' };
  return changes;
}

/** A promo as its rule composes it now, with what a person changed. What no longer has a part, or does not fit it, is left out. */
export function withChanges(ruled: Doc, changes: PartChanges): Doc {
  const parts = { ...ruled.parts };
  for (const [id, made] of Object.entries(changes)) {
    const part = changed(parts[id], made);
    if (part) parts[id] = part;
    else if (made.kind === 'gone') delete parts[id];
  }
  return { ...ruled, parts };
}

function changed(part: Part | undefined, made: PartChange): Part | null {
  if (made.kind === 'new') return made.part;
  if (made.kind === 'gone' || !part) return null;
  const parsed = Part.safeParse({ ...part, ...made.fields });
  return parsed.success ? parsed.data : null;
}

const isSlot = (id: string): id is Slot => SLOTS.some((slot) => slot === id);

/**
 * An edit of one format as it is shown. What is typed on a message's own words becomes words of this format; all else is kept as
 * changes over the rule, for the look that it was made in. `ruled` is the promo as the rule composes it, with the words shown.
 */
export const editRuled =
  (format: string, ruled: Doc, edit: Edit<Doc>): Edit<Campaign> =>
  (campaign) => {
    const { look } = campaign.style;
    const before = campaign.made[format];
    if (before?.kind === 'drawn') return undefined;
    const shown = withChanges(ruled, structuredCloned(before?.changes[look] ?? {}));
    const done = change(shown, edit);
    if (!done.ok) return done.fault;
    const changes = changesOf(ruled, done.value.next);
    const words = { ...before?.words };
    for (const [id, one] of Object.entries(changes)) {
      if (!isSlot(id) || one.kind !== 'set') continue;
      const says = one.fields.says as { kind?: string; text?: string } | undefined;
      if (says?.kind !== 'own' || typeof says.text !== 'string') continue;
      words[id] = says.text.slice(0, 400);
      const { says: _, ...rest } = one.fields;
      if (Object.keys(rest).length > 0) changes[id] = { kind: 'set', fields: rest };
      else delete changes[id];
    }
    const all = { ...before?.changes, [look]: changes };
    if (Object.keys(changes).length === 0) delete all[look];
    if (Object.keys(all).length === 0 && Object.keys(words).length === 0) delete campaign.made[format];
    else campaign.made[format] = { kind: 'ruled', words, changes: all };
  };

/** A draft cannot be read after its edit is over: a copy can. */
const structuredCloned = (changes: PartChanges): PartChanges => JSON.parse(JSON.stringify(changes)) as PartChanges;
