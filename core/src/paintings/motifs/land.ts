import { PathBuilder, smoothstep } from '../../plane';
import type { Layer, Motif } from '../layer';
import {
  area,
  between,
  disc,
  figure,
  fir,
  glow,
  heightAt,
  house,
  landUnder,
  line,
  mist,
  polygon,
  range,
  ranged,
  roll,
  shade,
  sky,
} from './draw';

/** Ranges behind one another in fog, a low sun. */
export const ridges: Motif = (s) => {
  const { random, c, tall } = s;
  const [x, y] = [ranged(random, 0.22, 0.78), tall * ranged(random, 0.36, 0.44)];
  const layers: Layer[] = [sky(s, tall * 0.6), glow(x, y, 0.75, c.light, 0.55)];
  layers.push({ shape: [disc(x * 1000, y * 1000, ranged(random, 52, 85))], colour: c.light, far: 0.5 });
  const rows = 6;
  for (let i = 0; i < rows; i++) {
    const t = i / (rows - 1);
    const base = tall * (0.52 + 0.36 * t);
    const rock = s.noise(5, 20 + i);
    layers.push({
      shape: [landUnder(range(random, base * 1000, 300 - 120 * t, 0.53), tall)],
      colour: between(between(c.low, c.far, 0.55), c.near, t ** 0.85),
      tone: (u, v) => rock(u * 5, v * 7) * (0.1 + 0.2 * t) + smoothstep(base + 0.2, base - 0.1, v) * 0.18,
      far: 0.6 * (1 - t),
      way: 0.5 - t,
      rough: 0.12 * t,
    });
    if (i < rows - 1) layers.push(mist(s, base - 0.02, base + 0.16, c.low, 0.7 * (1 - t * 0.7), i));
  }
  return layers;
};

/** Dunes with one sharp crest, and their shade. */
export const dunes: Motif = (s) => {
  const { random, c, tall } = s;
  const layers: Layer[] = [sky(s, tall * 0.62)];
  const sunX = ranged(random, 0.2, 0.8);
  layers.push(glow(sunX, tall * 0.3, 0.7, c.light, 0.45));
  layers.push({ shape: [disc(sunX * 1000, tall * 300, 62)], colour: c.light, far: 0.3 });
  for (let i = 0; i < 5; i++) {
    const t = i / 4;
    const y = tall * (0.56 + 0.3 * t) * 1000;
    const edge = roll(random, y, 46 + 50 * t, 2.2 + random() * 1.6);
    const ripple = s.noise(3, 40 + i);
    layers.push({
      shape: [landUnder(edge, tall)],
      colour: between(between(c.low, c.far, 0.65), between(c.far, c.near, 0.35), t),
      tone: (u, v) => {
        const under = v * 1000 - heightAt(edge, u * 1000);
        const waves = Math.sin(v * (150 - 70 * t) + ripple(u * 3, v * 3) * 7) * 0.1 * smoothstep(0, 120, under);
        return 0.42 * smoothstep(70, 0, under) + waves - 0.12 + ripple(u * 2, v * 2) * 0.12;
      },
      far: 0.5 * (1 - t),
      way: 0.15,
      rough: 0.05,
    });
  }
  return layers;
};

/** Fields on rolling hills, hedges and one house. */
export const fields: Motif = (s) => {
  const { random, c, tall } = s;
  const layers: Layer[] = [sky(s, tall * 0.5), glow(ranged(random, 0.2, 0.8), tall * 0.42, 0.6, c.light, 0.4)];
  const colours = [c.far, between(c.far, c.light, 0.35), between(c.far, c.accent, 0.35), between(c.far, c.near, 0.4)];
  for (let i = 0; i < 6; i++) {
    const t = i / 5;
    const y = tall * (0.46 + 0.36 * t) * 1000;
    const edge = roll(random, y, 34 + 34 * t, 3);
    const furrow = 160 - 90 * t;
    const turn = (random() - 0.5) * 1.6;
    const plough = random() < 0.6 ? 0.22 : 0.04;
    layers.push({
      shape: [landUnder(edge, tall)],
      colour: between(between(colours[i % 4], c.low, 0.5 * (1 - t)), c.near, 0.12 * t),
      tone: (u, v) =>
        0.25 * smoothstep(80, 0, v * 1000 - heightAt(edge, u * 1000)) +
        plough * Math.sin((u * turn + v) * furrow + Math.sin(u * 6) * 2),
      far: 0.6 * (1 - t),
      way: turn * 0.5,
    });
    const hedge = Array.from({ length: 26 + i * 3 }, () => {
      const x = ranged(random, -20, 1020);
      return disc(x, heightAt(edge, x) + 3, ranged(random, 6, 12) * (0.6 + t), ranged(random, 5, 10) * (0.6 + t));
    });
    layers.push({ shape: hedge, colour: between(c.near, c.far, 0.5 * (1 - t)), far: 0.5 * (1 - t), rough: 0.2 });
    if (i === 2) {
      const x = ranged(random, 260, 740);
      layers.push({ shape: house(x, heightAt(edge, x) + 8, 62), colour: c.light, tone: () => -0.1 });
      const y0 = heightAt(edge, x) + 8;
      layers.push({
        shape: [polygon([x - 38, y0 - 37], [x, y0 - 68], [x + 38, y0 - 37])],
        colour: c.accent,
      });
    }
  }
  return layers;
};

/** A mountain and what a still lake makes of it. */
export const lake: Motif = (s) => {
  const { random, c, tall } = s;
  const shore = tall * ranged(random, 0.56, 0.62);
  const peaks = [range(random, shore * 1000 - 230, 330, 0.5), range(random, shore * 1000 - 90, 150, 0.52)];
  const trees = Array.from({ length: 70 }, () => ({ x: ranged(random, -10, 1010), h: ranged(random, 24, 62) }));
  const layers: Layer[] = [sky(s, shore), glow(ranged(random, 0.2, 0.8), shore - 0.28, 0.6, c.light, 0.5)];
  const rock = s.noise(5, 50);
  const half = (mirror: boolean): Layer[] => {
    const y = (v: number): number => (mirror ? 2 * shore * 1000 - v : v);
    const dim = mirror ? 0.28 : 0;
    const sunk = peaks.map((edge) => edge.map((p) => ({ x: p.x, y: y(p.y) })));
    const close = [
      { x: 1040, y: shore * 1000 },
      { x: -40, y: shore * 1000 },
    ];
    const outline = (edge: readonly { x: number; y: number }[]) =>
      area({ ops: [...edge, ...close].flatMap((p, i) => [i === 0 ? 0 : 1, p.x, p.y]).concat([4]) });
    return [
      {
        shape: [outline(sunk[0])],
        colour: between(between(c.far, c.low, 0.25), c.near, dim),
        tone: (u, v) => {
          const up = mirror ? 2 * shore - v : v;
          const snow = smoothstep(shore - 0.2, shore - 0.34, up + rock(u * 8, up * 8) * 0.06);
          return rock(u * 7 + up * 2, up * 9) * 0.35 + snow * 0.85 - (mirror ? 0.15 : 0);
        },
        far: mirror ? 0.9 : 0.3,
        way: mirror ? 0 : 0.8,
      },
      {
        shape: [outline(sunk[1])],
        colour: between(between(c.far, c.near, 0.45), c.near, dim),
        tone: (u, v) => rock(u * 6 + 9, v * 8) * 0.2,
        far: mirror ? 0.8 : 0.1,
      },
      {
        shape: trees.map(({ x, h }) =>
          mirror
            ? polygon([x - h * 0.2, shore * 1000], [x, shore * 1000 + h], [x + h * 0.2, shore * 1000])
            : fir(random, x, shore * 1000 + 2, h),
        ),
        colour: between(c.near, c.far, mirror ? 0.25 : 0.1),
        far: mirror ? 0.6 : 0,
        fine: false,
      },
    ];
  };
  layers.push(...half(false), mist(s, shore - 0.1, shore, c.low, 0.55));
  layers.push({
    shape: [polygon([-10, shore * 1000], [1010, shore * 1000], [1010, tall * 1000 + 10], [-10, tall * 1000 + 10])],
    colour: between(c.low, c.high, 0.15),
    into: between(c.high, c.near, 0.35),
    mix: (_u, v) => smoothstep(shore, tall, v),
  });
  layers.push(...half(true));
  const ripple = s.noise(3, 60);
  layers.push({
    colour: c.light,
    light: true,
    soft: true,
    field: (u, v) => {
      if (v < shore + 0.004) return 0;
      const d = v - shore;
      return 0.22 * smoothstep(0.35, 0.7, ripple(u * 3, v * (60 - 60 * d))) * smoothstep(0.5, 0.05, d);
    },
  });
  layers.push(shade(c.near, (_u, v) => 0.6 * smoothstep(tall * 0.78, tall, v)));
  return layers;
};

/** Snow, a track of steps, and one small figure or tree. */
export const snowfield: Motif = (s) => {
  const { random, c, tall } = s;
  const far = roll(random, tall * 560, 26, 3);
  const near = roll(random, tall * 640, 30, 2);
  const side = random() < 0.5 ? 0.3 : 0.7;
  const x = side * 1000;
  const drift = s.noise(4, 70);
  const layers: Layer[] = [sky(s, tall * 0.58), mist(s, tall * 0.36, tall * 0.6, c.low, 0.6)];
  layers.push({
    shape: Array.from({ length: 44 }, () => {
      const px = ranged(random, -10, 1010);
      return fir(random, px, heightAt(far, px) + 14, ranged(random, 30, 95));
    }),
    colour: between(c.far, c.near, 0.3),
    far: 0.7,
  });
  layers.push(mist(s, tall * 0.48, tall * 0.58, c.low, 0.7, 2));
  layers.push({
    shape: [landUnder(far, tall)],
    colour: between(c.low, c.light, 0.35),
    tone: (u, v) => drift(u * 2, v * 4) * 0.2,
    far: 0.4,
  });
  layers.push({
    shape: [landUnder(near, tall)],
    colour: c.light,
    into: between(c.far, c.light, 0.45),
    mix: (u, v) => smoothstep(tall * 0.7, tall * 1.05, v) * 0.6 + drift(u * 1.7, v * 5) * 0.28 + 0.12,
    way: 0.1,
  });
  const foot = heightAt(near, x) + 50;
  const steps = Array.from({ length: 30 }, (_, i) => {
    const t = i / 29;
    const py = foot + 6 + (tall * 1000 - foot) * t ** 1.7;
    const px = x + (1 - 2 * side) * 250 * t * t + (i % 2 ? 7 : -7) * (0.3 + 2 * t);
    return disc(px, py, 2 + 9 * t, 1.2 + 5.5 * t);
  });
  layers.push({ shape: steps, colour: between(c.far, c.near, 0.25), fine: true });
  layers.push(
    random() < 0.5
      ? { shape: figure(x, foot + 4, 96), colour: c.near }
      : { shape: [fir(random, x, foot + 8, 250)], colour: c.near, rough: 0.2 },
  );
  const flake = Array.from({ length: 150 }, () =>
    disc(ranged(random, 0, 1000), ranged(random, 0, tall * 1000), 1 + random() ** 3 * 5),
  );
  layers.push({ shape: flake, colour: c.light, fine: true, field: () => 0.75 });
  return layers;
};

/** A road to the horizon under a large sky. */
export const road: Motif = (s) => {
  const { random, c, tall } = s;
  const level = tall * ranged(random, 0.56, 0.64) * 1000;
  const to = ranged(random, 0.35, 0.65) * 1000;
  const foot = tall * 1000 + 20;
  const cloud = s.noise(5, 80);
  const earth = s.noise(4, 81);
  const layers: Layer[] = [
    sky(s, level / 1000),
    {
      colour: c.light,
      soft: true,
      field: (u, v) => 0.55 * smoothstep(0.08, 0.55, cloud(u * 1.6, v * 4.2)) * smoothstep(level / 1000, 0.3, v),
    },
    glow(to / 1000, level / 1000, 0.5, c.light, 0.7),
  ];
  layers.push({
    shape: [landUnder(range(random, level - 8, 40, 0.55), tall)],
    colour: between(c.far, c.low, 0.35),
    far: 0.5,
  });
  layers.push({
    shape: [polygon([-10, level], [1010, level], [1010, foot], [-10, foot])],
    colour: c.far,
    into: between(c.far, c.near, 0.6),
    mix: (_u, v) => smoothstep(level / 1000, tall, v),
    tone: (u, v) => earth(u * 5, 30 / (v - level / 1000 + 0.04)) * 0.3,
    way: 0.05,
    rough: 0.12,
  });
  layers.push({
    shape: [polygon([to - 5, level], [to + 5, level], [820, foot], [180, foot])],
    colour: between(c.near, c.far, 0.2),
    tone: (u, v) => earth(u * 9, v * 9) * 0.15 + smoothstep(level / 1000 + 0.25, level / 1000, v) * 0.3,
  });
  const dashes = Array.from({ length: 9 }, (_, i) => {
    const near = (z: number): number => level + (foot - level) / z;
    const [a, b] = [near(1 + i * 1.1), near(1 + i * 1.1 + 0.5)];
    const wide = (y: number): number => ((y - level) / (foot - level)) * 13;
    const mid = (y: number): number => to + (500 - to) * ((y - level) / (foot - level));
    return polygon([mid(a) - wide(a), a], [mid(a) + wide(a), a], [mid(b) + wide(b), b], [mid(b) - wide(b), b]);
  });
  layers.push({ shape: dashes, colour: c.light, fine: true });
  const poles = Array.from({ length: 6 }, (_, i) => {
    const z = 1.3 + i * 1.25;
    const y = level + (foot - level) / z;
    const x = to + (980 - to) / z;
    const h = 560 / z;
    const post = new PathBuilder().move(x, y).line(x, y - h);
    for (const up of [0.97, 0.9]) post.move(x - h * 0.07, y - h * up).line(x + h * 0.07, y - h * up);
    return line(post.done(), Math.max(1.5, 11 / z));
  });
  layers.push({ shape: poles, colour: c.near, fine: true });
  return layers;
};
