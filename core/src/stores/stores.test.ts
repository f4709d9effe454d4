import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { ImageInfo } from '../image-file';
import { type Raster, raster } from '../pixels';
import {
  BEST_QUALITY,
  CONTENT_RULES,
  type CoverWords,
  DEMANDS,
  DEMAND_CODES,
  LEAST_QUALITY,
  PROFILES,
  Profile,
  allProfiles,
  asks,
  checkImage,
  checkPixels,
  checkWords,
  edgeLinePx,
  emptyBorders,
  findProfile,
  fitQuality,
  nonsense,
  paleEdges,
  readProfiles,
  withEdgeLine,
  writeProfiles,
} from './index';

const good = (profile: Profile): ImageInfo => ({
  format: 'jpeg',
  widthPx: profile.ideal.widthPx,
  heightPx: profile.ideal.heightPx,
  orientation: 1,
  bitDepth: 8,
  colour: 'rgb',
  alpha: false,
  ppi: 300,
  profile: 'sRGB',
  progressive: false,
  animated: false,
  metadata: [],
});
const codes = (id: string, change: Partial<ImageInfo> = {}, bytes = 100_000): string[] => {
  const profile = findProfile(id)!;
  return checkImage({ ...good(profile), ...change }, bytes, profile).map((f) => f.code);
};

describe('store profiles', () => {
  it('are valid data with ids of their own', () => {
    for (const profile of PROFILES) expect(Profile.parse(profile)).toEqual(profile);
    expect(new Set(PROFILES.map((p) => p.id)).size).toBe(PROFILES.length);
    expect(findProfile('nowhere')).toBeUndefined();
  });

  it.each(PROFILES.map((p) => p.id))('%s takes a cover made to its own ideal', (id) => expect(codes(id)).toEqual([]));
});

describe('store rules', () => {
  it.each([
    ['longreach', { format: 'png' }, 'store-format'],
    ['longreach', { widthPx: 600, heightPx: 960 }, 'store-too-small'],
    ['longreach', { widthPx: 6300, heightPx: 10_080 }, 'store-long-side'],
    ['longreach', { widthPx: 1600, heightPx: 2400 }, 'store-ratio'],
    ['longreach', { ppi: 72 }, 'store-density'],
    ['longreach', { ppi: null }, 'store-density'],
    ['longreach', { profile: null }, 'store-no-profile'],
    ['longreach', { profile: 'Display P3' }, 'store-profile'],
    ['longreach', { colour: 'cmyk' }, 'store-colour'],
    ['longreach', { colour: 'grey' }, 'store-colour'],
    ['longreach', { bitDepth: 16 }, 'store-bit-depth'],
    ['longreach', { orientation: 6 }, 'store-orientation'],
    ['longreach', { metadata: ['Exif'] }, 'store-metadata'],
    ['pommel', { format: 'png', alpha: true }, 'store-alpha'],
    ['ownsite', { format: 'webp', animated: true }, 'store-animated'],
    ['pommel', { widthPx: 1300, heightPx: 2080 }, 'store-short-side'],
    ['fennel', { widthPx: 1800, heightPx: 2500 }, 'store-ratio'],
    ['cartwheel', { progressive: true }, 'store-progressive'],
    ['cartwheel', { widthPx: 2600, heightPx: 3900 }, 'store-too-big'],
    ['earshot', { widthPx: 2400, heightPx: 2401 }, 'store-ratio'],
    ['pocketreel', { widthPx: 401, heightPx: 600 }, 'store-exact-size'],
  ] as const)('%s notices %j as %s and nothing else of the kind', (id, change, code) => {
    const found = codes(id, change as Partial<ImageInfo>);
    expect(found).toContain(code);
    expect(found.length).toBeLessThanOrEqual(2);
  });

  it('count bytes to the last one', () => {
    expect(codes('pocketreel', {}, 127 * 1024)).toEqual([]);
    expect(codes('pocketreel', {}, 127 * 1024 + 1)).toEqual(['store-bytes']);
  });

  it('put the grave first, and give the numbers wanted and found', () => {
    const profile = findProfile('longreach')!;
    const found = checkImage({ ...good(profile), ppi: 72, widthPx: 100, heightPx: 160 }, 1, profile);
    expect(found.map((f) => f.severity)).toEqual(['must', 'should']);
    expect(found[0].data).toEqual({ found: '100 x 160', wanted: '625 x 1000' });
  });

  it('do not take the rounding of a pixel for another ratio', () => {
    expect(codes('ownsite', { widthPx: 333, heightPx: 500 })).toEqual([]);
    expect(codes('bindery', { widthPx: 1401, heightPx: 2101 })).toEqual([]);
  });
});

/** A flat picture, in which a box is of another colour. */
const boxed = (
  w: number,
  h: number,
  ground: number[],
  colour: number[],
  box: [number, number, number, number],
): Raster => {
  const out = raster(w, h);
  const [x0, y0, x1, y1] = box;
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const inside = x >= x0 && x < x1 && y >= y0 && y < y1;
      out.data.set([...(inside ? colour : ground), 255], (y * w + x) * 4);
    }
  return out;
};

describe('rules on pixels', () => {
  const WHITE = [255, 255, 255];
  const INK = [30, 40, 60];
  it('know edges that vanish on a white page, each by itself', () => {
    expect(paleEdges(boxed(100, 160, WHITE, INK, [20, 20, 80, 140]))).toEqual(['top', 'right', 'bottom', 'left']);
    expect(paleEdges(boxed(100, 160, INK, WHITE, [20, 20, 80, 140]))).toEqual([]);
    expect(paleEdges(boxed(100, 160, INK, WHITE, [0, 0, 100, 80]))).toEqual(['top']);
    expect(paleEdges(boxed(100, 160, [226, 226, 226], INK, [0, 0, 0, 0]))).toEqual([]);
  });

  it('draw a line that mends that, 3 to 4 px on a cover 1600 wide, and change nothing else', () => {
    expect(edgeLinePx(1600)).toBeGreaterThanOrEqual(3);
    expect(edgeLinePx(1600)).toBeLessThanOrEqual(4);
    const pale = boxed(1600, 200, WHITE, INK, [400, 50, 800, 150]);
    const lined = withEdgeLine(pale);
    expect(paleEdges(lined)).toEqual([]);
    const px = edgeLinePx(1600);
    for (const [x, y] of [
      [px, px],
      [800, 100],
      [1599 - px, 199 - px],
    ]) {
      const p = (y * 1600 + x) * 4;
      expect([...lined.data.slice(p, p + 3)]).toEqual([...pale.data.slice(p, p + 3)]);
    }
    const longreach = findProfile('longreach')!;
    expect(checkPixels(pale, longreach).map((f) => f.code)).toEqual(['store-pale-edge']);
    expect(checkPixels(lined, longreach)).toEqual([]);
    expect(checkPixels(pale, findProfile('pommel')!)).toEqual([]);
  });

  it('tell an empty white border from white ground', () => {
    const bars = boxed(100, 160, WHITE, INK, [0, 12, 100, 148]);
    expect(emptyBorders(bars)).toEqual([
      { edge: 'top', px: 12 },
      { edge: 'bottom', px: 12 },
    ]);
    expect(emptyBorders(boxed(100, 160, WHITE, INK, [20, 60, 60, 90]))).toEqual([]);
    expect(emptyBorders(boxed(100, 160, WHITE, WHITE, [0, 0, 0, 0]))).toEqual([]);
    expect(checkPixels(bars, findProfile('bindery')!).map((f) => f.code)).toEqual([
      'store-empty-border',
      'store-empty-border',
    ]);
  });
});

describe('rules on words', () => {
  const bindery = findProfile('bindery')!;
  const brief = { title: 'The Weight of Lanterns', subtitle: '', author: 'Oda Penhallow' };
  const said = (...texts: string[]): CoverWords => ({
    texts: ['The Weight of Lanterns', 'Oda Penhallow', ...texts],
    brief,
    hasObject: false,
  });
  const found = (words: CoverWords): string[] => checkWords(words, bindery).map((f) => f.code);

  it.each([
    ['store-address', 'Visit lanterns.example'],
    ['store-address', 'www.oda.net/books'],
    ['store-address', 'oda@fernhollow.example'],
    ['store-price', 'Only $3.99'],
    ['store-price', '12 EUR'],
    ['store-phone', 'Call +44 20 7946 0018'],
    ['store-phone', '(555) 010-2299'],
    ['store-rank', 'The #1 bestseller'],
    ['store-rank', 'A best-selling novel'],
    ['store-rank', 'Number one at last'],
  ])('find %s in "%s"', (code, text) => expect(found(said(text))).toContain(code));

  it.each([
    'Volume II',
    'A novel of 1914',
    'One hundred recipes',
    'Mr. Weir and Dr. Cole',
    'Vol. 3 of 12',
    'The top of the hill',
    'Year 2001 to 2010',
    'Number the Stars',
  ])('find nothing wrong in "%s"', (text) => expect(found(said(text))).toEqual([]));

  it('compare the words with the metadata, whatever their case, accents and line breaks', () => {
    expect(found({ texts: ['THE WEIGHT\nOF LANTERNS', 'oda penhallow'], brief, hasObject: false })).toEqual([]);
    expect(found({ texts: ['The Weight of Lamps', 'Oda Penhallow'], brief, hasObject: false })).toEqual([
      'store-words-match',
    ]);
    expect(
      found({ texts: ['Łąka i Über'], brief: { title: 'Łąka i über', subtitle: '', author: '' }, hasObject: false }),
    ).toEqual([]);
  });

  it('say of a finished picture that its words were not read, and of an object that it is one', () => {
    expect(found({ texts: null, brief, hasObject: false })).toEqual(['store-words-unread']);
    expect(found({ ...said(), hasObject: true })).toEqual(['store-object']);
  });

  it('want the title to read at the width of the store\u2019s lists', () => {
    const pocketreel = findProfile('pocketreel')!;
    const at = (px: number | null) => checkWords({ ...said(), titleReadsFromPx: px }, pocketreel);
    expect(at(90)).toEqual([]);
    expect(at(91)).toMatchObject([{ code: 'store-thumb', severity: 'should', data: { found: 91, wanted: 90 } }]);
    expect(at(null)).toMatchObject([{ code: 'store-thumb' }]);
    expect(checkWords(said(), pocketreel)).toEqual([]);
  });
});

describe('stores of a person\u2019s own', () => {
  const own: Profile = {
    ...findProfile('longreach')!,
    id: 'own-a',
    name: 'The corner shop',
    content: [...CONTENT_RULES],
  };
  const text = (data: unknown): Uint8Array => new TextEncoder().encode(JSON.stringify(data));

  it('come back from a file as they were', () => {
    expect(readProfiles(writeProfiles([...PROFILES, own]))).toEqual({ ok: true, value: [...PROFILES, own] });
  });

  it('of the first schema are taken along', () => {
    const { edgeLine, epubPixels, thumb, content, ...old } = own;
    const read = readProfiles(text({ format: 'yosomi-stores', schema: 1, stores: [{ ...old, schema: 1 }] }));
    expect([edgeLine, epubPixels, thumb, content.length]).toEqual([
      true,
      null,
      { widthPx: 120, greys: null },
      CONTENT_RULES.length,
    ]);
    expect(read).toMatchObject({ ok: true, value: [{ id: 'own-a', schema: 2, edgeLine: false, content: [] }] });
  });

  it.each([
    ['stores-not', new Uint8Array()],
    ['stores-not', text([1, 2])],
    ['stores-not', text({ format: 'other', schema: 2, stores: [] })],
    ['stores-newer', text({ format: 'yosomi-stores', schema: 9, stores: [] })],
    ['stores-wrong', text({ format: 'yosomi-stores', schema: 2, stores: [{ ...own, mostBytes: -1 }] })],
    [
      'stores-wrong',
      text({ format: 'yosomi-stores', schema: 2, stores: [{ ...own, least: { widthPx: 9000, heightPx: 9000 } }] }),
    ],
    ['stores-twice', text({ format: 'yosomi-stores', schema: 2, stores: [own, own] })],
  ])('are refused as %s', (code, bytes) => expect(readProfiles(bytes)).toMatchObject({ ok: false, fault: { code } }));

  it('say where they are wrong', () => {
    const read = readProfiles(
      text({
        format: 'yosomi-stores',
        schema: 2,
        stores: [own, { ...own, id: 'b', ideal: { widthPx: 0, heightPx: 1 } }],
      }),
    );
    expect(read).toMatchObject({ ok: false, fault: { data: { where: 'stores.1.ideal.widthPx' } } });
  });

  it('come before those that ship, and after them in lists', () => {
    const changed: Profile = { ...findProfile('fennel')!, mostBytes: 999_999 };
    expect(findProfile('fennel', [changed])!.mostBytes).toBe(999_999);
    expect(allProfiles([own, changed]).map((p) => p.id)).toEqual([...PROFILES.map((p) => p.id), 'own-a']);
    for (const profile of PROFILES) expect(nonsense(profile)).toBeNull();
  });

  it('ask demands of which each finding answers to at most one', () => {
    const all = DEMANDS.flatMap((d) => DEMAND_CODES[d]);
    expect(new Set(all).size).toBe(all.length);
    for (const profile of PROFILES) expect(DEMANDS.filter((d) => asks(profile, d)).length).toBeGreaterThanOrEqual(4);
  });
});

describe('fitting a file into a budget', () => {
  it('finds the exact best quality in at most eight encodes, or says that none fits', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.integer({ min: 1, max: 5000 }),
        fc.integer({ min: 100, max: 600_000 }),
        async (slope, budget) => {
          const length = (q: number): number => q * slope + q * q;
          let calls = 0;
          const fitted = await fitQuality(async (q) => {
            calls++;
            return new Uint8Array(length(q));
          }, budget);
          const fitting = Array.from({ length: BEST_QUALITY - LEAST_QUALITY + 1 }, (_, i) => LEAST_QUALITY + i).filter(
            (q) => length(q) <= budget,
          );
          expect(calls).toBeLessThanOrEqual(8);
          if (fitting.length === 0) expect(fitted).toMatchObject({ ok: false, fault: { code: 'budget-too-small' } });
          else expect(fitted).toMatchObject({ ok: true, value: { quality: Math.max(...fitting), encodes: calls } });
        },
      ),
      { numRuns: 60 },
    );
  });
});
