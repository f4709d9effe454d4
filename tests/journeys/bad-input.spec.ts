import { BOOK_SCHEMA } from '@yosomi/core/project';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { readFileSync } from 'node:fs';
import { fileOf, hugePng, picturePixels } from '../fixtures/pictures';
import { coverReady, expect, onToFront, part, pick, put, saved, step, test } from './help';

test.use({ shelf: ['lamplighter-1'] });

test('each bad file gets one clear sentence, and the page goes on', async ({ page }) => {
  const jpeg = await fileOf(picturePixels(400, 600), 'jpeg');
  const bent = await fileOf(picturePixels(400, 600), 'png');
  bent[Math.floor(bent.length / 2)] ^= 255;
  await page.goto('/');
  await expect(page.getByRole('link', { name: 'Open A Debt of Foxfire' })).toBeVisible({ timeout: 60_000 });

  const debt = await (async () => {
    await page.getByRole('button', { name: 'More for A Debt of Foxfire' }).click();
    return saved(page, () => page.getByRole('menuitem', { name: 'Save as a file' }).click());
  })();
  const entries = unzipSync(new Uint8Array(debt.bytes));
  const manifest = JSON.parse(new TextDecoder().decode(entries['manifest.json']));
  const newer = zipSync({
    ...entries,
    'manifest.json': strToU8(JSON.stringify({ ...manifest, book: { ...manifest.book, schema: BOOK_SCHEMA + 1 } })),
  });

  const cases: [name: string, content: Uint8Array | string, sentence: RegExp][] = [
    ['notes.txt', 'Dear diary', /not a picture that can be read/],
    ['clip.gif', await fileOf(picturePixels(50, 50), 'gif'), /This is a GIF file/],
    ['empty.jpg', '', /This file is empty/],
    ['cut.jpg', jpeg.slice(0, jpeg.length / 2), /ends too early/],
    ['bent.png', bent, /PNG file is damaged/],
    ['dot.png', await fileOf(picturePixels(1, 1), 'png'), /only 1 x 1 px/],
    ['huge.png', await hugePng(), /20000 x 20000 px/],
    ['page.jpg', '<!doctype html><title>no</title>', /This is a web page file/],
    [
      'script.svg',
      '<svg xmlns="http://www.w3.org/2000/svg"><script>fetch("http://x.example")</script></svg>',
      /holds a script/,
    ],
    ['broken.yosomi', debt.bytes.subarray(0, 5000), /title file is damaged/],
    ['newer.yosomi', newer, new RegExp(`newer Yosomi \\(version ${BOOK_SCHEMA + 1}, this one reads ${BOOK_SCHEMA}\\)`)],
  ];
  for (const [name, content, sentence] of cases) {
    await test.step(name, async () => {
      await pick(page, name.endsWith('.yosomi') ? 'Open .yosomi files' : 'From a picture', put(name, content));
      await expect(page.getByText(sentence)).toBeVisible();
      await expect(page.getByRole('dialog')).toHaveCount(0);
      await expect(page.getByRole('link', { name: /^Open / })).toHaveCount(1);
    });
  }
  await page.getByRole('link', { name: 'Open A Debt of Foxfire' }).click();
  await coverReady(page);
  expect(readFileSync(debt.path).length).toBeGreaterThan(1000);
});

test('titles that are empty, endless or in other scripts', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'From words' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Compose covers' }).click();
  await expect(dialog.getByRole('alert')).toContainText('no title yet');
  await dialog.getByLabel('Title', { exact: true }).fill('x'.repeat(301));
  await expect(dialog.getByRole('alert')).toContainText('301 letters. Up to 300');
  await dialog.getByLabel('Title', { exact: true }).fill('Тихий сад — Œuvre à Ægir');
  await dialog.getByRole('button', { name: 'Compose covers' }).click();
  await onToFront(page);
  await coverReady(page);
  await part(page, 'Title').click();
  await expect(page.getByText(/contrast \d/i)).toBeVisible();

  await step(page, 'Brief');
  const title = page.getByLabel('Title', { exact: true });
  await title.fill('word '.repeat(60).trim());
  await step(page, 'Front');
  await coverReady(page);
  await expect(part(page, 'Title')).toBeVisible();
  await step(page, 'Brief');
  await title.fill('y'.repeat(310));
  await expect(page.getByText('310 letters. Up to 300')).toBeVisible();
  await title.fill('');
  await expect(page.getByText(/no title yet/)).toBeVisible();

  await step(page, 'Deliver');
  await page.getByRole('button', { name: /^Make .*epub/ }).click();
  await expect(page.locator('tr[data-file="epub"]')).toContainText('The book has no title yet');
  await expect(page.locator('tr[data-file="epub"]')).toHaveAttribute('data-state', 'failed');
  await step(page, 'Front');
  await coverReady(page);
});

test('a job can be stopped, and a title that is gone says so', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Open A Debt of Foxfire' }).click({ timeout: 60_000 });
  await coverReady(page);
  await step(page, 'Deliver');
  await page.getByRole('button', { name: 'Make all' }).click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('button', { name: 'Make all' })).toBeEnabled({ timeout: 60_000 });
  await expect(page.locator('tr[data-state="making"]')).toHaveCount(0);
  expect(await page.locator('tr[data-state="made"]').count()).toBeLessThan(7);
  await page.goto('/title/nothinghere/front');
  await expect(page.getByRole('alert')).toHaveText('This title is not on your Shelf any more.');
  await page.getByRole('link', { name: 'Back to the Shelf' }).click();
  await page.getByRole('button', { name: 'More for A Debt of Foxfire' }).click();
  await page.getByRole('menuitem', { name: 'Remove from the Shelf' }).click();
  await expect(page.getByRole('link', { name: 'Open A Debt of Foxfire' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(page.getByRole('link', { name: 'Open A Debt of Foxfire' })).toHaveCount(1);
});
