import { execFileSync } from 'node:child_process';
import type { Page } from '@playwright/test';
import { inApp } from './app';
import { type Row, median } from './rows';

const fresh = (page: Page): Promise<void> => page.locator('[data-fresh="true"]').first().waitFor({ timeout: 120_000 });

/** Milliseconds from an act in the page until what it made stale is shown as it is now, timed in the page. */
async function untilFresh(page: Page, act: () => Promise<void>): Promise<number> {
  // As text: what compiles this file names its inner functions by a helper that the page does not have.
  await page.evaluate(`(() => {
    window.took = null;
    const begin = () => {
      const from = performance.now();
      let stale = false;
      const look = () => {
        const is = document.querySelector('[data-fresh]')?.getAttribute('data-fresh') === 'true';
        stale ||= !is;
        if (stale && is) window.took = performance.now() - from;
        else requestAnimationFrame(look);
      };
      requestAnimationFrame(look);
    };
    for (const kind of ['beforeinput', 'click']) document.addEventListener(kind, begin, { once: true, capture: true });
  })()`);
  await act();
  await page.waitForFunction(() => (window as unknown as { took: number | null }).took, null, { timeout: 120_000 });
  return page.evaluate(() => (window as unknown as { took: number }).took);
}

/** Milliseconds from an act until so many tiles of a sheet are painted, timed in the page. */
async function untilPainted(page: Page, count: number, act: () => Promise<void>): Promise<number> {
  await page.evaluate(`(() => {
    window.took = null;
    document.addEventListener('click', () => {
      const from = performance.now();
      // A canvas that nothing was painted on has the width that all canvases begin with.
      const painted = () => [...document.querySelectorAll('[data-tile] canvas')].filter((c) => c.width === 230).length;
      const look = () => {
        if (painted() >= ${count}) window.took = performance.now() - from;
        else requestAnimationFrame(look);
      };
      requestAnimationFrame(look);
    }, { once: true, capture: true });
  })()`);
  await act();
  await page.waitForFunction(() => (window as unknown as { took: number | null }).took, null, { timeout: 120_000 });
  return page.evaluate(() => (window as unknown as { took: number }).took);
}

/** Milliseconds from a click to the file that comes of it. */
async function untilSaved(page: Page, name: string | RegExp): Promise<number> {
  const from = performance.now();
  const download = page.waitForEvent('download', { timeout: 300_000 });
  await page.getByRole('button', { name }).click();
  await download;
  return performance.now() - from;
}

/** Memory of the largest page process of the browser, MB. */
function largest(): number {
  const list = execFileSync('ps', ['-eo', 'rss,args']).toString().split('\n');
  const sizes = list.filter((line) => line.includes('--type=renderer')).map((line) => Number.parseInt(line, 10));
  return Math.max(0, ...sizes) / 1024;
}

/** What the act answers, and the most memory of the page's process meanwhile, MB. */
async function watched<T>(act: () => Promise<T>): Promise<{ made: T; most: number }> {
  let most = largest();
  const timer = setInterval(() => (most = Math.max(most, largest())), 250);
  const made = await act().finally(() => clearInterval(timer));
  return { made, most };
}

/** Frames a second, and the longest main-thread task, while the headline of an open format is dragged. */
async function dragging(page: Page): Promise<{ fps: number; longest: number }> {
  await page
    .getByRole('navigation', { name: 'Parts' })
    .getByRole('button', { name: /^Headline/ })
    .click();
  const box = await page.locator('[data-surface]').boundingBox();
  if (!box) throw new Error('no promo');
  const [x, y] = [box.x + box.width / 2, box.y + box.height * 0.12];
  await page.evaluate(`(() => {
    [window.frames, window.longest] = [0, 0];
    const step = () => {
      window.frames++;
      requestAnimationFrame(step);
    };
    requestAnimationFrame(step);
    new PerformanceObserver((list) =>
      list.getEntries().forEach((e) => (window.longest = Math.max(window.longest, e.duration))),
    ).observe({ type: 'longtask' });
  })()`);
  await page.mouse.move(x, y);
  await page.mouse.down();
  const from = performance.now();
  const before = await page.evaluate(() => (window as unknown as { frames: number }).frames);
  for (let i = 0; i < 150; i++) {
    await page.mouse.move(x + 40 * Math.sin(i / 9), y + 10 * Math.cos(i / 7));
    await page.waitForTimeout(8);
  }
  const seen = await page.evaluate(() => {
    const { frames, longest } = window as unknown as { frames: number; longest: number };
    return { frames, longest };
  });
  const fps = ((seen.frames - before) * 1000) / (performance.now() - from);
  await page.mouse.up();
  return { fps, longest: seen.longest };
}

type Figures = Record<'first' | 'word' | 'looks' | 'all' | 'film' | 'memory' | 'before' | 'fps' | 'longest', number>;

async function once(page: Page, base: string): Promise<Figures> {
  await page.goto(base);
  await page.getByRole('link', { name: 'Open A Debt of Foxfire' }).click({ timeout: 120_000 });
  await page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: 'Promos', exact: true }).waitFor();
  await page.waitForTimeout(3000);
  const first = await untilFresh(page, () =>
    page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: 'Promos', exact: true }).click(),
  );
  const headline = page.getByLabel('Headline');
  await headline.focus();
  await page.keyboard.press('End');
  const words: number[] = [];
  for (const letter of 'lamps') {
    words.push(await untilFresh(page, () => page.keyboard.press(letter)));
    await fresh(page);
  }
  await page.locator('[data-tile="upright"]').click();
  await page.getByRole('button', { name: 'Motion' }).click();
  const before = largest();
  const { made: film, most } = await watched(() => untilSaved(page, 'Save the film'));
  const looks = await untilPainted(page, 24, () => page.getByRole('radio', { name: 'Looks' }).click());
  await fresh(page);
  await page.getByRole('radio', { name: 'Formats' }).click();
  await fresh(page);
  // The pictures at full size are there once: then it is warm.
  await untilSaved(page, 'Save all 10');
  const all = await untilSaved(page, 'Save all 10');
  await page.locator('[data-tile="upright"]').click();
  await page.locator('main[data-fresh="true"]').waitFor({ timeout: 60_000 });
  const { fps, longest } = await dragging(page);
  return { first, word: median(words), looks, all, film, memory: most, before, fps, longest };
}

/** Figures of the promos, in headless Chromium with its workers. */
export const promoRows = (rounds: number): Promise<Row[]> =>
  inApp(true, async (browser, base) => {
    const seen: Figures[] = [];
    for (let i = 0; i < rounds; i++) {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, acceptDownloads: true });
      seen.push(await once(await context.newPage(), base));
      await context.close();
    }
    const row = (what: string, name: keyof Figures, unit: string): Row => ({
      what,
      value: median(seen.map((one) => one[name])),
      unit,
    });
    return [
      row('Promos opened: all ten formats on the sheet', 'first', 'ms'),
      row('a letter typed in the headline: all ten formats follow', 'word', 'ms'),
      row('the sheet of looks opened: 24 looks painted', 'looks', 'ms'),
      row('all ten saved as PNG in a zip, their pictures made already, from click to file', 'all', 'ms'),
      row('a film of 6 s at 1080 x 1350, the book to and fro, MP4, from click to file', 'film', 'ms'),
      row('the same: most memory of the page and its workers', 'memory', 'MB'),
      row('the same: memory before it', 'before', 'MB'),
      { what: 'the same: what it adds', value: median(seen.map((one) => one.memory - one.before)), unit: 'MB' },
      row('frames while a headline is dragged on an open format', 'fps', 'a second'),
      row('longest task of the main thread meanwhile', 'longest', 'ms (0: none over 50)'),
    ];
  });
