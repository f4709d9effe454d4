import type { Element } from '@xmldom/xmldom';
import { finding, xml } from '../base';
import { type Draft, isTaken } from './draft';
import { NS, append, named, parseMarkup, writeMarkup } from './markup';
import { wordsOf } from './metadata';
import type { Package } from './package';
import { type Page, isCoverPage, readPage, readText } from './pages';
import { folderOf, freePath, hrefTo } from './paths';

/** A line of text that each file of the book's text is to carry once, at its head or foot. */
export type PageLine = { readonly text: string; readonly at: 'head' | 'foot' };

type PageWish = {
  readonly title: string;
  readonly style: string;
  /** What the page is in terms of EPUB 3. */
  readonly type: string;
  /** Another mark of the body. */
  readonly mark?: string;
  readonly body: string;
};

/** A page of ours in the version and language of a book. `body` is markup of whole lines. */
export function pageSource(pkg: Package, { title, style, type, mark, body }: PageWish): Uint8Array {
  const three = pkg.version === 3;
  const { language } = wordsOf(pkg);
  const lang = language ? ` xml:lang="${xml(language)}"` : '';
  return new TextEncoder().encode(`<?xml version="1.0" encoding="UTF-8"?>
${three ? '<!DOCTYPE html>' : '<!DOCTYPE html PUBLIC "-//W3C//DTD XHTML 1.1//EN" "http://www.w3.org/TR/xhtml11/DTD/xhtml11.dtd">'}
<html xmlns="${NS.xhtml}"${three ? ` xmlns:epub="${NS.ops}"` : ''}${lang}>
  <head>
    <title>${xml(title)}</title>
    <style type="text/css">
      ${style}
    </style>
  </head>
  <body${mark ? ` class="${mark}"` : ''}${three ? ` epub:type="${type}"` : ''}>
${body}  </body>
</html>
`);
}

/** Puts a page beside the others of the book, under a free name; it is in no order yet. */
export function addPage(draft: Draft, name: string, source: Uint8Array): { id: string; path: string } {
  const { pkg } = draft.epub;
  const folder = folderOf(pkg.items.find((item) => /xhtml/.test(item.type))?.path ?? pkg.path);
  const path = freePath(folder, name, 'xhtml', isTaken(draft));
  draft.written.set(path, source);
  const id = pkg.freeId(name);
  pkg.addItem(id, path, 'application/xhtml+xml');
  return { id, path };
}

const MOST_MARKS = 200;

/** Places of an old page that links may lead to, kept in the page that stands instead. */
function marksOf(old: Page | null): string {
  const ids: string[] = [];
  const walk = (element: Element): void => {
    const id = element.getAttribute('id');
    if (id) ids.push(id);
    for (const child of Array.from(element.childNodes)) if (child.nodeType === 1) walk(child as Element);
  };
  if (old?.doc.documentElement) walk(old.doc.documentElement);
  const kept = [...new Set(ids)].slice(0, MOST_MARKS);
  return kept.length > 0 ? `    <div>${kept.map((id) => `<span id="${xml(id)}"></span>`).join('')}</div>\n` : '';
}

/** Writes a page with the book's own words: before the first page that is no cover, or in the place of the old title page. */
export async function putTitlePage(draft: Draft, insteadOf: string | null): Promise<void> {
  const { pkg } = draft.epub;
  const old = insteadOf === null ? null : await readPage(draft.epub, insteadOf);
  const words = wordsOf(pkg);
  const line = (name: string, text: string): string => (text ? `    <p class="${name}">${xml(text)}</p>\n` : '');
  const source = pageSource(pkg, {
    title: words.title || 'Title page',
    style: `body { margin: 12% 8%; text-align: center; }
      .subtitle { font-style: italic; }
      .author { margin-top: 3em; }
      .publisher, .website { font-size: 0.85em; }
      .publisher { margin-top: 6em; }`,
    type: 'titlepage',
    body: `${marksOf(old)}    <h1>${xml(words.title || 'Untitled')}</h1>
${line('subtitle', words.subtitle)}${line('author', words.author)}${line('publisher', words.publisher)}${line('website', words.website)}`,
  });
  if (insteadOf !== null && draft.epub.files.has(insteadOf)) {
    draft.written.set(insteadOf, source);
    draft.changes.push({ what: 'title-page', before: insteadOf, after: insteadOf });
    return;
  }
  const { id, path } = addPage(draft, 'title-page', source);
  const spine = pkg.section('spine');
  const [first, second] = pkg.spine;
  const put = draft.changes.some((c) => c.what === 'cover-page' && c.after === first?.item?.path);
  const before = put || /(^|\/)cover[^/]*$/i.test(first?.item?.path ?? '') ? second?.element : first?.element;
  const itemref = pkg.element('itemref', { idref: id });
  if (before?.parentNode === spine) spine.insertBefore(itemref, before);
  else append(spine, itemref);
  draft.changes.push({ what: 'title-page', before: '', after: path });
}

/** Puts a line once into each file of text, at its head or foot: what a reader's page is, a book cannot know; pages that show only a picture, and contents, stay as they are. */
export async function putPageLine(draft: Draft, line: PageLine): Promise<void> {
  const { epub, written, changes, notes } = draft;
  let count = 0;
  for (const { item } of epub.pkg.spine) {
    if (!item || item.properties.includes('nav')) continue;
    const page = await readPage(epub, item.path);
    if (page && isCoverPage(page)) continue;
    const doc = page?.doc ?? parseMarkup(await readText(epub, item.path), 'application/xhtml+xml');
    const body = doc && named(doc, 'body')[0];
    if (!doc || !body) {
      notes.push(finding('epub-page-unread', 'should', null, { name: item.path }));
      continue;
    }
    const made = doc.createElementNS(NS.xhtml, 'p');
    made.setAttribute('class', 'edition-line');
    made.setAttribute('style', 'text-align: center; font-size: 0.8em; margin: 1em 0;');
    made.textContent = line.text;
    if (line.at === 'head') body.insertBefore(made, body.firstChild);
    else body.appendChild(made);
    written.set(item.path, writeMarkup(doc));
    count++;
  }
  if (count > 0) changes.push({ what: 'page-line', before: '', after: `${count} x ${line.text}` });
}

/** Text as a string of CSS. */
const cssString = (text: string): string =>
  `"${text
    .replace(/[\\"]/g, '\\$&')
    .replace(/[\r\n\f]+/g, ' ')
    .replace(/</g, '\\3c ')}"`;

/** Styles that put a line on each page: margin boxes of printed pages (CSS Paged Media), and in EPUB 2 what its own standard has for heads and feet. */
const runningStyles = ({ text, at }: PageLine, version: 2 | 3): string => `@page {
  @${at === 'head' ? 'top' : 'bottom'}-center { content: ${cssString(text)}; font-size: 0.75em; }
}
${version === 2 ? `.running-line { display: none; display: oeb-page-${at}; text-align: center; font-size: 0.75em; }\n` : ''}`;

/**
 * A head or foot for each page, where the reading program lays out pages and shows one; elsewhere it is not seen. One file of styles is added, and
 * each page with words refers to it.
 */
export async function putRunningLine(draft: Draft, line: PageLine): Promise<void> {
  const { epub, written, changes, notes } = draft;
  const { pkg } = epub;
  const first = pkg.spine.find(({ item }) => item && /html/.test(item.type))?.item?.path ?? pkg.path;
  const path = freePath(folderOf(first), 'running-line', 'css', isTaken(draft));
  written.set(path, new TextEncoder().encode(runningStyles(line, pkg.version)));
  pkg.addItem(pkg.freeId('running-line'), path, 'text/css');
  let count = 0;
  for (const { item } of pkg.spine) {
    if (!item || item.properties.includes('nav') || !/html/.test(item.type)) continue;
    const page = await readPage(epub, item.path);
    const [head, body] = page ? [named(page.doc, 'head')[0], named(page.doc, 'body')[0]] : [];
    if (!page || !head || !body) {
      notes.push(finding('epub-page-unread', 'should', null, { name: item.path }));
      continue;
    }
    if (isCoverPage(page)) continue;
    const link = page.doc.createElementNS(NS.xhtml, 'link');
    for (const [key, value] of [
      ['rel', 'stylesheet'],
      ['type', 'text/css'],
      ['href', hrefTo(item.path, path)],
    ])
      link.setAttribute(key, value);
    head.appendChild(link);
    if (pkg.version === 2) {
      const made = page.doc.createElementNS(NS.xhtml, 'div');
      made.setAttribute('class', 'running-line');
      made.textContent = line.text;
      body.insertBefore(made, body.firstChild);
    }
    written.set(item.path, writeMarkup(page.doc));
    count++;
  }
  changes.push({ what: 'running-line', before: '', after: `${count} x ${line.text}` });
}
