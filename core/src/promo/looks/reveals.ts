import { contrast } from '../../colour';
import type { PartSeed } from '../../cover';
import type { Rect } from '../../plane';
import type { PromoBoard } from '../board';
import type { Drawn, PromoLook } from '../look';
import { arranged, besideSeal, middleOf, shoulder } from './arranged';

const KRAFT = '#c8aa82';

/** The cover in its wrapping, in a place: whole, with a shadow. */
function inWrapping(board: PromoBoard, place: Rect): { part: PartSeed; box: Rect } {
  const { reveal } = board.s;
  const { block, plate, ground } = board.tone;
  if (!reveal) return board.flat(place);
  const { wrapping, share, at, shape } = reveal;
  const flat = board.flat(place);
  if (flat.part.kind !== 'picture') return flat;
  const colour = wrapping === 'envelope' ? KRAFT : block;
  // A ribbon that is to be seen on its paper.
  const accent = contrast(plate, colour) > contrast(ground, colour) ? plate : ground;
  const source = { kind: 'reveal' as const, wrapping, share, at, colour, accent, seed: shape };
  return { ...flat, part: { ...flat.part, source } };
}

function beside(board: PromoBoard): Drawn | null {
  const set = arranged(board);
  if (!set) return null;
  const room = besideSeal(board, set.room);
  const inset = 0.035 * Math.min(room.width, room.height);
  const place = {
    x: room.x + inset,
    y: room.y + inset,
    width: room.width - 2 * inset,
    height: room.height - 2 * inset,
  };
  const book = inWrapping(board, place);
  return {
    parts: [...board.ground(middleOf(board, book.box)), book.part, ...set.words, ...shoulder(board, book.box)],
    dropped: set.dropped,
  };
}

/** As large as it can be, its words at the foot. */
function centred(board: PromoBoard): Drawn | null {
  if (board.ratio > 1.3) return beside(board);
  const { safe, w, h, margin } = board;
  const foot = board.column(
    { ...safe, y: safe.y + safe.height * 0.6, height: safe.height * 0.4 },
    { align: 'centre', anchor: 'bottom', head: 0.075 },
  );
  if (!foot) return null;
  const top = Math.max(margin * 0.8, safe.y * 0.85);
  const floor = foot.parts.length > 0 ? foot.box.y : safe.y + safe.height;
  const room = { x: 0.06 * w, y: top, width: 0.88 * w, height: floor - top - margin * 0.75 };
  if (room.height < 0.3 * h) return null;
  const book = inWrapping(board, room);
  return {
    parts: [...board.ground(middleOf(board, book.box)), book.part, ...foot.parts],
    dropped: foot.dropped,
  };
}

export const REVEAL_LOOKS: readonly PromoLook[] = [
  { id: 'wrapped', name: 'In its wrapping', family: 'reveal', tone: 'deep', shots: [], asks: 'reveal', draw: beside },
  {
    id: 'unwrapping',
    name: 'In its wrapping, large',
    family: 'reveal',
    tone: 'paper',
    shots: [],
    asks: 'reveal',
    draw: centred,
  },
];
