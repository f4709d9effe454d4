import type { Element } from '@xmldom/xmldom';
import { type Result, fail, finding, ok } from '../base';
import { type Draft, changed } from './draft';
import { NS, append, named, parseMarkup, remove, writeMarkup } from './markup';
import type { Package } from './package';
import { readText } from './pages';

/** What a new edition says of itself; what is left out stays as it is, an empty text takes the line away. */
export type EditionWords = {
  readonly title?: string;
  readonly subtitle?: string;
  readonly author?: string;
  readonly publisher?: string;
  readonly language?: string;
  /** A urn or another address; null makes none anew and keeps the present one. */
  readonly identifier?: string | null;
  /** A date as EPUB wants it: 2026, 2026-11 or 2026-11-26. */
  readonly date?: string;
  readonly website?: string;
};

const refinesOf = (pkg: Package, element: Element): Element[] => {
  const id = element.getAttribute('id');
  return id ? pkg.metas.filter((meta) => meta.getAttribute('refines') === `#${id}`) : [];
};

const refined = (pkg: Package, element: Element, property: string): string | undefined =>
  refinesOf(pkg, element)
    .find((meta) => meta.getAttribute('property') === property)
    ?.textContent?.trim();

const textIn = (element: Element | undefined): string => (element?.textContent ?? '').replace(/\s+/g, ' ').trim();

const mainTitle = (pkg: Package): Element | undefined => {
  const titles = pkg.dc('title');
  return titles.find((one) => refined(pkg, one, 'title-type') === 'main') ?? titles[0];
};
const subtitle = (pkg: Package): Element | undefined =>
  pkg.dc('title').find((one) => refined(pkg, one, 'title-type') === 'subtitle');

/** People who wrote the book: creators that are not said to be something else. */
const authors = (pkg: Package): Element[] =>
  pkg.dc('creator').filter((one) => {
    const role = one.getAttributeNS(NS.opf, 'role') || one.getAttribute('opf:role') || refined(pkg, one, 'role');
    return !role || role === 'aut';
  });

export const titleOf = (pkg: Package): string => textIn(mainTitle(pkg));
export const subtitleOf = (pkg: Package): string => textIn(subtitle(pkg));
export const authorOf = (pkg: Package): string => authors(pkg).map(textIn).join(', ');

/** The identifier that the package names as its own. */
function identifierElement(pkg: Package): Element | undefined {
  const id = pkg.doc.documentElement?.getAttribute('unique-identifier');
  const all = pkg.dc('identifier');
  return all.find((one) => one.getAttribute('id') === id) ?? all[0];
}

/** What the package says of the book. */
export function wordsOf(pkg: Package): Required<Omit<EditionWords, 'identifier'>> & { identifier: string } {
  return {
    title: titleOf(pkg),
    subtitle: subtitleOf(pkg),
    author: authorOf(pkg),
    publisher: textIn(pkg.dc('publisher')[0]),
    language: textIn(pkg.dc('language')[0]),
    identifier: textIn(identifierElement(pkg)),
    date: textIn(pkg.dc('date')[0]),
    website: textIn(websiteElement(pkg)),
  };
}

const websiteElement = (pkg: Package): Element | undefined =>
  pkg.dc('source').find((one) => /^https?:/i.test(textIn(one)));

/** Changes what a book says of itself. Faults: `epub-font-key`, `epub-language`, `epub-date`. */
export async function putWords(draft: Draft, words: EditionWords): Promise<Result<void>> {
  const { pkg } = draft.epub;
  const before = wordsOf(pkg);
  if (words.identifier && words.identifier !== before.identifier && draft.epub.scrambledFonts)
    return fail('epub-font-key');
  if (words.language !== undefined && !/^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/i.test(words.language))
    return fail('epub-language', { found: words.language });
  if (words.date && !/^\d{4}(-\d{2}(-\d{2})?)?$/.test(words.date)) return fail('epub-date', { found: words.date });
  const set = (element: Element | undefined, name: string, text: string): void => {
    if (element && text) element.textContent = text;
    else if (element) drop(pkg, [element]);
    else if (text) addDc(pkg, name, text);
  };
  if (words.title) set(mainTitle(pkg), 'title', words.title);
  if (words.subtitle !== undefined) putSubtitle(pkg, words.subtitle);
  if (words.subtitle && pkg.version === 2) draft.notes.push(finding('epub-subtitle-left', 'note', null));
  if (words.author !== undefined && words.author !== before.author) putAuthor(pkg, words.author);
  if (words.publisher !== undefined) set(pkg.dc('publisher')[0], 'publisher', words.publisher);
  if (words.language) set(pkg.dc('language')[0], 'language', words.language);
  if (words.date !== undefined) set(pkg.dc('date')[0], 'date', words.date);
  if (words.website !== undefined) set(websiteElement(pkg), 'source', words.website);
  if (words.identifier) {
    const own = identifierElement(pkg);
    if (own) own.textContent = words.identifier;
    else {
      const id = pkg.freeId('book-id');
      addDc(pkg, 'identifier', words.identifier).setAttribute('id', id);
      pkg.doc.documentElement?.setAttribute('unique-identifier', id);
    }
  }
  const after = wordsOf(pkg);
  const fields = ['title', 'subtitle', 'author', 'publisher', 'language', 'identifier', 'date', 'website'] as const;
  for (const field of fields) changed(draft, field, before[field], after[field]);
  if (before.title !== after.title || before.identifier !== after.identifier) await putContents(draft, before, after);
  return ok(undefined);
}

/** Takes elements of the metadata out, with everything that refines them. */
function drop(pkg: Package, elements: readonly Element[]): void {
  for (const element of elements) {
    refinesOf(pkg, element).forEach(remove);
    remove(element);
  }
}

function addDc(pkg: Package, name: string, text: string): Element {
  const metadata = pkg.section('metadata');
  const made = pkg.doc.createElementNS(NS.dc, `dc:${name}`);
  made.textContent = text;
  const alike = pkg.dc(name).at(-1) ?? pkg.dc('title').at(-1);
  if (alike?.parentNode === metadata && alike.nextSibling) {
    const gap = alike.previousSibling?.nodeType === 3 ? alike.previousSibling.cloneNode(false) : null;
    metadata.insertBefore(made, alike.nextSibling);
    if (gap) metadata.insertBefore(gap, made);
  } else append(metadata, made);
  return made;
}

function refine(pkg: Package, element: Element, property: string, value: string): void {
  if (!element.getAttribute('id')) element.setAttribute('id', pkg.freeId(property));
  const meta = pkg.element('meta', { refines: `#${element.getAttribute('id')}`, property });
  meta.textContent = value;
  append(pkg.section('metadata'), meta);
}

/** EPUB 3 has a place for a subtitle. In EPUB 2 a second title is all there is, which readers take for the first: it is left out. */
function putSubtitle(pkg: Package, text: string): void {
  const now = subtitle(pkg);
  if (now && text) now.textContent = text;
  else if (now) drop(pkg, [now]);
  else if (text && pkg.version === 3) {
    const main = mainTitle(pkg);
    if (main && !refined(pkg, main, 'title-type')) refine(pkg, main, 'title-type', 'main');
    refine(pkg, addDc(pkg, 'title', text), 'title-type', 'subtitle');
  }
}

/** One line of authors. A name to sort by that was made for another one goes. */
function putAuthor(pkg: Package, text: string): void {
  const [first, ...others] = authors(pkg);
  drop(pkg, others);
  if (first && text) {
    first.textContent = text;
    first.removeAttributeNS(NS.opf, 'file-as');
    first.removeAttribute('opf:file-as');
    refinesOf(pkg, first)
      .filter((meta) => meta.getAttribute('property') === 'file-as')
      .forEach(remove);
  } else if (first) drop(pkg, [first]);
  else if (text) addDc(pkg, 'creator', text);
}

type Words = ReturnType<typeof wordsOf>;

/** The contents file of EPUB 2 repeats title and identifier; readers show that one. */
async function putContents(draft: Draft, before: Words, after: Words): Promise<void> {
  const { epub } = draft;
  const ncx = epub.pkg.items.find((item) => item.type === 'application/x-dtbncx+xml');
  const doc = ncx && parseMarkup(await readText(epub, ncx.path));
  if (!ncx || !doc) return;
  const title = named(doc, 'docTitle')[0];
  const text = title && named(title, 'text')[0];
  if (text && before.title !== after.title) text.textContent = after.title;
  const uid = named(doc, 'meta').find((meta) => meta.getAttribute('name') === 'dtb:uid');
  if (uid && before.identifier !== after.identifier) uid.setAttribute('content', after.identifier);
  draft.written.set(ncx.path, writeMarkup(doc));
  draft.changes.push({ what: 'contents', before: ncx.path, after: ncx.path });
}
