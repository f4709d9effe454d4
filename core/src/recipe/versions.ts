/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '587b0eb133',
  trace: '3365037c5d',
  pin: 'a18afda44c',
  promo: '39dee9b759',
  image: '9ea71f7d47',
  epub: 'fa33251c07',
  pdf: '2aaef2d9ab',
  svg: 'df4425b538',
  booklet: 'e8939d5c5e',
  desk: '2a609ac0b6',
} as const;
