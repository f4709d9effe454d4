import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Path, type Rect, flatten, pathBounds, polyline, rectPath } from '../plane';
import {
  archIn,
  badgeIn,
  brushedIn,
  burstIn,
  dividerIn,
  ellipseIn,
  frameLines,
  polygonIn,
  readPathData,
  reversed,
  ribbonIn,
  taperedLine,
  tornIn,
  writePathData,
} from './index';

const frame: Rect = { x: 40, y: 60, width: 300, height: 180 };
const inside = (path: Path, r: Rect, by = 0.01): void => {
  const b = pathBounds(path);
  expect(b.x).toBeGreaterThanOrEqual(r.x - by);
  expect(b.y).toBeGreaterThanOrEqual(r.y - by);
  expect(b.x + b.width).toBeLessThanOrEqual(r.x + r.width + by);
  expect(b.y + b.height).toBeLessThanOrEqual(r.y + r.height + by);
};
/** Twice the signed area of the first outline: its sign is its direction. */
const turn = (path: Path): number => {
  const p = flatten(path);
  return p.reduce((sum, a, i) => {
    const b = p[(i + 1) % p.length];
    return sum + a.x * b.y - b.x * a.y;
  }, 0);
};
const rects = fc.record({
  x: fc.integer({ min: -500, max: 500 }),
  y: fc.integer({ min: -500, max: 500 }),
  width: fc.integer({ min: 20, max: 900 }),
  height: fc.integer({ min: 20, max: 900 }),
});

describe('forms', () => {
  it('stay in their place, whatever it is', () => {
    fc.assert(
      fc.property(rects, fc.integer({ min: 3, max: 24 }), fc.integer({ min: 0, max: 99 }), (r, n, seed) => {
        inside(ellipseIn(r), r);
        inside(polygonIn(r, n), r);
        inside(burstIn(r, n + 2, 0.3), r);
        inside(archIn(r), r);
        inside(tornIn(r, 0.1, seed), r, 0.5);
        const { front, tails, folds } = ribbonIn(r, 0.3, 0.5);
        [front, tails, folds].forEach((path) => inside(path, r));
      }),
      { numRuns: 60 },
    );
  });

  it('fill their place from side to side', () => {
    for (const path of [ellipseIn(frame), polygonIn(frame, 6), polygonIn(frame, 5), archIn(frame)]) {
      const b = pathBounds(path);
      expect(b.width).toBeCloseTo(frame.width, 0);
      expect(b.height).toBeCloseTo(frame.height, 0);
    }
  });

  it('an even polygon stands on a side, an odd one on a side with its corner up', () => {
    const corners = (n: number): { x: number; y: number }[] => flatten(polygonIn(frame, n)).slice(0, n);
    const low = frame.y + frame.height;
    for (const n of [4, 5, 6, 7, 8]) expect(corners(n).filter((p) => Math.abs(p.y - low) < 0.01)).toHaveLength(2);
    expect(corners(5).filter((p) => Math.abs(p.y - frame.y) < 0.01)).toHaveLength(1);
  });

  it('a burst has deeper notches the deeper it is told', () => {
    const covered = (depth: number): number => Math.abs(turn(burstIn(frame, 16, depth)));
    expect(covered(0.5)).toBeLessThan(covered(0.2));
  });

  it('a badge with a ring has a hole: its inner outlines run against and with the outer', () => {
    const plain = badgeIn(frame, 20, false);
    const ring = badgeIn(frame, 20, true);
    expect(ring.ops.length).toBeGreaterThan(plain.ops.length);
    const outline = ellipseIn(frame);
    expect(Math.sign(turn(reversed(outline)))).toBe(-Math.sign(turn(outline)));
    expect(Math.abs(turn(reversed(outline)))).toBeCloseTo(Math.abs(turn(outline)), 0);
  });

  it('a ribbon without folds is one piece', () => {
    const flat = ribbonIn(frame, 0, 0.4);
    expect(flat.tails.ops).toEqual([]);
    expect(flat.folds.ops).toEqual([]);
    expect(pathBounds(flat.front)).toMatchObject({ width: frame.width, height: frame.height });
  });

  it('frames: the outer edge of the outer line is the place, and double lines keep their distance', () => {
    for (const corner of ['square', 'round', 'cut', 'scooped', 'stepped'] as const) {
      const [outer, inner] = frameLines(frame, 6, corner, 30, true).map((path) => pathBounds(path));
      expect(outer.x).toBeCloseTo(frame.x + 3, 6);
      expect(outer.x + outer.width).toBeCloseTo(frame.x + frame.width - 3, 6);
      expect(inner.x - outer.x).toBeCloseTo(outer.x + outer.width - inner.x - inner.width, 6);
      expect(inner.x).toBeGreaterThan(outer.x + 6);
      expect(frameLines(frame, 6, corner, 30, false)).toHaveLength(1);
    }
  });

  it('dividers are even about their middle', () => {
    const middle = frame.x + frame.width / 2;
    for (const ornament of ['line', 'diamond', 'leaf', 'wave', 'dots', 'double'] as const) {
      const b = pathBounds(dividerIn(frame, ornament));
      expect(Math.abs(b.x + b.width / 2 - middle), ornament).toBeLessThan(4);
    }
  });

  it('torn and brushed edges are the same for the same seed, and others for another', () => {
    expect(tornIn(frame, 0.1, 5)).toEqual(tornIn(frame, 0.1, 5));
    expect(tornIn(frame, 0.1, 5)).not.toEqual(tornIn(frame, 0.1, 6));
    expect(brushedIn(frame, 0.4, 5)).toEqual(brushedIn(frame, 0.4, 5));
    expect(brushedIn(frame, 0.4, 5)).not.toEqual(brushedIn(frame, 0.4, 6));
  });
});

describe('a tapered line', () => {
  const line = polyline([
    { x: 0, y: 0 },
    { x: 400, y: 0 },
  ]);
  const thick = (path: Path, x: number): number => {
    const near = flatten(path).filter((p) => Math.abs(p.x - x) < 12);
    return Math.max(...near.map((p) => p.y)) - Math.min(...near.map((p) => p.y));
  };
  it('has its width in the middle and thins towards the end that is told', () => {
    const path = taperedLine(line, 20, 0, 1);
    expect(thick(path, 20)).toBeCloseTo(20, 0);
    expect(thick(path, 380)).toBeLessThan(6);
    const even = taperedLine(line, 20, 0, 0);
    expect(thick(even, 200)).toBeCloseTo(20, 0);
    expect(thick(even, 380)).toBeCloseTo(20, 0);
  });
});

describe('path data', () => {
  const read = (d: string): Path => {
    const found = readPathData(d);
    if (!found.ok) throw new Error(found.fault.code);
    return found.value;
  };

  it('reads every command, absolute and relative, to the same outline', () => {
    const pairs = [
      ['M10 10L50 10L50 40L10 40Z', 'm10 10h40v30h-40z'],
      ['M10 10C20 0 40 0 50 10S80 20 90 10', 'm10 10c10-10 30-10 40 0s30 10 40 0'],
      ['M10 10Q30 0 50 10T90 10', 'm10,10q20,-10 40,0t40,0'],
      ['M10 10A20 20 0 0 1 50 10', 'm10 10a20 20 0 0 1 40 0'],
      ['M10 10L20 20L30 10', 'M10 10 20 20 30 10'],
    ];
    for (const [a, b] of pairs) {
      const [left, right] = [read(a).ops, read(b).ops];
      expect(left.length).toBe(right.length);
      left.forEach((n, i) => expect(n).toBeCloseTo(right[i], 6));
    }
  });

  it('draws an arc that is on its circle', () => {
    const points = flatten(read('M0 50A50 50 0 0 1 100 50'));
    for (const p of points) expect(Math.hypot(p.x - 50, p.y - 50)).toBeCloseTo(50, 0);
    expect(Math.min(...points.map((p) => p.y))).toBeCloseTo(0, 0);
  });

  it('writes what it reads back as the same outline', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: -900, max: 900 }), fc.integer({ min: -900, max: 900 })), {
          minLength: 3,
          maxLength: 20,
        }),
        (at) => {
          const d = `M${at.map(([x, y]) => `${x} ${y}`).join('L')}Z`;
          const path = read(d);
          expect(read(writePathData(path)).ops).toEqual(path.ops);
        },
      ),
    );
    expect(pathBounds(read(writePathData(rectPath(frame, 20))))).toMatchObject({ width: 300, height: 180 });
  });

  it('refuses what is no path, with a code and never by throwing', () => {
    for (const d of ['', 'L10 10', 'M10', 'M10 10X20 20', 'M10 10L', 'M1e999 0L1 1', 'hello']) {
      const found = readPathData(d);
      expect(found.ok, d).toBe(false);
      expect(!found.ok && found.fault.code).toBe('svg-path');
    }
    fc.assert(fc.property(fc.string(), (d) => void readPathData(d)));
  });
});
