import { loadWishes } from './wishes';
import { type FileState, fileState, filesShowSeries } from '@yosomi/core/shelf';
import { checkCard } from './cards';
import { keysOf } from './made-files';
import { readOthers } from './others';

/** How the files of a title stand; null where it cannot be read. */
export type Looked = { readonly id: string; readonly state: FileState | null };

/** Looks through titles themselves, one after the other, and not their cards; those that are gone are left out. */
export async function lookThrough(ids: readonly string[]): Promise<Looked[]> {
  const { value: wishes } = await loadWishes();
  const looked: Looked[] = [];
  for (const id of ids) {
    const book = await checkCard(id);
    if (!book) continue;
    if (!book.ok) {
      looked.push({ id, state: null });
      continue;
    }
    const others = await readOthers(book.value, filesShowSeries(book.value));
    looked.push({ id, state: fileState(book.value, others, wishes, await keysOf(id)) });
  }
  return looked;
}
