import { describe, expect, it } from 'vitest';
import { contrast, rgbOf } from '../colour';
import { raster, type Raster } from '../pixels';
import type { Block } from '../text';
import { MOST_WORDS, letterColours, letterMap, letterTones, markOf, readsFrom, seenShare, wordContrast } from './index';

const fillWith = (w: number, h: number, at: (x: number, y: number) => readonly number[]): Raster => {
  const r = raster(w, h);
  for (let y = 0; y < h; y++) for (let x = 0; x < w; x++) r.data.set(at(x, y), (y * w + x) * 4);
  return r;
};
const box = { x: 20, y: 10, width: 40, height: 12 };
const isLetter = (x: number, y: number): boolean => x >= 20 && x < 60 && y >= 10 && y < 22;
const mark = rgbOf(markOf(0));
const letters = fillWith(80, 40, (x, y) => (isLetter(x, y) ? [...mark, 255] : [0, 0, 0, 0]));
const [word] = letterMap(letters, 1);

describe('marks of words', () => {
  it('are each another, and are read back from soft edges as they are stored', () => {
    expect(new Set(Array.from({ length: MOST_WORDS }, (_, n) => markOf(n))).size).toBe(MOST_WORDS);
    for (let n = 0; n < MOST_WORDS; n++) {
      for (const alpha of [30, 77, 130, 200, 255]) {
        // As a canvas keeps it: multiplied by what it covers, and divided again when it is read.
        const stored = rgbOf(markOf(n)).map((v) => Math.round((Math.round((v * alpha) / 255) * 255) / alpha));
        const map = letterMap(
          fillWith(1, 1, () => [...stored, alpha]),
          MOST_WORDS,
        );
        expect(map[n].area, `${n} at ${alpha}`).toBeCloseTo(alpha / 255, 6);
      }
    }
  });
});

describe('the pixels behind letters', () => {
  it('are those under a letter and up to two beside it', () => {
    const near = new Set(word.near);
    for (let y = 0; y < 40; y++)
      for (let x = 0; x < 80; x++) expect(near.has(y * 80 + x)).toBe(x >= 18 && x < 62 && y >= 8 && y < 24);
    expect(word.area).toBe(40 * 12);
  });
});

const WHITE = [1];

describe('contrast of a word', () => {
  it('on a flat ground is the standard ratio, everywhere', () => {
    const under = fillWith(80, 40, () => [0x20, 0x40, 0x60, 255]);
    const got = wordContrast('word', WHITE, word, under);
    expect(got.typical).toBeCloseTo(contrast('#ffffff', '#204060'), 6);
    expect(got.worstTenth).toBeCloseTo(contrast('#ffffff', '#204060'), 6);
  });

  it('sees the bad fifth of a ground that is good on the whole', () => {
    const under = fillWith(80, 40, (x) => (x < 29 ? [240, 240, 240, 255] : [10, 10, 10, 255]));
    const got = wordContrast('word', WHITE, word, under);
    expect(got.worstTenth).toBeCloseTo(contrast('#ffffff', '#f0f0f0'), 6);
    expect(got.typical).toBeGreaterThan(3);
  });

  it('counts veils in their order', () => {
    const under = fillWith(80, 40, () => [255, 255, 255, 255]);
    const black = { rgb: [0, 0, 0] as const, at: () => 1 };
    const half = { rgb: [0, 0, 0] as const, at: () => 0.5 };
    expect(wordContrast('w', WHITE, word, under, [black]).worstTenth).toBeCloseTo(21, 6);
    expect(wordContrast('w', WHITE, word, under, [half, half]).worstTenth).toBeCloseTo(
      contrast('#ffffff', '#404040'),
      1,
    );
  });

  it('of a word that is nowhere on the cover is none', () => {
    const [gone] = letterMap(
      fillWith(80, 40, () => [0, 0, 0, 0]),
      1,
    );
    const under = fillWith(80, 40, () => [255, 255, 255, 255]);
    expect(wordContrast('w', WHITE, gone, under).worstTenth).toBe(1);
    expect(seenShare(gone, under, under)).toBe(0);
  });
});

describe('letters as they are painted', () => {
  const ground = [40, 60, 80];
  const without = fillWith(80, 40, () => [...ground, 255]);
  /** Letters of one colour whose edges cover less, as a painter mixes them. */
  const soft = (x: number): number => (x < 24 ? 0.5 : 1);
  const painted = (colour: readonly number[], covered: (x: number) => boolean = () => false): Raster =>
    fillWith(80, 40, (x, y) => {
      if (!isLetter(x, y) || covered(x)) return [...ground, 255];
      return [...ground.map((g, c) => Math.round(g + (colour[c] - g) * soft(x))), 255];
    });
  const marks = fillWith(80, 40, (x, y) => (isLetter(x, y) ? [...mark, Math.round(255 * soft(x))] : [0, 0, 0, 0]));
  const [thin] = letterMap(marks, 1);

  it('have their own colour, whatever share of a pixel they cover', () => {
    const colours = letterColours(thin, painted([240, 200, 90]), without);
    for (let i = 0; i < thin.letters.length; i++)
      for (const [c, v] of [240, 200, 90].entries()) expect(Math.abs(colours.data[i * 4 + c] - v)).toBeLessThan(3);
    const [low, high = low] = letterTones(colours);
    expect(high - low).toBeLessThan(0.01);
  });

  it('are seen by the share that nothing covers', () => {
    expect(seenShare(thin, painted([240, 200, 90]), without)).toBeCloseTo(1, 6);
    expect(
      seenShare(
        thin,
        painted([240, 200, 90], (x) => x >= 40),
        without,
      ),
    ).toBeCloseTo(18 / 38, 2);
    expect(seenShare(thin, without, without)).toBe(0);
    expect(
      letterTones(
        letterColours(
          thin,
          painted([240, 200, 90], (x) => x >= 50),
          without,
        ),
      ),
    ).toHaveLength(2);
  });
});

describe('the smallest width at which words read', () => {
  const block = (xHeightPx: number): Block => ({
    sizePx: 100,
    lines: 1,
    words: [{ text: 'a', index: 0, minor: false, path: { ops: [] }, box }],
    box,
    xHeightPx,
    borrowed: [],
    missing: [],
    overflows: false,
  });
  it('falls with the letters\u2019 height and with contrast', () => {
    expect(readsFrom(block(84), 1600, 10)).toBe(80);
    expect(readsFrom(block(168), 1600, 10)).toBe(40);
    expect(readsFrom(block(84), 1600, 4) ?? 0).toBeGreaterThan(80);
    expect(readsFrom(block(84), 1600, 2.9)).toBeNull();
    expect(readsFrom({ ...block(84), words: [] }, 1600, 10)).toBeNull();
  });
});
