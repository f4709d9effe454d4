import { type Result, fail, ok } from '@yosomi/core/base';
import { type Brief, emptyBrief } from '@yosomi/core/book';
import { formatOf } from '@yosomi/core/image-file';
import { type Book, MOST_VERSIONS, type Project } from '@yosomi/core/project';
import { type Start, startFromWords } from '@yosomi/core/recipe';
import { saveAsset } from '../../persist/assets';
import { houseWords } from '../../persist/keeps';
import { addTitle, editStored, isTaken, loadBook } from '../../persist/titles';
import { nowIso } from '../../platform/clock';
import { bytesOfFile, stemOf } from '../../platform/files';
import { freshId, freshUrn } from '../../platform/ids';
import type { TakenPicture } from '@yosomi/core/recipe';
import { studio } from '../../work/workers';

/** What came in by button, drop or paste, read and checked. */
export type TakenIn =
  | { readonly kind: 'title'; readonly book: Book }
  /** A title that is on the Shelf already: the person says what becomes of the two. */
  | { readonly kind: 'again'; readonly project: Project; readonly there: Book }
  | { readonly kind: 'picture'; readonly name: string; readonly taken: TakenPicture };

/** The largest title file that is read, MB. */
export const MOST_PROJECT_MB = 500;

/** Reads a file. A new title is put on the Shelf at once; a picture waits for the person to say what it is. */
export async function takeIn(file: Blob, name: string): Promise<Result<TakenIn>> {
  if (file.size > MOST_PROJECT_MB * 1048576)
    return fail('file-large', { mb: Math.round(file.size / 1048576), most: MOST_PROJECT_MB });
  const bytes = await bytesOfFile(file);
  const format = formatOf(bytes);
  if (typeof format === 'object' && (format.other === 'a zip' || name.endsWith('.yosomi'))) {
    const unpacked = await studio.unpack(bytes);
    if (!unpacked.ok) return unpacked;
    const there = await loadBook(unpacked.value.book.id);
    if (there.ok) return ok({ kind: 'again', project: unpacked.value, there: there.value });
    const placed = (await isTaken(unpacked.value.book.id)) ? withFreshId(unpacked.value) : unpacked.value;
    const saved = await addTitle(placed);
    return saved.ok ? ok({ kind: 'title', book: placed.book }) : saved;
  }
  const taken = await studio.takePicture(bytes, stemOf(name));
  return taken.ok ? ok({ kind: 'picture', name: stemOf(name), taken: taken.value }) : taken;
}

export const withFreshId = (project: Project): Project => ({ ...project, book: { ...project.book, id: freshId() } });

const day = (iso: string): string =>
  new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' }).format(
    new Date(iso),
  );

/** A title's name with what tells it from another one of the same name. */
const told = (title: string, what: string): string => `${(title.trim() || 'Untitled').slice(0, 260)} (${what})`;

/** Puts a title of a file beside the one that is there, with its own name. */
export async function keepBoth({ book, files }: Project): Promise<Result<Book>> {
  const title = told(book.brief.title, `from a file, as of ${day(book.updatedAt)}`);
  const beside = { ...book, id: freshId(), brief: { ...book.brief, title }, updatedAt: nowIso() };
  const saved = await addTitle({ book: beside, files });
  return saved.ok ? ok(beside) : saved;
}

/** Puts a title of a file in the place of the one that is there: one step of its history, and its old cover a version. */
export async function putInPlace({ book, files }: Project): Promise<Result<Book>> {
  for (const [id, bytes] of files) {
    const saved = await saveAsset(id, bytes);
    if (!saved.ok) return saved;
  }
  const done = await editStored(
    book.id,
    'Opened from its file',
    (now) => {
      const before = { id: freshId(), name: 'Before the file was opened', madeAt: nowIso(), cover: now.cover };
      const versions = [...book.versions.slice(-MOST_VERSIONS + 1), before];
      Object.assign(now, structuredClone({ ...book, id: now.id, createdAt: now.createdAt }), {
        versions,
        assets: { ...now.assets, ...book.assets },
        faces: { ...now.faces, ...book.faces },
      });
    },
    nowIso(),
  );
  return done.ok ? ok(book) : done;
}

/** A second title like this one, with its pictures. */
export async function duplicateTitle(book: Book): Promise<Result<Book>> {
  const copy = {
    ...book,
    id: freshId(),
    identifier: freshUrn(),
    brief: { ...book.brief, title: told(book.brief.title, 'copy') },
    createdAt: nowIso(),
    updatedAt: nowIso(),
  };
  const saved = await addTitle({ book: copy, files: new Map() });
  return saved.ok ? ok(copy) : saved;
}

/** A new title says what its house says, where it says nothing itself. */
async function startOf(brief: Brief): Promise<Start> {
  const { publisher, website } = await houseWords();
  const own = { ...brief, publisher: brief.publisher || publisher, website: brief.website || website };
  return { id: freshId(), identifier: freshUrn(), now: nowIso(), brief: own };
}

export async function beginFromWords(brief: Brief): Promise<Result<Book>> {
  const book = startFromWords(await startOf(brief));
  const saved = await addTitle({ book, files: new Map() });
  return saved.ok ? ok(book) : saved;
}

export async function beginFromPicture(brief: Brief, taken: TakenPicture, finished: boolean): Promise<Result<Book>> {
  const start = await startOf(brief);
  const book = await (finished ? studio.startFromFinished(start, taken) : studio.startFromPicture(start, taken));
  const saved = await addTitle({ book, files: new Map([[taken.asset.id, taken.bytes]]) });
  return saved.ok ? ok(book) : saved;
}

export const briefWith = (words: Pick<Brief, 'title' | 'subtitle' | 'author'> & Partial<Brief>): Brief => ({
  ...emptyBrief,
  ...words,
});
