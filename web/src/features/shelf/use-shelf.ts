import type { Fault } from '@yosomi/core/base';
import type { Book } from '@yosomi/core/project';
import { useLiveQuery } from 'dexie-react-hooks';
import { sayFault, say } from '../../messages/say';
import { db } from '../../persist/db';
import { putBack, removeTitle } from '../../persist/removed';
import { nameOfRow, readRow } from '../../persist/rows';
import { nowIso } from '../../platform/clock';
import { duplicateTitle } from './take-in';

/** A title on the Shelf that this release cannot read; it stays stored as it is. */
export type Unread = { readonly id: string; readonly name: string; readonly fault: Fault };
export type Shelf = { readonly books: readonly Book[]; readonly unread: readonly Unread[] };

/** All titles, the last changed first; null until they are read. */
export function useShelf(): Shelf | null {
  return (
    useLiveQuery(async () => {
      const rows = await db.titles.orderBy('updatedAt').reverse().toArray();
      const odd = await oddRows(rows.length);
      const books: Book[] = [];
      const unread: Unread[] = [];
      for (const row of [...rows, ...odd]) {
        const read = readRow(row);
        if (read?.book.ok) books.push(read.book.value);
        else {
          const fault = read && !read.book.ok ? read.book.fault : { code: 'project-damaged', data: { where: 'row' } };
          unread.push({ id: String(row.id), name: nameOfRow(row), fault });
        }
      }
      return { books, unread };
    }) ?? null
  );
}

/** Rows without a date stand in no order, and would not be seen. */
async function oddRows(dated: number): Promise<{ id: string }[]> {
  if ((await db.titles.count()) === dated) return [];
  const known = new Set(await db.titles.orderBy('updatedAt').primaryKeys());
  return (await db.titles.toArray()).filter((row) => !known.has(row.id));
}

export async function removeFromShelf({ id, name }: { id: string; name: string }): Promise<void> {
  const removed = await removeTitle(id, nowIso());
  if (!removed.ok) return sayFault(removed.fault);
  const back = async (): Promise<void> => {
    const done = await putBack(id);
    if (!done.ok) sayFault(done.fault);
  };
  say(`"${name}" was removed. It can be put back for 30 days.`, { label: 'Put it back', run: () => void back() });
}

export async function duplicate(book: Book): Promise<void> {
  const done = await duplicateTitle(book);
  if (!done.ok) return sayFault(done.fault);
  say(`"${done.value.brief.title}" is on the Shelf.`);
}
