import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { labOf } from '../colour';
import { type Raster, raster } from '../pixels';
import { homography, project } from '../plane';
import { type Development, blurred, develop, enlargedBy, isPlain, shownOf, uprighted } from './index';

const plain: Development = {
  brightness: 0,
  contrast: 0,
  saturation: 0,
  hueRad: 0,
  tint: null,
  blur: 0,
  clear: null,
  matte: null,
  lean: { x: 0, y: 0 },
};
const patches: readonly (readonly [number, number, number])[] = [
  [0, 0, 0],
  [255, 255, 255],
  [128, 128, 128],
  [200, 60, 40],
  [40, 140, 70],
  [30, 60, 190],
];
const picture = ((): Raster => {
  const r = raster(60, 10);
  for (let y = 0; y < 10; y++)
    for (let x = 0; x < 60; x++) r.data.set([...patches[Math.floor(x / 10)], 255], (y * 60 + x) * 4);
  return r;
})();
const patch = (r: Raster, i: number): [number, number, number] => {
  const at = (5 * r.width + i * 10 + 5) * 4;
  return [r.data[at], r.data[at + 1], r.data[at + 2]];
};
const made = (more: Partial<Development>): Raster => develop(picture, { ...plain, ...more });
const chroma = (rgb: [number, number, number]): number => Math.hypot(labOf(rgb)[1], labOf(rgb)[2]);

describe('developing a picture', () => {
  it('changes nothing where nothing is asked, and never the original', () => {
    expect(isPlain(plain)).toBe(true);
    expect(made({}).data).toEqual(picture.data);
    const before = picture.data.slice();
    made({ brightness: 0.5, contrast: 0.5, saturation: -1, hueRad: 2, blur: 0.05 });
    expect(picture.data).toEqual(before);
  });

  it('brightens and darkens the middle, and keeps black and white', () => {
    for (const brightness of [-0.8, -0.3, 0.3, 0.8]) {
      const r = made({ brightness });
      expect(patch(r, 0)).toEqual([0, 0, 0]);
      expect(patch(r, 1)).toEqual([255, 255, 255]);
      expect(Math.sign(patch(r, 2)[0] - 128)).toBe(Math.sign(brightness));
    }
  });

  it('contrast pulls values apart or together about the middle', () => {
    const spread = (r: Raster): number => patch(r, 3)[0] - patch(r, 3)[2];
    expect(spread(made({ contrast: 0.6 }))).toBeGreaterThan(spread(picture));
    expect(spread(made({ contrast: -0.6 }))).toBeLessThan(spread(picture));
    const grey = patch(made({ contrast: -1 }), 3);
    expect(Math.max(...grey) - Math.min(...grey)).toBeLessThan(3);
  });

  it('without saturation all is grey, with more it is more colourful', () => {
    const grey = made({ saturation: -1 });
    for (let i = 0; i < patches.length; i++) {
      const rgb = patch(grey, i);
      expect(Math.max(...rgb) - Math.min(...rgb)).toBeLessThanOrEqual(1);
    }
    expect(chroma(patch(made({ saturation: 0.5 }), 4))).toBeGreaterThan(chroma(patch(picture, 4)));
  });

  it('turning the hue all the way round comes back, half way goes to the other side, greys stay', () => {
    const round = made({ hueRad: Math.PI * 2 });
    for (let i = 0; i < patches.length; i++)
      patch(round, i).forEach((v, c) => expect(Math.abs(v - patch(picture, i)[c])).toBeLessThanOrEqual(1));
    const half = patch(made({ hueRad: Math.PI }), 3);
    expect(half[2]).toBeGreaterThan(half[0]);
    expect(patch(made({ hueRad: 1.3 }), 2)).toEqual([128, 128, 128]);
  });

  it('a full tint runs from the one colour to the other', () => {
    const r = made({ tint: { dark: '#102040', light: '#ffe0b0', amount: 1 } });
    expect(patch(r, 0)).toEqual([16, 32, 64]);
    expect(patch(r, 1)).toEqual([255, 224, 176]);
    const half = patch(made({ tint: { dark: '#102040', light: '#ffe0b0', amount: 0.5 } }), 0);
    expect(half).toEqual([8, 16, 32]);
  });
});

describe('a blur', () => {
  it('keeps a flat picture and the mean of any', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 8, noNaN: true }), fc.integer({ min: 0, max: 255 }), (sigma, v) => {
        const flat = raster(40, 40);
        flat.data.fill(255);
        for (let i = 0; i < flat.data.length; i += 4) flat.data[i] = v;
        const out = blurred(flat, sigma);
        for (let i = 0; i < out.data.length; i += 4) expect(Math.abs(out.data[i] - v)).toBeLessThanOrEqual(1);
      }),
      { numRuns: 20 },
    );
  });

  it('spreads one point about as far as a Gaussian of its width', () => {
    const dot = raster(121, 121);
    for (let i = 3; i < dot.data.length; i += 4) dot.data[i] = 255;
    for (let y = 58; y < 63; y++) for (let x = 58; x < 63; x++) dot.data.set([255, 255, 255], (y * 121 + x) * 4);
    const out = blurred(dot, 6);
    let [sum, spread] = [0, 0];
    for (let x = 0; x < 121; x++) {
      let column = 0;
      for (let y = 0; y < 121; y++) column += out.data[(y * 121 + x) * 4];
      sum += column;
      spread += column * (x - 60) ** 2;
    }
    // 5 px of box add 2 px2 to the 36 of the blur; the rest is rounding to whole levels.
    expect(Math.sqrt(spread / sum)).toBeGreaterThan(5);
    expect(Math.sqrt(spread / sum)).toBeLessThan(7);
  });

  it('does not pull colour out of what is clear', () => {
    const r = raster(40, 40);
    for (let y = 0; y < 40; y++) for (let x = 0; x < 20; x++) r.data.set([200, 30, 30, 255], (y * 40 + x) * 4);
    const out = blurred(r, 4);
    const i = (20 * 40 + 22) * 4;
    expect(out.data[i + 3]).toBeGreaterThan(10);
    expect(out.data[i + 3]).toBeLessThan(200);
    expect(Math.abs(out.data[i] - 200)).toBeLessThan(6);
  });
});

describe('lines set upright', () => {
  /** A wall with a window seen from below: its sides run together by a share of the width at the top. */
  const house = (width: number, height: number, inset: number): Raster => {
    const r = raster(width, height);
    const h = homography(
      shownOf({ x: 0, y: inset }),
      [0, 1, 2, 3].map((i) => ({ x: i === 1 || i === 2 ? 1 : 0, y: i > 1 ? 1 : 0 })),
    )!;
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) {
        const p = project(h, { x: (x + 0.5) / width, y: (y + 0.5) / height });
        const lit = Math.floor(p.x * 8) % 2 === 0;
        r.data.set(lit ? [230, 220, 200, 255] : [40, 50, 70, 255], (y * width + x) * 4);
      }
    return r;
  };

  it('stand upright after it: each column of stripes is of one colour', () => {
    const taken = house(320, 240, 0.6);
    const set = uprighted(taken, { x: 0, y: 0.6 });
    const column = (r: Raster, x: number): number[] =>
      Array.from({ length: r.height }, (_, y) => r.data[(y * r.width + x) * 4]);
    const spread = (list: number[]): number => Math.max(...list) - Math.min(...list);
    const middles = Array.from({ length: 8 }, (_, i) => Math.round((i + 0.5) * 40));
    expect(middles.filter((x) => spread(column(taken, x)) > 100).length).toBeGreaterThan(4);
    for (const x of middles) expect(spread(column(set, x))).toBe(0);
  });

  it('shows only what is in the picture, and turned over is the same turned over', () => {
    const corner = fc.double({ min: -1, max: 1, noNaN: true });
    fc.assert(
      fc.property(corner, corner, (x, y) => {
        for (const p of shownOf({ x, y })) {
          expect(Math.min(p.x, p.y)).toBeGreaterThanOrEqual(0);
          expect(Math.max(p.x, p.y)).toBeLessThanOrEqual(1);
        }
        expect(enlargedBy({ x, y })).toBeGreaterThanOrEqual(1);
        const flipped = raster(picture.width, picture.height);
        const over = (r: Raster): Raster => {
          const out = raster(r.width, r.height);
          for (let j = 0; j < r.height; j++)
            for (let i = 0; i < r.width; i++)
              out.data.set(
                r.data.subarray((j * r.width + i) * 4, (j * r.width + i) * 4 + 4),
                ((r.height - 1 - j) * r.width + i) * 4,
              );
          return out;
        };
        flipped.data.set(over(picture).data);
        const [one, two] = [over(uprighted(picture, { x, y })), uprighted(flipped, { x, y: -y })];
        const off = one.data.reduce((most, v, i) => Math.max(most, Math.abs(v - two.data[i])), 0);
        expect(off).toBeLessThanOrEqual(1);
      }),
      { numRuns: 60 },
    );
  });

  it('a clear edge lends no colour, and one pixel is a picture too', () => {
    const r = raster(4, 4);
    for (let i = 0; i < 16; i++) r.data.set(i % 4 < 2 ? [200, 0, 0, 255] : [0, 255, 0, 0], i * 4);
    const set = uprighted(r, { x: 0.4, y: 0.7 });
    for (let i = 0; i < 16; i++) if (set.data[i * 4 + 3] > 8) expect(set.data[i * 4 + 1]).toBe(0);
    const dot = raster(1, 1);
    dot.data.set([1, 2, 3, 255]);
    expect([...uprighted(dot, { x: 0.4, y: 0.7 }).data]).toEqual([1, 2, 3, 255]);
  });
});
