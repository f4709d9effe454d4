/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '79156f347f',
  trace: '133d69636d',
  pin: 'e3091c7882',
  promo: '3f89cc4bd1',
  image: '00c169d574',
  epub: '83ee5a22b6',
  pdf: 'aedb8d3ec0',
  svg: 'a579f43176',
  booklet: 'eb4d7548f0',
  desk: 'ecd5f47ae4',
} as const;
