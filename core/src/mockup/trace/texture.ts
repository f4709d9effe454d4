import { LINEAR_OF, type Raster } from '../../pixels';

/** One size of a texture: RGB in linear light 0..65535, with a border of 1 px repeated so that taps need no test. */
export type Level = { readonly data: Uint16Array; readonly width: number; readonly height: number };

/** Levels, each half the size of the one before, down to about 8 px. */
export type Texture = readonly Level[];

function blank(width: number, height: number): Level {
  return { data: new Uint16Array((width + 2) * (height + 2) * 3), width, height };
}

/** Copies the outermost pixels into the border. */
function closeBorder({ data, width, height }: Level): void {
  const stride = (width + 2) * 3;
  for (let y = 1; y <= height; y++) {
    const row = y * stride;
    for (let c = 0; c < 3; c++) {
      data[row + c] = data[row + 3 + c];
      data[row + (width + 1) * 3 + c] = data[row + width * 3 + c];
    }
  }
  data.copyWithin(0, stride, stride * 2);
  data.copyWithin((height + 1) * stride, height * stride, (height + 1) * stride);
}

/** Makes a texture of an opaque picture; transparent pixels count with their colour. */
export function textureOf(source: Raster): Texture {
  const first = blank(source.width, source.height);
  const stride = (source.width + 2) * 3;
  for (let y = 0, p = 0; y < source.height; y++) {
    for (let x = 0, o = (y + 1) * stride + 3; x < source.width; x++, o += 3, p += 4) {
      first.data[o] = LINEAR_OF[source.data[p]];
      first.data[o + 1] = LINEAR_OF[source.data[p + 1]];
      first.data[o + 2] = LINEAR_OF[source.data[p + 2]];
    }
  }
  closeBorder(first);
  const levels = [first];
  for (let last = first; last.width > 16 && last.height > 16;) levels.push((last = halved(last)));
  return levels;
}

function halved(level: Level): Level {
  const width = level.width >> 1;
  const height = level.height >> 1;
  const out = blank(width, height);
  const from = (level.width + 2) * 3;
  const to = (width + 2) * 3;
  const { data } = level;
  for (let y = 0; y < height; y++) {
    for (let x = 0, p = (2 * y + 1) * from + 3, o = (y + 1) * to + 3; x < width; x++, p += 6, o += 3) {
      for (let c = 0; c < 3; c++) {
        out.data[o + c] = (data[p + c] + data[p + 3 + c] + data[p + from + c] + data[p + from + 3 + c] + 2) >> 2;
      }
    }
  }
  closeBorder(out);
  return out;
}

/**
 * Adds the mean of a texture over one output pixel's footprint, times `weight`, to `sum[at..at+2]`.
 * u, v are 0..1; the derivatives say how far they move per output pixel. The footprint is a parallelogram, sampled
 * by as many bilinear taps as it is texels long in each direction (at most `most` each), on the level where its
 * shorter side is at most two texels: steep views stay sharp along one axis and do not shimmer along the other.
 */
export function addSample(
  texture: Texture,
  u: number,
  v: number,
  ux: number,
  vx: number,
  uy: number,
  vy: number,
  most: number,
  weight: number,
  sum: Float32Array,
  at: number,
): void {
  const first = texture[0];
  const ax = ux * first.width;
  const bx = vx * first.height;
  const ay = uy * first.width;
  const by = vy * first.height;
  const lx = Math.sqrt(ax * ax + bx * bx);
  const ly = Math.sqrt(ay * ay + by * by);
  let minor = lx < ly ? lx : ly;
  let major = lx < ly ? ly : lx;
  let n = 0;
  let k = 1;
  while ((minor > 2 || major > most * 2) && n < texture.length - 1) {
    minor /= 2;
    major /= 2;
    k /= 2;
    n++;
  }
  const { data, width, height } = texture[n];
  const nx = Math.min(most, Math.max(1, Math.ceil(lx * k)));
  const ny = Math.min(most, Math.max(1, Math.ceil(ly * k)));
  const stride = (width + 2) * 3;
  let r = 0;
  let g = 0;
  let b = 0;
  // Taps stand in the middles of equal parts of the footprint.
  const stepA = (ux * width) / nx;
  const stepC = (vx * height) / nx;
  const rowA = (uy * width) / ny;
  const rowC = (vy * height) / ny;
  let startA = u * width + 0.5 - ((nx - 1) * stepA + (ny - 1) * rowA) / 2;
  let startC = v * height + 0.5 - ((nx - 1) * stepC + (ny - 1) * rowC) / 2;
  for (let j = 0; j < ny; j++) {
    let tapA = startA;
    let tapC = startC;
    startA += rowA;
    startC += rowC;
    for (let i = 0; i < nx; i++) {
      let a = tapA;
      let c = tapC;
      tapA += stepA;
      tapC += stepC;
      a = a < 0 ? 0 : a > width + 0.999 ? width + 0.999 : a;
      c = c < 0 ? 0 : c > height + 0.999 ? height + 0.999 : c;
      const ia = a | 0;
      const ic = c | 0;
      const fa = a - ia;
      const fc = c - ic;
      const p = ic * stride + ia * 3;
      const q = p + stride;
      const w11 = fa * fc;
      const w10 = fa - w11;
      const w01 = fc - w11;
      const w00 = 1 - fa - w01;
      r += w00 * data[p] + w10 * data[p + 3] + w01 * data[q] + w11 * data[q + 3];
      g += w00 * data[p + 1] + w10 * data[p + 4] + w01 * data[q + 1] + w11 * data[q + 4];
      b += w00 * data[p + 2] + w10 * data[p + 5] + w01 * data[q + 2] + w11 * data[q + 5];
    }
  }
  const s = weight / (nx * ny);
  sum[at] += r * s;
  sum[at + 1] += g * s;
  sum[at + 2] += b * s;
}
