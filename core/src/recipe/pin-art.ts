import { keyOf } from '../base';
import { rgbOf } from '../colour';
import { type PinFace, type PinScene, pointsOf, ratioOf } from '../pin';
import { type Raster, flatten, raster } from '../pixels';
import type { Book } from '../project';
import { coverKey, coverRaster } from './cover';
import { artKey } from './mockup';
import { sideArt } from './scene-art';
import type { Studio } from './studio';
import { VERSIONS } from './versions';

/** Most width of a front that is pinned, px. */
const MOST_PX = 1600;

/** Width to height of a face as it really is, in steps of a hundredth: a dragged corner does not make its art anew each time. */
function placeRatio(face: PinFace, { photo }: PinScene): number {
  const ratio = ratioOf(pointsOf(face.corners), { width: photo.widthPx, height: photo.heightPx });
  return Number.isFinite(ratio) ? Math.exp(Math.round(Math.log(Math.min(20, Math.max(0.02, ratio))) * 100) / 100) : 1;
}

/** What the art of a face is made from. Its corners count only where the art is made for the place. */
export function faceArtKey(book: Book, scene: PinScene, face: PinFace): string {
  const { art, fit } = face;
  const made = fit !== 'corners' || (art.kind === 'side' && art.side !== 'front');
  const ratio = made ? placeRatio(face, scene) : null;
  switch (art.kind) {
    case 'side':
      return keyOf({ art, fit, ratio, cover: art.side === 'front' ? coverKey(book) : artKey(book) });
    case 'picture':
    case 'colour':
      return keyOf({ art, fit, ratio });
  }
}

/** The art of a face, opaque, at most `mostPx` wide; a picture that is missing is white paper. */
export async function faceArtOf(
  book: Book,
  scene: PinScene,
  face: PinFace,
  studio: Studio,
  mostPx = MOST_PX,
): Promise<Raster> {
  const { art, fit } = face;
  const ratio = fit === 'corners' ? null : placeRatio(face, scene);
  switch (art.kind) {
    case 'side':
      if (art.side !== 'front') return sideArt(book, art.side, placeRatio(face, scene), 'whole', studio, mostPx);
      if (ratio) return sideArt(book, 'front', ratio, fit === 'fill' ? 'fill' : 'whole', studio, mostPx);
      return flatten(
        await coverRaster(book, Math.min(mostPx, Math.max(book.cover.widthPx, 800)), studio),
        [255, 255, 255],
      );
    case 'picture': {
      const asset = book.assets[art.asset];
      const image = asset ? await studio.picture(asset.id) : null;
      if (!image) return plain([255, 255, 255]);
      const own = image.widthPx > 2 * mostPx ? studio.resized(image, 2 * mostPx) : image;
      if (!ratio) return flatten(studio.pixelsOf(own), [255, 255, 255]);
      return sideArt(book, art, ratio, fit === 'fill' ? 'fill' : 'whole', studio, mostPx);
    }
    case 'colour':
      return plain(rgbOf(art.colour));
  }
}

function plain(rgb: readonly [number, number, number]): Raster {
  const out = raster(8, 8);
  for (let i = 0; i < out.data.length; i += 4) out.data.set([...rgb, 255], i);
  return out;
}

/** What a finished picture of a pinned photograph is made from. */
export const pinKey = (book: Book, scene: PinScene): string =>
  keyOf({ version: VERSIONS.pin, scene, arts: scene.faces.map((face) => faceArtKey(book, scene, face)) });
