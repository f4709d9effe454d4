import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { ImageInfo } from '@yosomi/core/image-file';
import {
  BEST_QUALITY,
  LEAST_QUALITY,
  PROFILES,
  Profile,
  checkImage,
  findProfile,
  fitQuality,
} from '@yosomi/core/stores';

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
