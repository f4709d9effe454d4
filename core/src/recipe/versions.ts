/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '5a6415638e',
  trace: '5c27e5af84',
  pin: '754412d1e1',
  promo: 'a6572a89c1',
  image: '4053bf2465',
  epub: 'eb309e3b9c',
  pdf: 'da6cc3d42e',
  svg: '11ed997e23',
} as const;
