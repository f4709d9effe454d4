import { spawnSync } from 'node:child_process';
import { EpubCheck } from '@likecoin/epubcheck-ts';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { fileOf, picturePixels } from '../fixtures/pictures';
import {
  breaches,
  again,
  coverReady,
  expect,
  kept,
  onToFront,
  pick,
  promosReady,
  put,
  saved,
  savedTitle,
  settled,
  step,
  test,
} from './help';

test.use({ shelf: [] });

const GUIDE = `# Begin with one stone

A stone is heavier than it looks, and it has been where it is for a long time. Ask it twice before you lift it, and put a foot where the other foot was.

Take the flat one by the gate first. It is cold, it is wet below, and it will teach you more in an hour than a shelf of books about stones has taught anybody in a year.

# Then seven more

1. The one that looks like bread
2. Any that fits the hand
3. The one that nobody wants

- [ ] Write down where it lay
- [ ] Put one back

**[Get the whole guide](https://stones.example/guide)**
`;

/** How many pixels of a picture are of the strong colour that nothing but one page has. */
async function violet(png: Buffer): Promise<number> {
  const { data } = await sharp(png).flatten({ background: '#ffffff' }).raw().toBuffer({ resolveWithObject: true });
  let count = 0;
  for (let i = 0; i < data.length; i += 3) if (data[i] > 160 && data[i + 1] < 60 && data[i + 2] > 160) count++;
  return count;
}

const savePicture = async (page: Page): Promise<Buffer> =>
  (await saved(page, () => page.getByRole('button', { name: /^Save PNG/ }).click())).bytes;

test('a lead magnet in one go: cover from a photograph, booklet in PDF and EPUB, its pages open in 3D, a promo', async ({
  page,
}) => {
  test.setTimeout(300_000);
  await page.goto('/');
  await pick(page, 'From a picture', put('stones.jpg', await fileOf(picturePixels(900, 1400), 'jpeg')));
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('radio', { name: 'A picture for a cover' }).click();
  await dialog.getByLabel('Title', { exact: true }).fill('Seven Stones');
  await dialog.getByLabel('Author').fill('Ida Quill');
  await dialog.getByRole('button', { name: 'Compose covers' }).click();
  await onToFront(page);
  await coverReady(page);

  await test.step('the text comes with its picture, and leaves as PDF and EPUB', async () => {
    await page.keyboard.press('ControlOrMeta+k');
    await page.keyboard.type('booklet');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Type or paste it' }).click();
    const text = page.getByRole('textbox', { name: 'Text of the booklet' });
    await text.click();
    await text.evaluate((element, words) => {
      const data = new DataTransfer();
      data.setData('text/plain', words);
      element.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
    }, GUIDE);
    await text.getByText('It is cold, it is wet below').click();
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Picture', exact: true }).click(),
    ]);
    const background = { r: 255, g: 0, b: 255 };
    const stone = await sharp({ create: { width: 900, height: 500, channels: 3, background } })
      .png()
      .toBuffer();
    await chooser.setFiles(put('stone.png', stone));
    await page.getByLabel('What it shows, for those who cannot see it').fill('A flat stone');
    await expect(page.locator('[data-fresh="true"] [data-page="1"][data-painted]')).toBeVisible({ timeout: 60_000 });
    const pdf = await saved(page, () => page.getByRole('button', { name: 'Save PDF' }).click());
    const read = spawnSync('pdftotext', [pdf.path, '-'], { encoding: 'utf8' });
    expect(read.stdout.replace(/\s+/g, ' ')).toContain('Take the flat one by the gate first.');
    const epub = await saved(page, () => page.getByRole('button', { name: 'Save EPUB' }).click());
    const { messages } = await EpubCheck.validate(new Uint8Array(epub.bytes));
    expect(messages.filter(({ severity }) => severity !== 'info' && severity !== 'usage')).toEqual([]);
  });

  const things = page.getByRole('group', { name: 'Things in the scene' });
  await test.step('the open book in Mockups shows these pages, where one says', async () => {
    await step(page, 'Mockups');
    await settled(page);
    await again(page, () => page.getByRole('button', { name: 'Open, cover beside', exact: true }).click());
    await things.getByRole('button', { name: '1 Open book' }).click();
    await expect(page.getByText('the pages of the booklet, as they are now')).toBeVisible();
    await page.getByRole('combobox', { name: 'Cover on it' }).click();
    await page.getByRole('option', { name: 'Its booklet, opened where you say' }).click();
    await settled(page);
    await expect(page.getByText(/^Of \d+ pages\.$|^Open at pages/)).toBeVisible();
    const field = page.getByLabel('Page', { exact: true });
    const shown: number[] = [];
    for (const number of ['1', '2']) {
      const type = async (): Promise<void> => {
        await field.fill(number);
        await field.press('Enter');
      };
      // It opens at the first by itself.
      await (number === '1' ? type() : again(page, type));
      shown.push(await violet(await savePicture(page)));
    }
    await field.fill('90');
    await field.press('Enter');
    await expect(page.getByText(/^The most is \d+\.$/)).toBeVisible();
    // The stone lies on one of the openings alone.
    expect(Math.max(...shown)).toBeGreaterThan(2000);
    expect(Math.min(...shown)).toBe(0);
    expect(await breaches(page)).toEqual([]);
  });

  await test.step('a page stands on a screen, follows its text, and says when the text is gone', async () => {
    await again(page, () => page.getByRole('button', { name: 'Standing', exact: true }).click());
    await again(page, async () => {
      await page.getByRole('combobox', { name: 'What it is' }).click();
      await page.getByRole('option', { name: 'Tablet', exact: true }).click();
    });
    expect(await violet(await savePicture(page))).toBe(0);
    await again(page, async () => {
      await page.getByRole('combobox', { name: 'Cover on it' }).click();
      await page.getByRole('option', { name: 'A page of its booklet' }).click();
    });
    await expect(page.getByText('the page, as it is now')).toBeVisible();
    expect(await violet(await savePicture(page))).toBeGreaterThan(2000);
    await step(page, 'Booklet');
    await page.getByRole('button', { name: 'Remove the booklet' }).click();
    await step(page, 'Mockups');
    await settled(page);
    await expect(page.getByText('Its booklet has no text any more; the cover stands in.')).toBeVisible();
    await page.getByRole('button', { name: /^Save PNG/ }).click();
    await expect(page.getByText('A page of the booklet is shown, which has no text any more.')).toBeVisible();
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await settled(page);
    await expect(page.getByText('the page, as it is now')).toBeVisible();
  });

  await test.step('a promo tells of it, in one format', async () => {
    await step(page, 'Promos');
    await page.getByRole('button', { name: /^Lead magnet/ }).click();
    await page.getByRole('textbox', { name: 'Headline', exact: true }).fill('Seven stones to begin with');
    await expect(page.locator('[data-tile]')).toHaveCount(10);
    await promosReady(page);
  });

  await test.step('whose text it was is named once, and stands in the files', async () => {
    await step(page, 'Deliver');
    await page.getByRole('button', { name: 'Name the work it is from' }).click();
    await page.getByLabel('The work', { exact: true }).fill('Stones of the North');
    await page.getByLabel('Its author').fill('A. Bell');
    await page.getByRole('button', { name: 'CC BY 4.0', exact: true }).click();
    await page.getByLabel('What you changed').fill('shortened');
    const line = 'Text: “Stones of the North” by A. Bell. CC BY 4.0. Changed: shortened.';
    await expect(page.getByLabel('The line that stands in the book')).toHaveValue(line);
    await page.getByRole('button', { name: 'Done' }).click();
    await expect(page.getByRole('group', { name: 'Credits that are due' }).getByText(line)).toBeVisible();
    await kept(page);
    await page.reload();
    await expect(page.getByRole('list', { name: 'Works it is made from' })).toContainText('Stones of the North');
    expect((await savedTitle(page)).book.origins).toMatchObject([{ maker: 'A. Bell', licence: 'CC BY 4.0', line: '' }]);
    await step(page, 'Booklet');
    await expect(page.locator('[data-fresh="true"] [data-page="1"][data-painted]')).toBeVisible({ timeout: 60_000 });
    const pdf = await saved(page, () => page.getByRole('button', { name: 'Save PDF' }).click());
    const read = spawnSync('pdftotext', [pdf.path, '-'], { encoding: 'utf8' });
    expect(read.stdout.replace(/\s+/g, ' ')).toContain(line);
    await step(page, 'Deliver');
    await page.getByRole('button', { name: 'Take out Stones of the North' }).click();
    await expect(page.getByText('Is the text, or a part of it, by somebody else?')).toBeVisible();
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(page.getByRole('list', { name: 'Works it is made from' })).toContainText('A. Bell, CC BY 4.0');
  });
});
