import { fromMarkdown } from 'mdast-util-from-markdown';
import { gfmFromMarkdown } from 'mdast-util-gfm';
import { gfm } from 'micromark-extension-gfm';
import { type Result, fail, ok } from '../base';
import { type TakenText, type TextDraft, takenFrom } from './draft';
import { MOST_LETTERS } from './manuscript';

/**
 * Reads a text in Markdown (CommonMark with the tables, tick boxes, notes and struck words that GitHub added). HTML within it is left out and
 * said, nothing of it is run. Faults: `text-long`, `text-format`.
 */
export function readMarkdown(source: string): Result<TextDraft> {
  if (source.length > MOST_MARKUP) return fail('text-long', { most: MOST_LETTERS });
  if (nestsTooDeep(source)) return fail('text-format');
  return unlessTooDeep(() => ok({ root: treeOf(source), left: [] }));
}

/** The same taken whole; `known` names the pictures of the title, by their file names. Faults: also `text-empty`. */
export function fromMarkdownText(source: string, known: ReadonlyMap<string, string> = new Map()): Result<TakenText> {
  if (source.length > MOST_LETTERS) return fail('text-long', { most: MOST_LETTERS });
  const read = readMarkdown(source);
  return read.ok ? unlessTooDeep(() => takenFrom(read.value, known)) : read;
}

/** Markup, and signs that stand for themselves, take more room than words do. */
export const MOST_MARKUP = MOST_LETTERS * 8;

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

const treeOf = (source: string): TextDraft['root'] =>
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

/** A plain text: blank lines part paragraphs, lines that begin with a bullet or a number are lists, no other sign means anything. */
export const readPlain = (source: string): Result<TextDraft> =>
  readMarkdown(
    source
      .replace(/^\ufeff/, '')
      .replace(/[\\`*_{}[\]<>()#!|~&:@/]/g, '\\$&')
      .replace(/^[ \t]+/gm, '')
      .replace(/^[•‣◦]\s*/gm, '- ')
      .replace(/^(=+|-{2,}|\++)$/gm, '\\$1'),
  );

/** The same taken whole. Faults: also `text-empty`. */
export function fromPlainText(source: string): Result<TakenText> {
  if (source.length > MOST_LETTERS) return fail('text-long', { most: MOST_LETTERS });
  const read = readPlain(source);
  return read.ok ? unlessTooDeep(() => takenFrom(read.value, new Map())) : read;
}
