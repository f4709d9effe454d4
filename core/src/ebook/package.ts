import type { Document, Element } from '@xmldom/xmldom';
import { NS, append, named, parseMarkup, words } from './markup';
import { hrefTo, resolveHref } from './paths';

/** A line of the manifest. */
export type Item = {
  readonly element: Element;
  readonly id: string;
  /** The file it names, within the book. */
  readonly path: string;
  readonly type: string;
  readonly properties: readonly string[];
};

/** The package document of a book, as XML that can be edited in place. */
export class Package {
  constructor(
    readonly doc: Document,
    readonly path: string,
    readonly exists: (path: string) => boolean,
  ) {}

  get version(): 2 | 3 {
    return (this.doc.documentElement?.getAttribute('version') ?? '').startsWith('3') ? 3 : 2;
  }
  /** The section of that name; made where it is missing. */
  section(name: 'metadata' | 'manifest' | 'spine' | 'guide'): Element {
    const found = named(this.doc, name)[0];
    if (found) return found;
    const made = this.element(name);
    append(this.doc.documentElement as Element, made);
    return made;
  }
  has(name: 'guide'): boolean {
    return named(this.doc, name).length > 0;
  }
  get items(): Item[] {
    return named(this.doc, 'item').map((element) => ({
      element,
      id: element.getAttribute('id') ?? '',
      path: resolveHref(this.path, element.getAttribute('href') ?? '', this.exists) ?? '',
      type: (element.getAttribute('media-type') ?? '').trim().toLowerCase(),
      properties: words(element.getAttribute('properties')),
    }));
  }
  itemAt(path: string): Item | undefined {
    return this.items.find((item) => item.path === path);
  }
  item(id: string): Item | undefined {
    return this.items.find((item) => item.id === id);
  }
  get spine(): { element: Element; item: Item | undefined }[] {
    const byId = new Map(this.items.map((item) => [item.id, item]));
    return named(this.doc, 'itemref').map((element) => ({
      element,
      item: byId.get(element.getAttribute('idref') ?? ''),
    }));
  }
  get metas(): Element[] {
    return named(this.section('metadata'), 'meta');
  }
  get references(): Element[] {
    return this.has('guide') ? named(this.section('guide'), 'reference') : [];
  }
  /** Elements of Dublin Core of a name, in any spelling of the namespace. */
  dc(name: string): Element[] {
    return named(this.section('metadata'), name);
  }
  get fixedLayout(): boolean {
    return this.metas.some(
      (m) => m.getAttribute('property') === 'rendition:layout' && m.textContent?.trim() === 'pre-paginated',
    );
  }

  /** A new element in the namespace that the package itself is in. */
  element(name: string, attributes: Readonly<Record<string, string>> = {}): Element {
    const made = this.doc.createElementNS(this.doc.documentElement?.namespaceURI ?? NS.opf, this.#prefixed(name));
    for (const [key, value] of Object.entries(attributes)) made.setAttribute(key, value);
    return made;
  }
  #prefixed(name: string): string {
    const prefix = this.doc.documentElement?.prefix;
    return prefix ? `${prefix}:${name}` : name;
  }
  addItem(id: string, path: string, type: string): Element {
    const made = this.element('item', { id, href: hrefTo(this.path, path), 'media-type': type });
    append(this.section('manifest'), made);
    return made;
  }
  /** An id that nothing in the package has. */
  freeId(wanted: string): string {
    const taken = new Set<string>();
    const walk = (node: Element): void => {
      for (const child of Array.from(node.childNodes)) {
        const one = child as Element;
        if (one.nodeType !== 1) continue;
        const id = one.getAttribute('id');
        if (id) taken.add(id);
        walk(one);
      }
    };
    if (this.doc.documentElement) walk(this.doc.documentElement);
    for (let n = 1; ; n++) {
      const id = n === 1 ? wanted : `${wanted}-${n}`;
      if (!taken.has(id)) return id;
    }
  }
}

/** Null where the text is no package document. */
export function readPackage(text: string | null, path: string, exists: (path: string) => boolean): Package | null {
  const doc = parseMarkup(text);
  if (!doc || (doc.documentElement?.localName ?? doc.documentElement?.nodeName) !== 'package') return null;
  if (named(doc, 'manifest').length === 0) return null;
  return new Package(doc, path, exists);
}
