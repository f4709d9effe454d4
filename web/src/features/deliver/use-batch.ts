import type { Book } from '@yosomi/core/project';
import { type Wishes, deliverables } from '@yosomi/core/recipe';
import { allProfiles } from '@yosomi/core/stores';
import { madeKeys } from '../../persist/made-files';
import { readOthers } from '../../persist/others';
import { loadBooks } from '../../persist/titles';
import { type Packing as PackedTitle, savePackage } from './leave';
import { type Job, MANY, useRuns } from './runs';

export type BatchWish = {
  /** Covers for stores alone, or every file. */
  readonly what: 'stores' | 'all';
  /** Those where each title is sold, every store there is, or those of `chosen`. */
  readonly stores: 'own' | 'every' | 'some';
  readonly chosen: readonly string[];
};

/** What a package of one title would hold, and what it would lack. */
export type Packing = Required<PackedTitle>;

/** A title as it is for a batch: at the stores that it is made for. */
function at(book: Book, wish: BatchWish, wishes: Wishes): Book {
  if (wish.stores === 'own') return book;
  const stores = allProfiles(wishes.stores)
    .map(({ id }) => id)
    .filter((id) => wish.stores === 'every' || wish.chosen.includes(id));
  return { ...book, brief: { ...book.brief, stores } };
}

function jobsOf(books: readonly Book[], wish: BatchWish, wishes: Wishes, others: ReadonlyMap<string, Book>): Job[] {
  return books.map((one) => {
    const book = at(one, wish, wishes);
    const files = deliverables(book, others, wishes).filter((d) => wish.what === 'all' || d.kind === 'store-image');
    return { book, files };
  });
}

/** Titles by their ids, and all the others that their files may show. */
async function read(ids: readonly string[]): Promise<{ books: readonly Book[]; others: ReadonlyMap<string, Book> }> {
  const books = await loadBooks(ids);
  const others = new Map<string, Book>();
  for (const book of books) for (const [id, one] of await readOthers(book)) others.set(id, one);
  for (const book of books) others.set(book.id, book);
  return { books, others };
}

/**
 * Makes what is missing or stale of many titles, one file after the other. What is made is kept at once, so that a run
 * that was stopped, or broke off, goes on where it was; a title that fails does not stop the others.
 */
export function useBatch(wishes: Wishes) {
  const state = useRuns((s) => s.runs[MANY] ?? null);
  const start = useRuns((s) => s.start);
  const stop = useRuns((s) => s.stop);

  /** What a package would hold now, title by title. */
  const packing = async (ids: readonly string[], wish: BatchWish): Promise<Packing[]> => {
    const { books, others } = await read(ids);
    const all: Packing[] = [];
    for (const { book, files } of jobsOf(books, wish, wishes, others)) {
      const there = await madeKeys(book.id);
      const ready = files.filter((wanted) => there.get(wanted.id)?.key === wanted.key);
      const packed = ready.map((wanted) => ({ wanted, size: there.get(wanted.id)?.size ?? 0 }));
      all.push({ book, files: packed, lacks: files.filter((wanted) => !ready.includes(wanted)), others });
    }
    return all;
  };
  return {
    state,
    run: async (ids: readonly string[], wish: BatchWish): Promise<void> => {
      const { books, others } = await read(ids);
      start(MANY, 'Files of many titles', jobsOf(books, wish, wishes, others), others, wishes, false);
    },
    packing,
    save: (titles: readonly Packing[], onProgress: (done: number) => void): Promise<boolean> =>
      savePackage('yosomi-delivery.zip', titles, onProgress),
    stop: (): void => stop(MANY),
  };
}
