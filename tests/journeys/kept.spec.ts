import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { unzipSync } from 'fflate';
import { fileOf, scenePixels } from '../fixtures/pictures';
import { bench, coverReady, expect, kept, part, pick, put, saved, shownPixel, step, test } from './help';

const DEMO = join(import.meta.dirname, '../../build/demo');
const shelf = (page: Page) => page.getByRole('region', { name: 'Titles', exact: true });
const card = (page: Page, title: string) => page.getByRole('link', { name: `Open ${title}`, exact: true });

/** An own Shelf with nothing on it but the named demo books. */
async function shelfOf(page: Page, ...names: string[]): Promise<void> {
  await page.route('**/api/demo', (route) => route.fulfill({ json: { autoload: false, files: [] } }));
  await page.goto('/');
  for (const name of names) {
    await pick(page, 'Open .yosomi files', join(DEMO, name));
    await expect(page).toHaveURL(/\/front$/);
    await coverReady(page);
    await page.getByRole('link', { name: 'Back to the Shelf' }).click();
  }
}
const MOSS = '1-balcony-moss.yosomi';
const POEMS = '5-weather-voices.yosomi';

async function openTitle(page: Page, title: string): Promise<void> {
  await card(page, title).click();
  await coverReady(page);
}
const menu = async (page: Page, title: string, item: string): Promise<void> => {
  await page.getByRole('button', { name: `More for ${title}` }).click();
  await page.getByRole('menuitem', { name: item }).click();
};
/** Works on the stored rows, as a crash or another program might leave them. */
const rows = <T, A>(page: Page, work: (db: IDBDatabase, arg: A) => Promise<T>, arg: A): Promise<T> =>
  page.evaluate(
    async ([text, given]) => {
      const db = await new Promise<IDBDatabase>((resolve, reject) => {
        const asked = indexedDB.open('yosomi');
        asked.addEventListener('success', () => resolve(asked.result));
        asked.addEventListener('error', () => reject(asked.error));
      });
      const run = new Function(`return (${text})`)() as (db: IDBDatabase, arg: unknown) => Promise<unknown>;
      const found = await run(db, given);
      db.close();
      return found;
    },
    [work.toString(), arg] as const,
  ) as Promise<T>;

test.describe('with the policy left out, so that stored rows can be changed from outside', () => {
  test.use({ bypassCSP: true });

  test('a cover whose picture is gone says so everywhere, and nothing is made from it until it is chosen again', async ({
    page,
  }) => {
    await shelfOf(page, MOSS);
    await openTitle(page, 'The Balcony Moss Garden');
    const picture = await rows(
      page,
      (db) =>
        new Promise<Uint8Array>((resolve) => {
          const store = db.transaction('assets', 'readwrite').objectStore('assets');
          const all = store.getAll();
          all.onsuccess = () => {
            store.clear().onsuccess = () => resolve([...all.result[0].bytes] as unknown as Uint8Array);
          };
        }),
      null,
    );
    await page.reload();
    await coverReady(page);
    await expect(page.locator('[data-verdict="200"]')).toHaveText(/picture missing/);
    await part(page, 'Picture').click();
    await expect(page.getByText('not in this browser any more').first()).toBeVisible();

    await step(page, 'Deliver');
    await page.getByRole('button', { name: 'Make all' }).click();
    await expect(page.locator('tr[data-state="failed"]')).toHaveCount(14, { timeout: 60_000 });
    await expect(page.locator('tr[data-state="made"]')).toHaveCount(0);
    await expect(page.locator('tr[data-file="epub"]')).toContainText('is not in this browser any more');
    const file = await saved(page, () => page.getByRole('button', { name: 'Save the title as a file' }).click());
    await expect(page.getByText(/The file was saved without/)).toBeVisible();
    const manifest = JSON.parse(new TextDecoder().decode(unzipSync(new Uint8Array(file.bytes))['manifest.json']));
    expect(manifest.missing).toHaveLength(1);

    // The file opens, and says what it lacks; the very picture brings the cover back.
    await step(page, 'Front');
    await coverReady(page);
    const path = put('again.jpg', Uint8Array.from(picture));
    await part(page, 'Picture').click();
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      bench(page).inspector.getByRole('button', { name: 'Replace the picture' }).click(),
    ]);
    await chooser.setFiles(path);
    await expect(page.locator('[data-verdict="200"]')).not.toHaveText(/picture missing/);
  });

  test('a row of the wrong shape is said, can be saved as it is and removed, and stops nothing else', async ({
    page,
  }) => {
    await shelfOf(page, MOSS, POEMS);
    await rows(
      page,
      (db) =>
        new Promise<void>((resolve) => {
          const store = db.transaction('titles', 'readwrite').objectStore('titles');
          store.getAll().onsuccess = (e) => {
            for (const row of (e.target as IDBRequest).result) {
              if (row.id.includes('moss')) store.put({ ...row, book: { ...row.book, cover: 'nothing' } });
              else store.put({ ...row, order: 'abc', done: {}, rev: null });
            }
            resolve();
          };
        }),
      null,
    );
    await page.reload();
    const unread = page.getByRole('alert', { name: 'Titles that cannot be read' });
    await expect(unread).toContainText('The Balcony Moss Garden');
    await expect(unread).toContainText('Nothing of it was removed');
    const file = await saved(page, () => unread.getByRole('button', { name: 'Save what is stored' }).click());
    const entries = unzipSync(new Uint8Array(file.bytes));
    expect(JSON.parse(new TextDecoder().decode(entries['title.json'])).title.book.cover).toBe('nothing');
    expect(Object.keys(entries).filter((name) => name.startsWith('files/'))).toHaveLength(1);
    // Numbers of steps that are none cost the history and not the title.
    await openTitle(page, 'Weather for Two Voices');
    await step(page, 'Brief');
    await page.getByLabel('Author').fill('Ilse A. Brannagh');
    await kept(page);
    await page.goto('/');
    await unread.getByRole('button', { name: 'Remove from the Shelf' }).click();
    await expect(unread).toHaveCount(0);
    await expect(page.getByRole('button', { name: 'Removed titles' })).toBeVisible();
  });
});

test('a part that was added outlives a reload with its step, and so does taking it back', async ({ page }) => {
  await shelfOf(page, POEMS);
  await openTitle(page, 'Weather for Two Voices');
  await bench(page).add('Rectangle');
  await expect(part(page, 'Rectangle')).toBeVisible();
  await kept(page);
  await page.reload();
  await coverReady(page);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(part(page, 'Rectangle')).toHaveCount(0);
  await kept(page);
  await page.reload();
  await coverReady(page);
  await page.getByRole('button', { name: 'Redo', exact: true }).click();
  await expect(part(page, 'Rectangle')).toBeVisible();
});

test('a change is kept even where the title is left at once', async ({ page }) => {
  await shelfOf(page, POEMS);
  await openTitle(page, 'Weather for Two Voices');
  await step(page, 'Brief');
  await page.getByLabel('Title', { exact: true }).fill('Weather for Three');
  await page.getByRole('link', { name: 'Back to the Shelf' }).click();
  await expect(card(page, 'Weather for Three')).toBeVisible();
});

test('a title that is removed in one window is asked about in the other, and comes back with its picture and history', async ({
  page,
  context,
}) => {
  await shelfOf(page, MOSS);
  await openTitle(page, 'The Balcony Moss Garden');
  await step(page, 'Brief');
  await page.getByLabel('Author').fill('O. Frew');
  await kept(page);
  const other = await context.newPage();
  await other.route('**/api/demo', (route) => route.fulfill({ json: { autoload: false, files: [] } }));
  await other.goto('/');
  await menu(other, 'The Balcony Moss Garden', 'Remove from the Shelf');
  await expect(card(other, 'The Balcony Moss Garden')).toHaveCount(0);
  const asked = page.getByRole('dialog', { name: 'This title was removed in another window' });
  await expect(asked).toBeVisible();
  // It cannot be removed for good while it is open.
  await other.getByRole('button', { name: 'Removed titles' }).click();
  await other.getByRole('button', { name: 'Remove The Balcony Moss Garden for good' }).click();
  await other.getByRole('button', { name: 'Remove for good', exact: true }).first().click();
  await expect(other.getByText('open in another window')).toBeVisible();
  await asked.getByRole('button', { name: 'Put it back' }).click();
  await kept(page);
  await page.reload();
  await step(page, 'Front');
  await coverReady(page);
  const [r, g, b] = await shownPixel(page, /^Cover of/, 0.5, 0.6);
  expect(Math.max(r, g, b) - Math.min(r, g, b)).toBeGreaterThan(8);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await step(page, 'Brief');
  await expect(page.getByLabel('Author')).toHaveValue('Ottoline Frew');
});

test('removed titles stay whole in a place of their own, are put back after a reload, or go for good', async ({
  page,
}) => {
  await shelfOf(page, MOSS, POEMS);
  await openTitle(page, 'Weather for Two Voices');
  await bench(page).add('Rectangle');
  await kept(page);
  await page.getByRole('link', { name: 'Back to the Shelf' }).click();
  for (const title of ['Weather for Two Voices', 'The Balcony Moss Garden'])
    await menu(page, title, 'Remove from the Shelf');
  await expect(shelf(page).getByRole('listitem')).toHaveCount(0);
  await page.reload();
  await page.getByRole('button', { name: 'Removed titles' }).click();
  const dialog = page.getByRole('dialog', { name: 'Removed titles' });
  await expect(dialog.getByRole('listitem')).toHaveCount(2);
  await expect(dialog).toContainText('30 more days');
  await dialog.getByRole('button', { name: 'Put Weather for Two Voices back' }).click();
  await dialog.getByRole('button', { name: 'Remove The Balcony Moss Garden for good' }).click();
  await expect(dialog).toContainText('This cannot be undone.');
  await dialog.getByRole('button', { name: 'Remove for good', exact: true }).click();
  await expect(dialog.getByRole('listitem')).toHaveCount(0);
  await page.keyboard.press('Escape');
  await openTitle(page, 'Weather for Two Voices');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(part(page, 'Rectangle')).toHaveCount(0);
});

test('with the store full, what is not kept is said where it can be saved, nobody leaves it unasked, and it is kept by itself when there is room', async ({
  page,
}) => {
  await page.addInitScript(() => {
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = function (this: IDBObjectStore, ...input: Parameters<typeof put>) {
      if ((globalThis as { storeIsFull?: boolean }).storeIsFull)
        throw new DOMException('no room', 'QuotaExceededError');
      return put.apply(this, input);
    };
  });
  const full = (on: boolean) =>
    page.evaluate((now) => void ((globalThis as { storeIsFull?: boolean }).storeIsFull = now), on);
  await shelfOf(page, POEMS);
  await openTitle(page, 'Weather for Two Voices');
  await step(page, 'Brief');
  await full(true);
  await page.getByLabel('Author').fill('Ilse of the full store');
  const notice = page.getByRole('alert').filter({ hasText: 'no room left' });
  await expect(notice).toBeVisible();
  const file = await saved(page, () => notice.getByRole('button', { name: 'Save as a file' }).click());
  const manifest = JSON.parse(new TextDecoder().decode(unzipSync(new Uint8Array(file.bytes))['manifest.json']));
  expect(manifest.book.brief.author).toBe('Ilse of the full store');
  await page.getByRole('link', { name: 'Back to the Shelf' }).click();
  const asked = page.getByRole('dialog', { name: 'The last change is not stored' });
  await asked.getByRole('button', { name: 'Stay here' }).click();
  await expect(page).toHaveURL(/\/brief$/);
  // Room returns; nothing is touched, and it is kept.
  await full(false);
  await expect(page.locator('[data-kept="kept"]')).toBeVisible({ timeout: 40_000 });
  await expect(notice).toHaveCount(0);
  await page.reload();
  await expect(page.getByLabel('Author')).toHaveValue('Ilse of the full store');
  // Who leaves all the same has said so.
  await full(true);
  await page.getByLabel('Author').fill('Never kept');
  await expect(notice).toBeVisible();
  await page.getByRole('link', { name: 'Back to the Shelf' }).click();
  await asked.getByRole('button', { name: 'Leave without it' }).click();
  await full(false);
  await openTitle(page, 'Weather for Two Voices');
  await step(page, 'Brief');
  await expect(page.getByLabel('Author')).toHaveValue('Ilse of the full store');
});

test('a browser that stores nothing says so, and the work goes on in memory and leaves as a file', async ({ page }) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('blocked', 'SecurityError');
    };
  });
  await page.route('**/api/demo', (route) => route.fulfill({ json: { autoload: false, files: [] } }));
  await page.goto('/');
  const notice = page.getByRole('complementary', { name: 'Nothing is stored' });
  await expect(notice).toContainText('storage is blocked');
  await expect(page.getByText('Everything stays in this browser')).toHaveCount(0);
  const picture = put('memory.jpg', await fileOf(scenePixels(900, 1440), 'jpeg'));
  await pick(page, 'From a finished cover', picture);
  await page.getByLabel('Title', { exact: true }).fill('Kept in Mind');
  await page.getByRole('button', { name: 'Put it in 3D' }).click();
  await step(page, 'Front');
  await coverReady(page);
  // The worker paints the picture that only the page has.
  const [r, g, b] = await shownPixel(page, /^Cover of/, 0.5, 0.5);
  expect(r + g + b).toBeGreaterThan(0);
  await expect(page.getByText('In memory only')).toBeVisible();
  await step(page, 'Brief');
  await page.getByLabel('Author').fill('Nobody');
  const file = await saved(page, () => notice.getByRole('button', { name: 'Save as a file' }).click());
  expect(Object.keys(unzipSync(new Uint8Array(file.bytes))).filter((n) => n.startsWith('assets/'))).toHaveLength(1);
  await step(page, 'Deliver');
  await page.getByRole('button', { name: 'Make kept-in-mind-cover.pdf' }).click();
  await expect(page.locator('tr[data-file="pdf"][data-state="made"]')).toBeVisible({ timeout: 60_000 });
});

test('demo books that broke off come whole at the next visit, and a removed one stays removed', async ({ page }) => {
  let served = 0;
  await page.route('**/demo/*.yosomi', async (route) => {
    if (served++ >= 2)
      await new Promise((resolve) => setTimeout(resolve, 60_000)).then(() => route.abort().catch(() => {}));
    else await route.continue();
  });
  await page.goto('/');
  await expect(page.getByText(/Putting the demo books on the Shelf, 2 of 5/)).toBeVisible({ timeout: 30_000 });
  await page.unroute('**/demo/*.yosomi');
  await page.goto('/');
  await expect(shelf(page).getByRole('listitem')).toHaveCount(5, { timeout: 60_000 });
  await expect(page.getByText('Everything stays in this browser')).toBeVisible();
  await menu(page, 'Weather for Two Voices', 'Remove from the Shelf');
  await page.reload();
  await expect(shelf(page).getByRole('listitem')).toHaveCount(4);
  await expect(page.getByText('Everything stays in this browser')).toBeVisible();
  await expect(shelf(page).getByRole('listitem')).toHaveCount(4);
});

test('a picture that was chosen is not lost by leaving: in the app, and by a reload', async ({ page }) => {
  await shelfOf(page, POEMS);
  const picture = put('left behind.jpg', await fileOf(scenePixels(900, 1440), 'jpeg'));
  await pick(page, 'From a picture', picture);
  await expect(page.getByRole('dialog', { name: 'A new title from this picture' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('dialog', { name: 'A new title from this picture' })).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await page.reload();
  await expect(card(page, 'Weather for Two Voices')).toBeVisible();
  await expect(page.getByRole('dialog')).toHaveCount(0);

  // Left within the app while it is read.
  await pick(page, 'From a picture', picture);
  await page.evaluate(() => (document.querySelector('a[aria-label^="Open Weather"]') as HTMLElement).click());
  await expect(page).toHaveURL(/\/front$/);
  const aside = page.getByRole('complementary', { name: 'Work that goes on' });
  await expect(aside).toContainText('left behind');
  await aside.getByRole('link', { name: 'Go on with it' }).click();
  await page.getByLabel('Title', { exact: true }).fill('Found Again');
  await page.getByRole('button', { name: 'Compose covers' }).click();
  await expect(page).toHaveURL(/\/sketches$/);
  await page.goto('/');
  await expect(card(page, 'Found Again')).toBeVisible();
});

test('files go on being made while one works elsewhere, in sight, until they are done or stopped', async ({ page }) => {
  await shelfOf(page, POEMS);
  await openTitle(page, 'Weather for Two Voices');
  await step(page, 'Deliver');
  await page.getByRole('button', { name: 'Make all' }).click();
  await step(page, 'Brief');
  const aside = page.getByRole('complementary', { name: 'Work that goes on' });
  await expect(aside).toContainText('Files of Weather for Two Voices');
  await page.getByLabel('Publisher').fill('Another House');
  await page.getByRole('link', { name: 'Back to the Shelf' }).click();
  await expect(aside).toBeVisible();
  await expect(aside).toHaveCount(0, { timeout: 90_000 });
  await openTitle(page, 'Weather for Two Voices');
  await step(page, 'Deliver');
  const there = page.locator('tr[data-state="made"], tr[data-state="stale"]');
  await expect.poll(() => there.count()).toBeGreaterThan(5);
  await expect(page.locator('tr[data-state="none"]')).toHaveCount(0);
  // Stopped from elsewhere.
  await page.getByRole('button', { name: 'Make all' }).click();
  await step(page, 'Glance');
  await aside.getByRole('button', { name: 'Stop' }).click();
  await expect(aside).toHaveCount(0, { timeout: 30_000 });
});

test('a file that cannot be read says why and sticks nowhere', async ({ page }) => {
  await shelfOf(page, POEMS);
  await openTitle(page, 'Weather for Two Voices');
  await page.goto(`${page.url().replace('/front', '')}/deliver/check`);
  const whole = await fileOf(scenePixels(900, 1440), 'jpeg');
  const input = page.getByLabel('File to check');
  for (const [name, bytes] of [
    ['cut off.jpg', whole.slice(0, whole.length / 3)],
    ['broken.epub', Uint8Array.from([0x50, 0x4b, 3, 4, ...new Uint8Array(200)])],
  ] as const) {
    await input.setInputFiles(put(name, bytes));
    await expect(page.getByRole('alert').filter({ hasText: name })).toBeVisible();
    await expect(page.getByText(`Reading ${name}`)).toHaveCount(0);
  }
  await input.setInputFiles(put('whole.jpg', whole));
  await expect(page.getByRole('region', { name: 'The file' })).toContainText('whole.jpg');
});

test('a title file that is on the Shelf already is asked about; a title can be duplicated', async ({ page }) => {
  await shelfOf(page, MOSS);
  await openTitle(page, 'The Balcony Moss Garden');
  await step(page, 'Brief');
  await page.getByLabel('Author').fill('Somebody Else');
  await kept(page);
  await page.getByRole('link', { name: 'Back to the Shelf' }).click();
  await pick(page, 'Open .yosomi files', join(DEMO, MOSS));
  const asked = page.getByRole('dialog', { name: /is on your Shelf already/ });
  await asked.getByRole('button', { name: 'Put the file in its place' }).click();
  await coverReady(page);
  await step(page, 'Brief');
  await expect(page.getByLabel('Author')).toHaveValue('Ottoline Frew');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByLabel('Author')).toHaveValue('Somebody Else');
  await kept(page);
  await page.getByRole('link', { name: 'Back to the Shelf' }).click();
  await menu(page, 'The Balcony Moss Garden', 'Duplicate');
  await expect(card(page, 'The Balcony Moss Garden (copy)')).toBeVisible();
  await expect(shelf(page).getByRole('listitem')).toHaveCount(2);
  expect(readFileSync(join(DEMO, MOSS)).length).toBeGreaterThan(0);
});

test('two drags of one slider are two steps, and a resting hand is one', async ({ page }) => {
  await shelfOf(page, MOSS);
  await openTitle(page, 'The Balcony Moss Garden');
  const b = bench(page);
  await part(page, 'Picture').click();
  const slider = b.inspector.getByRole('slider', { name: 'Zoom', exact: true }).first();
  await slider.scrollIntoViewIfNeeded();
  const drag = async (from: number, to: number, restMs: number): Promise<void> => {
    const track = (await slider.locator('xpath=../..').boundingBox())!;
    const at = (share: number): [number, number] => [track.x + track.width * share, track.y + track.height / 2];
    await page.mouse.move(...at(from));
    await page.mouse.down();
    await page.mouse.move(...at((from + to) / 2), { steps: 4 });
    await page.waitForTimeout(restMs);
    await page.mouse.move(...at(to), { steps: 4 });
    await page.mouse.up();
  };
  await drag(0.02, 0.3, 1300);
  await coverReady(page);
  await drag(0.3, 0.7, 0);
  const undo = page.getByRole('button', { name: 'Undo', exact: true });
  const high = Number(await slider.getAttribute('aria-valuenow'));
  await undo.click();
  await expect.poll(async () => Number(await slider.getAttribute('aria-valuenow'))).toBeLessThan(high);
  await undo.click();
  await expect(undo).toBeDisabled();
});

test('a worker whose script does not come says so instead of hanging, and is started anew', async ({ page }) => {
  let broken = true;
  await page.route('**/studio.worker-*.js', (route) => (broken ? route.abort() : route.continue()));
  await page.route('**/api/demo', (route) => route.fulfill({ json: { autoload: false, files: [] } }));
  await page.goto('/');
  await pick(page, 'Open .yosomi files', join(DEMO, POEMS));
  await expect(page.getByText('Something went wrong while this was made')).toBeVisible();
  broken = false;
  await pick(page, 'Open .yosomi files', join(DEMO, POEMS));
  await coverReady(page);
});
