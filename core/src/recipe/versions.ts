/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '79156f347f',
  trace: 'f9928994d8',
  pin: 'e3091c7882',
  promo: '213691e165',
  image: '96fc445919',
  epub: 'f6a16b0d83',
  pdf: '846e4170d3',
  svg: 'ceec8c27f5',
  booklet: '3360b38dd1',
  desk: 'ecd5f47ae4',
} as const;
