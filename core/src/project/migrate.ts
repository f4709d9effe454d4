import { type Step, versioned } from '../base';
import { BOOK_SCHEMA, Book } from './book';
import { to17 } from './migrations/to-17';
import { patchTo18, to18 } from './migrations/to-18';
import { to2 } from './migrations/to-2';
import { to3 } from './migrations/to-3';
import { to4 } from './migrations/to-4';
import { to5 } from './migrations/to-5';
import { to6 } from './migrations/to-6';
import { to7 } from './migrations/to-7';
import { patchTo10, to10 } from './migrations/to-10';
import { patchTo11, to11 } from './migrations/to-11';
import { patchTo12, to12 } from './migrations/to-12';
import { patchTo13, to13 } from './migrations/to-13';
import { patchTo14, to14 } from './migrations/to-14';
import { patchTo15, to15 } from './migrations/to-15';
import { patchTo16, to16 } from './migrations/to-16';
import { patchTo8, to8 } from './migrations/to-8';
import { patchTo9, to9 } from './migrations/to-9';

/** A title as it is stored or saved. Faults: `project-newer`, `project-damaged`. */
export const Books = versioned(
  'book',
  Book,
  [to2, to3, to4, to5, to6, to7, to8, to9, to10, to11, to12, to13, to14, to15, to16, to17, to18],
  {
    newer: 'project-newer',
    wrong: 'project-damaged',
  },
);
export const readBook = Books.read;

/** Entries take a patch of a history along with its document. Steps of a number that is not here do not fit any more. */
const PATCHES: Readonly<Record<number, (patch: Patch) => Patch>> = {
  7: patchTo8,
  8: patchTo9,
  9: patchTo10,
  10: patchTo11,
  11: patchTo12,
  12: patchTo13,
  13: patchTo14,
  14: patchTo15,
  15: patchTo16,
  // Nothing that a step could have written became another thing.
  16: (patch) => patch,
  17: patchTo18,
};
type Patch = Step['forward'][number];

/** Takes a step of a title's history from the schema it was made on to the present one; null where it cannot be. */
export function readStep(step: Step, schema: number): Step | null {
  let { forward, back } = step;
  for (let n = schema; n < BOOK_SCHEMA; n++) {
    if (!PATCHES[n]) return null;
    forward = forward.map(PATCHES[n]);
    back = back.map(PATCHES[n]);
  }
  return { ...step, forward, back };
}
