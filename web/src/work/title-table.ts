import type { Result } from '@yosomi/core/base';
import type { Mapping, StoreName, There } from '@yosomi/core/title-table';
import { proxy } from 'comlink';
import { inMemory } from '../persist/memory';
import { type RowBeside, rowsBeside, tableOf } from '../persist/title-rows';
import { supervised } from './own-worker';
import type { TableHead, TitleTableApi } from './title-table.worker';

export type { TableHead };

const worker = supervised<TitleTableApi>(
  () => new Worker(new URL('./title-table.worker.ts', import.meta.url), { type: 'module' }),
);

/** A table from the bytes of its file, or from a text that was pasted: the last one is kept. Faults: those of `textOfTable` and `readCsv`. */
export const readTable = (given: Uint8Array | string): Promise<Result<TableHead>> => worker.read(given);

/**
 * The rows of the table beside what is on the Shelf. Where the browser stores nothing, the page alone can read that. Throws where the table is not
 * kept any more.
 */
export async function readBeside(
  { id }: TableHead,
  mapping: Mapping,
  stores: readonly StoreName[],
  there: readonly There[],
  onSome: (done: number, of: number) => void,
): Promise<RowBeside[]> {
  const found: RowBeside[] = [];
  const take = (rows: readonly RowBeside[], of: number): void => {
    found.push(...rows);
    onSome(found.length, of);
  };
  if (!inMemory()) await worker.rows(id, mapping, stores, there, proxy(take));
  else {
    const table = await worker.table(id);
    if (!table) throw new Error('no such table');
    await rowsBeside(table, mapping, stores, there, take);
  }
  return found;
}

/** What stored titles say, as a table, and how many of them it has. */
export const tableBeside = (
  ids: readonly string[],
  stores: readonly StoreName[],
  onSome: (done: number, of: number) => void,
): Promise<{ readonly text: string; readonly count: number }> =>
  inMemory() ? tableOf(ids, stores, onSome) : worker.tableOf(ids, stores, proxy(onSome));
