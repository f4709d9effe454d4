import { type Path, type Rect, compose, pathBounds, scale, transformPath, translate, union } from '../plane';
import { type BreakItem, balancedBreaks, isMinor } from './breaking';
import { type PlacedOutline, clearBaselines, outlinePoints } from './clearance';
import { type CutId, FALLBACK_CUT } from './font-book';
import type { Run, Shaper } from './shaper';

/** How a block of words is set. Sizes in pixels, the rest in em. */
export type TextSpec = {
  readonly text: string;
  readonly cut: CutId;
  /** Added between letters, em. */
  readonly tracking: number;
  /** Baseline to baseline, em. */
  readonly leading: number;
  readonly upper: boolean;
  readonly align: 'left' | 'centre' | 'right';
  readonly alignY: 'top' | 'middle' | 'bottom';
  /** null sets the words as large as the area allows. */
  readonly sizePx: number | null;
  /** Upper bound for a fitted size. */
  readonly maxPx: number;
  /** Small words ("of", "the") in another cut and size; null sets all words alike. */
  readonly minor: { readonly cut: CutId; readonly scale: number } | null;
};

export type PlacedWord = { readonly text: string; readonly minor: boolean; readonly path: Path; readonly box: Rect };

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

type Unit = BreakItem & { text: string; run: Run; scale: number; xHeight: number };
type Line = { units: Unit[]; width: number; scale: number; ink: Rect; outlines: PlacedOutline[] };

/** Least distance between the letters of two lines, em. */
const CLEAR = 0.035;

const RTL = /^[^\p{L}]*[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufeff]/u;

/** Sets words into an area given in pixels. An empty text gives an empty block. */
export function layOut(shaper: Shaper, spec: TextSpec, area: Rect): Block {
  const borrowed = new Set<string>();
  const missing = new Set<string>();
  const paragraphs = (spec.upper ? spec.text.toLocaleUpperCase() : spec.text)
    .split('\n')
    .map((text) => text.split(/\s+/).filter(Boolean))
    .filter((words) => words.length > 0)
    .map((words) => words.map((word) => unitOf(shaper, spec, word, borrowed, missing)));
  const count = paragraphs.reduce((n, p) => n + p.length, 0);
  if (count === 0) {
    const box = { x: area.x, y: area.y, width: 0, height: 0 };
    return { sizePx: 0, lines: 0, words: [], box, xHeightPx: 0, borrowed: [], missing: [], overflows: false };
  }
  const space = shaper.space(spec.cut, spec.tracking);
  const { lines, sizePx, overflows } = chooseLines(paragraphs, spec, area, space);
  const baselines = stack(lines, spec);
  const top = lines[0].ink.y;
  const bottom = Math.max(...lines.map((line, i) => baselines[i] + line.ink.y + line.ink.height));
  const height = (bottom - top) * sizePx;
  const slack = area.height - height;
  const originY = area.y - top * sizePx + (spec.alignY === 'top' ? 0 : spec.alignY === 'bottom' ? slack : slack / 2);
  const rightToLeft = RTL.test(spec.text);
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
      words.push({ text: unit.text, minor: unit.minor, path, box: pathBounds(path) });
      x += (unit.width + space) * sizePx;
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

/** The lowest x-height of the words that carry the sense; of all words where there are only small ones. */
function smallestLetter(units: readonly Unit[]): number {
  const main = units.filter((u) => !u.minor);
  return Math.min(...(main.length > 0 ? main : units).map((u) => u.xHeight * u.scale));
}

function unitOf(shaper: Shaper, spec: TextSpec, text: string, borrowed: Set<string>, missing: Set<string>): Unit {
  const minor = spec.minor !== null && isMinor(text);
  let cut = minor && spec.minor ? spec.minor.cut : spec.cut;
  const size = minor && spec.minor ? spec.minor.scale : 1;
  let run = shaper.shape(cut, text, spec.tracking);
  if (run.missing.length > 0 && cut !== FALLBACK_CUT && shaper.has(FALLBACK_CUT)) {
    const other = shaper.shape(FALLBACK_CUT, text, spec.tracking);
    run.missing.forEach((ch) => borrowed.add(ch));
    other.missing.forEach((ch) => missing.add(ch));
    if (other.missing.length < run.missing.length) [cut, run] = [FALLBACK_CUT, other];
  } else run.missing.forEach((ch) => missing.add(ch));
  const m = shaper.metrics(cut);
  const lower = /\p{Ll}/u.test(text);
  return { text, run, minor, scale: size, width: run.advance * size, xHeight: lower ? m.xHeight : m.capHeight };
}

/** Outline points of runs, kept as long as the shaper keeps the run. */
const points = new WeakMap<Run, Float32Array>();

function pointsOf(run: Run): Float32Array {
  let known = points.get(run);
  if (!known) points.set(run, (known = outlinePoints(run.path)));
  return known;
}

function makeLine(units: Unit[], space: number, rightToLeft: boolean): Line {
  let x = 0;
  const boxes: Rect[] = [];
  const outlines: PlacedOutline[] = [];
  for (const { run, scale: k, width } of rightToLeft ? [...units].reverse() : units) {
    boxes.push({ x: x + run.ink.x * k, y: run.ink.y * k, width: run.ink.width * k, height: run.ink.height * k });
    outlines.push({ points: pointsOf(run), x, scale: k });
    x += width + space;
  }
  return { units, width: x - space, scale: Math.max(...units.map((u) => u.scale)), ink: union(boxes), outlines };
}

function linesOf(units: Unit[], count: number, space: number, rightToLeft: boolean): Line[] {
  let from = 0;
  return balancedBreaks(units, count, space).map((to) => makeLine(units.slice(from, (from = to)), space, rightToLeft));
}

/**
 * Baselines in em, the first at 0. The gap between a large and a small line is the mean of theirs, and more where
 * letters would touch.
 */
function stack(lines: readonly Line[], { leading, align }: TextSpec): number[] {
  const start = ({ ink }: Line): number =>
    -ink.x - (align === 'left' ? 0 : align === 'right' ? ink.width : ink.width / 2);
  const placed = (line: Line): PlacedOutline[] => line.outlines.map((o) => ({ ...o, x: o.x + start(line) }));
  const at = [0];
  for (let i = 1; i < lines.length; i++) {
    const usual = (leading * (lines[i - 1].scale + lines[i].scale)) / 2;
    at.push(at[i - 1] + Math.max(usual, clearBaselines(placed(lines[i - 1]), placed(lines[i]), CLEAR)));
  }
  return at;
}

function extent(lines: readonly Line[], spec: TextSpec): { width: number; height: number } {
  const baselines = stack(lines, spec);
  const bottom = Math.max(...lines.map((line, i) => baselines[i] + line.ink.y + line.ink.height));
  return { width: Math.max(...lines.map((line) => line.ink.width)), height: bottom - lines[0].ink.y };
}

function chooseLines(
  paragraphs: Unit[][],
  spec: TextSpec,
  area: Rect,
  space: number,
): { lines: Line[]; sizePx: number; overflows: boolean } {
  const size = (lines: Line[]): number => {
    const { width, height } = extent(lines, spec);
    return Math.min(area.width / width, area.height / height);
  };
  const candidates: Line[][] = [];
  const rightToLeft = RTL.test(spec.text);
  if (paragraphs.length > 1) candidates.push(paragraphs.map((units) => makeLine(units, space, rightToLeft)));
  else {
    const units = paragraphs[0];
    for (let count = 1; count <= Math.min(units.length, 14); count++)
      candidates.push(linesOf(units, count, space, rightToLeft));
  }
  if (spec.sizePx !== null) {
    const set = spec.sizePx;
    // One hundredth of tolerance: a size that was fitted once must still fit.
    const fitting = candidates.find((lines) => extent(lines, spec).width * set <= area.width * 1.01);
    const lines = fitting ?? candidates[candidates.length - 1];
    const { width, height } = extent(lines, spec);
    return { lines, sizePx: set, overflows: width * set > area.width * 1.01 || height * set > area.height * 1.01 };
  }
  let best = candidates[0];
  // A further line must earn its place with letters that are clearly larger.
  for (const lines of candidates) if (size(lines) > size(best) * 1.04) best = lines;
  return { lines: best, sizePx: Math.min(size(best), spec.maxPx), overflows: false };
}
