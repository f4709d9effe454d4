import type { DrawnForm } from '@yosomi/core/cover';
import { type HouseChange, sameDrawing } from '@yosomi/core/recipe';

type What = Pick<HouseChange, 'kind' | 'from'>;

/** Whether two wishes are of the same thing. */
const ofSame = (a: What, b: What): boolean =>
  a.kind === b.kind &&
  (typeof a.from === 'string'
    ? typeof b.from === 'string' && a.from.toLowerCase() === b.from.toLowerCase()
    : typeof b.from !== 'string' && sameDrawing(a.from, b.from));

const isNone = (change: HouseChange): boolean =>
  change.kind === 'mark' ? sameDrawing(change.from, change.to) : change.to === change.from;

/** Changes with one more, in the place of that which was wished of the same thing; one that changes nothing only takes that away. */
export const withChange = (changes: readonly HouseChange[], next: HouseChange): readonly HouseChange[] => [
  ...changes.filter((one) => !ofSame(one, next)),
  ...(isNone(next) ? [] : [next]),
];

/** What is wished in the place of a name, colour or face; null where nothing is. */
export const wishedOf = (
  changes: readonly HouseChange[],
  kind: Exclude<HouseChange['kind'], 'mark'>,
  from: string,
): string | null =>
  changes.flatMap((one) => (one.kind !== 'mark' && ofSame(one, { kind, from }) ? [one.to] : []))[0] ?? null;

/** The same for a mark. */
export const wishedMark = (changes: readonly HouseChange[], from: DrawnForm): DrawnForm | null =>
  changes.flatMap((one) => (one.kind === 'mark' && sameDrawing(one.from, from) ? [one.to] : []))[0] ?? null;
