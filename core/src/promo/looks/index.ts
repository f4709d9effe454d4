import type { PromoLook } from '../look';
import { BOOKS } from './books';
import { FLAT } from './flat';
import { LARGE } from './large';
import { REVEAL_LOOKS } from './reveals';
import { MANY, SAID, SETS_LOOKS, TYPE } from './others';

/** The looks that ship. To add one, write its rule in this folder and name it here. */
export const LOOKS: readonly PromoLook[] = [
  ...REVEAL_LOOKS,
  ...BOOKS,
  ...LARGE,
  ...SETS_LOOKS,
  ...FLAT,
  ...MANY,
  ...SAID,
  ...TYPE,
];

export const findLook = (id: string): PromoLook | undefined => LOOKS.find((look) => look.id === id);
