import type { Locator, Page } from '@playwright/test';
import { composeSheet, noHouse, sheetAsk } from '@yosomi/core/recipe';
import { STRUCTURES, findStructure, planSheet } from '@yosomi/core/sketch';
import { NodeStudio, shippedSymbols } from '@yosomi/node-kit';
import { coverReady, expect, fromWords, onToFront, part, savedTitle, step, test } from './help';

test.use({ shelf: ['lamplighter'] });

const covers = (page: Page): Locator => page.locator('button[data-cover]');

const whole = (page: Page): Promise<void> => expect(covers(page)).toHaveCount(48, { timeout: 90_000 });

/** The structures of the covers that are shown, in order, as they are read out. */
const structures = async (page: Page): Promise<string[]> => {
  const labels = await covers(page).evaluateAll((all) => all.map((one) => one.getAttribute('aria-label') ?? ''));
  return labels.map((label) => label.replace(/^Cover \d+: /, '').replace(/, (a favourite|to compare)/g, ''));
};

test('from words alone to a sheet, two covers compared, one on the Front, changed there, and back', async ({
  page,
}) => {
  await fromWords(page, 'The Salt Roads', 'Imre Castellan');
  await whole(page);
  const shown = await structures(page);
  const names = new Set(STRUCTURES.map((s) => s.name));
  for (const name of shown) expect(names).toContain(name);
  shown.forEach((name, i) => expect(shown.slice(i + 1, i + 6)).not.toContain(name));

  await test.step('the keyboard leads from cover to cover, keeps and compares', async () => {
    await covers(page).first().focus();
    await page.keyboard.press('c');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('c');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('k');
    await page.keyboard.press('Enter');
    await expect(page.locator('button[data-cover][aria-pressed="true"]')).toHaveAttribute('aria-label', /a favourite$/);
    await expect(page.getByRole('radio', { name: 'Favourites 1' })).toBeVisible();
  });

  await test.step('two covers beside each other, large and 120 px wide', async () => {
    await page.getByRole('radio', { name: 'Compare 2' }).click();
    const list = page.getByRole('list', { name: 'Compared covers' });
    await expect(list.getByRole('img')).toHaveCount(4);
    const small = list.getByRole('img', { name: /120 px$/ }).first();
    await expect.poll(async () => (await small.boundingBox())?.width).toBe(120);
    const large = list.getByRole('img', { name: /large$/ }).first();
    expect((await large.boundingBox())!.width).toBeGreaterThan(240);
    await list.getByRole('button', { name: 'Take it' }).nth(1).click();
  });

  await test.step('on the Front everything is a part, and reads', async () => {
    await expect(page).toHaveURL(/\/front$/);
    await coverReady(page);
    await part(page, 'Title').click();
    await page.getByLabel('Title text').fill('The Long Salt Roads');
    await coverReady(page);
    await expect(page.locator('[data-verdict="200"]')).not.toContainText('Fails');
  });

  await test.step('back on the sheet it is made anew for the new words, and what was kept is there', async () => {
    await step(page, 'Sketches');
    await whole(page);
    await page.getByRole('radio', { name: 'Favourites 1' }).click();
    await expect(covers(page)).toHaveCount(1);
    await expect(page.getByRole('button', { name: 'Compose it anew' })).toBeVisible();
    // Nothing was typed since: the sheet is there at once, without being made again.
    await step(page, 'Brief');
    await step(page, 'Sketches');
    await expect(covers(page)).toHaveCount(48, { timeout: 1500 });
  });

  await test.step('composed anew, undone, and after a reload as it was', async () => {
    await page.getByRole('button', { name: 'Compose it anew' }).click();
    await expect(page.getByText('The sketch is composed anew.')).toBeVisible();
    await page.keyboard.press('Control+z');
    await page.waitForTimeout(900);
    await page.reload();
    await whole(page);
    await expect(page.getByRole('radio', { name: 'Favourites 1' })).toBeVisible();
  });

  await test.step('the title file has the sheet: another machine makes the same covers of it', async () => {
    const here = (await structures(page)).slice(0, 8);
    await step(page, 'Deliver');
    const { book, files } = await savedTitle(page);
    expect(book.sheet.favourites).toHaveLength(1);
    expect(book.sheet.taken).not.toBeNull();
    const ask = sheetAsk(book, noHouse, [], shippedSymbols());
    const plan = planSheet(ask);
    if (!plan.ok) throw new Error(plan.fault.code);
    const there: string[] = [];
    for await (const made of composeSheet(plan.value, ask, 8, new NodeStudio(files), 320))
      there.push(findStructure(made.sketch.structure)?.name ?? '');
    expect(there).toEqual(here);
  });
});

test('a sheet of a volume: stopped and gone on with, filtered, more of one, in company, and over the series', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Open The Ledger of Small Hours' }).click({ timeout: 60_000 });
  await step(page, 'Sketches');
  await expect(covers(page).first()).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(page.getByText(/^Stopped after \d+/)).toBeVisible();
  expect(await covers(page).count()).toBeLessThan(48);
  await page.getByRole('button', { name: 'Make the rest' }).click();
  await whole(page);

  await test.step('only structures of one group, and only one mood', async () => {
    await page.getByRole('combobox', { name: 'Structures shown' }).click();
    await page.getByRole('option', { name: 'Part picture' }).click();
    const typed = STRUCTURES.filter((s) => s.group === 'window').map((s) => s.name);
    const shown = await structures(page);
    expect(shown.length).toBeGreaterThan(3);
    expect(shown.length).toBeLessThan(48);
    for (const name of shown) expect(typed).toContain(name);
    await page.getByRole('combobox', { name: 'Structures shown' }).click();
    await page.getByRole('option', { name: 'All structures' }).click();
    await page.getByRole('combobox', { name: 'Moods shown' }).click();
    await page.getByRole('option', { name: 'Grave' }).click();
    expect(await covers(page).count()).toBeLessThan(48);
    await page.getByRole('combobox', { name: 'Moods shown' }).click();
    await page.getByRole('option', { name: 'All moods' }).click();
  });

  await test.step('more like one keeps its structure', async () => {
    await covers(page).nth(2).click();
    const [, , own] = await structures(page);
    await page.getByRole('button', { name: 'Show more like this' }).click();
    await expect(page.getByText('More like')).toContainText(own);
    await expect.poll(() => covers(page).count(), { timeout: 60_000 }).toBeGreaterThan(7);
    for (const name of await structures(page)) expect(name).toBe(own);
    await page.getByRole('button', { name: 'Back to the whole sheet' }).click();
    await whole(page);
  });

  await test.step('like another title of the Shelf keeps its faces, and shows many structures', async () => {
    await page.getByRole('combobox', { name: 'Like another title' }).click();
    await page.getByRole('option', { name: 'A Debt of Foxfire' }).click();
    await expect(page.getByText(/^More like the (cover|faces) of “A Debt of Foxfire”/)).toBeVisible();
    await expect.poll(() => covers(page).count(), { timeout: 60_000 }).toBeGreaterThan(7);
    expect(new Set(await structures(page)).size).toBeGreaterThan(4);
    const panel = page.getByRole('complementary', { name: 'The chosen cover' });
    const faces: (string | null)[] = [];
    for (const i of [0, 3, 6]) {
      await covers(page).nth(i).click();
      faces.push(
        await panel
          .getByText(/^\S.* with \S/)
          .first()
          .textContent(),
      );
    }
    expect(new Set(faces).size).toBe(1);
    await page.getByRole('button', { name: 'Back to the whole sheet' }).click();
    await whole(page);
  });

  await test.step('among made-up neighbours at 120 px', async () => {
    await page.getByRole('radio', { name: 'In company' }).click();
    const list = page.getByRole('list', { name: 'Among others' });
    await expect(list.getByRole('img', { name: /^Yours/ })).toHaveCount(4, { timeout: 60_000 });
    await expect(list.getByRole('img', { name: /made-up neighbour/ })).toHaveCount(8);
    expect((await list.getByRole('img').first().boundingBox())!.width).toBe(120);
    await page.getByRole('radio', { name: 'Sheet 48' }).click();
  });

  await test.step('one design for three volumes, each cover they had kept, taken back in all at once', async () => {
    await covers(page).nth(1).click();
    await page.getByRole('button', { name: 'Try it on the series' }).click();
    const dialog = page.getByRole('dialog', { name: 'One design for the series' });
    await expect(dialog.getByRole('img', { name: /in this design$/ })).toHaveCount(3, { timeout: 60_000 });
    await dialog.getByRole('button', { name: 'Use it on 3 volumes' }).click();
    await expect(page.getByText('The design is on 3 volumes.')).toBeVisible({ timeout: 30_000 });
    await step(page, 'Front');
    await coverReady(page);
    const versions = page.getByRole('button', { name: /Before the series design/ });
    const inVersions = async (title: string, count: number): Promise<void> => {
      await page.getByRole('link', { name: 'Back to the Shelf' }).click();
      await page.getByRole('link', { name: `Open ${title}` }).click();
      await coverReady(page);
      await page.getByRole('button', { name: 'Versions' }).click();
      await expect(page.getByRole('dialog', { name: 'Versions' })).toBeVisible();
      await expect(versions).toHaveCount(count);
      await page.keyboard.press('Escape');
    };
    await inVersions('A Debt of Foxfire', 1);
    // From any of the volumes.
    await page.keyboard.press('ControlOrMeta+z');
    await expect(page.getByText('Taken back in 3 titles.')).toBeVisible();
    await inVersions('The Ledger of Small Hours', 0);
    await inVersions('Interest Paid in Snow', 0);
    await page.keyboard.press('ControlOrMeta+Shift+z');
    await expect(page.getByText('Made again in 3 titles.')).toBeVisible();
    await inVersions('A Debt of Foxfire', 1);
  });
});

test('what a sheet cannot do is said, with what to do', async ({ page }) => {
  await fromWords(page, '苔の庭', 'Oda Penhallow');
  await expect(page.getByRole('alert')).toContainText('No face here has all letters');
  await step(page, 'Brief');
  await page.getByLabel('Title', { exact: true }).fill('');
  await step(page, 'Sketches');
  await expect(page.getByRole('alert')).toContainText('no title yet');
  await page.getByRole('button', { name: 'Go to the Brief' }).click();
  await page.getByLabel('Title', { exact: true }).fill('Ash');
  await page.getByRole('button', { name: 'Tender' }).click();
  await step(page, 'Sketches');
  await whole(page);
  await page.getByLabel('Number', { exact: true }).fill('77');
  await page.getByLabel('Number', { exact: true }).press('Enter');
  await expect(page.getByRole('progressbar')).toBeVisible();
  await whole(page);
  await test.step('a picture drawn for the title, and structures that show it', async () => {
    const pictured = STRUCTURES.filter((one) => one.asks.pictures[0] > 0).map((one) => one.name);
    for (const name of await structures(page)) expect(pictured).not.toContain(name);
    await page.getByRole('combobox', { name: 'Draw a picture' }).click();
    await page.getByRole('option', { name: 'Night over pines' }).click();
    await expect(page.getByRole('img', { name: 'Picture 1' })).toBeVisible({ timeout: 60_000 });
    await expect
      .poll(async () => (await structures(page)).filter((name) => pictured.includes(name)).length, { timeout: 60_000 })
      .toBeGreaterThan(12);
    await whole(page);
  });
  await page.getByRole('checkbox', { name: 'A colour' }).click();
  await page.waitForTimeout(700);
  await expect.poll(() => covers(page).count(), { timeout: 60_000 }).toBeGreaterThan(11);
  await onToFrontAgain(page);
});

/** The first composition is still on the Front: the sheet changes nothing before a cover is taken. */
async function onToFrontAgain(page: Page): Promise<void> {
  await onToFront(page);
  await coverReady(page);
  await expect(part(page, 'Title')).toBeVisible();
}
