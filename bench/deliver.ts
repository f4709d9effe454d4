import { spawnSync } from 'node:child_process';
import { mkdtempSync, openAsBlob, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { newEdition } from '@yosomi/core/ebook';
import { readImage } from '@yosomi/core/image-file';
import { flatten } from '@yosomi/core/pixels';
import { coverRaster, encodeWithin, pngSmall, storeImage } from '@yosomi/core/recipe';
import { PROFILES } from '@yosomi/core/stores';
import { NodeStudio, ROOT, demoProjects } from '@yosomi/node-kit';
import { strToU8, unzipSync, zipSync } from 'fflate';
import sharp from 'sharp';
import { bookFile, plainPlan } from '../tests/fixtures/epubs';
import { fileOf, picturePixels } from '../tests/fixtures/pictures';
import { type Row, median } from './rows';

const MB = 1024 * 1024;

async function wall(run: () => Promise<unknown>): Promise<number> {
  const from = performance.now();
  await run();
  return performance.now() - from;
}

/** An ebook of 200 MB: pictures that no zip makes smaller, and a thousand pages. */
function largeBook(image: Uint8Array<ArrayBuffer>): Uint8Array {
  const files = unzipSync(bookFile(plainPlan(image)));
  const { mimetype, ...rest } = files;
  const noise = new Uint8Array(2 * MB);
  for (let i = 0, v = 1; i < noise.length; i++) noise[i] = v = (v * 16_807) % 2_147_483_647;
  const more: Record<string, [Uint8Array, { level: 0 | 6 }]> = {};
  for (let i = 0; i < 98; i++) more[`EPUB/images/plate-${i}.jpg`] = [noise, { level: 0 }];
  const page = strToU8(
    `<html xmlns="http://www.w3.org/1999/xhtml"><head><title>x</title></head><body>${'<p>It rained.</p>'.repeat(400)}</body></html>`,
  );
  for (let i = 0; i < 1000; i++) more[`EPUB/page-${i}.xhtml`] = [page, { level: 6 }];
  return zipSync({ mimetype: [mimetype, { level: 0 }], ...rest, ...more });
}

/** Peak of resident memory of a command, bytes; what a parent had before it does not count. */
function peakOf(args: readonly string[]): number {
  const script = `const { run } = await import(${JSON.stringify(join(ROOT, 'cli/src/run.ts'))}); await run(${JSON.stringify(args)}, { out() {}, err(t) { console.error(t) } }); console.log(/VmHWM:\\s*(\\d+)/.exec((await import('node:fs')).readFileSync('/proc/self/status', 'utf8'))[1])`;
  const done = spawnSync(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', script], {
    cwd: ROOT,
    encoding: 'utf8',
  });
  return Number(done.stdout.trim().split('\n').at(-1)) * 1024;
}

/** Figures of delivering, in Node, beside general tools doing the same. */
export async function deliverRows(rounds: number): Promise<Row[]> {
  const [, { book, files }] = await demoProjects();
  const studio = new NodeStudio(files);
  const cover = await coverRaster(book, 1600, studio);
  const folder = mkdtempSync(join(tmpdir(), 'bench-'));
  try {
    const [fit, tight, png, theirs, stores]: number[][] = [[], [], [], [], []];
    let encodes = 0;
    let bytes = [0, 0];
    const raw = { raw: { width: cover.width, height: cover.height, channels: 4 as const } };
    for (let i = 0; i < rounds; i++) {
      fit.push(await wall(() => encodeWithin(cover, 'jpeg', { mostBytes: 2 * MB, ppi: 300 }, studio)));
      tight.push(
        await wall(async () => {
          const made = await encodeWithin(cover, 'jpeg', { mostBytes: 200 * 1024, ppi: 300 }, studio);
          if (made.ok) encodes = made.value.encodes;
        }),
      );
      let ours = 0;
      png.push(await wall(async () => (ours = (await pngSmall(cover, 300, studio)).length)));
      let other = 0;
      theirs.push(
        await wall(
          async () =>
            (other = (
              await sharp(Buffer.from(flatten(cover, [255, 255, 255]).data), raw)
                .removeAlpha()
                .png({ compressionLevel: 6, adaptiveFiltering: true })
                .toBuffer()
            ).length),
        ),
      );
      bytes = [ours, other];
      stores.push(
        await wall(async () => {
          for (const profile of PROFILES) await storeImage(book, profile, studio);
        }),
      );
    }
    const image = await fileOf(picturePixels(60, 80), 'jpeg');
    const large = join(folder, 'large.epub');
    writeFileSync(large, largeBook(image));
    const jpeg = await fileOf(picturePixels(800, 1280), 'jpeg');
    const info = readImage(jpeg);
    if (!info.ok) throw new Error('no cover');
    const [set, again]: number[][] = [[], []];
    for (let i = 0; i < Math.min(2, rounds); i++) {
      const source = (await openAsBlob(large)) as unknown as Blob;
      const edition = { cover: { bytes: jpeg, info: info.value, alt: null }, modified: '2026-11-26T10:00:00Z' };
      set.push(await wall(() => newEdition(source, edition)));
      again.push(await wall(async () => zipSync(unzipSync(new Uint8Array(await source.arrayBuffer())))));
    }
    const front = join(folder, 'front.jpg');
    writeFileSync(front, jpeg);
    const idle = peakOf(['help']);
    const peak = peakOf(['epub', 'set-cover', large, front, '--out', join(folder, 'new.epub')]);
    return [
      { what: 'cover of 1600 x 2560 as JPEG within 2 MB, read back and compared', value: median(fit), unit: 'ms' },
      { what: 'the same within 200 KB: quality searched', value: median(tight), unit: 'ms' },
      { what: 'encodes for that', value: encodes, unit: 'encodes' },
      { what: 'the cover as PNG, made smaller', value: median(png), unit: 'ms' },
      { what: 'the same by sharp (level 6, adaptive filters)', value: median(theirs), unit: 'ms' },
      { what: 'bytes of the PNG over bytes of that', value: bytes[0] / bytes[1], unit: 'times' },
      { what: 'covers for all eight stores, each checked', value: median(stores), unit: 'ms' },
      { what: 'a cover put into an EPUB of 200 MB', value: median(set), unit: 'ms' },
      { what: 'that EPUB unpacked and packed again by fflate', value: median(again), unit: 'ms' },
      {
        what: 'memory of that command above an idle one, over the size of the file',
        value: (peak - idle) / statSync(large).size,
        unit: 'times',
      },
    ];
  } finally {
    rmSync(folder, { recursive: true });
  }
}
