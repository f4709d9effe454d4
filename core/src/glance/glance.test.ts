import { describe, expect, it } from 'vitest';
import { contrast } from '../colour';
import { raster, type Raster } from '../pixels';
import type { Block } from '../text';
import { behindLetters, readsFrom, wordContrast } from './index';

const fillWith = (w: number, h: number, at: (x: number, y: number) => readonly number[]): Raster => {
  const r = raster(w, h);
  for (let y = 0; y < h; y++) for (let x = 0; x < w; x++) r.data.set(at(x, y), (y * w + x) * 4);
  return r;
};
const box = { x: 20, y: 10, width: 40, height: 12 };
const letters = fillWith(80, 40, (x, y) => (x >= 20 && x < 60 && y >= 10 && y < 22 ? [0, 0, 0, 255] : [0, 0, 0, 0]));
const mask = behindLetters(letters);

describe('the pixels behind letters', () => {
  it('are those under a letter and up to two beside it', () => {
    for (let y = 0; y < 40; y++) {
      for (let x = 0; x < 80; x++) {
        const near = x >= 18 && x < 62 && y >= 8 && y < 24;
        expect(mask[y * 80 + x]).toBe(near ? 1 : 0);
      }
    }
  });
});

const WHITE = [1];

describe('contrast of a word', () => {
  it('on a flat ground is the standard ratio, everywhere', () => {
    const under = fillWith(80, 40, () => [0x20, 0x40, 0x60, 255]);
    const got = wordContrast('word', WHITE, box, under, mask);
    expect(got.typical).toBeCloseTo(contrast('#ffffff', '#204060'), 6);
    expect(got.worstTenth).toBeCloseTo(contrast('#ffffff', '#204060'), 6);
  });

  it('sees the bad fifth of a ground that is good on the whole', () => {
    const under = fillWith(80, 40, (x) => (x < 29 ? [240, 240, 240, 255] : [10, 10, 10, 255]));
    const got = wordContrast('word', WHITE, box, under, mask);
    expect(got.worstTenth).toBeCloseTo(contrast('#ffffff', '#f0f0f0'), 6);
    expect(got.typical).toBeGreaterThan(3);
  });

  it('counts veils in their order', () => {
    const under = fillWith(80, 40, () => [255, 255, 255, 255]);
    const black = { rgb: [0, 0, 0] as const, at: () => 1 };
    const half = { rgb: [0, 0, 0] as const, at: () => 0.5 };
    expect(wordContrast('w', WHITE, box, under, mask, [black]).worstTenth).toBeCloseTo(21, 6);
    expect(wordContrast('w', WHITE, box, under, mask, [half, half]).worstTenth).toBeCloseTo(
      contrast('#ffffff', '#404040'),
      1,
    );
  });

  it('of a word off the cover is no problem', () => {
    const under = fillWith(80, 40, () => [255, 255, 255, 255]);
    expect(wordContrast('w', WHITE, { x: 200, y: 200, width: 5, height: 5 }, under, mask).worstTenth).toBe(21);
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
