import { type Finding, keyOf } from '../base';
import type { Brief } from '../book';
import { type AddedScrim, compose, edgeColour } from '../compose';
import { type Doc, adaptDoc, paintedDoc } from '../cover';
import { nearestGreys } from '../glance';
import type { Images } from '../ink';
import type { Raster } from '../pixels';
import type { Book } from '../project';
import { gather } from './gather';
import { frontFindings, readsFindings, readsOf } from './legibility';
import { perStudio } from './per-studio';
import { MEASURE_PX, type Settled, settle } from './settle';
import { placesAt } from './compose-size';
import { placed, siblingDoc, siblingFor } from './sibling';
import { sameShape } from './sizes';
import type { Studio } from './studio';
import { VERSIONS } from './versions';

/** The words of the brief that a composition shows; those that few show only where one does. */
const shown = (brief: Brief, doc: Doc) => ({
  ...Object.fromEntries(
    (['blurb', 'publisher', 'website'] as const)
      .filter((field) =>
        Object.values(doc.parts).some((p) => p.kind === 'words' && p.says.kind === 'brief' && p.says.field === field),
      )
      .map((field) => [field, brief[field]]),
  ),
  title: brief.title,
  subtitle: brief.subtitle,
  author: brief.author,
  seriesName: brief.seriesName,
  seriesNumber: brief.seriesNumber,
  strapline: brief.strapline,
  language: brief.language,
});

/** Keys by document: unchanged documents stay the same object, and keys are asked for at every turn. */
const knownKeys = new WeakMap<Doc, { brief: Brief; key: string }>();

/** Key of everything the flat cover is made from: equal keys, equal pixels. */
export function coverKey(book: Book): string {
  const known = knownKeys.get(book.cover);
  if (known?.brief === book.brief) return known.key;
  const key = keyOf({ cover: paintedDoc(book.cover), brief: shown(book.brief, book.cover), version: VERSIONS.paint });
  knownKeys.set(book.cover, { brief: book.brief, key });
  return key;
}

/** The cover composed, measured and made readable, with images for a width, measured as it is or in so many greys; `whole` when nothing that it draws was missing. */
export async function settledCover(
  book: Book,
  studio: Studio,
  widthPx: number,
  greys: number | null = null,
): Promise<{ settled: Settled; images: Images; whole: boolean }> {
  const { resources, images, whole } = await gather(book.cover, book.brief, studio, Math.max(widthPx, MEASURE_PX));
  const shown = (pixels: Raster): Raster => (greys === null ? pixels : nearestGreys(pixels, greys));
  const settled = settle(book.cover, book.brief, resources, images, studio.paint.bind(studio), shown);
  return { settled, images, whole };
}

/** What was measured of a whole cover and holds at any width. */
export type Measure = {
  readonly added: readonly AddedScrim[];
  /** Smallest width at which the title reads, px; null where it never does, undefined where none stands there. */
  readonly titleFromPx: number | null | undefined;
  /** From which width each line reads. */
  readonly reads: readonly { readonly role: string; readonly fromPx: number | null }[];
  /** What the Front says of its words and of the whole, as findings of a file. */
  readonly findings: readonly Finding[];
};

export function measureOf(
  book: Book,
  { added, reports, findings }: Pick<Settled, 'added' | 'reports' | 'findings'>,
): Measure {
  const title = Object.values(book.cover.parts).find(
    (p) => p.kind === 'words' && p.says.kind === 'brief' && p.says.field === 'title' && reports.has(p.id),
  );
  return {
    added,
    titleFromPx: title && reports.get(title.id)?.readsFromPx,
    reads: readsOf(book.cover, reports),
    findings: [...frontFindings(book.cover, book.brief), ...readsFindings(book.cover, findings)],
  };
}

/** Measures of covers by their key. */
const measuresOf = perStudio<Measure>({ max: 24 });

/** Tells a studio what was measured of a cover that was whole, so that it need not be measured again. */
export function rememberMeasure(studio: Studio, key: string, measure: Measure): void {
  measuresOf(studio).set(key, measure);
}

/** What is measured of a cover, as it is or on a screen of so many greys; remembered where it is known. */
export async function coverMeasure(book: Book, studio: Studio, greys: number | null = null): Promise<Measure> {
  const key = greys === null ? coverKey(book) : `${coverKey(book)} in ${greys} greys`;
  const known = measuresOf(studio).get(key);
  if (known) return known;
  const { settled, whole } = await settledCover(book, studio, MEASURE_PX, greys);
  const measure = measureOf(book, settled);
  if (whole) rememberMeasure(studio, key, measure);
  return measure;
}

/** What the Front says of a cover's words, for a file that shows the cover as it is. */
export const coverFindings = async (book: Book, studio: Studio): Promise<readonly Finding[]> =>
  (await coverMeasure(book, studio)).findings;

/** The flat cover as pixels. */
export async function coverRaster(book: Book, widthPx: number, studio: Studio): Promise<Raster> {
  const key = coverKey(book);
  const known = measuresOf(studio).get(key);
  if (!known) {
    const { settled, images, whole } = await settledCover(book, studio, widthPx);
    if (whole) rememberMeasure(studio, key, measureOf(book, settled));
    return studio.paint(settled.composition.ink, widthPx, images);
  }
  const { resources, images } = await gather(book.cover, book.brief, studio, widthPx);
  return studio.paint(compose(book.cover, book.brief, resources, known.added).ink, widthPx, images);
}

/** The cover for other pixels as files have it: composed for them where it has no size of its own there; a finished one stands on the colour of its own edge. */
export async function sizedCover(
  book: Book,
  size: { widthPx: number; heightPx: number },
  studio: Studio,
): Promise<Book> {
  if (book.cover.finished) return coverAt(book, size, edgeColour(await coverRaster(book, 200, studio)));
  const sized = coverAt(book, size, '#ffffff');
  if (siblingFor(book, size) || sameShape(size, book.cover)) return sized;
  return { ...sized, cover: placed(sized.cover, await placesAt(book, coverKey(book), size, studio)) };
}

/**
 * The cover recomposed for other pixels, as its sibling of that ratio where the title has one; nothing is stretched. A finished file cannot be recomposed: it is shown whole on its own edge colour.
 */
export function coverAt(book: Book, size: { widthPx: number; heightPx: number }, edge: string): Book {
  const sibling = siblingFor(book, size);
  const cover: Doc = sibling ? { ...siblingDoc(book.cover, sibling), ...size } : adaptDoc(book.cover, size);
  if (!book.cover.finished || sameShape(size, book.cover)) return { ...book, cover };
  const parts = Object.fromEntries(
    Object.entries(cover.parts).map(([id, part]) => {
      if (part.kind === 'picture') return [id, { ...part, fit: 'whole' as const }];
      if (part.kind === 'ground') return [id, { ...part, paint: { kind: 'flat' as const, colour: edge } }];
      return [id, part];
    }),
  );
  return { ...book, cover: { ...cover, parts } };
}
