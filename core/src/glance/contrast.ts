import { contrastOf, luminance } from '../colour';
import { type Raster, raster } from '../pixels';
import type { WordPixels } from './letter-map';

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

const within = (value: number): number => Math.min(255, Math.max(0, value));

/**
 * The colours of a word's letters as they are painted, one pixel of a letter after the other in one row. A pixel that a
 * letter covers in part is a mixture with what lies behind: its share is taken out. `full` is the finished cover,
 * `without` the same without any letters. Where something lies over a letter, what is found is the colour of that.
 */
export function letterColours(word: WordPixels, full: Raster, without: Raster): Raster {
  const found = raster(Math.max(1, word.letters.length), 1);
  const { letters, cover } = word;
  for (let i = 0; i < letters.length; i++) {
    const p = letters[i] * 4;
    for (let c = 0; c < 3; c++) {
      const behind = without.data[p + c];
      found.data[i * 4 + c] = Math.round(within(behind + (full.data[p + c] - behind) / cover[i]));
    }
    found.data[i * 4 + 3] = 255;
  }
  return found;
}

/** The luminances that stand for letters: the tenth and the ninetieth percentile of their colours, one where they are equal. */
export function letterTones({ data }: Raster): number[] {
  if (data[3] === 0) return [];
  const found = new Float64Array(data.length / 4);
  for (let i = 0; i < found.length; i++) found[i] = luminance([data[i * 4], data[i * 4 + 1], data[i * 4 + 2]]);
  found.sort();
  const at = (share: number): number => found[Math.min(found.length - 1, Math.floor(found.length * share))];
  const [low, high] = [at(0.1), at(0.9)];
  return low === high ? [low] : [low, high];
}

/** The least share of a word's letters that must be seen for it to count as read. */
export const MOSTLY = 0.9;
/** Letters that differ less than this from what is behind them are not seen. */
const SEEN = 1.25;

/** The share of a word's letters that can be told from what lies behind them in the finished picture, 0..1. */
export function seenShare(word: WordPixels, full: Raster, without: Raster): number {
  const { data } = letterColours(word, full, without);
  const at = (from: Uint8ClampedArray, p: number): number => luminance([from[p * 4], from[p * 4 + 1], from[p * 4 + 2]]);
  const { letters, cover } = word;
  let [seen, all] = [0, 0];
  for (let i = 0; i < letters.length; i++) {
    all += cover[i];
    if (contrastOf(at(data, i), at(without.data, letters[i])) >= SEEN) seen += cover[i];
  }
  return all === 0 ? 0 : seen / all;
}

/**
 * Measures one word. `own` holds the luminances of its letters (one, or the extremes of several); the least contrast of
 * them counts. `under` is the cover without any letters.
 */
export function wordContrast(
  text: string,
  own: readonly number[],
  word: WordPixels,
  under: Raster,
  veils: readonly Veil[] = [],
): WordContrast {
  const { near } = word;
  if (near.length === 0 || own.length === 0) return { text, typical: 1, worstTenth: 1 };
  const least = (behind: number): number => {
    let ratio = Infinity;
    for (const one of own) ratio = Math.min(ratio, contrastOf(one, behind));
    return ratio;
  };
  const ratios = new Float64Array(near.length);
  const rgb: [number, number, number] = [0, 0, 0];
  let sum = 0;
  for (let n = 0; n < near.length; n++) {
    const p = near[n];
    const y = (Math.floor(p / under.width) + 0.5) / under.height;
    for (let c = 0; c < 3; c++) {
      let v = under.data[p * 4 + c];
      for (const veil of veils) v = v * (1 - veil.at(y)) + veil.rgb[c] * veil.at(y);
      rgb[c] = v;
    }
    const behind = luminance(rgb);
    ratios[n] = least(behind);
    sum += behind;
  }
  ratios.sort();
  return { text, typical: least(sum / near.length), worstTenth: ratios[Math.floor(near.length * 0.1)] };
}
