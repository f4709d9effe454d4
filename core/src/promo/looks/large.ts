import type { PartSeed } from '../../cover';
import type { Rect } from '../../plane';
import type { PromoBoard } from '../board';
import type { Drawn, PromoLook } from '../look';
import type { ShotId } from '../shots';
import { arranged, drawnBook, middleOf } from './arranged';

/** The book so large that an edge cuts it, its title still whole. */
function cutBook(board: PromoBoard, shot: ShotId, more: readonly PartSeed[] = []): Drawn | null {
  const upright = board.ratio <= 0.92;
  if (!upright) {
    const set = arranged(board, { share: board.strip ? undefined : 0.45, bleeds: true });
    if (!set) return null;
    const { room } = set;
    // As wide as its room, cut by the foot: the upper two thirds of a cover tell what it is.
    const box = board.s.box(shot);
    const grow = Math.max(
      1,
      Math.min(1.5, (room.width - board.margin * 0.5) / ((room.height / box.height) * box.width)),
    );
    const place = { ...room, y: board.margin * (board.strip ? 0.5 : 0.9), width: room.width - board.margin * 0.5 };
    const book = board.book(shot, place, { y: 0, grow });
    return {
      parts: [...board.ground(middleOf(board, book.box)), ...more, book.part, ...set.words],
      dropped: set.dropped,
    };
  }
  const { safe, w, h, margin } = board;
  const words = board.column({ ...safe, height: safe.height * 0.46 }, { align: 'centre', anchor: 'top', head: 0.085 });
  if (!words) return drawnBook(board, shot);
  const top = words.box.y + words.box.height + margin * 0.9;
  const place: Rect = { x: w * 0.06, y: top, width: w * 0.88, height: h * 4 };
  const book = board.book(shot, place, { y: 0 });
  // A zone that is laid over at the foot may cover some of it; most of the cover stays in view.
  if (book.box.y + book.box.height * 0.45 > h) return drawnBook(board, shot);
  return {
    parts: [...board.ground(middleOf(board, book.box)), ...more, book.part, ...words.parts],
    dropped: words.dropped,
  };
}

export const LARGE: readonly PromoLook[] = [
  {
    id: 'rising',
    name: 'Rising from the foot',
    family: 'large',
    tone: 'pale',
    shots: ['facing'],
    draw: (board) => cutBook(board, 'facing'),
  },
  {
    id: 'close',
    name: 'Close, seen from below',
    family: 'large',
    tone: 'deep',
    shots: ['low'],
    draw: (board) => cutBook(board, 'low'),
  },
  {
    id: 'poster',
    name: 'Centred poster',
    family: 'large',
    tone: 'night',
    shots: ['facing'],
    draw(board) {
      const { safe, w, h, margin } = board;
      if (board.ratio > 1.5) return cutBook(board, 'facing');
      const foot = board.column(
        { ...safe, y: safe.y + safe.height * 0.56, height: safe.height * 0.44 },
        { align: 'centre', anchor: 'bottom', head: 0.082 },
      );
      if (!foot) return null;
      const top = Math.max(margin * 0.8, safe.y * 0.85);
      const room = { x: 0.06 * w, y: top, width: 0.88 * w, height: foot.box.y - top - margin * 0.7 };
      if (room.height < 0.3 * h) return null;
      const book = board.book('facing', room);
      return { parts: [...board.ground(middleOf(board, book.box)), book.part, ...foot.parts], dropped: foot.dropped };
    },
  },
];
