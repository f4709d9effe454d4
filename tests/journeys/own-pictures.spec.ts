import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { fillLibrary } from '../fixtures/library';
import { fileOf, picturePixels, scenePixels } from '../fixtures/pictures';
import { breaches, coverReady, expect, fromWords, kept, put, savedTitle, step, test } from './help';

test.use({ shelf: [] });

const desk = (page: Page) => page.getByRole('dialog', { name: 'Picture desk' });
const tiles = (page: Page) => desk(page).locator('button[data-tile]');
const tile = (page: Page, name: string) => tiles(page).and(page.getByRole('button', { name, exact: true }));
const shows = (page: Page) => desk(page).getByLabel('What it shows', { exact: true });
const panel = (page: Page) => desk(page).getByRole('complementary', { name: /^The chosen/ });
/** How many are found. */
const count = (page: Page) => desk(page).locator('p[aria-live]');
const report = (page: Page) => desk(page).getByLabel('What became of the files');
const add = (page: Page, files: string[]): Promise<void> => desk(page).getByLabel('Picture files').setInputFiles(files);
const look = async (page: Page, name: RegExp): Promise<void> => {
  await desk(page).getByRole('combobox', { name: 'Folder' }).click();
  await page.getByRole('option', { name }).click();
};

async function open(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Picture desk' }).click();
  await desk(page).getByRole('radio', { name: 'Your own' }).click();
}

test('many pictures come in at once, are ordered and found again, become a cover, and are removed without harm', async ({
  page,
}) => {
  test.setTimeout(300_000);
  const dusk = await fileOf(scenePixels(1200, 1920), 'jpeg');
  const files = [
    put('dusk_over_hills.jpg', dusk),
    put('dusk copy.jpg', dusk),
    put('dusk-small.jpg', await sharp(dusk).resize(600).jpeg({ quality: 45 }).toBuffer()),
    put('corner.png', await fileOf(picturePixels(900, 700), 'png')),
    put('stamp.png', await fileOf(picturePixels(300, 480, 5), 'png')),
    put('cut.jpg', dusk.slice(0, 2000)),
    put('notes.txt', 'no picture'),
  ];
  await fromWords(page, 'The Salt Road', 'Ines Marr');
  await open(page);

  await test.step('what came in, what was there, and what could not be read is told', async () => {
    await expect(desk(page).getByText('No pictures of your own yet')).toBeVisible();
    await add(page, files);
    await expect(report(page)).toContainText('4 pictures were added. One was here already.', { timeout: 60_000 });
    await expect(report(page).getByRole('listitem')).toHaveCount(2);
    await expect(report(page)).toContainText('cut.jpg: This JPEG file ends too early');
    await expect(report(page)).toContainText('notes.txt: This file is not a picture');
    await expect(tiles(page)).toHaveCount(4);
    await report(page).getByRole('button', { name: 'Close this report' }).click();
  });

  await test.step('those that are nearly the same are told by their looks', async () => {
    await look(page, /^Nearly the same \(2\)/);
    await expect(tiles(page)).toHaveCount(2);
    await tile(page, 'dusk small').click();
    await expect(panel(page).getByRole('region', { name: 'Nearly the same' }).getByRole('button')).toHaveAccessibleName(
      'dusk over hills, 1200 x 1920 px',
    );
    await look(page, /^All folders \(4\)/);
  });

  await test.step('several go into a folder in one step that can be taken back', async () => {
    await tile(page, 'dusk over hills').click();
    await tile(page, 'dusk small').click({ modifiers: ['ControlOrMeta'] });
    await panel(page).getByLabel('Folder', { exact: true }).fill('Evening light');
    await page.keyboard.press('Enter');
    await expect(page.getByText('2 pictures lie in “Evening light”.')).toBeVisible();
    await look(page, /^Evening light \(2\)/);
    await expect(tiles(page)).toHaveCount(2);
    await desk(page).getByRole('button', { name: 'Undo' }).click();
    await expect(desk(page).getByText('No picture lies here.')).toBeVisible();
    await desk(page).getByRole('button', { name: 'Look in all folders' }).click();
    await expect(tiles(page)).toHaveCount(4);
  });

  await test.step('a name, tags and a folder are kept, and found by their words after a reload', async () => {
    await tile(page, 'corner').click();
    await panel(page).getByLabel('Tags').fill('Sea wall, dawn, sea wall');
    await page.keyboard.press('Enter');
    await expect(panel(page).getByLabel('Tags')).toHaveValue('Sea wall, dawn');
    // Escape puts back what was typed, and closes nothing.
    await panel(page).getByLabel('Name').fill('Not this');
    await page.keyboard.press('Escape');
    await expect(panel(page).getByLabel('Name')).toHaveValue('corner');
    await panel(page).getByLabel('Name').fill('Harbour');
    await panel(page).getByLabel('Folder', { exact: true }).fill('Coast');
    await page.keyboard.press('Enter');
    await expect(page.getByText('It lies in “Coast”.')).toBeVisible();
    await page.reload();
    await open(page);
    await shows(page).fill('wall coast');
    await expect(tiles(page)).toHaveCount(1);
    await tile(page, 'Harbour').click();
    await expect(panel(page).getByLabel('Tags')).toHaveValue('Sea wall, dawn');
    await shows(page).fill('giraffe');
    await expect(desk(page).getByText('No picture here answers “giraffe”.')).toBeVisible();
    await shows(page).fill('');
  });

  await test.step('one that is too small says so, one that is not becomes the cover with the title in its calm place', async () => {
    await tile(page, 'stamp').click();
    await expect(panel(page).getByText('It has 300 x 480 px, too few to fill this cover sharply.')).toBeVisible();
    await expect(panel(page).getByRole('button', { name: 'Make it the cover' })).toHaveCount(0);
    await tile(page, 'dusk over hills').click();
    await panel(page).getByRole('button', { name: 'I made it' }).click();
    await expect(page.getByText('Its rights are kept.')).toBeVisible();
    const mine = panel(page).getByRole('button', { name: 'I made it' });
    await desk(page).getByRole('button', { name: 'Undo' }).click();
    await expect(mine).toHaveAttribute('aria-pressed', 'false');
    await mine.click();
    await expect(mine).toHaveAttribute('aria-pressed', 'true');
    expect(await breaches(page, '[role="dialog"]')).toEqual([]);
    await panel(page).getByRole('button', { name: 'Make it the cover' }).click();
    await expect(page.getByText('The cover is on the Front')).toBeVisible({ timeout: 60_000 });
    await step(page, 'Front');
    await coverReady(page);
    await expect(page.getByText('Every word reaches a contrast of 4.5 : 1.')).toBeVisible();
  });

  await test.step('where it is used is told, and removing it takes it from no title', async () => {
    await kept(page);
    await page.getByRole('link', { name: 'Back to the Shelf' }).click();
    await open(page);
    await tile(page, 'dusk over hills').click();
    await expect(panel(page).getByRole('region', { name: 'Used in' })).toContainText('The Salt Road');
    await panel(page).getByRole('button', { name: 'Remove from your pictures' }).click();
    await expect(page.getByText('Titles that show it keep it.')).toBeVisible();
    await expect(tiles(page)).toHaveCount(3);
    // The keyboard is at the next one.
    await expect(tiles(page).and(page.locator(':focus'))).toHaveAttribute('aria-pressed', 'true');
    await page.keyboard.press('Escape');
    // The Shelf drops what nothing needs: this is needed still.
    await page.reload();
    await page.getByRole('link', { name: 'Open The Salt Road' }).click();
    await coverReady(page);
    await step(page, 'Deliver');
    const { book, files } = await savedTitle(page);
    const [asset] = Object.values(book.assets);
    expect(asset).toMatchObject({
      name: 'dusk over hills',
      widthPx: 1200,
      rights: { maker: 'Ines Marr', use: 'goods' },
    });
    expect(files.get(asset.id)?.length).toBe(dusk.length);
    await page.getByRole('link', { name: 'Back to the Shelf' }).click();
    await open(page);
    await desk(page).getByRole('button', { name: 'Put 1 removed back' }).click();
    await expect(tiles(page)).toHaveCount(4);
  });

  await test.step('one whose file was lost says so, and is whole once it is added again', async () => {
    await page.keyboard.press('Escape');
    await page.evaluate(
      () =>
        new Promise<void>((done) => {
          const opening = indexedDB.open('yosomi');
          opening.addEventListener('success', () => {
            const work = opening.result.transaction(['assets', 'thumbs'], 'readwrite');
            for (const store of ['assets', 'thumbs']) work.objectStore(store).clear();
            work.addEventListener('complete', () => {
              opening.result.close();
              done();
            });
          });
        }),
    );
    await page.reload();
    await open(page);
    await tile(page, 'Harbour').click();
    await expect(panel(page).getByText('Its file is gone from this browser.')).toBeVisible();
    await add(page, [files[3]]);
    await expect(report(page)).toContainText('One was here already.');
    await expect(panel(page).getByRole('img', { name: 'Harbour' })).toBeVisible();
    await expect(panel(page).getByRole('button', { name: 'Start a title with it' })).toBeVisible();
  });

  await test.step('a title that is open while its picture is added again shows it at once', async () => {
    await page.keyboard.press('Escape');
    await page.getByRole('link', { name: 'Open The Salt Road' }).click();
    await coverReady(page);
    await expect(page.locator('[data-verdict="200"]')).toHaveText(/picture missing/);
    await page.getByRole('button', { name: 'Add a part' }).click();
    await page.getByRole('menuitem', { name: 'Picture desk' }).click();
    await desk(page).getByRole('radio', { name: 'Your own' }).click();
    await add(page, [files[0]]);
    await expect(report(page)).toContainText('One was here already.');
    await page.keyboard.press('Escape');
    await expect(page.locator('[data-verdict="200"]')).not.toHaveText(/picture missing/);
  });
});

test('five thousand pictures are looked through by keys and searched; one that is broken stops nothing', async ({
  page,
}) => {
  await page.goto('/');
  await expect(page.getByText('No titles yet')).toBeVisible();
  await fillLibrary(page, 5000, 77);
  await open(page);
  await expect(count(page)).toHaveText('4999 pictures', { timeout: 60_000 });
  await expect(desk(page).getByText('One picture cannot be read and stays stored.')).toBeVisible();
  await expect(tiles(page).first()).toHaveAccessibleName('Sheet 4999');
  const shown = await tiles(page).count();
  expect(shown).toBeGreaterThan(10);
  expect(shown).toBeLessThan(80);
  await expect(desk(page).getByRole('listitem').first()).toHaveAttribute('aria-setsize', '4999');

  await test.step('arrow keys go on where the first ones end', async () => {
    await tiles(page).first().focus();
    const across = new Set(
      await tiles(page).evaluateAll((all) => all.map((one) => Math.round(one.getBoundingClientRect().x))),
    ).size;
    for (let i = 1; i <= 12; i++) {
      await page.keyboard.press('ArrowDown');
      await expect(tile(page, `Sheet ${4999 - i * across}`)).toBeFocused();
    }
    expect(await tiles(page).count()).toBeLessThan(80);
  });

  await test.step('the last ones are reached by scrolling', async () => {
    await desk(page)
      .getByRole('list', { name: 'Pictures of your own' })
      .evaluate((list) => list.parentElement!.scrollTo(0, 1e9));
    await expect(tile(page, 'Sheet 0')).toBeVisible();
  });

  await test.step('words leave those that they name', async () => {
    await shows(page).fill('sheet 4321');
    await expect(tiles(page)).toHaveCount(1);
    await shows(page).fill('motif7');
    await expect(count(page)).toHaveText('100 pictures');
    await look(page, /^Box 7 \(250\)/);
    await expect(count(page)).toHaveText('50 pictures');
    await tiles(page).first().focus();
    await page.keyboard.press('ControlOrMeta+a');
    await panel(page).getByLabel('More tags').fill('old');
    await page.keyboard.press('Enter');
    await expect(page.getByText('50 pictures have the tags.')).toBeVisible();
    await shows(page).fill('old');
    await expect(count(page)).toHaveText('50 pictures');
  });

  await test.step('one whose file is gone says so', async () => {
    await tiles(page).first().click();
    await expect(panel(page).getByText('Its file is gone from this browser.')).toBeVisible();
    await expect(panel(page).getByRole('button', { name: 'Start a title with it' })).toHaveCount(0);
  });
});

test('where there is no more room, what came in stays, and what did not is told', async ({ page }) => {
  await page.addInitScript(() => {
    const put = IDBObjectStore.prototype.put;
    let rows = 0;
    IDBObjectStore.prototype.put = function (this: IDBObjectStore, ...input: Parameters<typeof put>) {
      if (this.name === 'pictures' && ++rows > 1) throw new DOMException('no room', 'QuotaExceededError');
      return put.apply(this, input);
    };
  });
  await page.goto('/');
  await open(page);
  const files = await Promise.all(
    [1, 2, 3, 4].map(async (seed) => put(`plate ${seed}.png`, await fileOf(picturePixels(200, 320, seed), 'png'))),
  );
  await add(page, files);
  await expect(report(page)).toContainText('One picture was added.', { timeout: 60_000 });
  await expect(report(page).getByRole('listitem')).toHaveText(/^plate 2\.png: The browser has no room left for it/);
  await expect(report(page)).toContainText('2 files were not looked at. Drop them again to go on.');
  await expect(tiles(page)).toHaveCount(1);
});

test('taking in goes on while the desk is closed, and can be stopped with what is there kept', async ({ page }) => {
  await page.goto('/');
  await open(page);
  // Twenty are never all there before one has pressed.
  const files = await Promise.all(
    Array.from({ length: 20 }, async (_, seed) =>
      put(`frame ${seed}.png`, await fileOf(picturePixels(700, 1120, seed + 1), 'png')),
    ),
  );
  await add(page, files);
  const stop = desk(page).getByRole('button', { name: 'Stop' });
  await expect(stop).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(desk(page)).toBeHidden();
  await open(page);
  await stop.press('Enter');
  await expect(report(page)).toContainText('not looked at. Drop them again to go on.', { timeout: 60_000 });
  expect(Number.parseInt(await count(page).innerText(), 10)).toBeLessThan(20);
  await add(page, files);
  await expect(count(page)).toHaveText('20 pictures', { timeout: 120_000 });
});

test('pictures that are dropped or pasted on the open desk go into its folder, and nowhere else', async ({ page }) => {
  const [one, two] = await Promise.all(
    [1, 2].map(async (seed) => Buffer.from(await fileOf(picturePixels(200, 320, seed), 'png')).toString('base64')),
  );
  await page.goto('/');
  await page.getByRole('button', { name: 'Picture desk' }).click();
  const carrying = (name: string, base64: string) =>
    page.evaluateHandle(
      ([file, bytes]) => {
        const data = new DataTransfer();
        data.items.add(new File([Uint8Array.from(atob(bytes), (c) => c.charCodeAt(0))], file, { type: 'image/png' }));
        return data;
      },
      [name, base64] as const,
    );
  // Dropped where the painted ones are, it leads to one's own.
  await shows(page).dispatchEvent('drop', { dataTransfer: await carrying('first plate.png', one) });
  await expect(report(page)).toContainText('One picture was added.', { timeout: 60_000 });
  await tile(page, 'first plate').click();
  await panel(page).getByLabel('Folder', { exact: true }).fill('Plates');
  await page.keyboard.press('Enter');
  await look(page, /^Plates \(1\)/);
  await (
    await carrying('second plate.png', two)
  ).evaluate((data) => {
    document.activeElement?.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    );
  });
  await expect(tiles(page)).toHaveCount(2, { timeout: 60_000 });
  // What is dropped beside its fields is taken too. The Shelf under it, which takes files as well, begins no title with any.
  await desk(page)
    .getByRole('heading', { name: 'Picture desk' })
    .dispatchEvent('drop', { dataTransfer: await carrying('first plate.png', one) });
  await expect(report(page)).toContainText('One was here already.');
  await expect(page.getByRole('dialog')).toHaveCount(1);
  await page.reload();
  await expect(page.getByText('No titles yet')).toBeVisible();
  await open(page);
  await look(page, /^Plates \(2\)/);
  await expect(tiles(page)).toHaveCount(2);
});

test('the desk stays open when the window is made narrow', async ({ page }) => {
  await fromWords(page, 'The Salt Road', 'Ines Marr');
  await open(page);
  await add(page, [put('lone plate.png', await fileOf(picturePixels(200, 320, 3), 'png'))]);
  await tile(page, 'lone plate').click();
  await page.setViewportSize({ width: 700, height: 800 });
  await expect(tile(page, 'lone plate')).toBeVisible();
  await expect(panel(page)).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(desk(page)).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Picture desk' })).toHaveCount(0);
  await page.getByRole('button', { name: 'What it asks' }).click();
  await expect(page.getByRole('button', { name: 'Picture desk' })).toBeVisible();
});

test('two windows show the same pictures', async ({ page, context }) => {
  await page.goto('/');
  await open(page);
  const other = await context.newPage();
  await other.goto('/');
  await open(other);
  const file = put('shared plate.png', await fileOf(picturePixels(200, 320, 9), 'png'));
  await add(other, [file]);
  await expect(tile(other, 'shared plate')).toBeVisible({ timeout: 60_000 });
  await tile(page, 'shared plate').click();
  await panel(page).getByLabel('Name').fill('Renamed');
  await page.keyboard.press('Enter');
  await expect(tile(other, 'Renamed')).toBeVisible();
  await panel(page).getByRole('button', { name: 'Remove from your pictures' }).click();
  await expect(tiles(other)).toHaveCount(0);
  await expect(other.getByText('No pictures of your own yet')).toBeVisible();
});

test('where the search does not start it is said, with a way to try again, and nothing is called empty', async ({
  page,
}) => {
  await page.route('**/library.worker-*.js', (route) => route.abort());
  await page.goto('/');
  await open(page);
  await expect(desk(page).getByRole('alert')).toContainText('Your pictures could not be read');
  await expect(desk(page).getByText('No pictures of your own yet')).toHaveCount(0);
  await page.unroute('**/library.worker-*.js');
  await desk(page).getByRole('button', { name: 'Try again' }).click();
  await expect(desk(page).getByText('No pictures of your own yet')).toBeVisible();
});
