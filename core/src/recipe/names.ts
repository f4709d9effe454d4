import { type Fault, beginning, slug } from '../base';
import type { Book } from '../project';

/** Most characters of a file name, its ending included. */
export const MOST_NAME = 100;
const MOST_BYTES = 200;
export const MOST_PATTERN = 120;

/** What a pattern of names may hold between braces. */
export const NAME_FIELDS = ['title', 'author', 'series', 'number', 'store', 'width', 'height'] as const;
type NameField = (typeof NAME_FIELDS)[number];

/** Names that some systems keep for devices. */
const DEVICE = /^(con|prn|aux|nul|com\d|lpt\d)(\.|$)/i;

/** The braces of a pattern that no field fills; empty where it is right. */
export const unknownFields = (pattern: string): string[] =>
  [...pattern.matchAll(/\{([^}]*)\}?/g)]
    .map((m) => m[1])
    .filter((name) => !NAME_FIELDS.some((field) => field === name));

/** Why a pattern names no file. Faults: `names-empty`, `names-unknown` (`name`). */
export function patternFault(pattern: string): Fault | null {
  if (pattern.trim() === '') return { code: 'names-empty', data: {} };
  const [name] = unknownFields(pattern);
  return name === undefined ? null : { code: 'names-unknown', data: { name } };
}

/**
 * A file name from a pattern such as "{title}-{store}-{width}x{height}": fields as `slug` writes them, everything else that
 * a system might refuse made a hyphen, never over 100 characters or 200 bytes, different from the names in `taken` (which it joins).
 */
export function patternName(
  pattern: string,
  fields: Readonly<Record<NameField, string>>,
  ending: string,
  taken: Set<string>,
): string {
  const filled = pattern.replace(/\{(\w+)\}/g, (_, name: string) => {
    const value = fields[name as NameField];
    return value ? slug(value, 80) : '';
  });
  const plain = filled
    .normalize('NFC')
    .replace(/[^\p{L}\p{M}\p{N}._-]+/gu, '-')
    .replace(/-{2,}/g, '-')
    .replace(/^[-._\p{M}]+|[-._]+$/gu, '');
  const stem = DEVICE.test(plain) ? `book-${plain}` : plain || 'book';
  for (let n = 1; ; n++) {
    const tail = `${n === 1 ? '' : `-${n}`}.${ending}`;
    const name = `${beginning(stem, MOST_NAME - tail.length, MOST_BYTES).replace(/[-._]+$/, '')}${tail}`;
    if (taken.has(name.toLowerCase())) continue;
    taken.add(name.toLowerCase());
    return name;
  }
}

/** What a title's folder and pictures are called by: its words, and its number where it is a volume. */
export const titleStem = ({ brief }: Book): string =>
  brief.seriesNumber === null
    ? slug(brief.title, 60)
    : `${slug(brief.title, 50)}-vol-${slug(String(brief.seriesNumber), 8)}`;

export const nameFields = (book: Book, store: string, widthPx: number, heightPx: number) => ({
  title: book.brief.title,
  author: book.brief.author,
  series: book.brief.seriesName,
  number: book.brief.seriesNumber === null ? '' : String(book.brief.seriesNumber),
  store,
  width: String(widthPx),
  height: String(heightPx),
});
