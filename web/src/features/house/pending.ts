import type { DrawnForm } from '@yosomi/core/cover';
import type { HouseChange } from '@yosomi/core/recipe';

/** What a change is of: two of the same replace each other. */
function placeOf({ kind, from }: { readonly kind: HouseChange['kind']; readonly from: HouseChange['from'] }): string {
  const what = typeof from === 'string' ? from.toLowerCase() : from.paths.map(({ d }) => d).join(' ');
  return `${kind} ${what}`;
}

const isNone = (change: HouseChange): boolean =>
  change.kind === 'mark' ? placeOf(change) === placeOf({ ...change, from: change.to }) : change.to === change.from;

/** Changes with one more, in the place of that which was wished of the same thing; one that changes nothing only takes that away. */
export const withChange = (changes: readonly HouseChange[], next: HouseChange): readonly HouseChange[] => [
  ...changes.filter((one) => placeOf(one) !== placeOf(next)),
  ...(isNone(next) ? [] : [next]),
];

/** What is wished in the place of a name, colour or face; null where nothing is. */
export const wishedOf = (
  changes: readonly HouseChange[],
  kind: Exclude<HouseChange['kind'], 'mark'>,
  from: string,
): string | null =>
  changes.flatMap((one) => (one.kind !== 'mark' && placeOf(one) === placeOf({ kind, from }) ? [one.to] : []))[0] ??
  null;

/** The same for a mark. */
export const wishedMark = (changes: readonly HouseChange[], from: DrawnForm): DrawnForm | null =>
  changes.flatMap((one) =>
    one.kind === 'mark' && placeOf(one) === placeOf({ kind: 'mark', from }) ? [one.to] : [],
  )[0] ?? null;
