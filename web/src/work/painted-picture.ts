import type { Rights } from '@yosomi/core/book';
import type { Raster } from '@yosomi/core/pixels';
import { type Asset, assetId } from '@yosomi/core/project';
import type { BrowserStudio } from './browser-studio';

const QUALITY = 92;

/** A picture that the program painted by itself, as a file for a title; nothing in it has to be stripped or turned. */
export async function paintedPicture(
  studio: BrowserStudio,
  pixels: Raster,
  name: string,
  rights: Rights,
): Promise<{ asset: Asset; bytes: Uint8Array<ArrayBuffer> }> {
  const bytes = await studio.encodeJpeg(pixels, QUALITY, false);
  const { width: widthPx, height: heightPx } = pixels;
  return { asset: { id: assetId(bytes), format: 'jpeg', widthPx, heightPx, name, rights }, bytes };
}
