/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '348100f1e4',
  trace: '12ed9a0f05',
  pin: '1e945ae395',
  promo: 'b5c5dc06af',
  image: 'f8ac05ae92',
  epub: 'bae191a987',
  pdf: '00f50e2c79',
  svg: 'e91d7a1a3f',
} as const;
