import type { Brief } from '../book';
import { type TitleRow, sameTitleKey } from './rows';

/** A title that is there already. */
export type There = { readonly id: string } & Pick<Brief, 'title' | 'author' | 'seriesName' | 'seriesNumber'>;

/** What a row comes to beside the titles that are there. */
export type Standing =
  | { readonly kind: 'wrong' }
  | { readonly kind: 'new' }
  /** It says a title that is there, by its words. That stays as it is. */
  | { readonly kind: 'there'; readonly id: string }
  /** It is of a title that is there, by its id: what it says is put into that title's brief. */
  | { readonly kind: 'of'; readonly id: string };

/** What each row comes to, in their order. */
export function standings(rows: readonly TitleRow[], there: readonly There[]): Standing[] {
  const ids = new Set(there.map(({ id }) => id));
  const byWords = new Map(there.map((one) => [sameTitleKey(one), one.id]));
  return rows.map((row) => {
    if (row.wrong) return { kind: 'wrong' };
    if (row.id !== null && ids.has(row.id)) return { kind: 'of', id: row.id };
    const { title = '', author = '', seriesName = '', seriesNumber = null } = row.brief;
    const id = byWords.get(sameTitleKey({ title, author, seriesName, seriesNumber }));
    return id === undefined ? { kind: 'new' } : { kind: 'there', id };
  });
}

/** Space at the ends and between words, which tables do not keep, makes no other text. */
const told = (value: unknown): string =>
  JSON.stringify(typeof value === 'string' ? value.replace(/\s+/g, ' ').trim() : value);

/** What of a brief a row would change. */
export function changesOf({ brief: said }: TitleRow, brief: Brief): Partial<Brief> {
  const same = (field: keyof Brief): boolean => told(said[field]) === told(brief[field]);
  const fields = (Object.keys(said) as (keyof Brief)[]).filter((field) => !same(field));
  // The sort of book follows from its kinds, and stays with them.
  const asBefore = said.genres !== undefined && said.genres.length > 0 && same('genres');
  return Object.fromEntries(
    fields.filter((field) => !(field === 'kind' && asBefore)).map((field) => [field, said[field]]),
  );
}
