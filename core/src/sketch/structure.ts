import type { BookKind, Mood } from '../book';
import type { PartSeed } from '../cover';
import type { Board } from './board';
import type { WordFacts } from './facts';
import type { PictureFacts } from './picture';

/** Families of structures, by which the sheet is filtered. */
export const GROUPS = ['full', 'window', 'symbol', 'type', 'figure'] as const;
export type Group = (typeof GROUPS)[number];

/** What must hold before a structure is tried. Bounds left out do not bind. */
export type Asks = {
  /** Least and most pictures that it shows; the rest of the sheet's pictures is left out. */
  readonly pictures: readonly [least: number, most: number];
  /** How many symbols it shows. */
  readonly symbols?: number;
  readonly words?: readonly [least: number, most: number];
  readonly letters?: readonly [least: number, most: number];
  /** Most letters of the longest word. */
  readonly longest?: number;
  /** Height by width of the cover. */
  readonly ratio?: readonly [least: number, most: number];
  /** Something that the picture must have. */
  readonly picture?: (facts: PictureFacts) => boolean;
  readonly also?: (facts: WordFacts) => boolean;
  readonly series?: boolean;
  /** Shows its picture as it is: its letters are filled with it. */
  readonly ungraded?: boolean;
  /** Strokes that the title face must have, where not all do. */
  readonly weight?: readonly ('fine' | 'even' | 'heavy')[];
  /** Written right to left, letters are joined: some settings are not for them. */
  readonly leftToRight?: boolean;
};

/** A rule by which a cover is composed: data about when it serves, and the constraints of its places. */
export type Structure = {
  readonly id: string;
  /** What it is, in plain words. */
  readonly name: string;
  readonly group: Group;
  /** How well it serves each kind of book, 0..3; 1 where it is not said. */
  readonly kinds: Readonly<Partial<Record<BookKind, number>>>;
  readonly moods: readonly Mood[];
  readonly asks: Asks;
  /** Number of its variations. */
  readonly turns: number;
  /** Parts from back to front, or null where the words do not fit. */
  draw(board: Board): PartSeed[] | null;
};

const within = (bounds: readonly [number, number] | undefined, n: number): boolean =>
  !bounds || (n >= bounds[0] && n <= bounds[1]);

/** Whether a structure can serve these words and pictures on a cover of this ratio. */
export function canServe(
  { asks }: Structure,
  facts: WordFacts,
  pictures: readonly PictureFacts[],
  ratio: number,
  inSeries: boolean,
  symbols: number,
): boolean {
  return (
    symbols >= (asks.symbols ?? 0) &&
    pictures.length >= asks.pictures[0] &&
    within(asks.words, facts.words.length) &&
    within(asks.letters, facts.letters) &&
    facts.longest <= (asks.longest ?? Infinity) &&
    within(asks.ratio, ratio) &&
    (!asks.picture || pictures.some(asks.picture)) &&
    (asks.also?.(facts) ?? true) &&
    (!asks.series || inSeries) &&
    !(asks.leftToRight && facts.rightToLeft)
  );
}
