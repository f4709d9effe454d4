import { loadWishes } from './wishes';
import { type FileState, fileState, filesShowSeries } from '@yosomi/core/shelf';
import { type Unread, checkCard } from './cards';
import { db } from './db';
import { readOthers } from './others';

/** What is found where a title itself is looked at, and not its card: how its files stand, or why it cannot be read. */
export type Looked = { readonly id: string; readonly state: FileState | null; readonly unread: Unread | null };

/** Looks through titles, one after the other; those that are gone are left out. */
export async function lookThrough(ids: readonly string[]): Promise<Looked[]> {
  const { value: wishes } = await loadWishes();
  const looked: Looked[] = [];
  for (const id of ids) {
    const found = await checkCard(id);
    if (!found) continue;
    if ('unread' in found) {
      looked.push({ id, state: null, unread: found.unread });
      continue;
    }
    const { book } = found;
    const others = await readOthers(book, filesShowSeries(book));
    looked.push({ id, state: fileState(book, others, wishes, await keysOf(id)), unread: null });
  }
  return looked;
}

/** By file, the key of the state that it was made from; no bytes are read for it. */
async function keysOf(title: string): Promise<Map<string, string>> {
  const rows = await db.files.where('[title+key+id]').between([title, ''], [title, '\uffff']).keys();
  return new Map(
    (rows as unknown as [string, string, string][]).map(([, key, id]) => [id.slice(title.length + 1), key]),
  );
}
