/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '254771ffbc',
  trace: '828523e956',
  pin: '9f61296ce2',
  promo: '519bcaf83c',
  image: 'e086886181',
  epub: '78dbaf33e2',
  pdf: 'c76e03eda6',
  svg: 'd62262f805',
} as const;
