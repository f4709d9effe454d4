import type { Mood } from '../../book';
import type { Grade } from '../grades';
import type { Chord, Tone } from '../moods';

/** What serves and what never does, by name. */
export type Choice = { readonly serve: readonly string[]; readonly never: readonly string[] };

/** How covers of one kind of book look, so that a reader knows the kind before reading a word. */
export type GenreRule = {
  /** What it is known by, and why. */
  readonly why: string;
  /** Families of the title. */
  readonly faces: Choice;
  /** The title in capitals, as typed, or as its face likes it. */
  readonly caps: boolean | null;
  /** Size of the author's name against what is usual. */
  readonly byline: number;
  readonly moods: readonly Mood[];
  readonly chords: readonly Chord[];
  /** How pictures are graded; the first is the commonest. */
  readonly grades: readonly Grade[];
  /** Symbols that stand for it, where a title's own words bring none to mind. */
  readonly symbols: readonly string[];
  readonly structures: Choice;
};

export const chord = (name: string, ground: Tone, words: Tone, accent: Tone, block: Tone): Chord => ({
  name,
  ground,
  words,
  accent,
  block,
});

/** Names in lines, as one list. */
export const named = (...lines: readonly string[]): readonly string[] => lines.join(' ').split(' ');
