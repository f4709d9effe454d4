import { fileOf, scenePixels } from '../fixtures/pictures';
import { bench, coverReady, expect, kept, looksLike, onToFront, part, pick, put, step, test } from './help';

test.use({ shelf: [] });

test('a series novel cover with band, frame, overlays and blends, made from nothing', async ({ page }) => {
  test.setTimeout(600_000);
  const b = bench(page);
  const picture = put('ridge.jpg', await fileOf(scenePixels(1000, 1600), 'jpeg'));
  await page.goto('/');
  await pick(page, 'From a picture', picture);
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('radio', { name: 'A picture for a cover' }).click();
  await dialog.getByLabel('Title', { exact: true }).fill('The Cartographer of Ash');
  await dialog.getByLabel('Author').fill('Mirel Anstruther');
  await dialog.getByRole('button', { name: 'Compose covers' }).click();
  await onToFront(page);
  await coverReady(page);
  await step(page, 'Brief');
  await page.getByLabel('Series', { exact: true }).fill('The Cinder Atlas');
  await page.getByLabel('Number in the series').fill('2');
  await step(page, 'Front');
  await coverReady(page);

  await test.step('overlays with blends', async () => {
    await b.add('Vignette');
    await b.choose('Blend mode', 'Multiply');
    await b.add('Light rays');
    await b.choose('Blend mode', 'Screen');
    await b.number('Opacity', 35);
    await b.add('Grain');
    await b.choose('Blend mode', 'Soft light');
  });

  await test.step('a band at the foot, multiplied, and a frame round all', async () => {
    await b.add('Band');
    await b.place(0, 2240, 1600, 320);
    await b.colour('Colour', '#241820');
    await b.choose('Blend mode', 'Multiply');
    await b.add('Frame');
    await b.colour('Colour', '#e8b46a');
    await b.number('Opacity', 80);
  });

  await test.step('a title in a gradient with a glow, small words apart', async () => {
    await part(page, 'Title').click();
    for (let i = 0; i < 6; i++) await page.keyboard.press(']');
    await b.place(null, 340, 1280, 860);
    await b.open('What shows in the letters');
    await b.choose('Letters filled with', 'Gradient in a direction');
    await b.colour('Colour 1', '#fff6e0');
    await b.colour('Colour 2', '#f0b860');
    await b.open('Round the letters');
    await b.inspector.getByRole('checkbox', { name: 'Glow' }).check();
    await b.colour('Glow colour', '#2a0f08');
    await b.open('Words set apart');
    await b.colour('Colour of small words', '#f0c890');
  });

  await test.step('series line and byline on top, in its colours', async () => {
    for (const [name, colour, top, width] of [
      ['Series line', '#f0c890', 190, 1200],
      ['Byline', '#fff6e0', 2330, 960],
    ] as const) {
      await part(page, name).click();
      for (let i = 0; i < 6; i++) await page.keyboard.press(']');
      await b.colour('Colour', colour);
      await b.place(null, top, width, null);
      await b.inspector.getByRole('button', { name: 'To the centre' }).click();
    }
    await coverReady(page);
    await page.locator('[data-surface]').focus();
    await page.keyboard.press('Escape');
    await expect(b.inspector.getByText('Every word reaches a contrast of 4.5 : 1.')).toBeVisible();
    await kept(page);
    await looksLike(page, 'built-novel');
  });
});
