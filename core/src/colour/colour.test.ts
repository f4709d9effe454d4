import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { raster } from '../pixels';
import {
  accentOf,
  contrast,
  contrastOf,
  hexOf,
  labOf,
  luminance,
  mostLegible,
  palette,
  rgbOf,
  rgbOfLab,
  withLightness,
} from './index';

const rgb = fc.tuple(
  fc.integer({ min: 0, max: 255 }),
  fc.integer({ min: 0, max: 255 }),
  fc.integer({ min: 0, max: 255 }),
);

describe('OKLab', () => {
  it('comes back to the same colour', () => {
    fc.assert(fc.property(rgb, (c) => void expect(rgbOfLab(labOf(c)).map(Math.round)).toEqual(c)));
  });
  it('agrees with the published values of the primaries', () => {
    const [l, a, b] = labOf([255, 0, 0]);
    expect(l).toBeCloseTo(0.628, 3);
    expect(a).toBeCloseTo(0.2249, 3);
    expect(b).toBeCloseTo(0.1258, 3);
    expect(labOf([255, 255, 255])[0]).toBeCloseTo(1, 4);
  });
});

describe('contrast', () => {
  it('is that of the standard', () => {
    expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 9);
    expect(contrast('#777777', '#ffffff')).toBeCloseTo(4.478, 3);
  });
  it('does not depend on the order and is at least 1', () => {
    fc.assert(
      fc.property(rgb, rgb, (a, b) => {
        const [x, y] = [luminance(a), luminance(b)];
        expect(contrastOf(x, y)).toBe(contrastOf(y, x));
        expect(contrastOf(x, y)).toBeGreaterThanOrEqual(1);
      }),
    );
  });
  it('chooses what stands out most', () => {
    expect(mostLegible('#102030', ['#203040', '#fafafa', '#808080'])).toBe('#fafafa');
    expect(mostLegible('#f0f0f0', ['#203040', '#fafafa', '#808080'])).toBe('#203040');
  });
});

describe('hex colours', () => {
  it('are read and written', () => {
    fc.assert(fc.property(rgb, (c) => void expect(rgbOf(hexOf(c))).toEqual(c)));
    expect(() => rgbOf('red')).toThrow();
    expect(hexOf([300, -4, 15.6])).toBe('#ff0010');
  });
  it('change their lightness and keep their hue', () => {
    const dark = withLightness('#d5ec7c', 0.3);
    const [l, a, b] = labOf(rgbOf(dark));
    const [, a0, b0] = labOf(rgbOf('#d5ec7c'));
    expect(l).toBeLessThan(0.4);
    expect(Math.atan2(b, a)).toBeCloseTo(Math.atan2(b0, a0), 0);
  });
});

describe('a palette', () => {
  const picture = raster(60, 60);
  for (let y = 0; y < 60; y++) {
    for (let x = 0; x < 60; x++) {
      const colour = y < 40 ? [20, 30, 60] : x > 52 && y > 52 ? [250, 190, 20] : [130, 140, 150];
      picture.data.set([...colour, 255], (y * 60 + x) * 4);
    }
  }
  it('finds the colours, the most frequent first, and a small vivid one too', () => {
    const found = palette(picture, 5);
    expect(found[0].hex).toBe('#141e3c');
    expect(found[0].share).toBeCloseTo(2 / 3, 1);
    expect(found.map((s) => s.hex)).toContain('#fabe14');
    expect(found.reduce((sum, s) => sum + s.share, 0)).toBeCloseTo(1, 9);
    expect(accentOf(found)?.hex).toBe('#fabe14');
  });
  it('is empty for nothing and has no accent for grey', () => {
    expect(palette(raster(4, 4), 5)).toEqual([]);
    const grey = raster(4, 4);
    for (let i = 0; i < grey.data.length; i += 4) grey.data.set([90, 90, 90, 255], i);
    expect(accentOf(palette(grey))).toBeNull();
  });
  it('is the same each time', () => expect(palette(picture)).toEqual(palette(picture)));
});
