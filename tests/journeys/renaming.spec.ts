import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PDFDocument, StandardFonts } from '@cantoo/pdf-lib';
import type { Page } from '@playwright/test';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { oldEdition } from '../fixtures/old-edition';
import { deliverOf, deliverTab as tab, expect, put, saved, test } from './help';

test.use({ shelf: ['weather'] });

const drop = (page: Page, name: string, bytes: Uint8Array): Promise<void> =>
  page.getByLabel('File to check').setInputFiles(put(name, bytes));

test('old names are found in a book, seen before and after, chosen, and changed', async ({ page }) => {
  await deliverOf(page, 'Weather for Two Voices');
  await tab(page, 'Check a file');
  await drop(page, 'old.epub', oldEdition());
  await page.getByRole('checkbox', { name: 'Change old names inside the book too' }).check();
  const author = page.getByLabel('Author in the new edition');
  await expect(page.getByLabel('Author in the old edition')).toHaveValue('Orla Finch', { timeout: 30_000 });
  await expect(page.getByLabel('Mail address in the old edition')).toHaveValue('orla@oldpress.example');
  // The title's own names stand ready; others are typed.
  await expect(page.getByLabel('Title in the new edition')).toHaveValue('Weather for Two Voices');
  await author.fill('Mara Quill');
  await page.getByLabel('Site in the old edition').fill('https://oldpress.example/');
  await page.getByLabel('Site in the new edition').fill('a site');
  await page.getByRole('button', { name: 'Find them in the book' }).click();
  await expect(page.getByText('“a site” is not a site. Type it like example.com.')).toBeVisible();
  await page.getByLabel('Site in the new edition').fill('newpress.example');
  await page.getByRole('button', { name: 'Find them in the book' }).click();
  const places = page.getByRole('region', { name: 'Places of old names' });
  const own = places.getByRole('region', { name: 'Author: Orla Finch' });
  await expect(own).toContainText('7 of 8 places');
  await expect(own).toContainText('Orla Finch’s first day');
  await expect(own).toContainText('Mara Quill’s first day');
  await expect(own).toContainText('with an ending');
  await expect(places).toContainText('An ISBN stands in EPUB/title.xhtml.');
  // What is doubted is asked; what is sure can be left.
  const doubted = own.locator('li', { hasText: 'first day' }).getByRole('checkbox');
  await expect(doubted).not.toBeChecked();
  await doubted.check();
  await own.locator('li', { hasText: 'at sea' }).getByRole('checkbox').uncheck();
  await expect(own).toContainText('7 of 8 places');
  // Whose text it was goes along, as far as the old edition tells it.
  await page.getByRole('button', { name: 'Name the work it is from' }).click();
  await expect(page.getByLabel('The work', { exact: true })).toHaveValue('The Salt Garden');
  await page.getByRole('button', { name: 'CC BY 4.0', exact: true }).click();
  await page.getByRole('button', { name: 'Done' }).click();
  await page.getByRole('button', { name: 'Make the new edition' }).click();
  const edition = page.getByRole('region', { name: 'The new edition' });
  await expect(edition.locator('[data-change="names"]', { hasText: 'Orla Finch' })).toContainText('7 x Mara Quill', {
    timeout: 60_000,
  });
  const made = await saved(page, () => edition.getByRole('button', { name: /^Save / }).click());
  const files = unzipSync(new Uint8Array(made.bytes));
  expect(strFromU8(files['EPUB/c.xhtml'])).toContain('ara Quill went out');
  expect(strFromU8(files['EPUB/c.xhtml'])).toContain('alt="Orla Finch at sea"');
  expect(strFromU8(files['EPUB/nav.xhtml'])).toContain('Mara Quill’s first day');
  expect(strFromU8(files['EPUB/title.xhtml'])).toContain('MARA QUILL');
  const pages = Object.values(files).map((one) => strFromU8(one));
  expect(pages.filter((one) => one.includes('Text: “The Salt Garden” by Orla Finch. CC BY 4.0.'))).toHaveLength(1);
  // A name that is typed anew takes the list away: what was chosen was for other words.
  await author.fill('Mara Quillfeather');
  await expect(places).toBeHidden();
});

test('a head for each page of an ebook is there where pages are laid out, and only there', async ({
  page,
  context,
}) => {
  await deliverOf(page, 'Weather for Two Voices');
  await tab(page, 'Check a file');
  const files = unzipSync(oldEdition());
  const words = '<p>Words of the page that go on and on until the end of it.</p>'.repeat(120);
  files['EPUB/c.xhtml'] = strToU8(strFromU8(files['EPUB/c.xhtml']).replace('<h2>', `${words}<h2>`));
  await drop(page, 'old.epub', zipSync({ mimetype: [files.mimetype, { level: 0 }], ...files }));
  await page.getByRole('checkbox', { name: /^A head or foot on each page/ }).check();
  await page.getByLabel('What it says').fill('quillhouse.example');
  await page.getByRole('button', { name: 'Make the new edition' }).click();
  const edition = page.getByRole('region', { name: 'The new edition' });
  await expect(edition.locator('[data-change="running-line"]')).toContainText('quillhouse.example', {
    timeout: 60_000,
  });
  const made = await saved(page, () => edition.getByRole('button', { name: /^Save / }).click());
  const folder = mkdtempSync(join(tmpdir(), 'head-'));
  for (const [name, bytes] of Object.entries(unzipSync(new Uint8Array(made.bytes)))) {
    if (!/^EPUB\/(c\.xhtml|running-line\.css)$/.test(name)) continue;
    writeFileSync(join(folder, name.replace('EPUB/', '')), bytes);
  }
  const reader = await context.newPage();
  await reader.goto(`file://${join(folder, 'c.xhtml')}`);
  expect(await reader.locator('body').innerText()).not.toContain('quillhouse.example');
  const printed = await getDocument({
    data: new Uint8Array(await reader.pdf({ preferCSSPageSize: true })),
    verbosity: 0,
  }).promise;
  expect(printed.numPages).toBeGreaterThan(2);
  for (let i = 1; i <= printed.numPages; i++) {
    const { items } = await (await printed.getPage(i)).getTextContent();
    expect(items.map((one) => ('str' in one ? one.str : '')).join('')).toContain('quillhouse.example');
  }
  rmSync(folder, { recursive: true });
});

test('a PDF gets a head, page numbers and its cover, in what its pages have free', async ({ page }) => {
  await deliverOf(page, 'Weather for Two Voices');
  await tab(page, 'Check a file');
  const doc = await PDFDocument.create();
  const font = await doc.embedFont(StandardFonts.TimesRoman);
  for (let i = 0; i < 6; i++) {
    const sheet = doc.addPage([400, 600]);
    for (let y = i === 3 ? 590 : 520; y > (i === 3 ? 4 : 70); y -= 14)
      sheet.drawText('Words of the page that go on and on until the end', { x: 50, y, font, size: 10 });
  }
  doc.setAuthor('Orla Finch');
  await drop(page, 'guide.pdf', await doc.save());
  await page.getByRole('checkbox', { name: 'Change old names in what the PDF says of itself' }).click();
  await expect(page.getByLabel('Author in the old edition')).toHaveValue('Orla Finch', { timeout: 30_000 });
  await page.getByLabel('Author in the new edition').fill('Mara Quill');
  await page.getByRole('checkbox', { name: 'A head, a foot or page numbers' }).check();
  await page.getByLabel('Head', { exact: true }).fill('quillhouse.example');
  await page.getByLabel('Foot', { exact: true }).fill('Page {page} of {pages}');
  await page.getByLabel('Pages', { exact: true }).fill('pages 2');
  await page.getByLabel('Pages', { exact: true }).fill('two');
  await expect(page.getByText('Type pages like 3-20, from 3, or 5.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Make the PDF' })).toBeDisabled();
  await page.getByLabel('Pages', { exact: true }).fill('from 2');
  await page.getByLabel('Size in points').fill('9 pt');
  // Names that nobody has looked at are shown first; then the file is made.
  await page.getByRole('button', { name: 'Make the PDF' }).click();
  const places = page.getByRole('region', { name: 'Places of old names' });
  await expect(places.getByRole('region', { name: 'Author: Orla Finch' })).toContainText('1 of 1 place');
  await expect(places).toContainText('Words on the pages themselves stay as they are.');
  await page.getByRole('radio', { name: 'No cover' }).click();
  await page.getByRole('button', { name: 'Make the PDF' }).click();
  await expect(page.getByRole('region', { name: 'The new PDF' })).toContainText('New names in 1 of 1 place.', {
    timeout: 60_000,
  });
  const renamed = await saved(page, () => page.getByRole('button', { name: /^Save .*\.pdf/ }).click());
  expect((await PDFDocument.load(readFileSync(renamed.path))).getAuthor()).toBe('Mara Quill');
  await page.getByRole('radio', { name: 'As it needs' }).click();
  await page.getByRole('button', { name: 'Make the PDF' }).click();
  const told = page.getByRole('region', { name: 'The new PDF' });
  await expect(told).toContainText('4 of 6 pages have their lines, with 4 links.', { timeout: 60_000 });
  await expect(told).toContainText('Without a line, no free margin: page 4.');
  await expect(told).toContainText('6 pages before, 7 now');
  const made = await saved(page, () => told.getByRole('button', { name: /^Save / }).click());
  const read = await getDocument({ data: new Uint8Array(readFileSync(made.path)), verbosity: 0 }).promise;
  const words = await Promise.all(
    Array.from({ length: read.numPages }, async (_, i) =>
      (await (await read.getPage(i + 1)).getTextContent()).items.map((one) => ('str' in one ? one.str : '')).join(''),
    ),
  );
  expect(words.map((text) => /Page \d of \d/.exec(text)?.[0] ?? null)).toEqual([
    null,
    null,
    'Page 2 of 6',
    'Page 3 of 6',
    null,
    'Page 5 of 6',
    'Page 6 of 6',
  ]);
});
