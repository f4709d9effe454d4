import type { Document, Element, Node } from '@xmldom/xmldom';
import { type NamePlace, type Spot, type Standing, textSpot } from '../renaming';
import { NS, named } from './markup';

/** Elements that stand within a line: a name may run on over their edges. */
const INLINE = new Set(
  'a abbr b bdi bdo big cite code del dfn em font i ins kbd label mark q rb ruby s samp small span strike strong sub sup time tspan tt u var'.split(
    ' ',
  ),
);
const UNREAD = new Set(['script', 'style', 'template', 'rt', 'rp', 'head']);
const HEADINGS = new Set(['h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'caption', 'legend', 'summary']);
const SAID = ['alt', 'title', 'aria-label', 'summary'] as const;

const OUTWARD = /^\s*(https?|mailto):/i;

const nameOf = (element: Element): string => (element.localName ?? element.nodeName).toLowerCase();

type Piece = { readonly node: Node; readonly start: number };

/** Letters of one block, over all the elements within its lines. */
class Block {
  text = '';
  readonly pieces: Piece[] = [];
  constructor(readonly place: NamePlace) {}

  add(node: Node): void {
    this.pieces.push({ node, start: this.text.length });
    this.text += node.nodeValue ?? '';
  }
  gap(): void {
    this.text += '\n';
  }
  put(start: number, end: number, words: string): void {
    const over = this.pieces.filter(({ node, start: own }) => {
      const length = (node.nodeValue ?? '').length;
      return own < end && start < own + length;
    });
    // An initial that is set apart stays one: the next letters go on beside it.
    const [first, second] = over;
    const own = first ? (first.node.nodeValue ?? '').trim() : '';
    const initial = second && [...own].length === 1 && start <= first.start + 1 ? [...words][0] : null;
    for (const { node, start: at } of [...over].reverse()) {
      const value = node.nodeValue ?? '';
      const [from, to] = [Math.max(0, start - at), Math.min(value.length, end - at)];
      const mine =
        node === first.node
          ? (initial ?? words)
          : initial !== null && node === second.node
            ? words.slice(initial.length)
            : '';
      node.nodeValue = value.slice(0, from) + mine + value.slice(to);
    }
  }
}

const spotOf = (block: Block): Spot => ({
  place: block.place,
  standing: 'prose',
  text: block.text,
  put: (start, end, words) => block.put(start, end, words),
});

const attribute = (element: Element, name: string, place: NamePlace, standing: Standing): Spot[] =>
  textSpot(
    place,
    standing,
    () => element.getAttribute(name),
    (text) => element.setAttribute(name, text),
  );

const content = (element: Element, place: NamePlace, standing: Standing): Spot[] =>
  textSpot(
    place,
    standing,
    () => element.textContent,
    (text) => void (element.textContent = text),
  );

/** All places of a page that people read, hear or follow, in the order of the page. */
export function pageSpots(doc: Document, contents: boolean): Spot[] {
  const spots: Spot[] = [];
  const root = doc.documentElement;
  if (!root) return spots;
  for (const title of named(root, 'title'))
    if (nameOf(title.parentNode as Element) === 'head') spots.push(...content(title, 'page-title', 'prose'));
  for (const meta of named(root, 'meta'))
    if (/^(author|description|keywords|publisher|dc\..*)$/i.test(meta.getAttribute('name') ?? ''))
      spots.push(...attribute(meta, 'content', 'metadata', 'label'));
  let block: Block | null = null;
  const flush = (): void => {
    if (block?.text.trim()) spots.push(spotOf(block));
    block = null;
  };
  const walk = (element: Element, place: NamePlace): void => {
    const name = nameOf(element);
    if (UNREAD.has(name)) return;
    for (const key of SAID) spots.push(...attribute(element, key, 'alt', 'prose'));
    if (name === 'a' || name === 'area') {
      for (const key of ['href', 'xlink:href'])
        // Links within the book lead to files and marks that keep their names.
        if (OUTWARD.test(element.getAttribute(key) ?? '')) spots.push(...attribute(element, key, 'link', 'prose'));
    }
    if (name === 'br') {
      block?.gap();
      return;
    }
    const inline = INLINE.has(name);
    if (!inline) flush();
    const own = contents ? 'contents' : HEADINGS.has(name) ? 'heading' : place;
    for (const child of Array.from(element.childNodes)) {
      if (child.nodeType === 3 || child.nodeType === 4) (block ??= new Block(own)).add(child);
      else if (child.nodeType === 1) walk(child as Element, own);
    }
    if (!inline) flush();
  };
  for (const body of named(root, 'body')) walk(body, 'text');
  flush();
  return spots;
}

/** What the contents file of EPUB 2 says: titles, authors, labels. */
export const contentsSpots = (doc: Document): Spot[] =>
  named(doc, 'text').flatMap((element) => {
    const of = nameOf(element.parentNode as Element);
    return content(element, 'contents', of === 'doctitle' || of === 'docauthor' ? 'label' : 'prose');
  });

/** Elements of Dublin Core that hold no words. */
const UNNAMED = new Set(['identifier', 'date', 'language', 'format', 'type']);
const PROSE = new Set(['description', 'rights', 'subject', 'coverage', 'relation']);

/** What the package says of the book, its parts and its people. */
export function packageSpots(doc: Document): Spot[] {
  const spots: Spot[] = [];
  for (const metadata of named(doc, 'metadata').slice(0, 1))
    for (const element of Array.from(metadata.childNodes) as Element[]) {
      if (element.nodeType !== 1) continue;
      const name = nameOf(element);
      if (name === 'meta') {
        if (element.getAttribute('name') !== 'cover' && element.getAttribute('property') !== 'dcterms:modified')
          spots.push(...attribute(element, 'content', 'metadata', 'label'), ...content(element, 'metadata', 'label'));
      } else if (element.namespaceURI === NS.dc && !UNNAMED.has(name)) {
        spots.push(...content(element, 'metadata', PROSE.has(name) ? 'prose' : 'label'));
        for (const key of ['opf:file-as', 'file-as']) spots.push(...attribute(element, key, 'metadata', 'label'));
      }
    }
  for (const reference of named(doc, 'reference')) spots.push(...attribute(reference, 'title', 'contents', 'prose'));
  return spots;
}
