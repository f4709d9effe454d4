import { type Hex, contrast, readableOn } from '../../colour';
import {
  type Area,
  type Look,
  type PartSeed,
  type WordsPart,
  newGround,
  newPicture,
  newShape,
  plainLook,
} from '../../cover';
import type { Board, Inks } from '../board';
import type { PictureFacts } from '../picture';
import { isDark, mixed } from '../tones';

export const WHOLE: Area = { x: 0, y: 0, width: 1, height: 1 };

export const ground = (colour: Hex): PartSeed => ({ ...newGround(colour), id: 'ground' });

export type Placed = { readonly parts: PartSeed[]; readonly top: number; readonly bottom: number };

/**
 * The lines at head and foot: the series line above and the byline below, or the other way round. `top` and `bottom`
 * are where the space between them begins and ends. Null where one does not fit.
 */
export function headAndFoot(
  b: Board,
  inks: { head: Hex; foot: Hex },
  more: {
    swap?: boolean;
    align?: WordsPart['align'];
    top?: number;
    bottom?: number;
    x?: number;
    width?: number;
    byline?: number;
  } = {},
): Placed | null {
  const top = more.top ?? b.my * 0.9;
  const bottom = more.bottom ?? 1 - b.my * 0.9;
  const [first, last] = more.swap ? (['byline', 'series'] as const) : (['series', 'byline'] as const);
  const at = { align: more.align, x: more.x, width: more.width };
  const size = (role: 'byline' | 'series'): number | undefined => (role === 'byline' ? more.byline : undefined);
  const head = b.line(first, inks.head, { top }, { ...at, size: size(first) });
  const foot = b.line(last, inks.foot, { bottom }, { ...at, size: size(last) });
  if (!head || !foot) return null;
  const gap = b.my * 0.8;
  return {
    parts: [...head.parts, ...foot.parts],
    top: head.parts.length > 0 ? head.box.y + head.box.height + gap : top,
    bottom: foot.parts.length > 0 ? foot.box.y - gap : bottom,
  };
}

/** A picture in a place, cropped about its subject. */
export function pictureIn(
  b: Board,
  picture: PictureFacts,
  area: Area,
  more: Partial<Omit<Extract<PartSeed, { kind: 'picture' }>, 'kind'>> & { zoom?: number } = {},
): PartSeed {
  const { focus } = b.crop(picture, area, more.zoom);
  return {
    ...newPicture({ kind: 'asset', asset: picture.asset }, { area, focus, look: b.s.look, ...more }),
    id: more.id ?? 'picture',
  };
}

/** A picture in two colours: its darks in one and its lights in the other. */
export const twoTone = (dark: Hex, light: Hex, amount = 1, more: Partial<Look> = {}): Look => ({
  ...plainLook,
  tint: { dark, light, amount },
  ...more,
});

export const block = (id: string, area: Area, colour: Hex, opacity = 1): PartSeed => ({
  ...newShape({ kind: 'rectangle', radius: 0 }, { area, colour, role: 'plate', opacity }),
  id,
});

export const rule = (id: string, area: Area, colour: Hex): PartSeed => ({
  ...newShape({ kind: 'line', dash: 0, round: false }, { area, colour, role: 'rule' }),
  id,
});

/** Title and what hangs under it, in the given colours. */
export const titleItems = (
  inks: Inks,
  size: number,
  b: Board,
  more: { title?: Partial<WordsPart>; subtitle?: number; gap?: number; measure?: number; keyed?: boolean } = {},
): Parameters<Board['column']>[1] => {
  const { facts } = b.s;
  const accents =
    more.keyed && facts.words.length > 1 ? [{ word: facts.key, colour: inks.accent, scale: null, cut: null }] : [];
  return [
    { role: 'title', colour: inks.words, size, more: { accents, ...more.title } },
    {
      role: 'subtitle',
      colour: inks.second,
      size: (more.subtitle ?? 0.044) * b.k * (b.text('subtitle').length <= 14 ? 1.08 : 1),
      gap: Math.max(0.046, more.gap ?? 0),
      measure: more.measure ?? 0.94,
    },
  ];
};

/**
 * A picture in shades of the ground, from the ground itself as far towards `towards` as the words still read on it at
 * every pixel: 5 : 1 by construction, whatever the picture shows.
 */
export function shaded(b: Board, towards: Hex, more: Partial<Look> = {}): { look: Look; inks: Inks } {
  const { ground: from, words, accent, second } = b.tones;
  let end = from;
  for (let step = 1; step <= 30; step++) {
    const next = mixed(from, towards, step / 30);
    if (contrast(words, next) < 5) break;
    end = next;
  }
  const look = isDark(from) ? twoTone(from, end, 1, more) : twoTone(end, from, 1, more);
  const both = [from, end];
  return { look, inks: { words, second: readableOn(second, both, 4.8), accent: readableOn(accent, both, 4.8) } };
}

/** One part turned by a right angle, as large as its place allows. Null under its least size. */
export function turned(
  b: Board,
  role: 'title' | 'subtitle' | 'byline' | 'series',
  colour: Hex,
  area: Area,
  setting: 'up' | 'down',
  size: number,
  more: Partial<WordsPart> = {},
): { parts: PartSeed[]; size: number; long: number } | null {
  if (!b.has(role)) return { parts: [], size: 0, long: 0 };
  const item = { role, colour, size };
  const part = { ...b.part(item, area), setting, alignY: 'middle' as const, align: 'left' as const, ...more };
  const set = b.measure(part, b.text(role), area.width, area.height);
  const { sizePx } = set;
  if (set.borrowed.length > 0 || set.missing.length > 0 || sizePx / b.s.widthPx < b.leastOf(item)) return null;
  return { parts: [{ ...part, id: role }], size: sizePx / b.s.widthPx, long: set.box.height / b.s.heightPx };
}
