import { toEncoded, toLinear } from '../pixels';

/** A colour as "#rrggbb", sRGB. */
export type Hex = string;
export type Rgb = readonly [r: number, g: number, b: number];
/** OKLab (Ottosson 2020): lightness 0..1, a green-red, b blue-yellow. */
export type Lab = readonly [l: number, a: number, b: number];

/** Channels 0..255. Throws on anything but "#rrggbb": documents are parsed before they come here. */
export function rgbOf(hex: Hex): Rgb {
  const n = /^#[0-9a-f]{6}$/i.test(hex) ? parseInt(hex.slice(1), 16) : NaN;
  if (Number.isNaN(n)) throw new Error(`not a colour: ${hex}`);
  return [n >> 16, (n >> 8) & 255, n & 255];
}

export function hexOf(rgb: Rgb): Hex {
  const byte = (v: number): string =>
    Math.round(Math.min(255, Math.max(0, v)))
      .toString(16)
      .padStart(2, '0');
  return `#${byte(rgb[0])}${byte(rgb[1])}${byte(rgb[2])}`;
}

/** Light of each byte: nearly all colours are asked for in bytes. */
const LIGHT_OF = Float64Array.from({ length: 256 }, (_, v) => toLinear(v / 255));
const lightOf = (v: number): number => {
  // Looked up only where it is a whole one: with a fraction the table would be searched as an object is.
  const byte = v & 255;
  return byte === v ? LIGHT_OF[byte] : toLinear(v / 255);
};

export function labOf(rgb: Rgb): Lab {
  const [r, g, b] = rgb.map(lightOf);
  const l = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b);
  const m = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b);
  const s = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b);
  return [
    0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s,
    1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s,
    0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s,
  ];
}

/** Back to sRGB; what lies outside the gamut is clipped per channel. */
export function rgbOfLab(lab: Lab): Rgb {
  const l = (lab[0] + 0.3963377774 * lab[1] + 0.2158037573 * lab[2]) ** 3;
  const m = (lab[0] - 0.1055613458 * lab[1] - 0.0638541728 * lab[2]) ** 3;
  const s = (lab[0] - 0.0894841775 * lab[1] - 1.291485548 * lab[2]) ** 3;
  const out = (v: number): number => Math.min(255, Math.max(0, 255 * toEncoded(Math.min(1, Math.max(0, v)))));
  return [
    out(4.0767416621 * l - 3.3077115913 * m + 0.2309699292 * s),
    out(-1.2684380046 * l + 2.6097574011 * m - 0.3413193965 * s),
    out(-0.0041960863 * l - 0.7034186147 * m + 1.707614701 * s),
  ];
}

/** The same hue and chroma (scaled by `chroma`) at another OKLab lightness. */
export function withLightness(hex: Hex, lightness: number, chroma = 1): Hex {
  const [, a, b] = labOf(rgbOf(hex));
  return hexOf(rgbOfLab([lightness, a * chroma, b * chroma]));
}

/** A colour between two, as the eye sees it: `share` 0 is the first, 1 the second. */
export function between(a: Hex, b: Hex, share: number): Hex {
  const [x, y] = [labOf(rgbOf(a)), labOf(rgbOf(b))];
  const at = (i: number): number => x[i] + (y[i] - x[i]) * share;
  return hexOf(rgbOfLab([at(0), at(1), at(2)]));
}

export const chromaOf = (lab: Lab): number => Math.hypot(lab[1], lab[2]);

/** Relative luminance 0..1 (WCAG 2.2). */
export function luminance(rgb: Rgb): number {
  return 0.2126 * lightOf(rgb[0]) + 0.7152 * lightOf(rgb[1]) + 0.0722 * lightOf(rgb[2]);
}

/** Contrast ratio 1..21 of two relative luminances (WCAG 2.2). */
export const contrastOf = (a: number, b: number): number => (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);

export const contrast = (a: Hex, b: Hex): number => contrastOf(luminance(rgbOf(a)), luminance(rgbOf(b)));

/** The colour of `choices` that stands out most from `against`. */
export function mostLegible(against: Hex, choices: readonly Hex[]): Hex {
  return choices.reduce((best, hex) => (contrast(hex, against) > contrast(best, against) ? hex : best));
}
