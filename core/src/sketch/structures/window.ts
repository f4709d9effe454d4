import { type PartSeed, newOverlay } from '../../cover';
import type { Board } from '../board';
import type { Structure } from '../structure';
import { isDark, mixed } from '../tones';
import { block, ground, headAndFoot, pictureIn, rule, shaded, titleItems, twoTone } from './common';

type Half = 'above' | 'below';

/** A picture over one end of the cover, the words on ground at the other. */
function halved(b: Board, half: Half, share: number, align: 'left' | 'centre'): PartSeed[] | null {
  const [picture] = b.s.pictures;
  const { tones } = b;
  const frame = { x: 0, y: half === 'above' ? 0 : 1 - share, width: 1, height: share };
  const pad = b.my * 0.8;
  const [y0, y1] = half === 'above' ? [share + pad, 1 - b.my * 0.9] : [b.my * 0.9, 1 - share - pad];
  const byline = b.line('byline', tones.words, { bottom: y1 }, { align, size: 0.046 });
  if (!byline) return null;
  const end = byline.parts.length > 0 ? byline.box.y - b.high(0.045) : y1;
  const column = b.column(
    { x: b.mx, y: y0, width: 1 - 2 * b.mx, height: end - y0 },
    [
      { role: 'series', colour: tones.accent, size: 0.03 * b.k, most: 0.2 },
      ...titleItems(b.inks, 0.2, b, { gap: 0.03, keyed: align === 'left' }),
    ],
    { anchor: half === 'above' ? 'middle' : 'top', align },
  );
  const edge = { x: 0, width: 1, height: b.high(0.016), y: half === 'above' ? share : 1 - share - b.high(0.016) };
  return (
    column && [
      ground(tones.ground),
      pictureIn(b, picture, frame),
      block('edge', edge, tones.accent),
      ...column.parts,
      ...byline.parts,
    ]
  );
}

/** Covers with a picture in a part of them. */
export const WINDOW: readonly Structure[] = [
  {
    id: 'picture-above',
    name: 'Picture above, words on a ground below',
    group: 'window',
    kinds: { story: 1, practical: 3, poems: 1, report: 3 },
    moods: ['warm', 'bright', 'calm', 'playful'],
    asks: { pictures: [1, 1], letters: [1, 320], picture: (p) => !p.plain },
    turns: 2,
    draw: (b) =>
      halved(
        b,
        'above',
        b.s.facts.letters > 120 ? 0.3 : b.s.facts.letters > 60 ? 0.42 : 0.52,
        b.s.turn === 0 ? 'centre' : 'left',
      ),
  },
  {
    id: 'picture-below',
    name: 'Words on a ground above, picture below',
    group: 'window',
    kinds: { story: 1, practical: 3, poems: 2, report: 3 },
    moods: ['calm', 'bright', 'grave', 'warm'],
    asks: { pictures: [1, 1], letters: [1, 320], picture: (p) => !p.plain },
    turns: 2,
    draw: (b) =>
      halved(
        b,
        'below',
        b.s.facts.letters > 120 ? 0.3 : b.s.facts.letters > 60 ? 0.42 : 0.5,
        b.s.turn === 0 ? 'left' : 'centre',
      ),
  },
  {
    id: 'halves',
    name: 'Two halves side by side, one of words and one of picture',
    group: 'window',
    kinds: { story: 1, practical: 2, poems: 2, report: 3 },
    moods: ['grave', 'calm', 'bold', 'bright'],
    asks: { pictures: [1, 1], letters: [1, 60], longest: 10, picture: (p) => !p.plain },
    turns: 2,
    draw(b) {
      const [picture] = b.s.pictures;
      const { tones } = b;
      const wide = b.ratio < 1.3 ? 0.5 : 0.56;
      const words = b.s.turn === 0 ? 0 : 1 - wide;
      const x = words + 0.06;
      const width = wide - 0.11;
      const ends = headAndFoot(b, { head: tones.accent, foot: tones.words }, { align: 'left', x, width, byline: 0.04 });
      if (!ends) return null;
      const column = b.column(
        { x, y: ends.top, width, height: ends.bottom - ends.top },
        titleItems(b.inks, 0.16, b, { gap: 0.05, subtitle: 0.036 }),
        { anchor: 'top', align: 'left' },
      );
      const frame = { x: b.s.turn === 0 ? wide : 0, y: 0, width: 1 - wide, height: 1 };
      return column && [ground(tones.ground), pictureIn(b, picture, frame), ...ends.parts, ...column.parts];
    },
  },
  {
    id: 'wide-margins',
    name: 'A small picture in wide margins',
    group: 'window',
    kinds: { story: 2, practical: 1, poems: 3, report: 2 },
    moods: ['calm', 'grave', 'tender'],
    asks: { pictures: [1, 1], letters: [1, 110], picture: (p) => !p.plain },
    turns: 2,
    draw(b) {
      const [picture] = b.s.pictures;
      const { tones } = b;
      const x = 0.17;
      const width = 1 - 2 * x;
      const tall = b.high(b.ratio > 1.3 ? 0.62 : 0.4);
      const y = b.s.turn === 0 ? 0.13 : 0.87 - tall;
      const foot = b.line('byline', tones.words, b.s.turn === 0 ? { bottom: 0.915 } : { top: 0.07 }, { size: 0.036 });
      if (!foot) return null;
      const [y0, y1] =
        b.s.turn === 0
          ? [y + tall + b.high(0.06), foot.box.y - b.high(0.04)]
          : [foot.box.y + foot.box.height + b.high(0.06), y - b.high(0.06)];
      const column = b.column(
        { x: x * 0.8, y: y0, width: 1 - 1.6 * x, height: y1 - y0 },
        [
          ...titleItems(b.inks, 0.12, b, { gap: 0.03, subtitle: 0.034 }),
          { role: 'series', colour: tones.accent, size: 0.027, gap: 0.045, most: 0.2 },
        ],
        { anchor: b.s.turn === 0 ? 'top' : 'middle' },
      );
      return (
        column && [
          ground(tones.ground),
          pictureIn(b, picture, { x, y, width, height: tall }),
          ...foot.parts,
          ...column.parts,
        ]
      );
    },
  },
  {
    id: 'mat',
    name: 'The picture mounted with a mat, words under it',
    group: 'window',
    kinds: { story: 2, practical: 2, poems: 3, report: 2 },
    moods: ['grave', 'calm', 'warm', 'tender', 'dark'],
    asks: { pictures: [1, 1], letters: [1, 110], picture: (p) => !p.plain },
    turns: 2,
    draw(b) {
      const [picture] = b.s.pictures;
      const { tones } = b;
      const margin = 0.06;
      const foot = b.line('byline', tones.accent, { bottom: 1 - b.high(margin) }, { size: 0.04 });
      if (!foot) return null;
      const end = foot.parts.length > 0 ? foot.box.y - b.high(0.06) : 1 - b.high(margin);
      const column = b.column(
        { x: b.mx, y: 0.5, width: 1 - 2 * b.mx, height: end - 0.5 },
        [
          { role: 'series', colour: tones.accent, size: 0.028, most: 0.2 },
          ...titleItems(b.inks, 0.15, b, { gap: 0.026, subtitle: 0.036 }),
        ],
        { anchor: 'bottom', tight: true },
      );
      if (!column) return null;
      const area = {
        x: margin,
        y: b.high(margin),
        width: 1 - 2 * margin,
        height: column.box.y - b.high(0.055) - b.high(margin),
      };
      const inner = b.s.turn === 1 ? { border: { width: 0.006, colour: tones.accent } } : {};
      return [ground(tones.ground), pictureIn(b, picture, area, inner), ...column.parts, ...foot.parts];
    },
  },
  {
    id: 'print',
    name: 'The picture printed in two colours into the ground',
    group: 'window',
    kinds: { story: 3, practical: 2, poems: 2, report: 2 },
    moods: ['bold', 'dark', 'bright', 'playful', 'grave'],
    asks: { pictures: [1, 1], letters: [1, 80], picture: (p) => !p.plain },
    turns: 2,
    draw(b) {
      const [picture] = b.s.pictures;
      const { tones } = b;
      const dark = isDark(tones.ground);
      const look = dark
        ? twoTone(tones.ground, mixed(tones.accent, tones.words), 1, { contrast: 0.3, saturation: -1 })
        : twoTone(tones.accent, tones.ground, 1, { contrast: 0.3, saturation: -1 });
      const align = b.s.turn === 0 ? 'left' : 'centre';
      const head = b.column(
        { x: b.mx, y: b.my * 0.9, width: 1 - 2 * b.mx, height: 0.5 },
        [
          { role: 'series', colour: tones.second, size: 0.032 * b.k, most: 0.2 },
          ...titleItems(b.inks, 0.24, b, { gap: 0.035 }),
          { role: 'byline', colour: tones.words, size: 0.046 * b.k, gap: 0.05, most: 0.3 },
        ],
        { anchor: 'top', align, tight: true },
      );
      if (!head) return null;
      const y = head.box.y + head.box.height + b.high(0.045);
      return [
        ground(tones.ground),
        pictureIn(b, picture, { x: 0, y, width: 1, height: 1 - y }, { look }),
        ...(dark
          ? []
          : [
              {
                ...newOverlay('halftone', '#000000', { scale: 1.4, amount: 0.5, opacity: 0.16, blend: 'multiply' }),
                id: 'dots',
              },
            ]),
        ...head.parts,
      ];
    },
  },
  {
    id: 'mosaic',
    name: 'Several pictures in a grid, the words in a field of it',
    group: 'window',
    kinds: { story: 1, practical: 3, report: 3, poems: 1 },
    moods: ['bright', 'playful', 'warm', 'calm'],
    asks: { pictures: [2, 5], letters: [1, 80] },
    turns: 2,
    draw(b) {
      const { pictures, turn } = b.s;
      const { tones } = b;
      const gap = 0.012;
      const high = b.high(gap);
      // Rows of two pictures at the chosen end; an odd one takes a whole row.
      const rows: number[][] = [];
      const order = pictures.map((_, i) => i);
      if (order.length % 2 === 1) rows.push([order.shift()!]);
      while (order.length > 0) rows.push([order.shift()!, order.shift()!]);
      const share = 0.54;
      const each = (share - high * rows.length) / rows.length;
      const y0 = turn === 0 ? 0 : 1 - share + high;
      const tiles = rows.flatMap((row, r) =>
        row.map((n, c) => {
          const width = (1 - gap * (row.length - 1)) / row.length;
          const area = { x: c * (width + gap), y: y0 + r * (each + high), width, height: each };
          return pictureIn(b, pictures[n], area, { id: `picture-${n}` });
        }),
      );
      const [top, bottom] = turn === 0 ? [share + b.my * 0.6, 1 - b.my * 0.85] : [b.my * 0.85, 1 - share - b.my * 0.6];
      const byline = b.line('byline', tones.words, { bottom }, { align: 'left', size: 0.044 });
      if (!byline) return null;
      const end = byline.parts.length > 0 ? byline.box.y - b.high(0.04) : bottom;
      const column = b.column(
        { x: b.mx, y: top, width: 1 - 2 * b.mx, height: end - top },
        [
          { role: 'series', colour: tones.accent, size: 0.03 * b.k, most: 0.2 },
          ...titleItems(b.inks, 0.17, b, { gap: 0.03 }),
        ],
        { anchor: 'top', align: 'left' },
      );
      return column && [ground(tones.ground), ...tiles, ...column.parts, ...byline.parts];
    },
  },
  {
    id: 'three-strips',
    name: 'One picture in three strips',
    group: 'window',
    kinds: { story: 2, practical: 2, poems: 2, report: 2 },
    moods: ['calm', 'bright', 'bold', 'grave'],
    asks: { pictures: [1, 1], letters: [1, 70], picture: (p) => !p.plain && p.widthPx > p.heightPx * 0.8 },
    turns: 2,
    draw(b) {
      const [picture] = b.s.pictures;
      const { tones } = b;
      const ends = headAndFoot(b, { head: tones.accent, foot: tones.words }, { align: 'left' });
      if (!ends) return null;
      const column = b.column(
        { x: b.mx, y: 0.52, width: 1 - 2 * b.mx, height: ends.bottom - 0.52 },
        titleItems(b.inks, 0.18, b, { gap: 0.03 }),
        { anchor: 'bottom', align: 'left', tight: true },
      );
      if (!column) return null;
      const gap = 0.02;
      const width = (1 - 2 * b.mx - 2 * gap) / 3;
      const y = ends.top;
      const height = column.box.y - b.high(0.06) - y;
      // The strips show the picture as through three windows, stepped where the turn says so.
      const strips = [0, 1, 2].map((i) => {
        const step = b.s.turn === 1 ? [0.05, 0.025, 0][i] : 0;
        return {
          ...pictureIn(b, picture, { x: b.mx + i * (width + gap), y: y + step, width, height: height - step }),
          id: `strip-${i}`,
          focus: { x: [0.12, 0.5, 0.88][i], y: 0.5 },
        } as PartSeed;
      });
      return [ground(tones.ground), ...strips, ...ends.parts, ...column.parts];
    },
  },
  {
    id: 'soft-ground',
    name: 'The picture blurred to a ground of its colours',
    group: 'full',
    kinds: { story: 2, practical: 2, poems: 3, report: 2 },
    moods: ['calm', 'tender', 'dark', 'bright'],
    asks: { pictures: [1, 1] },
    turns: 2,
    draw(b) {
      const [picture] = b.s.pictures;
      const { tones } = b;
      const { look, inks } = shaded(b, isDark(tones.ground) ? tones.accent : tones.block, { blur: 0.06 });
      const whole = { x: 0, y: 0, width: 1, height: 1 };
      const align = b.s.turn === 0 ? 'centre' : 'left';
      const ends = headAndFoot(b, { head: inks.words, foot: inks.words }, { align });
      if (!ends) return null;
      const column = b.column(
        { x: b.mx, y: ends.top + 0.06, width: 1 - 2 * b.mx, height: (ends.bottom - ends.top) * 0.8 },
        titleItems(inks, 0.24, b, {}),
        { anchor: b.s.turn === 0 ? 'middle' : 'top', align },
      );
      return (
        column && [
          ground(tones.ground),
          pictureIn(b, picture, whole, { look }),
          rule(
            'line',
            { x: align === 'left' ? b.mx : 0.44, y: column.box.y - b.high(0.05), width: 0.12, height: b.high(0.007) },
            inks.accent,
          ),
          ...ends.parts,
          ...column.parts,
        ]
      );
    },
  },
];
