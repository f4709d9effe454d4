import { type Vec3, add, cross, length, sub, times } from '../../space';
import type { Prism } from '../models';

/** A one-sided rectangular light, corners in order round it. */
export type AreaLight = {
  readonly corners: readonly [Vec3, Vec3, Vec3, Vec3];
  readonly centre: Vec3;
  readonly areaMm2: number;
};

/** The light of a scene: at `distance` from the target in the given direction, facing it. */
export function areaLight(
  target: Vec3,
  azimuthRad: number,
  heightRad: number,
  distance: number,
  side: number,
): AreaLight {
  const direction: Vec3 = [
    Math.sin(azimuthRad) * Math.cos(heightRad),
    Math.sin(heightRad),
    Math.cos(azimuthRad) * Math.cos(heightRad),
  ];
  const right: Vec3 = [Math.cos(azimuthRad), 0, -Math.sin(azimuthRad)];
  const up = cross(direction, right);
  const centre = add(target, times(direction, distance));
  const corner = (a: number, b: number): Vec3 =>
    add(add(centre, times(right, (a * side) / 2)), times(up, (b * side) / 2));
  return {
    corners: [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)],
    centre,
    areaMm2: side * side,
  };
}

/** A prism made ready for shadow tests: planes (n, k) with n.p <= k inside, edges with their two faces. */
export type Occluder = {
  readonly vertices: Float64Array;
  readonly planes: Float64Array;
  readonly edges: Int32Array;
  readonly sides: number;
  readonly centre: Vec3;
};

export function occluder(prism: Prism): Occluder {
  const { base, heightMm } = prism;
  const n = base.length;
  const points: Vec3[] = [...base.map(([x, z]): Vec3 => [x, 0, z]), ...base.map(([x, z]): Vec3 => [x, heightMm, z])];
  const mean = base.reduce((m, [x, z]) => [m[0] + x / n, m[1] + z / n], [0, 0]);
  const centre: Vec3 = [mean[0], heightMm / 2, mean[1]];
  const planes: number[] = [];
  const plane = (a: Vec3, b: Vec3, c: Vec3): void => {
    const raw = cross(sub(b, a), sub(c, a));
    let normal = times(raw, 1 / length(raw));
    let k = normal[0] * a[0] + normal[1] * a[1] + normal[2] * a[2];
    // Windings differ; what counts is that the centre lies inside.
    if (normal[0] * centre[0] + normal[1] * centre[1] + normal[2] * centre[2] > k) {
      normal = times(normal, -1);
      k = -k;
    }
    planes.push(...normal, k);
  };
  for (let i = 0; i < n; i++) plane(points[i], points[(i + 1) % n], points[i + n]);
  plane(points[0], points[1], points[2]);
  plane(points[n], points[n + 1], points[n + 2]);
  const edges: number[] = [];
  for (let i = 0; i < n; i++) {
    const j = (i + 1) % n;
    edges.push(i, j, i, n, i + n, j + n, i, n + 1, j, j + n, i, j);
  }
  return {
    vertices: Float64Array.from(points.flat()),
    planes: Float64Array.from(planes),
    edges: Int32Array.from(edges),
    sides: n,
    centre,
  };
}

/** Buffers for `shadowAt`, owned by the caller, so that the hot loop allocates nothing. */
export type ShadowScratch = { a: Float64Array; b: Float64Array; front: Uint8Array };
export const shadowScratch = (occ: Occluder): ShadowScratch => ({
  a: new Float64Array(3 * (occ.edges.length / 4 + 8)),
  b: new Float64Array(3 * (occ.edges.length / 4 + 8)),
  front: new Uint8Array(occ.planes.length / 4),
});

/**
 * Exact soft shadow and ambient occlusion of a convex solid at a point of the ground (y = 0).
 * Writes `out[0]` = hidden share of the light and `out[1]` = form factor of the solid over the hemisphere, both 0..1.
 *
 * The light's polygon is clipped by the planes through the point and the silhouette edges; its remaining area over
 * its whole area is the hidden share. The form factor is the contour integral over the same edges (Lambert 1760):
 * F = 1/(2 pi) * sum of edge angle times the vertical component of the edge plane's normal.
 */
export function shadowAt(
  occ: Occluder,
  light: AreaLight,
  x: number,
  z: number,
  scratch: ShadowScratch,
  out: Float64Array,
): void {
  const { vertices, planes, edges, centre } = occ;
  const { front } = scratch;
  for (let i = 0; i < front.length; i++) {
    front[i] = planes[i * 4] * x + planes[i * 4 + 2] * z > planes[i * 4 + 3] + 1e-9 ? 1 : 0;
  }
  let { a, b } = scratch;
  let n = 4;
  for (let i = 0; i < 4; i++) {
    const corner = light.corners[i];
    a[i * 3] = corner[0];
    a[i * 3 + 1] = corner[1];
    a[i * 3 + 2] = corner[2];
  }
  let form = 0;
  let seen = false;
  for (let e = 0; e < edges.length; e += 4) {
    if (front[edges[e + 2]] === front[edges[e + 3]]) continue;
    seen = true;
    const p = edges[e] * 3;
    const q = edges[e + 1] * 3;
    const ax = vertices[p] - x;
    const ay = vertices[p + 1];
    const az = vertices[p + 2] - z;
    const bx = vertices[q] - x;
    const by = vertices[q + 1];
    const bz = vertices[q + 2] - z;
    let nx = ay * bz - az * by;
    let ny = az * bx - ax * bz;
    let nz = ax * by - ay * bx;
    const size = Math.sqrt(nx * nx + ny * ny + nz * nz);
    if (size < 1e-12) continue;
    const k = nx * (centre[0] - x) + ny * centre[1] + nz * (centre[2] - z) < 0 ? -1 / size : 1 / size;
    nx *= k;
    ny *= k;
    nz *= k;
    form += Math.atan2(size, ax * bx + ay * by + az * bz) * ny;
    if (n === 0) continue;
    let m = 0;
    let j = (n - 1) * 3;
    let dj = nx * (a[j] - x) + ny * a[j + 1] + nz * (a[j + 2] - z);
    for (let i = 0; i < n * 3; i += 3) {
      const di = nx * (a[i] - x) + ny * a[i + 1] + nz * (a[i + 2] - z);
      if (di >= 0 !== dj >= 0) {
        const t = dj / (dj - di);
        b[m] = a[j] + (a[i] - a[j]) * t;
        b[m + 1] = a[j + 1] + (a[i + 1] - a[j + 1]) * t;
        b[m + 2] = a[j + 2] + (a[i + 2] - a[j + 2]) * t;
        m += 3;
      }
      if (di >= 0) {
        b[m] = a[i];
        b[m + 1] = a[i + 1];
        b[m + 2] = a[i + 2];
        m += 3;
      }
      j = i;
      dj = di;
    }
    n = m / 3;
    const swap = a;
    a = b;
    b = swap;
  }
  if (!seen) {
    // The point lies under the solid.
    out[0] = 1;
    out[1] = 1;
    return;
  }
  let sx = 0;
  let sy = 0;
  let sz = 0;
  for (let i = 3; i < (n - 1) * 3; i += 3) {
    const ux = a[i] - a[0];
    const uy = a[i + 1] - a[1];
    const uz = a[i + 2] - a[2];
    const vx = a[i + 3] - a[0];
    const vy = a[i + 4] - a[1];
    const vz = a[i + 5] - a[2];
    sx += uy * vz - uz * vy;
    sy += uz * vx - ux * vz;
    sz += ux * vy - uy * vx;
  }
  out[0] = n > 2 ? Math.min(1, Math.sqrt(sx * sx + sy * sy + sz * sz) / (2 * light.areaMm2)) : 0;
  out[1] = Math.min(1, Math.max(0, form / (2 * Math.PI)));
}
