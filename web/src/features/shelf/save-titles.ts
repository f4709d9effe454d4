import { titleFolders } from '@yosomi/core/recipe';
import { create } from 'zustand';
import { say, sayFault } from '../../messages/say';
import { filesOf } from '../../persist/assets';
import { loadBook } from '../../persist/titles';
import { saveBlob } from '../../platform/files';
import type { ZipEntry } from '../../work/picture-files';
import { press } from '../../work/workers';

/** How far the saving of many titles is; null while none are saved. */
export const useSaving = create<{ readonly now: { readonly done: number; readonly of: number } | null }>(() => ({
  now: null,
}));

let stopping: AbortController | null = null;
export const stopSaving = (): void => stopping?.abort();

/** Saves titles as files of their own in one zip; each is written before the next is read. One that cannot be read stops none and is said. */
export async function saveTitles(ids: readonly string[]): Promise<void> {
  if (stopping) return;
  const stop = new AbortController();
  stopping = stop;
  try {
    const books = [];
    const files: Blob[] = [];
    for (const [done, id] of ids.entries()) {
      useSaving.setState({ now: { done, of: ids.length } });
      const book = await loadBook(id);
      if (stop.signal.aborted) return;
      if (!book.ok) {
        sayFault(book.fault);
        continue;
      }
      books.push(book.value);
      files.push(new Blob([await press().pack({ book: book.value, files: await filesOf(book.value) })]));
    }
    if (stop.signal.aborted || books.length === 0) return;
    const names = titleFolders(books);
    const entries = books.map((book, i): ZipEntry => ({ name: `${names.get(book.id)}.yosomi`, blob: files[i] }));
    const packed = await press().zip(entries, null);
    if (!packed.ok) return sayFault(packed.fault);
    const name = `yosomi-${books.length}-titles.zip`;
    saveBlob(packed.value, name);
    say(`Saved ${name}`);
  } catch {
    sayFault({ code: 'work-failed', data: {} });
  } finally {
    stopping = null;
    useSaving.setState({ now: null });
  }
}
