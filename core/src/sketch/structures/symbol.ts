import { readableOn } from '../../colour';
import { newShape } from '../../cover';
import { readPathData } from '../../forms';
import { both, outlineOf, rectRegion, regionOf } from '../../marks';
import { zoneOf } from '../picture';
import type { Structure } from '../structure';
import { isDark, mixed, toneDistance } from '../tones';
import { WHOLE, block, ground, headAndFoot, rule, titleItems } from './common';
import { figureColour, shapedLike, symbolAt, wordsBeside } from './symbol-parts';

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
      const words = wordsBeside(b, { share: 0.54, gap: 0.06, size: 0.2 });
      if (!words) return null;
      const { y, height, parts } = words;
      return [
        ground(b.tones.ground),
        symbolAt(b, drawn, { x: 0.5, y, width: 0.74, height }, figureColour(b)),
        ...parts,
      ];
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
      const colour = mixed(
        tones.ground,
        dark ? tones.accent : tones.block,
        toneDistance(tones.ground, tones.block) > 0.3 ? 0.3 : 0.45,
      );
      const both = [tones.ground, colour];
      const inks = {
        words: readableOn(tones.words, both, 5),
        second: readableOn(tones.second, both, 4.8),
        accent: readableOn(tones.accent, both, 4.8),
      };
      const low = b.s.turn === 1;
      const ends = headAndFoot(b, { head: inks.accent, foot: inks.words }, { align: 'left' });
      if (!ends) return null;
      const column = b.column(
        { x: b.mx, y: ends.top, width: 1 - 2 * b.mx, height: (ends.bottom - ends.top) * 0.8 },
        titleItems(inks, 0.26, b, { gap: 0.04 }),
        { anchor: 'top', align: 'left' },
      );
      if (!column) return null;
      const place = [
        { x: 0.74, y: 0.66 },
        { x: 0.5, y: 0.8 },
        { x: 0.26, y: 0.68 },
      ][b.s.turn];
      return [
        ground(tones.ground),
        symbolAt(b, drawn, { ...place, width: low ? 1.15 : 1.2, height: 1.3 }, colour, {
          turnRad: [-0.18, 0, 0.16][b.s.turn],
        }),
        ...ends.parts,
        ...column.parts,
      ];
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
      const column = b.column(
        { x: b.mx, y: y0, width: 1 - 2 * b.mx, height: y1 - y0 },
        titleItems(b.inks, 0.19, b, { gap: 0.03 }),
        { anchor: below ? 'middle' : 'top', tight: true },
      );
      if (!column) return null;
      const disc = {
        ...newShape(
          { kind: 'ellipse' },
          { area: { x: 0.5 - size / 2, y: y - tall / 2, width: size, height: tall }, colour: figureColour(b) },
        ),
        id: 'disc',
      };
      return [
        ground(tones.ground),
        disc,
        symbolAt(b, drawn, { x: 0.5, y, width: size * 0.62 }, tones.ground),
        ...ends.parts,
        ...column.parts,
      ];
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
      const column = b.column(
        { x: b.mx, y: 0.36, width: 1 - 2 * b.mx, height: 0.28 },
        titleItems(b.inks, 0.19, b, { gap: 0.028 }),
        { anchor: 'middle', tight: true },
      );
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
      const head = b.column(
        { x: b.mx, y: b.my, width: 1 - 2 * b.mx, height: 0.46 },
        [
          { role: 'series', colour: tones.accent, size: 0.032 * b.k, most: 0.2 },
          ...titleItems(b.inks, 0.22, b, { gap: 0.035 }),
        ],
        { anchor: 'top', tight: true },
      );
      if (!head) return null;
      const level = 0.8;
      const size = 0.3;
      if (head.box.y + head.box.height > level - b.high(size + 0.08)) return null;
      const near = isDark(tones.ground) ? mixed(tones.ground, '#000000', 0.55) : mixed(tones.words, tones.block, 0.25);
      const foot = b.line('byline', readableOn(tones.ground, [near], 5), { bottom: 1 - b.my * 0.8 });
      if (!foot || foot.box.y < level + b.high(0.03)) return null;
      const sun = 0.58;
      const x = [0.66, 0.36, 0.5][b.s.turn];
      const disc = {
        ...newShape(
          { kind: 'ellipse' },
          {
            area: { x: x - sun / 2, y: level - b.high(sun) * 0.62, width: sun, height: b.high(sun) },
            colour: figureColour(b),
          },
        ),
        id: 'disc',
      };
      const tall = b.high(Math.min(size, size / drawn.ratio));
      return [
        ground(tones.ground),
        ...(b.s.turn === 1 ? [] : [disc]),
        block('land', { x: 0, y: level, width: 1, height: 1 - level }, near),
        symbolAt(
          b,
          drawn,
          { x, y: level - tall / 2 + b.high(0.006), width: size, height: size },
          b.s.turn === 1 ? figureColour(b) : near,
        ),
        ...head.parts,
        ...foot.parts,
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
      const column = b.column(
        {
          x: 0.13,
          y: ends.top + b.high(size + 0.1),
          width: 0.74,
          height: ends.bottom - ends.top - b.high(size + 0.14),
        },
        titleItems(b.inks, 0.15, b, { gap: 0.04, subtitle: 0.036 }),
        { anchor: 'top', tight: true },
      );
      if (!column) return null;
      // Seal and words stand together in the middle.
      const spare = Math.max(0, ends.bottom - (column.box.y + column.box.height)) / 2.2;
      const moved = column.parts.map((part) =>
        'area' in part ? { ...part, area: { ...part.area, y: part.area.y + spare } } : part,
      );
      const y = column.box.y + spare - b.high(size / 2 + 0.065);
      const round = b.s.turn === 1;
      const disc = {
        ...newShape(
          { kind: 'badge', scallops: 28, ring: true },
          {
            area: { x: 0.5 - size * 0.62, y: y - b.high(size * 0.62), width: size * 1.24, height: b.high(size * 1.24) },
            colour: figureColour(b),
          },
        ),
        id: 'badge',
      };
      const lines =
        b.s.turn === 2
          ? [
              rule('rule-left', { x: 0.13, y, width: 0.2, height: b.high(0.005) }, tones.accent),
              rule('rule-right', { x: 0.67, y, width: 0.2, height: b.high(0.005) }, tones.accent),
            ]
          : [];
      return [
        ground(tones.ground),
        ...(round ? [disc] : lines),
        symbolAt(
          b,
          drawn,
          { x: 0.5, y, width: size * (round ? 0.72 : 1) },
          round ? readableOn(tones.ground, [figureColour(b)], 3) : tones.accent,
        ),
        ...ends.parts,
        ...moved,
      ];
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
      // Two fields that are told apart from afar, or there is no figure.
      const other = toneDistance(tones.ground, tones.block) > 0.3 ? tones.block : tones.accent;
      const level = 0.5;
      const size = 0.5;
      const upper = b.column(
        { x: b.mx, y: b.my, width: 1 - 2 * b.mx, height: level - b.high(size / 2 + 0.05) - b.my },
        [
          { role: 'series', colour: tones.accent, size: 0.03 * b.k, most: 0.2 },
          ...titleItems(b.inks, 0.19, b, { gap: 0.03 }),
        ],
        { anchor: 'top', tight: true },
      );
      const foot = b.line('byline', other === tones.block ? tones.onBlock : readableOn(tones.ground, [other], 5), {
        bottom: 1 - b.my,
      });
      if (!upper || !foot) return null;
      const shown = symbolAt(b, drawn, { x: b.s.turn === 0 ? 0.5 : 0.68, y: level, width: size }, other);
      const path = readPathData(drawn.d);
      if (!path.ok) return null;
      // Below the line in the colour of the field above; above it, where the field covers that, its upper part in the colour below.
      const share = (level - shown.area.y) / shown.area.height;
      const upperPart = outlineOf(both(regionOf(path.value), rectRegion(0, 0, 1000 * drawn.ratio, 1000 * share)));
      const field = block('field', { x: 0, y: 0, width: 1, height: level }, tones.ground);
      return [
        ground(other),
        shapedLike(drawn, shown.area, path.value, tones.ground, 'symbol-below'),
        field,
        shapedLike(drawn, shown.area, upperPart, other, 'symbol'),
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
    asks: {
      pictures: [1, 1],
      symbols: 1,
      letters: [1, 60],
      ungraded: true,
      picture: (p) => !p.plain && !p.subject.clear,
    },
    turns: 2,
    draw(b) {
      const [drawn] = b.s.symbols;
      const picture = b.s.pictures.find((p) => !p.plain && !p.subject.clear);
      if (!picture) return null;
      const { tones } = b;
      // A picture as light as the ground would show no symbol.
      if (toneDistance(zoneOf(picture.sample, WHOLE).hex, tones.ground) < 0.25) return null;
      const words = wordsBeside(b, { share: 0.56, gap: 0.05, size: 0.19 });
      if (!words) return null;
      const { y, height, parts } = words;
      const fill = { kind: 'picture', asset: picture.asset, focus: { x: 0.5, y: 0.5 }, zoom: 1 } as const;
      return [
        ground(tones.ground),
        symbolAt(b, drawn, { x: 0.5, y, width: 0.8, height }, tones.block, { fill }),
        ...parts,
      ];
    },
  },
];
