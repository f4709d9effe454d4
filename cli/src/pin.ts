import { type Result, fail, ok } from '@yosomi/core/base';
import { PinFace, type PinScene, artOf, newFace, newPinScene, photoOf, pinned, sheetIn } from '@yosomi/core/pin';
import { flatten } from '@yosomi/core/pixels';
import { NodeStudio } from '@yosomi/node-kit';
import type { Arguments } from './arguments';
import { type Command, done, flag } from './command';
import { readBytes, readPicture, writeBytes } from './files';
import { pictureFile } from './pictures';

const WHITE = [255, 255, 255] as const;

/** A share 0..1 of an option that may be left out. */
function share(args: Arguments, name: string, usual: number): Result<number> {
  const text = args.flags.get(name);
  const value = text === undefined ? usual : Number(text);
  return value >= 0 && value <= 1 ? ok(value) : fail('share-wrong', { flag: name });
}

function corners(args: Arguments): Result<[number, number][]> {
  const text = flag(args, 'corners');
  if (!text.ok) return text;
  const numbers = text.value.split(',').map((part) => (part.trim() === '' ? NaN : Number(part)));
  if (numbers.length !== 8 || !numbers.every(Number.isFinite)) return fail('corners-wrong');
  return ok([0, 2, 4, 6].map((i): [number, number] => [numbers[i], numbers[i + 1]]));
}

/** The bend of `--mesh`: the JSON that docs/pin.md describes; null where none is asked for. */
function bendOf(args: Arguments): Result<PinFace['bend']> {
  const file = args.flags.get('mesh');
  if (file === undefined) return ok(null);
  const bytes = readBytes(file);
  if (!bytes.ok) return bytes;
  if (bytes.value.length > MOST_MESH) return fail('mesh-wrong', { file });
  try {
    const read = PinFace.shape.bend.safeParse(JSON.parse(new TextDecoder().decode(bytes.value)));
    return read.success && read.data ? ok(read.data) : fail('mesh-wrong', { file });
  } catch {
    return fail('mesh-wrong', { file });
  }
}
const MOST_MESH = 20_000;

/** One face over the whole of what the options say. */
function sceneOf(args: Arguments, photo: { width: number; height: number }): Result<PinScene> {
  const quad = corners(args);
  if (!quad.ok) return quad;
  const shade = share(args, 'shade', 1);
  if (!shade.ok) return shade;
  const grain = share(args, 'grain', 1);
  if (!grain.ok) return grain;
  const bend = bendOf(args);
  if (!bend.ok) return bend;
  const face = newFace('front', 'Front', quad.value, { kind: 'side', side: 'front' });
  const s = shade.value;
  const made = { ...face, bend: bend.value, light: { smooth: s, creases: s, gleam: s, tone: s }, grain: grain.value };
  const checked = sheetIn(made, photo);
  if (!checked.ok) return checked;
  const scene = newPinScene({ asset: 'photo', widthPx: photo.width, heightPx: photo.height });
  return ok({ ...scene, faces: [made] });
}

export const pin: Command = {
  name: 'pin',
  usage:
    'pin --photo P --art F --corners x,y,x,y,x,y,x,y [--mesh M.json] [--shade 0..1] [--grain 0..1] --out O.png|O.jpg',
  flags: ['photo', 'art', 'corners', 'mesh', 'shade', 'grain', 'out'],
  switches: [],
  writes: { out: ['png', 'jpg', 'jpeg'] },
  async run(args) {
    const [photoFile, artFile, out] = [flag(args, 'photo'), flag(args, 'art'), flag(args, 'out')];
    if (!photoFile.ok) return photoFile;
    if (!artFile.ok) return artFile;
    if (!out.ok) return out;
    const photo = await readPicture(photoFile.value);
    if (!photo.ok) return photo;
    const scene = sceneOf(args, photo.value.raster);
    if (!scene.ok) return scene;
    const art = await readPicture(artFile.value);
    if (!art.ok) return art;
    const arts = new Map([['front', artOf(flatten(art.value.raster, WHITE))]]);
    const made = pinned(photoOf(photo.value.raster), scene.value, arts);
    if (!made.ok) return made;
    const written = writeBytes(out.value, await pictureFile(out.value, made.value, new NodeStudio(new Map())));
    return written.ok ? done() : written;
  },
};
