import { type Result, fail, ok } from '@yosomi/core/base';
import { type Brief, emptyBrief } from '@yosomi/core/book';
import { formatOf } from '@yosomi/core/image-file';
import type { Book } from '@yosomi/core/project';
import { startFromWords } from '@yosomi/core/recipe';
import { loadBook, saveAsset, saveBook, saveProject } from '../../persist/titles';
import { nowIso } from '../../platform/clock';
import { bytesOfFile, stemOf } from '../../platform/files';
import { freshId, freshUrn } from '../../platform/ids';
import type { TakenPicture } from '../../work/studio.worker';
import { studio } from '../../work/workers';

/** What came in by button, drop or paste, read and checked. */
export type TakenIn =
  | { readonly kind: 'title'; readonly book: Book }
  | { readonly kind: 'picture'; readonly name: string; readonly taken: TakenPicture };

const MOST_PROJECT_BYTES = 500 * 1024 * 1024;

/** Reads a dropped file. A title is put on the Shelf at once; a picture waits for the person to say what it is. */
export async function takeIn(file: File): Promise<Result<TakenIn>> {
  if (file.size > MOST_PROJECT_BYTES) return fail('file-large', { mb: Math.round(file.size / 1048576), most: 500 });
  const bytes = await bytesOfFile(file);
  const format = formatOf(bytes);
  if (typeof format === 'object' && (format.other === 'a zip' || file.name.endsWith('.yosomi'))) {
    const unpacked = await studio.unpack(bytes);
    if (!unpacked.ok) return unpacked;
    return putOnShelf(unpacked.value.book, unpacked.value.files);
  }
  const taken = await studio.takePicture(bytes, stemOf(file.name));
  return taken.ok ? ok({ kind: 'picture', name: stemOf(file.name), taken: taken.value }) : taken;
}

/** A title that is on the Shelf already is not overwritten: the new one comes beside it. */
async function putOnShelf(book: Book, files: ReadonlyMap<string, Uint8Array<ArrayBuffer>>): Promise<Result<TakenIn>> {
  const there = await loadBook(book.id);
  const placed = there.ok ? { ...book, id: freshId() } : book;
  const saved = await saveProject({ book: placed, files });
  return saved.ok ? ok({ kind: 'title', book: placed }) : saved;
}

const startOf = (brief: Brief) => ({ id: freshId(), identifier: freshUrn(), now: nowIso(), brief });

export async function beginFromWords(brief: Brief): Promise<Result<Book>> {
  const book = startFromWords(startOf(brief));
  const saved = await saveBook(book);
  return saved.ok ? ok(book) : saved;
}

export async function beginFromPicture(brief: Brief, taken: TakenPicture, finished: boolean): Promise<Result<Book>> {
  const book = await (finished
    ? studio.startFromFinished(startOf(brief), taken)
    : studio.startFromPicture(startOf(brief), taken));
  const kept = await saveAsset(taken.asset.id, taken.bytes);
  if (!kept.ok) return kept;
  const saved = await saveBook(book);
  return saved.ok ? ok(book) : saved;
}

export const briefWith = (words: Pick<Brief, 'title' | 'subtitle' | 'author'>): Brief => ({ ...emptyBrief, ...words });
