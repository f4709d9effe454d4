import { untold } from '@yosomi/core/book';
import { change } from '@yosomi/core/base';
import {
  type Doc,
  type PicturePart,
  type SoftMask,
  brushPicture,
  docOf,
  levelPicture,
  newPicture,
  setPart,
  setSoft,
  wholeSoft,
} from '@yosomi/core/cover';
import { develop } from '@yosomi/core/darkroom';
import { raster } from '@yosomi/core/pixels';
import { writePng } from '@yosomi/core/image-file';
import { assetsInUse, isMatte } from '@yosomi/core/project';
import { coverRaster, gather, missingFile } from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { pictureProject, wordsBook } from './fixtures/books';

let files: Awaited<ReturnType<typeof pictureProject>>['files'];
let asset: string;
const [W, H] = [400, 640];

beforeAll(async () => {
  const project = await pictureProject();
  files = project.files;
  const source = Object.values(project.book.cover.parts).find((part) => part.kind === 'picture')!.source;
  if (source.kind !== 'asset') throw new Error('no picture');
  ({ asset } = source);
});

/** A cover of one picture on pure red, which no pixel of it is near. */
const cover = (soft: SoftMask | null, more: Partial<PicturePart> = {}): Doc =>
  docOf(W, H, [
    {
      ...wordsBook().cover.parts.ground,
      kind: 'ground',
      id: 'ground',
      paint: { kind: 'flat', colour: '#ff0000' },
      border: null,
    } as never,
    {
      ...newPicture({ kind: 'asset', asset }, { area: { x: 0.1, y: 0.1, width: 0.8, height: 0.8 }, ...more }),
      soft,
      id: 'p',
    },
  ]);
async function painted(doc: Doc) {
  const made = await coverRaster({ ...wordsBook(), cover: doc, assets: {} }, W, new NodeStudio(files));
  return (x: number, y: number): number[] => [...made.data.subarray((y * W + x) * 4, (y * W + x) * 4 + 3)];
}
/** How much of the red ground shows at a point, 0..1, against the picture as it is whole. */
async function shows(soft: SoftMask, more: Partial<PicturePart> = {}): Promise<(x: number, y: number) => number> {
  const [whole, now] = [await painted(cover(null, more)), await painted(cover(soft, more))];
  return (x, y) => {
    const [a, b] = [whole(x, y), now(x, y)];
    // By the channels that the ground lacks.
    const left = a[1] + a[2];
    return left === 0 ? 0 : 1 - (b[1] + b[2]) / left;
  };
}

describe('a picture that fades out', () => {
  it('to a side: whole before it begins, gone after its end, less and less between', async () => {
    const at = await shows({ ...wholeSoft, fade: { kind: 'side', angleRad: Math.PI / 2, from: 0.3, to: 0.8 } });
    const y = (share: number): number => Math.round(H * (0.1 + 0.8 * share));
    expect(at(200, y(0.1))).toBeLessThan(0.02);
    expect(at(200, y(0.27))).toBeLessThan(0.03);
    expect(at(200, y(0.83))).toBeGreaterThan(0.98);
    const run = Array.from({ length: 11 }, (_, i) => at(200, y(0.3 + i * 0.05)));
    for (let i = 1; i < run.length; i++) expect(run[i]).toBeGreaterThanOrEqual(run[i - 1] - 0.02);
    expect(run[5]).toBeGreaterThan(0.35);
    expect(run[5]).toBeLessThan(0.65);
    // As far across as down the side: it fades to the foot alone.
    expect(Math.abs(at(60, y(0.55)) - at(340, y(0.55)))).toBeLessThan(0.05);
  });

  it('all round: its middle stays, its corners are gone', async () => {
    const at = await shows({ ...wholeSoft, fade: { kind: 'round', from: 0.4, to: 1 } });
    expect(at(200, 320)).toBeLessThan(0.02);
    for (const [x, y] of [
      [44, 68],
      [356, 68],
      [44, 572],
      [356, 572],
    ])
      expect(at(x, y)).toBeGreaterThan(0.98);
    expect(at(200, 70)).toBeGreaterThan(0.9);
  });
});

describe('a picture painted by hand', () => {
  const stroke = (show: boolean, points: [number, number][], soft = 0) =>
    brushPicture(
      'p',
      points.map(([x, y]) => ({ x, y })),
      { show, widthPx: 60, soft },
    );
  const done = (doc: Doc, ...edits: ReturnType<typeof stroke>[]): Doc =>
    edits.reduce((now, edit) => {
      const changed = change(now, edit);
      if (!changed.ok) throw new Error(changed.fault.code);
      return changed.value.next;
    }, doc);
  const soft = (doc: Doc): SoftMask => (doc.parts.p as PicturePart).soft!;

  it('is away where the brush went, and back where it brings back, in their order', async () => {
    const away = done(
      cover(null),
      stroke(false, [
        [60, 300],
        [340, 300],
      ]),
    );
    const at = await shows(soft(away));
    expect(at(200, 300)).toBeGreaterThan(0.98);
    expect(at(200, 322)).toBeGreaterThan(0.95);
    expect(at(200, 350)).toBeLessThan(0.02);
    const both = await shows(
      soft(
        done(
          away,
          stroke(true, [
            [200, 250],
            [200, 350],
          ]),
        ),
      ),
    );
    expect(both(200, 300)).toBeLessThan(0.02);
    expect(both(100, 300)).toBeGreaterThan(0.98);
    const again = await shows(
      soft(
        done(
          away,
          stroke(true, [
            [200, 250],
            [200, 350],
          ]),
          stroke(false, [[200, 300]]),
        ),
      ),
    );
    expect(again(200, 300)).toBeGreaterThan(0.98);
  });

  it('softly: half gone somewhere between, and a dot is round', async () => {
    const at = await shows(soft(done(cover(null), stroke(false, [[200, 300]], 0.8))));
    expect(at(200, 300)).toBeGreaterThan(0.8);
    const edge = at(226, 300);
    expect(edge).toBeGreaterThan(0.05);
    expect(edge).toBeLessThan(0.8);
    expect(Math.abs(edge - at(200, 326))).toBeLessThan(0.08);
  });

  it('under the hand, however the picture is turned and placed', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.integer({ min: 130, max: 270 }),
        async (turnRad, x) => {
          const doc = done(cover(null, { turnRad }), stroke(false, [[x, 320]]));
          const at = await shows(soft(doc), { turnRad });
          expect(at(x, 320)).toBeGreaterThan(0.97);
          expect(at(x + 45, 320)).toBeLessThan(0.03);
        },
      ),
      { numRuns: 6 },
    );
  });

  it('keeps few points, only so many strokes, and none on a locked picture', () => {
    const long = Array.from({ length: 900 }, (_, i): [number, number] => [60 + i * 0.3, 300 + (i % 7)]);
    const { points } = soft(done(cover(null), stroke(false, long))).strokes[0];
    expect(points.length).toBeLessThanOrEqual(160);
    expect(points[0].x).toBeCloseTo((60 / W - 0.1) / 0.8, 6);
    expect(points[points.length - 1].x).toBeCloseTo(((60 + 899 * 0.3) / W - 0.1) / 0.8, 6);
    let doc = cover(null);
    for (let i = 0; i < 120; i++) doc = done(doc, stroke(false, [[100 + i, 300]]));
    const more = change(doc, stroke(false, [[50, 50]]));
    expect(!more.ok && more.fault.code).toBe('brush-full');
    const locked = change(done(cover(null), setPart('p', { locked: true })), stroke(false, [[50, 50]]));
    expect(!locked.ok && locked.fault.code).toBe('part-locked');
  });

  it('is no mask any more when nothing of it is left', () => {
    const away = done(cover(null), stroke(false, [[200, 300]]));
    expect((done(away, setSoft('p', { strokes: [] })).parts.p as PicturePart).soft).toBeNull();
    const kept = done(away, setSoft('p', { fade: { kind: 'round', from: 0.2, to: 0.9 } }));
    expect(soft(kept).strokes).toHaveLength(1);
  });
});

describe('a colour taken out', () => {
  const plain = { brightness: 0, contrast: 0, saturation: 0, hueRad: 0, tint: null, blur: 0, lean: { x: 0, y: 0 } };

  it('is gone, others stay as they are, and a mixture keeps only the other', () => {
    const source = raster(4, 1);
    source.data.set([20, 160, 60, 255, 20, 160, 60, 255, 200, 40, 40, 255, 110, 100, 50, 255]);
    const made = develop(source, { ...plain, matte: null, clear: { colour: '#14a03c', reach: 0.06, soft: 0.4 } });
    expect([made.data[3], made.data[7]]).toEqual([0, 0]);
    const out = develop(source, { ...plain, matte: null, clear: { colour: '#14a03c', reach: 0.02, soft: 0.06 } });
    expect([...out.data.subarray(8, 12)]).toEqual([200, 40, 40, 255]);
    const [r, g, , a] = made.data.subarray(12, 16);
    expect(a).toBeGreaterThan(20);
    expect(a).toBeLessThan(235);
    // Laid on the colour again it is what it was; the green has left its own colour.
    const share = a / 255;
    expect(r * share + 20 * (1 - share)).toBeCloseTo(110, -1);
    expect(g).toBeLessThan(100);
  });
});

describe('a picture levelled by a line', () => {
  it('turns inside its frame so that the line is level or upright, flipped and turned or not', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.double({ min: -1.5, max: 1.5, noNaN: true }),
        fc.double({ min: -0.6, max: 0.6, noNaN: true }),
        fc.boolean(),
        fc.boolean(),
        (angle, turnRad, innerTurnRad, flipX, flipY) => {
          const doc = cover(null, { turnRad, innerTurnRad, flipX, flipY });
          const to = { x: 200 + 90 * Math.cos(angle), y: 320 + 90 * Math.sin(angle) };
          const changed = change(doc, levelPicture('p', { x: 200, y: 320 }, to));
          if (!changed.ok) throw new Error(changed.fault.code);
          const now = (changed.value.next.parts.p as PicturePart).innerTurnRad - innerTurnRad;
          // What was seen at `angle` is seen turned by that; a picture that is flipped one way turns the other way.
          const seen = angle - turnRad + (flipX !== flipY ? -now : now);
          const away = Math.abs(seen / (Math.PI / 2) - Math.round(seen / (Math.PI / 2)));
          expect(away).toBeLessThan(1e-6);
        },
      ),
    );
    const short = change(cover(null), levelPicture('p', { x: 200, y: 320 }, { x: 204, y: 321 }));
    expect(!short.ok && short.fault.code).toBe('line-short');
  });
});

describe('a picture that is cut out', () => {
  /** White on the left half, black on the right. */
  const matte = raster(40, 60);
  for (let i = 0; i < 40 * 60; i++) matte.data.set(i % 40 < 20 ? [255, 255, 255, 255] : [0, 0, 0, 255], i * 4);
  const cutOut = { of: '', matte: 'matte-1', hints: [], feather: 0 };
  const withMatte = () => new Map([...files, ['matte-1', writePng(matte, 72)]]);
  const draw = async (more: Partial<PicturePart>, on: typeof files = withMatte()) => {
    const book = { ...wordsBook(), cover: cover(null, more), assets: {} };
    const made = await coverRaster(book, W, new NodeStudio(on));
    return (x: number, y: number): number[] => [...made.data.subarray((y * W + x) * 4, (y * W + x) * 4 + 3)];
  };
  const red = [255, 0, 0];

  it('shows what its matte keeps and the ground elsewhere, panned and zoomed along with it', async () => {
    const whole = await draw({});
    const cut = await draw({ cutOut: { ...cutOut, of: asset } });
    expect(cut(120, 320)).toEqual(whole(120, 320));
    expect(cut(300, 320)).toEqual(red);
    const zoomed = await draw({ cutOut: { ...cutOut, of: asset }, zoom: 3, focus: { x: 0, y: 0.5 } });
    expect(zoomed(300, 320)).not.toEqual(red);
    const flipped = await draw({ cutOut: { ...cutOut, of: asset }, flipX: true });
    expect(flipped(120, 320)).toEqual(red);
  });

  it('is cut in the picture that it was found in, and in no other', async () => {
    const whole = await draw({});
    const other = await draw({ cutOut: { ...cutOut, of: 'another-picture' } });
    for (const x of [120, 200, 300]) expect(other(x, 320)).toEqual(whole(x, 320));
  });

  it('is not painted without its matte, and the title says what it lacks', async () => {
    const book = wordsBook();
    const doc = cover(null, { cutOut: { ...cutOut, of: asset } });
    const names = { [asset]: 'Harbour', 'matte-1': 'Harbour, cut out' };
    const assets = Object.fromEntries(
      Object.entries(names).map(([id, name]) => [
        id,
        { id, name, format: 'png' as const, widthPx: 40, heightPx: 60, rights: untold },
      ]),
    );
    const titled = { ...book, cover: doc, assets };
    expect(assetsInUse(titled)).toContain('matte-1');
    expect(isMatte(titled, 'matte-1')).toBe(true);
    expect(isMatte(titled, asset)).toBe(false);
    const { whole } = await gather(doc, book.brief, new NodeStudio(files), W);
    expect(whole).toBe(false);
    expect(await missingFile(titled, 'cover', new NodeStudio(files))).toMatchObject({ code: 'picture-missing' });
    expect(await missingFile(titled, 'cover', new NodeStudio(withMatte()))).toBeNull();
  });

  it('throws the shadow of what is kept, not of its frame', async () => {
    const shadow = { dx: 0.05, dy: 0, blur: 0, colour: '#000000', opacity: 1 };
    const cut = await draw({ cutOut: { ...cutOut, of: asset }, shadow });
    // Just right of the kept half lies its shadow; right of the frame there is none.
    expect(cut(210, 320)[0]).toBeLessThan(60);
    expect(cut(368, 320)).toEqual(red);
  });
});
