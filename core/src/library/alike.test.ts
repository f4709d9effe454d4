import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { raster } from '../pixels';
import { NEARLY, alikeDistance, alikeMark, nearlySame } from './alike';

/** Eight by eight panes of light, at any size. */
function panes(lights: readonly number[], px: number, lift = 0) {
  const out = raster(px, px);
  for (let y = 0; y < px; y++)
    for (let x = 0; x < px; x++) {
      const v = 20 + lift + lights[Math.floor((y * 8) / px) * 8 + Math.floor((x * 8) / px)];
      out.data.set([v, v, v, 255], (y * px + x) * 4);
    }
  return out;
}
const lights = fc.array(fc.integer({ min: 0, max: 200 }), { minLength: 64, maxLength: 64 });
const word = fc.integer({ min: 0, max: 0xffffffff });
const hex = (high: number, low: number): string =>
  [high >>> 1, low].map((half) => (half >>> 0).toString(16).padStart(8, '0')).join('');
/** A mark with some signs turned. */
const turned = (mark: string, bits: readonly number[]): string => {
  let signs = BigInt(`0x${mark}`);
  for (const bit of new Set(bits)) signs ^= 1n << BigInt(bit);
  return signs.toString(16).padStart(16, '0');
};

describe('the mark of what a picture looks like', () => {
  it('stays nearly as it is in another size, and with more light on all of it', () => {
    fc.assert(
      fc.property(lights, fc.constantFrom(32, 48, 64, 120, 160), fc.integer({ min: 0, max: 30 }), (at, px, lift) => {
        const mark = alikeMark(panes(at, 96));
        expect(mark).toMatch(/^[0-9a-f]{16}$/);
        expect(alikeDistance(mark, alikeMark(panes(at, px)))).toBeLessThanOrEqual(NEARLY);
        expect(alikeDistance(mark, alikeMark(panes(at, 96, lift)))).toBe(0);
      }),
      { numRuns: 25, examples: [[Array.from({ length: 64 }, (_, i) => (i * 37) % 200), 48, 20]], endOnFailure: true },
    );
  });

  it('is empty where nothing can be compared, and then nothing is like it', () => {
    const flat = alikeMark(
      panes(
        Array.from({ length: 64 }, () => 90),
        50,
      ),
    );
    expect(flat).toBe('');
    for (const px of [1, 7, 30]) expect(alikeMark(raster(px, 2 * px))).toBe('');
    expect(alikeDistance(flat, flat)).toBe(64);
    expect(nearlySame([flat, flat, ''])).toEqual(new Map());
  });

  it('counts the signs in which two differ', () => {
    fc.assert(
      fc.property(word, word, fc.array(fc.integer({ min: 0, max: 62 }), { maxLength: 63 }), (a, b, bits) => {
        const mark = hex(a, b);
        expect(alikeDistance(mark, turned(mark, bits))).toBe(new Set(bits).size);
      }),
    );
  });

  it('finds just those pairs that comparing all with all finds', () => {
    const bits = fc.array(fc.integer({ min: 0, max: 62 }), { maxLength: 12 });
    fc.assert(
      fc.property(fc.array(fc.tuple(word, word, bits), { maxLength: 30 }), (all) => {
        const marks = all.flatMap(([a, b, some]) => [hex(a, b), turned(hex(a, b), some)]);
        const near = nearlySame(marks);
        marks.forEach((mark, at) => {
          const others = marks.flatMap((other, i) => (i !== at && alikeDistance(mark, other) <= NEARLY ? [i] : []));
          expect([...(near.get(at) ?? [])].sort((x, y) => x - y)).toEqual(others);
        });
      }),
      { numRuns: 60 },
    );
  });
});
