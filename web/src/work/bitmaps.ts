import type { Raster } from '@yosomi/core/pixels';

/** Longer side of a part's picture in the list of parts, px of a dense screen. */
export const PART_PX = 60;

export const bitmapOf = (r: Raster): Promise<ImageBitmap> =>
  createImageBitmap(new ImageData(r.data, r.width, r.height));

/** Rasters by id as bitmaps by id. */
export const bitmapsOf = async (rasters: ReadonlyMap<string, Raster>): Promise<Map<string, ImageBitmap>> =>
  new Map(await Promise.all([...rasters].map(async ([id, one]) => [id, await bitmapOf(one)] as const)));
