import { beforeAll, describe, expect, it } from 'vitest';
import { untold } from '@yosomi/core/book';
import { newFace, newPinScene } from '@yosomi/core/pin';
import type { Raster } from '@yosomi/core/pixels';
import { type Asset, type Book, assetId } from '@yosomi/core/project';
import { FORMATS, findFormat, newCampaign } from '@yosomi/core/promo';
import {
  type PromoAt,
  imagesOf,
  noOthers,
  oneThread,
  promoDoc,
  promoJob,
  promoKey,
  promoRaster,
} from '@yosomi/core/recipe';
import { fileOf, scenePixels } from './fixtures/pictures';
import { QuickStudio } from './fixtures/quick-studio';
import { wordsBook } from './fixtures/books';

/** A title with a photograph that its cover is pinned on. */
async function withPhotograph(): Promise<{ book: Book; files: Map<string, Uint8Array> }> {
  const bytes = await fileOf(scenePixels(900, 700), 'jpeg');
  const asset: Asset = {
    id: assetId(bytes),
    format: 'jpeg',
    widthPx: 900,
    heightPx: 700,
    name: 'Desk',
    rights: untold,
  };
  const corners: [number, number][] = [
    [520, 180],
    [700, 200],
    [690, 480],
    [510, 450],
  ];
  const face = newFace('front', 'Front', corners, { kind: 'side', side: 'front' });
  const book = wordsBook();
  const pin = { ...newPinScene({ asset: asset.id, widthPx: 900, heightPx: 700 }), faces: [face] };
  return { book: { ...book, assets: { [asset.id]: asset }, pin }, files: new Map([[asset.id, bytes]]) };
}

let book: Book;
let studio: QuickStudio;
beforeAll(async () => {
  const made = await withPhotograph();
  book = made.book;
  studio = new QuickStudio(made.files);
});

const atOf = (format: string): PromoAt => {
  const campaign = newCampaign('c', 'C', 'announcement');
  const message = { ...campaign.message, wordings: [{ headline: 'On every desk', line: '' }], call: 'Read' };
  return {
    campaign: { ...campaign, message, style: { ...campaign.style, look: 'photograph' } },
    format: findFormat(format)!,
  };
};

async function painted(of: Book, at: PromoAt, widthPx = 500): Promise<Raster> {
  const job = await promoJob(oneThread(studio), of, at, noOthers);
  if (!job.ok) throw new Error(job.fault.code);
  return promoRaster(of, at, imagesOf(job.value.pictures, studio), widthPx, noOthers, studio);
}

const differing = (a: Raster, b: Raster): { share: number; left: number } => {
  let n = 0;
  let left = a.width;
  for (let i = 0; i < a.data.length; i += 4) {
    if (Math.max(...[0, 1, 2].map((c) => Math.abs(a.data[i + c] - b.data[i + c]))) <= 14) continue;
    n++;
    left = Math.min(left, (i / 4) % a.width);
  }
  return { share: n / (a.width * a.height), left };
};

describe('the look in a photograph of one’s own', () => {
  it('shows the photograph with the present cover on it, and follows the cover in it', async () => {
    const at = atOf('wide');
    const shown = await promoDoc(book, at, noOthers, studio);
    expect(shown.look).toBe('photograph');
    expect(shown.doc.parts.photograph).toMatchObject({ source: { kind: 'pinned' } });
    const parts = {
      ...book.cover.parts,
      ground: { ...book.cover.parts.ground, paint: { kind: 'flat', colour: '#c81414' } },
    };
    const red = { ...book, cover: { ...book.cover, parts: parts as never } };
    const [before, after] = [await painted(book, at), await painted(red, at)];
    const place = book.pin!.faces[0].corners;
    expect(place).toHaveLength(4);
    expect(differing(before, after).share).toBeGreaterThan(0.01);
    expect(promoKey(red, at, noOthers)).not.toBe(promoKey(book, at, noOthers));
  });

  it('is out of date when the cover is moved on the photograph, and other looks are not', () => {
    const moved = {
      ...book,
      pin: { ...book.pin!, faces: book.pin!.faces.map((face) => ({ ...face, grain: 0.4 })) },
    };
    const [here, there] = [promoKey(book, atOf('wide'), noOthers), promoKey(moved, atOf('wide'), noOthers)];
    expect(there).not.toBe(here);
    const dusk = (one: Book): string => {
      const at = atOf('wide');
      return promoKey(
        one,
        { ...at, campaign: { ...at.campaign, style: { ...at.campaign.style, look: 'dusk' } } },
        noOthers,
      );
    };
    expect(dusk(moved)).toBe(dusk(book));
  });

  it('keeps words and photograph apart in every format, and says where it has no photograph', async () => {
    for (const format of FORMATS) {
      const { doc, look } = await promoDoc(book, atOf(format.id), noOthers, studio);
      expect(look, format.id).toBe('photograph');
      const { headline, photograph } = doc.parts;
      if (headline.kind !== 'words' || photograph.kind !== 'picture') throw new Error('parts');
      const [a, b] = [headline.area, photograph.area];
      const apart =
        a.x + a.width <= b.x + 0.01 ||
        b.x + b.width <= a.x + 0.01 ||
        a.y + a.height <= b.y + 0.01 ||
        b.y + b.height <= a.y + 0.01;
      expect(apart, format.id).toBe(true);
    }
    expect((await promoDoc({ ...book, pin: null }, atOf('wide'), noOthers, studio)).look).not.toBe('photograph');
    const lost = await promoJob(oneThread(new QuickStudio(new Map())), book, atOf('wide'), noOthers);
    expect(lost).toMatchObject({ ok: false, fault: { code: 'picture-missing', data: { name: 'Desk' } } });
  });
});

describe('a promo that does not show the ground of Mockups', () => {
  it('is made though that ground’s picture is gone', async () => {
    const asset = { ...Object.values(book.assets)[0], id: 'gone', name: 'Gone' };
    const scene = { ...book.scene, ground: { kind: 'picture' as const, asset: 'gone' } };
    const at = atOf('square');
    const plain = { ...at, campaign: { ...at.campaign, style: { ...at.campaign.style, look: 'dusk' } } };
    const made = await promoJob(
      oneThread(studio),
      { ...book, scene, assets: { ...book.assets, gone: asset } },
      plain,
      noOthers,
    );
    expect(made.ok).toBe(true);
  });
});
