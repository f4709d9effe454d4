import type { Fault } from '@yosomi/core/base';

/** What a column is called in a sentence. */
const COLUMN: Readonly<Record<string, string>> = {
  series: 'series',
  number: 'number in the series',
  pages: 'number of pages',
  blurb: 'text of the back',
  kind: 'kind of book',
  picture: 'picture file',
  id: 'title on the Shelf',
};
const column = (d: Fault['data']): string => COLUMN[String(d.column)] ?? String(d.column);

/** Sentences for tables of titles and their rows. */
export const TABLE_SENTENCES: Readonly<Record<string, (d: Fault['data']) => string>> = {
  'table-workbook': () =>
    'This is a spreadsheet’s own file. Save it there as CSV, or copy its cells and paste them here.',
  'table-encoding': () => 'This file is no table. Save the table as CSV and choose that.',
  'row-title': () => 'No title.',
  'row-twice': (d) => `The same title as in row ${d.line}.`,
  'row-formula': (d) => `The ${column(d)} is a formula (${d.text}). Put its value there.`,
  'row-long': (d) => `The ${column(d)} is cut to ${d.most} letters.`,
  'row-number': (d) => `“${d.text}” is no ${column(d)} from 1 to ${d.most} and is left out.`,
  'row-language': (d) => `The language “${d.text}” is not known and is left out.`,
  'row-kind': (d) => `Not all of the kind “${d.text}” is known.`,
  'row-store': (d) => `Not known as stores, and left out: ${d.names}.`,
};
