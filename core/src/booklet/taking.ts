import type { Image, ImageReference, Nodes, Parents, Root, RootContent } from 'mdast';
import { safeLink } from './link';
import { type Block, type Span, textOf } from './manuscript';

/** What of a text could not be taken, each kind with how often and its first words. */
export type Dropped = { readonly kind: DroppedKind; readonly count: number; readonly example: string };
export const DROPPED = ['html', 'picture', 'code', 'struck', 'depth', 'page'] as const;
export type DroppedKind = (typeof DROPPED)[number];

type Style = Omit<Span, 'text'>;
const PLAIN: Style = { em: false, strong: false, link: null };
const EXAMPLE = 60;
/** Blocks within blocks. Deeper ones are set as plain paragraphs. */
const DEEPEST = 4;

/** The address under which a tree shows a picture; a definition stands anywhere in it. */
export const addressOf = (node: Image | ImageReference, definitions: ReadonlyMap<string, string>): string =>
  node.type === 'image' ? node.url : (definitions.get(node.identifier) ?? '');

/** All that a tree holds, from its root down. */
export function* nodesIn(node: Nodes): Generator<Nodes> {
  yield node;
  if ('children' in node) for (const child of (node as Parents).children) yield* nodesIn(child);
}

/** The addresses that a tree names once, for many places. */
export const definitionsIn = (root: Root): Map<string, string> =>
  new Map([...nodesIn(root)].flatMap((node) => (node.type === 'definition' ? [[node.identifier, node.url]] : [])));

/** Takes the pieces of a tree into blocks, and keeps account of what it leaves out. */
export class Taking {
  readonly #dropped = new Map<DroppedKind, { count: number; example: string }>();
  readonly #notes = new Map<string, number>();
  readonly #definitions: ReadonlyMap<string, string>;
  readonly #noteBlocks = new Map<string, readonly RootContent[]>();

  constructor(
    root: Root,
    readonly known: ReadonlyMap<string, string>,
  ) {
    this.#definitions = definitionsIn(root);
    for (const node of nodesIn(root))
      if (node.type === 'footnoteDefinition') this.#noteBlocks.set(node.identifier, node.children);
  }

  drop(kind: DroppedKind, text: string): void {
    const entry = this.#dropped.get(kind);
    if (entry) entry.count++;
    else this.#dropped.set(kind, { count: 1, example: text.trim().slice(0, EXAMPLE) });
  }

  get dropped(): Dropped[] {
    return [...this.#dropped].map(([kind, entry]) => ({ kind, ...entry }));
  }

  /** Notes in the order in which they are first called; those that nobody calls come last, where all are asked for. */
  notes(all: boolean): Block[] {
    if (all) for (const id of this.#noteBlocks.keys()) this.#number(id);
    const items = [...this.#notes.keys()].map((id) => ({
      checked: null,
      blocks: this.blocks(this.#noteBlocks.get(id) ?? [], 1),
    }));
    return items.length > 0 ? [{ kind: 'pause' }, { kind: 'list', ordered: true, start: 1, items }] : [];
  }

  #number(id: string): number {
    const known = this.#notes.get(id);
    if (known) return known;
    this.#notes.set(id, this.#notes.size + 1);
    return this.#notes.size;
  }

  spans(nodes: readonly Nodes[], style: Style = PLAIN): Span[] {
    return nodes.flatMap((node): Span[] => {
      switch (node.type) {
        case 'text':
          return [{ ...style, text: node.value.replace(/\s*\n\s*/g, ' ') }];
        case 'emphasis':
          return this.spans(node.children, { ...style, em: true });
        case 'strong':
          return this.spans(node.children, { ...style, strong: true });
        case 'delete':
          this.drop('struck', textIn(node));
          return this.spans(node.children, style);
        case 'inlineCode':
          this.drop('code', node.value);
          return [{ ...style, text: node.value }];
        case 'break':
          return [{ ...style, text: '\n' }];
        case 'link':
          return this.spans(node.children, { ...style, link: safeLink(node.url) });
        case 'linkReference':
          return this.spans(node.children, {
            ...style,
            link: safeLink(this.#definitions.get(node.identifier) ?? ''),
          });
        case 'footnoteReference':
          return [{ ...style, text: superscript(this.#number(node.identifier)) }];
        case 'html':
          if (/^<br\s*\/?>$/i.test(node.value)) return [{ ...style, text: '\n' }];
          this.drop('html', node.value);
          return [];
        case 'image':
        case 'imageReference':
          // One that is there stands after its paragraph.
          if (this.#assetOf(node)) return [];
          this.drop('picture', node.alt || this.#addressOf(node));
          return node.alt ? [{ ...style, text: node.alt }] : [];
        default:
          return 'children' in node ? this.spans((node as Parents).children, style) : [];
      }
    });
  }

  blocks(nodes: readonly RootContent[], depth = 0): Block[] {
    return nodes.flatMap((node): Block[] => {
      if (depth > DEEPEST && 'children' in node && node.type !== 'paragraph') {
        this.drop('depth', textIn(node));
        return paragraph(this.spans([{ type: 'text', value: textIn(node) }]));
      }
      switch (node.type) {
        case 'heading': {
          const spans = tidy(this.spans(node.children));
          const level = Math.min(3, node.depth) as 1 | 2 | 3;
          return spans.length > 0 ? [{ kind: 'heading', level, spans }] : [];
        }
        case 'paragraph':
          return this.#paragraph(node.children);
        case 'list': {
          // A list has boxes or it has none.
          const ticks = node.children.some(({ checked }) => typeof checked === 'boolean');
          return [
            {
              kind: 'list',
              ordered: node.ordered ?? false,
              start: Math.min(100_000, Math.max(0, node.start ?? 1)),
              items: node.children.map((item) => ({
                checked: ticks ? (item.checked ?? false) : null,
                blocks: this.blocks(item.children, depth + 1),
              })),
            },
          ];
        }
        case 'blockquote': {
          const blocks = this.blocks(node.children, depth + 1);
          const tip = asTip(blocks);
          return tip ? [{ kind: 'tip', blocks: tip }] : [{ kind: 'quote', blocks }];
        }
        case 'table': {
          const [head, ...rows] = node.children.map((row) =>
            row.children.map((cell) => tidy(this.spans(cell.children))),
          );
          return [{ kind: 'table', head: head ?? [], rows }];
        }
        case 'code':
          this.drop('code', node.value);
          return node.value
            .split('\n')
            .filter((line) => line.trim())
            .flatMap((line) => paragraph([{ ...PLAIN, text: line }]));
        case 'thematicBreak':
          return [{ kind: 'pause' }];
        case 'html':
          if (!/^<!--[\s\S]*-->$/.test(node.value.trim())) this.drop('html', node.value);
          return [];
        default:
          return [];
      }
    });
  }

  /** A paragraph, and the pictures in it after it; one that is one strong link is a button. */
  #paragraph(nodes: readonly Nodes[]): Block[] {
    const pictures = nodes.flatMap((node) => this.#pictures(node));
    const spans = tidy(this.spans(nodes));
    const [one] = spans;
    if (spans.length === 1 && one.strong && one.link !== null)
      return [{ kind: 'button', label: one.text.slice(0, 200), url: one.link }, ...pictures];
    return [...paragraph(spans), ...pictures];
  }

  #addressOf(node: Image | ImageReference): string {
    return addressOf(node, this.#definitions);
  }

  #assetOf(node: Image | ImageReference): string | undefined {
    return this.known.get(this.#addressOf(node));
  }

  /** The pictures within a piece of text that are there; of those that are not the lines below them. */
  #pictures(node: Nodes): Block[] {
    if (node.type !== 'image' && node.type !== 'imageReference')
      return 'children' in node ? (node as Parents).children.flatMap((child) => this.#pictures(child)) : [];
    const asset = this.#assetOf(node);
    const caption = node.type === 'image' && node.title ? [{ ...PLAIN, text: node.title }] : [];
    if (!asset) return paragraph(caption);
    return [{ kind: 'picture', asset, alt: node.alt ?? '', caption, width: 'column' }];
  }
}

const paragraph = (spans: Span[]): Block[] => (textOf(spans).trim() ? [{ kind: 'paragraph', spans }] : []);

/** Spans that are set alike joined, no white at either end. */
function tidy(spans: readonly Span[]): Span[] {
  const out: Span[] = [];
  for (const span of spans) {
    const before = out.at(-1);
    const alike = before && before.em === span.em && before.strong === span.strong && before.link === span.link;
    if (alike) out[out.length - 1] = { ...before, text: before.text + span.text };
    else if (span.text) out.push(span);
  }
  if (out.length > 0) {
    out[0] = { ...out[0], text: out[0].text.trimStart() };
    out[out.length - 1] = { ...out[out.length - 1], text: out[out.length - 1].text.trimEnd() };
  }
  return out.filter(({ text }) => text);
}

/** "Tip: ..." and "[!TIP] ..." in a quotation are advice; null is a quotation. */
function asTip(blocks: readonly Block[]): Block[] | null {
  const [first, ...rest] = blocks;
  if (first?.kind !== 'paragraph') return null;
  const [lead, ...spans] = first.spans;
  const alert = lead && /^\[!(tip|note|important|warning|caution)\]\s*/i.exec(lead.text);
  if (alert) return [...paragraph(tidy([{ ...lead, text: lead.text.slice(alert[0].length) }, ...spans])), ...rest];
  return lead?.strong && /[:.]\s*$/.test(lead.text) ? [...blocks] : null;
}

const DIGITS = '⁰¹²³⁴⁵⁶⁷⁸⁹';
const superscript = (n: number): string => [...String(n)].map((digit) => DIGITS[Number(digit)]).join('');

export function textIn(node: Nodes): string {
  if ('value' in node) return node.value;
  return 'children' in node ? (node as Parents).children.map(textIn).join(' ') : '';
}
