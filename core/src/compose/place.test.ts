import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { raster } from '../pixels';
import { busyness, quietestPlace } from './index';

/** A flat picture with a patch of stripes at a place (fractions). */
function striped(x0: number, y0: number, x1: number, y1: number) {
  const r = raster(160, 256);
  for (let y = 0; y < r.height; y++)
    for (let x = 0; x < r.width; x++) {
      const busy = x >= x0 * 160 && x < x1 * 160 && y >= y0 * 256 && y < y1 * 256;
      const v = busy ? ((x + y) % 4 < 2 ? 20 : 230) : 120;
      r.data.set([v, v, v, 255], (y * r.width + x) * 4);
    }
  return r;
}
const safe = { x: 0.05, y: 0.04 };

describe('the quietest place', () => {
  it('is not where the picture is busy', () => {
    for (const [patch, box] of [
      [[0, 0, 1, 0.5], { width: 0.6, height: 0.2 }],
      [[0, 0.5, 1, 1], { width: 0.6, height: 0.2 }],
      [[0, 0, 0.5, 1], { width: 0.3, height: 0.3 }],
      [[0.5, 0, 1, 1], { width: 0.3, height: 0.3 }],
    ] as const) {
      const map = busyness(striped(patch[0], patch[1], patch[2], patch[3]), 24);
      const found = quietestPlace(map, box, safe)!;
      const overlapX = Math.min(found.x + box.width, patch[2]) - Math.max(found.x, patch[0]);
      const overlapY = Math.min(found.y + box.height, patch[3]) - Math.max(found.y, patch[1]);
      expect(Math.min(overlapX, overlapY)).toBeLessThan(0.03);
      expect(found.busy).toBeLessThan(found.mean * 0.2);
    }
  });

  it('sets words to the side they lie on', () => {
    const box = { width: 0.3, height: 0.2 };
    expect(quietestPlace(busyness(striped(0.45, 0, 1, 1), 24), box, safe)!.align).toBe('left');
    expect(quietestPlace(busyness(striped(0, 0, 0.55, 1), 24), box, safe)!.align).toBe('right');
    expect(quietestPlace(busyness(striped(0, 0, 1, 0.5), 24), { width: 0.8, height: 0.2 }, safe)!.align).toBe('centre');
  });

  it('keeps inside the safe area and clear of other words, or says that nothing fits', () => {
    const map = busyness(striped(0.2, 0.3, 0.7, 0.6), 24);
    fc.assert(
      fc.property(
        fc.record({
          width: fc.double({ min: 0.1, max: 0.85, noNaN: true }),
          height: fc.double({ min: 0.05, max: 0.5, noNaN: true }),
        }),
        fc.record({ x: fc.double({ min: 0, max: 0.6, noNaN: true }), y: fc.double({ min: 0, max: 0.8, noNaN: true }) }),
        (box, at) => {
          const other = { ...at, width: 0.3, height: 0.15 };
          const found = quietestPlace(map, box, safe, [other]);
          if (!found) return;
          expect(found.x).toBeGreaterThanOrEqual(safe.x - 1e-9);
          expect(found.x + box.width).toBeLessThanOrEqual(1 - safe.x + 1e-9);
          expect(found.y + box.height).toBeLessThanOrEqual(1 - safe.y + 1e-9);
          const apart =
            found.x + box.width <= other.x ||
            found.x >= other.x + other.width ||
            found.y + box.height <= other.y ||
            found.y >= other.y + other.height;
          expect(apart).toBe(true);
        },
      ),
    );
    expect(quietestPlace(map, { width: 0.95, height: 0.2 }, safe)).toBeNull();
    expect(quietestPlace(map, { width: 0.5, height: 0.2 }, safe, [{ x: 0, y: 0, width: 1, height: 1 }])).toBeNull();
  });
});
