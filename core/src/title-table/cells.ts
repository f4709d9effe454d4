import { type Fault, fault } from '../base';
import { Brief, BOOK_KINDS, type BookKind, GENRES, type Genre, MOST_GENRES, sortOf } from '../book';

/** A store as far as a table names it. */
export type StoreName = { readonly id: string; readonly name: string };

/** What a cell comes to; `note` says what of it was not understood and is left out. */
export type Cell<T> = { readonly value: T | null; readonly note: Fault | null };

const cell = <T>(value: T | null, note: Fault | null = null): Cell<T> => ({ value, note });
/** As much of a cell as a sentence quotes. */
const quoted = (text: string): string => (text.length > 40 ? `${text.slice(0, 39)}…` : text);

const plain = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
const partsOf = (text: string, signs: RegExp): string[] =>
  text
    .split(signs)
    .map((part) => part.trim())
    .filter(Boolean);

/** A formula instead of what it comes to, or the mark of one that came to nothing. */
export const isFormula = (text: string): boolean =>
  /^=\S/.test(text) || /^#(REF|N\/A|VALUE|NAME|DIV\/0|NUM|NULL|SPILL)[!?]?$/i.test(text);

/** A number with what people write by it. */
const NUMBER =
  /^(?:(?:volume|vol|number|no|nr|book|part|band|tome)\b\.?|#)?\s*(\d{1,7})(?:\.0+)?\s*(?:pp?|pages?|pgs?)?\.?$/i;

/** The largest number that a Brief takes. */
const MOST = {
  number: Brief.shape.seriesNumber.unwrap().maxValue ?? Infinity,
  pages: Brief.shape.pageCount.unwrap().maxValue ?? Infinity,
} as const;

/** A whole number that a Brief takes, alone or with its word by it: "3", "Vol. 3", "#3", "320 pp", "1,024". */
export function numberCell(text: string, column: keyof typeof MOST): Cell<number> {
  const most = MOST[column];
  const digits = text.trim().replace(/(\d)[,.\u00a0\u202f' ](?=\d{3}(?!\d))/g, '$1');
  const value = Number(NUMBER.exec(digits)?.[1] ?? 0);
  return value >= 1 && value <= most
    ? cell(value)
    : cell<number>(null, fault('row-number', { column, text: quoted(text), most }));
}

const TAG = /^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/;
/** Languages that a table names by a word, in English and in their own. */
const TONGUES: ReadonlyMap<string, string> = new Map(
  Object.entries({
    english: 'en',
    german: 'de',
    deutsch: 'de',
    french: 'fr',
    francais: 'fr',
    spanish: 'es',
    espanol: 'es',
    italian: 'it',
    italiano: 'it',
    portuguese: 'pt',
    portugues: 'pt',
    dutch: 'nl',
    nederlands: 'nl',
    danish: 'da',
    dansk: 'da',
    swedish: 'sv',
    svenska: 'sv',
    norwegian: 'nb',
    norsk: 'nb',
    finnish: 'fi',
    suomi: 'fi',
    polish: 'pl',
    polski: 'pl',
    czech: 'cs',
    cestina: 'cs',
    greek: 'el',
    russian: 'ru',
    ukrainian: 'uk',
    turkish: 'tr',
    turkce: 'tr',
    japanese: 'ja',
    chinese: 'zh',
    korean: 'ko',
    hebrew: 'he',
    arabic: 'ar',
    hungarian: 'hu',
    magyar: 'hu',
    romanian: 'ro',
    catalan: 'ca',
    croatian: 'hr',
    slovak: 'sk',
    slovenian: 'sl',
  }),
);

/** A language as its tag (BCP 47): "en-GB", "en_gb", "German". */
export function languageCell(text: string): Cell<string> {
  const named = TONGUES.get(plain(text));
  if (named) return cell(named);
  const [base, ...rest] = text.replace(/_/g, '-').split('-');
  const tag = [base.toLowerCase(), ...rest.map((one) => (one.length === 2 ? one.toUpperCase() : one))].join('-');
  return TAG.test(tag) ? cell(tag) : cell<string>(null, fault('row-language', { text: quoted(text) }));
}

const KINDS: ReadonlyMap<string, Genre | BookKind> = new Map<string, Genre | BookKind>([
  ...[...BOOK_KINDS, ...GENRES].map((one) => [plain(one), one] as const),
  ...Object.entries({
    fiction: 'story',
    novel: 'story',
    novella: 'story',
    'short stories': 'story',
    'general fiction': 'story',
    'non fiction': 'practical',
    nonfiction: 'practical',
    guide: 'practical',
    poem: 'poetry',
    mystery: 'crime',
    detective: 'crime',
    suspense: 'thriller',
    'sci fi': 'science-fiction',
    scifi: 'science-fiction',
    sf: 'science-fiction',
    'historical fiction': 'historical',
    'historical novel': 'historical',
    'literary fiction': 'literary',
    ya: 'young-adult',
    teen: 'young-adult',
    children: 'young-readers',
    'children s': 'young-readers',
    'middle grade': 'young-readers',
    biography: 'memoir',
    autobiography: 'memoir',
    science: 'popular-science',
    spiritual: 'spirituality',
    religion: 'spirituality',
    management: 'business',
    gardening: 'garden-craft',
    garden: 'garden-craft',
    craft: 'garden-craft',
    crafts: 'garden-craft',
    cooking: 'cookbook',
    food: 'cookbook',
    textbook: 'study',
    education: 'study',
  } satisfies Record<string, Genre | BookKind>),
]);

/** What the book is: one kind, or two with a semicolon, comma or slash between. */
export function kindCell(text: string): Cell<{ readonly kind: BookKind; readonly genres: Genre[] }> {
  const found = partsOf(text, /[;,/|]/).map((name) => KINDS.get(plain(name)));
  const genres = GENRES.filter((genre) => found.includes(genre)).sort((a, b) => found.indexOf(a) - found.indexOf(b));
  const sort = BOOK_KINDS.find((kind) => found.includes(kind));
  const note =
    found.some((one) => !one) || genres.length > MOST_GENRES ? fault('row-kind', { text: quoted(text) }) : null;
  const some = genres.slice(0, MOST_GENRES);
  const kind = some.length > 0 ? sortOf(some[0]) : sort;
  return cell(kind ? { kind, genres: some } : null, note);
}

/** Ids of stores by all that they may be called. */
export type StoresByName = ReadonlyMap<string, string>;
export const storesByName = (stores: readonly StoreName[]): StoresByName =>
  new Map([...stores].reverse().flatMap(({ id, name }) => [name, id].map((called) => [plain(called), id] as const)));

/** Stores by name or id, with a semicolon, comma, bar or line between. */
export function storesCell(text: string, stores: StoresByName): Cell<string[]> {
  const known = (name: string): string | undefined => stores.get(plain(name));
  // A name may have a comma of its own.
  const names = partsOf(text, /[;|\n]/).flatMap((part) => (known(part) ? [part] : partsOf(part, /,/)));
  const unknown = names.filter((name) => !known(name));
  const note = unknown.length > 0 ? fault('row-store', { names: quoted(unknown.join(', ')) }) : null;
  return cell([...new Set(names.flatMap((name) => known(name) ?? []))], note);
}
