/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '348100f1e4',
  trace: '900f09e86f',
  pin: '1e945ae395',
  promo: '5c3dc00a25',
  image: '6996df9617',
  epub: 'ea1205e9c8',
  pdf: '8a2d57953a',
  svg: '7fd8f5dbc7',
} as const;
