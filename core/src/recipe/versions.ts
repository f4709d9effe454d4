/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '52ddcd4b43',
  trace: 'eb1bb80b2c',
  pin: 'ab58ccb06a',
  promo: 'fae0ce7089',
  image: 'f69eb56005',
  epub: '77ad97359d',
  pdf: '5a1cd56e0d',
  svg: 'f1aecc1d15',
  booklet: '9480c2bb8d',
  desk: 'f7d81057ae',
} as const;
