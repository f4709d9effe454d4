import type { Epub } from './open-epub';
import { named, parseMarkup, words } from './markup';
import type { Item } from './package';
import { type Page, isCoverPage, readPage, readText } from './pages';
import { resolveHref } from './paths';

/** How a book says which picture is its cover. */
export type CoverMeans = 'property' | 'meta' | 'meta-page' | 'guide' | 'landmarks' | 'first-page' | 'name';

export type FoundCover = {
  /** The picture, a file of the book; null where none was found. It may be listed and yet missing. */
  readonly image: string | null;
  readonly item: Item | undefined;
  readonly missing: boolean;
  /** The page that shows it, or that is said to; null where there is none that is there. */
  readonly page: string | null;
  /** Everything that was found, the surest first. */
  readonly means: readonly { readonly means: CoverMeans; readonly path: string }[];
};

const isImage = (item: Item | undefined): boolean => item !== undefined && item.type.startsWith('image/');
const isPage = (item: Item | undefined): boolean => item !== undefined && /xhtml|html/.test(item.type);
/** Kinds of guide references and landmarks that mean the cover. */
const COVER_KIND = /^(other\.)?(ms-)?cover([ -]?(image|page)(-standard)?)?$/i;

/** Finds the present cover by every means that books use: the standard's own first, then what writers did before it. */
export async function findCover(epub: Epub): Promise<FoundCover> {
  const { pkg, files } = epub;
  const { items, spine } = pkg;
  const exists = (path: string): boolean => files.has(path);
  const means: { means: CoverMeans; path: string }[] = [];
  const pages = new Map<string, Page | null>();
  const page = async (path: string): Promise<Page | null> => {
    if (!pages.has(path)) pages.set(path, await readPage(epub, path));
    return pages.get(path) ?? null;
  };
  /** The one picture of a page that is said to be the cover. */
  const pictureOf = async (path: string): Promise<string | null> => {
    const shown = (await page(path))?.shown ?? [];
    return new Set(shown.map((one) => one.path)).size === 1 ? shown[0].path : null;
  };
  let saidPage: string | null = null;
  const add = async (kind: CoverMeans, path: string): Promise<void> => {
    const item = items.find((one) => one.path === path);
    if (isImage(item) || /\.(jpe?g|png|gif|webp|svg)$/i.test(path)) return void means.push({ means: kind, path });
    if (!isPage(item) && !/\.x?html?$/i.test(path)) return;
    if (exists(path)) saidPage ??= path;
    const picture = await pictureOf(path);
    if (picture !== null) means.push({ means: kind, path: picture });
  };

  const property = items.find((item) => item.properties.includes('cover-image'));
  if (property) await add('property', property.path);
  for (const meta of pkg.metas.filter((m) => m.getAttribute('name')?.toLowerCase() === 'cover')) {
    const content = meta.getAttribute('content') ?? '';
    const item = pkg.item(content);
    // The content should be an id; some writers put the name of the file there, or the id of a page.
    const path = item?.path ?? resolveHref(pkg.path, content, exists);
    if (path) await add(isPage(item) ? 'meta-page' : 'meta', path);
  }
  for (const reference of pkg.references.filter((r) => COVER_KIND.test(r.getAttribute('type') ?? ''))) {
    const path = resolveHref(pkg.path, reference.getAttribute('href') ?? '', exists);
    if (path) await add('guide', path);
  }
  const nav = items.find((item) => item.properties.includes('nav'));
  for (const path of nav ? await landmarksOf(epub, nav.path) : []) await add('landmarks', path);
  const first = spine.find((one) => one.item)?.item;
  if (first) {
    const found = await page(first.path);
    if (found && isCoverPage(found)) {
      saidPage ??= first.path;
      means.push({ means: 'first-page', path: found.shown[0].path });
    }
  }
  const byName = items.find(
    (item) => isImage(item) && (/^cover(-?image)?$/i.test(item.id) || /(^|\/)cover\.\w+$/i.test(item.path)),
  );
  if (byName) means.push({ means: 'name', path: byName.path });

  const chosen = means.find((one) => exists(one.path)) ?? means[0];
  const image = chosen?.path ?? null;
  return {
    image,
    item: image === null ? undefined : items.find((item) => item.path === image),
    missing: image !== null && !exists(image),
    page: await pageOf(image),
    means,
  };

  /** The page that shows the cover: the one that is said to, else a cover page at the head of the spine. */
  async function pageOf(image: string | null): Promise<string | null> {
    if (saidPage !== null) return saidPage;
    if (image === null) return null;
    for (const { item } of spine.slice(0, 3)) {
      const found = item ? await page(item.path) : null;
      if (item && found && isCoverPage(found) && found.shown[0].path === image) return item.path;
    }
    return null;
  }
}

async function landmarksOf(epub: Epub, nav: string): Promise<string[]> {
  const doc = parseMarkup(await readText(epub, nav), 'application/xhtml+xml');
  if (!doc) return [];
  return named(doc, 'a').flatMap((a) => {
    const kinds = words(a.getAttributeNS('http://www.idpf.org/2007/ops', 'type') ?? a.getAttribute('epub:type'));
    const path = kinds.includes('cover')
      ? resolveHref(nav, a.getAttribute('href') ?? '', (p) => epub.files.has(p))
      : null;
    return path ? [path] : [];
  });
}
