/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: 'e84a09939a',
  trace: 'a2f8532cfd',
  pin: 'aab0118590',
  promo: '7690ed3272',
  image: 'a673be06e4',
  epub: '342d7f1f67',
  pdf: '38ec6af8a4',
  svg: '4ecf4be386',
} as const;
