/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '6d6525a994',
  trace: 'dc12207907',
  pin: '4bd1d9814e',
  promo: 'f3515d55c1',
  image: '3407d3b7b7',
  epub: 'd67eafc3a0',
  pdf: '6c29dfae8b',
  svg: 'b80a3e75e0',
} as const;
