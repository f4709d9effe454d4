import { type Result, fail, ok } from '../base';
import {
  type Chapter,
  type Chosen,
  type Dropped,
  MOST_LETTERS,
  type Manuscript,
  type TextDraft,
  chaptersIn,
  picturesInDraft,
  readDocx,
  readHtml,
  readMarkdown,
  readPlain,
  takenFrom,
  unlessTooDeep,
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

/** A text that is read: what it has, to choose from, before any of its pictures is opened. */
export type TextRead = {
  readonly chapters: readonly Chapter[];
  /** Whether it is a whole book, of which one seldom wants all. */
  readonly isBook: boolean;
  /** Takes the chosen chapters with their pictures. Faults: `text-empty`, `text-long`, and those of `beside`. */
  take(studio: Studio, chosen?: Chosen, onProgress?: (done: number, of: number) => void): Promise<Result<TextTaken>>;
};

/** A file that lies beside the text, by the name that the text gives it; null where it may not or cannot be had. */
export type Beside = (name: string) => Promise<Result<Uint8Array<ArrayBuffer> | null>>;
const nothingBeside: Beside = () => Promise.resolve(ok(null));

/** Endings of the files that a text can come from. */
export const TEXT_ENDINGS = ['md', 'markdown', 'txt', 'html', 'htm', 'docx', 'epub'] as const;

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

/**
 * Reads the text of a file by its ending: Markdown, plain text, HTML, DOCX, or EPUB. Faults: `text-empty`, `text-long`, `text-format`, those of the
 * zip of a DOCX, and those of an EPUB.
 */
export async function readTextFile(
  file: Blob,
  name: string,
  beside: Beside = nothingBeside,
): Promise<Result<TextRead>> {
  const ending = /\.(\w+)$/.exec(name)?.[1].toLowerCase() ?? 'txt';
  if (ending === 'docx') {
    const read = await readDocx(file);
    if (!read.ok) return read;
    const own = new Map(read.value.pictures.map((one) => [one.name, one.bytes]));
    return textRead(readHtml(read.value.html), (one) => Promise.resolve(ok(own.get(one) ?? null)));
  }
  if (ending === 'epub') {
    const book = await readBookText(file);
    if (!book.ok) return book;
    const { html, left, picture } = book.value;
    return textRead(readHtml(html), async (one) => ok(await picture(one)), left);
  }
  if (file.size > MOST_BYTES) return fail('text-long', { most: MOST_LETTERS });
  const source = new TextDecoder('utf-8').decode(new Uint8Array(await file.arrayBuffer()));
  // What is no text has signs that no text has.
  if (source.includes('\u0000')) return fail('text-format');
  if (ending === 'html' || ending === 'htm') return textRead(readHtml(source), beside);
  return textRead(ending === 'md' || ending === 'markdown' ? readMarkdown(source) : readPlain(source), beside);
}

/** `left` is how many pages of a book stay behind; null for what is no book. */
function textRead(draft: Result<TextDraft>, find: Beside, left: number | null = null): Result<TextRead> {
  if (!draft.ok) return draft;
  const read = unlessTooDeep(() => ok(chaptersIn(draft.value)));
  if (!read.ok) return read;
  const chapters = read.value;
  if (chapters.every(({ pieces }) => pieces === 0)) return fail('text-empty');
  return ok({
    chapters,
    isBook: left !== null,
    async take(studio, chosen = null, onProgress = () => {}) {
      // What is too long is refused before a picture is opened.
      const short = takenFrom(draft.value, new Map(), chosen);
      if (!short.ok && short.fault.code === 'text-long') return short;
      const all = new Map<string, TakenPicture>();
      const names = picturesInDraft(draft.value, chosen);
      for (const [i, name] of names.entries()) {
        onProgress(i, names.length);
        const bytes = await find(name);
        if (!bytes.ok) return bytes;
        const picture = bytes.value && (await takePicture(bytes.value, stem(name), studio));
        // What is no picture is left out like one that is not there, and said.
        if (picture?.ok) all.set(name, picture.value);
      }
      const known = new Map([...all].map(([name, { asset }]) => [name, asset.id]));
      const whole = takenFrom(draft.value, known, chosen);
      if (!whole.ok) return whole;
      const { manuscript, dropped } = whole.value;
      return ok({
        manuscript,
        dropped: left ? [...dropped, { kind: 'page', count: left, example: '' }] : dropped,
        pictures: [...all.values()],
      });
    },
  });
}
