import type { Art } from './design';

/** A strip with less to see than this share of the best one is not shown. */
const ENOUGH = 0.5;
const STEPS = 40;

/**
 * Where strips of a height, as a share of the picture's, begin: those in which there is most to see, the best first, none
 * lying over another by more than half. One that is as high as the picture begins at its top.
 */
export function stripsOf({ detail }: Art, share: number): number[] {
  if (share >= 1 || detail.length === 0) return [0];
  const worth = (from: number): number => {
    const [a, b] = [Math.floor(from * detail.length), Math.max(1, Math.round((from + share) * detail.length))];
    const rows = detail.slice(a, b);
    return rows.reduce((sum, one) => sum + one, 0) / Math.max(1, rows.length);
  };
  const places = Array.from({ length: STEPS + 1 }, (_, i) => (i / STEPS) * (1 - share))
    .map((from) => ({ from, worth: worth(from) }))
    .sort((a, b) => b.worth - a.worth);
  const chosen: typeof places = [];
  for (const place of places) {
    const apart = chosen.every((one) => Math.abs(one.from - place.from) >= share * 0.5);
    if (apart && (chosen.length === 0 || place.worth >= chosen[0].worth * ENOUGH)) chosen.push(place);
  }
  return chosen.map(({ from }) => from);
}
