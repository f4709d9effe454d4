import { tableText } from '@yosomi/core/csv';
import { COLUMNS } from '@yosomi/core/title-table';
import { allProfiles } from '@yosomi/core/stores';
import { create } from 'zustand';
import { say, sayFault } from '../../messages/say';
import { loadWishes } from '../../persist/wishes';
import { saveBlob } from '../../platform/files';
import { tableBeside } from '../../work/title-table';

/** How far the saving of a table is; null while none is saved. */
export const useSavingTable = create<{ readonly now: { readonly done: number; readonly of: number } | null }>(() => ({
  now: null,
}));

export const saveTable = (text: string, name: string): void =>
  saveBlob(new Blob([text], { type: 'text/csv;charset=utf-8' }), name);

/** A table with nothing under its head, to be filled in. */
export const saveEmptyTable = (): void =>
  saveTable(
    tableText(
      COLUMNS.filter((column) => column !== 'id'),
      [],
    ),
    'yosomi-titles.csv',
  );

/** Saves what titles say as a table. */
export async function saveTitlesTable(ids: readonly string[]): Promise<void> {
  if (useSavingTable.getState().now) return;
  useSavingTable.setState({ now: { done: 0, of: ids.length } });
  try {
    const { value: wishes } = await loadWishes();
    const { text, count } = await tableBeside(ids, allProfiles(wishes.stores), (done, of) =>
      useSavingTable.setState({ now: { done, of } }),
    );
    const name = `yosomi-${count}-titles.csv`;
    saveTable(text, name);
    say(count === ids.length ? `Saved ${name}` : `Saved ${name}. ${ids.length - count} could not be read.`);
  } catch {
    sayFault({ code: 'work-failed', data: {} });
  } finally {
    useSavingTable.setState({ now: null });
  }
}
