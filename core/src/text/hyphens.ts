/** The syllables of a word, in order; one where it is not divided. */
export type Syllables = (word: string) => readonly string[];

type Rules = { readonly hyphenateSync: (text: string, options: { hyphenChar: string }) => string };

/** Rules by language (Liang's patterns), each loaded when it is first asked for. */
const RULES: Readonly<Record<string, () => Promise<{ readonly default: Rules }>>> = {
  ca: () => import('hyphen/ca'),
  cs: () => import('hyphen/cs'),
  da: () => import('hyphen/da'),
  de: () => import('hyphen/de'),
  el: () => import('hyphen/el'),
  en: () => import('hyphen/en'),
  'en-gb': () => import('hyphen/en-gb'),
  es: () => import('hyphen/es'),
  fi: () => import('hyphen/fi'),
  fr: () => import('hyphen/fr'),
  hr: () => import('hyphen/hr'),
  it: () => import('hyphen/it'),
  nb: () => import('hyphen/nb'),
  nl: () => import('hyphen/nl'),
  pl: () => import('hyphen/pl'),
  pt: () => import('hyphen/pt'),
  ro: () => import('hyphen/ro'),
  ru: () => import('hyphen/ru'),
  sk: () => import('hyphen/sk'),
  sl: () => import('hyphen/sl'),
  sv: () => import('hyphen/sv'),
  tr: () => import('hyphen/tr'),
  uk: () => import('hyphen/uk'),
};

/** The rules that serve a language tag: its own, or those of its language; null where there are none. */
export function hyphensTag(language: string): string | null {
  const tag = language.toLowerCase();
  const known = [tag, tag.split('-')[0]].find((one) => Object.hasOwn(RULES, one));
  return known ?? null;
}

/** Least letters of a word that is divided, and least letters of a piece. */
const LEAST_WORD = 6;
const LEAST_PIECE = 2;
const SOFT = '\u00ad';

/** How words of a language are divided; null where its rules are not known. Words keep their own hyphens undivided. */
export async function syllablesFor(language: string): Promise<Syllables | null> {
  const tag = hyphensTag(language);
  if (tag === null) return null;
  const { hyphenateSync } = (await RULES[tag]()).default;
  return (word) => {
    const letters = word.match(/\p{L}/gu)?.length ?? 0;
    if (letters < LEAST_WORD || /[^\p{L}\p{M}\p{P}]/u.test(word) || /[-\u2010/@]/.test(word)) return [word];
    const pieces: string[] = [];
    for (const piece of hyphenateSync(word, { hyphenChar: SOFT }).split(SOFT)) {
      const short = (text: string): boolean => (text.match(/\p{L}/gu)?.length ?? 0) < LEAST_PIECE;
      if (pieces.length > 0 && (short(piece) || short(pieces[pieces.length - 1]))) pieces[pieces.length - 1] += piece;
      else pieces.push(piece);
    }
    return pieces;
  };
}
