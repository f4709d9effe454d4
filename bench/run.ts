import { cpus } from 'node:os';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '@yosomi/node-kit';
import { browserRows } from './browser';
import { deliverRows } from './deliver';
import { engineRows } from './engine';
import { pinRows } from './pin';
import type { Row } from './rows';
import { warpRows } from './warp';

const rounds = Number(process.argv[2] ?? 5);
const table = (rows: readonly Row[]): string =>
  [
    '| what | median | unit |',
    '| --- | ---: | --- |',
    ...rows.map((r) => `| ${r.what} | ${r.value >= 100 ? Math.round(r.value) : r.value.toPrecision(3)} | ${r.unit} |`),
  ].join('\n');

const engine = await engineRows(rounds);
const warp = await warpRows(rounds);
const pin = pinRows(rounds);
const deliver = await deliverRows(rounds);
const browser = await browserRows(rounds);
const machine = `${cpus()[0].model}, ${cpus().length} cores, Node ${process.versions.node}`;
const text = `# Speed

Made by \`npm run bench\` (${rounds} rounds, medians) on ${machine}, ${new Date().toISOString().slice(0, 10)}.
The machine is shared: ratios within one run say more than times.

## The app, in headless Chromium

${table(browser)}

## The engine, in Node on one thread

${table(engine)}

## A cover on a photograph, in Node on one thread

${table(pin)}

## Files for stores, in Node

${table(deliver)}

## One steep view of a picture, against general tools

A picture of 1600 x 2560 into a frame of 2400 x 3000 pixels, one thread. PSNR and SSIM are to 8 x 8 bicubic samples a pixel in linear
light, on tiles all over the inside.

${table(warp)}
`;
writeFileSync(join(ROOT, 'docs/bench.md'), text);
console.log(text);
