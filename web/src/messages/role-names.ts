import type { WordRole } from '@yosomi/core/cover';

/** What words are called by what they are on a cover. */
export const ROLES: Record<WordRole, string> = {
  title: 'Title',
  subtitle: 'Subtitle',
  byline: 'Byline',
  series: 'Series line',
  strapline: 'Strapline',
  endorsement: 'Endorsement',
  website: 'Website',
  blurb: 'Text of the back',
  publisher: 'Publisher',
  headline: 'Headline',
  call: 'Call to action',
  free: 'Words',
};

const OTHERS: Readonly<Record<string, string>> = { spine: 'spine', back: 'back' };

/** The same in the middle of a sentence. */
export const roleText = (role: string | number): string =>
  ((ROLES as Readonly<Record<string, string>>)[role] ?? OTHERS[role] ?? 'words').toLowerCase();

/** Words of a promo by their place, at the beginning of a sentence. */
const SLOTS: Readonly<Record<string, string>> = {
  headline: 'The headline',
  line: 'The line under the headline',
  by: 'Who said it',
  facts: 'The line with date, price or place',
  call: 'The button',
  link: 'The address',
  badge: 'The seal',
};
export const slotText = (slot: string | number): string => SLOTS[slot] ?? 'A line';
