import type { Mark, PageLink } from './page';

/** A field or line behind or beside rows that belong together; drawn once for those of them that stand on a page. */
export type Panel = {
  readonly id: number;
  readonly kind: 'tint' | 'bar' | 'frame' | 'deep' | 'quote';
  readonly x: number;
  readonly width: number;
};

/** Lines of a page that are never divided. Heights are steps of the design; marks are points from the column's left and the row's top. */
export type Row = {
  /** White before it, left out at the head of a page. */
  readonly gap: number;
  readonly height: number;
  /** What it costs to begin a page with this row: Infinity forbids it, -Infinity asks for it. */
  readonly cut: number;
  readonly marks: readonly Mark[];
  readonly links: readonly PageLink[];
  readonly panels: readonly Panel[];
  /** The block of the manuscript that it comes from, by its place; null for what is made. */
  readonly block: number | null;
  readonly heading: { readonly text: string; readonly level: 1 | 2; readonly chapter: boolean } | null;
  /** Reaches over the margins to the head of its page. */
  readonly bleeds: boolean;
  /** Can be lower where that keeps it on its page: at least how high, and what is drawn then. */
  readonly gives: { readonly least: number; readonly marks: (height: number) => readonly Mark[] } | null;
  /** What is shown once more above it where it begins a page: the head of its table. It is not read aloud again. */
  readonly again: { readonly height: number; readonly marks: readonly Mark[] } | null;
};

/** The rows of a page; `over` is how many steps they are higher than it, to be taken from those that give. */
export type PageRows = { readonly from: number; readonly to: number; readonly over: number };

/** How bad a page with white at its foot is, and one with nearly nothing on it. */
const WHITE = 1500;
const NEARLY_EMPTY = 400;
const SHORT_END = 110;
const FEW = 0.17;
/** What is made smaller than it could be, by a step. */
const GIVEN = 4;

/**
 * Rows to pages, `steps` to a page, by least cost in all (dynamic programming): a heading stays with what it heads, no line of a paragraph stands
 * alone, and pages are filled alike; a picture becomes smaller where that keeps it with its words, and the field
 * over a chapter lower where that saves a page with a few lines on it. A row that is higher than a page stands alone on one.
 */
export function pagesOf(rows: readonly Row[], steps: number): PageRows[] {
  const n = rows.length;
  const best: { cost: number; from: number; over: number }[] = [{ cost: 0, from: 0, over: 0 }];
  for (let to = 1; to <= n; to++) {
    const ends = to === n || rows[to].cut === -Infinity;
    const cutCost = to === n || ends ? 0 : rows[to].cut;
    let found = { cost: Infinity, from: to - 1, over: 0 };
    let [height, spare] = [0, 0];
    for (let from = to - 1; from >= 0; from--) {
      const row = rows[from];
      height += row.height + (from < to - 1 ? rows[from + 1].gap : 0);
      spare += row.gives ? row.height - row.gives.least : 0;
      if (height - spare > steps && from < to - 1) break;
      const whole = height + (row.again?.height ?? 0);
      const over = Math.min(spare, Math.max(0, whole - steps));
      const before = best[from].cost;
      // Where a rule cannot be kept it is broken at a price, so that there are always pages.
      const cut = cutCost === Infinity ? 1e6 : Math.max(0, cutCost);
      const empty = Math.max(0, steps - whole) / steps;
      const white = ends ? (whole < steps * FEW ? NEARLY_EMPTY : empty > 0.75 ? SHORT_END : 0) : WHITE * empty ** 2;
      const cost = before + cut + white + over * GIVEN + 1;
      // With what is shown again above it, it may be too high.
      const fits = whole - spare <= steps || from === to - 1;
      if (fits && cost < found.cost) found = { cost, from, over };
      if (row.cut === -Infinity) break;
    }
    best.push(found);
  }
  const pages: PageRows[] = [];
  for (let to = n; to > 0; to = best[to].from) pages.unshift({ from: best[to].from, to, over: best[to].over });
  return pages;
}
