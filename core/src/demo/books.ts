import { type Brief, emptyBrief } from '../book';
import { firstCover } from '../compose';
import { type Doc, docOf, newGround, newWords, type WordsPart } from '../cover';
import type { Ink } from '../ink';
import type { Raster } from '../pixels';
import { foxfire } from './foxfire';
import { mossGarden } from './moss-garden';
import { smallHours } from './small-hours';
import { snowfall } from './snowfall';

/** A made-up book: its words, its picture as a display list, and its cover. */
export type DemoBook = {
  readonly id: string;
  readonly brief: Brief;
  readonly picture: { readonly name: string; readonly ink: Ink } | null;
  /** Its cover; a book with a picture gets the picture's id and a small version of it. */
  cover(picture: { readonly asset: string; readonly sample: Raster } | null): Doc;
};

const house = {
  publisher: 'Fernhollow Press',
  website: 'fernhollow.example',
  stores: ['longreach', 'bindery', 'pocketreel'],
};

/** Writes fields of the words parts of a document by role. */
function restyle(doc: Doc, styles: Partial<Record<WordsPart['role'], Partial<WordsPart>>>): Doc {
  const parts = Object.fromEntries(
    Object.entries(doc.parts).map(([id, part]) => [
      id,
      part.kind === 'words' ? { ...part, ...styles[part.role] } : part,
    ]),
  );
  return { ...doc, parts };
}

function given<T>(value: T | null): T {
  if (value === null) throw new Error('this demo book has a picture');
  return value;
}

/** One design for the three volumes; only the palette turns with the picture. */
function lamplighter(
  n: number,
  title: string,
  strapline: string,
  pageCount: number,
  picture: DemoBook['picture'],
  colours: { main: string; second: string; byline: string },
): DemoBook {
  const brief: Brief = {
    ...emptyBrief,
    ...house,
    title,
    author: 'Caspian Durrow',
    seriesName: 'The Lamplighter Accounts',
    seriesNumber: n,
    strapline,
    pageCount,
  };
  return {
    id: `demo-lamplighter-${n}`,
    brief,
    picture,
    cover: (source) =>
      restyle(firstCover(brief, given(source)), {
        title: {
          area: { x: 0.1, y: 0.125, width: 0.8, height: 0.31 },
          alignY: 'top',
          cut: 'cormorant-garamond/700',
          colour: colours.main,
          leading: 0.88,
          maxSize: 0.265,
          minor: { cut: 'cormorant-garamond/500-italic', scale: 0.72, colour: colours.second },
        },
        series: {
          colour: colours.second,
          maxSize: 0.042,
          tracking: 0.12,
          area: { x: 0.07, y: 0.05, width: 0.86, height: 0.032 },
        },
        byline: { colour: colours.byline, maxSize: 0.066, tracking: 0.16 },
        // The pictures end in a figure: a line over it would hide it.
        strapline: { hidden: true },
      }),
  };
}

const moss: Brief = {
  ...emptyBrief,
  ...house,
  title: 'The Balcony Moss Garden',
  subtitle: 'Forty small landscapes for shade, stone and rain',
  author: 'Ottoline Frew',
  strapline: 'Start with one stone and a wet week',
  pageCount: 208,
};

const poems: Brief = {
  ...emptyBrief,
  ...house,
  title: 'Weather for Two Voices',
  subtitle: 'Poems',
  author: 'Ilse Brannagh',
  strapline: 'One says rain, the other answers',
  pageCount: 96,
};

/** A type-only cover: two colours of words answer each other across a ground. */
function poemsCover(): Doc {
  const words = { cut: 'fraunces/500', align: 'left', colour: '#22332f' } as const;
  return docOf(1600, 2560, [
    { ...newGround('#e8e0cd'), id: 'ground' },
    {
      ...newWords({
        ...words,
        role: 'title',
        says: { kind: 'brief', field: 'title' },
        area: { x: 0.1, y: 0.1, width: 0.8, height: 0.62 },
        cut: 'fraunces/800',
        alignY: 'top',
        leading: 0.94,
        tracking: -0.015,
        maxSize: 0.3,
        minor: { cut: 'fraunces/500-italic', scale: 1, colour: '#a33a20' },
      }),
      id: 'title',
    },
    {
      ...newWords({
        ...words,
        role: 'subtitle',
        says: { kind: 'brief', field: 'subtitle' },
        area: { x: 0.1, y: 0.72, width: 0.4, height: 0.04 },
        follows: { part: 'title', gap: 0.04 },
        cut: 'fraunces/500-italic',
        colour: '#a33a20',
        maxSize: 0.07,
      }),
      id: 'subtitle',
    },
    {
      ...newWords({
        ...words,
        role: 'byline',
        says: { kind: 'brief', field: 'author' },
        area: { x: 0.1, y: 0.9, width: 0.8, height: 0.04 },
        maxSize: 0.07,
      }),
      id: 'byline',
    },
  ]);
}

/** The demo books in the order of the Shelf. */
export function demoBooks(): DemoBook[] {
  return [
    {
      id: 'demo-balcony-moss',
      brief: moss,
      picture: { name: 'Moss in the rain', ink: mossGarden() },
      cover: (source) =>
        restyle(firstCover(moss, given(source)), {
          title: { maxSize: 0.2, leading: 0.98, area: { x: 0.09, y: 0.07, width: 0.82, height: 0.315 } },
          subtitle: { maxSize: 0.048, follows: { part: 'title', gap: 0.026 } },
          byline: { maxSize: 0.058 },
          strapline: { hidden: true },
        }),
    },
    lamplighter(
      1,
      'A Debt of Foxfire',
      'Every light is owed to someone',
      384,
      { name: 'Foxfire clearing', ink: foxfire() },
      { main: '#f5f0dc', second: '#d5ec7c', byline: '#f5f0dc' },
    ),
    lamplighter(
      2,
      'The Ledger of Small Hours',
      'Every night keeps its own books',
      412,
      { name: 'One lit window', ink: smallHours() },
      { main: '#fbeedb', second: '#f3b978', byline: '#fbeedb' },
    ),
    lamplighter(
      3,
      'Interest Paid in Snow',
      'Every winter sends its bill',
      436,
      { name: 'Lamp in snow', ink: snowfall() },
      { main: '#ffffff', second: '#f8d9b4', byline: '#1c2547' },
    ),
    { id: 'demo-weather-voices', brief: poems, picture: null, cover: () => poemsCover() },
  ];
}
