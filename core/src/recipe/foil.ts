import { compose } from '../compose';
import type { Doc, Part } from '../cover';
import type { InkItem } from '../ink';
import type { Raster } from '../pixels';
import type { Book } from '../project';
import { gather } from './gather';
import type { Studio } from './studio';

const isFoil = (part: Part | undefined): boolean => part !== undefined && part.foil && !part.hidden;

/** Whether a composition has parts that are stamped in foil. */
export const hasFoil = (doc: Doc): boolean => Object.values(doc.parts).some(isFoil);

/** Where a cover is stamped in foil: white on black, as the cover is painted; null where it is nowhere. */
export async function foilRaster(book: Book, widthPx: number, studio: Studio): Promise<Raster | null> {
  if (!hasFoil(book.cover)) return null;
  const { resources, images } = await gather(book.cover, book.brief, studio, widthPx);
  const { ink } = compose(book.cover, book.brief, resources);
  const stamped = onlyFoil(ink.items, book.cover);
  const alpha = studio.paint({ ...ink, items: stamped }, widthPx, images);
  // What was painted counts by its opacity alone.
  for (let i = 0; i < alpha.data.length; i += 4) alpha.data.fill(alpha.data[i + 3], i, i + 3);
  for (let i = 3; i < alpha.data.length; i += 4) alpha.data[i] = 255;
  return alpha;
}

/** The ink of foil parts: their own letters and forms, not what lies behind those. */
const onlyFoil = (items: readonly InkItem[], doc: Doc): InkItem[] =>
  items.filter((item) => item.part !== undefined && item.part !== null && isFoil(doc.parts[item.part]));
