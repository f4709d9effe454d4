import type { AreaLight } from './area-light';
import type { Occluder } from './occluder';
import { CORNERS, area, clear, copy, cut, formOf } from './polygons';

/** Most pieces that a light or a silhouette is cut into; those beyond count as hidden. */
const PIECES = 400;

/** Heights over the horizon within this are on it, mm. */
const FLAT = 1e-7;

/** Buffers for `occlusionAt`, owned by the caller, so that the hot loop allocates nothing. */
export type Scratch = {
  /** Polygons, `CORNERS * 3` numbers each, and their corner counts; two sets that take turns. */
  readonly sets: readonly [Float64Array, Float64Array];
  readonly counts: readonly [Int32Array, Int32Array];
  readonly clip: Float64Array;
  readonly front: Uint8Array;
  /** Silhouette planes of all bodies that matter at a point, three numbers each, and where those of each body end. */
  readonly normals: Float64Array;
  /** Where each silhouette edge begins, from the point, and the numbers of the corners it leads from and to, in order round the body. */
  readonly rims: Float64Array;
  readonly links: Int32Array;
  readonly ends: Int32Array;
  /** The form factor of each of these bodies. */
  readonly shares: Float64Array;
  /** Which of the two sets holds what a cut left. */
  readonly last: Int32Array;
};

export function scratchFor(occluders: readonly Occluder[]): Scratch {
  const most = (of: (o: Occluder) => number): number => Math.max(1, ...occluders.map(of));
  const edges =
    3 *
    Math.max(
      1,
      occluders.reduce((sum, o) => sum + o.edges.length / 4, 0),
    );
  return {
    sets: [new Float64Array(CORNERS * 3 * PIECES), new Float64Array(CORNERS * 3 * PIECES)],
    counts: [new Int32Array(PIECES), new Int32Array(PIECES)],
    clip: new Float64Array(CORNERS * 3),
    front: new Uint8Array(most((o) => o.planes.length / 4)),
    normals: new Float64Array(edges),
    rims: new Float64Array(edges),
    links: new Int32Array(edges),
    ends: new Int32Array(occluders.length + 1),
    shares: new Float64Array(occluders.length + 1),
    last: new Int32Array(1),
  };
}

/**
 * Exact soft shadow and ambient occlusion of convex bodies at a point with a normal. Writes `out[0]` = the hidden share
 * of the light that stands over the point's horizon, `out[1]` = the share of the hemisphere, weighted by the cosine,
 * that the bodies take. `skip` is the body that the point lies on.
 *
 * The light's polygon is cut by the planes through the point and each body's silhouette edges into pieces that are
 * still seen; what is left over of its area is the seen share, with no sampling, so without noise. A body's form factor
 * is the contour integral over its silhouette above the horizon (Lambert 1760): F = 1/(2 pi) * sum of edge angle times
 * the edge plane's normal along the point's, the horizon's own arc included. Where several bodies take some of it, the
 * hemisphere itself is cut like the light, so that what they hide twice counts once; without `exact` their shares are
 * joined as if independent, which is a little too dark and much faster.
 */
export function occlusionAt(
  occluders: readonly Occluder[],
  skip: number,
  light: AreaLight | null,
  px: number,
  py: number,
  pz: number,
  nx: number,
  ny: number,
  nz: number,
  scratch: Scratch,
  out: Float64Array,
  exact = true,
): void {
  const { front, normals, rims, links, ends, shares } = scratch;
  let bodies = 0;
  let m = 0;
  let taking = 0;
  let form = 0;
  let open = 1;
  for (let o = 0; o < occluders.length; o++) {
    if (o === skip) continue;
    const occ = occluders[o];
    const { vertices, planes, edges, centre, radius } = occ;
    const cx = centre[0] - px;
    const cy = centre[1] - py;
    const cz = centre[2] - pz;
    const up = cx * nx + cy * ny + cz * nz;
    if (up < -radius) continue;
    const away2 = cx * cx + cy * cy + cz * cz;
    const far = away2 > radius * radius * 400;
    if (far && (!light || missesLight(light, px, py, pz, cx, cy, cz, radius))) continue;
    let some = false;
    for (let i = 0; i < planes.length / 4; i++) {
      const d = planes[i * 4] * px + planes[i * 4 + 1] * py + planes[i * 4 + 2] * pz - planes[i * 4 + 3];
      front[i] = d > 1e-7 ? 1 : 0;
      if (front[i]) some = true;
    }
    if (!some) {
      // The point lies in the body.
      out[0] = 1;
      out[1] = 1;
      return;
    }
    // Silhouette planes through the point, inner normals; the form factor on the way.
    let own = 0;
    let crossings = 0;
    let hx = 0;
    let hy = 0;
    let hz = 0;
    for (let e = 0; e < edges.length; e += 4) {
      if (front[edges[e + 2]] === front[edges[e + 3]]) continue;
      const p = edges[e] * 3;
      const q = edges[e + 1] * 3;
      let ax = vertices[p] - px;
      let ay = vertices[p + 1] - py;
      let az = vertices[p + 2] - pz;
      let bx = vertices[q] - px;
      let by = vertices[q + 1] - py;
      let bz = vertices[q + 2] - pz;
      let sx = ay * bz - az * by;
      let sy = az * bx - ax * bz;
      let sz = ax * by - ay * bx;
      const size = Math.sqrt(sx * sx + sy * sy + sz * sz);
      if (size < 1e-12) continue;
      const k = sx * cx + sy * cy + sz * cz < 0 ? -1 / size : 1 / size;
      sx *= k;
      sy *= k;
      sz *= k;
      normals[m] = sx;
      normals[m + 1] = sy;
      normals[m + 2] = sz;
      const back = k < 0;
      rims[m] = back ? bx : ax;
      rims[m + 1] = back ? by : ay;
      rims[m + 2] = back ? bz : az;
      links[m] = edges[back ? e + 1 : e];
      links[m + 1] = edges[back ? e : e + 1];
      m += 3;
      const ha = ax * nx + ay * ny + az * nz;
      const hb = bx * nx + by * ny + bz * nz;
      // An edge in the horizon's own plane counts whole.
      if (ha < -FLAT && hb < -FLAT) continue;
      if (ha < -FLAT || hb < -FLAT) {
        // The part above the horizon, and where the silhouette goes under it.
        const t = Math.min(1, Math.max(0, ha / (ha - hb)));
        const x = ax + (bx - ax) * t;
        const y = ay + (by - ay) * t;
        const z = az + (bz - az) * t;
        if (crossings === 1) own += angle(hx, hy, hz, x, y, z);
        hx = x;
        hy = y;
        hz = z;
        crossings++;
        if (ha < hb) {
          ax = x;
          ay = y;
          az = z;
        } else {
          bx = x;
          by = y;
          bz = z;
        }
      }
      own += angle(ax, ay, az, bx, by, bz) * (sx * nx + sy * ny + sz * nz);
    }
    own = Math.min(1, Math.max(0, own / (2 * Math.PI)));
    shares[bodies] = own;
    ends[++bodies] = m;
    if (own > LEAST_SHARE) taking++;
    form += own;
    open *= 1 - own;
  }
  out[0] = light ? hiddenShare(light, px, py, pz, nx, ny, nz, bodies, scratch) : 0;
  const alone = taking < 2 || apart(bodies, scratch);
  out[1] = alone ? Math.min(1, form) : exact ? takenTogether(nx, ny, nz, bodies, scratch) : 1 - open;
}

/** A body that takes less of the sky than this does not count where others take some as well. */
const LEAST_SHARE = 1e-3;

/** Whether no two of the bodies that take some of the sky are seen one behind the other: then their shares add up. */
function apart(bodies: number, { normals, rims, ends, shares }: Scratch): boolean {
  for (let i = 1; i < bodies; i++) {
    if (shares[i] <= LEAST_SHARE) continue;
    for (let j = 0; j < i; j++) {
      if (shares[j] <= LEAST_SHARE) continue;
      const [i0, i1, j0, j1] = [ends[i], ends[i + 1], ends[j], ends[j + 1]];
      if (!clear(rims, i0, (i1 - i0) / 3, normals, j0, j1) && !clear(rims, j0, (j1 - j0) / 3, normals, i0, i1))
        return false;
    }
  }
  return true;
}

/** The share of the light over the horizon that the bodies hide; 0 where it stands under it. */
function hiddenShare(
  light: AreaLight,
  px: number,
  py: number,
  pz: number,
  nx: number,
  ny: number,
  nz: number,
  bodies: number,
  scratch: Scratch,
): number {
  const { sets, counts, clip } = scratch;
  const first = sets[0];
  for (let i = 0; i < 4; i++) {
    const c = light.corners[i];
    first[i * 3] = c[0] - px;
    first[i * 3 + 1] = c[1] - py;
    first[i * 3 + 2] = c[2] - pz;
  }
  const n = cut(first, 0, 4, nx, ny, nz, clip, 0);
  if (n < 3) return 0;
  copy(clip, 0, first, 0, n);
  counts[0][0] = n;
  const whole = area(first, 0, n);
  const pieces = cutAway(1, bodies, scratch, -1);
  let left = 0;
  const last = scratch.last[0];
  for (let i = 0; i < pieces; i++) left += area(sets[last], i * CORNERS * 3, counts[last][i]);
  return Math.min(1, Math.max(0, 1 - left / whole));
}

/**
 * The share of the hemisphere, weighted by the cosine, that the bodies take together: that of the first, and of each other
 * what those before it leave.
 */
function takenTogether(nx: number, ny: number, nz: number, bodies: number, scratch: Scratch): number {
  const { sets, counts, clip, shares } = scratch;
  let taken = 0;
  let before = 0;
  for (let body = 0; body < bodies; body++) {
    if (shares[body] <= LEAST_SHARE) continue;
    if (before++ === 0) {
      taken = shares[body];
      continue;
    }
    const n = cut(sets[0], 0, silhouette(body, scratch), nx, ny, nz, clip, 0);
    if (n < 3) continue;
    copy(clip, 0, sets[0], 0, n);
    counts[0][0] = n;
    const pieces = cutAway(1, body, scratch, LEAST_SHARE);
    const last = scratch.last[0];
    for (let i = 0; i < pieces; i++) taken += formOf(sets[last], i * CORNERS * 3, counts[last][i], nx, ny, nz);
  }
  return Math.min(1, taken);
}

/** Writes the corners of a body's silhouette, in order, as the first polygon of the first set; answers how many. */
function silhouette(body: number, { sets, rims, links, ends }: Scratch): number {
  const [m0, m1] = [ends[body], ends[body + 1]];
  let n = 0;
  let m = m0;
  do {
    copy(rims, m, sets[0], n * 3, 1);
    n++;
    const next = links[m + 1];
    for (m = m0; m < m1 && links[m] !== next; m += 3);
  } while (m < m1 && m !== m0 && n < CORNERS);
  return n;
}

/**
 * Takes from the pieces in the first set what lies within each body's cone: what lies outside one of its planes stays,
 * as a piece of its own. Bodies that take no more of the sky than `least` are left out. The rest is left in the set with
 * the number `last`; answers how many pieces there are.
 */
function cutAway(pieces: number, bodies: number, scratch: Scratch, least: number): number {
  const { sets, counts, clip, normals, ends, shares } = scratch;
  let now = 0;
  for (let body = 0; body < bodies; body++) {
    if (shares[body] <= least) continue;
    const from = sets[now];
    const to = sets[1 - now];
    const had = counts[now];
    const has = counts[1 - now];
    const [m0, m1] = [ends[body], ends[body + 1]];
    let kept = 0;
    for (let i = 0; i < pieces; i++) {
      const at = i * CORNERS * 3;
      let n = had[i];
      if (clear(from, at, n, normals, m0, m1)) {
        if (kept < PIECES) {
          copy(from, at, to, kept * CORNERS * 3, n);
          has[kept++] = n;
        }
        continue;
      }
      for (let j = m0; j < m1 && n > 2; j += 3) {
        if (kept < PIECES) {
          const outside = cut(from, at, n, -normals[j], -normals[j + 1], -normals[j + 2], to, kept * CORNERS * 3);
          if (outside > 2) has[kept++] = outside;
        }
        const inside = cut(from, at, n, normals[j], normals[j + 1], normals[j + 2], clip, 0);
        copy(clip, 0, from, at, inside);
        n = inside;
      }
    }
    pieces = kept;
    now = 1 - now;
  }
  scratch.last[0] = now;
  return pieces;
}

/** Whether the sphere of a body lies off every line from the point to the light. */
function missesLight(
  light: AreaLight,
  px: number,
  py: number,
  pz: number,
  cx: number,
  cy: number,
  cz: number,
  radius: number,
): boolean {
  const lx = light.centre[0] - px;
  const ly = light.centre[1] - py;
  const lz = light.centre[2] - pz;
  const l2 = lx * lx + ly * ly + lz * lz;
  const along = (cx * lx + cy * ly + cz * lz) / l2;
  if (along < 0) return true;
  const away2 = cx * cx + cy * cy + cz * cz - along * along * l2;
  // The cone to the light's circumscribed circle, at the body's distance.
  const reach = Math.sqrt(light.areaMm2 / 2) * along + radius;
  return away2 > reach * reach;
}

function angle(ax: number, ay: number, az: number, bx: number, by: number, bz: number): number {
  const x = ay * bz - az * by;
  const y = az * bx - ax * bz;
  const z = ax * by - ay * bx;
  return Math.atan2(Math.sqrt(x * x + y * y + z * z), ax * bx + ay * by + az * bz);
}
