import type { PartSeed } from '../cover';
import type { PromoBoard } from './board';
import type { Slot } from './message';
import type { ShotId } from './shots';
import type { ToneName } from './tones';

/** Families of looks, by which their sheet is filtered. */
export const LOOK_FAMILIES = ['reveal', 'book', 'large', 'set', 'flat', 'picture', 'many', 'quote', 'type'] as const;
export type LookFamily = (typeof LOOK_FAMILIES)[number];

/** Parts from back to front, and the words for which there was no room. */
export type Drawn = { readonly parts: readonly PartSeed[]; readonly dropped: readonly Slot[] };

/** A rule by which promos are composed, over all ratios. */
export type PromoLook = {
  readonly id: string;
  /** What it is, in plain words. */
  readonly name: string;
  readonly family: LookFamily;
  /** The ground it is meant for. */
  readonly tone: ToneName;
  readonly shots: readonly ShotId[];
  /** What must be there before it can serve: words, several volumes, a cover whose words can be taken away, a cover that is not shown yet, a photograph with the cover on it. */
  readonly asks?: 'words' | 'volumes' | 'bare' | 'reveal' | 'photo';
  /** null where the words do not fit. */
  draw(board: PromoBoard): Drawn | null;
};

/** Whether a look can serve here. */
export const canShow = (look: PromoLook, board: PromoBoard): boolean => {
  switch (look.asks) {
    case 'words':
      return board.has('headline', 'line');
    case 'volumes':
      return board.s.cover.volumes > 1;
    case 'bare':
      return board.s.cover.map !== null;
    case 'photo':
      return board.s.cover.photo !== null;
    case 'reveal':
      return board.s.reveal !== null;
    case undefined:
      return true;
  }
};
