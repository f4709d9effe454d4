import { type Hex, labOf, rgbOf, rgbOfLab } from '../colour';
import { type Raster, raster } from '../pixels';
import { blurred } from './blur';
import { cutOut } from './cut-out';
import { type Lean, isUpright, uprighted } from './lean';

/** How a picture is developed; see `Look` of a picture part. Grain is laid over later, at the cover's own pixels. */
export type Development = {
  /** -1..1: half to twice the exposure, ends kept. */
  readonly brightness: number;
  /** -1 grey .. 1 steep. */
  readonly contrast: number;
  /** -1 grey .. 1 twice the colour. */
  readonly saturation: number;
  readonly hueRad: number;
  readonly tint: { readonly dark: Hex; readonly light: Hex; readonly amount: number } | null;
  /** Standard deviation, fraction of the picture's width. */
  readonly blur: number;
  /** What of it is kept: the picture that says so, by its name, and how soft its edge is, a fraction of the width. */
  readonly matte: { readonly picture: string; readonly feather: number } | null;
  /** A colour that is taken out: gone up to `reach` from it (OKLab), whole from `reach + soft` on. */
  readonly clear: { readonly colour: Hex; readonly reach: number; readonly soft: number } | null;
  /** How far lines that run together are set upright and level. */
  readonly lean: Lean;
};

export const isPlain = (look: Development): boolean =>
  look.brightness === 0 &&
  look.contrast === 0 &&
  look.saturation === 0 &&
  look.hueRad === 0 &&
  look.tint === null &&
  look.clear === null &&
  look.matte === null &&
  isUpright(look.lean) &&
  look.blur === 0;

/**
 * A developed copy; alpha stays, except where a colour is taken out, what lies round a subject goes, or a blur spreads it. `matte` is
 * the picture that `look.matte` names, in any size.
 */
export function develop(given: Raster, look: Development, matte: Raster | null = null): Raster {
  const kept = look.matte && matte ? cutOut(given, matte, look.matte.feather) : given;
  const source = look.clear ? cleared(kept, look.clear) : kept;
  const tone = toneCurve(look.brightness, look.contrast);
  const m = colourMatrix(look.saturation, look.hueRad);
  const tint = look.tint ? tintCurve(look.tint.dark, look.tint.light) : null;
  const amount = look.tint?.amount ?? 0;
  const out = raster(source.width, source.height);
  const { data } = source;
  const to = out.data;
  for (let i = 0; i < data.length; i += 4) {
    const r = tone[data[i]];
    const g = tone[data[i + 1]];
    const b = tone[data[i + 2]];
    let x = m[0] * r + m[1] * g + m[2] * b;
    let y = m[3] * r + m[4] * g + m[5] * b;
    let z = m[6] * r + m[7] * g + m[8] * b;
    if (tint) {
      const luma = 0.2126 * x + 0.7152 * y + 0.0722 * z;
      const t = 3 * Math.min(255, Math.max(0, Math.round(luma)));
      x += (tint[t] - x) * amount;
      y += (tint[t + 1] - y) * amount;
      z += (tint[t + 2] - z) * amount;
    }
    to[i] = x;
    to[i + 1] = y;
    to[i + 2] = z;
    to[i + 3] = data[i + 3];
  }
  const soft = look.blur > 0 ? blurred(out, look.blur * source.width) : out;
  return isUpright(look.lean) ? soft : uprighted(soft, look.lean);
}

/**
 * A copy without one colour. Where it is mixed with another, as at the edges of things, its share is taken out of the mixture, so
 * that no rim of it stays.
 */
function cleared(source: Raster, { colour, reach, soft }: NonNullable<Development['clear']>): Raster {
  const out = raster(source.width, source.height);
  const key = rgbOf(colour);
  const [l, a, b] = labOf(key);
  const known = new Map<number, number>();
  const { data } = source;
  const seen = (i: number): number => {
    const at = (data[i] << 16) | (data[i + 1] << 8) | data[i + 2];
    let share = known.get(at);
    if (share === undefined) {
      const [x, y, z] = labOf([data[i], data[i + 1], data[i + 2]]);
      const t = Math.min(1, Math.max(0, (Math.hypot(x - l, y - a, z - b) - reach) / soft));
      const eased = t * t * (3 - 2 * t);
      // Never so little of the other colour that it would have to be brighter than white or darker than black.
      known.set(at, (share = eased === 0 ? 0 : Math.max(eased, ...key.map((k, c) => leastShare(data[i + c], k)))));
    }
    return share;
  };
  for (let i = 0; i < data.length; i += 4) {
    const share = seen(i);
    if (share > 0 && share < 1)
      for (let c = 0; c < 3; c++) out.data[i + c] = (data[i + c] - (1 - share) * key[c]) / share;
    else for (let c = 0; c < 3; c++) out.data[i + c] = data[i + c];
    out.data[i + 3] = Math.round(data[i + 3] * share);
  }
  return out;
}

/** The least share of another value, 0..255, with which `k` makes the mixture `v`. */
const leastShare = (v: number, k: number): number => (v < k ? (k - v) / k : v > k ? (v - k) / (255 - k) : 0);

/** Encoded value to encoded value: a gamma for brightness, a straight or S-shaped line about the middle for contrast. */
function toneCurve(brightness: number, contrast: number): Float32Array {
  const curve = new Float32Array(256);
  const gamma = 2 ** -brightness;
  for (let i = 0; i < 256; i++) {
    const v = (i / 255) ** gamma;
    const s = v * v * (3 - 2 * v);
    // Above 0 towards the S curve applied twice, so that ends are never clipped hard; below 0 towards grey.
    const steep = s * s * (3 - 2 * s);
    curve[i] = 255 * (contrast >= 0 ? v + (steep - v) * contrast : 0.5 + (v - 0.5) * (1 + contrast));
  }
  return curve;
}

/** Saturation and hue rotation that keep luma, as the filter effects standard has them. */
function colourMatrix(saturation: number, hueRad: number): readonly number[] {
  const s = 1 + saturation;
  const [lr, lg, lb] = [0.2126, 0.7152, 0.0722];
  const sat = [
    lr + (1 - lr) * s,
    lg - lg * s,
    lb - lb * s,
    lr - lr * s,
    lg + (1 - lg) * s,
    lb - lb * s,
    lr - lr * s,
    lg - lg * s,
    lb + (1 - lb) * s,
  ];
  const c = Math.cos(hueRad);
  const n = Math.sin(hueRad);
  const hue = [
    lr + c * (1 - lr) - n * lr,
    lg - c * lg - n * lg,
    lb - c * lb + n * (1 - lb),
    lr - c * lr + n * 0.143,
    lg + c * (1 - lg) + n * 0.14,
    lb - c * lb - n * 0.283,
    lr - c * lr - n * (1 - lr),
    lg - c * lg + n * lg,
    lb + c * (1 - lb) + n * lb,
  ];
  const product: number[] = [];
  for (let row = 0; row < 3; row++) {
    for (let col = 0; col < 3; col++) {
      product.push(hue[row * 3] * sat[col] + hue[row * 3 + 1] * sat[3 + col] + hue[row * 3 + 2] * sat[6 + col]);
    }
  }
  return product;
}

/** Luma 0..255 to a colour between the two, even in OKLab. */
function tintCurve(dark: Hex, light: Hex): Float32Array {
  const a = labOf(rgbOf(dark));
  const b = labOf(rgbOf(light));
  const curve = new Float32Array(256 * 3);
  for (let i = 0; i < 256; i++) {
    const t = i / 255;
    curve.set(rgbOfLab([a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, a[2] + (b[2] - a[2]) * t]), i * 3);
  }
  return curve;
}
