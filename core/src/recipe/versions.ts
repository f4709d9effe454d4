/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: 'd716cbeac4',
  trace: '72ed7fc224',
  pin: '9a47e4311c',
  promo: '25a17ab011',
  image: '3fc28aaab9',
  epub: '3c6d72bde5',
  pdf: '48b9952b17',
  svg: 'a26926aaae',
  booklet: '3e1c1613ac',
  desk: '74a78e5831',
} as const;
