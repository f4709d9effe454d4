import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { demoBooks } from '@yosomi/core/demo';
import type { Raster } from '@yosomi/core/pixels';
import { assetId } from '@yosomi/core/project';
import { composeSheet, noHouse, sheetPictures, sheetSymbols } from '@yosomi/core/recipe';
import { scenery } from '@yosomi/core/scenery';
import { type SheetAsk, planSheet, sceneryColours } from '@yosomi/core/sketch';
import { NodeStudio, ROOT } from '@yosomi/node-kit';
import { JUDGED, type JudgedBook } from './judge-books';

/**
 * Writes contact sheets of the sketch sheets of made-up books, for the eye: `npm run judge` for all, `npm run judge -- crime` for those whose
 * name has that in it. Every cover has a number; what one thinks of each is written into docs/sketch.md.
 */
const COVERS = 48;
const EACH = 24;
const COLUMNS = 8;
const WIDE = 240;
const TALL = Math.round(WIDE * 1.6);
const [GAP, HEAD] = [10, 22];

const png = ({ data, width, height }: Raster): Promise<Buffer> =>
  sharp(Buffer.from(data.buffer, data.byteOffset, data.byteLength), { raw: { width, height, channels: 4 } })
    .png()
    .toBuffer();

async function pictureOf({ picture }: JudgedBook): Promise<Uint8Array<ArrayBuffer> | null> {
  const studio = new NodeStudio(new Map());
  switch (picture.kind) {
    case 'none':
      return null;
    case 'demo': {
      const ink = demoBooks().find((one) => one.id === picture.of)?.picture?.ink;
      if (!ink) throw new Error(`no demo picture ${picture.of}`);
      return studio.encodeJpeg(studio.paint(ink, 1200, new Map()), 90, false);
    }
    case 'drawn': {
      const ink = scenery(picture.scenery, picture.seed, sceneryColours(picture.mood, picture.seed));
      return studio.encodeJpeg(studio.paint(ink, 1200, new Map()), 90, false);
    }
  }
}

async function judge(book: JudgedBook, folder: string): Promise<void> {
  const bytes = await pictureOf(book);
  const files = new Map(bytes ? [[assetId(bytes), bytes] as const] : []);
  const studio = new NodeStudio(files);
  const ask: SheetAsk = {
    brief: book.brief,
    widthPx: 1600,
    heightPx: 2560,
    pictures: await sheetPictures([...files.keys()], studio),
    symbols: (await sheetSymbols(book.brief, [], studio)).symbols,
    authorLarge: false,
    mark: null,
    seed: 1,
    house: noHouse,
    must: { colour: null, cut: null },
    pictured: 'most',
  };
  const plan = planSheet(ask);
  if (!plan.ok) throw new Error(`${book.id}: ${plan.fault.code}`);
  const covers: { image: Buffer; name: string }[] = [];
  let pictured = 0;
  for await (const { sketch, pixels } of composeSheet(plan.value, ask, COVERS, studio, WIDE)) {
    if (sketch.pictures.length > 0) pictured++;
    covers.push({ image: await png(pixels), name: `${covers.length + 1} ${sketch.structure}` });
  }
  for (let from = 0; from < covers.length; from += EACH) {
    const some = covers.slice(from, from + EACH);
    const rows = Math.ceil(some.length / COLUMNS);
    const [width, height] = [COLUMNS * (WIDE + GAP) + GAP, rows * (TALL + GAP + HEAD) + GAP];
    const at = some.map((one, i) => ({
      one,
      left: GAP + (i % COLUMNS) * (WIDE + GAP),
      top: GAP + Math.floor(i / COLUMNS) * (TALL + GAP + HEAD),
    }));
    const labels = at.map(({ one, left, top }) => `<text x="${left}" y="${top + 15}">${one.name}</text>`).join('');
    const text = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" font-family="sans-serif" font-size="14">${labels}</svg>`;
    await sharp({ create: { width, height, channels: 3, background: '#c9c9c6' } })
      .composite([
        ...at.map(({ one, left, top }) => ({ input: one.image, left, top: top + HEAD })),
        { input: Buffer.from(text), left: 0, top: 0 },
      ])
      .png()
      .toFile(join(folder, `${book.id}-${from / EACH + 1}.png`));
  }
  console.log(`${book.id}: ${covers.length} covers${bytes ? `, ${pictured} with its picture` : ''}`);
}

const folder = join(ROOT, 'build/judge');
const wanted = process.argv.slice(2);
if (wanted.length === 0) rmSync(folder, { recursive: true, force: true });
mkdirSync(folder, { recursive: true });
for (const book of JUDGED)
  if (wanted.length === 0 || wanted.some((part) => book.id.includes(part))) await judge(book, folder);
