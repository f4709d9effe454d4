import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { fillLibrary } from '../tests/fixtures/library';
import { fileOf, picturePixels } from '../tests/fixtures/pictures';
import { inApp, longestTask, typedIn, watchTasks } from './app';
import { type Row, median } from './rows';

const MANY = 5000;
const FILES = 12;
/** What is typed, each other than the one before, and each finding another number. */
const WORDS = ['sheet 4321', 'motif7', 'sheet', 'giraffe', 'motif1', 'box', 'box 12'];

const typed = (page: Page, word: string): Promise<number> =>
  typedIn(page.getByRole('dialog').getByLabel('What it shows'), page.locator('[role=dialog] p[aria-live]'), word);

/** Figures of one's own pictures on the desk, in headless Chromium with its workers. */
export const deskRows = (rounds: number): Promise<Row[]> =>
  inApp(false, async (browser, base, folder) => {
    const files = await Promise.all(
      Array.from({ length: FILES }, async (_, i) => {
        const path = join(folder, `plate ${i}.jpg`);
        writeFileSync(path, await fileOf(picturePixels(1600, 2560, i + 1), 'jpeg'));
        return path;
      }),
    );
    const [opened, searched, searchTask, scrollTask, taken, takeTask]: number[][] = [[], [], [], [], [], []];
    for (let i = 0; i < rounds; i++) {
      const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
      await page.goto(base);
      await page.getByText('No titles yet').waitFor();
      await page.getByRole('button', { name: 'Picture desk' }).click();
      const desk = page.getByRole('dialog', { name: 'Picture desk' });
      await desk.getByRole('radio', { name: 'Your own' }).click();
      await desk.getByText('No pictures of your own yet').waitFor();
      await watchTasks(page);
      const began = Date.now();
      await desk.getByLabel('Picture files').setInputFiles(files);
      await desk.getByLabel('What became of the files').waitFor({ timeout: 120_000 });
      taken.push((Date.now() - began) / FILES);
      takeTask.push(await longestTask(page));
      await page.keyboard.press('Escape');
      await fillLibrary(page, MANY);
      await page.getByRole('button', { name: 'Picture desk' }).click();
      const asked = Date.now();
      await desk.locator('button[data-tile]').first().waitFor({ timeout: 60_000 });
      opened.push(Date.now() - asked);
      await desk.getByText(`${MANY + FILES} pictures`, { exact: true }).waitFor();
      await watchTasks(page);
      for (const word of WORDS) searched.push(await typed(page, word));
      searchTask.push(await longestTask(page));
      await typed(page, '');
      await watchTasks(page);
      await page.evaluate(async () => {
        const scroller = document.querySelector('ul[aria-label="Pictures of your own"]')?.parentElement;
        for (let at = 0; at < 12_000; at += 200) {
          scroller?.scrollTo(0, at);
          await new Promise((next) => requestAnimationFrame(next));
        }
      });
      scrollTask.push(await longestTask(page));
      await page.context().close();
    }
    const many = MANY.toLocaleString('en');
    return [
      {
        what: `the desk with ${many} pictures of one's own, from the press to the first of them`,
        value: median(opened),
        unit: 'ms',
      },
      { what: `a word among ${many} pictures, from the key to the answer`, value: median(searched), unit: 'ms' },
      { what: 'longest task of the page meanwhile', value: median(searchTask), unit: 'ms' },
      {
        what: 'longest task of the page while one scrolls through 12,000 px of them',
        value: median(scrollTask),
        unit: 'ms',
      },
      { what: 'taking in a JPEG of 1600 x 2560, each of twelve', value: median(taken), unit: 'ms' },
      { what: 'longest task of the page meanwhile', value: median(takeTask), unit: 'ms' },
    ];
  });
