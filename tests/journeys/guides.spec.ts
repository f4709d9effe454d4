import type { Page } from '@playwright/test';
import { bench, coverReady, expect, kept, part, test } from './help';

test.use({ shelf: ['moss'] });

const open = async (page: Page): Promise<void> => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Open The Balcony Moss Garden' }).click({ timeout: 60_000 });
  await coverReady(page);
};
const lines = (page: Page) => page.locator('[data-guide]');

test('guides are pulled from the rulers, pull what is moved, and stay', async ({ page }) => {
  await open(page);
  const b = bench(page);
  const cover = (await page.locator('[data-surface]').boundingBox())!;
  const drag = async (from: [number, number], to: [number, number]): Promise<void> => {
    await page.mouse.move(...from);
    await page.mouse.down();
    await page.mouse.move(...to, { steps: 6 });
    await page.mouse.up();
  };

  await test.step('an upright line out of the left ruler, moved, and pushed off the page', async () => {
    const ruler = (await page.locator('[data-pull="x"]').boundingBox())!;
    await drag([ruler.x + 8, ruler.y + 200], [cover.x + 120, cover.y + 200]);
    await expect(lines(page)).toHaveCount(1);
    await drag([cover.x + 120, cover.y + 40], [cover.x + 150, cover.y + 40]);
    await expect.poll(async () => Math.round((await lines(page).boundingBox())!.x - cover.x)).toBe(147);
    await drag([cover.x + 150, cover.y + 40], [cover.x - 30, cover.y + 40]);
    await expect(lines(page)).toHaveCount(0);
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(lines(page)).toHaveCount(1);
  });

  await test.step('a part that comes near is pulled to it, and its place says so', async () => {
    await part(page, 'Mark').click();
    const value = async (name: string): Promise<number> =>
      Number(await b.inspector.getByLabel(name, { exact: true }).inputValue());
    const [left, top] = [await value('Left'), await value('Top')];
    const [width, height] = [await value('Width'), await value('Height')];
    const k = cover.width / 1600;
    const wanted = Math.round(((await lines(page).boundingBox())!.x + 3 - cover.x) / k);
    // Brought to within a few pixels of it by hand: the guide does the rest.
    const at: [number, number] = [cover.x + (left + width / 2) * k, cover.y + (top + height / 2) * k];
    await drag(at, [at[0] + (wanted - left) * k + 3, at[1]]);
    await expect.poll(async () => Math.abs((await value('Left')) - wanted)).toBeLessThanOrEqual(1);
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await kept(page);
    await page.reload();
    await coverReady(page);
    await expect(lines(page)).toHaveCount(1);
  });
});

test('by keys alone: guides by numbers, columns, the golden section, and none again', async ({ page }) => {
  await open(page);
  await page.keyboard.press('Shift+G');
  const dialog = page.getByRole('dialog', { name: 'Guides' });
  await expect(dialog).toBeVisible();
  await dialog.getByRole('button', { name: 'Add a level line' }).focus();
  await page.keyboard.press('Enter');
  const field = dialog.getByLabel('Line 1, from the top');
  await field.focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('1.25 in');
  await page.keyboard.press('Enter');
  await expect(field).toHaveValue('375');
  await dialog.getByRole('checkbox', { name: 'Columns' }).focus();
  await page.keyboard.press('Space');
  const columns = dialog.getByLabel('How many columns');
  await columns.focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('4');
  await page.keyboard.press('Enter');
  await dialog.getByRole('checkbox', { name: 'Golden section' }).focus();
  await page.keyboard.press('Space');
  // One of one's own, two sides of four columns, two and two of the golden section.
  await expect(page.locator('svg[data-guides]')).toHaveAttribute('data-guides', '13');
  await dialog.getByRole('button', { name: 'Take all away' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('svg[data-guides]')).toHaveCount(0);
  await page.keyboard.press('Escape');
  await expect(dialog).toHaveCount(0);
});
