import {
  type CardGroup,
  GROUPINGS,
  type Grouping,
  SORTS,
  type ShelfAsk,
  type Sort,
  type Standing,
} from '@yosomi/core/shelf';
import type { Profile } from '@yosomi/core/stores';
import { create } from 'zustand';

export const SORT_NAMES: Readonly<Record<Sort, string>> = {
  changed: 'Last changed first',
  title: 'By title',
  author: 'By author',
  series: 'By series and volume',
  files: 'Files out of date first',
};
export const GROUP_NAMES: Readonly<Record<Grouping, string>> = {
  none: 'Not grouped',
  series: 'By series',
  author: 'By author',
  store: 'By store',
  files: 'By files',
};
export const sorts = SORTS.map((value) => ({ value, label: SORT_NAMES[value] }));
export const groupings = GROUPINGS.map((value) => ({ value, label: GROUP_NAMES[value] }));

const STANDING_NAMES: Readonly<Record<Standing, string>> = {
  stale: 'Files older than the cover',
  missing: 'Files not made yet',
  made: 'All files made',
  none: 'No files',
  unknown: 'Not looked at yet',
};

/** What a group is called. */
export function groupName({ key }: CardGroup, group: Grouping, stores: readonly Profile[]): string {
  switch (group) {
    case 'none':
      return '';
    case 'series':
      return key || 'In no series';
    case 'author':
      return key || 'No author yet';
    case 'store':
      return key === '' ? 'At no store' : (stores.find(({ id }) => id === key)?.name ?? 'A store that is not there');
    case 'files':
      return STANDING_NAMES[key as Standing];
  }
}

/** What the Shelf was asked for last; it is the same when one comes back to it. */
export const useShelfAsk = create<{ readonly ask: ShelfAsk; set(more: Partial<ShelfAsk>): void }>((set) => ({
  ask: { words: '', sort: 'changed', group: 'none' },
  set: (more) => set(({ ask }) => ({ ask: { ...ask, ...more } })),
}));
