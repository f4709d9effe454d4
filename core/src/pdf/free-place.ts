import type { Rect } from '../plane';

/** A line that is to stand at the head or foot of a page, its letters from `left` to `right`, points. */
export type Wanted = {
  readonly end: 'head' | 'foot';
  readonly left: number;
  readonly right: number;
  readonly size: number;
};

/** Lines keep this far from all that is on the page, and from its edge, points. */
export const CLEAR = 4;
const EDGE = 12;
/** A margin is no deeper than this share of the page, and no more than so many points. */
const DEEPEST = 0.14;
const MOST_DEEP = 90;
const STEP = 0.5;
/** How far letters reach over and under their line, in sizes. */
export const OVER = 0.85;
export const UNDER = 0.3;

/** How deep a base line may stand in the margin, from the page's edge inwards, points. */
export function depthsOf(height: number, { end, size }: Wanted): [least: number, most: number] {
  const least = EDGE + (end === 'head' ? OVER : UNDER) * size;
  return [least, Math.max(least, Math.min(height * DEEPEST, MOST_DEEP))];
}

/** Depths at which a line meets nothing, in steps of half a point, from the edge inwards. */
export function freeDepths(boxes: readonly Rect[], height: number, wanted: Wanted): number[] {
  const { end, left, right, size } = wanted;
  const [least, most] = depthsOf(height, wanted);
  const reach = most + size + CLEAR;
  const [from, to] = end === 'head' ? [0, reach] : [height - reach, height];
  const beside = boxes.filter(
    (box) => box.x < right + CLEAR && box.x + box.width > left - CLEAR && box.y < to && box.y + box.height > from,
  );
  const free: number[] = [];
  for (let depth = Math.ceil(least / STEP) * STEP; depth <= most; depth += STEP) {
    const line = end === 'head' ? depth : height - depth;
    const [top, foot] = [line - OVER * size - CLEAR, line + UNDER * size + CLEAR];
    if (!beside.some((box) => box.y < foot && box.y + box.height > top)) free.push(depth);
  }
  return free;
}

/** The nearest of some depths; null where there is none. */
export const nearest = (depths: readonly number[], to: number): number | null =>
  depths.length === 0 ? null : depths.reduce((a, b) => (Math.abs(b - to) < Math.abs(a - to) ? b : a));

/** Depths that follow each other without a gap. */
function runsOf(depths: readonly number[]): number[][] {
  const runs: number[][] = [];
  for (const depth of [...depths].sort((a, b) => a - b)) {
    const run = runs.at(-1);
    if (run && depth - run[run.length - 1] <= STEP * 1.01) run.push(depth);
    else runs.push([depth]);
  }
  return runs;
}

/** A band narrower than this looks squeezed where there is another one, points. */
const ROOMY = 4;

/**
 * The one depth that serves most pages, so that lines stand alike. Of several bands the outer one is taken, so that a line stands over an
 * old head and not between that and the text; in it, a little nearer to the words than to the edge.
 */
export function commonDepth(pages: readonly (readonly number[])[]): number | null {
  const counts = new Map<number, number>();
  for (const depths of pages) for (const depth of depths) counts.set(depth, (counts.get(depth) ?? 0) + 1);
  if (counts.size === 0) return null;
  const most = Math.max(...counts.values());
  const runs = runsOf([...counts].filter(([, count]) => count === most).map(([depth]) => depth));
  const span = (run: readonly number[]): number => run[run.length - 1] - run[0];
  const run = runs.find((one) => span(one) >= ROOMY) ?? runs.reduce((a, b) => (span(b) > span(a) ? b : a));
  return nearest(run, run[0] + span(run) * 0.55);
}
