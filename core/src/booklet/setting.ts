import { LRUCache } from 'lru-cache';
import type { Hex } from '../colour';
import {
  type CutId,
  type FitItem,
  type FitLine,
  type Shaper,
  type Syllables,
  bestFit,
  fallbacksFor,
  readsRightToLeft,
} from '../text';
import type { PageGlyph, TextMark } from './page';

/** How words are set: a face, a size in points, a colour, space between letters in em. */
export type Voice = {
  readonly cut: CutId;
  readonly size: number;
  readonly colour: Hex;
  readonly tracking: number;
};

/** Words in one voice. "\n" ends a line. */
export type Spoken = { readonly text: string; readonly voice: Voice; readonly link: string | null };

export type SettingOptions = {
  readonly width: number;
  readonly align: 'filled' | 'left' | 'centre' | 'right';
  readonly syllables: Syllables | null;
  /** How far the first line is moved in. */
  readonly indent: number;
  /** The first lines begin farther in, beside an initial. */
  readonly beside?: { readonly lines: number; readonly by: number };
};

/** A line: its letters from x = 0 on the baseline y = 0. */
export type SetLine = {
  readonly marks: readonly TextMark[];
  readonly width: number;
  readonly divided: boolean;
  /** The last of its paragraph, or before a break that the text has. */
  readonly last: boolean;
};

/** What was found out while words were set. */
export type Heard = { readonly missing: Set<string>; readonly cut: Set<string> };

type Piece = { readonly text: string; readonly voice: Voice; readonly link: string | null };
/** Letters up to a place where a line may end. */
type Fragment = {
  readonly pieces: readonly Piece[];
  readonly width: number;
  readonly end: 'word' | 'hyphen' | 'plain' | 'torn';
};
type Word = { readonly fragments: readonly Fragment[]; readonly space: Piece | null; readonly breaks: boolean };

const STRETCH = 0.5;
const SHRINK = 0.3;
const HYPHEN_COST = 60;
const TORN_COST = 4000;
/** Ragged lines: white at the end of a line that is as bad as glue stretched in full, in sizes. */
const RAG = 3;
/** Glue that would grow by more than this stays as it is: a hole in a line is worse than a short line. */
const MOST_STRETCH = 3.2;

const letters = new Intl.Segmenter(undefined, { granularity: 'grapheme' });

/** The cut that has most of the letters of a text: its own, or the first fallback that has more. */
function cutFor(shaper: Shaper, cut: CutId, text: string, heard: Heard): CutId {
  const own = shaper.standIn(cut);
  let [best, lacking] = [own, shaper.lacks(own, text)];
  for (const other of lacking.length > 0 ? fallbacksFor(text) : []) {
    if (!shaper.has(other)) continue;
    const lacks = shaper.lacks(other, text);
    if (lacks.length < lacking.length) [best, lacking] = [other, lacks];
  }
  for (const letter of lacking) heard.missing.add(letter);
  return best;
}

const widthOf = (shaper: Shaper, { text, voice }: Piece): number =>
  shaper.letters(voice.cut, text).reduce((sum, letter) => sum + (letter.advance + voice.tracking) * voice.size, 0);

const widthOfAll = (shaper: Shaper, pieces: readonly Piece[]): number =>
  pieces.reduce((sum, piece) => sum + widthOf(shaper, piece), 0);

/** Words with the white after them, from what is spoken. */
function wordsOf(shaper: Shaper, spoken: readonly Spoken[], options: SettingOptions, heard: Heard): Word[] {
  const words: Word[] = [];
  let pieces: Piece[] = [];
  const close = (space: Piece | null, breaks: boolean): void => {
    if (pieces.length > 0 || breaks)
      words.push({ fragments: pieces.length > 0 ? fragmentsOf(shaper, pieces, options, heard) : [], space, breaks });
    else if (space && words.length > 0) words[words.length - 1] = { ...words[words.length - 1], space };
    pieces = [];
  };
  for (const { text, voice, link } of spoken) {
    for (const part of text.split(/(\n|[ \t\r\f\v]+)/)) {
      if (part === '') continue;
      if (part === '\n') close(null, true);
      else if (/^[ \t\r\f\v]+$/.test(part))
        close({ text: ' ', voice: { ...voice, cut: shaper.standIn(voice.cut) }, link }, false);
      else pieces.push({ text: part, voice: { ...voice, cut: cutFor(shaper, voice.cut, part, heard) }, link });
    }
  }
  close(null, false);
  return words;
}

/** Places within a word where a line may end, and what stands there. */
function cutsOf(text: string, syllables: Syllables | null): { at: number; end: Fragment['end'] }[] {
  const cuts: { at: number; end: Fragment['end'] }[] = [];
  let from = 0;
  for (const run of text.split(/(?<=[\p{L}\p{N}][-\u2013\u2014/\u2026](?=\p{L}))/u)) {
    if (syllables && !run.includes('.') && !run.includes('/')) {
      let at = from;
      const parts = syllables(run);
      for (const syllable of parts.slice(0, -1)) cuts.push({ at: (at += syllable.length), end: 'hyphen' });
    }
    from += run.length;
    if (from < text.length) cuts.push({ at: from, end: 'plain' });
  }
  return cuts;
}

function fragmentsOf(shaper: Shaper, pieces: readonly Piece[], options: SettingOptions, heard: Heard): Fragment[] {
  const whole = widthOfAll(shaper, pieces);
  if (whole > options.width - (options.beside?.by ?? 0) - options.indent && whole > options.width * 0.98) {
    // Wider than any line: it is torn where it must be, and said.
    heard.cut.add(pieces.map(({ text }) => text).join(''));
    return pieces.flatMap((piece) =>
      [...letters.segment(piece.text)].map(({ segment }): Fragment => {
        const one = { ...piece, text: segment };
        return { pieces: [one], width: widthOf(shaper, one), end: 'torn' };
      }),
    );
  }
  if (pieces.length > 1) return [{ pieces, width: whole, end: 'word' }];
  const [piece] = pieces;
  const cuts = cutsOf(piece.text, options.syllables);
  const ends = [...cuts, { at: piece.text.length, end: 'word' as const }];
  let [from, before] = [0, 0];
  return ends.map(({ at, end }) => {
    const upTo = widthOf(shaper, { ...piece, text: piece.text.slice(0, at) });
    const fragment: Fragment = { pieces: [{ ...piece, text: piece.text.slice(from, at) }], width: upTo - before, end };
    [from, before] = [at, upTo];
    return fragment;
  });
}

type Box = { readonly word: number; readonly fragment: number };

/** What the breaker sees, and which fragment each box is. */
function itemsOf(
  shaper: Shaper,
  words: readonly Word[],
  options: SettingOptions,
): { items: FitItem[]; boxes: (Box | null)[] } {
  const items: FitItem[] = [];
  const boxes: (Box | null)[] = [];
  const push = (item: FitItem, box: Box | null = null): void => {
    items.push(item);
    boxes.push(box);
  };
  const close = (): void => {
    push({ kind: 'penalty', width: 0, cost: Infinity, hyphen: false });
    push({ kind: 'glue', width: 0, stretch: 1e5, shrink: 0 });
    push({ kind: 'penalty', width: 0, cost: -Infinity, hyphen: false });
  };
  if (options.indent > 0) push({ kind: 'box', width: options.indent });
  words.forEach(({ fragments, space, breaks }, word) => {
    fragments.forEach(({ width, end, pieces }, fragment) => {
      push({ kind: 'box', width }, { word, fragment });
      if (fragment === fragments.length - 1 || end === 'word') return;
      const hyphen = end === 'hyphen' ? widthOf(shaper, { ...pieces[0], text: '-' }) : 0;
      const cost = end === 'hyphen' ? HYPHEN_COST : end === 'torn' ? TORN_COST : 10;
      push({ kind: 'penalty', width: hyphen, cost, hyphen: end === 'hyphen' });
    });
    if (breaks) {
      if (fragments.length === 0) push({ kind: 'box', width: 0 });
      return close();
    }
    if (word === words.length - 1 || !space) return;
    const width = widthOf(shaper, space);
    const filled = options.align === 'filled';
    push({ kind: 'glue', width, stretch: width * STRETCH, shrink: filled ? width * SHRINK : 0 });
  });
  if (!words.at(-1)?.breaks) close();
  return { items, boxes };
}

/** The letters of pieces as glyphs from `x` on, and where the pen stands after them. */
function glyphsOf(shaper: Shaper, piece: Piece, x: number, extra = 0): { glyphs: PageGlyph[]; end: number } {
  const { cut, size, tracking } = piece.voice;
  let pen = x;
  const glyphs = shaper.letters(cut, piece.text).map((letter): PageGlyph => {
    const advance = (letter.advance + tracking) * size + extra;
    const glyph = {
      glyph: letter.glyph,
      x: pen,
      dx: letter.dx * size,
      dy: letter.dy * size,
      advance,
      text: letter.text,
    };
    pen += advance;
    return glyph;
  });
  return { glyphs, end: pen };
}

const sameVoice = (a: Piece, b: Piece): boolean =>
  a.link === b.link &&
  a.voice.cut === b.voice.cut &&
  a.voice.size === b.voice.size &&
  a.voice.colour === b.voice.colour &&
  a.voice.tracking === b.voice.tracking;

/** Neighbours in one voice joined, so that letters of a word are shaped together. */
function joined(pieces: readonly Piece[]): Piece[] {
  const out: Piece[] = [];
  for (const piece of pieces) {
    const before = out.at(-1);
    if (before && sameVoice(before, piece)) out[out.length - 1] = { ...before, text: before.text + piece.text };
    else out.push(piece);
  }
  return out;
}

type LineWord = { readonly pieces: readonly Piece[]; readonly space: Piece | null };

/** Words of a line in the order in which they are seen: those of a line that reads to the left turned, runs of others kept. */
function inSight(words: readonly LineWord[], leftward: boolean): LineWord[] {
  if (!leftward) return [...words];
  const out: LineWord[] = [];
  let run: LineWord[] = [];
  for (const word of words) {
    const right =
      word.pieces.some(({ text }) => /\p{L}/u.test(text)) && !word.pieces.some(({ text }) => readsRightToLeft(text));
    if (right) run.push(word);
    else {
      out.unshift(...run);
      run = [];
      out.unshift(word);
    }
  }
  out.unshift(...run);
  return out;
}

function lineOf(
  shaper: Shaper,
  words: readonly Word[],
  boxes: readonly (Box | null)[],
  items: readonly FitItem[],
  line: FitLine,
  at: {
    readonly x: number;
    readonly room: number;
    readonly leftward: boolean;
    readonly align: SettingOptions['align'];
  },
): SetLine {
  const end = items[line.to];
  const hyphen = end.kind === 'penalty' && end.hyphen;
  const last = end.kind === 'penalty' && end.cost === -Infinity;
  const here: { word: number; pieces: Piece[] }[] = [];
  for (let i = line.from; i < line.to; i++) {
    const box = boxes[i];
    if (!box) continue;
    const { pieces } = words[box.word].fragments[box.fragment];
    const before = here.at(-1);
    if (before?.word === box.word) before.pieces.push(...pieces);
    else here.push({ word: box.word, pieces: [...pieces] });
  }
  const tail = here.at(-1);
  if (hyphen && tail) tail.pieces.push({ ...tail.pieces[tail.pieces.length - 1], text: '-' });
  const lineWords = here.map(({ word, pieces }): LineWord => ({ pieces: joined(pieces), space: words[word].space }));
  const indent = items[line.from]?.kind === 'box' && boxes[line.from] === null && line.from === 0 ? items[0] : null;
  const start = at.x + (indent?.kind === 'box' ? indent.width : 0);
  const inner = lineWords.slice(0, -1);
  const natural =
    lineWords.reduce((sum, { pieces }) => sum + widthOfAll(shaper, pieces), 0) +
    inner.reduce((sum, { space }) => sum + (space ? widthOf(shaper, space) : 0), 0);
  const room = at.room - (start - at.x);
  const fills = at.align === 'filled' && !last && inner.length > 0 && line.ratio <= MOST_STRETCH;
  // A last line that came out a little wide is drawn in like the others.
  const extra =
    fills || (at.align === 'filled' && natural > room + 1e-6 && inner.length > 0) ? (room - natural) / inner.length : 0;
  const width = natural + extra * inner.length;
  const aligned = at.leftward && (at.align === 'filled' || at.align === 'left') ? 'right' : at.align;
  const shift = aligned === 'centre' ? (room - width) / 2 : aligned === 'right' ? room - width : 0;

  const marks: TextMark[] = [];
  let pen = start + shift;
  let open: { piece: Piece; x: number; glyphs: PageGlyph[]; divided: boolean } | null = null;
  const flush = (): void => {
    if (open && open.glyphs.length > 0) {
      const { piece, x, glyphs, divided } = open;
      const { cut, size, colour } = piece.voice;
      marks.push({ kind: 'text', cut, size, colour, x, y: 0, width: pen - x, glyphs, link: piece.link, divided });
    }
    open = null;
  };
  const set = (piece: Piece, more = 0): void => {
    if (!open || !sameVoice(open.piece, piece)) {
      flush();
      open = { piece, x: pen, glyphs: [], divided: false };
    }
    const made = glyphsOf(shaper, piece, pen - open.x, more);
    open.glyphs.push(...made.glyphs);
    pen = open.x + made.end;
  };
  const seen = inSight(lineWords, at.leftward);
  // White stands between words in the order in which they are read, whatever side they are read from.
  seen.forEach(({ pieces }, i) => {
    for (const piece of pieces) set(piece);
    const space = inner[i]?.space ?? { ...pieces[pieces.length - 1], text: ' ' };
    if (i < inner.length) set(space, extra);
  });
  if (hyphen && open) (open as { divided: boolean }).divided = true;
  flush();
  // Who reads the lines one after another needs the white between them; it is not seen.
  const tailMark = marks.at(-1);
  if (end.kind === 'glue' && tailMark && tail && !at.leftward) {
    const { glyphs } = glyphsOf(shaper, { ...tail.pieces[tail.pieces.length - 1], text: ' ' }, tailMark.width);
    marks[marks.length - 1] = { ...tailMark, glyphs: [...tailMark.glyphs, ...glyphs] };
  }
  return { marks, width, divided: hyphen, last };
}

/** Lines that were set, with what was found out, by all that they were made of: while one types, one paragraph of many is another. */
type Kept = { readonly lines: SetLine[]; readonly missing: readonly string[]; readonly cut: readonly string[] };
const kept = new WeakMap<Shaper, LRUCache<string, Kept>>();
const KEPT_PARAGRAPHS = 8000;
const rules = new WeakMap<Syllables, number>();
let counted = 0;

/** The number of a set of rules: they are told apart by being another. */
function numberOf(syllables: Syllables | null): number {
  if (!syllables) return 0;
  const known = rules.get(syllables);
  if (known) return known;
  rules.set(syllables, ++counted);
  return counted;
}

/** Sets words into lines of a width by the best total fit. No words give no lines. */
export function setLines(
  shaper: Shaper,
  spoken: readonly Spoken[],
  options: SettingOptions,
  heard: Heard,
): readonly SetLine[] {
  let own = kept.get(shaper);
  if (!own) kept.set(shaper, (own = new LRUCache({ max: KEPT_PARAGRAPHS })));
  const { syllables, ...plain } = options;
  const key = JSON.stringify([spoken, plain, numberOf(syllables), shaper.count]);
  let known = own.get(key);
  if (!known) {
    const found: Heard = { missing: new Set(), cut: new Set() };
    const lines = fit(shaper, spoken, options, found);
    known = { lines, missing: [...found.missing], cut: [...found.cut] };
    own.set(key, known);
  }
  for (const letter of known.missing) heard.missing.add(letter);
  for (const word of known.cut) heard.cut.add(word);
  return known.lines;
}

function fit(shaper: Shaper, spoken: readonly Spoken[], options: SettingOptions, heard: Heard): SetLine[] {
  const words = wordsOf(shaper, spoken, options, heard);
  if (!words.some(({ fragments }) => fragments.length > 0)) return [];
  const { items, boxes } = itemsOf(shaper, words, options);
  const { beside, width } = options;
  const inset = (line: number): number => (beside && line < beside.lines ? beside.by : 0);
  const size = spoken[0].voice.size;
  const fitted = bestFit(items, {
    measure: (line) => width - inset(line),
    same: beside?.lines ?? 0,
    ragged: options.align === 'filled' ? null : size * RAG,
  });
  const leftward = readsRightToLeft(spoken.map(({ text }) => text).join(''));
  return fitted.map((line, i) =>
    lineOf(shaper, words, boxes, items, line, {
      x: leftward ? 0 : inset(i),
      room: width - inset(i),
      leftward,
      align: options.align,
    }),
  );
}
