import { PathBuilder, smoothPath, smoothstep } from '../../plane';
import type { Layer, Motif } from '../layer';
import {
  area,
  ball,
  between,
  blob,
  curved,
  disc,
  glow,
  heightAt,
  landUnder,
  leaf,
  line,
  mist,
  ranged,
  roll,
  tapering,
  wall,
} from './draw';

/** Fronds of fern that rise from below, each a stem with its leaves. */
export const fern: Motif = (s) => {
  const { random, c, tall } = s;
  const layers: Layer[] = [
    { colour: c.low, into: c.high, mix: (_u, v) => smoothstep(0, tall, v) * 0.8 },
    glow(0.5, tall * 0.25, 0.8, c.light, 0.4),
  ];
  const fronds = 17;
  for (let i = 0; i < fronds; i++) {
    const t = i / (fronds - 1);
    const side = i % 2 ? 1 : -1;
    const x = 500 + side * ranged(random, 20, 380);
    const stem = curved(
      x,
      tall * 1000 + 60,
      tall * ranged(random, 480, 860) * (1.05 - 0.35 * t),
      -Math.PI / 2 + side * ranged(random, 0.02, 0.3),
      side * ranged(random, 0.2, 0.9),
      34,
    );
    const items = [tapering(stem, 9, 0.2)];
    stem.forEach((p, k) => {
      if (k < 4 || k === stem.length - 1) return;
      const up = (k - 4) / (stem.length - 5);
      const long = 150 * Math.sin(Math.PI * (0.16 + 0.84 * (1 - up))) ** 0.8 * (0.75 + 0.4 * t) * (1 - up * 0.2);
      const [a, b] = [stem[k - 1], stem[k + 1]];
      const dir = Math.atan2(b.y - a.y, b.x - a.x);
      for (const wing of [-1, 1])
        items.push(area(leaf(p.x, p.y, Math.max(8, long), Math.max(5, long * 0.21), dir + wing * 1.05, wing * -0.12)));
    });
    layers.push({
      shape: items,
      colour: between(between(c.far, c.low, 0.45), i % 4 === 3 ? c.accent : c.near, 0.12 + 0.88 * t),
      tone: (u, v) => 0.3 * Math.sin(u * 60 + v * 40 + i) + 0.25 - 0.3 * smoothstep(tall * 0.4, tall, v),
      far: 0.7 * (1 - t),
      way: side * 0.8,
    });
    if (i === 4) layers.push(mist(s, tall * 0.35, tall * 0.95, c.low, 0.35));
  }
  return layers;
};

/** One branch as a botanist draws it: leaves, veins and berries on paper. */
export const branch: Motif = (s) => {
  const { random, c, tall } = s;
  const side = random() < 0.5 ? 1 : -1;
  const layers: Layer[] = [wall(s, c.paper, 0.06)];
  const stem = curved(
    500 - side * 330,
    tall * 930,
    tall * 900,
    -Math.PI / 2 + side * 0.5,
    -side * ranged(random, 0.25, 0.5),
    26,
  );
  const twigs = [tapering(stem, 13, 0.25)];
  const veins: ReturnType<typeof line>[] = [];
  const leaves: { shape: ReturnType<typeof area>; at: number }[] = [];
  const berries: ReturnType<typeof disc>[] = [];
  stem.forEach((p, k) => {
    if (k < 3) return;
    const [a, b] = [stem[k - 1], stem[Math.min(stem.length - 1, k + 1)]];
    const dir = Math.atan2(b.y - a.y, b.x - a.x);
    const wing = k % 2 ? 1 : -1;
    const angle = dir + wing * ranged(random, 0.6, 1);
    if (k % 5 === 4) {
      const twig = curved(p.x, p.y, 95, angle, wing * -0.5, 8);
      twigs.push(tapering(twig, 4, 0.4));
      const end = twig[twig.length - 1];
      for (let n = 0; n < 5; n++) {
        const [bx, by] = [end.x + ranged(random, -26, 26), end.y + ranged(random, -24, 24)];
        twigs.push(line(new PathBuilder().move(end.x, end.y).line(bx, by).done(), 2.4));
        berries.push(disc(bx, by, ranged(random, 11, 16)));
      }
      return;
    }
    const long = ranged(random, 120, 190) * (1 - 0.35 * (k / stem.length));
    leaves.push({ shape: area(leaf(p.x, p.y, long, long * 0.42, angle, wing * 0.08)), at: k });
    const tip = { x: p.x + Math.cos(angle) * long * 0.92, y: p.y + Math.sin(angle) * long * 0.92 };
    veins.push(line(new PathBuilder().move(p.x, p.y).line(tip.x, tip.y).done(), 2.2));
    for (let n = 1; n < 6; n++) {
      const f = n / 6;
      const [vx, vy] = [p.x + (tip.x - p.x) * f, p.y + (tip.y - p.y) * f];
      for (const w of [-1, 1]) {
        const va = angle + w * 0.75;
        const vl = long * 0.19 * Math.sin(Math.PI * (0.2 + 0.75 * f));
        veins.push(
          line(
            new PathBuilder()
              .move(vx, vy)
              .line(vx + Math.cos(va) * vl, vy + Math.sin(va) * vl)
              .done(),
            1.2,
          ),
        );
      }
    }
  });
  layers.push({ shape: twigs, colour: between(c.near, c.accent, 0.25) });
  for (const odd of [0, 1])
    layers.push({
      shape: leaves.filter(({ at }) => at % 2 === odd).map(({ shape }) => shape),
      colour: between(c.far, c.near, odd ? 0.25 : 0.6),
      tone: (u, v) => Math.sin(u * 34 - v * 20) * 0.3,
      way: 0.7,
    });
  layers.push({ shape: veins, colour: between(c.far, c.paper, 0.65), fine: true, field: () => 0.8 });
  layers.push({
    shape: berries,
    colour: c.accent,
    tone: (u, v) => Math.sin(u * 150) * 0.3 - Math.cos(v * 140) * 0.25,
    way: 0.7,
  });
  return layers;
};

/** Leaves that fall, each in its own colour. */
export const leaves: Motif = (s) => {
  const { random, c, tall } = s;
  const layers: Layer[] = [{ colour: c.low, into: c.light, mix: (_u, v) => smoothstep(tall, 0, v) * 0.7 }];
  const colours = [c.accent, c.far, between(c.accent, c.low, 0.5), c.near, between(c.far, c.light, 0.4)];
  for (let row = 0; row < 5; row++) {
    const t = row / 4;
    const shapes = [];
    const ribs = [];
    const count = 17 - row * 2;
    for (let k = 0; k < count; k++) {
      const angle = random() * 6.3;
      const long = ranged(random, 120, 190) * (0.55 + 0.75 * t);
      // More of them low: the head of the picture is calm.
      const [x, y] = [random() * 1080 - 40, tall * 1000 * (0.3 + 0.75 * random() ** 0.7)];
      shapes.push(area(leaf(x, y, long, long * ranged(random, 0.4, 0.6), angle, (random() - 0.5) * 0.3)));
      ribs.push(
        line(
          new PathBuilder()
            .move(x - Math.cos(angle) * long * 0.16, y - Math.sin(angle) * long * 0.16)
            .line(x + Math.cos(angle) * long * 0.86, y + Math.sin(angle) * long * 0.86)
            .done(),
          1.6 + t,
        ),
      );
    }
    layers.push({
      shape: shapes,
      colour: between(colours[row], c.low, 0.5 * (1 - t)),
      tone: (u, v) => Math.sin(u * 70 + v * 50) * 0.16,
      far: 0.9 * (1 - t),
      way: row,
    });
    layers.push({ shape: ribs, colour: between(colours[row], c.near, 0.5), far: 0.9 * (1 - t), fine: true });
  }
  return layers;
};

/** Toadstools in moss. */
export const mushrooms: Motif = (s) => {
  const { random, c, tall } = s;
  const layers: Layer[] = [
    { colour: c.far, into: c.near, mix: (u, v) => smoothstep(0.2, 0.95, Math.hypot(u - 0.5, v - tall * 0.45)) },
    glow(ranged(random, 0.3, 0.7), tall * 0.3, 0.8, c.light, 0.5),
  ];
  for (let k = 0; k < 7; k++)
    layers.push({
      shape: [disc(ranged(random, 0, 1000), tall * ranged(random, 60, 600), ranged(random, 20, 60))],
      colour: c.light,
      light: true,
      far: 1,
      field: () => 0.16,
    });
  const moss = s.noise(5, 220);
  const grown = [
    { x: 320, h: 300, r: 140 },
    { x: 640, h: 470, r: 230 },
    { x: 820, h: 210, r: 100 },
  ].map((one) => ({
    x: one.x + ranged(random, -50, 50),
    h: one.h * tall * 0.62,
    r: one.r * ranged(random, 0.85, 1.1),
  }));
  const foot = tall * 900;
  for (const { x, h, r } of grown) {
    const lean = (random() - 0.5) * 0.2;
    const stem = curved(x, foot + 30, h, -Math.PI / 2 + lean, -lean, 12);
    const top = stem[stem.length - 1];
    layers.push({
      shape: [tapering(stem, r * 0.36, 0.7)],
      colour: between(c.light, c.low, 0.3),
      tone: (u, v) => ((x - u * 1000) / (r * 0.3)) * 0.4 - smoothstep(top.y / 1000 + 0.12, top.y / 1000, v) * 0.5,
      way: 1.5,
    });
    const under = smoothPath([
      { x: top.x - r, y: top.y - r * 0.02 },
      { x: top.x, y: top.y + r * 0.2 },
      { x: top.x + r, y: top.y - r * 0.02 },
      { x: top.x, y: top.y - r * 0.3 },
    ]);
    layers.push({
      shape: [area(under)],
      colour: between(c.light, c.near, 0.35),
      tone: (u) => Math.sin(Math.atan((u * 1000 - top.x) / (r * 0.4)) * 46) * 0.25,
    });
    const cap = new PathBuilder()
      .move(top.x - r, top.y)
      .cubic(top.x - r * 0.95, top.y - r * 0.75, top.x - r * 0.4, top.y - r * 1.05, top.x, top.y - r * 1.05)
      .cubic(top.x + r * 0.4, top.y - r * 1.05, top.x + r * 0.95, top.y - r * 0.75, top.x + r, top.y)
      .cubic(top.x + r * 0.5, top.y - r * 0.2, top.x - r * 0.5, top.y - r * 0.2, top.x - r, top.y)
      .close()
      .done();
    layers.push({ shape: [area(cap)], colour: c.accent, tone: ball(top.x, top.y - r * 0.45, r * 0.95), way: 0.4 });
    const spots = Array.from({ length: 13 }, () => {
      const [a, d] = [Math.PI + random() * Math.PI, Math.sqrt(random()) * 0.82];
      return area(
        blob(
          random,
          top.x + Math.cos(a) * r * d * 0.95,
          top.y - r * 0.18 + Math.sin(a) * r * d * 0.8,
          r * ranged(random, 0.05, 0.1),
          r * ranged(random, 0.04, 0.08),
          7,
        ),
      );
    });
    layers.push({ shape: spots, colour: c.light });
  }
  const edge = roll(random, foot, 26, 4);
  layers.push({
    shape: [landUnder(edge, tall)],
    colour: between(c.near, c.far, 0.3),
    tone: (u, v) => moss(u * 26, v * 26) * 0.6 + 0.3 * smoothstep(40, 0, v * 1000 - heightAt(edge, u * 1000)),
    rough: 0.35,
    way: 1.3,
  });
  layers.push({
    shape: Array.from({ length: 70 }, () => {
      const x = random() * 1000;
      return tapering(
        curved(x, heightAt(edge, x) + 10, ranged(random, 20, 70), -Math.PI / 2 + (random() - 0.5), random() - 0.5, 7),
        4,
        0.1,
      );
    }),
    colour: between(c.near, c.far, 0.6),
  });
  return layers;
};
