import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { contrast, hexOf } from '@yosomi/core/colour';
import { composeBack, composeSpine, edgeColours, spineNeeds } from '@yosomi/core/compose';
import { type InkItem, imagesOf } from '@yosomi/core/ink';
import { type Rect, pathBounds, transformPath } from '@yosomi/core/plane';
import { raster } from '@yosomi/core/pixels';
import { NodeStudio } from '@yosomi/node-kit';
import { brief, wordsBook } from './fixtures/books';

const studio = new NodeStudio(new Map());
const { cover } = wordsBook();
beforeAll(() => studio.loadFonts(spineNeeds(cover)));

const edge = Array.from({ length: 33 }, (_, i) => (i < 16 ? '#102030' : '#e0d8c8'));
/** Boxes of the words on a spine, in its pixels: title, author, number. */
function boxes(items: readonly InkItem[]): Rect[] {
  return items
    .slice(1)
    .flatMap((item) =>
      item.kind === 'fill' ? [pathBounds(item.transform ? transformPath(item.path, item.transform) : item.path)] : [],
    );
}

describe('a spine made from the front', () => {
  const words = fc
    .string({ unit: fc.constantFrom(...'abcdefghij ÄÖ-’'), minLength: 1, maxLength: 90 })
    .filter((t) => t.trim().length > 0);

  it('keeps title, author and number apart and inside, whatever they are and however thick the book is', () => {
    fc.assert(
      fc.property(
        words,
        words,
        fc.integer({ min: 20, max: 700 }),
        fc.option(fc.integer({ min: 1, max: 99 })),
        (title, author, widthPx, n) => {
          const own = { ...brief, title, author, seriesNumber: n };
          const size = { widthPx, heightPx: 2560 };
          const seen = boxes(composeSpine(cover, own, studio.shaper, edge, size).items);
          expect(seen).toHaveLength(n === null ? 2 : 3);
          for (const box of seen) {
            expect(box.x).toBeGreaterThan(-1);
            expect(box.x + box.width).toBeLessThan(widthPx + 1);
            expect(box.y).toBeGreaterThan(60);
            expect(box.y + box.height).toBeLessThan(2560);
          }
          for (let i = 1; i < seen.length; i++)
            expect(seen[i].y).toBeGreaterThan(seen[i - 1].y + seen[i - 1].height + 10);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('reads downwards', () => {
    const [box] = boxes(composeSpine(cover, brief, studio.shaper, edge, { widthPx: 200, heightPx: 2560 }).items);
    expect(box.height).toBeGreaterThan(box.width * 3);
    expect(box.y).toBeCloseTo(0.045 * 2560, -2);
  });

  it('has words that read on the colours they stand on', () => {
    for (const colours of [
      Array.from({ length: 33 }, () => '#101418'),
      Array.from({ length: 33 }, () => '#f2efe6'),
      Array.from({ length: 33 }, () => '#7b2d26'),
    ]) {
      for (const item of composeSpine(cover, brief, studio.shaper, colours, {
        widthPx: 200,
        heightPx: 2560,
      }).items.slice(1)) {
        if (item.kind !== 'fill' || item.paint.kind !== 'flat') throw new Error('words are flat fills');
        expect(contrast(item.paint.colour, colours[0])).toBeGreaterThanOrEqual(4.5);
      }
    }
  });

  it('has words that read on an edge of any colours, which runs on as it is where nothing stands', () => {
    const side = { widthPx: 200, heightPx: 2560 };
    const colour = fc
      .tuple(...[0, 1, 2].map(() => fc.integer({ min: 0, max: 255 })))
      .map((c) => hexOf(c as [number, number, number]));
    fc.assert(
      fc.property(fc.array(colour, { minLength: 2, maxLength: 33 }), (some) => {
        const colours = Array.from({ length: 33 }, (_, i) => some[Math.floor((i / 33) * some.length)]);
        const inks = [
          composeSpine(cover, brief, studio.shaper, colours, side),
          composeBack(
            cover,
            { ...brief, strapline: 'A line', blurb: 'Text of the back. '.repeat(20) },
            studio.shaper,
            colours,
            side,
          ),
        ];
        for (const { items } of inks) {
          const [ground, ...set] = items;
          if (ground.kind !== 'fill' || ground.paint.kind !== 'linear') throw new Error('a side lies on its edge');
          const { stops } = ground.paint;
          for (const item of set) {
            const [box] = boxes([ground, item]);
            if (item.kind !== 'fill' || item.paint.kind !== 'flat') throw new Error('words are flat fills');
            const ink = item.paint.colour;
            for (const stop of stops.filter(
              ({ at }) => at * side.heightPx > box.y && at * side.heightPx < box.y + box.height,
            ))
              expect(contrast(ink, stop.colour)).toBeGreaterThanOrEqual(4.5);
          }
          expect(stops[0].colour).toBe(colours[0]);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('keeps a head free where that is asked for, and needs no picture', () => {
    const { items } = composeSpine(cover, brief, studio.shaper, edge, { widthPx: 52, heightPx: 800 }, 0.1);
    expect(boxes(items)[0].y).toBeGreaterThan(79);
    expect(imagesOf(items)).toEqual([]);
  });

  it('takes its colours from the front\u2019s edge, row by row', () => {
    const front = raster(100, 330);
    for (let y = 0; y < 330; y++)
      for (let x = 0; x < 100; x++)
        front.data.set(x < 50 ? [y % 256, 40, 200, 255] : [9, 9, 9, 255], (y * 100 + x) * 4);
    const left = edgeColours(front, 'left', 12);
    expect(left).toHaveLength(12);
    expect(left[1].endsWith('28c8')).toBe(true);
    expect(edgeColours(front, 'right', 5)).toEqual(Array.from({ length: 5 }, () => '#090909'));
  });
});

describe('a back made from the front', () => {
  it('says the strapline and the website, or nothing', () => {
    const size = { widthPx: 800, heightPx: 1280 };
    expect(composeBack(cover, brief, studio.shaper, edge, size).items).toHaveLength(3);
    expect(composeBack(cover, { ...brief, strapline: '', website: ' ' }, studio.shaper, edge, size).items).toHaveLength(
      1,
    );
  });
});
