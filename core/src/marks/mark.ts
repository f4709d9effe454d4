import { ellipseIn } from '../forms';
import { type Point, compose, polyline, scale, translate } from '../plane';
import { type Shaper, capitals, layOutAlong, plainManner } from '../text';
import type { Hex } from '../colour';
import { type Drawing, drawingOf } from '../vector';
import { type Frame, branches, frameOf, linesOf, openBook, raysAbove, rightHalf } from './frames';
import { CAP, type Letters, faceFor, finished, setLetters, textRegion } from './letters';
import {
  NOTHING,
  type Region,
  areaOf,
  boxOf,
  grown,
  hullOf,
  moved,
  outlineOf,
  rectRegion,
  regionOf,
  together,
  without,
} from './region';
import { type SymbolName, symbolRegion } from './symbols';
import type { Way } from './ways';

export type MarkWords = {
  /** One to four, as they are to be seen. */
  readonly letters: readonly string[];
  /** Written out where a way shows it; empty where there is none. */
  readonly name: string;
  /** null takes the way's own. */
  readonly symbol: SymbolName | null;
};

/** What a mark is made of. The three lie beside one another, never over. */
export type Layers = {
  readonly first: Region;
  /** In the second colour, or in the first where there is none. */
  readonly second: Region;
  /** In the second colour, or left clear where there is none. */
  readonly hole: Region;
};

/** Whether a way serves so many letters and, where it writes a name out, a name of this length. */
export function serves(way: Way, { letters, name }: Pick<MarkWords, 'letters' | 'name'>): boolean {
  const long = [...name.trim()].length;
  const written = way.round.kind === 'name' || way.round.kind === 'ring';
  return letters.length >= way.least && letters.length <= way.most && (!written || (long > 2 && long <= 40));
}

const all = ({ first, second }: Letters): Region => together(first, second);
const place = (letters: Letters, by: Parameters<typeof moved>[1]): Letters => ({
  first: moved(letters.first, by),
  second: moved(letters.second, by),
});

/** Where the eye sees the middle of a thing: between that of its box and that of its ink. */
function eyeOf(region: Region): Point {
  const box = boxOf(region);
  let [x, y, weight] = [0, 0, 0];
  for (const ring of region)
    ring.forEach((p, i) => {
      const q = ring[(i + 1) % ring.length];
      const cross = p.x * q.y - q.x * p.y;
      x += (p.x + q.x) * cross;
      y += (p.y + q.y) * cross;
      weight += cross * 3;
    });
  const ink = Math.abs(weight) > 1 ? { x: x / weight, y: y / weight } : { x: 0, y: 0 };
  return { x: (box.x + box.width / 2) * 0.75 + ink.x * 0.25, y: (box.y + box.height / 2) * 0.75 + ink.y * 0.25 };
}

/** As large as fits into a room, the eye's middle on the given one. */
function fitted(letters: Letters, { room, middle }: Pick<Frame, 'room' | 'middle'>): Letters {
  const whole = all(letters);
  const eye = eyeOf(whole);
  const hull = hullOf(whole);
  const at = (k: number) => compose(translate(middle.x, middle.y), compose(scale(k), translate(-eye.x, -eye.y)));
  let [low, high] = [0, 1.4];
  for (let i = 0; i < 14; i++) {
    const k = (low + high) / 2;
    if (areaOf(without(moved(hull, at(k)), room)) < 1) low = k;
    else high = k;
  }
  return place(letters, at(low));
}

/** A thing in a box of its own, centred on x = 0: `foot` is where its lower edge stands. */
function standing(region: Region, height: number, foot: number): Region {
  const box = boxOf(region);
  const k = height / box.height;
  return moved(region, [k, 0, 0, k, -(box.x + box.width / 2) * k, foot - (box.y + box.height) * k]);
}

const discOf = (r: number, at: Point = { x: 0, y: 0 }): Region =>
  regionOf(ellipseIn({ x: at.x - r, y: at.y - r, width: 2 * r, height: 2 * r }));

function inFrame(letters: Letters, way: Way, round: Extract<Way['round'], { kind: 'frame' }>, symbol: Region): Layers {
  const frame = frameOf(round.frame);
  let inside = letters;
  if (round.symbol) {
    const box = boxOf(all(letters));
    const small = standing(symbol, box.height * 0.52, round.symbol === 'above' ? -box.height * 0.2 : box.height * 1.72);
    inside = {
      first: moved(letters.first, translate(-box.x - box.width / 2, -box.y)),
      second: together(moved(letters.second, translate(-box.x - box.width / 2, -box.y)), small),
    };
  }
  const { first, second } = fitted(inside, frame);
  const written = together(first, second);
  const fine = without(grown(frame.field, -38), grown(frame.field, -50));
  switch (round.drawn) {
    case 'full':
      return { first: without(frame.field, written), second: NOTHING, hole: written };
    case 'full-lined':
      return { first: without(frame.field, together(written, fine)), second: NOTHING, hole: together(written, fine) };
    case 'line':
    case 'two-lines':
      return { first, second: together(second, linesOf(frame, round.drawn === 'two-lines')), hole: NOTHING };
    case 'split': {
      const right = rightHalf(frame.field);
      return {
        first: together(without(written, right), without(right, written), linesOf(frame, false)),
        second: NOTHING,
        hole: without(written, without(written, right)),
      };
    }
  }
}

function inRing(letters: Letters, way: Way, name: string, full: boolean, symbol: Region, shaper: Shaper): Layers {
  const cut = faceFor(shaper, way.cut, name);
  // From the foot round over the top, so that the middle of the words stands above.
  const round = Array.from({ length: 361 }, (_, i): Point => {
    const rad = Math.PI / 2 + (i / 360) * 2 * Math.PI;
    return { x: Math.cos(rad) * 392, y: Math.sin(rad) * 392 };
  });
  const block = layOutAlong(
    shaper,
    {
      text: name,
      cut,
      manner: { ...plainManner, tracking: 0.12 },
      leading: 1,
      upper: true,
      align: 'centre',
      alignY: 'bottom',
      setting: 'across',
      justified: false,
      sizePx: null,
      maxPx: 74 / shaper.metrics(cut).capHeight,
      minor: null,
      accents: [],
    },
    { line: polyline(round), closed: false, from: 0, gap: 0 },
    74 / shaper.metrics(cut).capHeight,
  );
  const words = together(...block.words.map(({ path }) => regionOf(path)));
  const foot = standing(symbol, 84, 470);
  const free = areaOf(together(grown(words, 16))) + areaOf(foot) - areaOf(together(grown(words, 16), foot)) < 1;
  const ring = together(words, free ? foot : NOTHING);
  const { first, second } = fitted(letters, { room: discOf(268), middle: { x: 0, y: 0 } });
  const written = together(first, second);
  const inner = without(discOf(336), discOf(324));
  if (full) {
    const cutOut = together(written, ring, inner);
    return { first: without(discOf(520), cutOut), second: NOTHING, hole: cutOut };
  }
  const lines = together(inner, without(discOf(520), discOf(500)), without(discOf(488), discOf(482)));
  return { first, second: together(second, ring, lines), hole: NOTHING };
}

function assembled(letters: Letters, way: Way, words: MarkWords, shaper: Shaper): Layers {
  const symbol = symbolRegion(words.symbol ?? way.symbol);
  const { round } = way;
  const box = boxOf(all(letters));
  const middle = box.x + box.width / 2;
  const beside = (more: Region, letter: Letters = letters): Layers => ({
    first: letter.first,
    second: together(letter.second, more),
    hole: NOTHING,
  });
  switch (round.kind) {
    case 'none':
      return beside(NOTHING);
    case 'frame':
      return inFrame(letters, way, round, symbol);
    case 'ring':
      return inRing(letters, way, words.name.trim(), round.full, symbol, shaper);
    case 'pages': {
      const { field, page, width, height } = openBook();
      const each = words.letters.map((letter) => textRegion(shaper, way.cut, letter));
      const k = Math.min(height / CAP, ...each.map((letter) => width / boxOf(letter).width));
      const hole = together(
        ...each.map((letter, i) => {
          const at = boxOf(letter);
          const x = (i === 0 ? -page : page) - (at.x + at.width / 2) * k;
          return moved(letter, [k, 0, 0, k, x, 10 + (CAP / 2) * k]);
        }),
      );
      return { first: without(field, hole), second: NOTHING, hole };
    }
    case 'branches': {
      const inside = fitted(letters, { room: discOf(330), middle: { x: 0, y: -20 } });
      return beside(branches(470), inside);
    }
    case 'rays': {
      const foot = box.y + box.height;
      const reach = Math.hypot(box.width / 2, box.height) + 0.1 * CAP;
      return beside(
        together(
          moved(raysAbove(reach, reach + 0.42 * CAP), translate(middle, foot)),
          rectRegion(middle - reach - 0.42 * CAP, foot + 0.13 * CAP, 2 * (reach + 0.42 * CAP), 0.045 * CAP),
        ),
      );
    }
    case 'bars': {
      const wide = box.width + 0.3 * CAP;
      const bar = (y: number): Region => rectRegion(middle - wide / 2, y, wide, 0.04 * CAP);
      return beside(together(bar(box.y - 0.3 * CAP), bar(box.y + box.height + 0.26 * CAP)));
    }
    case 'brackets': {
      const [x0, x1] = [box.x - 0.28 * CAP, box.x + box.width + 0.28 * CAP];
      const [y0, y1] = [box.y - 0.28 * CAP, box.y + box.height + 0.28 * CAP];
      const [thick, arm] = [0.07 * CAP, 0.34 * CAP];
      const corner = (x: number, y: number, dx: number, dy: number): Region =>
        together(
          rectRegion(Math.min(x, x + dx * arm), Math.min(y, y + dy * thick), arm, thick),
          rectRegion(Math.min(x, x + dx * thick), Math.min(y, y + dy * arm), thick, arm),
        );
      return beside(
        together(corner(x0, y0, 1, 1), corner(x1, y0, -1, 1), corner(x0, y1, 1, -1), corner(x1, y1, -1, -1)),
      );
    }
    case 'symbol': {
      const tall = box.height * 0.62;
      const small =
        round.place === 'above'
          ? standing(symbol, tall, box.y - 0.2 * CAP)
          : standing(symbol, tall, box.y + box.height + 0.2 * CAP + tall);
      return beside(moved(small, translate(middle, 0)));
    }
    case 'name': {
      const line = textRegion(shaper, way.cut, capitals(words.name.trim()), 0.2);
      const own = boxOf(line);
      const k = Math.max(0.13, Math.min(0.24, (box.width * 1.9) / own.width));
      const gap = (round.rules ? 0.42 : 0.3) * CAP;
      const name = moved(line, [
        k,
        0,
        0,
        k,
        middle - (own.x + own.width / 2) * k,
        box.y + box.height + gap - own.y * k,
      ]);
      const wide = Math.max(own.width * k, box.width);
      const rule = round.rules
        ? rectRegion(middle - wide / 2, box.y + box.height + 0.18 * CAP, wide, 0.025 * CAP)
        : NOTHING;
      return beside(together(name, rule));
    }
  }
}

/** Whether what stands round the letters is about as high as wide: a row of four would be small in it. */
const inPairs = ({ round }: Way): boolean =>
  round.kind === 'ring' ||
  round.kind === 'branches' ||
  (round.kind === 'frame' && round.frame !== 'oval' && round.frame !== 'plaque');

/** The areas of a mark, in units of its own, y down; null where its letters cannot be read in this way. Its fonts must be there. */
export function layersOf(way: Way, words: MarkWords, shaper: Shaper): Layers | null {
  const cut = faceFor(shaper, way.cut, words.letters.join(''));
  if (shaper.lacks(cut, words.letters.join('')).length > 0) return null;
  const setting = words.letters.length === 4 && inPairs(way) ? ({ kind: 'pairs' } as const) : way.set;
  const set = setLetters(shaper, cut, words.letters, setting, words.symbol ?? way.symbol);
  return set && assembled(finished(set, way.finish), way, words, shaper);
}

/**
 * A mark as a drawing: what takes the mark's colour has none of its own, the rest has the second colour. Without a
 * second colour it is of one, and what was cut out stays clear. null where the way does not suit these letters.
 */
export function drawMark(way: Way, words: MarkWords, second: Hex | null, shaper: Shaper): Drawing | null {
  const layers = layersOf(way, words, shaper);
  if (!layers) return null;
  const first = second ? layers.first : together(layers.first, layers.second);
  const other = second ? together(layers.second, layers.hole) : NOTHING;
  return drawingOf(
    [
      { path: outlineOf(first), colour: null },
      { path: outlineOf(other), colour: second },
    ].filter(({ path }) => path.ops.length > 0),
  );
}
