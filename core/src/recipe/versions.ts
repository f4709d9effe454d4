/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '4b5ccbdb8b',
  trace: '52616231ff',
  pin: '1e942a9904',
  promo: 'c72b498ad8',
  image: '19176a10d5',
  epub: '24c67d454c',
  pdf: '994963f243',
  svg: 'e1daa06e29',
  booklet: 'd8af1f3cfd',
  desk: '90c907547c',
} as const;
