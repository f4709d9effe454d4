import { existsSync, readFileSync, rmSync, rmdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { type Result, versioned } from '@yosomi/core/base';
import { z } from 'zod';
import { writeBytes } from './files';

/** A place in the folder: two names and a file's, none of which leads out of it. */
const Place = z
  .string()
  .regex(/^[^/\\]+\/[^/\\]+\/[^/\\]+$/)
  .refine((path) => !path.split('/').some((name) => /^\.*$/.test(name)));

/**
 * What lies in a folder of deliveries already, so that a run that broke off goes on: the folder of each title, by its id, and of each
 * file by its path the key of its state and how long it is.
 */
const Done = z.object({
  format: z.literal('yosomi-delivered'),
  schema: z.literal(2),
  titles: z.record(z.string(), z.string()),
  files: z.record(Place, z.object({ key: z.string(), bytes: z.number() })),
});
export type Done = z.infer<typeof Done>;

/** As it is written there. Faults: `delivered-newer`, `delivered-wrong`. */
export const Dones = versioned('delivered', Done, [(old) => ({ ...old, titles: {}, schema: 2 })], {
  newer: 'delivered-newer',
  wrong: 'delivered-wrong',
});
const DONE = 'delivered.json';

/** What is noted in a folder; where that cannot be read, nothing is known, and all is made again. Fault: `delivered-newer`. */
export function readDone(root: string): Result<Done> {
  const empty: Done = { format: 'yosomi-delivered', schema: 2, titles: {}, files: {} };
  try {
    const read = Dones.read(JSON.parse(readFileSync(join(root, DONE), 'utf8')));
    return read.ok || read.fault.code === 'delivered-newer' ? read : { ok: true, value: empty };
  } catch {
    return { ok: true, value: empty };
  }
}

/** Faults: those of `writeBytes`. */
export const writeDone = (root: string, done: Done): Result<void> =>
  writeBytes(join(root, DONE), `${JSON.stringify(done, null, 1)}\n`);

export function isDone(done: Done, root: string, path: string, key: string): boolean {
  const known = done.files[path];
  const file = join(root, path);
  return known?.key === key && existsSync(file) && statSync(file).size === known.bytes;
}

const folderOf = (path: string): string => path.split('/')[0];

/**
 * Files that were made once and that nobody wants any more: those of the titles of this run, and of folders that no title has. `wanted` are
 * the paths that these titles want now; `before` are the folders as they were noted when the run began. Other titles' files stay.
 */
export function leftOver(
  done: Done,
  before: Readonly<Record<string, string>>,
  titles: ReadonlyMap<string, string>,
  wanted: ReadonlySet<string>,
): string[] {
  const theirs = new Set(Object.entries(before).flatMap(([id, folder]) => (titles.has(id) ? [] : [folder])));
  return Object.keys(done.files)
    .filter((path) => !wanted.has(path) && !theirs.has(folderOf(path)))
    .sort();
}

/** Removes files that lie there as they were made; one that somebody changed since stays. Answers those that are gone. */
export function removeLeftOver(root: string, done: Done, paths: readonly string[]): string[] {
  const gone: string[] = [];
  for (const path of paths) {
    const file = join(root, path);
    const there = statSync(file, { throwIfNoEntry: false });
    if (there && (!there.isFile() || there.size !== done.files[path].bytes)) continue;
    if (there) rmSync(file);
    delete done.files[path];
    gone.push(path);
  }
  const folders = new Set(gone.map(folderOf));
  const used = new Set(Object.keys(done.files).map(folderOf));
  for (const folder of folders) {
    if (!used.has(folder)) rmSync(join(root, folder, 'README.txt'), { force: true });
    for (const place of [
      ...new Set(gone.filter((path) => folderOf(path) === folder).map((path) => join(folder, path.split('/')[1]))),
      folder,
    ])
      removeEmpty(join(root, place));
  }
  return gone;
}

/** A folder in which anything lies stays. */
function removeEmpty(folder: string): void {
  try {
    rmdirSync(folder);
  } catch {
    // Somebody's own file lies there.
  }
}
