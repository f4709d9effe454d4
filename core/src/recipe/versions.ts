/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '587b0eb133',
  trace: '5485e78877',
  pin: '53805e3312',
  promo: '03158d30fc',
  image: 'd9c9dbf745',
  epub: 'fa33251c07',
  pdf: 'cdabcbdfe3',
  svg: 'df4425b538',
  booklet: 'e8939d5c5e',
  desk: 'e960a01297',
} as const;
