import { type Result, ok } from '@yosomi/core/base';
import { type Table, readCsv, textOfTable } from '@yosomi/core/csv';
import { type Mapping, MOST_ROWS, type StoreName, type There } from '@yosomi/core/title-table';
import { expose } from 'comlink';
import { type RowBeside, rowsBeside, tableOf } from '../persist/title-rows';

/** A table as far as a page has to know it: its rows stay here. */
export type TableHead = {
  readonly id: number;
  readonly head: readonly string[];
  /** What stands first under each column; empty where nothing does. */
  readonly first: readonly string[];
};

/** As much of a cell is shown. */
const SHOWN = 200;

const tables = new Map<number, Table>();
let last = 0;

const api = {
  /** Reads a table and keeps it. Faults: those of `textOfTable` and `readCsv`. */
  read(given: Uint8Array | string): Result<TableHead> {
    const text = typeof given === 'string' ? ok(given) : textOfTable(given);
    const table = text.ok ? readCsv(text.value, MOST_ROWS) : text;
    if (!table.ok) return table;
    const { head, rows } = table.value;
    tables.clear();
    tables.set(++last, table.value);
    const first = head.map((_, at) => (rows.find((row) => row[at])?.[at] ?? '').slice(0, SHOWN));
    return ok({ id: last, head, first });
  },

  /** A table whole, where a page has to read its rows itself; null where it is not kept any more. */
  table: (id: number): Table | null => tables.get(id) ?? null,

  /** Throws where the table is not kept any more. */
  async rows(
    id: number,
    mapping: Mapping,
    stores: readonly StoreName[],
    there: readonly There[],
    onSome: (rows: readonly RowBeside[], of: number) => unknown,
  ): Promise<void> {
    const table = tables.get(id);
    if (!table) throw new Error('no such table');
    await rowsBeside(table, mapping, stores, there, onSome);
  },
  tableOf,
};

export type TitleTableApi = typeof api;
expose(api);
