import { type Result, fail, ok } from '../base';
import { readCsv } from '../csv';
import { NAME_KINDS, type NameKind } from './change';

/** One book of a table: its file, what its new edition says, and what the old one said where the file does not tell. */
export type TableRow = {
  /** Which line of the table, from 1, its head not counted. */
  readonly line: number;
  readonly file: string;
  readonly cover: string;
  readonly subtitle: string;
  /** Lines for the pages of a PDF, and of an EPUB where its reading program shows one: the head, or else the foot. */
  readonly head: string;
  readonly foot: string;
  /** What is due for the text, on a page of credits. */
  readonly credit: string;
  readonly now: Readonly<Record<NameKind, string>>;
  readonly old: Readonly<Record<NameKind, string>>;
};

const MOST_ROWS = 5000;
const MOST_CELL = 1000;

/** What people write over a column, and what it is. */
const COLUMNS: Readonly<Record<string, string>> = {
  file: 'file',
  'old file': 'file',
  cover: 'cover',
  subtitle: 'subtitle',
  head: 'head',
  foot: 'foot',
  credit: 'credit',
  credits: 'credit',
  title: 'title',
  author: 'author',
  publisher: 'publisher',
  site: 'site',
  website: 'site',
  mail: 'mail',
  email: 'mail',
  'e-mail': 'mail',
};

const columnOf = (head: string): string | null => {
  const name = head
    .toLowerCase()
    .replace(/[_\s]+/g, ' ')
    .trim();
  const plain = name.replace(/^(new|old) /, '');
  if (COLUMNS[name]) return COLUMNS[name];
  const known = COLUMNS[plain];
  if (!known) return null;
  return name.startsWith('old ') ? `old ${known}` : known;
};

/**
 * Reads a table of books (CSV, RFC 4180; semicolons and tabs are understood too). The first line names the columns. Faults: `table-empty`,
 * `table-large` (`most`), `table-column` (`name`: not known, or there twice), `table-file` (no column for files), `table-damaged` (`line`).
 */
export function readTable(text: string): Result<TableRow[]> {
  const read = readCsv(text, MOST_ROWS);
  if (!read.ok) return read;
  const { head, rows } = read.value;
  const columns = new Map<string, number>();
  for (const [i, name] of head.entries()) {
    if (!name) continue;
    const column = columnOf(name);
    if (!column || columns.has(column)) return fail('table-column', { name: name.slice(0, 60) });
    columns.set(column, i);
  }
  if (!columns.has('file')) return fail('table-file');
  return ok(
    rows.map((cells, i) => {
      const cell = (column: string): string => (cells[columns.get(column) ?? -1] ?? '').slice(0, MOST_CELL);
      const names = (before: string): Record<NameKind, string> =>
        Object.fromEntries(NAME_KINDS.map((kind) => [kind, cell(`${before}${kind}`)])) as Record<NameKind, string>;
      return {
        line: i + 1,
        file: cell('file'),
        cover: cell('cover'),
        subtitle: cell('subtitle'),
        head: cell('head'),
        foot: cell('foot'),
        credit: cell('credit'),
        now: names(''),
        old: names('old '),
      };
    }),
  );
}
