/**
 * Samples a surface under perspective, in AssemblyScript with SIMD. The same computation as `plain.ts`, which is its
 * reference: change both. Works on raw memory laid out by `kernel.ts`; build with `npm run kernel`.
 */

// @ts-nocheck
const PAD: f32 = 2;
/** Pixels of a run that share one footprint. */
const BLOCK: i32 = 16;
/** A footprint that is a whole number of texels but for rounding takes so many taps. */
const ALMOST: f32 = 0.004;
/** 15-bit texels times 14-bit weights, to linear light 0..65535. */
const SCALE: f32 = 65535.0 / 32767.0 / 16384.0;

// @ts-ignore: a decorator of AssemblyScript
@inline
function pairs(q: v128, weights: v128): v128 {
  // Two texels with their channels side by side, so that one instruction weights and adds both.
  return i32x4.dot_i16x8_s(v128.shuffle<i16>(q, q, 0, 4, 1, 5, 2, 6, 3, 7), weights);
}

// @ts-ignore: a decorator of AssemblyScript
@inline
function cubicRow(p: usize, w01: v128, w23: v128, wy: usize): v128 {
  const sum = i32x4.add(pairs(v128.load(p), w01), pairs(v128.load(p, 16), w23));
  return f32x4.mul(f32x4.convert_i32x4_s(sum), v128.load32_splat(wy));
}

/**
 * Adds `count` pixels of a surface from pixel position (x, y) to the right, times `whole`, to sums of r, g, b, cover.
 * s: the surface; to: the first sum; wx, wy: cubic weights as i16x4 and f32x4, 256 of each.
 */
export function shade(s: usize, x: f64, y: f64, count: i32, whole: f32, to: usize, wx: usize, wy: usize): void {
  const a0 = load<f64>(s), b0 = load<f64>(s, 24), g0 = load<f64>(s, 48); // prettier-ignore
  let A = a0 * x + load<f64>(s, 8) * y + load<f64>(s, 16);
  let B = b0 * x + load<f64>(s, 32) * y + load<f64>(s, 40);
  let G = g0 * x + load<f64>(s, 56) * y + load<f64>(s, 64);
  const a1 = load<f64>(s, 8), b1 = load<f64>(s, 32), g1 = load<f64>(s, 56); // prettier-ignore
  const u0 = load<f64>(s, 72), du = load<f64>(s, 80); // prettier-ignore
  const light = load<usize>(s, 88);
  const columns = load<i32>(s, 92), rows = load<i32>(s, 96); // prettier-ignore
  const profile = load<usize>(s, 100);
  const across = load<i32>(s, 104);
  const levels = load<usize>(s, 108);
  const deepest = load<i32>(s, 112) - 1;
  const most = <f32>load<i32>(s, 116);
  const cubic = load<i32>(s, 120) != 0;
  const even = load<i32>(s, 124) != 0;
  const colour = v128.load(s, 128);
  const fc = <f32>columns, fr = <f32>rows; // prettier-ignore
  const pitch = <usize>(columns + 1) << 4;

  let texels: usize = 0;
  let stride: usize = 0;
  let width: f32 = 0, height: f32 = 0; // prettier-ignore
  let nx = 1, ny = 1; // prettier-ignore
  // Places in a texture are 16.16 fixed, across in the first lane and down in the second.
  let step = i32x4.splat(0), row = i32x4.splat(0), end = i32x4.splat(0); // prettier-ignore
  let size = f32x4.splat(0), off = f32x4.splat(0); // prettier-ignore
  let scale: f32 = 0;
  const start = i32x4.splat(0x10000);
  const none = f32x4.splat(0);
  const full = f32x4.splat(65535);
  const cells = f32x4.replace_lane(f32x4.splat(fc), 1, fr);

  for (let n = 0; n < count; n++) {
    const k = 1.0 / G;
    const su = A * k, tv = B * k; // prettier-ignore
    const u = <f32>(u0 + su * du), v = <f32>tv; // prettier-ignore
    if (levels != 0 && (n & (BLOCK - 1)) == 0) {
      // Footprint of a pixel, the level on which its shorter side is at most two texels, and its taps.
      let ux = <f32>((a0 - su * g0) * k * du), uy = <f32>((a1 - su * g1) * k * du); // prettier-ignore
      let vx = <f32>((b0 - tv * g0) * k), vy = <f32>((b1 - tv * g1) * k); // prettier-ignore
      width = <f32>load<i32>(levels, 4);
      height = <f32>load<i32>(levels, 8);
      let lx = sqrt<f32>(ux * width * (ux * width) + vx * height * (vx * height));
      let ly = sqrt<f32>(uy * width * (uy * width) + vy * height * (vy * height));
      let level = 0;
      while ((min(lx, ly) > 2 || max(lx, ly) > most * 2) && level < deepest) {
        lx *= 0.5;
        ly *= 0.5;
        level++;
      }
      const entry = levels + (<usize>level << 4);
      texels = load<usize>(entry);
      width = <f32>load<i32>(entry, 4);
      height = <f32>load<i32>(entry, 8);
      stride = (<usize>load<i32>(entry, 4) + 4) << 3;
      const tx = min(most, max<f32>(1, ceil<f32>(lx - ALMOST)));
      const ty = min(most, max<f32>(1, ceil<f32>(ly - ALMOST)));
      nx = <i32>tx;
      ny = <i32>ty;
      ux *= width / tx;
      vx *= height / tx;
      uy *= width / ty;
      vy *= height / ty;
      // Taps stand in the middles of equal parts of the footprint.
      const offU = PAD - 0.5 - 0.5 * ((tx - 1) * ux + (ty - 1) * uy);
      const offV = PAD - 0.5 - 0.5 * ((tx - 1) * vx + (ty - 1) * vy);
      off = f32x4.mul(f32x4.replace_lane(f32x4.splat(offU), 1, offV), f32x4.splat(65536));
      size = f32x4.mul(f32x4.replace_lane(f32x4.splat(width), 1, height), f32x4.splat(65536));
      step = i32x4.replace_lane(i32x4.splat(<i32>(ux * 65536)), 1, <i32>(vx * 65536));
      row = i32x4.replace_lane(i32x4.splat(<i32>(uy * 65536)), 1, <i32>(vy * 65536));
      scale = SCALE / (tx * ty);
      end = i32x4.replace_lane(i32x4.splat((<i32>width << 16) + 0x1ffff), 1, (<i32>height << 16) + 0x1ffff);
    }
    A += a0;
    B += b0;
    G += g0;

    let texel = colour;
    if (levels != 0) {
      let acc = f32x4.splat(0);
      const place = f32x4.replace_lane(f32x4.splat(u), 1, v);
      let first = i32x4.trunc_sat_f32x4_s(f32x4.add(f32x4.mul(place, size), off));
      for (let j = 0; j < ny; j++) {
        let at = first;
        for (let i = 0; i < nx; i++) {
          // Past the border the outermost texels go on.
          const kept = i32x4.max_s(start, i32x4.min_s(at, end));
          const cu = i32x4.extract_lane(kept, 0);
          const cv = i32x4.extract_lane(kept, 1);
          if (cubic) {
            const w = wx + (<usize>(cu & 0xff00) >> 5);
            const w01 = v128.load32_splat(w);
            const w23 = v128.load32_splat(w, 4);
            const h = wy + (<usize>(cv & 0xff00) >> 4);
            let p = texels + <usize>((cv >> 16) - 1) * stride + (<usize>((cu >> 16) - 1) << 3);
            acc = f32x4.add(acc, cubicRow(p, w01, w23, h));
            p += stride;
            acc = f32x4.add(acc, cubicRow(p, w01, w23, h + 4));
            p += stride;
            acc = f32x4.add(acc, cubicRow(p, w01, w23, h + 8));
            p += stride;
            acc = f32x4.add(acc, cubicRow(p, w01, w23, h + 12));
          } else {
            const right = (cu & 0xffff) >> 2;
            const w = i32x4.splat((right << 16) | (16384 - right));
            const p = texels + <usize>(cv >> 16) * stride + (<usize>(cu >> 16) << 3);
            const above = f32x4.convert_i32x4_s(pairs(v128.load(p), w));
            const under = f32x4.convert_i32x4_s(pairs(v128.load(p + stride), w));
            const f = f32x4.splat(<f32>(cv & 0xffff) * (1.0 / 65536.0));
            acc = f32x4.add(acc, f32x4.add(above, f32x4.mul(f32x4.sub(under, above), f)));
          }
          at = i32x4.add(at, step);
        }
        first = i32x4.add(first, row);
      }
      acc = f32x4.mul(acc, f32x4.splat(scale));
      texel = f32x4.pmin(f32x4.pmax(acc, none), full);
    }

    if (even) {
      // Light that changes nothing.
      const whole4 = f32x4.splat(whole);
      v128.store(to, f32x4.add(v128.load(to), f32x4.replace_lane(f32x4.mul(texel, whole4), 3, whole)));
      to += 16;
      continue;
    }
    // Light at the four corners of the cell: diffuse, sheen, foil and opacity.
    const spot = f32x4.replace_lane(f32x4.splat(<f32>su), 1, v);
    const within = f32x4.mul(f32x4.pmin(f32x4.pmax(spot, none), f32x4.splat(0.99999)), cells);
    const cell = i32x4.trunc_sat_f32x4_s(within);
    const rest = f32x4.sub(within, f32x4.convert_i32x4_s(cell));
    const i = i32x4.extract_lane(cell, 0), j = i32x4.extract_lane(cell, 1); // prettier-ignore
    const fi = v128.shuffle<f32>(rest, rest, 0, 0, 0, 0), fj = v128.shuffle<f32>(rest, rest, 1, 1, 1, 1); // prettier-ignore
    const p = light + <usize>j * pitch + (<usize>i << 4);
    const q = p + pitch;
    const l00 = v128.load(p), l01 = v128.load(q); // prettier-ignore
    const l0 = f32x4.add(l00, f32x4.mul(f32x4.sub(v128.load(p, 16), l00), fi));
    const l1 = f32x4.add(l01, f32x4.mul(f32x4.sub(v128.load(q, 16), l01), fi));
    const lit = f32x4.add(l0, f32x4.mul(f32x4.sub(l1, l0), fj));
    let diffuse = f32x4.extract_lane(lit, 0);
    if (profile != 0) {
      const place = max<f32>(0, min<f32>(u * <f32>across - 0.5, <f32>across - 1.001));
      const r = profile + (<usize>(<i32>place) << 2);
      const left = load<f32>(r);
      diffuse *= left + (load<f32>(r, 4) - left) * (place - <f32>(<i32>place));
    }
    const foil = f32x4.extract_lane(texel, 3) * (1.0 / 65535.0);
    const gain = diffuse + (f32x4.extract_lane(lit, 2) - diffuse) * foil;
    const share = whole * f32x4.extract_lane(lit, 3);
    const sheen = f32x4.splat(f32x4.extract_lane(lit, 1));
    const rgb = f32x4.mul(f32x4.add(f32x4.mul(texel, f32x4.splat(gain)), sheen), f32x4.splat(share));
    v128.store(to, f32x4.add(v128.load(to), f32x4.replace_lane(rgb, 3, share)));
    to += 16;
  }
}

/** Writes `count` sums that are wholly covered as opaque bytes; tones: 8192 bytes each for r, g and b. */
export function encode(from: usize, count: i32, to: usize, tones: usize): void {
  for (let n = 0; n < count; n++) {
    const v = i32x4.shr_u(i32x4.trunc_sat_f32x4_u(f32x4.pmin(v128.load(from), f32x4.splat(65535))), 3);
    const r = <u32>load<u8>(tones + i32x4.extract_lane(v, 0));
    const g = <u32>load<u8>(tones + 8192 + i32x4.extract_lane(v, 1));
    const b = <u32>load<u8>(tones + 16384 + i32x4.extract_lane(v, 2));
    store<u32>(to, r | (g << 8) | (b << 16) | 0xff000000);
    from += 16;
    to += 4;
  }
}
