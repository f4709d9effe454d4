import type { PDFDocument } from '@cantoo/pdf-lib';
import { type Finding, type Result, finding, ok } from '../base';
import {
  type NameChange,
  NameWalk,
  type NamesFound,
  type NamesWish,
  type ToldHit,
  known,
  oftenNamed,
} from '../renaming';
import { partsOf } from './named-places';
import { isSigned, openPdf } from './open';

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

/**
 * Lists old names in what a PDF says beside its pages: properties, metadata, outline, links, notes. What the pages show stays, and is not read.
 * Faults: those of `openPdf` and `nameChanges`, `names-many`.
 */
export async function findPdfNames(source: Uint8Array, changes: readonly NameChange[]): Promise<Result<NamesFound>> {
  const opened = await openPdf(source);
  if (!opened.ok) return opened;
  const walk = walked(opened.value.doc, { changes, accepted: new Set() });
  return walk.ok ? ok({ changes: walk.value.changes, hits: walk.value.hits, notes: [] }) : walk;
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
  const notes = isSigned(doc) ? [finding('pdf-signed', 'should', null)] : [];
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
