import type { PartSeed } from '../../cover';
import type { Rect } from '../../plane';
import type { Inks, PromoBoard } from '../board';
import type { Drawn } from '../look';
import type { Slot } from '../message';
import type { ShotId } from '../shots';

export type Ask = {
  /** Where the book stands beside its words. */
  readonly side?: 'left' | 'right';
  /** Its share of the width beside words, and of the height between them. */
  readonly share?: number;
  readonly head?: number;
  readonly align?: 'left' | 'centre';
  readonly inks?: Inks;
  readonly slots?: readonly Slot[];
  /** The room for the book reaches to these edges of the format, past the margin. */
  readonly bleeds?: boolean;
  readonly anchor?: 'top' | 'middle' | 'bottom';
  /** How far down words may stand: what lies below belongs to what the book stands on. */
  readonly wall?: number;
  /** The book is wider than high. */
  readonly lies?: boolean;
};

export type Arranged = {
  readonly words: readonly PartSeed[];
  /** Where the book can stand. */
  readonly room: Rect;
  /** The box round all words beside the book, or above it. */
  readonly box: Rect;
  readonly dropped: readonly Slot[];
};

const ALL: readonly Slot[] = ['headline', 'line', 'by', 'facts', 'call', 'link'];
const ENDS: ReadonlySet<Slot> = new Set(['call', 'link']);

/**
 * Words and book where the format's shape wants them: beside each other where it is wide, the call at the end of a strip, the book between
 * headline and call where it is upright. null where the words do not fit.
 */
export function arranged(board: PromoBoard, ask: Ask = {}): Arranged | null {
  if (!board.has(...(ask.slots ?? ALL))) {
    const { safe } = board;
    return { words: [], room: safe, box: { ...safe, height: 0 }, dropped: [] };
  }
  if (board.strip) return inStrip(board, ask);
  // What is wider than high has more room between words than beside them.
  const upright = board.ratio <= (ask.lies ? 1.3 : 0.92);
  return upright ? between(board, ask) : beside(board, ask);
}

/** The room that is left for a book beside whose foot a seal hangs half outside. */
export function besideSeal(board: PromoBoard, room: Rect): Rect {
  const hang = board.seal * 0.52;
  const x = sealOnRight(board, room) ? room.x : room.x + hang;
  return { ...room, x, width: room.width - hang, height: room.height - hang * 0.4 };
}

/** The seal hangs at the side of the book that looks outwards. */
const sealOnRight = (board: PromoBoard, room: Rect): boolean => room.x + room.width / 2 > 0.38 * board.w;

/** What reads from right to left has its words on the right, so that the book stands where the eye ends. */
const bookOn = (board: PromoBoard, side: 'left' | 'right' = 'right'): 'left' | 'right' =>
  board.rightToLeft ? (side === 'right' ? 'left' : 'right') : side;

function beside(board: PromoBoard, ask: Ask): Arranged | null {
  const { safe, w, h, margin } = board;
  const gap = margin * 0.75;
  const share = ask.share ?? (board.wide ? 0.44 : 0.46);
  const bookWidth = (safe.width - gap) * share;
  const right = bookOn(board, ask.side) === 'right';
  const height = Math.min(safe.height, (ask.wall ?? 1) * h - safe.y);
  const words = { ...safe, height, x: right ? safe.x : safe.x + bookWidth + gap, width: safe.width - gap - bookWidth };
  // Beside a book there is height enough for large letters in short lines.
  const head = ask.head ?? 0.122;
  const column = board.column(words, { ...ask, head, slots: ask.slots ?? ALL, anchor: ask.anchor ?? 'middle' });
  if (!column) return null;
  const edge = ask.bleeds ? 0 : margin * 0.62;
  const x0 = right ? words.x + words.width + gap : edge;
  const x1 = right ? w - edge : words.x - gap;
  const room = { x: x0, y: edge, width: x1 - x0, height: h - 2 * edge };
  return { words: column.parts, room, box: column.box, dropped: column.dropped };
}

function inStrip(board: PromoBoard, ask: Ask): Arranged | null {
  const { safe, w, h, margin } = board;
  const gap = margin * 0.8;
  const slots = ask.slots ?? ALL;
  const right = bookOn(board, ask.side) === 'right';
  const edge = ask.bleeds ? 0 : margin * 0.5;
  const bookWidth = Math.min(w * 0.34, h * 0.92);
  const free = { x: right ? safe.x : safe.x + bookWidth + gap, width: safe.width - bookWidth - gap };
  const room = { x: right ? w - edge - bookWidth : edge, y: edge, width: bookWidth, height: h - 2 * edge };
  const ends = slots.filter((slot) => ENDS.has(slot) && board.has(slot));
  const whole = { ...safe, ...free, height: Math.min(safe.height, (ask.wall ?? 1) * h - safe.y) };
  const endWidth = free.width * 0.4;
  const last =
    w > 2.7 * h && ends.length > 0 ? board.column({ ...whole, width: endWidth, x: 0 }, { ...ask, slots: ends }) : null;
  if (!last) {
    const column = board.column(whole, { ...ask, slots, anchor: 'middle' });
    return column && { words: column.parts, room, box: column.box, dropped: column.dropped };
  }
  const firstOf = whole.x;
  const firstPart = board.column(
    { ...whole, x: firstOf, width: free.width - endWidth - gap },
    { ...ask, slots: slots.filter((slot) => !ENDS.has(slot)), anchor: 'middle' },
  );
  const endPart = board.column(
    { ...whole, x: firstOf + free.width - endWidth, width: endWidth },
    { ...ask, align: 'centre', slots: ends, anchor: 'middle' },
  );
  if (!firstPart || !endPart) return null;
  return {
    words: [...firstPart.parts, ...endPart.parts],
    room,
    box: { ...firstPart.box, width: free.width },
    dropped: [...firstPart.dropped, ...endPart.dropped],
  };
}

function between(board: PromoBoard, ask: Ask): Arranged | null {
  const { safe, w, margin } = board;
  const slots = ask.slots ?? ALL;
  const align = ask.align ?? 'centre';
  const tall = board.ratio < 0.7;
  // Where little is left between what others lay over, the book has the most of it.
  const gap = margin * (tall ? 0.5 : 0.7);
  const share = ask.lies ? 0.58 : tall ? 0.66 : Math.max(0.58, ask.share ?? 0);
  const ends = slots.filter((slot) => ENDS.has(slot));
  const foot = board.column(
    { ...safe, y: safe.y + safe.height * 0.72, height: safe.height * 0.28 },
    { ...ask, align, slots: ends, anchor: 'bottom' },
  );
  if (!foot) return null;
  const footTop = foot.parts.length > 0 ? foot.box.y - gap : safe.y + safe.height;
  const head = board.column(
    { ...safe, height: Math.max(20, (footTop - safe.y) * (1 - share)) },
    {
      ...ask,
      align,
      head: ask.lies || tall ? 0.082 : (ask.head ?? 0.088),
      slots: slots.filter((slot) => !ENDS.has(slot)),
      anchor: 'top',
    },
  );
  if (!head) return null;
  const top = head.parts.length > 0 ? head.box.y + head.box.height + gap : safe.y;
  const edge = ask.bleeds ? 0 : margin * 0.6;
  const room = { x: edge, y: top, width: w - 2 * edge, height: footTop - top };
  return room.height < 0.2 * board.h
    ? null
    : { words: [...head.parts, ...foot.parts], room, box: head.box, dropped: [...head.dropped, ...foot.dropped] };
}

/** Ground, book in its room, words, and the badge at the book's shoulder. */
export function drawnBook(
  board: PromoBoard,
  shot: ShotId,
  ask: Ask = {},
  behind: (box: Rect, room: Rect) => readonly PartSeed[] = () => [],
): Drawn | null {
  const { width, height } = board.s.box(shot);
  const set = arranged(board, { lies: width > 1.12 * height, ...ask });
  if (!set) return null;
  const book = board.book(shot, besideSeal(board, set.room));
  return {
    parts: [
      ...board.ground(middleOf(board, book.box)),
      ...behind(book.box, set.room),
      book.part,
      ...set.words,
      ...shoulder(board, book.box),
    ],
    dropped: set.dropped,
  };
}

/** The middle of a box, fractions of the format. */
export const middleOf = (board: PromoBoard, box: Rect): { x: number; y: number } => ({
  x: Math.min(1, Math.max(0, (box.x + box.width / 2) / board.w)),
  y: Math.min(1, Math.max(0, (box.y + box.height / 2) / board.h)),
});

/** The seal at the foot corner of the book that looks outwards, the greater part of it outside. */
export function shoulder(board: PromoBoard, book: Rect): PartSeed[] {
  const size = board.seal;
  const x = sealOnRight(board, book) ? book.x + book.width + size * 0.16 : book.x - size * 0.16;
  return board.badge(x, book.y + book.height - size * 0.3, size);
}
