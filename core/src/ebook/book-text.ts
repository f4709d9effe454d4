import { XMLSerializer, type Element } from '@xmldom/xmldom';
import { type Result, fail, ok } from '../base';
import { findTitlePage } from './find-title-page';
import { MOST_MARKUP, named } from './markup';
import { type Epub, openEpub } from './open-epub';
import { type Page, isCoverPage, readPage, readText } from './pages';

/** What an ebook says, as one page of the web, whose pictures have the names of their files in the book. */
export type BookText = {
  readonly html: string;
  /** Pages of the book that are made for every copy anew, and not taken: its cover, its title page, its contents. */
  readonly left: number;
  /** A picture of it by that name; null where there is none, or where it is too large, or all are. */
  picture(name: string): Promise<Uint8Array<ArrayBuffer> | null>;
};

const MIB = 1024 * 1024;
const MOST_PICTURE = 40 * MIB;
const MOST_PICTURES = 240 * MIB;

/** Elements of HTML that have no end, ever. */
const VOID = new Set([
  'area',
  'base',
  'br',
  'col',
  'embed',
  'hr',
  'img',
  'input',
  'link',
  'meta',
  'source',
  'track',
  'wbr',
]);

/** The body of a page as HTML: what is empty has an end of its own there, and pictures have the paths of their files. */
function bodyOf({ doc, shown }: Page): string {
  for (const { kind, element, path } of shown) {
    if (kind === 'img') {
      element.setAttribute('src', path);
      continue;
    }
    // A picture in a drawing that does nothing but hold it.
    const drawing = named(doc, 'svg').find((one) => named(one, 'image').includes(element));
    const img = doc.createElementNS(doc.documentElement?.namespaceURI ?? null, 'img');
    img.setAttribute('src', path);
    drawing?.parentNode?.replaceChild(img, drawing);
  }
  const body = named(doc, 'body')[0];
  if (!body) return '';
  const fill = (element: Element): void => {
    const inner = Array.from(element.childNodes);
    if (inner.length === 0 && !VOID.has(element.localName ?? '')) element.appendChild(doc.createTextNode(''));
    for (const one of inner) if (one.nodeType === 1) fill(one as Element);
  };
  fill(body);
  const writer = new XMLSerializer();
  return Array.from(body.childNodes, (node) => writer.serializeToString(node)).join('');
}

/** Of the letters of a page that only leads on, this share is in links. */
const LEADS = 0.6;
const letters = (elements: readonly Element[]): number =>
  elements.reduce((sum, one) => sum + (one.textContent ?? '').replace(/\s+/g, '').length, 0);

/** Whether a page that the book calls its contents has nothing else to say. */
const isContents = (epub: Epub, page: Page): boolean =>
  leadsThrough(epub, page.path) && letters(named(page.doc, 'a')) >= LEADS * page.letters;

const leadsThrough = ({ pkg }: Epub, path: string): boolean =>
  pkg.itemAt(path)?.properties.includes('nav') === true ||
  pkg.references.some(
    (one) =>
      one.getAttribute('type') === 'toc' && path.endsWith((one.getAttribute('href') ?? '').split('#')[0] || '\n'),
  );

/**
 * What an EPUB says from its first page to its last, without what a new copy has of its own. Faults: those of `openEpub`, `text-empty`,
 * `text-long` where its pages are more than markup of one can be.
 */
export async function readBookText(file: Blob): Promise<Result<BookText>> {
  const opened = await openEpub(file);
  if (!opened.ok) return opened;
  const epub = opened.value;
  const title = await findTitlePage(epub);
  const parts: string[] = [];
  let [left, size, pictures] = [0, 0, 0];
  let covered = false;
  for (const { item } of epub.pkg.spine) {
    if (!item) continue;
    const page = await readPage(epub, item.path);
    // Of the pages that show one picture alone only the first, before all text, is the cover.
    const cover: boolean = page !== null && !covered && parts.length === 0 && isCoverPage(page);
    covered ||= cover;
    if (cover || (title?.sure && title.path === item.path) || (page && isContents(epub, page))) {
      left++;
      continue;
    }
    // What is no sound markup is read as readers of the web do.
    const part = page ? bodyOf(page) : ((await readText(epub, item.path)) ?? '');
    size += part.length;
    if (size > MOST_MARKUP) return fail('text-long', { most: MOST_MARKUP });
    parts.push(part);
  }
  if (parts.length === 0) return fail('text-empty');
  return ok({
    html: parts.join('\n'),
    left,
    async picture(name) {
      const entry = epub.files.get(name);
      const read = entry && (await epub.archive.read(entry.name, Math.min(MOST_PICTURE, MOST_PICTURES - pictures)));
      if (!read?.ok) return null;
      pictures += read.value.length;
      return read.value;
    },
  });
}
