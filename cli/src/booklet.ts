import { basename, dirname, isAbsolute, join, normalize } from 'node:path';
import { type Result, fail, ok } from '@yosomi/core/base';
import { type Chapter, LOOK_IDS, type Manuscript, SHEET_IDS, type SheetId, newBooklet } from '@yosomi/core/booklet';
import type { Project } from '@yosomi/core/project';
import { type Beside, bookletFileOf, plainName, readTextFile } from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import type { Arguments } from './arguments';
import { type Command, done, flag } from './command';
import { readBytes, readProject, writeBytes } from './files';

/** One of the values that an option may have; `missed` where it is not given. Fault: `flag-value`. */
function choice<T extends string>(args: Arguments, name: string, values: readonly T[], missed: T): Result<T> {
  const given = args.flags.get(name);
  if (given === undefined) return ok(missed);
  const found = values.find((value) => value === given);
  return found ? ok(found) : fail('flag-value', { flag: name, found: given, wanted: values.join(', ') });
}

/** Files beside a text or in folders under it; others are none. Fault: `text-picture`. */
const filesBeside =
  (file: string): Beside =>
  (name) => {
    const path = normalize(plainName(name));
    if (/^\w+:/.test(name) || isAbsolute(path) || path.startsWith('..')) return Promise.resolve(ok(null));
    const bytes = readBytes(join(dirname(file), path));
    return Promise.resolve(bytes.ok ? bytes : fail('text-picture', { name }));
  };

type Taken = { readonly project: Project; readonly manuscript: Manuscript; readonly said: string };

/** Chapters by their numbers, such as "1-3,5"; null for all. Fault: `text-chapters`, with the chapters that there are. */
function chosenOf(wanted: string | undefined, chapters: readonly Chapter[]): Result<ReadonlySet<number> | null> {
  if (wanted === undefined) return ok(null);
  const chosen = new Set<number>();
  for (const part of wanted.split(',')) {
    const [, from, to = from] = /^\s*(\d{1,4})\s*(?:-\s*(\d{1,4})\s*)?$/.exec(part) ?? [];
    if (from === undefined || Number(from) < 1 || Number(to) > chapters.length || Number(to) < Number(from))
      return fail('text-chapters', { found: wanted, chapters: listOf(chapters) });
    for (let n = Number(from); n <= Number(to); n++) chosen.add(n - 1);
  }
  return ok(chosen);
}

const listOf = (chapters: readonly Chapter[]): string =>
  chapters.map(({ title, words }, i) => `\n  ${i + 1}  ${title || '(no heading)'}, ${words} words`).join('');

/** The text of a file, or some chapters of it, with their pictures, laid into a title. */
async function takeFile(file: string, project: Project, wanted: string | undefined): Promise<Result<Taken>> {
  const bytes = readBytes(file);
  if (!bytes.ok) return bytes;
  const read = await readTextFile(new Blob([bytes.value]), basename(file), filesBeside(file));
  if (!read.ok) return read;
  const { chapters } = read.value;
  const chosen = chosenOf(wanted, chapters);
  if (!chosen.ok) return chosen;
  const text = await read.value.take(new NodeStudio(new Map()), chosen.value);
  // Too long as a whole: some of it may do.
  if (!text.ok && text.fault.code === 'text-long' && chapters.length > 1)
    return fail('text-parts', { ...text.fault.data, chapters: listOf(chapters) });
  if (!text.ok) return text;
  const files = new Map(project.files);
  const assets = { ...project.book.assets };
  for (const { asset, bytes: own } of text.value.pictures) {
    files.set(asset.id, own);
    assets[asset.id] ??= asset;
  }
  const said = text.value.dropped
    .map(({ kind, count, example }) => `Left out: ${kind}, ${count}${example ? ` (${example})` : ''}`)
    .join('\n');
  return ok({ project: { book: { ...project.book, assets }, files }, manuscript: text.value.manuscript, said });
}

export const booklet: Command = {
  name: 'booklet',
  usage: `booklet [TEXT.md|.txt|.html|.docx|.epub] --book BOOK.yosomi [--chapters 1-3,5] [--look ${LOOK_IDS.join('|')}] [--size ${SHEET_IDS.join('|')}] --out F.pdf|F.epub`,
  flags: ['book', 'chapters', 'look', 'size', 'out'],
  switches: [],
  writes: { out: ['pdf', 'epub'] },
  async run(args) {
    const file = flag(args, 'book');
    if (!file.ok) return file;
    const out = flag(args, 'out');
    if (!out.ok) return out;
    const opened = readProject(file.value);
    if (!opened.ok) return opened;
    const [text] = args.words;
    const own = opened.value.book.booklet;
    const wanted = args.flags.get('chapters');
    // Chapters are chosen of a text that is brought.
    if (!text && wanted !== undefined) return fail('word-missing', { what: 'text file' });
    const taken: Result<Taken> = text
      ? await takeFile(text, opened.value, wanted)
      : own
        ? ok({ project: opened.value, manuscript: own.manuscript, said: '' })
        : fail('word-missing', { what: 'text file' });
    if (!taken.ok) return taken;
    const { project, manuscript, said } = taken.value;
    const usual = own ?? newBooklet();
    const look = choice(args, 'look', LOOK_IDS, usual.look);
    if (!look.ok) return look;
    const sheet = choice<SheetId>(args, 'size', SHEET_IDS, usual.sheet);
    if (!sheet.ok) return sheet;
    const book = { ...project.book, booklet: { ...usual, manuscript, look: look.value, sheet: sheet.value } };
    const made = await bookletFileOf(
      book,
      book.updatedAt,
      /\.epub$/i.test(out.value) ? 'epub' : 'pdf',
      new NodeStudio(project.files),
    );
    if (!made.ok) return made;
    const written = writeBytes(out.value, made.value.bytes);
    return written.ok ? done(said) : written;
  },
};
