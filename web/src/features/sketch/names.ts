import type { Audience, BookKind, Mood } from '@yosomi/core/book';
import type { SceneryKind } from '@yosomi/core/scenery';
import type { Group } from '@yosomi/core/sketch';

export const KIND_NAMES: Readonly<Record<BookKind, string>> = {
  story: 'A story',
  practical: 'A practical book',
  poems: 'Poems',
  report: 'A report',
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
