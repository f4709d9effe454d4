import { PDFDict, type PDFDocument, PDFHexString, PDFString } from '@cantoo/pdf-lib';
import { type NamePlace, type Spot, type Standing, textSpot } from '../renaming';
import { addressOf } from './cover-page';
import { dictIn, itemsOf, pdfName } from './objects';
import { type Xmp, xmpOf } from './xmp';

/** A part of a file in which names can stand. */
export type Part = { readonly path: string; readonly page: number | null; readonly spots: readonly Spot[] };

const textIn = (value: unknown): string | null =>
  value instanceof PDFString || value instanceof PDFHexString ? value.decodeText() : null;

/** A text of a dictionary as a place that can be changed. */
const entry = (dict: PDFDict, key: string, place: NamePlace, standing: Standing): Spot[] =>
  textSpot(
    place,
    standing,
    () => textIn(dict.lookup(pdfName(key))),
    (text) => dict.set(pdfName(key), place === 'link' ? PDFString.of(addressOf(text)) : PDFHexString.fromText(text)),
  );

const MOST_ITEMS = 20_000;

/** Titles of the outline, in its order. */
function outlineSpots(doc: PDFDocument): Spot[] {
  const spots: Spot[] = [];
  const seen = new Set<PDFDict>();
  const walk = (item: PDFDict | undefined): void => {
    for (let one = item; one && !seen.has(one) && seen.size < MOST_ITEMS; one = dictIn(one, 'Next')) {
      seen.add(one);
      spots.push(...entry(one, 'Title', 'contents', 'prose'), ...addressSpots(one));
      if (one.has(pdfName('First'))) walk(dictIn(one, 'First'));
    }
  };
  walk(dictIn(dictIn(doc.catalog, 'Outlines'), 'First'));
  return spots;
}

/** The address that something leads to when it is pressed. */
function addressSpots(dict: PDFDict): Spot[] {
  const action = dictIn(dict, 'A');
  return action?.lookup(pdfName('S')) === pdfName('URI') ? entry(action, 'URI', 'link', 'prose') : [];
}

/** Texts of the metadata as places that can be changed. */
const xmpSpots = (xmp: Xmp): Spot[] =>
  xmp.texts.flatMap(({ node }) =>
    textSpot(
      'metadata',
      'label',
      () => node.nodeValue,
      (text) => void (node.nodeValue = text),
    ),
  );

/** Everything in a file, but for what its pages show, in which old names can stand; `write` puts the metadata back. */
export function partsOf(doc: PDFDocument): { parts: Part[]; write(): void } {
  const info = doc.context.lookup(doc.context.trailerInfo.Info);
  const xmp = xmpOf(doc);
  const parts: Part[] = [];
  if (info instanceof PDFDict)
    parts.push({
      path: 'properties',
      page: null,
      spots: ['Title', 'Author', 'Subject', 'Keywords'].flatMap((key) => entry(info, key, 'metadata', 'label')),
    });
  if (xmp) parts.push({ path: 'metadata', page: null, spots: xmpSpots(xmp) });
  parts.push({ path: 'outline', page: null, spots: outlineSpots(doc) });
  doc.getPages().forEach((page, i) => {
    const notes = itemsOf(page.node.Annots()).filter((one) => one instanceof PDFDict);
    const spots = notes.flatMap((note) => [...addressSpots(note), ...entry(note, 'Contents', 'alt', 'prose')]);
    if (spots.length > 0) parts.push({ path: `page ${i + 1}`, page: i + 1, spots });
  });
  return { parts, write: () => xmp?.write() };
}
