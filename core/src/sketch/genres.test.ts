import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BOOK_KINDS, GENRES, emptyBrief, ofKind, sortOf, withGenre } from '../book';
import { contrast } from '../colour';
import { FAMILIES } from '../text';
import { noSymbols } from '../symbols';
import {
  Chooser,
  GENRE_RULES,
  GRADES,
  PAIRINGS,
  STRUCTURES,
  type SheetAsk,
  type Traits,
  lookOfGrade,
  oneWithoutOf,
  planSheet,
  ruleOf,
  setAs,
  toneDistance,
  tonesOfChord,
} from './index';
import { Look } from '../cover';

const families = new Set(FAMILIES.map((f) => f.id));
const structures = new Set(STRUCTURES.map((s) => s.id));
const paired = new Set(PAIRINGS.map((p) => p.title.split('/')[0]));
const family = (cut: string): string => cut.split('/')[0];

const ask = (genres: SheetAsk['brief']['genres'], more: Partial<SheetAsk> = {}): SheetAsk => ({
  brief: {
    ...emptyBrief,
    title: 'A Map of Slow Rivers',
    author: 'Ada Fenwright',
    genres,
    kind: genres[0] ? sortOf(genres[0]) : 'story',
  },
  widthPx: 1600,
  heightPx: 2560,
  pictures: [],
  symbols: noSymbols,
  authorLarge: false,
  mark: null,
  seed: 7,
  house: { colours: [], cuts: [] },
  must: { colour: null, cut: null },
  pictured: 'any',
  ...more,
});

const planned = (a: SheetAsk) => {
  const plan = planSheet(a);
  if (!plan.ok) throw new Error(plan.fault.code);
  return plan.value.flatMap((slot) => slot.attempts);
};

describe('kinds of book', () => {
  it('are at least twenty, of every sort', () => {
    expect(GENRES.length).toBeGreaterThanOrEqual(20);
    expect(new Set(GENRES.map(sortOf))).toEqual(new Set(BOOK_KINDS));
  });

  it.each(GENRES)(
    '%s names faces and structures that there are, none both served and never taken, with a reason',
    (genre) => {
      const { why, faces, structures: rules, chords, grades, moods, byline } = GENRE_RULES[genre];
      expect(why.length).toBeGreaterThan(60);
      for (const id of [...faces.serve, ...faces.never]) expect(families.has(id), id).toBe(true);
      for (const id of faces.serve) expect(paired.has(id), `${id} in no pairing`).toBe(true);
      for (const id of [...rules.serve, ...rules.never]) expect(structures.has(id), id).toBe(true);
      expect(faces.serve.filter((id) => faces.never.includes(id))).toEqual([]);
      expect(rules.serve.filter((id) => rules.never.includes(id))).toEqual([]);
      expect(chords.length).toBeGreaterThanOrEqual(6);
      expect([moods.length > 0, grades.length > 2, byline > 0.9 && byline < 2]).toEqual([true, true, true]);
      const left = STRUCTURES.filter((s) => !rules.never.includes(s.id));
      expect(left.filter((s) => s.asks.pictures[0] === 0).length).toBeGreaterThanOrEqual(5);
      expect(left.filter((s) => s.asks.pictures[0] > 0).length).toBeGreaterThanOrEqual(6);
    },
  );

  it('have colours of their own: each reads, and no two of one kind have the same ground', () => {
    const names = GENRES.flatMap((genre) => GENRE_RULES[genre].chords.map((c) => `${genre} ${c.name}`));
    expect(new Set(names).size).toBe(names.length);
    for (const genre of GENRES) {
      const tones = GENRE_RULES[genre].chords.map(tonesOfChord);
      for (const [i, one] of tones.entries()) {
        for (const colour of [one.words, one.second, one.accent])
          expect(contrast(colour, one.ground), one.name).toBeGreaterThanOrEqual(4.5);
        for (const other of tones.slice(i + 1))
          expect(toneDistance(one.ground, other.ground), `${one.name}, ${other.name}`).toBeGreaterThan(0.008);
      }
    }
  });

  it('never get a face or a structure that they never take, and mostly those that serve', () => {
    fc.assert(
      fc.property(fc.constantFrom(...GENRES), fc.nat(9999), (genre, seed) => {
        const { faces, structures: rules } = GENRE_RULES[genre];
        const all = planned(ask([genre], { seed }));
        for (const { faces: cut, structure } of all) {
          expect(faces.never).not.toContain(family(cut.title));
          expect(rules.never).not.toContain(structure);
        }
        const served = all.filter((one) => faces.serve.includes(family(one.faces.title))).length;
        expect(served / all.length).toBeGreaterThan(0.55);
      }),
      { numRuns: 60 },
    );
  });

  it('fill two of three places of a sheet with structures that serve, and the others with ever other ones', () => {
    for (const genre of GENRES) {
      const { structures: rules, symbols: ideas } = GENRE_RULES[genre];
      const { serve } = rules;
      const symbols = new Map(ideas.map((id) => [id, { id, words: [], ratio: 1, d: 'M0 0h1000v1000H0z' }]));
      const plan = planSheet(ask([genre], { symbols }));
      if (!plan.ok) throw new Error(plan.fault.code);
      const order = plan.value.map(({ attempts }) => attempts[0].structure);
      const surprising = order.filter((id) => !serve.includes(id));
      expect(surprising.length / order.length, genre).toBeLessThan(0.36);
      expect(surprising.length / order.length, genre).toBeGreaterThan(0.2);
      expect(new Set(surprising).size, genre).toBeGreaterThan(4);
    }
  });

  it('take colours of their own, and those of moods only where a person names moods', () => {
    const own = new Set(GENRE_RULES.thriller.chords.map((c) => c.name));
    for (const { tones } of planned(ask(['thriller']))) expect(own).toContain(tones.name);
    const named = ask(['thriller']);
    const both = planned({ ...named, brief: { ...named.brief, moods: ['tender'] } });
    expect(both.some(({ tones }) => !own.has(tones.name))).toBe(true);
  });

  it('give way to a face that must be there, and to letters that only one face has', () => {
    const must = planned(ask(['picture-book'], { must: { colour: null, cut: 'cinzel/700' } }));
    for (const { faces } of must) expect([faces.title, faces.other]).toContain('cinzel/700');
    const arabic = ask(['thriller']);
    expect(planned({ ...arabic, brief: { ...arabic.brief, title: 'حديقة المطر' } }).length).toBeGreaterThan(20);
  });

  it('can be mixed: the first has the last word, and nothing that serves it is left out', () => {
    for (const a of GENRES)
      for (const b of GENRES) {
        if (a === b) continue;
        const [one, mixed] = [GENRE_RULES[a], ruleOf([a, b])];
        for (const part of ['faces', 'structures'] as const) {
          expect(mixed[part].serve).toEqual(expect.arrayContaining([...one[part].serve]));
          expect(mixed[part].never.filter((id) => one[part].serve.includes(id))).toEqual([]);
          expect(mixed[part].serve.filter((id) => mixed[part].never.includes(id))).toEqual([]);
        }
      }
    expect(planned(ask(['picture-book', 'horror'])).length).toBeGreaterThan(60);
  });

  it('of a title are one or two, never the same twice, and go together', () => {
    expect(withGenre([], 0, 'crime')).toEqual(['crime']);
    expect(withGenre(['crime'], 1, 'romance')).toEqual(['crime', 'romance']);
    expect(withGenre(['crime', 'romance'], 0, 'romance')).toEqual(['romance']);
    expect(withGenre(['crime', 'romance'], 1, null)).toEqual(['crime']);
    expect(withGenre(['crime', 'romance'], 0, null)).toEqual([]);
    expect(withGenre([], 1, 'crime')).toEqual([]);
    expect(ofKind('poetry', ['crime'])).toEqual({ kind: 'poems', genres: ['poetry'] });
    expect(ofKind('poetry', ['crime', 'memoir'])).toEqual({ kind: 'poems', genres: ['poetry', 'memoir'] });
    expect(ofKind('report', ['crime'])).toEqual({ kind: 'report', genres: [] });
  });
});

describe('capitals', () => {
  it('are set where a kind asks for them, but in no face that cannot, and taken back but where a face has nothing else', () => {
    const named = (title: string) => PAIRINGS.find((p) => p.title === title)!;
    expect(setAs(named('archivo/800'), true).manner.upper).toBe(true);
    expect(setAs(named('oswald/600'), false).manner.upper).toBe(false);
    expect(setAs(named('great-vibes/400'), true).manner.upper).toBe(false);
    expect(setAs(named('bebas-neue/400'), false).manner.upper).toBe(true);
    for (const pair of PAIRINGS) expect(setAs(pair, null)).toBe(pair);
  });
});

describe('grades', () => {
  it('are looks that a picture part can have, each another', () => {
    const tones = tonesOfChord(GENRE_RULES.crime.chords[0]);
    const looks = GRADES.map((grade) => lookOfGrade(grade, tones));
    for (const look of looks) expect(Look.parse(look)).toEqual(look);
    expect(new Set(looks.map((look) => JSON.stringify(look))).size).toBe(GRADES.length);
  });
});

describe('covers with a picture', () => {
  it('are as many as asked for, and any where there is no picture to show', () => {
    const of = (pictured: SheetAsk['pictured'], ...pictures: { plain: boolean; widthPx: number }[]) =>
      oneWithoutOf({ pictured, widthPx: 1600, pictures: pictures as unknown as SheetAsk['pictures'] });
    const good = { plain: false, widthPx: 1200 };
    expect((['most', 'half', 'any'] as const).map((pictured) => of(pictured, good))).toEqual([6, 2, null]);
    expect([of('most'), of('most', { ...good, plain: true }), of('most', { ...good, widthPx: 200 })]).toEqual([
      null,
      null,
      null,
    ]);
    expect(of('most', { ...good, widthPx: 200 }, good)).toBe(6);
  });

  it('come first, and the others at the end where there are too few of them', () => {
    const made = (i: number, pictures: string[]): Traits => ({
      sketch: {
        structure: `s${i}`,
        faces: { title: `f${i}`, other: 'x' },
        tones: tonesOfChord(CHORDS_OF[(i * 11) % CHORDS_OF.length]),
        pictures,
        symbols: [],
        grade: 'plain',
        turn: 0,
      },
      look: Array.from({ length: 96 }, () => [((i * 37) % 97) / 97, 0, 0] as const),
    });
    const chooser = new Chooser<Traits>(8, 2, false, 6);
    expect([0, 1, 2].flatMap((i) => chooser.offer(made(i, [])))).toEqual([]);
    const first = [3, 4, 5, 6, 7].flatMap((i) => chooser.offer(made(i, ['p'])));
    expect(first.map((one) => one.sketch.pictures.length)).toEqual([1, 1, 1, 1, 1, 0]);
    const last = chooser.rest();
    expect(last.map((one) => one.sketch.pictures.length)).toEqual([0, 0]);
    expect(chooser.full).toBe(true);
  });
});

const CHORDS_OF = GENRES.flatMap((genre) => GENRE_RULES[genre].chords);
