/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '86364319dc',
  trace: '20dba196f8',
  pin: 'bfe4644be5',
  promo: '432c7d6546',
  image: '81674dfb0f',
  epub: '5092e25164',
  pdf: 'a0a2631325',
  svg: '34383b6ed6',
} as const;
