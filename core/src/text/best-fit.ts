/**
 * What a paragraph is made of, in the model of Knuth and Plass ("Breaking Paragraphs into Lines", Software: Practice and
 * Experience 11, 1981): boxes are letters, glue is white that may grow and shrink, a penalty is a place where a line may end.
 * All lengths share one unit.
 */
export type FitItem =
  | { readonly kind: 'box'; readonly width: number }
  | { readonly kind: 'glue'; readonly width: number; readonly stretch: number; readonly shrink: number }
  /** `width` is added where the line ends here. A cost of -Infinity ends the line, one of Infinity forbids it. */
  | { readonly kind: 'penalty'; readonly width: number; readonly cost: number; readonly hyphen: boolean };

/** Items `from` to `to` (exclusive) stand on a line, `to` is where it breaks; `ratio` is how far its glue grows (over 0) or shrinks. */
export type FitLine = { readonly from: number; readonly to: number; readonly ratio: number };

export type FitOptions = {
  /** How wide a line may be, by its number from 0. From `same` on all are alike. */
  readonly measure: (line: number) => number;
  readonly same: number;
  /** Lines that are not filled: how much white at their end is as bad as glue stretched in full. Null fills them. */
  readonly ragged: number | null;
};

const HYPHENS_IN_A_ROW = 3000;
const UNLIKE_LINES = 3000;
/** A last line shorter than this share of the measure looks lost. */
const SHORT_LAST = 0.12;
const SHORT_LAST_COST = 60;
/** A line that is wider than its measure is taken only where nothing else is left. */
const OVERFULL = 1e9;

/** How tight a line is set: neighbours that are two classes apart are seen. */
const classOf = (ratio: number): number => (ratio < -0.5 ? 0 : ratio <= 0.5 ? 1 : ratio <= 1 ? 2 : 3);

type Sums = { readonly width: Float64Array; readonly stretch: Float64Array; readonly shrink: Float64Array };

function sumsOf(items: readonly FitItem[]): Sums {
  const [width, stretch, shrink] = [0, 1, 2].map(() => new Float64Array(items.length + 1));
  items.forEach((item, i) => {
    width[i + 1] = width[i] + (item.kind === 'penalty' ? 0 : item.width);
    stretch[i + 1] = stretch[i] + (item.kind === 'glue' ? item.stretch : 0);
    shrink[i + 1] = shrink[i] + (item.kind === 'glue' ? item.shrink : 0);
  });
  return { width, stretch, shrink };
}

/** A line begins with the first letter after the break: glue and forbidden penalties are dropped. */
function startAfter(items: readonly FitItem[], at: number): number {
  let i = at;
  while (i < items.length && items[i].kind !== 'box' && !(i > at && isForced(items[i]))) i++;
  return i;
}

const isForced = (item: FitItem | undefined): boolean => item?.kind === 'penalty' && item.cost === -Infinity;

/** Places where a line may end: at glue after a box, and at penalties that are not forbidden. */
export function breaksOf(items: readonly FitItem[]): number[] {
  return items.flatMap((item, i) => {
    if (item.kind === 'penalty') return item.cost === Infinity ? [] : [i];
    return item.kind === 'glue' && items[i - 1]?.kind === 'box' ? [i] : [];
  });
}

type Judged = { readonly ratio: number; readonly badness: number };

/** A line from item to break: how far its glue has to go, and how bad that is, 0 for a line of natural width. */
function judge(
  items: readonly FitItem[],
  sums: Sums,
  from: number,
  to: number,
  room: number,
  options: FitOptions,
): Judged {
  const end = items[to];
  const natural = sums.width[to] - sums.width[from] + (end?.kind === 'penalty' ? end.width : 0);
  const slack = room - natural;
  const last = isForced(end);
  if (slack < -1e-6) {
    const shrink = sums.shrink[to] - sums.shrink[from];
    const ratio = shrink > 0 ? slack / shrink : -Infinity;
    // The less it sticks out the better.
    return ratio < -1 ? { ratio, badness: OVERFULL * (1 - slack / room) } : { ratio, badness: 100 * -(ratio ** 3) };
  }
  if (last) return { ratio: 0, badness: natural < room * SHORT_LAST ? SHORT_LAST_COST : 0 };
  const give = options.ragged ?? sums.stretch[to] - sums.stretch[from];
  const ratio = give > 0 ? slack / give : slack > 1e-6 ? 1e3 : 0;
  return { ratio, badness: Math.min(1e6, 100 * ratio ** 3) };
}

function demeritsOf({ badness }: Judged, item: FitItem | undefined): number {
  const cost = item?.kind === 'penalty' && Number.isFinite(item.cost) ? item.cost : 0;
  return (1 + badness + Math.max(0, cost)) ** 2 - (cost < 0 ? cost * cost : 0);
}

/** What two lines that follow one another cost together. */
function togetherOf(before: { class: number; hyphen: boolean }, now: { class: number; hyphen: boolean }): number {
  return (
    (before.hyphen && now.hyphen ? HYPHENS_IN_A_ROW : 0) + (Math.abs(before.class - now.class) > 1 ? UNLIKE_LINES : 0)
  );
}

const hyphenAt = (item: FitItem | undefined): boolean => item?.kind === 'penalty' && item.hyphen;

type Node = {
  readonly at: number;
  readonly start: number;
  readonly line: number;
  readonly class: number;
  readonly ratio: number;
  readonly total: number;
  readonly from: Node | null;
};

/**
 * The lines whose demerits are least in all, exactly: nodes differ by place, tightness, and line as far as lines differ in width.
 * Items end with a forced break. A box wider than its line stands alone on it and sticks out.
 */
export function bestFit(items: readonly FitItem[], options: FitOptions): FitLine[] {
  const sums = sumsOf(items);
  let active: Node[] = [{ at: -1, start: startAfter(items, 0), line: 0, class: 1, ratio: 0, total: 0, from: null }];
  for (const at of breaksOf(items)) {
    const found = new Map<string, Node>();
    const kept: Node[] = [];
    let wide: Node | null = null;
    for (const node of active) {
      if (node.start > at) {
        kept.push(node);
        continue;
      }
      const judged = judge(items, sums, node.start, at, options.measure(node.line), options);
      const over = judged.badness >= OVERFULL;
      const own = { class: classOf(judged.ratio), hyphen: hyphenAt(items[at]) };
      const together = node.from ? togetherOf({ class: node.class, hyphen: hyphenAt(items[node.at]) }, own) : 0;
      const next: Node = {
        at,
        start: startAfter(items, at + (items[at].kind === 'box' ? 0 : 1)),
        line: node.line + 1,
        class: own.class,
        ratio: judged.ratio,
        total: node.total + demeritsOf(judged, items[at]) + together,
        from: node,
      };
      if (over) {
        if (!wide || next.total < wide.total) wide = next;
        continue;
      }
      if (!isForced(items[at])) kept.push(node);
      const key = `${Math.min(next.line, options.same)} ${next.class}`;
      const known = found.get(key);
      if (!known || next.total < known.total) found.set(key, next);
    }
    active = [...kept, ...found.values()];
    // Nothing fits: the shortest line that sticks out is better than none.
    if (active.length === 0 && wide) active = [wide];
  }
  const end = active.filter((node) => node.at === items.length - 1).sort((a, b) => a.total - b.total)[0];
  const lines: FitLine[] = [];
  for (let node: Node | null = end ?? null; node?.from; node = node.from) {
    lines.unshift({ from: node.from.start, to: node.at, ratio: node.ratio });
  }
  return lines;
}

/** Each line as full as it goes, one after another: what the best fit is held against. */
export function firstFit(items: readonly FitItem[], options: FitOptions): FitLine[] {
  const sums = sumsOf(items);
  const breaks = breaksOf(items);
  const lines: FitLine[] = [];
  let [start, k] = [startAfter(items, 0), 0];
  while (k < breaks.length) {
    const room = options.measure(lines.length);
    let chosen = k;
    for (let next = k; next < breaks.length; next++) {
      if (breaks[next] < start) {
        chosen = next + 1;
        continue;
      }
      const { badness } = judge(items, sums, start, breaks[next], room, options);
      if (badness >= OVERFULL) break;
      chosen = next;
      if (isForced(items[breaks[next]])) break;
    }
    const to = breaks[Math.min(chosen, breaks.length - 1)];
    lines.push({ from: start, to, ratio: judge(items, sums, start, to, room, options).ratio });
    start = startAfter(items, to + 1);
    k = chosen + 1;
  }
  return lines;
}

/** The demerits of lines, however they were found. */
export function demeritsIn(items: readonly FitItem[], lines: readonly FitLine[], options: FitOptions): number {
  const sums = sumsOf(items);
  let [total, before]: [number, { class: number; hyphen: boolean } | null] = [0, null];
  lines.forEach((line, i) => {
    const judged = judge(items, sums, line.from, line.to, options.measure(i), options);
    const own = { class: classOf(judged.ratio), hyphen: hyphenAt(items[line.to]) };
    total += demeritsOf(judged, items[line.to]) + (before ? togetherOf(before, own) : 0);
    before = own;
  });
  return total;
}
