import { fromMarkdownText, newBooklet } from '@yosomi/core/booklet';
import { demoBooks, sevenMosses } from '@yosomi/core/demo';
import { type Asset, type Book, assetId, hasPages } from '@yosomi/core/project';
import { untold } from '@yosomi/core/book';
import { bookletEpub, bookletPage, bookletPages, bookletPdf, startFromWords } from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import { fileOf, picturePixels } from '../tests/fixtures/pictures';
import { type Row, median } from './rows';

const MADE = '2026-11-30T00:00:00Z';

/** A title of words with a booklet of about 40 pages, and this many pictures in it. */
async function long(pictures: number, word = ''): Promise<{ book: Book; files: Map<string, Uint8Array> }> {
  const files = new Map<string, Uint8Array>();
  const assets: Record<string, Asset> = {};
  for (let i = 0; i < pictures; i++) {
    const bytes = await fileOf(picturePixels(1400, 1000, i + 1), 'jpeg');
    const id = assetId(bytes);
    files.set(id, bytes);
    assets[id] = { id, format: 'jpeg', widthPx: 1400, heightPx: 1000, name: `Picture ${i}`, rights: untold };
  }
  const ids = Object.keys(assets);
  const shown = ids.map((id) => `![A picture](${id} "What it shows.")`);
  const part = (i: number): string =>
    `${sevenMosses('none').replace('Moss asks', i === 1 ? `${word}Moss asks` : 'Moss asks')}\n\n${shown.filter((_, k) => k % 3 === i).join('\n\n')}`;
  const read = fromMarkdownText([0, 1, 2].map(part).join('\n\n'), new Map(ids.map((id) => [id, id])));
  if (!read.ok) throw new Error(read.fault.code);
  const demo = demoBooks().find((one) => one.picture === null);
  if (!demo) throw new Error('a demo book without a picture');
  const start = { id: demo.id, identifier: `urn:yosomi:${demo.id}`, now: MADE, brief: demo.brief };
  const begun = startFromWords(start, demo.cover(null));
  return {
    book: { ...begun, assets, booklet: { ...newBooklet(read.value.manuscript), look: 'essay', sheet: '6x9' } },
    files,
  };
}

async function timed(run: () => Promise<unknown>): Promise<number> {
  const from = performance.now();
  await run();
  return performance.now() - from;
}

/** Booklets, on one thread. */
export async function bookletRows(rounds: number): Promise<Row[]> {
  const plain = await long(0);
  const pictured = await long(20);
  const first: number[] = [];
  const changed: number[] = [];
  const page: number[] = [];
  const pdf: number[] = [];
  const epub: number[] = [];
  let [count, bytes] = [0, 0];
  for (let i = 0; i < rounds; i++) {
    // Each round begins with nothing remembered, but with its fonts read.
    const studio = new NodeStudio(plain.files);
    const other = { ...plain.book, booklet: { ...plain.book.booklet!, look: 'almanac' } };
    if (!hasPages(plain.book) || !hasPages(other)) throw new Error('no pages');
    await bookletPages(other, studio);
    const book = plain.book;
    first.push(await timed(() => bookletPages(book, studio)));
    const next = (await long(0, 'Still, ')).book;
    if (!hasPages(next)) throw new Error('no pages');
    changed.push(await timed(() => bookletPages(next, studio)));
    page.push(await timed(() => bookletPage(next, 4, 1000, studio)));
    const own = new NodeStudio(pictured.files);
    if (!hasPages(pictured.book)) throw new Error('no pages');
    count = (await bookletPages(pictured.book, own)).pages.pages.length;
    pdf.push(
      await timed(async () => {
        const made = await bookletPdf(pictured.book, MADE, own);
        if (!made.ok) throw new Error(made.fault.code);
        bytes = made.value.bytes.length;
      }),
    );
    epub.push(
      await timed(async () => {
        const made = await bookletEpub(pictured.book, MADE, own);
        if (!made.ok) throw new Error(made.fault.code);
      }),
    );
  }
  const studio = new NodeStudio(plain.files);
  if (!hasPages(plain.book)) throw new Error('no pages');
  const laid = (await bookletPages(plain.book, studio)).pages.pages.length;
  return [
    { what: `${laid} pages of 6 x 9 in set from a text, all at once`, value: median(first), unit: 'ms' },
    { what: 'the same with one paragraph changed', value: median(changed), unit: 'ms' },
    { what: 'one page painted, 1000 px wide', value: median(page), unit: 'ms' },
    { what: `PDF of ${count} pages with 20 pictures, the pages set`, value: median(pdf), unit: 'ms' },
    { what: 'its size', value: bytes / 1e6, unit: 'MB' },
    { what: 'EPUB of the same', value: median(epub), unit: 'ms' },
  ];
}
