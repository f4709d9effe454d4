import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { FINAL, PREVIEW, arranged, render } from '@yosomi/core/mockup';
import { writePng } from '@yosomi/core/image-file';
import { coverRaster, noOthers, sceneArt, sceneTextures, settledCover, stageOf, storeImage } from '@yosomi/core/recipe';
import { findProfile } from '@yosomi/core/stores';
import { NodeStudio, demoProjects } from '@yosomi/node-kit';
import { STEEP, cpu, ewa, magick } from './general-tools';
import { type Row, median } from './rows';

async function wall(run: () => Promise<unknown>): Promise<number> {
  const from = performance.now();
  await run();
  return performance.now() - from;
}

/** Figures of the engine in Node, one thread. */
export async function engineRows(rounds: number): Promise<Row[]> {
  const [, { book, files }] = await demoProjects();
  const studio = new NodeStudio(files);
  const longreach = findProfile('longreach');
  if (!longreach) throw new Error('no longreach');
  await coverRaster(book, 1600, studio);
  const settle: number[] = [];
  const paint: number[] = [];
  const store: number[] = [];
  for (let i = 0; i < rounds; i++) {
    settle.push(await wall(() => settledCover(book, studio, 1600)));
    paint.push(await wall(() => coverRaster(book, 1600, studio)));
    store.push(await wall(() => storeImage(book, longreach, studio)));
  }
  const rows: Row[] = [
    { what: 'cover composed and every word measured', value: median(settle), unit: 'ms' },
    { what: 'cover to 1600 x 2560 pixels, measuring included', value: median(paint), unit: 'ms' },
    { what: 'cover export for longreach: pixels, JPEG, check', value: median(store), unit: 'ms' },
  ];
  const textures = sceneTextures(await sceneArt(book, book.scene, noOthers, studio));
  const final = stageOf(book, book.scene, 2400, 3000);
  const preview = stageOf(book, book.scene, 480, 600, noOthers, PREVIEW);
  const tool = magick();
  const folder = mkdtempSync(join(tmpdir(), 'bench-'));
  try {
    const picture = join(folder, 'cover.png');
    writeFileSync(picture, writePng(await coverRaster(book, 1600, studio), 72));
    render(preview, textures, PREVIEW);
    const stack = arranged(book.scene, 'stack', []);
    const pile = sceneTextures(await sceneArt(book, stack, noOthers, studio));
    const soft = { ...book.scene, focus: { blur: 0.5, at: 0.1 } };
    const finals: number[] = [];
    const piles: number[] = [];
    const softs: number[] = [];
    const previews: number[] = [];
    const tools: number[] = [];
    // Interleaved: the machine is shared, so only ratios within one round mean something.
    for (let i = 0; i < rounds; i++) {
      if (tool) tools.push(ewa(tool, picture, STEEP, false));
      finals.push(cpu(() => void render(final, textures, FINAL)));
      previews.push(cpu(() => void render(preview, textures, PREVIEW)));
      piles.push(cpu(() => void render(stageOf(book, stack, 1000, 1000), pile, FINAL)));
      softs.push(cpu(() => void render(stageOf(book, soft, 1000, 1000), textures, FINAL)));
    }
    rows.push(
      { what: 'mockup 2400 x 3000, final: shadow, occlusion, alpha', value: median(finals), unit: 'ms CPU' },
      { what: 'mockup 480 x 600, preview', value: median(previews), unit: 'ms CPU' },
      { what: 'a stack of three at 1000 x 1000, final, stage included', value: median(piles), unit: 'ms CPU' },
      {
        what: 'one book with depth of field at 1000 x 1000, final, stage included',
        value: median(softs),
        unit: 'ms CPU',
      },
    );
    if (tool) {
      rows.push(
        { what: 'ImageMagick, EWA perspective of the cover into 2400 x 3000', value: median(tools), unit: 'ms CPU' },
        {
          what: 'whole final mockup over that one warp',
          value: median(finals.map((v, i) => v / tools[i])),
          unit: 'times',
        },
        { what: 'preview over that one warp', value: median(previews.map((v, i) => v / tools[i])), unit: 'times' },
      );
    }
  } finally {
    rmSync(folder, { recursive: true });
  }
  return rows;
}
