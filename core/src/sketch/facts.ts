import { type Brief, seriesLine } from '../book';
import { isMinor, readsRightToLeft, scriptsOf, type Script } from '../text';

/** What is known of a book's words before anything is set. */
export type WordFacts = {
  readonly title: string;
  readonly words: readonly string[];
  /** Letters of the title without spaces, and of its longest word. */
  readonly letters: number;
  readonly longest: number;
  /** Place of the word that carries the title. */
  readonly key: number;
  /** The first letter of the first word that is no article or preposition, as a capital. */
  readonly initial: string;
  readonly scripts: readonly Script[];
  /** Letters that no shipped face has. */
  readonly foreign: readonly string[];
  readonly rightToLeft: boolean;
};

const bare = (word: string): string => word.replace(/[^\p{L}\p{N}]/gu, '');

/** The longest word that is no article or preposition; of equally long ones the later: it is more often the noun. */
export function keyWord(words: readonly string[]): number {
  let best = 0;
  let most = -1;
  words.forEach((word, i) => {
    const long = isMinor(word) ? 0 : [...bare(word)].length;
    if (long >= most) [best, most] = [i, long];
  });
  return best;
}

export function factsOf(brief: Brief): WordFacts {
  const title = brief.title.trim();
  const words = title.split(/\s+/).filter(Boolean);
  const key = keyWord(words);
  const all = [title, brief.subtitle, brief.author, seriesLine(brief)].join(' ');
  const { scripts, foreign } = scriptsOf(all);
  return {
    title,
    words,
    letters: [...title.replace(/\s/g, '')].length,
    longest: Math.max(0, ...words.map((w) => [...w].length)),
    key,
    initial: ([...bare(words.find((w) => !isMinor(w) && bare(w) !== '') ?? '')][0] ?? '').toLocaleUpperCase(),
    scripts,
    foreign,
    rightToLeft: readsRightToLeft(title),
  };
}
