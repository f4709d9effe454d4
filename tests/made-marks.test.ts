import { DrawnForm } from '@yosomi/core/cover';
import { readPathData } from '@yosomi/core/forms';
import {
  FRAMES,
  SYMBOLS,
  WAYS,
  type Way,
  areaOf,
  both,
  drawMark,
  findWay,
  frameOf,
  grown,
  initialsOf,
  layersOf,
  lettersOf,
  openBook,
  outlineOf,
  regionOf,
  serves,
  symbolRegion,
  together,
  without,
} from '@yosomi/core/marks';
import { drawingFile, drawingRaster, markDrawings } from '@yosomi/core/recipe';
import { FALLBACK_CUT } from '@yosomi/core/text';
import { readSvg } from '@yosomi/core/vector';
import { NodeStudio } from '@yosomi/node-kit';
import fc from 'fast-check';
import { PNG } from 'pngjs';
import { beforeAll, describe, expect, it } from 'vitest';

const studio = new NodeStudio(new Map());
const words = (letters: string, name = 'Alder House') => ({ letters: lettersOf(letters), name, symbol: null });
const able = (letters: string): Way[] => WAYS.filter((way) => serves(way, words(letters)));

beforeAll(() => studio.loadFonts([...WAYS.map(({ cut }) => cut), FALLBACK_CUT]));

describe('initials', () => {
  it.each([
    ['Alder House', 'AH'],
    ['Anna de Vries', 'AV'],
    ['Jean-Luc Moreau', 'JLM'],
    ['J. R. Hale', 'JRH'],
    ['The Balcony Moss Garden', 'BMG'],
    ['Of', 'O'],
    ['élodie', 'É'],
    ['Maria Teresa Alba Carlotta Ruiz', 'MTAR'],
    ['  ', ''],
    ['…', ''],
    ['4 Winds Press', '4WP'],
  ])('of "%s" are %s', (name, initials) => expect(initialsOf(name)).toBe(initials));

  it('counts a letter with its marks as one, and keeps four of what is typed', () => {
    expect(lettersOf('A\u0301 b, c-d e')).toEqual(['A\u0301', 'b', 'c', 'd']);
    fc.assert(fc.property(fc.string({ unit: 'grapheme' }), (typed) => lettersOf(typed).length <= 4));
  });
});

describe('areas', () => {
  const ring = regionOf({ ops: [0, 0, 0, 1, 100, 0, 1, 100, 100, 1, 0, 100, 4] });
  it('are cut, joined and grown as geometry says', () => {
    const other = regionOf({ ops: [0, 50, 0, 1, 150, 0, 1, 150, 100, 1, 50, 100, 4] });
    expect(areaOf(together(ring, other))).toBeCloseTo(15000, 0);
    expect(areaOf(without(ring, other))).toBeCloseTo(5000, 0);
    expect(areaOf(both(ring, other))).toBeCloseTo(5000, 0);
    expect(areaOf(grown(ring, 10))).toBeCloseTo(14400, 0);
  });

  it.each([...FRAMES])('the outline of a %s lies on its area within half a unit', (name) => {
    const { field } = frameOf(name);
    const again = regionOf(outlineOf(field));
    const off = areaOf(without(field, again)) + areaOf(without(again, field));
    const round = field
      .flat()
      .reduce(
        (sum, p, i, all) => sum + Math.hypot(p.x - all[(i + 1) % all.length].x, p.y - all[(i + 1) % all.length].y),
        0,
      );
    expect(off).toBeLessThan(round * 0.5);
  });

  it.each([...SYMBOLS])('the symbol %s fills a fair part of its box and no crumbs', (name) => {
    const region = symbolRegion(name);
    expect(areaOf(region)).toBeGreaterThan(90_000);
    for (const part of region) expect(areaOf([part])).toBeGreaterThan(500);
  });
});

describe('marks', () => {
  it.each(['R', 'AH', 'MRS', 'ABCD'])('%s can be drawn in at least forty ways that differ', async (letters) => {
    const seen: Uint8ClampedArray[] = [];
    for (const way of able(letters)) {
      const drawing = drawMark(way, words(letters), null, studio.shaper);
      if (!drawing) continue;
      // Within the bounds of a part, so that it can be kept.
      expect(DrawnForm.safeParse({ kind: 'drawn', ...drawing }).success).toBe(true);
      const { data } = await drawingRaster({ ...drawing, ratio: 1 }, 64, '#ffffff', studio);
      seen.push(data);
    }
    expect(seen.length).toBeGreaterThanOrEqual(40);
    let nearest = Infinity;
    seen.forEach((a, i) =>
      seen.slice(0, i).forEach((b) => {
        let sum = 0;
        for (let k = 0; k < a.length; k += 4) sum += Math.abs(a[k] - b[k]);
        nearest = Math.min(nearest, sum / (a.length / 4) / 255);
      }),
    );
    // Two of them differ in at least a hundredth of the picture.
    expect(nearest).toBeGreaterThan(0.01);
  });

  it('has areas that lie beside one another, and letters that stay within their frame', () => {
    for (const letters of ['R', 'AV', 'EH', 'WWM', 'ABCD'])
      for (const way of able(letters)) {
        const layers = layersOf(way, words(letters), studio.shaper);
        if (!layers) continue;
        const { first, second, hole } = layers;
        const shared = areaOf(both(first, second)) + areaOf(both(first, hole)) + areaOf(both(second, hole));
        expect(shared, `${way.id} ${letters}`).toBeLessThan(areaOf(together(first, second)) * 0.002);
        if (way.round.kind !== 'frame' && way.round.kind !== 'pages') continue;
        const { field } = way.round.kind === 'frame' ? frameOf(way.round.frame) : openBook();
        expect(areaOf(without(hole, grown(field, -20))), `${way.id} ${letters}`).toBeLessThan(30);
      }
  });

  it('takes no letter away: what is cut where they cross is little', async () => {
    for (const letters of ['AH', 'EH', 'KR', 'OC', 'WM'])
      for (const way of WAYS.filter(
        ({ set, round, finish }) => set.kind === 'woven' && round.kind === 'none' && finish === 'plain',
      )) {
        const layers = layersOf(way, words(letters), studio.shaper);
        if (!layers) continue;
        const apart = layersOf({ ...way, set: { kind: 'row', gap: 0.3 } }, words(letters), studio.shaper)!;
        expect(areaOf(layers.first) / areaOf(apart.first), `${way.id} ${letters}`).toBeGreaterThan(0.6);
      }
  });

  it('leaves out what cannot be read: an E that shares a stem with an H is an 8', () => {
    const way = findWay('shared-narrow')!;
    expect(drawMark(way, words('EH'), null, studio.shaper)).toBeNull();
    expect(drawMark(way, words('HA'), null, studio.shaper)).not.toBeNull();
    expect(drawMark(findWay('plain')!, words('山'), null, studio.shaper)).toBeNull();
  });

  it('fills what was cut out with the second colour, and leaves it clear without one', async () => {
    const way = findWay('disc-full')!;
    const one = drawMark(way, words('AH'), null, studio.shaper)!;
    const two = drawMark(way, words('AH'), '#ff0000', studio.shaper)!;
    expect(one.paths.map(({ colour }) => colour)).toEqual([null]);
    expect(two.paths.map(({ colour }) => colour)).toEqual([null, '#ff0000']);
    const clear = await drawingRaster(one, 200, null, studio);
    const full = await drawingRaster(two, 200, null, studio);
    const open = (alpha: Uint8ClampedArray): number => alpha.filter((v, i) => i % 4 === 3 && v < 20).length;
    // Round the disc it is clear in both, in the letters only in one.
    expect(open(full.data) / (200 * 200)).toBeCloseTo(1 - Math.PI / 4, 1);
    expect(open(clear.data)).toBeGreaterThan(open(full.data) + 2500);
  });

  it('is the same each time, whatever was drawn before', async () => {
    const ask = (ways: string[]) =>
      markDrawings(ways, { letters: 'MH', name: 'Mara Hale', symbol: 'key', second: null }, studio);
    const all = await ask(WAYS.map(({ id }) => id));
    const again = await ask(['ring-full', 'four']);
    expect(again['ring-full']).toEqual(all['ring-full']);
    expect(again.four).toEqual(all.four);
    expect(await ask(['no-such-way'])).toEqual({});
  });

  it('writes the name where it is short enough, and asks for none where there is none', () => {
    expect(serves(findWay('ring-line')!, { letters: ['A'], name: '' })).toBe(false);
    expect(serves(findWay('ring-line')!, { letters: ['A'], name: 'A'.repeat(41) })).toBe(false);
    const short = layersOf(findWay('name-ruled')!, words('AH', 'Ada'), studio.shaper)!;
    const long = layersOf(findWay('name-ruled')!, words('AH', 'Adalbertine Houghton'), studio.shaper)!;
    expect(areaOf(long.second)).toBeGreaterThan(areaOf(short.second));
  });

  it('as files is read back as the same drawing, on a clear ground', async () => {
    const drawing = drawMark(findWay('seal')!, words('QR'), '#b0562a', studio.shaper)!;
    const svg = await drawingFile(drawing, '#102030', 'svg', studio);
    const read = svg.ok && readSvg(svg.value);
    expect(read && read.ok && read.value.paths.map(({ colour }) => colour)).toEqual(['#102030', '#b0562a']);
    const area = (paths: readonly { d: string }[]): number =>
      paths.reduce((sum, { d }) => {
        const path = readPathData(d);
        return sum + (path.ok ? areaOf(regionOf(path.value)) : 0);
      }, 0);
    if (read && read.ok) expect(area(read.value.paths) / area(drawing.paths)).toBeCloseTo(1, 1);
    const png = await drawingFile(drawing, '#102030', 'png', studio);
    const image = PNG.sync.read(Buffer.from(png.ok ? png.value : []));
    expect(Math.max(image.width, image.height)).toBe(2000);
    expect(image.data[3]).toBe(0);
    const middle = (1000 * image.width + 60) * 4;
    expect([...image.data.subarray(middle, middle + 4)]).toEqual([16, 32, 48, 255]);
  });
});
