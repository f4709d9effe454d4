import { execFileSync } from 'node:child_process';
import { unzipSync } from 'fflate';
import { raster, ssim } from '@yosomi/core/pixels';
import type { Worker } from '@playwright/test';
import sharp from 'sharp';
import { probe } from '../fixtures/films';
import { pixelsOf } from '../fixtures/pictures';
import { expect, kept, promosReady, saved, step, test } from './help';

/** One frame of a film, by that program. */
function frame(path: string, number: number) {
  const args = [
    '-v',
    'error',
    '-i',
    path,
    '-vf',
    `select=eq(n\\,${number})`,
    '-frames:v',
    '1',
    '-f',
    'image2',
    '-c:v',
    'png',
    '-',
  ];
  return pixelsOf(execFileSync('ffmpeg', args, { maxBuffer: 1 << 26 }));
}

test.describe('a promo in motion', () => {
  test.use({ shelf: ['lamplighter'] });

  test('is played, and saved as MP4, WebM, GIF and WebP that other programs read; a limit is kept or said; it can be stopped', async ({
    page,
  }) => {
    test.setTimeout(300_000);
    await page.goto('/');
    await page.getByRole('link', { name: 'Open A Debt of Foxfire' }).click({ timeout: 60_000 });
    await step(page, 'Promos');
    await promosReady(page);
    await page.getByRole('button', { name: 'Formats', exact: true }).click();
    await page.getByLabel('Own size, width by height').fill('320 x 400');
    await page.keyboard.press('Enter');
    await promosReady(page);
    const own = page.locator('[data-tile^="own-"]');
    await own.click();
    await page.getByRole('button', { name: 'Motion' }).click();
    const limit = page.getByLabel('Film at most');
    const save = page.getByRole('button', { name: 'Save the film' });

    await test.step('by the keyboard it becomes three seconds long, and that is kept', async () => {
      const length = page.getByRole('slider', { name: 'Length' });
      await length.focus();
      await page.keyboard.press('Home');
      await expect(length).toHaveAttribute('aria-valuetext', '3 s');
      await kept(page);
    });

    await test.step('it is played in a window', async () => {
      await page.getByRole('button', { name: 'Play it' }).click();
      await expect(page.getByText('Every second frame is shown here.')).toBeVisible({ timeout: 60_000 });
      const film = page.getByRole('img', { name: /^The film of/ });
      const look = (): Promise<string> => film.evaluate((c) => (c as HTMLCanvasElement).toDataURL());
      const before = await look();
      await expect.poll(look).not.toBe(before);
      await page.getByRole('button', { name: 'Pause' }).click();
      const rested = await look();
      // As many pictures of the screen later as half a second of the film has frames.
      await page.evaluate(
        () =>
          new Promise<void>((done) => {
            let left = 30;
            const next = (): void => void (left-- > 0 ? requestAnimationFrame(next) : done());
            next();
          }),
      );
      expect(await look()).toBe(rested);
      await page.keyboard.press('Escape');
    });

    const still = await test.step('the still of that size', async () => {
      await own.click();
      await expect(page.locator('main[data-fresh="true"]')).toBeVisible({ timeout: 60_000 });
      const file = await saved(page, () => page.getByRole('button', { name: 'Save this one' }).click());
      await page.getByRole('link', { name: 'All formats' }).click();
      await promosReady(page);
      await own.click();
      return pixelsOf(file.bytes);
    });
    // What was unfolded stays so.
    await page.getByRole('button', { name: 'A light passes' }).click();

    for (const [kind, codec] of [
      ['MP4', 'h264'],
      ['WebM', 'vp9'],
      ['GIF', 'gif'],
    ] as const) {
      await test.step(`${kind}: its size, its frames, its time, and what is on it`, async () => {
        await page.getByRole('radiogroup', { name: 'Film format' }).getByRole('radio', { name: kind }).click();
        const film = await saved(page, () => save.click());
        expect(film.name).toMatch(new RegExp(`-own-320x400-light\\.${kind.toLowerCase()}$`));
        expect(probe(film.path)).toMatchObject({
          codec_name: codec,
          width: '320',
          height: '400',
          r_frame_rate: '24/1',
          duration: '3.000000',
          ...(kind === 'GIF' ? {} : { nb_read_frames: '72', color_space: 'bt709' }),
        });
        // A GIF begins with all the words; a film has them at this frame, and the light has gone by.
        const shown = await frame(film.path, kind === 'GIF' ? 0 : 62);
        expect([shown.width, shown.height]).toEqual([320, 400]);
        const colour = (at: typeof shown): number[] => [...at.data.slice((20 * 320 + 20) * 4, (20 * 320 + 20) * 4 + 3)];
        colour(shown).forEach((v, c) => expect(Math.abs(v - colour(still)[c])).toBeLessThanOrEqual(8));
        expect(ssim(shown, still)).toBeGreaterThan(0.85);
      });
    }

    await test.step('WebP within a limit, or a sentence', async () => {
      await page.getByRole('radiogroup', { name: 'Film format' }).getByRole('radio', { name: 'WebP' }).click();
      await limit.fill('250 KB');
      const film = await saved(page, () => save.click());
      expect(film.bytes.length).toBeLessThanOrEqual(250 * 1024);
      const meta = await sharp(film.bytes, { animated: true }).metadata();
      expect([meta.format, meta.loop, meta.pageHeight]).toEqual(['webp', 0, 400]);
      expect(meta.delay!.reduce((a, b) => a + b, 0)).toBe(3000);
      const first = await sharp(film.bytes).ensureAlpha().raw().toBuffer();
      expect(ssim(raster(320, 400, new Uint8ClampedArray(first)), still)).toBeGreaterThan(0.8);
      await limit.fill('4 KB');
      await save.click();
      await expect(page.getByText(/even at its lowest quality, more than/)).toBeVisible({ timeout: 60_000 });
    });

    await test.step('it stops when it is told to, and nothing of it is left', async () => {
      await limit.fill('');
      await save.click();
      await page.getByRole('button', { name: 'Stop' }).click();
      await expect(save).toBeVisible();
      await page.getByRole('radiogroup', { name: 'Film format' }).getByRole('radio', { name: 'WebM' }).click();
      await saved(page, () => save.click());
      const left = await page.evaluate(async () => {
        const names: string[] = [];
        const folder = (await navigator.storage.getDirectory()) as unknown as { keys(): AsyncIterable<string> };
        for await (const name of folder.keys()) names.push(name);
        return names.filter((name) => name.startsWith('film-'));
      });
      expect(left).toEqual([]);
    });

    await test.step('with its still in a zip; and where the device is full, that is said and nothing is lost', async () => {
      const still = page.getByLabel('With its still, in a zip');
      await still.check();
      const zip = await saved(page, () => save.click());
      const files = unzipSync(new Uint8Array(zip.bytes));
      expect(Object.keys(files).map((name) => name.replace(/^.*-light/, ''))).toEqual(['.webm', '-still.jpg']);
      const poster = Object.entries(files).find(([name]) => name.endsWith('.jpg'))![1];
      expect(await sharp(poster).metadata()).toMatchObject({ format: 'jpeg', width: 320, height: 400 });
      // The disk takes no more from here on: every worker that is started is told so.
      const fill = (worker: Worker): void =>
        void worker.evaluate(() => {
          const { FileSystemSyncAccessHandle: Handle } = globalThis as unknown as {
            FileSystemSyncAccessHandle: { prototype: { write(): never } };
          };
          Handle.prototype.write = () => {
            throw new DOMException('full', 'QuotaExceededError');
          };
        });
      page.on('worker', fill);
      await save.click();
      await expect(page.getByText(/^There is no room on this device to make the film/)).toBeVisible({
        timeout: 60_000,
      });
      page.off('worker', fill);
      await still.uncheck();
      await saved(page, () => save.click());
      await expect(own).toBeVisible();
    });
  });
});
