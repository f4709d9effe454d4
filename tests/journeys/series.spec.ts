import { breaches, coverReady, expect, kept, shelf, shownPixel, step, test } from './help';

test.use({ shelf: ['lamplighter'] });

test('a finished front is carried to the series: seen first, pictures chosen, taken back in all at once', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Open A Debt of Foxfire' }).click({ timeout: 60_000 });
  await coverReady(page);
  await page.getByRole('button', { name: 'Carry to the series' }).click();
  const dialog = page.getByRole('dialog', { name: 'This front for the series' });
  const use = dialog.getByRole('button', { name: /^Use it on/ });
  await expect(use).toHaveText('Use it on 2 volumes', { timeout: 120_000 });
  await expect(use).toBeEnabled({ timeout: 120_000 });

  await test.step('every volume is there in reading order, the design as it is', async () => {
    const tiles = dialog.getByRole('list', { name: 'Volumes' }).getByRole('listitem');
    await expect(tiles).toHaveCount(3);
    await expect(tiles.nth(0)).toContainText('A Debt of Foxfire, as it is');
    await expect(tiles.nth(1).getByRole('checkbox', { name: 'The Ledger of Small Hours' })).toBeChecked();
    await expect(tiles.nth(2)).toContainText('so that the words read');
    expect(await breaches(page, '[role="dialog"]')).toEqual([]);
  });

  await test.step('one takes another picture, and is drawn again alone', async () => {
    await dialog.getByRole('combobox', { name: 'Picture of The Ledger of Small Hours' }).click();
    await page.getByRole('option', { name: 'The one of this design' }).click();
    await expect(dialog.getByText('Drawing the volumes: 2 of 3')).toBeVisible();
    await expect(use).toBeEnabled({ timeout: 60_000 });
    await dialog.getByRole('combobox', { name: 'Picture of The Ledger of Small Hours' }).click();
    await page.getByRole('option', { name: 'Its own' }).click();
    await expect(use).toBeEnabled({ timeout: 60_000 });
  });

  await test.step('one is left out, and none is refused', async () => {
    const box = dialog.getByRole('checkbox', { name: 'The Ledger of Small Hours' });
    await box.uncheck();
    await expect(use).toHaveText('Use it on 1 volume');
    await dialog.getByRole('checkbox', { name: 'Interest Paid in Snow' }).uncheck();
    await expect(use).toBeDisabled();
    await dialog.getByRole('checkbox', { name: 'Interest Paid in Snow' }).check();
    await box.check();
  });

  await use.click();
  await expect(page.getByText('The design is on 2 volumes. Their old covers are kept as versions.')).toBeVisible();

  const open = async (title: string): Promise<void> => {
    await page.getByRole('link', { name: 'Back to the Shelf' }).click();
    await page.getByRole('link', { name: `Open ${title}` }).click();
    await coverReady(page);
  };
  await open('Interest Paid in Snow');
  const parts = page.getByRole('navigation', { name: 'Parts' });
  const [title, line] = [
    parts.getByRole('button', { name: /^Title/ }),
    parts.getByRole('button', { name: /^Series line/ }),
  ];
  await expect(title).toContainText('Interest Paid in Snow');
  await expect(line).toContainText('Three');
  const carried = await shownPixel(page, /Interest Paid in Snow/, 0.5, 0.95);
  await page.keyboard.press('ControlOrMeta+z');
  await expect(page.getByText('Taken back in 2 titles.')).toBeVisible();
  await kept(page);
  await coverReady(page);
  expect(await shownPixel(page, /Interest Paid in Snow/, 0.5, 0.95)).not.toEqual(carried);
  await open('The Ledger of Small Hours');
  await page.getByRole('button', { name: 'Versions' }).click();
  await expect(page.getByRole('dialog', { name: 'Versions' })).toBeVisible();
  await expect(page.getByRole('button', { name: /Before the series design/ })).toHaveCount(0);
});

test('where no series is, it is said what makes one', shelf('moss'), async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Open The Balcony Moss Garden' }).click({ timeout: 60_000 });
  await coverReady(page);
  await expect(page.getByRole('button', { name: 'Carry to the series' })).toHaveCount(0);
  const ask = async (): Promise<void> => {
    await page.keyboard.press('ControlOrMeta+k');
    await page.getByRole('combobox').fill('series');
    await page.getByRole('option', { name: /Carry this front to the series/ }).click();
  };
  await ask();
  await expect(page.getByText(/This title is not in a series/)).toBeVisible();
  await page.keyboard.press('Escape');
  await step(page, 'Brief');
  await page.getByRole('textbox', { name: 'Series', exact: true }).fill('Green rooms');
  await step(page, 'Front');
  await coverReady(page);
  await ask();
  await expect(page.getByText(/No other volume of “Green rooms” is on the Shelf/)).toBeVisible();
});
