import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seeded } from '../base';
import { raster } from '../pixels';
import { subjectIn, subjectOf } from './subject';

type Rgb = readonly [number, number, number];

const painted = (width: number, height: number, paint: (u: number, v: number) => readonly number[]) => {
  const r = raster(width, height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const [red, green, blue, alpha = 255] = paint((x + 0.5) / width, (y + 0.5) / height);
      r.data.set([red, green, blue, alpha], (y * width + x) * 4);
    }
  return r;
};
const sky = (v: number): Rgb => [60 + 120 * v, 90 + 90 * v, 150 + 40 * v];
const inDisc = (u: number, v: number, x: number, y: number, r: number, tall = 1.5): boolean =>
  Math.hypot(u - x, (v - y) * tall) < r;

describe('the subject of a picture', () => {
  it('is what stands out from a sky that changes from top to bottom, wherever it is and whatever the shape of the picture', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.25, max: 0.75, noNaN: true }),
        fc.double({ min: 0.25, max: 0.75, noNaN: true }),
        fc.constantFrom(0.7, 1, 1.6),
        fc.constantFrom<Rgb>([240, 200, 60], [20, 20, 30], [200, 40, 50]),
        (x, y, ratio, colour) => {
          const found = subjectOf(
            painted(160, Math.round(160 * ratio), (u, v) => (inDisc(u, v, x, y, 0.12, ratio) ? colour : sky(v))),
          );
          expect(found.clear).toBe(true);
          expect(Math.abs(found.x - x)).toBeLessThan(0.06);
          expect(Math.abs(found.y - y)).toBeLessThan(0.06);
          const { area } = found;
          expect(area.x).toBeLessThan(x);
          expect(area.x + area.width).toBeGreaterThan(x);
          expect(area.width).toBeLessThan(0.42);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('may stand on the lower edge', () => {
    const found = subjectOf(painted(120, 180, (u, v) => (Math.abs(u - 0.6) < 0.08 && v > 0.4 ? [30, 20, 20] : sky(v))));
    expect(found.clear).toBe(true);
    expect(found.area.y + found.area.height).toBeGreaterThan(0.95);
    expect(found.x).toBeCloseTo(0.6, 1);
  });

  it('is what is opaque where the rest is clear', () => {
    const found = subjectOf(
      painted(100, 100, (u, v) => (inDisc(u, v, 0.4, 0.5, 0.2, 1) ? [90, 140, 60, 255] : [0, 0, 0, 0])),
    );
    expect([found.clear, Math.round(found.x * 10)]).toEqual([true, 4]);
  });

  it('may be several things', () => {
    const found = subjectOf(
      painted(160, 160, (u, v) =>
        inDisc(u, v, 0.3, 0.5, 0.1, 1) || inDisc(u, v, 0.7, 0.5, 0.1, 1) ? [230, 60, 40] : sky(v),
      ),
    );
    expect(found.clear).toBe(true);
    expect(subjectIn(found, { x: 0, y: 0, width: 0.5, height: 1 })).toBeGreaterThan(0.4);
    expect(subjectIn(found, { x: 0.5, y: 0, width: 0.5, height: 1 })).toBeGreaterThan(0.4);
  });

  it('is none where there is only ground: one colour, a sky, land under it, a texture, noise', () => {
    const random = seeded(3);
    const grounds = {
      plain: painted(120, 160, () => [120, 130, 140]),
      sky: painted(120, 160, (_, v) => sky(v)),
      land: painted(120, 160, (u, v) => (v > 0.6 + 0.05 * Math.sin(u * 9) ? [40, 50, 30] : sky(v))),
      stripes: painted(120, 160, (u) => (Math.floor(u * 24) % 2 ? [40, 40, 60] : [200, 190, 170])),
      noise: painted(120, 160, () => [random() * 255, random() * 255, random() * 255]),
      pixel: painted(1, 1, () => [9, 9, 9]),
    };
    for (const [name, ground] of Object.entries(grounds)) expect(subjectOf(ground).clear, name).toBe(false);
  });

  it('lies in a part by as much as is in it: in all of the picture wholly, in two halves together once', () => {
    const found = subjectOf(painted(160, 240, (u, v) => (inDisc(u, v, 0.5, 0.4, 0.2) ? [240, 200, 60] : sky(v))));
    expect(subjectIn(found, { x: 0, y: 0, width: 1, height: 1 })).toBeCloseTo(1, 6);
    const halves = [0, 0.5].map((x) => subjectIn(found, { x, y: 0, width: 0.5, height: 1 }));
    expect(halves[0] + halves[1]).toBeCloseTo(1, 6);
    expect(subjectIn(found, { x: 0, y: 0.8, width: 1, height: 0.2 })).toBe(0);
    expect(subjectIn({ ...found, clear: false }, { x: 0, y: 0, width: 1, height: 1 })).toBe(0);
  });
});
