/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '5d6ff0506e',
  trace: '0ebec5965c',
  pin: 'de30985171',
  promo: '0b241c38bb',
  image: 'd996adc539',
  epub: 'bd1acd9655',
  pdf: 'bdbe74ed10',
  svg: 'dc7504c58d',
} as const;
