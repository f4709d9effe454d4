import { readFileSync } from 'node:fs';
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { EpubCheck } from '@likecoin/epubcheck-ts';
import { fileOf, picturePixels } from '../fixtures/pictures';
import { coverReady, expect, kept, onToFront, part, pick, put, saved, step, test } from './help';

test.use({ shelf: [] });

test('from a finished cover, dropped on the Shelf, to a mockup and the files', async ({ page }) => {
  const path = put('long-evenings.png', await fileOf(picturePixels(1600, 2560, 3), 'png'));
  await page.goto('/');
  const data = await page.evaluateHandle((base64) => {
    const bytes = Uint8Array.from(atob(base64), (c) => c.charCodeAt(0));
    const transfer = new DataTransfer();
    transfer.items.add(new File([bytes], 'long-evenings.png', { type: 'image/png' }));
    return transfer;
  }, readFileSync(path).toString('base64'));
  await page.locator('main').dispatchEvent('drop', { dataTransfer: data });

  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('radio', { name: 'A finished cover' })).toHaveAttribute('data-state', 'on');
  await expect(dialog.getByLabel('Title', { exact: true })).toHaveValue('long evenings');
  await dialog.getByRole('button', { name: 'Put it in 3D' }).click();

  // Three interactions from the Shelf: drop, confirm, save.
  await expect(page).toHaveURL(/\/mockups$/);
  await expect(page.locator('canvas[data-state="final"]')).toBeVisible({ timeout: 60_000 });
  const file = await saved(page, () => page.getByRole('button', { name: 'Save PNG, background clear' }).click());
  const png = PNG.sync.read(file.bytes);
  expect([png.width, png.height, png.data[3]]).toEqual([2000, 2000, 0]);

  await step(page, 'Front');
  await coverReady(page);
  await expect(page.getByRole('heading', { name: 'A finished cover' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Add a part' })).toHaveCount(0);
  await part(page, 'Picture').click();
  await expect(page.getByRole('button', { name: 'Replace the picture' })).toBeDisabled();

  await step(page, 'Brief');
  await page.getByLabel('Title', { exact: true }).fill('Long Evenings');
  await page.getByLabel('Author').fill('Oda Penhallow');
  await kept(page);
  await step(page, 'Deliver');
  await page.getByRole('button', { name: 'Make all' }).click();
  await expect(page.locator('tr[data-state="made"]')).toHaveCount(5, { timeout: 120_000 });
  const cover = await saved(page, () =>
    page.getByRole('button', { name: /^Save long-evenings-cover-longreach/ }).click(),
  );
  const own = await sharp(readFileSync(path)).raw().toBuffer();
  const theirs = await sharp(cover.bytes).raw().toBuffer();
  expect(theirs.length).toBe(own.length);
  let sum = 0;
  for (let i = 0; i < own.length; i++) sum += Math.abs(own[i] - theirs[i]);
  expect(sum / own.length).toBeLessThan(3);
  const epub = await saved(page, () => page.getByRole('button', { name: /^Save .*epub/ }).click());
  const checked = await EpubCheck.validate(new Uint8Array(epub.bytes));
  expect(checked.messages.filter((m) => ['fatal', 'error', 'warning'].includes(m.severity))).toEqual([]);
});

test('a sideways photograph is turned upright and its place stays nowhere', async ({ page }) => {
  const bytes = await fileOf(picturePixels(1200, 800, 2), 'jpeg', (image) =>
    image.withMetadata({
      orientation: 6,
      exif: { IFD0: { Artist: 'Secret Gardener' }, IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' } },
    }),
  );
  await page.goto('/');
  await pick(page, 'From a picture', put('sideways.jpg', bytes));
  await expect(page.getByRole('dialog').getByText('800 x 1200 px')).toBeVisible();
  await page.getByRole('dialog').getByLabel('Title', { exact: true }).fill('Sideways');
  await page.getByRole('dialog').getByRole('button', { name: 'Compose covers' }).click();
  await onToFront(page);
  await coverReady(page);
  await step(page, 'Deliver');
  const file = await saved(page, () => page.getByRole('button', { name: 'Save the title as a file' }).click());
  expect(file.bytes.includes('Secret Gardener')).toBe(false);
});

test('a picture pasted on the Shelf starts a title', async ({ page }) => {
  const bytes = await fileOf(picturePixels(400, 600, 4), 'png');
  await page.goto('/');
  // The page is there before the Shelf on it listens.
  await expect(page.getByRole('button', { name: 'From a picture' })).toBeVisible();
  await page.evaluate((base64) => {
    const data = new DataTransfer();
    data.items.add(
      new File([Uint8Array.from(atob(base64), (c) => c.charCodeAt(0))], 'pasted.png', { type: 'image/png' }),
    );
    window.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data }));
  }, Buffer.from(bytes).toString('base64'));
  await expect(page.getByRole('dialog', { name: 'A new title from this picture' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
});
