import {
  EncryptedPDFError,
  PDFDict,
  PDFDocument,
  PDFName,
  PDFNumber,
  type PDFPage,
  PDFRawStream,
  PDFRef,
} from '@cantoo/pdf-lib';
import { type Result, fail, ok } from '../base';

export const MOST_PDF = 200 * 1024 * 1024;
export const MOST_PAGES = 5000;

/** Opens a PDF of others. Faults: `file-empty`, `file-large`, `pdf-not`, `pdf-encrypted`, `pdf-damaged`, `pdf-pages`. */
export async function openPdf(source: Uint8Array): Promise<Result<{ doc: PDFDocument; pages: PDFPage[] }>> {
  if (source.length === 0) return fail('file-empty');
  if (source.length > MOST_PDF)
    return fail('file-large', { mb: Math.round(source.length / 1048576), most: MOST_PDF / 1048576 });
  const head = String.fromCharCode(...source.subarray(0, 1024));
  if (!head.includes('%PDF-')) return fail('pdf-not');
  try {
    const doc = await PDFDocument.load(source, { updateMetadata: false, throwOnInvalidObject: false });
    mendEnds(doc, source);
    const pages = doc.getPages();
    if (pages.length === 0) return fail('pdf-damaged');
    return pages.length > MOST_PAGES ? fail('pdf-pages', { most: MOST_PAGES }) : ok({ doc, pages });
  } catch (error) {
    return error instanceof EncryptedPDFError ? fail('pdf-encrypted') : fail('pdf-damaged');
  }
}

const ENDSTREAM = [...'endstream'].map((ch) => ch.charCodeAt(0));
const TAIL = 32;

/** Places of a file where a stream ends. */
function streamEnds(source: Uint8Array): number[] {
  const ends: number[] = [];
  for (let at = source.indexOf(ENDSTREAM[0]); at >= 0; at = source.indexOf(ENDSTREAM[0], at + 1))
    if (ENDSTREAM.every((byte, i) => source[at + i] === byte)) ends.push(at);
  return ends;
}

/**
 * The reader takes the end of a line before `endstream` for no part of a stream whose length stands elsewhere. Where data end in such
 * a byte, it is put back: the file itself says how long they are.
 */
function mendEnds(doc: PDFDocument, source: Uint8Array): void {
  const { context } = doc;
  let ends: number[] | null = null;
  for (const [ref, stream] of context.enumerateIndirectObjects()) {
    if (!(stream instanceof PDFRawStream) || !(stream.dict.get(PDFName.of('Length')) instanceof PDFRef)) continue;
    const told = stream.dict.lookup(PDFName.of('Length'));
    const missing = told instanceof PDFNumber ? told.asNumber() - stream.contents.length : 0;
    if (missing !== 1 && missing !== 2) continue;
    const tail = stream.contents.subarray(-TAIL);
    ends ??= streamEnds(source);
    // Up to two bytes of the data and up to two of a line's end stand between the tail and the word.
    const from = ends.flatMap((end) =>
      Array.from({ length: 4 }, (_, i) => end - missing - i).filter(
        (at) => at >= tail.length && tail.every((byte, i) => source[at - tail.length + i] === byte),
      ),
    );
    const places = [...new Set(from)];
    if (places.length === 0) continue;
    const contents = new Uint8Array(stream.contents.length + missing);
    contents.set(stream.contents);
    contents.set(source.subarray(places[0], places[0] + missing), stream.contents.length);
    context.assign(ref, PDFRawStream.of(stream.dict, contents));
  }
}

/** True where somebody has signed it: every change breaks that. */
export const isSigned = (doc: PDFDocument): boolean =>
  doc.context
    .enumerateIndirectObjects()
    .some(
      ([, one]) =>
        one instanceof PDFDict &&
        one.lookup(PDFName.of('Type')) === PDFName.of('Sig') &&
        one.has(PDFName.of('ByteRange')),
    );
