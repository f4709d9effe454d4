import { HANDS, MOTIFS, type HandName } from '../paintings';
import { broughtToMind, distance, forms, plainWord } from '../symbols';
import { DESK, type DeskPicture } from './desk';
import type { ColourName, Place, Reading } from './reading';

/** What a person asks for; null where all will do. */
export type DeskAsk = {
  readonly words: string;
  readonly hand: HandName | null;
  readonly colour: ColourName | null;
  readonly tone: 'light' | 'dark' | null;
  readonly shape: Shape | null;
  readonly detail: 'calm' | 'busy' | null;
  readonly quiet: Place | null;
};

export const SHAPES = ['tall', 'square', 'wide'] as const;
export type Shape = (typeof SHAPES)[number];

export const anyPicture: DeskAsk = {
  words: '',
  hand: null,
  colour: null,
  tone: null,
  shape: null,
  detail: null,
  quiet: null,
};

/** What was found, the best first; where nothing was, nouns that are nearly those asked for, and what to ask less of. */
export type DeskHits = {
  readonly found: readonly DeskPicture[];
  readonly neighbours: readonly string[];
  /** Words that no picture answers; they were left out where others do. */
  readonly unknown: readonly string[];
  /** How many more there are without the choices beside the words. */
  readonly hides: number;
};

export const shapeOf = (tall: number): Shape => (tall > 1.1 ? 'tall' : tall < 0.9 ? 'wide' : 'square');

/** A calm picture is calmer than two fifths of the desk, a busy one busier than three fifths. */
const [CALM, BUSY] = [11, 14];

/** Words for moods, in English, German, French and Spanish, and what they ask of what is measured. */
const MOOD_LIST: readonly { readonly words: string; fits(reading: Reading): boolean }[] = [
  {
    words: 'dark gloomy sinister noir night dunkel düster sombre oscuro',
    fits: ({ light }) => light < 0.46,
  },
  { words: 'light bright airy hell luftig clair lumineux claro luminoso', fits: ({ light }) => light > 0.72 },
  {
    words: 'warm cosy cozy summery behaglich gemütlich chaud calido',
    fits: ({ warmth, light }) => warmth > 0.024 && light > 0.3,
  },
  { words: 'cold cool icy chilly kalt kühl froid frio', fits: ({ warmth }) => warmth < -0.012 },
  {
    words: 'calm quiet still silent lonely peaceful ruhig still einsam calme seul tranquilo solo',
    fits: ({ busy, quiet }) => busy < CALM && quiet.length > 0,
  },
  { words: 'busy lively wild rich bunt wild lebhaft vif anime vivo', fits: ({ busy }) => busy > BUSY },
];
const MOODS = MOOD_LIST.map(({ words, fits }) => ({ words: new Set(words.split(' ').map(plainWord)), fits }));

/** Whether a plain word is a mood that what is measured has. */
export const isOfMood = (plain: string, reading: Reading): boolean =>
  MOODS.some(({ words, fits }) => words.has(plain) && fits(reading));

const FILLING = new Set(
  'a an the in on of at with and or for to ein eine der die das im am mit und un une le la les de du des et avec el los las y con en picture photo photograph bild image imagen'.split(
    ' ',
  ),
);

/** The words of what was typed that ask for something. */
export const wordsAsked = (typed: string): string[] =>
  typed.split(/[\s,.;]+/).filter((word) => plainWord(word) !== '' && !FILLING.has(plainWord(word)));

type Known = { readonly picture: DeskPicture; readonly nouns: readonly string[]; readonly minds: readonly string[] };

const KNOWN: readonly Known[] = DESK.map((picture) => {
  const { nouns } = MOTIFS[picture.motif];
  const own = nouns.split(' ');
  return { picture, nouns: own, minds: own.slice(0, 3).flatMap((noun) => broughtToMind(noun, 'en').slice(0, 1)) };
});

/** How well a picture answers one word, 0 where it does not: its own nouns, its hand, its colours, a mood, what the word brings to mind. */
function answers({ picture, nouns, minds }: Known, asked: readonly string[]): number {
  const [plain, ...others] = asked;
  const at = nouns.indexOf(plain);
  if (at >= 0) return 100 - at * 3;
  const { reading, hand } = picture;
  if (HANDS[hand].name.split(' ').some((word) => asked.includes(plainWord(word)))) return 90;
  const colour = reading.colours.findIndex((one) => one === plain);
  if (colour >= 0) return 90 - colour * 6;
  if (isOfMood(plain, reading)) return 80;
  const form = nouns.findIndex((noun) => others.includes(noun));
  if (form >= 0) return 72 - form * 3;
  const mind = asked.flatMap((word) => broughtToMind(word).slice(0, 1));
  const near = minds.findIndex((one) => mind.includes(one));
  if (near >= 0) return 56 - near * 5;
  return plain.length >= 3 && nouns.some((noun) => noun.startsWith(plain)) ? 50 : 0;
}

/** Weaker answers than this share of a word's best are no answers: who asks for a lighthouse wants no lamp. */
const NEAR_BEST = 0.8;

/** What can be asked of any picture that was measured, beside its words. */
export type Choices = Omit<DeskAsk, 'words' | 'hand'>;

/** Whether a picture of this shape (height by width) and reading answers all choices. */
export const answersChoices = (tall: number, reading: Reading, ask: Choices): boolean =>
  (ask.colour === null || reading.colours.includes(ask.colour)) &&
  (ask.tone === null || (ask.tone === 'light' ? reading.light >= 0.6 : reading.light < 0.45)) &&
  (ask.shape === null || shapeOf(tall) === ask.shape) &&
  (ask.detail === null || (ask.detail === 'calm' ? reading.busy < CALM : reading.busy > BUSY)) &&
  (ask.quiet === null || reading.quiet.includes(ask.quiet));

const passes = ({ hand, tall, reading }: DeskPicture, ask: DeskAsk): boolean =>
  (ask.hand === null || hand === ask.hand) && answersChoices(tall, reading, ask);

/**
 * Pictures for plain nouns, moods, colours and hands in four languages; every word must be answered that any picture answers. Without words
 * all that pass come.
 */
export function searchDesk(ask: DeskAsk): DeskHits {
  const words = wordsAsked(ask.words);
  const scores = words.map((word) => {
    const asked = forms(word);
    return KNOWN.map((one) => answers(one, asked));
  });
  const all = scores.filter((one) => one.some((score) => score > 0));
  const unknown = words.filter((_, i) => !all.includes(scores[i]));
  const best = all.map((one) => {
    const least = Math.max(...one) * NEAR_BEST;
    return one.map((score) => (score >= least ? score : 0));
  });
  // Where no picture answers all words well, one that answers them at all will do.
  const known = KNOWN.some((_, i) => best.every((one) => one[i] > 0)) ? best : all;
  if (words.length > 0 && known.length === 0)
    return { found: [], neighbours: neighbours(words.map(plainWord)), unknown, hides: 0 };
  const scored = KNOWN.flatMap(({ picture }, i) =>
    known.every((one) => one[i] > 0) ? [{ picture, score: known.reduce((sum, one) => sum + one[i], 0) }] : [],
  );
  const found = scored.filter(({ picture }) => passes(picture, ask));
  if (known.length > 0) found.sort((a, b) => b.score - a.score);
  const pictures = found.map(({ picture }) => picture);
  return {
    found: known.length > 0 ? pictures : mixed(pictures),
    neighbours: scored.length > 0 ? [] : neighbours(words.map(plainWord)),
    unknown,
    hides: scored.length - found.length,
  };
}

/** Pictures of one motif lie apart where nobody asked for one: the first of each, then the second. */
function mixed(pictures: readonly DeskPicture[]): DeskPicture[] {
  const seen = new Map<string, number>();
  return pictures
    .map((picture, at) => {
      const round = seen.get(picture.motif) ?? 0;
      seen.set(picture.motif, round + 1);
      return { picture, round, at };
    })
    .sort((a, b) => a.round - b.round || a.at - b.at)
    .map(({ picture }) => picture);
}

const NOUNS: readonly string[] = [...new Set(KNOWN.flatMap(({ nouns }) => nouns))];

/** Nouns of the desk that are nearly those asked for; where none is, some that many books need. */
function neighbours(asked: readonly string[]): string[] {
  const near = NOUNS.map((noun) => ({
    noun,
    far: Math.min(...asked.map((one) => distance(one, noun) / Math.max(one.length, noun.length))),
  }))
    .filter(({ far }) => far <= 0.5)
    .sort((a, b) => a.far - b.far || a.noun.localeCompare(b.noun));
  return near.length > 0 ? near.slice(0, 6).map(({ noun }) => noun) : ['night', 'road', 'house', 'flower', 'light'];
}
