import { cutPaper } from './cut-paper';
import { engraving } from './engraving';
import { flatShapes } from './flat';
import { gouache } from './gouache';
import type { Hand } from './hand';
import { inkWash } from './ink-wash';
import { pastel } from './pastel';
import { photographic } from './photographic';
import { risograph } from './risograph';

/** Ways in which a motif is painted, by name. */
export const HANDS = {
  photographic,
  gouache,
  ink: inkWash,
  'cut-paper': cutPaper,
  engraving,
  risograph,
  pastel,
  flat: flatShapes,
} as const satisfies Record<string, Hand>;

export type HandName = keyof typeof HANDS;
export const HAND_NAMES = Object.keys(HANDS) as HandName[];
