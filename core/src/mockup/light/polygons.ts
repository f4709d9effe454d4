/** Polygons as numbers in a row, three a corner, seen from the origin: flat ones, or cones through their corners. */

/** Most corners of a polygon. */
export const CORNERS = 40;

/** Form factor of a cone from the origin over polygon corners. */
export function formOf(set: Float64Array, at: number, n: number, nx: number, ny: number, nz: number): number {
  let sum = 0;
  let j = at + (n - 1) * 3;
  for (let i = at; i < at + n * 3; i += 3) {
    const x = set[j + 1] * set[i + 2] - set[j + 2] * set[i + 1];
    const y = set[j + 2] * set[i] - set[j] * set[i + 2];
    const z = set[j] * set[i + 1] - set[j + 1] * set[i];
    const size = Math.sqrt(x * x + y * y + z * z);
    if (size > 1e-15) {
      const a = Math.atan2(size, set[j] * set[i] + set[j + 1] * set[i + 1] + set[j + 2] * set[i + 2]);
      sum += (a * (x * nx + y * ny + z * nz)) / size;
    }
    j = i;
  }
  return Math.abs(sum) / (2 * Math.PI);
}

/** Whether a polygon lies wholly outside one of the planes. */
export function clear(
  set: Float64Array,
  at: number,
  n: number,
  normals: Float64Array,
  m0: number,
  m1: number,
): boolean {
  for (let j = m0; j < m1; j += 3) {
    let inside = false;
    for (let i = at; i < at + n * 3 && !inside; i += 3)
      inside = set[i] * normals[j] + set[i + 1] * normals[j + 1] + set[i + 2] * normals[j + 2] > 0;
    if (!inside) return true;
  }
  return false;
}

/** Corners of a polygon put into another place. By hand: a view for each would cost more than the copying. */
export function copy(from: Float64Array, at: number, to: Float64Array, o: number, n: number): void {
  for (let i = 0; i < n * 3; i++) to[o + i] = from[at + i];
}

/** The part of a polygon on the inner side of a plane through the origin, written to `to` from `o` on; its corner count. */
export function cut(
  set: Float64Array,
  at: number,
  n: number,
  nx: number,
  ny: number,
  nz: number,
  to: Float64Array,
  o: number,
): number {
  const most = o + CORNERS * 3;
  let m = o;
  let j = at + (n - 1) * 3;
  let dj = set[j] * nx + set[j + 1] * ny + set[j + 2] * nz;
  for (let i = at; i < at + n * 3; i += 3) {
    const di = set[i] * nx + set[i + 1] * ny + set[i + 2] * nz;
    if (di >= 0 !== dj >= 0 && m < most) {
      const t = dj / (dj - di);
      to[m] = set[j] + (set[i] - set[j]) * t;
      to[m + 1] = set[j + 1] + (set[i + 1] - set[j + 1]) * t;
      to[m + 2] = set[j + 2] + (set[i + 2] - set[j + 2]) * t;
      m += 3;
    }
    if (di >= 0 && m < most) {
      to[m] = set[i];
      to[m + 1] = set[i + 1];
      to[m + 2] = set[i + 2];
      m += 3;
    }
    j = i;
    dj = di;
  }
  return (m - o) / 3;
}

/** Area of a flat polygon. */
export function area(set: Float64Array, at: number, n: number): number {
  let x = 0;
  let y = 0;
  let z = 0;
  for (let i = at + 3; i < at + (n - 1) * 3; i += 3) {
    const ux = set[i] - set[at];
    const uy = set[i + 1] - set[at + 1];
    const uz = set[i + 2] - set[at + 2];
    const vx = set[i + 3] - set[at];
    const vy = set[i + 4] - set[at + 1];
    const vz = set[i + 5] - set[at + 2];
    x += uy * vz - uz * vy;
    y += uz * vx - ux * vz;
    z += ux * vy - uy * vx;
  }
  return Math.sqrt(x * x + y * y + z * z) / 2;
}
