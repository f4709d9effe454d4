/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: 'e84a09939a',
  trace: '7ec60b5d06',
  pin: '7df2b3140d',
  promo: '295c3ae20d',
  image: '51eaf4a32f',
  epub: '342d7f1f67',
  pdf: 'faf127637e',
  svg: '4ecf4be386',
} as const;
