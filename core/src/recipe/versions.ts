/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '6577089271',
  trace: '5d40a26dd9',
  pin: '9c796b1d69',
  promo: '6ea4bc580f',
  image: '2426c506c6',
  epub: 'd21ad2d36e',
  pdf: 'ca7745442e',
  svg: '9248d507dd',
} as const;
