import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type FitItem, type FitOptions, bestFit, breaksOf, demeritsIn, firstFit } from './best-fit';

/** Words of some syllables, as a paragraph is made of them. */
const paragraph = (words: readonly (readonly number[])[]): FitItem[] => {
  const items: FitItem[] = [];
  words.forEach((syllables, w) => {
    syllables.forEach((width, s) => {
      if (s > 0) items.push({ kind: 'penalty', width: 3, cost: 60, hyphen: true });
      items.push({ kind: 'box', width });
    });
    if (w < words.length - 1) items.push({ kind: 'glue', width: 4, stretch: 2, shrink: 1.3 });
  });
  items.push({ kind: 'penalty', width: 0, cost: Infinity, hyphen: false });
  items.push({ kind: 'glue', width: 0, stretch: 1e5, shrink: 0 });
  items.push({ kind: 'penalty', width: 0, cost: -Infinity, hyphen: false });
  return items;
};
const filled = (width: number): FitOptions => ({ measure: () => width, same: 0, ragged: null });
const ragged = (width: number): FitOptions => ({ measure: () => width, same: 0, ragged: 30 });
const words = fc.array(fc.array(fc.integer({ min: 4, max: 24 }), { minLength: 1, maxLength: 4 }), {
  minLength: 1,
  maxLength: 60,
});

/** The natural width of a line, and how far its glue can shrink. */
function widthOf(items: readonly FitItem[], from: number, to: number): { natural: number; shrink: number } {
  let [natural, shrink] = [0, 0];
  for (const item of items.slice(from, to)) {
    if (item.kind !== 'penalty') natural += item.width;
    if (item.kind === 'glue') shrink += item.shrink;
  }
  const end = items[to];
  return { natural: natural + (end.kind === 'penalty' ? end.width : 0), shrink };
}

describe('the best total fit', () => {
  it('sets every box once and in order, and no line over its measure', () => {
    fc.assert(
      fc.property(words, fc.integer({ min: 60, max: 200 }), fc.boolean(), (text, width, full) => {
        const items = paragraph(text);
        const lines = bestFit(items, full ? filled(width) : ragged(width));
        const boxes = lines.flatMap(({ from, to }) => items.slice(from, to).filter(({ kind }) => kind === 'box'));
        expect(boxes).toEqual(items.filter(({ kind }) => kind === 'box'));
        for (const { from, to } of lines) {
          const { natural, shrink } = widthOf(items, from, to);
          expect(natural - shrink).toBeLessThanOrEqual(width + 1e-6);
        }
      }),
    );
  });

  it('is never worse than the first fit', () => {
    fc.assert(
      fc.property(words, fc.integer({ min: 60, max: 200 }), fc.boolean(), (text, width, full) => {
        const items = paragraph(text);
        const options = full ? filled(width) : ragged(width);
        const [best, first] = [bestFit, firstFit].map((fit) => demeritsIn(items, fit(items, options), options));
        expect(best).toBeLessThanOrEqual(first * (1 + 1e-9));
      }),
    );
  });

  it('is the least of all ways that there are', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.integer({ min: 6, max: 30 }), { minLength: 1, maxLength: 2 }), {
          minLength: 1,
          maxLength: 6,
        }),
        fc.integer({ min: 62, max: 110 }),
        (text, width) => {
          const items = paragraph(text);
          const options = filled(width);
          const own = demeritsIn(items, bestFit(items, options), options);
          const places = breaksOf(items).slice(0, -1);
          const skip = (at: number): number => {
            let i = at;
            while (i < items.length && items[i].kind !== 'box') i++;
            return i;
          };
          for (let mask = 0; mask < 2 ** places.length; mask++) {
            const chosen = [...places.filter((_, i) => mask & (1 << i)), items.length - 1];
            let start = 0;
            const lines = chosen.map((to) => {
              const line = { from: start, to, ratio: 0 };
              start = skip(to + 1);
              return line;
            });
            expect(own).toBeLessThanOrEqual(demeritsIn(items, lines, options) * (1 + 1e-9));
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('lets a box that is wider than its line stand alone', () => {
    const items = paragraph([[20], [150], [20]]);
    const lines = bestFit(items, filled(80));
    expect(lines.map(({ from, to }) => items.slice(from, to).filter(({ kind }) => kind === 'box').length)).toEqual([
      1, 1, 1,
    ]);
  });

  it('leaves room beside an initial', () => {
    const items = paragraph(Array.from({ length: 40 }, () => [14]));
    const options: FitOptions = { measure: (line) => (line < 3 ? 70 : 120), same: 3, ragged: null };
    const lines = bestFit(items, options);
    lines.forEach(({ from, to }, i) => {
      const { natural, shrink } = widthOf(items, from, to);
      expect(natural - shrink).toBeLessThanOrEqual((i < 3 ? 70 : 120) + 1e-6);
    });
    expect(lines.length).toBeGreaterThan(5);
  });
});
