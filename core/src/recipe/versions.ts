/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '4f3eadd500',
  trace: 'f3100ead17',
  pin: '8bfbff44c0',
  promo: '39361a88f2',
  image: 'a6b4992b78',
  epub: 'c2b83ceeb0',
  pdf: '70dcb952ff',
  svg: 'b0ac917e2b',
  desk: 'd9e6011894',
} as const;
