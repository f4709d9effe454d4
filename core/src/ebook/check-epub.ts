import { type Finding, finding } from '../base';
import { MOST_BYTES, readImage } from '../image-file';
import { findCover } from './find-cover';
import { named, parseMarkup } from './markup';
import { type Epub, openEpub } from './open-epub';
import { isCoverPage, readPage, readText } from './pages';

const must = (code: string, data: Finding['data'] = {}): Finding => finding(code, 'must', null, data);
const should = (code: string, data: Finding['data'] = {}): Finding => finding(code, 'should', null, data);

/** Most pixels of the picture inside an EPUB that every stand-in store takes. */
export const EPUB_PIXELS = 5_600_000;

/**
 * Reads a finished EPUB the way a store does for the cover's sake: container, package, files that are listed, the picture
 * that is marked as cover for new and old readers, the page that shows it first, and navigation.
 */
export async function checkEpub(file: Blob, mostPixels = EPUB_PIXELS): Promise<Finding[]> {
  const opened = await openEpub(file);
  if (!opened.ok) return [must(opened.fault.code, opened.fault.data)];
  return checkOpened(opened.value, mostPixels);
}

const MARKUP = new Set(['application/xhtml+xml', 'application/x-dtbncx+xml', 'image/svg+xml']);

/** Pages, contents and drawings that are no well-formed XML: readers may refuse them. */
async function unreadMarkup(epub: Epub): Promise<Finding[]> {
  const found: Finding[] = [];
  for (const item of epub.pkg.items) {
    if (!MARKUP.has(item.type) || !epub.files.has(item.path)) continue;
    const text = await readText(epub, item.path);
    // A table of entities is left to the checker of the whole book.
    if (text && /<!ENTITY/i.test(text)) continue;
    if (!parseMarkup(text, 'application/xhtml+xml')) found.push(should('epub-markup', { name: item.path }));
  }
  return found;
}

/** The same for a book that is open. */
export async function checkOpened(epub: Epub, mostPixels = EPUB_PIXELS): Promise<Finding[]> {
  const { pkg, files } = epub;
  // A store takes a container only as the standard wants it.
  const found: Finding[] = epub.mends.map(({ code, data }) => must(code, data));
  for (const item of pkg.items) {
    const remote = /^[a-z][a-z0-9+.-]*:/i.test(item.element.getAttribute('href') ?? '');
    if (!remote && !files.has(item.path)) found.push(must('epub-file-missing', { name: item.path }));
  }
  found.push(...(await unreadMarkup(epub)));
  const three = pkg.version === 3;
  const contents = three
    ? pkg.items.some((item) => item.properties.includes('nav'))
    : pkg.items.some((item) => item.type === 'application/x-dtbncx+xml');
  if (!contents) found.push(must('epub-nav'));

  const cover = await findCover(epub);
  const entry = cover.image === null ? undefined : files.get(cover.image);
  if (cover.image === null || !entry) return [...found, must('epub-cover-image')];
  const marked = cover.item?.properties.includes('cover-image') ?? false;
  if (three && !marked) found.push(must('epub-cover-property', { name: cover.image }));
  const bytes = await epub.archive.read(entry.name, MOST_BYTES);
  const info = bytes.ok ? readImage(bytes.value) : bytes;
  if (!info.ok) found.push(must('epub-cover-unreadable'));
  else {
    const { widthPx, heightPx } = info.value;
    if (widthPx * heightPx > mostPixels)
      found.push(must('epub-cover-large', { found: (widthPx * heightPx) / 1e6, wanted: mostPixels / 1e6 }));
    if (info.value.colour === 'cmyk') found.push(must('epub-cover-cmyk'));
  }
  const meta = pkg.metas.find((one) => one.getAttribute('name')?.toLowerCase() === 'cover')?.getAttribute('content');
  if (!cover.item?.id || meta !== cover.item.id) found.push(must('epub-cover-meta'));

  const first = pkg.spine[0];
  const page = first?.item ? await readPage(epub, first.item.path) : null;
  const shown = page?.shown.filter((one) => one.path === cover.image) ?? [];
  if (!page || shown.length === 0 || !isCoverPage(page)) return [...found, must('epub-cover-page')];
  if (first.element.getAttribute('linear') === 'no') found.push(should('epub-cover-linear'));
  if (shown.some(({ kind, element }) => kind === 'img' && !element.getAttribute('alt')))
    found.push(must('epub-cover-alt'));
  for (const frame of named(page.doc, 'svg')) {
    const box = (frame.getAttribute('viewBox') ?? '')
      .trim()
      .split(/[\s,]+/)
      .map(Number);
    if (box.length !== 4 || !info.ok) continue;
    const [, , w, h] = box;
    const ratio = (h * info.value.widthPx) / (w * info.value.heightPx);
    if (!(Math.abs(ratio - 1) < 0.02)) {
      found.push(
        should('epub-cover-viewbox', {
          found: `${w} x ${h}`,
          wanted: `${info.value.widthPx} x ${info.value.heightPx}`,
        }),
      );
    }
  }
  return found;
}
