import { join } from 'node:path';
import { type Finding, type Result, fail, ok } from '@yosomi/core/base';
import { emptyBrief } from '@yosomi/core/book';
import { finishedCover } from '@yosomi/core/compose';
import { checkEpub } from '@yosomi/core/ebook';
import { readImage, writePng } from '@yosomi/core/image-file';
import { FINAL, type Scene, type Thing, defaultScene, readScene, render, spineThickness } from '@yosomi/core/mockup';
import { flatten } from '@yosomi/core/pixels';
import { type Asset, type Book, assetId, newBook, packProject } from '@yosomi/core/project';
import {
  ebookFile,
  noOthers,
  onGround,
  sceneArt,
  sceneTextures,
  subjectsOf,
  stageOf,
  storeImage,
  verdictOf,
} from '@yosomi/core/recipe';
import { PROFILES, type Profile, checkImage, findProfile } from '@yosomi/core/stores';
import { NodeStudio, demoProjects } from '@yosomi/node-kit';
import type { Arguments } from './arguments';
import { type Command, done, flag, word } from './command';
import { makeFolder, readBytes, readPicture, readProject, writeAll, writeBytes } from './files';
import { pin } from './pin';

function sizeFlag(args: Arguments, name: string): Result<number> {
  const text = flag(args, name);
  if (!text.ok) return text;
  const n = Number(text.value);
  return Number.isInteger(n) && n >= 16 && n <= 6000 ? ok(n) : fail('size-wrong', { flag: name, low: 16, high: 6000 });
}

function store(args: Arguments): Result<Profile> {
  const id = flag(args, 'store');
  if (!id.ok) return id;
  const profile = findProfile(id.value);
  return profile
    ? ok(profile)
    : fail('store-unknown', { store: id.value, known: PROFILES.map((p) => p.id).join(', ') });
}

const coverExport: Command = {
  name: 'cover export',
  usage: 'cover export BOOK.yosomi --store ID --out F',
  flags: ['store', 'out'],
  switches: [],
  async run(args) {
    const file = word(args, 0, 'title file');
    if (!file.ok) return file;
    const profile = store(args);
    if (!profile.ok) return profile;
    const out = flag(args, 'out');
    if (!out.ok) return out;
    const project = readProject(file.value);
    if (!project.ok) return project;
    const made = await storeImage(project.value.book, profile.value, new NodeStudio(project.value.files));
    if (!made.ok) return made;
    const failed = made.value.findings.filter((f) => f.severity === 'must');
    if (failed.length > 0) return fail('store-refused', { codes: failed.map((f) => f.code).join(', ') });
    const written = writeBytes(out.value, made.value.bytes);
    return written.ok ? done() : written;
  },
};

const mockup: Command = {
  name: 'mockup',
  usage: 'mockup --front F [--spine F] [--back F] [--scene S.json] --width W --height H --out F.png [--report R.json]',
  flags: ['front', 'spine', 'back', 'scene', 'width', 'height', 'out', 'report'],
  switches: [],
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
    const files = new Map<string, Uint8Array>();
    const assets: Record<string, Asset> = {};
    const take = async (name: string, file: string): Promise<Result<Asset>> => {
      const read = await readPicture(file);
      if (!read.ok) return read;
      const { width, height } = read.value.raster;
      const bytes = writePng(flatten(read.value.raster, WHITE), 72);
      const asset: Asset = { id: assetId(bytes), format: 'png', widthPx: width, heightPx: height, name };
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
    const object = thick ? { ...first.object, thicknessMm: spineThickness(spine.widthPx, spine.heightPx) } : first.object;
    const thing: Thing = { ...first, object, spine: spine?.id ?? null, back: back?.id ?? null };
    const stood: Scene = { ...scene.value, things: [thing, ...others] };
    const base = newBook('mockup', 'urn:yosomi:mockup', '2026-01-01T00:00:00Z', cover, cover);
    const book: Book = { ...base, brief: emptyBrief, scene: stood, assets };
    const studio = new NodeStudio(files);
    const stage = stageOf(book, stood, width.value, height.value);
    const textures = sceneTextures(await sceneArt(book, stood, noOthers, studio));
    const things = render(stage, textures, FINAL);
    if (!things) throw new Error('render was not cancelled');
    const picture = await onGround(things, book, stood, subjectsOf(book, stood, noOthers), studio);
    const made: [string, Uint8Array | string][] = [[out.value, writePng(picture, 72)]];
    const report = args.flags.get('report');
    const [faces] = stage.faces;
    const json = JSON.stringify({ width: width.value, height: height.value, faces, things: stage.faces }, null, 2);
    if (report !== undefined) made.push([report, `${json}\n`]);
    const written = writeAll(made);
    return written.ok ? done() : written;
  },
}; // prettier-ignore

const WHITE = [255, 255, 255] as const;

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

const epubNew: Command = {
  name: 'epub new',
  usage: 'epub new --book BOOK.yosomi --out F.epub',
  flags: ['book', 'out'],
  switches: [],
  async run(args) {
    const file = flag(args, 'book');
    if (!file.ok) return file;
    const out = flag(args, 'out');
    if (!out.ok) return out;
    const project = readProject(file.value);
    if (!project.ok) return project;
    const { book, files } = project.value;
    const made = await ebookFile(book, new Date().toISOString().replace(/\.\d+Z$/, 'Z'), new NodeStudio(files));
    if (!made.ok) return made;
    const written = writeBytes(out.value, made.value.bytes);
    return written.ok ? done() : written;
  },
};

const check: Command = {
  name: 'check',
  usage: 'check FILE --store ID [--json]',
  flags: ['store'],
  switches: ['json'],
  async run(args) {
    const file = word(args, 0, 'file');
    if (!file.ok) return file;
    const profile = store(args);
    if (!profile.ok) return profile;
    const bytes = readBytes(file.value);
    if (!bytes.ok) return bytes;
    const read = examine(bytes.value, profile.value);
    if (!read.ok) return read;
    const { about, findings } = read.value;
    const verdict = verdictOf(findings);
    const print = args.switches.has('json')
      ? JSON.stringify(
          { store: profile.value.id, verdict, file: { ...about, bytes: bytes.value.length }, findings },
          null,
          2,
        )
      : [
          `${profile.value.name}: ${verdict}`,
          ...findings.map((f) => `  ${f.severity} ${f.code} ${JSON.stringify(f.data)}`),
        ].join('\n');
    return ok({ print, passed: verdict !== 'fails' });
  },
};

/** What a file is and what the store would say to it: an image by the store's rules, an EPUB by how it holds its cover. */
function examine(
  bytes: Uint8Array,
  profile: Profile,
): Result<{ about: Record<string, string | number>; findings: readonly Finding[] }> {
  if (new TextDecoder().decode(bytes.subarray(30, 58)) === 'mimetypeapplication/epub+zip') {
    return ok({ about: { format: 'epub' }, findings: checkEpub(bytes) });
  }
  const info = readImage(bytes);
  if (!info.ok) return info;
  const { format, widthPx, heightPx } = info.value;
  return ok({ about: { format, widthPx, heightPx }, findings: checkImage(info.value, bytes.length, profile) });
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

export const COMMANDS: readonly Command[] = [coverExport, mockup, pin, epubNew, check, demo];
