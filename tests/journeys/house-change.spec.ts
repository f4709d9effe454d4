import type { Page } from '@playwright/test';
import { breaches, coverReady, expect, kept, put, shelf, step, test } from './help';

const touched = (page: Page) => page.getByRole('list', { name: 'Titles that it touches' }).getByRole('listitem');
const report = (page: Page) => page.getByRole('region', { name: 'What was changed' });
const imprint = (page: Page) => page.getByRole('region', { name: 'Imprint' });
const site = (page: Page) => page.getByRole('region', { name: 'Site' });

async function toHouse(page: Page): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: 'House style' }).click();
  await expect(page.getByRole('heading', { name: 'House style', level: 1 })).toBeVisible();
}

test(
  'what titles share is changed in one place: seen before, taken for some, taken back as one',
  shelf('moss', 'weather', 'lamplighter-1'),
  async ({ page }) => {
    test.setTimeout(180_000);
    await toHouse(page);
    await expect(site(page).getByLabel('fernhollow.example')).toBeVisible({ timeout: 60_000 });
    expect(await breaches(page)).toEqual([]);

    await test.step('what is no site is refused where it is typed', async () => {
      await site(page).getByLabel('fernhollow.example').fill('my new site');
      await expect(site(page).getByRole('alert')).toContainText('is not a site');
      await site(page).getByLabel('fernhollow.example').fill('mossandquill.example');
      await expect(touched(page)).toHaveCount(3);
      const foxfire = page.getByRole('listitem', { name: 'A Debt of Foxfire' });
      await expect(foxfire).toContainText('The front stays as it is.');
      await expect(foxfire).toContainText('fernhollow.example/foxfire → After: mossandquill.example/foxfire');
      const moss = page.getByRole('listitem', { name: 'The Balcony Moss Garden' });
      await expect(moss).toContainText('Stays, for it may be meant so: ottoline@fernhollow.example');
    });

    await test.step('a face and a mark are seen on every front before they are taken', async () => {
      await page.getByRole('combobox', { name: 'In place of Fraunces' }).click();
      await page.getByRole('option', { name: 'Lora' }).click();
      const chooser = page.waitForEvent('filechooser');
      await page.getByRole('button', { name: 'A file in place of Fernhollow frond' }).press('Enter');
      await (
        await chooser
      ).setFiles(
        put('ring.svg', '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 90 30"><path d="M0 0H90V30H0Z"/></svg>'),
      );
      await expect(page.getByRole('button', { name: 'Leave Fernhollow frond as it is' })).toBeVisible();
      await page.getByRole('button', { name: 'Leave Fraunces as it is' }).click();
      await page.getByRole('combobox', { name: 'In place of Fraunces' }).click();
      await page.getByRole('option', { name: 'Lora' }).click();
      for (const name of ['The Balcony Moss Garden', 'Weather for Two Voices']) {
        const pair = page.getByRole('listitem', { name }).getByRole('img', { name: /^Cover of/ });
        await expect(pair).toHaveCount(2, { timeout: 60_000 });
        const shots = await pair.evaluateAll((all) => all.map((one) => (one as HTMLCanvasElement).toDataURL()));
        expect(shots[0]).not.toBe(shots[1]);
      }
      const count = page.getByRole('listitem', { name: 'The Balcony Moss Garden' }).getByText(/front \d+/);
      const withMark = Number(/front (\d+)/.exec(await count.innerText())![1]);
      await page.getByRole('button', { name: 'Leave Fernhollow frond as it is' }).click();
      await expect(count).toHaveText(new RegExp(`front ${withMark - 1}\\b`), { timeout: 60_000 });
      await expect(page.getByText('It looks the same.')).toHaveCount(0);
      expect(await breaches(page)).toEqual([]);
    });

    await test.step('taken for two of three', async () => {
      await page.getByRole('checkbox', { name: 'A Debt of Foxfire' }).uncheck();
      await page.getByRole('button', { name: 'Change 2 titles' }).click();
      await expect(report(page)).toContainText('The house style is changed, and 2 titles with it.');
      await expect(site(page).getByLabel('mossandquill.example')).toHaveValue('mossandquill.example');
      // What one title still says can be changed later.
      await expect(site(page).getByLabel('fernhollow.example')).toHaveValue('fernhollow.example');
      expect(await breaches(page)).toEqual([]);
    });

    await test.step('undone in one of them it is undone in all, and in the house', async () => {
      await page.getByRole('link', { name: 'Back to the Shelf' }).click();
      await page.getByRole('link', { name: 'Open Weather for Two Voices' }).click();
      await coverReady(page);
      await step(page, 'Brief');
      await expect(page.getByLabel('Website')).toHaveValue('mossandquill.example');
      await page.keyboard.press('Control+z');
      await expect(page.getByText('Taken back in 2 titles and in the house style.')).toBeVisible();
      await expect(page.getByLabel('Website')).toHaveValue('fernhollow.example');
      await kept(page);
      await toHouse(page);
      await expect(site(page).getByLabel('fernhollow.example')).toBeVisible({ timeout: 60_000 });
      await expect(site(page)).toContainText('3 titles');
      await expect(page.getByRole('combobox', { name: 'In place of Fraunces' })).toBeVisible();
    });

    await test.step('of a front whose picture is gone nothing is said of how it reads', async () => {
      await page.evaluate(async () => {
        const db = await new Promise<IDBDatabase>((done) => {
          const asked = indexedDB.open('yosomi');
          asked.addEventListener('success', () => done(asked.result));
        });
        const change = db.transaction('assets', 'readwrite');
        change.objectStore('assets').clear();
        await new Promise((done) => change.addEventListener('complete', done));
        db.close();
      });
      await toHouse(page);
      await page.getByRole('combobox', { name: 'In place of Fraunces' }).click({ timeout: 60_000 });
      await page.getByRole('option', { name: 'Lora' }).click();
      const moss = page.getByRole('listitem', { name: 'The Balcony Moss Garden' });
      await expect(moss.getByText(/not in this browser any more/)).toBeVisible({ timeout: 60_000 });
      await expect(moss.getByText(/Title from/)).toHaveCount(0);
    });
  },
);

test('an address is changed over 30 titles by the keyboard alone, and a new title says the new one', async ({
  page,
}) => {
  test.setTimeout(300_000);
  await page.goto('/');
  const rows = Array.from({ length: 30 }, (_, i) => `Field Notes ${i + 1}\tIda Quill\toldpress.example\tOld Press`);
  await page.getByRole('button', { name: 'From a table' }).click();
  const dialog = page.getByRole('dialog', { name: 'Titles from a table' });
  await dialog.getByLabel('Or paste cells here').fill(['title\tauthor\tsite\tpublisher', ...rows].join('\n'));
  await dialog.getByRole('button', { name: 'Read these cells' }).click();
  await dialog.getByRole('button', { name: 'Make 30 titles' }).click();
  await expect(page.getByRole('region', { name: 'What was made' })).toContainText('30 titles were put on the Shelf', {
    timeout: 180_000,
  });
  await page.getByRole('button', { name: 'House style' }).press('Enter');
  await expect(site(page).getByLabel('oldpress.example')).toBeVisible({ timeout: 60_000 });
  await site(page).getByLabel('oldpress.example').focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('newpress.example');
  await imprint(page).getByLabel('Old Press').focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('New Press');
  await expect(page.getByText('It touches 30 of 30 titles.')).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Change 30 titles' }).press('Enter');
  await expect(report(page)).toContainText('The house style is changed, and 30 titles with it.', { timeout: 60_000 });
  await expect(site(page).getByLabel('newpress.example')).toHaveValue('newpress.example');
  await expect(site(page)).toContainText('30 titles');
  await expect(site(page).getByLabel('oldpress.example')).toHaveCount(0);

  await test.step('a new title begins with what its house says', async () => {
    await page.getByRole('link', { name: 'Back to the Shelf' }).press('Enter');
    await page.getByRole('button', { name: 'From words' }).press('Enter');
    await page.getByLabel('Title', { exact: true }).fill('Field Notes at Dusk');
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/sketches/);
    await step(page, 'Brief');
    await expect(page.getByLabel('Website')).toHaveValue('newpress.example');
    await expect(page.getByLabel('Publisher')).toHaveValue('New Press');
    await kept(page);
  });

  await test.step('one press takes it back in all', async () => {
    await toHouse(page);
    await expect(site(page)).toContainText('31 titles', { timeout: 60_000 });
    await site(page).getByLabel('newpress.example').fill('third.example');
    await page.getByRole('button', { name: 'Change 31 titles' }).press('Enter');
    await expect(report(page)).toContainText('31 titles', { timeout: 60_000 });
    await report(page).getByRole('button', { name: 'Take it all back' }).press('Enter');
    await expect(page.getByText('Taken back in 31 titles and in the house style.')).toBeVisible({ timeout: 60_000 });
    await expect(site(page).getByLabel('newpress.example')).toHaveValue('newpress.example');
    await expect(site(page)).toContainText('31 titles');
  });
});

test('a house without titles says what it is for, and a new title begins with it', async ({ page }) => {
  await page.goto('/house');
  await expect(page.getByText('No title is on the Shelf yet.')).toBeVisible({ timeout: 60_000 });
  await imprint(page).getByLabel('Imprint of the house').fill('Moss and Quill');
  await expect(page.getByText('The house style alone is changed.')).toBeVisible();
  await page.getByRole('button', { name: 'Change the house style alone' }).click();
  await expect(report(page)).toContainText('The house style is changed.');
  await expect(imprint(page).getByLabel('Moss and Quill')).toHaveValue('Moss and Quill');
  expect(await breaches(page)).toEqual([]);
});
