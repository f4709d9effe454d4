import type { Brief } from '../book';
import { type Swatch, labOf, palette, rgbOf } from '../colour';
import { finishedCover, firstCover, wordsCover } from '../compose';
import { type Doc, type WordsPart, coloursOf } from '../cover';
import type { Raster } from '../pixels';
import { type Asset, type Book, newBook } from '../project';
import { firstPromo } from '../promo';

export type Start = {
  readonly id: string;
  readonly identifier: string;
  readonly now: string;
  readonly brief: Brief;
};

const TITLE_CUT = 'fraunces/800';
const TEXT_CUT = 'jost/600';

const titleCutOf = (cover: Doc): string =>
  Object.values(cover.parts).find((p): p is WordsPart => p.kind === 'words' && p.role === 'title')?.cut ?? TITLE_CUT;

/** The colours of a document as a palette, each with the same share. */
function swatchesOf(cover: Doc): Swatch[] {
  const colours = coloursOf(cover);
  return colours.map((hex) => ({ hex, lab: labOf(rgbOf(hex)), share: 1 / colours.length }));
}

function assemble(start: Start, cover: Doc, swatches: readonly Swatch[], assets: readonly Asset[]): Book {
  const promo = firstPromo(swatches, titleCutOf(cover), TEXT_CUT);
  const book = newBook(start.id, start.identifier, start.now, cover, promo);
  return { ...book, brief: start.brief, assets: Object.fromEntries(assets.map((asset) => [asset.id, asset])) };
}

/** A title from its words alone. */
export function startFromWords(start: Start, cover: Doc = wordsCover(start.brief)): Book {
  const ground = Object.values(cover.parts).find((p) => p.kind === 'ground');
  const own = swatchesOf(cover);
  // The ground covers most of such a cover, whatever number of colours its words have.
  const swatches = own.map((s) =>
    ground?.kind === 'ground' && ground.paint.kind === 'flat' && ground.paint.colour === s.hex ? { ...s, share: 8 } : s,
  );
  return assemble(start, cover, swatches, []);
}

/** A title from a picture; `sample` is the picture decoded, at any size. */
export function startFromPicture(start: Start, asset: Asset, sample: Raster, cover?: Doc): Book {
  return assemble(start, cover ?? firstCover(start.brief, { asset: asset.id, sample }), palette(sample), [asset]);
}

/** A title from a finished cover file: it is the front as it is. */
export function startFromFinished(start: Start, asset: Asset, sample: Raster): Book {
  return assemble(start, finishedCover(asset.id, asset.widthPx, asset.heightPx), palette(sample), [asset]);
}

/** Whether a picture's ratio is that of a book cover (1.25 to 1.75), so that it may be one already. */
export const looksLikeCover = (size: { widthPx: number; heightPx: number }): boolean => {
  const ratio = size.heightPx / size.widthPx;
  return ratio >= 1.25 && ratio <= 1.75;
};
