import type { Page } from '@playwright/test';
import { PNG } from 'pngjs';
import { again, coverReady, expect, kept, part, saved, settled, shownMark, shelf, step, test } from './help';

test.use({ shelf: ['lamplighter-1'] });

const open = async (page: Page, title: string): Promise<void> => {
  await page.goto('/');
  await page.getByRole('link', { name: `Open ${title}` }).click({ timeout: 60_000 });
};

test('a spine is edited like the cover and is on the book; a text stands on the back; words are foil', async ({
  page,
}) => {
  await open(page, 'A Debt of Foxfire');
  await step(page, 'Mockups');
  await settled(page);
  const spine = page.getByRole('group', { name: 'Spine' });
  await expect(spine).toContainText('made from the front');
  const before = await shownMark(page, /A Debt of Foxfire/);

  await test.step('its title moved to the foot is moved on the book', async () => {
    await spine.getByRole('button', { name: 'Edit', exact: true }).click();
    await expect(page.getByRole('img', { name: /^Spine of A Debt of Foxfire/ })).toBeVisible();
    await expect(page.getByRole('heading', { name: 'The spine' })).toBeVisible();
    const mark = await shownMark(page, /^Spine of/);
    await part(page, 'Byline').click();
    await page.getByRole('button', { name: 'Remove', exact: true }).click();
    await expect.poll(() => shownMark(page, /^Spine of/)).not.toBe(mark);
    await kept(page);
    await step(page, 'Mockups');
    await settled(page);
    await expect(spine).toContainText('edited in Front');
    expect(await shownMark(page, /A Debt of Foxfire/)).not.toBe(before);
  });

  await test.step('it is made from the front again, and undo brings the edited one back', async () => {
    await spine.getByRole('button', { name: 'Edit', exact: true }).click();
    await page.getByRole('button', { name: 'Spine', exact: true }).click();
    await page.getByRole('menuitem', { name: 'Make the spine from the front again' }).click();
    await expect(page.getByRole('img', { name: /^Cover of A Debt of Foxfire/ })).toBeVisible();
    await step(page, 'Mockups');
    await expect(spine).toContainText('made from the front');
    await page.keyboard.press('Control+z');
    await expect(spine).toContainText('edited in Front');
  });

  await test.step('the text of the Brief stands on the back', async () => {
    await step(page, 'Front');
    await coverReady(page);
    await page.getByRole('button', { name: 'Front', exact: true }).click();
    await page.getByRole('menuitem', { name: /^Back, made from the front/ }).click();
    await expect(page.getByRole('img', { name: /^Back of/ })).toBeVisible();
    await expect(part(page, 'Text of the back')).toBeVisible();
    const mark = await shownMark(page, /^Back of/);
    await step(page, 'Brief');
    await page.getByRole('textbox', { name: 'Text of the back' }).fill('One short line about a lamp.');
    await kept(page);
    await step(page, 'Front');
    await page.getByRole('button', { name: 'Front', exact: true }).click();
    await page.getByRole('menuitem', { name: /^Back, edited/ }).click();
    await expect.poll(() => shownMark(page, /^Back of/)).not.toBe(mark);
  });

  await test.step('a title of foil is another picture', async () => {
    await page.getByRole('button', { name: 'Back', exact: true }).last().click();
    await page.getByRole('menuitem', { name: /^Front,/ }).click();
    await coverReady(page);
    await part(page, 'Title').click();
    await page.getByRole('checkbox', { name: 'Foil in 3D' }).click();
    await kept(page);
    await step(page, 'Mockups');
    await settled(page);
    const foil = await shownMark(page, /A Debt of Foxfire/);
    await again(page, () => page.keyboard.press('Control+z'));
    expect(await shownMark(page, /A Debt of Foxfire/)).not.toBe(foil);
  });
});

test(
  'a table with a blur off the focus is saved as it is seen, kept, and compared',
  shelf('weather'),
  async ({ page }) => {
    await open(page, 'Weather for Two Voices');
    await step(page, 'Mockups');
    await settled(page);
    await page.getByRole('button', { name: 'Keep this scene' }).click();
    await page.getByRole('dialog').getByLabel('Name of the scene').fill('Bare');
    await page.keyboard.press('Enter');
    await again(page, () => page.getByRole('radio', { name: 'Table', exact: true }).click());
    await again(page, () => page.getByRole('radio', { name: 'Stone', exact: true }).click());
    await again(page, () => page.getByRole('radio', { name: 'Wood', exact: true }).click());
    await again(page, async () => {
      await page.getByRole('slider', { name: 'Blur out of focus' }).focus();
      await page.keyboard.press('End');
    });
    await expect(page.getByRole('slider', { name: 'Focus, near to far' })).toBeVisible();
    await again(page, async () => {
      await page.getByLabel('Cover stands off').fill('8');
      await page.getByLabel('Cover stands off').press('Enter');
    });
    for (const label of ['Width', 'Height']) {
      await page.getByLabel(label, { exact: true }).fill('300');
      await page.getByLabel(label, { exact: true }).press('Enter');
    }
    const file = await saved(page, () => page.getByRole('button', { name: 'Save PNG' }).click());
    const picture = PNG.sync.read(file.bytes);
    expect([picture.width, picture.height]).toEqual([300, 300]);
    const at = (x: number, y: number): number[] => [...picture.data.subarray((y * 300 + x) * 4, (y * 300 + x) * 4 + 4)];
    const [foot, head] = [at(150, 296), at(4, 4)];
    expect([foot[3], head[3]]).toEqual([255, 255]);
    expect(foot[0]).toBeGreaterThan(foot[2] + 30);
    expect(Math.abs(head[0] - head[2])).toBeLessThan(25);

    await page.getByRole('button', { name: 'Compare' }).click();
    const dialog = page.getByRole('dialog', { name: 'Compare two scenes' });
    const marks = (): Promise<number[]> =>
      Promise.all([/^The scene as it is/, /^Bare/].map((name) => shownMark(page, name)));
    await expect.poll(async () => new Set(await marks()).size, { timeout: 30_000 }).toBe(2);
    await again(page, () => dialog.getByRole('button', { name: 'Use this one' }).click());
    await expect(page.getByRole('radio', { name: 'Clear', exact: true })).toBeChecked();
  },
);
