import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { strFromU8, unzipSync } from 'fflate';
import { deskPicture } from '@yosomi/core/desk';
import { fileOf, scenePixels } from '../fixtures/pictures';
import { bench, breaches, coverReady, expect, fromWords, kept, part, put, saved, step, test } from './help';

test.use({ shelf: [] });

const covers = (page: Page) => page.locator('button[data-cover]');
const finder = (page: Page) => page.getByRole('dialog', { name: 'Symbol' });
const rights = (page: Page) => page.getByRole('region', { name: 'Rights and credits' });

async function begin(page: Page, title: string): Promise<void> {
  await fromWords(page, title, 'Dana Voss');
  await expect(covers(page).first()).toBeVisible({ timeout: 60_000 });
}

/** Puts a detailed silhouette on the cover, by a noun, with keys alone. */
async function silhouette(page: Page, noun: string, first: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a part' }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('menuitem', { name: 'Symbol', exact: true }).focus();
  await page.keyboard.press('Enter');
  await expect(finder(page).getByLabel('What it shows')).toBeFocused();
  await page.keyboard.type(noun);
  await finder(page)
    .getByRole('radio', { name: /^Detailed/ })
    .press('Enter');
  const tile = finder(page).locator('[data-tile]').first();
  await expect(tile).toHaveAttribute('data-tile', first);
  await expect(tile).toHaveAttribute('aria-busy', 'false');
  await tile.focus();
  await page.keyboard.press('Enter');
  await expect(finder(page)).toBeHidden();
  // It comes once its place is found: what is made before that is older than the cover.
  const name = first.replaceAll('-', ' ').replace(/^./, (letter) => letter.toUpperCase());
  await expect(part(page, name)).toHaveCount(1);
}

/** The title page of the ebook that Deliver makes. */
async function titlePage(page: Page): Promise<string> {
  const row = page.getByRole('row', { name: /Ebook with cover/ });
  await row.getByRole('button', { name: 'Make' }).click();
  await expect(row).toHaveAttribute('data-state', 'made', { timeout: 90_000 });
  const file = await saved(page, () => row.getByRole('button', { name: 'Save' }).click());
  return strFromU8(unzipSync(new Uint8Array(readFileSync(file.path)))['EPUB/title.xhtml']);
}

test('one’s own picture is asked about, which can wait; its credit and that of a symbol go into the ebook and the zip', async ({
  page,
}) => {
  await begin(page, 'The Barn Owl Winter');
  const own = put('dusk.jpg', await fileOf(scenePixels(1200, 1920), 'jpeg'));

  await test.step('it is on the sheet, and nothing waits for the answer', async () => {
    await page.getByLabel('Picture file').setInputFiles(own);
    await expect(page.getByText('It is not told whether the picture “dusk” may be sold.')).toBeVisible();
    await page
      .getByRole('button', { name: /^Cover \d+: .*[Pp]icture/ })
      .first()
      .click({ timeout: 60_000 });
    await page.getByRole('button', { name: 'Take it to the Front' }).click();
    await coverReady(page);
  });

  await test.step('the Front asks again; one click answers, a line tells more, and one step takes back each', async () => {
    const front = page.getByRole('list', { name: 'Rights' });
    await expect(front).toContainText('It is not told whether the picture “dusk” may be sold.');
    await front.getByRole('button', { name: 'Rights of dusk' }).click();
    const dialog = page.getByRole('dialog', { name: 'Rights of “dusk”' });
    await dialog.getByLabel('Made by').isHidden();
    await dialog.getByRole('button', { name: 'Not for sale' }).click();
    await expect(dialog.getByText('May not be sold. Take another picture')).toBeVisible();
    expect(await breaches(page, '[role="dialog"]')).toEqual([]);
    await page.keyboard.press('Escape');
    await expect(front).toContainText('The picture “dusk” may not be sold.');
    await page.keyboard.press('ControlOrMeta+z');
    await expect(front).toContainText('It is not told whether the picture “dusk” may be sold.');
    await front.getByRole('button', { name: 'Rights of dusk' }).click();
    await dialog.getByRole('button', { name: 'Free with credit' }).click();
    await dialog.getByLabel('Made by').fill('Ida Quill');
    await dialog.getByLabel('Credit due').fill('Dusk by Ida Quill, CC BY 4.0');
    await page.keyboard.press('Escape');
    await expect(front).toBeHidden();
  });

  await test.step('a detailed symbol brings its credit, and the inspector says so', async () => {
    await silhouette(page, 'Eule', 'owl');
    await expect(part(page, 'Owl')).toHaveCount(1);
    await expect(
      page.getByText(/Credit due: Symbol “Owl” by the contributors of game-icons, CC BY 3\.0\./),
    ).toBeVisible();
  });

  await test.step('Deliver says what is known and what is due', async () => {
    await kept(page);
    await page.reload();
    await coverReady(page);
    await step(page, 'Deliver');
    await expect(rights(page).getByRole('list', { name: 'Pictures' })).toContainText('Ida Quill, CC BY 4.0');
    await expect(rights(page).getByText('May be sold on covers and on goods')).toBeVisible();
    const due = rights(page).getByRole('group', { name: 'Credits that are due' });
    await expect(due.getByRole('listitem')).toHaveText([
      'Dusk by Ida Quill, CC BY 4.0',
      'Symbol “Owl” by the contributors of game-icons, CC BY 3.0',
    ]);
  });

  await test.step('so does the ebook on its title page, and the text of the zip', async () => {
    const told = await titlePage(page);
    expect(told).toContain('Dusk by Ida Quill, CC BY 4.0</p>');
    expect(told).toContain('Symbol “Owl” by the contributors of game-icons, CC BY 3.0</p>');
    const zip = await saved(page, () => page.getByRole('button', { name: 'Save all as a zip' }).click());
    const files = unzipSync(new Uint8Array(readFileSync(zip.path)));
    const readme = Object.entries(files).find(([name]) => name.endsWith('.txt'));
    expect(readme && strFromU8(readme[1])).toMatch(/Made by: Ida Quill[\s\S]*CREDITS THAT ARE DUE[\s\S]*Symbol “Owl”/);
  });

  await test.step('without the symbol the ebook is out of date, and made anew it does not name it', async () => {
    await step(page, 'Front');
    await coverReady(page);
    await part(page, 'Owl').click();
    await page.keyboard.press('Delete');
    await coverReady(page);
    await step(page, 'Deliver');
    const told = await titlePage(page);
    expect(told).not.toContain('Owl” by');
    expect(told).toContain('Dusk by Ida Quill');
  });
});

test('outlines that cannot be read are said on their place, and come when they are asked for again', async ({
  page,
}) => {
  await begin(page, 'The Barn Owl Winter');
  await step(page, 'Front');
  await coverReady(page);
  // Those that the sheet has shown are kept by its workers, not by the page.
  await page.context().route(/packet-\d+-.*\.json/, (route) => route.fulfill({ json: [] }));
  await page.keyboard.press('ControlOrMeta+k');
  await page.keyboard.type('add symbol');
  await page.keyboard.press('Enter');
  await finder(page).getByLabel('What it shows').fill('harp');
  await finder(page)
    .getByRole('radio', { name: /^Detailed/ })
    .click();
  const lost = finder(page).getByRole('button', { name: 'Harp, not read: try again' });
  await expect(lost).toBeVisible();
  await page.context().unroute(/packet-\d+-.*\.json/);
  let come: () => void = () => undefined;
  const held = new Promise<void>((go) => (come = go));
  await page.context().route(/packet-\d+-.*\.json/, async (route) => {
    await held;
    await route.continue();
  });
  await lost.press('Enter');
  // What is asked for before its outline is there is put on once it is.
  const harp = finder(page).getByRole('button', { name: 'Harp', exact: true });
  await expect(harp).toHaveAttribute('aria-busy', 'true');
  await harp.press('Enter');
  come();
  await expect(part(page, 'Harp')).toHaveCount(1);
  // The keyboard goes on at the symbol: arrow keys move it.
  await expect(page.locator('[data-surface]')).toBeFocused();
  const left = bench(page).inspector.getByLabel('Left', { exact: true });
  const was = Number(await left.inputValue());
  await page.keyboard.press('ArrowRight');
  await expect.poll(async () => Number(await left.inputValue())).toBeGreaterThan(was);
});

test('the desk, a picture that is quiet on the left, a cover; a symbol’s credit is in the ebook, the picture asks for none', async ({
  page,
}) => {
  test.setTimeout(300_000);
  await begin(page, 'Nine Lanterns');
  await page.getByRole('button', { name: 'Picture desk' }).click();
  const desk = page.getByRole('dialog', { name: 'Picture desk' });
  await desk.getByRole('combobox', { name: 'Where words fit' }).click();
  await page.getByRole('option', { name: 'Words on the left' }).click();
  const tile = desk.locator('button[data-tile]').first();
  await expect(tile.locator('canvas')).toBeVisible({ timeout: 60_000 });
  expect(deskPicture((await tile.getAttribute('data-tile')) ?? '')?.reading.quiet).toContain('left');
  await tile.click();
  await desk.getByRole('button', { name: 'Make it the cover' }).click();
  await expect(page.getByText('The cover is on the Front')).toBeVisible({ timeout: 200_000 });
  await step(page, 'Front');
  await coverReady(page);
  await expect(page.getByRole('list', { name: 'Rights' })).toBeHidden();
  await silhouette(page, 'Hexe', 'witch-face');
  await coverReady(page);
  await step(page, 'Deliver');
  await expect(rights(page).getByText('May be sold on covers and on goods')).toHaveCount(1);
  const told = await titlePage(page);
  expect(told.match(/class="cover-credits"/g)).toHaveLength(1);
  expect(told).toContain('Symbol “Witch face” by the contributors of game-icons, CC BY 3.0</p>');
});
