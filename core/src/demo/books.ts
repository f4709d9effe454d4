import { type Brief, emptyBrief } from '../book';
import type { Doc } from '../cover';
import type { Ink } from '../ink';
import { foxfire } from './foxfire';
import { type Volume, lamplighterBrief, lamplighterCover } from './lamplighter';
import { mossCover } from './moss-cover';
import { mossGarden } from './moss-garden';
import { poemsCover } from './poems-cover';
import { sevenMosses } from './seven-mosses';
import { smallHours } from './small-hours';
import { snowfall } from './snowfall';

/** A made-up book: its words, its picture as a display list, and its cover. */
export type DemoBook = {
  readonly id: string;
  readonly brief: Brief;
  readonly picture: { readonly name: string; readonly ink: Ink } | null;
  /** The text of its booklet in Markdown, with its picture under a name; left out where it has none. */
  booklet?(picture: string): string;
  /** Its cover; a book with a picture gets the picture's id. */
  cover(asset: string | null): Doc;
};

const house = {
  publisher: 'Fernhollow Press',
  website: 'fernhollow.example',
  stores: ['longreach', 'bindery', 'pocketreel'],
};

function given<T>(value: T | null): T {
  if (value === null) throw new Error('this demo book has a picture');
  return value;
}

const lamplighter = (volume: Volume, picture: DemoBook['picture']): DemoBook => ({
  id: `demo-lamplighter-${volume.number}`,
  brief: lamplighterBrief(house, volume),
  picture,
  cover: (asset) => lamplighterCover(volume, given(asset)),
});

const moss: Brief = {
  ...emptyBrief,
  ...house,
  kind: 'practical',
  genres: ['garden-craft'],
  moods: ['calm', 'warm'],
  title: 'The Balcony Moss Garden',
  subtitle: 'Forty small landscapes for shade, stone and rain',
  author: 'Ottoline Frew',
  strapline: 'Start with one stone and a wet week',
  blurb:
    'A north window, a leaking gutter, a pot that nothing grows in: moss likes all three. Forty landscapes small enough for a tray, each with the stones, the slope and the patience it needs. For everyone who has been told that their balcony is too dark.',
  pageCount: 208,
};

const poems: Brief = {
  ...emptyBrief,
  ...house,
  kind: 'poems',
  genres: ['poetry'],
  moods: ['tender', 'calm'],
  title: 'Weather for Two Voices',
  subtitle: 'Poems',
  author: 'Ilse Brannagh',
  strapline: 'One says rain, the other answers',
  blurb:
    'Twelve conversations between a lighthouse keeper and the weather. Neither is in a hurry. Both have seen ships.',
  pageCount: 96,
};

/** The demo books in the order of the Shelf. */
export function demoBooks(): DemoBook[] {
  return [
    {
      id: 'demo-balcony-moss',
      brief: moss,
      picture: { name: 'Moss in the rain', ink: mossGarden() },
      booklet: sevenMosses,
      cover: (asset) => mossCover(given(asset)),
    },
    lamplighter(
      {
        number: 1,
        title: 'A Debt of Foxfire',
        strapline: 'Every light is owed to someone',
        blurb:
          'In Saltmere every lamp is lent, and the lamplighter keeps the book. When a light goes missing from the marsh, Wren Ashdown is sent to collect a debt that was made before she was born.',
        pageCount: 384,
        light: '#fbf6df',
        deep: '#d9e8a0',
        second: '#cfe277',
        dark: '#041a19',
        lift: 0.055,
        figure: 0.74,
        shade: 0.1,
        rays: { angleRad: Math.PI / 2, opacity: 0.3 },
      },
      { name: 'Foxfire clearing', ink: foxfire() },
    ),
    lamplighter(
      {
        number: 2,
        title: 'The Ledger of Small Hours',
        strapline: 'Every night keeps its own books',
        blurb:
          'The hours between two and four belong to nobody, so somebody has begun to sell them. Wren follows one lit window through a city that has forgotten how to sleep.',
        pageCount: 412,
        light: '#fff3df',
        deep: '#f6cf97',
        second: '#f3b978',
        dark: '#130b22',
        lift: 0.068,
        figure: 0.86,
        shade: 0.1,
        rays: null,
      },
      { name: 'One lit window', ink: smallHours() },
    ),
    lamplighter(
      {
        number: 3,
        title: 'Interest Paid in Snow',
        strapline: 'Every winter sends its bill',
        blurb:
          'The snow came early and it came with an invoice. In the last of the accounts Wren climbs to the house where all debts are written, with nothing left to pay but her name.',
        pageCount: 436,
        light: '#ffffff',
        deep: '#f1f5ff',
        second: '#f8d9b4',
        dark: '#141c3a',
        lift: 0.05,
        figure: 0.5,
        shade: 0.64,
        rays: { angleRad: 2.1, opacity: 0.14 },
      },
      { name: 'Lamp in snow', ink: snowfall() },
    ),
    { id: 'demo-weather-voices', brief: poems, picture: null, cover: () => poemsCover() },
  ];
}
