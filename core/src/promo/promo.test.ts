import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { contrast, hexOf, labOf } from '../colour';
import type { WordsPart } from '../cover';
import { dressPromo, firstPromo, promoColours } from './index';

const rgb = fc.tuple(
  fc.integer({ min: 0, max: 255 }),
  fc.integer({ min: 0, max: 255 }),
  fc.integer({ min: 0, max: 255 }),
);
const swatches = fc
  .array(fc.tuple(rgb, fc.double({ min: 0.01, max: 1, noNaN: true })), { minLength: 1, maxLength: 6 })
  .map((list) => {
    const whole = list.reduce((sum, [, share]) => sum + share, 0);
    return list.map(([c, share]) => ({ hex: hexOf(c), lab: labOf(c), share: share / whole }));
  });

describe('promo colours', () => {
  it('read at 4.5 : 1 or better, whatever the cover is like', () => {
    fc.assert(
      fc.property(swatches, (list) => {
        const c = promoColours(list);
        expect(contrast(c.ink, c.ground)).toBeGreaterThanOrEqual(4.5);
        expect(contrast(c.ink, c.centre)).toBeGreaterThanOrEqual(4.5);
        expect(contrast(c.onPlate, c.plate)).toBeGreaterThanOrEqual(4.5);
      }),
    );
  });

  it('set a dark cover on a light ground and a light cover on a dark one', () => {
    const one = (hex: string, c: readonly [number, number, number]) => [{ hex, lab: labOf(c), share: 1 }];
    expect(contrast(promoColours(one('#0a2030', [10, 32, 48])).ground, '#000000')).toBeGreaterThan(10);
    expect(contrast(promoColours(one('#f0e0d0', [240, 224, 208])).ground, '#ffffff')).toBeGreaterThan(7);
    expect(() => promoColours([])).not.toThrow();
  });
});

describe('a promo', () => {
  const list = [{ hex: '#2c7a5c', lab: labOf([44, 122, 92]), share: 1 }];
  it('has the book, a headline and a call to action, in the colours of the cover', () => {
    const doc = firstPromo(list, 'jost/600', 'jost/400');
    expect([doc.widthPx, doc.heightPx]).toEqual([1080, 1080]);
    expect(Object.values(doc.parts).some((p) => p.kind === 'picture' && p.source.kind === 'mockup')).toBe(true);
    expect((doc.parts.headline as WordsPart).says).toEqual({ kind: 'brief', field: 'strapline' });
    expect((doc.parts.call as WordsPart).colour).toBe(promoColours(list).onPlate);
  });

  it('changes nothing but its colours when it is dressed anew, and is the same when dressed twice', () => {
    const doc = firstPromo(list, 'jost/600', 'jost/400');
    const red = promoColours([{ hex: '#c03020', lab: labOf([192, 48, 32]), share: 1 }]);
    const dressed = dressPromo(doc, red);
    expect(dressPromo(dressed, red)).toEqual(dressed);
    expect(dressed).not.toEqual(doc);
    expect(dressPromo(dressed, promoColours(list))).toEqual(doc);
  });
});
