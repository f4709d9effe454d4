import type { Profile } from './profile';

/** What stores ask for, in the order in which a person reads it. */
export const DEMANDS = [
  'pixels',
  'ratio',
  'format',
  'bytes',
  'colour',
  'density',
  'baseline',
  'edge',
  'thumb',
  'content',
  'ebook',
] as const;
export type Demand = (typeof DEMANDS)[number];

/** The findings that say that a demand is not met. */
export const DEMAND_CODES: Readonly<Record<Demand, readonly string[]>> = {
  pixels: [
    'store-exact-size',
    'store-too-small',
    'store-too-big',
    'store-short-side',
    'store-long-side',
    'cover-enlarged',
  ],
  ratio: ['store-lying', 'store-ratio'],
  format: ['store-format', 'store-animated', 'store-orientation'],
  bytes: ['store-bytes', 'budget-too-small'],
  colour: ['store-colour', 'store-bit-depth', 'store-alpha', 'store-no-profile', 'store-profile', 'store-metadata'],
  density: ['store-density'],
  baseline: ['store-progressive'],
  edge: ['store-pale-edge'],
  thumb: ['store-thumb'],
  content: [
    'store-address',
    'store-price',
    'store-phone',
    'store-rank',
    'store-object',
    'store-words-match',
    'store-empty-border',
  ],
  ebook: ['epub-cover-large'],
};

/** True where a store asks for it at all. */
export function asks(profile: Profile, demand: Demand): boolean {
  switch (demand) {
    case 'pixels':
    case 'format':
    case 'bytes':
    case 'colour':
      return true;
    case 'ratio':
      return profile.ratio !== null;
    case 'density':
      return profile.ppi !== null;
    case 'baseline':
      return profile.baseline;
    case 'edge':
      return profile.edgeLine;
    case 'thumb':
      return profile.thumb !== null;
    case 'content':
      return profile.content.length > 0;
    case 'ebook':
      return profile.epubPixels !== null;
  }
}
