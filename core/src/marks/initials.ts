import { capitals } from '../text';

/** Most letters that a mark is made of. */
export const MOST_LETTERS = 4;

/** Words between names that give no letter, as they are written inside a name. */
const BETWEEN = new Set(
  'a an and at by da das de del della den der des di do dos du e el et i im in la las le les los of on op ten ter the to un und van vom von y zu zum zur'.split(
    ' ',
  ),
);

/** The signs of a text as people count them. */
export const signsOf = (text: string): string[] =>
  [...new Intl.Segmenter(undefined, { granularity: 'grapheme' }).segment(text)].map(({ segment }) => segment);

/**
 * The first letters of a name, at most four. Small words between ("of", "van") give none, unless nothing else does; what
 * follows a hyphen gives one of its own. A name of one word gives one letter.
 */
export function initialsOf(name: string): string {
  const words = name.split(/[\s\-\u2010\u2011.]+/u).filter((word) => /[\p{L}\p{N}]/u.test(word));
  const weighty = words.filter((word, i) => i === words.length - 1 || !BETWEEN.has(word.toLowerCase()));
  const firsts = (weighty.length > 0 ? weighty : words).map(
    (word) => signsOf(word).find((sign) => /[\p{L}\p{N}]/u.test(sign)) ?? '',
  );
  // The first names and the last one, where there are too many.
  const kept =
    firsts.length > MOST_LETTERS ? [...firsts.slice(0, MOST_LETTERS - 1), firsts[firsts.length - 1]] : firsts;
  return kept.map(capitals).join('');
}

/** The letters of what was typed, at most four, in the order given. */
export const lettersOf = (typed: string): string[] =>
  signsOf(typed)
    .filter((sign) => /[\p{L}\p{N}]/u.test(sign))
    .slice(0, MOST_LETTERS);
