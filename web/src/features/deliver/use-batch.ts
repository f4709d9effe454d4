import type { Fault } from '@yosomi/core/base';
import type { Book } from '@yosomi/core/project';
import { type Deliverable, type Wishes, deliverables } from '@yosomi/core/recipe';
import { allProfiles } from '@yosomi/core/stores';
import { useEffect, useRef, useState } from 'react';
import { isKept, madeKeys } from '../../persist/made-files';
import { makeFile } from './make';
import { type Packed, savePackage } from './leave';

export type BatchWish = {
  /** Covers for stores alone, or every file. */
  readonly what: 'stores' | 'all';
  /** Every store there is, or those where each title is sold. */
  readonly everyStore: boolean;
};

export type Failure = { readonly title: string; readonly file: string; readonly fault: Fault };
export type BatchState = {
  readonly done: number;
  readonly of: number;
  readonly now: string;
  readonly made: number;
  readonly kept: number;
  readonly failures: readonly Failure[];
};

/** A title as it is for a batch: at its own stores, or at every one. */
function at(book: Book, wish: BatchWish, wishes: Wishes): Book {
  if (!wish.everyStore) return book;
  return { ...book, brief: { ...book.brief, stores: allProfiles(wishes.stores).map((p) => p.id) } };
}

const filesOf = (book: Book, wish: BatchWish, wishes: Wishes, others: ReadonlyMap<string, Book>): Deliverable[] =>
  deliverables(book, others, wishes).filter((d) => wish.what === 'all' || d.kind === 'store-image');

/**
 * Makes what is missing or stale of many titles, one file after the other. What is made is kept at once, so that a run
 * that was stopped, or broke off, goes on where it was; a title that fails does not stop the others.
 */
export function useBatch(wishes: Wishes) {
  const [state, setState] = useState<BatchState | null>(null);
  const [running, setRunning] = useState(false);
  const abort = useRef<AbortController | null>(null);
  useEffect(() => () => abort.current?.abort(), []);

  const run = async (books: readonly Book[], wish: BatchWish): Promise<void> => {
    const stop = (abort.current = new AbortController());
    setRunning(true);
    const others = new Map(books.map((b) => [b.id, b]));
    const jobs = books.map((book) => {
      const sold = at(book, wish, wishes);
      return { book: sold, files: filesOf(sold, wish, wishes, others) };
    });
    let now: BatchState = {
      done: 0,
      of: jobs.reduce((n, j) => n + j.files.length, 0),
      now: '',
      made: 0,
      kept: 0,
      failures: [],
    };
    setState(now);
    for (const { book, files } of jobs) {
      const there = await madeKeys(book.id);
      for (const wanted of files) {
        if (stop.signal.aborted) break;
        const title = book.brief.title || 'Untitled';
        now = { ...now, now: `${title}: ${wanted.label}` };
        setState(now);
        if (there.get(wanted.id)?.key === wanted.key) now = { ...now, kept: now.kept + 1 };
        else {
          const made = await makeFile(book, wanted, stop.signal, others, wishes);
          // A file that finds no room is lost to the package: that is a failure here.
          const lost = made.ok && !(await isKept(book.id, wanted.id, wanted.key));
          const missing = { code: 'package-missing', data: { name: wanted.fileName } };
          if (lost) now = { ...now, failures: [...now.failures, { title, file: wanted.label, fault: missing }] };
          else if (made.ok) now = { ...now, made: now.made + 1 };
          else if (!stop.signal.aborted)
            now = { ...now, failures: [...now.failures, { title, file: wanted.label, fault: made.fault }] };
        }
        now = { ...now, done: now.done + 1 };
        setState(now);
      }
    }
    setRunning(false);
  };

  /** Saves what is made and true of its title as one package. */
  const save = async (books: readonly Book[], wish: BatchWish, onProgress: (done: number) => void): Promise<void> => {
    const others = new Map(books.map((b) => [b.id, b]));
    const titles: { book: Book; files: Packed[] }[] = [];
    for (const one of books) {
      const book = at(one, wish, wishes);
      const there = await madeKeys(book.id);
      const files = filesOf(book, wish, wishes, others).flatMap((wanted) => {
        const kept = there.get(wanted.id);
        return kept?.key === wanted.key ? [{ wanted, size: kept.size }] : [];
      });
      titles.push({ book, files });
    }
    await savePackage('yosomi-delivery.zip', titles, onProgress);
  };
  return { state, running, run, save, stop: () => abort.current?.abort() };
}
