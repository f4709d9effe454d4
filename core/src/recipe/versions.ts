/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '704aa4722e',
  trace: 'f3100ead17',
  pin: '8bfbff44c0',
  promo: '39361a88f2',
  image: '36345bd303',
  epub: 'c7af258355',
  pdf: '3bc53afa08',
  svg: 'cd0da81620',
} as const;
