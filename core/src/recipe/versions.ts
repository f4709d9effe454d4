/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: 'f489f0a985',
  trace: 'd1399fa13e',
  pin: 'ff554a3baf',
  promo: 'c3ff14d771',
  image: 'cc9c79a9ab',
  epub: '4d62e617ac',
  pdf: 'b563416911',
  svg: '8b4e213d6c',
  booklet: '8fc0e38244',
  desk: 'd2b0d50fc1',
} as const;
