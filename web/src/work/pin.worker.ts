import { type Result, fail, ok } from '@yosomi/core/base';
import {
  type Art,
  type Found,
  type Marked,
  type Photo,
  type PinQuality,
  type PinScene,
  artOf,
  findCorners,
  laidFace,
  maskOf,
  photoOf,
  pinned,
  scaledPin,
  settled,
  sheetIn,
  writePinFile,
} from '@yosomi/core/pin';
import { type Raster, raster, shrink } from '@yosomi/core/pixels';
import type { Point, Rect } from '@yosomi/core/plane';
import { expose, transfer } from 'comlink';
import { LRUCache } from 'lru-cache';
import { bytesFor } from '../persist/bytes';
import { bitmapOf } from './bitmaps';
import { decodeUpright } from './browser-studio';

/** The photograph that is open, and how it was last asked for. */
let open: { asset: string; pixels: Raster; scaled: LRUCache<number, Photo> } | null = null;
const KEPT_SIZES = 3;
/** Art by what it is made from; what is no longer wanted goes. */
const arts = new Map<string, Art>();

async function pixelsOf(asset: string): Promise<Raster | null> {
  if (open?.asset === asset) return open.pixels;
  const bytes = await bytesFor('assets', asset);
  const canvas = bytes ? await decodeUpright(bytes) : null;
  const context = canvas?.getContext('2d');
  if (!canvas || !context) return null;
  const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
  open = {
    asset,
    pixels: raster(canvas.width, canvas.height, data as Uint8ClampedArray<ArrayBuffer>),
    scaled: new LRUCache({ max: KEPT_SIZES }),
  };
  return open.pixels;
}

async function photoAt(asset: string, widthPx: number): Promise<Photo | null> {
  const pixels = await pixelsOf(asset);
  if (!pixels || !open) return null;
  const known = open.scaled.get(widthPx);
  if (known) return known;
  const heightPx = Math.max(1, Math.round((widthPx * pixels.height) / pixels.width));
  const photo = photoOf(widthPx < pixels.width ? shrink(pixels, widthPx, heightPx) : pixels);
  open.scaled.set(widthPx, photo);
  return photo;
}

/** Art on a face as it is seen, and where. */
export type FaceView = { readonly bitmap: ImageBitmap; readonly at: Rect };

/** Art of faces by their ids, and the key of each. */
export type FaceKeys = readonly (readonly [id: string, key: string])[];

const artsFor = (keys: FaceKeys): Map<string, Art> =>
  new Map(keys.flatMap(([id, key]) => (arts.has(key) ? [[id, arts.get(key) as Art]] : [])));

/** Everything of a scene at the photograph's own size or `widthPx` wide. Faults: `pin-photo`, those of `pinned`. */
async function made(scene: PinScene, keys: FaceKeys, widthPx: number, quality: PinQuality): Promise<Result<Raster>> {
  const photo = await photoAt(scene.photo.asset, widthPx);
  if (!photo) return fail('pin-photo');
  const k = photo.pixels.width / scene.photo.widthPx;
  return pinned(photo, k === 1 ? scene : scaledPin(scene, k), artsFor(keys), quality);
}

const api = {
  /** Which of these keys are not here yet; those that are not named go. */
  wants(keys: readonly string[]): string[] {
    for (const key of arts.keys()) if (!keys.includes(key)) arts.delete(key);
    return keys.filter((key) => !arts.has(key));
  },

  take: (key: string, pixels: Raster): void => void arts.set(key, artOf(pixels)),

  /** The photograph alone, `widthPx` wide; null where it is missing or damaged. */
  async photo(asset: string, widthPx: number): Promise<ImageBitmap | null> {
    const photo = await photoAt(asset, widthPx);
    if (!photo) return null;
    const bitmap = await bitmapOf(photo.pixels);
    return transfer(bitmap, [bitmap]);
  },

  async view(scene: PinScene, keys: FaceKeys, widthPx: number, quality: PinQuality): Promise<Result<ImageBitmap>> {
    const done = await made(scene, keys, widthPx, quality);
    if (!done.ok) return done;
    const bitmap = await bitmapOf(done.value);
    return transfer(ok(bitmap), [bitmap]);
  },

  /** The art of the faces alone, each for its place in px of a photograph `widthPx` wide: what changes while a hand moves. */
  async faces(scene: PinScene, keys: FaceKeys, widthPx: number): Promise<Result<readonly FaceView[]>> {
    const photo = await photoAt(scene.photo.asset, widthPx);
    if (!photo) return fail('pin-photo');
    const own = scaledPin(scene, photo.pixels.width / scene.photo.widthPx);
    const all = artsFor(keys);
    const views: FaceView[] = [];
    for (const face of own.faces) {
      const art = all.get(face.id);
      const laid = art ? laidFace(photo, own, face, art, 'preview') : sheetIn(face, photo.pixels);
      if (!laid.ok) return laid;
      if ('art' in laid.value) views.push({ bitmap: await bitmapOf(laid.value.art), at: laid.value.region });
    }
    return transfer(
      ok(views),
      views.map((v) => v.bitmap),
    );
  },

  /** What is marked, as blue of half strength over nothing. */
  async marks(scene: PinScene, on: Marked, widthPx: number): Promise<ImageBitmap | null> {
    const photo = await photoAt(scene.photo.asset, widthPx);
    if (!photo) return null;
    const { width, height } = photo.pixels;
    const own = scaledPin(scene, width / scene.photo.widthPx);
    const sheets = own.faces.flatMap((face) => {
      const sheet = sheetIn(face, photo.pixels);
      return sheet.ok ? [sheet.value] : [];
    });
    const mask = maskOf(own.marks, on, photo.pixels, { x: 0, y: 0, width, height }, sheets);
    const tinted = raster(width, height);
    mask?.forEach((m, i) => m > 0 && tinted.data.set([58, 130, 196, m * 0.55], i * 4));
    const bitmap = await bitmapOf(tinted);
    return transfer(bitmap, [bitmap]);
  },

  async find(asset: string): Promise<Found | null> {
    const pixels = await pixelsOf(asset);
    return pixels && findCorners(pixels);
  },

  async settle(asset: string, corners: readonly Point[]): Promise<readonly Point[] | null> {
    const pixels = await pixelsOf(asset);
    return pixels && settled(pixels, corners, Math.max(4, Math.max(pixels.width, pixels.height) / 160)).corners;
  },

  /** The finished picture, for files. */
  async finished(scene: PinScene, keys: FaceKeys): Promise<Result<Raster>> {
    const done = await made(scene, keys, scene.photo.widthPx, 'final');
    return done.ok ? transfer(done, [done.value.data.buffer]) : done;
  },

  /** The same with its layers apart; `pictures` are files of the faces' own pictures. Faults: the same. */
  async layered(
    scene: PinScene,
    keys: FaceKeys,
    pictures: ReadonlyMap<string, Uint8Array>,
  ): Promise<Result<Uint8Array<ArrayBuffer>>> {
    const photo = await photoAt(scene.photo.asset, scene.photo.widthPx);
    return photo ? writePinFile(photo, scene, artsFor(keys), pictures) : fail('pin-photo');
  },
};

export type PinApi = typeof api;
expose(api);
