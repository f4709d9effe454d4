/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '73bc3a0a7f',
  trace: 'd3282b1fdb',
  pin: '2f874b6936',
  promo: '2884d9fa47',
  image: 'd374ab1386',
  epub: '9fed193b06',
  pdf: '582207539c',
  svg: '97a102bd16',
} as const;
