import { type Finding, type Result, fail, ok } from '../base';
import { type Accepted, type NameChange, nameChanges } from './change';
import { type Hit, type Standing, nameFinder, sentenceAt } from './find';

/** Where in a book an old name may stand. */
export type NamePlace = 'text' | 'heading' | 'page-title' | 'alt' | 'link' | 'contents' | 'metadata';

/** A piece of a book in which names are looked for, and the way to change it. */
export type Spot = {
  readonly place: NamePlace;
  readonly standing: Standing;
  readonly text: string;
  /** Puts words in the place of those from `start` to `end`. Called from the last place to the first. */
  put(start: number, end: number, words: string): void;
};

/** A text that is read and written as a whole; none where it says nothing. */
export function textSpot(
  place: NamePlace,
  standing: Standing,
  read: () => string | null | undefined,
  write: (text: string) => void,
): Spot[] {
  const text = read() ?? '';
  if (!text.trim()) return [];
  const put = (start: number, end: number, words: string): void => {
    const now = read() ?? '';
    write(now.slice(0, start) + words + now.slice(end));
  };
  return [{ place, standing, text, put }];
}

/** An old name in a book: where it stands, and its sentence as it is and as it becomes. */
export type NameHit = Omit<Hit, 'start' | 'end'> & {
  /** Its file and its number there: the same in each reading of the same book for the same names. */
  readonly id: string;
  /** The file of an EPUB, or the part of a PDF. */
  readonly path: string;
  /** Which of the pages in reading order, from 1; null for what is no page. */
  readonly page: number | null;
  readonly place: NamePlace;
  readonly before: string;
  readonly after: string;
};

export type NamesFound = {
  readonly changes: readonly NameChange[];
  readonly hits: readonly NameHit[];
  readonly notes: readonly Finding[];
};

export type NamesWish = { readonly changes: readonly NameChange[]; readonly accepted: Accepted };

export type ToldHit = NameHit & { readonly changed: boolean };

/** Most places that are listed. */
const MOST_HITS = 20_000;

const isAccepted = (accepted: Accepted, hit: NameHit): boolean =>
  accepted === 'all' || (accepted === 'sure' ? hit.sure : accepted.has(hit.id));

/** Goes through the spots of a book, part by part: every place is listed, and changed where it is accepted. */
export class NameWalk {
  readonly hits: NameHit[] = [];
  /** How many places of each change were changed. */
  readonly counts: number[];
  readonly #find: ReturnType<typeof nameFinder>;
  readonly #numbers = new Map<string, number>();

  private constructor(
    readonly changes: readonly NameChange[],
    readonly accepted: Accepted,
  ) {
    this.counts = changes.map(() => 0);
    this.#find = nameFinder(changes);
  }

  /** Faults: those of `nameChanges`. */
  static of({ changes, accepted }: NamesWish): Result<NameWalk> {
    const tidy = nameChanges(changes);
    return tidy.ok ? ok(new NameWalk(tidy.value, accepted)) : tidy;
  }

  /** One part of the book; answers whether anything in it was changed. Fault: `names-many`. */
  part(path: string, page: number | null, spots: readonly Spot[]): Result<boolean> {
    let touched = false;
    for (const spot of spots) {
      const here = this.#find(spot.text, spot.standing).map((hit) => {
        const { start, end, ...rest } = hit;
        const n = (this.#numbers.get(path) ?? 0) + 1;
        this.#numbers.set(path, n);
        const one: NameHit = {
          ...rest,
          ...sentenceAt(spot.text, hit),
          id: `${path}#${n}`,
          path,
          page,
          place: spot.place,
        };
        return { one, start, end };
      });
      this.hits.push(...here.map(({ one }) => one));
      if (this.hits.length > MOST_HITS) return fail('names-many', { most: MOST_HITS });
      for (const { one, start, end } of here.reverse()) {
        if (!isAccepted(this.accepted, one)) continue;
        spot.put(start, end, one.becomes);
        this.counts[one.change]++;
        touched = true;
      }
    }
    return ok(touched);
  }

  told(): ToldHit[] {
    return this.hits.map((hit) => ({ ...hit, changed: isAccepted(this.accepted, hit) }));
  }
}

const MAIL = /[\p{L}\p{N}._%+-]+@[\p{L}\p{N}-]+(?:\.[\p{L}\p{N}-]+)+/gu;
const SITE = /^https?:\/\/(?:www\.)?([^\s/?#:@]+)/i;

const mostOf = (counts: ReadonlyMap<string, number>): string =>
  [...counts].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))[0]?.[0] ?? '';

/** The site and the mail address that a book names most often; a site that is linked to once may be anybody's. */
export function oftenNamed(spots: Iterable<Spot>): { site: string; mail: string } {
  const sites = new Map<string, number>();
  const mails = new Map<string, number>();
  const count = (counts: Map<string, number>, name: string): void => void counts.set(name, (counts.get(name) ?? 0) + 1);
  for (const { place, text } of spots) {
    for (const [mail] of text.matchAll(MAIL)) count(mails, mail.toLowerCase());
    const host = place === 'link' ? SITE.exec(text)?.[1] : undefined;
    if (host) count(sites, host.toLowerCase());
  }
  return { site: mostOf(new Map([...sites].filter(([, n]) => n > 1))), mail: mostOf(mails) };
}

/** Names that are there, each once. */
export function known(names: readonly Omit<NameChange, 'to'>[]): Omit<NameChange, 'to'>[] {
  const same = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();
  return names.filter(({ from }, i) => from.trim() && names.findIndex((one) => same(one.from, from)) === i);
}
