/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '6d406f4237',
  trace: '9ba2da7afd',
  pin: '8c83fb8d86',
  promo: '3887bba9e6',
  image: 'c1342369d2',
  epub: '56d8d2cdf6',
  pdf: '71b8da3dac',
  svg: '0278e2cf14',
} as const;
