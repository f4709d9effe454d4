import type { Page } from '@playwright/test';
import { writePng } from '@yosomi/core/image-file';
import { raster } from '@yosomi/core/pixels';
import { breaches, coverReady, expect, put, saved, shelf, step, test } from './help';

const TABLE = `Title;Writer;Series;Vol.;Genre;Extent;Store;Picture;Price
The Ferryman's Ledger;Ines Quarry;The Quay Books;1;mystery;312 pp;Nowhere;;3
Low Water Mark;Ines Quarry;The Quay Books;2;mystery;298;;;3
Dusk at Ardan;Ida Quill;;;literary;3 hundred;;dusk.png;
;Nobody;;;;;;;
low water mark;ines  quarry;the quay books;2;;;;;
`;

const titles = (page: Page) => page.getByRole('region', { name: 'Titles', exact: true });
const card = (page: Page, title: string) => titles(page).getByRole('link', { name: `Open ${title}`, exact: true });
const report = (page: Page) => page.getByRole('region', { name: 'What was made' });
const dialog = (page: Page) => page.getByRole('dialog', { name: 'Titles from a table' });
const row = (page: Page, line: number) =>
  dialog(page)
    .getByRole('region', { name: 'Rows' })
    .getByRole('listitem')
    .nth(line - 1);

async function give(page: Page, name: string, text: string): Promise<void> {
  if (!(await dialog(page).isVisible())) await page.getByRole('button', { name: 'From a table' }).click();
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    dialog(page).getByRole('button', { name: 'Choose a table' }).click(),
  ]);
  await chooser.setFiles(put(name, text));
}

/** A picture with one side lighter than the other. */
function dusk(): string {
  const picture = raster(1200, 1600);
  for (let i = 0; i < picture.data.length; i += 4) {
    const y = Math.floor(i / 4 / 1200) / 1600;
    picture.data.set([30 + 150 * y, 40 + 60 * y, 90 - 30 * y, 255], i);
  }
  return put('dusk.png', writePng(picture, 72));
}

test(
  'a table becomes titles with covers, and the Shelf a table that changes them',
  shelf('weather'),
  async ({ page }) => {
    test.setTimeout(240_000);
    await page.goto('/');
    await expect(card(page, 'Weather for Two Voices')).toBeVisible({ timeout: 60_000 });

    await test.step('what is no table is refused in a sentence', async () => {
      await page.getByRole('button', { name: 'From a table' }).click();
      expect(await breaches(page)).toEqual([]);
      await give(page, 'titles.csv', 'PK\u0003\u0004 a workbook');
      await expect(dialog(page).getByRole('alert')).toContainText('a spreadsheet’s own file. Save it there as CSV');
      await give(page, 'titles.csv', 'Title\n"A\n');
      await expect(dialog(page).getByRole('alert')).toContainText('a quote without its partner at line 2');
    });

    await test.step('its columns are understood, or told, and each row says what becomes of it', async () => {
      await give(page, 'autumn.csv', TABLE);
      await expect(dialog(page)).toContainText('autumn.csv, 5 rows: 3 new, 2 left out.');
      await expect(row(page, 1)).toContainText('Not known as stores, and left out: Nowhere.');
      await expect(row(page, 3)).toContainText('“3 hundred” is no number of pages from 1 to 3000 and is left out.');
      await expect(row(page, 3)).toContainText('Its picture “dusk.png” is not given');
      await expect(row(page, 4)).toContainText('No title.');
      await expect(row(page, 5)).toContainText('The same title as in row 2.');
      expect(await breaches(page)).toEqual([]);
      const column = (name: string) => dialog(page).getByRole('combobox', { name: `What the column “${name}” is` });
      await expect(column('Price')).toHaveText('Left out');
      await column('Title').click();
      await page.getByRole('option', { name: 'Left out' }).click();
      await expect(dialog(page).getByRole('alert')).toHaveText('Say which column is the title.');
      await expect(dialog(page).getByRole('button', { name: 'Nothing to make' })).toHaveAttribute(
        'aria-disabled',
        'true',
      );
      await column('Title').click();
      await page.getByRole('option', { name: 'Title', exact: true }).click();
      await expect(dialog(page)).toContainText('3 new, 2 left out.');
    });

    await test.step('the picture that a row names is given, and stands on its cover', async () => {
      const [chooser] = await Promise.all([
        page.waitForEvent('filechooser'),
        dialog(page).getByRole('button', { name: 'Choose the pictures' }).click(),
      ]);
      await chooser.setFiles(dusk());
      await expect(dialog(page)).toContainText('1 of 1 pictures are given.');
      await expect(row(page, 3)).not.toContainText('is not given');
      await dialog(page)
        .getByRole('checkbox', { name: /^Only rows to look at \(4\)/ })
        .click();
      await expect(dialog(page).getByRole('region', { name: 'Rows' }).getByRole('listitem')).toHaveCount(4);
      await dialog(page).getByRole('button', { name: 'Make 3 titles' }).click();
      await expect(report(page)).toContainText('3 titles were put on the Shelf.', { timeout: 60_000 });
      await card(page, 'Dusk at Ardan').click();
      await coverReady(page);
      await step(page, 'Brief');
      await expect(page.getByLabel('Author')).toHaveValue('Ida Quill');
      await expect(page.getByLabel('Pages')).toHaveValue('');
      await page.getByRole('link', { name: 'Shelf' }).click();
    });

    await test.step('the same table again makes nothing', async () => {
      await give(page, 'autumn.csv', TABLE);
      await expect(dialog(page)).toContainText('5 rows: 3 on the Shelf already, 2 left out.');
      await expect(dialog(page).getByRole('button', { name: 'Nothing to make' })).toBeVisible();
      await page.keyboard.press('Escape');
    });

    await test.step('the Shelf is saved as a table; what is changed there is changed here, and taken back as one', async () => {
      await page.getByRole('checkbox', { name: 'Choose Low Water Mark' }).click();
      await page.getByRole('button', { name: 'Choose all 4' }).click();
      const file = await saved(page, () => page.getByRole('button', { name: 'Save as a table' }).click());
      const text = new TextDecoder().decode(file.bytes);
      expect(text.split('\r\n')[0]).toContain('title,subtitle,author,series,number');
      await give(page, 'same.csv', text);
      await expect(dialog(page)).toContainText('4 rows: 4 on the Shelf already.');
      await dialog(page).getByRole('button', { name: 'Another table' }).click();
      await give(page, 'other.csv', text.replaceAll('Ines Quarry', 'Ines Quay'));
      await expect(dialog(page)).toContainText('4 rows: 2 changed, 2 on the Shelf already.');
      await dialog(page).getByRole('button', { name: 'Change 2 titles' }).click();
      await expect(report(page)).toContainText('2 titles were changed.');
      await expect(titles(page).getByText('Ines Quay')).toHaveCount(2);
      const kept = await saved(page, () => report(page).getByRole('button', { name: 'Save this report' }).click());
      expect(new TextDecoder().decode(kept.bytes).match(/,changed,/g)).toHaveLength(2);
      await report(page).getByRole('button', { name: 'Take the changes back' }).click();
      await expect(page.getByText('Taken back in 2 titles.')).toBeVisible();
      await expect(titles(page).getByText('Ines Quarry')).toHaveCount(2);
    });
  },
);

test(
  'cells are pasted by keys alone; the making is stopped, gone on with and taken off again',
  shelf('weather'),
  async ({ page }) => {
    test.setTimeout(240_000);
    await page.goto('/');
    await expect(card(page, 'Weather for Two Voices')).toBeVisible({ timeout: 60_000 });
    const cells = `Title\tAuthor\n${Array.from({ length: 24 }, (_, i) => `Harbour Papers ${i + 1}\tIda Quill`).join('\n')}`;
    await page.getByRole('button', { name: 'From a table' }).focus();
    await page.keyboard.press('Enter');
    await expect(dialog(page)).toBeVisible();
    await page.keyboard.press('Tab');
    await page.keyboard.press('Tab');
    await expect(dialog(page).getByLabel('Or paste cells here')).toBeFocused();
    await page.keyboard.insertText(cells);
    await dialog(page).getByRole('button', { name: 'Read these cells' }).press('Enter');
    await expect(dialog(page)).toContainText('24 rows: 24 new.');
    await dialog(page).getByRole('button', { name: 'Make 24 titles' }).press('Enter');
    await expect(page.getByRole('progressbar', { name: /^Making titles, [1-9]\d* of 24/ })).toBeVisible({
      timeout: 60_000,
    });
    await page.getByRole('button', { name: 'Stop' }).press('Enter');
    await expect(report(page)).toContainText(/\d+ rows were not made/, { timeout: 30_000 });
    const there = Number(/(\d+) titles? w/.exec((await report(page).textContent()) ?? '')?.[1] ?? 1);
    expect(there).toBeLessThan(24);
    await report(page).getByRole('button', { name: 'Make them too' }).press('Enter');
    await expect(report(page)).toContainText(`${24 - there} titles were put on the Shelf.`, { timeout: 90_000 });
    await expect(titles(page).getByText('25 titles', { exact: true })).toBeVisible();
    await report(page).getByRole('button', { name: 'Take them off again' }).press('Enter');
    await expect(titles(page).locator('[data-title]')).toHaveCount(1 + there);
    await page.getByRole('button', { name: 'Put them back' }).press('Enter');
    await expect(titles(page).getByText('25 titles', { exact: true })).toBeVisible();
  },
);
