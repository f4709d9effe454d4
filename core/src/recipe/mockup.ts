import { keyOf } from '../base';
import { composeSpine, cropShare, edgeColours, edgePaint, spineNeeds } from '../compose';
import { type Images, type Ink, type InkItem, fill, flat, image } from '../ink';
import { FINAL, PREVIEW, type Quality, type Scene, type Stage, type ThingSubject, stage, tableRaster } from '../mockup';
import type { Raster } from '../pixels';
import { rectPath } from '../plane';
import type { Book } from '../project';
import { paintedDoc } from '../cover';
import { coverKey, coverRaster } from './cover';
import { bookletKey } from './booklet-pages';
import { type Others, noOthers, pagedOn, subjectsOf, titleOn } from './scene-art';
import type { Studio } from './studio';
import { VERSIONS } from './versions';

/** Key of all the art on a scene's things: the covers, and what spines, backs and the things' shapes take from the briefs. */
export const artKey = (book: Book, scene: Scene = book.scene, others: Others = noOthers): string =>
  keyOf(
    scene.things.map((thing) => {
      const { object, art, fit, surface, spine, back } = thing;
      const title = titleOn(book, art, others);
      const paged = pagedOn(book, thing, others);
      const { pageCount, blurb, publisher, website } = title.brief;
      return {
        object,
        art,
        fit,
        surface,
        spine,
        back,
        cover: coverKey(title),
        pages: paged && bookletKey(paged),
        sides: Object.values(title.sides).map((side) => side && { ...side, doc: paintedDoc(side.doc) }),
        pageCount,
        blurb,
        publisher,
        website,
      };
    }),
  );

type Size = { readonly widthPx: number; readonly heightPx: number };

export const mockupKey = (book: Book, size: Size, scene: Scene = book.scene, others: Others = noOthers): string =>
  keyOf({ art: artKey(book, scene, others), scene, size, version: VERSIONS.trace });

export const stageOf = (
  book: Book,
  scene: Scene,
  widthPx: number,
  heightPx: number,
  others: Others = noOthers,
  quality: Quality = FINAL,
): Stage => stage(scene, subjectsOf(book, scene, others), widthPx, heightPx, quality);

/** A picture of the things on the ground of their scene; on a clear ground it is left as it is. */
export async function onGround(
  things: Raster,
  book: Book,
  scene: Scene,
  subjects: readonly ThingSubject[],
  studio: Studio,
): Promise<Raster> {
  const { width, height } = things;
  const ground = await groundInk(book, scene, subjects, { widthPx: width, heightPx: height }, studio);
  if (!ground) return things;
  const whole = { x: 0, y: 0, width, height };
  const items = [...ground.ink.items, image('things', { x: 0, y: 0, width: 1, height: 1 }, whole)];
  const images: Images = new Map([...ground.images, ['things', studio.imageOf(things)]]);
  return studio.paint({ ...ground.ink, items }, width, images);
}

/** What the things stand before; null for nothing. A picture that is missing leaves a plain grey. */
export async function groundInk(
  book: Book,
  scene: Scene,
  subjects: readonly ThingSubject[],
  { widthPx, heightPx }: Size,
  studio: Studio,
): Promise<{ ink: Ink; images: Images } | null> {
  const { ground } = scene;
  const whole = { x: 0, y: 0, width: widthPx, height: heightPx };
  const made = (item: InkItem, images: Images = new Map()) => ({ ink: { widthPx, heightPx, items: [item] }, images });
  switch (ground.kind) {
    case 'clear':
      return null;
    case 'colour':
      return made(fill(rectPath(whole), flat(ground.colour)));
    case 'gradient':
      return made(fill(rectPath(whole), edgePaint([ground.top, ground.foot], heightPx)));
    case 'table': {
      const table = tableRaster(ground, stage(scene, subjects, widthPx, heightPx, PREVIEW));
      return made(
        image('ground', { x: 0, y: 0, width: 1, height: 1 }, whole),
        new Map([['ground', studio.imageOf(table)]]),
      );
    }
    case 'picture': {
      const found = book.assets[ground.asset] ? await studio.picture(ground.asset) : null;
      if (!found) return made(fill(rectPath(whole), flat('#c9cac8')));
      const share = cropShare(found, whole, { x: 0.5, y: 0.5 }, 1);
      return made(image('ground', share, whole), new Map([['ground', found]]));
    }
  }
}

/** The spine for a strip of the interface: any ratio, with room for a mark at its head. */
export async function spineStrip(book: Book, size: Size, head: number, studio: Studio): Promise<Raster> {
  await studio.loadFonts(spineNeeds(book.cover));
  const edge = edgeColours(await coverRaster(book, 200, studio), 'left');
  const ink = composeSpine(book.cover, book.brief, studio.shaper, edge, size, head);
  return studio.paint(ink, ink.widthPx, new Map());
}
