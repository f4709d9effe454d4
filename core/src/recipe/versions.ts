/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: 'b63808a7ba',
  trace: '622c0174f1',
  pin: 'c13647225d',
  promo: '68a9476088',
  image: 'c4a4003ac9',
  epub: '7f7d86ca3f',
  pdf: '5db4f7b95f',
  svg: '4834064e4f',
} as const;
