import { PathBuilder, polygonPath, smoothstep } from '../../plane';
import type { Layer, Motif } from '../layer';
import {
  area,
  ball,
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
  tapering,
  wings,
} from './draw';

/** Stars and the band of the galaxy over a dark ridge. */
export const stars: Motif = (s) => {
  const { random, c, tall } = s;
  const lean = ranged(random, -0.7, 0.7);
  const cloud = s.noise(6, 110);
  const dust = s.noise(5, 111);
  const off = (u: number, v: number): number => (u - 0.5) * Math.cos(lean) + (v - tall * 0.42) * Math.sin(lean) * 0.6;
  const layers: Layer[] = [sky(s, tall * 0.95, tall * 0.3)];
  layers.push({
    colour: between(c.low, c.light, 0.45),
    light: true,
    soft: true,
    field: (u, v) => {
      const d = off(u, v) + cloud(u * 2, v * 2) * 0.1;
      const lane = smoothstep(0.05, 0.35, dust(u * 4, v * 4)) * Math.exp(-((d / 0.07) ** 2)) * 0.5;
      return 0.62 * Math.exp(-((d / 0.17) ** 2)) * (0.55 + 0.6 * cloud(u * 5, v * 5)) - lane;
    },
  });
  const points = Array.from({ length: 620 }, () => {
    const near = random() < 0.5;
    const y = random() * tall * 1000;
    const x = near ? 500 - (y - tall * 420) * Math.tan(lean) * 0.6 + (random() + random() - 1) * 260 : random() * 1000;
    return disc(x, y, 0.7 + random() ** 6 * 4.2);
  });
  layers.push({ shape: points, colour: c.light, fine: true, field: () => 0.95 });
  layers.push(glow(ranged(random, 0.3, 0.7), tall * 0.9, 0.6, c.accent, 0.32));
  layers.push({
    shape: [landUnder(range(random, tall * 850, 170, 0.5), tall)],
    colour: between(c.far, c.near, 0.55),
    far: 0.2,
  });
  const front = roll(random, tall * 925, 26, 2);
  layers.push({ shape: [landUnder(front, tall)], colour: c.near });
  const x = random() < 0.5 ? 300 : 690;
  layers.push(
    random() < 0.5
      ? { shape: figure(x, heightAt(front, x) + 4, 88), colour: c.near }
      : {
          shape: Array.from({ length: 26 }, () => {
            const px = ranged(random, -10, 1010);
            return fir(random, px, heightAt(front, px) + 16, ranged(random, 50, 165));
          }),
          colour: c.near,
        },
  );
  return layers;
};

/** A great moon, and birds before it. */
export const moon: Motif = (s) => {
  const { random, c, tall } = s;
  const [x, y, r] = [ranged(random, 400, 600), tall * ranged(random, 400, 470), ranged(random, 240, 310)];
  const sea = s.noise(4, 120);
  const craters = Array.from({ length: 26 }, () => {
    const [a, d] = [random() * 6.3, Math.sqrt(random()) * r * 0.92];
    return { x: x + Math.cos(a) * d, y: y + Math.sin(a) * d, r: ranged(random, 5, 34) * (1 - (d / r) * 0.4) };
  });
  const layers: Layer[] = [sky(s, tall * 0.95, tall * 0.2), glow(x / 1000, y / 1000, 0.72, c.light, 0.5)];
  layers.push({
    shape: [disc(x, y, r)],
    colour: between(c.light, c.low, 0.1),
    tone: (u, v) => {
      let t = 0.1 - 0.5 * smoothstep(0.02, 0.4, sea(u * 3.4, v * 3.4)) + sea(u * 14, v * 14) * 0.12;
      for (const one of craters) {
        const d = Math.hypot(u * 1000 - one.x, v * 1000 - one.y) / one.r;
        if (d < 1.15) t += d < 0.85 ? -0.16 : 0.2;
      }
      return t + ball(x, y, r)(u, v) * 0.14;
    },
    way: 0.7,
    rough: 0.08,
  });
  const band = s.noise(4, 121);
  layers.push({
    colour: between(c.high, c.low, 0.35),
    soft: true,
    field: (u, v) => 0.8 * smoothstep(0.1, 0.5, band(u * 1.3, v * 7)) * smoothstep(y / 1000 - 0.1, y / 1000 + 0.3, v),
  });
  const flock = Array.from({ length: 9 }, (_, i) =>
    wings(
      x - 210 + i * ranged(random, 36, 56),
      y + ranged(random, -80, 110),
      ranged(random, 14, 36),
      ranged(random, 0.6, 1.3),
      ranged(random, -0.4, 0.3),
    ),
  );
  layers.push({ shape: flock, colour: c.near });
  const edge = roll(random, tall * 900, 30, 3);
  layers.push({ shape: [landUnder(edge, tall)], colour: c.near });
  return layers;
};

/** Clouds that tower, lit from one side. */
export const clouds: Motif = (s) => {
  const { random, c, tall } = s;
  const side = random() < 0.5 ? -1 : 1;
  const layers: Layer[] = [sky(s, tall * 0.9)];
  const fluff = s.noise(6, 130);
  for (let row = 0; row < 4; row++) {
    const t = row / 3;
    const base = tall * (0.5 + 0.17 * row);
    const heap = s.noise(3, 131 + row);
    const bulge = s.noise(3, 141 + row);
    const puff = s.noise(2, 145 + row);
    const top = (u: number): number => base - 0.16 - heap(u * 1.7 + row, row) * 0.24 * (1 - t * 0.3);
    const billow = (u: number, v: number): number =>
      v - top(u) + bulge(u * 3, v * 3) * 0.12 - Math.abs(puff(u * 7, v * 7)) * 0.035;
    layers.push({
      colour: between(c.light, c.low, 0.12 + 0.1 * t),
      into: between(c.far, c.low, 0.35 - 0.3 * t),
      mix: (u, v) => smoothstep(0, 0.42, billow(u, v)) * 0.8 + smoothstep(0.05, 0.4, fluff(u * 3 + v, v * 3)) * 0.3,
      tone: (u, v) => {
        // Light from the side: the slope of the heaps against it.
        const step = 0.02;
        const slope = billow(u + side * step, v - step) - billow(u, v);
        return Math.max(-0.5, Math.min(0.6, -slope * 9)) * 0.6;
      },
      field: (u, v) => smoothstep(-0.006, 0.02, billow(u, v)),
      soft: true,
      way: 0.4 * side,
    });
  }
  layers.push(glow(0.5 + side * 0.36, tall * 0.3, 0.6, c.light, 0.4));
  const flock = Array.from({ length: 5 }, () =>
    wings(
      ranged(random, 250, 750),
      tall * ranged(random, 250, 380),
      ranged(random, 8, 16),
      ranged(random, 0.6, 1.2),
      ranged(random, -0.3, 0.3),
    ),
  );
  layers.push({ shape: flock, colour: c.near, fine: true });
  return layers;
};

/** A sun with rays as a woodcutter makes them, over hills. */
export const sunrays: Motif = (s) => {
  const { random, c, tall } = s;
  const [x, y] = [ranged(random, 420, 580), tall * ranged(random, 470, 540)];
  const rays = 44;
  const layers: Layer[] = [{ colour: c.low }];
  layers.push({
    shape: Array.from({ length: rays }, (_, i) => {
      const a = ((i + 0.5) / rays) * 2 * Math.PI;
      const half = (Math.PI / rays) * 0.52;
      const reach = 2400;
      return area(
        polygonPath([
          { x: x + Math.cos(a) * 175, y: y + Math.sin(a) * 175 },
          { x: x + Math.cos(a - half) * reach, y: y + Math.sin(a - half) * reach },
          { x: x + Math.cos(a + half) * reach, y: y + Math.sin(a + half) * reach },
        ]),
      );
    }),
    colour: c.high,
    way: 0.6,
  });
  layers.push(
    { shape: [disc(x, y, 150)], colour: c.light },
    { shape: [disc(x, y, 118)], colour: c.accent, tone: ball(x, y, 118) },
  );
  for (let i = 0; i < 4; i++) {
    const t = i / 3;
    const edge = roll(random, y + 40 + i * tall * 95, 60 - 8 * i, 2.4);
    layers.push({
      shape: [landUnder(edge, tall)],
      colour: between(c.far, c.near, t),
      tone: (u, v) => 0.3 * smoothstep(60, 0, v * 1000 - heightAt(edge, u * 1000)) - 0.1,
      way: 0.25 - i * 0.2,
      rough: 0.1,
    });
    if (i === 1) {
      const hx = ranged(random, 240, 760);
      layers.push({ shape: house(hx, heightAt(edge, hx) + 6, 58), colour: c.near });
    }
  }
  return layers;
};

/** Curtains of light over a black wood. */
export const aurora: Motif = (s) => {
  const { random, c, tall } = s;
  const bend = s.noise(3, 150);
  const fold = s.noise(4, 151);
  const layers: Layer[] = [sky(s, tall * 1.1, tall * 0.2)];
  layers.push({
    shape: Array.from({ length: 240 }, () => disc(random() * 1000, random() * tall * 800, 0.8 + random() ** 5 * 3)),
    colour: c.light,
    fine: true,
  });
  for (let k = 0; k < 3; k++) {
    const colour = k === 1 ? c.accent : between(c.low, c.light, 0.4);
    layers.push({
      colour,
      light: true,
      soft: true,
      field: (u, v) => {
        const foot = tall * (0.52 + 0.1 * k) + bend(u * 1.5 + k * 7, k) * 0.2;
        const up = foot - v;
        if (up < -0.05) return 0;
        const rays = 0.55 + 0.5 * fold(u * 16 + bend(u * 3, k) * 3, k * 9 + v * 0.4);
        return 0.75 * rays * smoothstep(-0.03, 0.03, up) * Math.exp(-up / (0.2 + 0.1 * k));
      },
    });
  }
  const edge = roll(random, tall * 880, 26, 3);
  layers.push(mist(s, tall * 0.8, tall * 0.9, c.low, 0.3));
  layers.push({
    shape: [
      landUnder(edge, tall),
      ...Array.from({ length: 60 }, () => {
        const x = ranged(random, -10, 1010);
        return fir(random, x, heightAt(edge, x) + 12, ranged(random, 40, 150));
      }),
    ],
    colour: c.near,
  });
  return layers;
};

/** Beams of light through a break above, dust in them, and someone who stands there. */
export const beams: Motif = (s) => {
  const { random, c, tall } = s;
  const x0 = ranged(random, 0.3, 0.7);
  const ray = s.noise(3, 160);
  const fog = s.noise(4, 161);
  const layers: Layer[] = [
    { colour: c.near, into: c.high, mix: (u, v) => 0.75 * Math.max(0, 1 - Math.hypot((u - x0) * 1.1, v * 0.7)) },
  ];
  layers.push({
    colour: c.light,
    light: true,
    soft: true,
    field: (u, v) => {
      const a = Math.atan2(u - x0, v + 0.28);
      const beam = smoothstep(-0.05, 0.6, ray(a * 8, 2.2)) * Math.exp(-((a / 0.5) ** 2));
      return 0.85 * beam * Math.exp(-v / (tall * 0.75)) * (0.8 + 0.3 * fog(u * 3, v * 3));
    },
  });
  const ground = roll(random, tall * 880, 16, 2);
  layers.push(glow(x0, tall * 0.9, 0.5, c.light, 0.4));
  layers.push({
    shape: [landUnder(ground, tall)],
    colour: between(c.near, c.far, 0.2),
    tone: (u) => 0.5 - Math.abs(u - x0) * 1.8,
  });
  const x = x0 * 1000 + ranged(random, -40, 40);
  layers.push({ shape: figure(x, heightAt(ground, x) + 12, 190), colour: between(c.near, '#000000', 0.4) });
  layers.push({
    shape: Array.from({ length: 120 }, () =>
      disc(x0 * 1000 + (random() + random() - 1) * 420, random() * tall * 900, 0.8 + random() ** 3 * 3.6),
    ),
    colour: c.light,
    fine: true,
    field: (_u, v) => 0.8 - (0.5 * v) / tall,
  });
  layers.push(shade(c.near, (u, v) => 0.7 * smoothstep(0.42, 0.75, Math.hypot(u - x0, (v - tall * 0.55) * 0.55))));
  return layers;
};

/** Lightning over a plain. */
export const storm: Motif = (s) => {
  const { random, c, tall } = s;
  const heavy = s.noise(6, 170);
  const x = ranged(random, 300, 700);
  const level = tall * 800;
  const layers: Layer[] = [sky(s, tall * 0.8, tall * 0.2)];
  layers.push({
    colour: between(c.near, c.high, 0.4),
    into: between(c.far, c.low, 0.3),
    mix: (u, v) => smoothstep(-0.3, 0.6, heavy(u * 2.2, v * 3.4) + v * 0.2),
    field: (u, v) => smoothstep(tall * 0.74, tall * 0.4, v + heavy(u * 2, v * 2) * 0.2),
    soft: true,
  });
  layers.push(glow(x / 1000, tall * 0.38, 0.55, c.light, 0.75));
  const bolt = (px: number, py: number, long: number, wide: number, deep: number): ReturnType<typeof tapering>[] => {
    const points = [{ x: px, y: py }];
    let at = { x: px, y: py };
    const steps = 14;
    const forks: ReturnType<typeof tapering>[] = [];
    for (let i = 0; i < steps; i++) {
      at = { x: at.x + (random() - 0.5) * long * 0.11, y: at.y + (long / steps) * ranged(random, 0.7, 1.3) };
      points.push(at);
      if (deep > 0 && random() < 0.22) forks.push(...bolt(at.x, at.y, long * 0.35, wide * 0.5, deep - 1));
    }
    return [tapering(points, wide, 0.25), ...forks];
  };
  const flash = bolt(x, tall * 330, level - tall * 330, 9, 2);
  layers.push({ shape: flash, colour: c.light, fine: true });
  layers.push({
    shape: [landUnder(roll(random, level, 8, 3), tall)],
    colour: c.near,
    tone: (u, v) => 0.5 * Math.exp(-Math.hypot(u - x / 1000, (v - 0.8 * tall) * 3) * 3),
  });
  const hx = x < 500 ? 730 : 250;
  layers.push({
    shape: [...house(hx, level + 6, 70), polygon([hx + 70, level + 8], [hx + 78, level - 60], [hx + 86, level + 8])],
    colour: between(c.near, '#000000', 0.3),
  });
  const fine = new PathBuilder();
  for (let i = 0; i < 160; i++) {
    const [rx, ry] = [random() * 1040 - 20, random() * level];
    fine.move(rx, ry).line(rx - 6, ry + 34);
  }
  layers.push({ shape: [line(fine.done(), 1.2)], colour: c.light, fine: true, field: () => 0.3 });
  return layers;
};
