import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type Card,
  type FileState,
  GROUPINGS,
  SORTS,
  arrangeShelf,
  groupCards,
  nearSeries,
  searchCards,
  seriesNumbers,
  sortCards,
  standingOf,
} from '.';

const STORES = ['longreach', 'quillmart', 'harbour'];
const names = fc.constantFrom(
  '',
  'Moss',
  'Élan vital',
  'The Ledger of Small Hours',
  'lanterns',
  'Ängste',
  '灯',
  'Zoo 10',
  'Zoo 9',
);
const cards: fc.Arbitrary<Card[]> = fc.uniqueArray(
  fc.record({
    schema: fc.constant(1 as const),
    id: fc.string({ minLength: 1, maxLength: 6 }),
    updatedAt: fc.constantFrom('2026-01-01', '2026-01-02', '2026-01-03'),
    title: names,
    author: names,
    series: names,
    number: fc.option(fc.integer({ min: 1, max: 9 })),
    stores: fc.subarray(STORES),
    widthPx: fc.constant(1600),
    heightPx: fc.constant(2560),
    campaigns: fc.constant(0),
    look: fc.constant('x'),
  }),
  { selector: ({ id }) => id, maxLength: 30 },
);
const state = fc.record({ wanted: fc.nat(5), made: fc.nat(5), stale: fc.nat(3), missing: fc.nat(3) });
const statesOf = (list: readonly Card[], some: readonly FileState[]): Map<string, FileState> =>
  new Map(list.slice(0, some.length).map(({ id }, i) => [id, some[i]]));
const ids = (list: readonly Card[]): string[] => list.map(({ id }) => id);
const card = (more: Partial<Card>): Card => ({
  schema: 1,
  id: 'a',
  updatedAt: '2026-01-01',
  title: '',
  author: '',
  series: '',
  number: null,
  stores: [],
  widthPx: 1600,
  heightPx: 2560,
  campaigns: 0,
  look: 'x',
  ...more,
});

describe('the order of a Shelf', () => {
  it('holds every title once, and does not depend on the order in which they are read', () => {
    fc.assert(
      fc.property(cards, fc.array(state), fc.constantFrom(...SORTS), fc.integer(), (list, some, sort, seed) => {
        const states = statesOf(list, some);
        const sorted = ids(sortCards(list, sort, states));
        expect([...sorted].sort()).toEqual(ids(list).sort());
        const mixed = [...list].sort((a, b) => ((a.id.length * 7 + seed) % 5) - ((b.id.length * 7 + seed) % 5));
        expect(ids(sortCards(mixed.reverse(), sort, states))).toEqual(sorted);
      }),
    );
  });

  it('is that of readers: volumes by number, 9 before 10, what has no name last', () => {
    const list = [
      card({ id: 'none' }),
      card({ id: 'ten', title: 'Zoo 10' }),
      card({ id: 'nine', title: 'Zoo 9' }),
      card({ id: 'accent', title: 'Élan' }),
      card({ id: 'plain', title: 'Elbe' }),
    ];
    expect(ids(sortCards(list, 'title', new Map()))).toEqual(['accent', 'plain', 'nine', 'ten', 'none']);
    const volumes = [3, null, 1, 2].map((number) => card({ id: `v${number}`, series: 'Moss', number }));
    expect(ids(sortCards([card({ id: 'alone' }), ...volumes], 'series', new Map()))).toEqual([
      'v1',
      'v2',
      'v3',
      'vnull',
      'alone',
    ]);
  });

  it('by files begins with what has the most to do, and what was not looked at comes last', () => {
    const files = (stale: number, missing = 0, made = 1): FileState => ({ wanted: 9, made, stale, missing });
    const list = ['unknown', 'made', 'one', 'three', 'missing'].map((id) => card({ id }));
    const states = new Map([
      ['made', files(0)],
      ['one', files(1)],
      ['three', files(3)],
      ['missing', files(0, 4)],
    ]);
    expect(ids(sortCards(list, 'files', states))).toEqual(['three', 'one', 'missing', 'made', 'unknown']);
    expect(standingOf({ wanted: 0, made: 0, stale: 0, missing: 0 })).toBe('none');
  });
});

describe('the groups of a Shelf', () => {
  it('hold every title that was found: once, or once for each store', () => {
    fc.assert(
      fc.property(cards, fc.array(state), fc.constantFrom(...GROUPINGS), (list, some, group) => {
        const states = statesOf(list, some);
        const groups = groupCards(list, group, states, STORES);
        expect(new Set(groups.map(({ key }) => key)).size).toBe(groups.length);
        expect(groups.every((one) => one.cards.length > 0)).toBe(true);
        const all = groups.flatMap((one) => ids(one.cards));
        const wanted = list.flatMap(({ id, stores }) =>
          group === 'store' ? Array.from({ length: Math.max(1, stores.length) }, () => id) : id,
        );
        expect(all.sort()).toEqual(wanted.sort());
        for (const one of groups) {
          for (const item of one.cards) {
            if (group === 'author') expect(item.author).toBe(one.key);
            if (group === 'series') expect(item.series).toBe(one.key);
            if (group === 'store') expect(item.stores.length === 0 ? [''] : item.stores).toContain(one.key);
            if (group === 'files') expect(standingOf(states.get(item.id))).toBe(one.key);
          }
        }
      }),
    );
  });

  it('of a series follow its numbers whatever the order of the rest', () => {
    const list = [2, 3, 1].map((number, i) =>
      card({ id: `v${number}`, series: 'Moss', number, updatedAt: `2026-01-0${i + 1}` }),
    );
    const ask = { words: '', sort: 'changed', group: 'series' } as const;
    const [group] = arrangeShelf(list, ask, new Map(), STORES);
    expect(ids(group.cards)).toEqual(['v1', 'v2', 'v3']);
    // They are not mixed up in what was handed in.
    expect(ids(list)).toEqual(['v2', 'v3', 'v1']);
  });

  it('by store stand in the order of the stores', () => {
    const list = STORES.map((store) => card({ id: store, stores: [store] }));
    expect(groupCards([card({ id: 'none' }), ...list], 'store', new Map(), STORES).map(({ key }) => key)).toEqual([
      ...STORES,
      '',
    ]);
  });
});

describe('a search of the Shelf', () => {
  const list = [
    card({ id: 'moss', title: 'The Balcony Moss Garden', author: 'Ottoline Frew' }),
    card({
      id: 'debt',
      title: 'A Debt of Foxfire',
      author: 'Caspian Durrow',
      series: 'The Lamplighter Accounts',
      number: 1,
    }),
    card({ id: 'snow', title: 'Été à Çolak', author: 'Caspian Durrow', series: 'The Lamplighter Accounts', number: 3 }),
  ];
  it.each([
    ['mo', ['moss']],
    ['GARDEN frew', ['moss']],
    ['frew lamplighter', []],
    ['lamplighter account', ['debt', 'snow']],
    ['lamplighter 3', ['snow']],
    ['ete colak', ['snow']],
    ['  ', ['moss', 'debt', 'snow']],
    ['oss', []],
  ])('for "%s" finds %j', (words, found) => expect(ids(searchCards(list, words))).toEqual(found));

  it('finds every title by each word of its own, and one word more never finds more', () => {
    fc.assert(
      fc.property(cards, names, names, (all, one, two) => {
        for (const item of all) {
          for (const text of [item.title, item.author, item.series]) expect(searchCards(all, text)).toContain(item);
        }
        const [few, many] = [searchCards(all, `${one} ${two}`), searchCards(all, one)];
        expect(few.every((item) => many.includes(item))).toBe(true);
      }),
    );
  });
});

describe('the numbers of a series', () => {
  it.each([
    [[1, 2, 3], [], []],
    [[1, 3], [2], []],
    [[2, 5, 5], [1, 3, 4], [5]],
    [[null, null], [], []],
    [[null, 2], [1], []],
  ])('%j lack %j and stand twice %j', (numbers, lacks, twice) =>
    expect(seriesNumbers(numbers.map((number, i) => card({ id: `${i}`, number })))).toEqual({ lacks, twice }),
  );
});

describe('names of series', () => {
  const all = [
    'The Quay Books',
    'the quay-books',
    'Quay Books series',
    'Quäy Books',
    'Quay Book',
    'Books of the Quay',
    'The Quay',
    '',
  ].map((series, i) => card({ id: String(i), series }));
  it('that say the same in another way are told, and no others', () => {
    expect(nearSeries(all, 'The Quay Books')).toEqual(['the quay-books', 'Quay Books series', 'Quäy Books']);
    expect(nearSeries(all, 'The Quay')).toEqual([]);
    expect(nearSeries(all, '')).toEqual([]);
  });
  it('are near one another both ways, and never themselves', () => {
    fc.assert(
      fc.property(cards, names, names, (list, a, b) => {
        const [both] = [[...list, card({ id: 'one', series: a }), card({ id: 'two', series: b })]];
        expect(nearSeries(both, a)).not.toContain(a);
        expect(nearSeries(both, a).includes(b)).toBe(nearSeries(both, b).includes(a));
      }),
    );
  });
});
