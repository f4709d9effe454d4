import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { FINAL, render } from '@yosomi/core/mockup';
import { writePng } from '@yosomi/core/image-file';
import { type Raster, raster, shrink, ssim } from '@yosomi/core/pixels';
import type { Project } from '@yosomi/core/project';
import { coverRaster, mockupArt, promoRaster, stageOf, texturesOf } from '@yosomi/core/recipe';
import { NodeStudio, demoProjects } from '@yosomi/node-kit';
import { pixelsOf } from './fixtures/pictures';

const GOLDENS = resolve(import.meta.dirname, 'goldens');
const FAILED = resolve(import.meta.dirname, '../test-results/goldens');

let demos: Project[];
beforeAll(async () => {
  demos = await demoProjects();
});

/** Holds a picture against the kept one; on failure both and their difference are saved. `UPDATE_GOLDENS=1` keeps the new one. */
async function matches(name: string, actual: Raster): Promise<void> {
  const file = join(GOLDENS, `${name}.png`);
  if (process.env.UPDATE_GOLDENS === '1') writeFileSync(file, writePng(actual, 72));
  expect(existsSync(file), `no golden ${name}: run with UPDATE_GOLDENS=1 and look at it`).toBe(true);
  const kept = await pixelsOf(new Uint8Array(readFileSync(file)));
  expect([actual.width, actual.height]).toEqual([kept.width, kept.height]);
  const alike = ssim(actual, kept);
  let sum = 0;
  for (let i = 0; i < kept.data.length; i++) sum += Math.abs(kept.data[i] - actual.data[i]);
  const mean = sum / kept.data.length;
  if (alike < 0.995 || mean > 0.6) {
    mkdirSync(FAILED, { recursive: true });
    const difference = raster(kept.width, kept.height);
    for (let i = 0; i < kept.data.length; i++)
      difference.data[i] = i % 4 === 3 ? 255 : Math.min(255, 8 * Math.abs(kept.data[i] - actual.data[i]));
    writeFileSync(join(FAILED, `${name}-actual.png`), writePng(actual, 72));
    writeFileSync(join(FAILED, `${name}-difference.png`), writePng(difference, 72));
  }
  expect(alike).toBeGreaterThan(0.995);
  expect(mean).toBeLessThan(0.6);
}

describe('goldens', () => {
  it.each([0, 1, 2, 3, 4])('cover of demo book %i', async (i) => {
    const { book, files } = demos[i];
    const full = await coverRaster(book, 800, new NodeStudio(files));
    await matches(book.id, shrink(full, 250, 400));
  });

  it('mockup on a clear ground, and the promo that places it', async () => {
    const { book, files } = demos[1];
    const studio = new NodeStudio(files);
    const textures = texturesOf(book, await mockupArt(book, studio));
    const picture = render(stageOf(book, book.scene, 320, 320), textures, FINAL);
    if (!picture) throw new Error('not cancelled');
    await matches('mockup', picture);
    const promo = await promoRaster(book, picture, 540, studio);
    await matches('promo', shrink(promo, 270, 270));
  });
});
