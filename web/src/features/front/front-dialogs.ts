/** What the Front opens over itself. It is asked for from every step: there the Front comes first. */
export const FRONT_DIALOGS = [
  {
    id: 'save',
    label: 'Save picture',
    also: 'export download png jpeg webp tiff pdf svg image file',
    combos: ['$mod+s'],
  },
  { id: 'versions', label: 'Versions', also: 'keep snapshot compare variant', combos: ['v'] },
  { id: 'history', label: 'History', also: 'steps earlier before', combos: ['$mod+h'] },
  { id: 'size', label: 'Size of the front', also: 'pixels dimensions resize width height resolution' },
  { id: 'sizes', label: 'Every size', also: 'sizes square landscape sibling audiobook picture book formats strip' },
  { id: 'guides', label: 'Guides', also: 'columns rows grid golden section lines rulers gutter', combos: ['Shift+g'] },
  {
    id: 'series',
    label: 'Carry this front to the series',
    also: 'volumes same design other books template',
  },
  { id: 'house', label: 'House style', also: 'brand colours fonts logo mark publisher', combos: ['Shift+h'] },
] as const;
export type FrontDialog = (typeof FRONT_DIALOGS)[number]['id'];

/** What another step has asked the Front to open; null for nothing. */
export const askedDialog = (state: unknown): FrontDialog | null => {
  const open = typeof state === 'object' && state !== null && 'open' in state ? state.open : null;
  return FRONT_DIALOGS.find(({ id }) => id === open)?.id ?? null;
};
