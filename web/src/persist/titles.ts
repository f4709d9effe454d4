import { type Result, fail } from '@yosomi/core/base';
import { type Book, type Project, assetsInUse, readBook } from '@yosomi/core/project';
import { db } from './db';
import { guarded } from './guarded';

/** Faults: `title-gone`, and those of `readBook`. */
export async function loadBook(id: string): Promise<Result<Book>> {
  const row = await db.titles.get(id);
  return row ? readBook(row.book) : fail('title-gone');
}

/** Faults: `store-full` where the browser's room is used up, `store-failed` otherwise. The old state stays then. */
export async function saveBook(book: Book): Promise<Result<void>> {
  return guarded(async () => {
    await db.titles.put({ id: book.id, schema: book.schema, updatedAt: book.updatedAt, book });
  });
}

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
  const ids = assetsInUse(book);
  const rows = await db.assets.bulkGet(ids);
  return new Map(rows.flatMap((row) => (row ? [[row.id, row.bytes] as const] : [])));
}

/** Removes a title and the pictures that no other title uses. Returns what is needed to bring it back. */
export async function removeTitle(id: string): Promise<Project | null> {
  const loaded = await loadBook(id);
  if (!loaded.ok) {
    await db.titles.delete(id);
    return null;
  }
  const files = await filesOf(loaded.value);
  await db.transaction('rw', db.titles, db.assets, db.files, async () => {
    await db.titles.delete(id);
    await db.files.where('title').equals(id).delete();
    const kept = new Set<string>();
    for (const row of await db.titles.toArray()) {
      const book = readBook(row.book);
      if (book.ok) Object.keys(book.value.assets).forEach((asset) => kept.add(asset));
    }
    const unused = Object.keys(loaded.value.assets).filter((asset) => !kept.has(asset));
    await db.assets.bulkDelete(unused);
  });
  return { book: loaded.value, files };
}
