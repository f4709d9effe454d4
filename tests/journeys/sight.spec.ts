import type { Page } from '@playwright/test';
import { bench, coverReady, expect, kept, markNow, part, shownMark, shownPixel, test } from './help';

test.use({ shelf: ['moss', 'weather'] });

const seenMark = (page: Page): Promise<number> => markNow(page, /^Cover of/);
/** When a sight was stored last; 0 for never. */
const stored = (page: Page): Promise<number> =>
  page.evaluate<number>(`new Promise((resolve, reject) => {
    const asked = indexedDB.open('yosomi');
    asked.onerror = () => reject(asked.error);
    asked.onsuccess = () => {
      const all = asked.result.transaction('seen').objectStore('seen').getAll();
      all.onsuccess = () => {
        asked.result.close();
        resolve(all.result.reduce((sum, row) => Math.max(sum, row.atMs), 0));
      };
    };
  })`);

test('a cover is there at once as it was seen last, is not taken for measured, and never for another', async ({
  page,
}) => {
  let held = false;
  let letGo: () => void = () => {};
  await page.route('**/studio.worker-*.js', async (route) => {
    if (held) await new Promise<void>((done) => (letGo = done));
    await route.continue();
  });
  await page.goto('/');
  await page.getByRole('link', { name: 'Open The Balcony Moss Garden' }).click({ timeout: 60_000 });
  await coverReady(page);
  const first = await shownMark(page, /^Cover of/);
  await expect.poll(() => stored(page)).toBeGreaterThan(0);
  let before = 0;

  await test.step('after a reload it is shown before anything can paint', async () => {
    held = true;
    await page.reload();
    await expect.poll(() => seenMark(page)).toBe(first);
    await expect(page.locator('main[data-fresh="false"]')).toBeVisible();
    await expect(page.locator('[data-verdict="200"]')).toBeVisible();
    // A part can be chosen by now, for it is known where it is.
    const box = (await page.locator('[data-surface]').boundingBox())!;
    await page.mouse.click(box.x + box.width / 2, box.y + box.height * 0.23);
    await expect(part(page, 'Title')).toHaveAttribute('aria-pressed', 'true');
    held = false;
    letGo();
    await coverReady(page);
    expect(await shownMark(page, /^Cover of/)).toBe(first);
  });

  await test.step('what was changed since is never shown as it was', async () => {
    await part(page, 'Ground').click();
    await bench(page).colour('Colour', '#203a58');
    await kept(page);
    held = true;
    await page.reload();
    await expect(part(page, 'Ground')).toContainText('#203a58');
    // Either of the new cover, where that was stored in time, or nothing yet; never of the old one.
    expect(await seenMark(page)).not.toBe(first);
    // Nothing can be stored meanwhile: what comes later is of the new cover.
    before = await stored(page);
    held = false;
    letGo();
    await coverReady(page);
    expect(await seenMark(page)).not.toBe(first);
  });

  await test.step('the Shelf shows it too', async () => {
    await expect.poll(() => stored(page)).toBeGreaterThan(before);
    await page.getByRole('link', { name: 'Back to the Shelf' }).click();
    await expect(page.getByRole('link', { name: 'Open The Balcony Moss Garden' })).toBeVisible();
    held = true;
    await page.reload();
    await expect(page.getByRole('link', { name: 'Open The Balcony Moss Garden' })).toBeVisible();
    const painted = async (name: RegExp): Promise<number> => (await shownPixel(page, name, 0.5, 0.5))[3];
    // It is there before anything can paint; the other one too, where it was painted for the Shelf before.
    await expect.poll(() => painted(/Cover of The Balcony/)).toBe(255);
    held = false;
    letGo();
    await expect.poll(() => painted(/Cover of Weather/)).toBe(255);
  });
});
