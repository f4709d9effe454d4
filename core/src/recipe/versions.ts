/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: 'a14174a898',
  trace: '8fdbe9be13',
  pin: 'd7d2fdb169',
  promo: 'd7bd448294',
  image: '33a146976e',
  epub: 'a97023cb86',
  pdf: 'cdd6984549',
  svg: '00291b11cc',
} as const;
