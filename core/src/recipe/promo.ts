import { keyOf } from '../base';
import { palette } from '../colour';
import { type Composition, compose } from '../compose';
import type { Doc } from '../cover';
import type { Images } from '../ink';
import type { Scene } from '../mockup';
import type { Raster } from '../pixels';
import type { Book } from '../project';
import { dressPromo, promoColours } from '../promo';
import { coverRaster } from './cover';
import { gather } from './gather';
import { mockupKey } from './mockup';
import { type Others, noOthers } from './scene-art';
import type { Studio } from './studio';

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
  });
};

/** The promo as it is shown: while it follows the cover, in colours taken from the cover as it is now. */
export async function promoDoc(book: Book, studio: Studio): Promise<Doc> {
  if (!book.promoFollows) return book.promo;
  return dressPromo(book.promo, promoColours(palette(await coverRaster(book, 160, studio))));
}

/** The promo composed over a mockup that is there already. */
export async function composePromo(
  book: Book,
  mockup: Raster,
  studio: Studio,
): Promise<{ doc: Doc; composition: Composition; images: Images }> {
  const doc = await promoDoc(book, studio);
  const { resources, images } = await gather(
    doc,
    book.brief,
    studio,
    doc.widthPx,
    new Map([['mockup', studio.imageOf(mockup)]]),
  );
  return { doc, composition: compose(doc, book.brief, resources), images };
}

/** The promo as pixels. */
export async function promoRaster(book: Book, mockup: Raster, widthPx: number, studio: Studio): Promise<Raster> {
  const { composition, images } = await composePromo(book, mockup, studio);
  return studio.paint(composition.ink, widthPx, images);
}
