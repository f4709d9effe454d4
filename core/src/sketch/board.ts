import { type Brief, wordsOf } from '../book';
import { type Hex, readableOn } from '../colour';
import { setWords } from '../compose';
import { type Area, type DrawnForm, type Look, type PartSeed, type WordRole, type WordsPart, newWords } from '../cover';
import type { Drawn } from '../symbols';
import type { Block, Shaper } from '../text';
import { italicOf } from '../text';
import type { WordFacts } from './facts';
import type { Pairing } from './pairings';
import { LEAST_SHARP, type Crop, type PictureFacts, cropFor, cropped, subjectUnder, zoneOf } from './picture';
import type { Tones } from './sketch';
import { isDark } from './tones';
import type { z } from 'zod';

/** What a structure composes from: words, faces, colours and pictures, on a cover of given pixels. */
export type Setting = {
  readonly brief: Brief;
  readonly facts: WordFacts;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly pair: Pairing;
  readonly tones: Tones;
  /** As they are graded: their colours are those that words stand on. */
  readonly pictures: readonly PictureFacts[];
  readonly look: Look;
  readonly symbols: readonly Drawn[];
  /** How large the author's name is against what is usual. */
  readonly byline: number;
  /** The structure's own variation. */
  readonly turn: number;
  readonly mark: z.infer<typeof DrawnForm> | null;
  readonly shaper: Shaper;
};

/** Colours of words over some place. */
export type Inks = { readonly words: Hex; readonly second: Hex; readonly accent: Hex };

/** The least size of a role, fraction of the cover's width: letters under it cannot be read where covers are bought. */
export function leastSize(role: WordRole, letters: number): number {
  switch (role) {
    case 'title':
      return letters > 60 ? 0.036 : 0.05;
    case 'subtitle':
      return 0.026;
    case 'byline':
      return 0.03;
    default:
      return 0.023;
  }
}

/** As much of a subject as a plate may lie over without anyone minding. */
const COVERED_LITTLE = 0.08;

/** Words keep this far from all edges, fraction of the width. */
export const SAFE = 0.045;

/** One line or block of a column of words. Sizes and gaps are fractions of the cover's width. */
export type Item = {
  readonly role: WordRole;
  readonly colour: Hex;
  /** Largest size. */
  readonly size: number;
  readonly least?: number;
  /** Space above it, where something stands above. */
  readonly gap?: number;
  /** How much of the column's width it may take. */
  readonly measure?: number;
  /** Most of the column's height that it may take; the title takes what the others leave. */
  readonly most?: number;
  readonly more?: Partial<WordsPart>;
};

export type Column = { readonly parts: PartSeed[]; readonly box: Area; readonly sizes: ReadonlyMap<WordRole, number> };

/** What of the brief words of a role say. */
export const FIELD_OF_ROLE: Partial<Record<WordRole, Parameters<typeof wordsOf>[1]>> = {
  title: 'title',
  subtitle: 'subtitle',
  byline: 'author',
  series: 'series',
  strapline: 'strapline',
  publisher: 'publisher',
};

/** The board a structure draws on: geometry in fractions of the cover, and words that are measured as they are set. */
export class Board {
  readonly ratio: number;
  /** Common margins, fractions of width and of height. */
  readonly mx: number;
  readonly my: number;
  /** By what small words shrink on squarer covers. */
  readonly k: number;

  constructor(readonly s: Setting) {
    this.ratio = s.heightPx / s.widthPx;
    this.mx = 0.085;
    this.my = this.mx / this.ratio;
    this.k = Math.sqrt(Math.min(1.6, this.ratio) / 1.6);
  }

  get tones(): Tones {
    return this.s.tones;
  }

  get inks(): Inks {
    const { words, second, accent } = this.s.tones;
    return { words, second, accent };
  }

  /** Colours for words on the block. */
  get blockInks(): Inks {
    const { block, onBlock, accent, ground } = this.s.tones;
    return { words: onBlock, second: onBlock, accent: readableOn(isDark(block) ? accent : ground, [block]) };
  }

  /** A height of the cover for a length given in fractions of its width. */
  high(ofWidth: number): number {
    return ofWidth / this.ratio;
  }

  text(role: WordRole): string {
    const field = FIELD_OF_ROLE[role];
    return field ? wordsOf(this.s.brief, field).trim() : '';
  }

  has(role: WordRole): boolean {
    return this.text(role) !== '';
  }

  /** A words part in the faces and manner of the pairing. */
  part(item: Item, area: Area): Omit<WordsPart, 'id' | 'order'> {
    const { pair, facts } = this.s;
    const { role, colour, more } = item;
    const says = { kind: 'brief', field: FIELD_OF_ROLE[role] ?? 'title' } as const;
    const base = { role, says, area, colour, maxSize: Math.min(2, item.size) };
    if (role === 'title') {
      const { upper, tracking, leading } = pair.manner;
      const italic = italicOf(pair.title);
      return newWords({
        ...base,
        cut: pair.title,
        upper,
        tracking: facts.rightToLeft ? 0 : tracking,
        leading,
        minor:
          facts.rightToLeft || facts.words.length < 2
            ? null
            : { cut: upper ? pair.title : italic, scale: 0.64, colour },
        ...more,
      });
    }
    const short = role === 'subtitle' ? 14 : role === 'byline' || role === 'series' ? 34 : 0;
    const caps = pair.capsLines && !facts.rightToLeft && this.text(role).length <= short;
    return newWords({
      ...base,
      cut: pair.other,
      upper: caps,
      tracking: facts.rightToLeft ? 0 : caps ? 0.14 : 0.01,
      leading: role === 'subtitle' ? 1.24 : 1.15,
      ...more,
    });
  }

  measure(part: Omit<WordsPart, 'id' | 'order'>, text: string, width: number, height: number): Block {
    const { widthPx, heightPx, shaper } = this.s;
    return setWords(part, text, { x: 0, y: 0, width: width * widthPx, height: height * heightPx }, widthPx, shaper);
  }

  leastOf({ role, least }: Item): number {
    return least ?? leastSize(role, this.s.facts.letters);
  }

  /**
   * Sets items under each other into a place: all but the title at their sizes, the title as large as what is left
   * allows. Null where something would come under its least size. Empty items are left out.
   */
  column(
    area: Area,
    items: readonly Item[],
    more: {
      anchor?: 'top' | 'middle' | 'bottom';
      align?: WordsPart['align'];
      /** Something else stands right beside the box: a longer title stays within it. */
      tight?: boolean;
    } = {},
  ): Column | null {
    const { anchor = 'top' } = more;
    // What is ranged left is ranged right where one reads from there.
    const mirror = { left: 'right', centre: 'centre', right: 'left' } as const;
    const align = this.s.facts.rightToLeft ? mirror[more.align ?? 'centre'] : (more.align ?? 'centre');
    const shown = items.filter((item) => this.has(item.role));
    if (shown.length === 0) return { parts: [], box: { ...area, height: 0.002 }, sizes: new Map() };
    const gaps = shown.map((item, i) => (i === 0 ? 0 : this.high(item.gap ?? 0.03)));
    const { widthPx, heightPx } = this.s;
    const left = area.height - gaps.reduce((sum, g) => sum + g, 0);
    const measured = new Map<
      Item,
      { part: Omit<WordsPart, 'id' | 'order'>; height: number; size: number; width: number }
    >();
    const set = (item: Item, room: number): boolean => {
      const width = area.width * (item.measure ?? 1);
      if (room <= 0.004) return false;
      const part = this.part(item, area);
      const block = this.measure({ ...part, align }, this.text(item.role), width, room);
      if (block.borrowed.length > 0 || block.missing.length > 0) return false;
      const size = block.sizePx / widthPx;
      if (block.overflows || size < this.leastOf(item)) return false;
      measured.set(item, { part, height: block.box.height / heightPx, size, width });
      return true;
    };
    let rest = left;
    for (const item of shown.filter((one) => one.role !== 'title')) {
      const lines = item.role === 'subtitle' ? 6.5 : 2.5;
      const room = Math.min(left * (item.most ?? 0.5), this.high(item.size * lines));
      if (!set(item, room)) return null;
      rest -= measured.get(item)!.height;
    }
    const title = shown.find((one) => one.role === 'title');
    if (title && !set(title, Math.min(rest, left * (title.most ?? 1)))) return null;
    const total = shown.reduce((sum, item, i) => sum + measured.get(item)!.height + gaps[i], 0);
    if (total > area.height + 1e-6) return null;
    let y = area.y + (anchor === 'top' ? 0 : anchor === 'bottom' ? area.height - total : (area.height - total) / 2);
    const top = y;
    const spare = more.tight ? 0 : area.height - total;
    const parts: PartSeed[] = [];
    const sizes = new Map<WordRole, number>();
    shown.forEach((item, i) => {
      const { part, height, size, width } = measured.get(item)!;
      y += gaps[i];
      sizes.set(item.role, size);
      const x = area.x + (align === 'left' ? 0 : align === 'right' ? area.width - width : (area.width - width) / 2);
      // What is spare is the title's, so that it can grow where nothing stands in its way.
      const free = anchor === 'top' || (anchor === 'bottom' && i === 0);
      const room = item.role === 'title' && free ? spare : 0;
      const grown = height * 1.04 + room;
      const drop = anchor === 'bottom' ? grown - height : anchor === 'middle' ? (grown - height) / 2 : 0;
      const above = anchor === 'top' && i > 0 ? shown[i - 1].role : null;
      parts.push({
        ...part,
        id: item.role,
        // A title that fills its height must not use the little that its place has more.
        maxSize: item.role === 'title' && room < 1e-6 ? Math.min(part.maxSize, size) : part.maxSize,
        area: { x, y: y - drop, width, height: Math.max(0.002, grown) },
        align,
        alignY: anchor,
        follows: above && anchor === 'top' ? { part: above, gap: gaps[i] } : null,
      });
      y += height;
    });
    return { parts, box: { x: area.x, y: top, width: area.width, height: Math.max(0.002, total) }, sizes };
  }

  /** One line at a height: a byline at the foot, a series line at the head. `y` is its top or its bottom. */
  line(
    role: 'byline' | 'series' | 'strapline' | 'publisher',
    colour: Hex,
    at: { top: number } | { bottom: number },
    more: { size?: number; align?: WordsPart['align']; x?: number; width?: number; style?: Partial<WordsPart> } = {},
  ): Column | null {
    const usual = (more.size ?? (role === 'byline' ? 0.05 : 0.032)) * this.k;
    const size = role === 'byline' ? usual * this.s.byline : usual;
    const least = leastSize(role, 0);
    const height = this.high(Math.max(size, least) * 2.6);
    const y = 'top' in at ? at.top : at.bottom - height;
    const area = { x: more.x ?? this.mx, y, width: more.width ?? 1 - 2 * this.mx, height };
    return this.column(area, [{ role, colour, size: Math.max(size, least), most: 1, more: more.style }], {
      anchor: 'top' in at ? 'top' : 'bottom',
      align: more.align ?? 'centre',
    });
  }

  /** What of a picture a frame shows, and its pixels there. */
  crop(picture: PictureFacts, frame: Area, zoom = 1): ReturnType<typeof cropFor> & ReturnType<typeof cropped> {
    const crop = cropFor(picture, (frame.width * this.s.widthPx) / (frame.height * this.s.heightPx), zoom);
    return { ...crop, ...cropped(picture, crop) };
  }

  /** How much of a picture's subject a place lies over, 0..1. */
  covers(picture: PictureFacts, place: Area, frame: Area = { x: 0, y: 0, width: 1, height: 1 }): number {
    return subjectUnder(picture, this.crop(picture, frame), frame, place);
  }

  /**
   * The place of several that is taken at this turn: those that leave the picture's subject alone come first, in their own order;
   * where none does, the one that covers the least of it.
   */
  clearOf<T>(picture: PictureFacts, places: readonly T[], areaOf: (place: T) => Area): T {
    const known = places.map((place) => ({ place, covered: this.covers(picture, areaOf(place)) }));
    const free = known.filter(({ covered }) => covered <= COVERED_LITTLE);
    if (free.length > 0) return free[this.s.turn % free.length].place;
    return known.reduce((best, one) => (one.covered < best.covered ? one : best)).place;
  }

  /** Colours for words over a part of pixels: light or dark as these ask, in the hues of the tones. */
  inksOver(pixels: Parameters<typeof zoneOf>[0], part: Crop): Inks & { dark: boolean; spread: number } {
    const zone = zoneOf(pixels, part);
    const { ground, words, accent, second } = this.s.tones;
    const fits = (hex: Hex): boolean => isDark(hex) !== zone.dark;
    const main = fits(words) ? words : fits(ground) ? ground : zone.dark ? '#fbf8f0' : '#161514';
    const other = fits(accent) ? accent : fits(second) ? second : main;
    return {
      words: readableOn(main, [zone.hex], 6),
      second: readableOn(other, [zone.hex], 5),
      accent: readableOn(other, [zone.hex], 5),
      dark: zone.dark,
      spread: zone.high - zone.low,
    };
  }

  /** Whether a picture has pixels enough for a frame of this width: see `LEAST_SHARP`. */
  sharp(picture: PictureFacts, frame: Area): boolean {
    const crop = cropFor(picture, (frame.width * this.s.widthPx) / (frame.height * this.s.heightPx));
    return crop.width * picture.widthPx >= LEAST_SHARP * frame.width * this.s.widthPx;
  }
}
