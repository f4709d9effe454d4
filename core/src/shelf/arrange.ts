import { plainWord } from '../symbols';
import type { Card } from './card';
import type { FileState } from './file-state';

export const SORTS = ['changed', 'title', 'author', 'series', 'files'] as const;
export type Sort = (typeof SORTS)[number];
export const GROUPINGS = ['none', 'series', 'author', 'store', 'files'] as const;
export type Grouping = (typeof GROUPINGS)[number];

export type ShelfAsk = { readonly words: string; readonly sort: Sort; readonly group: Grouping };

/** How files stand, in one word: those that are older than the cover come first, for they are what one has to do with. */
export const STANDINGS = ['stale', 'missing', 'made', 'none', 'unknown'] as const;
export type Standing = (typeof STANDINGS)[number];

export function standingOf(state: FileState | undefined): Standing {
  if (!state) return 'unknown';
  if (state.stale > 0) return 'stale';
  if (state.wanted === 0) return 'none';
  return state.missing > 0 ? 'missing' : 'made';
}

/** Cards that stand together: `key` is the name of a series or author (empty: none), the id of a store, or a standing. */
export type CardGroup = { readonly key: string; readonly cards: readonly Card[] };

const NO_WORD = /[^\p{L}\p{N}]+/u;
const wordsIn = (text: string): string[] => text.split(NO_WORD).flatMap((word) => plainWord(word) || []);

/** What a search asks of a card, made once for as long as it stays as it is. */
const known = new WeakMap<Card, readonly string[]>();
function wordsOf(card: Card): readonly string[] {
  const there = known.get(card);
  if (there) return there;
  const words = [card.title, card.author, card.series, card.number === null ? '' : String(card.number)].flatMap(
    wordsIn,
  );
  known.set(card, words);
  return words;
}

/** Cards in whose title, author, series or number every word asked for begins a word; letter case, accents and plurals do not matter. */
export function searchCards(cards: readonly Card[], asked: string): readonly Card[] {
  const words = wordsIn(asked);
  return words.length === 0
    ? cards
    : cards.filter((card) => words.every((word) => wordsOf(card).some((own) => own.startsWith(word))));
}

const alphabet = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });
/** What has no name stands behind what has one. */
const byName = (a: string, b: string): number => (a === '' ? 1 : 0) - (b === '' ? 1 : 0) || alphabet.compare(a, b);
const byNumber = (a: Card, b: Card): number => (a.number ?? NO_NUMBER) - (b.number ?? NO_NUMBER);
/** Behind every volume that has a number. */
const NO_NUMBER = 1e6;
const later = (a: Card, b: Card): number => (a.updatedAt === b.updatedAt ? 0 : a.updatedAt < b.updatedAt ? 1 : -1);

type States = ReadonlyMap<string, FileState>;

/** What two cards are compared by, the first that tells them apart; a volume follows the one before it. */
function order(sort: Sort, states: States): (a: Card, b: Card) => number {
  const title = (a: Card, b: Card): number => byName(a.title, b.title);
  const series = (a: Card, b: Card): number => byName(a.series, b.series) || byNumber(a, b) || title(a, b);
  const id = (a: Card, b: Card): number => (a.id < b.id ? -1 : 1);
  const standing = (card: Card): number => STANDINGS.indexOf(standingOf(states.get(card.id)));
  const toDo = (card: Card): number => states.get(card.id)?.stale ?? 0;
  const by: Record<Sort, (a: Card, b: Card) => number> = {
    changed: later,
    title: (a, b) => title(a, b) || series(a, b),
    author: (a, b) => byName(a.author, b.author) || series(a, b),
    series,
    files: (a, b) => standing(a) - standing(b) || toDo(b) - toDo(a) || later(a, b),
  };
  return (a, b) => by[sort](a, b) || id(a, b);
}

export const sortCards = (cards: readonly Card[], sort: Sort, states: States): readonly Card[] =>
  [...cards].sort(order(sort, states));

/**
 * Cards in groups, each in the order they come in, volumes of a series by their numbers; a title that is sold at several stores stands with each. `stores` gives the stores' order. Groups by
 * name follow the alphabet, those without a name come last.
 */
export function groupCards(
  cards: readonly Card[],
  group: Grouping,
  states: States,
  stores: readonly string[],
): readonly CardGroup[] {
  if (group === 'none') return cards.length === 0 ? [] : [{ key: '', cards }];
  const keys = (card: Card): readonly string[] => {
    switch (group) {
      case 'series':
        return [card.series];
      case 'author':
        return [card.author];
      case 'store':
        return card.stores.length === 0 ? [''] : card.stores;
      case 'files':
        return [standingOf(states.get(card.id))];
    }
  };
  const groups = new Map<string, Card[]>();
  for (const card of cards)
    for (const key of keys(card)) {
      const there = groups.get(key);
      if (there) there.push(card);
      else groups.set(key, [card]);
    }
  const place = (list: readonly string[], key: string): number => {
    const at = list.indexOf(key);
    return at < 0 ? list.length : at;
  };
  const listed: readonly string[] | null = group === 'store' ? stores : group === 'files' ? STANDINGS : null;
  return [...groups]
    .map(([key, some]) => ({
      key,
      cards: group === 'series' && key !== '' ? some.sort(order('series', states)) : some,
    }))
    .sort((a, b) => (listed ? place(listed, a.key) - place(listed, b.key) : 0) || byName(a.key, b.key));
}

/** Everything that a Shelf shows, in its order. */
export const arrangeShelf = (
  cards: readonly Card[],
  ask: ShelfAsk,
  states: States,
  stores: readonly string[],
): readonly CardGroup[] =>
  groupCards(sortCards(searchCards(cards, ask.words), ask.sort, states), ask.group, states, stores);

/** Numbers of a series that no volume has, from 1 to the last, and those that several have. */
export function seriesNumbers(cards: readonly Card[]): {
  readonly lacks: readonly number[];
  readonly twice: readonly number[];
} {
  const numbers = cards.flatMap(({ number }) => number ?? []);
  if (numbers.length === 0) return { lacks: [], twice: [] };
  const there = new Set(numbers);
  const last = Math.max(...numbers);
  const lacks = Array.from({ length: last }, (_, i) => i + 1).filter((n) => !there.has(n));
  const twice = [...there].filter((n) => numbers.filter((one) => one === n).length > 1).sort((a, b) => a - b);
  return { lacks, twice };
}

/** A series name without what people write differently from volume to volume: case, accents, signs, a leading article, "series" behind it. */
const bareSeries = (name: string): string =>
  wordsIn(name)
    .filter(
      (word, i, all) =>
        !(i === 0 && all.length > 1 && ARTICLES.has(word)) && !(i > 0 && i === all.length - 1 && word === SERIES),
    )
    .join(' ');
const ARTICLES: ReadonlySet<string> = new Set([
  'the',
  'a',
  'an',
  'der',
  'die',
  'das',
  'le',
  'la',
  'les',
  'el',
  'los',
  'las',
]);
const SERIES = 'series';

/** Names of other series that are likely to be this one, written in another way. */
export function nearSeries(cards: readonly Card[], name: string): readonly string[] {
  const bare = bareSeries(name);
  if (bare === '') return [];
  return [...new Set(cards.map(({ series }) => series))].filter(
    (series) => series !== '' && series !== name && bareSeries(series) === bare,
  );
}
