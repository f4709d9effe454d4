/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '19d0ea15d6',
  trace: 'c4c220ddaf',
  pin: '1d14eac756',
  promo: '5b98c76dc1',
  image: 'f8eb1ea72d',
  epub: 'd2b5367b31',
  pdf: '1efbc74681',
  svg: 'cbfec539f7',
  booklet: '76ccf2ae11',
  desk: '734bcc4107',
} as const;
