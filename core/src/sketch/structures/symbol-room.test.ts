import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { roomWithin } from './symbol-room';

const symbol = (d: string, ratio = 1) => ({ id: 'one', words: [], ratio, d });
const box = (x: number, y: number, w: number, h: number, back = false): string =>
  back ? `M${x} ${y}v${h}h${w}v${-h}z` : `M${x} ${y}h${w}v${h}h${-w}z`;

describe('the room within a symbol', () => {
  it('of a plain box is all of it but its edge', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 300 }),
        fc.integer({ min: 0, max: 300 }),
        fc.integer({ min: 300, max: 700 }),
        fc.integer({ min: 300, max: 700 }),
        (x, y, w, h) => {
          const room = roomWithin(symbol(box(x, y, w, h)));
          if (!room) throw new Error('no room');
          expect(room.x * 1000).toBeGreaterThanOrEqual(x - 2);
          expect(room.y * 1000).toBeGreaterThanOrEqual(y - 2);
          expect((room.x + room.width) * 1000).toBeLessThanOrEqual(x + w + 2);
          expect((room.y + room.height) * 1000).toBeLessThanOrEqual(y + h + 2);
          // Two cells of 1000 / 48 may be lost on each way.
          expect(room.width * 1000).toBeGreaterThan(w - 44);
          expect(room.height * 1000).toBeGreaterThan(Math.min(h - 44, 2 * (w - 44)) - 1);
        },
      ),
    );
  });
  it('keeps off holes, wherever they are', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 50, max: 700 }),
        fc.integer({ min: 50, max: 700 }),
        fc.integer({ min: 60, max: 250 }),
        (x, y, size) => {
          const room = roomWithin(symbol(box(0, 0, 1000, 1000) + box(x, y, size, size, true)));
          if (!room) throw new Error('no room');
          const [l, t] = [room.x * 1000, room.y * 1000];
          const [r, b] = [l + room.width * 1000, t + room.height * 1000];
          const apart = r <= x + 3 || l >= x + size - 3 || b <= y + 3 || t >= y + size - 3;
          expect(apart, JSON.stringify({ room, x, y, size })).toBe(true);
        },
      ),
    );
  });
  it('is in the widest part of a symbol that is wider than high, in fractions of its own box', () => {
    const room = roomWithin(symbol(box(0, 400, 2000, 100) + box(1200, 100, 700, 800), 2));
    expect(room?.x).toBeGreaterThanOrEqual(0.6 - 0.002);
    expect((room?.x ?? 0) + (room?.width ?? 0)).toBeLessThanOrEqual(0.95 + 0.002);
    expect(room?.height).toBeGreaterThan(0.74);
  });
  it('is none in lines, in nothing and in what cannot be read', () => {
    for (const d of [box(0, 0, 1000, 12), 'M0 0L1000 1000', 'no path']) expect(roomWithin(symbol(d)), d).toBeNull();
  });
});
