import { type Vec3, add, along, cross, dot, sub, unit } from './vec3';

/** A rotation followed by a shift: where a thing's own axes and origin come to lie. */
export type Rigid = { readonly x: Vec3; readonly y: Vec3; readonly z: Vec3; readonly shift: Vec3 };

export const still: Rigid = { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1], shift: [0, 0, 0] };

/** A direction after the rotation. */
export const turned = (m: Rigid, v: Vec3): Vec3 => [
  m.x[0] * v[0] + m.y[0] * v[1] + m.z[0] * v[2],
  m.x[1] * v[0] + m.y[1] * v[1] + m.z[1] * v[2],
  m.x[2] * v[0] + m.y[2] * v[1] + m.z[2] * v[2],
];

/** A point after rotation and shift. */
export const moved = (m: Rigid, p: Vec3): Vec3 => add(turned(m, p), m.shift);

/** First `inner`, then `outer`. */
export const after = (outer: Rigid, inner: Rigid): Rigid => ({
  x: turned(outer, inner.x),
  y: turned(outer, inner.y),
  z: turned(outer, inner.z),
  shift: moved(outer, inner.shift),
});

export const shifted = (x: number, y: number, z: number): Rigid => ({ ...still, shift: [x, y, z] });

/** Rotation about the axis through the origin, by the right-hand rule (Rodrigues). */
export function turnAbout(axis: Vec3, angleRad: number): Rigid {
  const a = unit(axis);
  const [c, s] = [Math.cos(angleRad), Math.sin(angleRad)];
  const of = (v: Vec3): Vec3 => {
    const parallel = dot(a, v);
    const flat = sub(v, [a[0] * parallel, a[1] * parallel, a[2] * parallel]);
    const side = cross(a, flat);
    return along(along(along([0, 0, 0], a, parallel), flat, c), side, s);
  };
  return { x: of([1, 0, 0]), y: of([0, 1, 0]), z: of([0, 0, 1]), shift: [0, 0, 0] };
}
