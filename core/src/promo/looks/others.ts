import { type PartSeed, newPicture, newShape } from '../../cover';
import type { PromoBoard } from '../board';
import type { Drawn, PromoLook } from '../look';
import type { SetId } from '../shots';
import { arranged, drawnBook, middleOf, shoulder } from './arranged';

/** On something, before a wall: the words stand on the wall. */
function onSet(board: PromoBoard, set: SetId, side: 'left' | 'right'): Drawn | null {
  // Under an upright book only the button stands on what the book stands on: it has a ground of its own.
  const slots = board.ratio <= 0.92 ? (['headline', 'line', 'by', 'facts', 'call'] as const) : undefined;
  const placed = arranged(board, { side, anchor: 'middle', wall: 0.62, slots });
  if (!placed) return null;
  const { w, h } = board;
  const { room } = placed;
  const upright = board.ratio <= 0.92;
  const tall = Math.min(room.height * (upright ? 1 : 0.84), room.width * 1.3);
  const foot = upright ? room.y + room.height : h * 0.9;
  const place = { x: room.x / w, y: (foot - tall) / h, width: room.width / w, height: tall / h };
  const { tone } = board;
  const source = {
    kind: 'shot' as const,
    shot: `set-${set}`,
    set: { ratio: board.ratio, place, wall: tone.ground, colour: setColour(set, tone.dark) },
  };
  const picture = { ...newPicture(source, { area: { x: 0, y: 0, width: 1, height: 1 } }), id: 'book' };
  const box = { x: room.x, y: foot - tall, width: room.width, height: tall };
  return {
    parts: [...board.ground(undefined, true).slice(0, 1), picture, ...placed.words, ...shoulder(board, box)],
    dropped: [...placed.dropped, ...(slots && board.has('link') ? (['link'] as const) : [])],
  };
}

const setColour = (set: SetId, dark: boolean): string => {
  switch (set) {
    case 'wood':
      return dark ? '#5a3b26' : '#b98a5c';
    case 'stone':
      return dark ? '#4c4f50' : '#a9aaa6';
    case 'cloth':
      return dark ? '#3b3a44' : '#d8d0c2';
    case 'plain':
      return dark ? '#33363a' : '#e4e2dd';
  }
};

export const SETS_LOOKS: readonly PromoLook[] = [
  {
    id: 'desk',
    name: 'On a desk, words on the wall',
    family: 'set',
    tone: 'pale',
    shots: ['standing'],
    draw: (board) => onSet(board, 'wood', 'right'),
  },
  {
    id: 'slate',
    name: 'On stone in the evening',
    family: 'set',
    tone: 'night',
    shots: ['standing'],
    draw: (board) => onSet(board, 'stone', 'left'),
  },
  {
    id: 'linen',
    name: 'On linen',
    family: 'set',
    tone: 'blush',
    shots: ['standing'],
    draw: (board) => onSet(board, 'cloth', 'right'),
  },
];

export const MANY: readonly PromoLook[] = [
  {
    id: 'own',
    name: 'As its scene is arranged',
    family: 'many',
    tone: 'paper',
    shots: ['own'],
    draw: (board) => drawnBook(board, 'own', { share: board.wide ? 0.5 : 0.46 }),
  },
  {
    id: 'row',
    name: 'The series in a row',
    family: 'many',
    tone: 'night',
    shots: ['row'],
    asks: 'volumes',
    draw: (board) => drawnBook(board, 'row', { share: board.wide ? 0.54 : 0.42 }),
  },
  {
    id: 'fan',
    name: 'The series as a fan',
    family: 'many',
    tone: 'deep',
    shots: ['fan'],
    asks: 'volumes',
    draw: (board) => drawnBook(board, 'fan', { share: board.wide ? 0.52 : 0.46 }),
  },
  {
    id: 'pile',
    name: 'A pile',
    family: 'many',
    tone: 'pale',
    shots: ['stack'],
    draw: (board) => drawnBook(board, 'stack', { share: board.wide ? 0.5 : 0.46 }),
  },
  {
    id: 'heap',
    name: 'A pile seen from above',
    family: 'many',
    tone: 'second',
    shots: ['above'],
    draw: (board) => drawnBook(board, 'above', { side: 'left', share: board.wide ? 0.5 : 0.48 }),
  },
  {
    id: 'reader',
    name: 'On an e-reader',
    family: 'many',
    tone: 'paper',
    shots: ['reader'],
    draw: (board) => drawnBook(board, 'reader'),
  },
  {
    id: 'screens',
    name: 'Book and phone',
    family: 'many',
    tone: 'vivid',
    shots: ['devices'],
    draw: (board) => drawnBook(board, 'devices', { share: board.wide ? 0.5 : 0.5 }),
  },
];

/** The words first, the book small. */
function saidFirst(board: PromoBoard): Drawn | null {
  const upright = board.ratio <= 0.92;
  const set = arranged(board, {
    share: board.strip ? undefined : upright ? 0.34 : board.wide ? 0.27 : 0.3,
    head: 0.088,
    align: 'left',
  });
  if (!set) return null;
  const book = board.book('standing', set.room, { grow: 0.94, y: upright ? 0.6 : 0.62 });
  return {
    parts: [...board.ground(middleOf(board, book.box), true), book.part, ...set.words, ...shoulder(board, book.box)],
    dropped: set.dropped,
  };
}

export const SAID: readonly PromoLook[] = [
  {
    id: 'said',
    name: 'Words first, the book small',
    family: 'quote',
    tone: 'paper',
    shots: ['standing'],
    asks: 'words',
    draw: saidFirst,
  },
  {
    id: 'band',
    name: 'Words on a band',
    family: 'quote',
    tone: 'vivid',
    shots: ['standing'],
    asks: 'words',
    draw(board) {
      const set = arranged(board, { inks: board.blockInks, share: board.ratio > 0.92 ? 0.42 : 0.5 });
      if (!set) return null;
      const beside = board.ratio > 0.92;
      const book = board.book('standing', set.room);
      const field = beside
        ? board.plate(
            'field',
            set.room.x > board.w * 0.3
              ? { x: 0, y: 0, width: set.room.x + book.box.width * 0.3, height: board.h }
              : { x: set.room.x + set.room.width - book.box.width * 0.3, y: 0, width: board.w, height: board.h },
            board.tone.block,
          )
        : board.plate(
            'field',
            { x: 0, y: 0, width: board.w, height: book.box.y + book.box.height * 0.42 },
            board.tone.block,
          );
      // What stands under the book is on the ground, not on the field.
      const words = beside
        ? set.words
        : set.words.map((one): PartSeed =>
            one.kind === 'words' && (one.id === 'link' || one.id === 'call') ? recoloured(one, board) : one,
          );
      return {
        parts: [
          ...board.ground(middleOf(board, book.box), true),
          field,
          book.part,
          ...words,
          ...shoulder(board, book.box),
        ],
        dropped: set.dropped,
      };
    },
  },
];

function recoloured(one: Extract<PartSeed, { kind: 'words' }>, board: PromoBoard): PartSeed {
  const { line, plate, onPlate } = board.inks;
  if (one.id !== 'call' || !one.plate) return { ...one, colour: line };
  return { ...one, colour: onPlate, plate: { ...one.plate, colour: plate } };
}

/** Type only, with an ornament in the cover's colours. */
function typeOnly(board: PromoBoard, form: 'frame' | 'rule' | 'bar'): Drawn | null {
  const { w, h, safe, margin, tone, mean } = board;
  const pad = form === 'frame' ? margin * 0.55 : 0;
  const place = { x: safe.x + pad, y: safe.y + pad, width: safe.width - 2 * pad, height: safe.height - 2 * pad };
  const align = form === 'bar' ? 'left' : 'centre';
  const bar = form === 'bar' ? 0.022 * mean : 0;
  const room = form === 'bar' ? { ...place, x: place.x + bar * 2.4, width: place.width - bar * 2.4 } : place;
  const words = board.column(room, { align, anchor: 'middle', head: board.strip ? 0.12 : 0.13 });
  if (!words) return null;
  const { box } = words;
  const parts: PartSeed[] = [];
  if (form === 'bar') {
    const x = board.rightToLeft ? room.x + room.width + bar * 1.4 : room.x - bar * 2.4;
    parts.push(board.plate('bar', { x, y: box.y, width: bar, height: box.height }, tone.accent));
  } else if (form === 'frame') {
    const inset = margin * 0.55;
    const area = board.area({
      x: inset,
      y: Math.min(inset, safe.y),
      width: w - 2 * inset,
      height: h - 2 * Math.min(inset, safe.y),
    });
    const frame = { kind: 'frame' as const, thick: 0.005, corner: 'scooped' as const, size: 0.07, double: true };
    parts.push({ ...newShape(frame, { area, colour: tone.accent }), id: 'frame' });
  } else {
    const length = Math.min(room.width * 0.3, mean * 0.24);
    const y = box.y - 0.055 * mean;
    if (y > safe.y * 0.8) {
      const area = board.area({ x: w / 2 - length / 2, y: y - 0.02 * mean, width: length, height: 0.04 * mean });
      parts.push({
        ...newShape({ kind: 'divider', ornament: 'diamond' }, { area, colour: tone.accent }),
        id: 'ornament',
      });
    }
  }
  return { parts: [...board.ground(undefined, form !== 'rule'), ...parts, ...words.parts], dropped: words.dropped };
}

export const TYPE: readonly PromoLook[] = [
  {
    id: 'framed',
    name: 'Type in a frame',
    family: 'type',
    tone: 'deep',
    shots: [],
    asks: 'words',
    draw: (board) => typeOnly(board, 'frame'),
  },
  {
    id: 'spoken',
    name: 'Type with an ornament',
    family: 'type',
    tone: 'blush',
    shots: [],
    asks: 'words',
    draw: (board) => typeOnly(board, 'rule'),
  },
  {
    id: 'plain',
    name: 'Type with a bar',
    family: 'type',
    tone: 'paper',
    shots: [],
    asks: 'words',
    draw: (board) => typeOnly(board, 'bar'),
  },
];
