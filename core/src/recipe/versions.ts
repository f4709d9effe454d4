/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '5e0aee3fb0',
  trace: 'a5f597c9c3',
  pin: '4d2e8372b4',
  promo: '8e9fb17949',
  image: '6f9c7ad820',
  epub: '87a27eea54',
  pdf: '89491b125f',
  svg: '63756fea1b',
} as const;
