import { basename, extname } from 'node:path';
import { type Fault, type Result, fail, fault, ok, versioned } from '@yosomi/core/base';
import { readCsv, textOfTable } from '@yosomi/core/csv';
import { z } from 'zod';
import type { Command } from './command';

/** What is to be made: a command with what it is made from. It is plain data, the same on any machine that sees the files. */
export type Job = {
  /** The folder of its results, within that of the run. */
  readonly name: string;
  readonly command: string;
  /** What stands after the command: files, as the job file names them. */
  readonly of: readonly string[];
  readonly options: Readonly<Record<string, string>>;
  readonly switches: readonly string[];
  /** What the files are called that it writes, by the option that names each; none where the command fills a folder. */
  readonly saves: Readonly<Record<string, string>>;
  /** Those of 0 are done first, then those of 1, and so on. */
  readonly priority: number;
};

/** One line of a job file: a job, or why it is none. */
export type JobLine = { readonly name: string } & (
  { readonly job: Job; readonly fault: null } | { readonly job: null; readonly fault: Fault }
);

const MOST_JOBS = 100_000;
const MOST_PRIORITY = 1000;
const Text = z.string().min(1).max(4000);

const JobFile = z.object({
  schema: z.literal(1),
  jobs: z
    .array(
      z.object({
        name: z.string().max(120).optional(),
        do: z.string().max(60),
        of: z.array(Text).max(1000).default([]),
        with: z.record(z.string().max(40), z.union([z.string().max(4000), z.number(), z.boolean()])).default({}),
        save: z.string().max(200).optional(),
        priority: z.number().int().min(0).max(MOST_PRIORITY).default(0),
      }),
    )
    .max(MOST_JOBS),
});
type Asked = z.infer<typeof JobFile>['jobs'][number];

/** As it is written. Faults: `jobs-newer`, `jobs-wrong` (`where`). */
const JobFiles = versioned('jobs', JobFile, [], { newer: 'jobs-newer', wrong: 'jobs-wrong', unnumbered: 1 });

/** Commands that go on from what lies in their folder, and note it themselves. */
export const GOES_ON: ReadonlySet<string> = new Set(['deliver']);
/** Commands that change titles, or make the demo: nothing that is made from a title. */
const NO_JOBS: ReadonlySet<string> = new Set(['titles', 'demo']);

const isFolderName = (name: string): boolean =>
  name === name.trim() && /^[^\p{Cc}/\\:*?"<>|]+$/u.test(name) && !name.startsWith('.') && !name.endsWith('.');

const ON: ReadonlySet<string> = new Set(['true', 'yes', 'x', '1', 'on']);
const OFF: ReadonlySet<string> = new Set(['false', 'no', '0', 'off']);

const sorted = (some: Readonly<Record<string, string>>): Record<string, string> =>
  Object.fromEntries(Object.entries(some).sort(([a], [b]) => (a < b ? -1 : 1)));

function jobOf(asked: Asked, name: string, commands: readonly Command[]): Result<Job> {
  const command = commands.find((one) => one.name === asked.do);
  if (!command || NO_JOBS.has(command.name) || !command.flags.includes('out'))
    return fail('job-command', { name: asked.do.slice(0, 60) });
  const { priority } = asked;
  if (!Number.isInteger(priority) || priority < 0 || priority > MOST_PRIORITY)
    return fail('job-priority', { most: MOST_PRIORITY });
  if (!isFolderName(name)) return fail('job-name', { name: name.slice(0, 80) });
  const writes = command.writes ?? {};
  if (asked.save === undefined && 'out' in writes) return fail('job-save', { command: command.name });
  if (asked.save !== undefined && !('out' in writes)) return fail('job-folder', { command: command.name });
  const options: Record<string, string> = {};
  const saves: Record<string, string> = asked.save === undefined ? {} : { out: asked.save };
  const switches: string[] = [];
  for (const [given, value] of Object.entries(asked.with)) {
    const flag = given.replace(/^--/, '');
    const text = String(value);
    if (command.switches.includes(flag)) {
      if (ON.has(text.toLowerCase())) switches.push(flag);
      else if (!OFF.has(text.toLowerCase())) return fail('job-switch', { flag, found: text.slice(0, 40) });
    } else if (flag === 'out' || !command.flags.includes(flag)) return fail('flag-unknown', { flag: `--${flag}` });
    else if (flag in writes) saves[flag] = text;
    else options[flag] = text;
  }
  const wrong = Object.values(saves).find((one) => !isFolderName(one));
  if (wrong !== undefined) return fail('job-name', { name: wrong.slice(0, 80) });
  return ok({
    name,
    command: command.name,
    of: asked.of,
    options: sorted(options),
    switches: switches.sort(),
    saves: sorted(saves),
    priority,
  });
}

/** "moss-cover-save" */
const usualName = ({ do: command, of }: Asked): string =>
  `${of.length > 0 ? `${basename(of[0], extname(of[0]))}-` : ''}${command.replaceAll(' ', '-')}`;

/** Jobs of a table: `name`, `do`, `of` (several with semicolons), `save`, and any other column an option. */
function fromTable(bytes: Uint8Array): Result<Asked[]> {
  const text = textOfTable(bytes);
  if (!text.ok) return text;
  const table = readCsv(text.value, MOST_JOBS);
  if (!table.ok) return table;
  const head = table.value.head.map((name) => name.trim().toLowerCase());
  if (!head.includes('do')) return fail('jobs-column', { names: head.join(', ').slice(0, 80) });
  return ok(
    table.value.rows.map((row) => {
      const cells = head.flatMap((name, i) => (row[i]?.trim() ? [[name, row[i].trim()] as const] : []));
      const { name, do: command = '', of = '', save, priority = '0', ...options } = Object.fromEntries(cells);
      const files = of.split(';').flatMap((file) => (file.trim() === '' ? [] : [file.trim()]));
      return { name, do: command, of: files, with: options, save, priority: Number(priority) };
    }),
  );
}

/** The jobs of a file, JSON or CSV, line by line: one that is wrong stops none. Faults: `jobs-not`, `jobs-newer`, `jobs-wrong`, `jobs-column`, those of tables. */
export function readJobs(file: string, bytes: Uint8Array, commands: readonly Command[]): Result<JobLine[]> {
  const asked = extname(file).toLowerCase() === '.json' ? fromJson(bytes) : fromTable(bytes);
  if (!asked.ok) return asked;
  const taken = new Set<string>();
  return ok(
    asked.value.map((one): JobLine => {
      const name = (one.name ?? '').trim() || usualName(one);
      const job = jobOf(one, name, commands);
      if (!job.ok) return { name, job: null, fault: job.fault };
      // Folders that differ only in case are one on some disks.
      if (taken.has(name.toLowerCase())) return { name, job: null, fault: fault('job-twice', { name }) };
      taken.add(name.toLowerCase());
      return { name, job: job.value, fault: null };
    }),
  );
}

function fromJson(bytes: Uint8Array): Result<Asked[]> {
  try {
    const read = JobFiles.read(JSON.parse(new TextDecoder().decode(bytes)));
    return read.ok ? ok(read.value.jobs) : read;
  } catch {
    return fail('jobs-not');
  }
}
