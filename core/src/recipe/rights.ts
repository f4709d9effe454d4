import { type Rights, isUntold } from '../book';
import { type Asset, type Book, SIDES, assetsInUse, isMatte } from '../project';
import { bookletCredits, docCredits, each, originCredits, seenOf } from './credits';
import { seriesOf } from './promo-shots';
import { type Others, noOthers, pagedIn, titlesShownBy } from './scene-art';

/** Credits of every drawing that stands anywhere in something plain; what is hidden there asks for none. */
function drawnCredits(value: unknown): string[] {
  if (typeof value !== 'object' || value === null) return [];
  const { kind, credit, hidden } = value as { kind?: unknown; credit?: unknown; hidden?: unknown };
  if (hidden === true) return [];
  return [
    ...(kind === 'drawn' && typeof credit === 'string' ? [credit] : []),
    ...Object.values(value).flatMap(drawnCredits),
  ];
}

/** Lines that are due for all compositions of a title: its front first, then its sides. */
function ownCredits(book: Book): string[] {
  const sides = SIDES.flatMap((side) => book.sides[side]?.doc ?? []);
  return [book.cover, ...sides].flatMap((doc) => docCredits(doc, book.assets));
}

/**
 * Lines that are due where anything of a title is shown, its mockups and promos among it: those of the cover come first, those of other
 * titles that stand beside it last.
 */
export function allCredits(book: Book, others: Others = noOthers): string[] {
  const series = Object.keys(book.promos).length > 0 ? seriesOf(book, others) : [];
  const beside = [...titlesShownBy(book), ...series].flatMap((id) => (id === book.id ? [] : (others.get(id) ?? [])));
  const scenes = [book.scene, ...Object.values(book.scenes).map((one) => one.scene)];
  return each([
    ...ownCredits(book),
    ...deliveredAssets(book).map(({ rights }) => rights.credit),
    ...drawnCredits([book.scene, book.scenes, book.promos]),
    ...originCredits(book),
    ...beside.flatMap(ownCredits),
    ...scenes.flatMap((scene) => pagedIn(book, scene, others)).flatMap(bookletCredits),
  ]);
}

/** Pictures that a title's files show or are made from: not those that only say what of another one is kept, nor what is hidden or stands on the sketch sheet alone. */
function deliveredAssets(book: Book): Asset[] {
  const side = (of: Book['sides']['back']): typeof of => of && { ...of, doc: seenOf(of.doc) };
  const bare: Book = {
    ...book,
    cover: seenOf(book.cover),
    sides: { spine: side(book.sides.spine), back: side(book.sides.back) },
    versions: [],
    sheet: { ...book.sheet, pictures: [], favourites: [] },
  };
  return assetsInUse(bare).flatMap((id) => (isMatte(book, id) ? [] : (book.assets[id] ?? [])));
}

const GRAVITY: readonly Rights['use'][] = ['none', 'unknown', 'covers', 'goods'];

/** The pictures of a title's files, those that may stop a sale first. */
export const picturesAndRights = (book: Book): Asset[] =>
  deliveredAssets(book).sort((a, b) => GRAVITY.indexOf(a.rights.use) - GRAVITY.indexOf(b.rights.use));

const USE_WORDS: Readonly<Record<Rights['use'], string>> = {
  goods: 'May be sold on covers and on goods.',
  covers: 'May be sold on covers, not on goods.',
  none: 'May not be sold. Take another picture, or ask its maker.',
  unknown: 'Not told whether it may be sold: ask before you publish it.',
};

/** What is known of a picture's rights, as lines for whoever gets the files. */
export function rightsLines(rights: Rights): string[] {
  if (isUntold(rights)) return ['No rights are noted: ask before you publish it.'];
  const { source, maker, licence, use, credit } = rights;
  const told = [
    ['Source', source],
    ['Made by', maker],
    ['Licence', licence],
  ] as const;
  return [
    ...told.flatMap(([name, text]) => (text.trim() ? [`${name}: ${text.trim()}`] : [])),
    USE_WORDS[use],
    ...(credit.trim() ? [`Credit due: ${credit.trim()}`] : []),
  ];
}
