import { PathBuilder, smoothstep } from '../../plane';
import type { Layer, Motif } from '../layer';
import { area, between, box, disc, figure, glow, polygon, ranged, shade, sky, wall } from './draw';

/** A room with one window, and what its light lays on floor and wall. */
export const room: Motif = (s) => {
  const { random, c, tall } = s;
  const side = random() < 0.5 ? 1 : -1;
  const at = (x: number): number => (side > 0 ? x : 1000 - x);
  const floor = tall * 740;
  const plaster = s.noise(5, 250);
  const layers: Layer[] = [
    {
      colour: between(c.far, c.near, 0.35),
      tone: (u, v) => plaster(u * 3, v * 3) * 0.14 - 0.3 * smoothstep(0.3, 0.9, Math.abs(u - at(300) / 1000)),
      rough: 0.04,
    },
    {
      shape: [polygon([-10, floor], [1010, floor], [1010, tall * 1000 + 10], [-10, tall * 1000 + 10])],
      colour: between(c.near, c.far, 0.25),
      tone: (u, v) => Math.sin(((u - 0.5) * 40) / (v - 0.4)) * 0.12 + plaster(u * 3, v * 40) * 0.1,
      way: 0,
    },
  ];
  const [wx, wy, ww, wh] = [at(300) - 120, tall * 210, 240, tall * 300];
  layers.push({ shape: [box(wx - 16, wy - 16, ww + 32, wh + 32)], colour: between(c.light, c.far, 0.5) });
  layers.push({
    shape: [box(wx, wy, ww, wh)],
    colour: c.light,
    into: c.low,
    mix: (_u, v) => smoothstep(wy / 1000, (wy + wh) / 1000, v),
  });
  const bars = [
    box(wx + ww / 2 - 6, wy, 12, wh),
    box(wx, wy + wh * 0.33 - 6, ww, 12),
    box(wx, wy + wh * 0.66 - 6, ww, 12),
  ];
  layers.push({ shape: bars, colour: between(c.light, c.far, 0.5) });
  layers.push(glow(at(300) / 1000, (wy + wh / 2) / 1000, 0.62, c.light, 0.4));
  // The window again, thrown aslant across the floor.
  const panes = [];
  for (let i = 0; i < 2; i++)
    for (let k = 0; k < 3; k++) {
      const p = (a: number, b: number): [number, number] => {
        const y = floor + 30 + b * tall * 210;
        return [at(360 + a * 300 + b * 250), y];
      };
      const [a0, a1, b0, b1] = [i * 0.5 + 0.02, i * 0.5 + 0.46, k / 3 + 0.02, k / 3 + 0.29];
      panes.push(polygon(p(a0, b0), p(a1, b0), p(a1, b1), p(a0, b1)));
    }
  layers.push({
    shape: panes,
    colour: between(c.light, c.accent, 0.25),
    far: 0.9,
    field: () => 0.85,
    tone: (u, v) => plaster(u * 3, v * 40) * 0.12,
  });
  // A chair that somebody has left.
  const [x, y, k] = [at(720), floor + tall * 70, 1.15];
  const chair = [
    box(x - 60 * k, y - 120 * k, 120 * k, 13 * k),
    box(x - 58 * k, y - 110 * k, 11 * k, 112 * k),
    box(x + 47 * k, y - 110 * k, 11 * k, 112 * k),
    box(x - 40 * k, y - 112 * k, 9 * k, 84 * k),
    box(x + 30 * k, y - 112 * k, 9 * k, 84 * k),
    box(side > 0 ? x + 47 * k : x - 58 * k, y - 268 * k, 11 * k, 160 * k),
    box(side > 0 ? x + 30 * k : x - 40 * k, y - 262 * k, 9 * k, 150 * k),
    ...[0, 1, 2].map((n) => box(side > 0 ? x + 30 * k : x - 58 * k, y - (256 - n * 36) * k, 28 * k, 11 * k)),
  ];
  layers.push(
    shade(c.near, (u, v) => 0.5 * Math.exp(-(((u * 1000 - x - side * 60) / 120) ** 2) - ((v * 1000 - y) / 14) ** 2)),
  );
  layers.push({ shape: chair, colour: between(c.near, '#000000', 0.35) });
  layers.push(
    shade(
      between(c.near, '#000000', 0.3),
      (u, v) => 0.55 * smoothstep(0.45, 0.8, Math.hypot(u - at(380) / 1000, (v - tall * 0.5) * 0.6)),
    ),
  );
  return layers;
};

/** A door ajar, light from behind it. */
export const door: Motif = (s) => {
  const { random, c, tall } = s;
  const side = random() < 0.5 ? 1 : -1;
  const at = (x: number): number => (side > 0 ? x : 1000 - x);
  const floor = tall * 760;
  const [x0, x1, top] = [390, 640, tall * 290];
  const plaster = s.noise(4, 260);
  const layers: Layer[] = [
    {
      colour: between(c.near, c.high, 0.5),
      tone: (u, v) => plaster(u * 3, v * 3) * 0.12 + 0.2 * Math.exp(-Math.hypot(u - 0.5, v - tall * 0.5) * 2) - 0.2,
      rough: 0.05,
    },
  ];
  layers.push({
    shape: [polygon([-10, floor], [1010, floor], [1010, tall * 1000 + 10], [-10, tall * 1000 + 10])],
    colour: between(c.near, '#000000', 0.25),
    tone: (u, v) => plaster(u * 3, v * 30) * 0.15,
  });
  layers.push({
    shape: [polygon([at(x0 - 26), floor], [at(x0 - 26), top - 26], [at(x1 + 26), top - 26], [at(x1 + 26), floor])],
    colour: between(c.near, c.far, 0.5),
  });
  layers.push({
    shape: [polygon([at(x0), floor], [at(x0), top], [at(x1), top], [at(x1), floor])],
    colour: c.light,
    into: c.accent,
    mix: (_u, v) => smoothstep(floor / 1000, top / 1000, v) * 0.7,
  });
  layers.push(glow(at((x0 + x1) / 2) / 1000, (top + floor) / 2000, 0.55, c.light, 0.5));
  if (random() < 0.6)
    layers.push({
      shape: figure(at(x0 + 150), floor + 2, (floor - top) * 0.66),
      colour: between(c.near, '#000000', 0.4),
      far: 0.3,
    });
  // The leaf of the door stands towards us.
  layers.push({
    shape: [polygon([at(x1), top], [at(x1 + 150), top - 60], [at(x1 + 150), floor + 95], [at(x1), floor])],
    colour: between(c.far, c.near, 0.45),
    tone: (u) => 0.25 - Math.abs(u * 1000 - at(x1)) / 260,
  });
  for (let k = 0; k < 2; k++) {
    const [a, b] = k === 0 ? [0.1, 0.46] : [0.54, 0.92];
    const p = (f: number, t: number): [number, number] => [
      at(x1 + 150 * f),
      top - 60 * f + (floor - top + 155 * f) * t,
    ];
    layers.push({
      shape: [polygon(p(0.2, a), p(0.82, a), p(0.82, b), p(0.2, b))],
      colour: between(c.far, c.near, 0.62),
    });
  }
  layers.push({ shape: [disc(at(x1 + 128), (top + floor) / 2 + 40, 10)], colour: c.accent });
  layers.push({
    shape: [
      polygon([at(x0), floor], [at(x1), floor], [at(x1 - 40), tall * 1000 + 10], [at(x0 - 330), tall * 1000 + 10]),
    ],
    colour: between(c.light, c.accent, 0.3),
    light: true,
    far: 1,
    field: (_u, v) => 0.75 * smoothstep(tall * 1.06, floor / 1000, v),
  });
  return layers;
};

/** A lighthouse on a rock and its beam. */
export const lighthouse: Motif = (s) => {
  const { random, c, tall } = s;
  const x = random() < 0.5 ? 330 : 670;
  const dir = x < 500 ? 1 : -1;
  const level = tall * 760;
  const [top, foot] = [tall * 390, level + 6];
  const cloud = s.noise(5, 270);
  const layers: Layer[] = [
    sky(s, level / 1000, 0.1),
    {
      colour: c.low,
      soft: true,
      field: (u, v) => 0.4 * smoothstep(0.1, 0.6, cloud(u * 1.5, v * 4)) * smoothstep(level / 1000, 0.2, v),
    },
  ];
  layers.push({
    colour: c.light,
    light: true,
    soft: true,
    field: (u, v) => {
      const dx = (u * 1000 - x) * dir;
      const spread = 16 + Math.max(0, dx) * 0.2;
      return dx < 0
        ? 0
        : 0.8 * Math.exp(-(((v * 1000 - top + 40 + dx * 0.06) / spread) ** 2)) * (1 - 0.6 * Math.min(1, dx / 900));
    },
  });
  const swell = s.noise(4, 271);
  layers.push({
    shape: [box(-10, level, 1020, tall * 1000)],
    colour: between(c.far, c.low, 0.15),
    into: c.near,
    mix: (_u, v) => smoothstep(level / 1000, tall, v),
    tone: (u, v) => swell(u * 4, 8 / (v - level / 1000 + 0.06)) * 0.45,
    way: 0,
  });
  layers.push({
    shape: [area(smoothRock(x, level, random))],
    colour: c.near,
    tone: (u, v) => cloud(u * 9, v * 12) * 0.4 + 0.1,
    rough: 0.3,
    way: 0.7,
  });
  const tower = [polygon([x - 50, foot - 46], [x - 32, top], [x + 32, top], [x + 50, foot - 46])];
  layers.push({ shape: tower, colour: c.light, tone: (u) => -dir * ((u * 1000 - x) / 60) * 0.6 });
  const bands = [0.16, 0.5, 0.84].map((t) => {
    const y = (n: number): number => top + (foot - 46 - top) * n;
    const half = (n: number): number => 32 + 18 * n;
    return polygon(
      [x - half(t - 0.08), y(t - 0.08)],
      [x + half(t - 0.08), y(t - 0.08)],
      [x + half(t + 0.08), y(t + 0.08)],
      [x - half(t + 0.08), y(t + 0.08)],
    );
  });
  layers.push({ shape: bands, colour: c.accent, tone: (u) => -dir * ((u * 1000 - x) / 60) * 0.5 });
  layers.push({
    shape: [
      box(x - 44, top - 8, 88, 12),
      box(x - 24, top - 62, 48, 56),
      polygon([x - 34, top - 60], [x, top - 102], [x + 34, top - 60]),
    ],
    colour: between(c.near, c.accent, 0.2),
  });
  layers.push(
    { shape: [box(x - 17, top - 54, 34, 42)], colour: c.light },
    glow(x / 1000, (top - 34) / 1000, 0.2, c.light, 0.9),
  );
  return layers;
};

function smoothRock(x: number, level: number, random: () => number) {
  const b = new PathBuilder().move(x - 240, level + 40);
  for (let i = 0; i <= 10; i++) {
    const t = i / 10;
    b.line(x - 200 + 400 * t, level - 62 * Math.sin(Math.PI * t) ** 0.6 + ranged(random, -9, 9));
  }
  return b
    .line(x + 260, level + 40)
    .close()
    .done();
}

/** Arches one behind the other, sun on their floor. */
export const arches: Motif = (s) => {
  const { random, c, tall } = s;
  const layers: Layer[] = [wall(s, between(c.low, c.light, 0.4), 0.06)];
  const rows = 5;
  const shift = ranged(random, -28, 28);
  const stone = s.noise(4, 280);
  for (let i = 0; i < rows; i++) {
    const t = i / (rows - 1);
    const half = 90 + 300 * t ** 1.25;
    const [cx, spring, foot] = [500 + shift * (1 - t), tall * (430 - 40 * t), tall * (720 + 250 * t)];
    const ring = new PathBuilder()
      .move(-20, -20)
      .line(-20, tall * 1000 + 20)
      .line(1020, tall * 1000 + 20)
      .line(1020, -20)
      .close();
    const k = 0.5523 * half;
    ring
      .move(cx - half, foot)
      .line(cx - half, spring)
      .cubic(cx - half, spring - k, cx - k, spring - half, cx, spring - half)
      .cubic(cx + k, spring - half, cx + half, spring - k, cx + half, spring)
      .line(cx + half, foot)
      .close();
    layers.push({
      shape: [area(ring.done())],
      colour: between(between(c.light, c.accent, 0.35), c.near, 0.12 + 0.8 * t),
      tone: (u, v) => stone(u * 7, v * 7) * 0.14 + (cx / 1000 - u) * 0.5,
      way: 1.57,
      rough: 0.06,
    });
  }
  layers.push({ shape: figure(500 + shift, tall * 730, 76), colour: c.near });
  return layers;
};
