import type { PDFDocument } from '@cantoo/pdf-lib';
import { type Finding, type Result, finding, numberRanges, ok } from '../base';
import {
  type Manner,
  type NameChange,
  NameWalk,
  type NamesFound,
  type NamesWish,
  type ToldHit,
  known,
  nameFinder,
  oftenNamed,
} from '../renaming';
import { partsOf } from './named-places';
import { pageReader } from './page-text';
import { isSigned, openPdf } from './open';
import { putXmpWords } from './xmp';

function walked(doc: PDFDocument, wish: NamesWish): Result<NameWalk> {
  const begun = NameWalk.of(wish);
  if (!begun.ok) return begun;
  const { parts, write } = partsOf(doc);
  for (const { path, page, spots } of parts) {
    const touched = begun.value.part(path, page, spots);
    if (!touched.ok) return touched;
    if (touched.value && path === 'metadata') write();
  }
  return begun;
}

/** Ways of a name that are told of pages: a part of a name may be anybody's. */
const TOLD: ReadonlySet<Manner> = new Set(['whole', 'case', 'inflected', 'turned', 'initials', 'page', 'at']);

/** Old names that stand on pages, where they stay: each with how often, and on which pages. */
function standing(doc: PDFDocument, changes: readonly NameChange[]): Finding[] {
  const find = nameFinder(changes);
  const read = pageReader(doc);
  const found = changes.map(() => ({ count: 0, pages: [] as number[] }));
  doc.getPages().forEach((page, i) => {
    for (const { change, manner } of find(read(page), 'prose')) {
      if (!TOLD.has(manner)) continue;
      const one = found[change];
      one.count++;
      if (one.pages.at(-1) !== i + 1) one.pages.push(i + 1);
    }
  });
  return found.flatMap(({ count, pages }, i) =>
    count > 0
      ? [finding('pdf-names-stand', 'should', null, { name: changes[i].from, count, pages: numberRanges(pages) })]
      : [],
  );
}

/**
 * Lists old names in what a PDF says beside its pages: properties, metadata, outline, links, notes. Those that stand on pages stay, and are told in the notes.
 * Faults: those of `openPdf` and `nameChanges`, `names-many`.
 */
export async function findPdfNames(source: Uint8Array, changes: readonly NameChange[]): Promise<Result<NamesFound>> {
  const opened = await openPdf(source);
  if (!opened.ok) return opened;
  const walk = walked(opened.value.doc, { changes, accepted: new Set() });
  if (!walk.ok) return walk;
  const { changes: tidy, hits } = walk.value;
  return ok({ changes: tidy, hits, notes: standing(opened.value.doc, tidy) });
}

export type PdfNamesReport = { readonly names: readonly ToldHit[]; readonly notes: readonly Finding[] };

/** Changes the accepted places. Faults: those of `findPdfNames`. */
export async function renamePdf(
  source: Uint8Array,
  wish: NamesWish,
  modified: string,
): Promise<Result<{ bytes: Uint8Array<ArrayBuffer>; report: PdfNamesReport }>> {
  const opened = await openPdf(source);
  if (!opened.ok) return opened;
  const { doc } = opened.value;
  const walk = walked(doc, wish);
  if (!walk.ok) return walk;
  doc.setModificationDate(new Date(modified));
  const bytes = new Uint8Array(await doc.save({ useObjectStreams: true, updateFieldAppearances: false }));
  const notes = [
    ...(isSigned(doc) ? [finding('pdf-signed', 'should', null)] : []),
    ...standing(doc, walk.value.changes),
  ];
  return ok({ bytes, report: { names: walk.value.told(), notes } });
}

/** Names that a PDF has now, as it says itself. Faults: those of `openPdf`. */
export async function oldPdfNames(source: Uint8Array): Promise<Result<Omit<NameChange, 'to'>[]>> {
  const opened = await openPdf(source);
  if (!opened.ok) return opened;
  const { doc } = opened.value;
  const { site, mail } = oftenNamed(partsOf(doc).parts.flatMap(({ spots }) => spots));
  return ok(
    known([
      { kind: 'title', from: doc.getTitle() ?? '' },
      ...(doc.getAuthor() ?? '').split(/[,;] /).map((from) => ({ kind: 'author' as const, from: from.trim() })),
      { kind: 'site', from: site },
      { kind: 'mail', from: mail },
    ]),
  );
}

/** Writes title and author into properties and metadata. Faults: those of `openPdf`. */
export async function putPdfWords(
  source: Uint8Array,
  words: { readonly title?: string; readonly author?: string },
  modified: string,
): Promise<Result<Uint8Array<ArrayBuffer>>> {
  const opened = await openPdf(source);
  if (!opened.ok) return opened;
  const { doc } = opened.value;
  if (words.title !== undefined) doc.setTitle(words.title, { showInWindowTitleBar: true });
  if (words.author !== undefined) doc.setAuthor(words.author);
  putXmpWords(doc, words);
  doc.setModificationDate(new Date(modified));
  return ok(new Uint8Array(await doc.save({ useObjectStreams: true, updateFieldAppearances: false })));
}
