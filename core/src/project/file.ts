import { unzipSync, zipSync, type Zippable } from 'fflate';
import { z } from 'zod';
import { type Result, fail, hashBytes, ok } from '../base';
import { readImage } from '../image-file';
import { type Book, type OwnFace, assetsInUse } from './book';
import { readBook } from './migrate';

export const FILE_FORMAT = 'yosomi';
export const FILE_VERSION = 1;
const MOST_ENTRIES = 500;
const MOST_UNPACKED = 600 * 1024 * 1024;

const Manifest = z.object({
  format: z.literal(FILE_FORMAT),
  version: z.number().int().min(1),
  book: z.unknown(),
  /** Ids of pictures and fonts that were not there when the file was written. */
  missing: z.array(z.string().max(40)).max(MOST_ENTRIES).default([]),
});

/** A title with the bytes of its pictures by asset id. */
export type Project = { readonly book: Book; readonly files: ReadonlyMap<string, Uint8Array<ArrayBuffer>> };

const nameOf = (id: string, format: string): string => `assets/${id}.${format === 'jpeg' ? 'jpg' : format}`;

const faceFile = (face: OwnFace): string => `faces/${face.id}.${face.format}`;

/** Pictures and fonts that a title uses and whose bytes are not there. */
export function missingFiles({ book, files }: Project): { readonly id: string; readonly name: string }[] {
  const pictures = assetsInUse(book).map((id) => ({ id, name: book.assets[id]?.name ?? id }));
  const faces = Object.values(book.faces).map(({ id, name }) => ({ id, name }));
  return [...pictures, ...faces].filter(({ id }) => !files.has(id)).sort((a, b) => (a.id < b.id ? -1 : 1));
}

/**
 * One title as one file: a zip with `manifest.json` ({format, version, book}), `assets/<id>.<jpg|png|webp>` and
 * `faces/<id>.<ttf|otf>`. Only pictures in use go in; what is not there is listed as missing. Equal projects give equal bytes.
 */
export function packProject({ book, files }: Project): Uint8Array<ArrayBuffer> {
  const used = assetsInUse(book).sort();
  const assets = Object.fromEntries(used.filter((id) => book.assets[id]).map((id) => [id, book.assets[id]]));
  const missing = missingFiles({ book, files });
  const lacks = missing.length > 0 ? { missing: missing.map(({ id }) => id) } : {};
  const manifest = { format: FILE_FORMAT, version: FILE_VERSION, ...lacks, book: { ...book, assets } };
  const entries: Zippable = { 'manifest.json': new TextEncoder().encode(JSON.stringify(manifest, null, 1)) };
  for (const asset of Object.values(assets)) {
    const bytes = files.get(asset.id);
    if (bytes) entries[nameOf(asset.id, asset.format)] = [bytes, { level: 0 }];
  }
  for (const face of Object.values(book.faces).sort((a, b) => (a.id < b.id ? -1 : 1))) {
    const bytes = files.get(face.id);
    if (bytes) entries[faceFile(face)] = bytes;
  }
  return zipSync(entries, { level: 6, mtime: new Date(1980, 0, 1) }) as Uint8Array<ArrayBuffer>;
}

/**
 * Reads such a file, bounded in entries and unpacked size before anything is unpacked.
 * Faults: `project-damaged`, `project-newer`, `project-not`, `project-large`, `project-picture`, `project-face`.
 */
export function unpackProject(bytes: Uint8Array): Result<Project> {
  if (bytes[0] !== 0x50 || bytes[1] !== 0x4b) return fail('project-not');
  let entries: Record<string, Uint8Array>;
  let count = 0;
  let total = 0;
  let tooLarge = false;
  try {
    entries = unzipSync(bytes, {
      filter: (file) => {
        count++;
        total += file.originalSize;
        if (count > MOST_ENTRIES || total > MOST_UNPACKED) tooLarge = true;
        return !tooLarge && /^(manifest\.json$|assets\/|faces\/)/.test(file.name);
      },
    });
  } catch {
    return fail('project-damaged', { where: 'zip' });
  }
  if (tooLarge) return fail('project-large', { most: MOST_UNPACKED / 1048576 });
  const text = entries['manifest.json'];
  if (!text) return fail('project-not');
  let manifest: z.infer<typeof Manifest>;
  try {
    manifest = Manifest.parse(JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(text)));
  } catch {
    return fail('project-damaged', { where: 'manifest' });
  }
  if (manifest.version > FILE_VERSION) return fail('project-newer', { found: manifest.version, known: FILE_VERSION });
  const read = readBook(manifest.book);
  if (!read.ok) return read;
  const book = read.value;
  const files = new Map<string, Uint8Array<ArrayBuffer>>();
  // What was missing when the file was written is missing still: the title says so wherever it would be seen.
  const missing = new Set(manifest.missing);
  for (const id of assetsInUse(book)) {
    const asset = book.assets[id];
    const data = asset && entries[nameOf(id, asset.format)];
    if (!data && missing.has(id)) continue;
    if (!data) return fail('project-picture', { name: asset?.name ?? id });
    const image = readImage(data);
    if (!image.ok || image.value.format !== asset.format) return fail('project-picture', { name: asset.name });
    if (assetId(data) !== id) return fail('project-picture', { name: asset.name });
    files.set(id, data as Uint8Array<ArrayBuffer>);
  }
  for (const face of Object.values(book.faces)) {
    const data = entries[faceFile(face)];
    if (!data && missing.has(face.id)) continue;
    if (!data || assetId(data) !== face.id) return fail('project-face', { name: face.name });
    files.set(face.id, data as Uint8Array<ArrayBuffer>);
  }
  return ok({ book, files });
}

/** Assets are named by their bytes: the same picture is stored once. */
export const assetId = (bytes: Uint8Array): string => hashBytes(bytes) + hashBytes(bytes, 7);
