import { seeded } from '../../base';
import { readableOn } from '../../colour';
import { readPathData } from '../../forms';
import { type Region, both, outlineOf, rectRegion, regionOf } from '../../marks';
import { type Affine, joinPaths, transformPath, translate } from '../../plane';
import type { Structure } from '../structure';
import { isDark, mixed, toneDistance } from '../tones';
import { block, ground, headAndFoot, titleItems } from './common';
import { figureColour, shapedLike, symbolAt, wordsBeside } from './symbol-parts';
import { roomWithin } from './symbol-room';

/** One half of a symbol's box, and the other: the line falls from left to right, or rises. */
function halvesOf(ratio: number, falls: boolean): [Region, Region] {
  const wide = 1000 * ratio;
  const [left, right] = falls ? [360, 640] : [640, 360];
  const line = [
    { x: -10, y: left },
    { x: wide + 10, y: right },
  ];
  const [above, below] = [-10, 1010].map((y) => [...line, { x: wide + 10, y }, { x: -10, y }]);
  return [[above], [below]];
}

/** Covers whose symbol is cut, holds something, or is held by something. */
export const SYMBOL_CUT: readonly Structure[] = [
  {
    id: 'symbol-title-inside',
    name: 'The title within a symbol',
    group: 'symbol',
    kinds: { story: 3, practical: 3, poems: 2, report: 2 },
    moods: ['bold', 'playful', 'bright', 'dark', 'warm'],
    asks: { pictures: [0, 0], symbols: 1, letters: [1, 44], longest: 11 },
    turns: 2,
    draw(b) {
      const { tones } = b;
      const known = b.s.symbols.flatMap((drawn) => {
        const room = roomWithin(drawn);
        return room ? [{ drawn, room }] : [];
      });
      const ends = headAndFoot(b, { head: tones.accent, foot: tones.words });
      if (!ends) return null;
      const under = b.column(
        { x: b.mx, y: ends.top, width: 1 - 2 * b.mx, height: ends.bottom - ends.top },
        titleItems(b.inks, 0.2, b).slice(1),
        { anchor: 'bottom', tight: true },
      );
      if (!under) return null;
      const bottom = b.has('subtitle') ? under.box.y - b.high(0.05) : ends.bottom;
      const high = (bottom - ends.top) * b.ratio;
      const figure = figureColour(b);
      const ink = figure === tones.block ? tones.onBlock : readableOn(tones.ground, [figure], 5);
      const covers = known.flatMap(({ drawn, room }) => {
        const width = Math.min(0.95, high * drawn.ratio);
        const whole = symbolAt(b, drawn, { x: 0.5, y: ends.top + b.high(high) / 2, width }, figure);
        const { area } = whole;
        const inner = {
          x: area.x + (room.x + room.width * 0.06) * area.width,
          y: area.y + (room.y + room.height * 0.09) * area.height,
          width: room.width * 0.88 * area.width,
          height: room.height * 0.82 * area.height,
        };
        const inks = { words: ink, second: ink, accent: ink };
        const inside = b.column(inner, titleItems(inks, 0.24, b).slice(0, 1), { anchor: 'middle', tight: true });
        const size = inside?.sizes.get('title') ?? 0;
        // Small words in a corner of a symbol are a label, not a title.
        return inside && inner.width >= 0.36 && size >= 0.085 ? [{ size, parts: [whole, ...inside.parts] }] : [];
      });
      const best = covers.toSorted((p, q) => q.size - p.size)[0];
      return best ? [ground(tones.ground), ...best.parts, ...ends.parts, ...under.parts] : null;
    },
  },
  {
    id: 'symbol-in-symbol',
    name: 'One symbol cut out of another',
    group: 'symbol',
    kinds: { story: 3, practical: 2, poems: 3, report: 2 },
    moods: ['bold', 'dark', 'grave', 'tender', 'calm'],
    asks: { pictures: [0, 0], symbols: 2, letters: [1, 60] },
    turns: 2,
    draw(b) {
      const words = wordsBeside(b, { share: 0.56, gap: 0.055, size: 0.19 });
      if (!words) return null;
      const fits = b.s.symbols.flatMap((outer) => {
        const room = roomWithin(outer);
        const inner = b.s.symbols.find((one) => one.id !== outer.id);
        if (!room || !inner) return [];
        // How high the inner one stands, as a share of the outer one's height.
        const share = Math.min(room.height, (room.width * outer.ratio) / inner.ratio) * 0.9;
        return share < 0.3 ? [] : [{ outer, inner, room, share }];
      });
      const best = fits.toSorted((a, z) => z.share - a.share)[0];
      if (!best) return null;
      const { outer, inner, room, share } = best;
      const whole = symbolAt(b, outer, { x: 0.5, y: words.y, width: 0.84, height: words.height }, figureColour(b));
      const { area } = whole;
      const height = area.height * b.ratio * share;
      return [
        ground(b.tones.ground),
        whole,
        symbolAt(
          b,
          inner,
          {
            x: area.x + (room.x + room.width / 2) * area.width,
            y: area.y + (room.y + room.height / 2) * area.height,
            width: height * inner.ratio,
            height,
          },
          b.tones.ground,
          { id: 'symbol-within' },
        ),
        ...words.parts,
      ];
    },
  },
  {
    id: 'symbol-broken',
    name: 'A symbol broken in two',
    group: 'symbol',
    kinds: { story: 3, practical: 1, poems: 3, report: 1 },
    moods: ['dark', 'bold', 'grave', 'tender'],
    asks: { pictures: [0, 0], symbols: 1, letters: [1, 60] },
    turns: 2,
    draw(b) {
      const [drawn] = b.s.symbols;
      const path = readPathData(drawn.d);
      const words = wordsBeside(b, { share: 0.56, gap: 0.05, size: 0.2 });
      if (!words || !path.ok) return null;
      const { y, height } = words;
      const { area } = symbolAt(b, drawn, { x: 0.5, y, width: 0.68, height: height * 0.86 }, figureColour(b));
      const whole = regionOf(path.value);
      const falls = b.s.turn === 0;
      const apart = { x: (falls ? 1 : -1) * 0.045, y: b.high(0.02) };
      const halves = halvesOf(drawn.ratio, falls).map((half, i) => {
        const away = i === 0 ? -1 : 1;
        const moved = { ...area, x: area.x + away * apart.x, y: area.y + away * apart.y };
        return shapedLike(drawn, moved, outlineOf(both(whole, half)), figureColour(b), `symbol-${i}`);
      });
      return [ground(b.tones.ground), ...halves, ...words.parts];
    },
  },
  {
    id: 'symbol-sliced',
    name: 'A symbol in slices that have slipped',
    group: 'symbol',
    kinds: { story: 3, practical: 1, poems: 1, report: 3 },
    moods: ['bold', 'dark', 'bright', 'grave'],
    asks: { pictures: [0, 0], symbols: 1, letters: [1, 60] },
    turns: 3,
    draw(b) {
      const [drawn] = b.s.symbols;
      const path = readPathData(drawn.d);
      const words = wordsBeside(b, { share: 0.56, gap: 0.05, size: 0.2 });
      if (!words || !path.ok) return null;
      const whole = regionOf(path.value);
      const { area } = symbolAt(
        b,
        drawn,
        { x: 0.5, y: words.y, width: 0.7, height: words.height * 0.94 },
        figureColour(b),
      );
      const random = seeded(31 + b.s.turn);
      const count = [6, 9, 12][b.s.turn];
      const high = 1000 / count;
      const slices = Array.from({ length: count }, (_, i) => {
        const slice = both(whole, rectRegion(-10, i * high, 1000 * drawn.ratio + 20, high * 0.88));
        return transformPath(outlineOf(slice), translate((random() - 0.5) * 150, 0));
      });
      return [
        ground(b.tones.ground),
        shapedLike(drawn, area, joinPaths(slices), figureColour(b), 'symbol'),
        ...words.parts,
      ];
    },
  },
  {
    id: 'symbol-long-shadow',
    name: 'A small symbol with a long shadow',
    group: 'symbol',
    kinds: { story: 3, practical: 1, poems: 3, report: 1 },
    moods: ['dark', 'grave', 'bold', 'calm', 'warm'],
    asks: { pictures: [0, 0], symbols: 1, letters: [1, 60], ratio: [1.2, 2] },
    turns: 2,
    draw(b) {
      const [drawn] = b.s.symbols;
      const { tones } = b;
      const path = readPathData(drawn.d);
      // What is all lines and gaps throws no shadow that one would know again.
      const room = roomWithin(drawn);
      if (!path.ok || !room || room.width * room.height < 0.14) return null;
      // A shadow is darker than what it falls on, never lighter.
      const shade = mixed(tones.ground, '#000000', isDark(tones.ground) ? 0.42 : 0.16);
      const upper = b.column(
        { x: b.mx, y: b.my, width: 1 - 2 * b.mx, height: 0.4 },
        [
          { role: 'series', colour: tones.accent, size: 0.03 * b.k, most: 0.2 },
          ...titleItems(b.inks, 0.2, b, { gap: 0.032 }),
        ],
        { anchor: 'top', tight: true },
      );
      const foot = b.line('byline', readableOn(tones.words, [tones.ground, shade], 5), { bottom: 1 - b.my * 0.9 });
      if (!upper || !foot) return null;
      const [high, left] = [0.3, b.s.turn === 0];
      const top = upper.box.y + upper.box.height + b.high(0.06);
      const level = Math.max(0.52, top + b.high(high));
      if (level > 0.66) return null;
      const figure = symbolAt(
        b,
        drawn,
        { x: left ? 0.66 : 0.36, y: level - b.high(high / 2), width: 0.36, height: high },
        figureColour(b),
      );
      const { area } = figure;
      // Thrown towards the one who looks: its head is the farthest from its foot, on the ground before it.
      const long = 2.1;
      const lean = (left ? 1 : -1) * 0.75;
      const thrown: Affine = [1, 0, lean, -long, -1000 * lean, 1000 + 1000 * long];
      const shadow = shapedLike(drawn, area, transformPath(outlineOf(regionOf(path.value)), thrown), shade, 'shadow');
      return [ground(tones.ground), shadow, figure, ...upper.parts, ...foot.parts];
    },
  },
  {
    id: 'symbol-behind',
    name: 'A symbol that rises from behind a field',
    group: 'symbol',
    kinds: { story: 3, practical: 3, poems: 2, report: 2 },
    moods: ['bold', 'bright', 'playful', 'warm', 'dark'],
    asks: { pictures: [0, 0], symbols: 1, letters: [1, 70] },
    turns: 3,
    draw(b) {
      const [drawn] = b.s.symbols;
      const { tones } = b;
      const level = [0.52, 0.48, 0.56][b.s.turn];
      const head = b.line('series', tones.accent, { top: b.my * 0.9 });
      const column = b.column(
        { x: b.mx, y: level + b.my * 0.8, width: 1 - 2 * b.mx, height: 1 - level - b.my * 1.8 },
        [
          ...titleItems(b.blockInks, 0.2, b, { gap: 0.03 }),
          { role: 'byline', colour: b.blockInks.words, size: 0.048 * b.k * b.s.byline, gap: 0.055, most: 0.35 },
        ],
        { anchor: 'middle', tight: true },
      );
      if (!head || !column) return null;
      const top = b.has('series') ? head.box.y + head.box.height + b.high(0.05) : b.my * 0.8;
      const colour = toneDistance(tones.ground, tones.accent) > 0.25 ? tones.accent : tones.words;
      // What the field hides is the lower third.
      const height = ((level - top) / 0.68) * b.ratio;
      const width = Math.min(0.96, height * drawn.ratio);
      const tall = b.high(width / drawn.ratio);
      return [
        ground(tones.ground),
        symbolAt(b, drawn, { x: 0.5, y: level - tall * 0.18, width, height: width / drawn.ratio }, colour),
        block('field', { x: 0, y: level, width: 1, height: 1 - level }, tones.block),
        ...head.parts,
        ...column.parts,
      ];
    },
  },
];
