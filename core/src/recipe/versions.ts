/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '2a20957884',
  trace: 'aeea2a6c4a',
  pin: '4513e4b2aa',
  promo: '6786f5445b',
  image: '24e958aab6',
  epub: 'a34d8f544c',
  pdf: 'a9d052d3fd',
  svg: '784753aa0e',
  desk: '20a37c982c',
} as const;
