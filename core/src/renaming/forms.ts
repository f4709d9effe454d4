import type { NameChange } from './change';

/** In what way a place differs from the name itself. */
export type Manner =
  | 'whole'
  /** Capitals and small letters stand otherwise. */
  | 'case'
  /** One word that may mean something else. */
  | 'word'
  | 'inflected'
  /** Surname first, with a comma. */
  | 'turned'
  | 'initials'
  /** Only the surname, or only what stands before it. */
  | 'part'
  /** A page of the site, or another name under it. */
  | 'page'
  /** A mail address at the site. */
  | 'at';

/** A spelling of a name, and what it becomes. */
export type Form = { readonly text: string; readonly becomes: string; readonly manner: Manner };

type Person = { readonly given: readonly string[]; readonly surname: string };

/** Given names and surname: small words before the last one belong to it ("van der Berg"). */
function personOf(name: string): Person {
  const words = name.split(' ');
  const small = words.findIndex((word, i) => i > 0 && /^\p{Ll}/u.test(word) && !word.endsWith('.'));
  const at = small > 0 && small < words.length - 1 ? small : words.length - 1;
  return { given: words.slice(0, at), surname: words.slice(at).join(' ') };
}

const initial = (word: string): string => `${[...word][0]}.`;

function personForms(from: string, to: string): Form[] {
  const [old, next] = [personOf(from), personOf(to)];
  if (old.given.length === 0) return [];
  const turned = ({ given, surname }: Person): string =>
    given.length > 0 ? `${surname}, ${given.join(' ')}` : surname;
  const short = ({ given, surname }: Person, gap: string): string =>
    given.length > 0 ? `${given.map(initial).join(gap)} ${surname}` : surname;
  const bare = ({ given, surname }: Person): string =>
    given.length > 0 ? `${given.map((word) => [...word][0]).join('')} ${surname}` : surname;
  const first = ({ given, surname }: Person): Person => ({ given: given.slice(0, 1), surname });
  const forms: Form[] = [
    { text: turned(old), becomes: turned(next), manner: 'turned' },
    { text: short(old, ' '), becomes: short(next, ' '), manner: 'initials' },
    { text: short(old, ''), becomes: short(next, ''), manner: 'initials' },
    { text: bare(old), becomes: bare(next), manner: 'initials' },
    { text: old.surname, becomes: next.surname, manner: 'part' },
    { text: old.given.join(' '), becomes: next.given.join(' ') || next.surname, manner: 'part' },
  ];
  // Somebody with several given names is often called by the first.
  if (old.given.length > 1)
    forms.push(
      {
        text: `${old.given[0]} ${old.surname}`,
        becomes: [next.given[0], next.surname].filter(Boolean).join(' '),
        manner: 'part',
      },
      { text: short(first(old), ' '), becomes: short(first(next), ' '), manner: 'initials' },
      { text: old.given[0], becomes: next.given[0] ?? next.surname, manner: 'part' },
    );
  return forms;
}

/** Spellings of a name, the name itself first; addresses have none. */
export function formsOf({ kind, from, to }: NameChange): Form[] {
  const whole: Form = { text: from, becomes: to, manner: 'whole' };
  const forms = kind === 'author' ? [whole, ...personForms(from, to)] : [whole];
  // A part that is one letter is no name.
  return forms.filter(({ text }, i) => [...text].length > 1 && forms.findIndex((one) => one.text === text) === i);
}
