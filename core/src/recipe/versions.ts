/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: 'c5e5396b73',
  trace: '2429ae6f43',
  pin: '813f114238',
  promo: '78842d95a2',
  image: '1b4c23f495',
  epub: '6071aae593',
  pdf: 'c58666ff9b',
  svg: '1ee1506b84',
  booklet: '2def19e2b1',
  desk: '9bed3f1a69',
} as const;
