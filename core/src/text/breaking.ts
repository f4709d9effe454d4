/** Words that carry no stress: they are set small, and a line is not broken after them. */
const MINOR = new Set(
  (
    'a an the and or nor but of for from to in into on onto at by with as is de la le les du des der die das und von zu ' +
    'et un une el los las y del di il lo gli dei delle da do dos ο η το οι τα του της των και σε με για στο στη στην ' +
    'и в во на с со о об от до за для по'
  ).split(' '),
);

export const isMinor = (word: string): boolean => MINOR.has(word.toLowerCase().replace(/[^\p{L}]/gu, ''));

export type BreakItem = { readonly width: number; readonly minor: boolean };

/** Ends of lines: `[2, 3]` puts items 0 and 1 on the first line and item 2 on the second. */
export type Breaks = readonly number[];

/**
 * The breaks into exactly `lines` lines whose widest line is narrowest (dynamic programming), ties by evenness.
 * A line that ends in a minor word after others counts a tenth wider, so that it loses against a neighbour.
 * Widths and `space` share one unit. `lines` must be 1..items.length.
 */
export const balancedBreaks = (items: readonly BreakItem[], lines: number, space: number): Breaks =>
  breaksUpTo(items, lines, space)[lines - 1];

/** The same for every number of lines from 1 to `most`. */
export function breaksUpTo(items: readonly BreakItem[], most: number, space: number): Breaks[] {
  const n = items.length;
  const before = [0];
  for (const item of items) before.push(before[before.length - 1] + item.width);
  const cost = (from: number, to: number): number => {
    const width = before[to] - before[from] + space * (to - from - 1);
    return to - from > 1 && to < n && items[to - 1].minor ? width * 1.1 + 1e-6 : width;
  };
  type Cell = { most: number; squares: number; from: number };
  const better = (a: Cell, b: Cell | undefined): boolean =>
    !b || a.most < b.most - 1e-9 || (a.most < b.most + 1e-9 && a.squares < b.squares);
  let row: (Cell | undefined)[] = Array.from({ length: n + 1 }, (_, to) =>
    to === 0 ? undefined : { most: cost(0, to), squares: cost(0, to) ** 2, from: 0 },
  );
  const rows = [row];
  for (let line = 1; line < most; line++) {
    const next: (Cell | undefined)[] = Array.from({ length: n + 1 });
    for (let to = line + 1; to <= n; to++) {
      for (let from = line; from < to; from++) {
        const head = row[from];
        if (!head) continue;
        const c = cost(from, to);
        const cell = { most: Math.max(head.most, c), squares: head.squares + c * c, from };
        if (better(cell, next[to])) next[to] = cell;
      }
    }
    rows.push((row = next));
  }
  return rows.map((_, last) => {
    const ends: number[] = [];
    for (let line = last, to = n; line >= 0; line--) {
      ends.unshift(to);
      to = rows[line][to]!.from;
    }
    return ends;
  });
}
