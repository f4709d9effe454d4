import { type Affine, type Point, type Rect, apply } from './geometry';

/**
 * A path as flat numbers, ready for hot loops and for workers: each op is its code followed by its coordinates.
 * Codes: 0 move (x y), 1 line (x y), 2 quadratic (cx cy x y), 3 cubic (c1x c1y c2x c2y x y), 4 close.
 */
export type Path = { readonly ops: readonly number[] };

export const MOVE = 0;
export const LINE = 1;
export const QUAD = 2;
export const CUBIC = 3;
export const CLOSE = 4;

const COORDS = [2, 2, 4, 6, 0] as const;

export class PathBuilder {
  readonly ops: number[] = [];
  move(x: number, y: number): this {
    this.ops.push(MOVE, x, y);
    return this;
  }
  line(x: number, y: number): this {
    this.ops.push(LINE, x, y);
    return this;
  }
  quad(cx: number, cy: number, x: number, y: number): this {
    this.ops.push(QUAD, cx, cy, x, y);
    return this;
  }
  cubic(ax: number, ay: number, bx: number, by: number, x: number, y: number): this {
    this.ops.push(CUBIC, ax, ay, bx, by, x, y);
    return this;
  }
  close(): this {
    this.ops.push(CLOSE);
    return this;
  }
  done(): Path {
    return { ops: this.ops };
  }
}

/** Calls back once per op with its code and the index of its first coordinate. */
export function eachOp(path: Path, visit: (code: number, at: number) => void): void {
  const { ops } = path;
  for (let i = 0; i < ops.length;) {
    const code = ops[i];
    visit(code, i + 1);
    i += 1 + COORDS[code];
  }
}

export function transformPath(path: Path, m: Affine): Path {
  const ops: number[] = [];
  eachOp(path, (code, at) => {
    ops.push(code);
    for (let i = 0; i < COORDS[code]; i += 2) {
      const p = apply(m, { x: path.ops[at + i], y: path.ops[at + i + 1] });
      ops.push(p.x, p.y);
    }
  });
  return { ops };
}

export function joinPaths(paths: readonly Path[]): Path {
  const ops: number[] = [];
  for (const path of paths) for (const n of path.ops) ops.push(n);
  return { ops };
}

/** Box of all points including control points: never smaller than the drawn box. */
export function pathBounds(path: Path): Rect {
  let x0 = Infinity;
  let y0 = Infinity;
  let x1 = -Infinity;
  let y1 = -Infinity;
  eachOp(path, (code, at) => {
    for (let i = 0; i < COORDS[code]; i += 2) {
      const x = path.ops[at + i];
      const y = path.ops[at + i + 1];
      if (x < x0) x0 = x;
      if (x > x1) x1 = x;
      if (y < y0) y0 = y;
      if (y > y1) y1 = y;
    }
  });
  if (x0 > x1) return { x: 0, y: 0, width: 0, height: 0 };
  return { x: x0, y: y0, width: x1 - x0, height: y1 - y0 };
}

/** The exact box of what is drawn: curves count up to where they turn, not their control points. */
export function drawnBounds(path: Path): Rect {
  const { ops } = path;
  const box = { x0: Infinity, x1: -Infinity, y0: Infinity, y1: -Infinity };
  let [x, y] = [0, 0];
  const reach = (px: number, py: number): void => {
    box.x0 = Math.min(box.x0, px);
    box.x1 = Math.max(box.x1, px);
    box.y0 = Math.min(box.y0, py);
    box.y1 = Math.max(box.y1, py);
  };
  eachOp(path, (code, at) => {
    if (COORDS[code] === 0) return;
    const end = at + COORDS[code] - 2;
    if (code === QUAD || code === CUBIC) {
      const [bx, by] = [ops[at], ops[at + 1]];
      const [cx, cy] = code === CUBIC ? [ops[at + 2], ops[at + 3]] : [bx, by];
      const [dx, dy] = [ops[end], ops[end + 1]];
      // A quadratic curve as the cubic that it is.
      const two = 2 / 3;
      const cubic = (a: number, b: number, c: number, d: number): readonly [number, number, number, number] =>
        code === CUBIC ? [a, b, c, d] : [a, a + (b - a) * two, d + (c - d) * two, d];
      const [xs, ys] = [cubic(x, bx, cx, dx), cubic(y, by, cy, dy)];
      for (const t of [...turnsOf(xs), ...turnsOf(ys)]) reach(cubicAt(xs, t), cubicAt(ys, t));
    }
    [x, y] = [ops[end], ops[end + 1]];
    reach(x, y);
  });
  if (box.x0 > box.x1) return { x: 0, y: 0, width: 0, height: 0 };
  return { x: box.x0, y: box.y0, width: box.x1 - box.x0, height: box.y1 - box.y0 };
}

type Four = readonly [number, number, number, number];

const cubicAt = ([a, b, c, d]: Four, t: number): number => {
  const u = 1 - t;
  return u * u * u * a + 3 * u * u * t * b + 3 * u * t * t * c + t * t * t * d;
};

/** Places within a cubic at which one coordinate turns. */
function turnsOf([a, b, c, d]: Four): number[] {
  const [k2, k1, k0] = [d - 3 * c + 3 * b - a, 2 * (c - 2 * b + a), b - a];
  const inside = (t: number): boolean => t > 0 && t < 1;
  if (Math.abs(k2) < 1e-12) return Math.abs(k1) < 1e-12 ? [] : [-k0 / k1].filter(inside);
  const root = k1 * k1 - 4 * k2 * k0;
  if (root < 0) return [];
  return [(-k1 + Math.sqrt(root)) / (2 * k2), (-k1 - Math.sqrt(root)) / (2 * k2)].filter(inside);
}

/** A rectangle, its corners rounded by circular arcs of the given radius (cubic approximation, error below 0.03 %). */
export function rectPath(r: Rect, radius = 0): Path {
  const b = new PathBuilder();
  const k = Math.min(radius, r.width / 2, r.height / 2);
  const x1 = r.x + r.width;
  const y1 = r.y + r.height;
  if (k <= 0) return b.move(r.x, r.y).line(x1, r.y).line(x1, y1).line(r.x, y1).close().done();
  const c = k * (1 - 0.5522847498);
  return b
    .move(r.x + k, r.y)
    .line(x1 - k, r.y)
    .cubic(x1 - c, r.y, x1, r.y + c, x1, r.y + k)
    .line(x1, y1 - k)
    .cubic(x1, y1 - c, x1 - c, y1, x1 - k, y1)
    .line(r.x + k, y1)
    .cubic(r.x + c, y1, r.x, y1 - c, r.x, y1 - k)
    .line(r.x, r.y + k)
    .cubic(r.x, r.y + c, r.x + c, r.y, r.x + k, r.y)
    .close()
    .done();
}

export function polygonPath(points: readonly Point[]): Path {
  const b = new PathBuilder();
  points.forEach((p, i) => (i === 0 ? b.move(p.x, p.y) : b.line(p.x, p.y)));
  return b.close().done();
}

export function ellipsePath(cx: number, cy: number, rx: number, ry = rx): Path {
  const k = 0.5522847498;
  return new PathBuilder()
    .move(cx + rx, cy)
    .cubic(cx + rx, cy + ry * k, cx + rx * k, cy + ry, cx, cy + ry)
    .cubic(cx - rx * k, cy + ry, cx - rx, cy + ry * k, cx - rx, cy)
    .cubic(cx - rx, cy - ry * k, cx - rx * k, cy - ry, cx, cy - ry)
    .cubic(cx + rx * k, cy - ry, cx + rx, cy - ry * k, cx + rx, cy)
    .close()
    .done();
}

/** A closed smooth curve through the points (Catmull-Rom as cubics). */
export function smoothPath(points: readonly Point[], closed = true): Path {
  const b = new PathBuilder();
  const n = points.length;
  const at = (i: number): Point => (closed ? points[(i + n) % n] : points[Math.min(n - 1, Math.max(0, i))]);
  b.move(points[0].x, points[0].y);
  for (let i = 0; i < (closed ? n : n - 1); i++) {
    const [p0, p1, p2, p3] = [at(i - 1), at(i), at(i + 1), at(i + 2)];
    b.cubic(
      p1.x + (p2.x - p0.x) / 6,
      p1.y + (p2.y - p0.y) / 6,
      p2.x - (p3.x - p1.x) / 6,
      p2.y - (p3.y - p1.y) / 6,
      p2.x,
      p2.y,
    );
  }
  return (closed ? b.close() : b).done();
}

const LETTERS = ['M', 'L', 'Q', 'C', 'Z'] as const;

/** A path in the notation of SVG, coordinates to a hundredth. */
export function svgPathOf(path: Path): string {
  const parts: string[] = [];
  eachOp(path, (code, at) => {
    const numbers = path.ops.slice(at, at + COORDS[code]).map((n) => Math.round(n * 100) / 100);
    parts.push(`${LETTERS[code]}${numbers.join(' ')}`);
  });
  return parts.join('');
}
