import type { Page } from '@playwright/test';
import { inApp, longestTask, typedIn, watchTasks } from './app';
import { type Row, median } from './rows';

const MANY = 2000;
/** What is typed, each finding another number than the one before. */
const WORDS = ['lantern', 'lantern dana', 'voss', 'ember 1', 'quarry', 'quarry 12'];

/** Puts titles into the store as an older release left them: with no cards, made of the demo books in other words. */
const fillShelf = (page: Page, many: number): Promise<void> =>
  page.evaluate(async (count) => {
    const nouns = ['Moss', 'Lantern', 'Winter', 'Ledger', 'Paper', 'Voices', 'Balcony', 'Ember', 'Orchard', 'Quarry'];
    const names = ['Dana Voss', 'Ida Quill', 'Caspian Durrow', 'Ottoline Frew', 'Marek Holt', 'Ilse Brannagh'];
    const db = await new Promise<IDBDatabase>((done, fail) => {
      const asked = indexedDB.open('yosomi');
      asked.addEventListener('success', () => done(asked.result));
      asked.addEventListener('error', () => fail(asked.error ?? new Error('no store')));
    });
    type Title = { id: string; updatedAt: string; brief: Record<string, unknown> };
    const demo = await new Promise<{ schema: number; book: Title }[]>((done) => {
      const asked = db.transaction('titles').objectStore('titles').getAll();
      asked.addEventListener('success', () => done(asked.result));
    });
    const change = db.transaction('titles', 'readwrite');
    for (let i = 0; i < count; i++) {
      const { schema, book: from } = demo[i % demo.length];
      const book = structuredClone(from);
      book.id = `many-${i}`;
      book.updatedAt = new Date(Date.UTC(2026, 0, 1, i)).toISOString();
      Object.assign(book.brief, {
        title: `${nouns[i % 10]} and ${nouns[(i * 3 + 1) % 10]} ${i}`,
        author: names[i % 6],
        seriesName: i % 3 === 0 ? `The ${nouns[Math.floor(i / 3) % 10]} Books` : '',
        seriesNumber: i % 3 === 0 ? 1 + Math.floor(i / 30) : null,
      });
      change.objectStore('titles').put({ id: book.id, schema, updatedAt: book.updatedAt, book, rev: 1 });
    }
    await new Promise((done) => change.addEventListener('complete', done));
    db.close();
  }, many);

const typed = (page: Page, word: string): Promise<number> =>
  typedIn(page.getByLabel('Find a title'), page.locator('[role=search] [role=status]'), word);

/** Scrolls through so many px of the page, a step each frame. */
const scrollOver = (page: Page, px: number): Promise<void> =>
  page.evaluate(async (far) => {
    const list = document.querySelector('ul[aria-label="Titles on the Shelf"]');
    let scroller = list?.parentElement ?? null;
    while (scroller && !/auto|scroll/.test(getComputedStyle(scroller).overflowY)) scroller = scroller.parentElement;
    for (let at = 0; at < far; at += 100) {
      scroller?.scrollTo(0, at);
      await new Promise((next) => requestAnimationFrame(next));
    }
  }, px);

/** Figures of a Shelf with thousands of titles, in headless Chromium with its workers. */
export const shelfRows = (rounds: number): Promise<Row[]> =>
  inApp(true, async (browser, base) => {
    const [first, opened, searched, searchTask, newTask, knownTask]: number[][] = [[], [], [], [], [], []];
    for (let i = 0; i < rounds; i++) {
      const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
      await page.goto(base);
      await page.locator('[data-title]').nth(4).waitFor({ timeout: 120_000 });
      await fillShelf(page, MANY);
      const began = Date.now();
      await page.reload();
      await page.getByText(`${MANY + 5} titles`, { exact: true }).waitFor({ timeout: 240_000 });
      first.push((Date.now() - began) / 1000);
      for (let again = 0; again < 3; again++) {
        const asked = Date.now();
        await page.reload();
        await page.locator('[data-title]').first().waitFor();
        opened.push(Date.now() - asked);
      }
      await page.locator('[data-title] img').first().waitFor({ timeout: 60_000 });
      await watchTasks(page);
      for (const word of WORDS) searched.push(await typed(page, word));
      searchTask.push(await longestTask(page));
      await typed(page, '');
      await watchTasks(page);
      await scrollOver(page, 6000);
      newTask.push(await longestTask(page));
      // The covers that were passed come one after the other.
      await scrollOver(page, 3000);
      await page.waitForTimeout(30_000);
      await scrollOver(page, 100);
      await watchTasks(page);
      await scrollOver(page, 3000);
      knownTask.push(await longestTask(page));
      await page.context().close();
    }
    const many = MANY.toLocaleString('en');
    const none = 'ms (0: none over 50)';
    return [
      { what: `${many} titles of an older release are read for the first time`, value: median(first), unit: 's' },
      {
        what: `the Shelf with ${many} titles, from the start of a reload to its first title`,
        value: median(opened),
        unit: 'ms',
      },
      { what: `words among ${many} titles, from the key to the answer`, value: median(searched), unit: 'ms' },
      { what: 'longest task of the page meanwhile', value: median(searchTask), unit: none },
      {
        what: 'longest task of the page while one scrolls over 6,000 px of covers that are painted meanwhile',
        value: median(newTask),
        unit: none,
      },
      { what: 'the same over 3,000 px of covers that were there before', value: median(knownTask), unit: none },
    ];
  });
