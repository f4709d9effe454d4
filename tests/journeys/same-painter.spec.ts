import { type Raster, raster, shrink, ssim } from '@yosomi/core/pixels';
import { coverRaster } from '@yosomi/core/recipe';
import { NodeStudio, demoProjects } from '@yosomi/node-kit';
import { coverReady, expect, test } from './help';

test('the cover on the table is the cover that Node paints, for every demo book', async ({ page }) => {
  test.setTimeout(180_000);
  const projects = await demoProjects();
  for (const { book, files } of projects) {
    await page.goto('/');
    await page.getByRole('link', { name: `Open ${book.brief.title}` }).click({ timeout: 60_000 });
    await coverReady(page);
    const shown = await page
      .getByRole('img', { name: `Cover of ${book.brief.title}` })
      .first()
      .evaluate((canvas) => {
        const c = canvas as HTMLCanvasElement;
        const { data } = c.getContext('2d')!.getImageData(0, 0, c.width, c.height);
        return { width: c.width, height: c.height, data: Array.from(data) };
      });
    const theirs: Raster = raster(shown.width, shown.height, Uint8ClampedArray.from(shown.data));
    const full = await coverRaster(book, 800, new NodeStudio(files));
    const ours = shrink(full, shown.width, shown.height);
    expect([ours.width, ours.height]).toEqual([theirs.width, theirs.height]);
    expect(ssim(ours, theirs), book.brief.title).toBeGreaterThan(0.99);
  }
});
