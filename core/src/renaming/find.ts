import type { NameChange } from './change';
import { type Form, type Manner, formsOf } from './forms';
import { type Letters, lettersOf } from './letters';

export type { Manner } from './forms';

/** A place of a text in which an old name stands. */
export type Hit = {
  /** Which of the changes it is of. */
  readonly change: number;
  /** Where it stands in the text, in its UTF-16 units. */
  readonly start: number;
  readonly end: number;
  readonly found: string;
  readonly becomes: string;
  readonly manner: Manner;
  /** True where there is no doubt that the name is meant. */
  readonly sure: boolean;
};

/** What a text is: what a book says of itself is never an ordinary word, and may be sorted by the surname. */
export type Standing = 'prose' | 'label';

const WORD = /[\p{L}\p{N}\p{M}]/u;
/** Scripts that write words without spaces between them. */
const UNSPACED =
  /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}\p{Script=Lao}\p{Script=Khmer}\p{Script=Myanmar}]/u;
/** Endings of names in languages of Latin letters; any others of three letters make another word ("Finchley"). */
const LATIN = 's|es|e|n|en|ens|a|u|y|i|ie|em|om|owi|in|lla|lle|ssa|sta|lta';
/** What may follow a name that is bent to its sentence: a possessive, or an ending. */
const ENDING = new RegExp(`^(?:'s|(?:${LATIN}|(?!\\p{Script=Latin})\\p{L}{1,3})(?:'s)?)(?![\\p{L}\\p{N}\\p{M}'])`, 'u');
/** Names shorter than this have no endings: "Li" is not meant by "Lied". */
const LEAST_BENT = 4;

const isUpper = (text: string): boolean => /\p{Lu}/u.test(text) && !/\p{Ll}/u.test(text);
const isLower = (text: string): boolean => /\p{Ll}/u.test(text) && !/\p{Lu}/u.test(text);
const isUnspaced = (text: string): boolean => UNSPACED.test(text[0]) || UNSPACED.test(text[text.length - 1]);

/** The letters of a name as the place writes them: all capitals, all small, or as the new name has them. */
const asWritten = (found: string, name: string, becomes: string): string =>
  isUpper(found) && !isUpper(name)
    ? becomes.toUpperCase()
    : isLower(found) && !isLower(name)
      ? becomes.toLowerCase()
      : becomes;

const sameSpelling = (a: string, b: string): boolean => lettersExact(a) === lettersExact(b);
/** As the search reads it, but with its capitals. */
const lettersExact = (text: string): string =>
  text
    .normalize('NFKC')
    .replace(/[\u00ad\u200b-\u200f\u2060-\u2064\ufeff]/g, '')
    .replace(/[’‘ʼ‛]/g, "'")
    .replace(/[“”„]/g, '"')
    .replace(/[‐‑‒–—]/g, '-')
    .replace(/\s+/g, ' ');

/** Places of one spelling. */
function* placesOf({ text, starts, ends }: Letters, source: string, form: Form, standing: Standing) {
  const wanted = lettersOf(form.text).text;
  const unspaced = isUnspaced(wanted);
  for (let at = text.indexOf(wanted); at >= 0; at = text.indexOf(wanted, at + 1)) {
    const after = text.slice(at + wanted.length, at + wanted.length + 8);
    const before = text[at - 1] ?? '';
    if (!unspaced && (WORD.test(before) || (before === "'" && WORD.test(text[at - 2] ?? '')))) continue;
    let [end, ending] = [at + wanted.length, ''];
    const open = WORD.test(after[0] ?? '') || (after[0] === "'" && WORD.test(after[1] ?? ''));
    const possessive = /^'(?![\p{L}\p{N}])/u.test(after) && wanted.endsWith('s');
    if (!unspaced && (open || possessive)) {
      const bent = ENDING.exec(after);
      if (open && (!bent || [...wanted].length < LEAST_BENT)) continue;
      if (bent && open) [end, ending] = [end + bent[0].length, bent[0]];
    }
    const [start, stop] = [starts[at], ends[end - 1]];
    const joined =
      (before === '-' && WORD.test(text[at - 2] ?? '')) || /^-[\p{L}\p{N}]/u.test(text.slice(end, end + 2));
    const name = source.slice(start, ends[at + wanted.length - 1]);
    const found = source.slice(start, stop);
    const becomes = `${asWritten(name, form.text, form.becomes)}${ending ? source.slice(ends[at + wanted.length - 1], stop) : ''}`;
    const exact = sameSpelling(name, form.text) || (isUpper(name) && !isLower(form.text));
    // A part in other letters, or in a compound, is another word.
    if (form.manner !== 'whole' && (!exact || joined)) continue;
    const lone = !form.text.includes(' ') && standing === 'prose';
    const manner: Manner =
      ending || possessive || joined
        ? 'inflected'
        : form.manner !== 'whole'
          ? form.manner
          : !exact
            ? 'case'
            : lone || unspaced
              ? 'word'
              : 'whole';
    const label = standing === 'label' && (manner === 'turned' || manner === 'word');
    yield { start, end: stop, found, becomes, manner, sure: manner === 'whole' || label };
  }
}

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\/]/g, '\\$&');

/** Places of a site: with or without its scheme and `www.`, with the page that follows it. */
function* sitePlaces(source: string, { from, to }: NameChange) {
  const one = new RegExp(
    `(?<![\\p{L}\\p{N}_-])((?:https?:\\/\\/)?(?:www\\.)?)((?:[\\p{L}\\p{N}-]+\\.)*)${escaped(from)}(?![\\p{L}\\p{N}_-]|\\.[\\p{L}\\p{N}])((?:[/?#][^\\s<>"'’”»]*)?)`,
    'giu',
  );
  // An address may name the site once more.
  const inPage = new RegExp(`(?<![\\p{L}\\p{N}-])${escaped(from)}(?![\\p{L}\\p{N}-]|\\.[\\p{L}\\p{N}])`, 'giu');
  for (const match of source.matchAll(one)) {
    const [all, scheme, under, rest] = match;
    const start = match.index;
    const mail = source[start - 1] === '@';
    // Signs that end a sentence are none of the address, nor is a bracket that was opened before it.
    const page = mail
      ? ''
      : rest.replace(/[.,;:!?]+$/, '').replace(/\)+$/, (closing) => (rest.includes('(') ? closing : ''));
    const found = all.slice(0, all.length - rest.length + page.length);
    const manner: Manner = mail ? 'at' : under || /[^/]/.test(page) ? 'page' : 'whole';
    // A new site may itself name a page; then only its own address can follow.
    const becomes = mail ? `${under}${to.replace(/\/.*$/s, '')}` : `${scheme}${under}${to}${page.replace(inPage, to)}`;
    yield { start, end: start + found.length, found, becomes, manner, sure: manner === 'whole' };
  }
}

function* mailPlaces(source: string, { from, to }: NameChange) {
  const one = new RegExp(`(?<![\\p{L}\\p{N}._%+-])${escaped(from)}(?![\\p{L}\\p{N}_-]|\\.[\\p{L}\\p{N}])`, 'giu');
  for (const match of source.matchAll(one)) {
    const [found] = match;
    yield {
      start: match.index,
      end: match.index + found.length,
      found,
      becomes: to,
      manner: 'whole' as Manner,
      sure: true,
    };
  }
}

/**
 * Looks for old names. Whole words only; what is not the name letter by letter is found and doubted. No two places
 * lie over each other: the longer one is meant.
 */
export function nameFinder(changes: readonly NameChange[]): (source: string, standing: Standing) => Hit[] {
  const forms = changes.map((change) => (change.kind === 'site' || change.kind === 'mail' ? [] : formsOf(change)));
  // A text that holds none of these holds no name: most texts are done with here.
  const wanted = changes.flatMap(({ from }, i) => [from, ...forms[i].map(({ text }) => text)]);
  const marks = [...new Set(wanted.map((text) => lettersOf(text).text))];
  return (source, standing) => {
    const letters = lettersOf(source);
    if (!marks.some((mark) => letters.text.includes(mark))) return [];
    const all = changes.flatMap((change, i): Hit[] => {
      const places =
        change.kind === 'site'
          ? [...sitePlaces(source, change)]
          : change.kind === 'mail'
            ? [...mailPlaces(source, change)]
            : forms[i].flatMap((form) => [...placesOf(letters, source, form, standing)]);
      return places.map((place) => ({ change: i, ...place }));
    });
    const taken: Hit[] = [];
    const rank = (hit: Hit): number => (hit.sure ? 0 : 1);
    for (const hit of all.sort(
      (a, b) => b.end - b.start - (a.end - a.start) || rank(a) - rank(b) || a.change - b.change,
    ))
      if (!taken.some((one) => one.start < hit.end && hit.start < one.end)) taken.push(hit);
    return taken.sort((a, b) => a.start - b.start);
  };
}

/** A text with these of its places changed. */
export function replaced(source: string, hits: readonly Hit[]): string {
  let [out, at] = ['', 0];
  for (const { start, end, becomes } of hits) {
    out += source.slice(at, start) + becomes;
    at = end;
  }
  return out + source.slice(at);
}

const MOST_SENTENCE = 180;
const tidy = (text: string): string => text.replace(/\s+/g, ' ');

const SENTENCES = new Intl.Segmenter('en', { granularity: 'sentence' });

/** The sentence in which a place stands, as it is and as it becomes, cut where it is long. */
export function sentenceAt(source: string, hit: Hit): { readonly before: string; readonly after: string } {
  const { start, end, becomes } = hit;
  const near = source.slice(Math.max(0, start - 1200), start).length;
  const offset = start - near;
  const around = source.slice(offset, end + 1200);
  let [from, to] = [0, around.length];
  for (const { index, segment } of SENTENCES.segment(around)) {
    if (index <= near) from = index;
    if (index + segment.length >= near + (end - start)) {
      to = index + segment.length;
      break;
    }
  }
  const half = MOST_SENTENCE / 2;
  const cutBefore = Math.max(from, near - half);
  const cutAfter = Math.min(to, near + (end - start) + half);
  const lead = tidy(`${cutBefore > from ? '… ' : ''}${around.slice(cutBefore, near)}`).trimStart();
  const tail = tidy(`${around.slice(near + (end - start), cutAfter)}${cutAfter < to ? ' …' : ''}`).trimEnd();
  return { before: `${lead}${tidy(hit.found)}${tail}`, after: `${lead}${becomes}${tail}` };
}
