import { existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { ROOT } from '@yosomi/node-kit';
import { makeServer } from '@yosomi/server';
import { oldEdition } from '../tests/fixtures/old-edition';

const folder = join(ROOT, 'docs/screenshots');
mkdirSync(folder, { recursive: true });
const app = await makeServer({ web: join(ROOT, 'build/web'), demo: join(ROOT, 'build/demo') });
const base = await app.listen({ host: '127.0.0.1', port: 0 });
const executablePath =
  process.env.YOSOMI_CHROMIUM ?? ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find(existsSync);
const browser = await chromium.launch({ executablePath, args: ['--no-sandbox', '--disable-gpu', '--no-first-run'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const shot = (name: string): Promise<unknown> => page.screenshot({ path: join(folder, `${name}.png`) });
const step = (name: string): Promise<void> =>
  page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name, exact: true }).click();

await page.goto(base);
await page.getByRole('link', { name: 'Open The Balcony Moss Garden' }).waitFor({ timeout: 120_000 });
await page.waitForFunction(() => {
  const covers = [...document.querySelectorAll<HTMLImageElement>('a[aria-label^="Open "] img')];
  return covers.length === 5 && covers.every((img) => img.complete && img.naturalWidth > 0);
});
await shot('shelf');
await page.goto(`${base}/series/The%20Lamplighter%20Accounts`);
await page
  .getByRole('img', { name: /^Spine of/ })
  .nth(2)
  .waitFor({ timeout: 60_000 });
await page.waitForTimeout(2500);
await shot('series');
await page.goto(`${base}/house`);
await page.getByLabel('fernhollow.example').fill('mossandquill.example');
await page.getByRole('combobox', { name: 'In place of Fraunces' }).click();
await page.getByRole('option', { name: 'Bodoni Moda' }).click();
await page
  .getByRole('img', { name: /after$/ })
  .nth(1)
  .waitFor({ timeout: 60_000 });
await page.waitForTimeout(1500);
await shot('house');
await page.goto(base);
await page.getByRole('link', { name: 'Open A Debt of Foxfire' }).click();
await page.locator('main[data-fresh="true"] [data-verdict="64"]').waitFor();
await page
  .getByRole('navigation', { name: 'Parts' })
  .getByRole('button', { name: /^Title/ })
  .click();
await page.waitForTimeout(1500);
await shot('front');
await step('Sketches');
await page.locator('button[data-cover]').nth(47).waitFor({ timeout: 60_000 });
await page.locator('button[data-cover]').nth(5).click();
await page.waitForTimeout(400);
await shot('sketches');
await page.getByRole('button', { name: 'Picture desk' }).click();
await page.getByLabel('What it shows').fill('night');
await page.locator('[data-tile] canvas').nth(9).waitFor({ timeout: 60_000 });
await page.locator('[data-tile]').nth(2).click();
await page.getByRole('complementary', { name: 'The chosen picture' }).getByRole('img').waitFor();
await page.waitForTimeout(1500);
await shot('desk');
await page.keyboard.press('Escape');
for (const name of ['Brief', 'Glance']) {
  await step(name);
  await page.waitForTimeout(1500);
  await shot(name.toLowerCase());
}
await step('Mockups');
await page.locator('canvas[data-state="final"]').waitFor({ timeout: 60_000 });
await page.waitForTimeout(20_000); // the arrangements' own pictures
await page.getByRole('button', { name: 'In a slipcase' }).click();
await page.getByRole('radio', { name: 'Fade' }).click();
await page.waitForTimeout(2000);
await page.locator('canvas[data-state="final"]').waitFor({ timeout: 60_000 });
await shot('mockups');
await page.getByRole('button', { name: 'Undo', exact: true }).click();
await page.getByRole('button', { name: 'Undo', exact: true }).click();
await page.waitForTimeout(500);
await page.getByRole('group', { name: 'Spine' }).getByRole('button', { name: 'Edit', exact: true }).click();
await page.locator('main[data-fresh="true"]').waitFor({ timeout: 60_000 });
await page.keyboard.press('Escape');
await page.waitForTimeout(1500);
await shot('spine');
await page.getByRole('button', { name: 'Undo', exact: true }).click();
await page.waitForTimeout(500);
await step('Mockups');
await page.getByRole('link', { name: 'Photograph' }).click();
await page.getByRole('button', { name: 'Hardcover under a thumb' }).click();
await page.getByRole('button', { name: /^Top left corner/ }).waitFor({ timeout: 60_000 });
await page.getByRole('radio', { name: 'In front' }).click();
await page.getByRole('radio', { name: 'By colour' }).click();
const stage = await page.locator('canvas[data-state]').boundingBox();
if (stage) await page.mouse.click(stage.x + 0.69 * stage.width, stage.y + 0.76 * stage.height);
await page.getByRole('slider', { name: 'How alike' }).focus();
for (let i = 0; i < 8; i++) await page.keyboard.press('ArrowRight');
await page.getByRole('radio', { name: 'Corners' }).click();
await page.waitForTimeout(9000);
await page.locator('canvas[data-state="final"]').waitFor({ timeout: 60_000 });
await shot('photograph');
await step('Promos');
await page.locator('main [data-fresh="true"]').waitFor({ state: 'attached', timeout: 60_000 });
await page.waitForTimeout(6000); // what is measured in the formats
await shot('promos');
await page.locator('[data-tile="upright"]').click();
await page.getByRole('button', { name: 'Motion' }).click();
await page.getByRole('button', { name: 'Play it' }).click();
await page.getByText('Every second frame is shown here.').waitFor({ timeout: 120_000 });
await page.waitForTimeout(3000);
await shot('promo-film');
await page.keyboard.press('Escape');
await page.locator('button[data-tile="link"]').dblclick();
await page.locator('main[data-fresh="true"]').waitFor({ timeout: 60_000 });
await page.waitForTimeout(300);
await shot('promo');
await step('Deliver');
await page.getByRole('button', { name: 'Make all' }).click();
await page.getByText(/^(\d+) of \1 files are up to date\.$/).waitFor({ timeout: 600_000 });
await page.mouse.move(5, 790);
await page.waitForTimeout(300);
await shot('deliver');
const part = (name: string): Promise<void> =>
  page.getByRole('navigation', { name: 'Parts of Deliver' }).getByRole('link', { name, exact: true }).click();
await part('Stores');
await page.locator('[data-cell="bindery/content"][data-state="pass"]').waitFor();
await page.waitForTimeout(500);
await shot('stores');
await part('Check a file');
await page
  .getByLabel('File to check')
  .setInputFiles({ name: 'an-old-book.epub', mimeType: 'application/epub+zip', buffer: Buffer.from(oldEdition()) });
await page.getByRole('button', { name: 'Take all from the Brief' }).click();
await page.getByRole('checkbox', { name: 'Change old names inside the book too' }).click();
await page.getByRole('button', { name: 'Find them in the book' }).click({ timeout: 60_000 });
await page.getByRole('region', { name: 'Author: Orla Finch' }).scrollIntoViewIfNeeded();
await page.waitForTimeout(300);
await shot('edition');
await part('Reader');
await page.getByText('Page 1 of 2').waitFor({ timeout: 60_000 });
await page.waitForTimeout(1500);
await shot('reader');
await page.goto(base);
await page.getByRole('link', { name: 'Open The Balcony Moss Garden' }).click();
await step('Booklet');
await page.locator('[data-page="3"][data-painted]').waitFor({ timeout: 60_000 });
await page.waitForTimeout(5000); // the small pictures of the looks
await shot('booklet');
await browser.close();
await app.close();
