import { PathBuilder, ellipsePath, smoothstep } from '../../plane';
import type { Layer, Motif } from '../layer';
import {
  area,
  ball,
  between,
  box,
  curved,
  disc,
  glow,
  leaf,
  line,
  polygon,
  ranged,
  shade,
  tapering,
  wall,
} from './draw';

/** A lantern and the ring of light it makes. */
export const lantern: Motif = (s) => {
  const { random, c, tall } = s;
  const [x, y] = [ranged(random, 440, 560), tall * 640];
  const fog = s.noise(4, 600);
  const layers: Layer[] = [
    {
      colour: c.near,
      into: c.high,
      mix: (u, v) => Math.exp(-Math.hypot(u - x / 1000, v - y / 1000) * 1.9),
      tone: (u, v) => fog(u * 3, v * 3) * 0.15,
    },
  ];
  layers.push(glow(x / 1000, y / 1000, 0.75, c.accent, 0.75), glow(x / 1000, y / 1000, 0.3, c.light, 0.6));
  layers.push({
    shape: Array.from({ length: 60 }, () =>
      disc(x + (random() + random() - 1) * 560, y + (random() + random() - 1) * 640, 1 + random() ** 3 * 5),
    ),
    colour: c.light,
    light: true,
    fine: true,
    field: () => 0.55,
  });
  const k = 1.25;
  const dark = between(c.near, '#000000', 0.35);
  layers.push({
    shape: [
      line(
        new PathBuilder()
          .move(x, -20)
          .line(x, y - 250 * k)
          .done(),
        5,
      ),
      line(ellipsePath(x, y - 215 * k, 34 * k), 8),
    ],
    colour: dark,
    fine: true,
  });
  layers.push({
    shape: [
      polygon(
        [x - 74 * k, y - 110 * k],
        [x + 74 * k, y - 110 * k],
        [x + 92 * k, y + 120 * k],
        [x - 92 * k, y + 120 * k],
      ),
    ],
    colour: c.light,
    into: c.accent,
    mix: (u, v) => smoothstep(0.02, 0.14, Math.hypot(u - x / 1000, (v - y / 1000 - 0.03) * 0.8)),
  });
  const flame = new PathBuilder()
    .move(x, y + 66 * k)
    .cubic(x - 36 * k, y + 40 * k, x - 22 * k, y - 10 * k, x, y - 62 * k)
    .cubic(x + 22 * k, y - 10 * k, x + 36 * k, y + 40 * k, x, y + 66 * k)
    .close();
  layers.push({ shape: [area(flame.done())], colour: c.light });
  layers.push({
    shape: [
      polygon([x - 60 * k, y - 128 * k], [x, y - 190 * k], [x + 60 * k, y - 128 * k]),
      box(x - 86 * k, y - 130 * k, 172 * k, 22 * k, 5),
      box(x - 104 * k, y + 116 * k, 208 * k, 26 * k, 5),
      ...[-1, -0.33, 0.33, 1].map((f) =>
        tapering(
          [
            { x: x + f * 74 * k, y: y - 112 * k },
            { x: x + f * 92 * k, y: y + 120 * k },
          ],
          9,
          1,
        ),
      ),
      box(x - 12 * k, y - 212 * k, 24 * k, 30 * k),
    ],
    colour: dark,
    tone: (u) => (0.4 - Math.abs(u * 1000 - x) / 260) * 0.6,
  });
  return layers;
};

/** A candle on a sill, everything else dark. */
export const candle: Motif = (s) => {
  const { random, c, tall } = s;
  const x = (random() < 0.5 ? 0.36 : 0.64) * 1000;
  const [top, foot] = [tall * 560, tall * 830];
  const air = s.noise(4, 610);
  const layers: Layer[] = [
    {
      colour: c.near,
      into: c.far,
      mix: (u, v) => 0.9 * Math.exp(-Math.hypot(u - x / 1000, v - top / 1000) * 2.1),
      tone: (u, v) => air(u * 2, v * 2) * 0.12,
    },
  ];
  layers.push(
    glow(x / 1000, top / 1000 - 0.06, 0.62, c.accent, 0.7),
    glow(x / 1000, top / 1000 - 0.06, 0.2, c.light, 0.8),
  );
  layers.push({
    shape: [box(-10, foot, 1020, tall * 1000)],
    colour: between(c.near, c.far, 0.35),
    tone: (u, v) =>
      0.6 * Math.exp(-Math.hypot(u - x / 1000, (v - foot / 1000) * 2) * 4) - 0.25 + air(u * 3, v * 30) * 0.12,
    way: 0,
  });
  layers.push({
    shape: [area(ellipsePath(x, foot + 26, 118, 26))],
    colour: c.accent,
    tone: (u, v) => ball(x, foot, 120)(u, v) * 0.8,
  });
  layers.push({ shape: [area(ellipsePath(x, foot + 18, 92, 17))], colour: between(c.accent, c.near, 0.5) });
  const wax = new PathBuilder()
    .move(x - 46, top)
    .quad(x, top + 16, x + 46, top)
    .line(x + 50, foot + 18)
    .quad(x, foot + 34, x - 50, foot + 18)
    .close();
  layers.push({
    shape: [area(wax.done()), box(x - 47, top, 16, 90, 8), box(x + 22, top, 12, 140, 6)],
    colour: c.light,
    into: between(c.light, c.accent, 0.55),
    mix: (_u, v) => smoothstep(top / 1000, top / 1000 + 0.26, v),
    tone: (u) => 0.1 - Math.abs(u * 1000 - x) / 110,
    way: 1.5,
  });
  layers.push({
    shape: [
      line(
        new PathBuilder()
          .move(x, top + 8)
          .quad(x + 3, top - 14, x - 1, top - 30)
          .done(),
        5,
      ),
    ],
    colour: c.near,
    fine: true,
  });
  const flame = new PathBuilder()
    .move(x, top - 14)
    .cubic(x - 34, top - 40, x - 16, top - 92, x + 4, top - 146)
    .cubic(x + 18, top - 92, x + 34, top - 42, x, top - 14)
    .close();
  layers.push({
    shape: [area(flame.done())],
    colour: c.light,
    into: c.accent,
    mix: (_u, v) => smoothstep(top / 1000 - 0.06, top / 1000 - 0.15, v),
  });
  return layers;
};

/** One feather that comes down. */
export const feather: Motif = (s) => {
  const { random, c, tall } = s;
  const side = random() < 0.5 ? 1 : -1;
  const layers: Layer[] = [
    wall(s, between(c.low, c.light, 0.35), 0.08, 1.1),
    shade(c.far, (u, v) => 0.35 * smoothstep(0.2, 1, Math.hypot(u - 0.5, v - tall * 0.4))),
  ];
  const shaft = curved(500 - side * 250, tall * 860, tall * 560, -Math.PI / 2 + side * 0.62, -side * 0.5, 40);
  const barbs: ReturnType<typeof area>[][] = [[], []];
  shaft.forEach((p, k) => {
    if (k < 8) return;
    const t = (k - 8) / (shaft.length - 9);
    const dir = Math.atan2(p.y - shaft[k - 1].y, p.x - shaft[k - 1].x);
    const long = 150 * Math.sin(Math.PI * (0.13 + 0.8 * t)) ** 0.8;
    for (const [n, w] of [-1, 1].entries()) {
      if (random() < 0.06) continue;
      barbs[n].push(
        area(
          leaf(
            p.x,
            p.y,
            long * (n === 0 ? 1 : 0.74) * ranged(random, 0.93, 1.04),
            34,
            dir + w * (0.62 + 0.2 * (1 - t)),
            w * -0.1,
          ),
        ),
      );
    }
  });
  layers.push({
    ...shade(c.near, () => 0.22),
    shape: shaft.slice(8).map((p) => disc(p.x + 44, p.y + 60, 66, 40)),
    far: 6,
  });
  barbs.forEach((shape, n) =>
    layers.push({
      shape,
      colour: n ? between(c.accent, c.near, 0.25) : c.accent,
      into: c.near,
      mix: (u, v) => smoothstep(0.4, 0.9, Math.sin((u * side - v) * 22) * 0.5 + 0.5) * 0.7,
      tone: (u, v) => Math.sin((u + v) * 260) * 0.16 + (n ? -0.12 : 0.12),
      way: 0.8,
    }),
  );
  layers.push({ shape: [tapering(shaft, 12, 0.2)], colour: between(c.light, c.near, 0.15) });
  return layers;
};

/** A clock without its case: rings of figures and hands. */
export const clock: Motif = (s) => {
  const { random, c, tall } = s;
  const [x, y, r] = [500, tall * 600, 330];
  const brass = s.noise(4, 650);
  const layers: Layer[] = [
    {
      colour: c.near,
      into: c.high,
      mix: (u, v) => Math.exp(-Math.hypot(u - 0.5, v - y / 1000) * 1.6),
      tone: (u, v) => brass(u * 3, v * 3) * 0.14,
      rough: 0.05,
    },
  ];
  layers.push({ ...shade('#000000', () => 0.45), shape: [disc(x + 16, y + 26, r + 16)], far: 4 });
  layers.push(
    { shape: [disc(x, y, r + 26)], colour: c.accent, tone: ball(x, y, r + 26) },
    {
      shape: [disc(x, y, r)],
      colour: c.light,
      tone: (u, v) => brass(u * 5, v * 5) * 0.14 - smoothstep(0.2, 0.34, Math.hypot(u - 0.5, v - y / 1000)) * 0.2,
    },
  );
  const marks = Array.from({ length: 60 }, (_, i) => {
    const a = (i / 60) * 2 * Math.PI;
    const inner = i % 5 === 0 ? r * 0.72 : r * 0.89;
    return line(
      new PathBuilder()
        .move(x + Math.cos(a) * inner, y + Math.sin(a) * inner)
        .line(x + Math.cos(a) * r * 0.94, y + Math.sin(a) * r * 0.94)
        .done(),
      i % 5 === 0 ? 13 : 3,
    );
  });
  layers.push({ shape: [...marks, line(ellipsePath(x, y, r * 0.66), 2.5)], colour: c.near, fine: true });
  const hand = (a: number, long: number, wide: number) => {
    const [cos, sin] = [Math.cos(a), Math.sin(a)];
    return polygon(
      [x - sin * wide, y + cos * wide],
      [x + cos * long, y + sin * long],
      [x + sin * wide, y - cos * wide],
      [x - cos * long * 0.2, y - sin * long * 0.2],
    );
  };
  const at = random() * 6.3;
  layers.push({
    ...shade('#000000', () => 0.35),
    shape: [hand(at, r * 0.56, 15), hand(at + 1.9, r * 0.84, 10)].map((one) => ({
      ...one,
      transform: [1, 0, 0, 1, 8, 12] as const,
    })),
    far: 1,
  });
  layers.push(
    { shape: [hand(at, r * 0.56, 15), hand(at + 1.9, r * 0.84, 10), disc(x, y, 20)], colour: c.near },
    { shape: [disc(x, y, 9)], colour: c.accent },
  );
  return layers;
};

/** A vase with stems on a table, much wall. */
export const vase: Motif = (s) => {
  const { random, c, tall } = s;
  const x = ranged(random, 400, 600);
  const table = tall * 850;
  const plaster = s.noise(4, 630);
  const layers: Layer[] = [
    {
      colour: c.low,
      into: c.far,
      mix: (u, v) => smoothstep(0.2, 1.2, u * 0.5 + v * 0.35) * 0.6,
      tone: (u, v) => plaster(u * 2.5, v * 2.5) * 0.1,
      way: 0.8,
    },
  ];
  layers.push({
    shape: [box(-10, table, 1020, tall * 1000)],
    colour: between(c.far, c.near, 0.45),
    tone: (u, v) => plaster(u * 3, v * 34) * 0.16,
    way: 0,
  });
  const [y, r] = [table + 40, 1.3];
  layers.push({ ...shade(c.near, () => 0.5), shape: [disc(x + 120, y + 2, 210, 22)], far: 3 });
  const stems: ReturnType<typeof tapering>[] = [];
  const leavesOf: ReturnType<typeof area>[][] = [[], []];
  const heads: ReturnType<typeof disc>[] = [];
  for (let i = 0; i < 9; i++) {
    const stem = curved(
      x + (i - 4) * 7,
      y - 250 * r,
      tall * ranged(random, 210, 330),
      -Math.PI / 2 + (i - 4) * 0.13,
      (i - 4) * 0.12,
      14,
    );
    stems.push(tapering(stem, 6, 0.4));
    const end = stem[stem.length - 1];
    if (i % 3 === 1)
      for (let n = 0; n < 7; n++)
        heads.push(disc(end.x + Math.cos(n * 0.9) * 24, end.y + Math.sin(n * 0.9) * 22, 21, 19));
    stem.forEach((p, k) => {
      if (k < 3 || (i % 3 === 1 && k > 10)) return;
      const dir = Math.atan2(stem[k].y - stem[k - 1].y, stem[k].x - stem[k - 1].x);
      for (const w of [-1, 1])
        leavesOf[i % 2].push(area(leaf(p.x, p.y, 70 * (1 - k / 22), 25, dir + w * 0.8, w * 0.1)));
    });
  }
  layers.push({ shape: stems, colour: c.near });
  layers.push(
    { shape: leavesOf[0], colour: between(c.near, c.far, 0.35), tone: (u, v) => Math.sin(u * 90 + v * 60) * 0.3 },
    { shape: leavesOf[1], colour: between(c.near, c.far, 0.08), tone: (u, v) => Math.sin(u * 70 - v * 80) * 0.3 },
  );
  layers.push({ shape: heads, colour: c.accent, tone: (u, v) => Math.sin(u * 160) * 0.25 - Math.cos(v * 150) * 0.3 });
  const body = new PathBuilder()
    .move(x - 40 * r, y - 260 * r)
    .cubic(x - 40 * r, y - 200 * r, x - 130 * r, y - 170 * r, x - 120 * r, y - 90 * r)
    .cubic(x - 114 * r, y - 30 * r, x - 70 * r, y - 4 * r, x - 62 * r, y)
    .line(x + 62 * r, y)
    .cubic(x + 70 * r, y - 4 * r, x + 114 * r, y - 30 * r, x + 120 * r, y - 90 * r)
    .cubic(x + 130 * r, y - 170 * r, x + 40 * r, y - 200 * r, x + 40 * r, y - 260 * r)
    .close();
  layers.push({
    shape: [area(body.done()), box(x - 50 * r, y - 268 * r, 100 * r, 14 * r, 6)],
    colour: c.light,
    tone: (u, v) => -((u * 1000 - x) / (130 * r)) * 0.7 + plaster(u * 9, v * 9) * 0.1,
    way: 1.4,
  });
  return layers;
};
