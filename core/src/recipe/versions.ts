/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '4cf55f591d',
  trace: '5efd6f42f6',
  pin: 'eea2e114cc',
  promo: '71b51cc96d',
  image: '9de5241a82',
  epub: '342b733c70',
  pdf: 'efb92219b7',
  svg: '3a9717f586',
} as const;
