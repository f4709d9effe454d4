import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Browser, type Locator, type Page, chromium } from '@playwright/test';
import { ROOT } from '@yosomi/node-kit';
import { makeServer } from '@yosomi/server';

const CHROMIUM = process.env.YOSOMI_CHROMIUM ?? ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find(existsSync);

/** The built app, a headless Chromium, and a folder for files to pick: there while `run` works. `demo` puts the demo books on the Shelf. */
export async function inApp<T>(
  demo: boolean,
  run: (browser: Browser, base: string, folder: string) => Promise<T>,
): Promise<T> {
  const app = await makeServer({ web: join(ROOT, 'build/web'), demo: demo ? join(ROOT, 'build/demo') : null });
  const base = await app.listen({ host: '127.0.0.1', port: 0 });
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--no-first-run'],
  });
  const folder = mkdtempSync(join(tmpdir(), 'bench-'));
  try {
    return await run(browser, base, folder);
  } finally {
    await browser.close();
    await app.close();
    rmSync(folder, { recursive: true });
  }
}

/** Notes the longest main-thread task from here on. */
export const watchTasks = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const w = window as unknown as { longest: number };
    w.longest = 0;
    new PerformanceObserver((list) =>
      list.getEntries().forEach((e) => (w.longest = Math.max(w.longest, e.duration))),
    ).observe({ type: 'longtask' });
  });

/** Milliseconds; 0 where none was over 50. */
export const longestTask = (page: Page): Promise<number> =>
  page.evaluate(() => (window as unknown as { longest: number }).longest);

/** Milliseconds from a key in a field to the count that answers it, which must be another one than before. */
export const typedIn = async (field: Locator, count: Locator, word: string): Promise<number> =>
  field.evaluate(
    (input, { count, text }) =>
      new Promise<number>((done) => {
        const from = performance.now();
        const seen = new MutationObserver(() => {
          seen.disconnect();
          requestAnimationFrame(() => done(performance.now() - from));
        });
        seen.observe(count!, { childList: true, subtree: true, characterData: true });
        Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(input, text);
        input.dispatchEvent(new Event('input', { bubbles: true }));
      }),
    { count: await count.elementHandle(), text: word },
  );
