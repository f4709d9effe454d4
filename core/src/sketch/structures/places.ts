/** The ends at which words stand over a whole picture. */
export const UPPER = { x: 0, y: 0, width: 1, height: 0.48 };
export const LOWER = { x: 0, y: 0.52, width: 1, height: 0.48 };

/** Where words on a veiled picture stand, and how much of it that is. */
export const VEILED = [
  ['middle', { x: 0.1, y: 0.32, width: 0.8, height: 0.36 }],
  ['top', UPPER],
  ['bottom', LOWER],
] as const;

/** Where a plate lies, and which of its ends stays where it is while it shrinks to its words. */
export const PLATES = [
  [0.5, 0.93, 'bottom'],
  [0.07, 0.5, 'top'],
  [0.25, 0.75, 'middle'],
] as const;

export const LABELS = [
  [0.18, 0.82, 'middle'],
  [0.08, 0.56, 'top'],
  [0.44, 0.92, 'bottom'],
] as const;
