/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '7618ed4186',
  trace: '33c2d48b5b',
  pin: '77f512ac91',
  promo: '8c1de0d600',
  image: '09ffc72553',
  epub: 'd15cf62b32',
  pdf: '92e4dccc27',
  svg: 'e3cafc7505',
} as const;
