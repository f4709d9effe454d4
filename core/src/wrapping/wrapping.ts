import type { WRAPPINGS } from '../cover';
import { type Hex, type Rgb, rgbOf } from '../colour';
import { blurred } from '../darkroom';
import { seeded } from '../base';
import { type Raster, raster } from '../pixels';
import { clamp, smoothstep } from '../plane';
import { type Noise, layeredNoise, speck } from '../texture';
import { type Hole, tornHole } from './hole';

export type WrappingKind = (typeof WRAPPINGS)[number];

export type Wrapping = {
  readonly kind: WrappingKind;
  /** How much of the cover is shown, 0..1. */
  readonly share: number;
  /** Where the hole is, fractions of the cover. */
  readonly at: { readonly x: number; readonly y: number };
  readonly colour: Hex;
  readonly accent: Hex;
  readonly seed: number;
};

type Colour = [number, number, number];
/** The colour of one pixel of the wrapping, or null where the cover is seen; `shade` darkens the cover there. */
type Painter = (x: number, y: number) => { readonly over: Colour | null; readonly shade: number };

/** The cover in its wrapping, light from the upper left. Equal input gives equal pixels; at share 1 the cover itself is given back. */
export function wrapped(cover: Raster, wrapping: Wrapping): Raster {
  if (wrapping.share >= 1) return cover;
  const size = { w: cover.width, h: cover.height };
  if (wrapping.kind === 'frost') return frosted(cover, wrapping);
  const paint = painterOf(size, wrapping);
  const out = raster(size.w, size.h);
  for (let y = 0; y < size.h; y++) {
    for (let x = 0; x < size.w; x++) {
      const p = (y * size.w + x) * 4;
      const { over, shade } = paint(x + 0.5, y + 0.5);
      for (let c = 0; c < 3; c++) out.data[p + c] = over ? over[c] : cover.data[p + c] * (1 - shade);
      out.data[p + 3] = 255;
    }
  }
  return out;
}

function painterOf(size: { w: number; h: number }, wrapping: Wrapping): Painter {
  switch (wrapping.kind) {
    case 'paper':
      return paper(size, wrapping);
    case 'ribbon':
      return ribbon(size, wrapping);
    case 'envelope':
      return envelope(size, wrapping);
    case 'curtain':
      return curtain(size, wrapping);
    case 'tiles':
      return tiles(size, wrapping);
    case 'frost':
      throw new Error('frost is made of the cover itself');
  }
}

const lit = (rgb: Rgb | Colour, k: number): Colour => [rgb[0] * k, rgb[1] * k, rgb[2] * k];
const mix = (a: Rgb | Colour, b: Rgb | Colour, t: number): Colour => [
  a[0] + (b[0] - a[0]) * t,
  a[1] + (b[1] - a[1]) * t,
  a[2] + (b[2] - a[2]) * t,
];
const WHITE: Colour = [250, 247, 240];

/** Printed paper, a little creased: light on its folds, darker towards the edges round which it is wrapped. */
function printed(
  { w, h }: { w: number; h: number },
  { colour, accent, seed }: Wrapping,
): (x: number, y: number) => Colour {
  const folds = layeredNoise(seed + 11, 3);
  const base = rgbOf(colour);
  const motif = mix(base, rgbOf(accent), 0.42);
  const step = w * 0.098;
  return (x, y) => {
    // A dot in every second place of a lozenge grid.
    const [u, v] = [(x + y) / step, (x - y) / step];
    const off = Math.hypot(u - Math.round(u), v - Math.round(v)) * step;
    const dot = 1 - smoothstep(w * 0.011, w * 0.0135, off);
    const crease = 1 - Math.abs(folds(x / (w * 0.42), y / (w * 0.42)));
    const slope =
      folds(x / (w * 0.3) + 7, y / (w * 0.3)) - folds((x + w * 0.012) / (w * 0.3) + 7, (y + w * 0.012) / (w * 0.3));
    const edge = Math.min(x, w - x, y, h - y) / (w * 0.05);
    const light = 0.97 + slope * 0.36 + 0.05 * Math.max(0, crease - 0.9) * 10 - 0.16 * Math.max(0, 1 - edge) ** 2;
    return lit(
      mix(base, motif, dot),
      clamp(light + (speck(seed, Math.floor(x), Math.floor(y)) - 0.5) * 0.03, 0.5, 1.18),
    );
  };
}

/** Wrapping paper with a hole torn into it: shadow on the cover, white fibres, paper that curls back, and its shadow. */
function paper(size: { w: number; h: number }, wrapping: Wrapping): Painter {
  const { w } = size;
  const sheet = printed(size, wrapping);
  if (wrapping.share <= 0) return (x, y) => ({ over: sheet(x, y), shade: 0 });
  const hole = tornHole(size, wrapping.at, wrapping.share, wrapping.seed);
  const fibres = layeredNoise(wrapping.seed + 5, 3);
  const back = mix(WHITE, rgbOf(wrapping.colour), 0.12);
  return (x, y) => {
    const { inside, angle } = hole(x, y);
    if (inside > 0) return { over: null, shade: shadowIn(hole, x, y, w) };
    const rough = fibres(x / (w * 0.012), y / (w * 0.012));
    const edge = w * (0.007 + 0.006 * (0.5 + 0.5 * fibres(angle * 60, 3)) + 0.003 * rough);
    const out = -inside;
    if (out < edge) {
      const k = 0.95 + 0.05 * rough - 0.1 * (out / edge) ** 3;
      return { over: lit(WHITE, k), shade: 0 };
    }
    const curl =
      w *
      Math.max(
        0,
        0.075 * (0.5 + 0.9 * fibres(Math.cos(angle * 2 * Math.PI) * 1.7, Math.sin(angle * 2 * Math.PI) * 1.7)),
      );
    const past = out - edge;
    if (past < curl) {
      const t = past / Math.max(1, curl);
      return {
        over: lit(back, 0.72 + 0.34 * Math.sin(Math.PI * Math.min(1, t * 0.86 + 0.12)) + 0.02 * rough),
        shade: 0,
      };
    }
    // The curl throws its shadow away from the light.
    const way = Math.cos(angle * 2 * Math.PI - 0.8);
    const reach = w * (0.02 + 0.03 * Math.max(0, way)) * (curl > 0 ? 1 : 0.4);
    const fall = Math.max(0, 1 - (past - curl) / reach);
    return { over: lit(sheet(x, y), 1 - fall * fall * (0.16 + 0.26 * Math.max(0, way))), shade: 0 };
  };
}

/** How dark the cover is under the edge of what lies over it: most on the side that the light comes from. */
function shadowIn(hole: Hole, x: number, y: number, w: number): number {
  const far = hole(x - w * 0.026, y - w * 0.03).inside;
  const near = hole(x, y).inside;
  return clamp(0.4 * (1 - smoothstep(-w * 0.02, w * 0.04, far)) + 0.24 * (1 - smoothstep(0, w * 0.026, near)), 0, 0.78);
}

/** Paper and a ribbon with a bow, which stay whole over the tear. */
function ribbon(size: { w: number; h: number }, wrapping: Wrapping): Painter {
  const under = paper(size, wrapping);
  const { w, h } = size;
  const [kx, ky] = [w * 0.5, h * 0.46];
  const half = w * 0.048;
  const silk = rgbOf(wrapping.accent);
  const sheen = layeredNoise(wrapping.seed + 21, 2);
  const cloth = (u: number, along: number, more = 0): Colour =>
    lit(silk, clamp(0.8 + 0.3 * Math.cos(u * 1.5 - 0.5) + 0.06 * sheen(u * 3, along / (w * 0.12)) + more, 0.3, 1.25));
  const bow = bowOf(kx, ky, w);
  return (x, y) => {
    const knot = bow(x, y);
    if (knot) return { over: cloth(knot.u, knot.v * w, knot.light), shade: 0 };
    const [dx, dy] = [Math.abs(x - kx), Math.abs(y - ky)];
    if (dx < half) return { over: cloth((x - kx) / half, y, dx > half * 0.93 ? -0.12 : 0), shade: 0 };
    if (dy < half) return { over: cloth((y - ky) / half, x, dy > half * 0.93 ? -0.12 : 0), shade: 0 };
    const below = under(x, y);
    const [sx, sy] = [x - kx - half, y - ky - half];
    const cast = Math.max(band(sx, w * 0.03), band(sy, w * 0.03), bow(x - w * 0.02, y - w * 0.024) ? 0.24 : 0);
    return below.over
      ? { over: lit(below.over, 1 - cast), shade: 0 }
      : { over: null, shade: 1 - (1 - below.shade) * (1 - cast) };
  };
}

/** A shadow that falls off within a reach behind an edge. */
const band = (past: number, reach: number): number => (past < 0 || past > reach ? 0 : 0.36 * (1 - past / reach) ** 1.5);

type Lain = { readonly u: number; readonly v: number; readonly light: number };

/** Two loops, two tails and a knot about a point; null outside of them. `u` goes across the ribbon, `v` along it. */
function bowOf(kx: number, ky: number, w: number): (x: number, y: number) => Lain | null {
  const loop =
    (side: 1 | -1) =>
    (x: number, y: number): Lain | null => {
      const turn = side * 0.34;
      const [c, s] = [Math.cos(turn), Math.sin(turn)];
      const [px, py] = [(x - kx) * side, y - ky];
      const a = (px * c - py * s * side) / (w * 0.19);
      const b = (px * s * side + py * c) / (w * 0.088);
      if (a < 0 || a > 1) return null;
      // Narrow at the knot, full at its end.
      const full = Math.sqrt(Math.max(0, 1 - ((a - 0.58) / (a < 0.58 ? 0.62 : 0.42)) ** 2));
      if (Math.abs(b) > full) return null;
      const inner = ((a - 0.62) / 0.27) ** 2 + ((b - 0.12) / 0.5) ** 2 < 1;
      return { u: b * 0.9, v: a, light: inner ? -0.34 + 0.2 * a : 0.06 - 0.22 * (1 - a) * Math.abs(b) };
    };
  const tail =
    (side: 1 | -1) =>
    (x: number, y: number): Lain | null => {
      const t = (y - ky) / (w * 0.27);
      if (t < 0 || t > 1) return null;
      const middle = kx + side * w * (0.03 + 0.1 * t + 0.03 * Math.sin(t * 4));
      const u = (x - middle) / (w * 0.036);
      // The end is cut to a swallow's tail.
      if (Math.abs(u) > 1 || t > 0.88 + 0.12 * Math.abs(u)) return null;
      return { u, v: t, light: -0.08 - 0.1 * Math.sin(t * 5) };
    };
  const parts = [loop(1), loop(-1), tail(1), tail(-1)];
  return (x, y) => {
    const [a, b] = [(x - kx) / (w * 0.043), (y - ky) / (w * 0.05)];
    if (Math.abs(a) ** 2.6 + Math.abs(b) ** 2.6 < 1) return { u: a * 0.9, v: b, light: 0.08 - 0.12 * b };
    for (const part of parts) {
      const found = part(x, y);
      if (found) return found;
    }
    return null;
  };
}

/** The cover comes out of an envelope, from its head on. */
function envelope({ w, h }: { w: number; h: number }, { share, colour, accent, seed }: Wrapping): Painter {
  const base = rgbOf(colour);
  const grain = layeredNoise(seed + 31, 3);
  const mouth = h * (0.02 + 0.96 * share);
  const dip = (x: number): number => mouth + w * 0.07 * (1 - ((x - w / 2) / (w / 2)) ** 2);
  const sheet = (x: number, y: number, k: number): Colour =>
    lit(
      base,
      clamp(
        k + 0.03 * grain(x / (w * 0.05), y / (w * 0.05)) + (speck(seed, Math.floor(x), Math.floor(y)) - 0.5) * 0.025,
        0.4,
        1.15,
      ),
    );
  return (x, y) => {
    const top = dip(x);
    if (y < top)
      return { over: null, shade: clamp(0.5 * (1 - (top - y) / (w * 0.07)) ** 2 * Number(top - y < w * 0.07), 0, 0.6) };
    const past = y - top;
    if (past < w * 0.006) return { over: lit(base, 1.16), shade: 0 };
    // Two side flaps meet in the middle under the one from the foot.
    const seam = mouth + w * 0.1 + Math.abs(x - w / 2) * 0.62;
    const foot = h - (w / 2 - Math.abs(x - w / 2)) * 0.9 - w * 0.06;
    const flap = y > foot;
    const line = Math.min(Math.abs(y - foot), flap ? Infinity : Math.abs(x - w / 2) + 0 * seam);
    const dark = 0.2 * Math.max(0, 1 - line / (w * 0.012));
    const shade = flap ? 1.02 : 0.95 - 0.08 * Math.max(0, 1 - Math.abs(y - foot) / (w * 0.06));
    const trim = past > w * 0.02 && past < w * 0.034 ? mix(sheet(x, y, shade), rgbOf(accent), 0.75) : null;
    return { over: trim ?? lit(sheet(x, y, shade), 1 - dark), shade: 0 };
  };
}

/** Two curtains that part in the middle. */
function curtain({ w, h }: { w: number; h: number }, { share, at, colour, accent, seed }: Wrapping): Painter {
  const base = rgbOf(colour);
  const noise: Noise = layeredNoise(seed + 41, 2);
  const middle = w * (0.5 + (at.x - 0.5) * (1 - share));
  const open = share * w * 0.56;
  const edgeAt = (y: number, side: 1 | -1): number =>
    middle + side * (open + w * 0.022 * noise(side * 4, y / (h * 0.4)) + w * 0.05 * share * (y / h) ** 2);
  const head = (x: number): number => h * (0.075 + 0.028 * Math.abs(Math.sin((x / w) * Math.PI * 4)));
  const folds = (u: number, y: number): number => {
    const n = 6.5;
    const wave = Math.sin(u * Math.PI * 2 * n + 0.9 * noise(u * 3, y / (h * 0.7)));
    return 0.78 + 0.24 * wave - 0.1 * Math.max(0, -wave) ** 2;
  };
  return (x, y) => {
    const top = head(x);
    if (y < top) {
      const k = 0.86 + 0.2 * Math.sin((x / w) * Math.PI * 34) - 0.25 * (1 - y / top);
      const rim = top - y < w * 0.012;
      return { over: rim ? (rgbOf(accent).slice(0, 3) as unknown as Colour) : lit(base, k), shade: 0 };
    }
    const [left, right] = [edgeAt(y, -1), edgeAt(y, 1)];
    const under = 1 - 0.5 * Math.max(0, 1 - (y - top) / (w * 0.06));
    if (x < left || x > right) {
      const u = x < left ? (left - x) / Math.max(1, left + w * 0.2) : (x - right) / Math.max(1, w * 1.2 - right);
      const past = x < left ? left - x : x - right;
      const hem = past < w * 0.014 ? 1.14 : 1;
      return { over: lit(base, folds(u, y) * hem * under), shade: 0 };
    }
    const near = Math.min(x - left, (right - x) * 2.2);
    return {
      over: null,
      shade: clamp(0.6 * (1 - near / (w * 0.09)) ** 2 * Number(near < w * 0.09) + 0.4 * (1 - under), 0, 0.75),
    };
  };
}

const GRID = { columns: 4, rows: 6 } as const;

/** A grid of tiles taken off one by one, those about the chosen place first. */
function tiles({ w, h }: { w: number; h: number }, { share, at, colour, accent, seed }: Wrapping): Painter {
  const { columns, rows } = GRID;
  const random = seeded(seed + 51);
  const order = Array.from({ length: columns * rows }, (_, i) => {
    const [cx, cy] = [((i % columns) + 0.5) / columns, (Math.floor(i / columns) + 0.5) / rows];
    return { i, first: Math.hypot(cx - at.x, (cy - at.y) * 1.3) + random() * 0.55 };
  }).sort((a, b) => a.first - b.first);
  const gone = new Set(order.slice(0, Math.round(share * columns * rows)).map(({ i }) => i));
  const tones = Array.from({ length: columns * rows }, () => random());
  const [base, other] = [rgbOf(colour), rgbOf(accent)];
  const [tw, th] = [w / columns, h / rows];
  const has = (c: number, r: number): boolean =>
    c >= 0 && r >= 0 && c < columns && r < rows && !gone.has(r * columns + c);
  return (x, y) => {
    const [c, r] = [Math.min(columns - 1, Math.floor(x / tw)), Math.min(rows - 1, Math.floor(y / th))];
    const [u, v] = [x - c * tw, y - r * th];
    if (!has(c, r)) {
      const reach = w * 0.035;
      const left = has(c - 1, r) ? Math.max(0, 1 - u / reach) : 0;
      const up = has(c, r - 1) ? Math.max(0, 1 - v / reach) : 0;
      return { over: null, shade: 0.55 * Math.max(left, up) ** 1.4 };
    }
    const bevel = w * 0.011;
    const [l, t, rr, b] = [u, v, tw - u, th - v];
    const edge = Math.min(l, t, rr, b);
    const face = mix(base, other, 0.12 + 0.2 * tones[r * columns + c]);
    if (edge > bevel) return { over: lit(face, 0.98 + 0.05 * (1 - (u / tw + v / th) / 2)), shade: 0 };
    return { over: lit(face, edge === t || edge === l ? 1.18 : 0.74), shade: 0 };
  };
}

/** The cover behind frosted glass, with a place wiped clear. */
function frosted(cover: Raster, { share, at, colour, seed }: Wrapping): Raster {
  const { width: w, height: h } = cover;
  const misty = blurred(cover, w * 0.05);
  const hole = tornHole({ w, h }, at, share, seed, 0.55);
  const noise = layeredNoise(seed + 61, 3);
  const haze = mix(WHITE, rgbOf(colour), 0.2);
  const out = raster(w, h);
  for (let y = 0; y < h; y++) {
    for (let x = 0; x < w; x++) {
      const p = (y * w + x) * 4;
      const clear =
        share <= 0
          ? 0
          : smoothstep(-w * 0.03, w * 0.05, hole(x, y).inside + w * 0.02 * noise(x / (w * 0.04), y / (w * 0.09)));
      const ice = 0.34 + 0.07 * noise(x / (w * 0.2), y / (w * 0.2)) + (speck(seed, x, y) - 0.5) * 0.09;
      for (let c = 0; c < 3; c++) {
        const cold = misty.data[p + c] + (haze[c] - misty.data[p + c]) * ice;
        // Water gathers where the wiping stopped.
        const rim = 1 + 0.16 * Math.max(0, 1 - Math.abs(clear - 0.35) / 0.2);
        out.data[p + c] = Math.min(
          255,
          (cold + (cover.data[p + c] - cold) * clear) * (clear > 0 && clear < 1 ? rim : 1),
        );
      }
      out.data[p + 3] = 255;
    }
  }
  return out;
}
