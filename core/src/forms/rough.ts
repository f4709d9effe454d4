import { type Random, seeded } from '../base';
import { type Path, type Point, type Rect, joinPaths, polygonPath, smoothPath } from '../plane';

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

/** A patch of broad brush strokes that covers the rectangle, open at its ends. */
export function brushedIn(r: Rect, rough: number, seed: number): Path {
  const random = seeded(seed + 23);
  const count = Math.max(4, Math.round(9 / Math.max(0.4, rough)));
  const pitch = r.height / count;
  const strokes: Path[] = [];
  for (let i = 0; i < count; i++) {
    const y = r.y + pitch * (i + 0.5);
    const thick = pitch * (0.62 + random() * 0.12);
    const start = r.x + random() * rough * r.width * 0.22;
    const end = r.x + r.width - random() * rough * r.width * 0.26;
    const upper: Point[] = [];
    const lower: Point[] = [];
    const steps = 14;
    for (let s = 0; s <= steps; s++) {
      const x = start + ((end - start) * s) / steps;
      const sway = Math.sin(s * 0.7 + i * 1.3) * pitch * 0.08;
      const round = Math.min(1, Math.sqrt(Math.min(s, steps - s) / 1.2 + 0.12));
      upper.push({ x, y: y + sway - thick * round * (0.92 + random() * 0.1) });
      lower.unshift({ x: x + (random() - 0.5) * 3, y: y + sway + thick * round * (0.92 + random() * 0.1) });
    }
    strokes.push(smoothPath([...upper, ...lower]));
  }
  return joinPaths(strokes);
}
