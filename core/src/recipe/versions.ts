/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: 'b63808a7ba',
  trace: 'fae78f524f',
  pin: 'c13647225d',
  promo: '17a86a9416',
  image: '81caa42ff6',
  epub: 'c0de711a81',
  pdf: '4fa6f78a5b',
  svg: '6af5c8a169',
} as const;
