/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: 'b1a06d7974',
  trace: 'f3100ead17',
  pin: '8bfbff44c0',
  promo: '39361a88f2',
  image: '40f7867573',
  epub: '60daf3ef96',
  pdf: '225881cac8',
  svg: '6151f6ba57',
} as const;
