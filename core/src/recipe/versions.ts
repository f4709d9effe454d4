/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: 'b63808a7ba',
  trace: '077572ffbc',
  pin: '96da3e3f75',
  promo: 'dd073546cf',
  image: '6a223824ea',
  epub: '6d76870260',
  pdf: '6ba371f817',
  svg: 'b54ad58eca',
} as const;
