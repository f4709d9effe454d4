import { type Rect, compose, pathBounds, scale, transformPath, translate, union } from '../plane';
import type { Syllables } from './hyphens';
import {
  type Block,
  type PlacedWord,
  type TextSpec,
  type Unit,
  capitals,
  emptyBlock,
  readsRightToLeft,
  smallestLetter,
  unitOf,
} from './layout';
import type { Shaper } from './shaper';

/** A stretch of a line, px. */
export type Stretch = { readonly from: number; readonly to: number };

/** A place whose lines differ in length: inside a form, or beside one. */
export type Room = {
  /** What holds all of it, px. */
  readonly area: Rect;
  /** The widest stretch that is free all the way from `top` to `bottom`; null where none is. */
  stretch(top: number, bottom: number): Stretch | null;
};

/** A plain area as a room. */
export const plainRoom = (area: Rect): Room => ({
  area,
  stretch: () => ({ from: area.x, to: area.x + area.width }),
});

export type RoomManner = {
  /** A first letter as high as so many lines; null sets it like the rest. */
  readonly initial: { readonly lines: number; readonly cut: string | null } | null;
  /** How words may be divided at the ends of lines; null leaves them whole. */
  readonly syllables: Syllables | null;
};

/** A place where a line may end: before piece `piece` of word `word`; piece 0 is the word's own beginning. */
type Break = { readonly word: number; readonly piece: number; readonly forced: boolean };
type Word = { readonly index: number; readonly pieces: readonly string[] };

/** What a line costs, against one that fills its stretch: a divided word, a last line of a lone short word. */
const COST = { hyphen: 0.12, widow: 0.6 } as const;
/** A last line under this share of its stretch, with one word in it, is a widow. */
const WIDOW = 0.34;
const MOST_LINES = 60;
const GAP = 0.26;
const DEPTH = 0.22;

const letters = new Intl.Segmenter(undefined, { granularity: 'grapheme' });

/** The first letter of a text with the marks before it, and what is left of its word. */
export function initialOf(word: string): { letter: string; rest: string } {
  let letter = '';
  for (const { segment } of letters.segment(word)) {
    letter += segment;
    if (/[\p{L}\p{N}]/u.test(segment)) break;
  }
  return { letter, rest: word.slice(letter.length) };
}

/**
 * Sets words line by line into a room whose lines differ in length. Breaks are chosen over all lines at once, so that
 * they are as even as their stretches let them be (total fit over the fewest lines that hold the words), and no short
 * word stands alone on the last. A size that is not given is the largest that fits, up to `spec.maxPx`. Words that do not
 * fit at a given size go on below the room, and that is said (`overflows`).
 */
export function layOutInRoom(shaper: Shaper, spec: TextSpec, room: Room, manner: RoomManner): Block {
  const setter = new Setter(shaper, spec, room, manner);
  if (setter.empty) return emptyBlock(room.area);
  if (spec.sizePx !== null) return setter.set(spec.sizePx) ?? setter.spill(spec.sizePx);
  let [low, high] = [1, Math.max(1, Math.min(spec.maxPx, room.area.height * 1.4))];
  let best = setter.set(high);
  if (best) return best;
  for (let step = 0; step < 14; step++) {
    const middle = (low + high) / 2;
    const tried = setter.set(middle);
    if (tried) [low, best] = [middle, tried];
    else high = middle;
  }
  return best ?? setter.spill(low);
}

/** One line: the units in it, how wide they are in em, and where it stands. */
type SetLine = { readonly units: readonly Unit[]; readonly stretch: Stretch; readonly last: boolean };

class Setter {
  readonly #words: Word[] = [];
  readonly #breaks: Break[] = [];
  readonly #units = new Map<string, Unit>();
  readonly #borrowed = new Set<string>();
  readonly #missing = new Set<string>();
  readonly #space: number;
  readonly #cap: number;
  readonly #rightToLeft: boolean;
  #initial: { unit: Unit; lines: number; capHeight: number } | null = null;

  constructor(
    readonly shaper: Shaper,
    readonly spec: TextSpec,
    readonly room: Room,
    readonly manner: RoomManner,
  ) {
    this.#space = shaper.space(spec.cut, spec.manner);
    this.#cap = shaper.metrics(spec.cut).capHeight;
    this.#rightToLeft = readsRightToLeft(spec.text);
    const text = spec.upper ? capitals(spec.text) : spec.text;
    let index = 0;
    for (const paragraph of text.split('\n')) {
      const words = paragraph.split(/\s+/).filter(Boolean);
      words.forEach((word, i) => this.#add(word, index++, i === 0));
    }
    this.#breaks.push({ word: this.#words.length, piece: 0, forced: true });
  }

  get empty(): boolean {
    return this.#words.length === 0 && this.#initial === null;
  }

  #add(whole: string, index: number, begins: boolean): void {
    const { initial, syllables } = this.manner;
    let word = whole;
    if (index === 0 && initial) {
      const { letter, rest } = initialOf(whole);
      const cut = initial.cut && this.shaper.has(initial.cut) ? initial.cut : this.spec.cut;
      const unit = this.#shaped(letter, 0, { ...this.spec, cut, minor: null, accents: [] });
      const { capHeight } = this.shaper.metrics(cut);
      this.#initial = { unit, lines: initial.lines, capHeight };
      word = rest;
      if (!word) return;
    }
    const pieces = syllables ? syllables(word) : [word];
    pieces.forEach((_, piece) =>
      this.#breaks.push({ word: this.#words.length, piece, forced: begins && piece === 0 && this.#words.length > 0 }),
    );
    this.#words.push({ index, pieces });
  }

  #shaped(text: string, index: number, spec: TextSpec): Unit {
    return unitOf(this.shaper, spec, text, index, this.#borrowed, this.#missing);
  }

  /** Some pieces of a word, with a hyphen where it goes on in the next line. */
  #fragment(at: number, from: number, to: number): Unit {
    const key = `${at} ${from} ${to}`;
    const known = this.#units.get(key);
    if (known) return known;
    const { index, pieces } = this.#words[at];
    const whole = from === 0 && to === pieces.length;
    const text = pieces.slice(from, to).join('') + (to < pieces.length ? '-' : '');
    // A piece that looks like a small word is none.
    const made = this.#shaped(text, index, whole ? this.spec : { ...this.spec, minor: null });
    this.#units.set(key, made);
    return made;
  }

  #line(a: Break, b: Break): Unit[] {
    const units: Unit[] = [];
    for (let word = a.word; word <= b.word && word < this.#words.length; word++) {
      const from = word === a.word ? a.piece : 0;
      const to = word === b.word ? b.piece : this.#words[word].pieces.length;
      if (to > from) units.push(this.#fragment(word, from, to));
    }
    return units;
  }

  #width(units: readonly Unit[]): number {
    return units.reduce((sum, unit) => sum + unit.width, 0) + this.#space * Math.max(0, units.length - 1);
  }

  /** Top of the first line's letters to the bottom of the last one's, em. */
  #height(lines: number): number {
    return this.#cap + (lines - 1) * this.spec.leading + DEPTH;
  }

  /** Where so many lines stand at a size: their stretches, less what the first letter takes. */
  #stretches(count: number, sizePx: number, below: boolean): { top: number; stretches: Stretch[] } | null {
    const { area } = this.room;
    const slack = area.height - this.#height(count) * sizePx;
    if (slack < -0.01 * area.height && !below) return null;
    const at = this.spec.alignY === 'top' || below ? 0 : this.spec.alignY === 'bottom' ? slack : slack / 2;
    const top = area.y + Math.max(0, at);
    const stretches: Stretch[] = [];
    for (let i = 0; i < count; i++) {
      const y = top + i * this.spec.leading * sizePx;
      const free = this.room.stretch(y, y + (this.#cap + DEPTH) * sizePx);
      if (!free && !below) return null;
      stretches.push(free ?? { from: area.x, to: area.x + area.width });
    }
    const taken = this.#initialPx(count, sizePx);
    if (!taken) return { top, stretches };
    // The first letter stands at the same edge in all its lines.
    const held = stretches.slice(0, taken.lines);
    const edge = this.#rightToLeft
      ? Math.min(...held.map(({ to }) => to)) - taken.width
      : Math.max(...held.map(({ from }) => from)) + taken.width;
    for (let i = 0; i < taken.lines; i++)
      stretches[i] = this.#rightToLeft ? { ...stretches[i], to: edge } : { ...stretches[i], from: edge };
    return { top, stretches };
  }

  /** Size of the first letter, px, the lines that it stands beside, and the room it takes. */
  #initialPx(count: number, sizePx: number): { sizePx: number; lines: number; width: number } | null {
    if (!this.#initial) return null;
    const { unit, capHeight } = this.#initial;
    const lines = Math.min(this.#initial.lines, count);
    const high = ((lines - 1) * this.spec.leading + this.#cap) * sizePx;
    const own = high / capHeight;
    return { sizePx: own, lines, width: unit.run.ink.width * own + (lines > 1 ? GAP : 0.04) * sizePx };
  }

  /** The words set at a size, in the fewest lines that hold them; null where none do. */
  set(sizePx: number): Block | null {
    const words = this.#words.reduce((sum, { pieces }, at) => sum + this.#fragment(at, 0, pieces.length).width, 0);
    const widest = this.room.area.width / sizePx;
    const least = Math.max(1, Math.floor(words / widest));
    for (let count = least; count <= MOST_LINES; count++) {
      if (this.#height(count) * sizePx > this.room.area.height * 1.01) return null;
      const place = this.#stretches(count, sizePx, false);
      const lines = place && this.#fit(place.stretches, sizePx);
      if (place && lines) return this.#placed(lines, place.top, sizePx, false);
    }
    return null;
  }

  /** Line after line as far as it takes, below the room where it must. */
  spill(sizePx: number): Block {
    const place = this.#stretches(MOST_LINES, sizePx, true)!;
    const lines: SetLine[] = [];
    let from = 0;
    while (from < this.#breaks.length - 1 && lines.length < MOST_LINES) {
      const stretch = place.stretches[lines.length];
      let to = from + 1;
      while (to < this.#breaks.length - 1 && !this.#breaks[to].forced) {
        const units = this.#line(this.#breaks[from], this.#breaks[to + 1]);
        if (this.#width(units) * sizePx > stretch.to - stretch.from) break;
        to++;
      }
      lines.push({ units: this.#line(this.#breaks[from], this.#breaks[to]), stretch, last: this.#breaks[to].forced });
      from = to;
    }
    return this.#placed(lines, place.top, sizePx, true);
  }

  /** The best breaks into exactly these stretches (dynamic programming); null where the words do not fit into them. */
  #fit(stretches: readonly Stretch[], sizePx: number): SetLine[] | null {
    const breaks = this.#breaks;
    const n = breaks.length - 1;
    if (n === 0) return stretches.length === 1 ? [{ units: [], stretch: stretches[0], last: true }] : null;
    type Cell = { cost: number; from: number };
    let row: (Cell | undefined)[] = Array.from({ length: n + 1 });
    row[0] = { cost: 0, from: -1 };
    const rows = [row];
    for (const { from: x0, to: x1 } of stretches) {
      const room = (x1 - x0) / sizePx;
      const next: (Cell | undefined)[] = Array.from({ length: n + 1 });
      for (let from = 0; from < n; from++) {
        const head = row[from];
        if (!head) continue;
        for (let to = from + 1; to <= n; to++) {
          const units = this.#line(breaks[from], breaks[to]);
          const width = this.#width(units);
          if (width > room * 1.0001) break;
          const cost = head.cost + this.#cost(units, width / room, breaks[from], breaks[to]);
          const known = next[to];
          if (!known || cost < known.cost) next[to] = { cost, from };
          if (breaks[to].forced) break;
        }
      }
      rows.push((row = next));
    }
    if (!row[n]) return null;
    const lines: SetLine[] = [];
    for (let line = stretches.length, to = n; line > 0; line--) {
      const { from } = rows[line][to]!;
      const units = this.#line(breaks[from], breaks[to]);
      lines.unshift({ units, stretch: stretches[line - 1], last: breaks[to].forced });
      to = from;
    }
    return lines;
  }

  #cost(units: readonly Unit[], filled: number, from: Break, to: Break): number {
    const ragged = this.spec.justified && !to.forced ? this.#spread(units, filled) : (1 - filled) ** 2;
    if (to.forced) {
      const lone = units.length === 1 && (filled < WIDOW || from.piece > 0) && !this.#alone(from);
      // The last line of words that are set to one side may be short.
      return (this.spec.align === 'centre' ? ragged : ragged * 0.1) + (lone ? COST.widow : 0);
    }
    const last = this.#words[to.word - 1];
    const minor = to.piece === 0 && last && this.#fragment(to.word - 1, 0, last.pieces.length).minor;
    return ragged + (to.piece > 0 ? COST.hyphen : 0) + (minor && units.length > 1 ? 0.05 : 0);
  }

  /** How far the spaces of a line that goes to both sides are stretched: twice the usual costs a little more than a hyphen. */
  #spread(units: readonly Unit[], filled: number): number {
    const spaces = units.length - 1;
    if (spaces === 0) return (1 - filled) ** 2 * 4;
    const free = this.#width(units) * (1 / filled - 1);
    return (free / spaces / this.#space) ** 2 * 0.15;
  }

  /** Whether a word is all there is of its paragraph. */
  #alone(from: Break): boolean {
    return from.piece === 0 && (from.forced || from.word === 0);
  }

  #placed(lines: readonly SetLine[], top: number, sizePx: number, overflows: boolean): Block {
    const words: PlacedWord[] = [];
    const put = (unit: Unit, x: number, y: number, k: number, initial: boolean): void => {
      const path = transformPath(unit.run.path, compose(translate(x, y), scale(k)));
      words.push({ text: unit.text, index: unit.index, minor: unit.minor, path, box: pathBounds(path), initial });
    };
    const taken = this.#initialPx(lines.length, sizePx);
    const base = (line: number): number => top + (this.#cap + line * this.spec.leading) * sizePx;
    if (taken && this.#initial) {
      const { unit } = this.#initial;
      const gap = taken.width - unit.run.ink.width * taken.sizePx;
      const { from, to } = lines[0].stretch;
      const left = this.#rightToLeft ? to + gap : from - taken.width;
      put(unit, left - unit.run.ink.x * taken.sizePx, base(taken.lines - 1), taken.sizePx, true);
    }
    lines.forEach(({ units, stretch, last }, i) => {
      const free = stretch.to - stretch.from - this.#width(units) * sizePx;
      const spread = this.spec.justified && !last && units.length > 1;
      const space = this.#space * sizePx + (spread ? free / (units.length - 1) : 0);
      const beside = taken !== null && i < taken.lines && taken.lines > 1;
      const align = beside ? (this.#rightToLeft ? 'right' : 'left') : this.spec.align;
      const shift = spread || align === 'left' ? 0 : align === 'right' ? free : free / 2;
      let x = stretch.from + shift;
      for (const unit of this.#rightToLeft ? [...units].reverse() : units) {
        put(unit, x, base(i), unit.scale * sizePx, false);
        x += unit.width * sizePx + space;
      }
    });
    const drawn = words.map((word) => word.box).filter((box) => box.width > 0);
    const all = lines.flatMap(({ units }) => units);
    return {
      sizePx,
      lines: lines.length,
      words,
      box: union(drawn),
      xHeightPx: all.length > 0 ? smallestLetter(all) * sizePx : this.#cap * sizePx,
      borrowed: [...this.#borrowed],
      missing: [...this.#missing],
      overflows,
    };
  }
}
