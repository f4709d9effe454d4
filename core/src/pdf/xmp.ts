import { DOMParser, type Document, type Element, type Node, XMLSerializer } from '@xmldom/xmldom';
import { type PDFDict, type PDFDocument, PDFName, PDFRawStream, PDFRef, PDFStream } from '@cantoo/pdf-lib';
import { unpacked } from './page-content';

const MOST_XMP = 1024 * 1024;
const MOST_TAGS = 20_000;

/** Metadata as XML beside the properties of a file (ISO 32000, 14.3.2). */
export type Xmp = {
  /** Texts of properties that name a book and its people, each with the property that it is of. */
  readonly texts: readonly { readonly property: string; readonly node: Node }[];
  write(): void;
};

const NAMED = new Set(['title', 'creator', 'description', 'publisher', 'rights', 'subject', 'contributor', 'Keywords']);

function parsed(source: string): Document | null {
  if (source.includes('<!') || source.split('<').length > MOST_TAGS) return null;
  try {
    let broken = false;
    const parser = new DOMParser({ onError: (level) => void (broken ||= level !== 'warning') });
    const xml = parser.parseFromString(source.replace(/^\ufeff/, '').replace(/\0+$/, ''), 'text/xml');
    return broken || !xml.documentElement ? null : xml;
  } catch {
    return null;
  }
}

/** Null where a file has none, or none that can be read. */
export function xmpOf(doc: PDFDocument): Xmp | null {
  const ref = doc.catalog.get(PDFName.of('Metadata'));
  const stream = doc.catalog.lookup(PDFName.of('Metadata'));
  if (!(ref instanceof PDFRef) || !(stream instanceof PDFStream)) return null;
  const bytes = unpacked(stream, MOST_XMP + 1);
  if (!bytes || bytes.length > MOST_XMP) return null;
  const xml = parsed(new TextDecoder().decode(bytes));
  if (!xml) return null;
  const texts: { property: string; node: Node }[] = [];
  const visit = (node: Node, property: string | null): void => {
    if (node.nodeType === 3 && property && (node.nodeValue ?? '').trim()) texts.push({ property, node });
    if (node.nodeType !== 1 && node.nodeType !== 9) return;
    const name = (node as Element).localName ?? '';
    for (const child of Array.from(node.childNodes)) visit(child, NAMED.has(name) ? name : property);
  };
  visit(xml, null);
  return {
    texts,
    write() {
      const made = new TextEncoder().encode(new XMLSerializer().serializeToString(xml));
      const dict = stream.dict.clone(doc.context) as PDFDict;
      dict.delete(PDFName.of('Filter'));
      dict.delete(PDFName.of('DecodeParms'));
      doc.context.assign(ref, PDFRawStream.of(dict, made));
    },
  };
}

/** Says title and author there too, where the file says them: some readers believe nothing else. */
export function putXmpWords(doc: PDFDocument, words: { readonly title?: string; readonly author?: string }): void {
  const xmp = xmpOf(doc);
  if (!xmp) return;
  for (const [property, text] of [
    ['title', words.title],
    ['creator', words.author],
  ] as const) {
    if (text === undefined) continue;
    const [first, ...others] = xmp.texts.filter((one) => one.property === property);
    if (first) first.node.nodeValue = text;
    // Titles in other languages and further people are of the old edition.
    for (const { node } of others) {
      const item = node.parentNode;
      if (item?.parentNode) item.parentNode.removeChild(item);
    }
  }
  xmp.write();
}
