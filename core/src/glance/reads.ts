import type { Block } from '../text';

/** Widths at which shops show covers, in px. */
export const GLANCE_WIDTHS = [200, 120, 64] as const;

/**
 * The smallest cover width at which words still read: their x-height (or cap height where they are all capitals) must
 * reach 4.2 px at full contrast and more below it, up to 7 px at 3:1; under 3:1 they never read (null).
 * The heights are those at which screen text of the same x-height is commonly held readable.
 */
export function readsFrom(block: Block, coverWidthPx: number, contrast: number): number | null {
  if (block.words.length === 0 || contrast < 3) return null;
  const share = Math.min(1, (contrast - 3) / 4);
  const needed = 7 - 2.8 * share;
  return Math.ceil((needed * coverWidthPx) / block.xHeightPx);
}

/** How grave it is that words read only from a width on: a title must read at the smallest size of a shop, the rest at its lists'. */
export function readsGrade(title: boolean, fromPx: number | null): 'pass' | 'may' | 'fail' {
  const [, list, smallest] = GLANCE_WIDTHS;
  if (fromPx === null) return 'fail';
  if (!title) return fromPx <= list ? 'pass' : 'may';
  return fromPx <= smallest ? 'pass' : fromPx <= list ? 'may' : 'fail';
}

/** The same, said: everywhere in these words. */
export const readsText = (fromPx: number | null): string => (fromPx === null ? 'too faint' : `from ${fromPx} px`);
