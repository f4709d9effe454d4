/** The syllables of a word, in order; one where it is not divided. */
export type Syllables = (word: string) => readonly string[];

export type Rules = { readonly hyphenateSync: (text: string, options: { hyphenChar: string }) => string };

/** Rules by language (Liang's patterns), each loaded when it is first asked for. */
const RULES: Readonly<Record<string, () => Promise<{ readonly default: Rules }>>> = {
  ca: () => import('hyphen/ca/index.js'),
  cs: () => import('hyphen/cs/index.js'),
  da: () => import('hyphen/da/index.js'),
  de: () => import('hyphen/de/index.js'),
  el: () => import('hyphen/el/index.js'),
  en: () => import('hyphen/en/index.js'),
  'en-gb': () => import('hyphen/en-gb/index.js'),
  es: () => import('hyphen/es/index.js'),
  fi: () => import('hyphen/fi/index.js'),
  fr: () => import('hyphen/fr/index.js'),
  hr: () => import('hyphen/hr/index.js'),
  it: () => import('hyphen/it/index.js'),
  nb: () => import('hyphen/nb/index.js'),
  nl: () => import('hyphen/nl/index.js'),
  pl: () => import('hyphen/pl/index.js'),
  pt: () => import('hyphen/pt/index.js'),
  ro: () => import('hyphen/ro/index.js'),
  ru: () => import('hyphen/ru/index.js'),
  sk: () => import('hyphen/sk/index.js'),
  sl: () => import('hyphen/sl/index.js'),
  sv: () => import('hyphen/sv/index.js'),
  tr: () => import('hyphen/tr/index.js'),
  uk: () => import('hyphen/uk/index.js'),
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
