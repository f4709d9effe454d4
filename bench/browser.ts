import { writeFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { join } from 'node:path';
import { inApp, longestTask, watchTasks } from './app';
import { fileOf, picturePixels } from '../tests/fixtures/pictures';
import { cornerDrag, twelveMegapixels } from './pin';
import { type Row, median } from './rows';
import { type Workbench, busyTitle, workbench } from './workbench';

/**
 * Drops a finished cover on the Shelf; milliseconds from the drop to the first mockup on screen, the dialog confirmed at
 * once. Timed in the page by what it shows, so that no polling from outside is counted.
 */
async function dropToMockup(page: Page, base: string, picture: string): Promise<number> {
  await page.goto(base);
  await page.getByRole('button', { name: 'From words' }).waitFor();
  return page.evaluate<number>(`(async () => {
    const transfer = new DataTransfer();
    const bytes = Uint8Array.from(atob('${picture}'), (c) => c.charCodeAt(0));
    transfer.items.add(new File([bytes], 'drop.jpg', { type: 'image/jpeg' }));
    const seen = async (find) => { for (let it; ; await new Promise(requestAnimationFrame)) if ((it = find())) return it; };
    const from = performance.now();
    document.querySelector('main').dispatchEvent(new DragEvent('drop', { bubbles: true, cancelable: true, dataTransfer: transfer }));
    (await seen(() => [...document.querySelectorAll('button')].find((b) => b.textContent === 'Put it in 3D'))).click();
    await seen(() => document.querySelector('canvas[data-state="preview"], canvas[data-state="final"]'));
    return performance.now() - from;
  })()`);
}

/** A cover from words: milliseconds from confirming to the measured cover on the Front (the sheet is begun meanwhile), and the longest main-thread task while its title is dragged and typed. */
async function editing(page: Page, base: string): Promise<{ composed: number; longest: number }> {
  await page.goto(base);
  await page.getByRole('button', { name: 'From words' }).click();
  await page.getByLabel('Title', { exact: true }).fill('A Manual of Quiet Machines');
  const from = performance.now();
  await page.getByRole('button', { name: 'Compose covers' }).click();
  await page.getByRole('link', { name: 'Front', exact: true }).click();
  await page.locator('[data-verdict="64"]').waitFor();
  const composed = performance.now() - from;
  await page
    .getByRole('navigation', { name: 'Parts' })
    .getByRole('button', { name: /^Title/ })
    .click();
  await page.waitForTimeout(1000);
  await watchTasks(page);
  const box = await page.locator('[data-surface]').boundingBox();
  if (!box) throw new Error('no cover');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height * 0.25);
  await page.mouse.down();
  for (let i = 0; i < 120; i++) {
    await page.mouse.move(box.x + box.width / 2 + 30 * Math.sin(i / 9), box.y + box.height * 0.25);
    await page.waitForTimeout(8);
  }
  await page.mouse.up();
  await page.getByLabel('Title text').pressSequentially(' and Loud Ones', { delay: 40 });
  await page.waitForTimeout(500);
  return { composed, longest: await longestTask(page) };
}

/** Frames a second while the book is turned by the pointer for three seconds, and the longest main-thread task meanwhile. */
async function turning(page: Page): Promise<{ fps: number; longest: number }> {
  await page.locator('canvas[data-state="final"]').waitFor({ timeout: 60_000 });
  const canvas = page.locator('canvas[data-state]');
  await watchTasks(page);
  const box = await canvas.boundingBox();
  if (!box) throw new Error('no scene');
  const frames = async (): Promise<number> => Number(await canvas.getAttribute('data-frames'));
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  const before = await frames();
  const from = performance.now();
  for (let i = 0; performance.now() - from < 3000; i++) {
    await page.mouse.move(box.x + box.width / 2 + 90 * Math.sin(i / 25), box.y + box.height / 2);
    await page.waitForTimeout(8);
  }
  const seconds = (performance.now() - from) / 1000;
  const fps = ((await frames()) - before) / seconds;
  await page.mouse.up();
  return { fps, longest: await longestTask(page) };
}

/** Figures of the app in headless Chromium, with as many tracers as cores. */
export const browserRows = (rounds: number): Promise<Row[]> =>
  inApp(false, async (browser, base, folder) => {
    const picture = Buffer.from(await fileOf(picturePixels(1600, 2560), 'jpeg')).toString('base64');
    const drops: number[] = [];
    const turns: { fps: number; longest: number }[] = [];
    const edits: { composed: number; longest: number }[] = [];
    const benches: Workbench[] = [];
    const thirty = await busyTitle(folder);
    const photo = join(folder, 'photo.jpg');
    writeFileSync(photo, await fileOf(twelveMegapixels().pixels, 'jpeg'));
    const pins: { fps: number; longest: number }[] = [];
    for (let i = 0; i < rounds; i++) {
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      drops.push(await dropToMockup(page, base, picture));
      turns.push(await turning(page));
      edits.push(await editing(page, base));
      pins.push(
        await cornerDrag(
          page,
          photo,
          () => watchTasks(page),
          () => longestTask(page),
        ),
      );
      await page.close();
      const fresh = await browser.newContext({ viewport: { width: 1280, height: 800 } });
      benches.push(await workbench(await fresh.newPage(), base, thirty));
      await fresh.close();
    }
    return [
      { what: 'from a dropped cover file to the first mockup on screen', value: median(drops), unit: 'ms' },
      {
        what: 'frames while turning the book, preview of 480 x 600 px',
        value: median(turns.map((t) => t.fps)),
        unit: 'a second',
      },
      {
        what: 'from three words over the sketch sheet to a composed and measured cover on the Front',
        value: median(edits.map((e) => e.composed)),
        unit: 'ms',
      },
      {
        what: 'longest task of the main thread while a title is dragged and typed',
        value: median(edits.map((e) => e.longest)),
        unit: 'ms (0: none over 50)',
      },
      {
        what: '30 parts and a picture of 24 megapixels: main-thread work in a frame while a part is dragged, 95th percentile',
        value: median(benches.map((b) => b.ownP95)),
        unit: 'ms',
      },
      {
        what: 'the same by the clock, waiting for the other processes on these cores included',
        value: median(benches.map((b) => b.clockP95)),
        unit: 'ms',
      },
      {
        what: 'the same: frames while it is dragged',
        value: median(benches.map((b) => b.frames)),
        unit: 'a second',
      },
      {
        what: 'the same: from the click on the Shelf to the cover on the table',
        value: median(benches.map((b) => b.openMs)),
        unit: 'ms',
      },
      {
        what: 'the same: from the start of a reload to the cover on the table',
        value: median(benches.map((b) => b.reloadMs)),
        unit: 'ms',
      },
      {
        what: 'the same: from a key to its letter on the cover while words are typed there, 95 of 100',
        value: median(benches.map((b) => b.keyP95)),
        unit: 'ms',
      },
      {
        what: 'the same: its 1600 x 2560 JPEG made anew in a worker, from click to checked file',
        value: median(benches.map((b) => b.exportMs)),
        unit: 'ms',
      },
      {
        what: 'the same: of that, in the worker',
        value: median(benches.map((b) => b.exportWorkerMs)),
        unit: 'ms',
      },
      {
        what: 'frames while a corner is dragged on a photograph of 12 megapixels',
        value: median(pins.map((p) => p.fps)),
        unit: 'a second',
      },
      {
        what: 'longest task of the main thread meanwhile',
        value: median(pins.map((p) => p.longest)),
        unit: 'ms (0: none over 50)',
      },
      {
        what: 'longest task of the main thread while turning',
        value: median(turns.map((t) => t.longest)),
        unit: 'ms (0: none over 50)',
      },
    ];
  });
