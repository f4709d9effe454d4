import { type Edit, type Result, type Shared, fail, ok, record, redo, undo } from '@yosomi/core/base';
import { type Book, type Project, editBook } from '@yosomi/core/project';
import { tellOthers } from '../platform/other-windows';
import { putCard } from './cards';
import { db } from './db';
import { guarded } from './guarded';
import { type KeptHistory, loadHistory, writeSteps } from './histories';
import { readRow } from './rows';

/** `lost` counts the steps of the history that could not be read. */
export type Opened = {
  readonly book: Book;
  readonly rev: number;
  readonly history: KeptHistory;
  readonly lost: number;
};

/** A title with its history. Faults: `title-removed`, `title-gone`, and those of `readBook`. */
export async function openTitle(id: string): Promise<Result<Opened>> {
  const row = await db.titles.get(id);
  if (!row && (await db.removed.get(id))) return fail('title-removed');
  if (!row) return fail('title-gone');
  const read = readRow(row);
  if (!read) return fail('project-damaged', { where: 'row' });
  const { book, rev, schema, order, done } = read;
  if (!book.ok) return book;
  const { kept, lost } = await loadHistory(id, order, done, schema);
  return ok({ book: book.value, rev, history: kept, lost });
}

/** Faults: `title-gone`, and those of `readBook`. */
export async function loadBook(id: string): Promise<Result<Book>> {
  const row = await db.titles.get(id);
  if (!row) return fail('title-gone');
  return readRow(row)?.book ?? fail('project-damaged', { where: 'row' });
}

/** Titles as they are stored, as far as they are there and can be read; the page can draw in between. */
export async function loadBooks(ids: readonly string[]): Promise<Book[]> {
  const books: Book[] = [];
  for (const id of ids) {
    const book = await loadBook(id);
    if (book.ok) books.push(book.value);
    await new Promise((go) => setTimeout(go));
  }
  return books;
}

/** True where a title of this id is on the Shelf or among the removed ones. */
export async function isTaken(id: string): Promise<boolean> {
  return (await db.titles.get(id)) !== undefined || (await db.removed.get(id)) !== undefined;
}

const rowOf = (book: Book, rev: number) => ({ id: book.id, schema: book.schema, updatedAt: book.updatedAt, book, rev });

/** Puts a new title on the Shelf with its pictures, all of it or nothing. Faults: `store-full`, `store-failed`. */
export async function addTitle({ book, files }: Project): Promise<Result<void>> {
  return guarded(async () => {
    await db.transaction('rw', [db.titles, db.cards, db.assets], async () => {
      const there = new Set(
        await db.assets
          .where('id')
          .anyOf([...files.keys()])
          .primaryKeys(),
      );
      for (const [id, bytes] of files) if (!there.has(id)) await db.assets.put({ id, bytes });
      await db.titles.add(rowOf(book, 1));
      await putCard(book);
    });
  });
}

/**
 * Writes an open title with its history, if nobody else has written or removed it since `rev`. Faults: `title-elsewhere`
 * and `title-removed` when somebody has (nothing is written then), `store-full`, `store-failed`. Answers the new revision.
 */
export async function saveOpen(book: Book, history: KeptHistory, rev: number): Promise<Result<number>> {
  let clash: Result<never> | null = null;
  const next = rev + 1;
  const numbers = new Map(history.numbers);
  const saved = await guarded(async () => {
    await db.transaction('rw', [db.titles, db.cards, db.steps], async () => {
      const row = await db.titles.get(book.id);
      if (!row) clash = fail('title-removed');
      else if ((readRow(row)?.rev ?? 0) !== rev) clash = fail('title-elsewhere');
      if (clash) return;
      const { order, done } = await writeSteps(book.id, history);
      await db.titles.put({ ...rowOf(book, next), order, done });
      await putCard(book);
    });
  });
  if (saved.ok && !clash) {
    tellOthers({ kind: 'written', title: book.id, rev: next });
    return ok(next);
  }
  // Nothing was written: the steps are where they were before.
  history.numbers.clear();
  for (const [step, n] of numbers) history.numbers.set(step, n);
  return clash ?? (saved as Result<never>);
}

/**
 * Edits a title that is not open here, as a step of its history. Faults: those of `openTitle`, of the edit and of
 * `saveOpen`.
 */
export async function editStored(
  id: string,
  label: string,
  edit: Edit<Book>,
  now: string,
  shared?: Shared,
): Promise<Result<void>> {
  const opened = await openTitle(id);
  if (!opened.ok) return opened;
  const { book, rev, history } = opened.value;
  const done = editBook(book, edit);
  if (!done.ok) return done;
  const next = { ...done.value.next, updatedAt: now };
  const kept = { history: record(history.history, done.value, label, null, shared), numbers: history.numbers };
  const saved = await saveOpen(next, kept, rev);
  return saved.ok ? ok(undefined) : saved;
}

/** What became of a title when a step that it shares was to be taken back, or again. */
export type Followed =
  | { readonly kind: 'moved' }
  /** It never came to this title: the making of it was ended before. */
  | { readonly kind: 'none' }
  /** Something came after it, or it is not there any more: the title is left as it is. */
  | { readonly kind: 'left'; readonly name: string };

/**
 * Takes a step that was made in several titles at once back in a title that is not open here, or makes it again, where it is the last
 * one, or the next. Faults: those of `openTitle` and of `saveOpen`.
 */
export async function followStored(
  id: string,
  shared: string,
  way: 'undo' | 'redo',
  now: string,
): Promise<Result<Followed>> {
  const opened = await openTitle(id);
  if (!opened.ok) return opened;
  const { book, rev, history } = opened.value;
  const { past, future } = history.history;
  const step = way === 'undo' ? past.at(-1) : future[0];
  if (step?.shared?.id !== shared) {
    const known = [...past, ...future].some((one) => one.shared?.id === shared);
    return ok(known ? { kind: 'left', name: book.brief.title } : { kind: 'none' });
  }
  const moved = (way === 'undo' ? undo : redo)(book, history.history);
  if (!moved) return ok({ kind: 'left', name: book.brief.title });
  const kept = { history: moved.history, numbers: history.numbers };
  const saved = await saveOpen({ ...moved.state, updatedAt: now }, kept, rev);
  return saved.ok ? ok({ kind: 'moved' }) : saved;
}
