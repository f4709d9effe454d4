import {
  PDFArray,
  PDFDict,
  type PDFDocument,
  PDFHexString,
  PDFName,
  PDFNumber,
  type PDFPage,
  PDFRef,
  PDFStream,
  PDFString,
} from '@cantoo/pdf-lib';
import { type Finding, type Result, finding, ok } from '../base';
import { isSigned, openPdf } from './open';
import { putXmpWords } from './xmp';

export type PdfCover = {
  /** JPEG, whole; it is shown whole on the page. */
  readonly jpeg: Uint8Array;
  readonly widthPx: number;
  readonly heightPx: number;
  /** 0..255 each: what the page shows beside a picture of another ratio. */
  readonly ground: readonly [number, number, number];
  /** `auto` replaces a first page that is one picture and no words, and otherwise goes before it. */
  readonly place: 'auto' | 'replace' | 'insert';
  /** Left as they are where not given. */
  readonly title?: string;
  readonly author?: string;
  readonly modified: string;
};

export type PdfReport = {
  readonly placed: 'replaced' | 'inserted';
  readonly pages: { readonly before: number; readonly after: number };
  /** The page box, points. */
  readonly box: { readonly widthPt: number; readonly heightPt: number };
  readonly title: { readonly before: string; readonly after: string };
  readonly author: { readonly before: string; readonly after: string };
  readonly notes: readonly Finding[];
};

/**
 * Makes the cover page 1 of a PDF, its box that of most other pages; they stay as they are.
 * Faults: `pdf-not`, `pdf-encrypted`, `pdf-damaged`, `file-empty`, `file-large`, `pdf-pages`.
 */
export async function setPdfCover(
  source: Uint8Array,
  cover: PdfCover,
): Promise<Result<{ bytes: Uint8Array<ArrayBuffer>; report: PdfReport }>> {
  const opened = await openPdf(source);
  if (!opened.ok) return opened;
  const { doc, pages } = opened.value;
  const notes: Finding[] = [];
  if (isSigned(doc)) notes.push(finding('pdf-signed', 'should', null));
  const picture = pages.length > 1 && isPicture(pages[0]);
  // In a picture book or a scan a page that is one picture is content: only what the file calls its cover is one.
  const known = picture && isNamedCover(doc, pages[0].ref);
  const replace = cover.place === 'replace' || (cover.place === 'auto' && known);
  if (cover.place === 'auto' && picture && !known) notes.push(finding('pdf-first-kept', 'should', null));
  const [width, height] = commonBox(replace && pages.length > 1 ? pages.slice(1) : pages);
  const before = { title: doc.getTitle() ?? '', author: doc.getAuthor() ?? '' };
  const image = await doc.embedJpg(cover.jpeg);
  const sheet = doc.insertPage(0, [width, height]);
  if (replace) {
    // Links and outlines that lead to the old cover lead to the new one.
    redirect(doc, pages[0].ref, sheet.ref);
    doc.removePage(1);
  } else shiftLabels(doc);
  const k = Math.min(width / cover.widthPx, height / cover.heightPx);
  const [w, h] = [cover.widthPx * k, cover.heightPx * k];
  const [red, green, blue] = cover.ground.map((v) => v / 255);
  if (w < width - 0.5 || h < height - 0.5) {
    sheet.drawRectangle({ x: 0, y: 0, width, height, color: { type: 'RGB' as never, red, green, blue } });
  }
  sheet.drawImage(image, { x: (width - w) / 2, y: (height - h) / 2, width: w, height: h });
  if (cover.title !== undefined) doc.setTitle(cover.title, { showInWindowTitleBar: true });
  if (cover.author !== undefined) doc.setAuthor(cover.author);
  putXmpWords(doc, cover);
  doc.setModificationDate(new Date(cover.modified));
  const bytes = new Uint8Array(await doc.save({ useObjectStreams: false, updateFieldAppearances: false }));
  return ok({
    bytes,
    report: {
      placed: replace ? 'replaced' : 'inserted',
      pages: { before: pages.length, after: doc.getPageCount() },
      box: { widthPt: width, heightPt: height },
      title: { before: before.title, after: doc.getTitle() ?? '' },
      author: { before: before.author, after: doc.getAuthor() ?? '' },
      notes,
    },
  });
}

/** The box that most of the pages have, as they are shown: a page may be turned. */
function commonBox(pages: readonly PDFPage[]): [number, number] {
  const counts = new Map<string, { size: [number, number]; count: number }>();
  for (const page of pages.slice(0, 400)) {
    const { width, height } = page.getCropBox();
    const turned = Math.abs(page.getRotation().angle % 180) === 90;
    const size: [number, number] = turned ? [height, width] : [width, height];
    const key = size.map((n) => Math.round(n * 10)).join('x');
    const known = counts.get(key) ?? { size, count: 0 };
    counts.set(key, { ...known, count: known.count + 1 });
  }
  return [...counts.values()].sort((a, b) => b.count - a.count)[0].size;
}

const COVER_WORDS =
  /^\s*(front\s+)?(cover|titelbild|umschlag|couverture|cubierta|portada|copertina|omslag)(\s+page)?\s*$/i;

/** True where the file itself says that its first page is a cover: by a page label or by an outline that leads there. */
function isNamedCover(doc: PDFDocument, first: PDFRef): boolean {
  const textOf = (value: unknown): string =>
    value instanceof PDFString || value instanceof PDFHexString ? value.decodeText() : '';
  const nums = doc.catalog.lookupMaybe(PDFName.of('PageLabels'), PDFDict)?.lookupMaybe(PDFName.of('Nums'), PDFArray);
  const label = nums && nums.size() > 1 ? nums.lookup(1) : null;
  if (label instanceof PDFDict && COVER_WORDS.test(textOf(label.lookup(PDFName.of('P'))))) return true;
  const leadsThere = (dest: unknown): boolean => dest instanceof PDFArray && dest.size() > 0 && dest.get(0) === first;
  let item = doc.catalog.lookupMaybe(PDFName.of('Outlines'), PDFDict)?.lookupMaybe(PDFName.of('First'), PDFDict);
  for (let i = 0; item && i < 50; i++) {
    const action = item.lookupMaybe(PDFName.of('A'), PDFDict);
    const there = leadsThere(item.lookup(PDFName.of('Dest'))) || leadsThere(action?.lookup(PDFName.of('D')));
    if (there && COVER_WORDS.test(textOf(item.lookup(PDFName.of('Title'))))) return true;
    item = item.lookupMaybe(PDFName.of('Next'), PDFDict);
  }
  return false;
}

/** True for a page that shows one picture and sets no words. */
function isPicture(page: PDFPage): boolean {
  const resources = page.node.Resources();
  const fonts = resources?.lookupMaybe(PDFName.of('Font'), PDFDict);
  const objects = resources?.lookupMaybe(PDFName.of('XObject'), PDFDict);
  if (!objects || objects.keys().length !== 1 || (fonts && fonts.keys().length > 0)) return false;
  const one = objects.lookup(objects.keys()[0]);
  return one instanceof PDFStream && one.dict.lookup(PDFName.of('Subtype')) === PDFName.of('Image');
}

/** Makes destinations (arrays that begin with a page) lead to another page. */
function redirect(doc: PDFDocument, from: PDFRef, to: PDFRef): void {
  const visit = (value: unknown, depth: number): void => {
    if (depth > 20) return;
    if (value instanceof PDFArray) {
      if (value.size() > 1 && value.get(0) === from && value.get(1) instanceof PDFName) value.set(0, to);
      for (let i = 0; i < value.size(); i++) visit(value.get(i), depth + 1);
    } else if (value instanceof PDFDict)
      for (const key of value.keys()) if (key !== PDFName.of('Parent')) visit(value.get(key), depth + 1);
  };
  for (const [, one] of doc.context.enumerateIndirectObjects()) visit(one, 0);
}

/** Printed page numbers stay with their pages: the new one is numbered apart. */
function shiftLabels(doc: PDFDocument): void {
  const labels = doc.catalog.lookupMaybe(PDFName.of('PageLabels'), PDFDict);
  const nums = labels?.lookupMaybe(PDFName.of('Nums'), PDFArray);
  if (!nums) return;
  for (let i = 0; i < nums.size(); i += 2) {
    const at = nums.lookup(i);
    if (at instanceof PDFNumber) nums.set(i, PDFNumber.of(at.asNumber() + 1));
  }
  nums.insert(0, PDFNumber.of(0));
  nums.insert(1, doc.context.obj({ P: PDFString.of('Cover') }));
}
