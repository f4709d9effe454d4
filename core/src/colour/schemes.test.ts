import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type Hex,
  UNLIKE,
  chromaOf,
  contrast,
  hexOf,
  labOf,
  readColours,
  readableOn,
  rgbOf,
  schemesApart,
  schemesAround,
  schemesFrom,
  schemesOf,
  unlikeSchemes,
} from './index';
import type { Swatch } from './palette';

const hex = fc
  .tuple(fc.integer({ min: 0, max: 255 }), fc.integer({ min: 0, max: 255 }), fc.integer({ min: 0, max: 255 }))
  .map(([r, g, b]) => hexOf([r, g, b]));
const swatch = (colour: Hex, share: number): Swatch => ({ hex: colour, lab: labOf(rgbOf(colour)), share });

describe('a readable colour', () => {
  it('reaches 4.5 : 1 on any one ground', () => {
    fc.assert(
      fc.property(hex, hex, (colour, ground) => {
        expect(contrast(readableOn(colour, [ground]), ground)).toBeGreaterThanOrEqual(4.5);
      }),
      { numRuns: 400 },
    );
  });

  it('stays as it is where it reads already', () => {
    expect(readableOn('#ffe9b0', ['#101820'])).toBe('#ffe9b0');
  });

  it('keeps its hue as far as it can', () => {
    const found = labOf(rgbOf(readableOn('#3060c0', ['#203040'])));
    const own = labOf(rgbOf('#3060c0'));
    const angle = Math.atan2(found[2], found[1]) - Math.atan2(own[2], own[1]);
    expect(Math.abs(Math.sin(angle))).toBeLessThan(0.25);
    expect(chromaOf(found)).toBeGreaterThan(0.02);
  });
});

describe('schemes', () => {
  it('about one colour: words, second and accent read on the ground, whatever the colour', () => {
    fc.assert(
      fc.property(hex, (colour) => {
        const made = schemesAround(colour);
        expect(made).toHaveLength(8);
        for (const s of made) {
          expect(contrast(s.words, s.ground)).toBeGreaterThanOrEqual(4.5);
          expect(contrast(s.second, s.ground)).toBeGreaterThanOrEqual(4.5);
          expect(contrast(s.accent, s.ground)).toBeGreaterThanOrEqual(4.5);
        }
        expect(new Set(made.map((s) => s.name)).size).toBe(8);
      }),
      { numRuns: 60 },
    );
  });

  it('from a picture: the words read on the ground and on what is behind them', () => {
    fc.assert(
      fc.property(fc.array(hex, { minLength: 2, maxLength: 7 }), (colours) => {
        const swatches = colours.map((c, i) => swatch(c, 1 / (i + 2)));
        for (const s of schemesFrom(swatches)) expect(contrast(s.words, s.ground)).toBeGreaterThanOrEqual(4.5);
      }),
      { numRuns: 60 },
    );
    const under = ['#223322'];
    // Where ground and picture ask for opposite things no colour reads on both; these ask for the same.
    const alike = schemesFrom([swatch('#88aa55', 0.6), swatch('#112211', 0.4)], under).filter(
      (s) => contrast(s.ground, under[0]) < 2,
    );
    expect(alike.length).toBeGreaterThanOrEqual(3);
    for (const s of alike)
      for (const colour of [s.words, s.second, s.accent])
        expect(contrast(colour, under[0])).toBeGreaterThanOrEqual(4.5);
    expect(schemesFrom([])).toEqual([]);
  });
});

describe('schemes that are offered together', () => {
  it('differ to the eye, each from every other', () => {
    const tone = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`);
    fc.assert(
      fc.property(fc.array(tone, { minLength: 2, maxLength: 6 }), (hexes) => {
        const swatches = hexes.map((hex, i) => ({ hex, lab: labOf(rgbOf(hex)), share: (i + 1) / 21 }));
        const made = unlikeSchemes(swatches);
        expect(made.length).toBeGreaterThanOrEqual(5);
        expect(made.length).toBeLessThanOrEqual(8);
        for (const [i, a] of made.entries())
          for (const b of made.slice(i + 1)) {
            expect(a.name).not.toBe(b.name);
            expect(schemesApart(a, b)).toBeGreaterThanOrEqual(UNLIKE);
          }
      }),
      { numRuns: 60 },
    );
  });

  it('are made of the colours that somebody brings, readable on each', () => {
    const brought = readColours('#1F3A4D, f2c14e;\n#fff  rgb nonsense #12345 #f2c14e');
    expect(brought).toEqual(['#1f3a4d', '#f2c14e', '#ffffff']);
    const made = schemesOf(brought);
    expect(made.map((one) => one.ground)).toEqual(brought);
    for (const { ground, words, second, accent } of made)
      for (const hex of [words, second, accent]) expect(contrast(hex, ground)).toBeGreaterThanOrEqual(4.5);
    expect(readColours('no colours here, 2026-11-28')).toEqual([]);
    expect(schemesOf(['#204060']).map((one) => one.ground)).toEqual(['#204060']);
  });
});
