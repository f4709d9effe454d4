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
  inspectEpub,
  newEdition,
  openEpub,
  readerPage,
  readerPages,
} from '@yosomi/core/ebook';
import { readDelivered } from '@yosomi/core/image-file';
import { type PdfCover, type PdfReport, setPdfCover } from '@yosomi/core/pdf';
import { expose, transfer } from 'comlink';

type Bytes = Uint8Array<ArrayBuffer>;

/** What a person asks of a new edition. */
export type EditionWish = {
  readonly cover: { readonly bytes: Bytes; readonly alt: string } | null;
  readonly words: EditionWords;
  readonly titlePage: Edition['titlePage'];
  readonly pageLine: PageLine | null;
  readonly credits: readonly string[];
  readonly modified: string;
};

/** A book that is open in the reader. */
export type ReaderBook = {
  readonly title: string;
  readonly author: string;
  readonly cover: Bytes | null;
  readonly coverPage: string | null;
  readonly pages: readonly string[];
};

let open: Epub | null = null;

/** Reads and writes ebooks; a worker of its own, so that to stop it is to end it. */
const api = {
  inspect: (file: Blob): Promise<Result<Inspected>> => inspectEpub(file),

  async edition(
    file: Blob,
    wish: EditionWish,
    onProgress: (done: number) => void,
  ): Promise<Result<{ file: Blob; report: EditionReport }>> {
    const { cover, words, titlePage, pageLine, credits, modified } = wish;
    const info = cover && readDelivered(cover.bytes);
    if (info && !info.ok) return info;
    const edition: Edition = {
      ...(cover && info ? { cover: { bytes: cover.bytes, info: info.value, alt: cover.alt } } : {}),
      words,
      titlePage,
      ...(pageLine ? { pageLine } : {}),
      credits,
      modified,
    };
    return newEdition(file, edition, { progress: onProgress });
  },

  async pdf(file: Blob, cover: PdfCover): Promise<Result<{ bytes: Bytes; report: PdfReport }>> {
    const made = await setPdfCover(new Uint8Array(await file.arrayBuffer()), cover);
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
