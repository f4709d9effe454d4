import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seeded } from '../base';
import {
  ENCODED_OF,
  LINEAR_OF,
  flatten,
  hasTransparency,
  largestDifference,
  raster,
  shrink,
  ssim,
  toEncoded,
  toLinear,
  type Raster,
} from './index';

function noise(width: number, height: number, seed: number): Raster {
  const random = seeded(seed);
  const r = raster(width, height);
  for (let i = 0; i < r.data.length; i++) r.data[i] = i % 4 === 3 ? 255 : random() * 256;
  return r;
}

const meanLight = (r: Raster): number => {
  let sum = 0;
  for (let i = 0; i < r.data.length; i += 4) for (let c = 0; c < 3; c++) sum += toLinear(r.data[i + c] / 255);
  return sum / (r.data.length / 4) / 3;
};

describe('the two doors of light', () => {
  it('are each other\u2019s inverse', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        (v) => void expect(toEncoded(toLinear(v))).toBeCloseTo(v, 9),
      ),
    );
  });
  it('have tables that bring every code back', () => {
    for (let code = 0; code < 256; code++) expect(ENCODED_OF[LINEAR_OF[code] >> 3]).toBe(code);
  });
});

describe('shrinking', () => {
  it('keeps the mean light of the picture', () => {
    const r = noise(97, 61, 3);
    for (const [w, h] of [
      [48, 30],
      [13, 7],
      [1, 1],
    ]) {
      expect(Math.abs(meanLight(shrink(r, w, h)) - meanLight(r))).toBeLessThan(0.006);
    }
  });

  it('makes black and white into the grey that gives as much light, not into the middle code', () => {
    const r = raster(2, 1, Uint8ClampedArray.of(0, 0, 0, 255, 255, 255, 255, 255));
    const out = shrink(r, 1, 1);
    expect(Math.abs(out.data[0] - 188)).toBeLessThanOrEqual(1);
  });

  it('does not let clear pixels colour the rest', () => {
    const r = raster(2, 1, Uint8ClampedArray.of(255, 0, 0, 255, 0, 255, 0, 0));
    expect([...shrink(r, 1, 1).data]).toEqual([255, 0, 0, 128]);
  });

  it('never enlarges and never makes nothing', () => {
    const r = noise(5, 4, 1);
    expect(shrink(r, 50, 40)).toBe(r);
    expect(shrink(r, 0, 0).width).toBe(1);
  });
});

describe('rasters', () => {
  it('are laid over a colour', () => {
    const r = raster(1, 1, Uint8ClampedArray.of(0, 0, 0, 128));
    expect(hasTransparency(r)).toBe(true);
    const over = flatten(r, [255, 255, 255]);
    expect(over.data[0]).toBe(127);
    expect(hasTransparency(over)).toBe(false);
  });

  it('must have as many bytes as pixels', () => {
    expect(() => raster(2, 2, new Uint8ClampedArray(15))).toThrow();
  });

  it('are alike to themselves and less so to others', () => {
    const a = noise(64, 64, 1);
    const b = noise(64, 64, 2);
    expect(ssim(a, a)).toBeCloseTo(1, 9);
    expect(ssim(a, b)).toBeLessThan(0.2);
    expect(largestDifference(a, a)).toBe(0);
    expect(() => ssim(a, noise(8, 8, 1))).toThrow();
  });
});
