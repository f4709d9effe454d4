import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { DEMO_FOLDER } from '../fixtures/demos';
import { breaches, coverReady, expect, kept, put, saved, shelf, step, test } from './help';

const MANY = 200;
const AUTHORS = ['Dana Voss', 'Ida Quill', 'Marek Holt', 'Ilse Brannagh'];

type Loose = { book: { id: string; updatedAt: string; brief: Record<string, unknown> } };

/** Title files by the hundred, of one title that is nothing but type. */
function titleFiles(count: number): string[] {
  const poems = readdirSync(DEMO_FOLDER).find((name) => name.includes('weather') && name.endsWith('.yosomi'))!;
  const entries = unzipSync(new Uint8Array(readFileSync(join(DEMO_FOLDER, poems))));
  const manifest = JSON.parse(strFromU8(entries['manifest.json'])) as Loose;
  return Array.from({ length: count }, (_, i) => {
    const { book } = structuredClone(manifest);
    Object.assign(book, { id: `many-${i}`, updatedAt: new Date(Date.UTC(2026, 0, 1, i)).toISOString() });
    Object.assign(book.brief, { title: `Weather ${i}`, author: AUTHORS[i % AUTHORS.length] });
    if (i < 12) Object.assign(book.brief, { seriesName: 'The Quarry Letters', seriesNumber: i === 4 ? 20 : i + 1 });
    const packed = { ...entries, 'manifest.json': strToU8(JSON.stringify({ ...manifest, book })) };
    return put(`weather-${i}.yosomi`, zipSync(packed, { level: 1 }));
  });
}

const titles = (page: Page) => page.getByRole('region', { name: 'Titles', exact: true });
const card = (page: Page, title: string) => titles(page).getByRole('link', { name: `Open ${title}`, exact: true });
const report = (page: Page) => page.getByRole('region', { name: 'What became of the files' });
const chosen = (page: Page) => page.getByRole('region', { name: 'Chosen titles' });

async function openFiles(page: Page, files: readonly string[]): Promise<void> {
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Open .yosomi files' }).click(),
  ]);
  await chooser.setFiles([...files]);
}

async function openTitle(page: Page, title: string): Promise<void> {
  await card(page, title).click();
  await coverReady(page);
}

async function order(page: Page, menu: string, option: string): Promise<void> {
  await page.getByRole('combobox', { name: menu }).click();
  await page.getByRole('option', { name: option }).click();
}

test(
  'two hundred title files are opened at once, damaged ones stop none; they are found, put in order, chosen and removed',
  shelf('weather'),
  async ({ page }) => {
    test.setTimeout(240_000);
    await page.goto('/');
    await expect(card(page, 'Weather for Two Voices')).toBeVisible({ timeout: 60_000 });
    const files = titleFiles(MANY);
    const whole = readFileSync(files[0]);
    const damaged = put('torn.yosomi', whole.subarray(0, whole.length >> 1));

    await test.step('it can be stopped, and gone on with', async () => {
      await openFiles(page, [damaged, ...files, put('notes.txt', strToU8('Only words'))]);
      await expect(page.getByRole('progressbar', { name: /^Opening titles, \d+ of 202/ })).toBeVisible();
      await expect(page.getByRole('progressbar', { name: /^Opening titles, [1-9]\d* of 202/ })).toBeVisible();
      await page.getByRole('button', { name: 'Stop' }).click();
      await expect(report(page)).toContainText(/\d+ files were not looked at/);
      const now = Number(/(\d+) files were not/.exec((await report(page).textContent()) ?? '')![1]);
      expect(now).toBeGreaterThan(0);
      await report(page).getByRole('button', { name: 'Open them too' }).press('Enter');
      await expect(page.getByRole('progressbar', { name: /^Opening titles/ })).toBeVisible();
      await expect(report(page)).toContainText('could not be opened', { timeout: 120_000 });
      await expect(titles(page).getByText('201 titles')).toBeVisible();
      await expect(report(page)).toContainText('notes.txt: This is not a Yosomi title.');
    });

    await test.step('what is there already is told from what is there in another state', async () => {
      const other = titleFiles(1)[0];
      const entries = unzipSync(new Uint8Array(readFileSync(other)));
      const manifest = JSON.parse(strFromU8(entries['manifest.json'])) as Loose;
      manifest.book.brief.subtitle = 'Another';
      const newer = put(
        'weather-0-newer.yosomi',
        zipSync({ ...entries, 'manifest.json': strToU8(JSON.stringify(manifest)) }),
      );
      await openFiles(page, [files[1], files[2], newer, damaged]);
      await expect(report(page)).toContainText('No title was put on the Shelf. 2 are there already, just so.');
      await expect(report(page)).toContainText('torn.yosomi: This title file is damaged');
      await report(page).getByRole('button', { name: 'Put it beside the other' }).click();
      await expect(report(page)).toContainText('One title was put on the Shelf.');
      await expect(titles(page).getByText('202 titles')).toBeVisible();
      await report(page).getByRole('button', { name: 'Close this report' }).click();
      await expect(report(page)).toBeHidden();
    });

    await test.step('only what is near is there; all can be reached', async () => {
      expect(await titles(page).locator('[data-title]').count()).toBeLessThan(60);
      await order(page, 'Order of titles', 'By title');
      await expect(card(page, 'Weather 0')).toBeVisible();
      await expect(card(page, 'Weather 199')).toHaveCount(0);
      await card(page, 'Weather 0').focus();
      await page.keyboard.press('End');
      await expect(card(page, 'Weather 199')).toBeInViewport();
      await expect(titles(page).getByRole('listitem').last()).toHaveAttribute('aria-setsize', '202');
      // The one that has the keyboard stays, however far one looks.
      await expect(card(page, 'Weather 0')).toBeFocused();
      // Arrow keys go from title to title.
      await page.keyboard.press('ArrowRight');
      await expect(titles(page).getByRole('link', { name: /^Open Weather 0 \(from a file/ })).toBeFocused();
      for (let row = 0; row < 9; row++) await page.keyboard.press('ArrowDown');
      await expect(card(page, 'Weather 45')).toBeFocused();
      await expect(card(page, 'Weather 45')).toBeInViewport();
      await page.keyboard.press('ArrowUp');
      await expect(card(page, 'Weather 40')).toBeFocused();
      expect(await breaches(page)).toEqual([]);
    });

    await test.step('they are found by words, and grouped with what is odd about a series', async () => {
      await page.getByLabel('Find a title').fill('weather vos 16');
      await expect(titles(page).getByText('4 of 202 titles')).toBeVisible();
      await expect(card(page, 'Weather 16')).toBeVisible();
      await expect(card(page, 'Weather 168')).toBeVisible();
      await page.getByLabel('Find a title').fill('no such book');
      await expect(titles(page)).toContainText('No title, author or series on the Shelf begins with these words.');
      await page.getByLabel('Find a title').press('Escape');
      await order(page, 'Groups of titles', 'By series');
      await expect(titles(page).getByRole('heading', { name: 'The Quarry Letters' })).toBeVisible();
      await expect(titles(page)).toContainText(
        'Volumes 5, 13, 14, 15, 16, 17, 18 and 19 are not here. Volume 1 is here twice.',
      );
      const names = await titles(page)
        .locator('[data-title] a')
        .evaluateAll((all) => all.map((a) => a.ariaLabel));
      expect(names[1]).toMatch(/^Open Weather 0 \(from a file/);
      expect(names.filter((_, i) => i !== 1).slice(0, 5)).toEqual([0, 1, 2, 3, 5].map((i) => `Open Weather ${i}`));
    });

    await test.step('a whole stretch of them is chosen by keys, removed and put back as one', async () => {
      await page.getByRole('checkbox', { name: 'Choose Weather 0', exact: true }).focus();
      await page.keyboard.press('Space');
      await page.getByRole('checkbox', { name: 'Choose Weather 3', exact: true }).click({ modifiers: ['Shift'] });
      await expect(chosen(page)).toContainText('5 titles chosen');
      await chosen(page).getByRole('button', { name: 'Remove from the Shelf' }).press('Enter');
      await expect(titles(page).getByText('197 titles')).toBeVisible();
      await expect(chosen(page)).toBeHidden();
      await page.getByRole('button', { name: 'Put them back' }).click();
      await expect(titles(page).getByText('202 titles')).toBeVisible();
      await expect(card(page, 'Weather 3')).toBeVisible();
      // One that is chosen alone is not chosen any more once it is gone.
      await chosen(page).getByRole('button', { name: 'Choose none' }).click();
      await page.getByRole('checkbox', { name: 'Choose Weather 5', exact: true }).click();
      await expect(chosen(page)).toContainText('One title chosen');
      await chosen(page).getByRole('button', { name: 'Remove from the Shelf' }).click();
      await expect(titles(page).getByText('201 titles')).toBeVisible();
      await expect(chosen(page)).toBeHidden();
    });

    await test.step('those that are chosen are saved as files that open again', async () => {
      await page.getByLabel('Find a title').fill('quarry');
      await page.getByRole('checkbox', { name: 'Choose Weather 0', exact: true }).click();
      await chosen(page).getByRole('button', { name: 'Choose all 12' }).click();
      const file = await saved(page, () => chosen(page).getByRole('button', { name: 'Save as files' }).click());
      expect(file.name).toBe('yosomi-12-titles.zip');
      const inside = unzipSync(new Uint8Array(file.bytes));
      expect(Object.keys(inside)).toHaveLength(12);
      const first = Object.entries(inside).find(([name]) => name === 'weather-0-vol-1.yosomi')!;
      const manifest = JSON.parse(strFromU8(unzipSync(first[1])['manifest.json'])) as Loose;
      expect(manifest.book).toMatchObject({ id: 'many-0', brief: { title: 'Weather 0' } });
      // Escape closes a menu, empties the field, and only then lets go of what is chosen.
      await page.getByRole('button', { name: 'More for Weather 1', exact: true }).press('Enter');
      await page.keyboard.press('Escape');
      await expect(page.getByRole('menu')).toHaveCount(0);
      await page.getByLabel('Find a title').press('Escape');
      await expect(page.getByLabel('Find a title')).toHaveValue('');
      await expect(chosen(page)).toContainText('12 titles chosen');
      await page.keyboard.press('Escape');
      await expect(chosen(page)).toBeHidden();
    });
  },
);

test('files that became older than their cover are said on the Shelf', shelf('weather', 'moss'), async ({ page }) => {
  await page.goto('/');
  await openTitle(page, 'Weather for Two Voices');
  await step(page, 'Deliver');
  const row = page.getByRole('row', { name: /Cover as a page/ });
  await row.getByRole('button', { name: 'Make' }).click();
  await expect(row).toHaveAttribute('data-state', 'made', { timeout: 60_000 });
  await page.goto('/');
  const old = titles(page).getByText(/out of date/);
  await expect(card(page, 'Weather for Two Voices')).toBeVisible();
  await expect(old).toHaveCount(0);
  await openTitle(page, 'Weather for Two Voices');
  await step(page, 'Brief');
  await page.getByLabel('Author').fill('Ilse A. Brannagh');
  await kept(page);
  await page.getByRole('link', { name: 'Back to the Shelf' }).click();
  await expect(titles(page).getByText('One file out of date')).toBeVisible();
  await expect(titles(page)).toContainText('Ilse A. Brannagh');
});

test('a picture that was lost comes back with the file of its title', shelf('weather', 'moss'), async ({ page }) => {
  await page.goto('/');
  await expect(card(page, 'The Balcony Moss Garden')).toBeVisible({ timeout: 60_000 });
  await expect(card(page, 'Weather for Two Voices')).toBeVisible({ timeout: 60_000 });
  /** How many pictures are stored; all are taken away first where that is asked for. */
  const pictures = (lose: boolean): Promise<number> =>
    page.evaluate(
      (all) =>
        new Promise<number>((done, fail) => {
          const asked = indexedDB.open('yosomi');
          asked.addEventListener('error', () => fail(asked.error ?? new Error('no store')));
          asked.addEventListener('success', () => {
            const store = asked.result.transaction('assets', 'readwrite').objectStore('assets');
            if (all) store.clear();
            const count = store.count();
            count.addEventListener('success', () => {
              asked.result.close();
              done(count.result);
            });
          });
        }),
      lose,
    );
  const there = await pictures(false);
  expect(there).toBeGreaterThan(0);
  expect(await pictures(true)).toBe(0);
  const files = readdirSync(DEMO_FOLDER).filter((name) => /(weather|moss).*\.yosomi$/.test(name));
  await openFiles(
    page,
    files.map((name) => join(DEMO_FOLDER, name)),
  );
  await expect(report(page)).toContainText('2 are there already, just so.');
  expect(await pictures(false)).toBe(there);
});
