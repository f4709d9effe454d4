import { type Random, seeded } from '../base';
import { type Path, type Point, type Rect, joinPaths, polygonPath } from '../plane';

/** Steps of a wandering edge: midpoint displacement, so that it has large and small tears alike. */
function wander(steps: number, rough: number, random: Random): number[] {
  let heights = [0, 0];
  let swing = rough;
  while (heights.length < steps) {
    const next: number[] = [];
    for (let i = 0; i + 1 < heights.length; i++) {
      next.push(heights[i], (heights[i] + heights[i + 1]) / 2 + (random() - 0.5) * swing);
    }
    next.push(heights[heights.length - 1]);
    heights = next;
    swing *= 0.62;
  }
  return heights;
}

/** A torn piece of paper inside the rectangle; `rough` is a fraction of its shorter side. */
export function tornIn(r: Rect, rough: number, seed: number): Path {
  const random = seeded(seed + 11);
  const depth = rough * Math.min(r.width, r.height);
  const corners: Point[] = [
    { x: r.x, y: r.y },
    { x: r.x + r.width, y: r.y },
    { x: r.x + r.width, y: r.y + r.height },
    { x: r.x, y: r.y + r.height },
  ];
  const points: Point[] = [];
  corners.forEach((a, side) => {
    const b = corners[(side + 1) % 4];
    const edge = wander(90, 1, random);
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const length = Math.hypot(dx, dy);
    // Inwards, so that the paper never leaves its place.
    const [nx, ny] = [-dy / length, dx / length];
    edge.slice(0, -1).forEach((h, i) => {
      const t = i / (edge.length - 1);
      const inward = depth * (0.5 + h * 0.55 + (random() - 0.5) * 0.12);
      const shrink = depth * 0.5;
      points.push({
        x: a.x + dx * (shrink / length + t * (1 - (2 * shrink) / length)) + nx * Math.max(0, inward),
        y: a.y + dy * (shrink / length + t * (1 - (2 * shrink) / length)) + ny * Math.max(0, inward),
      });
    });
  });
  return polygonPath(points);
}

/** A patch of broad brush strokes that covers the rectangle, its bristles running out at both ends. */
export function brushedIn(r: Rect, rough: number, seed: number): Path {
  const random = seeded(seed + 23);
  const count = Math.max(3, Math.round(3 + 4 * (1 - rough)));
  const pitch = r.height / count;
  const bristles = 18;
  const strokes: Path[] = [];
  for (let i = 0; i < count; i++) {
    const top = r.y + pitch * i - (i === 0 ? 0 : pitch * 0.12);
    const bottom = r.y + pitch * (i + 1) + (i === count - 1 ? 0 : pitch * 0.05);
    const reach = rough * r.width * 0.3;
    const lean = (random() - 0.5) * pitch * 0.1;
    const ends = (): number[] => {
      const whole = random() * 0.4;
      return Array.from({ length: bristles * 2 + 1 }, (_, k) => (k % 2 === 0 ? whole : whole + random() * 0.6) * reach);
    };
    const [left, right] = [ends(), ends()];
    const y = (k: number): number => top + ((bottom - top) * k) / (bristles * 2);
    const points: Point[] = right.map((inset, k) => ({ x: r.x + r.width - inset, y: y(k) + lean }));
    for (let k = left.length - 1; k >= 0; k--) points.push({ x: r.x + left[k], y: y(k) - lean });
    strokes.push(polygonPath(points));
  }
  return joinPaths(strokes);
}
