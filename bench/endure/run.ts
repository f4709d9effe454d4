import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '@yosomi/node-kit';
import { type Killed, kills } from './kills';
import { type Tried, mutations } from './mutations';
import { killWorkers } from './workers';

/** Jobs that workers do, and how often one of them is killed meanwhile. */
const [JOBS, WORKERS_KILLED] = [500, 50];

const [killCount, mutationCount, seed] = [
  process.argv[2] ?? 300,
  process.argv[3] ?? 10_000,
  process.argv[4] ?? 20_261,
].map(Number) as [number, number, number];

const list = (broken: readonly string[]): string =>
  broken.length === 0
    ? 'Nothing broke.'
    : broken
        .slice(0, 40)
        .map((one) => `- ${one.slice(0, 300)}`)
        .join('\n');

const killTable = (all: readonly Killed[]): string =>
  [
    '| step | kills | changed 1 s before | of these there | changed later | of these there | broken |',
    '| --- | ---: | ---: | ---: | ---: | ---: | ---: |',
    ...all.map(
      (k) => `| ${k.step} | ${k.kills} | ${k.due} | ${k.there} | ${k.late} | ${k.lateThere} | ${k.broken.length} |`,
    ),
  ].join('\n');

const mutationTable = (all: readonly Tried[]): string =>
  [
    '| what | tried | read | refused | slowest | broken |',
    '| --- | ---: | ---: | ---: | ---: | ---: |',
    ...all.map(
      (t) =>
        `| ${t.what} | ${t.tried} | ${t.read} | ${t.tried - t.read - t.broken.length} | ${Math.ceil(t.slowestMs)} ms | ${t.broken.length} |`,
    ),
  ].join('\n');

const codes = (all: readonly Tried[]): string =>
  all
    .map(({ what, codes: found }) => {
      const most = [...found].sort((a, b) => b[1] - a[1]).slice(0, 8);
      return `- ${what}: ${most.map(([code, n]) => `\`${code}\` ${n}`).join(', ')}`;
    })
    .join('\n');

/** The parts of the report by their first words; `only` names one, and the other stays as it was. */
const only = process.argv[5];
const file = join(ROOT, 'docs/endurance.md');
const before = existsSync(file) ? readFileSync(file, 'utf8') : '';
const kept = (mark: string): string => new RegExp(`## \\d+ ${mark}[^]*?(?=\\n## |$)`).exec(before)?.[0].trimEnd() ?? '';

let broken = 0;
async function wounds(): Promise<string> {
  const tried = await mutations(seed, mutationCount);
  broken += tried.reduce((sum, one) => sum + one.broken.length, 0);
  return `## ${mutationCount} mutations each

Bytes changed, cut out, doubled, blanked, ends missing; for title files and store files also values of the JSON inside changed, dropped,
doubled and exchanged. What is refused has a code; what is read must be the same when it is saved and read again (titles, stores), open
again as a new edition and show no script and no request (EPUBs), and have the pixels it says (images). Broken is anything thrown.
Seed ${seed}.

${mutationTable(tried)}

Most frequent refusals:

${codes(tried)}

${list(tried.flatMap((one) => one.broken))}`;
}

async function ends(): Promise<string> {
  const killed = await kills(seed, killCount);
  broken += killed.reduce((sum, one) => sum + one.broken.length, 0);
  return `## ${killed.reduce((sum, one) => sum + one.kills, 0)} kills

One Shelf with the made-up books, in Chromium with a folder of its own. At each step in turn something is written, or the work begun (a
sheet composed, covers measured, files made); up to 2.2 s later the page is ended by a crash, every tenth time the whole browser by a
signal. Then the title is opened anew. Broken is: a title that does not open, a word that something is lost, a change made a second
before the end that is not there, or a value that is neither the old nor the new. Seed ${seed}.

${killTable(killed)}

${list(killed.flatMap((one) => one.broken))}`;
}

async function workersPart(): Promise<string> {
  const { jobs, kills: killed, seconds, made, broken: wrong } = await killWorkers(seed, JOBS, WORKERS_KILLED);
  broken += wrong.length;
  return `## ${killed} workers killed

${jobs} jobs (a cover as a picture of its own width each) in a queue, four programs that do them, on one machine. Every 0.5 to 3.5 s one of the four is ended by
a signal that it cannot hear, and another is begun. In the end the results are compared, byte for byte, with those of one run without a queue.
Broken is a result that is missing, another, or should not be there. Seed ${seed}.

All were there after ${Math.round(seconds)} s. Workers told ${made} times of a job as made: ${made >= jobs ? made - jobs : 0} of them were made twice, since a worker was killed between a result and its word of it; ${Math.max(0, jobs - made)} were made without a word.

${list(wrong)}`;
}

const head = `# Endurance

Written by \`npm run endure\`; not part of \`npm test\`. The same seed wounds the same files in the same way and waits as long before each
kill; what a machine does in that time differs.
`;
const does = (part: string): boolean => only === undefined || only === part;
const woundsPart = does('mutations') ? await wounds() : kept('mutations');
const killsPart = does('kills') ? await ends() : kept('kills');
const workers = does('workers') ? await workersPart() : kept('workers');
writeFileSync(
  file,
  `${[head, killsPart, workers, woundsPart].filter((part) => part !== '').join('\n')}\n`
    .replace(/\n## /g, '\n\n## ')
    .replace(/\n{3,}/g, '\n\n'),
);
console.log(`${broken} broken; written to docs/endurance.md`);
process.exit(broken === 0 ? 0 : 1);
