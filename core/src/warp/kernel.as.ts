/**
 * Samples a surface under perspective, in AssemblyScript with SIMD. The same computation as `plain.ts`, which is its
 * reference: change both. Works on raw memory laid out by `kernel.ts`; build with `npm run kernel`.
 *
 * A run of pixels is shaded in blocks of 16 that share one footprint; what a block's steps hand on lies in scratch
 * memory. Within a block four pixels go together: their places and weights are four lanes of one register.
 */

// @ts-nocheck
const PAD: f32 = 2;
const BLOCK: i32 = 16;
/** A footprint that is a whole number of texels but for rounding takes so many taps. */
const ALMOST: f32 = 0.004;
/** 15-bit texels times 14-bit weights, to linear light 0..65535. */
const SCALE: f32 = 65535.0 / 32767.0 / 16384.0;
const ONE: i32 = 16384;

// Scratch of a block: places across and down the surface, f64 each; its texels, f32 r g b foil; its footprint.
const ACROSS: usize = 0;
const DOWN: usize = 128;
const TEXELS: usize = 256;
const PRINT: usize = 512;

// The footprint: the level's first texel and bytes of its row; taps across and down; the place of the first tap as
// across/down times SIZE plus OFF, the steps from tap to tap and from row to row, and the last place, all 16.16 texels.
const LEVEL: usize = PRINT;
const STRIDE: usize = PRINT + 4;
const TAPS_X: usize = PRINT + 8;
const TAPS_Y: usize = PRINT + 12;
const SIZE: usize = PRINT + 16;
const OFF: usize = PRINT + 32;
const STEP: usize = PRINT + 48;
const ROW: usize = PRINT + 56;
const END: usize = PRINT + 64;
const WEIGHT: usize = PRINT + 72;

/** Writes `count` sRGB pixels as texels without foil; tones: linear light 0..32767 of each code, 16 bits. */
export function texels(from: usize, count: i32, to: usize, tones: usize): void {
  for (const end = from + (<usize>count << 2); from < end; from += 4) {
    const r = <u64>load<u16>(tones + (<usize>load<u8>(from) << 1));
    const g = <u64>load<u16>(tones + (<usize>load<u8>(from, 1) << 1));
    const b = <u64>load<u16>(tones + (<usize>load<u8>(from, 2) << 1));
    store<u64>(to, r | (g << 16) | (b << 32));
    to += 8;
  }
}

/** Writes `count` texels, each the mean of two by two; from: the first of them, stride: bytes to the row below. */
export function halve(from: usize, stride: usize, count: i32, to: usize): void {
  const two = i32x4.splat(2);
  for (const end = to + (<usize>count << 3); to < end; to += 8) {
    const a = v128.load(from), b = v128.load(from + stride);
    const above = i32x4.add(i32x4.extend_low_i16x8_s(a), i32x4.extend_high_i16x8_s(a));
    const under = i32x4.add(i32x4.extend_low_i16x8_s(b), i32x4.extend_high_i16x8_s(b));
    const mean = i32x4.shr_u(i32x4.add(i32x4.add(above, under), two), 2);
    v128.store64_lane(to, i16x8.narrow_i32x4_s(mean, mean), 0);
    from += 16;
  }
}

/** Places of the block's pixels on the surface, from pixel position (x, y) to the right. */
function findPlaces(s: usize, x: f64, y: f64, block: usize): void {
  const a0 = load<f64>(s), b0 = load<f64>(s, 24), g0 = load<f64>(s, 48);
  const a = a0 * x + load<f64>(s, 8) * y + load<f64>(s, 16);
  const b = b0 * x + load<f64>(s, 32) * y + load<f64>(s, 40);
  const g = g0 * x + load<f64>(s, 56) * y + load<f64>(s, 64);
  let A = f64x2.replace_lane(f64x2.splat(a), 1, a + a0);
  let B = f64x2.replace_lane(f64x2.splat(b), 1, b + b0);
  let G = f64x2.replace_lane(f64x2.splat(g), 1, g + g0);
  const a2 = f64x2.splat(2 * a0), b2 = f64x2.splat(2 * b0), g2 = f64x2.splat(2 * g0);
  const one = f64x2.splat(1);
  for (let at = block; at < block + DOWN; at += 16) {
    const k = f64x2.div(one, G);
    v128.store(at, f64x2.mul(A, k), ACROSS);
    v128.store(at, f64x2.mul(B, k), DOWN);
    A = f64x2.add(A, a2);
    B = f64x2.add(B, b2);
    G = f64x2.add(G, g2);
  }
}

/** The footprint of the block's first pixel, the level on which its shorter side is at most two texels, and its taps. */
function findFootprint(s: usize, x: f64, y: f64, block: usize): void {
  const g0 = load<f64>(s, 48), g1 = load<f64>(s, 56);
  const u0 = load<f64>(s, 72), du = load<f64>(s, 80);
  const levels = load<usize>(s, 108);
  const deepest = load<i32>(s, 112) - 1;
  const most = <f32>load<i32>(s, 116);
  const k = 1.0 / (g0 * x + g1 * y + load<f64>(s, 64));
  const across = load<f64>(block, ACROSS), down = load<f64>(block, DOWN);
  let ux = <f32>((load<f64>(s) - across * g0) * k * du);
  let uy = <f32>((load<f64>(s, 8) - across * g1) * k * du);
  let vx = <f32>((load<f64>(s, 24) - down * g0) * k);
  let vy = <f32>((load<f64>(s, 32) - down * g1) * k);
  let width = <f32>load<i32>(levels, 4), height = <f32>load<i32>(levels, 8);
  let lx = sqrt<f32>(ux * width * (ux * width) + vx * height * (vx * height));
  let ly = sqrt<f32>(uy * width * (uy * width) + vy * height * (vy * height));
  let level = 0;
  while ((min(lx, ly) > 2 || max(lx, ly) > most * 2) && level < deepest) {
    lx *= 0.5;
    ly *= 0.5;
    level++;
  }
  const entry = levels + (<usize>level << 4);
  width = <f32>load<i32>(entry, 4);
  height = <f32>load<i32>(entry, 8);
  const tx = min(most, max<f32>(1, ceil<f32>(lx - ALMOST)));
  const ty = min(most, max<f32>(1, ceil<f32>(ly - ALMOST)));
  ux *= width / tx;
  vx *= height / tx;
  uy *= width / ty;
  vy *= height / ty;
  store<usize>(block, load<usize>(entry), LEVEL);
  store<i32>(block, (load<i32>(entry, 4) + 4) << 3, STRIDE);
  store<i32>(block, <i32>tx, TAPS_X);
  store<i32>(block, <i32>ty, TAPS_Y);
  // Taps stand in the middles of equal parts of the footprint.
  const offU = PAD - 0.5 - 0.5 * ((tx - 1) * ux + (ty - 1) * uy);
  const offV = PAD - 0.5 - 0.5 * ((tx - 1) * vx + (ty - 1) * vy);
  store<f64>(block, du * width * 65536, SIZE);
  store<f64>(block, <f64>height * 65536, SIZE + 8);
  store<f64>(block, (u0 * width + offU) * 65536, OFF);
  store<f64>(block, <f64>offV * 65536, OFF + 8);
  store<i32>(block, <i32>(ux * 65536), STEP);
  store<i32>(block, <i32>(vx * 65536), STEP + 4);
  store<i32>(block, <i32>(uy * 65536), ROW);
  store<i32>(block, <i32>(vy * 65536), ROW + 4);
  // Past the border the outermost texels go on.
  store<i32>(block, (<i32>width << 16) + 0x1ffff, END);
  store<i32>(block, (<i32>height << 16) + 0x1ffff, END + 4);
  store<f32>(block, SCALE / (tx * ty), WEIGHT);
}

// @ts-ignore: a decorator of AssemblyScript
@inline
/** Four places of a block, 16.16 texels. */
function fixed(from: usize, size: f64, off: f64): v128 {
  const s = f64x2.splat(size), o = f64x2.splat(off);
  const p = i32x4.trunc_sat_f64x2_s_zero(f64x2.add(f64x2.mul(v128.load(from), s), o));
  const q = i32x4.trunc_sat_f64x2_s_zero(f64x2.add(f64x2.mul(v128.load(from, 16), s), o));
  return v128.shuffle<i64>(p, q, 0, 2);
}

// @ts-ignore: a decorator of AssemblyScript
@inline
/** Rows of two texels weighted in pairs one above the other: interleaved, one instruction weights and adds a pair. */
function pairs(above: v128, under: v128, left: v128, right: v128): v128 {
  return i32x4.add(
    i32x4.dot_i16x8_s(v128.shuffle<i16>(above, under, 0, 8, 1, 9, 2, 10, 3, 11), left),
    i32x4.dot_i16x8_s(v128.shuffle<i16>(above, under, 4, 12, 5, 13, 6, 14, 7, 15), right),
  );
}

// @ts-ignore: a decorator of AssemblyScript
@inline
function linearTap(p: usize, stride: usize, left: v128, right: v128): v128 {
  return f32x4.convert_i32x4_s(pairs(v128.load(p), v128.load(p + stride), left, right));
}

// @ts-ignore: a decorator of AssemblyScript
@inline
/** Writes the mean of a pixel's taps. */
function keep(to: usize, sum: v128, weight: v128): void {
  v128.store(to, f32x4.pmin(f32x4.pmax(f32x4.mul(sum, weight), f32x4.splat(0)), f32x4.splat(65535)), TEXELS);
}

// @ts-ignore: a decorator of AssemblyScript
@inline
/** Sixteen texels: their four rows are added up down each column, then the columns. wx: f32x4; wy: i16x4. */
function cubicTap(p: usize, stride: usize, wx: usize, wy: usize): v128 {
  const upper = v128.load32_splat(wy), lower = v128.load32_splat(wy, 4);
  const p1 = p + stride, p2 = p1 + stride, p3 = p2 + stride;
  let a = v128.load(p), b = v128.load(p1), c = v128.load(p2), d = v128.load(p3);
  let sum = f32x4.mul(column(a, b, c, d, upper, lower, false), v128.load32_splat(wx));
  sum = f32x4.add(sum, f32x4.mul(column(a, b, c, d, upper, lower, true), v128.load32_splat(wx, 4)));
  a = v128.load(p, 16);
  b = v128.load(p1, 16);
  c = v128.load(p2, 16);
  d = v128.load(p3, 16);
  sum = f32x4.add(sum, f32x4.mul(column(a, b, c, d, upper, lower, false), v128.load32_splat(wx, 8)));
  return f32x4.add(sum, f32x4.mul(column(a, b, c, d, upper, lower, true), v128.load32_splat(wx, 12)));
}

// @ts-ignore: a decorator of AssemblyScript
@inline
/** The first or the second of two columns of four texels, added up by weights in pairs. */
function column(a: v128, b: v128, c: v128, d: v128, upper: v128, lower: v128, second: bool): v128 {
  const ab = second ? v128.shuffle<i16>(a, b, 4, 12, 5, 13, 6, 14, 7, 15) : v128.shuffle<i16>(a, b, 0, 8, 1, 9, 2, 10, 3, 11);
  const cd = second ? v128.shuffle<i16>(c, d, 4, 12, 5, 13, 6, 14, 7, 15) : v128.shuffle<i16>(c, d, 0, 8, 1, 9, 2, 10, 3, 11);
  return f32x4.convert_i32x4_s(i32x4.add(i32x4.dot_i16x8_s(ab, upper), i32x4.dot_i16x8_s(cd, lower)));
}

// @ts-ignore: a decorator of AssemblyScript
@inline
/** Texels of a block's first `count` pixels; `cubic` is known where it is built in, so that each filter has a loop of its own. */
function sample(block: usize, count: i32, weights: usize, cubic: bool): void {
  const stride = <usize>load<i32>(block, STRIDE);
  // A cubic begins one texel up and to the left.
  const texels = i32x4.splat(load<i32>(block, LEVEL) - (cubic ? <i32>stride + 8 : 0));
  const stride4 = i32x4.splat(<i32>stride);
  const nx = load<i32>(block, TAPS_X), ny = load<i32>(block, TAPS_Y);
  const stepU = v128.load32_splat(block, STEP), stepV = v128.load32_splat(block, STEP + 4);
  const rowU = v128.load32_splat(block, ROW), rowV = v128.load32_splat(block, ROW + 4);
  const endU = v128.load32_splat(block, END), endV = v128.load32_splat(block, END + 4);
  const weight = v128.load32_splat(block, WEIGHT);
  const start = i32x4.splat(0x10000);
  const low = i32x4.splat(ONE - 1);
  const one = i32x4.splat(ONE);
  const wx = i32x4.splat(<i32>weights), wy = i32x4.splat(<i32>weights + 4096);
  for (let n = 0; n < count; n += 4) {
    const from = block + (<usize>n << 3);
    let firstU = fixed(from + ACROSS, load<f64>(block, SIZE), load<f64>(block, OFF));
    let firstV = fixed(from + DOWN, load<f64>(block, SIZE + 8), load<f64>(block, OFF + 8));
    let s0 = f32x4.splat(0), s1 = f32x4.splat(0), s2 = f32x4.splat(0), s3 = f32x4.splat(0);
    for (let j = 0; j < ny; j++) {
      let u = firstU, v = firstV;
      for (let i = 0; i < nx; i++) {
        const cu = i32x4.max_s(start, i32x4.min_s(u, endU));
        const cv = i32x4.max_s(start, i32x4.min_s(v, endV));
        const p = i32x4.add(
          i32x4.add(texels, i32x4.mul(i32x4.shr_u(cv, 16), stride4)),
          i32x4.shl(i32x4.shr_u(cu, 16), 3),
        );
        if (cubic) {
          const x = i32x4.add(wx, i32x4.shr_u(v128.and(cu, i32x4.splat(0xff00)), 4));
          const y = i32x4.add(wy, i32x4.shr_u(v128.and(cv, i32x4.splat(0xff00)), 5));
          s0 = f32x4.add(s0, cubicTap(i32x4.extract_lane(p, 0), stride, i32x4.extract_lane(x, 0), i32x4.extract_lane(y, 0)));
          s1 = f32x4.add(s1, cubicTap(i32x4.extract_lane(p, 1), stride, i32x4.extract_lane(x, 1), i32x4.extract_lane(y, 1)));
          s2 = f32x4.add(s2, cubicTap(i32x4.extract_lane(p, 2), stride, i32x4.extract_lane(x, 2), i32x4.extract_lane(y, 2)));
          s3 = f32x4.add(s3, cubicTap(i32x4.extract_lane(p, 3), stride, i32x4.extract_lane(x, 3), i32x4.extract_lane(y, 3)));
        } else {
          // Shares of the four texels about the place, of 16384 in all; two of them in one lane.
          const fx = v128.and(i32x4.shr_u(cu, 2), low);
          const fy = v128.and(i32x4.shr_u(cv, 2), low);
          const w11 = i32x4.shr_u(i32x4.dot_i16x8_s(fx, fy), 14);
          const w10 = i32x4.sub(fx, w11);
          const w01 = i32x4.sub(fy, w11);
          const w00 = i32x4.sub(i32x4.sub(one, fx), w01);
          const left = v128.or(w00, i32x4.shl(w01, 16));
          const right = v128.or(w10, i32x4.shl(w11, 16));
          s0 = f32x4.add(s0, linearTap(i32x4.extract_lane(p, 0), stride, v128.shuffle<i32>(left, left, 0, 0, 0, 0), v128.shuffle<i32>(right, right, 0, 0, 0, 0)));
          s1 = f32x4.add(s1, linearTap(i32x4.extract_lane(p, 1), stride, v128.shuffle<i32>(left, left, 1, 1, 1, 1), v128.shuffle<i32>(right, right, 1, 1, 1, 1)));
          s2 = f32x4.add(s2, linearTap(i32x4.extract_lane(p, 2), stride, v128.shuffle<i32>(left, left, 2, 2, 2, 2), v128.shuffle<i32>(right, right, 2, 2, 2, 2)));
          s3 = f32x4.add(s3, linearTap(i32x4.extract_lane(p, 3), stride, v128.shuffle<i32>(left, left, 3, 3, 3, 3), v128.shuffle<i32>(right, right, 3, 3, 3, 3)));
        }
        u = i32x4.add(u, stepU);
        v = i32x4.add(v, stepV);
      }
      firstU = i32x4.add(firstU, rowU);
      firstV = i32x4.add(firstV, rowV);
    }
    const to = block + (<usize>n << 4);
    keep(to, s0, weight);
    keep(to + 16, s1, weight);
    keep(to + 32, s2, weight);
    keep(to + 48, s3, weight);
  }
}

/** Texels of a block's first `count` pixels, joined by straight lines. */
function sampleLinear(block: usize, count: i32): void {
  sample(block, count, 0, false);
}

/** Texels of a block's first `count` pixels, joined by cubics; weights: f32x4 and then i16x4, 256 of each. */
function sampleCubic(block: usize, count: i32, weights: usize): void {
  sample(block, count, weights, true);
}

/** Adds a block's texels in its light, times `whole`, to sums. */
function addLit(s: usize, block: usize, count: i32, whole: f32, to: usize): void {
  const light = load<usize>(s, 88);
  const columns = load<i32>(s, 92), rows = load<i32>(s, 96);
  const profile = load<usize>(s, 100);
  const length = <f32>load<i32>(s, 104);
  const pitch = <usize>(columns + 1) << 4;
  const cells = f32x4.replace_lane(f32x4.splat(<f32>columns), 1, <f32>rows);
  const none = f32x4.splat(0), last = f32x4.splat(0.99999);
  for (let n = 0; n < count; n++) {
    const texel = v128.load(block + (<usize>n << 4), TEXELS);
    const at = block + (<usize>n << 3);
    const across = load<f64>(at, ACROSS);
    const spot = f32x4.replace_lane(f32x4.splat(<f32>across), 1, <f32>load<f64>(at, DOWN));
    // Light at the four corners of the cell: diffuse, sheen, foil and opacity.
    const within = f32x4.mul(f32x4.pmin(f32x4.pmax(spot, none), last), cells);
    const cell = i32x4.trunc_sat_f32x4_s(within);
    const rest = f32x4.sub(within, f32x4.convert_i32x4_s(cell));
    const fi = v128.shuffle<f32>(rest, rest, 0, 0, 0, 0), fj = v128.shuffle<f32>(rest, rest, 1, 1, 1, 1);
    const p = light + <usize>i32x4.extract_lane(cell, 1) * pitch + (<usize>i32x4.extract_lane(cell, 0) << 4);
    const q = p + pitch;
    const l00 = v128.load(p), l01 = v128.load(q);
    const l0 = f32x4.add(l00, f32x4.mul(f32x4.sub(v128.load(p, 16), l00), fi));
    const l1 = f32x4.add(l01, f32x4.mul(f32x4.sub(v128.load(q, 16), l01), fi));
    const lit = f32x4.add(l0, f32x4.mul(f32x4.sub(l1, l0), fj));
    let diffuse = v128.shuffle<f32>(lit, lit, 0, 0, 0, 0);
    if (profile != 0) {
      const u = <f32>(load<f64>(s, 72) + across * load<f64>(s, 80));
      const place = max<f32>(0, min<f32>(u * length - 0.5, length - 1.001));
      const r = profile + (<usize>(<i32>place) << 2);
      const left = load<f32>(r);
      diffuse = f32x4.mul(diffuse, f32x4.splat(left + (load<f32>(r, 4) - left) * (place - <f32>(<i32>place))));
    }
    const foil = f32x4.mul(v128.shuffle<f32>(texel, texel, 3, 3, 3, 3), f32x4.splat(1.0 / 65535.0));
    const gain = f32x4.add(diffuse, f32x4.mul(f32x4.sub(v128.shuffle<f32>(lit, lit, 2, 2, 2, 2), diffuse), foil));
    const sheen = v128.shuffle<f32>(lit, lit, 1, 1, 1, 1);
    const share = f32x4.mul(v128.shuffle<f32>(lit, lit, 3, 3, 3, 3), f32x4.splat(whole));
    const rgb = f32x4.mul(f32x4.add(f32x4.mul(texel, gain), sheen), share);
    v128.store(to, f32x4.add(v128.load(to), v128.shuffle<f32>(rgb, share, 0, 1, 2, 7)));
    to += 16;
  }
}

/** Adds a block's texels times `whole` to sums, in light that changes nothing. */
function addPlain(block: usize, count: i32, whole: f32, to: usize): void {
  const whole4 = f32x4.splat(whole);
  for (let from = block; from < block + (<usize>count << 4); from += 16) {
    const rgb = f32x4.mul(v128.load(from, TEXELS), whole4);
    v128.store(to, f32x4.add(v128.load(to), f32x4.replace_lane(rgb, 3, whole)));
    to += 16;
  }
}

/**
 * Adds `count` pixels of a surface from pixel position (x, y) to the right, times `whole`, to sums of r, g, b, cover.
 * s: the surface; to: the first sum; weights: cubic weights; block: scratch.
 */
export function shade(s: usize, x: f64, y: f64, count: i32, whole: f32, to: usize, weights: usize, block: usize): void {
  const textured = load<usize>(s, 108) != 0;
  const cubic = load<i32>(s, 120) != 0;
  const even = load<i32>(s, 124) != 0;
  if (!textured) {
    const colour = v128.load(s, 128);
    for (let n = 0; n < BLOCK; n++) v128.store(block + (<usize>n << 4), colour, TEXELS);
  }
  for (let n = 0; n < count; n += BLOCK) {
    const some = min(BLOCK, count - n);
    const left = x + <f64>n;
    if (textured || !even) findPlaces(s, left, y, block);
    if (textured) {
      findFootprint(s, left, y, block);
      if (cubic) sampleCubic(block, some, weights);
      else sampleLinear(block, some);
    }
    if (even) addPlain(block, some, whole, to);
    else addLit(s, block, some, whole, to);
    to += BLOCK << 4;
  }
}

/** Writes `count` sums that are wholly covered as opaque bytes; tones: 8192 bytes each for r, g and b. */
export function encode(from: usize, count: i32, to: usize, tones: usize): void {
  for (let n = 0; n < count; n++) {
    const v = i32x4.shr_u(i32x4.trunc_sat_f32x4_s(f32x4.pmin(v128.load(from), f32x4.splat(65535))), 3);
    const r = <u32>load<u8>(tones + i32x4.extract_lane(v, 0));
    const g = <u32>load<u8>(tones + i32x4.extract_lane(v, 1), 8192);
    const b = <u32>load<u8>(tones + i32x4.extract_lane(v, 2), 16384);
    store<u32>(to, r | (g << 8) | (b << 16) | 0xff000000);
    from += 16;
    to += 4;
  }
}
