import { contrastOf, luminance } from '../colour';
import type { Rect } from '../plane';
import type { Raster } from '../pixels';

/** Contrast 1..21 of words against what lies behind them. */
export type WordContrast = {
  readonly text: string;
  /** Against the mean luminance behind the letters. */
  readonly typical: number;
  /** The ratio that nine tenths of the pixels behind and beside the letters reach. */
  readonly worstTenth: number;
};

/** The contrast that words must reach (WCAG 2.2, AA for text of any size). */
export const ENOUGH = 4.5;

/** A flat colour over the background, its opacity by height (0..1): tries a scrim without painting it. */
export type Veil = { readonly rgb: readonly [number, number, number]; at(y: number): number };

/** How far round a letter pixels count as behind it, px. */
const REACH = 2;

/** Marks (1) the pixels that lie under a letter or within 2 px of one. `letters` is the words alone: its alpha counts. */
export function behindLetters(letters: Raster): Uint8Array {
  const { width, height, data } = letters;
  const across = new Uint8Array(width * height);
  const mask = new Uint8Array(width * height);
  const spread = (
    from: (i: number) => boolean,
    to: Uint8Array,
    stride: number,
    length: number,
    lines: number,
    step: number,
  ): void => {
    for (let line = 0; line < lines; line++) {
      let since = REACH + 1;
      const base = line * step;
      for (let i = 0; i < length + REACH; i++) {
        since = i < length && from(base + i * stride) ? 0 : since + 1;
        const at = i - REACH;
        if (at >= 0 && since <= 2 * REACH) to[base + at * stride] = 1;
      }
    }
  };
  spread((i) => data[i * 4 + 3] > 96, across, 1, width, height, width);
  spread((i) => across[i] === 1, mask, width, height, width, 1);
  return mask;
}

/**
 * The luminances that stand for letters in which several colours show: the tenth and the ninetieth percentile of their
 * pixels inside a box. `letters` is the words alone.
 */
export function luminancesIn(letters: Raster, box: Rect): number[] {
  const found: number[] = [];
  const x1 = Math.min(letters.width, Math.ceil(box.x + box.width));
  const y1 = Math.min(letters.height, Math.ceil(box.y + box.height));
  for (let y = Math.max(0, Math.floor(box.y)); y < y1; y++) {
    for (let x = Math.max(0, Math.floor(box.x)); x < x1; x++) {
      const p = (y * letters.width + x) * 4;
      if (letters.data[p + 3] > 200) found.push(luminance([letters.data[p], letters.data[p + 1], letters.data[p + 2]]));
    }
  }
  found.sort((a, b) => a - b);
  const at = (share: number): number => found[Math.min(found.length - 1, Math.floor(found.length * share))];
  return found.length === 0 ? [] : [at(0.1), at(0.9)];
}

/**
 * Measures one word. `own` holds the luminances of its letters (one, or the extremes of several); the least contrast of
 * them counts. `under` is the cover without any words, `mask` from `behindLetters` at the same scale; `box` is
 * the word's box at that scale.
 */
export function wordContrast(
  text: string,
  own: readonly number[],
  box: Rect,
  under: Raster,
  mask: Uint8Array,
  veils: readonly Veil[] = [],
): WordContrast {
  const x0 = Math.max(0, Math.floor(box.x) - REACH);
  const y0 = Math.max(0, Math.floor(box.y) - REACH);
  const x1 = Math.min(under.width, Math.ceil(box.x + box.width) + REACH);
  const y1 = Math.min(under.height, Math.ceil(box.y + box.height) + REACH);
  const least = (behind: number): number => Math.min(...own.map((one) => contrastOf(one, behind)));
  const ratios: number[] = [];
  let sum = 0;
  for (let y = y0; y < y1; y++) {
    const opacities = veils.map((veil) => veil.at((y + 0.5) / under.height));
    for (let x = x0; x < x1; x++) {
      if (mask[y * under.width + x] === 0) continue;
      const p = (y * under.width + x) * 4;
      const mix = (c: number): number =>
        opacities.reduce((v, a, i) => v * (1 - a) + veils[i].rgb[c] * a, under.data[p + c]);
      const behind = luminance([mix(0), mix(1), mix(2)]);
      ratios.push(least(behind));
      sum += behind;
    }
  }
  if (ratios.length === 0 || own.length === 0) return { text, typical: 21, worstTenth: 21 };
  ratios.sort((a, b) => a - b);
  return {
    text,
    typical: least(sum / ratios.length),
    worstTenth: ratios[Math.floor(ratios.length * 0.1)],
  };
}
