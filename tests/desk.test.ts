import { describe, expect, it } from 'vitest';
import { type Brief, emptyBrief } from '@yosomi/core/book';
import { labOf, rgbOf } from '@yosomi/core/colour';
import { wordsCover } from '@yosomi/core/compose';
import { DESK, PLACE_AREAS, deskPicture, nameOfColour, readPainting, readPicture } from '@yosomi/core/desk';
import { CATALOGUE, HAND_NAMES, MOTIF_NAMES, type PaintingSpec, paintPicture } from '@yosomi/core/paintings';
import { type Raster, raster, shrink } from '@yosomi/core/pixels';
import { assetId, newBook } from '@yosomi/core/project';
import { deskCover, noHouse, settledCover } from '@yosomi/core/recipe';
import { NodeStudio, shippedSymbols } from '@yosomi/node-kit';
import { fileOf } from './fixtures/pictures';

const studio = new NodeStudio(new Map());
const brush = (ink: Parameters<typeof studio.paint>[0], px: number): Raster => studio.paint(ink, px, new Map());
const painted = (spec: PaintingSpec, px: number): Raster => {
  const made = paintPicture(spec, px, brush);
  if (!made) throw new Error('stopped');
  return made;
};

/** Grey pixels whose lightness is a function of the place, 0..255. */
function grey(width: number, height: number, at: (u: number, v: number, x: number, y: number) => number): Raster {
  const out = raster(width, height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const v = at((x + 0.5) / width, (y + 0.5) / height, x, y);
      out.data.set([v, v, v, 255], (y * width + x) * 4);
    }
  return out;
}

describe('pictures that the product paints', () => {
  it('are the same from the same numbers, and others from others', () => {
    for (const hand of HAND_NAMES) {
      const spec: PaintingSpec = { motif: 'lone-tree', hand, pigments: 'dawn', seed: 2, tall: 1.6 };
      const one = painted(spec, 64);
      expect(painted(spec, 64).data, hand).toEqual(one.data);
      expect(painted({ ...spec, seed: 3 }, 64).data, hand).not.toEqual(one.data);
    }
  });

  it('are the same picture at any width: every motif, small and made small', () => {
    for (const [i, motif] of MOTIF_NAMES.entries()) {
      const hand = (['flat', 'photographic', 'cut-paper'] as const)[i % 3];
      const spec: PaintingSpec = { motif, hand, pigments: 'sea', seed: 1, tall: 1.5 };
      const [large, small] = [shrink(painted(spec, 128), 16, 24), shrink(painted(spec, 64), 16, 24)];
      let off = 0;
      for (let k = 0; k < small.data.length; k++) off += Math.abs(small.data[k] - large.data[k]);
      expect(off / small.data.length, `${motif} ${hand}`).toBeLessThan(7);
    }
  });

  it('fill every shape to its corners, in every hand', () => {
    for (const tall of [0.66, 1, 1.6])
      for (const hand of HAND_NAMES) {
        const { width, height, data } = painted({ motif: 'ridges', hand, pigments: 'snow', seed: 5, tall }, 90);
        expect([width, height]).toEqual([90, Math.round(90 * tall)]);
        expect(data.every((v, i) => i % 4 !== 3 || v === 255)).toBe(true);
      }
  });

  it('stop between two things when they are told to, and say how far they are', () => {
    const shares: number[] = [];
    const stopped = paintPicture(CATALOGUE[0], 60, brush, (share) => {
      shares.push(share);
      return shares.length === 4;
    });
    expect(stopped).toBeNull();
    expect(shares).toHaveLength(4);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
  });
});

describe('what is measured of a picture', () => {
  it('is what the desk says of it', () => {
    for (const { id, reading, ...spec } of DESK.filter((_, i) => i % 30 === 3)) {
      const now = readPainting(spec, brush);
      expect(now.quiet, id).toEqual(reading.quiet);
      expect(now.colours, id).toEqual(reading.colours);
      expect(now.light, id).toBeCloseTo(reading.light, 1);
      expect(now.busy, id).toBeCloseTo(reading.busy, 0);
    }
    expect(deskPicture('no.such.picture.1')).toBeUndefined();
  });

  it('finds the quiet side wherever it is, and none in noise', () => {
    const noisy = (_u: number, _v: number, x: number, y: number): number => ((x * 7 + y * 13 + x * y) % 5) * 60;
    const quietWhere = (calm: (u: number, v: number) => boolean): string[] => [
      ...readPicture(grey(160, 256, (u, v, x, y) => (calm(u, v) ? 120 : noisy(u, v, x, y)))).quiet,
    ];
    expect(quietWhere((u) => u < 0.56)).toEqual(['left']);
    expect(quietWhere((u) => u > 0.44)).toEqual(['right']);
    expect(quietWhere((_, v) => v < 0.42)).toEqual(['top']);
    expect(quietWhere((_, v) => v > 0.58)).toEqual(['foot']);
    expect(quietWhere((u, v) => u > 0.1 && u < 0.9 && v > 0.3 && v < 0.7)).toEqual(['middle']);
    expect(quietWhere(() => false)).toEqual([]);
  });

  it('does not call a place quiet that runs from black to white: no colour of words reads on it', () => {
    const { quiet } = readPicture(grey(160, 256, (u) => u * 255));
    expect(quiet).not.toContain('top');
    expect(quiet).not.toContain('middle');
  });

  it('names colours as people do', () => {
    const named = (hex: string): string => nameOfColour(labOf(rgbOf(hex)));
    expect(
      ['#d02020', '#e08a20', '#f0d020', '#309040', '#209090', '#2050c0', '#7030a0', '#f0a0b8', '#6b4423'].map(named),
    ).toEqual(['red', 'orange', 'yellow', 'green', 'teal', 'blue', 'violet', 'pink', 'brown']);
    expect(['#ffffff', '#808080', '#0a0a0a'].map(named)).toEqual(['white', 'grey', 'black']);
  });
});

describe('a title set on a picture of the desk', () => {
  const bookOf = (brief: Partial<Brief>) => {
    const whole = { ...emptyBrief, title: 'The Lantern Keeper', author: 'Maren Holt', ...brief };
    return {
      ...newBook('desk-book', 'urn:yosomi:desk-book', '2026-11-01T09:00:00.000Z', wordsCover(whole)),
      brief: whole,
    };
  };
  const on = async (id: string, brief: Partial<Brief> = {}) => {
    const spec = deskPicture(id);
    if (!spec) throw new Error(id);
    const sample = painted(spec, 200);
    const bytes = await fileOf(sample, 'png');
    const own = new NodeStudio(new Map([[assetId(bytes), bytes]]));
    const picture = { id: assetId(bytes), sample, widthPx: 1600, heightPx: Math.round(1600 * spec.tall) };
    const book = bookOf(brief);
    return { made: await deskCover(book, noHouse, picture, await shippedSymbols(), own, 200), book, own, spec };
  };

  it.each([
    'snowfield.photographic.snow.3',
    'wires.photographic.ember.3',
    'moon.photographic.blue.3',
    'wreath.flat.spring.1',
  ])('reads on %s, measured as the Front does', async (id) => {
    const { made, book, own } = await on(id);
    if (!made) throw new Error('no cover');
    expect(JSON.stringify(made.doc)).toContain('"asset"');
    const { settled } = await settledCover({ ...book, cover: made.doc }, own, 400);
    expect(settled.reports.size).toBeGreaterThan(1);
    for (const report of settled.reports.values()) expect(report.worstTenth).toBeGreaterThanOrEqual(4.5);
  });

  it('goes where the picture is quiet', async () => {
    for (const id of ['lone-tree.photographic.dawn.2', 'flock.photographic.dawn.4']) {
      const { made, spec } = await on(id);
      expect(spec.reading.quiet[0], id).toBe('top');
      const title = Object.values(made?.doc.parts ?? {}).find((p) => p.kind === 'words' && p.role === 'title');
      if (title?.kind !== 'words') throw new Error('no title');
      expect(title.area.y + title.area.height / 2, id).toBeLessThan(PLACE_AREAS.top.y + PLACE_AREAS.top.height);
    }
  });

  it('is the same cover each time, and none where no face has the letters', async () => {
    const [one, two] = [await on('candle.photographic.plum.3'), await on('candle.photographic.plum.3')];
    expect(one.made?.doc).toEqual(two.made?.doc);
    expect((await on('candle.photographic.plum.3', { title: 'ꦲꦤꦕꦫꦏ' })).made).toBeNull();
  });
});
