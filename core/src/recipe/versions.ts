/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '4b5ccbdb8b',
  trace: 'aca5520a41',
  pin: '1e942a9904',
  promo: '3e85605d69',
  image: '19176a10d5',
  epub: '9b013bd6a2',
  pdf: '994963f243',
  svg: 'e1daa06e29',
  booklet: '2fffefa138',
  desk: '90c907547c',
} as const;
