import { PathBuilder, smoothPath, smoothstep } from '../../plane';
import type { Layer, Motif } from '../layer';
import {
  area,
  ball,
  between,
  box,
  disc,
  figure,
  glow,
  heightAt,
  landUnder,
  line,
  mist,
  ranged,
  roll,
  shade,
  sky,
  wings,
} from './draw';

/** Balloons over hills. */
export const balloons: Motif = (s) => {
  const { random, c, tall } = s;
  const layers: Layer[] = [sky(s, tall * 0.9), glow(ranged(random, 0.2, 0.8), tall * 0.75, 0.7, c.light, 0.5)];
  for (let i = 0; i < 4; i++) {
    const t = i / 3;
    const edge = roll(random, tall * (760 + 70 * i), 46 - 8 * i, 2.6);
    layers.push({
      shape: [landUnder(edge, tall)],
      colour: between(between(c.far, c.low, 0.5), c.near, t),
      tone: (u, v) => 0.3 * smoothstep(70, 0, v * 1000 - heightAt(edge, u * 1000)),
      far: 0.6 * (1 - t),
      way: 0.2,
    });
  }
  const placed = [
    { x: ranged(random, 300, 700), y: tall * ranged(random, 520, 590), r: 150 },
    { x: ranged(random, 90, 240), y: tall * ranged(random, 620, 700), r: 62 },
    { x: ranged(random, 760, 910), y: tall * ranged(random, 560, 680), r: 48 },
    { x: ranged(random, 420, 620), y: tall * ranged(random, 700, 740), r: 27 },
  ];
  placed.forEach(({ x, y, r }, n) => {
    const skin = new PathBuilder()
      .move(x - r * 0.17, y + r * 1.32)
      .cubic(x - r * 0.35, y + r * 0.95, x - r, y + r * 0.62, x - r, y)
      .cubic(x - r, y - r * 1.33, x + r, y - r * 1.33, x + r, y)
      .cubic(x + r, y + r * 0.62, x + r * 0.35, y + r * 0.95, x + r * 0.17, y + r * 1.32)
      .close()
      .done();
    const far = n === 0 ? 0 : 0.35;
    const [one, two] = n % 2 ? [c.near, c.light] : [c.accent, c.light];
    layers.push({
      shape: [area(skin)],
      colour: between(one, c.low, far * 0.6),
      into: between(two, c.low, far * 0.4),
      far,
      mix: (u, v) => {
        const dy = (v * 1000 - y) / r;
        const wide = Math.sqrt(Math.max(0.05, 1 - Math.min(1, Math.abs(dy) / 1.4) ** 2));
        const t = Math.asin(Math.max(-1, Math.min(1, (u * 1000 - x) / (r * wide)))) / Math.PI;
        return smoothstep(-0.06, 0.06, Math.sin(t * 7 * 2 * Math.PI));
      },
      tone: (u, v) => ball(x, y, r)(u, v) * 0.7,
    });
    layers.push({
      shape: [
        line(
          new PathBuilder()
            .move(x - r * 0.16, y + r * 1.3)
            .line(x - r * 0.12, y + r * 1.56)
            .move(x + r * 0.16, y + r * 1.3)
            .line(x + r * 0.12, y + r * 1.56)
            .done(),
          Math.max(1, r * 0.018),
        ),
        box(x - r * 0.15, y + r * 1.54, r * 0.3, r * 0.22, r * 0.03),
      ],
      colour: between(c.near, c.low, far),
      far,
    });
  });
  layers.push({
    shape: Array.from({ length: 4 }, () =>
      wings(
        ranged(random, 200, 800),
        tall * ranged(random, 300, 420),
        ranged(random, 8, 14),
        1,
        ranged(random, -0.2, 0.2),
      ),
    ),
    colour: c.near,
    fine: true,
  });
  return layers;
};

/** A small boat alone on still water. */
export const boat: Motif = (s) => {
  const { random, c, tall } = s;
  const level = tall * ranged(random, 0.52, 0.58);
  const x = (random() < 0.5 ? ranged(random, 0.3, 0.4) : ranged(random, 0.6, 0.7)) * 1000;
  const y = tall * 730;
  const swell = s.noise(4, 620);
  const layers: Layer[] = [sky(s, level), glow(0.5, level - 0.1, 0.7, c.light, 0.5)];
  layers.push(
    { shape: [landUnder(roll(random, level * 1000 - 40, 30, 3), tall)], colour: between(c.far, c.low, 0.5), far: 0.9 },
    mist(s, level - 0.16, level, c.low, 0.6),
  );
  layers.push({
    shape: [box(-10, level * 1000, 1020, tall * 1000)],
    colour: between(c.low, c.high, 0.2),
    into: between(c.high, c.near, 0.6),
    mix: (_u, v) => smoothstep(level, tall, v),
    tone: (u, v) => swell(u * 3, 5 / (v - level + 0.05)) * 0.3,
    way: 0,
  });
  const k = 1.2;
  const hull = (f: number): ReturnType<typeof area> =>
    area(
      new PathBuilder()
        .move(x - 150 * k, y - 36 * k * f)
        .cubic(x - 120 * k, y + 22 * k * f, x - 70 * k, y + 36 * k * f, x, y + 37 * k * f)
        .cubic(x + 80 * k, y + 36 * k * f, x + 130 * k, y + 16 * k * f, x + 165 * k, y - 48 * k * f)
        .quad(x + 10 * k, y - 4 * k * f, x - 150 * k, y - 36 * k * f)
        .close()
        .done(),
    );
  layers.push({
    ...shade(between(c.near, '#000000', 0.2), (_u, v) => 0.5 * smoothstep(y / 1000 + 0.16, y / 1000, v)),
    shape: [disc(x + 6, y + 60 * k, 165 * k, 36 * k)],
    far: 2,
  });
  layers.push({
    shape: [hull(1)],
    colour: c.accent,
    tone: (u, v) => 0.3 - ((v * 1000 - y) / (40 * k)) * 0.5,
    way: 0.1,
  });
  layers.push({
    shape: [
      area(
        new PathBuilder()
          .move(x - 150 * k, y - 36 * k)
          .quad(x + 10 * k, y - 4 * k, x + 165 * k, y - 48 * k)
          .quad(x + 10 * k, y - 26 * k, x - 150 * k, y - 36 * k)
          .close()
          .done(),
      ),
    ],
    colour: c.near,
  });
  const seated = smoothPath([
    { x: x - 24, y: y - 18 },
    { x: x - 30, y: y - 74 },
    { x: x - 8, y: y - 96 },
    { x: x + 16, y: y - 74 },
    { x: x + 22, y: y - 18 },
  ]);
  layers.push({
    shape: [
      area(seated),
      disc(x - 6, y - 112, 16, 19),
      line(
        new PathBuilder()
          .move(x + 8, y - 62)
          .line(x + 170, y + 46)
          .done(),
        6,
      ),
    ],
    colour: between(c.near, '#000000', 0.3),
  });
  layers.push({
    colour: c.light,
    light: true,
    soft: true,
    field: (u, v) =>
      v < level ? 0 : 0.3 * smoothstep(0.4, 0.75, swell(u * 4 + 9, v * 70)) * Math.exp(-Math.abs(u - 0.5) * 5),
  });
  return layers;
};

/** A ladder that leans on the moon, and someone who climbs it. */
export const ladder: Motif = (s) => {
  const { random, c, tall } = s;
  const dir = random() < 0.5 ? 1 : -1;
  const [mx, my, r] = [500 + dir * 130, tall * 420, 150];
  const ground = roll(random, tall * 880, 20, 2);
  const sea = s.noise(4, 640);
  const layers: Layer[] = [
    sky(s, tall * 0.95, tall * 0.15),
    {
      shape: Array.from({ length: 200 }, () => disc(random() * 1000, random() * tall * 840, 0.9 + random() ** 4 * 3.6)),
      colour: c.light,
      fine: true,
    },
  ];
  layers.push(glow(mx / 1000, my / 1000, 0.5, c.light, 0.5), {
    shape: [disc(mx, my, r)],
    colour: c.light,
    tone: (u, v) => 0.1 - 0.55 * smoothstep(0.05, 0.4, sea(u * 5, v * 5)),
    rough: 0.06,
  });
  layers.push({ shape: [landUnder(ground, tall)], colour: c.near });
  const [fx, fy] = [500 - dir * 190, tall * 884];
  const [tx, ty] = [mx - dir * 40, my + r * 0.86];
  const long = Math.hypot(tx - fx, ty - fy);
  const [nx, ny] = [-(ty - fy) / long, (tx - fx) / long];
  const rail = (w: number) =>
    line(
      new PathBuilder()
        .move(fx + nx * w, fy + ny * w)
        .line(tx + nx * w, ty + ny * w)
        .done(),
      7,
    );
  const rungs = Array.from({ length: 17 }, (_, i) => {
    const t = (i + 0.6) / 17;
    const [px, py] = [fx + (tx - fx) * t, fy + (ty - fy) * t];
    return line(
      new PathBuilder()
        .move(px + nx * 21, py + ny * 21)
        .line(px - nx * 21, py - ny * 21)
        .done(),
      5,
    );
  });
  layers.push({
    shape: [rail(21), rail(-21), ...rungs, ...figure(fx + (tx - fx) * 0.44, fy + (ty - fy) * 0.44 + 46, 92)],
    colour: between(c.near, '#000000', 0.3),
  });
  layers.push({ shape: figure(fx - dir * 90, fy + 6, 84), colour: between(c.near, '#000000', 0.3) });
  return layers;
};

/** Birds of paper or ink that rise from below. */
export const flock: Motif = (s) => {
  const { random, c, tall } = s;
  const layers: Layer[] = [sky(s, tall), glow(ranged(random, 0.3, 0.7), tall * 0.3, 0.8, c.light, 0.5)];
  for (let row = 0; row < 3; row++) {
    const t = row / 2;
    const birds = Array.from({ length: 24 - row * 6 }, () => {
      const up = random();
      return wings(
        500 + (random() - 0.5) * (300 + 700 * up) + 120 * Math.sin(up * 5),
        tall * (960 - 640 * up),
        (18 + 46 * t) * (1.1 - 0.6 * up),
        ranged(random, 0.4, 1.5),
        ranged(random, -0.5, 0.5),
      );
    });
    layers.push({
      shape: birds,
      colour: row === 2 ? c.near : between(row ? c.far : c.accent, c.low, 0.3 * (1 - t)),
      far: 0.5 * (1 - t),
      tone: (u) => Math.sin(u * 60) * 0.2,
    });
  }
  layers.push(mist(s, tall * 0.7, tall, c.low, 0.6));
  return layers;
};
