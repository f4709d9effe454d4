import { BOOK_SCHEMA } from '@yosomi/core/project';
import { EpubCheck } from '@likecoin/epubcheck-ts';
import { unzipSync } from 'fflate';
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { fileOf, picturePixels } from '../fixtures/pictures';
import {
  coverReady,
  expect,
  kept,
  onToFront,
  part,
  pick,
  promosReady,
  put,
  saved,
  shownMark,
  shownPixel,
  step,
  test,
} from './help';

test.use({ shelf: ['lamplighter-1'] });

test('from a picture and three lines of words to all files, and back again', async ({ page }) => {
  const withPlace = await fileOf(picturePixels(900, 1400), 'jpeg', (image) =>
    image.withExif({
      IFD0: { Copyright: 'Secret Gardener' },
      IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' },
    }),
  );
  const picture = put('evening.jpg', withPlace);
  const other = put('other.png', await fileOf(picturePixels(700, 700, 5), 'png'));

  await page.goto('/');
  await expect(page.getByRole('link', { name: 'Open A Debt of Foxfire' })).toBeVisible({ timeout: 60_000 });
  await pick(page, 'From a picture', picture);

  const dialog = page.getByRole('dialog');
  await dialog.getByRole('radio', { name: 'A picture for a cover' }).click();
  await dialog.getByRole('button', { name: 'Compose covers' }).click();
  await expect(dialog.getByRole('alert')).toHaveText(/no title yet/);
  await dialog.getByLabel('Title', { exact: true }).fill('The Weight of Lanterns');
  await dialog.getByLabel('Author').fill('Oda Penhallow');
  await dialog.getByRole('button', { name: 'Compose covers' }).click();
  await onToFront(page);

  await test.step('Front: composed, measured, every word at 4.5 : 1', async () => {
    await expect(page).toHaveURL(/\/title\/.+\/front$/);
    await coverReady(page);
    await part(page, 'Title').click();
    const figure = page.getByText(/worst tenth/).locator('span');
    expect(Number(await figure.innerText())).toBeGreaterThanOrEqual(4.5);
    for (const width of [200, 120, 64])
      await expect(page.getByRole('img', { name: `The cover at ${width} px` })).toBeVisible();
  });

  await test.step('Front: type on the cover, and the Brief knows', async () => {
    const before = await shownMark(page, /^Cover of/);
    await page.locator('[data-surface]').focus();
    await page.keyboard.press('Enter');
    await page.getByRole('textbox', { name: 'Title on the cover' }).fill('The Weight of Two Lanterns');
    await page.keyboard.press('Control+Enter');
    await coverReady(page);
    await expect.poll(() => shownMark(page, /^Cover of/)).not.toBe(before);
    await step(page, 'Brief');
    await expect(page.getByLabel('Title', { exact: true })).toHaveValue('The Weight of Two Lanterns');
    await page.getByLabel('Strapline').fill('A short book of long evenings');
    await page.getByLabel('Pages').fill('320');
    await page.getByLabel('Website').fill('lanterns.example');
    await expect(page.getByText('Makes the book 20.2 mm thick.')).toBeVisible();
    await page.getByLabel('Pages').fill('many');
    await expect(page.getByText('Use a whole number from 1 to 3000.')).toBeVisible();
    await page.getByLabel('Pages').fill('320');
    await step(page, 'Front');
    await coverReady(page);
    await expect(part(page, 'Strapline')).toContainText('A short book of long evenings');
  });

  await test.step('Front: face, colour, size, undo and redo', async () => {
    await part(page, 'Title').click();
    await page.getByRole('combobox', { name: 'Face' }).click();
    await page.getByRole('option', { name: /Playfair Display/ }).click();
    await expect(page.getByRole('combobox', { name: 'Face' })).toContainText('Playfair Display');
    await page.getByRole('button', { name: /^Colour: #/ }).click();
    await page.getByLabel('Colour as #rrggbb').fill('#fff4d6');
    await page.keyboard.press('Escape');
    await coverReady(page);
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(page.getByRole('combobox', { name: 'Face' })).not.toContainText('Playfair Display');
    await page.getByRole('button', { name: 'Redo', exact: true }).click();
    await page.getByRole('button', { name: 'Redo', exact: true }).click();
    await expect(page.getByRole('combobox', { name: 'Face' })).toContainText('Playfair Display');
    await expect(page.getByRole('button', { name: 'Colour: #fff4d6, choose another' })).toBeVisible();
  });

  await test.step('Front: drag words, nudge them, move and zoom the picture, replace it', async () => {
    await coverReady(page);
    const surface = (await page.locator('[data-surface]').boundingBox())!;
    const left = page.getByLabel('Left', { exact: true });
    const from = Number(await left.inputValue());
    const top = Number(await page.getByLabel('Top', { exact: true }).inputValue());
    const x = surface.x + surface.width / 2;
    const y = surface.y + ((top + 120) / 2560) * surface.height;
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + 30, y + 12, { steps: 5 });
    await page.mouse.up();
    await expect.poll(async () => Number(await left.inputValue())).toBeGreaterThan(from + 60);
    const moved = Number(await left.inputValue());
    await page.locator('[data-surface]').focus();
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('Shift+ArrowLeft');
    await expect.poll(async () => Math.abs(Number(await left.inputValue()) - (moved - 11))).toBeLessThanOrEqual(1);

    await part(page, 'Picture').click();
    await coverReady(page);
    const still = await shownMark(page, /^Cover of/);
    await page.getByRole('slider', { name: 'Zoom' }).focus();
    for (let i = 0; i < 5; i++) await page.keyboard.press('PageUp');
    await coverReady(page);
    await expect.poll(() => shownMark(page, /^Cover of/)).not.toBe(still);
    const zoomed = await shownMark(page, /^Cover of/);
    await page.mouse.move(surface.x + surface.width / 2, surface.y + surface.height * 0.62);
    await page.mouse.down();
    await page.mouse.move(surface.x + surface.width / 2, surface.y + surface.height * 0.62 + 40, { steps: 4 });
    await page.mouse.up();
    await coverReady(page);
    await expect.poll(() => shownMark(page, /^Cover of/)).not.toBe(zoomed);
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Replace the picture' }).click(),
    ]);
    await chooser.setFiles(other);
    await expect(part(page, 'Picture')).toContainText('other');
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(part(page, 'Picture')).toContainText('evening');
    await kept(page);
  });

  await test.step('Mockups: turn it, and save it with true alpha', async () => {
    await step(page, 'Mockups');
    const scene = page.locator('canvas[data-state]');
    await expect(page.locator('canvas[data-state="final"]')).toBeVisible({ timeout: 60_000 });
    await expect(page.getByText('From 320 pages.')).toBeVisible();
    const turn = page.getByLabel('Turn', { exact: true });
    const angle = Number(await turn.inputValue());
    const box = (await scene.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 - 60, box.y + box.height / 2, { steps: 6 });
    await page.mouse.up();
    expect(Number(await turn.inputValue())).toBeLessThan(angle - 10);
    await expect(page.locator('canvas[data-state="final"]')).toBeVisible({ timeout: 60_000 });
    await expect(page.getByRole('button', { name: 'Save PNG, background clear' })).toBeInViewport();
    const file = await saved(page, () => page.getByRole('button', { name: 'Save PNG, background clear' }).click());
    expect(file.name).toBe('the-weight-of-two-lanterns-mockup-2000x2000.png');
    const png = PNG.sync.read(file.bytes);
    expect([png.width, png.height]).toEqual([2000, 2000]);
    const alphas = new Set<number>();
    for (let i = 3; i < png.data.length; i += 4) alphas.add(png.data[i]);
    expect(alphas.has(0) && alphas.has(255)).toBe(true);
    expect(alphas.size).toBeGreaterThan(100);
    expect(png.data[3]).toBe(0);
    expect(png.data[(1000 * 2000 + 1000) * 4 + 3]).toBe(255);
    await page.getByRole('radio', { name: 'Colour' }).click();
    await page.getByRole('button', { name: /^Ground colour: #/ }).click();
    await page.getByLabel('Colour as #rrggbb').fill('#336699');
    await page.keyboard.press('Escape');
    const opaque = await saved(page, () => page.getByRole('button', { name: 'Save PNG', exact: true }).click());
    const { data, info } = await sharp(opaque.bytes).raw().toBuffer({ resolveWithObject: true });
    expect(info.channels).toBe(3);
    expect([...data.subarray(0, 3)]).toEqual([0x33, 0x66, 0x99]);
    await page.getByRole('radio', { name: 'Clear' }).click();
  });

  await test.step('Promos: one message, in formats of one\u2019s choice; PNG and JPEG', async () => {
    await step(page, 'Promos');
    await page.getByRole('button', { name: /^Announcement/ }).click();
    await expect(page.getByRole('textbox', { name: 'Headline', exact: true })).toHaveValue(
      'A short book of long evenings',
    );
    await page.getByLabel('What to do').fill('Read a chapter');
    await page.getByRole('button', { name: 'Formats', exact: true }).click();
    for (const name of ['Upright', 'Tall', 'Wide', 'Link card', 'Poster', 'Header', 'Site head', 'Column'])
      await page.getByRole('checkbox', { name: new RegExp(`^${name}`) }).uncheck();
    await expect(page.locator('[data-tile]')).toHaveCount(2);
    await promosReady(page);
    await page.locator('[data-tile="square"]').focus();
    await page.keyboard.press('Enter');
    await expect(page.locator('main[data-fresh="true"]')).toBeVisible({ timeout: 60_000 });
    const png = await saved(page, () => page.getByRole('button', { name: 'Save this one' }).click());
    expect(png.name).toBe('the-weight-of-two-lanterns-announcement-square-1080x1080.png');
    expect(await sharp(png.bytes).metadata()).toMatchObject({ width: 1080, height: 1080, format: 'png', channels: 3 });
    await page.getByRole('radio', { name: 'JPEG' }).click();
    await page.getByLabel('Each at most').fill('under 150 KB');
    const jpeg = await saved(page, () => page.getByRole('button', { name: 'Save this one' }).click());
    expect(await sharp(jpeg.bytes).metadata()).toMatchObject({ width: 1080, height: 1080, format: 'jpeg' });
    expect(jpeg.bytes.length).toBeLessThanOrEqual(150 * 1024);
  });

  await test.step('Promos: one format keeps what is changed by hand, and can be given back', async () => {
    await part(page, 'Ground').click();
    await page.getByRole('button', { name: /^Colour 2: #/ }).click();
    await page.getByLabel('Colour as #rrggbb').fill('#123456');
    await page.keyboard.press('Escape');
    await page.locator('[data-surface]').focus();
    await page.keyboard.press('Escape');
    await expect(page.getByText('changed by hand.')).toBeVisible();
    await page.getByRole('button', { name: 'Give all back to the message and look' }).click();
    await expect(page.getByText(/^It follows the message and the look/)).toBeVisible();
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(page.getByText('changed by hand.')).toBeVisible();
    await page.getByRole('link', { name: 'All formats' }).click();
    await expect(page.locator('figure', { hasText: 'Square' })).toContainText('changed by hand');
  });

  await test.step('Deliver: make all, each checked, the files as promised', async () => {
    await step(page, 'Deliver');
    await page.getByRole('button', { name: 'Make all' }).click();
    await expect(page.locator('tr[data-state="made"]')).toHaveCount(7, { timeout: 120_000 });
    await expect(page.getByText('7 of 7 files are up to date.')).toBeVisible();
    await expect(page.getByText('Passes every check')).toHaveCount(7);
    const cover = await saved(page, () => page.getByRole('button', { name: /^Save .*longreach/ }).click());
    expect(cover.name).toBe('the-weight-of-two-lanterns-cover-longreach-1600x2560.jpg');
    const meta = await sharp(cover.bytes).metadata();
    expect(meta).toMatchObject({
      format: 'jpeg',
      width: 1600,
      height: 2560,
      space: 'srgb',
      channels: 3,
      depth: 'uchar',
      density: 300,
    });
    expect([meta.exif, meta.xmp, meta.iptc]).toEqual([undefined, undefined, undefined]);
    expect(meta.icc!.includes('sRGB')).toBe(true);
    expect(cover.bytes.length).toBeLessThan(50 * 1024 * 1024);
    const epub = await saved(page, () => page.getByRole('button', { name: /^Save .*epub/ }).click());
    const checked = await EpubCheck.validate(new Uint8Array(epub.bytes));
    expect(checked.messages.filter((m) => ['fatal', 'error', 'warning'].includes(m.severity))).toEqual([]);
    const zip = await saved(page, () => page.getByRole('button', { name: 'Save all as a zip' }).click());
    expect(Object.keys(unzipSync(new Uint8Array(zip.bytes))).sort()).toEqual([
      'the-weight-of-two-lanterns/README.txt',
      'the-weight-of-two-lanterns/ebook/the-weight-of-two-lanterns-ebook.epub',
      'the-weight-of-two-lanterns/longreach/the-weight-of-two-lanterns-cover-longreach-1600x2560.jpg',
      'the-weight-of-two-lanterns/pages/the-weight-of-two-lanterns-cover.pdf',
      'the-weight-of-two-lanterns/pages/the-weight-of-two-lanterns-cover.svg',
      'the-weight-of-two-lanterns/pictures/the-weight-of-two-lanterns-announcement-mail-1200x400.png',
      'the-weight-of-two-lanterns/pictures/the-weight-of-two-lanterns-announcement-square-1080x1080.png',
      'the-weight-of-two-lanterns/pictures/the-weight-of-two-lanterns-mockup-2000x2000.png',
    ]);
    for (const { bytes } of [cover, epub, zip]) expect(bytes.includes('Secret Gardener')).toBe(false);
  });

  await test.step('all of it is there after a reload, files too', async () => {
    await kept(page);
    await page.reload();
    await expect(page.locator('tr[data-state="made"]')).toHaveCount(7);
    await step(page, 'Front');
    await coverReady(page);
    await part(page, 'Title').click();
    await expect(page.getByRole('combobox', { name: 'Face' })).toContainText('Playfair Display');
  });

  await test.step('a change of the cover makes its files stale; remaking makes them new', async () => {
    await page.getByRole('checkbox', { name: 'All capitals', exact: true }).check();
    await kept(page);
    await step(page, 'Deliver');
    await expect(page.locator('tr[data-state="stale"]')).toHaveCount(7);
    await expect(page.getByRole('button', { name: /^Save .*longreach/ })).toBeDisabled();
    await page.getByRole('button', { name: 'Remake what is stale' }).click();
    await expect(page.locator('tr[data-state="made"]')).toHaveCount(7, { timeout: 120_000 });
  });

  await test.step('one file holds the title, and opens again beside it', async () => {
    const file = await saved(page, () => page.getByRole('button', { name: 'Save the title as a file' }).click());
    expect(file.name).toBe('the-weight-of-two-lanterns.yosomi');
    const entries = unzipSync(new Uint8Array(file.bytes));
    const manifest = JSON.parse(new TextDecoder().decode(entries['manifest.json']));
    expect(manifest).toMatchObject({
      format: 'yosomi',
      version: 1,
      book: { schema: BOOK_SCHEMA, brief: { title: 'The Weight of Two Lanterns' } },
    });
    const asset = Object.entries(entries).find(([name]) => name.startsWith('assets/'))![1];
    expect((await sharp(asset).metadata()).exif).toBeUndefined();
    await page.getByRole('link', { name: 'Back to the Shelf' }).click();
    await pick(page, 'Open .yosomi files', file.path);
    const asked = page.getByRole('dialog', { name: '"The Weight of Two Lanterns" is on your Shelf already' });
    await asked.getByRole('button', { name: 'Keep both' }).click();
    await expect(page).toHaveURL(/\/front$/);
    await coverReady(page);
    await page.getByRole('link', { name: 'Back to the Shelf' }).click();
    await expect(page.getByRole('link', { name: /^Open The Weight of Two Lanterns/ })).toHaveCount(2);
    await expect(page.getByRole('link', { name: /^Open The Weight of Two Lanterns \(from a file, as of/ })).toHaveCount(
      1,
    );
    await expect.poll(async () => (await shownPixel(page, /^Cover of The Weight/, 0.5, 0.5))[3]).toBe(255);
  });
});
