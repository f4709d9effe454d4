/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: 'e665d8ef82',
  trace: 'aeea2a6c4a',
  pin: '4513e4b2aa',
  promo: '6786f5445b',
  image: '01f5cc2bc3',
  epub: '6cb5ac079c',
  pdf: '970cacae23',
  svg: '83863d7638',
  desk: 'adcdd56baa',
} as const;
