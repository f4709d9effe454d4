import { writePng } from '@yosomi/core/image-file';
import { type Raster, flatten } from '@yosomi/core/pixels';
import { jpegFile } from '@yosomi/core/recipe';
import type { NodeStudio } from '@yosomi/node-kit';

const WHITE = [255, 255, 255] as const;

/** A finished picture in the format that the ending of its name says: PNG, or JPEG on white. */
export async function pictureFile(name: string, picture: Raster, studio: NodeStudio): Promise<Uint8Array> {
  return /\.jpe?g$/i.test(name) ? jpegFile(flatten(picture, WHITE), studio) : writePng(picture, 72);
}
