import type { Page } from '@playwright/test';
import { GENRE_RULES, STRUCTURES } from '@yosomi/core/sketch';
import { fileOf, scenePixels } from '../fixtures/pictures';
import { coverReady, expect, fromWords, put, savedTitle, step, test } from './help';

test.use({ shelf: [] });

const covers = (page: Page) => page.locator('button[data-cover]');
const whole = (page: Page): Promise<void> => expect(covers(page)).toHaveCount(48, { timeout: 120_000 });

/** Of the covers on the sheet, the names of their structures. */
const structures = async (page: Page): Promise<string[]> => {
  const labels = await covers(page).evaluateAll((all) => all.map((one) => one.getAttribute('aria-label') ?? ''));
  return labels.map((label) => label.replace(/^Cover \d+: /, ''));
};

const begin = (page: Page, title: string, kind: string): Promise<void> => fromWords(page, title, 'Dana Voss', kind);

test('from words and a kind to a cover with a symbol that the words bring to mind, and another one by its noun', async ({
  page,
}) => {
  await begin(page, 'The Reckoning Road', 'Thriller');
  await whole(page);

  await test.step('the sheet is of its kind, and many of its covers show a symbol', async () => {
    await expect(page.getByText(GENRE_RULES.thriller.why)).toBeVisible();
    const shown = await structures(page);
    expect(shown.filter((name) => /symbol/i.test(name)).length).toBeGreaterThan(8);
    await page.getByRole('combobox', { name: 'Structures shown' }).click();
    await page.getByRole('option', { name: 'Symbol', exact: true }).click();
    for (const name of await structures(page)) expect(name).toMatch(/symbol/i);
  });

  await test.step('one of them is on the Front, with the road as a part', async () => {
    await page
      .getByRole('button', { name: /: A great symbol over the title/ })
      .first()
      .click();
    await page.getByRole('button', { name: 'Take it to the Front' }).click();
    await coverReady(page);
    await step(page, 'Deliver');
    const { book } = await savedTitle(page);
    expect([book.brief.kind, book.brief.genres]).toEqual(['story', ['thriller']]);
    expect(book.sheet.taken?.symbols).toHaveLength(1);
    const { symbol } = book.cover.parts;
    expect(symbol.kind === 'shape' && symbol.form.kind).toBe('drawn');
    expect(GENRE_RULES.thriller.faces.never).not.toContain(book.sheet.taken?.faces.title.split('/')[0]);
    await step(page, 'Front');
    await coverReady(page);
  });

  await test.step('by keyboard alone a symbol is found by a German noun and put on the cover; one step takes it back', async () => {
    const before = await page.getByRole('navigation', { name: 'Parts' }).getByRole('listitem').count();
    await page.getByRole('button', { name: 'Add a part' }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('menuitem', { name: 'Symbol', exact: true }).focus();
    await page.keyboard.press('Enter');
    const dialog = page.getByRole('dialog', { name: 'Symbol' });
    await expect(
      dialog.getByRole('region', { name: 'From your words' }).locator('[data-tile]').first(),
    ).toHaveAttribute('data-tile', 'road-horizon');
    await expect(dialog.getByLabel('What it shows')).toBeFocused();
    await page.keyboard.type('Schlüssel');
    await expect(dialog.locator('[data-tile]').first()).toHaveAttribute('data-tile', 'key');
    // Past the choice of hands to the drawings.
    await page.keyboard.press('Tab');
    await page.keyboard.press('Tab');
    await page.keyboard.press('ArrowRight');
    await expect(dialog.locator('[data-tile="keyhole"]')).toBeFocused();
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('Enter');
    await expect(dialog).toBeHidden();
    await coverReady(page);
    await expect(page.getByRole('complementary', { name: 'Inspector' })).toContainText('A drawing of 1 outline.');
    await page.keyboard.press('ControlOrMeta+z');
    await coverReady(page);
    expect(await page.getByRole('navigation', { name: 'Parts' }).getByRole('listitem').count()).toBe(before);
  });

  await test.step('what is not found proposes words that are near', async () => {
    await page.getByRole('button', { name: 'Add a part' }).click();
    await page.getByRole('menuitem', { name: 'Symbol', exact: true }).click();
    const dialog = page.getByRole('dialog', { name: 'Symbol' });
    await dialog.getByLabel('What it shows').fill('lantren');
    await expect(dialog).toContainText('Nothing is found for “lantren”.');
    await dialog.getByRole('button', { name: 'lantern', exact: true }).click();
    await expect(dialog.locator('[data-tile]').first()).toHaveAttribute('data-tile', 'lamp-pendant');
    await page.keyboard.press('Escape');
  });

  await test.step('another kind makes another sheet, mixed with a second one, and one step takes that back', async () => {
    await step(page, 'Sketches');
    await page.getByRole('combobox', { name: 'What it is' }).click();
    await page.getByRole('option', { name: 'Picture book', exact: true }).click();
    await page.getByRole('combobox', { name: 'With something of' }).click();
    await expect(page.getByRole('option', { name: 'Picture book', exact: true })).toHaveCount(0);
    await page.getByRole('option', { name: 'Poetry', exact: true }).click();
    await expect(page.getByText(GENRE_RULES['picture-book'].why)).toBeVisible();
    await page.keyboard.press('ControlOrMeta+z');
    await expect(page.getByRole('combobox', { name: 'With something of' })).toHaveText('Nothing else');
  });
});

test('with a picture most covers show it, half where one says so, and the author’s name is large where it sells', async ({
  page,
}) => {
  test.setTimeout(300_000);
  await begin(page, 'Slow Rivers', 'Travel');
  const photo = put('evening.jpg', await fileOf(scenePixels(1200, 1800), 'jpeg'));
  await page.locator('input[type="file"]').first().setInputFiles(photo);
  await expect(page.getByRole('radio', { name: 'Most', exact: true })).toBeChecked();
  await expect(covers(page)).not.toHaveCount(48);
  await whole(page);
  const shown = new Set(STRUCTURES.filter(({ asks }) => asks.pictures[0] > 0).map(({ name }) => name));
  const pictured = async (): Promise<number> => {
    const all = await structures(page);
    return all.filter((name) => shown.has(name)).length / all.length;
  };
  expect(await pictured()).toBeGreaterThanOrEqual(40 / 48);
  await page.getByRole('radio', { name: 'Half', exact: true }).click();
  await expect(covers(page)).not.toHaveCount(48);
  await whole(page);
  await expect(page.getByRole('button', { name: 'Stop', exact: true })).toBeHidden({ timeout: 60_000 });
  const half = await pictured();
  expect(half).toBeGreaterThanOrEqual(0.45);
  expect(half).toBeLessThan(0.8);
  await page.getByRole('checkbox', { name: 'The author’s name large' }).check();
  await expect(page.getByRole('checkbox', { name: 'The author’s name large' })).toBeChecked();
  await expect(covers(page)).not.toHaveCount(48);
  await whole(page);
  await page.keyboard.press('ControlOrMeta+z');
  await expect(page.getByRole('checkbox', { name: 'The author’s name large' })).not.toBeChecked();
});

test('where the symbols cannot be read the sheet is made without them, and says so', async ({ page }) => {
  await page.context().route(/symbols-.*\.json/, (route) => route.abort());
  await begin(page, 'The Reckoning Road', 'Thriller');
  await expect(page.getByText('The symbols could not be read, so no cover shows one.')).toBeVisible({
    timeout: 120_000,
  });
  for (const name of await structures(page)) expect(name).not.toMatch(/symbol/i);
  await page.context().unroute(/symbols-.*\.json/);
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByText('The symbols could not be read')).toBeHidden();
  await whole(page);
  expect((await structures(page)).filter((name) => /symbol/i.test(name)).length).toBeGreaterThan(8);
});
