import { type BookKind, type Brief, type Mood, emptyBrief } from '../book';

type Neighbour = readonly [title: string, author: string, moods: readonly Mood[], subtitle?: string];

const BOOKS: Readonly<Record<BookKind, readonly Neighbour[]>> = {
  story: [
    ['The Orchard of Borrowed Years', 'Maren Holt', ['warm', 'tender']],
    ['Nine Doors North', 'Dashiell Crane', ['dark', 'bold']],
    ['What the Ferryman Kept', 'Ingrid Solace', ['calm', 'grave']],
    ['A Tin of Thunder', 'Pell Ashby', ['playful', 'bright']],
    ['Glass Harvest', 'Noor Valentin', ['bold', 'bright']],
    ['The Last Bell of Hallow End', 'Rufus Penhallow', ['grave', 'dark']],
    ['Letters to a Closed House', 'Odile Marchetti', ['tender', 'calm']],
    ['Fox Winter', 'Tam Errington', ['dark', 'grave']],
  ],
  practical: [
    ['Mend It by Sunday', 'Greta Osei', ['bright', 'bold'], 'Twenty repairs for people who own one screwdriver'],
    ['The Ten Minute Attic', 'Paul Rennick', ['warm', 'playful'], 'Order without a weekend lost'],
    ['Dry Stone, Slowly', 'Hester Vane', ['calm', 'grave'], 'Walls without mortar, step by step'],
    ['Walk Every Day', 'Lin Abara', ['bright', 'calm'], 'A year of short routes'],
    ['Paper, Knife, Fold', 'Ruben Castell', ['playful', 'bold'], 'Forty models'],
    ['The Quiet Workshop', 'Astrid Benning', ['calm', 'warm'], 'Hand tools for small rooms'],
    ['Beginning Bees', 'Owen Tarrant', ['warm', 'bright'], 'Your first two summers'],
    ['Plain Letters', 'Yusra Haddad', ['bold', 'calm'], 'How to write to an office and be answered'],
  ],
  poems: [
    ['Small Weather', 'Elin Moor', ['calm', 'tender'], 'Poems'],
    ['The Salt Index', 'Jonah Pryce', ['grave', 'calm'], 'Poems'],
    ['Ladder, Lamp', 'Suki Arden', ['bold', 'playful'], 'Poems'],
    ['All the Unlit Rooms', 'Bram Okafor', ['dark', 'tender'], 'Poems'],
    ['Field Notes on Patience', 'Clara Weiss', ['calm', 'warm'], 'Poems'],
    ['Note for a Bus Stop', 'Theo Lindqvist', ['dark', 'bold'], 'Poems'],
    ['Honest Clocks', 'Miriam Sands', ['tender', 'warm'], 'Poems'],
    ['Counting Crows Backwards', 'Piet Noyes', ['playful', 'grave'], 'Poems'],
  ],
  report: [
    ['Water in the Valley', 'Institute for Slow Rivers', ['calm', 'grave'], 'Yearly report'],
    ['Who Rides the Night Bus', 'Dana Kowal', ['bold', 'bright'], 'A study of four towns'],
    ['The Price of Shade', 'Ivo Lund', ['grave', 'bold'], 'Trees, heat and rent'],
    ['Counting Swifts', 'Meadow Trust', ['bright', 'calm'], 'Results of the tenth survey'],
    ['Roofs', 'Council of Small Towns', ['bold', 'grave'], 'What can be built on top of what is there'],
    ['After the Mill', 'Rosa Quill', ['warm', 'grave'], 'Work in a valley that lost its own'],
    ['Library Hours', 'Finn Adeyemi', ['calm', 'bright'], 'Findings and tables'],
    ['Every Third Field', 'Hanne Brandt', ['warm', 'calm'], 'Soil, seed and subsidy'],
  ],
};

/** Made-up books of one kind that stand beside a cover where it is judged in company. */
export const neighbours = (kind: BookKind): Brief[] =>
  BOOKS[kind].map(([title, author, moods, subtitle = '']) => ({
    ...emptyBrief,
    kind,
    title,
    author,
    subtitle,
    moods: [...moods],
  }));
