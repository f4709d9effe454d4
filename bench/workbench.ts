import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { untold } from '@yosomi/core/book';
import { assetId, packProject } from '@yosomi/core/project';
import { fileOf, scenePixels } from '../tests/fixtures/pictures';
import { median } from './rows';
import { busyCover } from '../tests/fixtures/busy-cover';
import { finishedProject, wordsBook } from '../tests/fixtures/books';

/** A title of thirty parts, three of them overlays, over a picture of 24 megapixels, as a file. */
export async function busyTitle(folder: string): Promise<string> {
  const bytes = await fileOf(scenePixels(4000, 6000), 'jpeg');
  const asset = {
    id: assetId(bytes),
    format: 'jpeg' as const,
    widthPx: 4000,
    heightPx: 6000,
    name: 'Hills',
    rights: untold,
  };
  const { book } = await finishedProject(400, 640, { title: 'Thirty Parts' });
  const cover = busyCover(asset.id, ['grain', 'vignette', 'rays']);
  const file = join(folder, 'thirty.yosomi');
  const files = new Map([[asset.id, bytes]]);
  writeFileSync(
    file,
    packProject({ book: { ...book, cover, sheet: wordsBook().sheet, assets: { [asset.id]: asset } }, files }),
  );
  return file;
}

type TraceEvent = {
  name: string;
  ph: string;
  ts: number;
  dur?: number;
  tdur?: number;
  tid: number;
  pid: number;
  args?: { name?: string };
};

/** The browser's own trace of a piece of work. */
async function traced(page: Page, work: () => Promise<void>): Promise<TraceEvent[]> {
  const session = await page.context().newCDPSession(page);
  const events: TraceEvent[] = [];
  session.on('Tracing.dataCollected', ({ value }) => void events.push(...(value as unknown as TraceEvent[])));
  const done = new Promise<void>((resolve) => session.once('Tracing.tracingComplete', () => resolve()));
  await session.send('Tracing.start', {
    transferMode: 'ReportEvents',
    traceConfig: { includedCategories: ['toplevel', 'cc'] },
  });
  await work();
  await session.send('Tracing.end');
  await done;
  await session.detach();
  return events;
}

const threadOf = (e: TraceEvent): string => `${e.pid} ${e.tid}`;
const isTask = (e: TraceEvent): boolean => e.name.endsWith('RunTask') && e.dur !== undefined;

/**
 * Milliseconds of main-thread work in each frame: the thread's own time, and by the clock, in which it also waits for
 * the other processes of a machine with few cores.
 */
async function workPerFrame(page: Page, work: () => Promise<void>): Promise<{ own: number[]; clock: number[] }> {
  const events = await traced(page, work);
  const frames = events.filter((e) => e.name === 'ProxyMain::BeginMainFrame' && e.ph === 'X');
  // The page's own main thread is the one that begins the most frames.
  const counts = new Map<string, number>();
  for (const e of frames) counts.set(threadOf(e), (counts.get(threadOf(e)) ?? 0) + 1);
  const main = [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
  const begins = frames
    .filter((e) => threadOf(e) === main)
    .map((e) => e.ts)
    .sort((a, b) => a - b);
  const tasks = events.filter((e) => isTask(e) && threadOf(e) === main);
  const sums = (of: (task: TraceEvent) => number): number[] =>
    begins
      .slice(0, -1)
      .map(
        (from, i) =>
          tasks.filter((t) => t.ts >= from && t.ts < begins[i + 1]).reduce((sum, t) => sum + of(t), 0) / 1000,
      );
  if (begins.length < 30 || !tasks.some((t) => t.tdur)) throw new Error('the trace has no frames');
  return { own: sums((t) => t.tdur ?? 0), clock: sums((t) => t.dur ?? 0) };
}

/** Milliseconds by the clock that the busiest worker is at work meanwhile. */
async function workInWorker(page: Page, work: () => Promise<void>): Promise<number> {
  const events = await traced(page, work);
  const workers = events.filter((e) => e.name === 'thread_name' && e.args?.name?.startsWith('DedicatedWorker'));
  const busy = workers.map((worker) =>
    events.filter((e) => isTask(e) && threadOf(e) === threadOf(worker)).reduce((sum, e) => sum + (e.dur ?? 0), 0),
  );
  if (!busy.some((us) => us > 0)) throw new Error('the trace has no worker');
  return Math.max(...busy) / 1000;
}

/** Notes in the page when the cover on the table is drawn, by the page's own clock. A text: it has no helpers of the compiler. */
const NOTE_DRAWS = `(() => {
  window.coverDraws = [];
  const draw = CanvasRenderingContext2D.prototype.drawImage;
  CanvasRenderingContext2D.prototype.drawImage = function (...given) {
    draw.apply(this, given);
    if (this.canvas.getAttribute('aria-label')?.startsWith('Cover of')) window.coverDraws.push(performance.now());
  };
})()`;

/** Waits for the first drawing of the cover after a moment of the page's clock, and says how long that took, ms. */
const drawnAfter = (page: Page, from: number): Promise<number> =>
  page.evaluate<number>(`(async () => {
    for (;;) {
      const at = window.coverDraws.find((t) => t > ${from});
      if (at !== undefined) return at - ${from};
      await new Promise(requestAnimationFrame);
    }
  })()`);

const KEYS = 100;

/** Milliseconds from the press of a key, while words are typed on the cover, to the drawing of the cover that follows, for each of 100 keys. */
async function keysToLetters(page: Page): Promise<number[]> {
  await page.evaluate(`(() => {
    window.keyTimes = [];
    document.addEventListener('keydown', () => window.keyTimes.push(performance.now()), true);
  })()`);
  const waits: number[] = [];
  for (let i = 0; i < KEYS; i++) {
    await page.keyboard.press(i % 10 === 9 ? 'Backspace' : 'abcdefghij'[i % 10]);
    const from = await page.evaluate<number>('window.keyTimes.at(-1)');
    waits.push(await drawnAfter(page, from));
    await page.waitForTimeout(60);
  }
  return waits;
}

export type Workbench = {
  /** From the click on the Shelf, and from the start of a reload, to the cover on the table, ms. */
  readonly openMs: number;
  readonly reloadMs: number;
  /** From a key to the letters on the cover, 95 of 100. */
  readonly keyP95: number;
  readonly ownP95: number;
  readonly clockP95: number;
  readonly frames: number;
  readonly exportMs: number;
  readonly exportWorkerMs: number;
};

const p95 = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length * 0.95)];

/**
 * Milliseconds from the click on Remake to the made file, timed in the page by what it shows, so that no polling from
 * outside is counted. A text: it has no helpers of the compiler.
 */
const remake = (page: Page): Promise<number> =>
  page.evaluate<number>(`(async () => {
    const row = () => document.querySelector('tr[data-file]').dataset.state;
    const until = async (state) => { while (row() !== state) await new Promise(requestAnimationFrame); };
    const from = performance.now();
    document.querySelector('button[aria-label^="Remake"]').click();
    await until('making');
    await until('made');
    return performance.now() - from;
  })()`);

/** Opens the title, drags one of its parts for three seconds under the browser's trace, and makes its first file anew after five changes. */
export async function workbench(page: Page, base: string, file: string): Promise<Workbench> {
  await page.addInitScript(NOTE_DRAWS);
  await page.goto(base);
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Open .yosomi files' }).click(),
  ]);
  await chooser.setFiles(file);
  const front = page.getByRole('link', { name: 'Front', exact: true });
  await page.getByRole('link', { name: 'Open Thirty Parts' }).or(front).first().click();
  await page.locator('main[data-fresh="true"] [data-verdict="200"]').waitFor({ timeout: 60_000 });
  // The first time it is read and its picture made small, and it is kept as it was seen once the hand rests; then it is opened as one
  // does every day.
  await page.waitForTimeout(4000);
  await page.reload();
  const reloadMs = await drawnAfter(page, 0);
  await page.locator('main[data-fresh="true"] [data-verdict="200"]').waitFor({ timeout: 60_000 });
  await page.getByRole('link', { name: 'The Shelf' }).click();
  const card = page.getByRole('link', { name: 'Open Thirty Parts' });
  await card.waitFor();
  await page.waitForTimeout(1500);
  const clicked = await page.evaluate<number>(`(() => {
    const at = performance.now();
    document.querySelector('a[aria-label="Open Thirty Parts"]').click();
    return at;
  })()`);
  const openMs = await drawnAfter(page, clicked);
  await page.locator('main[data-fresh="true"] [data-verdict="200"]').waitFor({ timeout: 60_000 });
  await page
    .getByRole('navigation', { name: 'Parts' })
    .getByRole('button', { name: /^Title/ })
    .click();
  await page.locator('[data-surface]').focus();
  await page.keyboard.press('Enter');
  // What only accompanies the cover has come by then.
  await page.waitForTimeout(4000);
  const keyP95 = p95(await keysToLetters(page));
  await page.keyboard.press('Escape');
  await page.waitForTimeout(1500);
  await page
    .getByRole('navigation', { name: 'Parts' })
    .getByRole('button', { name: /^Badge/ })
    .click();
  await page.waitForTimeout(1500);
  const box = await page.locator('[data-surface]').boundingBox();
  if (!box) throw new Error('no cover');
  const [x, y] = [box.x + box.width * 0.8, box.y + box.height * 0.38];
  await page.mouse.move(x, y);
  await page.mouse.down();
  const perFrame = await workPerFrame(page, async () => {
    const from = performance.now();
    for (let i = 0; performance.now() - from < 3000; i++) {
      await page.mouse.move(x - 60 + 60 * Math.cos(i / 20), y + 50 * Math.sin(i / 20));
      await page.waitForTimeout(7);
    }
  });
  await page.mouse.up();
  await page.waitForTimeout(1500);
  await page.getByRole('link', { name: 'Deliver', exact: true }).click();
  const make = page.getByRole('button', { name: /^Make .*longreach/ });
  // The first one starts the worker and reads fonts and picture; the others, each after a change, are what a change costs.
  await make.click();
  await page.locator('tr[data-state="made"]').first().waitFor({ timeout: 60_000 });
  const exports: number[] = [];
  const inWorker: number[] = [];
  for (let i = 0; i < 5; i++) {
    await front.click();
    await page.locator('main[data-fresh="true"] [data-verdict="200"]').waitFor({ timeout: 60_000 });
    await page.locator('[data-surface]').focus();
    await page.keyboard.press('ArrowLeft');
    await page.waitForTimeout(1500);
    await page.locator('main[data-fresh="true"]').waitFor({ timeout: 60_000 });
    await page.getByRole('link', { name: 'Deliver', exact: true }).click();
    await page.locator('tr[data-state="stale"]').first().waitFor({ timeout: 60_000 });
    inWorker.push(await workInWorker(page, async () => void exports.push(await remake(page))));
  }
  return {
    openMs,
    reloadMs,
    keyP95,
    ownP95: p95(perFrame.own),
    clockP95: p95(perFrame.clock),
    frames: perFrame.own.length / 3,
    exportMs: median(exports),
    exportWorkerMs: median(inWorker),
  };
}
