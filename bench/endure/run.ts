import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '@yosomi/node-kit';
import { type Killed, kills } from './kills';
import { type Tried, mutations } from './mutations';

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

const head = `# Endurance

Written by \`npm run endure\`; not part of \`npm test\`. The same seed wounds the same files in the same way and waits as long before each
kill; what a machine does in that time differs.
`;
const woundsPart = only === 'kills' ? kept('mutations') : await wounds();
const killsPart = only === 'mutations' ? kept('kills') : await ends();
writeFileSync(
  file,
  `${[head, killsPart, woundsPart].filter((part) => part !== '').join('\n')}\n`
    .replace(/\n## /g, '\n\n## ')
    .replace(/\n{3,}/g, '\n\n'),
);
console.log(`${broken} broken; written to docs/endurance.md`);
process.exit(broken === 0 ? 0 : 1);
