import type { Page } from '@playwright/test';
import { writePng } from '@yosomi/core/image-file';
import { raster } from '@yosomi/core/pixels';
import { breaches, coverReady, expect, kept, put, shelf, step, test } from './help';

test.use({ shelf: ['lamplighter'] });

const volumes = (page: Page) => page.getByRole('list', { name: 'Volumes', exact: true });
const spines = (page: Page) => page.getByRole('list', { name: 'Spines' }).getByRole('img');
const fact = (page: Page, name: string) => page.getByRole('row', { name: new RegExp(`^${name}`) });

async function openSeries(page: Page, name: string): Promise<void> {
  await page.getByRole('combobox', { name: 'Groups of titles' }).click();
  await page.getByRole('option', { name: 'By series' }).click();
  await page.getByRole('link', { name, exact: true }).click();
  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
}

/** Titles enough that the Shelf offers groups. */
async function addMore(page: Page, table: string): Promise<void> {
  await page.getByRole('button', { name: 'From a table' }).click();
  const dialog = page.getByRole('dialog', { name: 'Titles from a table' });
  await dialog.getByLabel('Or paste cells here').fill(table);
  await dialog.getByRole('button', { name: 'Read these cells' }).click();
  await dialog.getByRole('button', { name: /^Make/ }).click();
  await expect(page.getByRole('region', { name: 'What was made' })).toContainText('put on the Shelf', {
    timeout: 60_000,
  });
  await page.getByRole('button', { name: 'Close this report' }).click();
}

function picture(): string {
  const own = raster(1000, 1500);
  for (let i = 0; i < own.data.length; i += 4) {
    const y = Math.floor(i / 4 / 1000) / 1500;
    own.data.set([20 + 40 * y, 30 + 90 * y, 80 + 120 * y, 255], i);
  }
  return put('sea.png', writePng(own, 72));
}

test('a series is one thing: seen, added to, changed in all its volumes, renamed, and taken back', async ({ page }) => {
  test.setTimeout(300_000);
  await page.goto('/');
  await expect(page.getByRole('link', { name: 'Open A Debt of Foxfire' })).toBeVisible({ timeout: 60_000 });
  await addMore(
    page,
    'title\tauthor\tseries\tnumber\nThe Toll of Ashes\tCaspian Durrow\tLamplighter Accounts\t6\nAlone\tIda Quill\t\t\nApart\tIda Quill\t\t\nAside\tIda Quill\t\t',
  );
  await openSeries(page, 'The Lamplighter Accounts');

  await test.step('its volumes stand in order, with their spines and what they share', async () => {
    await expect(volumes(page).getByRole('link')).toHaveCount(3);
    await expect(volumes(page).getByRole('listitem').first()).toContainText('1. A Debt of Foxfire');
    await expect(spines(page)).toHaveCount(3, { timeout: 60_000 });
    const widths = await spines(page).evaluateAll((all) => all.map((one) => one.getBoundingClientRect().width));
    // 385, 412 and 436 pages.
    expect(widths[0]).toBeLessThan(widths[1]);
    expect(widths[1]).toBeLessThan(widths[2]);
    await expect(fact(page, 'Author')).toContainText('Caspian Durrow');
    await expect(fact(page, 'Author')).toContainText('Shared');
    await expect(fact(page, 'Layout')).toContainText('Differs');
    expect(await breaches(page)).toEqual([]);
  });

  await test.step('a title whose series is written in another way is found and put in', async () => {
    await expect(page.getByText('One title is in “Lamplighter Accounts”, which may be the same series.')).toBeVisible();
    await page.getByRole('button', { name: 'Put it in this one' }).click();
    await expect(volumes(page).getByRole('link')).toHaveCount(4);
    await expect(page.getByText('Volumes 4 and 5 are not here.')).toBeVisible();
  });

  await test.step('a new volume has the next free number, its own picture and the design of the series', async () => {
    await page.getByRole('button', { name: 'New volume' }).click();
    const dialog = page.getByRole('dialog', { name: 'A new volume' });
    await expect(dialog.getByLabel('Number in the series')).toHaveValue('4');
    await expect(dialog.getByLabel('Author')).toHaveValue('Caspian Durrow');
    await dialog.getByRole('button', { name: 'Make the volume' }).click();
    await expect(dialog.getByRole('alert')).toHaveText('Type the title.');
    await dialog.getByLabel('Title').fill('A Candle for the Tide');
    await dialog.getByLabel('Pages').fill('500 pp');
    await dialog.getByLabel('Picture').setInputFiles(picture());
    await expect(dialog.getByText('sea.png')).toBeVisible();
    expect(await breaches(page, '[role="dialog"]')).toEqual([]);
    await dialog.getByRole('button', { name: 'Make the volume' }).click();
    await expect(volumes(page).getByRole('link')).toHaveCount(5, { timeout: 60_000 });
    await expect(volumes(page).getByRole('listitem').nth(3)).toContainText('4. A Candle for the Tide');
    await expect(fact(page, 'Layout')).toContainText(/Volumes 1 and 4:\s*The same/);
    await page.getByRole('button', { name: 'Close this report' }).click();
  });

  await test.step('what is changed on one front is carried to all, after it was seen', async () => {
    await volumes(page).getByRole('link', { name: 'Open A Debt of Foxfire' }).click();
    await coverReady(page);
    await page.goBack();
    await page.getByRole('button', { name: 'Carry its front to the others' }).click();
    const dialog = page.getByRole('dialog', { name: 'One design for the series' });
    const use = dialog.getByRole('button', { name: /^Use it on/ });
    await expect(use).toHaveText('Use it on 4 volumes', { timeout: 120_000 });
    await expect(use).toBeEnabled({ timeout: 120_000 });
    await use.click();
    await expect(page.getByText('The design is on 4 volumes.')).toBeVisible({ timeout: 60_000 });
    await expect(fact(page, 'Layout')).toContainText('Shared');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByText('Taken back in 4 titles.')).toBeVisible();
    await expect(fact(page, 'Layout')).toContainText('Differs');
  });

  await test.step('its new name is on every volume', async () => {
    await page.getByRole('button', { name: 'Rename the series' }).click();
    await page.getByRole('textbox', { name: 'Name' }).fill('The Lamplighter Ledgers');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByRole('heading', { name: 'The Lamplighter Ledgers', level: 1 })).toBeVisible();
    await expect(volumes(page).getByRole('link')).toHaveCount(5);
    await volumes(page).getByRole('link', { name: 'Open Interest Paid in Snow' }).click();
    await coverReady(page);
    await step(page, 'Brief');
    await expect(page.getByLabel('Series', { exact: true })).toHaveValue('The Lamplighter Ledgers');
    await kept(page);
  });
});

test('a series that nobody is in says so', shelf('lamplighter'), async ({ page }) => {
  await page.goto('/series/Nobody%20Here');
  await expect(page.getByText('No title on the Shelf is in this series.')).toBeVisible();
  await page.getByRole('main').getByRole('link', { name: 'Back to the Shelf' }).last().click();
  await expect(page.getByRole('link', { name: 'Open A Debt of Foxfire' })).toBeVisible({ timeout: 60_000 });
});
