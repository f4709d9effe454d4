import { rmSync } from 'node:fs';
import { type Result, ok } from '@yosomi/core/base';
import { EPUB_PIXELS, type Edition, inspectEpub, newEdition } from '@yosomi/core/ebook';
import { readDelivered } from '@yosomi/core/image-file';
import { setPdfCover } from '@yosomi/core/pdf';
import { ebookCover, ebookFile, pdfPicture } from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import type { Arguments } from './arguments';
import { type Command, done, flag, word } from './command';
import { openFile, readBytes, readProject, writeAll, writeBytes, writeThrough } from './files';
import { nowText } from './stores';

export const epubNew: Command = {
  name: 'epub new',
  usage: 'epub new --book BOOK.yosomi --out F.epub',
  flags: ['book', 'out'],
  switches: [],
  writes: { out: ['epub'] },
  async run(args) {
    const file = flag(args, 'book');
    if (!file.ok) return file;
    const out = flag(args, 'out');
    if (!out.ok) return out;
    const project = readProject(file.value);
    if (!project.ok) return project;
    const { book, files } = project.value;
    const made = await ebookFile(book, nowText(), new NodeStudio(files));
    if (!made.ok) return made;
    const written = writeBytes(out.value, made.value.bytes);
    return written.ok ? done() : written;
  },
};

/** What is to change, from the options. */
async function editionOf(args: Arguments, coverFile: string, source: Blob): Promise<Result<Edition>> {
  const bytes = readBytes(coverFile);
  if (!bytes.ok) return bytes;
  const made = await ebookCover(bytes.value, EPUB_PIXELS, new NodeStudio(new Map()));
  if (!made.ok) return made;
  const info = readDelivered(made.value.bytes);
  if (!info.ok) return info;
  const words = Object.fromEntries(
    WORDS.flatMap((name) => (args.flags.has(name) ? [[name, args.flags.get(name)]] : [])),
  );
  const line = args.flags.get('line');
  const running = args.flags.get('running');
  const edition: Edition = {
    cover: { bytes: made.value.bytes, info: info.value, alt: args.flags.get('alt') ?? null },
    words,
    titlePage: await titlePageOf(args, source),
    ...(line === undefined ? {} : { pageLine: { text: line, at: 'foot' } }),
    ...(running === undefined ? {} : { runningLine: { text: running, at: 'head' } }),
    ...(args.flags.has('credit') ? { credits: [args.flags.get('credit') ?? ''].filter((text) => text.trim()) } : {}),
    modified: nowText(),
  };
  return ok(edition);
}

/** A title page as the options ask: put in the place of the old one, or added. */
async function titlePageOf(args: Arguments, source: Blob): Promise<Edition['titlePage']> {
  if (args.switches.has('replace-title-page')) {
    const read = await inspectEpub(source);
    if (read.ok && read.value.titlePage) return { insteadOf: read.value.titlePage.path };
    return 'added';
  }
  return args.switches.has('title-page') ? 'added' : null;
}

const WORDS = ['title', 'subtitle', 'author', 'publisher', 'language', 'identifier', 'date', 'website'] as const;

export const epubSetCover: Command = {
  name: 'epub set-cover',
  usage:
    'epub set-cover IN.epub COVER --out OUT.epub [--title T] [--subtitle S] [--author A] [--publisher P] [--language L] [--identifier I] [--date D] [--website W] [--alt TEXT] [--title-page | --replace-title-page] [--line TEXT] [--running TEXT] [--credit TEXT] [--report R.json]',
  flags: ['out', 'report', 'alt', 'line', 'running', 'credit', ...WORDS],
  switches: ['title-page', 'replace-title-page'],
  writes: { out: ['epub'], report: null },
  async run(args) {
    const [inFile, coverFile, out] = [word(args, 0, 'EPUB'), word(args, 1, 'cover'), flag(args, 'out')];
    if (!inFile.ok) return inFile;
    if (!coverFile.ok) return coverFile;
    if (!out.ok) return out;
    const source = await openFile(inFile.value);
    if (!source.ok) return source;
    const edition = await editionOf(args, coverFile.value, source.value);
    if (!edition.ok) return edition;
    const made = await writeThrough(out.value, (sink) => newEdition(source.value, edition.value, { sink }));
    if (!made.ok) return made;
    const report = args.flags.get('report');
    if (report === undefined) return done();
    const written = writeBytes(report, `${JSON.stringify(made.value.report, null, 2)}\n`);
    if (!written.ok) rmSync(out.value, { force: true });
    return written.ok ? done() : written;
  },
};

export const epubInspect: Command = {
  name: 'epub inspect',
  usage: 'epub inspect F.epub [--json]',
  flags: [],
  switches: ['json'],
  async run(args) {
    const file = word(args, 0, 'EPUB');
    if (!file.ok) return file;
    const source = await openFile(file.value);
    if (!source.ok) return source;
    const read = await inspectEpub(source.value);
    if (!read.ok) return read;
    const { words, cover, findings, version, entries, pages } = read.value;
    if (args.switches.has('json')) return done(JSON.stringify(read.value, null, 2));
    const picture =
      cover.image === null ? 'none' : `${cover.image} (${cover.widthPx ?? '?'} x ${cover.heightPx ?? '?'})`;
    return done(
      [
        `EPUB ${version}, ${entries} files, ${pages} pages`,
        `title: ${words.title}`,
        `author: ${words.author}`,
        `cover: ${picture}, by ${cover.means.map((m) => m.means).join(', ') || 'nothing'}`,
        ...findings.map((f) => `  ${f.severity} ${f.code} ${JSON.stringify(f.data)}`),
      ].join('\n'),
    );
  },
};

export const pdfSetCover: Command = {
  name: 'pdf set-cover',
  usage: 'pdf set-cover IN.pdf COVER --out OUT.pdf [--title T] [--author A] [--replace | --insert] [--report R.json]',
  flags: ['out', 'title', 'author', 'report'],
  switches: ['replace', 'insert'],
  writes: { out: ['pdf'], report: null },
  async run(args) {
    const [inFile, coverFile, out] = [word(args, 0, 'PDF'), word(args, 1, 'cover'), flag(args, 'out')];
    if (!inFile.ok) return inFile;
    if (!coverFile.ok) return coverFile;
    if (!out.ok) return out;
    const source = readBytes(inFile.value);
    if (!source.ok) return source;
    const picture = readBytes(coverFile.value);
    if (!picture.ok) return picture;
    const cover = await pdfPicture(picture.value, new NodeStudio(new Map()));
    if (!cover.ok) return cover;
    const made = await setPdfCover(source.value, {
      ...cover.value,
      place: args.switches.has('replace') ? 'replace' : args.switches.has('insert') ? 'insert' : 'auto',
      title: args.flags.get('title'),
      author: args.flags.get('author'),
      modified: nowText(),
    });
    if (!made.ok) return made;
    const files: [string, Uint8Array | string][] = [[out.value, made.value.bytes]];
    const report = args.flags.get('report');
    if (report !== undefined) files.push([report, `${JSON.stringify(made.value.report, null, 2)}\n`]);
    const written = writeAll(files);
    return written.ok ? done() : written;
  },
};
