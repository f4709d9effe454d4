import type { Audience, BookKind, Genre, Mood } from '@yosomi/core/book';
import type { SceneryKind } from '@yosomi/core/scenery';
import type { Grade, Group, Pictured } from '@yosomi/core/sketch';

export const KIND_NAMES: Readonly<Record<BookKind, string>> = {
  story: 'A story',
  practical: 'A practical book',
  poems: 'Poems',
  report: 'A report',
};

export const SHELF_NAMES: Readonly<Record<BookKind, string>> = {
  story: 'Stories and lives',
  poems: 'Poems',
  practical: 'To do and to know',
  report: 'To study and to cite',
};

export const GENRE_NAMES: Readonly<Record<Genre, string>> = {
  thriller: 'Thriller',
  crime: 'Crime',
  romance: 'Romance',
  fantasy: 'Fantasy',
  'science-fiction': 'Science fiction',
  horror: 'Horror',
  literary: 'Literary novel',
  historical: 'Historical novel',
  'young-adult': 'Young adult',
  'young-readers': 'For young readers',
  'picture-book': 'Picture book',
  poetry: 'Poetry',
  memoir: 'Memoir',
  travel: 'Travel',
  history: 'History',
  'popular-science': 'Popular science',
  spirituality: 'Spirituality',
  'self-help': 'Self-help',
  business: 'Business',
  'garden-craft': 'Garden and craft',
  cookbook: 'Cookbook',
  study: 'Report or study',
  academic: 'Academic book',
};

export const PICTURED_NAMES: Readonly<Record<Pictured, string>> = { most: 'Most', half: 'Half', any: 'Any' };

export const GRADE_NAMES: Readonly<Record<Grade, string>> = {
  plain: 'as it is',
  vivid: 'more colour',
  golden: 'golden light',
  rose: 'rosy light',
  cool: 'cooler',
  bleached: 'bleached',
  aged: 'aged',
  mono: 'black and white',
  noir: 'dark black and white',
  night: 'dark and cold',
  dusk: 'dark and warm',
  sickly: 'dark and green',
  toned: 'in two colours of the cover',
};

export const AUDIENCE_NAMES: Readonly<Record<Audience, string>> = {
  anyone: 'Anyone',
  children: 'Children',
  young: 'Young readers',
  experts: 'Experts',
};

export const MOOD_NAMES: Readonly<Record<Mood, string>> = {
  calm: 'Calm',
  warm: 'Warm',
  bright: 'Bright',
  dark: 'Dark',
  tender: 'Tender',
  bold: 'Bold',
  grave: 'Grave',
  playful: 'Playful',
};

export const GROUP_NAMES: Readonly<Record<Group, string>> = {
  full: 'Full picture',
  window: 'Part picture',
  symbol: 'Symbol',
  type: 'Type alone',
  figure: 'Drawn figure',
};

export const SCENERY_NAMES: Readonly<Record<SceneryKind, string>> = {
  ridges: 'Mountain ridges',
  wood: 'Light in a wood',
  night: 'Night over pines',
  meadow: 'Meadow in the evening',
  discs: 'Discs and waves',
};
