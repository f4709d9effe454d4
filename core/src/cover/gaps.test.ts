import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gapsRound } from './gaps';

const page = { width: 1000, height: 1600 };
const rect = (x: number, y: number, width: number, height: number) => ({ x, y, width, height });

describe('gaps round a part', () => {
  it('go to the edges of the page where nothing stands', () => {
    const gaps = gapsRound(rect(100, 200, 300, 400), [], page);
    expect(Object.fromEntries(gaps.map(({ side, px }) => [side, px]))).toEqual({
      left: 100,
      right: 600,
      top: 200,
      foot: 1000,
    });
  });

  it('go to the nearest neighbour that stands beside, not to one that is past it', () => {
    const others = [rect(500, 250, 50, 50), rect(700, 250, 50, 50), rect(420, 900, 50, 50), rect(150, 700, 50, 60)];
    const gaps = gapsRound(rect(100, 200, 300, 400), others, page);
    expect(Object.fromEntries(gaps.map(({ side, px }) => [side, px]))).toEqual({
      left: 100,
      right: 100,
      top: 200,
      foot: 100,
    });
  });

  it('has none on a side that lies over the edge', () =>
    expect(gapsRound(rect(-20, 0, 1040, 100), [], page).map(({ side }) => side)).toEqual(['foot']));

  it('holds nothing, touches the box at one end, and is as long as it says', () => {
    const box = fc.record({
      x: fc.integer({ min: 0, max: 900 }),
      y: fc.integer({ min: 0, max: 1500 }),
      width: fc.integer({ min: 1, max: 300 }),
      height: fc.integer({ min: 1, max: 300 }),
    });
    fc.assert(
      fc.property(box, fc.array(box, { maxLength: 8 }), (own, others) => {
        for (const { side, px, from, to } of gapsRound(own, others, page)) {
          expect(Math.hypot(to.x - from.x, to.y - from.y)).toBeCloseTo(px, 6);
          const [x0, x1, y0, y1] = [
            Math.min(from.x, to.x),
            Math.max(from.x, to.x),
            Math.min(from.y, to.y),
            Math.max(from.y, to.y),
          ];
          const level = side === 'left' || side === 'right';
          for (const o of others) {
            const beside = level
              ? o.y < own.y + own.height && o.y + o.height > own.y
              : o.x < own.x + own.width && o.x + o.width > own.x;
            if (!beside) continue;
            const inside = level ? o.x >= x0 && o.x + o.width <= x1 : o.y >= y0 && o.y + o.height <= y1;
            expect(inside).toBe(false);
          }
        }
      }),
    );
  });
});
