/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '743f1512d7',
  trace: '651a6457ce',
  pin: '8ee56d2ca5',
  promo: 'a2f6e986bf',
  image: 'd607a7d3cb',
  epub: '9a64a1a8b6',
  pdf: '21c742bc3f',
  svg: 'bba9617789',
} as const;
