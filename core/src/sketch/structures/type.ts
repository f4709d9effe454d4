import { readableOn } from '../../colour';
import { type PartSeed, type WordsPart, newShape, newWords } from '../../cover';
import type { Board } from '../board';
import type { Structure } from '../structure';
import { isDark, mixed } from '../tones';
import { block, ground, headAndFoot, rule, titleItems, turned } from './common';

/** The publisher's mark, small, where there is one. */
export function markAt(b: Board, x: number, y: number, width: number, colour: string): PartSeed[] {
  const { mark } = b.s;
  if (!mark) return [];
  return [{ ...newShape(mark, { area: { x, y, width, height: b.high(width) }, colour, role: 'mark' }), id: 'mark' }];
}

/** One great sign in the title face, as large as its place allows. */
function figure(b: Board, says: WordsPart['says'], area: { x: number; y: number; width: number; height: number }, colour: string): PartSeed {
  return {
    ...newWords({
      role: 'free',
      says,
      area,
      cut: b.s.pair.title,
      colour,
      maxSize: 2,
      leading: 1,
    }),
    id: 'figure',
  };
} // prettier-ignore

/** Letters that are a mere stroke when they are the figure. */
const NARROW = /^[IÍÌÎÏĪİJ1ΙІ]$/;

/** Covers of type alone. */
export const TYPE: readonly Structure[] = [
  {
    id: 'stacked',
    name: 'The words stacked to one width',
    group: 'type',
    kinds: { story: 2, practical: 3, poems: 2, report: 1 },
    moods: ['bold', 'bright', 'playful', 'warm'],
    asks: { pictures: [0, 0], words: [2, 9], letters: [4, 54], longest: 14, weight: ['heavy', 'even'], leftToRight: true },
    turns: 2,
    draw(b) {
      const { tones } = b;
      const ends = headAndFoot(b, { head: tones.accent, foot: tones.words }, { swap: b.s.turn === 1 });
      if (!ends) return null;
      const column = b.column(
        { x: b.mx, y: ends.top, width: 1 - 2 * b.mx, height: ends.bottom - ends.top },
        titleItems(b.inks, 1.2, b, {
          title: { justified: true, upper: true, leading: 0.92, minor: null },
          gap: 0.055,
          keyed: true,
        }),
        { anchor: b.s.turn === 0 ? 'middle' : 'top' },
      );
      // At the head it must fill most of the cover, or the rest is bare.
      if (column && b.s.turn === 1 && column.box.height < (ends.bottom - ends.top) * 0.6) return null;
      return column && [ground(tones.ground), ...ends.parts, ...column.parts];
    },
  }, // prettier-ignore
  {
    id: 'small-centred',
    name: 'A small centred title in wide margins',
    group: 'type',
    kinds: { story: 2, practical: 1, poems: 3, report: 2 },
    moods: ['calm', 'grave', 'tender', 'dark'],
    asks: { pictures: [0, 0], letters: [1, 320] },
    turns: 3,
    draw(b) {
      const { tones } = b;
      const ends = headAndFoot(b, { head: tones.second, foot: tones.words }, { byline: 0.04 });
      if (!ends) return null;
      const x = 0.15;
      const column = b.column(
        { x, y: ends.top + 0.02, width: 1 - 2 * x, height: (ends.bottom - ends.top) * 0.86 },
        titleItems(b.inks, 0.135, b, { gap: 0.12, subtitle: 0.036 }),
        { anchor: 'middle' },
      );
      if (!column) return null;
      const title = column.parts[0];
      const ornament = (['diamond', 'leaf', 'line'] as const)[b.s.turn];
      const parts: PartSeed[] = [ground(tones.ground), ...ends.parts, ...column.parts];
      if (b.has('subtitle') && 'area' in title) {
        const under = column.parts[1];
        const y = under && 'area' in under ? under.area.y : 0;
        parts.push({
          ...newShape({ kind: 'divider', ornament }, { area: { x: 0.36, y: y - b.high(0.078), width: 0.28, height: b.high(0.036) }, colour: tones.accent }),
          id: 'divider',
        });
      } else
        parts.push({
          ...newShape({ kind: 'divider', ornament }, { area: { x: 0.36, y: column.box.y - b.high(0.11), width: 0.28, height: b.high(0.04) }, colour: tones.accent }),
          id: 'divider',
        });
      return [...parts, ...(ends.bottom < 0.9 ? markAt(b, 0.46, ends.bottom - b.high(0.1), 0.08, tones.accent) : [])];
    },
  }, // prettier-ignore
  {
    id: 'great-initial',
    name: 'A great initial as the figure',
    group: 'type',
    kinds: { story: 2, practical: 1, poems: 3, report: 2 },
    moods: ['grave', 'bold', 'tender', 'calm'],
    asks: {
      pictures: [0, 0],
      letters: [1, 110],
      weight: ['heavy'],
      also: (f) => f.initial !== '' && !NARROW.test(f.initial),
    },
    turns: 2,
    draw(b) {
      const { tones } = b;
      const left = b.s.turn === 0;
      const align = left ? 'left' : 'centre';
      const foot = b.line('byline', tones.words, { bottom: 1 - b.my * 0.9 }, { align });
      if (!foot) return null;
      const end = foot.parts.length > 0 ? foot.box.y - b.high(0.045) : 1 - b.my;
      const y = 0.57;
      const column = b.column(
        { x: b.mx, y, width: 1 - 2 * b.mx, height: end - y - 0.02 },
        titleItems(b.inks, 0.135, b, { gap: 0.03 }),
        { anchor: 'top', align },
      );
      const head = b.line('series', tones.second, { top: b.my * 0.9 }, { align });
      if (!column || !head) return null;
      const top = head.parts.length > 0 ? head.box.y + head.box.height + b.high(0.05) : b.my * 0.9;
      const area = { x: b.mx, y: top, width: 1 - 2 * b.mx, height: y - top - b.high(0.08) };
      const sign = {
        ...figure(b, { kind: 'own', text: b.s.facts.initial }, area, tones.accent),
        align,
        alignY: 'bottom',
      } as PartSeed;
      return [ground(tones.ground), sign, ...head.parts, ...column.parts, ...foot.parts];
    },
  },
  {
    id: 'turned-title',
    name: 'The title turned and as large as the cover is tall',
    group: 'type',
    kinds: { story: 2, practical: 1, poems: 2, report: 2 },
    moods: ['bold', 'grave', 'dark', 'playful'],
    asks: { pictures: [0, 0], letters: [2, 30], leftToRight: true },
    turns: 2,
    draw(b) {
      const { tones } = b;
      const left = b.s.turn === 0;
      const wide = b.has('subtitle') ? 0.46 : 0.6;
      const area = { x: left ? b.mx * 0.8 : 1 - b.mx * 0.8 - wide, y: b.my, width: wide, height: 1 - 2 * b.my };
      const title = turned(b, 'title', tones.words, area, left ? 'up' : 'down', 0.5);
      if (!title) return null;
      const x = left ? area.x + wide + 0.06 : b.mx;
      const width = left ? 1 - b.mx - x : area.x - 0.06 - x;
      const align = left ? ('right' as const) : ('left' as const);
      const place = { align, x, width };
      const foot = b.line('byline', tones.words, { bottom: 1 - b.my }, { ...place, size: 0.044 });
      const head = b.line('series', tones.accent, { top: b.my }, place);
      if (!foot || !head) return null;
      const y = head.parts.length > 0 ? head.box.y + head.box.height + b.high(0.06) : b.my;
      const sub = b.column(
        { x, y, width, height: 0.5 },
        [{ role: 'subtitle', colour: tones.second, size: 0.042 * b.k, most: 1 }],
        { anchor: 'top', align },
      );
      return sub && [ground(tones.ground), ...title.parts, ...head.parts, ...sub.parts, ...foot.parts];
    },
  },
  {
    id: 'label-on-pattern',
    name: 'A label on a pattern',
    group: 'type',
    kinds: { story: 1, practical: 2, poems: 3, report: 1 },
    moods: ['playful', 'warm', 'tender', 'bright', 'calm'],
    asks: { pictures: [0, 0], letters: [1, 130], longest: 14 },
    turns: 5,
    draw(b) {
      const { tones } = b;
      const motif = (['leaves', 'diamonds', 'waves', 'dots', 'checks'] as const)[b.s.turn];
      const wide = 0.68;
      const pad = 0.075;
      const column = b.column(
        { x: (1 - wide) / 2 + pad, y: 0.16, width: wide - 2 * pad, height: 0.64 },
        [
          { role: 'series', colour: tones.second, size: 0.027, most: 0.2 },
          ...titleItems(b.inks, 0.14, b, { gap: 0.04, subtitle: 0.035 }),
          { role: 'byline', colour: tones.accent, size: 0.036, gap: 0.06, most: 0.3 },
        ],
        { anchor: 'middle' },
      );
      if (!column) return null;
      const { box } = column;
      const area = { x: (1 - wide) / 2, width: wide, y: box.y - b.high(pad), height: box.height + b.high(2 * pad) };
      const inset = 0.02;
      const line = { x: area.x + inset, width: wide - 2 * inset, y: area.y + b.high(inset), height: area.height - b.high(2 * inset) };
      const back = mixed(tones.block, tones.ground, 0.15);
      return [
        { ...ground(back), paint: { kind: 'pattern', motif, colour: mixed(tones.accent, back, 0.35), back, size: [0.16, 0.11, 0.075, 0.07, 0.1][b.s.turn], angleRad: 0 } } as PartSeed,
        block('plate', area, tones.ground),
        { ...newShape({ kind: 'frame', thick: 0.006, corner: 'square', size: 0.05, double: false }, { area: line, colour: tones.accent }), id: 'frame' },
        ...column.parts,
      ];
    },
  }, // prettier-ignore
  {
    id: 'ornamental-frame',
    name: 'An ornamental frame with dividers',
    group: 'type',
    kinds: { story: 3, practical: 1, poems: 3 },
    moods: ['grave', 'warm', 'tender', 'dark'],
    asks: { pictures: [0, 0], letters: [1, 320] },
    turns: 4,
    draw(b) {
      const { tones } = b;
      const corner = (['scooped', 'stepped', 'cut', 'round'] as const)[b.s.turn];
      const inset = 0.05;
      const area = { x: inset, y: b.high(inset), width: 1 - 2 * inset, height: 1 - b.high(2 * inset) };
      const ends = headAndFoot(b, { head: tones.accent, foot: tones.words }, { top: b.high(0.125), bottom: 1 - b.high(0.125), x: 0.16, width: 0.68, byline: 0.042 });
      if (!ends) return null;
      const column = b.column(
        { x: 0.14, y: ends.top + 0.02, width: 0.72, height: ends.bottom - ends.top - 0.04 },
        titleItems(b.inks, 0.18, b, { gap: 0.13, subtitle: 0.038 }),
        { anchor: 'middle' },
      );
      if (!column) return null;
      const under = column.parts[1];
      const y = under && 'area' in under ? under.area.y - b.high(0.085) : column.box.y + column.box.height + b.high(0.05);
      const ornament = (['leaf', 'diamond', 'double', 'wave'] as const)[b.s.turn];
      return [
        ground(tones.ground),
        { ...newShape({ kind: 'frame', thick: 0.007, corner, size: 0.09, double: true }, { area, colour: tones.accent }), id: 'frame' },
        { ...newShape({ kind: 'divider', ornament }, { area: { x: 0.35, y, width: 0.3, height: b.high(0.04) }, colour: tones.accent }), id: 'divider' },
        ...ends.parts,
        ...column.parts,
      ];
    },
  }, // prettier-ignore
  {
    id: 'type-grid',
    name: 'A strict grid of type and rules',
    group: 'type',
    kinds: { story: 1, practical: 2, poems: 2, report: 3 },
    moods: ['grave', 'bright', 'calm', 'bold'],
    asks: { pictures: [0, 0], letters: [1, 320] },
    turns: 2,
    draw(b) {
      const { tones } = b;
      const high = b.s.turn === 0;
      const x = b.mx;
      const width = 1 - 2 * x;
      const line = b.high(0.008);
      const byline = b.line('byline', tones.words, high ? { bottom: 1 - b.my } : { top: b.my + b.high(0.035) }, { align: 'left', size: 0.042, x, width: width * 0.62, style: { upper: false, tracking: 0 } });
      const series = b.line('series', tones.accent, { bottom: 1 - b.my }, { align: 'right', size: 0.028, x: high ? x + width * 0.66 : x, width: high ? width * 0.34 : width, style: { upper: false, tracking: 0, align: 'left' } });
      if (!byline || !series) return null;
      const feet = [series, ...(high ? [byline] : [])].filter((c) => c.parts.length > 0).map((c) => c.box.y);
      const bottom = Math.min(1 - b.my, ...feet) - b.high(0.05);
      const top = high || byline.parts.length === 0 ? b.my + b.high(0.045) : byline.box.y + byline.box.height + b.high(0.09);
      const column = b.column(
        { x, y: top, width, height: bottom - top },
        titleItems(b.inks, 0.21, b, { gap: 0.06, subtitle: 0.042, measure: 0.72, title: { align: 'left' } }),
        { anchor: high ? 'top' : 'bottom', align: 'left' },
      );
      if (!column) return null;
      return [
        ground(tones.ground),
        rule('rule-top', { x, y: high ? b.my : top - b.high(0.045), width, height: line * 1.6 }, tones.accent),
        ...(feet.length > 0 ? [rule('rule-foot', { x, y: bottom + b.high(0.03), width, height: line * 0.5 }, tones.accent)] : []),
        ...column.parts,
        ...byline.parts,
        ...series.parts,
      ];
    },
  }, // prettier-ignore
  {
    id: 'two-grounds',
    name: 'Two grounds, the title on one and the author on the other',
    group: 'type',
    kinds: { story: 2, practical: 2, poems: 2, report: 3 },
    moods: ['bold', 'bright', 'calm', 'playful'],
    asks: { pictures: [0, 0], letters: [1, 320] },
    turns: 3,
    draw(b) {
      const { tones } = b;
      const at = [0.62, 0.38, 0.74][b.s.turn];
      const words = b.s.turn === 1 ? 'below' : 'above';
      const pad = b.my;
      const [y0, y1] = words === 'above' ? [pad, at - pad * 0.7] : [at + pad * 0.7, 1 - pad];
      const align = b.s.turn === 0 ? 'left' : 'centre';
      const column = b.column(
        { x: b.mx, y: y0, width: 1 - 2 * b.mx, height: y1 - y0 },
        [
          { role: 'series', colour: tones.accent, size: 0.032 * b.k, most: 0.2 },
          ...titleItems(b.inks, 0.25, b, { gap: 0.04, keyed: true }),
        ],
        { anchor: words === 'above' ? 'bottom' : 'top', align },
      );
      const byline = b.line('byline', tones.onBlock, words === 'above' ? { top: at + pad * 0.7 } : { bottom: at - pad * 0.7 }, { align, size: 0.056 });
      if (!column || !byline) return null;
      const area = words === 'above' ? { x: 0, y: at, width: 1, height: 1 - at } : { x: 0, y: 0, width: 1, height: at };
      return [ground(tones.ground), block('block', area, tones.block), ...column.parts, ...byline.parts];
    },
  }, // prettier-ignore
  {
    id: 'great-number',
    name: 'The number in the series as the figure',
    group: 'type',
    kinds: { story: 3, practical: 2, report: 2, poems: 1 },
    moods: ['bold', 'dark', 'grave', 'bright'],
    asks: { pictures: [0, 0], letters: [1, 60], weight: ['heavy'], series: true },
    turns: 2,
    draw(b) {
      const { tones } = b;
      if (b.s.brief.seriesNumber === null) return null;
      const ends = headAndFoot(b, { head: tones.words, foot: tones.words });
      if (!ends) return null;
      const above = b.s.turn === 0;
      const [y0, y1] = above ? [0.6, ends.bottom] : [ends.top, 0.4];
      const column = b.column(
        { x: b.mx, y: y0, width: 1 - 2 * b.mx, height: y1 - y0 },
        titleItems(b.inks, 0.17, b, { gap: 0.03 }),
        { anchor: above ? 'top' : 'bottom' },
      );
      if (!column) return null;
      const gap = b.high(0.05);
      const [a, z] = above ? [ends.top, y0 - gap] : [y1 + gap, ends.bottom];
      const sign = figure(
        b,
        { kind: 'brief', field: 'number' },
        { x: b.mx, y: a, width: 1 - 2 * b.mx, height: z - a },
        tones.accent,
      );
      return [ground(tones.ground), sign, ...ends.parts, ...column.parts];
    },
  },
  {
    id: 'inverted-plate',
    name: 'A great plate of colour with a border of ground',
    group: 'type',
    kinds: { story: 2, practical: 2, poems: 2, report: 2 },
    moods: ['bold', 'warm', 'dark', 'tender'],
    asks: { pictures: [0, 0], letters: [1, 320] },
    turns: 2,
    draw(b) {
      const { tones } = b;
      const inset = 0.055;
      const area = { x: inset, y: b.high(inset), width: 1 - 2 * inset, height: 1 - b.high(2 * inset) };
      const inks = b.blockInks;
      const ends = headAndFoot(b, { head: inks.accent, foot: inks.words }, { top: b.high(0.13), bottom: 1 - b.high(0.13), x: 0.14, width: 0.72 });
      if (!ends) return null;
      const align = b.s.turn === 0 ? 'centre' : 'left';
      const column = b.column(
        { x: 0.13, y: ends.top, width: 0.74, height: (ends.bottom - ends.top) * 0.92 },
        titleItems(inks, 0.2, b, { gap: 0.045, keyed: true }),
        { anchor: 'middle', align },
      );
      const border = isDark(tones.ground) === isDark(tones.block) ? readableOn(tones.accent, [tones.block], 2) : tones.ground;
      return column && [ground(border), block('plate', area, tones.block), ...ends.parts, ...column.parts];
    },
  }, // prettier-ignore
];
