/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '4cf55f591d',
  trace: 'bb87698067',
  pin: 'a34fd44e5a',
  promo: '955d4e8d54',
  image: '1e09a80db8',
  epub: 'bbb703729f',
  pdf: '9bdc6ba30c',
  svg: '02064c766d',
} as const;
