import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  CUBIC,
  type Cubic,
  type Path,
  PathBuilder,
  type Point,
  arcBaseline,
  drawnBounds,
  eachOp,
  ellipsePath,
  fitCurve,
  fitRing,
  flatten,
  pathBounds,
  pointOn,
  polyline,
  rectPath,
} from './index';

/** Least distance from a point to cubics, each taken as 400 short chords. */
const away = (p: Point, curves: readonly Cubic[]): number =>
  Math.min(
    ...curves.flatMap((c) =>
      Array.from({ length: 400 }, (_, i) => {
        const [a, b] = [pointOn(c, i / 400), pointOn(c, (i + 1) / 400)];
        const [dx, dy] = [b.x - a.x, b.y - a.y];
        const along = ((p.x - a.x) * dx + (p.y - a.y) * dy) / (dx * dx + dy * dy || 1);
        const t = Math.min(1, Math.max(0, along));
        return Math.hypot(p.x - a.x - dx * t, p.y - a.y - dy * t);
      }),
    ),
  );

const wave = (n: number, rise: number, turns: number): Point[] =>
  Array.from({ length: n }, (_, i) => ({
    x: (i / (n - 1)) * 800,
    y: 300 + Math.sin((i / (n - 1)) * turns * Math.PI * 2) * rise,
  }));

describe('a curve fitted to a freehand stroke', () => {
  it('is never further from a point of the stroke than the tolerance, and has few pieces', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 60, max: 200 }),
        fc.integer({ min: 0, max: 150 }),
        fc.double({ min: 0.3, max: 2, noNaN: true }),
        fc.integer({ min: 2, max: 12 }),
        (n, rise, turns, tolerance) => {
          const stroke = wave(n, rise, turns);
          const curves = fitCurve(stroke, tolerance);
          for (const p of stroke) expect(away(p, curves)).toBeLessThanOrEqual(tolerance + 0.01);
          expect(curves.length).toBeLessThan(n / 4);
        },
      ),
      { numRuns: 25 },
    );
  });

  it('begins and ends where the stroke does, and its pieces meet with one direction', () => {
    const stroke = wave(150, 120, 1.7);
    const curves = fitCurve(stroke, 4);
    expect(curves.length).toBeGreaterThan(1);
    expect(curves[0].a).toEqual(stroke[0]);
    expect(curves.at(-1)!.d).toEqual(stroke.at(-1));
    for (let i = 1; i < curves.length; i++) {
      const [before, after] = [curves[i - 1], curves[i]];
      expect(after.a).toEqual(before.d);
      const turn =
        Math.atan2(before.d.y - before.c.y, before.d.x - before.c.x) -
        Math.atan2(after.b.y - after.a.y, after.b.x - after.a.x);
      expect(Math.abs(Math.sin(turn))).toBeLessThan(1e-6);
    }
  });

  it('takes one piece for a straight line, none for a dot', () => {
    expect(fitCurve(wave(40, 0, 1), 2)).toHaveLength(1);
    expect(fitCurve([{ x: 3, y: 4 }], 2)).toEqual([]);
    expect(
      fitCurve(
        Array.from({ length: 9 }, () => ({ x: 3, y: 4 })),
        2,
      ),
    ).toEqual([]);
  });

  it('takes fewer pieces when it may be further away', () => {
    const stroke = wave(200, 140, 2.3).map((p, i) => ({ x: p.x, y: p.y + (i % 3) }));
    expect(fitCurve(stroke, 14).length).toBeLessThan(fitCurve(stroke, 2.5).length);
  });
});

describe('a measured line', () => {
  it('gives places by length, and goes straight on beyond its ends', () => {
    const line = polyline([
      { x: 0, y: 0 },
      { x: 30, y: 40 },
      { x: 30, y: 100 },
    ]);
    expect(line.length).toBeCloseTo(110);
    expect(line.at(25).point).toEqual({ x: 15, y: 20 });
    expect(line.at(80).point).toEqual({ x: 30, y: 70 });
    expect(line.at(80).angleRad).toBeCloseTo(Math.PI / 2);
    expect(line.at(120).point.y).toBeCloseTo(110);
    expect(line.at(-5).point.x).toBeCloseTo(-3);
  });

  it('flattens the first outline of a path: a circle has the length of its rim', () => {
    const rim = polyline(flatten(ellipsePath(0, 0, 100), 40));
    expect(rim.length).toBeCloseTo(2 * Math.PI * 100, 0);
    expect(flatten(rectPath({ x: 0, y: 0, width: 4, height: 2 }))).toHaveLength(5);
    expect(flatten(new PathBuilder().done())).toEqual([]);
  });
});

describe('an arc to set words on', () => {
  const area = { x: 100, y: 50, width: 400, height: 120 };
  it('stands on the foot of its area, rises in the middle and is even', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 1, noNaN: true }), (bend) => {
        const arc = arcBaseline(area, bend);
        const [first, last] = [arc.points[0], arc.points.at(-1)!];
        expect(first.x).toBeCloseTo(area.x, 6);
        expect(last.x).toBeCloseTo(area.x + area.width, 6);
        expect(first.y).toBeCloseTo(area.y + area.height, 6);
        expect(last.y).toBeCloseTo(first.y, 6);
        expect(arc.at(arc.length / 2).point.y).toBeLessThan(first.y);
        const down = arcBaseline(area, -bend);
        expect(down.at(down.length / 2).point.y).toBeGreaterThan(first.y);
        expect(down.length).toBeCloseTo(arc.length, 6);
      }),
    );
  });

  it('is half a circle at the end of its range and straight at its middle', () => {
    expect(arcBaseline(area, 1).length).toBeCloseTo((Math.PI * area.width) / 2, 0);
    expect(arcBaseline(area, 0).length).toBe(area.width);
  });
});

describe('the box of what is drawn', () => {
  it('is that of the points of the curve, not of its handles', () => {
    const number = fc.integer({ min: -100, max: 100 });
    const cubic = fc.tuple(number, number, number, number, number, number, number, number);
    fc.assert(
      fc.property(cubic, fc.boolean(), ([a, b, c, d, e, f, g, h], quad) => {
        const builder = new PathBuilder().move(a, b);
        const path = (quad ? builder.quad(c, d, g, h) : builder.cubic(c, d, e, f, g, h)).done();
        const box = drawnBounds(path);
        const points = flatten(path, 400);
        const xs = points.map((p) => p.x);
        const ys = points.map((p) => p.y);
        expect(box.x).toBeCloseTo(Math.min(...xs), 1);
        expect(box.x + box.width).toBeCloseTo(Math.max(...xs), 1);
        expect(box.y).toBeCloseTo(Math.min(...ys), 1);
        expect(box.y + box.height).toBeCloseTo(Math.max(...ys), 1);
        const loose = pathBounds(path);
        expect(box.width).toBeLessThanOrEqual(loose.width + 1e-9);
      }),
    );
    expect(drawnBounds(ellipsePath(5, 5, 3)).width).toBeCloseTo(6, 3);
    expect(drawnBounds(new PathBuilder().done())).toEqual({ x: 0, y: 0, width: 0, height: 0 });
  });
});

describe('an outline from the grid of pixels', () => {
  /** Points on a circle with a little noise, as an outline through pixels has. */
  const circle = (r: number): { x: number; y: number }[] => {
    const count = Math.round(r * 7);
    return Array.from({ length: count }, (_, i) => {
      const a = (i / count) * 2 * Math.PI;
      const out = r + Math.sin(i * 12.9898) * 0.08;
      return { x: 50 + out * Math.cos(a), y: 50 + out * Math.sin(a) };
    });
  };
  const pieces = (path: Path): number[] => {
    const codes: number[] = [];
    eachOp(path, (code) => codes.push(code));
    return codes;
  };

  it('becomes few cubics where it is round, whatever its size', () => {
    fc.assert(
      fc.property(fc.double({ min: 8, max: 200, noNaN: true }), (r) => {
        const path = fitRing(circle(r), 0.35, 0.75)!;
        expect(pieces(path).length).toBeLessThan(16);
        for (const p of flatten(path, 40)) expect(Math.abs(Math.hypot(p.x - 50, p.y - 50) - r)).toBeLessThan(0.6);
      }),
    );
  });

  it('keeps corners where they are: a turned square has four lines', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1.57, noNaN: true }),
        fc.double({ min: 14, max: 120, noNaN: true }),
        (rad, side) => {
          const corners = [0, 1, 2, 3].map((k) => ({
            x: 50 + (side / Math.SQRT2) * Math.cos(rad + (k * Math.PI) / 2),
            y: 50 + (side / Math.SQRT2) * Math.sin(rad + (k * Math.PI) / 2),
          }));
          const steps = Math.round(side);
          const ring = corners.flatMap((from, k) => {
            const to = corners[(k + 1) % 4];
            return Array.from({ length: steps }, (_, i) => ({
              x: from.x + ((to.x - from.x) * i) / steps,
              y: from.y + ((to.y - from.y) * i) / steps,
            }));
          });
          const path = fitRing(ring, 0.35, 0.75)!;
          expect(pieces(path).filter((code) => code === CUBIC)).toEqual([]);
          for (const corner of corners)
            expect(Math.min(...flatten(path, 1).map((p) => Math.hypot(p.x - corner.x, p.y - corner.y)))).toBeLessThan(
              0.9,
            );
        },
      ),
    );
    expect(fitRing([{ x: 0, y: 0 }], 1, 1)).toBeNull();
  });
});
