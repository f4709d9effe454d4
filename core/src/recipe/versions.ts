/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: 'f489f0a985',
  trace: '580af65407',
  pin: 'ff554a3baf',
  promo: 'f8884496a1',
  image: 'cc9c79a9ab',
  epub: '4d62e617ac',
  pdf: 'b563416911',
  svg: '8b4e213d6c',
  booklet: 'ff82c32990',
  desk: 'd2b0d50fc1',
} as const;
