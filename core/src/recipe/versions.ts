/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: 'b63808a7ba',
  trace: 'aa605eaa46',
  pin: '16b01ff7d4',
  promo: '19b7856025',
  image: 'c5832022be',
  epub: '15dc7d1466',
  pdf: 'c93868e10f',
  svg: '0f2fe2b733',
} as const;
