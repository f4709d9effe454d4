/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '382ad32016',
  trace: '10d23013a2',
  pin: 'a5ca512a5d',
  promo: '7c48b77b9f',
  image: '28dbaedf6a',
  epub: '6fe1815f89',
  pdf: 'ceae92ac71',
  svg: 'daa5fbfb2d',
  booklet: '66ff090ef0',
  desk: '96aaf4a29a',
} as const;
