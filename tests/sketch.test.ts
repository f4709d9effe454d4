import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { type Brief, emptyBrief } from '@yosomi/core/book';
import { contrastOf, luminance, rgbOf } from '@yosomi/core/colour';
import { compose } from '@yosomi/core/compose';
import { Doc, adaptDoc } from '@yosomi/core/cover';
import { type Raster, raster } from '@yosomi/core/pixels';
import { assetId } from '@yosomi/core/project';
import { type Sketched, composeSheet, cutsOf, gather, noHouse, sheetPictures, trySketch } from '@yosomi/core/recipe';
import {
  LEAST_DIFFERENCE,
  type PictureFacts,
  SAFE,
  STRUCTURES,
  type SheetAsk,
  type Sketch,
  type Slot,
  type Structure,
  canServe,
  difference,
  drawSketch,
  factsOf,
  misfit,
  planSheet,
} from '@yosomi/core/sketch';
import { FACES_WITH, FAMILIES, SCRIPTS, type Script } from '@yosomi/core/text';
import { NodeStudio, ROOT, shippedSymbols } from '@yosomi/node-kit';
import { inTurn } from './fixtures/cases';
import { darker, fileOf, flowerPixels, scenePixels } from './fixtures/pictures';

const noise = (size: number): Raster => {
  const out = raster(size, size);
  let state = 1;
  for (let i = 0; i < out.data.length; i++) {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    out.data[i] = i % 4 === 3 ? 255 : state >>> 24;
  }
  return out;
};
const white = (size: number): Raster => {
  const out = raster(size, size);
  out.data.fill(255);
  return out;
};

let studio: NodeStudio;
const pictures: Record<'scene' | 'night' | 'flower' | 'free' | 'noise' | 'white' | 'tiny', PictureFacts> = {} as never;

beforeAll(async () => {
  const files = new Map<string, Uint8Array>();
  const kept: [keyof typeof pictures, Raster][] = [
    ['scene', scenePixels(1200, 1500)],
    ['night', darker(scenePixels(1100, 1500), 0.45)],
    ['flower', flowerPixels(1400, 1000, [92, 120, 84])],
    ['free', flowerPixels(1200, 1200, [252, 252, 250])],
    ['noise', noise(900)],
    ['white', white(800)],
    ['tiny', scenePixels(200, 200)],
  ];
  const ids = new Map<string, keyof typeof pictures>();
  for (const [name, pixels] of kept) {
    const bytes = await fileOf(pixels, 'png');
    files.set(assetId(bytes), bytes);
    ids.set(assetId(bytes), name);
  }
  studio = new NodeStudio(files);
  for (const facts of await sheetPictures([...ids.keys()], studio)) pictures[ids.get(facts.asset)!] = facts;
});

const brief = (more: Partial<Brief> = {}): Brief => ({
  ...emptyBrief,
  title: 'A Map of Slow Rivers',
  author: 'Ada Fenwright',
  ...more,
});
const ask = (
  more: Partial<Brief> = {},
  shown: readonly PictureFacts[] = [],
  other: Partial<SheetAsk> = {},
): SheetAsk => ({
  brief: brief(more),
  widthPx: 1600,
  heightPx: 2560,
  pictures: shown,
  symbols: shippedSymbols(),
  authorLarge: false,
  mark: null,
  seed: 3,
  house: noHouse,
  must: { colour: null, cut: null },
  pictured: 'any',
  ...other,
});

async function sheet(of: SheetAsk, most: number): Promise<(Sketched & { pixels: Raster })[]> {
  const plan = planSheet(of);
  if (!plan.ok) throw new Error(plan.fault.code);
  const made = [];
  for await (const one of composeSheet(plan.value, of, most, studio, 160)) made.push(one);
  return made;
}

/** Laws of every cover that comes onto a sheet, beside that it was measured to read. */
function isSound(made: Sketched, of: SheetAsk): void {
  expect(Doc.safeParse(made.doc).success).toBe(true);
  expect(misfit(made.doc, of.brief, studio.shaper)).toBeNull();
  const again = drawSketch(made.sketch, of, studio.shaper);
  expect(again.ok && again.value).toEqual(made.doc);
}

describe('faces', () => {
  const SAMPLES: Record<Script, string> = {
    latin: 'AZazßéøÅ19',
    'latin-extended': 'ŁěőŚžğ',
    vietnamese: 'ẾởựĐạ',
    greek: 'ΑΒγδϊώ',
    cyrillic: 'АБжщыё',
    arabic: 'ابتجخ',
    hebrew: 'אבגד',
  };
  it('have just the groups of letters that their table says', async () => {
    const folders = readdirSync(join(ROOT, 'assets/fonts'));
    for (const family of FAMILIES) {
      expect(folders).toContain(family.id);
      for (const { id } of family.cuts) {
        await studio.loadFonts([id]);
        for (const script of SCRIPTS) {
          const has = studio.shaper.lacks(id, SAMPLES[script]).length === 0;
          const said = script === 'latin' || FACES_WITH[script].includes(family.id);
          // Vietnamese names use letters of Latin extended as well, so a family may have it without saying so.
          if (said) expect(has, `${id} ${script}`).toBe(true);
          else expect(has, `${id} ${script}`).toBe(false);
        }
      }
    }
  });
});

const WORDS: Readonly<Record<string, Partial<Brief>>> = {
  common: { subtitle: 'Notes from a narrow boat' },
  one: { title: 'Ash', author: 'Bo Li' },
  short: { title: 'Salt Roads', subtitle: 'A novel', author: 'Imre Castellan' },
  twelve: {
    title: 'All the Things We Never Told Anyone About the House Upstairs Again',
    author: 'Ines Varga and Tobias Wren-Archer',
  },
  subtitled: {
    title: 'Quiet Streets',
    subtitle:
      'What fourteen small towns learned in ten years of slower traffic, with tables, maps and advice for councils that want to do it too.',
    seriesName: 'Reports of the Hearth Trust',
    seriesNumber: 12,
  },
};
const SIZES = [
  [1600, 2560],
  [1600, 2400],
  [1800, 2400],
  [2000, 2000],
] as const;
const FACES = [
  { title: 'fraunces/800', other: 'jost/600' },
  { title: 'cormorant-garamond/700', other: 'josefin-sans/600' },
  { title: 'oswald/600', other: 'spectral/400' },
];

const plans = new Map<string, readonly Slot[]>();

function planOf(of: SheetAsk): readonly Slot[] {
  const key = JSON.stringify([of.brief, of.widthPx, of.heightPx, of.pictures.map((p) => p.asset)]);
  const known = plans.get(key);
  if (known) return known;
  const plan = planSheet(of);
  if (!plan.ok) throw new Error(plan.fault.code);
  plans.set(key, plan.value);
  return plan.value;
}

/** What one structure draws for some words, pictures and size: as many covers as it has turns, in faces of three kinds. */
async function drawnBy(structure: Structure, of: SheetAsk): Promise<{ sketch: Sketch; doc: Doc }[]> {
  const own = planOf(of).flatMap((slot) => slot.attempts.filter((one) => one.structure === structure.id));
  const drawn: { sketch: Sketch; doc: Doc }[] = [];
  for (const [i, one] of own.slice(0, 9).entries()) {
    if (drawn.length === structure.turns) break;
    const sketch = { ...one, turn: i % structure.turns, faces: FACES[i % FACES.length] };
    await studio.loadFonts(cutsOf(sketch));
    const doc = drawSketch(sketch, of, studio.shaper);
    if (doc.ok) drawn.push({ sketch, doc: doc.value });
  }
  return drawn;
}

const picturesFor = ({ asks }: Structure): PictureFacts[] =>
  asks.pictures[0] === 0
    ? []
    : [pictures.scene, pictures.night, pictures.flower, pictures.free].filter((p) => asks.picture?.(p) ?? true);

/** Words whose letters lie over a framed picture, each with that picture. */
function ontoPictures(doc: Doc, brief: Brief): string[] {
  const { blocks } = compose(doc, brief, { shaper: studio.shaper, images: new Map(), syllables: null });
  const parts = Object.values(doc.parts);
  return parts.flatMap((picture) => {
    if (picture.kind !== 'picture' || (picture.area.width > 0.98 && picture.area.height > 0.98)) return [];
    const { x, y, width, height } = picture.area;
    const [w, h] = [doc.widthPx, doc.heightPx];
    return parts.flatMap((words) => {
      const box = blocks.get(words.id)?.box;
      if (words.kind !== 'words' || !box || box.width === 0) return [];
      const across = Math.min(box.x + box.width, (x + width) * w) - Math.max(box.x, x * w);
      const down = Math.min(box.y + box.height, (y + height) * h) - Math.max(box.y, y * h);
      return across > 1 && down > 1 ? [`${words.id} on ${picture.id}`] : [];
    });
  });
}

describe.each(STRUCTURES.map((s, at) => [s.id, s, at] as const))('the structure %s', (_, structure, at) => {
  it('sets words of any length on any size without overlap, inside the safe area, not too small, and so that they read', async () => {
    const shown = picturesFor(structure);
    const inSize = new Map<number, number>();
    let painted = 0;
    for (const [w, words] of Object.values(WORDS).entries()) {
      for (const [k, [widthPx, heightPx]] of SIZES.entries()) {
        const ratio = heightPx / widthPx;
        if (!inTurn(2, w, k, at) && inSize.has(ratio)) continue;
        const of = ask(words, shown, { widthPx, heightPx });
        if (!canServe(structure, factsOf(of.brief), shown, ratio, of.brief.seriesNumber !== null, 5)) continue;
        let toPaint = inTurn(4, w, k, at) || painted === 0 ? 1 : 0;
        for (const { sketch, doc } of await drawnBy(structure, of)) {
          inSize.set(ratio, (inSize.get(ratio) ?? 0) + 1);
          expect([doc.widthPx, doc.heightPx]).toEqual([widthPx, heightPx]);
          expect(Doc.safeParse(doc).success).toBe(true);
          expect(misfit(doc, of.brief, studio.shaper)).toBeNull();
          // Painting takes the most time: of some pairs of words and size the first is painted and measured.
          if (toPaint-- <= 0) continue;
          const tried = await trySketch(sketch, of, studio, 160);
          if (tried.ok) painted++;
          else expect(['sketch-contrast', 'sketch-covers', 'sketch-faint']).toContain(tried.fault.code);
        }
      }
    }
    // A structure that never comes out, or never at a size that it is for, would be a dead one.
    expect(painted, 'painted').toBeGreaterThan(0);
    const [low, high] = structure.asks.ratio ?? [0, 9];
    for (const [w, h] of SIZES)
      if (h / w >= low && h / w <= high) expect(inSize.get(h / w) ?? 0, `${w} x ${h}`).toBeGreaterThan(0);
  }, 60_000);

  it.each([
    ['all its words', { subtitle: 'A novel of the plains', seriesName: 'The Fen Papers', seriesNumber: 2 }],
    ['its title alone', { subtitle: '', seriesName: '', seriesNumber: null }],
  ])('goes on fitting when its words change or its size does: with %s', async (_with, words) => {
    const shown = picturesFor(structure);
    const of = ask({ title: 'The Salt Road', ...words }, shown);
    const drawn = await drawnBy(structure, of);
    if (words.subtitle !== '') expect(drawn.length).toBeGreaterThan(0);
    for (const { doc } of drawn) {
      const before = ontoPictures(doc, of.brief);
      // Words may become smaller than one would begin with, but stay in their places, apart, and off the pictures they were off.
      const stays = (changed: Doc, words: Partial<Brief>): void => {
        const brief = { ...of.brief, ...words };
        expect([null, 'small'], JSON.stringify(words)).toContain(misfit(changed, brief, studio.shaper));
        if (changed === doc)
          expect(
            ontoPictures(doc, brief).filter((one) => !before.includes(one)),
            JSON.stringify(words),
          ).toEqual([]);
      };
      for (const title of [
        'Ash',
        'The Long Road Home to Winter',
        'All the Things We Never Told Anyone About the House Upstairs',
      ])
        stays(doc, { title });
      stays(doc, { subtitle: 'A novel of the plains and the people who left them one dry summer' });
      for (const [widthPx, heightPx] of SIZES.slice(1, 3)) stays(adaptDoc(doc, { widthPx, heightPx }), {});
    }
  });
});

describe('the author’s name', () => {
  it('is larger where it sells, by the kind of book and by choice, and still fits', async () => {
    const structure = STRUCTURES.find((s) => s.id === 'stacked')!;
    const sizeOf = async (genres: Brief['genres'], authorLarge: boolean): Promise<number> => {
      const of = ask({ author: 'Bo Li', genres }, [], { authorLarge });
      const [{ doc }] = await drawnBy(structure, of);
      expect(misfit(doc, of.brief, studio.shaper)).toBeNull();
      const { byline } = doc.parts;
      return byline.kind === 'words' ? byline.maxSize : 0;
    };
    const [usual, large, thriller] = [
      await sizeOf([], false),
      await sizeOf([], true),
      await sizeOf(['thriller'], false),
    ];
    expect(large).toBeGreaterThan(usual * 1.5);
    expect(thriller).toBeGreaterThan(usual * 1.4);
  });
});

describe('a sheet', () => {
  it('has covers that differ, stand beside no like, read, and come again from the same seed', async () => {
    const of = ask({ subtitle: 'Notes from a narrow boat' }, [pictures.flower]);
    const made = await sheet(of, 24);
    expect(made).toHaveLength(24);
    for (const [i, a] of made.entries()) {
      for (const b of made.slice(i + 1)) expect(difference(a, b)).toBeGreaterThanOrEqual(LEAST_DIFFERENCE);
      for (const b of made.slice(i + 1, i + 8)) expect(b.sketch.structure).not.toBe(a.sketch.structure);
      expect(a.score).toBeGreaterThan(0.4);
      isSound(a, of);
    }
    const again = await sheet(of, 6);
    expect(again.map((one) => one.doc)).toEqual(made.slice(0, 6).map((one) => one.doc));
    const other = await sheet({ ...of, seed: 4 }, 6);
    expect(other.map((one) => one.sketch)).not.toEqual(again.map((one) => one.sketch));
  }, 120_000);

  it.each(['a picture', 'words alone'])(
    'from %s has the mark on every cover where it must be there, clear of the words and seen',
    async (from) => {
      const mark = { kind: 'drawn', ratio: 1, paths: [{ d: 'M0 0L1000 0L1000 1000L0 1000Z', colour: null }] } as const;
      const of = ask({}, from === 'words alone' ? [] : [pictures.scene], { mark: structuredClone(mark) as never });
      for (const { doc, sketch } of await sheet(of, 16)) {
        const { mark: part, ...others } = doc.parts;
        if (part?.kind !== 'shape') throw new Error('no mark');
        expect(part.role).toBe('mark');
        const { x, y, width, height } = part.area;
        expect(Math.min(x, 1 - x - width)).toBeGreaterThanOrEqual(SAFE);
        expect(Math.min(y, 1 - y - height) * 1.6).toBeGreaterThanOrEqual(SAFE);
        // Against what is really painted behind it: 3 : 1, as for any graphic that must be seen (WCAG 2.2, 1.4.11).
        const bare = { ...doc, parts: others };
        const { resources, images } = await gather(bare, of.brief, studio, 400);
        const under = studio.paint(compose(bare, of.brief, resources).ink, 400, images);
        const box = [x * 400, y * 640, width * 400, height * 640].map(Math.round);
        let [sum, n] = [0, 0];
        for (let py = box[1]; py < box[1] + box[3]; py++)
          for (let px = box[0]; px < box[0] + box[2]; px++, n++) {
            const i = (py * 400 + px) * 4;
            sum += luminance([under.data[i], under.data[i + 1], under.data[i + 2]]);
          }
        expect(
          contrastOf(luminance(rgbOf(part.colour)), sum / n),
          `${sketch.structure}/${sketch.turn}`,
        ).toBeGreaterThan(3);
      }
    },
    60_000,
  );
});

describe.each([
  ['no picture', {}, []],
  ['a picture of 200 px', {}, ['tiny']],
  ['a picture that is all texture', {}, ['noise']],
  ['a white picture', {}, ['white']],
  ['five pictures', {}, ['scene', 'flower', 'free', 'noise', 'white']],
  ['capitals with an em dash', { title: 'NORTH — A RECKONING', author: 'R. K. Osei' }, []],
  ['Greek', { title: 'Ο Κήπος της Βροχής', subtitle: 'Ποιήματα', author: 'Ελένη Δάρα', language: 'el' }, []],
  ['Cyrillic', { title: 'Сад медленных рек', author: 'Анна Белова', language: 'ru' }, []],
  ['Vietnamese', { title: 'Khu vườn của những cơn mưa', author: 'Nguyễn Ánh', language: 'vi' }, []],
  ['Arabic', { title: 'حديقة المطر الصغيرة', author: 'ليلى حداد', language: 'ar' }, []],
  ['no author', { author: '' }, ['scene']],
  ['one letter', { title: 'Q' }, []],
  [
    '300 characters of title',
    {
      title:
        'A Complete and Patient Account of Everything That Happened in the Village of Lower Marrow Between the Second Flood and the Return of the Clockmaker, Together With the Letters of His Sister, the Songs of the Ferrymen, and a Short Appendix on the Keeping of Bees in Bad Weather, Good Weather and None',
    },
    [],
  ],
] as const)('a sheet from %s', (_, words, shown) => {
  it('has at least twelve good covers', async () => {
    const of = ask(
      words,
      shown.map((name) => pictures[name]),
      { pictured: 'most' },
    );
    const made = await sheet(of, 12);
    expect(made).toHaveLength(12);
    for (const one of made) {
      expect(one.score).toBeGreaterThan(0.4);
      isSound(one, of);
    }
  }, 90_000);
});
