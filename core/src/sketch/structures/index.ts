import type { Structure } from '../structure';
import { CUT } from './cut';
import { FIGURE } from './figure';
import { FULL } from './full';
import { SYMBOL } from './symbol';
import { SYMBOL_MANY } from './symbol-many';
import { TYPE } from './type';
import { WINDOW } from './window';

/** All rules by which the sketch sheet composes. */
export const STRUCTURES: readonly Structure[] = [
  ...FULL,
  ...WINDOW,
  ...CUT,
  ...SYMBOL,
  ...SYMBOL_MANY,
  ...TYPE,
  ...FIGURE,
];

const BY_ID = new Map(STRUCTURES.map((s) => [s.id, s]));

export const findStructure = (id: string): Structure | undefined => BY_ID.get(id);
