/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '587b0eb133',
  trace: 'a17ee3044c',
  pin: 'a18afda44c',
  promo: 'daf1a1ad3b',
  image: '26c9e469dc',
  epub: 'fa33251c07',
  pdf: '2aaef2d9ab',
  svg: 'df4425b538',
  booklet: 'e8939d5c5e',
  desk: '2a609ac0b6',
} as const;
