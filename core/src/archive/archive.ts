import {
  BlobReader,
  BlobWriter,
  ERR_DUPLICATED_NAME,
  ERR_OVERLAPPING_ENTRY,
  type FileEntry,
  Uint8ArrayReader,
  ZipReader,
  ZipWriter,
  configure,
} from '@zip.js/zip.js/lib/zip-core-native.js';
import { type Result, fail, ok } from '../base';
import type { Cancelled, Progress } from '../jobs';

// The caller is in a worker already, and workers made from text are not allowed by our policy.
configure({ useWebWorkers: false });

/** Most that the entries of an archive may unpack to together, and how many there may be. */
export const MOST_UNPACKED = 1024 * 1024 * 1024;
export const MOST_ENTRIES = 20_000;

/** One file in a zip; its packed bytes stay in the archive until they are asked for. */
export type Entry = {
  readonly name: string;
  readonly bytes: number;
  readonly packedBytes: number;
  /** Compression method of the zip format: 0 stored, 8 deflated. */
  readonly method: number;
  readonly crc32: number;
  readonly source: FileEntry;
  /** The archive that it lies in. */
  readonly file: Blob;
};

/** An open zip. It holds no data: every read goes to the file. */
export class Archive {
  readonly #byName: ReadonlyMap<string, Entry>;

  constructor(readonly entries: readonly Entry[]) {
    this.#byName = new Map(entries.map((entry) => [entry.name, entry]));
  }

  find(name: string): Entry | undefined {
    return this.#byName.get(name);
  }

  /** Unpacks one entry, at most `most` bytes of it. Faults: `zip-missing`, `zip-large`, `zip-damaged`. */
  async read(name: string, most: number): Promise<Result<Uint8Array<ArrayBuffer>>> {
    const entry = this.#byName.get(name);
    return entry ? unpack(entry, most) : fail('zip-missing', { name });
  }
}

/** A place for bytes that refuses more than it was made for: what an entry says of its size is not believed. */
class Bounded {
  readonly parts: Uint8Array[] = [];
  length = 0;
  over = false;
  readonly writable: WritableStream<Uint8Array>;

  constructor(most: number) {
    this.writable = new WritableStream<Uint8Array>({
      write: (part) => {
        this.length += part.length;
        if (this.length > most) {
          this.over = true;
          throw new Error('more than was allowed');
        }
        this.parts.push(part.slice());
      },
    });
  }
}

async function unpack(entry: Entry, most: number): Promise<Result<Uint8Array<ArrayBuffer>>> {
  if (entry.bytes > most) return fail('zip-large', { name: entry.name, most: Math.ceil(most / 1048576) });
  const sink = new Bounded(most);
  try {
    await entry.source.getData(sink.writable, { checkSignature: true, useWebWorkers: false });
  } catch {
    return sink.over
      ? fail('zip-large', { name: entry.name, most: Math.ceil(most / 1048576) })
      : fail('zip-damaged', { name: entry.name });
  }
  const bytes = new Uint8Array(sink.length);
  let at = 0;
  for (const part of sink.parts) {
    bytes.set(part, at);
    at += part.length;
  }
  return ok(bytes);
}

const LOCAL_HEADER = 30;

/** The packed bytes of an entry as a part of the file: nothing is read but the header before them. Fault: `zip-damaged`. */
async function packedPart({ file, source, name, packedBytes }: Entry): Promise<Result<Blob>> {
  const { offset } = source;
  const head = new Uint8Array(await file.slice(offset, offset + LOCAL_HEADER).arrayBuffer());
  const from = offset + LOCAL_HEADER + (head[26] | (head[27] << 8)) + (head[28] | (head[29] << 8));
  const right = head[0] === 0x50 && head[1] === 0x4b && head[2] === 3 && head[3] === 4;
  if (!right || from + packedBytes > file.size) return fail('zip-damaged', { name });
  return ok(file.slice(from, from + packedBytes));
}

/** Names as UTF-8 where they are that, marked or not: many writers forget the mark. */
function decodeName(raw: Uint8Array): string | undefined {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(raw);
  } catch {
    return undefined;
  }
}

/** A name that would leave the folder it is unpacked to. */
const leaves = (name: string): boolean =>
  name.startsWith('/') || /^[A-Za-z]:/.test(name) || name.includes('\\') || name.split('/').includes('..');

/** True where a central directory ends a file: bytes before its first entry, as some stores and mail programs add, do not matter. */
async function endsAsZip(file: Blob): Promise<boolean> {
  const tail = new Uint8Array(await file.slice(Math.max(0, file.size - MOST_TAIL)).arrayBuffer());
  for (let i = tail.length - 22; i >= 0; i--) {
    if (tail[i] === 0x50 && tail[i + 1] === 0x4b && tail[i + 2] === 5 && tail[i + 3] === 6) return true;
  }
  const head = new Uint8Array(await file.slice(0, 4).arrayBuffer());
  return head[0] === 0x50 && head[1] === 0x4b;
}

/** The record that ends a zip lies within this many bytes of its end: its comment is that long at most. */
const MOST_TAIL = 22 + 65_535;

/**
 * Opens a zip without unpacking anything, bounded before it is believed. Folders of the zip are not listed.
 * Faults: `file-empty`, `zip-not`, `zip-damaged`, `zip-many`, `zip-large`, `zip-name`, `zip-twice`, `zip-overlap`, `zip-locked`.
 */
export async function openArchive(file: Blob): Promise<Result<Archive>> {
  if (file.size === 0) return fail('file-empty');
  if (!(await endsAsZip(file))) return fail('zip-not');
  const entries: Entry[] = [];
  try {
    // The package's own checks of names are left out: ours follow, with faults that can be told.
    const reader = new ZipReader(new BlobReader(file), {
      decodeText: decodeName,
      filenameValidation: 'tolerant',
      useWebWorkers: false,
    });
    const names = new Set<string>();
    let [unpacked, packed] = [0, 0];
    for await (const one of reader.getEntriesGenerator()) {
      if (names.size >= MOST_ENTRIES) return fail('zip-many', { most: MOST_ENTRIES });
      if (names.has(one.filename)) return fail('zip-twice', { name: one.filename });
      names.add(one.filename);
      if (leaves(one.filename)) return fail('zip-name', { name: one.filename });
      if (one.encrypted) return fail('zip-locked');
      unpacked += one.uncompressedSize;
      packed += one.compressedSize;
      if (unpacked > MOST_UNPACKED) return fail('zip-large', { name: one.filename, most: MOST_UNPACKED / 1048576 });
      if (packed > file.size) return fail('zip-overlap');
      if (one.directory) continue;
      entries.push({
        name: one.filename,
        bytes: one.uncompressedSize,
        packedBytes: one.compressedSize,
        method: one.compressionMethod,
        crc32: one.signature ?? 0,
        source: one as FileEntry,
        file,
      });
    }
  } catch (error) {
    const said = error instanceof Error ? error.message : '';
    if (said === ERR_DUPLICATED_NAME) return fail('zip-twice', { name: '' });
    if (said === ERR_OVERLAPPING_ENTRY) return fail('zip-overlap');
    return fail('zip-damaged', { name: '' });
  }
  return ok(new Archive(entries));
}

/** What goes into a new archive: an entry of another one as it is, perhaps under another name, or bytes of our own. */
export type Piece =
  | { readonly kind: 'kept'; readonly name: string; readonly entry: Entry }
  | { readonly kind: 'made'; readonly name: string; readonly bytes: Uint8Array; readonly packed: boolean }
  /** Bytes that are fetched when their turn comes and let go of after it, stored as they are; null leaves the piece out. */
  | { readonly kind: 'fetched'; readonly name: string; readonly size: number; read(): Promise<Uint8Array | null> };

/** How a long writing is watched, and where it goes; without a place it becomes a Blob. */
export type Writing = {
  readonly cancelled?: Cancelled;
  readonly progress?: Progress;
  readonly sink?: WritableStream<Uint8Array>;
};

/**
 * Writes a zip of these pieces in their order. Kept entries are copied packed as they are, byte for byte, a little at a
 * time; no entry carries an extra field. Equal pieces give equal bytes. With a sink the answer is an empty Blob.
 * Faults: `zip-damaged` where an entry cannot be copied, `work-stopped` when cancelled.
 */
export async function writeArchive(
  pieces: readonly Piece[],
  type: string,
  writing: Writing = {},
): Promise<Result<Blob>> {
  const { cancelled, progress, sink } = writing;
  const writer = new ZipWriter<Blob | unknown>(sink ?? new BlobWriter(type), {
    extendedTimestamp: false,
    dataDescriptor: false,
    useWebWorkers: false,
    lastModDate: MOMENT,
  });
  const total = pieces.reduce((sum, one) => sum + sizeOf(one), 1);
  let done = 0;
  for (const piece of pieces) {
    if (cancelled?.()) return fail('work-stopped');
    if (piece.kind === 'made') {
      await writer.add(piece.name, new Uint8ArrayReader(piece.bytes), { level: piece.packed ? 9 : 0 });
    } else if (piece.kind === 'fetched') {
      const bytes = await piece.read();
      if (bytes) await writer.add(piece.name, new Uint8ArrayReader(bytes), { level: 0 });
    } else {
      const part = await packedPart(piece.entry);
      if (!part.ok) return part;
      await writer.add(piece.name, new BlobReader(part.value), {
        passThrough: true,
        uncompressedSize: piece.entry.bytes,
        signature: piece.entry.crc32,
        compressionMethod: piece.entry.method,
        lastModDate: piece.entry.source.lastModDate,
      });
    }
    done += sizeOf(piece);
    progress?.(done / total);
  }
  const whole = await writer.close();
  return ok(sink ? new Blob([]) : (whole as Blob));
}

function sizeOf(piece: Piece): number {
  switch (piece.kind) {
    case 'made':
      return piece.bytes.length;
    case 'fetched':
      return piece.size;
    case 'kept':
      return piece.entry.packedBytes;
  }
}

/** The moment that new entries carry, so that equal books give equal bytes. */
const MOMENT = new Date(1980, 0, 1);
