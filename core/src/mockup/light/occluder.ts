import { type Vec3, cross, length, sub, times } from '../../space';
import type { Solid } from '../models';

/** A convex body made ready for shadow tests: planes (n, k) with n.p <= k inside, edges (p, q) with the two faces they join. */
export type Occluder = {
  readonly vertices: Float64Array;
  readonly planes: Float64Array;
  readonly edges: Int32Array;
  readonly centre: Vec3;
  /** Radius of the sphere about the centre that holds it. */
  readonly radius: number;
};

export function occluder({ corners, faces }: Solid): Occluder {
  const n = corners.length;
  const centre: Vec3 = [0, 1, 2].map((c) => corners.reduce((sum, p) => sum + p[c], 0) / n) as unknown as Vec3;
  const planes: number[] = [];
  const sides = new Map<number, number[]>();
  faces.forEach((face, f) => {
    const [a, b] = [corners[face[0]], corners[face[1]]];
    // The third corner is taken as far from the edge as there is one: near ones make a shaky plane.
    let raw: Vec3 = [0, 0, 0];
    for (const i of face.slice(2)) {
      const one = cross(sub(b, a), sub(corners[i], a));
      if (length(one) > length(raw)) raw = one;
    }
    let normal = times(raw, 1 / length(raw));
    let k = normal[0] * a[0] + normal[1] * a[1] + normal[2] * a[2];
    // Windings differ; what counts is that the centre lies inside.
    if (normal[0] * centre[0] + normal[1] * centre[1] + normal[2] * centre[2] > k) {
      normal = times(normal, -1);
      k = -k;
    }
    planes.push(...normal, k);
    face.forEach((p, i) => {
      const q = face[(i + 1) % face.length];
      const key = Math.min(p, q) * n + Math.max(p, q);
      sides.set(key, [...(sides.get(key) ?? []), f]);
    });
  });
  const edges: number[] = [];
  for (const [key, [f, g]] of sides) {
    if (g === undefined) throw new Error('a body has an open edge');
    edges.push(Math.floor(key / n), key % n, f, g);
  }
  return {
    vertices: Float64Array.from(corners.flat()),
    planes: Float64Array.from(planes),
    edges: Int32Array.from(edges),
    centre,
    radius: Math.max(...corners.map((p) => length(sub(p, centre)))),
  };
}
