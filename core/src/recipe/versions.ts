/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '18d485a5f6',
  trace: 'f7a92ed48d',
  pin: '2ac7b807aa',
  promo: '7553aa09ab',
  image: '5cb9a36acd',
  epub: 'f2a72e0b42',
  pdf: 'a1b28b6bba',
  svg: 'd58b7d2ae5',
} as const;
