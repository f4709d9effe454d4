import { PathBuilder, ellipsePath, smoothstep } from '../../plane';
import type { Layer, Motif } from '../layer';
import { area, ball, between, blob, box, disc, line, polygon, ranged, shade, wall } from './draw';

/** Quarter discs, bars and dots on a grid. */
export const blocks: Motif = (s) => {
  const { random, c, tall } = s;
  const columns = 4;
  const size = 1000 / columns;
  const rows = Math.ceil((tall * 1000) / size);
  const colours = [c.accent, c.near, c.far, c.light, c.high];
  const drawn: Layer[] = [{ colour: c.paper }];
  const cells = colours.map((): ReturnType<typeof box>[] => []);
  const from = Math.max(1, Math.round(rows * 0.42));
  for (let row = from; row < rows; row++)
    for (let k = 0; k < columns; k++) {
      const [x, y] = [k * size, row * size];
      const pick = (): ReturnType<typeof box>[] => cells[Math.floor(random() * colours.length)];
      if (row === from && random() < 0.45) continue;
      pick().push(box(x, y, size, size));
      const turn = Math.floor(random() * 4);
      const [cx, cy] = [x + (turn % 2) * size, y + (turn > 1 ? 1 : 0) * size];
      const way = random();
      const sx = turn % 2 ? -1 : 1;
      const sy = turn > 1 ? -1 : 1;
      const quarter = (r: number) =>
        area(
          new PathBuilder()
            .move(cx, cy)
            .line(cx + sx * r, cy)
            .cubic(cx + sx * r, cy + sy * r * 0.5523, cx + sx * r * 0.5523, cy + sy * r, cx, cy + sy * r)
            .close()
            .done(),
        );
      if (way < 0.45) pick().push(quarter(size));
      else if (way < 0.62) pick().push(disc(x + size / 2, y + size / 2, size * 0.34));
      else if (way < 0.78) pick().push(quarter(size * 0.66));
      else if (way < 0.9) pick().push(polygon([x, y], [x + size, y], [x, y + size]));
    }
  colours.forEach((colour, i) => drawn.push({ shape: cells[i], colour, way: i * 0.8 }));
  return drawn;
};

/** A planet, its rings and moons. */
export const planets: Motif = (s) => {
  const { random, c, tall } = s;
  const [x, y, r] = [ranged(random, 380, 620), tall * ranged(random, 560, 640), ranged(random, 230, 290)];
  const belt = s.noise(5, 500);
  const layers: Layer[] = [{ colour: c.near, into: c.high, mix: (_u, v) => smoothstep(0, tall, v) * 0.8 }];
  layers.push({
    shape: Array.from({ length: 210 }, () => disc(random() * 1000, random() * tall * 1000, 0.9 + random() ** 4 * 3.6)),
    colour: c.light,
    fine: true,
  });
  const tilt = ranged(random, -0.4, -0.15);
  const half = (front: boolean): Layer => {
    const made = [];
    for (const [a, wide] of [
      [1.42, 0.1],
      [1.62, 0.16],
      [1.86, 0.06],
    ]) {
      const b = new PathBuilder();
      const n = 60;
      for (let i = 0; i <= n; i++) {
        const t = (front ? 0 : Math.PI) + (i / n) * Math.PI;
        const [px, py] = [Math.cos(t) * r * a, Math.sin(t) * r * a * 0.26];
        const [qx, qy] = [x + px * Math.cos(tilt) - py * Math.sin(tilt), y + px * Math.sin(tilt) + py * Math.cos(tilt)];
        if (i === 0) b.move(qx, qy);
        else b.line(qx, qy);
      }
      made.push(line(b.done(), r * wide));
    }
    return { shape: made, colour: between(c.light, c.accent, 0.35), tone: (u) => (u - x / 1000) * -0.8 };
  };
  const ringed = random() < 0.65;
  if (ringed) layers.push(half(false));
  layers.push({
    shape: [disc(x, y, r)],
    colour: c.accent,
    into: c.low,
    mix: (u, v) => {
      const w = (v - y / 1000) * Math.cos(tilt) - (u - x / 1000) * Math.sin(tilt);
      return 0.5 + 0.7 * Math.sin(w * 44 + belt(u * 3, v * 3) * 2.4) * 0.7;
    },
    tone: (u, v) => ball(x, y, r)(u, v) * 1.1 - 0.1,
    way: tilt,
  });
  if (ringed) layers.push(half(true));
  for (let i = 0; i < 3; i++) {
    const [mx, my, mr] = [ranged(random, 80, 920), tall * ranged(random, 120, 420), ranged(random, 16, 54)];
    layers.push({ shape: [disc(mx, my, mr)], colour: between(c.low, c.light, 0.4), tone: ball(mx, my, mr) });
  }
  return layers;
};

/** Lines of height, as on a map, round hills that nobody has climbed. */
export const contours: Motif = (s) => {
  const { random, c, tall } = s;
  const land = s.noise(3, 510);
  const fine = s.noise(4, 511);
  const at = (u: number, v: number): number => (land(u * 0.75, v * 0.75) + 0.05 * fine(u * 3, v * 3)) * 11;
  const layers: Layer[] = [
    { colour: c.paper, into: between(c.far, c.paper, 0.35), mix: (u, v) => smoothstep(-4, 5, at(u, v)) * 0.8 },
  ];
  layers.push({ colour: between(c.low, c.high, 0.4), field: (u, v) => smoothstep(-3.3, -3.38, at(u, v)) });
  const lines =
    (every: number, wide: number): Layer['field'] =>
    (u, v) => {
      const step = 0.0015;
      const h = at(u, v);
      const slope = Math.hypot(at(u + step, v) - h, at(u, v + step) - h) / step || 1;
      const t = h / every;
      const away = (Math.abs(t - Math.round(t)) * every) / slope;
      return 1 - smoothstep(wide * 0.6, wide * 1.5, away);
    };
  layers.push(
    { colour: c.near, field: lines(0.5, 0.0009), soft: true },
    { colour: c.near, field: lines(2.5, 0.0021), soft: true },
  );
  const way = new PathBuilder();
  let [x, y] = [ranged(random, 150, 350), tall * 900];
  way.move(x, y);
  for (let i = 0; i < 9; i++) {
    const [nx, ny] = [x + ranged(random, -60, 140), y - tall * ranged(random, 50, 90)];
    way.quad(x + ranged(random, -60, 60), (y + ny) / 2, nx, ny);
    [x, y] = [nx, ny];
  }
  layers.push({
    shape: [line(way.done(), 7, [20, 15])],
    colour: c.accent,
    fine: true,
  });
  layers.push({
    shape: [
      line(
        new PathBuilder()
          .move(x - 22, y - 22)
          .line(x + 22, y + 22)
          .move(x + 22, y - 22)
          .line(x - 22, y + 22)
          .done(),
        11,
      ),
    ],
    colour: c.accent,
  });
  return layers;
};

/** A few large shapes that lie over one another. */
export const shapes: Motif = (s) => {
  const { random, c, tall } = s;
  const layers: Layer[] = [wall(s, c.paper, 0.03)];
  const colours = [c.accent, c.far, c.near, c.high, c.low];
  const start = Math.floor(random() * 5);
  for (let i = 0; i < 6; i++) {
    const [x, y] = [ranged(random, 120, 880), tall * ranged(random, 430, 900)];
    const r = ranged(random, 130, 300);
    const kind = Math.floor(random() * 4);
    const shape =
      kind === 0
        ? [disc(x, y, r)]
        : kind === 1
          ? [area(blob(random, x, y, r * 1.1, r, 7, 0.7))]
          : kind === 2
            ? [box(x - r * 0.35, y - r, r * 0.7, r * 2, r * 0.35)]
            : [
                area(
                  new PathBuilder()
                    .move(x - r, y)
                    .cubic(x - r, y - r * 1.33, x + r, y - r * 1.33, x + r, y)
                    .close()
                    .done(),
                ),
              ];
    layers.push({
      shape,
      colour: colours[(start + i) % 5],
      tone: (u, v) => ((u * 1000 - x) / r + (v * 1000 - y) / r) * -0.25,
      field: () => 0.94,
      way: i,
    });
  }
  const b = new PathBuilder();
  for (let i = 0; i < 9; i++)
    b.move(90, tall * 900 + i * 9 - 36).cubic(
      330,
      tall * 840 + i * 9,
      640,
      tall * 980 + i * 9,
      930,
      tall * 880 + i * 9,
    );
  layers.push({ shape: [line(b.done(), 2.6)], colour: c.near, fine: true });
  return layers;
};

/** Bands that run out from one corner, like light through a fan. */
export const arcs: Motif = (s) => {
  const { random, c, tall } = s;
  const [cx, cy] = [random() < 0.5 ? 0 : 1000, tall * 1000];
  const colours = [c.high, c.low, c.far, c.accent, c.light, c.near];
  const layers: Layer[] = [{ colour: c.paper }];
  const start = Math.floor(random() * 6);
  let r = ranged(random, 900, 1080);
  for (let i = 0; r > 60; i++) {
    layers.push({
      shape: [area(ellipsePath(cx, cy, r))],
      colour: colours[(start + i) % 6],
      tone: (u, v) => (Math.hypot(u * 1000 - cx, v * 1000 - cy) / r - 0.85) * 0.9,
      way: 0.8,
    });
    r -= ranged(random, 60, 190);
  }
  return layers;
};

/** Stairs that lead up into light. */
export const stairs: Motif = (s) => {
  const { random, c, tall } = s;
  const side = random() < 0.5 ? 1 : -1;
  const at = (x: number): number => (side > 0 ? x : 1000 - x);
  const stone = s.noise(4, 520);
  const layers: Layer[] = [
    { colour: c.far, into: c.low, mix: (u, v) => smoothstep(0.9, 0, Math.hypot(u - at(760) / 1000, v - tall * 0.22)) },
  ];
  const steps = 11;
  for (let i = steps - 1; i >= 0; i--) {
    const t = i / (steps - 1);
    const [x, y, high] = [60 + 700 * t, tall * (1000 - 660 * t), tall * 62];
    layers.push({
      shape: [polygon([at(x), y], [at(1060), y], [at(1060), tall * 1000 + 20], [at(x), tall * 1000 + 20])],
      colour: between(c.near, c.low, 0.15 + 0.5 * t),
      tone: (u, v) => stone(u * 8, v * 8) * 0.1 - smoothstep(0, 0.08, v - y / 1000) * 0.3,
      rough: 0.05,
      way: 1.57,
    });
    layers.push({
      shape: [polygon([at(x), y], [at(x + 60), y - high * 0.34], [at(1060), y - high * 0.34], [at(1060), y])],
      colour: between(c.light, c.accent, 0.1),
      tone: (u) => 0.2 - Math.abs(u * 1000 - at(900)) / 1400,
      way: 0,
    });
  }
  layers.push(
    shade(c.near, (u, v) => 0.5 * smoothstep(0.5, 1.3, Math.hypot(u - at(760) / 1000, (v - tall * 0.25) * 0.8))),
  );
  return layers;
};
