import { PathBuilder, smoothstep } from '../../plane';
import type { Layer, Motif } from '../layer';
import {
  area,
  between,
  box,
  curved,
  disc,
  figure,
  glow,
  landUnder,
  line,
  mist,
  polygon,
  ranged,
  roll,
  shade,
  sky,
  tapering,
} from './draw';

/** Roofs and towers at night, windows lit here and there. */
export const city: Motif = (s) => {
  const { random, c, tall } = s;
  const layers: Layer[] = [
    sky(s, tall * 0.85, tall * 0.1),
    glow(ranged(random, 0.3, 0.7), tall * 0.75, 0.8, c.accent, 0.3),
  ];
  if (random() < 0.6)
    layers.push({
      shape: [disc(ranged(random, 220, 780), tall * ranged(random, 200, 300), 52)],
      colour: c.light,
      far: 0.3,
    });
  for (let row = 0; row < 4; row++) {
    const t = row / 3;
    const blocks = [];
    const lit: ReturnType<typeof box>[] = [];
    for (let x = -20; x < 1020;) {
      const wide = ranged(random, 60, 130) * (0.7 + 0.6 * t);
      const top = tall * 1000 * ranged(random, 0.44 + 0.12 * row, 0.62 + 0.1 * row);
      blocks.push(box(x, top, wide, tall * 1000 - top + 20));
      const crown = random();
      if (crown < 0.2) blocks.push(polygon([x, top + 1], [x + wide / 2, top - wide * 0.6], [x + wide, top + 1]));
      else if (crown < 0.4) blocks.push(box(x + wide * 0.3, top - wide * 0.3, wide * 0.4, wide * 0.32));
      else if (crown < 0.52) blocks.push(box(x + wide * 0.48, top - wide * 0.7, wide * 0.04, wide * 0.72));
      if (row > 0) {
        const cell = 12 + 9 * t;
        for (let wy = top + cell; wy < tall * 1000; wy += cell * 1.6)
          for (let wx = x + cell * 0.7; wx < x + wide - cell; wx += cell * 1.3)
            if (random() < 0.2) lit.push(box(wx, wy, cell * 0.6, cell * 0.9));
      }
      x += wide + ranged(random, -4, 12);
    }
    layers.push({
      shape: blocks,
      colour: between(between(c.far, c.low, 0.3), c.near, t ** 0.8),
      tone: (_u, v) => 0.25 - smoothstep(tall * 0.5, tall, v) * 0.3,
      far: 0.6 * (1 - t),
      way: 1.57,
    });
    if (lit.length > 0) {
      layers.push({ shape: lit, colour: between(c.light, c.accent, 0.3), fine: true, far: 0.4 * (1 - t) });
      layers.push({ shape: lit, colour: c.accent, light: true, far: 2.2, field: () => 0.8 });
    }
    if (row < 3) layers.push(mist(s, tall * (0.6 + 0.1 * row), tall, c.low, 0.35 * (1 - t), row));
  }
  return layers;
};

/** A street in rain: lamps, what the wet stones make of them, someone under an umbrella. */
export const rain: Motif = (s) => {
  const { random, c, tall } = s;
  const level = tall * 0.66;
  const mid = ranged(random, 0.42, 0.58);
  const layers: Layer[] = [
    {
      colour: c.high,
      into: c.low,
      mix: (u, v) => 0.9 * Math.exp(-Math.hypot((u - mid) * 1.8, v - level + 0.08) * 2.4),
    },
  ];
  for (const side of [-1, 1])
    for (let i = 0; i < 5; i++) {
      const t = i / 4;
      const near = mid * 1000 + side * (70 + 560 * t ** 1.5);
      const far = mid * 1000 + side * (30 + 380 * t ** 1.7);
      const top = level * 1000 - (150 + 900 * t ** 1.4) * ranged(random, 0.85, 1.05);
      layers.push({
        shape: [
          polygon(
            [far, top + 40],
            [near + side * 260, top - 60 * t],
            [near + side * 260, level * 1000 + 200],
            [far, level * 1000 + 8 + 60 * t],
          ),
        ],
        colour: between(between(c.far, c.low, 0.35), c.near, t),
        tone: (_u, v) => 0.3 * smoothstep(0, level, v) - 0.2,
        far: 0.9 * (1 - t),
        way: 1.57,
      });
      const lit = Array.from({ length: 9 }, () =>
        box(
          far + side * ranged(random, 14, 110) - 8,
          ranged(random, top + 80, level * 1000 - 70),
          9 + 14 * t,
          15 + 22 * t,
        ),
      ).filter(() => random() < 0.7);
      layers.push({ shape: lit, colour: between(c.light, c.accent, 0.45), far: 0.8, fine: true });
    }
  const wet = s.noise(3, 240);
  layers.push({
    shape: [box(-10, level * 1000, 1020, tall * 1000)],
    colour: between(c.near, c.high, 0.35),
    tone: (u, v) => wet(u * 5, v * 26) * 0.18 - 0.1,
    way: 0,
  });
  const lamps = [-1, 1].flatMap((side) =>
    [0.12, 0.24, 0.42].map((d, i) => ({ x: mid + side * d, y: level - 0.12 - 0.16 * i, r: 0.012 + 0.008 * i })),
  );
  for (const { x, y, r } of lamps) {
    layers.push({
      shape: [
        line(
          new PathBuilder()
            .move(x * 1000, y * 1000)
            .line(x * 1000, level * 1000 + (level - y) * 220)
            .done(),
          r * 320,
        ),
      ],
      colour: c.near,
      fine: true,
    });
    layers.push(glow(x, y, r * 13, c.accent, 0.6), {
      shape: [disc(x * 1000, y * 1000, r * 1000)],
      colour: c.light,
      light: true,
    });
    layers.push({
      colour: between(c.light, c.accent, 0.5),
      light: true,
      soft: true,
      field: (u, v) => {
        if (v < level) return 0;
        const off = Math.abs(u - x + wet(u * 9 + x * 5, v * 55) * 0.012) / (r * 1.5);
        return (
          0.75 * Math.exp(-off * off) * smoothstep(0.62, 0.02, v - level) * (0.6 + 0.6 * wet(u * 3, v * 70 + x * 9))
        );
      },
    });
  }
  const fx = mid * 1000 + ranged(random, -60, 60);
  const foot = level * 1000 + 150;
  const h = 250;
  const dome = new PathBuilder()
    .move(fx - 105, foot - h * 0.93)
    .cubic(fx - 96, foot - h * 1.34, fx + 96, foot - h * 1.34, fx + 105, foot - h * 0.93);
  for (let i = 0; i < 4; i++)
    dome.quad(fx + 105 - 26 - i * 52.5, foot - h * 1.01, fx + 105 - (i + 1) * 52.5, foot - h * 0.93);
  const stick = new PathBuilder().move(fx + 30, foot - h * 0.5).line(fx + 4, foot - h * 1.2);
  layers.push({ shape: [...figure(fx, foot, h), line(stick.done(), 4)], colour: between(c.near, '#000000', 0.45) });
  layers.push({
    shape: [area(dome.close().done())],
    colour: random() < 0.6 ? c.accent : between(c.near, '#000000', 0.2),
    tone: (u) => 0.35 - ((u * 1000 - fx + 35) / 130) ** 2 * 0.9,
  });
  layers.push(
    shade(between(c.near, '#000000', 0.4), (u, v) =>
      v < foot / 1000 ? 0 : 0.55 * Math.exp(-(((u * 1000 - fx) / 46) ** 2)) * smoothstep(0.42, 0, v - foot / 1000),
    ),
  );
  const drops = new PathBuilder();
  for (let i = 0; i < 230; i++) {
    const [x, y, l] = [random() * 1040 - 20, random() * tall * 1000, ranged(random, 18, 50)];
    drops.move(x, y).line(x - l * 0.12, y + l);
  }
  layers.push({ shape: [line(drops.done(), 1.3)], colour: c.light, fine: true, field: () => 0.34 });
  return layers;
};

/** Wires, and birds that sit on them. */
export const wires: Motif = (s) => {
  const { random, c, tall } = s;
  const layers: Layer[] = [sky(s, tall, tall * 0.1), glow(ranged(random, 0.2, 0.8), tall * 0.8, 0.8, c.light, 0.4)];
  const rows = Array.from({ length: 5 }, (_, i) => ({ y: tall * (560 + i * 66), sag: ranged(random, 22, 44) }));
  const at = (row: { y: number; sag: number }, x: number): number =>
    row.y + row.sag * (1 - ((x - 500) / 520) ** 2) * 1 - x * 0.05;
  layers.push({
    shape: rows.map((row) =>
      line(
        new PathBuilder()
          .move(-20, at(row, -20))
          .quad(500, at(row, 500) + row.sag, 1020, at(row, 1020))
          .done(),
        3,
      ),
    ),
    colour: c.near,
    fine: true,
  });
  const birds = rows.flatMap((row, i) =>
    Array.from({ length: [2, 4, 3, 5, 1][i] }, () => {
      const x = ranged(random, 70, 930);
      const t = (x + 20) / 1040;
      const y = (1 - t) ** 2 * at(row, -20) + 2 * t * (1 - t) * (at(row, 500) + row.sag) + t * t * at(row, 1020);
      const d = random() < 0.5 ? 1 : -1;
      const k = 0.8;
      return area(
        new PathBuilder()
          .move(x + 13 * d * k, y - 50 * k)
          .cubic(x + 22 * d * k, y - 52 * k, x + 26 * d * k, y - 45 * k, x + 31 * d * k, y - 43 * k)
          .cubic(x + 26 * d * k, y - 40 * k, x + 24 * d * k, y - 38 * k, x + 22 * d * k, y - 32 * k)
          .cubic(x + 20 * d * k, y - 14 * k, x + 6 * d * k, y + 1, x - 6 * d * k, y + 1)
          .line(x - 34 * d * k, y + 24 * k)
          .line(x - 37 * d * k, y + 17 * k)
          .cubic(x - 22 * d * k, y - 6 * k, x - 14 * d * k, y - 40 * k, x + 13 * d * k, y - 50 * k)
          .close()
          .done(),
      );
    }),
  );
  layers.push({ shape: birds, colour: c.near });
  const px = random() < 0.5 ? 130 : 870;
  layers.push({
    shape: [
      tapering(curved(px, tall * 1020, tall * 560, -Math.PI / 2, 0, 4), 24, 0.75),
      box(px - 90, tall * 545, 180, 13),
      box(px - 70, tall * 640, 140, 12),
    ],
    colour: between(c.near, '#000000', 0.2),
  });
  return layers;
};

/** A village in snow at night, its windows warm. */
export const village: Motif = (s) => {
  const { random, c, tall } = s;
  const layers: Layer[] = [
    sky(s, tall * 0.8),
    {
      shape: Array.from({ length: 180 }, () => disc(random() * 1000, random() * tall * 560, 0.8 + random() ** 4 * 3)),
      colour: c.light,
      fine: true,
    },
  ];
  layers.push({
    shape: [landUnder(roll(random, tall * 520, 70, 3), tall)],
    colour: between(c.far, c.high, 0.3),
    far: 0.5,
  });
  for (let row = 0; row < 3; row++) {
    const t = row / 2;
    const hill = roll(random, tall * (600 + 120 * row), 24, 3);
    const y = (x: number): number => hill[Math.max(0, Math.min(80, Math.round((x + 40) / 13.5)))].y;
    layers.push({
      shape: [landUnder(hill, tall)],
      colour: between(c.low, c.light, 0.3 + 0.5 * t),
      into: between(c.far, c.low, 0.4),
      mix: (_u, v) => smoothstep(tall * (0.6 + 0.12 * row), tall * (0.8 + 0.14 * row), v),
      far: 0.3 * (1 - t),
    });
    const xs = Array.from({ length: 6 - row }, (_, k) => ((k + 0.3 + random() * 0.4) * 1000) / (6 - row));
    const wide = 70 + 60 * t;
    const high = wide * 0.7;
    layers.push({
      shape: xs.map((x) => box(x - wide / 2, y(x) - high, wide, high + 20)),
      colour: between(c.far, c.near, 0.4 + 0.5 * t),
    });
    layers.push({
      shape: xs.map((x) =>
        polygon(
          [x - wide * 0.62, y(x) - high + 4],
          [x - wide * 0.08, y(x) - high - wide * 0.62],
          [x + wide * 0.08, y(x) - high - wide * 0.62],
          [x + wide * 0.62, y(x) - high + 4],
        ),
      ),
      colour: between(c.light, c.low, 0.15),
      tone: (u) => Math.sin(u * 44) * 0.12,
    });
    const lit = xs.flatMap((x) =>
      [-0.26, 0.1]
        .filter(() => random() < 0.8)
        .map((d) => box(x + d * wide, y(x) - high * 0.72, wide * 0.17, wide * 0.24)),
    );
    layers.push(
      { shape: lit, colour: between(c.accent, c.light, 0.4), fine: true },
      { shape: lit, colour: c.accent, light: true, far: 3, field: () => 0.9 },
    );
  }
  layers.push({
    shape: Array.from({ length: 120 }, () => disc(random() * 1000, random() * tall * 1000, 1.4 + random() ** 3 * 5)),
    colour: c.light,
    fine: true,
    field: () => 0.8,
  });
  return layers;
};
