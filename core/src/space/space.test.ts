import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type Vec3,
  add,
  along,
  cross,
  dot,
  length,
  lookAt,
  projectPoint,
  rayThrough,
  sub,
  times,
  turnY,
  unit,
} from './index';

const n = fc.double({ min: -50, max: 50, noNaN: true });
const vec: fc.Arbitrary<Vec3> = fc.tuple(n, n, n);

describe('vectors', () => {
  it('have a cross product that is upright to both and as long as their parallelogram', () => {
    fc.assert(
      fc.property(vec, vec, (a, b) => {
        const c = cross(a, b);
        expect(Math.abs(dot(c, a))).toBeLessThan(1e-6 * (1 + length(c) * length(a)));
        expect(Math.abs(dot(c, b))).toBeLessThan(1e-6 * (1 + length(c) * length(b)));
        const area = Math.sqrt(Math.max(0, dot(a, a) * dot(b, b) - dot(a, b) ** 2));
        expect(length(c)).toBeCloseTo(area, 3);
      }),
    );
  });

  it('keep their length when turned, and come back when turned back', () => {
    fc.assert(
      fc.property(vec, fc.double({ min: -7, max: 7, noNaN: true }), (a, angle) => {
        const turned = turnY(a, angle);
        expect(length(turned)).toBeCloseTo(length(a), 6);
        turnY(turned, -angle).forEach((v, i) => expect(v).toBeCloseTo(a[i], 6));
      }),
    );
    turnY([0, 0, 1], Math.PI / 2).forEach((v, i) => expect(v).toBeCloseTo([1, 0, 0][i], 12));
  });

  it('are added, taken apart and scaled', () => {
    expect(add([1, 2, 3], [4, 5, 6])).toEqual([5, 7, 9]);
    expect(sub([1, 2, 3], [4, 5, 6])).toEqual([-3, -3, -3]);
    expect(along([1, 0, 0], [0, 2, 0], 3)).toEqual([1, 6, 0]);
    expect(times([1, -2, 3], 2)).toEqual([2, -4, 6]);
    expect(unit([0, 0, 0])).toEqual([0, 0, 0]);
    expect(length(unit([3, 4, 12]))).toBeCloseTo(1, 12);
  });
});

describe('a camera', () => {
  const camera = lookAt([30, 120, 400], [0, 90, 0], 800, 500, 400);

  it('sees its target in the middle, right to the right and up above', () => {
    const [x, y] = projectPoint(camera, [0, 90, 0]);
    expect(x).toBeCloseTo(500, 9);
    expect(y).toBeCloseTo(400, 9);
    expect(projectPoint(camera, [10, 90, 0])[0]).toBeGreaterThan(500);
    expect(projectPoint(camera, [0, 100, 0])[1]).toBeLessThan(400);
  });

  it('sends a ray through each pixel back to the point that is seen there', () => {
    fc.assert(
      fc.property(vec, (p) => {
        const [x, y] = projectPoint(camera, p);
        const ray = rayThrough(camera, x, y);
        const to = sub(p, camera.eye);
        expect(length(cross(unit(ray), unit(to)))).toBeLessThan(1e-9);
        expect(dot(ray, to)).toBeGreaterThan(0);
      }),
    );
  });

  it('has axes that are unit and upright to each other', () => {
    for (const axis of [camera.forward, camera.right, camera.up]) expect(length(axis)).toBeCloseTo(1, 12);
    expect(dot(camera.forward, camera.right)).toBeCloseTo(0, 12);
    expect(dot(camera.forward, camera.up)).toBeCloseTo(0, 12);
  });
});
