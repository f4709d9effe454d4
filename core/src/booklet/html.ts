import type { Element, Nodes } from 'hast';
import { fromHtml } from 'hast-util-from-html';
import { toMdast } from 'hast-util-to-mdast';
import { type Result, fail, ok } from '../base';
import { type TakenText, taken, unlessTooDeep } from './markdown';
import { MOST_LETTERS } from './manuscript';

/** Markup takes more signs than words do. */
const MOST_MARKUP = MOST_LETTERS * 8;
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

/** The pictures that a page shows, as it names them, each once. Faults: `text-long`, `text-format`. */
export function picturesInHtml(source: string): Result<string[]> {
  if (source.length > MOST_MARKUP) return fail('text-long', { most: MOST_LETTERS });
  return unlessTooDeep(() => {
    const named = new Set<string>();
    for (const { tagName, properties } of elements(fromHtml(source)))
      if (tagName === 'img' && typeof properties.src === 'string') named.add(properties.src);
    return ok([...named]);
  });
}

/**
 * A page of the web as a text: its headings, paragraphs, lists, quotations, tables, links and known pictures. Nothing in it is run or fetched.
 * Faults: `text-empty`, `text-long`, `text-format`.
 */
export function fromHtmlText(source: string, known: ReadonlyMap<string, string> = new Map()): Result<TakenText> {
  if (source.length > MOST_MARKUP) return fail('text-long', { most: MOST_LETTERS });
  return unlessTooDeep(() => {
    const tree = fromHtml(source.replace(/^\ufeff/, ''));
    const found: string[] = [];
    without(tree, found);
    const root = toMdast(tree);
    return root.type === 'root' ? taken(root, known, found) : fail('text-format');
  });
}
