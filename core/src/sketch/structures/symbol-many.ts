import { seeded } from '../../base';
import type { Structure } from '../structure';
import { isDark, mixed } from '../tones';
import { block, ground, headAndFoot, titleItems } from './common';
import { type Copy, copiesOf, figureColour, symbolAt } from './symbol-parts';

/** Covers with many symbols that the words bring to mind. */
export const SYMBOL_MANY: readonly Structure[] = [
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
      const column = b.column(
        { x: (1 - wide) / 2 + pad, y: 0.2, width: wide - 2 * pad, height: 0.6 },
        [
          { role: 'series', colour: tones.accent, size: 0.028, most: 0.2 },
          ...titleItems(b.inks, 0.15, b, { gap: 0.035, subtitle: 0.034 }),
          { role: 'byline', colour: tones.words, size: 0.04, gap: 0.05, most: 0.3 },
        ],
        { anchor: 'middle' },
      );
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
          if (
            x > plate.x + 0.02 &&
            x < plate.x + wide - 0.02 &&
            y > plate.y * b.ratio + 0.02 &&
            y < (plate.y + plate.height) * b.ratio - 0.02
          )
            continue;
          copies.push({
            x,
            y,
            size: 0.115,
            turnRad: b.s.turn === 0 ? 0 : b.s.turn === 1 ? (row % 2 ? 0.35 : -0.35) : (i + row) % 2 ? Math.PI : 0,
          });
        }
      const colour =
        isDark(tones.block) === isDark(tones.onBlock) ? tones.onBlock : mixed(tones.block, tones.onBlock, 0.55);
      return [
        ground(tones.block),
        copiesOf(b, b.s.symbols, copies, colour),
        block('plate', plate, tones.ground),
        ...column.parts,
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
      const column = b.column(
        { x: b.mx + 0.03, y: 0.28, width: 0.94 - 2 * b.mx, height: 0.44 },
        titleItems(b.inks, 0.21, b, { gap: 0.035 }),
        { anchor: 'middle' },
      );
      if (!column) return null;
      const random = seeded(101 + b.s.turn);
      const boxes = [column.box, ...[...ends.parts].flatMap((part) => ('area' in part ? [part.area] : []))];
      const copies: Copy[] = [];
      for (let tries = 0; tries < 900 && copies.length < 34; tries++) {
        const size = 0.055 + random() ** 2 * 0.12;
        const [x, y] = [random(), random() * b.ratio];
        const half = size / 2 + 0.022;
        const clear = boxes.every(
          (box) =>
            x + half < box.x ||
            x - half > box.x + box.width ||
            y + half < box.y * b.ratio ||
            y - half > (box.y + box.height) * b.ratio,
        );
        const apart = copies.every((other) => Math.hypot(other.x - x, other.y - y) > (other.size + size) * 0.62);
        if (clear && apart) copies.push({ x, y, size, turnRad: (random() - 0.5) * 0.9 });
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
      const ends = headAndFoot(
        b,
        { head: tones.accent, foot: tones.words },
        { top: high + b.my * 0.7, bottom: 1 - high - b.my * 0.7 },
      );
      if (!ends) return null;
      const column = b.column(
        { x: b.mx, y: ends.top, width: 1 - 2 * b.mx, height: ends.bottom - ends.top },
        titleItems(b.inks, 0.21, b, { gap: 0.04, keyed: true }),
        { anchor: 'middle' },
      );
      if (!column) return null;
      const count = b.s.turn === 0 ? 7 : 9;
      const row = (y: number): Copy[] =>
        Array.from({ length: count }, (_, i) => ({
          x: (i + 0.5) / count,
          y,
          size: band * (b.s.turn === 0 ? 0.6 : 0.46),
          turnRad: 0,
        }));
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
      const column = b.column(
        { x, y: ends.top, width, height: ends.bottom - ends.top },
        titleItems(b.inks, 0.17, b, { gap: 0.045, subtitle: 0.04 }),
        { anchor: 'top', align: 'left' },
      );
      if (!column) return null;
      const symbols = b.s.symbols.slice(0, 3).map((drawn, i) =>
        symbolAt(b, drawn, { x: x0 + wide / 2, y: (i + 0.5) / 3, width: wide * 0.62 }, tones.onBlock, {
          id: `symbol-${i}`,
        }),
      );
      return [
        ground(tones.ground),
        block('strip', { x: x0, y: 0, width: wide, height: 1 }, tones.block),
        ...symbols,
        ...ends.parts,
        ...column.parts,
      ];
    },
  },
];
