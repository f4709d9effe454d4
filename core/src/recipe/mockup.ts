import { keyOf } from '../base';
import { thicknessMm } from '../book';
import { composeBack, composeSpine, edgeColours, spineNeeds } from '../compose';
import { type Scene, type Stage, type Textures, modelOf, paperbackTextures, spineSize, stage } from '../mockup';
import type { Raster } from '../pixels';
import type { Book } from '../project';
import { coverKey, coverRaster } from './cover';
import type { Studio } from './studio';

/** Width of the art that a mockup is textured with. */
export const ART_WIDTH = 1600;

export type Art = { readonly front: Raster; readonly spine: Raster; readonly back: Raster };

export const bookThickness = (book: Book): number => book.scene.object.thicknessMm ?? thicknessMm(book.brief.pageCount);

/** Key of the art on a mockup: the cover, and what spine and back take from the brief. */
export const artKey = (book: Book): string => keyOf({ cover: coverKey(book), thickness: bookThickness(book) });

export const mockupKey = (book: Book, size: { widthPx: number; heightPx: number }, scene: Scene = book.scene): string =>
  keyOf({ art: artKey(book), scene, size, renderer: 1 });

/** Front, spine and back as pixels; spine and back are made from the front. */
export async function mockupArt(book: Book, studio: Studio): Promise<Art> {
  const front = await coverRaster(book, Math.min(ART_WIDTH, Math.max(book.cover.widthPx, 800)), studio);
  return artFrom(front, book, studio);
}

/** Spine and back for a front that is there already. */
export async function artFrom(front: Raster, book: Book, studio: Studio): Promise<Art> {
  await studio.loadFonts(spineNeeds(book.cover));
  const edge = edgeColours(front, 'left');
  const size = spineSize(front.height, bookThickness(book));
  const spine = composeSpine(book.cover, book.brief, studio.shaper, edge, size);
  // The back has few words and is rarely seen: half the pixels do.
  const half = { widthPx: Math.ceil(front.width / 2), heightPx: Math.ceil(front.height / 2) };
  const back = composeBack(book.cover, book.brief, studio.shaper, edge, half);
  return {
    front,
    spine: studio.paint(spine, spine.widthPx, new Map()),
    back: studio.paint(back, back.widthPx, new Map()),
  };
}

/** The spine for a strip of the interface: any ratio, with room for a mark at its head. */
export async function spineStrip(
  book: Book,
  size: { widthPx: number; heightPx: number },
  head: number,
  studio: Studio,
): Promise<Raster> {
  await studio.loadFonts(spineNeeds(book.cover));
  const edge = edgeColours(await coverRaster(book, 200, studio), 'left');
  const ink = composeSpine(book.cover, book.brief, studio.shaper, edge, size, head);
  return studio.paint(ink, ink.widthPx, new Map());
}

export function stageOf(book: Book, scene: Scene, widthPx: number, heightPx: number): Stage {
  return stage(scene, modelOf(scene, book.cover, book.brief.pageCount), widthPx, heightPx);
}

export const texturesOf = (book: Book, art: Art): Textures =>
  paperbackTextures(art, bookThickness(book), book.brief.pageCount);
