/** Space between two letters that stand side by side, besides what the face gives them; em. Letters are as they are seen. */
export type PairSpace = { readonly pair: string; readonly by: number };

const letters = new Intl.Segmenter(undefined, { granularity: 'grapheme' });
/** Scripts whose letters stand by themselves: others are joined, and nothing goes between them. */
const SEPARATE = /^[\p{Script=Latin}\p{Script=Greek}\p{Script=Cyrillic}\p{Nd}\p{P}\p{M}]+$/u;

type Neighbours = { readonly pair: string; readonly from: number; readonly between: number; readonly to: number };

/** Letters of a text that stand side by side within its words: where the first begins, where they meet, where the second ends. */
function* neighbours(text: string): Generator<Neighbours> {
  let before: { segment: string; index: number } | null = null;
  for (const { segment, index } of letters.segment(text)) {
    const here = SEPARATE.test(segment) ? { segment, index } : null;
    if (before && here)
      yield { pair: before.segment + segment, from: before.index, between: index, to: index + segment.length };
    before = here;
  }
}

/** The pairs of letters of a text, each once, as they are read. */
export const pairsIn = (text: string): string[] => [...new Set([...neighbours(text)].map(({ pair }) => pair))];

/** The two letters on either side of a place in a text, counted in its code units; null at the ends of words. */
export const pairAround = (text: string, at: number): string | null =>
  [...neighbours(text)].find(({ between }) => between === at)?.pair ?? null;

/** From where to where in a text letters stand that have a space of their own. */
export const gapsOf = (text: string, pairs: readonly PairSpace[]): [from: number, to: number][] =>
  pairs.length === 0
    ? []
    : [...neighbours(text)]
        .filter((one) => pairs.some(({ pair }) => pair === one.pair))
        .map(({ from, to }) => [from, to]);

/** What is added between the signs of two clusters that follow each other in a text, em. */
export function pairAt(text: string, cluster: number, next: number, pairs: readonly PairSpace[]): number {
  if (pairs.length === 0 || next <= cluster) return 0;
  const found = pairAround(text, next);
  return found === null ? 0 : spaceOf(pairs, found);
}

/** Spaces with that of one pair put anew, rounded to thousandths; 0 leaves it to the face. */
export function withPair(pairs: readonly PairSpace[], pair: string, by: number): PairSpace[] {
  const others = pairs.filter((one) => one.pair !== pair);
  const rounded = Math.round(Math.min(0.5, Math.max(-0.5, by)) * 1000) / 1000;
  return rounded === 0 ? others : [...others, { pair, by: rounded }];
}

export const spaceOf = (pairs: readonly PairSpace[], pair: string): number =>
  pairs.find((one) => one.pair === pair)?.by ?? 0;
