import { type Result, fail, ok } from '@yosomi/core/base';
import {
  type Edition,
  type EditionReport,
  type Epub,
  type EditionWords,
  type Inspected,
  type PageLine,
  coverBytes,
  findCover,
  findNames,
  inspectEpub,
  newEdition,
  oldNames,
  openEpub,
  readerPage,
  readerPages,
} from '@yosomi/core/ebook';
import { readDelivered } from '@yosomi/core/image-file';
import type { PdfCover, PdfNamesReport, PdfReport, Stamp, StampReport } from '@yosomi/core/pdf';
import type { NameChange, NamesFound, NamesWish } from '@yosomi/core/renaming';
import { expose, transfer } from 'comlink';
import type { pdfMakers } from './pdf-makers';
import { later } from './later';

type Bytes = Uint8Array<ArrayBuffer>;

/** What a person asks of a new edition. */
export type EditionWish = {
  readonly cover: { readonly bytes: Bytes; readonly alt: string } | null;
  readonly names: NamesWish | null;
  readonly words: EditionWords;
  readonly titlePage: Edition['titlePage'];
  readonly pageLine: PageLine | null;
  readonly runningLine: PageLine | null;
  readonly credits: readonly string[];
  readonly modified: string;
};

/** What a person asks of a PDF: other names, lines on its pages, a cover before them. */
export type PdfWish = {
  readonly names: NamesWish | null;
  readonly stamp: Omit<Stamp, 'cut'> | null;
  readonly cover: PdfCover | null;
  readonly modified: string;
};

export type MadePdf = {
  readonly bytes: Bytes;
  readonly cover: PdfReport | null;
  readonly stamp: StampReport | null;
  readonly names: PdfNamesReport | null;
};

/** What writes PDFs comes with the first one. */
const pdfs = later<ReturnType<typeof pdfMakers>>({ remake: true, names: true, places: true }, async () =>
  (await import('./pdf-makers')).pdfMakers(),
);

/** A book that is open in the reader. */
export type ReaderBook = {
  readonly title: string;
  readonly author: string;
  readonly cover: Bytes | null;
  readonly coverPage: string | null;
  readonly pages: readonly string[];
};

let open: Epub | null = null;

const bytesOf = async (file: Blob): Promise<Bytes> => new Uint8Array(await file.arrayBuffer());

/** Reads and writes ebooks; a worker of its own, so that to stop it is to end it. */
const api = {
  inspect: (file: Blob): Promise<Result<Inspected>> => inspectEpub(file),

  async edition(
    file: Blob,
    wish: EditionWish,
    onProgress: (done: number) => void,
  ): Promise<Result<{ file: Blob; report: EditionReport }>> {
    const { cover, names, words, titlePage, pageLine, runningLine, credits, modified } = wish;
    const info = cover && readDelivered(cover.bytes);
    if (info && !info.ok) return info;
    const edition: Edition = {
      ...(cover && info ? { cover: { bytes: cover.bytes, info: info.value, alt: cover.alt } } : {}),
      ...(names ? { names } : {}),
      words,
      titlePage,
      ...(pageLine ? { pageLine } : {}),
      ...(runningLine ? { runningLine } : {}),
      credits,
      modified,
    };
    return newEdition(file, edition, { progress: onProgress });
  },

  /** Names that a book has now. */
  async names(file: Blob): Promise<Result<Omit<NameChange, 'to'>[]>> {
    const opened = await openEpub(file);
    return opened.ok ? ok(await oldNames(opened.value)) : opened;
  },

  /** Every place of old names. */
  places: (file: Blob, changes: readonly NameChange[]): Promise<Result<NamesFound>> => findNames(file, changes),

  /** Names that a PDF has now, and every place of old ones in what it says beside its pages. */
  pdfNames: async (file: Blob): Promise<Result<Omit<NameChange, 'to'>[]>> => pdfs.names(await bytesOf(file)),
  pdfPlaces: async (file: Blob, changes: readonly NameChange[]): Promise<Result<NamesFound>> =>
    pdfs.places(await bytesOf(file), changes),

  async pdf(file: Blob, wish: PdfWish): Promise<Result<MadePdf>> {
    const made = await pdfs.remake(await bytesOf(file), wish);
    return made.ok ? ok(transfer(made.value, [made.value.bytes.buffer])) : made;
  },

  /** Opens a book for reading. */
  async read(file: Blob): Promise<Result<ReaderBook>> {
    const inspected = await inspectEpub(file);
    if (!inspected.ok) return inspected;
    const opened = await openEpub(file);
    if (!opened.ok) return opened;
    open = opened.value;
    const found = await findCover(open);
    const { title, author } = inspected.value.words;
    const cover = await coverBytes(open, found);
    const readable = cover && readDelivered(cover).ok ? cover : null;
    return ok({ title, author, cover: readable, coverPage: found.page, pages: readerPages(open) });
  },

  /** A page of the book that is open, made harmless. */
  async page(path: string): Promise<Result<string>> {
    const page = open && (await readerPage(open, path));
    return page ? ok(page) : fail('epub-page-unread', { name: path });
  },
};

export type EbookApi = typeof api;
expose(api);
