import { type Brief, type Genre, type Mood, emptyBrief, sortOf } from '@yosomi/core/book';
import type { SceneryKind } from '@yosomi/core/scenery';

/** A made-up book of one kind, and the picture that its sheet is given, if any: one of the demo books', or one drawn by the product. */
export type JudgedBook = {
  readonly id: string;
  readonly brief: Brief;
  readonly picture:
    | { readonly kind: 'none' }
    | { readonly kind: 'demo'; readonly of: string }
    | { readonly kind: 'drawn'; readonly scenery: SceneryKind; readonly mood: Mood; readonly seed: number };
};

const NONE = { kind: 'none' } as const;
const demo = (of: string) => ({ kind: 'demo', of }) as const;
const drawn = (scenery: SceneryKind, mood: Mood, seed: number) => ({ kind: 'drawn', scenery, mood, seed }) as const;

const book = (
  genres: readonly Genre[],
  title: string,
  subtitle: string,
  author: string,
  picture: JudgedBook['picture'],
  more: Partial<Brief> = {},
): JudgedBook => ({
  id: `${genres.join('-and-')}${picture.kind === 'none' ? '' : '-pictured'}`,
  brief: { ...emptyBrief, genres: [...genres], kind: sortOf(genres[0]), title, subtitle, author, ...more },
  picture,
});

/** Books of all kinds, twelve with a picture. */
export const JUDGED: readonly JudgedBook[] = [
  book(['thriller'], 'The Reckoning Road', '', 'Dana Voss', NONE),
  book(['thriller'], 'Nobody Left the Valley', '', 'Corin Ashdale', drawn('ridges', 'dark', 4)),
  book(['crime'], 'A Bad Year for Apples', 'An Inspector Thorne case', 'Maud Kessler', NONE),
  book(['crime'], 'What the Forester Saw', '', 'Henrik Ulvang', drawn('wood', 'grave', 2)),
  book(['romance'], 'Love and Other Weather', '', 'Posy Lachlan', NONE),
  book(['romance'], 'The Lantern Summer', '', 'Elodie March', drawn('meadow', 'warm', 3)),
  book(['fantasy'], 'The Glass Heron', 'Book one of the Reedwater Crown', 'A. S. Merrow', NONE),
  book(['fantasy'], 'A Debt of Foxfire', '', 'Caspian Durrow', demo('demo-lamplighter-1')),
  book(['science-fiction'], 'Slow Light from Tessaly', '', 'Ivo Brandt', NONE),
  book(['horror'], 'The House That Counted', '', 'Silas Wren', drawn('wood', 'dark', 9)),
  book(['literary'], 'An Inventory of Small Rooms', 'A novel', 'Noor Valdez', NONE),
  book(['historical'], 'The Saltmaker’s Daughter', '', 'Catherine Ould', drawn('night', 'grave', 5)),
  book(['young-adult'], 'Run Until It’s Morning', '', 'Tamsin Oduya', NONE),
  book(['young-readers'], 'Olive Pepper and the Upside-Down Hill', '', 'Bram Tulley', drawn('night', 'bright', 8), {
    audience: 'children',
  }),
  book(['picture-book'], 'Goodnight, Little Moss', '', 'Fenna Bloom', NONE, { audience: 'children' }),
  book(['picture-book'], 'The Snow That Stayed', '', 'Juniper Hale', demo('demo-lamplighter-3'), {
    audience: 'children',
  }),
  book(['poetry'], 'Weather for Two Voices', 'Poems', 'Ilse Brannagh', NONE),
  book(['memoir'], 'My Father’s Ladders', 'A memoir', 'Jonah Abara', drawn('meadow', 'calm', 6)),
  book(
    ['travel'],
    'Forty Slow Trains',
    'Across the mountains by the stopping service',
    'Wilma Prout',
    drawn('ridges', 'bright', 7),
  ),
  book(['popular-science'], 'How Frost Thinks', 'The secret life of crystals', 'Dr Amara Lindqvist', NONE),
  book(['self-help'], 'Begin Before Breakfast', 'Nine small habits that hold', 'Robin Casteel', NONE),
  book(['business'], 'The Honest Invoice', 'How small firms get paid', 'Petra Lomax', NONE),
  book(
    ['garden-craft'],
    'The Balcony Moss Garden',
    'Forty small landscapes for shade, stone and rain',
    'Ottoline Frew',
    demo('demo-balcony-moss'),
  ),
  book(
    ['study'],
    'Night Freight',
    'Rail, road and the towns between, 2020 to 2030',
    'Institute for Regional Transport',
    drawn('ridges', 'grave', 11),
  ),
];
