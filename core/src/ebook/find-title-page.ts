import type { Element } from '@xmldom/xmldom';
import { NS, named, words } from './markup';
import { titleOf } from './metadata';
import type { Epub } from './open-epub';
import { isCoverPage, readPage } from './pages';
import { resolveHref } from './paths';

/** How many of the first pages are looked at, and the most letters that a title page has. */
const FIRST = 6;
const MOST_LETTERS = 600;

const bare = (text: string): string =>
  text
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/** The words of an element, those of different elements apart. */
const textIn = (element: Element): string =>
  Array.from(element.childNodes)
    .map((child) =>
      child.nodeType === 3 ? (child.nodeValue ?? '') : child.nodeType === 1 ? textIn(child as Element) : '',
    )
    .join(' ');

/** The title page that a book has, and what it says; `sure` where the book itself calls it that. */
export type FoundTitlePage = { readonly path: string; readonly text: string; readonly sure: boolean };

/** The book's own title page: named by its guide, its landmarks or the page itself, else a short early page with the title. */
export async function findTitlePage(epub: Epub): Promise<FoundTitlePage | null> {
  const { pkg } = epub;
  const exists = (path: string): boolean => epub.files.has(path);
  const marked = new Set<string>();
  for (const reference of named(pkg.doc, 'reference')) {
    if (reference.getAttribute('type')?.toLowerCase() !== 'title-page') continue;
    const path = resolveHref(pkg.path, reference.getAttribute('href') ?? '', exists);
    if (path) marked.add(path);
  }
  const nav = pkg.items.find((item) => item.properties.includes('nav'));
  const navPage = nav && (await readPage(epub, nav.path));
  for (const link of navPage ? named(navPage.doc, 'a') : []) {
    const types = words(link.getAttributeNS(NS.ops, 'type') || link.getAttribute('epub:type'));
    const path =
      types.includes('titlepage') && nav ? resolveHref(nav.path, link.getAttribute('href') ?? '', exists) : null;
    if (path) marked.add(path);
  }
  const title = bare(titleOf(pkg));
  let likely: FoundTitlePage | null = null;
  for (const { item } of pkg.spine.slice(0, FIRST)) {
    if (!item || item.properties.includes('nav')) continue;
    const page = await readPage(epub, item.path);
    if (!page || isCoverPage(page)) continue;
    const body = named(page.doc, 'body')[0];
    const text = body ? textIn(body).replace(/\s+/g, ' ').trim() : '';
    const own = [body, ...(body ? named(body, 'section') : [])].some((one) =>
      words((one?.getAttributeNS(NS.ops, 'type') || one?.getAttribute('epub:type')) ?? null).includes('titlepage'),
    );
    if (own || marked.has(item.path)) return { path: item.path, text: text.slice(0, 200), sure: true };
    const short = page.letters <= MOST_LETTERS && title.length > 0 && bare(text).includes(title);
    // A page of a chapter also begins with words; a title page has hardly any others.
    if (short && !likely && named(page.doc, 'p').length <= 12)
      likely = { path: item.path, text: text.slice(0, 200), sure: false };
  }
  return likely;
}
