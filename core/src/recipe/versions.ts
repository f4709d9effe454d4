/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '382ad32016',
  trace: '5fe69310ca',
  pin: 'a5ca512a5d',
  promo: '106f4dd048',
  image: '28dbaedf6a',
  epub: 'dd30295c77',
  pdf: 'ceae92ac71',
  svg: 'daa5fbfb2d',
  booklet: '39aa216516',
  desk: '96aaf4a29a',
} as const;
