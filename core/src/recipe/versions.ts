/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '43eeb479ab',
  trace: '8d820dda32',
  pin: '74b4021b89',
  promo: '37a43ad537',
  image: '38eb222732',
  epub: '307c30dcc0',
  pdf: '441cf5e6b9',
  svg: '4ba40f8aee',
} as const;
