import { cpus } from 'node:os';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '@yosomi/node-kit';
import { bookletRows } from './booklet';
import { renamingRows } from './renaming';
import { browserRows } from './browser';
import { deliverRows } from './deliver';
import { deskRows } from './desk';
import { engineRows } from './engine';
import { markRows } from './marks';
import { pinRows } from './pin';
import { promoRows } from './promos';
import type { Row } from './rows';
import { shelfRows } from './shelf';
import { sketchRows } from './sketch';
import { threadRows } from './threads';
import { warpRows } from './warp';

const rounds = Number(process.argv[2] ?? 5);
/** A section by its short name; all where none is given. The others stay in the file as they were. */
const only = process.argv[3];

const table = (rows: readonly Row[]): string =>
  [
    '| what | median | unit |',
    '| --- | ---: | --- |',
    ...rows.map((r) => `| ${r.what} | ${r.value >= 100 ? Math.round(r.value) : r.value.toPrecision(3)} | ${r.unit} |`),
  ].join('\n');

type Section = { readonly name: string; readonly title: string; readonly text: string; rows(): Row[] | Promise<Row[]> };

const WARP = `A picture of 1600 x 2560 into a frame of 2400 x 3000 pixels, one thread. PSNR and SSIM are to 8 x 8 bicubic samples a pixel in linear
light, on tiles all over the inside.

`;
const SECTIONS: readonly Section[] = [
  { name: 'app', title: 'The app, in headless Chromium', text: '', rows: () => browserRows(rounds) },
  { name: 'sketch', title: 'The sketch sheet', text: '', rows: () => sketchRows(rounds) },
  { name: 'desk', title: 'The picture desk, in headless Chromium', text: '', rows: () => deskRows(rounds) },
  {
    name: 'shelf',
    title: 'A long Shelf, in headless Chromium',
    text: 'Titles are the demo books in other words. The whole Shelf is looked through by a worker meanwhile.',
    rows: () => shelfRows(rounds),
  },
  { name: 'promos', title: 'Promos, in headless Chromium', text: '', rows: () => promoRows(rounds) },
  { name: 'engine', title: 'The engine, in Node on one thread', text: '', rows: () => engineRows(rounds) },
  { name: 'pin', title: 'A cover on a photograph, in Node on one thread', text: '', rows: () => pinRows(rounds) },
  { name: 'files', title: 'Files for stores, in Node', text: '', rows: () => deliverRows(rounds) },
  { name: 'threads', title: 'Many titles, by the command line', text: '', rows: () => threadRows(rounds) },
  { name: 'booklet', title: 'Booklets, in Node on one thread', text: '', rows: () => bookletRows(rounds) },
  {
    name: 'renaming',
    title: 'Books under a new name, in Node on one thread',
    text: '',
    rows: () => renamingRows(rounds),
  },
  {
    name: 'marks',
    title: 'Ten made-up marks traced, beside a general tracer',
    text: 'Marks of 400 pixels, both tracings painted at 1600 and held against the mark itself.\n\n',
    rows: () => markRows(rounds),
  },
  {
    name: 'warp',
    title: 'One steep view of a picture, against general tools',
    text: WARP,
    rows: () => warpRows(rounds),
  },
];

const file = join(ROOT, 'docs/bench.md');
const before = existsSync(file) ? readFileSync(file, 'utf8').split(/^## /m).slice(1) : [];
const parts: string[] = [];
for (const { name, title, text, rows } of SECTIONS) {
  const kept = before.find((part) => part.startsWith(`${title}\n`));
  if (only !== undefined && only !== name && kept !== undefined) {
    parts.push(`## ${kept.trimEnd()}\n`);
    continue;
  }
  const made = `Made by \`npm run bench\`, ${rounds} ${rounds === 1 ? 'round' : 'rounds'}, ${new Date().toISOString().slice(0, 10)}.`;
  parts.push(
    `## ${title}\n\n${made} ${text}\n\n${table(await rows())}\n`.replace(/\n{3,}/g, '\n\n').replace(/ +\n/g, '\n'),
  );
}
const machine = `${cpus()[0].model}, ${cpus().length} cores, Node ${process.versions.node}`;
const whole = `# Speed

Medians, on ${machine}. \`npm run bench -- ROUNDS\` makes all sections, \`npm run bench -- ROUNDS ${SECTIONS.map((s) => s.name).join('|')}\` one.
The machine is shared: ratios within one section say more than times.

${parts.join('\n')}`;
writeFileSync(file, whole);
console.log(whole);
