import { PathBuilder, smoothstep } from '../../plane';
import type { Layer, Motif } from '../layer';
import { area, ball, between, blob, disc, glow, line, ranged, shade, wall } from './draw';

/** Paper that floated on colours: veins drawn out by a comb. */
export const marbling: Motif = (s) => {
  const { random, c, tall } = s;
  const big = s.noise(3, 400);
  const small = s.noise(4, 401);
  const combed = random() < 0.5 ? ranged(random, 0.02, 0.05) : 0;
  const turn = ranged(random, 1.2, 2.6);
  const at = (u: number, v: number): number => {
    const [a, b] = [big(u * turn * 0.5, v * turn * 0.5), big(u * turn * 0.5 + 7, v * turn * 0.5)];
    const bend = big(u * 0.9 + a * 0.9, v * 0.9 + b * 0.9) * 0.8 + small(u * 3, v * 3) * 0.04;
    const comb = combed * Math.sin(v * 26 + a * 6) * 2.2;
    return (u * 0.5 + v * 0.4 + bend + comb) * 3.4;
  };
  const layers: Layer[] = [{ colour: c.low, tone: (u, v) => small(u * 6, v * 6) * 0.08 }];
  const inks = [c.far, c.near, c.accent, c.light, c.high];
  inks.forEach((colour, i) => {
    const wide = [0.3, 0.17, 0.07, 0.045, 0.13][i];
    layers.push({
      colour,
      field: (u, v) => {
        const t = at(u, v) + i * 0.2;
        const d = Math.abs(t - Math.floor(t) - 0.5);
        return smoothstep(0.5 - wide, 0.5 - wide + 0.012, d + small(u * 7 + i, v * 7) * 0.02);
      },
      way: 0.6,
    });
  });
  layers.push({
    shape: Array.from({ length: 70 }, () =>
      area(blob(random, random() * 1000, random() * tall * 1000, ranged(random, 2, 12), ranged(random, 2, 10), 8)),
    ),
    colour: c.accent,
  });
  return layers;
};

/** Smoke that rises and rolls. */
export const smoke: Motif = (s) => {
  const { random, c, tall } = s;
  const bend = s.noise(3, 410);
  const roll = s.noise(5, 411);
  const x0 = ranged(random, 0.35, 0.65);
  const layers: Layer[] = [
    {
      colour: c.near,
      into: between(c.near, c.high, 0.6),
      mix: (u, v) => Math.exp(-Math.hypot(u - x0, v - tall * 0.6) * 2),
    },
  ];
  for (let k = 0; k < 4; k++) {
    const colour = [c.far, c.low, c.light, c.accent][k];
    layers.push({
      colour,
      soft: true,
      light: k > 1,
      field: (u, v) => {
        const up = (tall - v) / tall;
        const sway = bend(v * 1.6 + k * 0.7, k * 0.35) * 0.34 * up ** 0.8;
        const wide = 0.02 + 0.24 * up * (0.7 + 0.5 * bend(v * 2, 7));
        const d = (u - x0 - sway) / wide;
        // Sheets of smoke are seen edge on: thin bright folds.
        const fold = roll(u * 3.2 + bend(u * 4, v * 3) * 0.5, v * 2.2 + k);
        const sheet = Math.exp(-((fold * 3.4) ** 2));
        const end = smoothstep(1.04, 0.72, up) * smoothstep(-0.02, 0.08, up);
        return [0.55, 0.6, 0.5, 0.35][k] * Math.exp(-d * d) * (0.22 + 0.95 * sheet) * end;
      },
    });
  }
  return layers;
};

/** Leaf of gold over a dark ground, torn and cracked. */
export const goldLeaf: Motif = (s) => {
  const { random, c, tall } = s;
  const rough = s.noise(6, 420);
  const fold = s.noise(5, 421);
  const crack = s.noise(4, 422);
  const lean = ranged(random, -0.5, 0.5);
  const edge = (u: number, v: number): number =>
    v - tall * 0.55 + (u - 0.5) * lean + rough(u * 2.2, v * 2.2) * 0.22 + rough(u * 11, v * 11) * 0.045;
  const layers: Layer[] = [{ colour: c.near, tone: (u, v) => rough(u * 5, v * 5) * 0.18, rough: 0.12 }];
  layers.push({
    colour: c.accent,
    into: c.light,
    mix: (u, v) => smoothstep(-0.25, 0.7, fold(u * 3.5, v * 3.5) + fold(u * 17, v * 17) * 0.5),
    tone: (u, v) => {
      const step = 0.006;
      const f = (a: number, b: number): number => fold(a * 5, b * 5) + 0.2 * fold(a * 22, b * 22);
      return Math.max(-0.6, Math.min(0.6, (f(u + step, v + step) - f(u, v)) * 2.2));
    },
    field: (u, v) => {
      const lines = smoothstep(0.008, 0.03, Math.abs(crack(u * 3.3, v * 3.3)) + Math.abs(rough(u * 19, v * 19)) * 0.03);
      return smoothstep(0, 0.008, edge(u, v)) * lines;
    },
    way: 0.4,
  });
  layers.push({
    shape: Array.from({ length: 130 }, () => {
      const t = random();
      return area(
        blob(
          random,
          random() * 1000,
          tall * 1000 * (0.62 - 0.5 * t * t),
          ranged(random, 1.5, 13 - 9 * t),
          ranged(random, 1.5, 11 - 8 * t),
          7,
          0.6,
        ),
      );
    }),
    colour: c.accent,
    tone: (u, v) => rough(u * 60, v * 60),
  });
  return layers;
};

/** Sheets of paper folded, their ridges lit. */
export const folds: Motif = (s) => {
  const { random, c, tall } = s;
  const layers: Layer[] = [{ colour: c.low }];
  const tooth = s.noise(5, 430);
  const count = 7;
  for (let i = 0; i < count; i++) {
    const t = i / (count - 1);
    const y = tall * 1000 * (0.16 + 0.84 * t);
    const [a, b, d] = [ranged(random, -150, 150), ranged(random, -150, 150), ranged(random, -120, 120)];
    const edge = new PathBuilder()
      .move(-30, y + a)
      .cubic(300, y + a + d, 640, y + b - d, 1030, y + b)
      .line(1030, tall * 1000 + 40)
      .line(-30, tall * 1000 + 40)
      .close();
    const colour = [c.low, c.far, c.accent, c.high, c.far, c.near, c.near][i];
    const top = (u: number): number => {
      const k = 1 - u;
      return (k ** 3 * (y + a) + 3 * k * k * u * (y + a + d) + 3 * k * u * u * (y + b - d) + u ** 3 * (y + b)) / 1000;
    };
    layers.push(shade(c.near, (u, v) => 0.5 * Math.exp(-Math.max(0, top(u) - v) * 22) * (v < top(u) + 0.01 ? 1 : 0)));
    layers.push({
      shape: [area(edge.done())],
      colour,
      tone: (u, v) => 0.5 * Math.exp(-Math.max(0, v - top(u)) * 9) - 0.15 + tooth(u * 30, v * 30) * 0.05,
      way: 0.2,
      rough: 0.03,
    });
  }
  return layers;
};

/** Woven cloth that hangs in folds. */
export const cloth: Motif = (s) => {
  const { random, c } = s;
  const hang = s.noise(3, 440);
  const drape = ranged(random, 2.2, 3.4);
  const lean = ranged(random, -0.35, 0.35);
  const wave = (u: number, v: number): number =>
    Math.sin((u + lean * v * 0.4 + hang(u * 0.8, v * 0.7) * 0.28) * drape * 2 * Math.PI) *
    (0.5 + 0.5 * hang(u * 1.4 + 5, v * 0.8));
  return [
    {
      colour: random() < 0.5 ? c.accent : c.far,
      into: c.near,
      mix: (u, v) => 0.35 * smoothstep(0.2, -0.9, wave(u, v)),
      tone: (u, v) => {
        const step = 0.008;
        const slope = (wave(u + step, v) - wave(u - step, v)) / (2 * step);
        const weave = Math.sin(u * 1250) * Math.sin(v * 1250) * 0.1;
        return Math.max(-0.8, Math.min(0.75, slope * 0.045 + wave(u, v) * 0.3)) + weave;
      },
      way: 1.5,
      rough: 0.05,
    },
  ];
};

/** Stones worn round by water, moss between them. */
export const stones: Motif = (s) => {
  const { random, c, tall } = s;
  const grain = s.noise(5, 450);
  const speckle = s.noise(3, 451);
  const layers: Layer[] = [{ colour: c.near, tone: (u, v) => grain(u * 20, v * 20) * 0.4, rough: 0.3 }];
  const laid: { x: number; y: number; r: number }[] = [];
  for (let tries = 0; tries < 4000 && laid.length < 90; tries++) {
    const one = {
      x: random() * 1060 - 30,
      y: random() * (tall * 1000 + 60) - 30,
      r: ranged(random, 45, 190) * (tries < 200 ? 1 : 0.45),
    };
    if (laid.every((p) => Math.hypot(p.x - one.x, p.y - one.y) > (p.r + one.r) * 0.8)) laid.push(one);
  }
  laid.sort((a, b) => a.y - b.y);
  const hues = [
    c.far,
    c.low,
    between(c.far, c.near, 0.4),
    between(c.low, c.light, 0.5),
    between(c.far, c.accent, 0.18),
  ];
  for (let k = 0; k < 3; k++) {
    const some = laid.filter((_, i) => i % 3 === k);
    const shapes = some.map((p) => ({
      ...p,
      path: blob(random, p.x, p.y, p.r, p.r * ranged(random, 0.74, 0.9), 9, 0.2),
    }));
    layers.push({
      ...shade(c.near, () => 0.75),
      shape: some.map((p) => disc(p.x + p.r * 0.07, p.y + p.r * 0.13, p.r * 1.02, p.r * 0.84)),
      far: 3,
    });
    shapes.forEach(({ path, x, y, r }, i) =>
      layers.push({
        shape: [area(path)],
        colour: hues[(i + k) % hues.length],
        tone: (u, v) =>
          ball(x, y, r)(u, v) * 0.62 +
          grain(u * 12 + i, v * 12) * 0.22 +
          (speckle(u * 90, v * 90 + i) > 0.55 ? -0.25 : 0),
        rough: 0.1,
        way: i * 0.7,
      }),
    );
  }
  const moss = s.noise(5, 452);
  layers.push({
    colour: between(c.far, c.near, 0.55),
    tone: (u, v) => moss(u * 40, v * 40) * 0.6,
    rough: 0.5,
    field: (u, v) => smoothstep(0.3, 0.36, moss(u * 3, v * 3) + moss(u * 16, v * 16) * 0.15),
    way: 1.2,
  });
  return layers;
};

/** A wash of colour that blooms on wet paper. */
export const washes: Motif = (s) => {
  const { random, c, tall } = s;
  const layers: Layer[] = [wall(s, c.paper, 0.04)];
  const colours = [c.far, c.accent, c.near, c.high];
  const foot = ranged(random, 0.5, 0.6);
  for (let k = 0; k < 4; k++) {
    const big = s.noise(4, 460 + k);
    const fine = s.noise(5, 470 + k);
    const [x, y, r] = [ranged(random, 0.2, 0.8), tall * ranged(random, foot, 0.95), ranged(random, 0.28, 0.5)];
    layers.push({
      colour: colours[k],
      into: between(colours[k], c.paper, 0.6),
      mix: (u, v) => 0.5 + fine(u * 3, v * 3) * 0.6,
      soft: true,
      field: (u, v) => {
        const d = Math.hypot(u - x, (v - y) * 0.85) / r + big(u * 2.4, v * 2.4) * 0.5 + fine(u * 9, v * 9) * 0.09;
        const rim = Math.exp(-(((d - 0.93) / 0.05) ** 2)) * 0.35;
        return (smoothstep(1, 0.94, d) * 0.62 + rim * (d < 1.02 ? 1 : 0)) * (0.72 + 0.4 * fine(u * 5, v * 5));
      },
    });
  }
  layers.push({
    shape: Array.from({ length: 60 }, () =>
      area(
        blob(
          random,
          random() * 1000,
          tall * 1000 * (0.3 + 0.7 * random()),
          ranged(random, 1, 10),
          ranged(random, 1, 10),
          9,
          0.3,
        ),
      ),
    ),
    colour: c.near,
    field: () => 0.7,
  });
  return layers;
};

/** Bubbles of ink and rings as rain makes them on still water. */
export const rings: Motif = (s) => {
  const { random, c, tall } = s;
  const centres = Array.from({ length: 6 }, (_, i) => ({
    x: ranged(random, 0.1, 0.9),
    y: tall * (i === 0 ? ranged(random, 0.55, 0.68) : ranged(random, 0.35, 1)),
    r: ranged(random, 0.12, i === 0 ? 0.46 : 0.26),
  }));
  const still = s.noise(4, 480);
  const wave = (u: number, v: number): number =>
    centres.reduce((sum, p) => {
      const d = Math.hypot(u - p.x, (v - p.y) * 2.3);
      return d > p.r ? sum : sum + Math.sin((d / p.r) ** 0.85 * 34) * (1 - d / p.r) ** 0.7;
    }, 0);
  return [
    {
      colour: c.high,
      into: c.low,
      mix: (u, v) => smoothstep(tall * 0.9, 0, v + still(u * 2, v * 4) * 0.2),
      tone: (u, v) => Math.max(-0.7, Math.min(0.8, wave(u, v + 0.004) * 0.5 + still(u * 3, v * 12) * 0.2)),
      way: 0,
    },
    { colour: c.light, light: true, soft: true, field: (u, v) => 0.5 * smoothstep(0.55, 0.95, wave(u, v)) },
    { shape: centres.slice(0, 2).map((p) => area(blob(random, p.x * 1000, p.y * 1000, 7, 9, 8))), colour: c.accent },
    shade(c.near, (u, v) => 0.5 * smoothstep(0.3, 0.85, Math.hypot(u - 0.5, (v - tall * 0.45) * 0.6))),
  ];
};

/** Ice with its cracks, lit from below. */
export const ice: Motif = (s) => {
  const { random, c, tall } = s;
  const deep = s.noise(6, 490);
  const layers: Layer[] = [
    {
      colour: c.low,
      into: c.far,
      mix: (u, v) => 0.5 + deep(u * 1.4, v * 1.4) * 0.9,
      tone: (u, v) => deep(u * 5, v * 5) * 0.3,
      way: 0.3,
    },
  ];
  const cracks = [];
  for (let i = 0; i < 9; i++) {
    let [x, y] = [ranged(random, -40, 1040), random() < 0.5 ? -20 : tall * 1000 + 20];
    let angle = y < 0 ? ranged(random, 0.6, 2.5) : -ranged(random, 0.6, 2.5);
    const b = new PathBuilder().move(x, y);
    for (let k = 0; k < 26; k++) {
      angle += (random() - 0.5) * 0.7;
      [x, y] = [x + Math.cos(angle) * 80, y + Math.sin(angle) * 80];
      b.line(x, y);
      if (random() < 0.3) {
        const side = angle + (random() < 0.5 ? 1 : -1) * ranged(random, 0.6, 1.2);
        cracks.push(
          line(
            new PathBuilder()
              .move(x, y)
              .line(x + Math.cos(side) * 130, y + Math.sin(side) * 130)
              .done(),
            1.6,
          ),
        );
      }
    }
    cracks.push(line(b.done(), ranged(random, 1.8, 5)));
  }
  layers.push({ shape: cracks, colour: c.light, fine: true });
  layers.push({
    shape: Array.from({ length: 140 }, () => disc(random() * 1000, random() * tall * 1000, 1 + random() ** 3 * 9)),
    colour: c.light,
    fine: true,
    field: () => 0.4,
  });
  layers.push(
    glow(ranged(random, 0.3, 0.7), tall * 0.6, 0.7, c.light, 0.3),
    shade(c.near, (u, v) => 0.7 * smoothstep(0.35, 0.9, Math.hypot(u - 0.5, (v - tall * 0.5) * 0.6))),
  );
  return layers;
};
