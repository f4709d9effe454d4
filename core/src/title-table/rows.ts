import { type Fault, fault } from '../base';
import { Brief, emptyBrief } from '../book';
import type { Table } from '../csv';
import {
  type Cell,
  type StoreName,
  type StoresByName,
  isFormula,
  kindCell,
  languageCell,
  numberCell,
  storesByName,
  storesCell,
} from './cells';
import type { Column, Mapping } from './columns';

/** Most rows of one table. */
export const MOST_ROWS = 5000;

/** One row of a table, read. */
export type TitleRow = {
  /** From 1, the head not counted. */
  readonly line: number;
  /** What it says of the title: only what the table has columns for, and the row a value that could be understood. */
  readonly brief: Partial<Brief>;
  /** Name of a picture file; null where none is named. */
  readonly picture: string | null;
  /** Id of the title that the row is of, as a table that was saved here has it; null where it has none. */
  readonly id: string | null;
  /** Why nothing can be made of it. */
  readonly wrong: Fault | null;
  /** What of it was left out, or cut. */
  readonly notes: readonly Fault[];
};

/** Columns that are texts. */
const TEXTS = {
  title: 'title',
  subtitle: 'subtitle',
  author: 'author',
  series: 'seriesName',
  strapline: 'strapline',
  blurb: 'blurb',
  website: 'website',
  publisher: 'publisher',
} as const satisfies Partial<Record<Column, keyof Brief>>;
/** The one that keeps its lines. */
const LINES: Column = 'blurb';

const isText = (column: Column): column is keyof typeof TEXTS => column in TEXTS;

/** What an empty cell says of a title that is there already: nothing where a title must have something. */
const EMPTY: Partial<Record<Column, Partial<Brief>>> = {
  number: { seriesNumber: null },
  pages: { pageCount: null },
  stores: { stores: [] },
};

function readRow(cells: readonly string[], line: number, mapping: Mapping, stores: StoresByName): TitleRow {
  const brief: Partial<Brief> = {};
  const notes: Fault[] = [];
  let wrong: Fault | null = null;
  let [picture, id]: [string | null, string | null] = [null, null];
  const take = <T>({ value, note }: Cell<T>, as: (value: T) => Partial<Brief>): void => {
    if (value !== null) Object.assign(brief, as(value));
    if (note) notes.push(note);
  };
  for (const [i, column] of mapping.entries()) {
    if (column === null) continue;
    const text = cells[i] ?? '';
    if (isFormula(text)) {
      const said = fault('row-formula', { column, text: text.slice(0, 40) });
      if (column === 'title') wrong = said;
      else notes.push(said);
    } else if (isText(column)) {
      const field = TEXTS[column];
      const most = Brief.shape[field].maxLength ?? Infinity;
      const whole = column === LINES ? text.replace(/\r\n?/g, '\n') : text.replace(/\s+/g, ' ');
      if (whole.length > most) notes.push(fault('row-long', { column, most }));
      brief[field] = whole.slice(0, most);
    } else if (text === '') Object.assign(brief, EMPTY[column]);
    else
      switch (column) {
        case 'number':
          take(numberCell(text, column), (seriesNumber) => ({ seriesNumber }));
          break;
        case 'pages':
          take(numberCell(text, column), (pageCount) => ({ pageCount }));
          break;
        case 'language':
          take(languageCell(text), (language) => ({ language }));
          break;
        case 'kind':
          take(kindCell(text), (kind) => kind);
          break;
        case 'stores':
          take(storesCell(text, stores), (some) => ({ stores: some }));
          break;
        case 'picture':
          picture = text.slice(0, 255);
          break;
        case 'id':
          id = text.slice(0, 40);
          break;
      }
  }
  if (wrong === null && !brief.title) wrong = fault('row-title');
  return { line, brief, picture, id, wrong, notes };
}

const plain = (text: string): string => text.trim().replace(/\s+/g, ' ').toLocaleLowerCase();

/** What tells one title from another where no id does. */
export const sameTitleKey = ({
  title,
  author,
  seriesName,
  seriesNumber,
}: Pick<Brief, 'title' | 'author' | 'seriesName' | 'seriesNumber'>): string =>
  JSON.stringify([plain(title), plain(author), plain(seriesName), seriesNumber]);

/** The words of a new title that a row says. */
export function briefOf({ brief }: TitleRow): Brief {
  const { stores = [], ...rest } = brief;
  return { ...emptyBrief, ...rest, stores: stores.length > 0 ? stores : emptyBrief.stores };
}

/**
 * The rows of a table, each read by itself. A row that says the same title as one before it is wrong (`row-twice`, with the `line` of that one). Other
 * reasons why a row is wrong: `row-title` (it has none), `row-formula`. Notes: `row-formula`, `row-long`, `row-number`, `row-language`, `row-kind`, `row-store`.
 */
export function readRows({ rows }: Table, mapping: Mapping, stores: readonly StoreName[]): TitleRow[] {
  const first = new Map<string, number>();
  const known = storesByName(stores);
  return rows.map((cells, i) => {
    const row = readRow(cells, i + 1, mapping, known);
    if (row.wrong) return row;
    const keys = [sameTitleKey(briefOf(row)), ...(row.id === null ? [] : [`id ${row.id}`])];
    const before = keys.flatMap((key) => first.get(key) ?? [])[0];
    for (const key of keys) if (!first.has(key)) first.set(key, row.line);
    return before === undefined ? row : { ...row, wrong: fault('row-twice', { line: before }) };
  });
}
