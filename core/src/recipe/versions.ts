/**
 * Written by `npm run versions`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
  paint: '43eeb479ab',
  trace: 'ddb5190817',
  pin: '780a78ed5c',
  promo: '46e589d53a',
  image: '872d6ec842',
  epub: '82d77fa594',
  pdf: '38ba6ece21',
  svg: '235fc8a4e3',
} as const;
