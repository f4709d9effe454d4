import type { Book } from '@yosomi/core/project';
import { useEffect, useRef, useState } from 'react';
import { sayFault } from '../../messages/say';
import { db } from '../../persist/db';
import { nowIso } from '../../platform/clock';
import type { ReaderBook } from '../../work/ebook.worker';
import { type EbookWorker, startEbookWorker } from '../../work/ebooks';
import { press } from '../../work/workers';
import { PAPER } from './screen';
import { firstPicture, reflowedCover } from './reflowed';

const dataUrl = (bytes: Uint8Array<ArrayBuffer>, type: string): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.addEventListener('load', () => resolve(String(reader.result)));
    reader.addEventListener('error', () => reject(new Error('not read')));
    reader.readAsDataURL(new Blob([bytes], { type }));
  });

/** A book that is open: its cover as a picture and on electronic paper, and the page that is shown. */
export type Reading = {
  readonly name: string;
  readonly book: ReaderBook;
  readonly cover: string | null;
  readonly onPaper: ImageBitmap | null;
};

/** The reader: opens this title's own ebook, or a file; pages are fetched one by one. */
export function useReader(title: Book) {
  const [reading, setReading] = useState<Reading | null>(null);
  const [page, setPage] = useState<{ at: number; html: string | null } | null>(null);
  const [reflowed, setReflowed] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const worker = useRef<EbookWorker | null>(null);
  useEffect(
    () => () => {
      worker.current?.end();
      worker.current = null;
    },
    [],
  );

  const turn = async (book: ReaderBook, at: number): Promise<void> => {
    const own = worker.current;
    if (!own || !book.pages[at]) return;
    const html = await own.ask(own.api.page(book.pages[at])).catch(() => null);
    if (worker.current !== own) return;
    if (!html?.ok) sayFault(html ? html.fault : { code: 'work-failed', data: {} });
    setPage({ at, html: html?.ok ? html.value : null });
  };
  const open = async (file: Blob, name: string): Promise<void> => {
    worker.current?.end();
    const own = (worker.current = startEbookWorker());
    setBusy(true);
    const read = await own.ask(own.api.read(file)).catch(() => null);
    if (worker.current !== own) return;
    setBusy(false);
    if (!read) return sayFault({ code: 'work-failed', data: {} });
    if (!read.ok) return sayFault(read.fault);
    const { cover } = read.value;
    const type = cover?.[0] === 0x89 ? 'image/png' : 'image/jpeg';
    const paper =
      cover &&
      (await press()
        .onPaper(cover, PAPER.widthPx, PAPER.heightPx)
        .catch(() => null));
    setReading({ name, book: read.value, cover: cover && (await dataUrl(cover, type)), onPaper: paper ?? null });
    await turn(read.value, 0);
  };
  const openOwn = async (): Promise<void> => {
    setBusy(true);
    const made = await press()
      .ebook(title, nowIso())
      .catch(() => null);
    setBusy(false);
    if (!made) return sayFault({ code: 'work-failed', data: {} });
    if (!made.ok) return sayFault(made.fault);
    const id = firstPicture(title);
    const row = id === null ? undefined : await db.assets.get(id);
    const asset = id === null ? undefined : title.assets[id];
    setReflowed(reflowedCover(title, row && asset ? await dataUrl(row.bytes, `image/${asset.format}`) : null));
    await open(new Blob([made.value.bytes]), 'The ebook of this title');
  };
  return { reading, page, reflowed, busy, open, openOwn, turn };
}
