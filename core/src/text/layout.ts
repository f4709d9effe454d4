import { type Path, type Rect, compose, pathBounds, scale, transformPath, translate, union } from '../plane';
import { type BreakItem, type Breaks, breaksUpTo, isMinor } from './breaking';
import { type PlacedOutline, clearBaselines, outlinePoints } from './clearance';
import { type CutId, fallbacksFor } from './font-book';
import type { Manner, Run, Shaper } from './shaper';

/** How a block of words is set. Sizes in pixels, the rest in em. */
export type TextSpec = {
  readonly text: string;
  readonly cut: CutId;
  readonly manner: Manner;
  /** Baseline to baseline, em. */
  readonly leading: number;
  readonly upper: boolean;
  readonly align: 'left' | 'centre' | 'right';
  readonly alignY: 'top' | 'middle' | 'bottom';
  readonly setting: 'across' | 'down' | 'up' | 'stacked';
  /** Every line to the same width, each at its own size. */
  readonly justified: boolean;
  /** null sets the words as large as the area allows. */
  readonly sizePx: number | null;
  /** Upper bound for a fitted size. */
  readonly maxPx: number;
  /** Small words ("of", "the") in another cut and size; null sets all words alike. */
  readonly minor: { readonly cut: CutId; readonly scale: number } | null;
  /** Words set apart, by their place in the text. */
  readonly accents: readonly { readonly word: number; readonly cut: CutId | null; readonly scale: number | null }[];
};

export type PlacedWord = {
  readonly text: string;
  /** Its place in the text, from 0. */
  readonly index: number;
  readonly minor: boolean;
  readonly path: Path;
  readonly box: Rect;
  /** A first letter that is larger than the rest. */
  readonly initial?: boolean;
};

export type Block = {
  readonly sizePx: number;
  readonly lines: number;
  readonly words: readonly PlacedWord[];
  /** Box of the drawn letters. */
  readonly box: Rect;
  readonly xHeightPx: number;
  /** Letters set in the fallback face, and letters that no shipped face has. */
  readonly borrowed: readonly string[];
  readonly missing: readonly string[];
  /** True where the words at their set size are larger than the area. */
  readonly overflows: boolean;
};

export type Unit = BreakItem & { text: string; index: number; run: Run; scale: number; xHeight: number };
type Line = { units: Unit[]; width: number; scale: number; ink: Rect; outlines: PlacedOutline[]; space: number };

/** Least distance between the letters of two lines, em. */
const CLEAR = 0.035;

const RTL = /^[^\p{L}]*[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufeff]/u;

export const readsRightToLeft = (text: string): boolean => RTL.test(text);

/** A block without words, at a place. */
export const emptyBlock = (area: Rect): Block => ({
  sizePx: 0,
  lines: 0,
  words: [],
  box: { x: area.x, y: area.y, width: 0, height: 0 },
  xHeightPx: 0,
  borrowed: [],
  missing: [],
  overflows: false,
});

/** Sets words into an area given in pixels. An empty text gives an empty block. */
export function layOut(shaper: Shaper, spec: TextSpec, area: Rect): Block {
  if (spec.setting === 'down' || spec.setting === 'up') return layOutTurned(shaper, spec, area);
  const borrowed = new Set<string>();
  const missing = new Set<string>();
  const paragraphs = paragraphsOf(shaper, spec, borrowed, missing);
  if (paragraphs.length === 0) return emptyBlock(area);
  const space = shaper.space(spec.cut, spec.manner);
  const { lines, sizePx, overflows } = chooseLines(paragraphs, spec, area, space);
  const baselines = stack(lines, spec);
  const top = lines[0].ink.y;
  const bottom = Math.max(...lines.map((line, i) => baselines[i] + line.ink.y + line.ink.height));
  const height = (bottom - top) * sizePx;
  const slack = area.height - height;
  const originY = area.y - top * sizePx + (spec.alignY === 'top' ? 0 : spec.alignY === 'bottom' ? slack : slack / 2);
  const rightToLeft = readsRightToLeft(spec.text);
  const words: PlacedWord[] = [];
  lines.forEach((line, i) => {
    const free = area.width - line.ink.width * sizePx;
    const shift = spec.align === 'left' ? 0 : spec.align === 'right' ? free : free / 2;
    // Lines are aligned by their ink, not by their side bearings.
    let x = area.x + shift - line.ink.x * sizePx;
    const y = originY + baselines[i] * sizePx;
    const inOrder = rightToLeft ? [...line.units].reverse() : line.units;
    for (const unit of inOrder) {
      const k = unit.scale * sizePx;
      const path = transformPath(unit.run.path, compose(translate(x, y), scale(k)));
      words.push({ text: unit.text, index: unit.index, minor: unit.minor, path, box: pathBounds(path) });
      x += (unit.width + line.space) * sizePx;
    }
  });
  return {
    sizePx,
    lines: lines.length,
    words,
    box: union(words.map((word) => word.box).filter((box) => box.width > 0)),
    xHeightPx: smallestLetter(lines.flatMap((line) => line.units)) * sizePx,
    borrowed: [...borrowed],
    missing: [...missing],
    overflows,
  };
}

/** Sets the words across a lying area and turns them by a right angle about it: no size or break differs. */
function layOutTurned(shaper: Shaper, spec: TextSpec, area: Rect): Block {
  const lying = { x: 0, y: 0, width: area.height, height: area.width };
  const block = layOut(shaper, { ...spec, setting: 'across' }, lying);
  if (block.words.length === 0) return emptyBlock(area);
  const turn: readonly [number, number, number, number, number, number] =
    spec.setting === 'down' ? [0, 1, -1, 0, area.x + area.width, area.y] : [0, -1, 1, 0, area.x, area.y + area.height];
  const words = block.words.map((word) => {
    const path = transformPath(word.path, turn);
    return { ...word, path, box: pathBounds(path) };
  });
  return { ...block, words, box: union(words.map((word) => word.box).filter((box) => box.width > 0)) };
}

const letters = new Intl.Segmenter(undefined, { granularity: 'grapheme' });

/** Greek capitals stand without accents. */
export const capitals = (text: string): string =>
  /\p{Script=Greek}/u.test(text) ? text.toLocaleUpperCase('el') : text.toLocaleUpperCase();

/** Words by line as the person broke them; stacked letters each stand on a line of their own. */
function paragraphsOf(shaper: Shaper, spec: TextSpec, borrowed: Set<string>, missing: Set<string>): Unit[][] {
  let index = 0;
  return (spec.upper ? capitals(spec.text) : spec.text)
    .split('\n')
    .map((text) => text.split(/\s+/).filter(Boolean))
    .filter((words) => words.length > 0)
    .flatMap((words) => {
      const units = words.map((word) => ({ word, at: index++ }));
      if (spec.setting !== 'stacked')
        return [units.map(({ word, at }) => unitOf(shaper, spec, word, at, borrowed, missing))];
      return units.flatMap(({ word, at }) =>
        [...letters.segment(word)].map(({ segment }) => [unitOf(shaper, spec, segment, at, borrowed, missing)]),
      );
    });
}

/** The lowest x-height of the words that carry the sense; of all words where there are only small ones. */
export function smallestLetter(units: readonly Unit[]): number {
  const main = units.filter((u) => !u.minor);
  return Math.min(...(main.length > 0 ? main : units).map((u) => u.xHeight * u.scale));
}

/** A word shaped in its own cut and size, or in the first fallback that has more of its letters. */
export function unitOf(
  shaper: Shaper,
  spec: TextSpec,
  text: string,
  index: number,
  borrowed: Set<string>,
  missing: Set<string>,
): Unit {
  const accent = spec.accents.find((one) => one.word === index);
  const minor = spec.minor !== null && isMinor(text);
  const own = accent?.cut ?? (minor && spec.minor ? spec.minor.cut : spec.cut);
  let cut = shaper.has(own) ? own : fallbacksFor(text)[0];
  const size = accent?.scale ?? (minor && spec.minor ? spec.minor.scale : 1);
  let run = shaper.shape(cut, text, spec.manner);
  const lacking = run.missing;
  for (const other of lacking.length > 0 ? fallbacksFor(text) : []) {
    if (other === cut || !shaper.has(other)) continue;
    const tried = shaper.shape(other, text, spec.manner);
    if (tried.missing.length < run.missing.length) [cut, run] = [other, tried];
  }
  for (const ch of lacking) (run.missing.includes(ch) ? missing : borrowed).add(ch);
  const m = shaper.metrics(cut);
  const lower = /\p{Ll}/u.test(text) && !spec.manner.smallCaps;
  return { text, index, run, minor, scale: size, width: run.advance * size, xHeight: lower ? m.xHeight : m.capHeight };
}

/** Outline points of runs, kept as long as the shaper keeps the run. */
const points = new WeakMap<Run, Float32Array>();

function pointsOf(run: Run): Float32Array {
  let known = points.get(run);
  if (!known) points.set(run, (known = outlinePoints(run.path)));
  return known;
}

/** `k` scales the whole line. */
function makeLine(parts: Unit[], space: number, rightToLeft: boolean, k = 1): Line {
  const units = k === 1 ? parts : parts.map((u) => ({ ...u, scale: u.scale * k, width: u.width * k }));
  let x = 0;
  const boxes: Rect[] = [];
  const outlines: PlacedOutline[] = [];
  for (const { run, scale: s, width } of rightToLeft ? [...units].reverse() : units) {
    boxes.push({ x: x + run.ink.x * s, y: run.ink.y * s, width: run.ink.width * s, height: run.ink.height * s });
    outlines.push({ points: pointsOf(run), x, scale: s });
    x += width + space * k;
  }
  return {
    units,
    width: x - space * k,
    scale: Math.max(...units.map((u) => u.scale)),
    ink: union(boxes),
    outlines,
    space: space * k,
  };
}

function linesOf(units: Unit[], ends: Breaks, space: number, rightToLeft: boolean): Line[] {
  let from = 0;
  return ends.map((to) => makeLine(units.slice(from, (from = to)), space, rightToLeft));
}

/** A short line is not blown up past this, against the size of the rest. */
const MOST_JUSTIFIED = 3;

/** Small words alone on a line would be blown up the most: such breaks are left out where there are others. */
function justifiable(breaks: Line[][]): Line[][] {
  const sound = breaks.filter((lines) => !lines.some((line) => line.units.every((unit) => isMinor(unit.text))));
  return sound.length > 0 ? sound : breaks;
}

/** Every line at the size that makes all equally wide. */
function justify(lines: readonly Line[], rightToLeft: boolean): Line[] {
  const widest = Math.max(...lines.map((line) => line.ink.width));
  return lines.map((line) => {
    const k = Math.min(MOST_JUSTIFIED, widest / Math.max(1e-6, line.ink.width));
    return makeLine(line.units, line.space, rightToLeft, k);
  });
}

/**
 * Baselines in em, the first at 0. The gap between a large and a small line is the mean of theirs, and more where
 * letters would touch.
 */
function stack(lines: readonly Line[], { leading, align }: Pick<TextSpec, 'leading' | 'align'>): number[] {
  const start = ({ ink }: Line): number =>
    -ink.x - (align === 'left' ? 0 : align === 'right' ? ink.width : ink.width / 2);
  const placed = (line: Line): PlacedOutline[] => line.outlines.map((o) => ({ ...o, x: o.x + start(line) }));
  const at = [0];
  for (let i = 1; i < lines.length; i++) {
    const [above, below] = [lines[i - 1], lines[i]];
    const usual = (leading * (above.scale + below.scale)) / 2;
    // Where not even the boxes of the letters come near each other, the letters need not be looked at.
    const apart = above.ink.y + above.ink.height - below.ink.y + CLEAR <= usual;
    at.push(at[i - 1] + (apart ? usual : Math.max(usual, clearBaselines(placed(above), placed(below), CLEAR))));
  }
  return at;
}

const widthOf = (lines: readonly Line[]): number => Math.max(...lines.map((line) => line.ink.width));

function extent(
  lines: readonly Line[],
  spec: TextSpec,
  baselines = stack(lines, spec),
): { width: number; height: number } {
  const bottom = Math.max(...lines.map((line, i) => baselines[i] + line.ink.y + line.ink.height));
  return { width: widthOf(lines), height: bottom - lines[0].ink.y };
}

/** Baselines by the leading alone: letters that touch only push them further apart. */
function leastBaselines(lines: readonly Line[], leading: number): number[] {
  const at = [0];
  for (let i = 1; i < lines.length; i++) at.push(at[i - 1] + (leading * (lines[i - 1].scale + lines[i].scale)) / 2);
  return at;
}

function chooseLines(
  paragraphs: Unit[][],
  spec: TextSpec,
  area: Rect,
  space: number,
): { lines: Line[]; sizePx: number; overflows: boolean } {
  const size = (lines: Line[], baselines?: number[]): number => {
    const { width, height } = extent(lines, spec, baselines);
    return Math.min(area.width / width, area.height / height);
  };
  const plain: Line[][] = [];
  const rightToLeft = readsRightToLeft(spec.text);
  if (paragraphs.length > 1) plain.push(paragraphs.map((units) => makeLine(units, space, rightToLeft)));
  else {
    const units = paragraphs[0];
    for (const ends of breaksUpTo(units, Math.min(units.length, 14), space))
      plain.push(linesOf(units, ends, space, rightToLeft));
  }
  const candidates = spec.justified ? justifiable(plain).map((lines) => justify(lines, rightToLeft)) : plain;
  if (spec.sizePx !== null) {
    const set = spec.sizePx;
    // One hundredth of tolerance: a size that was fitted once must still fit.
    const fitting = candidates.find((lines) => widthOf(lines) * set <= area.width * 1.01);
    const lines = fitting ?? candidates[candidates.length - 1];
    const { width, height } = extent(lines, spec);
    return { lines, sizePx: set, overflows: width * set > area.width * 1.01 || height * set > area.height * 1.01 };
  }
  let best = candidates[0];
  // A further line must earn its place with letters that are clearly larger; among justified lines the smallest counts.
  const least = (lines: Line[]): number => (spec.justified ? Math.min(...lines.map((l) => l.scale)) : 1);
  let bestWorth = size(best) * least(best);
  // Lines of one width that lose nothing by being more fill their place better.
  const gain = spec.justified ? 0.98 : 1.04;
  for (const lines of candidates.slice(1)) {
    // Most cannot win even if no letters touch; only the others are set against each other letter by letter.
    if (size(lines, leastBaselines(lines, spec.leading)) * least(lines) <= bestWorth * gain) continue;
    const worth = size(lines) * least(lines);
    if (worth > bestWorth * gain) [best, bestWorth] = [lines, Math.max(worth, bestWorth)];
  }
  return { lines: best, sizePx: Math.min(size(best), spec.maxPx), overflows: false };
}
