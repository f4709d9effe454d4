import {
  PathBuilder,
  type Path,
  type Rect,
  ellipsePath,
  joinPaths,
  polygonPath,
  rectPath,
  smoothPath,
  transformPath,
} from '../plane';

/** A thin leaf from (x, y) in a direction. */
export function leafPath(x: number, y: number, length: number, width: number, angleRad: number): Path {
  const leaf = new PathBuilder()
    .move(0, 0)
    .cubic(length * 0.25, -width, length * 0.7, -width * 0.7, length, 0)
    .cubic(length * 0.7, width * 0.7, length * 0.25, width, 0, 0)
    .close()
    .done();
  const [c, s] = [Math.cos(angleRad), Math.sin(angleRad)];
  return transformPath(leaf, [c, s, -s, c, x, y]);
}

const diamond = (x: number, y: number, rx: number, ry: number): Path =>
  polygonPath([
    { x, y: y - ry },
    { x: x + rx, y },
    { x, y: y + ry },
    { x: x - rx, y },
  ]);

/** An ornament that parts words, symmetric about the middle of the rectangle. */
export function dividerIn(r: Rect, ornament: 'line' | 'diamond' | 'leaf' | 'wave' | 'dots' | 'double'): Path {
  const y = r.y + r.height / 2;
  const cx = r.x + r.width / 2;
  const hair = Math.max(r.height * 0.08, r.width * 0.004);
  const half = r.width / 2;
  const line = (from: number, to: number, thick = hair): Path =>
    rectPath({ x: Math.min(from, to), y: y - thick / 2, width: Math.abs(to - from), height: thick });
  const tapered = (from: number, to: number): Path =>
    polygonPath([
      { x: from, y: y - hair * 0.7 },
      { x: to, y: y - hair * 0.12 },
      { x: to, y: y + hair * 0.12 },
      { x: from, y: y + hair * 0.7 },
    ]);
  switch (ornament) {
    case 'line':
      return line(r.x, r.x + r.width);
    case 'double':
      return joinPaths([
        rectPath({ x: r.x, y: r.y + r.height * 0.18, width: r.width, height: hair * 2 }),
        rectPath({ x: r.x, y: r.y + r.height * 0.18 + hair * 3.6, width: r.width, height: hair * 0.8 }),
      ]);
    case 'diamond': {
      const d = r.height * 0.42;
      return joinPaths([
        diamond(cx, y, d * 0.62, d),
        diamond(cx - d * 1.5, y, d * 0.25, d * 0.4),
        diamond(cx + d * 1.5, y, d * 0.25, d * 0.4),
        tapered(cx - d * 2.2, r.x),
        tapered(cx + d * 2.2, r.x + r.width),
      ]);
    }
    case 'dots': {
      const rad = Math.min(r.height * 0.16, r.width * 0.02);
      return joinPaths([-2, -1, 0, 1, 2].map((i) => ellipsePath(cx + (i * half) / 3.2, y, rad * (i === 0 ? 1.5 : 1))));
    }
    case 'wave': {
      const rise = r.height * 0.3;
      const points = Array.from({ length: 25 }, (_, i) => ({
        x: r.x + (r.width * i) / 24,
        y: y + Math.sin((i / 24) * Math.PI * 6) * rise,
      }));
      const lower = points.map((p) => ({ x: p.x, y: p.y + hair * 1.4 })).reverse();
      return smoothPath([...points, ...lower]);
    }
    case 'leaf': {
      const leaves: Path[] = [ellipsePath(cx, y, r.height * 0.1)];
      for (const side of [-1, 1]) {
        for (let i = 0; i < 4; i++) {
          const x = cx + side * half * (0.12 + i * 0.2);
          const length = r.height * (0.62 - i * 0.08);
          const lean = side > 0 ? 0 : Math.PI;
          leaves.push(leafPath(x, y, length, length * 0.2, lean - side * 0.7));
          leaves.push(leafPath(x, y, length, length * 0.2, lean + side * 0.7));
        }
        leaves.push(tapered(cx + side * half * 0.06, cx + side * half));
      }
      return joinPaths(leaves);
    }
  }
}
