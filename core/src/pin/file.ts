import { unzipSync } from 'fflate';
import { z } from 'zod';
import { type Result, fail, ok } from '../base';
import { type RasterLayer, layerPath, openRaster } from '../image-file';
import { type Raster, raster } from '../pixels';
import { maskOf } from './mask';
import { type Art, type Photo, laidFace, pinned, regionOf, sheetIn } from './pin';
import { type PinScene, pinAssetsOf, readPinScene } from './scene';

/** The small JSON within the open file, and what it is called there. */
export const PIN_JSON = 'yosomi/pin.json';
export const PIN_FORMAT = 'yosomi-pin';
const PIN_VERSION = 1;

const Manifest = z.object({
  format: z.literal(PIN_FORMAT),
  version: z.number().int().min(1),
  scene: z.unknown(),
  /** Where each picture is within the file, by the id that the scene calls it. */
  pictures: z.record(z.string().max(40), z.string().max(200)),
});

const MOST_ENTRIES = 60;
const MOST_UNPACKED = 600 * 1024 * 1024;
const MOST_JSON = 4 * 1024 * 1024;

/** What is read of such a file: the scene, and its pictures by the ids that it calls them. */
export type PinFile = { readonly scene: PinScene; readonly pictures: ReadonlyMap<string, Uint8Array<ArrayBuffer>> };

/**
 * A pinned photograph as an OpenRaster file: what stands in front, the art of each face and the photograph as layers,
 * with `yosomi/pin.json` beside them, from which it can be opened again. `pictures` are files of the faces' own pictures
 * by id. Faults: those of `pinned`.
 */
export function writePinFile(
  photo: Photo,
  scene: PinScene,
  arts: ReadonlyMap<string, Art>,
  pictures: ReadonlyMap<string, Uint8Array>,
): Result<Uint8Array<ArrayBuffer>> {
  const merged = pinned(photo, scene, arts);
  if (!merged.ok) return merged;
  const layers: RasterLayer[] = [];
  for (const face of scene.faces) {
    const sheet = sheetIn(face, photo.pixels);
    if (!sheet.ok) return sheet;
    const front = frontOf(photo.pixels, scene, face.name, regionOf(sheet.value, photo.pixels, 2));
    if (front) layers.push(front);
  }
  for (const face of [...scene.faces].reverse()) {
    const art = arts.get(face.id);
    if (!art) continue;
    const open = { ...scene, hidden: [...scene.hidden.filter((one) => one !== 'front'), 'front' as const] };
    const made = laidFace(photo, open, face, art, 'final');
    if (!made.ok) return made;
    const { x, y } = made.value.region;
    layers.push({ name: face.name, pixels: made.value.art, x, y });
  }
  layers.push({ name: 'Photograph', pixels: photo.pixels });
  const more: Record<string, Uint8Array> = {};
  const paths: Record<string, string> = { [scene.photo.asset]: layerPath(layers.length - 1) };
  for (const [id, bytes] of pictures) {
    paths[id] = `yosomi/${id}`;
    more[paths[id]] = bytes;
  }
  const manifest = { format: PIN_FORMAT, version: PIN_VERSION, scene, pictures: paths };
  more[PIN_JSON] = new TextEncoder().encode(JSON.stringify(manifest, null, 1));
  return ok(openRaster(layers, merged.value, more));
}

/** What stands before a face, cut from the photograph; null where nothing is marked there. */
function frontOf(
  photo: Raster,
  scene: PinScene,
  name: string,
  region: ReturnType<typeof regionOf>,
): RasterLayer | null {
  const mask = region.width > 0 && region.height > 0 ? maskOf(scene.marks, 'front', photo, region, []) : null;
  if (!mask?.some((m) => m > 0)) return null;
  const cut = raster(region.width, region.height);
  for (let y = 0; y < region.height; y++) {
    const from = ((y + region.y) * photo.width + region.x) * 4;
    cut.data.set(photo.data.subarray(from, from + region.width * 4), y * region.width * 4);
  }
  mask.forEach((m, i) => (cut.data[i * 4 + 3] = m));
  return { name: `Before ${name}`, pixels: cut, x: region.x, y: region.y };
}

/**
 * Reads such a file, bounded in entries and unpacked size before anything is unpacked.
 * Faults: `pin-file-not`, `pin-file-large`, `pin-newer`, `pin-wrong`, `pin-picture`.
 */
export function readPinFile(bytes: Uint8Array): Result<PinFile> {
  if (bytes[0] !== 0x50 || bytes[1] !== 0x4b) return fail('pin-file-not');
  let [count, total] = [0, 0];
  let tooLarge = false;
  let entries: Record<string, Uint8Array>;
  try {
    entries = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        count++;
        total += originalSize;
        if (count > MOST_ENTRIES || total > MOST_UNPACKED) tooLarge = true;
        return !tooLarge && /^(yosomi|data)\/[\w.-]+$/.test(name);
      },
    });
  } catch {
    return fail('pin-file-not');
  }
  if (tooLarge) return fail('pin-file-large', { most: MOST_UNPACKED / 1048576 });
  const text = entries[PIN_JSON];
  if (!text || text.length > MOST_JSON) return fail('pin-file-not');
  let manifest: z.infer<typeof Manifest>;
  try {
    manifest = Manifest.parse(JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(text)));
  } catch {
    return fail('pin-wrong', { where: PIN_JSON });
  }
  if (manifest.version > PIN_VERSION) return fail('pin-newer', { found: manifest.version, known: PIN_VERSION });
  const scene = readPinScene(manifest.scene);
  if (!scene.ok) return scene;
  const pictures = new Map<string, Uint8Array<ArrayBuffer>>();
  for (const id of pinAssetsOf(scene.value)) {
    const data = entries[manifest.pictures[id] ?? ''];
    if (!data) return fail('pin-picture', { name: id === scene.value.photo.asset ? 'photograph' : id });
    pictures.set(id, data as Uint8Array<ArrayBuffer>);
  }
  return ok({ scene: scene.value, pictures });
}

/** The scene with its pictures called otherwise, as they are after they were taken in. */
export const renamed = (scene: PinScene, names: ReadonlyMap<string, string>): PinScene => ({
  ...scene,
  photo: { ...scene.photo, asset: names.get(scene.photo.asset) ?? scene.photo.asset },
  faces: scene.faces.map((face) => {
    const asset = face.art.kind === 'picture' ? names.get(face.art.asset) : undefined;
    return asset ? { ...face, art: { kind: 'picture', asset } } : face;
  }),
});
