import { type PartSeed, newPicture, newScrim, plainLook } from '../../cover';
import type { Rect } from '../../plane';
import type { PromoBoard } from '../board';
import type { Drawn, PromoLook } from '../look';
import { arranged, besideSeal, shoulder } from './arranged';

/** Half a colour with the words, half its picture with the book before it. */
function halves(board: PromoBoard): Drawn | null {
  const upright = board.ratio <= 0.92;
  const laid = upright ? underPicture(board, board.w / (board.h * 0.56)) : besidePicture(board, 0.47);
  if (!laid) return null;
  const { field, words, dropped } = laid;
  const look = { ...plainLook, brightness: -0.06, blur: 0.008 };
  const focus = board.subject;
  const picture = {
    ...newPicture({ kind: 'cover', bare: true }, { area: board.area(field), focus, look }),
    id: 'backdrop',
  };
  const zone = { ...field, y: board.safe.y * 0.8, height: field.height - board.safe.y * 0.8 };
  const book = board.book('standing', inside(besideSeal(board, upright ? zone : field), upright ? 0.07 : 0.09));
  return {
    parts: [...board.ground(undefined, true), picture, book.part, ...words, ...shoulder(board, book.box)],
    dropped,
  };
}

/** The title's photograph with the cover on it fills one side, or the head, up to the edges; the words stand on the cover's colour. */
function photographed(board: PromoBoard): Drawn | null {
  const { photo } = board.s.cover;
  if (!photo) return null;
  const laid = board.ratio <= 0.92 ? underPicture(board, photo.ratio) : besidePicture(board, 0.56);
  if (!laid) return null;
  const { field, words, dropped } = laid;
  const picture = { ...newPicture({ kind: 'pinned' }, { area: board.area(field), focus: photo.at }), id: 'photograph' };
  const seal = shoulder(board, inside(field, 0.12));
  return { parts: [...board.ground(undefined, true), picture, ...words, ...seal], dropped };
}

type Laid = { readonly field: Rect; readonly words: readonly PartSeed[]; readonly dropped: Drawn['dropped'] };

function besidePicture(board: PromoBoard, share: number): Laid | null {
  const set = arranged(board, { share, bleeds: true });
  if (!set) return null;
  const { w, h } = board;
  const { room, words, dropped } = set;
  const right = room.x > w * 0.3;
  const edge = right ? room.x : room.x + room.width;
  const field = { x: right ? edge : 0, y: 0, width: right ? w - edge : edge, height: h };
  return { field, words, dropped };
}

/** A headline under a picture is at least this large, as a share of the mean side, before the picture gives way. */
const UNDER = 0.068;

/** A picture is as high as it is, as far as the words under it leave room. */
function underPicture(board: PromoBoard, ratio: number): Laid | null {
  const { w, h, safe, margin, mean } = board;
  let best: Laid | null = null;
  for (const share of [0.62, 0.56, 0.5, 0.44, 0.38]) {
    const field = { x: 0, y: 0, width: w, height: Math.min(w / ratio, h * share) };
    const top = field.height + margin * 0.8;
    const place = { ...safe, y: top, height: safe.y + safe.height - top };
    const column = board.column(place, { align: 'centre', anchor: 'middle', head: 0.082 });
    if (!column) continue;
    const made = { field, words: column.parts, dropped: column.dropped };
    if (!best || made.dropped.length < best.dropped.length) best = made;
    const head = column.parts.find(({ id }) => id === 'headline');
    const small = head?.kind === 'words' && (head.size ?? head.maxSize) * w < UNDER * mean;
    if (column.dropped.length === 0 && !small) return made;
  }
  return best;
}

/** The flat cover with a shadow on its own picture, carried on past its edges. */
function onPrint(board: PromoBoard, more: { blur: number; side?: 'left' | 'right' }): Drawn | null {
  const set = arranged(board, { side: more.side });
  if (!set) return null;
  const book = board.flat(inside(besideSeal(board, set.room), 0.04));
  const { ground } = board.tone;
  const base: PartSeed = board.ground(undefined, true)[0];
  const own =
    board.s.backing.kind === 'picture'
      ? board.ground().slice(1)
      : [board.print({ kind: 'cover', bare: true }, more.blur)];
  return {
    parts: [
      { ...base, ...(base.kind === 'ground' ? { paint: { kind: 'flat' as const, colour: ground } } : {}) } as PartSeed,
      ...own,
      book.part,
      ...set.words,
      ...shoulder(board, book.box),
    ],
    dropped: set.dropped,
  };
}

const inside = (r: { x: number; y: number; width: number; height: number }, k: number) => ({
  x: r.x + r.width * k,
  y: r.y + r.height * k,
  width: r.width * (1 - 2 * k),
  height: r.height * (1 - 2 * k),
});

export const FLAT: readonly PromoLook[] = [
  {
    id: 'photograph',
    name: 'In your photograph',
    family: 'picture',
    tone: 'deep',
    shots: [],
    asks: 'photo',
    draw: photographed,
  },
  {
    id: 'halves',
    name: 'Half colour, half its picture',
    family: 'picture',
    tone: 'deep',
    shots: ['standing'],
    draw: halves,
  },
  {
    id: 'hung',
    name: 'Hung like a picture',
    family: 'flat',
    tone: 'paper',
    shots: [],
    draw(board) {
      const set = arranged(board);
      if (!set) return null;
      const room = inside(besideSeal(board, set.room), 0.07);
      const book = board.flat(room);
      const edge = 0.03 * board.mean;
      const frame = {
        x: book.box.x - edge,
        y: book.box.y - edge,
        width: book.box.width + 2 * edge,
        height: book.box.height + 2 * edge,
      };
      const shadow = {
        dx: 0,
        dy: (0.01 * board.mean) / board.w,
        blur: Math.min(0.2, (0.02 * board.mean) / board.w),
        colour: '#000000',
        opacity: 0.3,
      };
      const mount = { ...board.plate('mount', frame, '#fdfcf9'), shadow } as PartSeed;
      const flat = { ...book.part, shadow: null } as PartSeed;
      return {
        parts: [...board.ground(), mount, flat, ...set.words, ...shoulder(board, book.box)],
        dropped: set.dropped,
      };
    },
  },
  {
    id: 'bleed',
    name: 'The picture, full, words in its calm',
    family: 'picture',
    tone: 'night',
    shots: [],
    asks: 'bare',
    draw(board) {
      const { safe, w, h } = board;
      const beside = board.ratio > 0.92;
      const box = beside ? { width: 0.46, height: 0.8 } : { width: 0.86, height: 0.44 };
      const calm = board.calm(box);
      const low = calm ? calm.y + box.height / 2 > 0.5 : true;
      const right = calm ? calm.x + box.width / 2 > 0.5 : false;
      const place = beside
        ? { ...safe, x: right ? safe.x + safe.width * 0.5 : safe.x, width: safe.width * (board.strip ? 0.44 : 0.5) }
        : { ...safe, y: low ? safe.y + safe.height * 0.5 : safe.y, height: safe.height * 0.5 };
      const words = board.column(place, {
        align: beside ? 'left' : 'centre',
        anchor: beside ? 'middle' : low ? 'bottom' : 'top',
        head: 0.11,
      });
      if (!words) return null;
      const picture = { ...newPicture({ kind: 'cover', bare: true }, { focus: board.subject }), id: 'backdrop' };
      const from = beside ? (right ? 'right' : 'left') : low ? 'bottom' : 'top';
      const reach = beside
        ? (words.box.width + (right ? w - words.box.x - words.box.width : words.box.x)) / w
        : (low ? h - words.box.y : words.box.y + words.box.height) / h;
      const scrim = {
        ...newScrim({
          from,
          colour: board.tone.ground,
          hold: Math.min(0.9, reach * 0.96),
          reach: Math.min(1, reach * 1.5 + 0.1),
        }),
        opacity: 0.9,
        id: 'veil',
      };
      return { parts: [...board.ground(undefined, true), picture, scrim, ...words.parts], dropped: words.dropped };
    },
  },
  {
    id: 'carried',
    name: 'Before its own picture, far off',
    family: 'picture',
    tone: 'deep',
    shots: [],
    draw: (board) => onPrint(board, { blur: 0.055 }),
  },
  {
    id: 'mist',
    name: 'Before its own picture, in mist',
    family: 'picture',
    tone: 'pale',
    shots: [],
    draw: (board) => onPrint(board, { blur: 0.03, side: 'left' }),
  },
  {
    id: 'card',
    name: 'A card on its picture',
    family: 'picture',
    tone: 'paper',
    shots: ['standing'],
    draw(board) {
      const { w, h, margin, safe } = board;
      const beside = board.ratio > 0.92;
      const room = beside
        ? {
            x: w * (board.strip ? 0.7 : 0.53),
            y: margin * 0.7,
            width: w * (board.strip ? 0.27 : 0.43),
            height: h - margin * 1.4,
          }
        : { x: w * 0.1, y: safe.y * 0.8, width: w * 0.8, height: h * 0.44 };
      const pad = margin * 0.62;
      const place = beside
        ? {
            x: safe.x + pad,
            y: safe.y + pad * 0.4,
            width: room.x - safe.x - margin * 0.7 - 2 * pad,
            height: safe.height - pad * 0.8,
          }
        : {
            x: safe.x + pad,
            y: room.y + room.height + margin * 0.5 + pad,
            width: safe.width - 2 * pad,
            height: safe.y + safe.height - room.y - room.height - margin * 0.5 - 2 * pad,
          };
      const words = board.column(place, {
        anchor: 'middle',
        align: beside ? 'left' : 'centre',
        ...(beside ? {} : { head: 0.1 }),
      });
      if (!words) return null;
      const card = {
        x: place.x - pad,
        y: words.box.y - pad,
        width: place.width + 2 * pad,
        height: words.box.height + 2 * pad,
      };
      const book = board.book('standing', besideSeal(board, room));
      const picture = newPicture(
        { kind: 'cover', bare: true },
        { look: { ...plainLook, brightness: -0.1, blur: 0.02 }, focus: board.subject },
      );
      const back = board.s.backing.kind === 'picture' ? board.ground().slice(1) : [{ ...picture, id: 'backdrop' }];
      return {
        parts: [
          ...board.ground(undefined, true).slice(0, 1),
          ...back,
          book.part,
          board.plate('card', card, board.tone.ground, 0.02),
          ...words.parts,
          ...shoulder(board, book.box),
        ],
        dropped: words.dropped,
      };
    },
  },
];
