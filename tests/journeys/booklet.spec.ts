import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { EpubCheck } from '@likecoin/epubcheck-ts';
import type { Page } from '@playwright/test';
import { docx, para, run } from '../fixtures/docx';
import { fileOf, picturePixels } from '../fixtures/pictures';
import { breaches, expect, fromWords, kept, put, saved, savedTitle, step, test } from './help';

const ready = (page: Page): Promise<void> =>
  expect(page.locator('[data-fresh="true"] [data-page="1"][data-painted]')).toBeVisible({ timeout: 60_000 });
const text = (page: Page) => page.getByRole('textbox', { name: 'Text of the booklet' });

/** Pastes without formatting, as from an editor of plain text. */
const paste = (page: Page, words: string): Promise<void> =>
  text(page).evaluate((element, pasted) => {
    const data = new DataTransfer();
    data.setData('text/plain', pasted);
    element.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  }, words);

/** What a reader that the product does not use finds in a file. */
function readPdf(bytes: Uint8Array): string {
  const run = spawnSync('pdftotext', [put('read.pdf', bytes), '-'], { encoding: 'utf8' });
  if (run.error) throw run.error;
  expect(run.status, run.stderr).toBe(0);
  return run.stdout;
}

/** A book of others, far too long for one booklet. */
const GUIDE = join(
  process.env.YOSOMI_BOOKS ?? join(import.meta.dirname, '../../build/books'),
  'ubuntu-packaging-guide.epub',
);

const STONES = `# Before you lift one

A stone is heavier than it looks, and it has been where it is for a long time. Ask it twice.

> **Gloves.** Wear them. The underside is always wet.

# Seven to begin with

1. The flat one by the gate
2. The one that looks like bread
3. Any that fits the hand

- [ ] Write down where it lay
- [ ] Put one back

**[Get the whole guide](https://stones.example/guide)**
`;

test.describe('from words alone', () => {
  test.use({ shelf: [] });

  test('a text that is pasted becomes pages, is changed on them, undone, and leaves as a PDF', async ({ page }) => {
    test.setTimeout(240_000);
    await page.goto('/');
    await fromWords(page, 'Seven Stones', 'Ida Quill');
    await expect(page.getByRole('link', { name: 'Booklet' })).toHaveCount(0);
    await page.keyboard.press('ControlOrMeta+k');
    await page.keyboard.type('booklet');
    await expect(page.getByRole('option').first()).toContainText('Go to Booklet');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Type or paste it' }).click();
    await expect(page.getByText('No pages yet.')).toBeVisible();
    await text(page).click();
    await paste(page, STONES);
    await ready(page);
    await expect(text(page).getByRole('heading', { name: 'Before you lift one' })).toBeVisible();

    await test.step('a page that is pressed leads to its words; what is typed there is on it', async () => {
      await page.locator('[data-page="1"]').press('Enter');
      await expect(text(page)).toBeFocused();
      await page.keyboard.type('Slowly: ');
      await ready(page);
      await step(page, 'Deliver');
      const { booklet } = (await savedTitle(page)).book;
      await step(page, 'Booklet');
      expect(booklet!.manuscript.blocks[0]).toMatchObject({
        kind: 'heading',
        spans: [{ text: 'Slowly: Before you lift one' }],
      });
      expect(booklet!.manuscript.blocks.map(({ kind }) => kind)).toEqual([
        'heading',
        'paragraph',
        'tip',
        'heading',
        'list',
        'list',
        'button',
      ]);
      await text(page).click();
      await page.keyboard.press('ControlOrMeta+z');
      await expect(text(page)).not.toContainText('Slowly');
      await page.keyboard.press('ControlOrMeta+Shift+z');
      await expect(text(page)).toContainText('Slowly: Before you lift one');
    });

    await test.step('look and sheet are changed by keys', async () => {
      // Every look shows the text as it is set in it.
      await expect(page.getByRole('radiogroup', { name: 'Look of the pages' }).locator('canvas')).toHaveCount(10);
      await page.getByRole('radio', { name: /^Field notes/ }).focus();
      await page.keyboard.press('ArrowDown');
      await expect(page.getByRole('radio', { name: /^Essay/ })).toBeChecked();
      await ready(page);
      await page.getByRole('radio', { name: 'All small' }).click();
      await ready(page);
    });

    await test.step('a picture of one’s own comes after the words in hand', async () => {
      await text(page).getByText('Wear them.').click();
      const path = put('flat-stone.png', await fileOf(picturePixels(900, 600, 4), 'png'));
      const [chooser] = await Promise.all([
        page.waitForEvent('filechooser'),
        page.getByRole('button', { name: 'Picture', exact: true }).click(),
      ]);
      await chooser.setFiles(path);
      await page.getByLabel('What it shows, for those who cannot see it').fill('A flat stone by a gate');
      await page.getByRole('textbox', { name: 'Caption' }).fill('The flat one.');
      await ready(page);
    });

    await test.step('the file says what was typed, and everything is there after a reload', async () => {
      const file = await saved(page, () => page.getByRole('button', { name: 'Save PDF' }).click());
      expect(file.name).toBe('seven-stones-booklet.pdf');
      const said = readPdf(file.bytes);
      for (const words of [
        'Slowly: Before you lift one',
        'The one that looks like bread',
        'The flat one.',
        'stones.example/guide',
      ])
        expect(said.replace(/\s+/g, ' ')).toContain(words);
      await kept(page);
      await page.reload();
      await ready(page);
      await expect(text(page)).toContainText('Slowly: Before you lift one');
      await expect(page.getByRole('radio', { name: /^Essay/ })).toBeChecked();
      expect(readPdf((await saved(page, () => page.getByRole('button', { name: 'Save PDF' }).click())).bytes)).toBe(
        said,
      );
    });

    await test.step('the same text leaves as an EPUB too', async () => {
      const file = await saved(page, () => page.getByRole('button', { name: 'Save EPUB' }).click());
      expect(file.name).toBe('seven-stones-booklet.epub');
      const { messages } = await EpubCheck.validate(new Uint8Array(file.bytes));
      expect(messages.filter(({ severity }) => severity !== 'info' && severity !== 'usage')).toEqual([]);
    });

    await test.step('it is removed, and comes back by Undo', async () => {
      await page.getByRole('button', { name: 'Remove the booklet' }).click();
      await expect(page.getByRole('heading', { name: 'Give something to read along' })).toBeVisible();
      await page.getByRole('button', { name: 'Undo' }).click();
      await expect(text(page)).toContainText('Slowly: Before you lift one');
    });
  });

  test('a file that is no text is refused with what to do, one of Markdown is taken, what is left out is said', async ({
    page,
  }) => {
    await page.goto('/');
    await fromWords(page, 'Seven Stones', 'Ida Quill');
    await page.keyboard.press('Alt+8');
    const input = page.getByLabel('Text file');
    await input.setInputFiles(put('stones.txt', new Uint8Array([80, 0, 1, 2, 3, 0])));
    await expect(page.getByText('This is no text that can be read.')).toBeVisible();
    await input.setInputFiles(put('empty.md', ''));
    await expect(page.getByText('There are no words in it.')).toBeVisible();
    await input.setInputFiles(put('stones.md', `${STONES}\n<script>alert(1)</script>\n\n![lost](lost.png)\n`));
    await expect(page.getByText('Left out: raw HTML (1), pictures that are not in the title (1).')).toBeVisible();
    await ready(page);
    const other = page.getByLabel('Text file');
    const words = docx(para(run('From a document'), 'Heading1') + para(run('Its first words.')));
    await other.setInputFiles(put('stones.docx', words));
    await expect(text(page).getByRole('heading', { name: 'From a document' })).toBeVisible();
    await other.setInputFiles(
      put('stones.html', '<h1>From a page &amp; more</h1><script>x()</script><p>Its words.</p>'),
    );
    await expect(text(page).getByRole('heading', { name: 'From a page & more' })).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(text(page).getByRole('heading', { name: 'From a document' })).toBeVisible();
  });

  test('of a whole book the chapters are chosen; reading it can be stopped, and what is too much is not taken', async ({
    page,
  }) => {
    test.setTimeout(240_000);
    await fromWords(page, 'Packing Light', 'Ida Quill');
    await page.keyboard.press('Alt+8');
    const input = page.getByLabel('Text file');
    await input.setInputFiles(GUIDE);
    const reading = page.getByRole('dialog', { name: 'Bringing the text' });
    await reading.getByRole('button', { name: 'Stop' }).click();
    await expect(page.getByText('Stopped. Nothing was taken in.')).toBeVisible();
    await expect(reading).toHaveCount(0);

    await input.setInputFiles(GUIDE);
    const choice = page.getByRole('dialog', { name: 'Which chapters' });
    await expect(choice).toBeVisible({ timeout: 120_000 });
    const take = choice.getByRole('button', { name: 'Take them in' });
    const boxes = choice.getByRole('list', { name: 'Chapters' }).getByRole('checkbox');
    const all = await boxes.count();
    expect(all).toBeGreaterThan(5);
    // Those that fit are chosen; all together do not.
    await expect(take).not.toHaveAttribute('aria-disabled');
    expect(await breaches(page, '[role="dialog"]')).toEqual([]);
    await choice.getByRole('button', { name: 'All' }).click();
    await expect(choice.getByText(`${all} of ${all} are more than one booklet holds. Leave some out.`)).toBeVisible();
    await take.press('Enter');
    await expect(choice).toBeVisible();
    await choice.getByRole('button', { name: 'None' }).click();
    await expect(choice.getByText('Choose at least one.')).toBeVisible();
    await choice.getByRole('checkbox', { name: 'Getting Set Up' }).press('Space');
    await expect(choice.getByText(/^1 of \d+: [\d,]+ words, about \d+ pages?\.$/)).toBeVisible();
    await take.press('Enter');
    await expect(page.getByText(/^Taken in/)).toBeVisible({ timeout: 60_000 });
    await expect(choice).toHaveCount(0);
    await ready(page);
    await kept(page);
    await step(page, 'Deliver');
    const blocks = (await savedTitle(page)).book.booklet?.manuscript.blocks ?? [];
    const chapters = blocks.flatMap((block) => (block.kind === 'heading' && block.level === 1 ? block.spans : []));
    expect(chapters.map(({ text }) => text)).toEqual(['2. Getting Set Up']);
  });
});

test.describe('the booklet of a demo book', () => {
  test.use({ shelf: ['moss'] });

  test('shows its cover and pages, passes the accessibility rules, and holds from 640 to 2560 px', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('link', { name: 'Open The Balcony Moss Garden' }).click({ timeout: 60_000 });
    await step(page, 'Booklet');
    await ready(page);
    await expect(page.getByRole('heading', { level: 1, name: 'Booklet' })).toHaveCount(1);
    expect(await breaches(page)).toEqual([]);
    for (const width of [640, 1024, 2560]) {
      await page.setViewportSize({ width, height: 800 });
      const spill = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      expect(spill, `${width} px`).toBeLessThanOrEqual(0);
    }
    await page.setViewportSize({ width: 1280, height: 800 });
    await step(page, 'Deliver');
    await expect(page.getByRole('row', { name: /Booklet, Letter/ })).toBeVisible();
  });
});
