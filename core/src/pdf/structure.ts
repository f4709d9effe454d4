import { type PDFDict, type PDFDocument, PDFName, PDFNumber, type PDFObject, PDFRef } from '@cantoo/pdf-lib';
import type { Tag } from '../booklet';
import { unicodeString } from './font-embed';

type Node = { readonly tag: Tag; readonly ref: PDFRef; readonly kids: (PDFObject | Node)[] };

/** The structure of a tagged file (ISO 32000, 14.7): who reads it aloud follows this, not the places on the page. */
export class Structure {
  readonly #nodes: Node[];
  readonly #root: PDFRef;
  readonly #parents: (readonly [number, PDFRef | readonly PDFRef[]])[] = [];
  readonly #links = new Map<string, Node>();
  #next = 0;

  constructor(
    readonly doc: PDFDocument,
    tags: readonly Tag[],
  ) {
    this.#root = doc.context.nextRef();
    this.#nodes = [];
    for (const tag of tags) this.#add(tag, tag.parent < 0 ? null : this.#nodes[tag.parent]);
  }

  #add(tag: Tag, parent: Node | null): Node {
    const node: Node = { tag, ref: this.doc.context.nextRef(), kids: [] };
    this.#nodes.push(node);
    parent?.kids.push(node);
    return node;
  }

  /** A page's own number in the tree of parents. */
  page(): { readonly key: number; readonly owners: PDFRef[] } {
    const owners: PDFRef[] = [];
    const key = this.#next++;
    this.#parents.push([key, owners]);
    return { key, owners };
  }

  /** What a tag says on a page next: the number of that content there. */
  content(tag: number, link: string | null, page: PDFRef, at: { owners: PDFRef[] }): number {
    const node = link === null || this.#nodes[tag].tag.kind === 'Link' ? this.#nodes[tag] : this.#linkIn(tag, link);
    const mcid = at.owners.length;
    at.owners.push(node.ref);
    const { context } = this.doc;
    node.kids.push(context.obj({ Type: 'MCR', Pg: page, MCID: mcid }));
    return mcid;
  }

  /** A link within a piece of text is a node of its own. */
  #linkIn(tag: number, url: string): Node {
    const key = `${tag} ${url}`;
    const known = this.#links.get(key);
    if (known) return known;
    const made = this.#add({ kind: 'Link', parent: tag }, this.#nodes[tag]);
    this.#links.set(key, made);
    return made;
  }

  /** Ties an annotation to its node: the number that the annotation is told. */
  annotation(tag: number, url: string | null, ref: PDFRef, page: PDFRef): number {
    const node = this.#nodes[tag].tag.kind === 'Link' || url === null ? this.#nodes[tag] : this.#linkIn(tag, url);
    const key = this.#next++;
    node.kids.push(this.doc.context.obj({ Type: 'OBJR', Obj: ref, Pg: page }));
    this.#parents.push([key, node.ref]);
    return key;
  }

  /** Writes the tree. Nodes that say nothing are left out. */
  write(): void {
    const { context, catalog } = this.doc;
    const says = (node: Node): boolean => node.kids.some((kid) => !('tag' in kid) || says(kid));
    const write = (node: Node, parent: PDFRef): PDFRef => {
      const { tag, ref, kids } = node;
      const own = kids.flatMap((kid): PDFObject[] => ('tag' in kid ? (says(kid) ? [write(kid, ref)] : []) : [kid]));
      const dict = context.obj({ Type: 'StructElem', S: tag.kind, P: parent, K: own }) as PDFDict;
      if (tag.alt !== undefined) dict.set(PDFName.of('Alt'), unicodeString(tag.alt));
      if (tag.kind === 'TH') dict.set(PDFName.of('A'), context.obj({ O: 'Table', Scope: 'Column' }));
      context.assign(ref, dict);
      return ref;
    };
    const top = write(this.#nodes[0], this.#root);
    const nums = this.#parents.flatMap(([key, value]) => [
      PDFNumber.of(key),
      value instanceof PDFRef ? value : context.register(context.obj([...value])),
    ]);
    const root = context.obj({
      Type: 'StructTreeRoot',
      K: top,
      ParentTree: { Nums: nums },
      ParentTreeNextKey: this.#next,
    });
    context.assign(this.#root, root);
    catalog.set(PDFName.of('StructTreeRoot'), this.#root);
    catalog.set(PDFName.of('MarkInfo'), context.obj({ Marked: true }));
  }
}
