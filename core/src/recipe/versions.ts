/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '348100f1e4',
  trace: '3e58c941a6',
  pin: '1e945ae395',
  promo: '5876ef20ff',
  image: '7c2f364945',
  epub: '697cb494c0',
  pdf: 'cf0f94af1b',
  svg: '31d76e24aa',
} as const;
