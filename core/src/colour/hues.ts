import { type Hex, type Lab, chromaOf, hexOf, labOf, rgbOf, rgbOfLab } from './colour';
import type { Swatch } from './palette';

/** A colour by lightness 0..1, chroma, and hue in radians (OKLCH). */
export const hexAtHue = (l: number, c: number, h: number): Hex =>
  hexOf(rgbOfLab([l, c * Math.cos(h), c * Math.sin(h)]));
export const hueOf = (lab: Lab): number => Math.atan2(lab[2], lab[1]);
/** The angle between two hues, 0..pi. */
export const hueTurn = (a: number, b: number): number => Math.abs(Math.atan2(Math.sin(a - b), Math.cos(a - b)));

/** What there is much of counts as well as what is strong: a small red ribbon does not make a green cover red. */
export const hueWeight = ({ lab, share }: Swatch): number => Math.max(0, chromaOf(lab) - 0.015) * share ** 0.55;

/** The two hues of a cover that matter, with how strong they are, and the lightness of its edges, 0..1. A grey cover gets a little warmth. */
export type Hues = { readonly first: Hue; readonly second: Hue; readonly light: number };
export type Hue = { readonly hue: number; readonly chroma: number };

/** `light` is the lightness of the cover's edges; its mean where they are not known. */
export function huesOf(swatches: readonly Swatch[], light?: number): Hues {
  const coloured = swatches.filter((s) => chromaOf(s.lab) > 0.022).sort((a, b) => hueWeight(b) - hueWeight(a));
  const [accent] = coloured;
  const main: Hue = accent
    ? { hue: hueOf(accent.lab), chroma: Math.max(0.035, chromaOf(accent.lab)) }
    : { hue: 1.2, chroma: 0.02 };
  const other = coloured.find((s) => hueTurn(hueOf(s.lab), main.hue) > 0.5);
  const second = other
    ? { hue: hueOf(other.lab), chroma: Math.max(0.05, chromaOf(other.lab)) }
    : { hue: main.hue + 0.75, chroma: main.chroma };
  const whole = swatches.reduce((sum, s) => sum + s.share, 0);
  const mean = whole > 0 ? swatches.reduce((sum, s) => sum + s.share * s.lab[0], 0) / whole : 0.5;
  return { first: main, second, light: light ?? mean };
}

/** A colour of the same lightness and chroma whose hue is turned, as far as sRGB has it. */
export function hexTurned(hex: Hex, angleRad: number): Hex {
  const [l, a, b] = labOf(rgbOf(hex));
  const [c, s] = [Math.cos(angleRad), Math.sin(angleRad)];
  return hexOf(rgbOfLab([l, a * c - b * s, a * s + b * c]));
}
