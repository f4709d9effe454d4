/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: 'a14174a898',
  trace: '89759731ae',
  pin: '400ca1fc78',
  promo: 'b93ae9f8fe',
  image: '027081d5a0',
  epub: 'a97023cb86',
  pdf: '78e8b61127',
  svg: '00291b11cc',
} as const;
