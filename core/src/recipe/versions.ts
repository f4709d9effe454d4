/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '4a5dc49954',
  trace: 'f6d3872240',
  pin: 'cfc62d3216',
  promo: '8984eb68ee',
  image: 'd7eda2ffaf',
  epub: 'd8d3fd4f26',
  pdf: '936e0e0501',
  svg: 'b5504d3077',
  booklet: 'b4602c89b6',
  desk: 'f647106424',
} as const;
