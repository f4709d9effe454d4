import { bareWords } from '@yosomi/core/base';
import type { Action } from '../../state/actions';

/** How well one word fits a list of words, 0 to 1. */
function wordRank(word: string, list: readonly string[], whole: number, part: number): number {
  if (list.includes(word)) return whole;
  if (list.some((one) => one.startsWith(word))) return part;
  return 0;
}

/**
 * How well something that can be done fits what a person has typed, 0 for not at all. What it is called comes before other
 * words by which it is looked for, whole words before their beginnings; every word that was typed must be found.
 */
export function rank(action: Pick<Action, 'label' | 'also' | 'group'>, typed: string): number {
  const query = bareWords(typed);
  if (!query) return 0.5;
  // A step is what it leads to.
  const name = bareWords(action.label).replace(/^go to /, '');
  if (name === query) return 1;
  const [names, others] = [name.split(' '), bareWords(action.also ?? '').split(' ')];
  const found = query
    .split(' ')
    .map((word) =>
      Math.max(
        wordRank(word, names, 0.8, 0.7) - names.length * 0.01,
        wordRank(word, others, 0.8, 0.55) - names.length * 0.01,
        wordRank(word, bareWords(action.group).split(' '), 0.2, 0.15),
        bareWords(action.label).split(' ').includes(word) ? 0.2 : 0,
      ),
    );
  const least = Math.min(...found);
  if (least <= 0) return 0;
  return Math.min(0.99, least + (name.startsWith(query) ? 0.1 : 0));
}
