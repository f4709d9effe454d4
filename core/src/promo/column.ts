import type { PartSeed, WordsPart } from '../cover';
import type { Rect } from '../plane';
import type { Block } from '../text';
import type { Inks, PromoBoard } from './board';
import type { Slot } from './message';

export type Align = 'left' | 'centre' | 'right';
/** Words that stand under each other: their parts, the box round them (px), and those for which there was no room. */
export type Column = { readonly parts: PartSeed[]; readonly box: Rect; readonly dropped: readonly Slot[] };
export type ColumnAsk = {
  readonly slots?: readonly Slot[];
  readonly align?: Align;
  readonly anchor?: 'top' | 'middle' | 'bottom';
  readonly inks?: Inks;
  /** Largest headline, as a share of the geometric mean of the sides. */
  readonly head?: number;
};

/** What goes first where there is no room for all. */
const DROPPED: readonly Slot[] = ['link', 'line', 'facts', 'by', 'call'];
const ALL: readonly Slot[] = ['headline', 'line', 'by', 'facts', 'call', 'link'];

/** A headline this large, as a share of the format's mean side, is not made smaller for fewer lines. */
const HEADLINE = 0.062;
/** The button round its words, em. */
const PLATE = { padX: 1.05, padY: 0.72, radius: 0.16 } as const;
/** Space above a line, as a share of the size of small lines. */
const ABOVE: Readonly<Record<Slot, number>> = {
  headline: 0.8,
  line: 1,
  by: 0.9,
  facts: 0.9,
  call: 1.35,
  link: 0.95,
  badge: 0.8,
};
const MOST_LINES = { headline: 7, line: 4, by: 2, facts: 2, link: 1, badge: 1 } as const;

/** One line or block as it is set, with what is left free above it and, for a button, beside it. */
type Lain = {
  readonly slot: Slot;
  readonly part: Words;
  readonly block: Block;
  readonly above: number;
  readonly pad: number;
};
type Words = Omit<WordsPart, 'order' | 'id'>;

/**
 * Words under each other in a place: lines at their sizes, the headline as large as what is left allows, the call as a button. What
 * cannot be read there is left out by its importance, and named. null where not even the most important fits.
 */
export function setColumn(board: PromoBoard, place: Rect, ask: ColumnAsk): Column | null {
  if (place.width < 20 || place.height < 20) return null;
  const wanted = (ask.slots ?? ALL).filter((slot) => board.has(slot));
  if (wanted.length === 0) return { parts: [], box: { ...place, height: 0 }, dropped: [] };
  // Without a button the address is what leads on: it goes last.
  const order = DROPPED.filter((slot) => wanted.includes(slot) && (slot !== 'link' || wanted.includes('call')));
  if (wanted.includes('link') && !order.includes('link')) order.push('link');
  const least = board.least(board.s.faces.text);
  const ways = [
    { small: board.small * 1.12, callLines: 1 },
    { small: board.small, callLines: 1 },
    { small: least, callLines: 1 },
    { small: least, callLines: 2 },
  ];
  for (let gone = 0; gone <= order.length; gone++) {
    const kept = wanted.filter((slot) => !order.slice(0, gone).includes(slot));
    if (kept.length === 0) break;
    for (const { small, callLines } of ways) {
      const lain = layAll(board, place, kept, ask, Math.max(least, small), callLines);
      if (lain) return { ...stacked(board, place, lain, ask), dropped: wanted.filter((slot) => !kept.includes(slot)) };
    }
  }
  return null;
}

const outer = ({ slot, block }: Lain): number =>
  block.box.height + (slot === 'call' ? 2 * PLATE.padY * block.sizePx : 0);

const heightOf = (lain: readonly Lain[]): number => lain.reduce((sum, one) => sum + outer(one) + one.above, 0);

/** Every line at its size, then the headline in what they leave; null where something does not fit. */
function layAll(
  board: PromoBoard,
  place: Rect,
  slots: readonly Slot[],
  ask: ColumnAsk,
  small: number,
  callLines: number,
): Lain[] | null {
  const { head, text, strong } = board.s.faces;
  const lain: Lain[] = [];
  const put = (slot: Slot, size: number, least: number, room: number, lines: number): boolean => {
    const one = lay(board, { slot, width: place.width, room, size, least, lines, small, ask });
    if (one) lain.push(one);
    return one !== null;
  };
  for (const slot of slots) {
    if (slot === 'headline') continue;
    const factor = slot === 'call' ? 1.06 : slot === 'by' ? 1.04 : slot === 'link' ? 0.96 : 1;
    const least = board.least(slot === 'call' ? strong : text);
    const size = Math.max(small * factor, least);
    const lines = slot === 'call' ? callLines : MOST_LINES[slot];
    if (!put(slot, size, least, size * (lines === 1 ? 1.6 : 1.45 * lines), lines)) return null;
  }
  if (slots.includes('headline')) {
    const least = Math.max(small * 1.3, board.least(head) * 1.15);
    const size = Math.max((ask.head ?? 0.1) * board.mean, least);
    if (!put('headline', size, least, place.height - heightOf(lain), MOST_LINES.headline)) return null;
  }
  lain.sort((a, b) => slots.indexOf(a.slot) - slots.indexOf(b.slot));
  lain[0] = { ...lain[0], above: 0 };
  return heightOf(lain) > place.height + 0.5 ? null : lain;
}

type LayAsk = {
  readonly slot: Slot;
  readonly width: number;
  readonly room: number;
  readonly size: number;
  readonly least: number;
  readonly lines: number;
  readonly small: number;
  readonly ask: ColumnAsk;
};

function lay(board: PromoBoard, { slot, width, room, size, least, lines, small, ask }: LayAsk): Lain | null {
  const pad = slot === 'call' ? PLATE.padX * size : 0;
  const inner = { x: 0, y: 0, width: width - 2 * pad, height: room };
  if (inner.width < 10 || room < 6) return null;
  const fitted = board.words(slot, inner, size, styleOf(board, slot, ask));
  // Set again at the size that fits: as few lines as the width allows, and a headline rather smaller than in many lines.
  let part = { ...fitted, size: board.measure(fitted, inner).sizePx / board.w };
  let block = board.measure(part, inner);
  const lower = slot === 'headline' ? Math.max(least, HEADLINE * board.mean) : Infinity;
  while (block.lines > 4 && block.sizePx * 0.93 > lower) {
    part = { ...part, size: part.size * 0.93 };
    block = board.measure(part, inner);
  }
  if (block.overflows || block.sizePx < least * 0.999 || block.lines > lines) return null;
  return { slot, part, block, above: ABOVE[slot] * small, pad };
}

const MIRRORED = { left: 'right', centre: 'centre', right: 'left' } as const;

function styleOf(board: PromoBoard, slot: Slot, { inks = board.inks, align = 'left' }: ColumnAsk): Partial<WordsPart> {
  const plate = { ...PLATE, colour: inks.plate, opacity: 1, blend: 'normal' as const };
  return {
    align: board.rightToLeft ? MIRRORED[align] : align,
    alignY: 'top',
    colour: slot === 'headline' ? inks.head : slot === 'call' ? inks.onPlate : inks.line,
    ...(slot === 'call' ? { plate } : {}),
  };
}

function stacked(
  board: PromoBoard,
  place: Rect,
  lain: readonly Lain[],
  { anchor = 'top' }: ColumnAsk,
): Omit<Column, 'dropped'> {
  const height = heightOf(lain);
  const spare = place.height - height;
  const top = place.y + (anchor === 'top' ? 0 : anchor === 'bottom' ? spare : spare / 2);
  let y = top;
  const parts = lain.map((one): PartSeed => {
    const { slot, part, block, above, pad } = one;
    const padY = slot === 'call' ? PLATE.padY * block.sizePx : 0;
    // What is ranged at an edge has its button begin there.
    const inset = {
      x: place.x + pad,
      y: y + above + padY,
      width: place.width - 2 * pad,
      height: block.box.height * 1.01 + 1,
    };
    y += above + outer(one);
    return { ...part, id: slot, area: board.area(inset) };
  });
  return { parts, box: { x: place.x, y: top, width: place.width, height } };
}
