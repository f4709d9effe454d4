import { luminance, rgbOf } from '../../colour';
import { busyBand } from '../../compose';
import { newShape } from '../../cover';
import { zoneOf } from '../picture';
import type { Structure } from '../structure';
import { isDark } from '../tones';
import { LABELS, LOWER, PLATES, UPPER, VEILED } from './places';
import { WHOLE, block, ground, headAndFoot, pictureIn, rule, shaded, titleItems, turned } from './common'; // prettier-ignore

/** Covers that one picture fills. */
export const FULL: readonly Structure[] = [
  {
    id: 'quiet-end',
    name: 'Words in the calm part of a full picture',
    group: 'full',
    kinds: { story: 3, practical: 2, poems: 3, report: 1 },
    moods: ['calm', 'tender', 'dark', 'warm'],
    asks: { pictures: [1, 1], picture: (p) => !p.plain },
    turns: 4,
    draw(b) {
      const [picture] = b.s.pictures;
      const { pixels, map } = b.crop(picture, WHOLE);
      const calmTop = busyBand(map, 0.02, 0.42) <= busyBand(map, 0.58, 0.98) * 1.1;
      const [up, down] = [b.covers(picture, UPPER), b.covers(picture, LOWER)];
      // What the picture is about decides; where it lies at neither end, what is calmer, and at some turns the other.
      const top = Math.abs(up - down) > 0.15 ? up < down : calmTop !== b.s.turn >= 2;
      const align = b.s.turn % 2 === 0 ? 'centre' : 'left';
      const high = b.inksOver(pixels, { x: 0.08, y: 0.03, width: 0.84, height: 0.1 });
      const low = b.inksOver(pixels, { x: 0.08, y: 0.87, width: 0.84, height: 0.1 });
      const ends = headAndFoot(b, { head: high.accent, foot: low.words }, { align, swap: !top });
      if (!ends) return null;
      const [y0, y1] = top ? [ends.top, 0.5] : [0.5, ends.bottom];
      const inks = b.inksOver(pixels, { x: 0.08, y: y0, width: 0.84, height: (y1 - y0) * 0.9 });
      const column = b.column(
        { x: b.mx, y: y0, width: 1 - 2 * b.mx, height: y1 - y0 },
        titleItems(inks, 0.26, b, { keyed: b.s.turn === 1 }),
        { anchor: top ? 'top' : 'bottom', align },
      );
      return (
        column && [ground(zoneOf(pixels, WHOLE).hex), pictureIn(b, picture, WHOLE), ...ends.parts, ...column.parts]
      );
    },
  },
  {
    id: 'veil',
    name: 'A full picture behind a veil of colour, words in the middle',
    group: 'full',
    kinds: { story: 2, practical: 2, poems: 2, report: 2 },
    moods: ['dark', 'grave', 'calm', 'bold'],
    asks: { pictures: [1, 1], picture: (p) => !p.plain },
    turns: 2,
    draw(b) {
      const [picture] = b.s.pictures;
      const { tones } = b;
      const { look, inks } = shaded(b, isDark(tones.ground) ? tones.accent : tones.block);
      const ends = headAndFoot(b, { head: inks.words, foot: inks.words });
      if (!ends) return null;
      const inset = b.s.turn === 0 ? 0.12 : b.mx;
      const column = b.column(
        { x: inset, y: ends.top, width: 1 - 2 * inset, height: ends.bottom - ends.top },
        titleItems(inks, 0.2, b, { keyed: true, gap: 0.07 }),
        { anchor: b.clearOf(picture, VEILED, ([, area]) => area)[0] },
      );
      if (!column) return null;
      const mid = column.box;
      const short = { x: 0.42, width: 0.16, height: b.high(0.005) };
      const rules = b.s.turn === 0 && mid.y - ends.top > 0.06
        ? [rule('rule-above', { ...short, y: mid.y - b.high(0.06) }, inks.accent), rule('rule-below', { ...short, y: mid.y + mid.height + b.high(0.055) }, tones.accent)]
        : []; // prettier-ignore
      return [ground(tones.ground), pictureIn(b, picture, WHOLE, { look }), ...rules, ...ends.parts, ...column.parts];
    },
  },
  {
    id: 'poster',
    name: 'Great letters over a picture in two colours',
    group: 'full',
    kinds: { story: 3, practical: 1, poems: 1, report: 1 },
    moods: ['bold', 'dark', 'playful', 'bright'],
    asks: {
      pictures: [1, 1],
      letters: [3, 42],
      longest: 13,
      weight: ['heavy'],
      leftToRight: true,
      picture: (p) => !p.plain,
    },
    turns: 2,
    draw(b) {
      const [picture] = b.s.pictures;
      const { tones } = b;
      const { look, inks } = shaded(b, tones.words, { contrast: 0.25 });
      const ends = headAndFoot(b, { head: inks.words, foot: inks.words }, { swap: b.s.turn === 1 });
      if (!ends) return null;
      const column = b.column(
        { x: b.mx * 0.85, y: ends.top, width: 1 - 1.7 * b.mx, height: ends.bottom - ends.top },
        titleItems(inks, 1.2, b, {
          title: { justified: true, upper: true, leading: 0.9, minor: null },
          gap: 0.05,
          keyed: true,
        }),
        { anchor: b.s.turn === 0 ? 'top' : 'bottom' },
      );
      // So little of a dim picture needs great letters, or the cover is bare.
      if (column && column.box.height < (ends.bottom - ends.top) * 0.4) return null;
      return column && [ground(tones.ground), pictureIn(b, picture, WHOLE, { look }), ...ends.parts, ...column.parts];
    },
  },
  {
    id: 'through-letters',
    name: 'The picture shows through the letters',
    group: 'full',
    kinds: { story: 2, practical: 2, poems: 2, report: 1 },
    moods: ['bold', 'bright', 'calm', 'playful'],
    asks: {
      pictures: [1, 1],
      letters: [2, 24],
      longest: 9,
      weight: ['heavy'],
      leftToRight: true,
      ungraded: true,
      picture: (p) => oneSided(p.sample) !== null,
    },
    turns: 2,
    draw(b) {
      const picture = b.s.pictures.find((p) => oneSided(p.sample) !== null);
      if (!picture) return null;
      const pale = oneSided(picture.sample) === 'dark';
      const { tones } = b;
      const own = pale ? '#fbf9f4' : '#0d0e10';
      const words =
        isDark(tones.words) === pale
          ? tones.words
          : isDark(tones.ground) === pale
            ? tones.ground
            : pale
              ? '#22211f'
              : '#f4f1ea';
      const ends = headAndFoot(b, { head: words, foot: words });
      if (!ends) return null;
      const column = b.column(
        { x: b.mx * 0.8, y: ends.top, width: 1 - 1.6 * b.mx, height: ends.bottom - ends.top },
        titleItems({ words, second: words, accent: words }, 1.4, b, {
          title: { justified: true, upper: true, leading: 0.88, minor: null, accents: [], fill: { kind: 'picture', asset: picture.asset, focus: { x: 0.5, y: 0.5 }, zoom: 1 } },
          gap: 0.06,
        }),
        { anchor: b.s.turn === 0 ? 'middle' : 'top' },
      ); // prettier-ignore
      return column && [ground(own), ...ends.parts, ...column.parts];
    },
  },
  {
    id: 'plate',
    name: 'A plate with the words on a full picture',
    group: 'full',
    kinds: { story: 1, practical: 3, poems: 2, report: 2 },
    moods: ['calm', 'warm', 'bright', 'grave'],
    asks: { pictures: [1, 1], letters: [1, 90], picture: (p) => !p.plain },
    turns: 3,
    draw(b) {
      const [picture] = b.s.pictures;
      const { tones } = b;
      const pad = 0.055;
      const x = b.mx;
      const inner = { x: x + pad, width: 1 - 2 * x - 2 * pad };
      const [y0, y1, anchor] = b.clearOf(picture, PLATES, ([from, to]) => ({
        x,
        y: from,
        width: 1 - 2 * x,
        height: to - from,
      }));
      const column = b.column(
        { ...inner, y: y0 + b.high(pad), height: y1 - y0 - b.high(2 * pad) },
        [
          { role: 'series', colour: tones.accent, size: 0.03 * b.k, most: 0.2 },
          ...titleItems(b.inks, 0.19, b, { gap: 0.035, keyed: true }),
          { role: 'byline', colour: tones.words, size: 0.043 * b.k, gap: 0.055, most: 0.3 },
        ],
        { anchor, align: 'centre' },
      ); // prettier-ignore
      if (!column) return null;
      const plate = { x, width: 1 - 2 * x, y: column.box.y - b.high(pad), height: column.box.height + b.high(2 * pad) };
      return [ground(tones.block), pictureIn(b, picture, WHOLE), block('plate', plate, tones.ground), ...column.parts];
    },
  },
  {
    id: 'third-block',
    name: 'A block of colour at a third, words ranged left in it',
    group: 'full',
    kinds: { story: 1, practical: 3, poems: 1, report: 3 },
    moods: ['bold', 'bright', 'grave', 'playful'],
    asks: { pictures: [1, 1], letters: [1, 70], picture: (p) => !p.plain },
    turns: 2,
    draw(b) {
      const [picture] = b.s.pictures;
      const { tones } = b;
      const wide = b.ratio < 1.2 ? 0.6 : 0.74;
      const [top, height] = [0.1, 0.5];
      const column = b.column(
        { x: b.mx, y: top + b.high(0.06), width: wide - b.mx - 0.055, height: height - b.high(0.12) },
        [
          { role: 'series', colour: tones.onBlock, size: 0.03 * b.k, most: 0.25 },
          ...titleItems(b.blockInks, 0.2, b, { gap: 0.04, subtitle: 0.04 }),
          { role: 'byline', colour: tones.onBlock, size: 0.042 * b.k, gap: 0.05, most: 0.3 },
        ],
        { anchor: 'top', align: 'left' },
      );
      if (!column) return null;
      const area = { x: 0, y: top, width: wide, height: column.box.height + b.high(0.12) };
      const low = 1 - area.height - 0.1 - top;
      const moved = b.clearOf(picture, b.s.turn === 1 ? [low, 0] : [0, low], (by) => ({ ...area, y: top + by }));
      const down = column.parts.map((p) => ('area' in p ? { ...p, area: { ...p.area, y: p.area.y + moved } } : p));
      return [ground(tones.ground), pictureIn(b, picture, WHOLE), block('block', { ...area, y: top + moved }, tones.block), ...down]; // prettier-ignore
    },
  },
  {
    id: 'label',
    name: 'A small label in the middle of a full picture',
    group: 'full',
    kinds: { story: 2, practical: 2, poems: 2, report: 1 },
    moods: ['tender', 'grave', 'calm', 'playful'],
    asks: { pictures: [1, 1], letters: [1, 48], longest: 13, picture: (p) => !p.plain },
    turns: 2,
    draw(b) {
      const [picture] = b.s.pictures;
      const { tones } = b;
      const wide = 0.62;
      const pad = 0.075;
      const [y0, y1, anchor] = b.clearOf(picture, LABELS, ([from, to]) => ({
        x: (1 - wide) / 2,
        y: from,
        width: wide,
        height: to - from,
      }));
      const column = b.column(
        { x: (1 - wide) / 2 + pad, y: y0 + b.high(pad), width: wide - 2 * pad, height: y1 - y0 - b.high(2 * pad) },
        [
          { role: 'series', colour: tones.second, size: 0.026, most: 0.25 },
          ...titleItems(b.inks, 0.13, b, { gap: 0.035, subtitle: 0.034 }),
          { role: 'byline', colour: tones.accent, size: 0.035, gap: 0.05, most: 0.3 },
        ],
        { anchor },
      );
      if (!column) return null;
      const { box } = column;
      const plate = { x: (1 - wide) / 2, width: wide, y: box.y - b.high(pad), height: box.height + b.high(2 * pad) };
      const inset = 0.02;
      const line = { x: plate.x + inset, width: plate.width - 2 * inset, y: plate.y + b.high(inset), height: plate.height - b.high(2 * inset) }; // prettier-ignore
      const corner = b.s.turn === 0 ? 'square' : 'scooped';
      return [
        ground(tones.block),
        pictureIn(b, picture, WHOLE),
        block('plate', plate, tones.ground),
        { ...newShape({ kind: 'frame', thick: 0.008, corner, size: 0.06, double: b.s.turn === 0 }, { area: line, colour: tones.accent }), id: 'frame' },
        ...column.parts,
      ]; // prettier-ignore
    },
  },
  {
    id: 'band',
    name: 'A band across a full picture',
    group: 'full',
    kinds: { story: 2, practical: 3, poems: 1, report: 2 },
    moods: ['bold', 'bright', 'warm', 'dark'],
    asks: { pictures: [1, 1], letters: [1, 60], picture: (p) => !p.plain },
    turns: 3,
    draw(b) {
      const [picture] = b.s.pictures;
      const { tones } = b;
      const pad = 0.05;
      const most = 0.36;
      const high = (y: number): number => Math.min(y - most / 2, 0.97 - most);
      const centre = b.clearOf(picture, [0.64, 0.34, 0.78, 0.2], (y) => ({ x: 0, y: high(y), width: 1, height: most }));
      const align = b.s.turn === 1 ? 'left' : 'centre';
      const y = high(centre);
      const column = b.column(
        { x: b.mx, y: y + b.high(pad), width: 1 - 2 * b.mx, height: most - b.high(2 * pad) },
        titleItems(b.blockInks, 0.2, b, { gap: 0.03 }),
        { anchor: 'middle', align },
      );
      if (!column) return null;
      const band = { x: 0, width: 1, y: column.box.y - b.high(pad), height: column.box.height + b.high(2 * pad) };
      const { pixels } = b.crop(picture, WHOLE);
      const below = band.y + band.height < 0.86;
      const lineY = below ? 1 - b.my : b.my;
      const inks = b.inksOver(pixels, { x: 0.08, y: below ? 0.9 : 0.02, width: 0.84, height: 0.08 });
      const byline = b.line('byline', inks.words, below ? { bottom: lineY } : { top: lineY }, { align });
      const upper = b.inksOver(pixels, { x: 0.08, y: 0.02, width: 0.84, height: 0.08 });
      const series = below ? b.line('series', upper.words, { top: b.my }, { align }) : b.line('series', inks.words, { bottom: band.y - b.high(0.03) }, { align }); // prettier-ignore
      if (!byline || !series) return null;
      const edge = { x: 0, width: 1, height: b.high(0.006) };
      return [
        ground(tones.ground),
        pictureIn(b, picture, WHOLE),
        block('band', band, tones.block),
        rule('edge-above', { ...edge, y: band.y + b.high(0.014) }, b.blockInks.accent),
        rule('edge-below', { ...edge, y: band.y + band.height - b.high(0.02) }, b.blockInks.accent),
        ...byline.parts,
        ...series.parts,
        ...column.parts,
      ];
    },
  },
  {
    id: 'figure-at-foot',
    name: 'The figure at the foot, the title in its sky',
    group: 'full',
    kinds: { story: 2, practical: 3, poems: 2, report: 1 },
    moods: ['playful', 'calm', 'bright', 'tender'],
    asks: { pictures: [1, 1], picture: (p) => p.border !== null && !p.plain },
    turns: 2,
    draw(b) {
      const picture = b.s.pictures.find((p) => p.border !== null && !p.plain);
      if (!picture) return null;
      const { tones } = b;
      // A pale border vanishes by multiplying on a pale ground, a dark one by screening on a dark ground.
      if (picture.border === 'light' && isDark(tones.ground)) return null;
      if (picture.border === 'dark' && !isDark(tones.ground)) return null;
      const blend = picture.border === 'light' ? 'multiply' : picture.border === 'dark' ? 'screen' : 'normal';
      const align = b.s.turn === 0 ? 'centre' : 'left';
      const head = b.column(
        { x: b.mx, y: b.my * 0.9, width: 1 - 2 * b.mx, height: 0.45 },
        [
          { role: 'series', colour: tones.accent, size: 0.032 * b.k, most: 0.2 },
          ...titleItems(b.inks, 0.22, b, { keyed: true }),
          { role: 'byline', colour: tones.words, size: 0.045 * b.k, gap: 0.05, most: 0.3 },
        ],
        { anchor: 'top', align, tight: true },
      );
      if (!head) return null;
      const y = head.box.y + head.box.height + b.high(0.04);
      const area = { x: 0.04, y, width: 0.92, height: 1 - y };
      return [ground(tones.ground), { ...pictureIn(b, picture, area), fit: 'whole', blend } as ReturnType<typeof pictureIn>, ...head.parts]; // prettier-ignore
    },
  },
  {
    id: 'side-strip',
    name: 'A strip down the side with the title turned',
    group: 'full',
    kinds: { story: 2, practical: 1, poems: 2, report: 2 },
    moods: ['bold', 'grave', 'playful', 'calm'],
    asks: { pictures: [1, 1], letters: [2, 34], leftToRight: true, picture: (p) => !p.plain },
    turns: 2,
    draw(b) {
      const [picture] = b.s.pictures;
      const { tones } = b;
      const subtitled = b.has('subtitle');
      const strip = subtitled ? 0.36 : 0.28;
      const left = b.s.turn === 0;
      const x0 = left ? 0 : 1 - strip;
      const setting = left ? ('up' as const) : ('down' as const);
      const tall = 1 - 2 * b.my;
      const title = turned(b, 'title', b.blockInks.words, { x: x0 + (left ? 0.055 : strip - 0.055 - 0.17), y: b.my, width: 0.17, height: tall }, setting, 0.17); // prettier-ignore
      const sub = subtitled
        ? turned(b, 'subtitle', b.blockInks.second, { x: x0 + (left ? 0.25 : strip - 0.25 - 0.075), y: b.my, width: 0.075, height: tall }, setting, 0.036)
        : { parts: [] }; // prettier-ignore
      if (!title || !sub) return null;
      const frame = { x: left ? strip : 0, y: 0, width: 1 - strip, height: 1 };
      const { pixels } = b.crop(picture, frame);
      const place = { x: frame.x + 0.05, width: frame.width - 0.1 };
      const low = b.inksOver(pixels, { x: 0.05, y: 0.88, width: 0.9, height: 0.1 });
      const high = b.inksOver(pixels, { x: 0.05, y: 0.02, width: 0.9, height: 0.1 });
      const at = { ...place, align: left ? ('right' as const) : ('left' as const) };
      const byline = b.line('byline', low.words, { bottom: 1 - b.my }, { ...at, size: 0.045 });
      const series = b.line('series', high.words, { top: b.my }, at);
      if (!byline || !series) return null;
      return [
        ground(tones.ground),
        pictureIn(b, picture, frame),
        block('strip', { x: x0, y: 0, width: strip, height: 1 }, tones.block),
        ...title.parts,
        ...sub.parts,
        ...byline.parts,
        ...series.parts,
      ];
    },
  },
];

/** Whether nine tenths of a picture are dark or light enough to be letters on a plain ground. */
function oneSided({ data }: { data: Uint8ClampedArray }): 'dark' | 'light' | null {
  const lights: number[] = [];
  for (let i = 0; i < data.length; i += 4 * 3) lights.push(luminance([data[i], data[i + 1], data[i + 2]]));
  lights.sort((a, b) => a - b);
  if (lights[Math.floor(lights.length * 0.93)] < 0.13) return 'dark';
  if (lights[Math.floor(lights.length * 0.07)] > luminance(rgbOf('#8e8e8e'))) return 'light';
  return null;
}
