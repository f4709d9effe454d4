import { BLOCK, type Filter, NODE, type Shader, type Sums, type Surface } from './surface';
import { PAD, type Textures } from './textures';

/** Weights of Catmull and Rom's cubic for four texels at 256 places between the middle two. */
export const CUBIC: Float32Array = Float32Array.from({ length: 1024 }, (_, i) => {
  const t = (i >> 2) / 256;
  switch (i & 3) {
    case 0:
      return -0.5 * t ** 3 + t * t - 0.5 * t;
    case 1:
      return 1.5 * t ** 3 - 2.5 * t * t + 1;
    case 2:
      return -1.5 * t ** 3 + 2 * t * t + 0.5 * t;
    default:
      return 0.5 * t ** 3 - 0.5 * t * t;
  }
});

/** A list read at a place between its numbers. */
function between(values: Float32Array, place: number): number {
  const at = clamp(place, 0, values.length - 1.001);
  const i = at | 0;
  return values[i] + (values[i + 1] - values[i]) * (at - i);
}

/** A footprint that is a whole number of texels but for rounding takes so many taps. */
const ALMOST = 0.004;

const clamp = (v: number, least: number, most: number): number => (v < least ? least : v > most ? most : v);

/**
 * The mean of a texture over the footprint of one pixel. The footprint is a parallelogram, sampled by as many taps as
 * it is texels long in each direction, on the level where its shorter side is at most two texels: steep views stay
 * sharp along one axis and do not shimmer along the other.
 */
type Footprint = {
  level: number;
  nx: number;
  ny: number;
  stepU: number;
  stepV: number;
  rowU: number;
  rowV: number;
};

function footprintOf(
  { texture }: Surface,
  { taps }: Filter,
  ux: number,
  vx: number,
  uy: number,
  vy: number,
): Footprint {
  const [first] = texture!;
  let lx = Math.hypot(ux * first.width, vx * first.height);
  let ly = Math.hypot(uy * first.width, vy * first.height);
  let level = 0;
  while ((Math.min(lx, ly) > 2 || Math.max(lx, ly) > taps * 2) && level < texture!.length - 1) {
    lx /= 2;
    ly /= 2;
    level++;
  }
  const { width, height } = texture![level];
  const nx = clamp(Math.ceil(lx - ALMOST), 1, taps);
  const ny = clamp(Math.ceil(ly - ALMOST), 1, taps);
  return {
    level,
    nx,
    ny,
    stepU: (ux * width) / nx,
    stepV: (vx * height) / nx,
    rowU: (uy * width) / ny,
    rowV: (vy * height) / ny,
  };
}

/** Adds up the taps of a footprint about a place of a texture, 0..1 each way, into `out`: RGB 0..65535 and foil. */
function sample(
  texels: Int16Array,
  surface: Surface,
  cubic: boolean,
  print: Footprint,
  u: number,
  v: number,
  out: Float64Array,
): void {
  const { at, width, height } = surface.texture![print.level];
  const { nx, ny } = print;
  const stride = (width + 2 * PAD) * 4;
  const first = at / 2;
  out.fill(0);
  for (let j = 0; j < ny; j++) {
    for (let i = 0; i < nx; i++) {
      // Taps stand in the middles of equal parts of the footprint.
      const [s, t] = [i - (nx - 1) / 2, j - (ny - 1) / 2];
      const x = clamp(u * width - 0.5 + s * print.stepU + t * print.rowU + PAD, 1, width + PAD - 1e-4);
      const y = clamp(v * height - 0.5 + s * print.stepV + t * print.rowV + PAD, 1, height + PAD - 1e-4);
      const [ix, iy] = [x | 0, y | 0];
      const [fx, fy] = [x - ix, y - iy];
      if (cubic) {
        const wx = ((fx * 256) | 0) * 4;
        const wy = ((fy * 256) | 0) * 4;
        for (let r = 0; r < 4; r++) {
          for (let q = 0; q < 4; q++) {
            const p = first + (iy - 1 + r) * stride + (ix - 1 + q) * 4;
            const w = CUBIC[wx + q] * CUBIC[wy + r];
            for (let c = 0; c < 4; c++) out[c] += w * texels[p + c];
          }
        }
      } else {
        const p = first + iy * stride + ix * 4;
        const [w11, w10, w01] = [fx * fy, fx * (1 - fy), (1 - fx) * fy];
        const w00 = 1 - w11 - w10 - w01;
        for (let c = 0; c < 4; c++)
          out[c] +=
            w00 * texels[p + c] +
            w10 * texels[p + 4 + c] +
            w01 * texels[p + stride + c] +
            w11 * texels[p + stride + 4 + c];
      }
    }
  }
  const scale = 65535 / 32767 / (nx * ny);
  for (let c = 0; c < 4; c++) out[c] = clamp(out[c] * scale, 0, 65535);
}

/** The shader in plain code: slow, and what the kernel is held against. */
export function plainShader({ memory }: Textures): Shader {
  const texels = new Int16Array(memory.buffer);
  const texel = new Float64Array(4);
  const lit = new Float64Array(NODE);
  let placed: readonly Surface[] = [];
  let filter: Filter = { kind: 'linear', taps: 1 };

  function shade(index: number, x: number, y: number, count: number, whole: number, sums: Sums, at: number): void {
    const surface = placed[index];
    const { a, b, g, u0, du, light, profile, texture, colour } = surface;
    const { columns, rows, nodes } = light;
    let print: Footprint | null = null;
    for (let n = 0; n < count; n++, at += 4) {
      const px = x + n;
      const k = 1 / (g[0] * px + g[1] * y + g[2]);
      const s = (a[0] * px + a[1] * y + a[2]) * k;
      const t = (b[0] * px + b[1] * y + b[2]) * k;
      const u = u0 + s * du;
      if (texture) {
        if (!print || (n & (BLOCK - 1)) === 0)
          print = footprintOf(
            surface,
            filter,
            (a[0] - s * g[0]) * k * du,
            (b[0] - t * g[0]) * k,
            (a[1] - s * g[1]) * k * du,
            (b[1] - t * g[1]) * k,
          );
        sample(texels, surface, filter.kind === 'cubic', print, u, t, texel);
      } else for (let c = 0; c < 4; c++) texel[c] = c < 3 ? colour[c] : 0;

      const ls = clamp(s, 0, 0.99999) * columns;
      const lt = clamp(t, 0, 0.99999) * rows;
      const [i, j] = [ls | 0, lt | 0];
      const [fi, fj] = [ls - i, lt - j];
      const p = (j * (columns + 1) + i) * NODE;
      const q = p + (columns + 1) * NODE;
      for (let c = 0; c < NODE; c++) {
        const above = nodes[p + c] + (nodes[p + NODE + c] - nodes[p + c]) * fi;
        const under = nodes[q + c] + (nodes[q + NODE + c] - nodes[q + c]) * fi;
        lit[c] = above + (under - above) * fj;
      }
      let [diffuse] = lit;
      if (profile) diffuse *= between(profile, u * profile.length - 0.5);
      const gain = diffuse + (lit[2] - diffuse) * (texel[3] / 65535);
      const share = whole * lit[3];
      for (let c = 0; c < 3; c++) sums[at + c] += (texel[c] * gain + lit[1]) * share;
      sums[at + 3] += share;
    }
  }

  return {
    sums: (pixels) => new Float32Array(pixels * 4),
    room: (sums, bytes) => ({ sums: new Float32Array(sums * 4), bytes: new Uint8ClampedArray(bytes * 4) }),
    place(surfaces, next) {
      placed = surfaces;
      filter = next;
    },
    shade,
    encode(sums, at, count, tones, out, o) {
      for (let n = 0; n < count; n++, at += 4, o += 4) {
        for (let c = 0; c < 3; c++) out[o + c] = tones[c * 8192 + (Math.min(65535, sums[at + c]) >> 3)];
        out[o + 3] = 255;
      }
    },
  };
}
