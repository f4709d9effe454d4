import { type Result, fail } from '@yosomi/core/base';
import { refined } from '@yosomi/core/darkroom';
import { writePng } from '@yosomi/core/image-file';
import type { Raster } from '@yosomi/core/pixels';
import { type TakenPicture, takePicture } from '@yosomi/core/recipe';
import { transfer } from 'comlink';
import type { BrowserStudio } from './browser-studio';

/** Longer sides: of the picture in which a subject is looked for, and of what says where it is. */
const FIND_PX = 420;
const MATTE_PX = 1800;

/** Pictures in which a subject is found, and what says of them what is kept. */
export const cutOuts = (studio: BrowserStudio) => {
  const pixels = async (asset: string, longest: number): Promise<Raster | null> => {
    const image = await studio.picture(asset);
    if (!image) return null;
    const k = Math.min(1, longest / Math.max(image.widthPx, image.heightPx));
    return studio.pixelsOf(k < 1 ? studio.resized(image, Math.max(1, Math.round(image.widthPx * k))) : image);
  };
  return {
    /** A picture small enough to be looked through at once; null where it is missing. */
    async subjectPicture(asset: string): Promise<Raster | null> {
      const small = await pixels(asset, FIND_PX);
      return small && transfer(small, [small.data.buffer]);
    },

    /** The matte of a mask (1 kept, 0 not, row by row) as a picture to be stored. Faults: `work-failed`, those of `takePicture`. */
    async matteOf(
      asset: string,
      mask: Uint8Array,
      width: number,
      height: number,
      name: string,
    ): Promise<Result<TakenPicture>> {
      const large = await pixels(asset, MATTE_PX);
      if (!large || mask.length !== width * height) return fail('work-failed');
      return takePicture(writePng(refined(large, mask, width, height), 72), name, studio);
    },
  };
};
