/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '743f1512d7',
  trace: '289f607495',
  pin: '6fd53aa67e',
  promo: '426fc17ce0',
  image: 'afe6bdee7a',
  epub: 'bd5e77dce6',
  pdf: '1e8bcf932e',
  svg: '0c07348d39',
} as const;
