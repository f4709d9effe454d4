import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fieldTop } from './type-on-cover';

const rect = (y: number, height: number) => ({ x: 100, y, width: 1400, height });

describe('the field for typing on the cover', () => {
  it('stands under its words where nothing is there, else where it hides nothing', () => {
    const title = rect(300, 400);
    expect(fieldTop(title, [], 0.25, 640)).toBe(183);
    // A subtitle right under it: above.
    expect(fieldTop(title, [rect(720, 200)], 0.25, 640)).toBeLessThan(75);
    // Words above and below: the foot of the cover.
    expect(fieldTop(title, [rect(0, 280), rect(720, 200)], 0.25, 640)).toBe(576);
  });

  it('is always on the cover, and hides no more than it would under its words', () => {
    const one = fc.record({ y: fc.integer({ min: 0, max: 2300 }), height: fc.integer({ min: 20, max: 600 }) });
    fc.assert(
      fc.property(one, fc.array(one, { maxLength: 5 }), (own, others) => {
        const top = fieldTop(
          rect(own.y, own.height),
          others.map((o) => rect(o.y, o.height)),
          0.25,
          640,
        );
        expect(top).toBeGreaterThanOrEqual(0);
        expect(top).toBeLessThanOrEqual(640 - 64);
      }),
    );
  });
});
