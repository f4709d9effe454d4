import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  apply,
  clamp,
  compose,
  cropToFill,
  ellipsePath,
  homography,
  pathBounds,
  project,
  rectPath,
  rotateAbout,
  scale,
  smoothstep,
  transformPath,
  translate,
  union,
} from './index';

const number = fc.double({ min: -500, max: 500, noNaN: true });
const point = fc.record({ x: number, y: number });

describe('affine maps', () => {
  it('compose as functions do', () => {
    fc.assert(
      fc.property(point, number, number, fc.double({ min: -3, max: 3, noNaN: true }), (p, tx, ty, angle) => {
        const turn = rotateAbout(angle, 10, 20);
        const both = compose(translate(tx, ty), compose(turn, scale(2, 3)));
        const stepwise = apply(translate(tx, ty), apply(turn, apply(scale(2, 3), p)));
        const direct = apply(both, p);
        expect(direct.x).toBeCloseTo(stepwise.x, 6);
        expect(direct.y).toBeCloseTo(stepwise.y, 6);
      }),
    );
  });

  it('turn about a point that stays', () => {
    const p = apply(rotateAbout(1.2, 7, 9), { x: 7, y: 9 });
    expect(p.x).toBeCloseTo(7);
    expect(p.y).toBeCloseTo(9);
  });
});

describe('a homography', () => {
  const from = [
    { x: 0, y: 0 },
    { x: 1, y: 0 },
    { x: 1, y: 1 },
    { x: 0, y: 1 },
  ];
  it('takes the four points to the four others, and its inverse takes them back', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -0.3, max: 0.3, noNaN: true }), { minLength: 8, maxLength: 8 }),
        (jitter) => {
          const to = from.map((p, i) => ({
            x: (p.x + jitter[i * 2]) * 400 + 100,
            y: (p.y + jitter[i * 2 + 1]) * 600 + 50,
          }));
          const h = homography(from, to);
          const back = homography(to, from);
          if (!h || !back) throw new Error('a proper quadrilateral has one');
          from.forEach((p, i) => {
            const q = project(h, p);
            expect(q.x).toBeCloseTo(to[i].x, 5);
            expect(q.y).toBeCloseTo(to[i].y, 5);
            const r = project(back, q);
            expect(r.x).toBeCloseTo(p.x, 6);
            expect(r.y).toBeCloseTo(p.y, 6);
          });
        },
      ),
    );
  });

  it('exists where the origin goes to infinity', () => {
    const to = [
      { x: 220, y: 230 },
      { x: 500, y: 50 },
      { x: 500, y: 650 },
      { x: 100, y: 650 },
    ];
    const back = homography(to, from)!;
    expect(back[8]).toBeCloseTo(0, 9);
    to.forEach((p, i) => {
      const q = project(back, p);
      expect(q.x).toBeCloseTo(from[i].x, 9);
      expect(q.y).toBeCloseTo(from[i].y, 9);
    });
  });

  it('does not exist for points on a line', () => {
    const line = [0, 1, 2, 3].map((n) => ({ x: n, y: n }));
    expect(homography(line, from)).toBeNull();
    expect(homography(from, [...line.slice(0, 3), { x: 9, y: 0 }])).toBeNull();
  });
});

describe('a picture cropped to fill a frame', () => {
  it('keeps the frame\u2019s ratio and never leaves the picture', () => {
    const side = fc.integer({ min: 1, max: 8000 });
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(
        side,
        side,
        side,
        side,
        share,
        share,
        fc.double({ min: 1, max: 8, noNaN: true }),
        (pw, ph, w, h, x, y, zoom) => {
          const crop = cropToFill({ widthPx: pw, heightPx: ph }, { width: w, height: h }, { x, y }, zoom);
          expect(crop.width / crop.height / (w / h)).toBeCloseTo(1, 6);
          expect(crop.x).toBeGreaterThanOrEqual(-1e-6);
          expect(crop.y).toBeGreaterThanOrEqual(-1e-6);
          expect(crop.x + crop.width).toBeLessThanOrEqual(pw + 1e-6);
          expect(crop.y + crop.height).toBeLessThanOrEqual(ph + 1e-6);
        },
      ),
    );
  });
});

describe('paths', () => {
  it('have bounds that move and grow with them', () => {
    const path = rectPath({ x: 10, y: 20, width: 30, height: 40 }, 6);
    expect(pathBounds(path)).toEqual({ x: 10, y: 20, width: 30, height: 40 });
    const moved = pathBounds(transformPath(path, compose(translate(5, 5), scale(2))));
    expect(moved).toEqual({ x: 25, y: 45, width: 60, height: 80 });
    expect(pathBounds({ ops: [] })).toEqual({ x: 0, y: 0, width: 0, height: 0 });
  });

  it('draw a circle that is round to a thousandth', () => {
    const { ops } = ellipsePath(0, 0, 100);
    // Middle of the first quarter, by de Casteljau at one half.
    const [x0, y0, ax, ay, bx, by, x1, y1] = [ops[1], ops[2], ops[4], ops[5], ops[6], ops[7], ops[8], ops[9]];
    const x = (x0 + 3 * ax + 3 * bx + x1) / 8;
    const y = (y0 + 3 * ay + 3 * by + y1) / 8;
    expect(Math.hypot(x, y)).toBeCloseTo(100, 1);
  });
});

describe('rectangles', () => {
  it('unite', () => {
    const a = { x: 0, y: 0, width: 10, height: 10 };
    const b = { x: 5, y: 8, width: 10, height: 10 };
    expect(union([a, b])).toEqual({ x: 0, y: 0, width: 15, height: 18 });
    expect(union([])).toEqual({ x: 0, y: 0, width: 0, height: 0 });
  });

  it('smooth steps rise from 0 to 1 and never fall', () => {
    expect([
      smoothstep(2, 4, 1),
      smoothstep(2, 4, 2),
      smoothstep(2, 4, 3),
      smoothstep(2, 4, 4),
      smoothstep(2, 4, 9),
    ]).toEqual([0, 0, 0.5, 1, 1]);
    for (let i = 0; i < 100; i++) expect(smoothstep(0, 100, i + 1)).toBeGreaterThanOrEqual(smoothstep(0, 100, i));
    expect(clamp(5, 0, 3)).toBe(3);
  });
});
