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
  const least = (behind: number): number => {
    let ratio = Infinity;
    for (const one of own) ratio = Math.min(ratio, contrastOf(one, behind));
    return ratio;
  };
  const ratios = new Float64Array(Math.max(0, x1 - x0) * Math.max(0, y1 - y0));
  const rgb: [number, number, number] = [0, 0, 0];
  let count = 0;
  let sum = 0;
  for (let y = y0; y < y1; y++) {
    const opacities = veils.map((veil) => veil.at((y + 0.5) / under.height));
    for (let x = x0; x < x1; x++) {
      if (mask[y * under.width + x] === 0) continue;
      const p = (y * under.width + x) * 4;
      for (let c = 0; c < 3; c++) {
        let v = under.data[p + c];
        for (let i = 0; i < opacities.length; i++) v = v * (1 - opacities[i]) + veils[i].rgb[c] * opacities[i];
        rgb[c] = v;
      }
      const behind = luminance(rgb);
      ratios[count++] = least(behind);
      sum += behind;
    }
  }
  if (count === 0 || own.length === 0) return { text, typical: 21, worstTenth: 21 };
  const sorted = ratios.subarray(0, count).sort();
  return {
    text,
    typical: least(sum / count),
    worstTenth: sorted[Math.floor(count * 0.1)],
  };
}
