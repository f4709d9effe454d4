import { seeded } from '../../base';
import { readableOn } from '../../colour';
import { type Area, type PartSeed, newShape } from '../../cover';
import { readPathData, writePathData } from '../../forms';
import { both, outlineOf, rectRegion, regionOf } from '../../marks';
import { compose, rotate, scale, transformPath, translate } from '../../plane';
import type { Drawn } from '../../symbols';
import type { Board } from '../board';
import type { Structure } from '../structure';
import { isDark, mixed, toneDistance } from '../tones';
import { block, ground, headAndFoot, rule, titleItems } from './common';

type More = Partial<Omit<Extract<PartSeed, { kind: 'shape' }>, 'kind'>>;

/** A symbol about a point, as large as fits a box of `width` and `height`, both fractions of the cover's width. */
function symbolAt(b: Board, drawn: Drawn, at: { x: number; y: number; width: number; height?: number }, colour: string, more: More = {}): PartSeed & { area: Area } {
  const width = Math.min(at.width, (at.height ?? at.width) * drawn.ratio);
  const tall = b.high(width / drawn.ratio);
  const area = { x: at.x - width / 2, y: at.y - tall / 2, width, height: tall };
  return { ...newShape({ kind: 'drawn', ratio: drawn.ratio, paths: [{ d: drawn.d, colour: null }] }, { area, colour, ...more }), id: 'symbol', ...more, area } as PartSeed & { area: Area };
} // prettier-ignore

type Copy = { readonly x: number; readonly y: number; readonly size: number; readonly turnRad: number };

/** Copies of symbols over the whole cover as one drawing; places are fractions of its width, sizes too. */
function copiesOf(b: Board, drawn: readonly Drawn[], copies: readonly Copy[], colour: string, more: More = {}): PartSeed {
  const k = 1000 / b.ratio;
  const known = drawn.map(({ d }) => readPathData(d));
  const paths = copies.flatMap(({ x, y, size, turnRad }, i) => {
    const [one, path] = [drawn[i % drawn.length], known[i % drawn.length]];
    if (!path.ok) return [];
    const times = (size * k) / (1000 * Math.max(1, one.ratio));
    const middle = translate(-500 * one.ratio, -500);
    const placed = compose(translate(x * k, y * k), compose(rotate(turnRad), compose(scale(times), middle)));
    return [{ d: writePathData(transformPath(path.value, placed)), colour: null }];
  });
  // Two lines of nothing at the corners hold the box of the drawing to the cover.
  const area = { x: 0, y: 0, width: 1, height: 1 };
  return { ...newShape({ kind: 'drawn', ratio: 1 / b.ratio, paths: paths.slice(0, 200) }, { area, colour, ...more }), id: 'symbols' };
} // prettier-ignore

/** A colour for a symbol that is seen on the ground and leaves the words the loudest: the block where it is far enough away, else the accent. */
const figureColour = (b: Board): string => {
  const { ground: under, block: other, accent } = b.tones;
  return toneDistance(under, other) > 0.2 ? other : accent;
};

/** Covers whose figure is a symbol that the words bring to mind. */
export const SYMBOL: readonly Structure[] = [
  {
    id: 'symbol-great',
    name: 'A great symbol over the title',
    group: 'symbol',
    kinds: { story: 3, practical: 3, poems: 2, report: 2 },
    moods: ['bold', 'bright', 'dark', 'playful', 'calm'],
    asks: { pictures: [0, 0], symbols: 1, letters: [1, 60] },
    turns: 2,
    draw(b) {
      const [drawn] = b.s.symbols;
      const above = b.s.turn === 0;
      const ends = headAndFoot(b, { head: b.tones.accent, foot: b.tones.words });
      if (!ends) return null;
      const share = (ends.bottom - ends.top) * 0.54;
      const [y0, y1] = above ? [ends.top + share + b.high(0.06), ends.bottom] : [ends.top, ends.bottom - share - b.high(0.06)];
      const column = b.column({ x: b.mx, y: y0, width: 1 - 2 * b.mx, height: y1 - y0 }, titleItems(b.inks, 0.2, b, { gap: 0.03 }), { anchor: above ? 'middle' : 'top', tight: true });
      if (!column) return null;
      const y = above ? ends.top + share / 2 : ends.bottom - share / 2;
      return [ground(b.tones.ground), symbolAt(b, drawn, { x: 0.5, y, width: 0.74, height: share * b.ratio }, figureColour(b)), ...ends.parts, ...column.parts];
    },
  },
  {
    id: 'symbol-cropped',
    name: 'A symbol so large that the cover cuts it',
    group: 'symbol',
    kinds: { story: 3, practical: 2, poems: 3, report: 2 },
    moods: ['bold', 'grave', 'dark', 'calm', 'bright'],
    asks: { pictures: [0, 0], symbols: 1, letters: [1, 60] },
    turns: 3,
    draw(b) {
      const [drawn] = b.s.symbols;
      const { tones } = b;
      const dark = isDark(tones.ground);
      // So near to the ground that words read on both.
      const colour = mixed(tones.ground, dark ? tones.accent : tones.block, toneDistance(tones.ground, tones.block) > 0.3 ? 0.3 : 0.45);
      const both = [tones.ground, colour];
      const inks = { words: readableOn(tones.words, both, 5), second: readableOn(tones.second, both, 4.8), accent: readableOn(tones.accent, both, 4.8) };
      const low = b.s.turn === 1;
      const ends = headAndFoot(b, { head: inks.accent, foot: inks.words }, { align: 'left' });
      if (!ends) return null;
      const column = b.column({ x: b.mx, y: ends.top, width: 1 - 2 * b.mx, height: (ends.bottom - ends.top) * 0.8 }, titleItems(inks, 0.26, b, { gap: 0.04 }), { anchor: 'top', align: 'left' });
      if (!column) return null;
      const place = [{ x: 0.86, y: 0.66 }, { x: 0.5, y: 0.84 }, { x: 0.12, y: 0.7 }][b.s.turn];
      return [ground(tones.ground), symbolAt(b, drawn, { ...place, width: low ? 1.25 : 1.35, height: 1.5 }, colour, { turnRad: [-0.18, 0, 0.16][b.s.turn] }), ...ends.parts, ...column.parts];
    },
  },
  {
    id: 'symbol-pattern',
    name: 'A pattern of symbols about a label',
    group: 'symbol',
    kinds: { story: 2, practical: 3, poems: 2, report: 1 },
    moods: ['playful', 'warm', 'bright', 'tender'],
    asks: { pictures: [0, 0], symbols: 1, letters: [1, 80], longest: 13 },
    turns: 3,
    draw(b) {
      const { tones } = b;
      const pad = 0.06;
      const wide = 0.72;
      const column = b.column({ x: (1 - wide) / 2 + pad, y: 0.2, width: wide - 2 * pad, height: 0.6 }, [
        { role: 'series', colour: tones.accent, size: 0.028, most: 0.2 },
        ...titleItems(b.inks, 0.15, b, { gap: 0.035, subtitle: 0.034 }),
        { role: 'byline', colour: tones.words, size: 0.04, gap: 0.05, most: 0.3 },
      ], { anchor: 'middle' });
      if (!column) return null;
      const { box } = column;
      const plate = { x: (1 - wide) / 2, width: wide, y: box.y - b.high(pad), height: box.height + b.high(2 * pad) };
      const step = 0.2;
      const rows = Math.ceil(b.ratio / step) + 1;
      const copies: Copy[] = [];
      for (let row = 0; row < rows; row++)
        for (let i = 0; i < 6; i++) {
          const [x, y] = [(i + (row % 2) * 0.5) * step, (row + 0.25) * step];
          // What the label covers is not drawn.
          if (x > plate.x + 0.02 && x < plate.x + wide - 0.02 && y > plate.y * b.ratio + 0.02 && y < (plate.y + plate.height) * b.ratio - 0.02) continue;
          copies.push({ x, y, size: 0.115, turnRad: b.s.turn === 0 ? 0 : b.s.turn === 1 ? (row % 2 ? 0.35 : -0.35) : (i + row) % 2 ? Math.PI : 0 });
        }
      const colour = isDark(tones.block) === isDark(tones.onBlock) ? tones.onBlock : mixed(tones.block, tones.onBlock, 0.55);
      return [ground(tones.block), copiesOf(b, b.s.symbols, copies, colour), block('plate', plate, tones.ground), ...column.parts];
    },
  },
  {
    id: 'symbol-in-disc',
    name: 'A symbol cut out of a disc',
    group: 'symbol',
    kinds: { story: 3, practical: 3, poems: 2, report: 2 },
    moods: ['bold', 'calm', 'bright', 'dark', 'warm'],
    asks: { pictures: [0, 0], symbols: 1, letters: [1, 60], ratio: [1.2, 2] },
    turns: 2,
    draw(b) {
      const [drawn] = b.s.symbols;
      const { tones } = b;
      const below = b.s.turn === 0;
      const ends = headAndFoot(b, { head: tones.accent, foot: tones.words });
      if (!ends) return null;
      const size = 0.64;
      const tall = b.high(size);
      const y = below ? ends.top + tall / 2 + b.high(0.02) : ends.bottom - tall / 2 - b.high(0.03);
      const [y0, y1] = below ? [y + tall / 2 + b.high(0.07), ends.bottom] : [ends.top, y - tall / 2 - b.high(0.07)];
      const column = b.column({ x: b.mx, y: y0, width: 1 - 2 * b.mx, height: y1 - y0 }, titleItems(b.inks, 0.19, b, { gap: 0.03 }), { anchor: below ? 'middle' : 'top', tight: true });
      if (!column) return null;
      const disc = { ...newShape({ kind: 'ellipse' }, { area: { x: 0.5 - size / 2, y: y - tall / 2, width: size, height: tall }, colour: figureColour(b) }), id: 'disc' };
      return [ground(tones.ground), disc, symbolAt(b, drawn, { x: 0.5, y, width: size * 0.62 }, tones.ground), ...ends.parts, ...column.parts];
    },
  },
  {
    id: 'symbol-mirrored',
    name: 'A symbol and its reflection, the title between',
    group: 'symbol',
    kinds: { story: 3, practical: 1, poems: 3, report: 1 },
    moods: ['dark', 'grave', 'bold', 'tender'],
    asks: { pictures: [0, 0], symbols: 1, letters: [1, 44], ratio: [1.3, 2] },
    turns: 2,
    draw(b) {
      const [first] = b.s.symbols;
      const { tones } = b;
      const ends = headAndFoot(b, { head: tones.accent, foot: tones.words });
      if (!ends) return null;
      const column = b.column({ x: b.mx, y: 0.36, width: 1 - 2 * b.mx, height: 0.28 }, titleItems(b.inks, 0.19, b, { gap: 0.028 }), { anchor: 'middle', tight: true });
      if (!column) return null;
      const top = column.box.y - b.high(0.05);
      const under = column.box.y + column.box.height + b.high(0.05);
      const room = Math.min(top - ends.top, ends.bottom - under);
      if (room < 0.1) return null;
      const size = { width: 0.52, height: Math.min(0.46, room * b.ratio) };
      const colour = figureColour(b);
      const [upper, lower] = b.s.turn === 0 ? [colour, mixed(tones.ground, colour, 0.4)] : [colour, colour];
      const place = (y: number): { x: number; y: number; width: number; height: number } => ({ x: 0.5, y, ...size });
      return [
        ground(tones.ground),
        symbolAt(b, first, place(top - room / 2), upper),
        symbolAt(b, first, place(under + room / 2), lower, { id: 'reflection', turnRad: Math.PI }),
        ...ends.parts,
        ...column.parts,
      ];
    },
  },
  {
    id: 'symbol-horizon',
    name: 'A small symbol on a wide horizon',
    group: 'symbol',
    kinds: { story: 3, practical: 1, poems: 3, report: 1 },
    moods: ['calm', 'grave', 'tender', 'dark', 'warm'],
    asks: { pictures: [0, 0], symbols: 1, letters: [1, 70] },
    turns: 3,
    draw(b) {
      const [drawn] = b.s.symbols;
      const { tones } = b;
      const head = b.column({ x: b.mx, y: b.my, width: 1 - 2 * b.mx, height: 0.46 }, [
        { role: 'series', colour: tones.accent, size: 0.032 * b.k, most: 0.2 },
        ...titleItems(b.inks, 0.22, b, { gap: 0.035 }),
      ], { anchor: 'top', tight: true });
      if (!head) return null;
      const level = 0.8;
      const size = 0.22;
      if (head.box.y + head.box.height > level - b.high(size + 0.08)) return null;
      const near = isDark(tones.ground) ? mixed(tones.ground, '#000000', 0.55) : mixed(tones.words, tones.block, 0.25);
      const foot = b.line('byline', readableOn(tones.ground, [near], 5), { bottom: 1 - b.my * 0.8 });
      if (!foot || foot.box.y < level + b.high(0.03)) return null;
      const sun = 0.46;
      const x = [0.66, 0.36, 0.5][b.s.turn];
      const disc = { ...newShape({ kind: 'ellipse' }, { area: { x: x - sun / 2, y: level - b.high(sun) * 0.62, width: sun, height: b.high(sun) }, colour: figureColour(b) }), id: 'disc' };
      const tall = b.high(Math.min(size, size / drawn.ratio));
      return [
        ground(tones.ground),
        ...(b.s.turn === 1 ? [] : [disc]),
        block('land', { x: 0, y: level, width: 1, height: 1 - level }, near),
        symbolAt(b, drawn, { x, y: level - tall / 2 + b.high(0.006), width: size, height: size }, near),
        ...head.parts,
        ...foot.parts,
      ];
    },
  },
  {
    id: 'symbol-falling',
    name: 'Many small symbols falling about the title',
    group: 'symbol',
    kinds: { story: 2, practical: 2, poems: 3, report: 1 },
    moods: ['playful', 'tender', 'bright', 'calm', 'warm'],
    asks: { pictures: [0, 0], symbols: 1, letters: [1, 60] },
    turns: 3,
    draw(b) {
      const { tones } = b;
      const ends = headAndFoot(b, { head: tones.accent, foot: tones.words });
      if (!ends) return null;
      const column = b.column({ x: b.mx + 0.03, y: 0.28, width: 0.94 - 2 * b.mx, height: 0.44 }, titleItems(b.inks, 0.21, b, { gap: 0.035 }), { anchor: 'middle' });
      if (!column) return null;
      const random = seeded(101 + b.s.turn);
      const boxes = [column.box, ...[...ends.parts].flatMap((part) => ('area' in part ? [part.area] : []))];
      const copies: Copy[] = [];
      for (let tries = 0; tries < 900 && copies.length < 34; tries++) {
        const size = 0.055 + random() ** 2 * 0.12;
        const [x, y] = [random(), random() * b.ratio];
        const half = size / 2 + 0.022;
        const clear = boxes.every((box) => x + half < box.x || x - half > box.x + box.width || y + half < box.y * b.ratio || y - half > (box.y + box.height) * b.ratio);
        const apart = copies.every((other) => Math.hypot(other.x - x, other.y - y) > (other.size + size) * 0.62);
        if (clear && apart) copies.push({ x, y, size, turnRad: (random() - 0.5) * 1.6 });
      }
      return [ground(tones.ground), copiesOf(b, b.s.symbols, copies, figureColour(b)), ...ends.parts, ...column.parts];
    },
  },
  {
    id: 'symbol-borders',
    name: 'Rows of symbols at head and foot',
    group: 'symbol',
    kinds: { story: 1, practical: 3, poems: 2, report: 2 },
    moods: ['warm', 'playful', 'bright', 'calm'],
    asks: { pictures: [0, 0], symbols: 2, letters: [1, 90] },
    turns: 2,
    draw(b) {
      const { tones } = b;
      const band = 0.155;
      const high = b.high(band);
      const ends = headAndFoot(b, { head: tones.accent, foot: tones.words }, { top: high + b.my * 0.7, bottom: 1 - high - b.my * 0.7 });
      if (!ends) return null;
      const column = b.column({ x: b.mx, y: ends.top, width: 1 - 2 * b.mx, height: ends.bottom - ends.top }, titleItems(b.inks, 0.21, b, { gap: 0.04, keyed: true }), { anchor: 'middle' });
      if (!column) return null;
      const count = b.s.turn === 0 ? 7 : 9;
      const row = (y: number): Copy[] => Array.from({ length: count }, (_, i) => ({ x: (i + 0.5) / count, y, size: band * (b.s.turn === 0 ? 0.6 : 0.46), turnRad: 0 }));
      return [
        ground(tones.ground),
        block('head', { x: 0, y: 0, width: 1, height: high }, tones.block),
        block('foot', { x: 0, y: 1 - high, width: 1, height: high }, tones.block),
        copiesOf(b, b.s.symbols, [...row(band / 2), ...row(b.ratio - band / 2)], tones.onBlock),
        ...ends.parts,
        ...column.parts,
      ];
    },
  },
  {
    id: 'symbol-seal',
    name: 'A small symbol as a seal over a centred title',
    group: 'symbol',
    kinds: { story: 3, practical: 2, poems: 3, report: 3 },
    moods: ['grave', 'calm', 'tender', 'dark', 'warm'],
    asks: { pictures: [0, 0], symbols: 1, letters: [1, 110] },
    turns: 3,
    draw(b) {
      const [drawn] = b.s.symbols;
      const { tones } = b;
      const ends = headAndFoot(b, { head: tones.second, foot: tones.words }, { byline: 0.042 });
      if (!ends) return null;
      const size = 0.26;
      const column = b.column({ x: 0.13, y: ends.top + b.high(size + 0.1), width: 0.74, height: ends.bottom - ends.top - b.high(size + 0.14) }, titleItems(b.inks, 0.15, b, { gap: 0.04, subtitle: 0.036 }), { anchor: 'top', tight: true });
      if (!column) return null;
      // Seal and words stand together in the middle.
      const spare = Math.max(0, ends.bottom - (column.box.y + column.box.height)) / 2.2;
      const moved = column.parts.map((part) => ('area' in part ? { ...part, area: { ...part.area, y: part.area.y + spare } } : part));
      const y = column.box.y + spare - b.high(size / 2 + 0.065);
      const round = b.s.turn === 1;
      const disc = { ...newShape({ kind: 'badge', scallops: 28, ring: true }, { area: { x: 0.5 - size * 0.62, y: y - b.high(size * 0.62), width: size * 1.24, height: b.high(size * 1.24) }, colour: figureColour(b) }), id: 'badge' };
      const lines = b.s.turn === 2 ? [rule('rule-left', { x: 0.13, y, width: 0.2, height: b.high(0.005) }, tones.accent), rule('rule-right', { x: 0.67, y, width: 0.2, height: b.high(0.005) }, tones.accent)] : [];
      return [ground(tones.ground), ...(round ? [disc] : lines), symbolAt(b, drawn, { x: 0.5, y, width: size * (round ? 0.72 : 1) }, round ? readableOn(tones.ground, [figureColour(b)], 3) : tones.accent), ...ends.parts, ...moved];
    },
  },
  {
    id: 'symbol-three',
    name: 'Three symbols in a column beside the words',
    group: 'symbol',
    kinds: { story: 1, practical: 3, poems: 1, report: 3 },
    moods: ['bold', 'bright', 'grave', 'playful'],
    asks: { pictures: [0, 0], symbols: 3, letters: [1, 60], longest: 11 },
    turns: 2,
    draw(b) {
      const { tones } = b;
      const wide = 0.27;
      const left = b.s.turn === 0;
      const x0 = left ? 0 : 1 - wide;
      const x = left ? wide + 0.07 : b.mx;
      const width = 1 - wide - 0.07 - b.mx;
      const ends = headAndFoot(b, { head: tones.accent, foot: tones.words }, { align: 'left', x, width });
      if (!ends) return null;
      const column = b.column({ x, y: ends.top, width, height: ends.bottom - ends.top }, titleItems(b.inks, 0.17, b, { gap: 0.045, subtitle: 0.04 }), { anchor: 'top', align: 'left' });
      if (!column) return null;
      const symbols = b.s.symbols.slice(0, 3).map((drawn, i) => symbolAt(b, drawn, { x: x0 + wide / 2, y: (i + 0.5) / 3, width: wide * 0.62 }, tones.onBlock, { id: `symbol-${i}` }));
      return [ground(tones.ground), block('strip', { x: x0, y: 0, width: wide, height: 1 }, tones.block), ...symbols, ...ends.parts, ...column.parts];
    },
  },
  {
    id: 'symbol-on-field',
    name: 'A symbol where two fields meet, in the colour of each',
    group: 'symbol',
    kinds: { story: 3, practical: 2, poems: 2, report: 3 },
    moods: ['bold', 'grave', 'bright', 'dark'],
    asks: { pictures: [0, 0], symbols: 1, letters: [1, 60] },
    turns: 2,
    draw(b) {
      const [drawn] = b.s.symbols;
      const { tones } = b;
      const level = 0.5;
      const size = 0.5;
      const upper = b.column({ x: b.mx, y: b.my, width: 1 - 2 * b.mx, height: level - b.high(size / 2 + 0.05) - b.my }, [
        { role: 'series', colour: tones.accent, size: 0.03 * b.k, most: 0.2 },
        ...titleItems(b.inks, 0.19, b, { gap: 0.03 }),
      ], { anchor: 'top', tight: true });
      const foot = b.line('byline', tones.onBlock, { bottom: 1 - b.my });
      if (!upper || !foot) return null;
      const shown = symbolAt(b, drawn, { x: b.s.turn === 0 ? 0.5 : 0.68, y: level, width: size }, tones.block);
      const path = readPathData(drawn.d);
      if (!path.ok) return null;
      // Below the line in the colour of the field above; above it, where the field covers that, its upper part in the colour below.
      const share = (level - shown.area.y) / shown.area.height;
      const upperPart = outlineOf(both(regionOf(path.value), rectRegion(0, 0, 1000 * drawn.ratio, 1000 * share)));
      const part = (id: string, d: string, colour: string): PartSeed => ({
        ...newShape({ kind: 'drawn', ratio: drawn.ratio, paths: [{ d, colour: null }] }, { area: shown.area, colour }),
        id,
      });
      const field = block('field', { x: 0, y: 0, width: 1, height: level }, tones.ground);
      return [
        ground(tones.block),
        part('symbol-below', drawn.d, tones.ground),
        field,
        part('symbol', writePathData(upperPart), tones.block),
        ...upper.parts,
        ...foot.parts,
      ];
    },
  },
  {
    id: 'symbol-window',
    name: 'The picture through a symbol',
    group: 'symbol',
    kinds: { story: 2, practical: 2, poems: 2, report: 1 },
    moods: ['bold', 'playful', 'calm', 'tender', 'dark'],
    asks: { pictures: [1, 1], symbols: 1, letters: [1, 60], ungraded: true, picture: (p) => !p.plain && !p.subject.clear },
    turns: 2,
    draw(b) {
      const [drawn] = b.s.symbols;
      const picture = b.s.pictures.find((p) => !p.plain && !p.subject.clear);
      if (!picture) return null;
      const { tones } = b;
      const above = b.s.turn === 0;
      const ends = headAndFoot(b, { head: tones.accent, foot: tones.words });
      if (!ends) return null;
      const share = (ends.bottom - ends.top) * 0.56;
      const [y0, y1] = above ? [ends.top + share + b.high(0.05), ends.bottom] : [ends.top, ends.bottom - share - b.high(0.05)];
      const column = b.column({ x: b.mx, y: y0, width: 1 - 2 * b.mx, height: y1 - y0 }, titleItems(b.inks, 0.19, b, { gap: 0.03 }), { anchor: above ? 'middle' : 'top', tight: true });
      if (!column) return null;
      const y = above ? ends.top + share / 2 : ends.bottom - share / 2;
      const fill = { kind: 'picture', asset: picture.asset, focus: { x: 0.5, y: 0.5 }, zoom: 1 } as const;
      return [ground(tones.ground), symbolAt(b, drawn, { x: 0.5, y, width: 0.8, height: share * b.ratio }, tones.block, { fill }), ...ends.parts, ...column.parts];
    },
  },
]; // prettier-ignore
