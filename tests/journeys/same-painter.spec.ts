import { demos } from '../fixtures/demos';
import { raster, shrink, ssim } from '@yosomi/core/pixels';
import { coverRaster } from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import { PNG } from 'pngjs';
import { coverReady, expect, test } from './help';

test('the cover on the table is the cover that Node paints, for every demo book', async ({ page }) => {
  const projects = demos();
  for (const { book, files } of projects) {
    await page.goto('/');
    await page.getByRole('link', { name: `Open ${book.brief.title}` }).click({ timeout: 60_000 });
    await coverReady(page);
    const shown = await page
      .getByRole('img', { name: `Cover of ${book.brief.title}` })
      .first()
      .evaluate((canvas) => (canvas as HTMLCanvasElement).toDataURL('image/png'));
    const png = PNG.sync.read(Buffer.from(shown.slice(shown.indexOf(',') + 1), 'base64'));
    const theirs = raster(png.width, png.height, new Uint8ClampedArray(png.data));
    const full = await coverRaster(book, 800, new NodeStudio(files));
    const ours = shrink(full, png.width, png.height);
    expect([ours.width, ours.height]).toEqual([theirs.width, theirs.height]);
    expect(ssim(ours, theirs), book.brief.title).toBeGreaterThan(0.99);
  }
});
