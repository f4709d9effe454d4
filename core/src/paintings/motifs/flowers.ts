import { smoothstep } from '../../plane';
import type { Layer, Motif } from '../layer';
import {
  area,
  ball,
  between,
  blob,
  curved,
  disc,
  glow,
  landUnder,
  leaf,
  mist,
  ranged,
  roll,
  shade,
  sky,
  tapering,
  wall,
} from './draw';

/** Grass and poppies seen from the ground. */
export const meadow: Motif = (s) => {
  const { random, c, tall } = s;
  const layers: Layer[] = [sky(s, tall * 0.8), glow(ranged(random, 0.25, 0.75), tall * 0.45, 0.8, c.light, 0.55)];
  layers.push({
    shape: [landUnder(roll(random, tall * 690, 24, 3), tall)],
    colour: between(c.far, c.low, 0.5),
    far: 1,
  });
  layers.push(mist(s, tall * 0.55, tall * 0.8, c.low, 0.5));
  for (let row = 0; row < 4; row++) {
    const t = row / 3;
    const blades = Array.from({ length: 90 }, () =>
      tapering(
        curved(
          random() * 1060 - 30,
          tall * 1000 + 20,
          tall * ranged(random, 130, 300) * (0.85 + 0.4 * t),
          -Math.PI / 2 + (random() - 0.5) * 0.35,
          (random() - 0.4) * 0.9,
          10,
        ),
        4 + 6 * t,
        0.08,
      ),
    );
    layers.push({
      shape: blades,
      colour: between(c.far, c.near, 0.15 + 0.85 * t),
      tone: (u, v) => 0.5 - smoothstep(tall * 0.7, tall, v) * 0.8 + Math.sin(u * 90) * 0.2,
      far: 0.7 * (1 - t),
      way: 1.45,
    });
    const heads = 3 + row * 2;
    const stems: ReturnType<typeof tapering>[] = [];
    const petals: ReturnType<typeof area>[] = [];
    const hearts: ReturnType<typeof disc>[] = [];
    for (let k = 0; k < heads; k++) {
      const stem = curved(
        ranged(random, 40, 960),
        tall * 1000 + 20,
        tall * ranged(random, 230, 400) * (0.75 + 0.35 * t),
        -Math.PI / 2 + (random() - 0.5) * 0.2,
        (random() - 0.5) * 0.6,
        14,
      );
      const top = stem[stem.length - 1];
      const r = (18 + 30 * t) * ranged(random, 0.8, 1.15);
      stems.push(tapering(stem, 3 + 3 * t, 0.6));
      for (let p = 0; p < 4; p++)
        petals.push(
          area(
            blob(
              random,
              top.x + Math.cos(p * 1.6 + 0.4) * r * 0.5,
              top.y + Math.sin(p * 1.6 + 0.4) * r * 0.36,
              r * 0.72,
              r * 0.6,
              8,
            ),
          ),
        );
      hearts.push(disc(top.x, top.y, r * 0.2, r * 0.17));
    }
    layers.push({ shape: stems, colour: between(c.far, c.near, 0.4 + 0.6 * t), far: 0.6 * (1 - t) });
    layers.push({
      shape: petals,
      colour: between(c.accent, c.low, 0.4 * (1 - t)),
      tone: (u, v) => 0.35 * Math.sin(u * 130 + v * 40),
      far: 0.6 * (1 - t),
      way: 0.8,
    });
    layers.push({ shape: hearts, colour: c.near, far: 0.6 * (1 - t) });
  }
  return layers;
};

/** One great bloom, seen from close by. */
export const bloom: Motif = (s) => {
  const { random, c, tall } = s;
  const [x, y] = [ranged(random, 420, 580), tall * ranged(random, 560, 620)];
  const layers: Layer[] = [
    { colour: c.high, into: c.near, mix: (u, v) => smoothstep(0.15, 1, Math.hypot(u - 0.5, v - tall * 0.45)) },
  ];
  const big = Array.from({ length: 7 }, (_, i) =>
    area(
      leaf(
        x,
        y + 60,
        ranged(random, 380, 560),
        ranged(random, 150, 210),
        0.5 + i * 0.35 + random() * 0.3,
        (random() - 0.5) * 0.2,
      ),
    ),
  );
  layers.push({
    shape: big,
    colour: between(c.near, c.far, 0.45),
    tone: (u, v) => Math.sin((u + v) * 60) * 0.2,
    far: 0.5,
    way: 0.8,
  });
  const rings = 6;
  for (let i = 0; i < rings; i++) {
    const t = i / (rings - 1);
    const count = 13 - i;
    const r = 390 * (1 - t * 0.78);
    const turn = random();
    for (const odd of [0, 1])
      layers.push({
        shape: Array.from({ length: count }, (_, k) => k)
          .filter((k) => k % 2 === odd)
          .map((k) => {
            const a = turn + (k / count) * 2 * Math.PI;
            return area(leaf(x + Math.cos(a) * r * 0.08, y + Math.sin(a) * r * 0.08, r, r * 0.56, a, 0.05));
          }),
        colour: between(c.accent, c.light, 0.12 + 0.5 * t * (odd ? 1 : 0.75)),
        tone: (u, v) => {
          const d = Math.hypot(u * 1000 - x, v * 1000 - y) / r;
          return -0.55 + d * 0.95 + Math.sin(Math.atan2(v * 1000 - y, u * 1000 - x) * 44) * 0.07 - odd * 0.08;
        },
        way: 1,
      });
  }
  layers.push({
    shape: Array.from({ length: 44 }, () =>
      disc(x + (random() + random() - 1) * 60, y + (random() + random() - 1) * 60, ranged(random, 4, 9)),
    ),
    colour: between(c.light, c.accent, 0.2),
    tone: ball(x, y, 60),
  });
  return layers;
};

/** Leaves round the rim, the middle left free for words. */
export const wreath: Motif = (s) => {
  const { random, c, tall } = s;
  const layers: Layer[] = [wall(s, between(c.paper, c.light, 0.3), 0.05)];
  for (let row = 0; row < 5; row++) {
    const t = row / 4;
    const shapes = [];
    const count = 46 - row * 5;
    for (let k = 0; k < count; k++) {
      const way = (k + random() * 0.7) / count;
      const a = way * 2 * Math.PI;
      // A place on the rim, and a leaf that looks inward.
      const [x, y] = [
        500 + Math.max(-520, Math.min(520, Math.cos(a) * 760)),
        tall * 500 + Math.max(-tall * 520, Math.min(tall * 520, Math.sin(a) * 760 * tall)),
      ];
      const inward = Math.atan2(tall * 500 - y, 500 - x) + (random() - 0.5) * 1.5;
      const long = ranged(random, 120, 230) * (1.15 - 0.25 * t);
      shapes.push(area(leaf(x, y, long, long * ranged(random, 0.26, 0.42), inward, (random() - 0.5) * 0.3)));
    }
    layers.push({
      shape: shapes,
      colour: between(between(c.far, c.paper, 0.35), c.near, t),
      tone: (u, v) => Math.sin(u * 50 - v * 60 + row) * 0.3,
      far: 0.3 * (1 - t),
      way: row * 0.6,
    });
    if (row === 2 || row === 4)
      layers.push({
        shape: Array.from({ length: 16 }, () => {
          const a = random() * 6.3;
          const [x, y] = [
            500 + Math.max(-450, Math.min(450, Math.cos(a) * 700)),
            tall * 500 + Math.max(-tall * 465, Math.min(tall * 465, Math.sin(a) * 700 * tall)),
          ];
          return area(blob(random, x, y, ranged(random, 18, 36), ranged(random, 18, 36), 6, 0.35));
        }),
        colour: row === 2 ? between(c.accent, c.light, 0.35) : c.accent,
        tone: (u, v) => Math.sin(u * 120 + v * 90) * 0.25,
      });
  }
  layers.push(shade(c.near, (u, v) => 0.25 * smoothstep(0.5, 0.8, Math.hypot(u - 0.5, v / tall - 0.5))));
  return layers;
};
