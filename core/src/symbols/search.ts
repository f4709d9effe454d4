import { isMinor } from '../text';
import { KNOWN_WORDS, broughtToMind, inEnglish, ofSilhouettes, plainWord } from './lexicon';
import type { Symbols } from './symbol';

/** What a search found, the best first; where nothing was, words that are nearly the one that was asked for. */
export type Hits = { readonly found: readonly string[]; readonly neighbours: readonly string[] };

/** Second halves with which nouns are made of nouns: a clockmaker has to do with clocks. */
const TAILS =
  /(maker|makers|keeper|keepers|man|woman|men|seller|smith|master|less|light|fall|house|land|side|water|born|song|wood|macher|wärter|haus|licht|wald|tal)$/;

/** A word, and what it may be the plural of or made from. */
export function forms(word: string): string[] {
  const plain = plainWord(word.replace(/['’]s$/, ''));
  const found = [plain];
  const stem = plain.replace(TAILS, '');
  if (stem !== plain && stem.length > 2) found.push(stem);
  if (plain.length > 3 && plain.endsWith('s')) found.push(plain.slice(0, -1));
  if (plain.length > 4 && plain.endsWith('es')) found.push(plain.slice(0, -2));
  if (plain.length > 4 && plain.endsWith('ies')) found.push(`${plain.slice(0, -3)}y`);
  if (plain.length > 4 && plain.endsWith('ves')) found.push(`${plain.slice(0, -3)}f`);
  return found;
}

/** How well a symbol answers one word, 0 where it does not: its own name, what the word brings to mind, its other words, their beginnings. */
function answers(id: string, words: readonly string[], asked: readonly string[], minds: readonly string[]): number {
  if (asked.includes(id)) return 100;
  const parts = id.split('-');
  const mind = minds.indexOf(id);
  if (mind >= 0) return 90 - mind * 4;
  if (parts.some((part) => asked.includes(part))) return 70 - parts.length;
  if (words.some((word) => asked.includes(word) || forms(word).some((form) => asked.includes(form)))) return 45;
  const [first] = asked;
  if (first.length >= 3 && [id, ...words].some((word) => word.startsWith(first))) return 25;
  return 0;
}

/** Symbols for plain nouns in English, German, French or Spanish; every word must be answered. An empty question finds all. */
export function searchSymbols(symbols: Symbols, query: string): Hits {
  const words = query.split(/\s+/).filter((word) => plainWord(word) !== '');
  if (words.length === 0) return { found: [...symbols.keys()], neighbours: [] };
  const asked = words.map((word) => {
    const all = forms(word);
    return { all, minds: [...new Set(all.flatMap((form) => broughtToMind(form)))] };
  });
  const scored = [...symbols.values()].flatMap(({ id, words: own }) => {
    const scores = asked.map(({ all, minds }) => answers(id, own, all, minds));
    return scores.some((score) => score === 0) ? [] : [{ id, score: scores.reduce((sum, score) => sum + score, 0) }];
  });
  const found = scored.sort((a, b) => b.score - a.score).map(({ id }) => id);
  return { found, neighbours: found.length > 0 ? [] : neighbours(symbols, words.map(plainWord)) };
}

const MOST_NEIGHBOURS = 6;

/** Words that are known and nearly one of those asked for. */
function neighbours(symbols: Symbols, asked: readonly string[]): string[] {
  const known = new Set([...KNOWN_WORDS, ...[...symbols.values()].flatMap(({ id, words }) => [id, ...words])]);
  return [...known]
    .filter((word) => word.length > 2 && !word.includes(' '))
    .map((word) => ({
      word,
      far: Math.min(...asked.map((one) => distance(one, word) / Math.max(one.length, word.length))),
    }))
    .filter(({ far }) => far <= 0.5)
    .sort((a, b) => a.far - b.far || a.word.localeCompare(b.word))
    .slice(0, MOST_NEIGHBOURS)
    .map(({ word }) => word);
}

/** Levenshtein distance. */
export function distance(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, i) => i);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let k = 1; k <= b.length; k++)
      next.push(Math.min(row[k] + 1, next[k - 1] + 1, row[k - 1] + (a[i - 1] === b[k - 1] ? 0 : 1)));
    row = next;
  }
  return row[b.length];
}

/** The words of a title that may mean a thing. */
export const wordsOf = (texts: readonly string[]): string[] =>
  texts.flatMap((text) => text.split(/[\s\-–—/]+/)).filter((word) => !isMinor(word));

/** The symbols of a word in a language, the plainest first. */
export function plainIdeas(symbols: Symbols, word: string, language: string): string[] {
  const all = forms(word);
  // Their names are English: a German "Gift" is no present.
  const named = language.startsWith('en') ? all.filter((form) => symbols.has(form)) : [];
  const minds = all.flatMap((form) => broughtToMind(form, language));
  const own = [...new Set([...named, ...minds])].filter((id) => symbols.has(id));
  const detailed = detailedIdea(word, language, own.length === 0, (id) => symbols.has(id));
  return detailed === null ? own : [...new Set([detailed, ...own])];
}

/** Of a creature its head may be drawn alone. */
const SHOWN_AS = ['', '-head', '-face', '-howl'];

/**
 * The detailed drawing that shows a word itself, among those there are (`has`): of a noun that only silhouettes show, and of any where
 * nothing plainer is known (`only`).
 */
export function detailedIdea(
  word: string,
  language: string,
  only: boolean,
  has: (id: string) => boolean,
): string | null {
  const all = forms(word);
  const own = all.flatMap((form) => ofSilhouettes(form, language).slice(0, 1));
  const more = only
    ? [...(language.startsWith('en') ? all : []), ...all.flatMap((form) => inEnglish(form, language))]
    : [];
  return [...own, ...more].flatMap((noun) => SHOWN_AS.map((shown) => `${noun}${shown}`)).find(has) ?? null;
}

/** As many ideas as one sheet plays with. */
const MOST_IDEAS = 8;
/** From so few on, those of the kind of book are added. */
const ENOUGH_IDEAS = 4;

/**
 * The symbols that a title's words bring to mind in its language: those of its title before those of its subtitle, and the plainest of
 * each word before the second of any. Where they say little, `otherwise` follows, nouns of its kind of book.
 */
export function ideasOf(
  symbols: Symbols,
  texts: readonly string[],
  language: string,
  otherwise: readonly string[],
): string[] {
  const lists = wordsOf(texts)
    .map((word) => plainIdeas(symbols, word, language))
    .filter((list) => list.length > 0);
  const ranked: string[] = [];
  for (let place = 0; place < 3; place++) for (const list of lists) if (list[place]) ranked.push(list[place]);
  const own = [...new Set(ranked)];
  const more = own.length < ENOUGH_IDEAS ? otherwise.filter((id) => symbols.has(id)) : [];
  return [...new Set([...own, ...more])].slice(0, MOST_IDEAS);
}
