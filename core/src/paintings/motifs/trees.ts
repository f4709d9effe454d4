import { smoothstep } from '../../plane';
import type { Layer, Motif } from '../layer';
import {
  area,
  bareTree,
  between,
  curved,
  figure,
  glow,
  heightAt,
  landUnder,
  leaf,
  mist,
  ranged,
  roll,
  sky,
  tapering,
} from './draw';

/** Trunks one behind the other, light between them. */
export const wood: Motif = (s) => {
  const { random, c, tall } = s;
  const x0 = ranged(random, 0.4, 0.6);
  const layers: Layer[] = [
    { colour: c.low, into: c.far, mix: (u, v) => smoothstep(0.1, 0.8, Math.hypot(u - x0, (v - tall * 0.5) * 0.5)) },
    glow(x0, tall * 0.55, 0.75, c.light, 0.8),
  ];
  const rows = 5;
  const bark = s.noise(4, 200);
  for (let i = 0; i < rows; i++) {
    const t = i / (rows - 1);
    const foot = tall * (0.78 + 0.13 * t) * 1000;
    const count = 17 - i * 3;
    const trunks = [];
    for (let k = 0; k < count; k++) {
      const x = (1000 * (k + random() * 0.9)) / count;
      if (Math.abs(x - x0 * 1000) < 60 + t * 210) continue;
      const wide = 12 + t * 78 + random() * 14;
      trunks.push(
        tapering(
          curved(x, foot + 40, foot + 90, -Math.PI / 2 + (random() - 0.5) * 0.07, (random() - 0.5) * 0.1),
          wide,
          0.68,
        ),
      );
      const limbs = Math.floor(random() * 4);
      for (let m = 0; m < limbs; m++) {
        const side = random() < 0.5 ? -1 : 1;
        trunks.push(
          tapering(
            curved(
              x,
              foot * ranged(random, 0.08, 0.55),
              wide * ranged(random, 2, 5),
              side > 0 ? -0.5 : -2.64,
              side * -0.4,
              9,
            ),
            wide * 0.25,
            0.1,
          ),
        );
      }
    }
    const edge = roll(random, foot, 20 + 24 * t, 2.2);
    layers.push({
      shape: [...trunks, landUnder(edge, tall)],
      colour: between(between(c.low, c.far, 0.5), c.near, t ** 0.8),
      tone: (u, v) => bark(u * 60, v * 6) * 0.25 * t + 0.25 * Math.exp(-Math.abs(u - x0) * 5) * (1 - t),
      far: 0.8 * (1 - t),
      way: 1.5,
      rough: 0.1 * t,
    });
    if (i < rows - 1)
      layers.push(mist(s, foot / 1000 - 0.5, foot / 1000, between(c.low, c.light, 0.5), 0.42 * (1 - t), i));
  }
  return layers;
};

/** One bare tree on a hill, and much sky. */
export const loneTree: Motif = (s) => {
  const { random, c, tall } = s;
  const x = (random() < 0.5 ? ranged(random, 0.3, 0.4) : ranged(random, 0.6, 0.7)) * 1000;
  const edge = roll(random, tall * 800, 36, 1.6);
  const cloud = s.noise(5, 210);
  const foot = heightAt(edge, x) + 14;
  const layers: Layer[] = [
    sky(s, tall * 0.85),
    {
      colour: c.light,
      soft: true,
      field: (u, v) => 0.4 * smoothstep(0.15, 0.6, cloud(u * 1.4, v * 4)) * smoothstep(tall * 0.85, tall * 0.3, v),
    },
    glow(x / 1000 + 0.05, foot / 1000 - 0.2, 0.6, c.light, 0.6),
  ];
  layers.push({
    shape: [landUnder(roll(random, tall * 770, 22, 3), tall)],
    colour: between(c.far, c.low, 0.4),
    far: 0.6,
  });
  layers.push({ shape: bareTree(random, x, foot, tall * ranged(random, 330, 400), 30), colour: c.near });
  const grass = s.noise(4, 211);
  layers.push({
    shape: [landUnder(edge, tall)],
    colour: c.near,
    tone: (u, v) => grass(u * 40, v * 8) * 0.25 + 0.3 * smoothstep(40, 0, v * 1000 - heightAt(edge, u * 1000)),
    way: 1.2,
    rough: 0.15,
  });
  if (random() < 0.5) layers.push({ shape: figure(x + 95, heightAt(edge, x + 95) + 6, 66), colour: c.near });
  return layers;
};

/** Birches: white trunks with dark marks. */
export const birches: Motif = (s) => {
  const { random, c, tall } = s;
  const layers: Layer[] = [sky(s, tall), mist(s, tall * 0.3, tall * 0.9, between(c.low, c.light, 0.4), 0.5)];
  for (let row = 0; row < 3; row++) {
    const t = row / 2;
    const count = [10, 7, 4][row];
    const xs = Array.from({ length: count }, (_, k) => (1000 * (k + 0.2 + random() * 0.6)) / count);
    const wide = 22 + t * 62;
    const ways = xs.map((x) =>
      curved(x, tall * 1000 + 30, tall * 1000 + 90, -Math.PI / 2 + (random() - 0.5) * 0.1, (random() - 0.5) * 0.08),
    );
    layers.push({
      shape: ways.map((w) => tapering(w, wide, 0.72)),
      colour: between(c.light, c.low, 0.55 * (1 - t)),
      tone: (u) => {
        const near = xs.reduce((best, x) => (Math.abs(u * 1000 - x) < Math.abs(best) ? u * 1000 - x : best), 1e9);
        return -0.55 * smoothstep(-0.1, 0.6, near / wide);
      },
      far: 0.5 * (1 - t),
      way: 1.5,
    });
    const marks = ways.flatMap((w) =>
      Array.from({ length: 11 }, () => {
        const p = w[Math.floor(random() * (w.length - 1))];
        const long = wide * ranged(random, 0.2, 0.62);
        const from = p.x + (random() - 0.5) * wide * 0.5;
        const y = p.y + ranged(random, -30, 30);
        return area(leaf(from - long / 2, y, long, long * 0.24, (random() - 0.5) * 0.3));
      }),
    );
    layers.push({ shape: marks, colour: between(c.near, c.low, 0.5 * (1 - t)), far: 0.4 * (1 - t), fine: true });
    if (row < 2) layers.push(mist(s, tall * 0.45, tall, between(c.low, c.light, 0.3), 0.55, row));
  }
  const leaves = Array.from({ length: 150 }, () =>
    area(
      leaf(
        ranged(random, 0, 1000),
        random() ** 1.6 * tall * 520,
        ranged(random, 14, 30),
        ranged(random, 8, 16),
        random() * 6.3,
      ),
    ),
  );
  layers.push({ shape: leaves, colour: c.accent, tone: (u, v) => Math.sin(u * 300 + v * 210) * 0.4 });
  return layers;
};
