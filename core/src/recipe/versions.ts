/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '8c8a3567e4',
  trace: '48ee74fed6',
  pin: 'd4df7ce11b',
  promo: '278e1e3399',
  image: 'db481d0cfc',
  epub: '06e3c3e391',
  pdf: 'adf75476b7',
  svg: '0011686583',
} as const;
