import { type Book, missingFiles } from '@yosomi/core/project';
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
    const books: Book[] = [];
    const missing: string[] = [];
    const files: Blob[] = [];
    for (const [done, id] of ids.entries()) {
      useSaving.setState({ now: { done, of: ids.length } });
      const book = await loadBook(id);
      if (stop.signal.aborted) return;
      if (!book.ok) {
        sayFault(book.fault);
        continue;
      }
      const title = { book: book.value, files: await filesOf(book.value) };
      books.push(title.book);
      missing.push(...missingFiles(title).map((one) => one.name));
      files.push(new Blob([await press().pack(title)]));
    }
    if (stop.signal.aborted || books.length === 0) return;
    const names = titleFolders(books);
    const entries = books.map((book, i): ZipEntry => ({ name: `${names.get(book.id)}.yosomi`, blob: files[i] }));
    const packed = await press().zip(entries, null);
    if (!packed.ok) return sayFault(packed.fault);
    const name = `yosomi-${books.length}-titles.zip`;
    saveBlob(packed.value, name);
    if (missing.length === 0) return say(`Saved ${name}`);
    sayFault({ code: 'title-saved-without', data: { name: missing[0], count: missing.length } });
  } catch {
    sayFault({ code: 'work-failed', data: {} });
  } finally {
    stopping = null;
    useSaving.setState({ now: null });
  }
}
