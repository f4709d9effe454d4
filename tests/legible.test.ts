import { contrastOf, luminance, rgbOf } from '@yosomi/core/colour';
import { compose } from '@yosomi/core/compose';
import { type Doc, type Part, type WordsPart, newPicture, newShape, newWords, addPart } from '@yosomi/core/cover';
import { change } from '@yosomi/core/base';
import type { Ink } from '@yosomi/core/ink';
import { type Raster, raster } from '@yosomi/core/pixels';
import { type Book, assetId } from '@yosomi/core/project';
import { MOST_SCRIM, gather, settledCover } from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fileOf, picturePixels } from './fixtures/pictures';
import { wordsBook } from './fixtures/books';

const studio = new NodeStudio(new Map());
const area = { x: 0.1, y: 0.3, width: 0.8, height: 0.2 };
const title = (more: Partial<WordsPart> = {}) =>
  newWords({
    role: 'title',
    says: { kind: 'own', text: 'Lanterns' },
    area,
    cut: 'work-sans/700',
    colour: '#f4ead0',
    maxSize: 0.16,
    ...more,
  });

/** A cover with nothing but a ground and these parts, the first at the back. */
function coverOf(
  ground: string,
  ...parts: (readonly [
    string,
    ReturnType<typeof newWords> | ReturnType<typeof newShape> | ReturnType<typeof newPicture>,
  ])[]
): Book {
  const book = wordsBook();
  const bare: Doc = {
    ...book.cover,
    parts: { ground: { ...book.cover.parts.ground, paint: { kind: 'flat', colour: ground }, border: null } as Part },
  };
  const cover = parts.reduce((doc, [id, part]) => {
    const done = change(doc, addPart(id, part));
    if (!done.ok) throw new Error(`${id}: ${JSON.stringify(done.fault)}`);
    return done.value.next;
  }, bare);
  return { ...book, cover };
}
const report = async (book: Book, with_ = studio) => {
  const { settled } = await settledCover(book, with_, 400);
  return { settled, of: settled.reports.get('title')! };
};
const codes = (settled: { findings: readonly { code: string; part: string | null }[] }): string[] =>
  settled.findings.filter((f) => f.part === 'title').map((f) => f.code);

/** The contrast of a part's letters as an eye would find it: the finished cover painted large, letters by their outlines. */
async function byEye(book: Book, id: string): Promise<number> {
  const px = 1600;
  const { settled, images } = await settledCover(book, studio, px);
  const { ink, blocks } = settled.composition;
  const full = studio.paint(ink, px, images);
  const part = book.cover.parts[id] as WordsPart;
  const { resources } = await gather(book.cover, book.brief, studio, px);
  const plain = {
    ...book.cover,
    parts: {
      ground: book.cover.parts.ground,
      [id]: {
        ...part,
        plate: null,
        shadow: null,
        glow: null,
        opacity: 1,
        blend: 'normal' as const,
        fill: null,
        ruleAbove: null,
        ruleBelow: null,
        support: 'none' as const,
      },
    },
  };
  const alone = compose(plain as Doc, book.brief, resources).ink;
  const letters = studio.paint({ ...alone, items: alone.items.filter((item) => item.part === id) } as Ink, px, images);
  const solid = (x: number, y: number): boolean => letters.data[(y * px + x) * 4 + 3] === 255;
  const clear = (x: number, y: number): boolean => letters.data[(y * px + x) * 4 + 3] === 0;
  const lum = (x: number, y: number): number =>
    luminance([0, 1, 2].map((c) => full.data[(y * px + x) * 4 + c]) as [number, number, number]);
  const own: number[] = [];
  const beside: number[] = [];
  const { box } = blocks.get(id)!;
  for (let y = Math.floor(box.y) - 8; y < box.y + box.height + 8; y++) {
    for (let x = Math.floor(box.x) - 8; x < box.x + box.width + 8; x++) {
      const around = [
        [-3, 0],
        [3, 0],
        [0, -3],
        [0, 3],
      ];
      if (around.every(([dx, dy]) => solid(x + dx, y + dy))) own.push(lum(x, y));
      const near = [
        [-6, 0],
        [6, 0],
        [0, -6],
        [0, 6],
      ].some(([dx, dy]) => solid(x + dx, y + dy));
      if (near && clear(x, y) && around.every(([dx, dy]) => clear(x + dx, y + dy))) beside.push(lum(x, y));
    }
  }
  const mid = (list: number[]): number => list.sort((a, b) => a - b)[Math.floor(list.length / 2)];
  return contrastOf(mid(own), mid(beside));
}

const hex = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`);
const share = fc.integer({ min: 1, max: 10 }).map((n) => n / 10);

describe('every contrast that is told', () => {
  it('is that of the painted pixels: on grounds, plates and shapes, faded and blended', async () => {
    const cases = fc.record({
      ground: hex,
      words: hex,
      opacity: share,
      plate: fc.option(
        fc.record({
          colour: hex,
          opacity: share,
          blend: fc.constantFrom('normal' as const, 'multiply' as const, 'screen' as const),
        }),
      ),
      shape: fc.option(
        fc.record({ colour: hex, opacity: share, blend: fc.constantFrom('normal' as const, 'overlay' as const) }),
      ),
      turn: fc.constantFrom(0, 0.3, -Math.PI / 2),
    });
    await fc.assert(
      fc.asyncProperty(cases, async ({ ground, words, opacity, plate, shape, turn }) => {
        const behind =
          shape &&
          newShape({ kind: 'rectangle', radius: 0 }, { area: { x: 0, y: 0.1, width: 1, height: 0.7 }, ...shape });
        const own = title({
          colour: words,
          opacity,
          turnRad: turn === 0 ? 0 : turn,
          plate: plate && { padX: 0.4, padY: 0.3, radius: 0, ...plate },
        });
        const book = coverOf(ground, ...(behind ? [['shape', behind] as const] : []), ['title', own] as const);
        // An eye that measures upright boxes needs upright words.
        const [told, seen] = [(await report(book)).of, turn === 0 ? await byEye(book, 'title') : null];
        if (seen === null) {
          const upright = await byEye(
            coverOf(ground, ...(behind ? [['shape', behind] as const] : []), [
              'title',
              { ...own, turnRad: 0 },
            ] as const),
            'title',
          );
          expect(told.typical).toBeGreaterThan(upright - Math.max(0.2, upright * 0.04));
          return;
        }
        if (told.seen < 0.9) expect(seen).toBeLessThan(1.6);
        else
          expect(Math.abs(told.worstTenth - seen), `${told.worstTenth} told, ${seen} seen`).toBeLessThan(
            Math.max(0.2, seen * 0.04),
          );
      }),
      { numRuns: 60 },
    );
  }, 180_000);

  it('is that of a plate and not of a scrim that lies under the plate', async () => {
    const pixels = picturePixels(800, 1280);
    const bytes = await fileOf(pixels, 'jpeg');
    const id = assetId(bytes);
    const own = new NodeStudio(new Map([[id, bytes]]));
    const pale = newShape(
      { kind: 'rectangle', radius: 0 },
      { area: { x: 0.05, y: 0.28, width: 0.9, height: 0.24 }, colour: '#e8e0cc' },
    );
    const faint = newWords({
      role: 'byline',
      says: { kind: 'own', text: 'Byline' },
      area: { x: 0.1, y: 0.1, width: 0.8, height: 0.08 },
      cut: 'work-sans/700',
      colour: '#e9e2d2',
    });
    const book = coverOf(
      '#808080',
      ['picture', newPicture({ kind: 'asset', asset: id })],
      ['plate', pale],
      ['byline', faint],
      ['title', title({ colour: '#d9c9a0' })],
    );
    const { of } = await report(book, own);
    const expected = contrastOf(luminance(rgbOf('#d9c9a0')), luminance(rgbOf('#e8e0cc')));
    expect(of.worstTenth).toBeCloseTo(expected, 0);
    expect(of.worstTenth).toBeLessThan(2);
  });
});

describe('words that something hides', () => {
  const band = (x: number, width: number, colour = '#20262c') =>
    newShape({ kind: 'rectangle', radius: 0 }, { area: { x, y: 0.2, width, height: 0.4 }, colour });

  it('fail by as much as is hidden, whatever lies over them', async () => {
    const { of: plain } = await report(coverOf('#20262c', ['title', title()]));
    expect(plain.worstTenth).toBeGreaterThan(10);
    expect(plain.seen).toBeGreaterThan(0.98);
    for (const [width, colour] of [
      [1, '#20262c'],
      [1, '#c03020'],
      [0.5, '#c03020'],
      [0.42, '#f4ead0'],
    ] as const) {
      const { of, settled } = await report(coverOf('#20262c', ['title', title()], ['band', band(0, width, colour)]));
      expect(of.worstTenth, `${width} ${colour}`).toBe(1);
      expect(of.readsFromPx).toBeNull();
      expect(codes(settled), `${width} ${colour}`).toContain('words-hidden');
    }
  });

  it('fail under a picture that was laid over them, and read again behind nothing', async () => {
    const bytes = await fileOf(picturePixels(800, 1280), 'jpeg');
    const id = assetId(bytes);
    const own = new NodeStudio(new Map([[id, bytes]]));
    const over = coverOf('#20262c', ['title', title()], ['picture', newPicture({ kind: 'asset', asset: id })]);
    const { of, settled } = await report(over, own);
    expect(of.readsFromPx).toBeNull();
    expect(codes(settled)).toContain('words-hidden');
    // No scrim is laid for words that nobody can see.
    expect(settled.added).toEqual([]);
    const under = coverOf(
      '#20262c',
      ['picture', newPicture({ kind: 'asset', asset: id })],
      ['title', title({ colour: '#ffffff' })],
    );
    expect((await report(under, own)).of.seen).toBeGreaterThan(0.9);
  });

  it('fail behind the letters of other words', async () => {
    const over = newWords({
      role: 'subtitle',
      says: { kind: 'own', text: 'Lanterns' },
      area,
      cut: 'work-sans/700',
      colour: '#f4ead0',
      maxSize: 0.16,
    });
    const { settled, of } = await report(coverOf('#20262c', ['title', title()], ['over', over]));
    expect(of.worstTenth).toBe(1);
    expect(codes(settled)).toContain('words-hidden');
    expect(settled.reports.get('over')!.worstTenth).toBeGreaterThan(10);
  });

  it('fail when they are cut away by the part below, faded to nothing, or in the colour of the ground', async () => {
    const dot = newShape({ kind: 'ellipse' }, { area: { x: 0, y: 0, width: 0.1, height: 0.05 }, colour: '#20262c' });
    const cut = await report(coverOf('#20262c', ['dot', dot], ['title', title({ maskBelow: true })]));
    expect(cut.of.worstTenth).toBe(1);
    for (const part of [
      title({ opacity: 0 }),
      title({ opacity: 0.04 }),
      title({ colour: '#20262c' }),
      title({ blend: 'multiply', colour: '#ffffff' }),
    ]) {
      const { of, settled } = await report(coverOf('#20262c', ['title', part]));
      expect(of.worstTenth).toBeLessThan(1.5);
      expect(of.readsFromPx).toBeNull();
      expect(codes(settled).some((code) => code === 'contrast-low' || code === 'words-hidden')).toBe(true);
    }
  });

  it('are told apart however many there are', async () => {
    const many = newWords({
      role: 'blurb',
      says: { kind: 'brief', field: 'blurb' },
      area: { x: 0.05, y: 0.05, width: 0.9, height: 0.9 },
      cut: 'work-sans/700',
      colour: '#f4ead0',
      maxSize: 0.02,
    });
    const book = coverOf('#20262c', ['blurb', many]);
    const long = { ...book, brief: { ...book.brief, blurb: 'one two six '.repeat(220).trim() } };
    const { settled } = await settledCover(long, studio, 400);
    const of = settled.reports.get('blurb')!;
    expect(of.words.length).toBe(660);
    expect(of.worstTenth).toBeGreaterThan(8);
  });
});

describe('a scrim that is added', () => {
  /** A picture that is dark at the top and pale at the foot. */
  async function shaded(top: number, foot: number): Promise<{ id: string; own: NodeStudio }> {
    const pixels: Raster = raster(200, 320);
    for (let y = 0; y < 320; y++)
      for (let x = 0; x < 200; x++)
        pixels.data.set([...Array<number>(3).fill(Math.round(top + ((foot - top) * y) / 319)), 255], (y * 200 + x) * 4);
    const bytes = await fileOf(pixels, 'png');
    return { id: assetId(bytes), own: new NodeStudio(new Map([[assetId(bytes), bytes]])) };
  }
  const words = (text: string, y: number, colour: string) =>
    newWords({
      role: 'title',
      says: { kind: 'own', text },
      area: { x: 0.1, y, width: 0.8, height: 0.1 },
      cut: 'work-sans/700',
      colour,
      maxSize: 0.1,
    });

  it('is never stronger than a picture bears, and not there for words that it cannot save', async () => {
    const { id, own } = await shaded(20, 30);
    const dark = coverOf(
      '#101010',
      ['picture', newPicture({ kind: 'asset', asset: id })],
      ['title', words('Dark', 0.8, '#162029')],
    );
    const { settled, of } = await report(dark, own);
    expect(settled.added).toEqual([]);
    expect(of.worstTenth).toBeLessThan(2);
    expect(codes(settled)).toContain('contrast-low');
    await fc.assert(
      fc.asyncProperty(
        fc.integer({ min: 0, max: 255 }),
        fc.integer({ min: 0, max: 255 }),
        hex,
        async (top, foot, colour) => {
          const one = await shaded(top, foot);
          const book = coverOf(
            '#101010',
            ['picture', newPicture({ kind: 'asset', asset: one.id })],
            ['title', words('High', 0.08, colour)],
            ['byline', words('Low', 0.84, '#f2f2f2')],
          );
          const got = (await settledCover(book, one.own, 400)).settled;
          for (const scrim of got.added) {
            expect(scrim.opacity).toBeLessThanOrEqual(MOST_SCRIM);
            // All that it is laid for reads with it, on the finished pixels.
            for (const part of scrim.parts) expect(got.reports.get(part)!.worstTenth).toBeGreaterThanOrEqual(4.4);
          }
        },
      ),
      { numRuns: 25 },
    );
  });

  it('lies under the words it serves and over no other words', async () => {
    const { id, own } = await shaded(150, 150);
    const picture = newPicture({ kind: 'asset', asset: id });
    const book = coverOf(
      '#101010',
      ['below', words('Below', 0.8, '#ffffff')],
      ['picture', { ...picture, area: { x: 0, y: 0, width: 1, height: 0.6 } }],
      ['title', words('Above', 0.2, '#f2efe6')],
    );
    const { settled } = await report(book, own);
    const items = settled.composition.ink.items;
    const at = (part: string): number => items.findIndex((item) => item.part === part);
    expect(settled.added.map((s) => s.parts)).toEqual([['title']]);
    const scrim = items.findIndex((item) => item.part === null && item.kind === 'fill' && item.paint.kind === 'linear');
    expect(scrim).toBeGreaterThan(at('picture'));
    expect(scrim).toBeLessThan(at('title'));
    // Other words below the same picture, within reach of a scrim: then there is none.
    const near = coverOf(
      '#101010',
      ['below', words('Below', 0.04, '#ffffff')],
      ['picture', picture],
      ['title', words('Above', 0.2, '#f2efe6')],
    );
    expect((await report(near, own)).settled.added).toEqual([]);
  });
});
