import { keyOf } from '../base';
import { rgbOf } from '../colour';
import { type Art, type PinFace, type PinScene, artOf, photoOf, pinned, pointsOf, ratioOf, scaledPin } from '../pin';
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

/** The title's photograph with everything on it, `widthPx` wide or as wide as it is; null where there is none, or it is missing. */
export async function pinnedRaster(book: Book, widthPx: number, studio: Studio): Promise<Raster | null> {
  const scene = book.pin;
  const found = scene && (await studio.picture(scene.photo.asset));
  if (!scene || !found) return null;
  const own = found.widthPx > widthPx ? studio.resized(found, widthPx) : found;
  const k = own.widthPx / scene.photo.widthPx;
  const placed = k === 1 ? scene : scaledPin(scene, k);
  const arts = new Map<string, Art>();
  for (const face of scene.faces) arts.set(face.id, artOf(await faceArtOf(book, scene, face, studio)));
  const made = pinned(photoOf(flatten(studio.pixelsOf(own), [255, 255, 255])), placed, arts, 'final');
  return made.ok ? made.value : null;
}

/** Where in its photograph the front is seen: the middle of the first face that has it, fractions. */
export function pinnedAt({ faces, photo }: PinScene): { x: number; y: number } {
  const face = faces.find(({ art }) => art.kind === 'side' && art.side === 'front') ?? faces[0];
  if (!face) return { x: 0.5, y: 0.5 };
  const mean = (axis: 0 | 1, size: number): number =>
    Math.min(1, Math.max(0, face.corners.reduce((sum, corner) => sum + corner[axis], 0) / 4 / size));
  return { x: mean(0, photo.widthPx), y: mean(1, photo.heightPx) };
}

/** What a finished picture of a pinned photograph is made from. */
export const pinKey = (book: Book, scene: PinScene): string =>
  keyOf({ version: VERSIONS.pin, scene, arts: scene.faces.map((face) => faceArtKey(book, scene, face)) });
