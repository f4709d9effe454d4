import { readdirSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { type Fault, type Result, ok } from '@yosomi/core/base';
import { tableText } from '@yosomi/core/csv';
import { type Command, type Outcome, flag, wholeFlag, word } from './command';
import { COMMANDS } from './commands';
import { makeFolder, readBytes, writeBytes } from './files';
import { MOST_THREADS, usualThreads } from './hands';
import { type JobTask, isJobFolder, isMade, removeParts } from './job-do';
import { type JobLine, readJobs } from './job-file';
import { type JobHands, jobHands } from './job-hands';
import { inputsOf } from './job-inputs';
import { alone } from './lock';
import { sentence } from './sentences';

const REPORT = 'report.csv';
/** As many jobs lie in the queue at once. */
const MOST_QUEUED = 2000;

/** What became of a line of the file. */
type Became =
  | { readonly kind: 'made'; readonly seconds: number }
  | { readonly kind: 'kept' }
  | { readonly kind: 'failed'; readonly fault: Fault; readonly seconds: number }
  | { readonly kind: 'left' };

/** Folders of jobs that are in the file no more: they stay, and are told of. */
const leftOver = (root: string, lines: readonly JobLine[]): string[] => {
  const wanted = new Set(lines.map(({ name }) => name));
  return readdirSync(root)
    .filter((name) => !wanted.has(name) && isJobFolder(root, name))
    .sort();
};

function reportOf(lines: readonly JobLine[], became: readonly Became[]): string {
  return tableText(
    ['name', 'do', 'result', 'seconds', 'reason'],
    lines.map(({ name, job }, i) => {
      const one = became[i];
      const seconds = 'seconds' in one ? one.seconds.toFixed(1) : '';
      const why = one.kind === 'failed' ? sentence(one.fault) : one.kind === 'left' ? 'Stopped before it.' : '';
      return [name, job?.command ?? '', one.kind === 'left' ? 'not done' : one.kind, seconds, why];
    }),
  );
}

/** Does what lacks of the lines, so many at once. */
async function doLines(
  lines: readonly JobLine[],
  base: string,
  root: string,
  by: JobHands,
  atOnce: number,
  say: (line: string) => void,
): Promise<{ became: Became[]; stopped: boolean }> {
  const inputs = inputsOf(base, root);
  const became: Became[] = lines.map(() => ({ kind: 'left' }));
  const waiting: { readonly at: number; readonly task: JobTask }[] = [];
  const told = (at: number, now: Became): void => {
    became[at] = now;
    if (now.kind === 'made') say(`${lines[at].name}: made in ${now.seconds.toFixed(1)} s`);
    if (now.kind === 'failed') say(`${lines[at].name}: ${sentence(now.fault)}`);
  };
  for (const [at, line] of lines.entries()) {
    const keyed = line.job ? inputs.keyOf(line.job) : { ok: false as const, fault: line.fault };
    if (!keyed.ok) told(at, { kind: 'failed', fault: keyed.fault, seconds: 0 });
    else if (isMade(root, line.job!, keyed.value.key, inputs)) told(at, { kind: 'kept' });
    else waiting.push({ at, task: { job: line.job!, ...keyed.value, base, root } });
  }
  inputs.note();
  waiting.sort((a, b) => a.task.job.priority - b.task.job.priority || a.at - b.at);
  const at = { stopped: false };
  const stop = (): void => {
    at.stopped = true;
    by.stop();
  };
  process.once('SIGINT', stop);
  const lane = async (): Promise<void> => {
    for (let next = waiting.shift(); next && !at.stopped; next = waiting.shift()) {
      const began = performance.now();
      const done = await by.do(next.task);
      const seconds = (performance.now() - began) / 1000;
      if (!done.ok && done.fault.code === 'work-stopped') continue;
      told(next.at, done.ok ? { kind: 'made', seconds } : { kind: 'failed', fault: done.fault, seconds });
    }
  };
  try {
    await Promise.all(Array.from({ length: atOnce }, lane));
  } finally {
    process.removeListener('SIGINT', stop);
  }
  return { became, stopped: at.stopped };
}

export const jobs: Command = {
  name: 'run',
  usage:
    'run JOBS.json|JOBS.csv --out DIR [--threads N | --queue redis://HOST]   (many of the other commands, side by side; see docs/jobs.md)',
  flags: ['out', 'threads', 'queue'],
  switches: [],
  async run(args, say): Promise<Result<Outcome>> {
    const [file, out] = [word(args, 0, 'file of jobs'), flag(args, 'out')];
    if (!file.ok) return file;
    if (!out.ok) return out;
    const threads = wholeFlag(args, 'threads', 1, MOST_THREADS, usualThreads());
    if (!threads.ok) return threads;
    const bytes = readBytes(file.value);
    if (!bytes.ok) return bytes;
    const lines = readJobs(file.value, bytes.value, COMMANDS);
    if (!lines.ok) return lines;
    const root = resolve(out.value);
    const folder = makeFolder(root);
    if (!folder.ok) return folder;
    const url = args.flags.get('queue');
    // The engine of the queue is read only where one is used.
    const by = url === undefined ? ok(jobHands(threads.value)) : await (await import('./queue-hands')).queueHands(url);
    if (!by.ok) return by;
    const atOnce = url === undefined ? threads.value : MOST_QUEUED;
    const all = await alone(root, async () => {
      removeParts(root);
      const { became, stopped } = await doLines(lines.value, resolve(dirname(file.value)), root, by.value, atOnce, say);
      const told = writeBytes(join(root, REPORT), reportOf(lines.value, became));
      if (!told.ok) return told;
      const left = leftOver(root, lines.value);
      for (const name of left) say(`left over: ${name}`);
      const count = (kind: Became['kind']): number => became.filter((one) => one.kind === kind).length;
      const more = [
        ...(count('left') > 0 ? [`${count('left')} not done`] : []),
        ...(left.length > 0 ? [`${left.length} left over`] : []),
        ...(stopped ? ['stopped'] : []),
      ];
      const print = [`${count('made')} made, ${count('kept')} up to date, ${count('failed')} failed`, ...more].join(
        ', ',
      );
      return ok({ print, passed: count('failed') === 0 && count('left') === 0 });
    });
    await by.value.close();
    return all;
  },
};
