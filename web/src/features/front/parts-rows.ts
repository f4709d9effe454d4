import { type AddedScrim, scrimOver } from '@yosomi/core/compose';
import { type Doc, type Into, type Part, inOrder } from '@yosomi/core/cover';

/** A line of the list of parts, which stands as the parts lie: the foremost first. */
export type Row =
  | { readonly kind: 'part'; readonly id: string; readonly part: Part; readonly inGroup: boolean }
  /** Parts of a group that lie next to each other, from the front. */
  | {
      readonly kind: 'group';
      readonly id: string;
      readonly group: string;
      readonly parts: readonly Part[];
      readonly open: boolean;
    }
  | { readonly kind: 'added'; readonly id: string; readonly scrim: AddedScrim };

/** Rows from the front back; `folded` groups show no parts. A group of one is a part. */
export function rowsOf(doc: Doc, added: readonly AddedScrim[], folded: ReadonlySet<string>): Row[] {
  const parts = inOrder(doc);
  const veils = added.map((scrim) => ({ scrim, over: scrimOver(scrim, parts) }));
  const rows: Row[] = [];
  for (let i = parts.length - 1; i >= 0; i--) {
    for (const { scrim, over } of veils) if (over === i) rows.push({ kind: 'added', id: `added-${scrim.from}`, scrim });
    const { group } = parts[i];
    let first = i;
    if (group !== null) while (parts[first - 1]?.group === group) first--;
    if (first === i) {
      rows.push({ kind: 'part', id: parts[i].id, part: parts[i], inGroup: false });
      continue;
    }
    const members = parts.slice(first, i + 1).reverse();
    const open = !folded.has(group!);
    rows.push({ kind: 'group', id: `group-${group}-${members[0].id}`, group: group!, parts: members, open });
    if (open) for (const part of members) rows.push({ kind: 'part', id: part.id, part, inGroup: true });
    i = first;
  }
  return rows;
}

/** The parts that a row stands for, from the front. */
export const idsOf = (row: Row): string[] =>
  row.kind === 'part' ? [row.part.id] : row.kind === 'group' ? row.parts.map(({ id }) => id) : [];

export type Drop = { readonly ids: readonly string[]; readonly before: string | null; readonly into: Into };

/**
 * What it means to carry a row to the place of another: the parts that move, the part that they come to lie right behind
 * (null in front of all), and the group they are in then. null where nothing moves.
 */
export function dropped(rows: readonly Row[], id: string, over: string): Drop | null {
  const from = rows.findIndex((row) => row.id === id);
  const to = rows.findIndex((row) => row.id === over);
  const row = rows[from];
  if (!row || to < 0 || from === to || row.kind === 'added' || (row.kind === 'part' && row.part.kind === 'ground'))
    return null;
  const ids = idsOf(row);
  const rest = rows.filter(
    (one) => one.id !== id && one.kind !== 'added' && !(one.kind === 'part' && ids.includes(one.id)),
  );
  if (ids.includes(over)) return null;
  const shown = rest.findIndex((one) => one.id === over);
  // A scrim that was added stands for the picture it lies on.
  const at = shown >= 0 ? shown + (to > from ? 1 : 0) : rest.findIndex((one) => rows.indexOf(one) > to);
  const above = rest[at - 1];
  const below = rest[at];
  const groupOf = (one: Row | undefined): string | null =>
    one?.kind === 'part' && one.inGroup ? one.part.group : null;
  const own = row.kind === 'group' ? row.group : row.part.group;
  const before = !above
    ? null
    : above.kind === 'group' && above.open
      ? inFrontOf(rest, above)
      : (idsOf(above).at(-1) ?? null);
  if (row.kind === 'group') return { ids, before, into: 'own' };
  const joined =
    above?.kind === 'group' && above.open
      ? above.group
      : groupOf(above) !== null && (groupOf(above) === groupOf(below) || groupOf(above) === own)
        ? groupOf(above)
        : null;
  return { ids, before, into: joined };
}

/** The part that lies right in front of a group. */
function inFrontOf(rows: readonly Row[], group: Row): string | null {
  const above = rows[rows.indexOf(group) - 1];
  return above ? (idsOf(above).at(-1) ?? null) : null;
}
