import { type Vec3, add, cross, sub, unit } from '../../space';
import type { Corners, FaceName, Look, Model, Panel, Solid } from './model';

type Strip = { readonly u0?: number; readonly u1?: number; readonly normals?: readonly [Vec3, Vec3] };

/** Names of the six faces of a box; a face without a name is never seen and is left out. */
export type BoxFaces = Partial<Record<'front' | 'back' | 'left' | 'right' | 'top' | 'bottom', FaceName>>;

/** A model as it is put together from bodies and panels. */
export class Draft {
  readonly panels: Panel[] = [];
  readonly corners = new Map<FaceName, Corners>();
  readonly solids: Solid[] = [];
  readonly looks = new Map<FaceName, Look>();
  readonly profiles = new Map<FaceName, Float32Array>();

  /** Adds a body and answers its number. */
  solid(solid: Solid): number {
    return this.solids.push(solid) - 1;
  }

  /** A flat face; its outside is where cross(down, across) points. The first panel of a face gives its corners. */
  flat(face: FaceName, solid: number, origin: Vec3, across: Vec3, down: Vec3, outline?: readonly Vec3[]): void {
    const right = add(origin, across);
    const corners: Corners = [origin, right, add(right, down), add(origin, down)];
    const normal = unit(cross(down, across));
    const normals = [normal, normal] as const;
    this.panels.push({
      face,
      solid,
      origin,
      across,
      down,
      outline: outline ?? corners,
      u0: 0,
      u1: 1,
      normals,
      seams: [],
    });
    if (!this.corners.has(face)) this.corners.set(face, corners);
  }

  /**
   * A bent face: upright strips from point to point of `curve` (its tops), `down` long, the outside on the right hand
   * of who walks along it and looks down its length. Shaded as round; the art runs along it by length.
   */
  bent(face: FaceName, solid: number, curve: readonly Vec3[], down: Vec3, closed = false): void {
    const n = curve.length - 1;
    const lengths = [0];
    for (let i = 1; i <= n; i++) lengths.push(lengths[i - 1] + Math.hypot(...sub(curve[i], curve[i - 1])));
    const total = lengths[n];
    const normalAt = (i: number): Vec3 => {
      const a = i > 0 ? curve[i - 1] : closed ? curve[n - 1] : curve[0];
      const b = i < n ? curve[i + 1] : closed ? curve[1] : curve[n];
      return unit(cross(down, sub(b, a)));
    };
    const first = this.panels.length;
    for (let i = 0; i < n; i++) {
      const across = sub(curve[i + 1], curve[i]);
      const seams = [
        ...(i < n - 1 || closed ? [{ edge: 1, beside: i < n - 1 ? first + i + 1 : first }] : []),
        ...(i > 0 || closed ? [{ edge: 3, beside: i > 0 ? first + i - 1 : first + n - 1 }] : []),
      ];
      this.strip(face, solid, curve[i], across, down, seams, {
        u0: lengths[i] / total,
        u1: lengths[i + 1] / total,
        normals: [normalAt(i), normalAt(i + 1)],
      });
    }
    if (!this.corners.has(face)) this.corners.set(face, [curve[0], curve[n], add(curve[n], down), add(curve[0], down)]);
  }

  strip(
    face: FaceName,
    solid: number,
    origin: Vec3,
    across: Vec3,
    down: Vec3,
    seams: Panel['seams'],
    more: Strip = {},
  ): void {
    const right = add(origin, across);
    const normal = unit(cross(down, across));
    this.panels.push({
      face,
      solid,
      origin,
      across,
      down,
      outline: [origin, right, add(right, down), add(origin, down)],
      u0: more.u0 ?? 0,
      u1: more.u1 ?? 1,
      normals: more.normals ?? [normal, normal],
      seams,
    });
  }

  /** An upright box with one body. */
  box(least: Vec3, most: Vec3, faces: BoxFaces): number {
    const [x0, y0, z0] = least;
    const [x1, y1, z1] = most;
    const [w, h, d] = [x1 - x0, y1 - y0, z1 - z0];
    const body = this.solid(boxSolid(least, most));
    if (faces.front) this.flat(faces.front, body, [x0, y1, z1], [w, 0, 0], [0, -h, 0]);
    if (faces.back) this.flat(faces.back, body, [x1, y1, z0], [-w, 0, 0], [0, -h, 0]);
    if (faces.left) this.flat(faces.left, body, [x0, y1, z0], [0, 0, d], [0, -h, 0]);
    if (faces.right) this.flat(faces.right, body, [x1, y1, z1], [0, 0, -d], [0, -h, 0]);
    if (faces.top) this.flat(faces.top, body, [x0, y1, z0], [w, 0, 0], [0, 0, d]);
    if (faces.bottom) this.flat(faces.bottom, body, [x0, y0, z1], [w, 0, 0], [0, 0, -d]);
    return body;
  }

  /**
   * An upright slab with round corners, its front at z1: the front and back as faces of one outline, the sides bent
   * round it. `middle` is that of its width.
   */
  slab(
    size: { widthMm: number; heightMm: number; cornerMm: number; z0: number; z1: number; y0?: number },
    faces: { front: FaceName; back: FaceName; sides: FaceName },
    steps = 6,
  ): number {
    const { widthMm: w, heightMm: h, cornerMm: r, z0, z1, y0 = 0 } = size;
    const ring = (steps: number): [number, number][] =>
      (
        [
          [w / 2 - r, y0 + h - r, 0],
          [-w / 2 + r, y0 + h - r, 1],
          [-w / 2 + r, y0 + r, 2],
          [w / 2 - r, y0 + r, 3],
        ] as const
      ).flatMap(([cx, cy, from]) =>
        Array.from({ length: steps + 1 }, (_, i): [number, number] => {
          const a = ((from + i / steps) * Math.PI) / 2;
          return [cx + r * Math.cos(a), cy + r * Math.sin(a)];
        }),
      );
    const round = ring(steps);
    const at = (z: number): Vec3[] => round.map(([x, y]): Vec3 => [x, y, z]);
    // For its shadow a corner is round enough with two sides.
    const body = this.solid(
      prismSolid(
        ring(2).map(([x, y]): Vec3 => [x, y, z1]),
        [0, 0, z0 - z1],
      ),
    );
    this.flat(faces.front, body, [-w / 2, y0 + h, z1], [w, 0, 0], [0, -h, 0], at(z1));
    this.flat(faces.back, body, [w / 2, y0 + h, z0], [-w, 0, 0], [0, -h, 0], at(z0));
    const back = at(z0).reverse();
    this.bent(faces.sides, body, [...back, back[0]], [0, 0, z1 - z0], true);
    return body;
  }

  /** Takes in another draft's bodies and panels, each point and direction changed. */
  take(other: Draft, point: (p: Vec3) => Vec3, way: (v: Vec3) => Vec3): void {
    const [bodies, first] = [this.solids.length, this.panels.length];
    for (const p of other.panels) {
      this.panels.push({
        ...p,
        solid: p.solid + bodies,
        origin: point(p.origin),
        across: way(p.across),
        down: way(p.down),
        outline: p.outline.map(point),
        normals: [way(p.normals[0]), way(p.normals[1])],
        seams: p.seams.map((s) => ({ ...s, beside: s.beside + first })),
      });
    }
    for (const s of other.solids) this.solids.push({ ...s, corners: s.corners.map(point) });
    for (const [name, c] of other.corners) {
      if (!this.corners.has(name)) this.corners.set(name, [point(c[0]), point(c[1]), point(c[2]), point(c[3])]);
    }
    for (const [name, look] of other.looks) this.looks.set(name, look);
    for (const [name, profile] of other.profiles) this.profiles.set(name, profile);
  }

  model(convex = false): Model {
    const { panels, corners, solids, looks, profiles } = this;
    for (const { face } of panels) if (!looks.has(face)) throw new Error(`no look for face ${face}`);
    return { panels, corners, solids, looks, profiles, convex };
  }
}

/** The body between a flat convex ring and the same ring shifted. */
export function prismSolid(ring: readonly Vec3[], shift: Vec3): Solid {
  const n = ring.length;
  const corners = [...ring, ...ring.map((p) => add(p, shift))];
  const sides = ring.map((_, i) => [i, (i + 1) % n, ((i + 1) % n) + n, i + n]);
  return { corners, faces: [ring.map((_, i) => i), ring.map((_, i) => n + i), ...sides] };
}

export function boxSolid(least: Vec3, most: Vec3): Solid {
  const [x0, y0, z0] = least;
  const [x1, y1, z1] = most;
  return prismSolid(
    [
      [x0, y0, z0],
      [x1, y0, z0],
      [x1, y0, z1],
      [x0, y0, z1],
    ],
    [0, y1 - y0, 0],
  );
}

/** The upright cylinder round the origin, as a body of 16 sides. */
export const prismOfCircle = (radiusMm: number, heightMm: number): Solid =>
  prismSolid(
    Array.from({ length: 16 }, (_, i): Vec3 => {
      const a = (i / 16) * 2 * Math.PI;
      return [Math.cos(a) * radiusMm, 0, Math.sin(a) * radiusMm];
    }),
    [0, heightMm, 0],
  );
