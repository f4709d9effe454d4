import { type Result, fail, ok } from '../base';
import {
  type Dropped,
  MOST_LETTERS,
  type Manuscript,
  type TakenText,
  fromHtmlText,
  fromMarkdownText,
  fromPlainText,
  picturesInHtml,
  picturesNamed,
  readDocx,
} from '../booklet';
import { readBookText } from '../ebook';
import { type TakenPicture, takePicture } from './take-picture';
import type { Studio } from './studio';

/** A text that was brought, with the pictures that it shows. */
export type TextTaken = {
  readonly manuscript: Manuscript;
  readonly dropped: readonly Dropped[];
  readonly pictures: readonly TakenPicture[];
};

/** A file that lies beside the text, by the name that the text gives it; null where it may not or cannot be had. */
export type Beside = (name: string) => Promise<Result<Uint8Array<ArrayBuffer> | null>>;
const nothingBeside: Beside = () => Promise.resolve(ok(null));

/** Endings of the files that a text can come from. */
export const TEXT_ENDINGS = ['md', 'markdown', 'txt', 'html', 'htm', 'docx', 'epub'] as const;

type Kind = 'html' | 'markdown' | 'plain';
const KINDS: Readonly<Record<string, Kind | undefined>> = {
  md: 'markdown',
  markdown: 'markdown',
  html: 'html',
  htm: 'html',
};

/** Signs of a letter take at most four bytes, and markup more signs than words. */
const MOST_BYTES = MOST_LETTERS * 8;

/** A name as it lies on a disk; one that is no address is as it is written. */
export function plainName(name: string): string {
  try {
    return decodeURIComponent(name);
  } catch {
    return name;
  }
}

const stem = (name: string): string => /([^/]+?)(\.\w+)?$/.exec(plainName(name))?.[1] ?? name;

async function takeAll(
  names: readonly string[],
  studio: Studio,
  find: Beside,
): Promise<Result<ReadonlyMap<string, TakenPicture>>> {
  const all = new Map<string, TakenPicture>();
  for (const name of names) {
    const bytes = await find(name);
    if (!bytes.ok) return bytes;
    const picture = bytes.value && (await takePicture(bytes.value, stem(name), studio));
    // What is no picture is left out like one that is not there, and said.
    if (picture?.ok) all.set(name, picture.value);
  }
  return ok(all);
}

/**
 * Takes the text of a file by its ending: Markdown, plain text, HTML, DOCX, or EPUB. Faults: `text-empty`, `text-long`, `text-format`, those of the zip
 * of a DOCX, those of an EPUB, and those of `beside`.
 */
export async function takeText(
  file: Blob,
  name: string,
  studio: Studio,
  beside: Beside = nothingBeside,
): Promise<Result<TextTaken>> {
  const ending = /\.(\w+)$/.exec(name)?.[1].toLowerCase() ?? 'txt';
  if (ending === 'docx') {
    const read = await readDocx(file);
    if (!read.ok) return read;
    const own = new Map(read.value.pictures.map((one) => [one.name, one.bytes]));
    return joined(read.value.html, 'html', studio, [...own.keys()], (one) => Promise.resolve(ok(own.get(one) ?? null)));
  }
  if (ending === 'epub') return fromEpub(file, studio);
  if (file.size > MOST_BYTES) return fail('text-long', { most: MOST_LETTERS });
  const source = new TextDecoder('utf-8').decode(new Uint8Array(await file.arrayBuffer()));
  // What is no text has signs that no text has.
  if (source.includes('\u0000')) return fail('text-format');
  const kind = KINDS[ending] ?? 'plain';
  const named = kind === 'html' ? picturesInHtml(source) : kind === 'markdown' ? picturesNamed(source) : ok([]);
  return named.ok ? joined(source, kind, studio, named.value, beside) : named;
}

async function fromEpub(file: Blob, studio: Studio): Promise<Result<TextTaken>> {
  const book = await readBookText(file);
  if (!book.ok) return book;
  const { html, left, picture } = book.value;
  const named = picturesInHtml(html);
  if (!named.ok) return named;
  const read = await joined(html, 'html', studio, named.value, async (name) => ok(await picture(name)));
  if (!read.ok || left === 0) return read;
  return ok({ ...read.value, dropped: [...read.value.dropped, { kind: 'page', count: left, example: '' }] });
}

async function joined(
  source: string,
  kind: Kind,
  studio: Studio,
  names: readonly string[],
  find: Beside,
): Promise<Result<TextTaken>> {
  const pictures = await takeAll(names, studio, find);
  if (!pictures.ok) return pictures;
  const known = new Map([...pictures.value].map(([name, { asset }]) => [name, asset.id]));
  const read: Result<TakenText> =
    kind === 'html'
      ? fromHtmlText(source, known)
      : kind === 'markdown'
        ? fromMarkdownText(source, known)
        : fromPlainText(source);
  return read.ok ? ok({ ...read.value, pictures: [...pictures.value.values()] }) : read;
}
