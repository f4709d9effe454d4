import { DOMParser, type Document, type Element } from '@xmldom/xmldom';
import { unzipSync } from 'fflate';
import { type Finding, finding } from '../base';
import { readImage } from '../image-file';

const must = (code: string, data: Finding['data'] = {}): Finding => finding(code, 'must', null, data);

/** Most bytes an EPUB may unpack to here. */
const MOST_UNPACKED = 400 * 1024 * 1024;

/**
 * Reads finished EPUB bytes the way a store does for the cover's sake: container, package, files that are listed,
 * the image that is marked as cover for new and old readers, the page that shows it first, and navigation.
 */
export function checkEpub(bytes: Uint8Array): Finding[] {
  const found: Finding[] = [];
  const head = new TextDecoder().decode(bytes.subarray(30, 58));
  if (head !== 'mimetypeapplication/epub+zip') found.push(must('epub-mimetype'));
  let total = 0;
  let files: Record<string, Uint8Array>;
  try {
    files = unzipSync(bytes, { filter: (file) => (total += file.originalSize) <= MOST_UNPACKED });
  } catch {
    return [must('epub-zip')];
  }
  const text = (name: string): string | null => (files[name] ? new TextDecoder().decode(files[name]) : null);
  const opfPath =
    parse(text('META-INF/container.xml'))?.getElementsByTagName('rootfile')[0]?.getAttribute('full-path') ?? '';
  const opf = parse(text(opfPath));
  if (!opf) return [...found, must('epub-package')];
  const folder = opfPath.slice(0, opfPath.lastIndexOf('/') + 1);
  const items = elements(opf, 'item');
  const at = (item: Element): string => folder + decodeURIComponent(item.getAttribute('href') ?? '');
  for (const item of items) if (!files[at(item)]) found.push(must('epub-file-missing', { name: at(item) }));
  const has = (item: Element, property: string): boolean =>
    (item.getAttribute('properties') ?? '').split(/\s+/).includes(property);
  if (!items.some((item) => has(item, 'nav'))) found.push(must('epub-nav'));

  const cover = items.find((item) => has(item, 'cover-image'));
  const image = cover && files[at(cover)];
  if (!cover || !image) return [...found, must('epub-cover-image')];
  const info = readImage(image);
  if (!info.ok) found.push(must('epub-cover-unreadable'));
  const old = elements(opf, 'meta').find((meta) => meta.getAttribute('name') === 'cover');
  if (old?.getAttribute('content') !== cover.getAttribute('id')) found.push(must('epub-cover-meta'));
  const first = elements(opf, 'itemref')[0]?.getAttribute('idref');
  const page = items.find((item) => item.getAttribute('id') === first);
  const source = page && parse(text(at(page)))?.getElementsByTagName('img')[0];
  if (!page || at(page).slice(0, at(page).lastIndexOf('/') + 1) + (source?.getAttribute('src') ?? '') !== at(cover)) {
    found.push(must('epub-cover-page'));
  } else if (!source?.getAttribute('alt')) found.push(must('epub-cover-alt'));
  return found;
}

function parse(source: string | null): Document | null {
  // An entity table has no place in a book and can unfold without end.
  if (!source || /<!ENTITY/i.test(source)) return null;
  try {
    return new DOMParser({ onError: () => {} }).parseFromString(source, 'text/xml');
  } catch {
    return null;
  }
}

const elements = (doc: Document, name: string): Element[] => {
  const list = doc.getElementsByTagName(name);
  return Array.from({ length: list.length }, (_, i) => list[i]);
};
