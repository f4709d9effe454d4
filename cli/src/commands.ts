import { join } from 'node:path';
import { type Result, fail, ok } from '@yosomi/core/base';
import { emptyBrief, untold } from '@yosomi/core/book';
import { finishedCover } from '@yosomi/core/compose';
import { writePng } from '@yosomi/core/image-file';
import { type Scene, type Thing, defaultScene, readScene, spineThickness } from '@yosomi/core/mockup';
import { flatten } from '@yosomi/core/pixels';
import { type Asset, type Book, assetId, newBook, packProject } from '@yosomi/core/project';
import { scenePicture, stageOf } from '@yosomi/core/recipe';
import { NodeStudio, demoProjects } from '@yosomi/node-kit';
import type { Arguments } from './arguments';
import { type Command, done, flag, wholeFlag } from './command';
import { booklet } from './booklet';
import { deliver } from './deliver';
import { epubInspect, epubNew, epubSetCover, pdfSetCover } from './ebooks';
import { check, coverExport, coverSave, encode } from './images';
import { makeFolder, readBytes, readPicture, writeAll, writeBytes } from './files';
import { glance } from './glance';
import { mark, markWays } from './mark';
import { pictureFile } from './pictures';
import { pin } from './pin';
import { promo, promoFormats, promoLooks } from './promo';
import { reissue } from './reissue';
import { epubRename, pdfRename } from './rename';
import { series } from './series';
import { sketch } from './sketch';
import { pdfStamp } from './stamp';
import { table, titles } from './titles';

const sizeFlag = (args: Arguments, name: string): Result<number> => {
  const given = flag(args, name);
  if (!given.ok) return given;
  return wholeFlag(args, name, 16, 6000, 0);
};

/** Endings of finished pictures. */
const PICTURES = ['png', 'jpg', 'jpeg'];

const mockup: Command = {
  name: 'mockup',
  usage:
    'mockup --front F [--spine F] [--back F] [--scene S.json] --width W --height H --out F.png|F.jpg [--report R.json]',
  flags: ['front', 'spine', 'back', 'scene', 'width', 'height', 'out', 'report'],
  switches: [],
  writes: { out: PICTURES, report: null },
  async run(args) {
    const frontFile = flag(args, 'front');
    if (!frontFile.ok) return frontFile;
    const width = sizeFlag(args, 'width');
    if (!width.ok) return width;
    const height = sizeFlag(args, 'height');
    if (!height.ok) return height;
    const out = flag(args, 'out');
    if (!out.ok) return out;
    const scene = sceneFlag(args.flags.get('scene'));
    if (!scene.ok) return scene;
    if (ofTitle(scene.value)) return fail('scene-title');
    const files = new Map<string, Uint8Array>();
    const assets: Record<string, Asset> = {};
    const take = async (name: string, file: string): Promise<Result<Asset>> => {
      const read = await readPicture(file);
      if (!read.ok) return read;
      const { width, height } = read.value.raster;
      const bytes = writePng(flatten(read.value.raster, WHITE), 72);
      const asset: Asset = {
        id: assetId(bytes),
        format: 'png',
        widthPx: width,
        heightPx: height,
        name,
        rights: untold,
      };
      files.set(asset.id, bytes);
      assets[asset.id] = asset;
      return ok(asset);
    };
    const front = await take('front', frontFile.value);
    if (!front.ok) return front;
    const sides: Record<string, Asset> = {};
    for (const side of ['spine', 'back']) {
      const file = args.flags.get(side);
      const asset = file === undefined ? null : await take(side, file);
      if (asset && !asset.ok) return asset;
      if (asset?.ok) sides[side] = asset.value;
    }
    const { spine, back } = sides;
    const cover = finishedCover(front.value.id, front.value.widthPx, front.value.heightPx);
    const [first, ...others] = scene.value.things;
    // A spine that is given says how thick the book is; otherwise a book of common thickness stands.
    const typed = 'thicknessMm' in first.object ? first.object.thicknessMm : null;
    const thick = spine && 'thicknessMm' in first.object && typed === null;
    const object = thick
      ? { ...first.object, thicknessMm: spineThickness(spine.widthPx, spine.heightPx) }
      : first.object;
    const thing: Thing = { ...first, object, spine: spine?.id ?? null, back: back?.id ?? null };
    const stood: Scene = { ...scene.value, things: [thing, ...others] };
    const base = newBook('mockup', 'urn:yosomi:mockup', '2026-01-01T00:00:00Z', cover);
    const book: Book = { ...base, brief: emptyBrief, scene: stood, assets };
    const studio = new NodeStudio(files);
    const size = { widthPx: width.value, heightPx: height.value };
    const picture = await scenePicture(book, stood, size, studio);
    const stage = stageOf(book, stood, width.value, height.value);
    const made: [string, Uint8Array | string][] = [[out.value, await pictureFile(out.value, picture, studio)]];
    const report = args.flags.get('report');
    const [faces] = stage.faces;
    const json = JSON.stringify({ width: width.value, height: height.value, faces, things: stage.faces }, null, 2);
    if (report !== undefined) made.push([report, `${json}\n`]);
    const written = writeAll(made);
    return written.ok ? done() : written;
  },
};

const WHITE = [255, 255, 255] as const;

/** Whether a scene shows what only a title has: another title, a page of its booklet, a picture of its own. */
const ofTitle = ({ things, ground }: Scene): boolean =>
  ground.kind === 'picture' ||
  things.some(({ art, spine, back }) => art.kind !== 'this' || spine !== null || back !== null);

function sceneFlag(file: string | undefined): Result<Scene> {
  if (file === undefined) return ok(defaultScene);
  const bytes = readBytes(file);
  if (!bytes.ok) return bytes;
  try {
    return readScene(JSON.parse(new TextDecoder().decode(bytes.value)));
  } catch {
    return fail('scene-wrong', { where: 'no JSON' });
  }
}

const demo: Command = {
  name: 'demo',
  usage: 'demo --out DIR',
  flags: ['out'],
  switches: [],
  async run(args) {
    const out = flag(args, 'out');
    if (!out.ok) return out;
    const folder = makeFolder(out.value);
    if (!folder.ok) return folder;
    const names: string[] = [];
    for (const [i, project] of (await demoProjects()).entries()) {
      const name = `${i + 1}-${project.book.id.replace(/^demo-/, '')}.yosomi`;
      const written = writeBytes(join(out.value, name), packProject(project));
      if (!written.ok) return written;
      names.push(name);
    }
    return done(names.join('\n'));
  },
};

export const COMMANDS: readonly Command[] = [
  coverSave,
  coverExport,
  encode,
  check,
  glance,
  deliver,
  sketch,
  series,
  titles,
  table,
  booklet,
  promoLooks,
  promoFormats,
  promo,
  markWays,
  mark,
  mockup,
  pin,
  epubNew,
  epubSetCover,
  epubRename,
  epubInspect,
  pdfSetCover,
  pdfRename,
  pdfStamp,
  reissue,
  demo,
];
