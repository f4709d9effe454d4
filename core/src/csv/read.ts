import Papa from 'papaparse';
import { type Result, fail, ok } from '../base';

/** A table: what stands over its columns, and its rows, empty ones left out. Cells are as they were written, without space at their ends. */
export type Table = { readonly head: readonly string[]; readonly rows: readonly (readonly string[])[] };

const MOST_LETTERS = 32 * 1024 * 1024;

/** What parts the columns: the sign that the first line has most of. */
function delimiterOf(text: string): string {
  const head = text.trimStart().split(/[\r\n]/, 1)[0];
  const count = (sign: string): number => head.split(sign).length;
  return [',', ';', '\t'].reduce((a, b) => (count(b) > count(a) ? b : a));
}

/** Cells that `tableText` wrote so that no spreadsheet takes them for a formula, and `="007"`, by which numbers keep their zeros. */
function plainCell(cell: string): string {
  const trimmed = cell.trim();
  const kept = /^="([^"]*)"$/.exec(trimmed);
  if (kept) return kept[1].trim();
  return /^''*[=+\-@]/.test(trimmed) ? trimmed.slice(1) : trimmed;
}

/**
 * Reads a table (CSV, RFC 4180; semicolons and tabs are understood too), whose first line names the columns. `most` rows at most. Faults:
 * `table-empty`, `table-large` (`most`), `table-damaged` (`line`: where a quote has no partner; empty lines are not counted).
 */
export function readCsv(text: string, most: number): Result<Table> {
  if (text.length > MOST_LETTERS) return fail('table-large', { most });
  const source = text.replace(/^\ufeff/, '');
  const { data, errors } = Papa.parse<string[]>(source, {
    delimiter: delimiterOf(source),
    skipEmptyLines: 'greedy',
    // No more is read than tells that it is too much.
    preview: most + 2,
  });
  if (data.length > most + 1) return fail('table-large', { most });
  const broken = errors.find(({ type }) => type === 'Quotes');
  if (broken) return fail('table-damaged', { line: (broken.row ?? 0) + 1 });
  const [head, ...rows] = data;
  if (!head || rows.length === 0) return fail('table-empty');
  return ok({ head: head.map((name) => name.trim()), rows: rows.map((cells) => cells.map(plainCell)) });
}
