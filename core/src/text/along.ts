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
  emptyBlock,
  readsRightToLeft,
  smallestLetter,
  unitOf,
} from './layout';
import type { Shaper } from './shaper';

/**
 * Sets words in one line along a baseline, letter by letter: each stands on the baseline at the middle of its advance,
 * turned with it there. A fitted size fills the baseline, less what `align` leaves free. `baseline` is in pixels and
 * runs in reading direction; `most` bounds a fitted size.
 */
export function layOutAlong(shaper: Shaper, spec: TextSpec, baseline: Polyline, most: number): Block {
  const borrowed = new Set<string>();
  const missing = new Set<string>();
  const texts = (spec.upper ? spec.text.toLocaleUpperCase() : spec.text).split(/\s+/).filter(Boolean);
  const at = baseline.points[0];
  if (texts.length === 0 || baseline.length <= 0) return emptyBlock({ x: at.x, y: at.y, width: 0, height: 0 });
  const units: Unit[] = texts.map((text, i) => unitOf(shaper, spec, text, i, borrowed, missing));
  const space = shaper.space(spec.cut, spec.manner);
  const advance = units.reduce((sum, u) => sum + u.width, 0) + space * (units.length - 1);
  const fitted = Math.min(baseline.length / advance, spec.maxPx, most);
  const sizePx = spec.sizePx ?? fitted;
  const free = baseline.length - advance * sizePx;
  let pen = spec.align === 'left' ? 0 : spec.align === 'right' ? free : free / 2;
  const words: PlacedWord[] = [];
  for (const unit of readsRightToLeft(spec.text) ? [...units].reverse() : units) {
    const k = unit.scale * sizePx;
    const ops: number[] = [];
    for (const glyph of unit.run.glyphs) {
      const middle = pen + (glyph.at + glyph.advance / 2) * k;
      const { point, angleRad } = baseline.at(middle);
      const place = compose(
        translate(point.x, point.y),
        compose(rotate(angleRad), compose(scale(k), translate(-glyph.advance / 2, 0))),
      );
      for (const n of transformPath(glyph.path, place).ops) ops.push(n);
    }
    const path = { ops };
    words.push({ text: unit.text, index: unit.index, minor: unit.minor, path, box: pathBounds(path) });
    pen += (unit.width + space) * sizePx;
  }
  return {
    sizePx,
    lines: 1,
    words,
    box: union(words.map((word) => word.box).filter((box) => box.width > 0)),
    xHeightPx: smallestLetter(units) * sizePx,
    borrowed: [...borrowed],
    missing: [...missing],
    overflows: free < -0.01 * baseline.length,
  };
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
