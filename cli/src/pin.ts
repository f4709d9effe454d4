import { type Result, fail, ok } from '@yosomi/core/base';
import { writePng } from '@yosomi/core/image-file';
import { checkCorners, fullStrength, pinned } from '@yosomi/core/pin';
import { flatten } from '@yosomi/core/pixels';
import type { Point } from '@yosomi/core/plane';
import type { Arguments } from './arguments';
import { type Command, done, flag } from './command';
import { readPicture, writeBytes } from './files';

const WHITE = [255, 255, 255] as const;

/** A share 0..1 of an option that may be left out. */
function share(args: Arguments, name: string, usual: number): Result<number> {
  const text = args.flags.get(name);
  const value = text === undefined ? usual : Number(text);
  return value >= 0 && value <= 1 ? ok(value) : fail('share-wrong', { flag: name });
}

function corners(args: Arguments): Result<Point[]> {
  const text = flag(args, 'corners');
  if (!text.ok) return text;
  const numbers = text.value.split(',').map((part) => (part.trim() === '' ? NaN : Number(part)));
  if (numbers.length !== 8 || !numbers.every(Number.isFinite)) return fail('corners-wrong');
  return ok([0, 2, 4, 6].map((i) => ({ x: numbers[i], y: numbers[i + 1] })));
}

export const pin: Command = {
  name: 'pin',
  usage: 'pin --photo P --art F --corners x,y,x,y,x,y,x,y [--shade 0..1] [--grain 0..1] --out O.png',
  flags: ['photo', 'art', 'corners', 'shade', 'grain', 'out'],
  switches: [],
  async run(args) {
    const [photoFile, artFile, out] = [flag(args, 'photo'), flag(args, 'art'), flag(args, 'out')];
    if (!photoFile.ok) return photoFile;
    if (!artFile.ok) return artFile;
    if (!out.ok) return out;
    const quad = corners(args);
    if (!quad.ok) return quad;
    const shade = share(args, 'shade', 1);
    if (!shade.ok) return shade;
    const grain = share(args, 'grain', 1);
    if (!grain.ok) return grain;
    const photo = await readPicture(photoFile.value);
    if (!photo.ok) return photo;
    const checked = checkCorners(quad.value, photo.value.raster);
    if (!checked.ok) return checked;
    const art = await readPicture(artFile.value);
    if (!art.ok) return art;
    const s = shade.value;
    const strengths = { smooth: s * fullStrength.smooth, creases: s * fullStrength.creases, gleam: s * fullStrength.gleam };
    const made = pinned(photo.value.raster, flatten(art.value.raster, WHITE), { corners: checked.value, strengths, grain: grain.value });
    if (!made.ok) return made;
    const written = writeBytes(out.value, writePng(made.value, 72));
    return written.ok ? done() : written;
  },
}; // prettier-ignore
