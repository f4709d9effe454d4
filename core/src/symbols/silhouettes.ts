import { z } from 'zod';
import { inEnglish, plainWord } from './lexicon';
import { detailedIdea, forms, plainIdeas, wordsOf } from './search';
import type { Drawn, Symbols } from './symbol';

/** Names of the detailed silhouettes, in the order of their outlines: those lie in packets of so many. */
export type Silhouettes = { readonly packet: number; readonly names: readonly string[] };

const Names = z.object({
  packet: z.number().int().min(1).max(500),
  names: z.array(z.string().regex(/^[a-z0-9-]{1,40}$/)).max(10_000),
});
const Packet = z.array(z.object({ ratio: z.number().min(0.02).max(50), d: z.string().min(4).max(40_000) })).max(500);

export const noSilhouettes: Silhouettes = { packet: 1, names: [] };

/** Reads the list of the silhouettes; throws where it is damaged. */
export const readSilhouettes = (raw: unknown): Silhouettes => Names.parse(raw);

/** Reads the outlines of a packet; throws where it is damaged or is none of these silhouettes. */
export function readPacket(raw: unknown, { packet, names }: Silhouettes, number: number): Drawn[] {
  const own = names.slice(number * packet, (number + 1) * packet);
  const outlines = Packet.parse(raw);
  if (own.length === 0 || outlines.length !== own.length) throw new Error('packet');
  return own.map((id, i) => ({ id, words: [], ...outlines[i], credit: silhouetteCredit(id) }));
}

/** The packet in which a silhouette lies; null where there is none of that name. */
export function packetOf({ packet, names }: Silhouettes, id: string): number | null {
  const at = names.indexOf(id);
  return at < 0 ? null : Math.floor(at / packet);
}

/** A name as one reads it: "Barn owl". */
export const spokenName = (id: string): string => `${id[0].toUpperCase()}${id.slice(1).replaceAll('-', ' ')}`;

/** The line that the licence of a silhouette wants to see wherever it is shown. */
export const silhouetteCredit = (id: string): string =>
  `Symbol “${spokenName(id)}” by the contributors of game-icons, CC BY 3.0`;

/** What each further word of a name takes away: the plainer of two comes first. */
const PER_WORD = 2;

/**
 * How well a name answers one word, 0 where it does not. The last noun of a name is what it is: a "barn owl" is an owl, and stands in
 * a barn's list behind the barn. `kin` are English words for the same thing.
 */
function answers(id: string, asked: readonly string[], kin: readonly string[]): number {
  if (asked.includes(id)) return 100;
  const parts = id.split('-');
  const last = parts[parts.length - 1];
  const by = (words: readonly string[], most: number): number =>
    words.includes(last) ? most : parts.some((part) => words.includes(part)) ? most - 6 : 0;
  const own = by(asked, 80);
  if (own > 0) return own - parts.length * PER_WORD;
  for (const [words, most] of [
    [kin.slice(0, 1), 70],
    [kin.slice(1), 45],
  ] as const) {
    if (words.includes(id)) return most;
    const near = by(words, most - 10);
    if (near > 0) return near - parts.length * PER_WORD;
  }
  const [first] = asked;
  return first.length >= 3 && parts.some((part) => part.startsWith(first)) ? 25 - parts.length : 0;
}

/** Silhouettes for plain nouns in English, German, French or Spanish, the best first; every word must be answered. An empty question finds all. */
export function searchSilhouettes({ names }: Silhouettes, query: string): string[] {
  const words = query.split(/\s+/).filter((word) => plainWord(word) !== '');
  if (words.length === 0) return [...names];
  const asked = words.map((word) => {
    const all = forms(word);
    return { all, kin: [...new Set(all.flatMap((form) => inEnglish(form)))].filter((one) => !all.includes(one)) };
  });
  return names
    .flatMap((id) => {
      const scores = asked.map(({ all, kin }) => answers(id, all, kin));
      return scores.includes(0) ? [] : [{ id, score: scores.reduce((sum, score) => sum + score, 0) }];
    })
    .sort((a, b) => b.score - a.score)
    .map(({ id }) => id);
}

/** Silhouettes of more letters are too much to be shown dozens of times. */
export const MOST_OUTLINE = 5000;

/** Names of the silhouettes that a title's words bring to mind, in its language only; at most one a word. */
export function silhouetteIdeas(
  symbols: Symbols,
  { names }: Silhouettes,
  texts: readonly string[],
  language: string,
): string[] {
  const known = new Set(names);
  const found = wordsOf(texts).flatMap((word) => {
    const only = plainIdeas(symbols, word, language).length === 0;
    const id = detailedIdea(word, language, only, (one) => known.has(one));
    // A plain one of the same name is the one.
    return id === null || symbols.has(id) ? [] : [id];
  });
  return [...new Set(found)];
}
