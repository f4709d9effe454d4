import { beforeAll, describe, expect, it } from 'vitest';
import { emptyBrief } from '@yosomi/core/book';
import { type Composition, compose } from '@yosomi/core/compose';
import { type Doc, adaptDoc, docOf, newGround, newPicture, newShape, newWords } from '@yosomi/core/cover';
import { raster } from '@yosomi/core/pixels';
import { type Book, type Project, assetId } from '@yosomi/core/project';
import {
  coverKey,
  gather,
  mainPicture,
  placed,
  placesAt,
  sheetPictures,
  sizedCover,
  slicesSeen,
  startFromWords,
  storeImage,
} from '@yosomi/core/recipe';
import { PROFILES } from '@yosomi/core/stores';
import { NodeStudio } from '@yosomi/node-kit';
import { demos } from './fixtures/demos';
import { fileOf } from './fixtures/pictures';

const SQUARE = { widthPx: 2400, heightPx: 2400 };
const LEAST_PX = 300;

async function seen(
  book: Book,
  doc: Doc,
  studio: NodeStudio,
): Promise<Composition & { images: Awaited<ReturnType<typeof gather>>['images'] }> {
  const { resources, images } = await gather(doc, book.brief, studio, LEAST_PX);
  return { ...compose(doc, book.brief, resources), images };
}

/** The share of the boxes of each part's words where the painted cover changes as its forms are taken away: told by pixels alone. */
async function crossed(book: Book, doc: Doc, studio: NodeStudio): Promise<Map<string, number>> {
  const bare = (keep: (part: Doc['parts'][string]) => boolean): Doc => ({
    ...doc,
    parts: Object.fromEntries(
      Object.entries(doc.parts)
        .filter(([, part]) => part.kind === 'ground' || (part.kind === 'shape' && keep(part)))
        .map(([id, part]) => [
          id,
          part.kind === 'ground' ? { ...part, paint: { kind: 'flat', colour: '#7f7f7f' } } : { ...part, opacity: 1 },
        ]),
    ) as Doc['parts'],
  });
  const plain = (part: Doc['parts'][string]): boolean =>
    part.kind === 'shape' && part.form.kind === 'rectangle' && part.role !== 'rule';
  const paint = async (one: Doc): Promise<Uint8ClampedArray> => {
    const { ink, images } = await seen(book, one, studio);
    return studio.paint(ink, LEAST_PX, images).data;
  };
  const [all, grounds] = [await paint(bare(() => true)), await paint(bare(plain))];
  const { blocks } = await seen(book, doc, studio);
  const k = LEAST_PX / doc.widthPx;
  return new Map(
    [...blocks].map(([id, { box }]) => {
      let [changed, count] = [0, 0];
      for (let y = Math.floor(box.y * k); y < Math.ceil((box.y + box.height) * k); y++)
        for (let x = Math.floor(box.x * k); x < Math.ceil((box.x + box.width) * k); x++, count++) {
          const i = (y * LEAST_PX + x) * 4;
          if (Math.abs(all[i] - grounds[i]) + Math.abs(all[i + 1] - grounds[i + 1]) > 24) changed++;
        }
      return [id, changed / Math.max(1, count)];
    }),
  );
}

describe.each([
  ['square', SQUARE],
  ['a tall page', { widthPx: 2400, heightPx: 3000 }],
  ['a screen', { widthPx: 2560, heightPx: 1440 }],
] as const)('covers of the demo books composed for %s', (_, size) => {
  let books: Project[];
  beforeAll(() => void (books = demos()));

  it.each([0, 1, 2, 3, 4])('have words that cross nothing they do not cross on the front: book %i', async (n) => {
    const { book, files } = books[n];
    const studio = new NodeStudio(files);
    const { cover } = await sizedCover(book, size, studio);
    const [front, there] = [await crossed(book, book.cover, studio), await crossed(book, cover, studio)];
    for (const [id, share] of there)
      expect(share, `${book.brief.title}: ${id}`).toBeLessThanOrEqual((front.get(id) ?? 0) + 0.02);
  });
});

describe('a square of a cover', () => {
  let foxfire: Project;
  let studio: NodeStudio;
  beforeAll(() => {
    foxfire = demos().find(({ book }) => book.brief.title === 'A Debt of Foxfire')!;
    studio = new NodeStudio(foxfire.files);
  });

  it('shows who is on the front, where its constraints alone hide head or knees', async () => {
    const { book } = foxfire;
    const [facts] = await sheetPictures([mainPicture(book.cover)!], studio);
    const slices = async (doc: Doc): Promise<number[]> => {
      const { images, ...composition } = await seen(book, doc, studio);
      return slicesSeen(doc, composition, images, facts, 8, studio);
    };
    const hidden = (seenOf: readonly number[]): number => seenOf.reduce((sum, one) => sum + 1 - one, 0);
    expect(hidden(await slices(book.cover))).toBeLessThan(0.05);
    const byRule = await slices(adaptDoc(book.cover, SQUARE));
    const composed = await slices((await sizedCover(book, SQUARE, studio)).cover);
    // From the light to the knees.
    expect(hidden(byRule)).toBeGreaterThan(1);
    expect(hidden(composed)).toBeLessThan(0.4);
    expect(Math.min(...composed)).toBeGreaterThan(0.6);
  });

  it('is judged as it is: its own findings come with the file, and none of what was mended', async () => {
    const audio = PROFILES.find(({ ideal }) => ideal.widthPx === ideal.heightPx)!;
    const codes = async (book: Book): Promise<string[]> => {
      const made = await storeImage(book, audio, studio);
      if (!made.ok) throw new Error(made.fault.code);
      return made.value.findings.map(({ code }) => code);
    };
    const now = await codes(foxfire.book);
    expect(now).not.toContain('reads-outside');
    expect(now).not.toContain('reads-contrast');
    const bare = { ...foxfire.book, siblings: { s: { name: 'Square', ...SQUARE, places: {} } } };
    expect(await codes(bare)).toContain('reads-contrast');
    // Placed by hand where it cannot stay, it is said, though the front is as good as before.
    const byline = Object.values(foxfire.book.cover.parts).find(
      (part) => part.kind === 'words' && part.role === 'byline',
    )!;
    const places = { [byline.id]: { area: { x: 0.01, y: 0.975, width: 0.9, height: 0.03 }, align: 'left' as const } };
    const bad = { ...foxfire.book, siblings: { s: { name: 'Square', ...SQUARE, places } } };
    expect(await codes(bad)).toContain('reads-outside');
  });

  it('leaves alone what a person has placed there and what is in order, and a lock, which is in no key, changes no pixel', async () => {
    const { book } = foxfire;
    const by = { s: { name: 'Square', ...SQUARE, places: {} } };
    expect((await sizedCover({ ...book, siblings: by }, SQUARE, studio)).cover).toEqual(adaptDoc(book.cover, SQUARE));
    expect(await placesAt(book, coverKey(book), book.cover, studio)).toEqual({});
    const locked: Book = {
      ...book,
      cover: {
        ...book.cover,
        parts: Object.fromEntries(
          Object.entries(book.cover.parts).map(([id, part]) => [id, { ...part, locked: true }]),
        ),
      },
    };
    expect(coverKey(locked)).toBe(coverKey(book));
    const [held, free] = [locked, book].map((one) => sizedCover(one, SQUARE, new NodeStudio(foxfire.files)));
    expect((await held).cover.parts).toEqual(
      Object.fromEntries(Object.entries((await free).cover.parts).map(([id, part]) => [id, { ...part, locked: true }])),
    );
  });

  it('is the same each time, and adding it as a size of its own changes no pixel of it', async () => {
    const { book } = foxfire;
    const once = (await sizedCover(book, SQUARE, studio)).cover;
    expect((await sizedCover(book, SQUARE, new NodeStudio(foxfire.files))).cover).toEqual(once);
    const places = await placesAt(book, coverKey(book), SQUARE, studio);
    expect(placed(adaptDoc(book.cover, SQUARE), places)).toEqual(once);
    const own = { ...book, siblings: { s: { name: 'Square', ...SQUARE, places: structuredClone(places) } } };
    expect((await sizedCover(own, SQUARE, studio)).cover).toEqual(once);
  });
});

describe('a picture with one thing in it', () => {
  it('is cropped so that a form which the front keeps clear of it does not hide it', async () => {
    const picture = raster(800, 1280);
    for (let y = 0; y < 1280; y++)
      for (let x = 0; x < 800; x++) {
        const red = Math.hypot(x - 400, y - 900) < 90;
        picture.data.set(red ? [225, 30, 40, 255] : [90, 94, 100, 255], (y * 800 + x) * 4);
      }
    const bytes = await fileOf(picture, 'png');
    const id = assetId(bytes);
    const studio = new NodeStudio(new Map([[id, bytes]]));
    const brief = { ...emptyBrief, title: 'One', author: 'A. B.' };
    const cover = docOf(1600, 2560, [
      newGround('#5a5e64'),
      { ...newPicture({ kind: 'asset', asset: id }), id: 'picture' },
      {
        ...newShape(
          { kind: 'rectangle', radius: 0 },
          { area: { x: 0, y: 0.82, width: 1, height: 0.18 }, colour: '#101010' },
        ),
        id: 'band',
      },
      {
        ...newWords({
          role: 'title',
          cut: 'eb-garamond/400',
          area: { x: 0.1, y: 0.08, width: 0.8, height: 0.2 },
          colour: '#ffffff',
          says: { kind: 'brief', field: 'title' },
          maxSize: 0.2,
        }),
        id: 'title',
      },
    ]);
    const start = startFromWords({ id: 'one', identifier: 'urn:x:1', now: '2026-11-30T10:00:00Z', brief });
    const book: Book = { ...start, cover };
    const [facts] = await sheetPictures([id], studio);
    expect(facts.subject.clear).toBe(true);
    const whole = async (doc: Doc): Promise<number> => {
      const { images, ...composition } = await seen(book, doc, studio);
      return Math.min(...slicesSeen(doc, composition, images, facts, 4, studio));
    };
    expect(await whole(cover)).toBeGreaterThan(0.999);
    const wide = { widthPx: 2560, heightPx: 1440 };
    const before = await whole(adaptDoc(cover, wide));
    const after = await whole((await sizedCover(book, wide, studio)).cover);
    expect(after).toBeGreaterThanOrEqual(before);
    expect(await whole((await sizedCover(book, SQUARE, studio)).cover)).toBeGreaterThan(0.9);
  });
});
