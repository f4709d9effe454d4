import { readFileSync } from 'node:fs';
import { PDFDocument } from '@cantoo/pdf-lib';
import { EpubCheck } from '@likecoin/epubcheck-ts';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import sharp from 'sharp';
import { checkEpub } from '@yosomi/core/ebook';
import { writeProfiles, PROFILES } from '@yosomi/core/stores';
import type { Page } from '@playwright/test';
import { bookFile, plainPlan } from '../fixtures/epubs';
import { fileOf, picturePixels, scenePixels } from '../fixtures/pictures';
import { deliverOf, deliverTab as tab, expect, kept, put, saved, shelf, step, test } from './help';

test.use({ shelf: ['weather'] });

/** Drops a file on the place for them. */
async function drop(page: Page, name: string, bytes: Uint8Array | string): Promise<void> {
  await page.getByLabel('File to check').setInputFiles(put(name, bytes));
}

test(
  'files: other formats, names by a pattern, sent to the stand-in store, and what left is known',
  shelf('moss'),
  async ({ page }) => {
    await deliverOf(page, 'The Balcony Moss Garden');
    const row = page.locator('tr[data-file="store-longreach"]');
    await row.getByRole('combobox', { name: /^Format of/ }).selectOption('tiff');
    await expect(row).toContainText('.tif');
    await row.getByRole('button', { name: /^Make / }).click();
    await expect(row).toHaveAttribute('data-state', 'made', { timeout: 60_000 });
    await expect(row).toContainText('TIFF: exactly');

    await page.getByRole('button', { name: 'Names and sheets' }).click();
    const dialog = page.getByRole('dialog', { name: 'Names and sheets' });
    await dialog.getByRole('checkbox', { name: 'Name files by a pattern of my own' }).check();
    await dialog.getByLabel('Pattern', { exact: true }).fill('{author} {title}/{store}-{colour}');
    await expect(dialog.getByRole('alert')).toContainText('nothing called {colour}');
    // What names nothing is not left in silence, by Done nor by Esc.
    await dialog.getByRole('button', { name: 'Done' }).click();
    await expect(dialog.getByLabel('Pattern', { exact: true })).toBeFocused();
    await dialog.getByLabel('Pattern', { exact: true }).fill('');
    await expect(dialog.getByRole('alert')).toContainText('Type a pattern');
    await page.keyboard.press('Escape');
    await expect(page.getByText('The pattern was not kept: files are named as before.')).toBeVisible();
    await page.getByRole('button', { name: 'Names and sheets' }).click();
    await dialog.getByLabel('Pattern', { exact: true }).fill('{title}-{author}-{width}');
    await expect(dialog.getByRole('list', { name: 'Names of this title' }).getByRole('listitem').first()).toHaveText(
      'the-balcony-moss-garden-ottoline-frew-1600.tif',
    );
    await dialog.getByLabel('Pattern', { exact: true }).fill('{author} — {title}/{store}-{width}');
    await dialog.getByRole('radio', { name: 'A4' }).click();
    await dialog.getByLabel(/3 mm bleed/).check();
    await dialog.getByRole('button', { name: 'Done' }).click();
    await expect(row).toContainText('ottoline-frew-the-balcony-moss-garden-longreach-1600.tif');

    const tiff = await saved(page, () => row.getByRole('button', { name: /^Save / }).click());
    expect(tiff.name).toBe('ottoline-frew-the-balcony-moss-garden-longreach-1600.tif');
    expect(await sharp(tiff.bytes).metadata()).toMatchObject({
      format: 'tiff',
      width: 1600,
      height: 2560,
      density: 300,
    });
    await expect(row.locator('[data-left="saved"]')).toBeVisible();
    await row.getByRole('button', { name: /^Send / }).click();
    await expect(page.getByText('The stand-in store accepted the cover.')).toBeVisible({ timeout: 30_000 });
    await expect(row.locator('[data-left="sent"]')).toContainText('accepted');

    const pdfRow = page.locator('tr[data-file="pdf"]');
    await pdfRow.getByRole('button', { name: /^Make / }).click();
    await expect(pdfRow).toHaveAttribute('data-state', 'made', { timeout: 60_000 });
    const pdf = await saved(page, () => pdfRow.getByRole('button', { name: /^Save / }).click());
    const sheet = (await PDFDocument.load(pdf.bytes)).getPage(0);
    const mm = (pt: number): number => Math.round((pt / 72) * 25.4 * 10) / 10;
    expect([mm(sheet.getTrimBox().width), mm(sheet.getTrimBox().height)]).toEqual([210, 297]);
    expect([mm(sheet.getMediaBox().width), mm(sheet.getMediaBox().height)]).toEqual([215.9, 302.9]);

    // What left, and in which state, is there after a reload; a change of the cover makes it an older one.
    await page.reload();
    await expect(row.locator('[data-left="sent"]')).toContainText('accepted');
    await step(page, 'Brief');
    await page.getByLabel('Title', { exact: true }).fill('The Window Moss Garden');
    await kept(page);
    await step(page, 'Deliver');
    await expect(row).toHaveAttribute('data-state', 'stale');
    await expect(row.locator('[data-left="sent"]')).toContainText('an older cover');
  },
);

test('a foreign image is checked as a store would, and mended', shelf('moss'), async ({ page }) => {
  await deliverOf(page, 'The Balcony Moss Garden');
  await tab(page, 'Check a file');
  const picture = scenePixels(900, 1440);
  const image = () =>
    sharp(Buffer.from(picture.data), { raw: { width: 900, height: 1440, channels: 4 } }).removeAlpha();
  const report = page.getByRole('region', { name: 'The file' });
  const copy = page.getByRole('region', { name: 'The copy' });
  const choose = async (store: string): Promise<void> => {
    await page.getByRole('combobox', { name: 'Checked as a cover for' }).click();
    await page.getByRole('option', { name: store }).click();
  };
  const mend = async () => {
    await page.getByRole('button', { name: 'Make a copy that passes' }).click();
    return saved(page, () => copy.getByRole('button', { name: /^Save / }).click({ timeout: 60_000 }));
  };

  await choose('Bindery Row');
  await drop(
    page,
    'from a camera.jpg',
    new Uint8Array(
      await image()
        .jpeg({ quality: 95 })
        .withMetadata({ orientation: 6, exif: { IFD0: { Artist: 'Secret Person' } } })
        .toBuffer(),
    ),
  );
  await expect(report).toContainText('Would be refused');
  await expect(report.locator('[data-code="store-orientation"]')).toBeVisible();
  const upright = await mend();
  expect(upright.name).toBe('from-a-camera-mended.jpg');
  const meta = await sharp(upright.bytes).metadata();
  expect([meta.width, meta.height, meta.orientation, meta.exif]).toEqual([1440, 2160, undefined, undefined]);
  expect(upright.bytes.includes('Secret Person')).toBe(false);
  await expect(copy).toContainText('Turned upright.');

  // The same colours by another converter than the browser's.
  await choose('Pommel Books');
  const wide = new Uint8Array(await image().png().withIccProfile('p3').toBuffer());
  await drop(page, 'wide colours.png', wide);
  await expect(report.locator('[data-code="store-profile"]')).toBeVisible();
  const narrow = await mend();
  const [ours, theirs] = await Promise.all(
    [narrow.bytes, wide].map((b) => sharp(b).resize(90, 144).toColourspace('srgb').removeAlpha().raw().toBuffer()),
  );
  let sum = 0;
  for (let i = 0; i < ours.length; i++) sum += Math.abs(ours[i] - theirs[i]);
  expect(sum / ours.length).toBeLessThan(2);

  await choose('Pocketreel');
  await drop(page, 'print.jpg', new Uint8Array(await image().toColourspace('cmyk').jpeg().toBuffer()));
  await expect(report.locator('[data-code="store-colour"]')).toBeVisible();
  expect(await sharp((await mend()).bytes).metadata()).toMatchObject({ width: 400, height: 600, space: 'srgb' });
  await drop(page, 'scan.tif', await fileOf(picture, 'tiff'));
  await expect(report.locator('[data-code="store-format"]')).toContainText('TIFF');
  expect(await sharp((await mend()).bytes).metadata()).toMatchObject({ format: 'jpeg', width: 400, height: 600 });

  await drop(page, 'cover.jpg', '<!doctype html><title>no cover</title>');
  await expect(page.getByText('This is a web page. Choose a JPEG')).toBeVisible();
  await drop(page, 'cut.jpg', (await fileOf(picture, 'jpeg')).slice(0, 4000));
  await expect(page.getByText(/ends too early/)).toBeVisible();
});

test('a new edition of an ebook, and a PDF with its cover', async ({ page }) => {
  await deliverOf(page, 'Weather for Two Voices');
  await tab(page, 'Check a file');
  const old = await fileOf(picturePixels(60, 80, 4), 'jpeg');
  const before = bookFile({
    ...plainPlan(old),
    version: 2,
    property: false,
    page: 'svg',
    mimetype: 'last',
    wrapper: 'book/',
  });
  await drop(page, 'old.epub', before);
  const told = page.getByRole('region', { name: 'The ebook' });
  await expect(told).toContainText('An Old Book, Wren Marlow');
  await expect(told).toContainText('packed the ebook inside a folder (book)');
  await page.getByRole('button', { name: 'Take all from the Brief' }).click();
  await expect(page.getByText('Was: An Old Book')).toBeVisible();
  await page.getByLabel('Date', { exact: true }).fill('yesterday');
  await page.getByRole('button', { name: 'Make the new edition' }).click();
  await expect(page.getByText('"yesterday" is no date.')).toBeVisible();
  await page.getByLabel('Date', { exact: true }).fill('2026-11-26');
  await page.getByLabel('A title page with these words').check();
  await page.getByRole('button', { name: 'Make the new edition' }).click();
  const edition = page.getByRole('region', { name: 'The new edition' });
  await expect(edition).toContainText(/passes every check/i, { timeout: 60_000 });
  await expect(edition.locator('[data-change="title"]')).toContainText('Weather for Two Voices');
  await expect(edition.locator('[data-change="title-page"]')).toBeVisible();
  const made = await saved(page, () => edition.getByRole('button', { name: /^Save / }).click());
  expect(made.name).toBe('weather-for-two-voices.epub');
  const bytes = new Uint8Array(made.bytes);
  expect(await checkEpub(new Blob([bytes]))).toEqual([]);
  const messages = (await EpubCheck.validate(bytes)).messages.filter((m) =>
    ['fatal', 'error', 'warning'].includes(m.severity),
  );
  expect(messages).toEqual([]);
  expect(unzipSync(bytes)['EPUB/chapter.xhtml']).toEqual(unzipSync(before)['book/EPUB/chapter.xhtml']);

  await drop(page, 'locked.epub', bookFile({ ...plainPlan(old), encryption: 'locked' }));
  await expect(page.getByText(/locked by copy protection/)).toBeVisible();

  const doc = await PDFDocument.create();
  for (const text of ['One', 'Two']) doc.addPage([300, 450]).drawText(text);
  await drop(page, 'lead magnet.pdf', await doc.save());
  await page.getByRole('button', { name: 'Put the cover in' }).click();
  const pdf = await saved(page, () => page.getByRole('button', { name: /^Save .*\.pdf/ }).click({ timeout: 60_000 }));
  const opened = await PDFDocument.load(readFileSync(pdf.path));
  expect(opened.getPageCount()).toBe(3);
  expect(opened.getTitle()).toBe('Weather for Two Voices');
  expect(opened.getPage(0).getSize()).toEqual({ width: 300, height: 450 });
});

test('the reader shows covers on every screen, and a book can do no harm', async ({ page }) => {
  await deliverOf(page, 'Weather for Two Voices');
  await tab(page, 'Reader');
  await expect(page.getByText('Page 1 of 2')).toBeVisible({ timeout: 60_000 });
  const phone = page.frameLocator('iframe[title="The page on a phone"]');
  await expect(phone.locator('img')).toHaveAttribute('alt', /^Cover of Weather for Two Voices/);
  // The whole cover, not cut, on a screen of another ratio.
  const box = await phone.locator('img').evaluate((img) => {
    const r = img.getBoundingClientRect();
    return {
      w: r.width,
      h: r.height,
      inside: r.right <= innerWidth + 0.5 && r.bottom <= innerHeight + 0.5,
      ratio: (img as HTMLImageElement).naturalHeight / (img as HTMLImageElement).naturalWidth,
    };
  });
  expect(box.inside).toBe(true);
  expect(box.h / box.w).toBeCloseTo(box.ratio, 1);
  const greys = await page.getByRole('img', { name: 'The cover in 16 greys' }).evaluate((canvas) => {
    const c = canvas as HTMLCanvasElement;
    const { data } = c.getContext('2d')!.getImageData(0, 0, c.width, c.height);
    const seen = new Set<number>();
    let coloured = 0;
    for (let i = 0; i < data.length; i += 4) {
      seen.add(data[i]);
      if (data[i] !== data[i + 1] || data[i] !== data[i + 2]) coloured++;
    }
    return { levels: seen.size, coloured };
  });
  expect(greys.coloured).toBe(0);
  expect(greys.levels).toBeGreaterThan(4);
  expect(greys.levels).toBeLessThanOrEqual(16);
  await page.getByRole('button', { name: 'Next page' }).click();
  await expect(phone.locator('h1')).toHaveText('Weather for Two Voices');
  await expect(
    page.frameLocator('iframe[title="The cover as a page of words and a picture"]').locator('h1'),
  ).toBeVisible();

  const files = unzipSync(bookFile(plainPlan(await fileOf(picturePixels(60, 80, 4), 'jpeg'))));
  files['EPUB/chapter.xhtml'] = strToU8(
    '<html xmlns="http://www.w3.org/1999/xhtml"><head><title>x</title><script>parent.document.title = "owned"; fetch("http://far.example/")</script></head><body onload="document.title=1"><h1>Chapter of tricks</h1><img src="http://far.example/a.png" alt="far"/><a href="http://far.example/">away</a><form action="http://far.example/"><input/></form></body></html>',
  );
  await page.getByLabel('EPUB to read').setInputFiles(put('tricks.epub', zipSync(files)));
  await expect(page.getByText('tricks.epub')).toBeVisible();
  await page.getByRole('button', { name: 'Next page' }).click();
  await expect(phone.locator('h1')).toHaveText('Chapter of tricks');
  await expect(phone.locator('form, script, input')).toHaveCount(0);
  expect(await page.title()).toContain('Weather for Two Voices');
});

test('stores: what they ask and how the title stands, changed, added, taken in and given out', async ({ page }) => {
  await deliverOf(page, 'Weather for Two Voices');
  await tab(page, 'Stores');
  const cell = (store: string, demand: string) => page.locator(`[data-cell="${store}/${demand}"]`);
  await expect(cell('longreach', 'pixels')).toHaveAttribute('data-state', 'unknown');
  await page.getByRole('button', { name: 'Make and check' }).click();
  await expect(cell('longreach', 'pixels')).toHaveAttribute('data-state', 'pass', { timeout: 90_000 });
  await expect(cell('bindery', 'content')).toHaveAttribute('data-state', 'pass', { timeout: 90_000 });
  await expect(cell('fennel', 'pixels')).toHaveAttribute('data-state', 'none');
  await page.getByLabel('Sold at Fennel Road').check();
  await expect(cell('fennel', 'pixels')).toHaveAttribute('data-state', 'unknown');

  // A store that takes less: the file of before is stale, and the new one is smaller.
  await page.getByRole('button', { name: 'Change Longreach Reader Store' }).click();
  const dialog = page.getByRole('dialog', { name: 'Longreach Reader Store' });
  await dialog.getByLabel('Most bytes').fill('300');
  await dialog.getByLabel('Most bytes').press('Enter');
  await dialog.getByLabel('Ideal width').fill('500');
  await dialog.getByLabel('Ideal width').press('Enter');
  await expect(dialog.getByRole('alert')).toContainText('fewer than the least');
  await dialog.getByLabel('Ideal width').fill('1600');
  await dialog.getByLabel('Ideal width').press('Enter');
  await dialog.getByRole('button', { name: 'Keep it' }).click();
  await expect(cell('longreach', 'bytes')).toHaveAttribute('data-state', 'unknown');
  await expect(cell('longreach', 'bytes')).toContainText('up to 300 KB');
  await page.getByRole('button', { name: 'Make and check' }).click();
  await expect(cell('longreach', 'bytes')).toHaveAttribute('data-state', 'pass', { timeout: 90_000 });

  await page.getByRole('button', { name: 'Add a store' }).click();
  const fresh = page.getByRole('dialog', { name: 'A new store' });
  await fresh.getByLabel('Name', { exact: true }).fill('The corner shop');
  await fresh.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('columnheader', { name: /The corner shop/ })).toBeVisible();
  const out = await saved(page, () => page.getByRole('button', { name: 'Save as a file' }).click());
  expect(JSON.parse(out.bytes.toString()).stores).toHaveLength(PROFILES.length + 1);

  const taken = { ...PROFILES[0], id: 'far', name: 'The far shop' };
  await page.getByLabel('Stores file').setInputFiles(put('stores.json', writeProfiles([taken])));
  await expect(page.getByRole('columnheader', { name: /The far shop/ })).toBeVisible();
  await page
    .getByLabel('Stores file')
    .setInputFiles(put('broken.json', '{"format":"yosomi-stores","schema":2,"stores":[{"id":"x"}]}'));
  await expect(page.getByText(/not right: look at store 1/)).toBeVisible();
  await page.reload();
  await expect(page.getByRole('columnheader', { name: /The far shop/ })).toBeVisible();
  await page.getByRole('button', { name: 'Change The far shop' }).click();
  await page.getByRole('button', { name: 'Remove this store' }).click();
  await expect(page.getByRole('columnheader', { name: /The far shop/ })).toHaveCount(0);
});

test(
  'many titles are delivered at once: stopped, gone on with, packed',
  shelf('lamplighter-1', 'moss', 'weather'),
  async ({ page }) => {
    await page.goto('/');
    await expect(page.getByRole('link', { name: 'Open The Balcony Moss Garden' })).toBeVisible({ timeout: 60_000 });
    await page.getByRole('button', { name: 'Deliver many titles' }).click();
    const dialog = page.getByRole('dialog', { name: 'Deliver many titles' });
    await dialog.getByLabel('A Debt of Foxfire').uncheck();
    await dialog.getByRole('button', { name: 'Make the files' }).click();
    await expect(dialog.getByText(/^1 made/)).toBeVisible({ timeout: 60_000 });
    await dialog.getByRole('button', { name: 'Stop' }).click();
    await expect(dialog.locator('[data-batch="ended"]')).toBeVisible({ timeout: 60_000 });
    const kept = Number(/(\d+) made/.exec(await dialog.locator('[data-batch]').innerText())![1]);
    // The page is lost; what was made is not.
    await page.reload();
    await page.getByRole('button', { name: 'Deliver many titles' }).click();
    await dialog.getByLabel('A Debt of Foxfire').uncheck();
    await dialog.getByRole('button', { name: 'Make the files' }).click();
    await expect(dialog.locator('[data-batch="ended"]')).toHaveText(
      `${6 - kept} made, ${kept} up to date, 0 failed, of 6 files.`,
      { timeout: 120_000 },
    );
    const zip = await saved(page, () => dialog.getByRole('button', { name: 'Save the package' }).click());
    const names = Object.keys(unzipSync(new Uint8Array(zip.bytes)));
    expect(names.filter((n) => n.endsWith('.jpg'))).toHaveLength(6);
    expect(names.filter((n) => n.endsWith('README.txt'))).toHaveLength(2);
    expect(names.every((n) => /^[\w./-]+$/.test(n) && n.split('/').at(-1)!.length <= 100)).toBe(true);

    await test.step('for some stores: none, one that has its files, and one where nobody sells', async () => {
      await dialog.getByRole('radio', { name: 'Some stores' }).click();
      const make = dialog.getByRole('button', { name: 'Make the files' });
      await expect(dialog.getByText('Choose a store that covers are made for.')).toBeVisible();
      await expect(make).toBeDisabled();
      await expect(dialog.getByRole('button', { name: 'Save the package' })).toBeDisabled();
      await dialog.getByRole('checkbox', { name: 'Bindery Row' }).check();
      await make.click();
      const ended = dialog.locator('[data-batch="ended"]');
      await expect(ended).toHaveText('0 made, 2 up to date, 0 failed, of 2 files.', { timeout: 60_000 });
      await dialog.getByRole('checkbox', { name: 'Bindery Row' }).uncheck();
      await dialog.getByRole('checkbox', { name: 'Pommel Books' }).check();
      await make.click();
      await expect(ended).toHaveText('2 made, 0 up to date, 0 failed, of 2 files.', { timeout: 60_000 });
      const some = await saved(page, () => dialog.getByRole('button', { name: 'Save the package' }).click());
      const jpegs = Object.keys(unzipSync(new Uint8Array(some.bytes))).filter((n) => n.endsWith('.jpg'));
      expect(jpegs).toHaveLength(2);
      for (const name of jpegs) expect(name).toContain('pommel');
    });
  },
);

test('the whole of a book is checked, before and after, and what the new edition changed is told apart', async ({
  page,
}) => {
  await deliverOf(page, 'Weather for Two Voices');
  await tab(page, 'Check a file');
  const old = await fileOf(picturePixels(60, 80, 4), 'jpeg');
  const files = unzipSync(bookFile(plainPlan(old)));
  const chapter = Object.keys(files).find((name) => /chapter|text|one/i.test(name) && name.endsWith('.xhtml'))!;
  files[chapter] = strToU8(
    strFromU8(files[chapter]).replace('</body>', '<p align="left">By <blink>hand</blink></p></body>'),
  );
  const { mimetype, ...rest } = files;
  await drop(page, 'old.epub', zipSync({ mimetype: [mimetype, { level: 0 }], ...rest }));
  const whole = page.getByRole('region', { name: 'The whole book' });
  await expect(whole).toContainText('The book’s own pages were not.');
  await whole.getByRole('button', { name: 'Check the whole book' }).click();
  await expect(whole).toContainText(/In the file as it came: \d+ found, [1-9]\d* of them grave/, { timeout: 60_000 });
  await page.getByRole('button', { name: 'Make the new edition' }).click();
  await expect(page.getByRole('region', { name: 'The new edition' })).toBeVisible({ timeout: 60_000 });
  await whole.getByRole('button', { name: 'Check the whole book, before and after' }).click();
  await expect(whole).toContainText('New in the new edition: nothing found', { timeout: 60_000 });
});
