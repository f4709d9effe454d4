import type { PartSeed } from '../../cover';
import type { Board } from '../board';
import type { PictureFacts } from '../picture';
import type { Structure } from '../structure';
import { ground, headAndFoot, pictureIn, titleItems, twoTone } from './common';

/** A picture cut to a shape above its words. */
function shaped(
  b: Board,
  picture: PictureFacts,
  area: Parameters<typeof pictureIn>[2],
  mask: 'arch' | 'ellipse' | 'brush' | null,
): PartSeed {
  return pictureIn(b, picture, area, {
    mask: mask === null ? null : mask === 'brush' ? { kind: 'brush', rough: 0.45, seed: 7 + b.s.turn } : { kind: mask },
  });
}

/** Covers with a picture cut to a shape. */
export const CUT: readonly Structure[] = [
  {
    id: 'arch-window',
    name: 'The picture in an arch',
    group: 'window',
    kinds: { story: 3, practical: 2, poems: 3 },
    moods: ['tender', 'warm', 'calm', 'playful', 'dark'],
    asks: { pictures: [1, 1], letters: [1, 70], picture: (p) => !p.plain },
    turns: 2,
    draw(b) {
      const [picture] = b.s.pictures;
      const { tones } = b;
      const foot = b.line('byline', tones.words, { bottom: 1 - b.my * 0.8 }, { size: 0.044 });
      if (!foot) return null;
      const end = foot.parts.length > 0 ? foot.box.y - b.high(0.06) : 1 - b.my;
      const top = b.my * 0.85;
      const head = b.column(
        { x: b.mx, y: top, width: 1 - 2 * b.mx, height: 0.36 },
        [
          { role: 'series', colour: tones.accent, size: 0.03 * b.k, most: 0.22 },
          ...titleItems(b.inks, 0.17, b, { gap: 0.028, subtitle: 0.036 }),
        ],
        { anchor: 'top', tight: true },
      );
      if (!head) return null;
      const y = head.box.y + head.box.height + b.high(0.075);
      const inset = b.s.turn === 0 ? 0.16 : 0.1;
      const area = { x: inset, y, width: 1 - 2 * inset, height: end - y };
      const line = 0.022;
      const outer = {
        x: area.x - line,
        width: area.width + 2 * line,
        y: area.y - b.high(line),
        height: area.height + b.high(line),
      };
      const ring = pictureIn(b, picture, outer, {
        mask: { kind: 'arch' },
        id: 'arch-line',
        look: twoTone(tones.accent, tones.accent),
      });
      return [
        ground(tones.ground),
        ...(b.s.turn === 0 ? [ring, shaped(b, picture, area, 'arch')] : [shaped(b, picture, area, 'arch')]),
        ...head.parts,
        ...foot.parts,
      ];
    },
  },
  {
    id: 'round-window',
    name: 'The picture in a circle',
    group: 'window',
    kinds: { story: 2, practical: 3, poems: 2, report: 1 },
    moods: ['playful', 'calm', 'bright', 'tender'],
    asks: { pictures: [1, 1], letters: [1, 60], ratio: [1.2, 2], picture: (p) => !p.plain },
    turns: 2,
    draw(b) {
      const [picture] = b.s.pictures;
      const { tones } = b;
      const size = b.ratio > 1.45 ? 0.76 : 0.6;
      const below = b.s.turn === 0;
      const ends = headAndFoot(b, { head: tones.accent, foot: tones.words }, { swap: false });
      if (!ends) return null;
      const tall = b.high(size);
      const y = below ? ends.top + b.high(0.01) : ends.bottom - tall - b.high(0.01);
      const [y0, y1] = below ? [y + tall + b.high(0.05), ends.bottom] : [ends.top, y - b.high(0.05)];
      const column = b.column(
        { x: b.mx, y: y0, width: 1 - 2 * b.mx, height: y1 - y0 },
        titleItems(b.inks, 0.17, b, { gap: 0.028, subtitle: 0.038 }),
        { anchor: 'middle' },
      );
      return (
        column && [
          ground(tones.ground),
          shaped(b, picture, { x: (1 - size) / 2, y, width: size, height: tall }, 'ellipse'),
          ...ends.parts,
          ...column.parts,
        ]
      );
    },
  },
  {
    id: 'torn-strip',
    name: 'A torn strip of picture across the middle',
    group: 'window',
    kinds: { story: 3, practical: 1, poems: 1 },
    moods: ['dark', 'grave', 'bold', 'playful'],
    asks: { pictures: [1, 1], letters: [1, 60], picture: (p) => !p.plain },
    turns: 2,
    draw(b) {
      const [picture] = b.s.pictures;
      const { tones } = b;
      const ends = headAndFoot(b, { head: tones.accent, foot: tones.words });
      if (!ends) return null;
      const above = b.s.turn === 0;
      const [y0, y1] = above ? [ends.top, 0.5] : [0.55, ends.bottom];
      const column = b.column(
        { x: b.mx, y: y0, width: 1 - 2 * b.mx, height: y1 - y0 },
        titleItems(b.inks, 0.19, b, { gap: 0.03, keyed: true }),
        { anchor: above ? 'top' : 'bottom', tight: true },
      );
      if (!column) return null;
      const gap = b.high(0.05);
      const [a, z] = above
        ? [column.box.y + column.box.height + gap, ends.bottom - gap * 0.4]
        : [ends.top + gap * 0.2, column.box.y - gap];
      const area = { x: -0.06, y: a, width: 1.12, height: z - a };
      return [
        ground(tones.ground),
        pictureIn(b, picture, area, { mask: { kind: 'torn', rough: 0.05, seed: 11 + b.s.turn } }),
        ...ends.parts,
        ...column.parts,
      ];
    },
  },
  {
    id: 'brush-stroke',
    name: 'The picture as a brush stroke',
    group: 'window',
    kinds: { story: 2, practical: 2, poems: 3 },
    moods: ['playful', 'tender', 'warm', 'bright'],
    asks: { pictures: [1, 1], letters: [1, 60], picture: (p) => !p.plain },
    turns: 2,
    draw(b) {
      const [picture] = b.s.pictures;
      const { tones } = b;
      const ends = headAndFoot(b, { head: tones.accent, foot: tones.words }, { swap: b.s.turn === 1 });
      if (!ends) return null;
      const middle = b.ratio > 1.3 ? 0.55 : 0.5;
      const column = b.column(
        { x: b.mx, y: middle, width: 1 - 2 * b.mx, height: ends.bottom - middle },
        titleItems(b.inks, 0.18, b, { gap: 0.03 }),
        { anchor: 'middle' },
      );
      if (!column) return null;
      const area = {
        x: 0.04,
        y: ends.top,
        width: 0.92,
        height: Math.min(column.box.y, middle + 0.1) - b.high(0.03) - ends.top,
      };
      return [ground(tones.ground), shaped(b, picture, area, 'brush'), ...ends.parts, ...column.parts];
    },
  },
];
