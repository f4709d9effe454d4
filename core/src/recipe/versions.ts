/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: 'bfb749ce67',
  trace: 'd02033c540',
  pin: '4710600035',
  promo: 'effd73b93d',
  image: 'd9be7dcced',
  epub: '6755433d09',
  pdf: '7b4acd4908',
  svg: '3b96c9ab53',
  desk: '0fa35e338d',
} as const;
