import { type PartSeed, newShape } from '../../cover';
import type { PromoLook } from '../look';
import { arranged, drawnBook, middleOf, shoulder } from './arranged';

/** One book on a ground, beside or under its words. */
export const BOOKS: readonly PromoLook[] = [
  {
    id: 'dusk',
    name: 'Standing in its dusk',
    family: 'book',
    tone: 'deep',
    shots: ['standing'],
    draw: (board) => drawnBook(board, 'standing'),
  },
  {
    id: 'daylight',
    name: 'Standing in daylight',
    family: 'book',
    tone: 'pale',
    shots: ['standing'],
    draw: (board) => drawnBook(board, 'standing', { side: 'left' }),
  },
  {
    id: 'disc',
    name: 'Before a disc',
    family: 'book',
    tone: 'blush',
    shots: ['facing'],
    draw(board) {
      const set = arranged(board);
      if (!set) return null;
      const { room } = set;
      const r = Math.min(room.width, room.height) * 0.5;
      const [cx, cy] = [room.x + room.width / 2, room.y + room.height / 2];
      const area = board.area({ x: cx - r, y: cy - r, width: 2 * r, height: 2 * r });
      const disc = { ...newShape({ kind: 'ellipse' }, { area, colour: board.tone.block }), id: 'disc' };
      // The book looks out of the disc at its head and foot, and leaves most of it in view at its sides.
      const tall = Math.min(room.height, 2 * r * 1.2);
      const book = board.book('facing', { x: cx - r, y: cy - tall / 2, width: 2 * r, height: tall });
      return {
        parts: [...board.ground(undefined, true), disc, book.part, ...set.words, ...shoulder(board, book.box)],
        dropped: set.dropped,
      };
    },
  },
  {
    id: 'arch',
    name: 'In an arch',
    family: 'book',
    tone: 'paper',
    shots: ['standing'],
    draw(board) {
      const set = arranged(board, { bleeds: true });
      if (!set) return null;
      const { room } = set;
      const width = Math.min(room.width * 0.94, room.height * 0.86);
      const arch = {
        x: room.x + (room.width - width) / 2,
        width,
        y: room.y + room.height * 0.08,
        height: room.height * 0.92,
      };
      const tall = Math.min(arch.height, width * 1.85);
      const low = { ...arch, y: arch.y + arch.height - tall, height: tall };
      const foot = board.ratio > 0.92 ? 0.07 : 0.05;
      const inside = {
        x: low.x + width * 0.08,
        y: low.y + tall * 0.12,
        width: width * 0.84,
        height: tall * (0.88 - foot),
      };
      const book = board.book('standing', inside, { y: 1 });
      const d = archPath(width / tall);
      const shape = newShape(
        { kind: 'drawn', ratio: width / tall, paths: [{ d, colour: null }] },
        { area: board.area(low), colour: board.tone.block },
      );
      return {
        parts: [
          ...board.ground(undefined, true),
          { ...shape, id: 'arch' },
          book.part,
          ...set.words,
          ...shoulder(board, book.box),
        ],
        dropped: set.dropped,
      };
    },
  },
  {
    id: 'floating',
    name: 'In the air',
    family: 'book',
    tone: 'vivid',
    shots: ['floating'],
    draw: (board) => drawnBook(board, 'floating', { share: board.wide ? 0.42 : 0.48 }),
  },
  {
    id: 'lying',
    name: 'Lying, seen from above',
    family: 'book',
    tone: 'second',
    shots: ['lying'],
    draw: (board) => drawnBook(board, 'lying', { share: board.wide ? 0.5 : 0.48 }),
  },
  {
    id: 'pages',
    name: 'Pages towards you',
    family: 'book',
    tone: 'night',
    shots: ['pages'],
    draw: (board) => drawnBook(board, 'pages', { side: 'left' }),
  },
  {
    id: 'ruled',
    name: 'In a thin frame',
    family: 'book',
    tone: 'paper',
    shots: ['facing'],
    draw(board) {
      const set = arranged(board, { share: board.wide ? 0.38 : undefined });
      if (!set) return null;
      const book = board.book('facing', set.room, { grow: 0.88 });
      const inset = Math.min(board.margin * 0.42, board.safe.y * 0.6);
      const [ground, ...over] = board.ground(middleOf(board, book.box), true);
      const border = {
        width: Math.max(0.0012, (0.0022 * board.mean) / board.w),
        colour: board.tone.accent,
        inset: inset / board.w,
      };
      return {
        parts: [{ ...ground, border } as PartSeed, ...over, book.part, ...set.words, ...shoulder(board, book.box)],
        dropped: set.dropped,
      };
    },
  },
];

/** An upright with a round head in a box 1000 high and `ratio` times as wide. */
function archPath(ratio: number): string {
  const w = 1000 * ratio;
  const r = w / 2;
  return `M0 1000L0 ${r}A${r} ${r} 0 0 1 ${w} ${r}L${w} 1000Z`;
}
