import { type Edit, type Result, change, fail, ok, record } from '@yosomi/core/base';
import { type Book, type Project, filesInUse, readBook } from '@yosomi/core/project';
import { db } from './db';
import { tellOthers } from '../platform/other-windows';
import { guarded } from './guarded';
import { filesKept } from './keeps';
import { type KeptPin, dropPin } from './pins';
import { type KeptHistory, loadHistory, noHistory, writeSteps } from './histories';

export type Opened = { readonly book: Book; readonly rev: number; readonly history: KeptHistory };

/** A title with its history. Faults: `title-gone`, and those of `readBook`. */
export async function openTitle(id: string): Promise<Result<Opened>> {
  const row = await db.titles.get(id);
  if (!row) return fail('title-gone');
  const book = readBook(row.book);
  if (!book.ok) return book;
  // A document that had to be migrated is no longer the one that its old steps were made on.
  const same = row.schema === book.value.schema;
  const history = same ? await loadHistory(id, row.order ?? [], row.done ?? 0) : noHistory();
  return ok({ book: book.value, rev: row.rev ?? 0, history });
}

/** Faults: `title-gone`, and those of `readBook`. */
export async function loadBook(id: string): Promise<Result<Book>> {
  const row = await db.titles.get(id);
  return row ? readBook(row.book) : fail('title-gone');
}

/** Writes a title that is not open here, whatever was stored before. Faults: `store-full`, `store-failed`. */
export async function saveBook(book: Book): Promise<Result<void>> {
  return guarded(async () => {
    const before = await db.titles.get(book.id);
    const rev = (before?.rev ?? 0) + 1;
    await db.titles.put({ id: book.id, schema: book.schema, updatedAt: book.updatedAt, book, rev });
    tellOthers({ title: book.id, rev });
  });
}

/**
 * Writes an open title with its history, if nobody else has written it since `rev`. Faults: `title-elsewhere` when
 * somebody has (nothing is written then), `store-full`, `store-failed`. Answers the new revision.
 */
export async function saveOpen(book: Book, history: KeptHistory, rev: number): Promise<Result<number>> {
  let elsewhere = false;
  const next = rev + 1;
  const saved = await guarded(async () => {
    await db.transaction('rw', db.titles, db.steps, async () => {
      const row = await db.titles.get(book.id);
      elsewhere = row !== undefined && (row.rev ?? 0) !== rev;
      if (elsewhere) return;
      const { order, done } = await writeSteps(book.id, history);
      await db.titles.put({
        id: book.id,
        schema: book.schema,
        updatedAt: book.updatedAt,
        book,
        rev: next,
        order,
        done,
      });
    });
  });
  if (elsewhere) return fail('title-elsewhere');
  if (!saved.ok) return saved;
  tellOthers({ title: book.id, rev: next });
  return ok(next);
}

/**
 * Edits a title that is not open here, as a step of its history. Faults: those of `openTitle`, of the edit and of
 * `saveOpen`.
 */
export async function editStored(id: string, label: string, edit: Edit<Book>, now: string): Promise<Result<void>> {
  const opened = await openTitle(id);
  if (!opened.ok) return opened;
  const { book, rev, history } = opened.value;
  const done = change(book, edit);
  if (!done.ok) return done;
  const next = { ...done.value.next, updatedAt: now };
  const saved = await saveOpen(next, { history: record(history.history, done.value, label), numbers: history.numbers }, rev);
  return saved.ok ? ok(undefined) : saved;
} // prettier-ignore

/** Keeps a picture's bytes under their hash: the same picture once. */
export async function saveAsset(id: string, bytes: Uint8Array<ArrayBuffer>): Promise<Result<void>> {
  return guarded(async () => {
    if (!(await db.assets.get(id))) await db.assets.put({ id, bytes });
  });
}

export async function saveProject(project: Project): Promise<Result<void>> {
  for (const [id, bytes] of project.files) {
    const saved = await saveAsset(id, bytes);
    if (!saved.ok) return saved;
  }
  return saveBook(project.book);
}

export async function filesOf(book: Book): Promise<Map<string, Uint8Array<ArrayBuffer>>> {
  return bytesOf(filesInUse(book));
}

/** Bytes of stored pictures and fonts, as far as they are there. */
export async function bytesOf(ids: readonly string[]): Promise<Map<string, Uint8Array<ArrayBuffer>>> {
  const rows = await db.assets.bulkGet([...ids]);
  return new Map(rows.flatMap((row) => (row ? [[row.id, row.bytes] as const] : [])));
}

const filesOwned = (book: Book): string[] => [...Object.keys(book.assets), ...Object.keys(book.faces)];

/** Removes those of some files that no title and nothing that is kept needs. */
async function dropUnused(ids: readonly string[]): Promise<void> {
  const [across, others] = [await filesKept(), (await db.titles.toArray()).map((row) => readBook(row.book))];
  // What cannot be read may need any of the files: then all of them stay.
  if (!across || others.some((book) => !book.ok)) return;
  const kept = new Set([...across, ...others.flatMap((book) => (book.ok ? filesOwned(book.value) : []))]);
  await db.assets.bulkDelete(ids.filter((id) => !kept.has(id)));
}

/** Removes a kept photograph, and the pictures that only it needed. Faults: those of `dropPin`. */
export async function removePin(pin: KeptPin): Promise<Result<void>> {
  const dropped = await dropPin(pin.id);
  if (dropped.ok)
    await db.transaction('rw', [db.titles, db.assets, db.keeps], () => dropUnused(Object.keys(pin.assets)));
  return dropped;
}

/** Removes a title and the pictures that no other title uses. Returns what is needed to bring it back. */
export async function removeTitle(id: string): Promise<Project | null> {
  const loaded = await loadBook(id);
  if (!loaded.ok) {
    await db.titles.delete(id);
    return null;
  }
  const files = await filesOf(loaded.value);
  await db.transaction('rw', [db.titles, db.assets, db.files, db.steps, db.keeps], async () => {
    await db.titles.delete(id);
    await db.files.where('title').equals(id).delete();
    await db.steps.where('title').equals(id).delete();
    await dropUnused(filesOwned(loaded.value));
  });
  return { book: loaded.value, files };
}
