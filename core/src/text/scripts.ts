import type { CutId } from './font-book';

/** Groups of letters that a face has as a whole or not. `latin` is that of ISO 8859-1. */
export const SCRIPTS = ['latin', 'latin-extended', 'vietnamese', 'greek', 'cyrillic', 'arabic', 'hebrew'] as const;
export type Script = (typeof SCRIPTS)[number];

const of = (list: string): readonly string[] => list.split(' ');

/** Families by the groups that they have beside `latin`, which all have. A test holds this against the files. */
export const FACES_WITH: Readonly<Record<Exclude<Script, 'latin'>, readonly string[]>> = {
  'latin-extended': of(
    'cormorant-garamond eb-garamond spectral crimson-pro lora libre-baskerville fraunces gilda-display playfair-display bodoni-moda dm-serif-display abril-fatface yeseva-one cinzel forum marcellus poiret-one limelight jost work-sans montserrat josefin-sans archivo-narrow oswald bebas-neue anton alfa-slab-one caveat kalam amatic-sc pinyon-script great-vibes im-fell-english uncial-antiqua courier-prime noto-serif amiri frank-ruhl-libre',
  ),
  vietnamese: of(
    'cormorant-garamond eb-garamond spectral crimson-pro lora fraunces playfair-display prata yeseva-one work-sans montserrat josefin-sans archivo-narrow oswald anton alfa-slab-one amatic-sc pinyon-script great-vibes noto-serif',
  ),
  greek: of('eb-garamond noto-serif'),
  cyrillic: of(
    'cormorant-garamond eb-garamond spectral lora playfair-display prata yeseva-one forum poiret-one jost montserrat oswald caveat amatic-sc great-vibes noto-serif',
  ),
  arabic: of('amiri'),
  hebrew: of('amatic-sc frank-ruhl-libre'),
};

const RANGES: readonly (readonly [Script, RegExp])[] = [
  ['greek', /\p{Script=Greek}/u],
  ['cyrillic', /\p{Script=Cyrillic}/u],
  ['arabic', /\p{Script=Arabic}/u],
  ['hebrew', /\p{Script=Hebrew}/u],
  ['vietnamese', /[\u01a0\u01a1\u01af\u01b0\u1ea0-\u1ef9]/u],
  ['latin-extended', /[\u0100-\u019f\u01a2-\u01ae\u01b1-\u024f]/u],
  ['latin', /[A-Za-z\u00c0-\u00ff0-9]/u],
];

const KNOWN =
  /[\p{Script=Latin}\p{Script=Greek}\p{Script=Cyrillic}\p{Script=Arabic}\p{Script=Hebrew}\p{Script=Common}\p{Script=Inherited}]/u;

/** The groups of letters that a text needs, and the letters that belong to none of them, each once. */
export function scriptsOf(text: string): { readonly scripts: readonly Script[]; readonly foreign: readonly string[] } {
  const letters = [...new Set(text.normalize('NFC').replace(/\s/g, ''))];
  return {
    scripts: RANGES.filter(([, range]) => letters.some((ch) => range.test(ch))).map(([script]) => script),
    foreign: letters.filter((ch) => !KNOWN.test(ch)),
  };
}

/** Whether the family of a shipped cut has all groups; a person's own face is believed to. */
export function hasScripts(cut: CutId, scripts: readonly Script[]): boolean {
  const family = cut.split('/')[0];
  return family === 'own' || scripts.every((s) => s === 'latin' || FACES_WITH[s].includes(family));
}
