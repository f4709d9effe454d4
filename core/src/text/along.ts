import {
  type Polyline,
  type Rect,
  apply,
  compose,
  pathBounds,
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
  const on = (length: number): ReturnType<Polyline['at']> =>
    line.at(closed ? ((length % line.length) + line.length) % line.length : length);
  /** Where the middles of the signs come to stand, from the beginning of the words, px. */
  const middles = (sizePx: number, start: number): { at: number[]; length: number } => {
    const places: number[] = [];
    let pen = 0;
    signs.forEach((sign, i) => {
      pen += (sign.lead + sign.half) * sizePx;
      if (i > 0)
        pen += leaning(signs[i - 1], sign, sizePx, on(start + places[i - 1]).angleRad, on(start + pen).angleRad);
      places.push(pen);
      pen += sign.half * sizePx;
    });
    return { at: places, length: pen };
  };
  const began = (length: number): number => {
    const free = line.length - length;
    return (spec.align === 'left' ? 0 : spec.align === 'right' ? free : free / 2) + from * line.length;
  };
  let sizePx = spec.sizePx ?? Math.min(line.length / advance, spec.maxPx, most);
  let placed = middles(sizePx, began(advance * sizePx));
  // What bends takes more of the line: a fitted size gives way, and the words stand where `align` puts them.
  for (let step = 0; step < 4; step++) {
    if (spec.sizePx === null && placed.length > line.length) sizePx *= line.length / placed.length;
    placed = middles(sizePx, began(placed.length));
  }
  const start = began(placed.length);
  const paths = new Map<Unit, number[]>(units.map((unit) => [unit, []]));
  signs.forEach(({ unit, glyph }, i) => {
    const { point, angleRad } = on(start + placed.at[i]);
    const k = unit.scale * sizePx;
    const off = gap * sizePx;
    const place = compose(
      translate(point.x + Math.sin(angleRad) * off, point.y - Math.cos(angleRad) * off),
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
    overflows: line.length - placed.length < -0.01 * line.length,
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
