import { once } from 'node:events';
import { createWriteStream, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { Writable } from 'node:stream';
import { type Result, fail, ok } from '@yosomi/core/base';
import { type Project, unpackProject } from '@yosomi/core/project';
import { type DecodedImage, decodeImage } from '@yosomi/node-kit';

/** Faults: `file-unreadable`. */
export function readBytes(file: string): Result<Uint8Array<ArrayBuffer>> {
  try {
    return ok(new Uint8Array(readFileSync(file)));
  } catch {
    return fail('file-unreadable', { file });
  }
}

/** Writes beside the place first, so that a failure leaves nothing half-written. Faults: `file-unwritable`. */
export function writeBytes(file: string, bytes: Uint8Array | string): Result<void> {
  const part = `${file}.part`;
  try {
    writeFileSync(part, bytes);
    renameSync(part, file);
    return ok(undefined);
  } catch {
    rmSync(part, { force: true });
    return fail('file-unwritable', { file });
  }
}

/**
 * Lets `fill` write into a place beside the file and puts it there when that went well; nothing is left otherwise.
 * Faults: those of `fill`, `file-unwritable`.
 */
export async function writeThrough<T>(file: string, fill: (sink: WritableStream<Uint8Array>) => Promise<Result<T>>): Promise<Result<T>> {
  const part = `${file}.part`;
  try {
    const stream = createWriteStream(part);
    await once(stream, 'open');
    const done = await fill(Writable.toWeb(stream) as WritableStream<Uint8Array>);
    if (done.ok) renameSync(part, file);
    else {
      stream.destroy();
      rmSync(part, { force: true });
    }
    return done;
  } catch {
    rmSync(part, { force: true });
    return fail('file-unwritable', { file });
  }
} // prettier-ignore

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
