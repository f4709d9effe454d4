import { readableOn } from '../../colour';
import { newShape } from '../../cover';
import type { Structure } from '../structure';
import { mixed, toneDistance } from '../tones';
import { ground, headAndFoot, titleItems } from './common';
import { type Copy, copiesOf, figureColour, symbolAt, wordsBeside } from './symbol-parts';

/** Places round an oval, evenly along its line, from its top on; half widths in fractions of the cover's width. */
function roundOval(count: number, rx: number, ry: number): { x: number; y: number; turnRad: number }[] {
  const fine = 1440;
  const at = (i: number): [number, number] => {
    const angle = (i / fine) * 2 * Math.PI;
    return [Math.sin(angle) * rx, -Math.cos(angle) * ry];
  };
  const along = [0];
  for (let i = 1; i <= fine; i++) {
    const [[x0, y0], [x1, y1]] = [at(i - 1), at(i)];
    along.push(along[i - 1] + Math.hypot(x1 - x0, y1 - y0));
  }
  return Array.from({ length: count }, (_, k) => {
    const i = along.findIndex((length) => length >= (k / count) * along[fine]);
    const [x, y] = at(i);
    return { x, y, turnRad: Math.atan2(x / rx ** 2, -y / ry ** 2) };
  });
}

/** Covers on which a symbol stands in a row, a ring, a crowd, or all alone. */
export const SYMBOL_ROWS: readonly Structure[] = [
  {
    id: 'symbol-odd-one',
    name: 'A crowd of symbols, one of them another',
    group: 'symbol',
    kinds: { story: 3, practical: 2, poems: 2, report: 3 },
    moods: ['bold', 'bright', 'grave', 'dark', 'playful'],
    asks: { pictures: [0, 0], symbols: 1, letters: [1, 60] },
    turns: 3,
    draw(b) {
      const [drawn] = b.s.symbols;
      const { tones } = b;
      const words = wordsBeside(b, { share: 0.56, gap: 0.05, size: 0.19 });
      if (!words) return null;
      const across = [5, 4, 6][b.s.turn];
      const wide = 1 - 2 * b.mx;
      const step = wide / across;
      const rows = Math.floor(words.height / step);
      if (rows < 3) return null;
      const [oddRow, oddColumn] = [Math.min(rows - 1, [1, 2, 2][b.s.turn]), [3, 1, 4][b.s.turn]];
      const top = words.y * b.ratio - (rows * step) / 2;
      const places = Array.from({ length: rows * across }, (_, i) => ({
        odd: Math.floor(i / across) === oddRow && i % across === oddColumn,
        x: b.mx + ((i % across) + 0.5) * step,
        y: top + (Math.floor(i / across) + 0.5) * step,
        size: step * 0.72,
        turnRad: 0,
      }));
      const crowd = mixed(tones.ground, tones.words, 0.3);
      const loud = [tones.accent, tones.block, tones.words].find((one) => toneDistance(one, crowd) > 0.25);
      const one = places.find(({ odd }) => odd);
      if (!one || !loud) return null;
      return [
        ground(tones.ground),
        copiesOf(
          b,
          [drawn],
          places.filter(({ odd }) => !odd),
          crowd,
        ),
        symbolAt(b, drawn, { x: one.x, y: one.y / b.ratio, width: one.size * 1.12 }, loud, {
          id: 'symbol-odd',
        }),
        ...words.parts,
      ];
    },
  },
  {
    id: 'symbol-wreath',
    name: 'A wreath of symbols about the title',
    group: 'symbol',
    kinds: { story: 2, practical: 3, poems: 3, report: 1 },
    moods: ['warm', 'tender', 'playful', 'calm', 'bright'],
    asks: { pictures: [0, 0], symbols: 1, letters: [1, 50], longest: 11 },
    turns: 3,
    draw(b) {
      const { tones } = b;
      const ends = headAndFoot(b, { head: tones.accent, foot: tones.words });
      if (!ends) return null;
      const size = [0.125, 0.1, 0.15][b.s.turn];
      const high = (ends.bottom - ends.top) * b.ratio;
      const rx = 0.5 - 0.05 - size / 2;
      const ry = Math.min(high / 2 - size / 2, rx * 1.22);
      if (ry < 0.22) return null;
      const middle = (ends.top + ends.bottom) / 2;
      const [wide, tall] = [(rx - size / 2) * 1.56, (ry - size / 2) * 1.3];
      const column = b.column(
        { x: 0.5 - wide / 2, y: middle - b.high(tall / 2), width: wide, height: b.high(tall) },
        titleItems(b.inks, 0.17, b, { gap: 0.03, subtitle: 0.034 }),
        { anchor: 'middle', tight: true },
      );
      if (!column) return null;
      const round = Math.PI * (rx + ry);
      const count = Math.floor(round / (size * 1.12));
      const copies: Copy[] = roundOval(count, rx, ry).map(({ x, y, turnRad }) => ({
        x: 0.5 + x,
        y: middle * b.ratio + y,
        size,
        turnRad,
      }));
      return [ground(tones.ground), copiesOf(b, b.s.symbols, copies, figureColour(b)), ...ends.parts, ...column.parts];
    },
  },
  {
    id: 'symbol-corners',
    name: 'A symbol in each corner of a frame',
    group: 'symbol',
    kinds: { story: 3, practical: 2, poems: 3, report: 2 },
    moods: ['grave', 'calm', 'tender', 'warm', 'dark'],
    asks: { pictures: [0, 0], symbols: 1, letters: [1, 90] },
    turns: 2,
    draw(b) {
      const [drawn] = b.s.symbols;
      const { tones } = b;
      const [inset, size] = [0.05, b.s.turn === 0 ? 0.2 : 0.15];
      const reach = inset + size * 0.92;
      const [near, far] = [inset + size / 2, 1 - inset - size / 2];
      // The frame runs through the middles of the symbols; words keep off it.
      const edge = near + 0.055;
      const column = b.column(
        { x: edge, y: b.high(reach + 0.07), width: 1 - 2 * edge, height: 1 - 2 * b.high(reach + 0.07) },
        [
          { role: 'series', colour: tones.accent, size: 0.03 * b.k, most: 0.2 },
          ...titleItems(b.inks, 0.18, b, { gap: 0.04, subtitle: 0.038 }),
          { role: 'byline', colour: tones.words, size: 0.042 * b.k * b.s.byline, gap: 0.08, most: 0.3 },
        ],
        { anchor: 'middle', tight: true },
      );
      if (!column) return null;
      const [top, bottom] = [near, b.ratio - near];
      const corners: Copy[] = [
        { x: near, y: top, size, turnRad: 0 },
        { x: far, y: top, size, turnRad: 0, mirrored: true },
        { x: near, y: bottom, size, turnRad: 0 },
        { x: far, y: bottom, size, turnRad: 0, mirrored: true },
      ];
      const line = (id: string, x: number, y: number, width: number, height: number) => ({
        ...newShape(
          { kind: 'rectangle', radius: 0 },
          { area: { x, y: y / b.ratio, width, height: height / b.ratio }, colour: tones.accent, role: 'rule' },
        ),
        id,
      });
      const thin = 0.005;
      const [across, down] = [1 - 2 * (reach + 0.02), b.ratio - 2 * (reach + 0.02)];
      return [
        ground(tones.ground),
        line('frame-top', reach + 0.02, near - thin / 2, across, thin),
        line('frame-foot', reach + 0.02, b.ratio - near - thin / 2, across, thin),
        line('frame-left', near - thin / 2, reach + 0.02, thin, down),
        line('frame-right', far - thin / 2, reach + 0.02, thin, down),
        copiesOf(b, [drawn], corners, figureColour(b)),
        ...column.parts,
      ];
    },
  },
  {
    id: 'symbol-growing',
    name: 'A symbol that grows along a line',
    group: 'symbol',
    kinds: { story: 1, practical: 3, poems: 2, report: 3 },
    moods: ['bright', 'bold', 'calm', 'playful', 'warm'],
    asks: { pictures: [0, 0], symbols: 1, letters: [1, 70] },
    turns: 2,
    draw(b) {
      const [drawn] = b.s.symbols;
      const { tones } = b;
      const ends = headAndFoot(b, { head: tones.accent, foot: tones.words }, { align: 'left' });
      if (!ends) return null;
      const wide = 1 - 2 * b.mx;
      const count = b.s.turn === 0 ? 5 : 4;
      const times = b.s.turn === 0 ? 1.5 : 1.7;
      const gap = 0.025;
      // Widths of a geometric row that fills the line.
      const first = ((wide - gap * (count - 1)) * (times - 1)) / (times ** count - 1);
      const level = ends.bottom - b.high(0.02);
      const tallest = b.high((first * times ** (count - 1)) / drawn.ratio);
      if (tallest > 0.46) return null;
      const column = b.column(
        { x: b.mx, y: ends.top, width: wide, height: level - tallest - b.high(0.05) - ends.top },
        titleItems(b.inks, 0.22, b, { gap: 0.035 }),
        { anchor: 'top', align: 'left', tight: true },
      );
      if (!column) return null;
      const figure = figureColour(b);
      let x = b.mx;
      const row = Array.from({ length: count }, (_, i) => {
        const width = first * times ** i;
        const middle = x + width / 2;
        x += width + gap;
        const tall = b.high(width / drawn.ratio);
        const colour = mixed(tones.ground, figure, 0.42 + (0.58 * (i + 1)) / count);
        return symbolAt(b, drawn, { x: middle, y: level - tall / 2, width, height: width / drawn.ratio }, colour, {
          id: `symbol-${i}`,
        });
      });
      return [ground(tones.ground), ...row, ...ends.parts, ...column.parts];
    },
  },
  {
    id: 'symbol-echo',
    name: 'A symbol within its own echoes',
    group: 'symbol',
    kinds: { story: 3, practical: 2, poems: 3, report: 2 },
    moods: ['bold', 'bright', 'playful', 'dark', 'calm'],
    asks: { pictures: [0, 0], symbols: 1, letters: [1, 60] },
    turns: 2,
    draw(b) {
      const [drawn] = b.s.symbols;
      const { tones } = b;
      const figure = figureColour(b);
      const sizes = [1.7, 1.24, 0.84, 0.5];
      const rings = [0.1, 0.22, 0.4, 1].map((share) => mixed(tones.ground, figure, share));
      const under = [tones.ground, rings[0], rings[1]];
      const inks = {
        words: readableOn(tones.words, under, 6),
        second: readableOn(tones.second, under, 4.8),
        accent: readableOn(tones.accent, under, 4.8),
      };
      const above = b.s.turn === 1;
      const ends = headAndFoot(b, { head: inks.accent, foot: inks.words });
      if (!ends) return null;
      const share = 0.46;
      const room = (ends.bottom - ends.top) * share;
      const [y0, y1] = above ? [ends.top, ends.bottom - room] : [ends.top + room, ends.bottom];
      const column = b.column(
        { x: b.mx, y: y0, width: 1 - 2 * b.mx, height: y1 - y0 },
        titleItems(inks, 0.2, b, { gap: 0.03 }),
        { anchor: above ? 'top' : 'bottom', tight: true },
      );
      if (!column) return null;
      const y = above ? ends.bottom - room / 2 : ends.top + room / 2;
      return [
        ground(tones.ground),
        ...sizes.map((size, i) =>
          symbolAt(b, drawn, { x: 0.5, y, width: size * 0.86, height: size }, rings[i], { id: `symbol-${i}` }),
        ),
        ...ends.parts,
        ...column.parts,
      ];
    },
  },
  {
    id: 'symbol-alone',
    name: 'A very small symbol, alone on a wide ground',
    group: 'symbol',
    kinds: { story: 3, practical: 0, poems: 3, report: 2 },
    moods: ['grave', 'calm', 'tender', 'dark'],
    asks: { pictures: [0, 0], symbols: 1, letters: [1, 70] },
    turns: 3,
    draw(b) {
      const [drawn] = b.s.symbols;
      const { tones } = b;
      const column = b.column(
        { x: b.mx, y: b.my, width: 0.74, height: 0.42 },
        [
          { role: 'byline', colour: tones.words, size: 0.042 * b.k * b.s.byline, most: 0.3 },
          ...titleItems(b.inks, 0.14, b, { gap: 0.045, subtitle: 0.036 }).map((item, i) =>
            i === 0 ? { ...item, gap: 0.05 } : item,
          ),
        ],
        { anchor: 'top', align: 'left', tight: true },
      );
      const foot = b.line('series', tones.accent, { bottom: 1 - b.my }, { align: 'left' });
      if (!column || !foot) return null;
      const [x, y] = [
        [0.76, 0.78],
        [0.5, 0.72],
        [0.24, 0.7],
      ][b.s.turn];
      const size = 0.17;
      const under = column.box.y + column.box.height;
      // Alone is what has far more room than it needs.
      if (y - b.high(size) < under + b.high(0.12)) return null;
      return [
        ground(tones.ground),
        symbolAt(b, drawn, { x, y, width: size }, figureColour(b)),
        ...column.parts,
        ...foot.parts,
      ];
    },
  },
];
