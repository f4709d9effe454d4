import type { Composition } from '../compose';
import { type Images, type InkItem, group, inkBounds } from '../ink';
import { type Rect, intersect, translate, union } from '../plane';
import { type Raster, shrink } from '../pixels';
import type { Studio } from './studio';

/** Painted so many times larger than it is shown: thin lines and letters stay. */
const FINER = 3;

/** Widest picture of words, width by height. */
const WORDS_RATIO = 1.5;

/** Parts drawn by themselves on nothing, the longer side `px`, by id: what tells one row of a list from its like. Parts that are hidden or off the cover have none. */
export function partPictures(
  { ink, blocks }: Composition,
  ids: readonly string[],
  images: Images,
  studio: Pick<Studio, 'paint'>,
  px: number,
): Map<string, Raster> {
  const own = new Map<string, InkItem[]>();
  for (const item of ink.items) {
    const id = item.part?.split('/')[0];
    if (id !== undefined) own.set(id, [...(own.get(id) ?? []), item]);
  }
  const pictures = new Map<string, Raster>();
  for (const id of ids) {
    const items = own.get(id) ?? [];
    const cover: Rect = { x: 0, y: 0, width: ink.widthPx, height: ink.heightPx };
    const all = intersect(union(items.map((item) => inkBounds(item, translate(0, 0)))), cover);
    // A line of words would be a thread: its first letters show its face and colour.
    const box = blocks.has(id) ? { ...all, width: Math.min(all.width, WORDS_RATIO * all.height) } : all;
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
