import { type CurvePart, type PartSeed, newCurve, newShape } from '../../cover';
import type { Structure } from '../structure';
import { isDark, mixed, toneDistance } from '../tones';
import { block, ground, headAndFoot, rule, titleItems } from './common';

type Node = CurvePart['nodes'][number];

/** A smooth line through points, its handles a third of the way to the neighbours. */
function through(points: readonly (readonly [number, number])[]): Node[] {
  return points.map(([x, y], i) => {
    const [px, py] = points[Math.max(0, i - 1)];
    const [nx, ny] = points[Math.min(points.length - 1, i + 1)];
    const [dx, dy] = [(nx - px) / 6, (ny - py) / 6];
    return { x, y, inX: x - dx, inY: y - dy, outX: x + dx, outY: y + dy };
  });
}

/** A hill as path data in a box 1000 high: from edge to edge, its back made of waves. */
function hill(ratio: number, phase: number, swell: number): string {
  const w = ratio * 1000;
  const at = (t: number): number =>
    300 - 190 * Math.sin(t * swell + phase) - 80 * Math.sin(t * swell * 2.3 + phase * 2);
  let d = `M0 1000L0 ${Math.round(at(0))}`;
  for (let i = 1; i <= 24; i++) d += `L${Math.round((w * i) / 24)} ${Math.round(at(i / 24))}`;
  return `${d}L${Math.round(w)} 1000Z`;
}

const disc = (
  id: string,
  cx: number,
  cy: number,
  size: number,
  high: (w: number) => number,
  colour: string,
): PartSeed => ({
  ...newShape(
    { kind: 'ellipse' },
    { area: { x: cx - size / 2, y: cy - high(size) / 2, width: size, height: high(size) }, colour },
  ),
  id,
});

/** Covers with a figure drawn from their own colours. */
export const FIGURE: readonly Structure[] = [
  {
    id: 'disc',
    name: 'A great disc, the words on it',
    group: 'figure',
    kinds: { story: 2, practical: 2, poems: 3, report: 2 },
    moods: ['bold', 'calm', 'warm', 'bright', 'dark'],
    asks: { pictures: [0, 0], letters: [1, 44], longest: 11, ratio: [1.2, 2] },
    turns: 2,
    draw(b) {
      const { tones } = b;
      const size = 0.84;
      const cy = b.s.turn === 0 ? 0.46 : 0.54;
      const tall = b.high(size);
      const inner = 0.63;
      const column = b.column(
        { x: (1 - inner) / 2, y: cy - tall * 0.31, width: inner, height: tall * 0.62 },
        titleItems(b.blockInks, 0.2, b, { gap: 0.035, subtitle: 0.034, measure: 0.86 }),
        { anchor: 'middle' },
      );
      const ends = headAndFoot(b, { head: tones.accent, foot: tones.words });
      if (!column || !ends || ends.top > cy - tall / 2 || ends.bottom < cy + tall / 2) return null;
      return [
        ground(tones.ground),
        disc('disc', 0.5, cy, size, (w) => b.high(w), tones.block),
        ...ends.parts,
        ...column.parts,
      ];
    },
  },
  {
    id: 'hills',
    name: 'Hills and a disc under the title',
    group: 'figure',
    kinds: { story: 3, practical: 2, poems: 3 },
    moods: ['calm', 'warm', 'dark', 'tender', 'bright'],
    asks: { pictures: [0, 0], letters: [1, 130] },
    turns: 3,
    draw(b) {
      const { tones, ratio } = b;
      const head = b.column(
        { x: b.mx, y: b.my, width: 1 - 2 * b.mx, height: 0.46 },
        [
          { role: 'series', colour: tones.accent, size: 0.032 * b.k, most: 0.2 },
          ...titleItems(b.inks, 0.22, b, { gap: 0.035 }),
        ],
        { anchor: 'top' },
      );
      if (!head) return null;
      const top = Math.min(0.66, Math.max(0.5, head.box.y + head.box.height + b.high(0.16)));
      if (head.box.y + head.box.height > top - b.high(0.16)) return null;
      const lands = 4;
      // Nearer land is nearer to the words' own lightness; the nearest carries the byline.
      const near = isDark(tones.ground) ? mixed(tones.ground, '#000000', 0.45) : tones.words;
      const far = mixed(tones.ground, tones.block, isDark(tones.ground) ? 0.75 : 0.55);
      const shapes = Array.from({ length: lands }, (_, i): PartSeed => {
        const y = top + ((1 - top) * i * 0.78) / lands;
        const area = { x: -0.01, y, width: 1.02, height: 1 - y + 0.01 };
        const wide = (area.width / (area.height * ratio)) * 1;
        const d = hill(wide, 0.7 + b.s.turn * 1.9 + i * 2.1, 3.2 + i * 0.7);
        const colour = mixed(far, near, i / (lands - 1));
        return {
          ...newShape(
            { kind: 'drawn', ratio: Math.min(50, Math.max(0.02, wide)), paths: [{ d, colour: null }] },
            { area, colour },
          ),
          id: `hill-${i}`,
        };
      });
      const foot = b.line('byline', isDark(near) ? '#f7f3ea' : '#1a1a19', { bottom: 1 - b.my * 0.8 });
      if (!foot) return null;
      const size = 0.3;
      const cx = [0.7, 0.28, 0.5][b.s.turn];
      return [
        ground(tones.ground),
        disc('disc', cx, top + b.high(0.02), size, (w) => b.high(w), tones.accent),
        ...shapes,
        ...head.parts,
        ...foot.parts,
      ];
    },
  },
  {
    id: 'rays',
    name: 'Rays from behind the title',
    group: 'figure',
    kinds: { story: 2, practical: 3, poems: 1, report: 1 },
    moods: ['bold', 'bright', 'playful', 'warm'],
    asks: { pictures: [0, 0], letters: [1, 50], longest: 12 },
    turns: 2,
    draw(b) {
      const { tones } = b;
      const ends = headAndFoot(b, { head: tones.words, foot: tones.words });
      if (!ends) return null;
      const column = b.column(
        { x: b.mx + 0.02, y: ends.top, width: 0.96 - 2 * b.mx, height: ends.bottom - ends.top },
        titleItems({ ...b.inks, second: tones.words }, 0.22, b, { keyed: false, gap: 0.045 }),
        { anchor: 'middle' },
      );
      if (!column) return null;
      const ray = mixed(tones.ground, tones.block, toneDistance(tones.ground, tones.block) > 0.35 ? 0.16 : 0.34);
      const size = 2.6;
      const area = {
        x: 0.5 - size / 2,
        y: (b.s.turn === 0 ? 0.5 : 1) - b.high(size) / 2,
        width: size,
        height: b.high(size),
      };
      return [
        ground(tones.ground),
        { ...newShape({ kind: 'burst', points: 24, depth: 0.8 }, { area, colour: ray }), id: 'rays' },
        ...ends.parts,
        ...column.parts,
      ];
    },
  },
  {
    id: 'stripes',
    name: 'Stripes of the palette, the words in the widest',
    group: 'figure',
    kinds: { story: 1, practical: 2, poems: 2, report: 2 },
    moods: ['bright', 'playful', 'bold', 'calm', 'warm'],
    asks: { pictures: [0, 0], letters: [1, 320] },
    turns: 2,
    draw(b) {
      const { tones } = b;
      const colours = [tones.block, mixed(tones.block, tones.accent, 0.5), tones.accent];
      const each = b.high(0.075);
      const stack = each * colours.length;
      const foot = b.s.turn === 0;
      const align = foot ? 'left' : 'centre';
      const [y0, y1] = foot ? [b.my, 1 - stack - b.my * 0.7] : [stack + b.my * 0.7, 1 - b.my];
      const byline = b.line('byline', tones.words, { bottom: y1 }, { align });
      if (!byline) return null;
      const end = byline.parts.length > 0 ? byline.box.y - b.high(0.05) : y1;
      const column = b.column(
        { x: b.mx, y: y0, width: 1 - 2 * b.mx, height: end - y0 },
        [
          { role: 'series', colour: tones.accent, size: 0.032 * b.k, most: 0.2 },
          ...titleItems(b.inks, 0.24, b, { gap: 0.045 }),
        ],
        { anchor: foot ? 'top' : 'middle', align },
      );
      const from = foot ? 1 - stack : 0;
      return (
        column && [
          ground(tones.ground),
          ...colours.map((colour, i) =>
            block(`stripe-${i}`, { x: 0, y: from + i * each, width: 1, height: each + 0.0008 }, colour),
          ),
          ...column.parts,
          ...byline.parts,
        ]
      );
    },
  },
  {
    id: 'drawn-waves',
    name: 'A family of drawn lines',
    group: 'figure',
    kinds: { story: 2, practical: 1, poems: 3, report: 2 },
    moods: ['calm', 'tender', 'dark', 'grave', 'bright'],
    asks: { pictures: [0, 0], letters: [1, 130] },
    turns: 3,
    draw(b) {
      const { tones } = b;
      const align = b.s.turn === 1 ? 'left' : 'centre';
      const foot = b.line('byline', tones.words, { bottom: 1 - b.my }, { align });
      if (!foot) return null;
      const end = foot.parts.length > 0 ? foot.box.y - b.high(0.06) : 1 - b.my;
      const column = b.column(
        { x: b.mx, y: b.my, width: 1 - 2 * b.mx, height: 0.44 },
        [
          { role: 'series', colour: tones.accent, size: 0.032 * b.k, most: 0.2 },
          ...titleItems(b.inks, 0.2, b, { gap: 0.035 }),
        ],
        { anchor: 'top', align },
      );
      if (!column) return null;
      const top = column.box.y + column.box.height + b.high(0.1);
      const room = end - top;
      if (room < b.high(0.2)) return null;
      const count = Math.max(4, Math.min(16, Math.round((room * b.ratio) / 0.05)));
      const swing = Math.min(room * 0.22, b.high(0.11));
      // Two lines of other phase; those between run from the one into the other and never cross.
      const line = (y: number, phase: number): Node[] =>
        through(
          Array.from({ length: 8 }, (_, i): readonly [number, number] => [
            -0.06 + i * 0.16,
            y + swing * Math.sin(i * 0.95 + phase),
          ]),
        );
      const { turn } = b.s;
      return [
        ground(tones.ground),
        {
          ...newCurve(line(top + swing, turn), tones.accent, {
            width: 0.005,
            family: { kind: 'between', count, part: 'wave-end', via: [], carry: false },
          }),
          id: 'waves',
        },
        { ...newCurve(line(end - swing, turn + 1.7), tones.accent, { width: 0.005 }), id: 'wave-end' },
        ...column.parts,
        ...foot.parts,
      ];
    },
  },
  {
    id: 'night-sky',
    name: 'Specks of light over a low disc',
    group: 'figure',
    kinds: { story: 3, practical: 0, poems: 3, report: 0 },
    moods: ['dark', 'calm', 'tender', 'grave'],
    asks: { pictures: [0, 0], letters: [1, 90] },
    turns: 2,
    draw(b) {
      const { tones } = b;
      if (!isDark(tones.ground)) return null;
      const high = (w: number): number => b.high(w);
      const foot = b.line('byline', isDark(tones.block) ? tones.onBlock : tones.onBlock, { bottom: 1 - b.my });
      const head = b.column(
        { x: b.mx, y: b.my, width: 1 - 2 * b.mx, height: 0.5 },
        [
          { role: 'series', colour: tones.accent, size: 0.032 * b.k, most: 0.2 },
          ...titleItems(b.inks, 0.22, b, { gap: 0.04 }),
        ],
        { anchor: 'top' },
      );
      if (!head || !foot) return null;
      const size = 1.7;
      const top = Math.max(0.62, head.box.y + head.box.height + high(0.1));
      if (foot.parts.length > 0 && foot.box.y < top + high(0.09)) return null;
      const cx = b.s.turn === 0 ? 0.5 : 0.2;
      // Places of the specks follow the golden angle: even, and never in rows.
      const from = head.box.y + head.box.height + high(0.05);
      const specks = Array.from({ length: 22 }, (_, i) => {
        const x = ((i * 0.618034) % 1) * 0.9 + 0.05;
        const y = from + ((i * 0.754877) % 1) * (top - from - high(0.02));
        const r = [0.006, 0.009, 0.013][i % 3];
        return disc(`speck-${i}`, x, y, r, high, tones.accent);
      });
      return [
        ground(tones.ground),
        ...(top - from > 0.05 ? specks : []),
        disc('disc', cx, top + high(size) / 2, size, high, tones.block),
        ...head.parts,
        ...foot.parts,
      ];
    },
  },
  {
    id: 'paper-slip',
    name: 'A slip of paper with the words, on grain',
    group: 'figure',
    kinds: { story: 2, practical: 2, poems: 2, report: 3 },
    moods: ['grave', 'warm', 'calm', 'playful'],
    asks: { pictures: [0, 0], letters: [1, 320], longest: 14 },
    turns: 2,
    draw(b) {
      const { tones } = b;
      const pad = 0.075;
      const x = 0.1;
      const column = b.column(
        { x: x + pad, y: 0.14, width: 1 - 2 * x - 2 * pad, height: 0.66 },
        [
          { role: 'series', colour: tones.second, size: 0.028, most: 0.2 },
          ...titleItems(b.inks, 0.21, b, { gap: 0.05, subtitle: 0.038 }),
          { role: 'byline', colour: tones.words, size: 0.042, gap: 0.16, most: 0.3 },
        ],
        { anchor: 'middle', align: 'left' },
      );
      if (!column) return null;
      const { box } = column;
      const area = { x, width: 1 - 2 * x, y: box.y - b.high(pad), height: box.height + b.high(pad * 2.1) };
      return [
        ground(tones.block),
        {
          ...block('slip', area, tones.ground),
          shadow: { dx: 0, dy: 0.012, blur: 0.03, colour: '#000000', opacity: 0.4 },
        } as PartSeed,
        rule(
          'tape',
          { x: 0.41, y: area.y - b.high(0.022), width: 0.18, height: b.high(0.044) },
          mixed(tones.accent, tones.block, 0.35),
        ),
        ...column.parts,
      ];
    },
  },
];
