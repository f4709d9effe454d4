/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: 'b63808a7ba',
  trace: '6e39ca255c',
  pin: '96da3e3f75',
  promo: '54cfd6ca99',
  image: '4d96f14b54',
  epub: '80340a3834',
  pdf: '070478f9ae',
  svg: 'cc3be6a053',
} as const;
