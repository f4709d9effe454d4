import { keyOf } from '../base';
import { compose } from '../compose';
import type { Scene } from '../mockup';
import type { Raster } from '../pixels';
import type { Book } from '../project';
import { gather } from './cover';
import { mockupKey } from './mockup';
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

export const promoKey = (book: Book): string => {
  const { scene, widthPx, heightPx } = promoMockup(book);
  return keyOf({ promo: book.promo, brief: book.brief, mockup: mockupKey(book, { widthPx, heightPx }, scene) });
};

/** The promo as pixels, over a mockup that is there already. */
export async function promoRaster(book: Book, mockup: Raster, widthPx: number, studio: Studio): Promise<Raster> {
  const { resources, images } = await gather(book.promo, studio, new Map([['mockup', studio.imageOf(mockup)]]));
  return studio.paint(compose(book.promo, book.brief, resources).ink, widthPx, images);
}
