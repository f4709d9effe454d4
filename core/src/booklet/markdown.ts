import { fromMarkdown } from 'mdast-util-from-markdown';
import { gfmFromMarkdown } from 'mdast-util-gfm';
import { gfm } from 'micromark-extension-gfm';
import type { Image, ImageReference, Nodes, Parents, Root, RootContent } from 'mdast';
import { type Result, fail, ok } from '../base';
import { safeLink } from './link';
import { type Block, MOST_BLOCKS, MOST_LETTERS, Manuscript, type Span, allBlocks, textOf } from './manuscript';

/** What of a text could not be taken, each kind with how often and its first words. */
export type Dropped = { readonly kind: DroppedKind; readonly count: number; readonly example: string };
export const DROPPED = ['html', 'picture', 'code', 'struck', 'depth', 'page'] as const;
export type DroppedKind = (typeof DROPPED)[number];

export type TakenText = { readonly manuscript: Manuscript; readonly dropped: readonly Dropped[] };

type Style = Omit<Span, 'text'>;
const PLAIN: Style = { em: false, strong: false, link: null };
const EXAMPLE = 60;
/** Blocks within blocks. Deeper ones are set as plain paragraphs. */
const DEEPEST = 4;

/**
 * A text in Markdown (CommonMark with the tables, tick boxes, notes and struck words that GitHub added). HTML within it is left out and said,
 * nothing of it is run. `known` names the pictures of the title, by their file names. Faults: `text-empty`, `text-long`, `text-format`.
 */
export function fromMarkdownText(source: string, known: ReadonlyMap<string, string> = new Map()): Result<TakenText> {
  if (source.length > MOST_LETTERS) return fail('text-long', { most: MOST_LETTERS });
  if (nestsTooDeep(source)) return fail('text-format');
  return unlessTooDeep(() => taken(treeOf(source), known));
}

/** How many lists and how many quotations may begin in one line, and how far in: a book has far fewer, an attack far more. */
const MOST_LISTS = 80;
const MOST_QUOTES = 1000;
const FAR_IN = /[ \t]{320}/;

/** True where pieces lie in each other beyond all books: told by how lines begin, for reading them takes the longer the deeper they lie. */
function nestsTooDeep(source: string): boolean {
  for (const [begin] of source.matchAll(/^(?:[ \t]|[>*+-](?=[ \t>]|$)|\d{1,9}[.)](?=[ \t]|$))+/gm)) {
    const lists = begin.replace(/[^*+.)-]/g, '').length;
    const quotes = begin.replace(/[^>]/g, '').length;
    if (lists > MOST_LISTS || quotes > MOST_QUOTES || FAR_IN.test(begin)) return true;
  }
  return false;
}

const treeOf = (source: string): Root =>
  fromMarkdown(source.replace(/^\ufeff/, ''), {
    extensions: [gfm({ singleTilde: false })],
    mdastExtensions: [gfmFromMarkdown()],
  });

/** What is nested so deep that it cannot be followed is no text. Fault: `text-format`. */
export function unlessTooDeep<T>(read: () => Result<T>): Result<T> {
  try {
    return read();
  } catch (error) {
    if (error instanceof RangeError) return fail('text-format');
    throw error;
  }
}

/** The files that a text in Markdown shows as pictures, as it names them, each once. Faults: `text-long`, `text-format`. */
export function picturesNamed(source: string): Result<string[]> {
  if (source.length > MOST_LETTERS) return fail('text-long', { most: MOST_LETTERS });
  if (nestsTooDeep(source)) return fail('text-format');
  return unlessTooDeep(() => {
    const named = new Set<string>();
    const definitions = new Map<string, string>();
    const references: string[] = [];
    const walk = (node: Nodes): void => {
      if (node.type === 'image') named.add(node.url);
      if (node.type === 'imageReference') references.push(node.identifier);
      if (node.type === 'definition') definitions.set(node.identifier, node.url);
      if ('children' in node) for (const child of (node as Parents).children) walk(child);
    };
    walk(treeOf(source));
    for (const one of references) named.add(definitions.get(one) ?? '');
    return ok([...named].filter(Boolean));
  });
}

/** A plain text: blank lines part paragraphs, lines that begin with a bullet or a number are lists, no other sign means anything. */
export function fromPlainText(source: string): Result<TakenText> {
  if (source.length > MOST_LETTERS) return fail('text-long', { most: MOST_LETTERS });
  const escaped = source
    .replace(/^\ufeff/, '')
    .replace(/[\\`*_{}[\]<>()#!|~&:@/]/g, '\\$&')
    .replace(/^[ \t]+/gm, '')
    .replace(/^[•‣◦]\s*/gm, '- ')
    .replace(/^(=+|-{2,}|\++)$/gm, '\\$1');
  return fromMarkdownText(escaped);
}

class Taking {
  readonly #dropped = new Map<DroppedKind, { count: number; example: string }>();
  readonly #notes = new Map<string, number>();
  readonly #definitions = new Map<string, string>();
  readonly #noteBlocks = new Map<string, readonly RootContent[]>();

  constructor(
    root: Root,
    readonly known: ReadonlyMap<string, string>,
  ) {
    const walk = (node: Nodes): void => {
      if (node.type === 'definition') this.#definitions.set(node.identifier, node.url);
      if (node.type === 'footnoteDefinition') this.#noteBlocks.set(node.identifier, node.children);
      if ('children' in node) for (const child of (node as Parents).children) walk(child);
    };
    walk(root);
  }

  drop(kind: DroppedKind, text: string): void {
    const entry = this.#dropped.get(kind);
    if (entry) entry.count++;
    else this.#dropped.set(kind, { count: 1, example: text.trim().slice(0, EXAMPLE) });
  }

  get dropped(): Dropped[] {
    return [...this.#dropped].map(([kind, entry]) => ({ kind, ...entry }));
  }

  /** Notes in the order in which they are first called; those that nobody calls come last. */
  notes(): Block[] {
    for (const id of this.#noteBlocks.keys()) this.#number(id);
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
    return node.type === 'image' ? node.url : (this.#definitions.get(node.identifier) ?? '');
  }

  #assetOf(node: Image | ImageReference): string | undefined {
    return this.known.get(this.#addressOf(node));
  }

  /** The pictures within a piece of text that are there. */
  #pictures(node: Nodes): Block[] {
    if (node.type !== 'image' && node.type !== 'imageReference')
      return 'children' in node ? (node as Parents).children.flatMap((child) => this.#pictures(child)) : [];
    const asset = this.#assetOf(node);
    if (!asset) return [];
    const caption = node.type === 'image' && node.title ? [{ ...PLAIN, text: node.title }] : [];
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

function textIn(node: Nodes): string {
  if ('value' in node) return node.value;
  return 'children' in node ? (node as Parents).children.map(textIn).join(' ') : '';
}

/** A tree of Markdown as a text; `left` is what was left out before. Faults: `text-empty`, `text-long`. */
export function taken(root: Root, known: ReadonlyMap<string, string>, left: readonly string[] = []): Result<TakenText> {
  const taking = new Taking(root, known);
  for (const one of left) taking.drop('html', one);
  const blocks = [...taking.blocks(root.children), ...taking.notes()];
  if (blocks.length === 0) return fail('text-empty');
  if (allBlocks(blocks).length > MOST_BLOCKS) return fail('text-long', { most: MOST_LETTERS });
  // A table or a list of more than can be kept.
  const kept = Manuscript.safeParse({ blocks });
  return kept.success
    ? ok({ manuscript: kept.data, dropped: taking.dropped })
    : fail('text-long', { most: MOST_LETTERS });
}
