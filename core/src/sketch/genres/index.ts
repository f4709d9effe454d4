import type { Genre } from '../../book';
import { academic } from './academic';
import { business } from './business';
import { cookbook } from './cookbook';
import { crime } from './crime';
import { fantasy } from './fantasy';
import { gardenCraft } from './garden-craft';
import { historical } from './historical';
import { history } from './history';
import { horror } from './horror';
import { literary } from './literary';
import { memoir } from './memoir';
import { pictureBook } from './picture-book';
import { poetry } from './poetry';
import { popularScience } from './popular-science';
import { romance } from './romance';
import type { Choice, GenreRule } from './rule';
import { scienceFiction } from './science-fiction';
import { selfHelp } from './self-help';
import { spirituality } from './spirituality';
import { study } from './study';
import { thriller } from './thriller';
import { travel } from './travel';
import { youngAdult } from './young-adult';
import { youngReaders } from './young-readers';

export type { GenreRule } from './rule';

export const GENRE_RULES: Readonly<Record<Genre, GenreRule>> = {
  thriller,
  crime,
  romance,
  fantasy,
  'science-fiction': scienceFiction,
  horror,
  literary,
  historical,
  'young-adult': youngAdult,
  'young-readers': youngReaders,
  'picture-book': pictureBook,
  poetry,
  memoir,
  travel,
  history,
  'popular-science': popularScience,
  spirituality,
  'self-help': selfHelp,
  business,
  'garden-craft': gardenCraft,
  cookbook,
  study,
  academic,
};

/** A book of no kind: everything may serve. */
const OPEN: GenreRule = {
  why: 'Nothing is known of the kind.',
  faces: { serve: [], never: [] },
  caps: null,
  byline: 1,
  moods: [],
  chords: [],
  grades: ['plain'],
  symbols: ['leaf', 'star-four', 'bird', 'moon', 'sun'],
  structures: { serve: [], never: [] },
};

const union = <T>(a: readonly T[], b: readonly T[]): T[] => [...new Set([...a, ...b])];

/** What serves one serves both; what one never takes is taken only where it serves the other. */
const mixedChoice = (a: Choice, b: Choice): Choice => ({
  serve: union(a.serve, b.serve).filter((one) => a.serve.includes(one) || !a.never.includes(one)),
  never: union(a.never, b.never).filter((one) => !a.serve.includes(one)),
});

/** The rule of a title's kinds: one, or two mixed, of which the first has the last word. */
export function ruleOf(genres: readonly Genre[]): GenreRule {
  const [first, second] = genres.map((genre) => GENRE_RULES[genre]);
  if (!first) return OPEN;
  if (!second) return first;
  return {
    why: `${first.why} ${second.why}`,
    faces: mixedChoice(first.faces, second.faces),
    caps: first.caps === second.caps ? first.caps : null,
    byline: (first.byline * 2 + second.byline) / 3,
    moods: union(first.moods, second.moods),
    chords: union(first.chords, second.chords),
    grades: union(first.grades, second.grades),
    symbols: union(first.symbols, second.symbols),
    structures: mixedChoice(first.structures, second.structures),
  };
}
