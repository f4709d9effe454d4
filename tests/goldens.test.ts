import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import {
  ARRANGEMENTS,
  FINAL,
  KINDS,
  type Scene,
  arranged,
  defaultScene,
  objectOf,
  plainThing,
  render,
} from '@yosomi/core/mockup';
import { writePng } from '@yosomi/core/image-file';
import { type Raster, flatten, raster, shrink, ssim } from '@yosomi/core/pixels';
import { type Project, assetId, hasPages } from '@yosomi/core/project';
import {
  bookletPage,
  coverRaster,
  noHouse,
  noOthers,
  onGround,
  oneThread,
  pictureKey,
  promoDoc,
  promoPicture,
  promoPictures,
  promoRaster,
  sceneArt,
  sceneTextures,
  sheetAsk,
  sheetPictures,
  stageOf,
  subjectsOf,
  trySketch,
} from '@yosomi/core/recipe';
import { DEMO_PHOTOGRAPHS, demoPhotograph } from '@yosomi/core/demo';
import { type Mark, artOf, findCorners, newFace, newPinScene, photoOf, pinned } from '@yosomi/core/pin';
import type { SurfaceImage } from '@yosomi/core/ink';
import { PAGE_LOOKS, SHEET_IDS } from '@yosomi/core/booklet';
import { WRAPPINGS } from '@yosomi/core/cover';
import { LOOKS, REVEALS, findFormat } from '@yosomi/core/promo';
import { wrapped } from '@yosomi/core/wrapping';
import { NodeStudio, decodeImage } from '@yosomi/node-kit';
import { HAND_NAMES, paintPicture } from '@yosomi/core/paintings';
import { SCENERIES, scenery } from '@yosomi/core/scenery';
import { GROUPS, STRUCTURES, planSheet, sceneryColours } from '@yosomi/core/sketch';
import { demos } from './fixtures/demos';
import { darker, fileOf, flowerPixels, pixelsOf, scenePixels } from './fixtures/pictures';

const GOLDENS = resolve(import.meta.dirname, 'goldens');
const FAILED = resolve(import.meta.dirname, '../test-results/goldens');

let books: Project[];
/** Pictures that stand free on a pale ground, or are dark throughout. */
const freePictures = new Map<string, Uint8Array>();
beforeAll(async () => {
  books = demos();
  for (const pixels of [flowerPixels(1100, 1100, [252, 252, 250]), darker(scenePixels(1000, 1400), 0.45)]) {
    const bytes = await fileOf(pixels, 'png');
    freePictures.set(assetId(bytes), bytes);
  }
});

/** Holds a picture against the kept one; on failure both and their difference are saved. `UPDATE_GOLDENS=1` keeps the new one. */
async function matches(name: string, actual: Raster): Promise<void> {
  const file = join(GOLDENS, `${name}.png`);
  if (process.env.UPDATE_GOLDENS === '1') writeFileSync(file, writePng(actual, 72));
  expect(existsSync(file), `no golden ${name}: run with UPDATE_GOLDENS=1 and look at it`).toBe(true);
  const kept = await pixelsOf(new Uint8Array(readFileSync(file)));
  expect([actual.width, actual.height]).toEqual([kept.width, kept.height]);
  const alike = ssim(actual, kept);
  let sum = 0;
  for (let i = 0; i < kept.data.length; i++) sum += Math.abs(kept.data[i] - actual.data[i]);
  const mean = sum / kept.data.length;
  if (alike < 0.995 || mean > 0.6) {
    mkdirSync(FAILED, { recursive: true });
    const difference = raster(kept.width, kept.height);
    for (let i = 0; i < kept.data.length; i++)
      difference.data[i] = i % 4 === 3 ? 255 : Math.min(255, 8 * Math.abs(kept.data[i] - actual.data[i]));
    writeFileSync(join(FAILED, `${name}-actual.png`), writePng(actual, 72));
    writeFileSync(join(FAILED, `${name}-difference.png`), writePng(difference, 72));
  }
  expect(alike).toBeGreaterThan(0.995);
  expect(mean).toBeLessThan(0.6);
}

describe('goldens', () => {
  it.each([0, 1, 2, 3, 4])('cover of demo book %i', async (i) => {
    const { book, files } = books[i];
    const full = await coverRaster(book, 800, new NodeStudio(files));
    await matches(book.id, shrink(full, 250, 400));
  });

  it('looks of a booklet, on every sheet', async () => {
    const { book, files } = books[0];
    const studio = new NodeStudio(files);
    const shown = PAGE_LOOKS.flatMap((look, i) => {
      const sheet = SHEET_IDS[i % SHEET_IDS.length];
      // An opening, and a page within a chapter.
      return [1, 3].map((page) => ({ made: { ...book, booklet: { ...book.booklet!, look: look.id, sheet } }, page }));
    });
    const [w, h] = [170, 230];
    const out = raster(w * 6, h * Math.ceil(shown.length / 6));
    for (const [i, { made, page }] of shown.entries()) {
      const pixels = hasPages(made) ? await bookletPage(made, page, 640, studio) : null;
      if (!pixels) throw new Error('no such page');
      const k = Math.min((w - 8) / pixels.width, (h - 8) / pixels.height);
      const small = shrink(pixels, Math.round(pixels.width * k), Math.round(pixels.height * k));
      const [x0, y0] = [(i % 6) * w + 4, Math.floor(i / 6) * h + 4];
      for (let y = 0; y < small.height; y++)
        out.data.set(
          small.data.subarray(y * small.width * 4, (y + 1) * small.width * 4),
          ((y0 + y) * out.width + x0) * 4,
        );
    }
    await matches('booklet-looks', out);
  });

  it('mockup on a clear ground', async () => {
    const { book, files } = books[1];
    const studio = new NodeStudio(files);
    const textures = sceneTextures(await sceneArt(book, book.scene, noOthers, studio));
    const picture = render(stageOf(book, book.scene, 320, 320), textures, FINAL);
    if (!picture) throw new Error('not cancelled');
    await matches('mockup', picture);
  });

  it.each(['square', 'tall', 'header'])('all looks of promos, %s', async (id) => {
    const { book } = books[1];
    const studio = new NodeStudio(new Map(books.flatMap((d) => [...d.files])));
    const others = new Map(books.map((d) => [d.book.id, d.book]));
    const format = findFormat(id)!;
    const k = Math.min(180 / format.widthPx, 180 / format.heightPx);
    const [w, h] = [format.widthPx * k, format.heightPx * k].map(Math.round);
    const out = raster(w * 8, h * Math.ceil(LOOKS.length / 8));
    const made = new Map<string, SurfaceImage>();
    for (const [i, look] of LOOKS.entries()) {
      const [release] = Object.values(book.promos);
      const kind = REVEALS.has(look.id) ? ('reveal' as const) : release.message.kind;
      const campaign = {
        ...release,
        message: { ...release.message, kind },
        style: { ...release.style, look: look.id },
      };
      const at = { campaign, format };
      const { doc } = await promoDoc(book, at, others, studio);
      const pictures = new Map<string, SurfaceImage>();
      for (const picture of promoPictures(doc, book.brief, w)) {
        const key = pictureKey(book, picture, others);
        const pixels = made.get(key) ?? studio.imageOf((await promoPicture(oneThread(studio), book, picture, others))!);
        made.set(key, pixels);
        pictures.set(picture.name, pixels);
      }
      const tile = await promoRaster(book, at, pictures, w, others, studio);
      for (let y = 0; y < Math.min(h, tile.height); y++)
        out.data.set(
          tile.data.subarray(y * tile.width * 4, (y * tile.width + Math.min(w, tile.width)) * 4),
          ((Math.floor(i / 8) * h + y) * out.width + (i % 8) * w) * 4,
        );
    }
    await matches(`promos-${id}`, out);
  });

  it('wrappings of a reveal, a little and much of the cover shown', async () => {
    const { book, files } = books[3];
    const cover = await coverRaster(book, 150, new NodeStudio(files));
    const out = raster(150 * WRAPPINGS.length, 240 * 2);
    for (const [i, kind] of WRAPPINGS.entries())
      for (const [j, share] of [0.18, 0.6].entries()) {
        const shown = wrapped(cover, {
          kind,
          share,
          at: { x: 0.5, y: 0.6 },
          colour: '#35507a',
          accent: '#e2b45c',
          seed: 7,
        });
        for (let y = 0; y < 240; y++)
          out.data.set(shown.data.subarray(y * 600, (y + 1) * 600), ((j * 240 + y) * out.width + i * 150) * 4);
      }
    await matches('promos-reveals', out);
  });

  /** Things of several scenes side by side, `columns` a row, on a plain grey. */
  const sheet = async (scenes: readonly Scene[], px: number, columns: number): Promise<Raster> => {
    const { book } = books[1];
    const studio = new NodeStudio(new Map(books.flatMap((d) => [...d.files])));
    const others = new Map(books.map((d) => [d.book.id, d.book]));
    const out = raster(px * columns, px * Math.ceil(scenes.length / columns));
    out.data.fill(255);
    for (const [i, scene] of scenes.entries()) {
      const textures = sceneTextures(await sceneArt(book, scene, others, studio, 300));
      const things = render(stageOf(book, scene, px, px, others), textures, FINAL)!;
      const lit = await onGround(
        things,
        book,
        { ...scene, ground: { kind: 'colour', colour: '#d6d7d4' } },
        subjectsOf(book, scene, others),
        studio,
      );
      for (let y = 0; y < px; y++) {
        const to = ((Math.floor(i / columns) * px + y) * out.width + (i % columns) * px) * 4;
        out.data.set(lit.data.subarray(y * px * 4, (y + 1) * px * 4), to);
      }
    }
    return out;
  };

  it.each(GROUPS)('every structure of the sketch sheet: %s', async (group) => {
    const [moss, poems] = [books[0], books[4]];
    const [wide, high, columns] = [180, 288, 7];
    const own = STRUCTURES.filter((s) => s.group === group);
    const out = raster(wide * columns, high * Math.ceil(own.length / columns));
    out.data.fill(128);
    for (let i = 3; i < out.data.length; i += 4) out.data[i] = 255;
    for (const [i, structure] of own.entries()) {
      const { book, files } = structure.asks.pictures[0] > 0 ? moss : poems;
      const studio = new NodeStudio(new Map([...files, ...freePictures]));
      // Some structures ask for something that the demo picture does not have.
      const ids = structure.asks.pictures[0] > 0 ? [...book.sheet.pictures, ...freePictures.keys()] : [];
      const brief = {
        ...book.brief,
        genres: [],
        seriesName: structure.asks.series ? 'Small Hours' : '',
        seriesNumber: structure.asks.series ? 2 : null,
      };
      const ask = sheetAsk({ ...book, brief }, noHouse, await sheetPictures(ids, studio), await studio.symbols());
      const plan = planSheet(ask);
      if (!plan.ok) throw new Error(plan.fault.code);
      let made: Raster | null = null;
      for (const one of plan.value.flatMap((slot) => slot.attempts).filter((a) => a.structure === structure.id)) {
        const tried = await trySketch(one, ask, studio, wide);
        if (tried.ok) {
          made = tried.value.pixels;
          break;
        }
      }
      if (!made) throw new Error(`no cover of ${structure.id}`);
      for (let y = 0; y < high; y++)
        out.data.set(
          made.data.subarray(y * wide * 4, (y + 1) * wide * 4),
          ((Math.floor(i / columns) * high + y) * out.width + (i % columns) * wide) * 4,
        );
    }
    await matches(`structures-${group}`, out);
  });

  it('every drawn scenery, in the colours of a dark and of a light mood', async () => {
    const [wide, high] = [150, 240];
    const out = raster(wide * SCENERIES.length, high * 2);
    for (const [row, mood] of (['dark', 'calm'] as const).entries())
      for (const [i, kind] of SCENERIES.entries()) {
        const ink = scenery(kind, row + 1, sceneryColours(mood, row));
        const small = shrink(new NodeStudio(new Map()).paint(ink, 600, new Map()), wide, high);
        for (let y = 0; y < high; y++)
          out.data.set(
            small.data.subarray(y * wide * 4, (y + 1) * wide * 4),
            ((row * high + y) * out.width + i * wide) * 4,
          );
      }
    await matches('sceneries', out);
  });

  it('pictures of the desk: four motifs in every hand', async () => {
    const [wide, high] = [80, 128];
    const motifs = ['ridges', 'rain', 'bloom', 'lantern'] as const;
    const studio = new NodeStudio(new Map());
    const out = raster(wide * HAND_NAMES.length, high * motifs.length);
    for (const [row, motif] of motifs.entries())
      for (const [column, hand] of HAND_NAMES.entries()) {
        const spec = { motif, hand, pigments: (['dawn', 'sea', 'coral', 'ember'] as const)[row], seed: 1, tall: 1.6 };
        const made = paintPicture(spec, wide * 2, (ink, px) => studio.paint(ink, px, new Map()));
        if (!made) throw new Error('stopped');
        const small = shrink(made, wide, high);
        for (let y = 0; y < high; y++)
          out.data.set(
            small.data.subarray(y * wide * 4, (y + 1) * wide * 4),
            ((row * high + y) * out.width + column * wide) * 4,
          );
      }
    await matches('desk-hands', out);
  });

  it('every object', async () => {
    const scenes = KINDS.map((kind): Scene => {
      const object = objectOf(kind, { kind: 'phone' });
      const flat = kind === 'open-book' || kind === 'laptop';
      const opened = object.kind === 'jacketed' ? { ...object, openRad: 0.9 } : object;
      const pose = { ...defaultScene.pose, tiltRad: flat ? 0.5 : 0.2, turnRad: kind === 'slipcase' ? 0.9 : 0.51 };
      return { ...defaultScene, things: [plainThing(opened)], pose };
    });
    await matches('objects', await sheet(scenes, 180, 5));
  });

  it('every arrangement, with the volumes of the series', async () => {
    const series = [books[2].book.id, books[3].book.id];
    const scenes = ARRANGEMENTS.map((one) => ({ ...arranged(defaultScene, one, series), reflection: 0.3 }));
    await matches('arrangements', await sheet(scenes, 200, 4));
  });

  it('a table, a cover that stands off, foil, and depth of field', async () => {
    const { book, files } = books[2];
    const studio = new NodeStudio(new Map([...files, ...books[1].files]));
    const title = { ...book.cover.parts.title, foil: true };
    const gilded = { ...book, cover: { ...book.cover, parts: { ...book.cover.parts, title } } };
    const others = new Map([[books[1].book.id, books[1].book]]);
    const table: Scene['ground'] = { kind: 'table', material: 'wood', colour: '#a87850', wall: '#d8d4cb' };
    const off = plainThing({ kind: 'paperback', thicknessMm: null, liftMm: 14 });
    const behind = { ...off, art: { kind: 'title', id: books[1].book.id } as const, nearerMm: -200, rightMm: 40 };
    const scenes: Scene[] = [
      { ...defaultScene, ground: table, pose: { ...defaultScene.pose, lensMm: 60, margin: 0.14 } },
      { ...defaultScene, ground: table, things: [off], pose: { ...defaultScene.pose, turnRad: -0.5 }, reflection: 0.2 },
      { ...defaultScene, arrangement: 'row', things: [off, behind], ground: table, focus: { blur: 0.8, at: 0.1 } },
    ];
    const px = 260;
    const out = raster(px * 3, px);
    for (const [i, scene] of scenes.entries()) {
      const textures = sceneTextures(await sceneArt(gilded, scene, others, studio, 400));
      const things = render(stageOf(gilded, scene, px, px, others), textures, FINAL)!;
      const lit = await onGround(things, gilded, scene, subjectsOf(gilded, scene, others), studio);
      for (let y = 0; y < px; y++) out.data.set(lit.data.subarray(y * px * 4, (y + 1) * px * 4), (y * 3 + i) * px * 4);
    }
    await matches('table', out);
  });
});

describe('photographs', () => {
  it('that ship with the app, each with a cover of the demo pinned where its corners are found', async () => {
    const sheet = raster(3 * 330, 400);
    sheet.data.fill(255);
    for (const [i, one] of DEMO_PHOTOGRAPHS.entries()) {
      const decoded = await decodeImage(
        new Uint8Array(readFileSync(resolve(import.meta.dirname, `../assets/photographs/${one.name}.jpg`))),
      );
      if (!decoded.ok) throw new Error(decoded.fault.code);
      const photo = decoded.value.raster;
      const found = findCorners(photo);
      if (found.kind !== 'found') throw new Error(`${one.name}: ${found.kind}`);
      const corners = found.corners.map((p): [number, number] => [p.x, p.y]);
      const thumb: Mark[] = one.thumb
        ? [
            {
              kind: 'range',
              on: 'front',
              add: true,
              at: [one.thumb.knuckle.x, one.thumb.knuckle.y],
              tolerance: 0.12,
              joined: true,
            },
          ]
        : [];
      const face = newFace('a', 'Front', corners, { kind: 'side', side: 'front' });
      const scene = {
        ...newPinScene({ asset: 'p', widthPx: photo.width, heightPx: photo.height }),
        faces: [face],
        marks: thumb,
      };
      const { book, files } = books[i];
      const art = artOf(flatten(await coverRaster(book, 900, new NodeStudio(files)), [255, 255, 255]));
      const made = pinned(photoOf(photo), scene, new Map([['a', art]]));
      if (!made.ok) throw new Error(made.fault.code);
      const k = Math.min(330 / photo.width, 400 / photo.height);
      const small = shrink(made.value, Math.round(photo.width * k), Math.round(photo.height * k));
      for (let y = 0; y < small.height; y++)
        sheet.data.set(
          small.data.subarray(y * small.width * 4, (y + 1) * small.width * 4),
          (y * sheet.width + i * 330) * 4,
        );
    }
    await matches('photographs', sheet);
  }, 180_000);

  it('are what the recipe makes', async () => {
    const [one] = DEMO_PHOTOGRAPHS;
    const bytes = readFileSync(resolve(import.meta.dirname, `../assets/photographs/${one.name}.jpg`));
    const kept = await pixelsOf(new Uint8Array(bytes));
    const k = 0.2;
    const made = await demoPhotograph(one, new NodeStudio(new Map()), k);
    const small = shrink(kept, made.width, made.height);
    expect(
      ssim(shrink(made, made.width / 2, made.height / 2), shrink(small, made.width / 2, made.height / 2)),
    ).toBeGreaterThan(0.9);
  });
});
