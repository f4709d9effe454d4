import { MOST_UNPACKED, type Piece, type Writing, writeArchive } from '../archive';
import { type Finding, type Result, fail, ok, xml } from '../base';
import type { NamesWish, ToldHit } from '../renaming';
import { putCredits } from './credits';
import { type Change, type Draft, draftOf } from './draft';
import { writeMarkup } from './markup';
import { type EditionWords, putWords } from './metadata';
import { MIMETYPE, openEpub } from './open-epub';
import { putNames } from './rename';
import { type PageLine, putPageLine, putRunningLine, putTitlePage } from './own-pages';
import { type Cover, putCover } from './put-cover';

/** What is to be other in a new edition of a book; all else stays, byte for byte. */
export type Edition = {
  readonly cover?: Cover;
  /** Names of the old edition in all that the book says; done first, so that the rest is said over it. */
  readonly names?: NamesWish;
  readonly words?: EditionWords;
  /** A page with title, subtitle, author and publisher: a new one after the cover, or in the place of the page that the book has. */
  readonly titlePage?: 'added' | { readonly insteadOf: string } | null;
  /** A line at the head or foot of every page of text. */
  readonly pageLine?: PageLine;
  /** A head or foot for each page, where a reading program shows one. */
  readonly runningLine?: PageLine;
  /** Lines that are due for what the cover shows, on a page at the end; none takes away those of an earlier edition, left out keeps them. */
  readonly credits?: readonly string[];
  /** When the edition is made, ISO 8601 in UTC without fractions. */
  readonly modified: string;
};

export type EditionReport = {
  readonly schema: 1;
  readonly changes: readonly Change[];
  /** What was wrong and is right now, and what a person should know. */
  readonly notes: readonly Finding[];
  /** Every place where an old name stood, changed or not; none where no names were given. */
  readonly names: readonly ToldHit[];
  readonly keptEntries: number;
  readonly written: readonly string[];
  readonly left: readonly string[];
};

/**
 * Makes a new edition of an EPUB 2 or 3. Entries that need no change are copied packed as they are, under their names and
 * in their order; the container is written right; the package document is edited as XML. The file that is read stays. With a
 * sink in `writing` the book goes there, and the file of the answer is empty.
 * Faults: those of `openEpub`, `putNames` and `putWords`, `epub-cover-format`, `zip-large`, `work-stopped`.
 */
export async function newEdition(
  file: Blob,
  edition: Edition,
  writing?: Writing,
): Promise<Result<{ file: Blob; report: EditionReport }>> {
  const opened = await openEpub(file);
  if (!opened.ok) return opened;
  const { cover, words } = edition;
  if (cover && cover.info.format !== 'jpeg' && cover.info.format !== 'png')
    return fail('epub-cover-format', { found: cover.info.format });
  const draft = draftOf(opened.value);
  let names: EditionReport['names'] = [];
  if (edition.names) {
    const put = await putNames(draft, edition.names);
    if (!put.ok) return put;
    names = put.value;
  }
  if (words) {
    const put = await putWords(draft, words);
    if (!put.ok) return put;
  }
  if (edition.pageLine) await putPageLine(draft, edition.pageLine);
  if (edition.runningLine) await putRunningLine(draft, edition.runningLine);
  if (cover) await putCover(draft, cover);
  if (edition.titlePage) await putTitlePage(draft, edition.titlePage === 'added' ? null : edition.titlePage.insteadOf);
  if (edition.credits) await putCredits(draft, edition.credits);
  putModified(draft, edition.modified);
  const { pkg } = draft.epub;
  draft.written.set(pkg.path, writeMarkup(pkg.doc));
  const pieces = piecesOf(draft);
  if (pieces.reduce((sum, p) => sum + (p.kind === 'kept' ? p.entry.bytes : 0), 0) > MOST_UNPACKED)
    return fail('zip-large', { name: '', most: MOST_UNPACKED / 1048576 });
  const made = await writeArchive(pieces, MIMETYPE, writing);
  if (!made.ok) return made;
  return ok({
    file: made.value,
    report: {
      schema: 1,
      changes: draft.changes,
      notes: draft.notes,
      names,
      keptEntries: pieces.filter((p) => p.kind === 'kept').length,
      written: [...draft.written.keys()],
      left: [...draft.left],
    },
  });
}

/** The moment of change that EPUB 3 asks for. */
function putModified({ epub: { pkg } }: Draft, modified: string): void {
  const stamp = pkg.metas.find((meta) => meta.getAttribute('property') === 'dcterms:modified');
  if (stamp) stamp.textContent = modified;
}

const CONTAINER = 'META-INF/container.xml';
const text = (source: string): Uint8Array<ArrayBuffer> => new TextEncoder().encode(source);

/** The media type first and bare, then everything in the order it was in, then what is new. */
function piecesOf({ epub, written, left, notes }: Draft): Piece[] {
  const pieces: Piece[] = [{ kind: 'made', name: 'mimetype', bytes: text(MIMETYPE), packed: false }];
  const wrong = notes.some((note) => note.code === 'epub-no-container' || note.code === 'epub-container-path');
  if (wrong) pieces.push({ kind: 'made', name: CONTAINER, bytes: text(containerOf(epub.pkg.path)), packed: true });
  const packed = (name: string): boolean => !/\.(jpe?g|png)$/i.test(name);
  for (const [name, entry] of epub.files) {
    if (name === 'mimetype' || left.has(name) || (wrong && name === CONTAINER)) continue;
    const bytes = written.get(name);
    pieces.push(bytes ? { kind: 'made', name, bytes, packed: packed(name) } : { kind: 'kept', name, entry });
  }
  for (const [name, bytes] of written) {
    if (!epub.files.has(name)) pieces.push({ kind: 'made', name, bytes, packed: packed(name) });
  }
  return pieces;
}

export const containerOf = (path: string): string => `<?xml version="1.0" encoding="UTF-8"?>
<container version="1.0" xmlns="urn:oasis:names:tc:opendocument:xmlns:container">
  <rootfiles>
    <rootfile full-path="${xml(path)}" media-type="application/oebps-package+xml"/>
  </rootfiles>
</container>
`;
