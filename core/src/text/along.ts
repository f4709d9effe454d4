import {
  type Polyline,
  type Rect,
  apply,
  compose,
  pathBounds,
  polyline,
  rotate,
  scale,
  transformPath,
  translate,
  union,
} from '../plane';
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
import type { RunGlyph, Shaper } from './shaper';

/** A line that words run along, px, in reading direction; a closed one goes on where it began. */
export type Track = {
  readonly line: Polyline;
  readonly closed: boolean;
  /** Moves the words along, share of the line's length. */
  readonly from: number;
  /** How far the letters stand off the line, em; below 0 they stand under it. */
  readonly gap: number;
};

/** The line that letters stand on, off the track's own by `off` px to its left; it is measured anew, so that they stand neither wider nor closer there. */
function beside(line: Polyline, closed: boolean, off: number): Polyline {
  if (off === 0) return line;
  const { points } = line;
  const last = points.length - 1;
  return polyline(
    points.map((p, i) => {
      const before = points[i > 0 ? i - 1 : closed ? last - 1 : 0];
      const after = points[i < last ? i + 1 : closed ? 1 : last];
      const angle = Math.atan2(after.y - before.y, after.x - before.x);
      return { x: p.x + Math.sin(angle) * off, y: p.y - Math.cos(angle) * off };
    }),
  );
}

export const openTrack = (line: Polyline): Track => ({ line, closed: false, from: 0, gap: 0 });

/** A sign with the half of its advance on either side, and its ink above and below the line, em of the set size. */
type Sign = { readonly unit: Unit; readonly glyph: RunGlyph; readonly lead: number; readonly half: number };

const wrapped = (rad: number): number => rad - 2 * Math.PI * Math.round(rad / (2 * Math.PI));

/**
 * Sets words in one line along a track, letter by letter: each stands on the line at the middle of its advance, turned
 * with it there. Where the line bends, neighbours that would lean into each other are moved apart by as much as their heights
 * (or depths) ask for. A fitted size fills the line, less what `align` leaves free; `most` bounds it.
 */
export function layOutAlong(shaper: Shaper, spec: TextSpec, track: Track, most: number): Block {
  const { line, closed, from, gap } = track;
  const borrowed = new Set<string>();
  const missing = new Set<string>();
  const texts = (spec.upper ? capitals(spec.text) : spec.text).split(/\s+/).filter(Boolean);
  const at = line.points[0];
  if (texts.length === 0 || line.length <= 0) return emptyBlock({ x: at.x, y: at.y, width: 0, height: 0 });
  const units: Unit[] = texts.map((text, i) => unitOf(shaper, spec, text, i, borrowed, missing));
  const space = shaper.space(spec.cut, spec.manner);
  const signs = signsOf(readsRightToLeft(spec.text) ? [...units].reverse() : units, space);
  const advance = signs.reduce((sum, { lead, half }) => sum + lead + 2 * half, 0);
  /** Where the middles of the signs come to stand at a size, on which line, and how much of it they take, px. */
  const middles = (sizePx: number, taken: number) => {
    const run = beside(line, closed, gap * sizePx);
    const on = (length: number): ReturnType<Polyline['at']> =>
      run.at(closed ? ((length % run.length) + run.length) % run.length : length);
    const free = run.length - taken;
    const start = (spec.align === 'left' ? 0 : spec.align === 'right' ? free : free / 2) + from * run.length;
    const places: number[] = [];
    let pen = start;
    signs.forEach((sign, i) => {
      pen += (sign.lead + sign.half) * sizePx;
      if (i > 0) pen += leaning(signs[i - 1], sign, sizePx, on(places[i - 1]).angleRad, on(pen).angleRad);
      places.push(pen);
      pen += sign.half * sizePx;
    });
    return { run, on, places, taken: pen - start };
  };
  let sizePx = spec.sizePx ?? Math.min(line.length / advance, spec.maxPx, most);
  let set = middles(sizePx, advance * sizePx);
  // What bends takes more of the line: a fitted size gives way, and the words stand where `align` puts them.
  for (let step = 0; step < 4; step++) {
    if (spec.sizePx === null && set.taken > set.run.length) sizePx *= set.run.length / set.taken;
    set = middles(sizePx, set.taken);
  }
  const paths = new Map<Unit, number[]>(units.map((unit) => [unit, []]));
  signs.forEach(({ unit, glyph }, i) => {
    const { point, angleRad } = set.on(set.places[i]);
    const k = unit.scale * sizePx;
    const place = compose(
      translate(point.x, point.y),
      compose(rotate(angleRad), compose(scale(k), translate(-glyph.advance / 2, 0))),
    );
    const ops = paths.get(unit)!;
    for (const n of transformPath(glyph.path, place).ops) ops.push(n);
  });
  const words = units.map((unit): PlacedWord => {
    const path = { ops: paths.get(unit)! };
    return { text: unit.text, index: unit.index, minor: unit.minor, path, box: pathBounds(path) };
  });
  return {
    sizePx,
    lines: 1,
    words,
    box: union(words.map((word) => word.box).filter((box) => box.width > 0)),
    xHeightPx: smallestLetter(units) * sizePx,
    borrowed: [...borrowed],
    missing: [...missing],
    overflows: set.taken > 1.01 * set.run.length,
  };
}

/** The signs of words in a row; `lead` is what lies before one, em: a space, tracking, or nothing. */
function signsOf(units: readonly Unit[], space: number): Sign[] {
  let pen = 0;
  let free = 0;
  return units.flatMap((unit, i) => {
    if (i > 0) pen += space;
    const signs = unit.run.glyphs.map((glyph): Sign => {
      const begins = pen + glyph.at * unit.scale;
      const lead = begins - free;
      free = begins + glyph.advance * unit.scale;
      return { unit, glyph, lead, half: (glyph.advance * unit.scale) / 2 };
    });
    pen += unit.width;
    return signs;
  });
}

/** What two neighbours must be moved apart by so that their boxes do not meet where the line bends between them, px. */
function leaning(a: Sign, b: Sign, sizePx: number, angleA: number, angleB: number): number {
  const bend = wrapped(angleB - angleA);
  if (Math.abs(bend) < 1e-4) return 0;
  const [inkA, inkB] = [pathBounds(a.glyph.path), pathBounds(b.glyph.path)];
  const reach = (ink: Rect, { unit }: Sign): number =>
    Math.max(0, bend < 0 ? -ink.y : ink.y + ink.height) * unit.scale * sizePx;
  return Math.min(reach(inkA, a), reach(inkB, b)) * 2 * Math.tan(Math.min(1, Math.abs(bend)) / 2);
}

/** A block moved, so that its letters stand in an area as `alignY` says. */
export function standIn(block: Block, area: Rect, alignY: TextSpec['alignY']): Block {
  const slack = area.height - block.box.height;
  const dy = area.y - block.box.y + (alignY === 'top' ? 0 : alignY === 'bottom' ? slack : slack / 2);
  const move = translate(0, dy);
  const words = block.words.map((word) => ({
    ...word,
    path: transformPath(word.path, move),
    box: { ...word.box, y: word.box.y + dy },
  }));
  const { x, y } = apply(move, block.box);
  return { ...block, words, box: { ...block.box, x, y } };
}
