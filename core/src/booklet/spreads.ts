import type { Pages } from './page';

/** The left page of every opening of a booklet, by its place from 0: as in any book the first page lies alone at the right, beside -1. */
export const spreadsOf = (count: number): number[] =>
  Array.from({ length: Math.floor(count / 2) + 1 }, (_, i) => 2 * i - 1);

/** The left page of the opening that holds this page. */
export const spreadWith = (at: number): number => at - 1 + (((at % 2) + 2) % 2);

/** A page on which text runs over this share of its height is worth showing. */
const FULL = 0.45;

/** The opening to show of a booklet: the first with two pages full of text, else the one that has most of it. */
export function openingOf({ pages, height }: Pages): number {
  const full = (at: number): number =>
    (pages[at]?.places ?? []).reduce((sum, { rect }) => sum + rect.height, 0) / height;
  const all = spreadsOf(pages.length);
  return (
    all.find((left) => Math.min(full(left), full(left + 1)) >= FULL) ??
    all.reduce((best, left) => (full(left) + full(left + 1) > full(best) + full(best + 1) ? left : best))
  );
}
