import { type Rights, isUntold } from '../book';
import { picturesIn } from '../booklet';
import { type Doc, isDrawn } from '../cover';
import { type Asset, type Book, SIDES, assetsInUse, isMatte, picturesOf } from '../project';
import { seriesOf } from './promo-shots';
import { type Others, noOthers, titlesShownBy } from './scene-art';

/** Lines that are any, each once. */
const each = (lines: readonly string[]): string[] => [...new Set(lines.map((line) => line.trim()).filter(Boolean))];

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

/** A composition without what is hidden in it. */
const seenOf = (doc: Doc): Doc => ({
  ...doc,
  parts: Object.fromEntries(Object.entries(doc.parts).filter(([, part]) => !part.hidden)),
});

/** Credits that are due wherever this composition is shown, back to front; parts that are hidden ask for none. */
export function docCredits(doc: Doc, assets: Book['assets']): string[] {
  const shown = Object.values(seenOf(doc).parts).sort((a, b) => (a.order < b.order ? -1 : 1));
  return shown.flatMap((part) => [
    // What says where a picture is cut out was made from it.
    ...picturesOf([part.kind === 'picture' ? { ...part, cutOut: null } : part]).map(
      (id) => assets[id]?.rights.credit ?? '',
    ),
    ...(isDrawn(part) && part.form.credit ? [part.form.credit] : []),
  ]);
}

/** Lines that are due where the flat cover is shown, each once: an ebook says them on its title page. */
export const coverCredits = ({ cover, assets }: Book): string[] => each(docCredits(cover, assets));

/** Lines that are due where the booklet is shown, each once: those of the cover, then those of the pictures on its pages. */
export const bookletCredits = (book: Book): string[] =>
  each([
    ...docCredits(book.cover, book.assets),
    ...(book.booklet ? picturesIn(book.booklet.manuscript) : []).map((id) => book.assets[id]?.rights.credit ?? ''),
  ]);

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
  return each([
    ...ownCredits(book),
    ...deliveredAssets(book).map(({ rights }) => rights.credit),
    ...drawnCredits([book.scene, book.scenes, book.promos]),
    ...beside.flatMap(ownCredits),
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
