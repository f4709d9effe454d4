import { type ChildProcess, spawn } from 'node:child_process';
import { join } from 'node:path';
import { type Page, expect, test } from '@playwright/test';
import { checkEpub } from '@yosomi/core/ebook';
import sharp from 'sharp';
import { coverReady, saved, settled, step } from './help';

test.use({ serviceWorkers: 'allow' });

/** A server of this journey's own, so that it can be stopped. */
async function serve(port: number): Promise<ChildProcess> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
    cwd: join(import.meta.dirname, '../..'),
    env: { ...process.env, PORT: String(port) },
  });
  await new Promise((resolve) => child.stdout.once('data', resolve));
  return child;
}
const stop = async (child: ChildProcess): Promise<void> => {
  const ended = new Promise((resolve) => child.once('exit', resolve));
  child.kill();
  await ended;
};
/** Waits until the browser keeps every file of the app. */
const allKept = (page: Page): Promise<void> =>
  page.evaluate(async () => {
    const ready = await navigator.serviceWorker.ready;
    for (let i = 0; i < 300 && ready.active?.state !== 'activated'; i++) await new Promise((r) => setTimeout(r, 100));
  });

test('after one visit the app needs no server: every step opens for the first time, and files are made', async ({
  page,
}) => {
  test.setTimeout(300_000);
  const port = 4700 + (process.pid % 200);
  const server = await serve(port);
  const broken: string[] = [];
  page.on('pageerror', (error) => broken.push(error.message));
  try {
    await page.goto(`http://127.0.0.1:${port}/`);
    await expect(page.getByText('Everything stays in this browser')).toBeVisible();
    await allKept(page);
  } finally {
    await stop(server);
  }
  await expect(fetch(`http://127.0.0.1:${port}/`)).rejects.toThrow();

  await page.reload();
  await page.getByRole('button', { name: 'From words' }).click();
  await page.getByLabel('Title', { exact: true }).fill('A House Without Wires');
  await page.getByLabel('Author').fill('Imre Calloway');
  await page.getByRole('button', { name: 'Compose covers' }).click();
  await expect(page.locator('button[data-cover]').first()).toBeVisible({ timeout: 120_000 });
  for (const name of ['Brief', 'Glance', 'Mockups', 'Promos', 'Deliver', 'Front']) {
    await step(page, name);
    await expect(
      page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name, exact: true }),
    ).toHaveAttribute('aria-current', 'page');
  }
  await coverReady(page);
  await page.keyboard.press('Control+s');
  const png = await saved(page, () => page.getByRole('button', { name: 'Save PNG' }).click());
  expect((await sharp(png.bytes).metadata()).width).toBe(1600);
  await step(page, 'Mockups');
  await settled(page);
  await page.getByRole('link', { name: 'Photograph' }).click();
  await page
    .getByRole('button', { name: /hardcover/i })
    .first()
    .click();
  await expect(page.locator('canvas').first()).toBeVisible();
  await step(page, 'Deliver');
  await page.getByRole('link', { name: 'Stores', exact: true }).click();
  await page.getByRole('checkbox', { name: 'Sold at Longreach Reader Store' }).check();
  await page.getByRole('link', { name: 'Files', exact: true }).click();
  for (const [make, save] of [
    [/^Make .*longreach/, /^Save .*longreach.*jpg/],
    [/^Make .*epub/, /^Save .*epub/],
  ] as const) {
    await page.getByRole('button', { name: make }).click();
    await expect(page.getByRole('button', { name: save })).toBeEnabled({ timeout: 60_000 });
    const file = await saved(page, () => page.getByRole('button', { name: save }).click());
    if (file.name.endsWith('.jpg')) expect((await sharp(file.bytes).metadata()).height).toBe(2560);
    else expect(await checkEpub(new Blob([new Uint8Array(file.bytes)]))).toEqual([]);
  }
  await page.goto(`http://127.0.0.1:${port}/title/none/front`);
  await expect(page.getByRole('alert')).toContainText('not on your Shelf any more');
  expect(broken).toEqual([]);
});

test('a page that cannot be fetched says what is safe and leads on', async ({ browser }) => {
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const page = await context.newPage();
  await page.goto('/');
  await expect(page.getByRole('link', { name: 'Open Weather for Two Voices' })).toBeVisible({ timeout: 60_000 });
  await page.route(/\/assets\/glance-.*\.js$/, (route) => route.abort());
  await page.getByRole('link', { name: 'Open Weather for Two Voices' }).click();
  await coverReady(page);
  await step(page, 'Glance');
  await expect(page.getByRole('heading', { name: 'This page could not be fetched' })).toBeVisible();
  await expect(page.getByText('Your titles are safe')).toBeVisible();
  await page.unroute(/\/assets\/glance-.*\.js$/);
  await page.getByRole('button', { name: 'Load it again' }).click();
  await expect(page.getByRole('heading', { name: 'Glance' }).first()).toBeAttached();
  await context.close();
});

test('the app can be installed, and says how long its files hold', async ({ request }) => {
  const manifest = await (await request.get('/manifest.webmanifest')).json();
  expect(manifest).toMatchObject({ name: 'Yosomi', start_url: '/', display: 'standalone' });
  for (const icon of manifest.icons) {
    const got = await request.get(icon.src);
    expect(got.ok(), icon.src).toBe(true);
    if (icon.type === 'image/png')
      expect(`${(await sharp(await got.body()).metadata()).width}`).toBe(icon.sizes.split('x')[0]);
  }
  const page = await request.get('/');
  expect(page.headers()['cache-control']).toBe('no-store');
  expect(page.headers()['cross-origin-opener-policy']).toBe('same-origin');
  const [, script] = /src="(\/assets\/[^"]+\.js)"/.exec(await page.text())!;
  const packed = await request.get(script, { headers: { 'accept-encoding': 'br' } });
  expect(packed.headers()['content-encoding']).toBe('br');
  expect(packed.headers()['cache-control']).toContain('immutable');
});
