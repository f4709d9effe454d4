import type { BookKind, Mood } from '../book';
import { type Script, hasScripts } from '../text';
import type { Faces } from './sketch';

/** How a title face is set: capitals or as typed, and how its letters and lines stand. */
export type TitleManner = {
  readonly upper: boolean;
  readonly tracking: number;
  readonly leading: number;
};

/** Two faces that go together, with the reason, and what they suit. */
export type Pairing = Faces & {
  readonly id: string;
  readonly why: string;
  readonly manner: TitleManner;
  /** The byline and the lines like it in spaced capitals. */
  readonly capsLines: boolean;
  readonly kinds: Readonly<Partial<Record<BookKind, number>>>;
  readonly moods: readonly Mood[];
  /** Strokes: a fine face wants calm ground and size, a heavy one carries over pictures. */
  readonly weight: 'fine' | 'even' | 'heavy';
  /** Longest title it reads well at, letters. */
  readonly mostLetters: number;
};

const PLAIN: TitleManner = { upper: false, tracking: -0.005, leading: 0.98 };
const TIGHT: TitleManner = { upper: false, tracking: -0.015, leading: 0.92 };
const CAPS: TitleManner = { upper: true, tracking: 0.03, leading: 1.08 };
const POSTER: TitleManner = { upper: true, tracking: 0.005, leading: 0.98 };
const LONG = 300;

const pair = (
  title: string,
  other: string,
  why: string,
  manner: TitleManner,
  kinds: Pairing['kinds'],
  moods: readonly Mood[],
  weight: Pairing['weight'],
  more: Partial<Pick<Pairing, 'mostLetters' | 'capsLines'>> = {},
): Pairing => ({ id: `${title} + ${other}`, title, other, why, manner, kinds, moods, weight, capsLines: true, mostLetters: LONG, ...more }); // prettier-ignore

const STORY = { story: 3, poems: 1 } as const;
const VERSE = { poems: 3, story: 2 } as const;
const GUIDE = { practical: 3, report: 1 } as const;
const SOBER = { report: 3, practical: 2 } as const;

/** Reasons are of two kinds: clear contrast of structure with like proportions, or one family in two weights. */
export const PAIRINGS: readonly Pairing[] = [
  pair('fraunces/800', 'jost/600', 'Soft heavy serif over even geometric letters of the same roundness', TIGHT, { ...GUIDE, story: 2 }, ['warm', 'playful', 'tender'], 'heavy'),
  pair('fraunces/500', 'fraunces/500-italic', 'One family, upright and italic', PLAIN, { poems: 2, practical: 2, story: 1 }, ['calm', 'tender', 'warm'], 'even', { capsLines: false }),
  pair('cormorant-garamond/700', 'cormorant-garamond/600', 'One fine family in two weights', PLAIN, VERSE, ['calm', 'tender', 'grave'], 'fine'),
  pair('cormorant-garamond/700', 'josefin-sans/600', 'Fine serif over slim sans of the same low x-height', PLAIN, STORY, ['tender', 'dark', 'calm'], 'fine'),
  pair('playfair-display/800', 'work-sans/400', 'Strong contrast of strokes over an even sans', TIGHT, { story: 2, practical: 2 }, ['bold', 'tender', 'bright'], 'heavy'),
  pair('playfair-display/500', 'playfair-display/500-italic', 'One family, upright and italic', PLAIN, VERSE, ['tender', 'calm'], 'even', { capsLines: false }),
  pair('bodoni-moda/800', 'josefin-sans/600', 'Hairlines and heavy stems over slim geometric capitals', TIGHT, { story: 2, poems: 1, report: 1 }, ['bold', 'grave', 'dark'], 'heavy'),
  pair('dm-serif-display/400', 'work-sans/400', 'Sharp display serif over a sans with the same open forms', TIGHT, { practical: 3, story: 2 }, ['warm', 'bright', 'bold'], 'heavy'),
  pair('prata/400', 'jost/400', 'Elegant high contrast over plain round letters', PLAIN, { story: 2, poems: 2 }, ['tender', 'calm'], 'even'),
  pair('abril-fatface/400', 'josefin-sans/600', 'One very heavy voice, one slim', TIGHT, { practical: 2, story: 2 }, ['bold', 'playful', 'bright'], 'heavy'),
  pair('yeseva-one/400', 'josefin-sans/600', 'Round heavy serif over slim round sans', PLAIN, { story: 2, practical: 2 }, ['warm', 'tender', 'playful'], 'heavy'),
  pair('cinzel/700', 'spectral/400', 'Carved capitals over a quiet book face', CAPS, STORY, ['dark', 'grave', 'bold'], 'even', { mostLetters: 70 }),
  pair('marcellus/400', 'eb-garamond/600', 'Carved letters over the book face they descend from', { ...CAPS, tracking: 0.05 }, VERSE, ['calm', 'grave', 'dark'], 'even', { mostLetters: 80 }),
  pair('forum/400', 'cormorant-garamond/600', 'Two faces of classical proportion', { ...CAPS, tracking: 0.04 }, VERSE, ['calm', 'grave', 'tender'], 'fine', { mostLetters: 60 }),
  pair('limelight/400', 'josefin-sans/600', 'Theatre lettering over slim geometric capitals of its time', PLAIN, { story: 2 }, ['bold', 'playful', 'dark'], 'heavy', { mostLetters: 40 }),
  pair('jost/600', 'jost/400', 'One geometric family in two weights', { ...TIGHT, leading: 1 }, { practical: 2, report: 2, poems: 1 }, ['calm', 'bright', 'bold'], 'heavy', { capsLines: false }),
  pair('montserrat/800', 'libre-baskerville/400', 'Broad heavy sans over a broad serif of the same x-height', { ...TIGHT, leading: 1 }, { practical: 3, report: 2 }, ['bright', 'bold', 'playful'], 'heavy', { capsLines: false }),
  pair('work-sans/700', 'work-sans/400', 'One even family in two weights', { ...TIGHT, leading: 1 }, SOBER, ['calm', 'bright', 'grave'], 'heavy', { capsLines: false }),
  pair('archivo/800', 'archivo/400', 'One sturdy family in two weights', { ...TIGHT, leading: 0.98 }, SOBER, ['bold', 'grave', 'bright'], 'heavy', { capsLines: false }),
  pair('oswald/600', 'spectral/400', 'Narrow strong capitals over a wide quiet serif', POSTER, { story: 2, report: 2 }, ['dark', 'grave', 'bold'], 'heavy'),
  pair('bebas-neue/400', 'work-sans/400', 'Tall capitals over open lower case', POSTER, { practical: 2, story: 2 }, ['bold', 'bright', 'dark'], 'heavy'),
  pair('league-gothic/400', 'eb-garamond/600', 'Very narrow capitals over a book face', POSTER, { story: 3, report: 1 }, ['dark', 'bold', 'grave'], 'heavy'),
  pair('anton/400', 'archivo-narrow/500', 'Two narrow faces, one very heavy', POSTER, { story: 2, practical: 1 }, ['bold', 'dark'], 'heavy'),
  pair('alfa-slab-one/400', 'work-sans/400', 'Heavy slab over an even sans', PLAIN, { practical: 2 }, ['playful', 'bold', 'warm'], 'heavy', { mostLetters: 70 }),
  pair('amatic-sc/700', 'josefin-sans/600', 'Drawn capitals over slim ones of like proportion', { ...CAPS, tracking: 0.01, leading: 1 }, { practical: 2, story: 1 }, ['playful', 'tender', 'warm'], 'even', { mostLetters: 60 }),
  pair('kalam/700', 'jost/600', 'A round hand over round geometric letters', { ...PLAIN, leading: 0.96 }, { practical: 1, story: 1 }, ['playful', 'warm', 'bright'], 'heavy', { mostLetters: 60 }),
  pair('spectral/700', 'spectral/400', 'One book face in two weights', PLAIN, { story: 2, poems: 2, report: 1 }, ['grave', 'calm', 'dark'], 'heavy', { capsLines: false }),
  pair('archivo-narrow/700', 'archivo-narrow/500', 'One narrow family in two weights', POSTER, { story: 1, report: 2 }, ['grave', 'bold', 'dark'], 'heavy'),
  pair('bodoni-moda/500', 'bodoni-moda/500-italic', 'One family of sharp contrast, upright and italic', PLAIN, { story: 2, poems: 2 }, ['tender', 'grave', 'calm'], 'fine', { capsLines: false }),
  pair('poiret-one/400', 'josefin-sans/600', 'Thin compass letters over slim capitals of their time', { ...CAPS, tracking: 0.02 }, { story: 1 }, ['tender', 'calm'], 'fine', { mostLetters: 40 }),
  pair('josefin-sans/600', 'josefin-sans/400', 'One slim geometric family in two weights', { ...CAPS, tracking: 0.02 }, { story: 1, practical: 2 }, ['calm', 'bright', 'tender'], 'even'),
  pair('pinyon-script/400', 'cormorant-garamond/600', 'An engraver’s round hand over a fine serif', { ...PLAIN, leading: 1 }, { story: 1, poems: 1 }, ['tender', 'warm'], 'fine', { mostLetters: 22 }),
  pair('caveat/700', 'work-sans/400', 'A hand over plain print', { ...PLAIN, leading: 0.9 }, { practical: 2, poems: 1 }, ['playful', 'tender', 'warm'], 'even', { mostLetters: 50 }),
  pair('great-vibes/400', 'cormorant-garamond/600', 'Written capitals over a fine serif', { ...PLAIN, leading: 1 }, { story: 1, poems: 1 }, ['tender'], 'fine', { mostLetters: 22 }),
  pair('im-fell-english/400', 'im-fell-english/400-italic', 'One old family, upright and italic', PLAIN, STORY, ['grave', 'warm', 'dark'], 'even', { capsLines: false }),
  pair('uncial-antiqua/400', 'eb-garamond/600', 'Old round hand over a book face', { ...PLAIN, leading: 1.02 }, { story: 1 }, ['dark', 'grave'], 'heavy', { mostLetters: 40 }),
  pair('courier-prime/700', 'courier-prime/400', 'One typewriter face in two weights', { ...PLAIN, leading: 1.05 }, { story: 1, report: 2, poems: 1 }, ['grave', 'dark', 'calm'], 'even', { capsLines: false }),
  pair('eb-garamond/800', 'eb-garamond/400-italic', 'One book face, heavy and italic', PLAIN, { poems: 2, story: 2, report: 2 }, ['grave', 'calm', 'warm'], 'heavy', { capsLines: false }),
  pair('libre-baskerville/700', 'work-sans/400', 'Broad serif over an even sans of the same x-height', { ...PLAIN, leading: 1.05 }, { report: 3, practical: 2 }, ['grave', 'calm', 'warm'], 'heavy', { capsLines: false }),
  pair('crimson-pro/700', 'montserrat/500', 'Quiet serif over a broad sans', PLAIN, { report: 2, practical: 2, story: 1 }, ['calm', 'warm', 'bright'], 'heavy'),
  pair('lora/700', 'lora/400-italic', 'One brushed serif, bold and italic', PLAIN, { practical: 2, poems: 2, story: 1 }, ['warm', 'tender', 'calm'], 'heavy', { capsLines: false }),
  pair('gilda-display/400', 'josefin-sans/400', 'Slim classical serif over slim sans', { ...PLAIN, tracking: 0 }, { story: 2, poems: 2 }, ['calm', 'tender'], 'even'),
  pair('noto-serif/700', 'noto-serif/400', 'One family with the letters of many languages', { ...PLAIN, leading: 1.05 }, { report: 1 }, ['calm', 'grave'], 'heavy', { capsLines: false }),
  pair('amiri/700', 'amiri/400', 'One family for Arabic', { ...PLAIN, leading: 1.25, tracking: 0 }, {}, ['calm', 'warm'], 'even', { capsLines: false }),
  pair('frank-ruhl-libre/700', 'frank-ruhl-libre/400', 'One family for Hebrew', { ...PLAIN, leading: 1.1, tracking: 0 }, {}, ['calm', 'grave'], 'heavy', { capsLines: false }),
]; // prettier-ignore

/** Families that were made for one script and are taken only where it is asked for. */
const ONLY_FOR: Readonly<Record<string, Script>> = { amiri: 'arabic', 'frank-ruhl-libre': 'hebrew' };

/** Pairings whose two faces have all letters; at an own face of the house the letters are looked up when it is set. */
export function pairingsFor(scripts: readonly Script[]): Pairing[] {
  return PAIRINGS.filter(({ title, other }) => {
    const only = ONLY_FOR[title.split('/')[0]];
    return (!only || scripts.includes(only)) && hasScripts(title, scripts) && hasScripts(other, scripts);
  });
}

/** How the title of two faces is set, known or not. */
export function mannerOf(faces: Faces): Pairing {
  return (
    PAIRINGS.find((p) => p.title === faces.title && p.other === faces.other) ??
    PAIRINGS.find((p) => p.title === faces.title) ??
    pair(faces.title, faces.other, 'Faces of the house', PLAIN, {}, [], 'even', { capsLines: false })
  );
}

/** Faces that are no capitals, or whose capitals are not for whole words. */
const NEVER_CAPS = new Set([
  'great-vibes',
  'pinyon-script',
  'caveat',
  'kalam',
  'uncial-antiqua',
  'im-fell-english',
  'limelight',
]);
/** Faces that have nothing but capitals. */
const ALL_CAPS = new Set(['bebas-neue', 'amatic-sc', 'cinzel', 'forum']);

/** A pairing whose title is set in capitals or as typed, as a kind of book asks, where its face allows that. */
export function setAs(pair: Pairing, caps: boolean | null): Pairing {
  const family = pair.title.split('/')[0];
  const { manner } = pair;
  if (caps === null || caps === manner.upper || (caps ? NEVER_CAPS : ALL_CAPS).has(family)) return pair;
  // Capitals want air between them and none for descenders; small letters the other way round.
  const { tracking, leading } = manner;
  return caps
    ? { ...pair, manner: { upper: true, tracking: Math.max(0.015, tracking), leading } }
    : { ...pair, manner: { upper: false, tracking: Math.min(0, tracking), leading: Math.max(0.96, leading) } };
}
