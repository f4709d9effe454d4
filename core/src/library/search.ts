import { type Choices, answersChoices, anyPicture, isOfMood, wordsAsked } from '../desk';
import { plainWord } from '../symbols';
import { nearlySame } from './alike';
import type { OwnPicture } from './own-picture';

/** Where one looks: everywhere, in one folder (empty: in none), or among those that have one that is nearly the same. */
export type LibraryPlace =
  { readonly kind: 'all' } | { readonly kind: 'folder'; readonly folder: string } | { readonly kind: 'near' };

export type LibraryAsk = Choices & { readonly words: string; readonly place: LibraryPlace };

const { words, colour, tone, shape, detail, quiet } = anyPicture;
export const anyOwn: LibraryAsk = { words, colour, tone, shape, detail, quiet, place: { kind: 'all' } };

/** Everything that a search asks of a library, made once for as long as it stays as it is. */
export type Library = {
  /** The last that came in first. */
  readonly pictures: readonly OwnPicture[];
  readonly words: readonly (readonly Said[])[];
  /** By id, those that are nearly the same, the nearest first. */
  readonly near: ReadonlyMap<string, readonly OwnPicture[]>;
  /** Names of the folders in the order of the alphabet, with how many lie in each; the empty name counts those in none. */
  readonly folders: readonly { readonly folder: string; readonly count: number }[];
  /** Tags, the most used first. */
  readonly tags: readonly string[];
};
/** A word of a picture and how much it says: its tags before its name, its name before its folder. */
type Said = { readonly word: string; readonly weight: number };

const NO_WORD = /[^\p{L}\p{N}]+/u;

export function libraryOf(all: readonly OwnPicture[]): Library {
  const pictures = [...all].sort((a, b) => (a.addedAt === b.addedAt ? 0 : a.addedAt < b.addedAt ? 1 : -1));
  const near = new Map<string, OwnPicture[]>();
  for (const [at, others] of nearlySame(pictures.map(({ alike }) => alike)))
    near.set(
      pictures[at].asset.id,
      others.map((other) => pictures[other]),
    );
  // The same words come again and again: each is made plain once.
  const plain = new Map<string, string>();
  const plainOnce = (word: string): string => {
    const known = plain.get(word) ?? plainWord(word);
    plain.set(word, known);
    return known;
  };
  const wordsOf = (text: string): string[] => text.split(NO_WORD).flatMap((word) => plainOnce(word) || []);
  const folders = new Map<string, number>();
  const tags = new Map<string, { tag: string; count: number }>();
  for (const one of pictures) {
    folders.set(one.folder, (folders.get(one.folder) ?? 0) + 1);
    for (const tag of one.tags) {
      const lower = tag.toLocaleLowerCase();
      const known = tags.get(lower) ?? { tag, count: 0 };
      tags.set(lower, { ...known, count: known.count + 1 });
    }
  }
  return {
    pictures,
    words: pictures.map(({ tags, folder, asset }) => [
      ...tags.flatMap(wordsOf).map((word) => ({ word, weight: 3 })),
      ...wordsOf(asset.name.replace(/\.\w{2,5}$/, '')).map((word) => ({ word, weight: 2 })),
      ...wordsOf(folder).map((word) => ({ word, weight: 1 })),
    ]),
    near,
    folders: [...folders]
      .map(([folder, count]) => ({ folder, count }))
      .sort((a, b) => a.folder.localeCompare(b.folder, 'en', { numeric: true })),
    tags: [...tags.values()].sort((a, b) => b.count - a.count || a.tag.localeCompare(b.tag)).map(({ tag }) => tag),
  };
}

/** How well a picture answers one plain word, 0 where it does not: a word of its own whole or begun, a colour, a mood. */
function answers({ reading }: OwnPicture, said: readonly Said[], asked: string): number {
  let best = 0;
  for (const { word, weight } of said) {
    if (word === asked) best = Math.max(best, weight + 3);
    else if (word.startsWith(asked)) best = Math.max(best, weight);
  }
  if (best > 0) return best;
  return reading.colours.some((name) => name === asked) || isOfMood(asked, reading) ? 1 : 0;
}

/** Those that answer every word and every choice, the best first; `hides` counts those that the choices alone leave out. */
export function searchLibrary(
  library: Library,
  ask: LibraryAsk,
): { readonly found: readonly OwnPicture[]; readonly hides: number } {
  const { place } = ask;
  const asked = wordsAsked(ask.words).map(plainWord);
  const scored = library.pictures.flatMap((picture, at) => {
    if (place.kind === 'folder' && picture.folder !== place.folder) return [];
    if (place.kind === 'near' && !library.near.has(picture.asset.id)) return [];
    const scores = asked.map((word) => answers(picture, library.words[at], word));
    return scores.includes(0) ? [] : [{ picture, score: scores.reduce((sum, one) => sum + one, 0) }];
  });
  const found = scored.filter(({ picture: { asset, reading } }) =>
    answersChoices(asset.heightPx / asset.widthPx, reading, ask),
  );
  if (asked.length > 0) found.sort((a, b) => b.score - a.score);
  const pictures = found.map(({ picture }) => picture);
  return {
    found: place.kind === 'near' ? besideOneAnother(library, pictures) : pictures,
    hides: scored.length - found.length,
  };
}

/** Those that are nearly the same lie side by side. */
function besideOneAnother(library: Library, pictures: readonly OwnPicture[]): OwnPicture[] {
  const left = new Map(pictures.map((one) => [one.asset.id, one]));
  const out: OwnPicture[] = [];
  for (const { asset } of pictures) {
    const waiting = [asset.id];
    for (let id = waiting.pop(); id !== undefined; id = waiting.pop()) {
      const one = left.get(id);
      if (!one) continue;
      left.delete(id);
      out.push(one);
      waiting.push(...(library.near.get(id) ?? []).map((other) => other.asset.id).reverse());
    }
  }
  return out;
}
