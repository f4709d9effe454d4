import type { WRAPPINGS } from '@yosomi/core/cover';
import type { MotionKind } from '@yosomi/core/motion';
import type { LookFamily, MessageField, MessageKind, Slot, ToneName } from '@yosomi/core/promo';

export const KIND_NAMES: Readonly<Record<MessageKind, string>> = {
  announcement: 'Announcement',
  offer: 'Offer',
  magnet: 'Lead magnet',
  endorsement: 'Endorsement',
  countdown: 'Countdown',
  series: 'Series',
  edition: 'New edition',
  reveal: 'Cover reveal',
  event: 'Event',
};

/** What each is for, where a first campaign is chosen. */
export const KIND_HINTS: Readonly<Record<MessageKind, string>> = {
  announcement: 'The book is out, or soon will be',
  offer: 'A price for a while, or free',
  magnet: 'Something to give away for an address',
  endorsement: 'What somebody said of it',
  countdown: 'So many days to go',
  series: 'All volumes together',
  edition: 'The book in a new cover or text',
  reveal: 'The cover for the first time',
  event: 'A reading, a fair, a talk',
};

export const FIELD_NAMES: Readonly<Record<MessageField, string>> = {
  headline: 'Headline',
  line: 'Under it',
  quotation: 'Quotation',
  name: 'Who said it',
  where: 'Where',
  call: 'What to do',
  link: 'Where it leads',
  badge: 'On a seal',
  price: 'Price',
  free: 'It is free',
  date: 'From when',
  time: 'At what time',
  place: 'Place',
  days: 'Days to go',
};

/** The date means something else in some messages. */
export const dateName = (kind: MessageKind): string =>
  kind === 'offer' ? 'Until when' : kind === 'event' ? 'Day' : FIELD_NAMES.date;

export const FAMILY_NAMES: Readonly<Record<LookFamily, string>> = {
  reveal: 'Not shown yet',
  book: 'One book',
  large: 'Book large',
  set: 'In a room',
  flat: 'Flat cover',
  picture: 'Its picture',
  many: 'Several things',
  quote: 'Words first',
  type: 'Type only',
};

export const WRAPPING_NAMES: Readonly<Record<(typeof WRAPPINGS)[number], string>> = {
  paper: 'Torn paper',
  ribbon: 'Paper with a ribbon',
  envelope: 'Envelope',
  curtain: 'Curtain',
  frost: 'Frosted glass',
  tiles: 'Tiles',
};

export const TONE_NAMES: Readonly<Record<ToneName, string>> = {
  deep: 'Deep',
  pale: 'Pale',
  vivid: 'Strong',
  second: 'Second, deep',
  blush: 'Second, pale',
  paper: 'Paper',
  night: 'Night',
};

export const SLOT_NAMES: Readonly<Record<Slot, string>> = {
  headline: 'the headline',
  line: 'the line under it',
  by: 'who said it',
  facts: 'date, price and place',
  call: 'the button',
  link: 'the address',
  badge: 'the seal',
};

export const OWN_NAMES = {
  rule: '',
  words: 'its own words',
  changed: 'changed by hand',
  drawn: 'drawn by hand',
} as const;

export const MOTION_NAMES: Readonly<Record<MotionKind, string>> = {
  swing: 'To and fro',
  round: 'Right round',
  light: 'A light passes',
  reveal: 'It is unwrapped',
  words: 'Words only',
};
