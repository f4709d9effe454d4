import { existsSync, lstatSync, readFileSync, rmSync, rmdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { type Result, hashBytes, versioned } from '@yosomi/core/base';
import { z } from 'zod';
import { writeBytes } from './files';

/** A place in the folder: two names and a file's, none of which leads out of it. */
const Place = z
  .string()
  .regex(/^[^/\\]+\/[^/\\]+\/[^/\\]+$/)
  .refine((path) => !path.split('/').some((name) => /^\.*$/.test(name)));

/**
 * What lies in a folder of deliveries already, so that a run that broke off goes on: the folders that each title has had, by its id, the
 * present one last; and of each file by its path the key of its state, how long it is and its hash ('' where an older release made it).
 */
const Done = z.object({
  format: z.literal('yosomi-delivered'),
  schema: z.literal(2),
  titles: z.record(z.string(), z.array(z.string()).min(1)),
  files: z.record(Place, z.object({ key: z.string(), bytes: z.number(), hash: z.string().default('') })),
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

const sorted = <T>(record: Readonly<Record<string, T>>): Record<string, T> =>
  Object.fromEntries(Object.entries(record).sort(([a], [b]) => (a < b ? -1 : 1)));

/** In one order, whatever was made first. Faults: those of `writeBytes`. */
export const writeDone = (root: string, done: Done): Result<void> => {
  const told = { ...done, titles: sorted(done.titles), files: sorted(done.files) };
  return writeBytes(join(root, DONE), `${JSON.stringify(told, null, 1)}\n`);
};

export function isDone(done: Done, root: string, path: string, key: string): boolean {
  const known = done.files[path];
  const file = join(root, path);
  return known?.key === key && existsSync(file) && statSync(file).size === known.bytes;
}

const folderOf = (path: string): string => path.split('/')[0];

/** The folder that each title has now. */
export const foldersOf = (done: Done): Record<string, string> =>
  Object.fromEntries(Object.entries(done.titles).map(([id, folders]) => [id, folders[folders.length - 1]]));

/** Notes the folder that a title has from now on. */
export function moveTitle(done: Done, id: string, folder: string): void {
  done.titles[id] = [...(done.titles[id] ?? []).filter((one) => one !== folder), folder];
}

/**
 * Files of the titles of this run that were made once and that they do not want any more, in folders that they have or had. `titles` are
 * the run's, `wanted` the paths that they want now. What lies in another title's folder, or in one that nobody is known to have, stays.
 */
export function leftOver(done: Done, titles: ReadonlySet<string>, wanted: ReadonlySet<string>): string[] {
  const own = new Set(Object.entries(done.titles).flatMap(([id, folders]) => (titles.has(id) ? folders : [])));
  const others = new Set(Object.entries(foldersOf(done)).flatMap(([id, folder]) => (titles.has(id) ? [] : [folder])));
  return Object.keys(done.files)
    .filter((path) => !wanted.has(path) && own.has(folderOf(path)) && !others.has(folderOf(path)))
    .sort();
}

/** Removes files that lie there byte for byte as they were made; others stay. Answers those that are gone. */
export function removeLeftOver(root: string, done: Done, paths: readonly string[]): string[] {
  const gone: string[] = [];
  for (const path of paths) {
    const file = join(root, path);
    const there = lstatSync(file, { throwIfNoEntry: false });
    const { bytes, hash } = done.files[path];
    if (there) {
      if (!there.isFile() || there.size !== bytes || hashBytes(readFileSync(file)) !== hash) continue;
      rmSync(file);
    }
    delete done.files[path];
    gone.push(path);
  }
  const used = new Set(Object.keys(done.files).map(folderOf));
  for (const folder of new Set(gone.map(folderOf))) {
    if (!used.has(folder)) rmSync(join(root, folder, 'README.txt'), { force: true });
    const within = gone.filter((path) => folderOf(path) === folder).map((path) => join(folder, path.split('/')[1]));
    for (const place of [...new Set(within), folder]) removeEmpty(join(root, place));
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
