import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { NodeStudio, demoProjects } from '@yosomi/node-kit';
import { composeSheet, noHouse, sheetAsk, sheetPictures, sheetSymbols } from '@yosomi/core/recipe';
import { planSheet } from '@yosomi/core/sketch';
import { inApp } from './app';
import { fileOf, scenePixels } from '../tests/fixtures/pictures';
import { type Row, median } from './rows';

type Times = { twelve: number; all: number; longest: number };

/** Milliseconds from an act to 12 and to 48 covers on the sheet, and the longest main-thread task meanwhile. */
async function timed(page: Page, act: () => Promise<void>): Promise<Times> {
  await page.evaluate(() => {
    const w = window as unknown as { seen: Partial<Times>; from: number };
    w.seen = { longest: 0 };
    w.from = performance.now();
    let fresh = document.querySelectorAll('button[data-cover]').length === 0;
    new PerformanceObserver((list) =>
      list.getEntries().forEach((e) => (w.seen.longest = Math.max(w.seen.longest ?? 0, e.duration))),
    ).observe({ type: 'longtask' });
    const timer = setInterval(() => {
      const count = document.querySelectorAll('button[data-cover]').length;
      if (count < 12) fresh = true;
      if (fresh && count >= 12) w.seen.twelve ??= performance.now() - w.from;
      if (!fresh || count < 48) return;
      w.seen.all = performance.now() - w.from;
      clearInterval(timer);
    }, 10);
  });
  await act();
  await page.waitForFunction(() => (window as unknown as { seen: Partial<Times> }).seen.all, null, { timeout: 60_000 });
  return page.evaluate(() => (window as unknown as { seen: Times }).seen);
}

/** Figures of the sketch sheet: in headless Chromium with its workers, and in Node on one thread. */
export const sketchRows = (rounds: number): Promise<Row[]> =>
  inApp(false, async (browser, base, folder) => {
    const photo = join(folder, 'evening.jpg');
    writeFileSync(photo, await fileOf(scenePixels(1600, 2400), 'jpeg'));
    const words: Times[] = [];
    const pictured: Times[] = [];
    const others: Times[] = [];
    const node: number[] = [];
    const [moss] = await demoProjects();
    for (let i = 0; i < rounds; i++) {
      const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
      await page.goto(base);
      await page.getByRole('button', { name: 'From words' }).click();
      await page.getByLabel('Title', { exact: true }).pressSequentially('A Manual of Quiet Machines', { delay: 60 });
      await page.getByLabel('Author').pressSequentially('Marit Holloway', { delay: 60 });
      words.push(await timed(page, () => page.getByRole('button', { name: 'Compose covers' }).click()));
      const input = page.locator('input[type="file"]').first();
      pictured.push(await timed(page, () => input.setInputFiles(photo)));
      others.push(await timed(page, () => page.getByRole('button', { name: 'Other covers' }).click()));
      await page.context().close();
      const studio = new NodeStudio(moss.files);
      const from = performance.now();
      const ask = sheetAsk(
        moss.book,
        noHouse,
        await sheetPictures(moss.book.sheet.pictures, studio),
        (await sheetSymbols(moss.book.brief, [], studio)).symbols,
      );
      const plan = planSheet(ask);
      if (!plan.ok) throw new Error(plan.fault.code);
      let count = 0;
      for await (const made of composeSheet(plan.value, ask, 48, studio, 320)) if (made) count++;
      if (count < 48) throw new Error('a sheet is short');
      node.push(performance.now() - from);
    }
    const rows = (what: string, times: readonly Times[]): Row[] => [
      { what: `${what}: 12 covers on the sheet`, value: median(times.map((t) => t.twelve)), unit: 'ms' },
      { what: `${what}: 48 covers`, value: median(times.map((t) => t.all)), unit: 'ms' },
      {
        what: `${what}: longest task of the main thread`,
        value: median(times.map((t) => t.longest)),
        unit: 'ms (0: none over 50)',
      },
    ];
    return [
      ...rows('a new title from words, from the click', words),
      ...rows('a picture of 1600 x 2400 px is added, from its file', pictured),
      ...rows('other covers of the same', others),
      {
        what: '48 covers with a picture, in Node on one thread, fonts read from disk',
        value: median(node),
        unit: 'ms',
      },
    ];
  });
