import { coverReady, expect, kept, test } from './help';

test.use({ shelf: ['moss'] });

test('all sizes of a cover are seen at once, added, opened, refused twice and removed', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Open The Balcony Moss Garden' }).click({ timeout: 60_000 });
  await coverReady(page);
  const dialog = page.getByRole('dialog', { name: 'Every size' });
  const tiles = dialog.locator('[data-tile]');
  const open = async (): Promise<void> => {
    await page.keyboard.press('ControlOrMeta+k');
    await page.getByRole('combobox').fill('every size');
    await page.getByRole('option', { name: /Every size/ }).click();
    await expect(dialog).toBeVisible();
  };
  await open();
  const before = await tiles.count();
  // A canvas that shows nothing yet is 300 wide.
  await expect
    .poll(() =>
      tiles.locator('canvas').evaluateAll((all) => all.every((one) => (one as HTMLCanvasElement).width !== 300)),
    )
    .toBe(true);

  await test.step('a landscape one comes onto the table', async () => {
    await dialog.getByRole('button', { name: 'Landscape picture book', exact: true }).click();
    await expect(dialog).toHaveCount(0);
    await expect(page.getByText('3300 x 2550').first()).toBeVisible();
    await coverReady(page);
    await kept(page);
    await page.reload();
    await coverReady(page);
    await expect(page.getByText('3300 x 2550').first()).toBeVisible();
  });

  await test.step('one of the same shape is refused with its reason', async () => {
    await open();
    await expect(tiles).toHaveCount(before + 1);
    const landscape = dialog.getByRole('button', { name: 'Landscape picture book', exact: true });
    await expect(landscape).toHaveAttribute('aria-disabled', 'true');
    await dialog.getByRole('button', { name: 'One of your own' }).click();
    await dialog.getByRole('checkbox', { name: 'Keep the ratio' }).uncheck();
    await dialog.getByLabel('Width', { exact: true }).fill('1100');
    await dialog.getByLabel('Width', { exact: true }).press('Tab');
    await dialog.getByLabel('Height', { exact: true }).fill('850');
    await dialog.getByLabel('Height', { exact: true }).press('Tab');
    await expect(dialog.getByText('There is a size of this shape already.')).toBeVisible();
    await expect(dialog.getByRole('button', { name: 'Add this size' })).toHaveAttribute('aria-disabled', 'true');
  });

  await test.step('a shape that only a store asks for is opened by keys, and is a size of the title then', async () => {
    await tiles.first().focus();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await expect(tiles.nth(2)).toBeFocused();
    const name = (await tiles.nth(2).getAttribute('aria-label'))!;
    await page.keyboard.press('Enter');
    await expect(dialog).toHaveCount(0);
    await expect(page.getByText(/\d+ x \d+/.exec(name)![0]).first()).toBeVisible();
  });

  await test.step('removed, and undone', async () => {
    await open();
    await dialog.getByRole('button', { name: 'Remove Landscape picture book' }).click();
    await expect(tiles.filter({ hasText: '' })).toHaveCount(before);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await open();
    await expect(dialog.getByRole('button', { name: 'Remove Landscape picture book' })).toBeVisible();
  });
});
