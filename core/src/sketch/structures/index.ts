import type { Structure } from '../structure';
import { CUT } from './cut';
import { FIGURE } from './figure';
import { FULL } from './full';
import { SYMBOL } from './symbol';
import { SYMBOL_CUT } from './symbol-cut';
import { SYMBOL_MANY } from './symbol-many';
import { SYMBOL_ROWS } from './symbol-rows';
import { TYPE } from './type';
import { WINDOW } from './window';

/** All rules by which the sketch sheet composes. */
export const STRUCTURES: readonly Structure[] = [
  ...FULL,
  ...WINDOW,
  ...CUT,
  ...SYMBOL,
  ...SYMBOL_CUT,
  ...SYMBOL_MANY,
  ...SYMBOL_ROWS,
  ...TYPE,
  ...FIGURE,
];

const BY_ID = new Map(STRUCTURES.map((s) => [s.id, s]));

export const findStructure = (id: string): Structure | undefined => BY_ID.get(id);
