import { type Card, seriesNumbers } from '@yosomi/core/shelf';

/** Where the page of a series is. */
export const seriesPath = (name: string): string => `/series/${encodeURIComponent(name)}`;

const numbers = (list: readonly number[]): string =>
  list.length === 1 ? `Volume ${list[0]}` : `Volumes ${list.slice(0, -1).join(', ')} and ${list.at(-1)}`;

/** What is odd about the numbers of a series; null where nothing is. */
export function oddNumbers(cards: readonly Card[]): string | null {
  const { lacks, twice } = seriesNumbers(cards);
  const said = [
    lacks.length > 0 ? `${numbers(lacks)} ${lacks.length === 1 ? 'is' : 'are'} not here.` : '',
    twice.length > 0 ? `${numbers(twice)} ${twice.length === 1 ? 'is' : 'are'} here twice.` : '',
  ];
  return said.filter(Boolean).join(' ') || null;
}
