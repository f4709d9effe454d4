import { type Finding, keyOf } from '../base';
import type { Brief } from '../book';
import { palette } from '../colour';
import { type Composition, type Resources, compose, textOf } from '../compose';
import type { Doc } from '../cover';
import type { Images } from '../ink';
import type { Scene } from '../mockup';
import type { Raster } from '../pixels';
import type { Book } from '../project';
import { dressPromo, promoColours } from '../promo';
import { coverRaster } from './cover';
import { gather } from './gather';
import { mockupKey } from './mockup';
import { readsFindings } from './legibility';
import { type Others, noOthers } from './scene-art';
import { settle } from './settle';
import { sceneFindings } from './side-findings';
import type { Studio } from './studio';
import { VERSIONS } from './versions';

/** The mockup as promos place it: traced once, on nothing, in the proportions of its frame. */
export function promoMockup(book: Book): { scene: Scene; widthPx: number; heightPx: number } {
  const part = Object.values(book.promo.parts).find((p) => p.kind === 'picture' && p.source.kind === 'mockup');
  const area = part?.kind === 'picture' ? part.area : { width: 0.6, height: 0.9 };
  return {
    scene: { ...book.scene, ground: { kind: 'clear' } },
    widthPx: Math.round(area.width * book.promo.widthPx * 1.5),
    heightPx: Math.round(area.height * book.promo.heightPx * 1.5),
  };
}

export const promoKey = (book: Book, others: Others = noOthers): string => {
  const { scene, widthPx, heightPx } = promoMockup(book);
  return keyOf({
    promo: book.promo,
    follows: book.promoFollows,
    brief: book.brief,
    mockup: mockupKey(book, { widthPx, heightPx }, scene, others),
    version: VERSIONS.promo,
  });
};

/** The promo as it is shown: while it follows the cover, in colours taken from the cover as it is now. */
export async function promoDoc(book: Book, studio: Studio): Promise<Doc> {
  const doc = leading(book.promo, book.brief);
  if (!book.promoFollows) return doc;
  return dressPromo(doc, promoColours(palette(await coverRaster(book, 160, studio))));
}

/** Where there is no headline, what hangs under it leads: a line that nobody wrote is never put in. */
function leading(doc: Doc, brief: Brief): Doc {
  const { headline } = doc.parts;
  if (headline?.kind !== 'words' || headline.hidden || textOf(headline, brief).trim()) return doc;
  const next = Object.values(doc.parts).find((p) => p.kind === 'words' && p.follows?.part === headline.id);
  if (next?.kind !== 'words') return doc;
  const { area, cut, maxSize, leading, alignY } = headline;
  const led = { ...next, area, cut, leading, alignY, maxSize: Math.max(maxSize, next.maxSize), follows: null };
  return { ...doc, parts: { ...doc.parts, [next.id]: led } };
}

/** The promo composed over a mockup that is there already. */
export async function composePromo(
  book: Book,
  mockup: Raster,
  studio: Studio,
): Promise<{ doc: Doc; composition: Composition; images: Images; resources: Resources }> {
  const doc = await promoDoc(book, studio);
  const { resources, images } = await gather(
    doc,
    book.brief,
    studio,
    doc.widthPx,
    new Map([['mockup', studio.imageOf(mockup)]]),
  );
  return { doc, composition: compose(doc, book.brief, resources), images, resources };
}

/** What makes the words of a promo, and of what it shows, hard to read. */
export async function promoFindings(book: Book, mockup: Raster, studio: Studio): Promise<Finding[]> {
  const own = await promoWords(book, mockup, studio);
  return [...readsFindings(own.doc, own.findings), ...(await sceneFindings(book, studio))];
}

/** What is found of a promo's own words on its finished pixels. */
export async function promoWords(book: Book, mockup: Raster, studio: Studio) {
  const { doc, images, resources } = await composePromo(book, mockup, studio);
  // Promos get no scrims: their words are measured as they are painted.
  const parts = Object.fromEntries(
    Object.entries(doc.parts).map(([id, p]) => [id, p.kind === 'words' ? { ...p, support: 'none' as const } : p]),
  );
  const { findings, reports } = settle({ ...doc, parts }, book.brief, resources, images, studio.paint.bind(studio));
  return { doc, findings, reports };
}

/** The promo as pixels. */
export async function promoRaster(book: Book, mockup: Raster, widthPx: number, studio: Studio): Promise<Raster> {
  const { composition, images } = await composePromo(book, mockup, studio);
  return studio.paint(composition.ink, widthPx, images);
}
