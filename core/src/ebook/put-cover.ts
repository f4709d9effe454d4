import { finding } from '../base';
import type { ImageInfo } from '../image-file';
import { type Draft, changed, isTaken } from './draft';
import { type FoundCover, findCover } from './find-cover';
import { append, remove, writeMarkup } from './markup';
import { type Package } from './package';
import { coverPage, type CoverImage, isCoverPage, readPage, readText, showInstead } from './pages';
import { folderOf, freePath, hrefTo } from './paths';
import { titleOf, authorOf } from './metadata';

/** A picture that ebook readers of every age show: JPEG or PNG. */
export type Cover = { readonly bytes: Uint8Array; readonly info: ImageInfo; readonly alt: string | null };

const ENDING = { jpeg: 'jpg', png: 'png' } as const;

/** A page with more letters than this is a page of the book, even if it shows the cover. */
const MOST_LETTERS = 400;

/** Replaces the cover of a book, or gives it one: picture, page, and the marks for new and old readers. */
export async function putCover(draft: Draft, cover: Cover): Promise<void> {
  const { pkg } = draft.epub;
  const found = await findCover(draft.epub);
  const alt = cover.alt ?? altOf(pkg);
  const format = cover.info.format === 'png' ? 'png' : 'jpeg';
  const path = await placeImage(draft, found, cover.bytes, format);
  const image = { path, widthPx: cover.info.widthPx, heightPx: cover.info.heightPx };
  markImage(draft, path);
  await placePage(draft, found, image, alt);
}

/** Words for a reader who cannot see the cover. */
function altOf(pkg: Package): string {
  const [title, author] = [titleOf(pkg), authorOf(pkg)];
  return `Cover of ${title || 'this book'}${author ? ` by ${author}` : ''}`;
}

/** Puts the picture where the old one was; beside it where the format differs or a page of the book shows the old one too. */
async function placeImage(draft: Draft, found: FoundCover, bytes: Uint8Array, format: 'jpeg' | 'png'): Promise<string> {
  const { pkg, files } = draft.epub;
  const type = `image/${format}`;
  const shared = found.image !== null && !found.missing && (await isShared(draft, found.image, found.page));
  if (shared) draft.notes.push(finding('epub-cover-shared', 'note', null, { name: found.image ?? '' }));
  const same = found.item !== undefined && found.item.type === type && !shared;
  const folder = found.image !== null ? folderOf(found.image) : folderOf(pkg.path);
  const path = same ? found.item.path : freePath(folder, 'cover', ENDING[format], isTaken(draft));
  if (!same) {
    if (found.item && !shared) {
      // Nothing else shows the old picture: it goes, and its place in the list is taken.
      found.item.element.setAttribute('href', hrefTo(pkg.path, path));
      found.item.element.setAttribute('media-type', type);
      if (files.has(found.item.path)) draft.left.add(found.item.path);
    } else pkg.addItem(pkg.freeId('cover-image'), path, type);
  }
  draft.written.set(path, bytes);
  const size = (name: string | null): string =>
    name === null ? '' : `${name}${files.has(name) ? ` (${files.get(name)?.bytes} bytes)` : ' (missing)'}`;
  draft.changes.push({ what: 'cover-image', before: size(found.image), after: `${path} (${bytes.length} bytes)` });
  return path;
}

/** True where any other text file of the book names the picture: it then has to stay as it is. */
async function isShared(draft: Draft, image: string, page: string | null): Promise<boolean> {
  const { epub } = draft;
  const name = image.slice(image.lastIndexOf('/') + 1);
  const spellings = [name, encodeURIComponent(name), encodeURI(name)];
  for (const path of epub.files.keys()) {
    if (path === epub.pkg.path || path === page || !/\.(x?html?|css|svg|xml|smil|js|json)$/i.test(path)) continue;
    const text = await readText(epub, path);
    if (text !== null && spellings.some((one) => text.includes(one))) return true;
  }
  return false;
}

/** Marks the picture as cover for new readers (a property) and for old ones (a meta), and nothing else. */
function markImage({ epub, changes }: Draft, path: string): void {
  const { pkg } = epub;
  const item = pkg.itemAt(path) ?? pkg.items.find((one) => one.path === path);
  if (!item) return;
  const before = marksOf(pkg);
  if (!item.id) item.element.setAttribute('id', pkg.freeId('cover-image'));
  for (const one of pkg.items) {
    const kept = one.properties.filter((name) => name !== 'cover-image');
    if (pkg.version === 3 && one.element === item.element) kept.push('cover-image');
    if (kept.length > 0) one.element.setAttribute('properties', kept.join(' '));
    else one.element.removeAttribute('properties');
  }
  const metas = pkg.metas.filter((meta) => meta.getAttribute('name')?.toLowerCase() === 'cover');
  const id = item.element.getAttribute('id') ?? '';
  if (metas.length === 0) append(pkg.section('metadata'), pkg.element('meta', { name: 'cover', content: id }));
  else {
    metas[0].setAttribute('name', 'cover');
    metas[0].setAttribute('content', id);
    metas.slice(1).forEach(remove);
  }
  const after = marksOf(pkg);
  if (before !== after) changes.push({ what: 'cover-marks', before, after });
}

function marksOf(pkg: Package): string {
  const property = pkg.items.filter((item) => item.properties.includes('cover-image')).map((item) => item.path);
  const meta = pkg.metas
    .filter((m) => m.getAttribute('name')?.toLowerCase() === 'cover')
    .map((m) => m.getAttribute('content'));
  return [...property.map((path) => `property: ${path}`), ...meta.map((id) => `meta: ${id}`)].join(', ');
}

/** Mends the page that shows the cover, or puts one first. */
async function placePage(draft: Draft, found: FoundCover, image: CoverImage, alt: string): Promise<void> {
  const { epub, changes } = draft;
  const { pkg } = epub;
  const page = found.page === null ? null : await readPage(epub, found.page);
  const inSpine = (path: string): boolean => pkg.spine.some(({ item }) => item?.path === path);
  const shows = page?.shown.some((one) => one.path === found.image) ?? false;
  if (page && inSpine(page.path) && (isCoverPage(page) || (shows && page.letters <= MOST_LETTERS))) {
    showInstead(page, isCoverPage(page) ? null : found.image, image, alt);
    draft.written.set(page.path, writeMarkup(page.doc));
    changes.push({ what: 'cover-page', before: page.path, after: page.path });
    makeLinear(pkg, page.path);
    pointGuide(draft, page.path);
    return;
  }
  const broken = found.page !== null && page === null && inSpine(found.page) ? found.page : null;
  const folder = folderOf(pkg.items.find((item) => /xhtml/.test(item.type))?.path ?? pkg.path);
  const path = broken ?? freePath(folder, 'cover', 'xhtml', isTaken(draft));
  const source = coverPage({
    version: pkg.version,
    href: hrefTo(path, image.path),
    alt,
    title: titleOf(pkg) || 'Cover',
    lang: pkg.dc('language')[0]?.textContent?.trim() ?? '',
    viewport: pkg.fixedLayout ? image : null,
  });
  draft.written.set(path, new TextEncoder().encode(source));
  changes.push({ what: 'cover-page', before: broken ?? '', after: path });
  if (!broken) {
    const id = pkg.freeId('cover-page');
    pkg.addItem(id, path, 'application/xhtml+xml');
    const spine = pkg.section('spine');
    const first = pkg.spine[0]?.element;
    const itemref = pkg.element('itemref', { idref: id });
    if (first?.parentNode === spine) {
      const gap = first.previousSibling?.nodeType === 3 ? first.previousSibling.cloneNode(false) : null;
      spine.insertBefore(itemref, first);
      if (gap) spine.insertBefore(gap, first);
    } else append(spine, itemref);
  }
  pointGuide(draft, path);
}

/** A cover page that readers skip shows no cover. */
function makeLinear(pkg: Package, path: string): void {
  const [first] = pkg.spine;
  if (first?.item?.path === path) first.element.removeAttribute('linear');
}

/** The guide of older books names the cover page; where it points nowhere it is put right. */
function pointGuide(draft: Draft, page: string): void {
  const { pkg } = draft.epub;
  if (pkg.version === 3 && !pkg.has('guide')) return;
  const href = hrefTo(pkg.path, page);
  const known = pkg.references.find((one) => one.getAttribute('type')?.toLowerCase() === 'cover');
  const before = known?.getAttribute('href') ?? '';
  if (known) known.setAttribute('href', href);
  else if (pkg.has('guide') || pkg.version === 2)
    append(pkg.section('guide'), pkg.element('reference', { type: 'cover', title: 'Cover', href }));
  changed(draft, 'guide', before, href);
}
