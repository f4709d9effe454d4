/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '9985e986b9',
  trace: 'b918e3c12b',
  pin: 'c86f2a5295',
  promo: 'faaad72701',
  image: '72da7aacb8',
  epub: '2fb61c6918',
  pdf: '46202425c9',
  svg: 'dcf78969df',
  booklet: '428106ae1e',
  desk: '734bcc4107',
} as const;
