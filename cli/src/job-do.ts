import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { hostname } from 'node:os';
import { join, relative, resolve, sep } from 'node:path';
import { type Result, fail, ok } from '@yosomi/core/base';
import { z } from 'zod';
import { runWith } from './command-line';
import { COMMANDS } from './commands';
import { hearReads, makeFolder, writeBytes } from './files';
import { GOES_ON, type Job } from './job-file';
import { type Input, type Inputs, hashOfFile, inputsOf, isAsBefore } from './job-inputs';
import { lives } from './lock';

/** A job with all that any thread, or any machine that sees the folders, needs to do it. */
export type JobTask = {
  readonly job: Job;
  readonly key: string;
  readonly inputs: readonly Input[];
  /** The folders from which its files are named, and in which its results come to lie. */
  readonly base: string;
  readonly root: string;
};

const NOTE = '.yosomi-job.json';
/** What lies so in the folder of a run is unfinished, and whose it is. */
const PART = '.yosomi-part-';
const partOf = (): string => `${PART}${process.pid}-${randomBytes(6).toString('hex')}-${hostname()}`;

/** Removes what a program was at when it was ended. */
export function removeParts(root: string): void {
  for (const name of readdirSync(root)) {
    const [, pid, host] = /^\.yosomi-part-(\d+)-[0-9a-f]+-(.*?)(?:-old)?$/.exec(name) ?? [];
    if (pid && host && !lives(pid, host)) rmSync(join(root, name), { recursive: true, force: true });
  }
}

const Note = z.object({
  format: z.literal('yosomi-job'),
  schema: z.literal(1),
  key: z.string(),
  /** What else was read while it was made, from the folder of the job file; null where it was not there. */
  also: z.array(z.object({ path: z.string(), hash: z.string().nullable() })),
  files: z.array(z.object({ path: z.string(), bytes: z.number(), hash: z.string() })),
});

/**
 * Whether the results of a job lie there whole, made from what it is made from now. A result that was written after the note of it is looked at byte by
 * byte.
 */
export function isMade(root: string, { name }: Job, key: string, inputs: Inputs): boolean {
  const folder = join(root, name);
  try {
    const noted = join(folder, NOTE);
    const note = Note.safeParse(JSON.parse(readFileSync(noted, 'utf8')));
    if (!note.success || note.data.key !== key) return false;
    const { ctimeMs } = statSync(noted);
    const whole = note.data.files.every(({ path, bytes, hash }) => {
      const file = join(folder, path);
      const there = statSync(file);
      return there.size === bytes && (there.ctimeMs <= ctimeMs || hashOfFile(file) === hash);
    });
    return whole && note.data.also.every(({ path, hash }) => inputs.hashAt(path) === hash);
  } catch {
    return false;
  }
}

/** Whether results of a job lie in a folder. */
export const isJobFolder = (root: string, name: string): boolean => existsSync(join(root, name, NOTE));

const filesIn = (folder: string): z.infer<typeof Note>['files'] =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && entry.name !== NOTE)
    .map((entry) => join(entry.parentPath, entry.name))
    .map((file) => ({ path: relative(folder, file), bytes: statSync(file).size, hash: hashOfFile(file) }))
    .sort((a, b) => (a.path < b.path ? -1 : 1));

const noteIn = (folder: string, key: string, also: z.infer<typeof Note>['also']): Result<void> =>
  writeBytes(
    join(folder, NOTE),
    `${JSON.stringify({ format: 'yosomi-job', schema: 1, key, also, files: filesIn(folder) }, null, 1)}\n`,
  );

/** What was read beside what a job names: results are none of that. */
function alsoRead({ inputs, base, root }: JobTask, reads: readonly string[]): z.infer<typeof Note>['also'] {
  const named = new Set(inputs.map(({ path }) => path));
  const known = inputsOf(base, root);
  return reads
    .filter((path) => !named.has(path) && !path.startsWith(`${root}${sep}`))
    .map((path) => ({ path: relative(base, path), hash: known.hashAt(path) }));
}

/** The command line of a job that writes into a folder: its files by their whole paths. */
function lineOf({ job, base, inputs }: JobTask, folder: string): string[] {
  const known = new Set(inputs.map(({ path }) => path));
  const whole = (text: string): string => {
    const path = resolve(base, text);
    return known.has(path) ? path : text;
  };
  return [
    ...Object.entries(job.options).map(([name, value]) => `--${name}=${whole(value)}`),
    ...job.switches.map((name) => `--${name}`),
    // A job has a thread of its own already.
    ...(GOES_ON.has(job.command) && !('threads' in job.options) ? ['--threads=1'] : []),
    ...Object.entries({ ...('out' in job.saves ? {} : { out: '' }), ...job.saves }).map(
      ([name, file]) => `--${name}=${join(folder, file)}`,
    ),
    '--',
    ...job.of.map(whole),
  ];
}

/** Puts a finished folder in the place of the one that is there. */
function exchange(part: string, place: string): void {
  const old = `${part}-old`;
  try {
    renameSync(place, old);
  } catch {
    // Nothing was there.
  }
  renameSync(part, place);
  rmSync(old, { recursive: true, force: true });
}

/**
 * Does a job: its results come to lie in their folder all at once, with a note of what they are made from, or not at all. A command that goes on from what
 * lies there works in its folder. Faults: those of the command, `job-unpassed` (`text`), `job-moved` where a file was written meanwhile, `file-unwritable`.
 */
export async function doJob(task: JobTask): Promise<Result<void>> {
  const { job, key, inputs, root } = task;
  const command = COMMANDS.find(({ name }) => name === job.command);
  if (!command) return fail('job-command', { name: job.command });
  const place = join(root, job.name);
  const goesOn = GOES_ON.has(job.command);
  const part = goesOn ? place : join(root, partOf());
  const made = makeFolder(part);
  if (!made.ok) return made;
  let whole = false;
  try {
    const { value: outcome, reads } = await hearReads(() => runWith(command, lineOf(task, part), () => {}));
    if (!outcome.ok) return outcome;
    if (!outcome.value.passed) return fail('job-unpassed', { text: outcome.value.print.slice(0, 200) });
    if (!isAsBefore(inputs)) return fail('job-moved');
    const noted = noteIn(part, key, alsoRead(task, reads));
    if (!noted.ok) return noted;
    if (!goesOn) exchange(part, place);
    whole = true;
    return ok(undefined);
  } catch (error) {
    const full = (error as NodeJS.ErrnoException | null)?.code === 'ENOSPC';
    return fail(full ? 'file-full' : 'work-broken', { file: place });
  } finally {
    if (!whole && !goesOn) rmSync(part, { recursive: true, force: true });
  }
}
