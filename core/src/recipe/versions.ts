/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: 'd509349ce3',
  trace: '7dfb25b6ed',
  pin: 'fb0c133a5d',
  promo: '1f49c387a5',
  image: '86c2ea019b',
  epub: '477bfbf656',
  pdf: '423da7a3a7',
  svg: 'ce6291b5c6',
} as const;
