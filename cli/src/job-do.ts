import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { hostname } from 'node:os';
import { join, relative, resolve } from 'node:path';
import { type Result, fail, ok } from '@yosomi/core/base';
import { z } from 'zod';
import { runWith } from './command-line';
import { COMMANDS } from './commands';
import { makeFolder, writeBytes } from './files';
import { GOES_ON, type Job } from './job-file';
import { type Input, isAsBefore } from './job-inputs';
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
  files: z.array(z.object({ path: z.string(), bytes: z.number() })),
});

/** Whether the results of a job lie there whole, made from what it is made from now. */
export function isMade(root: string, { name }: Job, key: string): boolean {
  const folder = join(root, name);
  try {
    const note = Note.safeParse(JSON.parse(readFileSync(join(folder, NOTE), 'utf8')));
    return (
      note.success &&
      note.data.key === key &&
      note.data.files.every(({ path, bytes }) => statSync(join(folder, path)).size === bytes)
    );
  } catch {
    return false;
  }
}

/** Whether results of a job lie in a folder. */
export const isJobFolder = (root: string, name: string): boolean => existsSync(join(root, name, NOTE));

const filesIn = (folder: string): { path: string; bytes: number }[] =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && entry.name !== NOTE)
    .map((entry) => join(entry.parentPath, entry.name))
    .map((file) => ({ path: relative(folder, file), bytes: statSync(file).size }))
    .sort((a, b) => (a.path < b.path ? -1 : 1));

const noteIn = (folder: string, key: string): Result<void> =>
  writeBytes(
    join(folder, NOTE),
    `${JSON.stringify({ format: 'yosomi-job', schema: 1, key, files: filesIn(folder) }, null, 1)}\n`,
  );

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
    const outcome = await runWith(command, lineOf(task, part), () => {});
    if (!outcome.ok) return outcome;
    if (!outcome.value.passed) return fail('job-unpassed', { text: outcome.value.print.slice(0, 200) });
    if (!isAsBefore(inputs)) return fail('job-moved');
    const noted = noteIn(part, key);
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
