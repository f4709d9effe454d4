import { mainPicture } from '@yosomi/core/recipe';
import type { Brief } from '@yosomi/core/book';
import {
  type Mapping,
  type Standing,
  type StoreName,
  type There,
  type TitleRow,
  changesOf,
  readRows,
  standings,
  titlesTable,
} from '@yosomi/core/title-table';
import type { Table } from '@yosomi/core/csv';
import { loadBook } from './titles';

/** A row of a table beside the titles that are stored; `changes` is what it would change in the one that it is of. */
export type RowBeside = { readonly row: TitleRow; readonly standing: Standing; readonly changes: Partial<Brief> };

/** So many are read between two words of how far it is. */
const SOME = 250;

/**
 * The rows of a table beside the titles that are there, handed over some at a time, so that a long table holds nobody up. A title that cannot be read
 * is left as it is: its row changes nothing.
 */
export async function rowsBeside(
  table: Table,
  mapping: Mapping,
  stores: readonly StoreName[],
  there: readonly There[],
  onSome: (rows: readonly RowBeside[], of: number) => unknown,
): Promise<void> {
  const rows = readRows(table, mapping, stores);
  const stand = standings(rows, there);
  for (let at = 0; at < rows.length; at += SOME) {
    const found: RowBeside[] = [];
    for (const [i, row] of rows.slice(at, at + SOME).entries()) {
      const standing = stand[at + i];
      const book = standing.kind === 'of' ? await loadBook(standing.id) : null;
      found.push({ row, standing, changes: book?.ok ? changesOf(row, book.value.brief) : {} });
    }
    await onSome(found, rows.length);
  }
}

/** What stored titles say, as a table, and how many of them it has; one that cannot be read is left out. */
export async function tableOf(
  ids: readonly string[],
  stores: readonly StoreName[],
  onSome: (done: number, of: number) => void = () => {},
): Promise<{ readonly text: string; readonly count: number }> {
  const titles = [];
  for (const [i, id] of ids.entries()) {
    const book = await loadBook(id);
    if (book.ok) {
      const { brief, cover, assets } = book.value;
      const main = mainPicture(cover);
      titles.push({ id, brief, picture: main === null ? '' : (assets[main]?.name ?? '') });
    }
    if (i % SOME === SOME - 1) onSome(i + 1, ids.length);
  }
  return { text: titlesTable(titles, stores), count: titles.length };
}
