import type { Brief } from '../book';
import { finishedCover, firstCover, wordsCover } from '../compose';
import type { Doc } from '../cover';
import type { Raster } from '../pixels';
import { type Asset, type Book, newBook } from '../project';

export type Start = {
  readonly id: string;
  readonly identifier: string;
  readonly now: string;
  readonly brief: Brief;
};

function assemble(start: Start, cover: Doc, assets: readonly Asset[]): Book {
  const book = newBook(start.id, start.identifier, start.now, cover);
  return { ...book, brief: start.brief, assets: Object.fromEntries(assets.map((asset) => [asset.id, asset])) };
}

/** A title from its words alone. */
export const startFromWords = (start: Start, cover: Doc = wordsCover(start.brief)): Book => assemble(start, cover, []);

/** A title from a picture; `sample` is the picture decoded, at any size. */
export function startFromPicture(start: Start, asset: Asset, sample: Raster, cover?: Doc): Book {
  return assemble(start, cover ?? firstCover(start.brief, { asset: asset.id, sample }), [asset]);
}

/** A title from a finished cover file: it is the front as it is. */
export function startFromFinished(start: Start, asset: Asset): Book {
  return assemble(start, finishedCover(asset.id, asset.widthPx, asset.heightPx), [asset]);
}

/** Whether a picture's ratio is that of a book cover (1.25 to 1.75), so that it may be one already. */
export const looksLikeCover = (size: { widthPx: number; heightPx: number }): boolean => {
  const ratio = size.heightPx / size.widthPx;
  return ratio >= 1.25 && ratio <= 1.75;
};
