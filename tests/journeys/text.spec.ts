import type { Page } from '@playwright/test';
import { bench, coverReady, expect, fromWords, kept, looksLike, onToFront, part, shownMark, test } from './help';

test.use({ shelf: [] });

const COVER = /^Cover of/;
const GUIDE =
  'A guide for households that mend their own roofs, dig their own wells and would rather understand a boiler than replace it';
const FROST =
  'Once the first frost has come, a house begins to speak. Understanding its complaints is the difference between ' +
  'comfortable evenings and extraordinarily expensive ones; this handbook translates every creak, drip and draught.';

const undo = (page: Page): Promise<void> => page.getByRole('button', { name: 'Undo', exact: true }).click();
const checkbox = (page: Page, name: string) => bench(page).inspector.getByRole('checkbox', { name, exact: true });

async function begin(page: Page): Promise<void> {
  await fromWords(page, 'Wintering Well', 'Ines Calloway');
  await onToFront(page);
  await coverReady(page);
}

test('words fill a form, run round it, begin with a large letter and share a style', async ({ page }) => {
  const b = bench(page);
  await begin(page);

  await test.step('a form, filled with words as large as fit, in a colour that is seen on it', async () => {
    await b.add('Ellipse');
    await b.place(440, 340, 720, 720);
    await b.add('Words');
    await b.inspector.getByLabel('Words text').fill(GUIDE);
    await b.face('Work Sans');
    await b.open('How its lines run');
    await b.choose('Where the lines run', 'Inside ellipse');
    await b.number('Margin', 50);
    await coverReady(page);
    await expect(part(page, 'Words')).not.toContainText('faint');
  });

  await test.step('the title over it and the byline under it', async () => {
    await part(page, 'Title').click();
    await b.face('League Gothic');
    await checkbox(page, 'All capitals').check();
    await b.number('Tracking', 60);
    await b.open('How its lines run');
    await b.choose('Where the lines run', 'Along ellipse');
    await b.number('Size', 180);
    await part(page, 'Byline').click();
    await b.open('How its lines run');
    await b.choose('Where the lines run', 'Along ellipse');
    await b.inspector.getByRole('radio', { name: 'Under it' }).click();
    await b.number('Size', 76);
    await coverReady(page);
  });

  await test.step('a hand slides words along their line; undo brings them back', async () => {
    await expect(b.inspector.getByRole('slider', { name: 'Moved along' })).toHaveAttribute('aria-valuenow', '0');
    const before = await shownMark(page, COVER);
    await page.locator('[data-surface]').focus();
    for (let i = 0; i < 5; i++) await page.keyboard.press('Shift+ArrowRight');
    await expect(b.inspector.getByRole('slider', { name: 'Moved along' })).not.toHaveAttribute('aria-valuenow', '0');
    await expect.poll(() => shownMark(page, COVER)).not.toBe(before);
    await undo(page);
    await expect.poll(() => shownMark(page, COVER)).toBe(before);
  });

  await test.step('a running text with a large first letter, divided by the rules of English', async () => {
    await b.add('Words');
    await b.inspector.getByLabel('Words text').fill(FROST);
    await b.face('Spectral');
    await b.number('Size', 62);
    await b.number('Leading', 1.3);
    await b.inspector.getByRole('radio', { name: 'Left', exact: true }).click();
    await b.place(160, 1560, 1280, 800);
    await b.open('How its lines run');
    await checkbox(page, 'All lines equally wide').check();
    const whole = await shownMark(page, COVER);
    await checkbox(page, 'Divide long words').check();
    await expect.poll(() => shownMark(page, COVER)).not.toBe(whole);
    await checkbox(page, 'Large first letter').check();
    await b.choose('Face of the first letter', 'League Gothic');
    await b.colour('Colour of the first letter', '#e0734f');
    await b.inspector.getByRole('radio', { name: 'By eye' }).click();
  });

  await test.step('a style is named, given to another text, and changed in one place', async () => {
    await b.colour('Colour', '#f0dcb0');
    await b.inspector.getByRole('button', { name: 'Name this look as a style' }).click();
    await page.getByRole('dialog').getByLabel('Name').fill('Running text');
    await page.keyboard.press('Enter');
    await expect(b.inspector.getByText('Only these words have it.')).toBeVisible();
    await part(page, 'Byline').click();
    await b.choose('Style of the words', 'Running text');
    await expect(b.inspector.getByText('One other part has it too.')).toBeVisible();
    await b.number('Size', 76);
    await checkbox(page, 'All capitals').check();
    await expect(b.inspector.getByText('Differs in size, capitals.')).toBeVisible();
    await part(page, 'Words').first().click();
    await b.colour('Colour', '#d9e4d0');
    await expect(b.inspector.getByText('Differs in colour.')).toBeVisible();
    await b.inspector.getByRole('button', { name: 'Change the style to this' }).click();
    await part(page, 'Byline').click();
    // It follows in its colour, and keeps what is its own.
    await expect(b.inspector.getByRole('button', { name: 'Colour: #d9e4d0' })).toBeVisible();
    await expect(b.inspector.getByText('Differs in size, capitals.')).toBeVisible();
  });

  await kept(page);
  await looksLike(page, 'built-words');

  await test.step('the form goes: its words stay, along a line and in a place of their own', async () => {
    await part(page, 'Ellipse').click();
    await page.locator('[data-surface]').focus();
    await page.keyboard.press('Delete');
    await expect(part(page, 'Ellipse')).toHaveCount(0);
    await part(page, 'Title').click();
    await b.open('How its lines run');
    await expect(b.inspector.getByRole('combobox', { name: 'Where the lines run' })).toHaveText(
      'On a line of their own',
    );
    await coverReady(page);
    await page.reload();
    await coverReady(page);
    await expect(part(page, 'Title')).toContainText('Wintering Well');
  });
});

test('by keys alone: words go beside a picture-sized form, and a style is put on', async ({ page }) => {
  await begin(page);
  const b = bench(page);
  await b.add('Rectangle');
  await b.place(900, 300, 500, 700);
  await part(page, 'Title').focus();
  await page.keyboard.press('Enter');
  const before = await shownMark(page, COVER);
  const lines = b.inspector.getByRole('button', { name: 'How its lines run', exact: true });
  await lines.focus();
  await page.keyboard.press('Enter');
  const where = b.inspector.getByRole('combobox', { name: 'Where the lines run' });
  await where.focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('Beside');
  await page.keyboard.press('Enter');
  await expect(where).toHaveText('Beside rectangle');
  await expect(where).toBeFocused();
  await expect.poll(() => shownMark(page, COVER)).not.toBe(before);
  const style = b.inspector.getByRole('combobox', { name: 'Style of the words' });
  await b.inspector.getByRole('button', { name: 'Name this look as a style' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog').getByLabel('Name')).toBeFocused();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('Big words');
  await page.keyboard.press('Enter');
  await expect(style).toHaveText('Big words');
  await page.keyboard.press('Control+z');
  await expect(style).toHaveText('No style');
});
