import type { Element, Nodes, Text } from 'hast';
import { fromHtml } from 'hast-util-from-html';
import { toMdast } from 'hast-util-to-mdast';
import { type Result, fail, ok } from '../base';
import { type TakenText, type TextDraft, takenFrom } from './draft';
import { MOST_LETTERS } from './manuscript';
import { MOST_MARKUP, unlessTooDeep } from './markdown';

/** What runs, is filled in, or is shown by somebody else's program. */
const LEFT_OUT = new Set([
  'script',
  'style',
  'iframe',
  'object',
  'embed',
  'form',
  'video',
  'audio',
  'svg',
  'canvas',
  'template',
]);

const isElement = (node: Nodes): node is Element => node.type === 'element';

/** Takes out what is left out, as if it were not there, and says how often. */
function without(node: Nodes, found: string[]): void {
  if (!('children' in node)) return;
  const kept = (node.children as Nodes[]).filter((child) => {
    if (!isElement(child) || !LEFT_OUT.has(child.tagName)) return true;
    if (child.tagName !== 'style') found.push(`<${child.tagName}>`);
    return false;
  });
  (node as { children: Nodes[] }).children = kept;
  for (const child of kept) without(child, found);
}

function* elements(node: Nodes): Generator<Element> {
  if (isElement(node)) yield node;
  if ('children' in node) for (const child of node.children as Nodes[]) yield* elements(child);
}

/** Boxes to tick, as they are typed: empty ones, and ticked ones. */
const BOX = /^\s*([\u2610\u25a1\u2751]|[\u2611\u2612\u2713\u2714])\s*/;
const EMPTY = /[\u2610\u25a1\u2751]/;

/** The first words in an element, and what holds them. */
function firstWords(node: Element): Text | null {
  for (const child of node.children) {
    if (child.type === 'text' && child.value.trim()) return child;
    const inner = isElement(child) ? firstWords(child) : null;
    if (inner) return inner;
  }
  return null;
}

const inside = (node: Element): Element[] => node.children.filter(isElement);
const plain = (node: Nodes): string =>
  node.type === 'text' ? node.value : 'children' in node ? (node.children as Nodes[]).map(plain).join('') : '';
const made = (tagName: string, children: Element['children'], properties: Element['properties'] = {}): Element => ({
  type: 'element',
  tagName,
  properties,
  children,
});

/** What pages and ebooks have a way of their own for: boxes to tick, asides that are tips, buttons, pictures with a line below. */
function understood(node: Element): void {
  const { tagName, properties } = node;
  if (tagName === 'li') {
    const first = firstWords(node);
    const box = first && BOX.exec(first.value);
    if (!box) return;
    first.value = first.value.slice(box[0].length);
    const tick = made('input', [], { type: 'checkbox', checked: !EMPTY.test(box[1]) });
    const [held] = inside(node);
    (held?.tagName === 'p' ? held : node).children.unshift(tick);
  } else if (tagName === 'aside') {
    const [first] = inside(node);
    const [lead] = first ? inside(first) : [];
    if (lead && /^(strong|b)$/.test(lead.tagName)) node.tagName = 'blockquote';
  } else if (tagName === 'p') {
    const called = [properties.className]
      .flat()
      .some((name) => /(^|[-_])(button|btn|call|cta)([-_]|$)/.test(String(name)));
    const [link, ...more] = inside(node);
    if (called && link?.tagName === 'a' && more.length === 0) node.children = [made('strong', [link])];
  } else if (tagName === 'figure') {
    const all = [...elements(node)];
    const pictures = all.filter((one) => one.tagName === 'img');
    const captions = all.filter((one) => one.tagName === 'figcaption');
    if (pictures.length !== 1 || captions.length !== 1) return;
    pictures[0].properties.title = plain(captions[0]).replace(/\s+/g, ' ').trim();
    captions[0].children = [];
  }
}

/**
 * Reads a page of the web: its headings, paragraphs, lists, quotations, tables, links and pictures. Nothing in it is run or fetched.
 * Faults: `text-long`, `text-format`.
 */
export function readHtml(source: string): Result<TextDraft> {
  if (source.length > MOST_MARKUP) return fail('text-long', { most: MOST_LETTERS });
  return unlessTooDeep(() => {
    const tree = fromHtml(source.replace(/^\ufeff/, ''));
    const left: string[] = [];
    without(tree, left);
    for (const element of [...elements(tree)]) understood(element);
    const root = toMdast(tree);
    return root.type === 'root' ? ok({ root, left }) : fail('text-format');
  });
}

/** The same taken whole; `known` has the pictures that are there. Faults: also `text-empty`. */
export function fromHtmlText(source: string, known: ReadonlyMap<string, string> = new Map()): Result<TakenText> {
  const read = readHtml(source);
  return read.ok ? unlessTooDeep(() => takenFrom(read.value, known)) : read;
}
