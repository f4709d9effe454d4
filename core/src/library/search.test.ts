import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { untold } from '../book';
import { LONGEST_TAG, MOST_TAGS, type OwnPicture, OwnPictures, plainName, withTags } from './own-picture';
import { type LibraryAsk, anyOwn, libraryOf, searchLibrary } from './search';

type Some = {
  readonly name: string;
  readonly tags?: string[];
  readonly folder?: string;
  readonly alike?: string;
} & Partial<OwnPicture['reading']> & { readonly tall?: boolean };

const pictureOf = (
  { name, tags = [], folder = '', alike = '', tall = false, ...measured }: Some,
  at = 0,
): OwnPicture => ({
  schema: 1,
  asset: {
    id: `picture${String(at).padStart(6, '0')}`,
    format: 'jpeg',
    widthPx: 1000,
    heightPx: tall ? 1600 : 700,
    name,
    rights: untold,
  },
  folder,
  tags,
  addedAt: `2026-11-29T10:${String(at % 60).padStart(2, '0')}:00Z`,
  alike,
  reading: { light: 0.5, warmth: 0, busy: 12, quiet: [], colours: ['grey'], ...measured },
});

const LIBRARY = libraryOf(
  (
    [
      { name: 'IMG 2041', tags: ['lighthouse', 'Sea at night'], folder: 'Coast', colours: ['blue'], light: 0.3 },
      { name: 'lighthouse postcard', folder: 'Old things', colours: ['yellow'], tall: true },
      { name: 'harbour', folder: 'Coast', colours: ['teal'], quiet: ['top'], tall: true },
      { name: 'Wolkenmeer über den Alpen', colours: ['white'], light: 0.85, quiet: ['top', 'left'] },
      { name: 'scan 7', tags: ['lighthouses'], folder: 'Coast 2' },
    ] satisfies Some[]
  ).map(pictureOf),
);
const find = (ask: Partial<LibraryAsk>): string[] =>
  searchLibrary(LIBRARY, { ...anyOwn, ...ask }).found.map(({ asset }) => asset.name);

describe('one’s own pictures', () => {
  it('come with the last that came in first where nothing is asked', () => {
    expect(find({})).toEqual(['scan 7', 'Wolkenmeer über den Alpen', 'harbour', 'lighthouse postcard', 'IMG 2041']);
  });

  it.each<[Partial<LibraryAsk>, string[]]>([
    [{ words: 'lighthouse' }, ['IMG 2041', 'lighthouse postcard', 'scan 7']],
    [{ words: 'the Lighthouse at night' }, ['IMG 2041']],
    [{ words: 'light' }, ['scan 7', 'IMG 2041', 'lighthouse postcard', 'Wolkenmeer über den Alpen']],
    [{ words: 'uber alpen' }, ['Wolkenmeer über den Alpen']],
    [{ words: 'blue' }, ['IMG 2041']],
    [{ words: 'coast harbour' }, ['harbour']],
    [{ words: 'dark' }, ['IMG 2041']],
    [{ words: 'giraffe' }, []],
    [{ place: { kind: 'folder', folder: 'Coast' } }, ['harbour', 'IMG 2041']],
    [{ place: { kind: 'folder', folder: '' } }, ['Wolkenmeer über den Alpen']],
    [{ place: { kind: 'near' } }, []],
    [{ shape: 'tall' }, ['harbour', 'lighthouse postcard']],
    [{ quiet: 'left' }, ['Wolkenmeer über den Alpen']],
    [{ words: 'coast', quiet: 'top' }, ['harbour']],
  ])('%j finds %j', (ask, names) => {
    expect(find(ask)).toEqual(names);
  });

  it('says how many the choices alone leave out', () => {
    expect(searchLibrary(LIBRARY, { ...anyOwn, words: 'lighthouse', colour: 'red' })).toEqual({ found: [], hides: 3 });
  });

  it('know their folders in the order of the alphabet, how many lie in each, and their tags', () => {
    expect(LIBRARY.folders).toEqual([
      { folder: '', count: 1 },
      { folder: 'Coast', count: 2 },
      { folder: 'Coast 2', count: 1 },
      { folder: 'Old things', count: 1 },
    ]);
    expect(LIBRARY.tags).toEqual(['lighthouse', 'lighthouses', 'Sea at night']);
  });

  it('that are nearly the same lie side by side, each with the others', () => {
    const [a, b] = ['00ff00ff00ff00ff', '0f0f0f0f0f0f0f0f'];
    const all = ['x', 'y', 'z', 'alone', 'x again', 'y again'];
    const marks = [a, b, '7777777777777777', '', '00ff00ff00ff00fe', b];
    const library = libraryOf(all.map((name, at) => pictureOf({ name, alike: marks[at] }, at)));
    const { found } = searchLibrary(library, { ...anyOwn, place: { kind: 'near' } });
    expect(found.map(({ asset }) => asset.name)).toEqual(['y again', 'y', 'x again', 'x']);
    expect(library.near.get(found[0].asset.id)?.map(({ asset }) => asset.name)).toEqual(['y']);
  });

  it('of a great many are all found again by their own names, and by nothing that they are not', () => {
    const many = libraryOf(
      Array.from({ length: 5000 }, (_, i) => pictureOf({ name: `IMG ${1000 + i}`, tags: [`tag${i % 40}`] }, i)),
    );
    for (const i of [0, 17, 2500, 4999])
      expect(searchLibrary(many, { ...anyOwn, words: `img ${1000 + i}` }).found).toHaveLength(1);
    expect(searchLibrary(many, { ...anyOwn, words: 'tag7' }).found).toHaveLength(125);
    expect(searchLibrary(many, anyOwn).found).toHaveLength(5000);
  });
});

describe('what is typed for them', () => {
  it('becomes tags, each once, none empty or too long, and stays so when it is read again', () => {
    fc.assert(
      fc.property(
        fc.array(fc.string({ maxLength: 20 }), { maxLength: 5 }),
        fc.string({ maxLength: 400 }),
        (had, typed) => {
          const first = withTags([], had.join(','));
          const tags = withTags(first, typed);
          expect(tags.slice(0, first.length)).toEqual(first);
          expect(new Set(tags.map((tag) => tag.toLocaleLowerCase())).size).toBe(tags.length);
          expect(tags.length).toBeLessThanOrEqual(MOST_TAGS);
          for (const tag of tags) expect(tag.length > 0 && tag.length <= LONGEST_TAG && tag === tag.trim()).toBe(true);
          expect(withTags([], tags.join(', '))).toEqual(tags);
          expect(OwnPictures.read(pictureOf({ name: 'x', tags }))).toMatchObject({ ok: true });
        },
      ),
    );
    expect(withTags(['Sea'], ' sea,  Dawn ;dawn\nred  sky')).toEqual(['Sea', 'Dawn', 'red sky']);
  });

  it('becomes a name of one line', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 300 }), (typed) => {
        const name = plainName(typed, 60);
        expect(name.length).toBeLessThanOrEqual(60);
        expect(name).not.toMatch(/\p{Cc}|^\s|\s$/u);
        expect(plainName(name, 60)).toBe(name);
      }),
    );
  });
});
