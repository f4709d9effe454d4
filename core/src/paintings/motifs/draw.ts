import type { Random } from '../../base';
import type { Hex } from '../../colour';
import { type InkItem, fill, flat, stroke } from '../../ink';
import {
  type Path,
  PathBuilder,
  type Point,
  ellipsePath,
  polygonPath,
  rectPath,
  smoothPath,
  smoothstep,
} from '../../plane';
import type { Field, Layer, Sitting } from '../layer';

const WHITE = flat('#ffffff');

/** Areas and lines of a mask, in thousandths of the width. */
export const area = (path: Path): InkItem => fill(path, WHITE);
/** A line; with `dash`, in lengths of dash and gap. */
export const line = (path: Path, wide: number, dash: readonly number[] = []): InkItem =>
  stroke(path, wide, WHITE, { dash } as Partial<InkItem>);
export { between } from '../../colour';
export const disc = (x: number, y: number, r: number, ry = r): InkItem => area(ellipsePath(x, y, r, ry));
export const box = (x: number, y: number, width: number, height: number, radius = 0): InkItem =>
  area(rectPath({ x, y, width, height }, radius));
export const polygon = (...points: readonly (readonly [number, number])[]): InkItem =>
  area(polygonPath(points.map(([x, y]) => ({ x, y }))));

export const ranged = (random: Random, from: number, to: number): number => from + (to - from) * random();

/** Sky from above to the horizon (in widths). */
export const sky = ({ c }: Sitting, horizon: number, from = 0): Layer => ({
  colour: c.high,
  into: c.low,
  mix: (_u, v) => smoothstep(from, horizon, v),
});

/** All of one colour, with a breath of unevenness. */
export function wall(sitting: Sitting, colour: Hex, amount = 0.12, size = 1.6): Layer {
  const cloud = sitting.noise(4, 901);
  return { colour, tone: (u, v) => cloud(u * size, v * size) * amount };
}

/** Land under an outline, down to the foot of the picture. */
export const landUnder = (edge: readonly Point[], tall: number): InkItem =>
  area(polygonPath([{ x: -40, y: tall * 1000 + 40 }, ...edge, { x: 1040, y: tall * 1000 + 40 }]));

/** The outline of a range: midpoints displaced again and again, each time by less. */
export function range(random: Random, y: number, swing: number, rough = 0.52, most = 260): Point[] {
  let points: Point[] = [
    { x: -40, y: y + (random() - 0.5) * swing },
    { x: 1040, y: y + (random() - 0.5) * swing },
  ];
  for (let high = swing; points.length < most; high *= rough)
    points = points.flatMap((p, i) => {
      const next = points[i + 1];
      return next ? [p, { x: (p.x + next.x) / 2, y: (p.y + next.y) / 2 + (random() - 0.5) * high }] : [p];
    });
  return points;
}

/** A soft rolling outline. */
export function roll(random: Random, y: number, swing: number, bumps = 5): Point[] {
  const phase = Array.from({ length: 3 }, () => random() * 7);
  return Array.from({ length: 81 }, (_, i) => {
    const t = (i / 80) * bumps;
    const high =
      Math.sin(t * 1.1 + phase[0]) * 0.55 + Math.sin(t * 2.3 + phase[1]) * 0.3 + Math.sin(t * 4.7 + phase[2]) * 0.12;
    return { x: -40 + i * 13.5, y: y + high * swing };
  });
}

/** Height of an outline at a place, thousandths. */
export function heightAt(edge: readonly Point[], x: number): number {
  const i = edge.findIndex((p) => p.x >= x);
  if (i <= 0) return edge[0].y;
  const [a, b] = [edge[i - 1], edge[i]];
  return a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x || 1);
}

/** Mist between two heights (widths), strongest at the second, in wisps. */
export function mist(sitting: Sitting, from: number, to: number, colour: Hex, amount: number, salt = 0): Layer {
  const wisp = sitting.noise(4, 300 + salt);
  return {
    colour,
    soft: true,
    field: (u, v) => {
      const t = (v - from) / (to - from);
      if (t <= 0 || t > 1.6) return 0;
      const level = t < 1 ? t * t * (3 - 2 * t) : Math.max(0, 1 - (t - 1) / 0.6);
      return amount * level * (0.78 + 0.42 * wisp(u * 1.6, v * 4.5));
    },
  };
}

/** Light about a point (widths), fading out at a radius. */
export const glow = (x: number, y: number, radius: number, colour: Hex, amount: number): Layer => ({
  colour,
  light: true,
  soft: true,
  field: (u, v) => amount * Math.max(0, 1 - Math.hypot(u - x, v - y) / radius) ** 2,
});

/** A shade over a part of the picture. */
export const shade = (colour: Hex, field: Field): Layer => ({ colour, soft: true, field });

/** A ball lit from the upper left. */
export const ball =
  (x: number, y: number, r: number, from = -0.7): Field =>
  (u, v) => {
    const [dx, dy] = [(u * 1000 - x) / r, (v * 1000 - y) / r];
    return Math.max(-1, Math.min(1, (dx * from - dy * 0.7) * 0.9));
  };

/** A leaf from its stem: two curves that meet at the tip. */
export function leaf(x: number, y: number, long: number, wide: number, angle: number, bend = 0): Path {
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const at = (along: number, across: number): [number, number] => [
    x + cos * along - sin * across,
    y + sin * along + cos * across,
  ];
  const tip = at(long, bend * long);
  return new PathBuilder()
    .move(x, y)
    .cubic(...at(long * 0.25, -wide * 0.62), ...at(long * 0.72, -wide * 0.5 + bend * long * 0.6), ...tip)
    .cubic(...at(long * 0.72, wide * 0.5 + bend * long * 0.6), ...at(long * 0.25, wide * 0.62), x, y)
    .close()
    .done();
}

/** A round thing with an uneven outline. */
export function blob(random: Random, x: number, y: number, rx: number, ry: number, bumps = 11, uneven = 0.22): Path {
  const first = random() * 6;
  return smoothPath(
    Array.from({ length: bumps }, (_, i) => {
      const a = first + (i / bumps) * 2 * Math.PI;
      const k = 1 - uneven / 2 + random() * uneven;
      return { x: x + Math.cos(a) * rx * k, y: y + Math.sin(a) * ry * k };
    }),
  );
}

/** A line that thins out, along points: an area. */
export function tapering(points: readonly Point[], wide: number, end = 0.1): InkItem {
  const left: Point[] = [];
  const right: Point[] = [];
  points.forEach((p, i) => {
    const [a, b] = [points[Math.max(0, i - 1)], points[Math.min(points.length - 1, i + 1)]];
    const long = Math.hypot(b.x - a.x, b.y - a.y) || 1;
    const half = (wide / 2) * (1 - (1 - end) * (i / (points.length - 1)));
    const [nx, ny] = [(-(b.y - a.y) / long) * half, ((b.x - a.x) / long) * half];
    left.push({ x: p.x + nx, y: p.y + ny });
    right.push({ x: p.x - nx, y: p.y - ny });
  });
  return area(polygonPath([...left, ...right.reverse()]));
}

/** Points of a curve from a place in a direction, that bends by so much over its length. */
export function curved(x: number, y: number, long: number, angle: number, bend: number, steps = 18): Point[] {
  const points: Point[] = [{ x, y }];
  let [px, py] = [x, y];
  for (let i = 0; i < steps; i++) {
    const a = angle + bend * ((i + 0.5) / steps);
    px += (Math.cos(a) * long) / steps;
    py += (Math.sin(a) * long) / steps;
    points.push({ x: px, y: py });
  }
  return points;
}

/** A bare tree: limbs that fork, each thinner than the one it grows from. */
export function bareTree(random: Random, x: number, y: number, tall: number, wide: number): InkItem[] {
  const items: InkItem[] = [];
  const grow = (px: number, py: number, long: number, thick: number, angle: number, deep: number): void => {
    const limb = curved(px, py, long, angle, (random() - 0.5) * 0.5, 8);
    items.push(tapering(limb, thick, 0.62));
    const end = limb[limb.length - 1];
    if (deep === 0) return;
    const forks = random() < 0.28 ? 3 : 2;
    for (let i = 0; i < forks; i++) {
      const spread = (i / (forks - 1) - 0.5) * (0.75 + random() * 0.5) + (random() - 0.5) * 0.25;
      // Limbs reach for the light: what points down is turned up a little.
      const to = angle + spread;
      const turned = to + (-Math.PI / 2 - to) * 0.08;
      grow(end.x, end.y, long * (0.66 + random() * 0.2), thick * 0.62, turned, deep - 1);
    }
  };
  grow(x, y, tall * 0.27, wide, -Math.PI / 2 + (random() - 0.5) * 0.12, 7);
  return items;
}

/** A fir from its foot up, its boughs ragged. */
export function fir(random: Random, x: number, y: number, tall: number): InkItem {
  const half = tall * ranged(random, 0.17, 0.23);
  const rows = 9;
  const side = (sign: number): Point[] =>
    Array.from({ length: rows }, (_, i) => {
      const t = (i + 1) / rows;
      const out = half * t ** 0.9 * ranged(random, 0.85, 1.1);
      const at = y - tall + tall * 0.94 * t;
      return [
        { x: x + sign * out, y: at },
        { x: x + sign * out * 0.55, y: at - tall * 0.012 },
      ];
    }).flat();
  return area(polygonPath([{ x, y: y - tall }, ...side(1), { x, y }, ...side(-1).reverse()]));
}

/** A bird on the wing, seen from afar: two arcs. */
export function wings(x: number, y: number, size: number, lift: number, tilt: number): InkItem {
  const [cos, sin] = [Math.cos(tilt), Math.sin(tilt)];
  const at = (dx: number, dy: number): [number, number] => [
    x + (cos * dx - sin * dy) * size,
    y + (sin * dx + cos * dy) * size,
  ];
  return area(
    new PathBuilder()
      .move(...at(0, 0.1))
      .cubic(...at(-0.2, -0.22 * lift), ...at(-0.55, -0.55 * lift), ...at(-1, -0.34 * lift))
      .cubic(...at(-0.62, -0.32 * lift), ...at(-0.3, -0.02 * lift), ...at(-0.09, 0.2))
      .cubic(...at(-0.05, 0.3), ...at(0.05, 0.3), ...at(0.09, 0.2))
      .cubic(...at(0.3, -0.02 * lift), ...at(0.62, -0.32 * lift), ...at(1, -0.34 * lift))
      .cubic(...at(0.55, -0.55 * lift), ...at(0.2, -0.22 * lift), ...at(0, 0.1))
      .close()
      .done(),
  );
}

/** Someone standing in a long coat, seen from behind; `y` is where they stand. */
export function figure(x: number, y: number, tall: number): InkItem[] {
  const s = tall / 100;
  const p = (dx: number, dy: number): [number, number] => [x + dx * s, y - dy * s];
  const coat = new PathBuilder()
    .move(...p(-5, 84))
    .cubic(...p(-13, 82), ...p(-15, 70), ...p(-15.5, 55))
    .line(...p(-13.5, 40))
    .line(...p(-11, 41))
    .cubic(...p(-12, 30), ...p(-13, 22), ...p(-14, 14))
    .line(...p(14, 14))
    .cubic(...p(13, 22), ...p(12, 30), ...p(11, 41))
    .line(...p(13.5, 40))
    .line(...p(15.5, 55))
    .cubic(...p(15, 70), ...p(13, 82), ...p(5, 84))
    .close()
    .done();
  return [
    area(coat),
    area(ellipsePath(x, y - 92 * s, 6.4 * s, 7.6 * s)),
    box(x - 3 * s, y - 88 * s, 6 * s, 8 * s),
    box(x - 8 * s, y - 16 * s, 6 * s, 16 * s, 2 * s),
    box(x + 2 * s, y - 16 * s, 6 * s, 16 * s, 2 * s),
  ];
}

/** A small house with a gabled roof; `y` is its foot. */
export function house(x: number, y: number, wide: number): InkItem[] {
  const high = wide * 0.62;
  return [
    box(x - wide / 2, y - high, wide, high),
    polygon([x - wide * 0.6, y - high * 0.96], [x, y - high - wide * 0.46], [x + wide * 0.6, y - high * 0.96]),
    box(x + wide * 0.2, y - high - wide * 0.42, wide * 0.12, wide * 0.4),
  ];
}
