import type { Page } from '@playwright/test';
import { DESK_RIGHTS, deskPicture } from '@yosomi/core/desk';
import { breaches, coverReady, expect, fromWords, part, savedTitle, step, test } from './help';

test.use({ shelf: [] });

const desk = (page: Page) => page.getByRole('dialog', { name: 'Picture desk' });
const tiles = (page: Page) => desk(page).locator('button[data-tile]');
const shows = (page: Page) => desk(page).getByLabel('What it shows', { exact: true });

async function begin(page: Page): Promise<void> {
  await fromWords(page, 'The Candle Maker’s Ledger', 'Maren Holt');
}

test('words, the desk, a quiet place, a cover: the title stands on the picture, and the picture brings its rights', async ({
  page,
}) => {
  test.setTimeout(300_000);
  await begin(page);
  await page.getByRole('button', { name: 'Picture desk' }).click();
  await expect(shows(page)).toBeFocused();

  await test.step('a noun and a place leave few, each with the title on it', async () => {
    await shows(page).fill('candle');
    await desk(page).getByRole('combobox', { name: 'Where words fit' }).click();
    await page.getByRole('option', { name: 'Words at the top' }).click();
    await expect(tiles(page).locator('canvas').first()).toBeVisible({ timeout: 60_000 });
    const ids = await tiles(page).evaluateAll((all) => all.map((one) => one.getAttribute('data-tile') ?? ''));
    expect(ids.length).toBeGreaterThan(0);
    for (const id of ids) {
      expect(deskPicture(id)?.motif).toBe('candle');
      expect(deskPicture(id)?.reading.quiet).toContain('top');
    }
  });

  await test.step('the chosen one says what it may be used for, and keeps the rules', async () => {
    await tiles(page).first().click();
    const panel = desk(page).getByRole('complementary', { name: 'The chosen picture' });
    await expect(panel.getByText('Free to use and to sell, on covers and on goods; no credit is due.')).toBeVisible();
    await expect(panel.getByRole('img')).toBeVisible({ timeout: 60_000 });
    expect(await breaches(page, '[role="dialog"]')).toEqual([]);
  });

  await test.step('it becomes the cover, painted whole', async () => {
    await desk(page).getByRole('button', { name: 'Make it the cover' }).click();
    await expect(desk(page).getByRole('progressbar', { name: 'Painting whole: A candle' })).toBeVisible();
    await expect(page.getByText('The cover is on the Front')).toBeVisible({ timeout: 150_000 });
    await expect(desk(page)).toBeHidden();
    await step(page, 'Front');
    await coverReady(page);
    await expect(part(page, 'Picture')).toHaveCount(1);
    await expect(page.getByText('Every word reaches a contrast of 4.5 : 1.')).toBeVisible();
  });

  await test.step('its file holds the picture at 1600 px with its rights, and stands after a reload', async () => {
    await page.reload();
    await coverReady(page);
    await step(page, 'Deliver');
    const { book, files } = await savedTitle(page);
    const [asset] = Object.values(book.assets);
    expect(asset).toMatchObject({ widthPx: 1600, heightPx: 2560, name: 'A candle', rights: DESK_RIGHTS });
    expect(files.get(asset.id)?.length).toBeGreaterThan(50_000);
    expect(book.sheet.taken?.pictures).toEqual([asset.id]);
    expect(JSON.stringify(book.cover)).toContain(asset.id);
  });
});

test('nothing found proposes words; by keys alone a picture comes onto the sheet; painting can be stopped', async ({
  page,
}) => {
  test.setTimeout(300_000);
  await begin(page);
  await expect(page.getByRole('button', { name: 'Picture desk' })).toBeVisible();
  await expect(page.getByRole('list', { name: 'Covers of the sheet' }).getByRole('listitem').first()).toBeVisible({
    timeout: 60_000,
  });
  await page.keyboard.press('ControlOrMeta+k');
  await page.keyboard.type('picture desk');
  await expect(page.getByRole('option')).toHaveText(['Picture desk']);
  await page.keyboard.press('Enter');
  await expect(shows(page)).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(desk(page)).toBeHidden();
  await page.getByRole('button', { name: 'Picture desk' }).focus();
  await page.keyboard.press('Enter');
  await expect(shows(page)).toBeFocused();
  await page.keyboard.type('lighthuose');
  await expect(desk(page).getByText('Nothing is found for “lighthuose”')).toBeVisible();
  await desk(page).getByRole('button', { name: 'lighthouse', exact: true }).press('Enter');
  await expect(tiles(page)).toHaveCount(5);

  await test.step('choices that leave nothing can be dropped at once', async () => {
    await desk(page).getByRole('combobox', { name: 'Colours in it' }).click();
    await page.getByRole('option', { name: 'Green' }).click();
    await expect(desk(page).getByText('5 pictures fit the words alone.')).toBeVisible();
    await desk(page).getByRole('button', { name: 'Drop the choices' }).press('Enter');
    await expect(tiles(page)).toHaveCount(5);
  });

  await test.step('arrow keys lead from picture to picture, Enter chooses', async () => {
    await tiles(page).first().focus();
    await page.keyboard.press('ArrowRight');
    await expect(tiles(page).nth(1)).toBeFocused();
    await page.keyboard.press('Enter');
    await expect(tiles(page).nth(1)).toHaveAttribute('aria-pressed', 'true');
  });

  await test.step('what is stopped leaves nothing behind, and can be begun again', async () => {
    const put = desk(page).getByRole('button', { name: 'Put it on the sheet' });
    await expect(put).toBeEnabled({ timeout: 60_000 });
    await put.press('Enter');
    await desk(page).getByRole('button', { name: 'Stop' }).press('Enter');
    await expect(put).toBeVisible();
    await put.press('Enter');
    await expect(desk(page)).toBeHidden({ timeout: 150_000 });
    await expect(page.getByRole('list', { name: 'Pictures of the sheet' }).getByRole('listitem')).toHaveCount(1);
    await expect(page.getByRole('button', { name: 'Picture desk' })).toBeFocused();
  });
});

test('from the Shelf: a picture first, then its title', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Picture desk' }).click();
  await expect(desk(page).getByRole('checkbox')).toHaveCount(0);
  await shows(page).fill('Wald');
  await tiles(page).first().click();
  await desk(page).getByRole('button', { name: 'Start a title with it' }).click();
  const dialog = page.getByRole('dialog', { name: 'A new title from this picture' });
  await expect(dialog).toBeVisible({ timeout: 150_000 });
  // Who thinks again is back at the desk.
  await dialog.getByRole('button', { name: 'Cancel' }).click();
  await expect(dialog).toBeHidden();
  await desk(page).getByRole('button', { name: 'Start a title with it' }).click();
  await expect(dialog).toBeVisible({ timeout: 150_000 });
  await dialog.getByLabel('Title', { exact: true }).fill('What the Wood Keeps');
  await dialog.getByRole('button', { name: 'Compose covers' }).click();
  await expect(page.getByRole('list', { name: 'Pictures of the sheet' }).getByRole('listitem')).toHaveCount(1);
});
