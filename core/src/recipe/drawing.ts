import { emptyBrief } from '../book';
import { type Hex } from '../colour';
import { compose } from '../compose';
import { docOf, newGround, newShape } from '../cover';
import type { Raster } from '../pixels';
import type { Drawing } from '../vector';
import { gather } from './gather';
import type { Studio } from './studio';

/** A drawing by itself as pixels, `longPx` on its longer side; without a ground what it leaves open is clear. */
export async function drawingRaster(
  drawing: Drawing,
  longPx: number,
  ground: Hex | null,
  studio: Studio,
): Promise<Raster> {
  const { ratio } = drawing;
  const widthPx = Math.max(1, Math.round(ratio > 1 ? longPx : longPx * ratio));
  const heightPx = Math.max(1, Math.round(ratio > 1 ? longPx / ratio : longPx));
  const area = { x: 0, y: 0, width: 1, height: 1 };
  const part = newShape({ kind: 'drawn', ...drawing }, { area, colour: '#101112' });
  const doc = docOf(widthPx, heightPx, [{ ...newGround(ground ?? '#ffffff'), id: 'ground' }, part]);
  const { resources, images } = await gather(doc, emptyBrief, studio, widthPx);
  const { ink } = compose(doc, emptyBrief, resources);
  const items = ground ? ink.items : ink.items.filter((item) => item.part !== 'ground');
  return studio.paint({ ...ink, items }, widthPx, images);
}
