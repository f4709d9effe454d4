import { bench, coverReady, expect, kept, looksLike, onToFront, part, test } from './help';

test.use({ shelf: [] });

const wave = (y: number, rise: number, phase: number): [number, number][] =>
  Array.from({ length: 41 }, (_, i) => [0.03 + (0.94 * i) / 40, y + Math.sin((i / 40) * Math.PI * 3 + phase) * rise]);

test('a type-only poetry cover with drawn curves, made from nothing', async ({ page }) => {
  test.setTimeout(600_000);
  const b = bench(page);
  await page.goto('/');
  await page.getByRole('button', { name: 'From words' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Title', { exact: true }).fill('Letters to a Slow River');
  await dialog.getByLabel('Subtitle').fill('Poems');
  await dialog.getByLabel('Author').fill('Tamsin Orrel');
  await dialog.getByRole('button', { name: 'Compose covers' }).click();
  await onToFront(page);
  await coverReady(page);

  await test.step('a ground and a face', async () => {
    await part(page, 'Ground').click();
    await b.colour('Colour', '#e9e2d0');
    await part(page, 'Title').click();
    await b.face('Playfair Display');
    await b.colour('Colour', '#1f3340');
    await b.place(160, 230, 1280, 800);
    await b.open('Words set apart');
    await b.colour('Colour of small words', '#9a3f24');
    await part(page, 'Subtitle').click();
    await b.colour('Colour', '#9a3f24');
    await part(page, 'Byline').click();
    await b.colour('Colour', '#1f3340');
    await coverReady(page);
  });

  await test.step('two curves drawn by hand, and a family between them', async () => {
    await page.locator('[data-surface]').focus();
    await page.keyboard.press('d');
    await b.draw(wave(0.78, 0.035, 0));
    await expect(page.getByRole('heading', { name: 'Drawn curve', level: 2 })).toBeVisible();
    await b.colour('Colour', '#2f6f78');
    await b.number('Width', 7);
    await b.slide('Thin start', 'End');
    await b.slide('Thin end', 'End');
    await page.locator('[data-surface]').focus();
    await page.keyboard.press('Escape');
    await page.keyboard.press('d');
    await b.draw(wave(0.56, 0.05, 1.4));
    await b.colour('Colour', '#2f6f78');
    await b.number('Width', 7);
    await b.slide('Thin start', 'End');
    await b.slide('Thin end', 'End');
    await b.inspector.getByRole('radio', { name: 'To another' }).click();
    await b.number('How many', 14);
    await b.choose('Blend mode', 'Multiply');
    await coverReady(page);
  });

  await test.step('a point can be taken out again', async () => {
    const points = page.locator('[data-node$="-point"]');
    const before = await points.count();
    expect(before).toBeGreaterThanOrEqual(3);
    expect(before).toBeLessThan(14);
    await points.nth(1).click();
    await page.locator('[data-surface]').focus();
    await page.keyboard.press('Delete');
    await expect(points).toHaveCount(before - 1);
    await page.keyboard.press('Control+z');
    await expect(points).toHaveCount(before);
  });

  await test.step('every word reads', async () => {
    await page.keyboard.press('Escape');
    await coverReady(page);
    await expect(b.inspector.getByText('Every word reaches a contrast of 4.5 : 1.')).toBeVisible();
    await kept(page);
    await looksLike(page, 'built-poems');
  });
});
