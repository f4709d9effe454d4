import { ownPainting } from '@yosomi/core/book';
import { fromMarkdownText, newBooklet } from '@yosomi/core/booklet';
import { type DemoBook, demoBooks, demoCampaigns } from '@yosomi/core/demo';
import { type Asset, type Book, type Project, assetId } from '@yosomi/core/project';
import { startFromPicture, startFromWords } from '@yosomi/core/recipe';
import { paintRaster } from './canvas-easel';
import { encodeJpeg } from './jpeg';
import { shrink } from '@yosomi/core/pixels';

/** Fixed moments, so that the demo files are equal each time they are made. */
const FIRST = Date.UTC(2026, 10, 1, 9);

const withCampaigns = (book: Book): Book => ({
  ...book,
  promos: Object.fromEntries((demoCampaigns[book.id] ?? []).map((one) => [one.id, one])),
});

function withPages(book: Book, demo: DemoBook, asset: string): Book {
  const source = demo.booklet?.('picture');
  const text = source && fromMarkdownText(source, new Map([['picture', asset]]));
  return text && text.ok ? { ...book, booklet: newBooklet(text.value.manuscript) } : book;
}

async function makeDemo(demo: DemoBook, place: number): Promise<Project> {
  // The Shelf shows the last changed first.
  const now = new Date(FIRST - place * 60_000).toISOString();
  const start = { id: demo.id, identifier: `urn:yosomi:${demo.id}`, now, brief: demo.brief };
  if (!demo.picture) {
    return { book: withCampaigns(startFromWords(start, demo.cover(null))), files: new Map() };
  }
  const picture = paintRaster(demo.picture.ink, demo.picture.ink.widthPx, new Map());
  const bytes = await encodeJpeg(picture, 90, false);
  const asset: Asset = {
    id: assetId(bytes),
    format: 'jpeg',
    widthPx: picture.width,
    heightPx: picture.height,
    name: demo.picture.name,
    rights: ownPainting('Made for this demo'),
  };
  const sample = shrink(picture, 400, 640);
  const book = startFromPicture(start, asset, sample, demo.cover(asset.id));
  return { book: withPages(withCampaigns(book), demo, asset.id), files: new Map([[asset.id, bytes]]) };
}

/** The demo books as projects, made from nothing but this repository. */
export async function demoProjects(): Promise<Project[]> {
  const projects: Project[] = [];
  for (const [i, demo] of demoBooks().entries()) projects.push(await makeDemo(demo, i));
  return projects;
}
