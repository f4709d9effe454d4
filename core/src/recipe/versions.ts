/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '603c7c2cd7',
  trace: '3171e03ef1',
  pin: 'c32517c6ae',
  promo: '14d2be2e1a',
  image: 'c583ca62bd',
  epub: '6c9680bad6',
  pdf: '10ffbf69f4',
  svg: 'be784e981b',
} as const;
