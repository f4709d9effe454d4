/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '79391b40c8',
  trace: 'b93f8abb08',
  pin: '8261d27307',
  promo: 'bbd6fc85a4',
  image: '87c422c46a',
  epub: '9a087db145',
  pdf: 'b0564ae3e6',
  svg: '694571f32f',
  desk: 'ec6b76fb65',
} as const;
