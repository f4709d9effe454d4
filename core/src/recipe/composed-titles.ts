import type { Result } from '../base';
import type { Asset, Book } from '../project';
import { turnBetween } from './carry-front';
import { type ComposedTitle, type CoverManner, designOf } from './composed-title';
import type { Reading, SeriesDesign } from './series';
import type { Start } from './start';

/** A title that is to be made: its words, and the pictures that were given for it. */
export type TitleAsk = { readonly line: number; readonly start: Start; readonly pictures: readonly Asset[] };

/** Who makes them: the page has its workers do it, the command line does it itself. */
export type Composer = {
  compose(ask: TitleAsk, manner: CoverManner): Promise<Result<ComposedTitle>>;
  /** How the words of a design read on its own volume; null where that cannot be told. */
  reading(from: Book, design: SeriesDesign): Promise<Reading | null>;
};

/** A series as far as it is known: the volume whose design the others wear, and the turns of colour that are taken. */
type Family = {
  readonly from: Book;
  readonly design: SeriesDesign;
  readonly own: Reading | null;
  readonly taken: number[];
  /** How many volumes there were before. */
  readonly before: number;
};

/** Volumes that are there already: the first that has a design to carry, how many there are, and by how much the colours of others are turned. */
export type VolumesThere = { readonly first: Book; readonly count: number; readonly taken: readonly number[] };

const seriesOf = ({ start }: TitleAsk): string => start.brief.seriesName.trim();
const numberOf = (book: Book | TitleAsk): number | null =>
  'start' in book ? book.start.brief.seriesNumber : book.brief.seriesNumber;

/**
 * Makes titles one after the other: volumes of a series wear the design of the one that is there, else of the first that is made; all others
 * take a cover of their own sheet. `there` answers what the series has already; null for none.
 */
export class TitleMaker {
  readonly #families = new Map<string, Family | null>();

  constructor(
    private readonly all: readonly TitleAsk[],
    private readonly there: (series: string) => Promise<VolumesThere | null>,
    private readonly by: Composer,
  ) {}

  async make(ask: TitleAsk): Promise<Result<ComposedTitle>> {
    const series = seriesOf(ask);
    const family = series === '' ? null : await this.#family(series);
    if (family) {
      const made = await this.by.compose(ask, this.#worn(ask, family));
      // A design that cannot be set for a title leaves it to its own sheet.
      if (made.ok) {
        family.taken.push(made.value.turn);
        return made;
      }
    }
    const made = await this.by.compose(ask, { kind: 'sheet', seed: ask.line });
    if (made.ok && series !== '' && !family) this.#families.set(series, await this.#familyOf(made.value.book, 0, []));
    return made;
  }

  #worn(ask: TitleAsk, { from, design, own, taken, before }: Family): CoverManner {
    const mine = this.all.filter((one) => seriesOf(one) === seriesOf(ask));
    const [number, first] = [numberOf(ask), numberOf(from)];
    const place =
      number !== null && first !== null ? number - first : mine.findIndex(({ line }) => line === ask.line) + 1;
    const numbers = mine.flatMap((one) => numberOf(one) ?? []);
    return { kind: 'series', from, design, own, taken, place, volumes: Math.max(mine.length + before, ...numbers) };
  }

  async #family(series: string): Promise<Family | null> {
    const known = this.#families.get(series);
    if (known !== undefined) return known;
    const found = await this.there(series);
    const family = found && (await this.#familyOf(found.first, found.count, found.taken));
    if (family) this.#families.set(series, family);
    return family;
  }

  async #familyOf(from: Book, before: number, taken: readonly number[]): Promise<Family | null> {
    const design = designOf(from);
    return design && { from, design, own: await this.by.reading(from, design), taken: [0, ...taken], before };
  }
}

/** By how much the colours of other volumes differ from those of the first, as far as that can be told. */
export const turnsTaken = (first: Book, others: readonly Book[]): number[] =>
  others.flatMap(({ id, cover }) => (id === first.id ? [] : (turnBetween(first.cover, cover) ?? [])));

/** What of a series is among these titles; null where none of its volumes has a design to carry. */
export function volumesAmong(books: Iterable<Book>, series: string): VolumesThere | null {
  const volumes = [...books]
    .filter(({ brief }) => brief.seriesName.trim() === series)
    .sort((a, b) => (a.brief.seriesNumber ?? Infinity) - (b.brief.seriesNumber ?? Infinity) || (a.id < b.id ? -1 : 1));
  const first = volumes.find(designOf);
  return first ? { first, count: volumes.length, taken: turnsTaken(first, volumes) } : null;
}
