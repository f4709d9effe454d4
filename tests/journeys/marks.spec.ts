import { readFileSync } from 'node:fs';
import { readSvg } from '@yosomi/core/vector';
import type { Page } from '@playwright/test';
import { PNG } from 'pngjs';
import { coverReady, expect, kept, part, test } from './help';

test.use({ shelf: ['moss'] });

const maker = (page: Page) => page.getByRole('dialog', { name: 'Mark from a name' });
const drawn = (page: Page, name: string) => maker(page).getByRole('button', { name, exact: true }).locator('svg');
const saved = async (page: Page, what: string): Promise<{ name: string; bytes: Buffer }> => {
  const coming = page.waitForEvent('download');
  await maker(page).getByRole('button', { name: what, exact: true }).click();
  const file = await coming;
  return { name: file.suggestedFilename(), bytes: readFileSync(await file.path()) };
};

test('a mark is made from a name: on the cover, in the house style, as files', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Open The Balcony Moss Garden' }).click({ timeout: 60_000 });
  await coverReady(page);
  const marks = page.getByRole('navigation', { name: 'Parts' }).getByRole('button', { name: /^Mark/ });
  const before = await marks.count();

  await test.step('the initials of the title’s author are there in many ways', async () => {
    await page.getByRole('button', { name: 'Add a part' }).click();
    await page.getByRole('menuitem', { name: 'Mark from a name' }).click();
    await expect(maker(page).getByRole('textbox', { name: 'Letters' })).not.toHaveValue('');
    await expect(maker(page).getByRole('button', { name: 'Put it on the cover' })).toHaveAttribute(
      'aria-disabled',
      'true',
    );
    await expect(maker(page).locator('[data-tile] svg').nth(39)).toBeAttached({ timeout: 30_000 });
  });

  await test.step('no letters: it says what to type, and offers nothing', async () => {
    await maker(page).getByRole('textbox', { name: 'Letters' }).fill('?!');
    await expect(maker(page).getByRole('alert')).toHaveText('Type one to 4 letters.');
    await expect(maker(page).locator('[data-tile]')).toHaveCount(0);
    await maker(page).getByRole('textbox', { name: 'Letters' }).fill('山');
    await expect(maker(page).getByText('No face that comes with Yosomi has these letters.')).toBeVisible({
      timeout: 30_000,
    });
  });

  await test.step('other letters, chosen with the arrow keys, in two colours', async () => {
    await maker(page).getByRole('textbox', { name: 'Letters' }).fill('bq');
    await expect(drawn(page, 'Full disc')).toBeAttached({ timeout: 30_000 });
    await maker(page).getByRole('button', { name: 'Full disc', exact: true }).focus();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Enter');
    await expect(maker(page).locator('[data-tile][aria-pressed="true"]')).toHaveCount(1);
    await expect(maker(page).getByRole('button', { name: 'Full disc', exact: true })).toHaveAttribute(
      'aria-pressed',
      'false',
    );
    await maker(page).getByRole('button', { name: 'Full disc', exact: true }).click();
    await maker(page).getByRole('checkbox', { name: 'A second colour' }).check();
    await expect(drawn(page, 'Full disc').locator('path')).toHaveCount(2, { timeout: 30_000 });
  });

  await test.step('as SVG and as PNG with a clear ground', async () => {
    const svg = await saved(page, 'Save SVG');
    expect(svg.name).toMatch(/^[a-z-]+-mark\.svg$/);
    const read = readSvg(new Uint8Array(svg.bytes));
    expect(read.ok && new Set(read.value.paths.map(({ colour }) => colour)).size).toBe(2);
    const png = await saved(page, 'Save PNG');
    const image = PNG.sync.read(png.bytes);
    expect([image.width, image.height]).toEqual([2000, 2000]);
    // Clear round the disc, full within it.
    expect(image.data[3]).toBe(0);
    expect(image.data[(1000 * 2000 + 40) * 4 + 3]).toBe(255);
  });

  await test.step('kept in the house style, put on the cover, undone as one step', async () => {
    await maker(page).getByRole('button', { name: 'Keep in the house style' }).click();
    await maker(page).getByRole('button', { name: 'Put it on the cover' }).click();
    await expect(maker(page)).toHaveCount(0);
    await expect(marks).toHaveCount(before + 1);
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(marks).toHaveCount(before);
    await page.getByRole('button', { name: 'Redo', exact: true }).click();
    await expect(marks).toHaveCount(before + 1);
    await kept(page);
    await page.reload();
    await coverReady(page);
    await expect(marks).toHaveCount(before + 1);
    await part(page, 'Mark').first().click();
    await page.keyboard.press('Shift+h');
    const house = page.getByRole('dialog', { name: 'House style' });
    await expect(house.getByRole('button', { name: /^Save .* as SVG$/ })).not.toHaveCount(0);
    await house.getByRole('button', { name: 'Make one from a name' }).click();
    await expect(maker(page).getByRole('button', { name: 'Put it on the cover' })).toHaveCount(0);
    await page.keyboard.press('Escape');
    await expect(house).toBeVisible();
  });
});

test('a ready group comes in one step, in the cover’s faces, and is bound together', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Open The Balcony Moss Garden' }).click({ timeout: 60_000 });
  await coverReady(page);
  const rows = page.getByRole('navigation', { name: 'Parts' }).getByRole('button');
  const before = await rows.count();
  const add = async (name: string): Promise<void> => {
    await page.getByRole('button', { name: 'Add a part' }).click();
    await page.getByRole('menuitem', { name }).click();
  };
  // A single volume has no number: the offer says so and cannot be taken.
  await page.getByRole('button', { name: 'Add a part' }).click();
  const number = page.getByRole('menuitem', { name: /Number in the series/ });
  await expect(number).toHaveAttribute('aria-disabled', 'true');
  await expect(number).toContainText('needs a number in the series');
  await page.keyboard.press('Escape');

  await add('Seal of an offer');
  await expect(page.getByText('2 parts', { exact: true }).first()).toBeVisible();
  await expect.poll(() => rows.count()).toBeGreaterThan(before);
  await coverReady(page);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect.poll(() => rows.count()).toBe(before);

  await add('Praise with a name');
  await coverReady(page);
  await expect(page.getByText('What a reader says of it').first()).toBeAttached();
  await kept(page);
  await page.reload();
  await coverReady(page);
  await expect.poll(() => rows.count()).toBeGreaterThan(before);
});
