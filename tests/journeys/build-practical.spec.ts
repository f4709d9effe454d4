import { fileOf, scenePixels } from '../fixtures/pictures';
import { bench, coverReady, expect, kept, looksLike, onToFront, part, pick, put, test } from './help';

test.use({ shelf: [] });

test('a picture-led practical cover, made from nothing', async ({ page }) => {
  test.setTimeout(600_000);
  const b = bench(page);
  const picture = put('stone-wall.jpg', await fileOf(scenePixels(1000, 1400), 'jpeg'));
  await page.goto('/');
  await pick(page, 'From a picture', picture);
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('radio', { name: 'A picture for a cover' }).click();
  await dialog.getByLabel('Title', { exact: true }).fill('A Year of Dry Walls');
  await dialog.getByLabel('Subtitle').fill('Building and mending with found stone');
  await dialog.getByLabel('Author').fill('Halvard Quill');
  await dialog.getByRole('button', { name: 'Compose covers' }).click();
  await onToFront(page);
  await coverReady(page);

  await test.step('ground of its own, with the picture in an arch', async () => {
    await part(page, 'Ground').click();
    await b.colour('Colour', '#f2ead8');
    await part(page, 'Picture').click();
    await b.open('What it is cut to');
    await b.choose('Cut to', 'Arch');
    await b.inspector.getByRole('checkbox', { name: 'Border' }).check();
    await b.colour('Border colour', '#3c2f22');
    await b.place(140, 880, 1320, 1340);
    await b.open('How it is developed');
    await b.slide('Contrast', 'Home', 120);
  });

  await test.step('title, subtitle and byline', async () => {
    await part(page, 'Title').click();
    await b.face('Fraunces');
    await b.colour('Colour', '#3c2f22');
    await b.place(null, 230, 1320, 580);
    await b.open('Words set apart');
    await b.colour('Colour of small words', '#8c3520');
    await part(page, 'Subtitle').click();
    await b.colour('Colour', '#fff8ea');
    await b.place(null, 1985, 960, 130);
    await b.inspector.getByRole('button', { name: 'To the centre' }).click();
    await part(page, 'Byline').click();
    await b.colour('Colour', '#3c2f22');
    await b.place(null, 2320, null, 100);
  });

  await test.step('a ribbon behind the subtitle, a badge with words of its own', async () => {
    await b.add('Ribbon');
    await expect(page.getByRole('heading', { name: 'Ribbon', level: 2 })).toBeVisible();
    await b.place(90, 1960, 1420, 200);
    await b.colour('Colour', '#a5452c');
    await b.inspector.getByRole('checkbox', { name: 'Drop shadow' }).check();
    // Added in front of all: words come to the very front again.
    await part(page, 'Subtitle').click();
    await b.inspector.getByRole('button', { name: 'To the very front' }).click();
    await b.add('Badge');
    await b.place(1130, 960, 340, 340);
    await b.colour('Colour', '#d9a441');
    await b.add('Words');
    await b.inspector.getByLabel('Words text').fill('Twelve\nwalls');
    await b.place(1200, 1065, 200, 140);
    await b.colour('Colour', '#2a1c06');
    await coverReady(page);
  });

  await test.step('paper over it, equal margins, every word readable', async () => {
    await b.add('Paper');
    await part(page, 'Paper').click();
    await page.locator('[data-surface]').focus();
    await page.keyboard.press('Escape');
    await b.inspector.getByRole('button', { name: 'Equal margins' }).click();
    await coverReady(page);
    await expect(b.inspector.getByText('Every word reaches a contrast of 4.5 : 1.')).toBeVisible();
    await kept(page);
    await looksLike(page, 'built-practical');
  });
});
