import type { Result } from '@yosomi/core/base';
import type { Table } from '@yosomi/core/csv';
import type { Mapping, StoreName, There } from '@yosomi/core/title-table';
import { proxy } from 'comlink';
import { inMemory } from '../persist/memory';
import { type RowBeside, rowsBeside, tableOf } from '../persist/title-rows';
import { supervised } from './own-worker';
import type { TitleTableApi } from './title-table.worker';

const worker = supervised<TitleTableApi>(
  () => new Worker(new URL('./title-table.worker.ts', import.meta.url), { type: 'module' }),
);

type OnSome = (done: number, of: number) => void;

/** A table from the bytes of its file, or from a text that was pasted. Faults: those of `textOfTable` and `readCsv`. */
export const readTable = (given: Uint8Array | string): Promise<Result<Table>> => worker.read(given);

/** The rows of a table beside what is on the Shelf; where the browser stores nothing, the page alone can read that. */
export const readBeside = (
  table: Table,
  mapping: Mapping,
  stores: readonly StoreName[],
  there: readonly There[],
  onSome: OnSome,
): Promise<RowBeside[]> =>
  inMemory()
    ? rowsBeside(table, mapping, stores, there, onSome)
    : worker.rowsBeside(table, mapping, stores, there, proxy(onSome));

export const tableBeside = (
  ids: readonly string[],
  stores: readonly StoreName[],
  onSome: OnSome,
): Promise<{ readonly text: string; readonly count: number }> =>
  inMemory() ? tableOf(ids, stores, onSome) : worker.tableOf(ids, stores, proxy(onSome));
