import { type Composition, compose, needs } from '../compose';
import { type PartSeed, docOf } from '../cover';
import { type Images, type InkItem, group, inkBounds } from '../ink';
import { type Rect, intersect, translate, union } from '../plane';
import { type Raster, shrink } from '../pixels';
import type { Book } from '../project';
import { textureRaster } from '../texture';
import { gather } from './gather';
import type { Studio } from './studio';

/** Painted so many times larger than it is shown: thin lines and letters stay. */
const FINER = 3;

/** Widest picture of words, width by height; those that run down are as tall. */
const WORDS_RATIO = 1.5;

/**
 * Parts drawn by themselves on nothing, the longer side `px`, by id: what tells one row of a list from its like. Parts that are
 * hidden or off the cover have none. Parts that `of` gives one name are drawn as one thing.
 */
export function partPictures(
  { ink, blocks }: Composition,
  ids: readonly string[],
  images: Images,
  studio: Pick<Studio, 'paint'>,
  px: number,
  of: (part: string) => string = (part) => part,
): Map<string, Raster> {
  const own = new Map<string, InkItem[]>();
  for (const item of ink.items) {
    const part = item.part?.split('/')[0];
    const id = part === undefined ? undefined : of(part);
    if (id !== undefined) own.set(id, [...(own.get(id) ?? []), item]);
  }
  const pictures = new Map<string, Raster>();
  for (const id of ids) {
    const items = own.get(id) ?? [];
    const cover: Rect = { x: 0, y: 0, width: ink.widthPx, height: ink.heightPx };
    const all = intersect(union(items.map((item) => inkBounds(item, translate(0, 0)))), cover);
    // A line of words would be a thread: its first letters show its face and colour.
    const [wide, high] = [Math.min(all.width, WORDS_RATIO * all.height), Math.min(all.height, WORDS_RATIO * all.width)];
    const box = blocks.has(id) ? { ...all, width: wide, height: high } : all;
    if (items.length === 0 || box.width < 1 || box.height < 1) continue;
    const k = px / Math.max(box.width, box.height);
    const [width, height] = [Math.max(1, Math.round(box.width * k)), Math.max(1, Math.round(box.height * k))];
    // How it mixes with what lies under it is not to be seen here.
    const plain = items.map((item): InkItem => ({ ...item, blend: 'normal', opacity: 1 }));
    const alone = {
      widthPx: box.width,
      heightPx: box.height,
      items: [group(plain, { transform: translate(-box.x, -box.y) })],
    };
    pictures.set(id, shrink(studio.paint(alone, width * FINER, images), width, height));
  }
  return pictures;
}

/** Pictures are read at this width for small ones of parts. */
const READ_PX = 640;

/** Each part of a cover by itself, small. */
export async function coverPartPictures(book: Book, studio: Studio, px: number): Promise<Map<string, Raster>> {
  const { resources, images } = await gather(book.cover, book.brief, studio, READ_PX);
  const composition = compose(book.cover, book.brief, resources);
  return partPictures(composition, Object.keys(book.cover.parts), images, studio, px);
}

/** How things that a cover does not have would look by themselves, small, by their keys; one may be made of several parts. */
export async function offerPictures(
  book: Book,
  offers: Readonly<Record<string, readonly PartSeed[]>>,
  studio: Studio,
  px: number,
): Promise<Map<string, Raster>> {
  const { widthPx, heightPx } = book.cover;
  const named = Object.entries(offers).flatMap(([key, seeds]) =>
    seeds.map((seed, i) => ({ key, part: { ...seed, id: seeds.length > 1 ? `${key}+${i}` : key } })),
  );
  const doc = docOf(
    widthPx,
    heightPx,
    named.map(({ part }) => part),
  );
  const keys = new Map(named.map(({ key, part }) => [part.id, key]));
  // Textures are made for this size only: at their full one each takes a second.
  const samples = needs(doc, book.brief).images.flatMap((need) =>
    need.kind === 'texture'
      ? [[need.name, studio.imageOf(textureRaster(need.spec, need.ratio, FINER * px))] as const]
      : [],
  );
  const { resources, images } = await gather(doc, book.brief, studio, READ_PX, new Map(samples));
  return partPictures(
    compose(doc, book.brief, resources),
    Object.keys(offers),
    images,
    studio,
    px,
    (part) => keys.get(part) ?? part,
  );
}
