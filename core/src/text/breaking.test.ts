import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { balancedBreaks, isMinor } from './breaking';

/** All ways to cut n items into a number of lines. */
function* allBreaks(n: number, lines: number, from = 0): Generator<number[]> {
  if (lines === 1) {
    yield [n];
    return;
  }
  for (let to = from + 1; to <= n - lines + 1; to++)
    for (const rest of allBreaks(n, lines - 1, to)) yield [to, ...rest];
}

describe('balanced breaks', () => {
  const items = fc.array(fc.record({ width: fc.integer({ min: 1, max: 40 }), minor: fc.boolean() }), {
    minLength: 1,
    maxLength: 9,
  });

  const widest = (list: readonly { width: number; minor: boolean }[], breaks: readonly number[]): number => {
    let from = 0;
    let most = 0;
    for (const to of breaks) {
      const line = list.slice(from, to);
      let width = line.reduce((sum, item) => sum + item.width, 0) + 3 * (line.length - 1);
      if (line.length > 1 && to < list.length && line[line.length - 1].minor) width *= 1.1;
      most = Math.max(most, width);
      from = to;
    }
    return most;
  };

  it('have the narrowest widest line of all ways there are', () => {
    fc.assert(
      fc.property(items, fc.nat(), (list, pick) => {
        const lines = 1 + (pick % list.length);
        const chosen = balancedBreaks(list, lines, 3);
        expect(chosen).toHaveLength(lines);
        expect(chosen[lines - 1]).toBe(list.length);
        const best = Math.min(...[...allBreaks(list.length, lines)].map((breaks) => widest(list, breaks)));
        expect(widest(list, chosen)).toBeLessThanOrEqual(best + 1e-4);
      }),
    );
  });

  it('do not leave an article hanging where another break is as good', () => {
    const words = ['Interest', 'in', 'Snowfall'].map((w) => ({ width: w.length, minor: isMinor(w) }));
    expect(balancedBreaks(words, 2, 1)).toEqual([1, 3]);
  });

  it('know the words that carry no stress', () => {
    expect(['the', 'Of', 'und', '(a)'].map(isMinor)).toEqual([true, true, true, true]);
    expect(['moss', 'Off', ''].map(isMinor)).toEqual([false, false, false]);
  });

  it('leave no short word alone on the last line where a word more would make the lines more even', () => {
    fc.assert(
      fc.property(items, fc.integer({ min: 2, max: 5 }), (list, wanted) => {
        const plain = list.map((item) => ({ ...item, minor: false }));
        const lines = Math.min(wanted, plain.length);
        const ends = balancedBreaks(plain, lines, 3);
        if (lines < 2) return;
        const width = (from: number, to: number): number =>
          plain.slice(from, to).reduce((sum, item) => sum + item.width, 0) + 3 * (to - from - 1);
        const from = lines > 2 ? ends[lines - 3] : 0;
        const at = ends[lines - 2];
        if (plain.length - at !== 1 || at - from < 2) return;
        // One word more on the last line would be longer than the line that it left.
        expect(width(at - 1, plain.length)).toBeGreaterThanOrEqual(width(from, at));
      }),
      { numRuns: 300 },
    );
  });
});
