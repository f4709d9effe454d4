/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: 'bfb749ce67',
  trace: 'de7b1c293f',
  pin: '0eb0692243',
  promo: 'fb8f8c5924',
  image: 'e51231c484',
  epub: '7a47723dc1',
  pdf: '2dd34325d5',
  svg: 'eca02fcf48',
  desk: 'e6a76f9754',
} as const;
