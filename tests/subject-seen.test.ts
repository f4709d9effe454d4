import { beforeAll, describe, expect, it } from 'vitest';
import { GENRES, emptyBrief, sortOf } from '@yosomi/core/book';
import { compose } from '@yosomi/core/compose';
import {
  type Doc,
  type PartSeed,
  docOf,
  newGround,
  newPicture,
  newScrim,
  newShape,
  newWords,
  plainLook,
} from '@yosomi/core/cover';
import { type Raster, raster } from '@yosomi/core/pixels';
import { assetId } from '@yosomi/core/project';
import { composeSheet, gather, noHouse, pictureShows, sheetPictures, subjectSeen } from '@yosomi/core/recipe';
import { type PictureFacts, type SheetAsk, planSheet } from '@yosomi/core/sketch';
import { NodeStudio, shippedSymbols } from '@yosomi/node-kit';
import { fileOf } from './fixtures/pictures';

/** A grey evening with one red disc. */
function discOn(width: number, height: number, x: number, y: number, r: number): Raster {
  const out = raster(width, height);
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      const red = Math.hypot(column - x * width, row - y * height) < r * width;
      const v = 70 + (90 * row) / height;
      out.data.set(red ? [225, 30, 40, 255] : [v, v, v + 6, 255], (row * width + column) * 4);
    }
  return out;
}

const brief = { ...emptyBrief, title: 'The Red Hour', author: 'Mina Orr' };
let studio: NodeStudio;
let disc: PictureFacts;
let low: PictureFacts;

beforeAll(async () => {
  const files = new Map<string, Uint8Array>();
  for (const pixels of [discOn(1000, 1600, 0.5, 0.5, 0.16), discOn(1200, 1200, 0.3, 0.72, 0.12)]) {
    const bytes = await fileOf(pixels, 'png');
    files.set(assetId(bytes), bytes);
  }
  studio = new NodeStudio(files);
  [disc, low] = await sheetPictures([...files.keys()], studio);
});

const WHOLE = { x: 0, y: 0, width: 1, height: 1 };
const shown = (more: Partial<Extract<PartSeed, { kind: 'picture' }>> = {}): PartSeed => ({
  ...newPicture({ kind: 'asset', asset: disc.asset }, { area: WHOLE, ...more }),
  id: 'picture',
});
const plate = (area: typeof WHOLE, opacity = 1): PartSeed => ({
  ...newShape({ kind: 'rectangle', radius: 0 }, { area, colour: '#e01e28', opacity }),
  id: 'plate',
});

async function seen(parts: readonly PartSeed[]): Promise<number> {
  const doc = docOf(1600, 2560, [{ ...newGround('#222222'), id: 'ground' }, ...parts]);
  const { resources, images } = await gather(doc, brief, studio, 400);
  return subjectSeen(doc, compose(doc, brief, resources), images, [disc], studio);
}

describe('whether a picture is to be seen at all', () => {
  const shows = async (parts: readonly PartSeed[]): Promise<number> => {
    const doc = docOf(1600, 2560, [{ ...newGround('#222222'), id: 'ground' }, ...parts]);
    const { resources, images } = await gather(doc, brief, studio, 400);
    return pictureShows(doc, compose(doc, brief, resources), images, [disc], studio);
  };
  const tinted = (dark: string, light: string): PartSeed =>
    shown({ look: { ...plainLook, tint: { dark, light, amount: 1 } } });
  it('is so of one that is as it is, and of one in two colours that differ', async () => {
    expect(await shows([shown()])).toBeGreaterThan(0.3);
    expect(await shows([tinted('#102030', '#e0d0b0')])).toBeGreaterThan(0.1);
  });
  it('is not so of one in a single colour, in two that are nearly one, under a plate, or as thin as air', async () => {
    expect(await shows([tinted('#d42215', '#d42215')])).toBeLessThan(0.01);
    expect(await shows([tinted('#d42215', '#da2a1c')])).toBeLessThan(0.06);
    expect(await shows([shown(), plate(WHOLE)])).toBeLessThan(0.01);
    expect(await shows([shown({ opacity: 0.03 })])).toBeLessThan(0.06);
  });
  it('asks for nothing where there is no picture, and finds one in a small window', async () => {
    expect(await shows([])).toBe(1);
    expect(await shows([shown({ area: { x: 0.4, y: 0.4, width: 0.2, height: 0.2 } })])).toBeGreaterThan(0.1);
  });
});

describe('how much of a subject is seen', () => {
  it('is all of it where nothing lies over it, and nothing under a plate, even one of its own colour', async () => {
    expect(disc.subject.clear).toBe(true);
    expect(await seen([shown()])).toBeCloseTo(1, 2);
    expect(await seen([shown(), plate({ x: 0.2, y: 0.3, width: 0.6, height: 0.4 })])).toBeLessThan(0.02);
    expect(await seen([plate({ x: 0.2, y: 0.3, width: 0.6, height: 0.4 }), shown()])).toBeCloseTo(1, 2);
  });

  it('is half of it under a plate over one half, and all beside one', async () => {
    expect(await seen([shown(), plate({ x: 0, y: 0, width: 0.5, height: 1 })])).toBeCloseTo(0.5, 1);
    expect(await seen([shown(), plate({ x: 0, y: 0.7, width: 1, height: 0.3 })])).toBeCloseTo(1, 2);
  });

  it('is not less for a veil or a scrim that lets it through, and none behind a thick one', async () => {
    const scrim = { ...newScrim({ from: 'top', reach: 1, hold: 1, colour: '#000000', opacity: 0.45 }), id: 'scrim' };
    expect(await seen([shown(), scrim])).toBeGreaterThan(0.95);
    expect(await seen([shown(), plate(WHOLE, 0.5)])).toBeCloseTo(1, 2);
    expect(await seen([shown(), plate(WHOLE, 0.8)])).toBe(0);
  });

  it('is less by what words lie on, between their letters too', async () => {
    const words = (area: typeof WHOLE): PartSeed => ({
      ...newWords({
        role: 'title',
        says: { kind: 'own', text: 'IIIIIIII' },
        area,
        cut: 'work-sans/400',
        colour: '#ffffff',
      }),
      id: 'title',
    });
    expect(await seen([shown(), words({ x: 0.3, y: 0.42, width: 0.4, height: 0.16 })])).toBeLessThan(0.5);
    expect(await seen([shown(), words({ x: 0.1, y: 0.05, width: 0.8, height: 0.2 })])).toBeCloseTo(1, 2);
  });

  it('is less by what a crop or a shape cuts away', async () => {
    const strip = { x: 0.1, y: 0.1, width: 0.8, height: 0.3 };
    expect(await seen([shown({ area: strip, focus: { x: 0.5, y: 0.5 } })])).toBeGreaterThan(0.95);
    expect(await seen([shown({ area: strip, focus: { x: 0.5, y: 0 } })])).toBeLessThan(0.05);
    expect(await seen([shown({ zoom: 4, focus: { x: 0, y: 0 } })])).toBe(0);
    expect(await seen([shown({ area: { x: 0, y: 0.4, width: 1, height: 0.2 }, fit: 'whole' })])).toBeCloseTo(1, 1);
  });

  it('is not asked of a picture that is blurred to its colours, hidden, or has no subject', async () => {
    const over = plate({ x: 0.2, y: 0.3, width: 0.6, height: 0.4 });
    expect(await seen([shown({ look: { ...plainLook, blur: 0.06 } }), over])).toBe(1);
    expect(await seen([shown({ hidden: true }), over])).toBe(1);
    expect(await seen([over])).toBe(1);
  });
});

/** Red pixels of a painted document: those of the disc, where its picture is not graded. */
async function reds(doc: Doc): Promise<number> {
  const { resources, images } = await gather(doc, brief, studio, 200);
  const { data } = studio.paint(compose(doc, brief, resources).ink, 200, images);
  let n = 0;
  for (let i = 0; i < data.length; i += 4) if (data[i] > 120 && data[i + 1] < 80 && data[i + 2] < 90) n++;
  return n;
}

describe('a sheet with a picture', () => {
  const ask = (pictures: readonly PictureFacts[], more: Partial<SheetAsk> = {}): SheetAsk => ({
    brief,
    widthPx: 1600,
    heightPx: 2560,
    pictures,
    symbols: shippedSymbols(),
    authorLarge: false,
    mark: null,
    seed: 5,
    house: noHouse,
    must: { colour: '#3a4f66', cut: null },
    pictured: 'most',
    ...more,
  });

  it.each(['in the middle', 'low on one side'])(
    'leaves a subject %s alone: as many of its pixels are there as without words and shapes',
    async (where) => {
      const of = ask([where === 'in the middle' ? disc : low]);
      const plan = planSheet(of);
      if (!plan.ok) throw new Error(plan.fault.code);
      let looked = 0;
      for await (const { doc, sketch } of composeSheet(plan.value, of, 24, studio, 120)) {
        const pictures = Object.values(doc.parts).filter((p) => p.kind === 'picture');
        if (
          pictures.length !== 1 ||
          pictures[0].kind !== 'picture' ||
          JSON.stringify(pictures[0].look) !== JSON.stringify(plainLook)
        )
          continue;
        const bare = {
          ...doc,
          parts: Object.fromEntries(
            Object.entries(doc.parts).filter(([, p]) => p.kind === 'ground' || p.kind === 'picture'),
          ),
        };
        const alone = await reds(bare);
        if (alone === 0) continue;
        looked++;
        expect((await reds(doc)) / alone, `${sketch.structure}/${sketch.turn}`).toBeGreaterThan(0.72);
      }
      expect(looked).toBeGreaterThan(5);
    },
    120_000,
  );

  it.each([
    ['most', 0.8],
    ['half', 0.5],
  ] as const)(
    'shows it on %s of its covers, from the first on, and in kinds that take few structures',
    async (pictured, least) => {
      for (const genres of [[], ['picture-book'], ['thriller']] as const) {
        const of = ask([disc], {
          pictured,
          must: { colour: null, cut: null },
          brief: { ...brief, genres: [...genres] },
        });
        const plan = planSheet(of);
        if (!plan.ok) throw new Error(plan.fault.code);
        let [all, with_] = [0, 0];
        for await (const { sketch } of composeSheet(plan.value, of, 18, studio, 120)) {
          all++;
          if (sketch.pictures.length > 0) with_++;
          if (all === 6) expect(with_).toBeGreaterThanOrEqual(6 * least - 1e-9);
        }
        expect(all).toBe(18);
        expect(with_ / all).toBeGreaterThanOrEqual(least);
      }
    },
    240_000,
  );
});

describe('whole sheets of every kind', () => {
  it.each(GENRES)(
    '%s has 16 covers of words alone',
    async (genre) => {
      const of: SheetAsk = {
        brief: { ...brief, title: 'Slow Rivers', genres: [genre], kind: sortOf(genre) },
        widthPx: 1600,
        heightPx: 2560,
        pictures: [],
        symbols: shippedSymbols(),
        authorLarge: false,
        mark: null,
        seed: 2,
        house: noHouse,
        must: { colour: null, cut: null },
        pictured: 'most',
      };
      const plan = planSheet(of);
      if (!plan.ok) throw new Error(plan.fault.code);
      let n = 0;
      for await (const one of composeSheet(plan.value, of, 16, studio, 96)) if (one) n++;
      expect(n).toBe(16);
    },
    60_000,
  );
});
