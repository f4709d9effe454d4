import { randomBytes } from 'node:crypto';
import { once } from 'node:events';
import {
  closeSync,
  createWriteStream,
  lstatSync,
  mkdirSync,
  openAsBlob,
  openSync,
  readFileSync,
  realpathSync,
  renameSync,
  rmSync,
  statSync,
  writeSync,
} from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { Writable } from 'node:stream';
import { type Result, fail, ok } from '@yosomi/core/base';
import { type Project, unpackProject } from '@yosomi/core/project';
import { type DecodedImage, decodeImage } from '@yosomi/node-kit';

/** Files that are read while somebody listens, by their whole paths; one job at a time is done in a thread. */
let heard: Set<string> | null = null;

/** Runs, and tells which files were read meanwhile, or were to be: a command may read files that its own files name. */
export async function hearReads<T>(run: () => Promise<T>): Promise<{ readonly value: T; readonly reads: string[] }> {
  const mine = new Set<string>();
  heard = mine;
  try {
    return { value: await run(), reads: [...mine].sort() };
  } finally {
    heard = null;
  }
}

/** Faults: `file-unreadable`. */
export function readBytes(file: string): Result<Uint8Array<ArrayBuffer>> {
  heard?.add(resolve(file));
  try {
    return ok(new Uint8Array(readFileSync(file)));
  } catch {
    return fail('file-unreadable', { file });
  }
}

/** A file of any size, read as it is needed. Faults: `file-unreadable`. */
export async function openFile(file: string): Promise<Result<Blob>> {
  heard?.add(resolve(file));
  try {
    return ok((await openAsBlob(file)) as unknown as Blob);
  } catch {
    return fail('file-unreadable', { file });
  }
}

const codeOf = (error: unknown): string => (error as NodeJS.ErrnoException | null)?.code ?? '';

/**
 * Where a file will lie: a link is followed to where it points. Faults: `file-name-long`, `file-link` (it points nowhere),
 * `file-no-file` (a folder, a device), `file-unwritable` (there is no such folder).
 */
function placeOf(file: string): Result<string> {
  try {
    const found = lstatSync(file, { throwIfNoEntry: false });
    if (!found)
      return statSync(dirname(resolve(file)), { throwIfNoEntry: false })?.isDirectory()
        ? ok(file)
        : fail('file-unwritable', { file });
    const target = found.isSymbolicLink() ? statSync(file, { throwIfNoEntry: false }) : found;
    if (!target) return fail('file-link', { file });
    return target.isFile() ? ok(realpathSync(file)) : fail('file-no-file', { file });
  } catch (error) {
    return codeOf(error) === 'ENAMETOOLONG' ? fail('file-name-long', { file }) : fail('file-unwritable', { file });
  }
}

/** A file that nobody else has, beside the place where it will lie; never through a link. */
function beside(place: string): { part: string; descriptor: number } {
  const part = join(dirname(place), `.yosomi-${process.pid}-${randomBytes(6).toString('hex')}`);
  return { part, descriptor: openSync(part, 'wx', 0o644) };
}

/** Tries whether a file can be written, before the work for it begins: nothing is left behind. Faults: those of `placeOf`. */
export function canWrite(file: string): Result<void> {
  const place = placeOf(file);
  if (!place.ok) return place;
  try {
    const { part, descriptor } = beside(place.value);
    closeSync(descriptor);
    rmSync(part, { force: true });
    return ok(undefined);
  } catch {
    return fail('file-unwritable', { file });
  }
}

/** The same place under two names: nothing can be written to both. */
export function samePlace(a: string, b: string): boolean {
  const place = (file: string): string => {
    const found = placeOf(file);
    return resolve(found.ok ? found.value : file);
  };
  return place(a) === place(b);
}

/** Writes beside the place first, so that a failure leaves nothing half-written. Faults: those of `placeOf`. */
export function writeBytes(file: string, bytes: Uint8Array | string): Result<void> {
  const place = placeOf(file);
  if (!place.ok) return place;
  let part: string | null = null;
  try {
    const made = beside(place.value);
    part = made.part;
    try {
      const data = typeof bytes === 'string' ? Buffer.from(bytes) : bytes;
      for (let at = 0; at < data.length;) at += writeSync(made.descriptor, data, at);
    } finally {
      closeSync(made.descriptor);
    }
    renameSync(part, place.value);
    return ok(undefined);
  } catch (error) {
    if (part) rmSync(part, { force: true });
    return fail(codeOf(error) === 'ENOSPC' ? 'file-full' : 'file-unwritable', { file });
  }
}

/** Runs while a file lies unfinished; a program that is told to end takes it away first. */
async function whileUnfinished<T>(part: string, run: () => Promise<T>): Promise<T> {
  const signals = { SIGINT: 130, SIGTERM: 143, SIGHUP: 129 } as const;
  const ends = Object.entries(signals).map(([signal, code]) => {
    const end = (): void => {
      rmSync(part, { force: true });
      process.exit(code);
    };
    process.on(signal, end);
    return () => process.removeListener(signal, end);
  });
  try {
    return await run();
  } finally {
    ends.forEach((forget) => forget());
  }
}

/**
 * Lets `fill` write into a place beside the file and puts it there when that went well; nothing is left otherwise.
 * Faults: those of `fill` and of `placeOf`.
 */
export async function writeThrough<T>(
  file: string,
  fill: (sink: WritableStream<Uint8Array>) => Promise<Result<T>>,
): Promise<Result<T>> {
  const place = placeOf(file);
  if (!place.ok) return place;
  let made: { part: string; descriptor: number };
  try {
    made = beside(place.value);
  } catch {
    return fail('file-unwritable', { file });
  }
  const { part, descriptor } = made;
  return whileUnfinished(part, async () => {
    const stream = createWriteStream(part, { fd: descriptor, autoClose: true });
    const closed = once(stream, 'close').catch(() => {});
    try {
      const done = await fill(Writable.toWeb(stream) as WritableStream<Uint8Array>);
      if (!stream.closed) {
        stream.destroy();
        await closed;
      }
      if (done.ok) renameSync(part, place.value);
      else rmSync(part, { force: true });
      return done;
    } catch (error) {
      stream.destroy();
      rmSync(part, { force: true });
      return fail(codeOf(error) === 'ENOSPC' ? 'file-full' : 'file-unwritable', { file });
    }
  });
}

/** Writes several files or none: where one cannot be written, those before it are taken back. */
export function writeAll(files: readonly (readonly [file: string, bytes: Uint8Array | string])[]): Result<void> {
  const done: string[] = [];
  for (const [file, bytes] of files) {
    const written = writeBytes(file, bytes);
    if (!written.ok) {
      for (const one of done) rmSync(one, { force: true });
      return written;
    }
    done.push(file);
  }
  return ok(undefined);
}

export function makeFolder(folder: string): Result<void> {
  try {
    mkdirSync(folder, { recursive: true });
    return ok(undefined);
  } catch {
    return fail('file-unwritable', { file: folder });
  }
}

export function readProject(file: string): Result<Project> {
  const bytes = readBytes(file);
  return bytes.ok ? unpackProject(bytes.value) : bytes;
}

export async function readPicture(file: string): Promise<Result<DecodedImage>> {
  const bytes = readBytes(file);
  return bytes.ok ? decodeImage(bytes.value) : bytes;
}
