/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '11826409dc',
  trace: '7dfb25b6ed',
  pin: 'fb0c133a5d',
  promo: '1f49c387a5',
  image: '42f6951031',
  epub: 'b0ff05068a',
  pdf: 'a4b3d30aef',
  svg: '1bda695904',
} as const;
