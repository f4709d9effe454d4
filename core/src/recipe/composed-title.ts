import { type Result, fail, ok } from '../base';
import { type Asset, type Book, editBook } from '../project';
import { planSheet } from '../sketch';
import { mainPicture } from './carry-front';
import { type Reading, type SeriesDesign, type VolumeAsk, seriesCover, wearsSeries } from './series';
import { type Sketched, composeSheet, noHouse, sheetAsk, sheetPictures, sheetSymbols, withSketch } from './sketches';
import { type Start, startFromWords } from './start';
import type { Studio } from './studio';

/** How the cover of a title that is made by itself comes about. */
export type CoverManner =
  /** One that its sketch sheet would show. */
  | { readonly kind: 'sheet'; readonly seed: number }
  /** In the design of another volume of its series. */
  | ({ readonly kind: 'series'; readonly own: Reading | null } & Pick<
      VolumeAsk,
      'design' | 'from' | 'place' | 'volumes' | 'taken'
    >);

/** A title that was made by itself. `turn` is by how much its colours differ from those of its series' design. */
export type ComposedTitle = {
  readonly book: Book;
  readonly turn: number;
  readonly titleFromPx: number | null;
};

/** Covers of its sheet of which a title takes one. */
const TRIED = 4;

/**
 * The design that a volume gives its series: the sketch that its front is for as long as nobody has changed the title, which is set anew for each
 * volume, or its front as it is; null where that is a finished file.
 */
export function designOf({ cover, sheet, createdAt, updatedAt }: Book): SeriesDesign | null {
  if (sheet.taken && createdAt === updatedAt) return { kind: 'sketch', sketch: sheet.taken };
  return cover.finished ? null : { kind: 'front' };
}

/** How the words of a series' design read on the volume that it is of. Faults: those of `seriesCover`. */
export const readingOf = (from: Book, design: SeriesDesign, studio: Studio, lookPx: number): Promise<Result<Reading>> =>
  seriesCover(
    {
      design,
      from,
      to: from,
      place: 0,
      volumes: 1,
      picture: null,
      turning: false,
      taken: [],
      own: null,
    },
    studio,
    lookPx,
  );

/** A title from its words and pictures with a cover that nobody has chosen yet. Faults: `sheet-empty`, those of `planSheet` and of `seriesCover`. */
export async function composedTitle(
  start: Start,
  pictures: readonly Asset[],
  manner: CoverManner,
  studio: Studio,
  lookPx: number,
): Promise<Result<ComposedTitle>> {
  const plain = startFromWords(start);
  const ids = pictures.map(({ id }) => id);
  const book: Book = {
    ...plain,
    assets: Object.fromEntries(pictures.map((asset) => [asset.id, asset])),
    sheet: { ...plain.sheet, pictures: ids },
  };
  return manner.kind === 'sheet'
    ? fromSheet({ ...book, sheet: { ...book.sheet, seed: manner.seed } }, studio, lookPx)
    : inSeries(book, manner, studio, lookPx);
}

const showsSomething = ({ sketch }: Sketched): boolean => sketch.pictures.length + sketch.symbols.length > 0;

/** One that shows what the book is about comes before one of type alone. */
const better = (a: Sketched, b: Sketched): boolean =>
  showsSomething(a) === showsSomething(b) ? a.score > b.score : showsSomething(a);

async function fromSheet(book: Book, studio: Studio, lookPx: number): Promise<Result<ComposedTitle>> {
  const facts = await sheetPictures(book.sheet.pictures, studio);
  const { symbols } = await sheetSymbols(book.brief, [], studio);
  const ask = sheetAsk(book, noHouse, facts, symbols);
  const plan = planSheet(ask);
  if (!plan.ok) return plan;
  let best: Sketched | null = null;
  for await (const made of composeSheet(plan.value, ask, TRIED, studio, lookPx))
    if (best === null || better(made, best)) best = made;
  if (best === null) return fail('sheet-empty');
  const { sketch, doc, titleFromPx } = best;
  return ok({ book: withSketch(book, sketch, doc), turn: 0, titleFromPx });
}

async function inSeries(
  book: Book,
  { design, from, place, volumes, taken, own }: Extract<CoverManner, { kind: 'series' }>,
  studio: Studio,
  lookPx: number,
): Promise<Result<ComposedTitle>> {
  // The design's own size is that of every volume; a volume without a picture shows that of the design.
  const { widthPx, heightPx } = from.cover;
  const to: Book = { ...book, cover: { ...book.cover, widthPx, heightPx } };
  const picture = to.sheet.pictures.length === 0 ? mainPicture(from.cover) : null;
  const attempt = (laid: SeriesDesign): ReturnType<typeof seriesCover> =>
    seriesCover({ design: laid, from, to, place, volumes, picture, turning: true, taken, own }, studio, lookPx);
  const set = await attempt(design);
  // A sketch that cannot be set for these words or pictures is worn as it is.
  const made = set.ok || design.kind === 'front' || from.cover.finished ? set : await attempt({ kind: 'front' });
  if (!made.ok) return made;
  const { turn, titleFromPx } = made.value;
  const worn = editBook(to, wearsSeries(made.value, from));
  return worn.ok ? ok({ book: worn.value.next, turn, titleFromPx }) : worn;
}
