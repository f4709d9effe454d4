/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: 'd716cbeac4',
  trace: '2fefdc7844',
  pin: '9a47e4311c',
  promo: '47af5e2bf3',
  image: '3fc28aaab9',
  epub: '3c6d72bde5',
  pdf: '48b9952b17',
  svg: 'a26926aaae',
  booklet: '67a9ae448f',
  desk: '74a78e5831',
} as const;
