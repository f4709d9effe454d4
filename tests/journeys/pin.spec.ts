import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { unzipSync } from 'fflate';
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { run } from '../../cli/src/run';
import { photographOf } from '../fixtures/photographs';
import { fileOf, picturePixels } from '../fixtures/pictures';
import { again, bench, expect, kept, put, saved, settled, shownMark, step, test } from './help';

test.use({ shelf: ['lamplighter-1', 'moss', 'weather'] });

const HELD = join(import.meta.dirname, '../../assets/photographs/held.jpg');

const openTitle = async (page: Page, title: string): Promise<void> => {
  await page.goto('/');
  await page.getByRole('link', { name: `Open ${title}` }).click({ timeout: 60_000 });
  await step(page, 'Mockups');
  await page.getByRole('link', { name: 'Photograph' }).click();
};

/** Opens a photograph by the file dialog, and waits until its corners are found and the cover is on it. */
const openPhoto = async (page: Page, path: string): Promise<void> => {
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Open', exact: true }).click(),
  ]);
  await chooser.setFiles(path);
  await expect(page.getByRole('button', { name: /^Top left corner of Front/ })).toBeVisible({ timeout: 60_000 });
  await settled(page);
};

/** A place of the photograph, in fractions of it, on the screen. */
const onStage = async (page: Page, x: number, y: number): Promise<[number, number]> => {
  const box = (await page.locator('canvas[data-state]').boundingBox())!;
  return [box.x + x * box.width, box.y + y * box.height];
};

const mode = (page: Page, name: string): Promise<void> => page.getByRole('radio', { name, exact: true }).click();

const ON = /on the photograph$/;

test('a cover is pinned under a thumb, kept, used for another title, and exported clear', async ({ page }) => {
  const { inspector, slide } = bench(page);
  await openTitle(page, 'The Balcony Moss Garden');
  await expect(page.getByText('Put the cover on a photograph')).toBeVisible();
  await openPhoto(page, HELD);

  const corner = (name: string): Promise<number> =>
    inspector.getByLabel(name, { exact: true }).inputValue().then(Number);
  await test.step('the corners are found, and one is moved by the pointer and by a tenth of a pixel', async () => {
    expect(Math.abs((await corner('Top left, across')) - 421)).toBeLessThan(4);
    expect(Math.abs((await corner('Foot right, down')) - 1328)).toBeLessThan(4);
    const handle = page.getByRole('button', { name: /^Top right corner of Front/ });
    const was = await corner('Top right, across');
    const box = (await handle.boundingBox())!;
    await again(page, async () => {
      await page.mouse.move(box.x + 8, box.y + 8);
      await page.mouse.down();
      await page.mouse.move(box.x + 28, box.y + 14, { steps: 4 });
      await page.mouse.up();
    });
    const moved = await corner('Top right, across');
    expect(moved).toBeGreaterThan(was + 20);
    await again(page, () => handle.press('Alt+ArrowLeft'));
    expect(await corner('Top right, across')).toBeCloseTo(moved - 0.1, 5);
    await again(page, () => page.getByRole('button', { name: 'To the edges' }).click());
    expect(Math.abs((await corner('Top right, across')) - was)).toBeLessThan(1.5);
    await kept(page);
  });

  await test.step('the light of the photograph is laid less and less over it', async () => {
    await mode(page, 'Light');
    const full = await shownMark(page, ON);
    await again(page, () => slide('Soft shading', 'Home'));
    expect(await shownMark(page, ON)).not.toBe(full);
    await again(page, () => page.keyboard.press('Control+z'));
    expect(await shownMark(page, ON)).toBe(full);
  });

  await test.step('the thumb is marked by its colour and with the brush', async () => {
    await mode(page, 'In front');
    await mode(page, 'By colour');
    const [x, y] = await onStage(page, 0.69, 0.76);
    await again(page, () => page.mouse.click(x, y));
    await mode(page, 'Brush');
    const from = await onStage(page, 0.6, 0.65);
    const to = await onStage(page, 0.64, 0.69);
    await again(page, async () => {
      await page.mouse.move(...from);
      await page.mouse.down();
      await page.mouse.move(...to, { steps: 5 });
      await page.mouse.up();
    });
    await kept(page);
  });

  const photo = await sharp(HELD).removeAlpha().raw().toBuffer();
  const at = (x: number, y: number): number => y * 1600 + x;
  const png = await saved(page, () => page.getByRole('button', { name: 'Save PNG' }).click());
  await test.step('the file shows the cover with the thumb before it, and the photograph elsewhere', async () => {
    expect(png.name).toBe('the-balcony-moss-garden-photograph-1600x2000.png');
    const made = PNG.sync.read(png.bytes);
    const off = (x: number, y: number): number =>
      Math.max(...[0, 1, 2].map((c) => Math.abs(made.data[at(x, y) * 4 + c] - photo[at(x, y) * 3 + c])));
    expect(off(100, 100)).toBeLessThan(3);
    expect(off(1000, 1330)).toBeLessThan(40);
    expect(off(760, 1150)).toBeGreaterThan(60);
  });

  await test.step('kept, it takes the cover of another title at once', async () => {
    await page.getByRole('button', { name: 'Keep this one' }).click();
    await page.getByLabel('Name of the photograph').fill('Under a thumb');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByRole('button', { name: 'Remove the photograph Under a thumb' })).toBeVisible();
    await openTitle(page, 'A Debt of Foxfire');
    await page.getByRole('button', { name: 'Under a thumb', exact: true }).click();
    await settled(page);
    await page.reload();
    await settled(page);
  });

  await test.step('removed, it takes no picture along that a title still needs', async () => {
    await page.getByRole('button', { name: 'Remove the photograph Under a thumb' }).click();
    await expect(page.getByRole('button', { name: 'Remove the photograph Under a thumb' })).toHaveCount(0);
    await page.reload();
    await settled(page);
  });

  await test.step('its background is taken away, and the file is clear there', async () => {
    await mode(page, 'Background');
    await page.getByRole('button', { name: 'Mark all but the faces' }).click();
    await again(page, () => mode(page, 'Clear'));
    const clear = await saved(page, () => page.getByRole('button', { name: 'Save PNG, background clear' }).click());
    const made = PNG.sync.read(clear.bytes);
    expect(clear.name).toBe('a-debt-of-foxfire-vol-1-photograph-1600x2000.png');
    expect(made.data[at(100, 100) * 4 + 3]).toBe(0);
    expect(made.data[at(700, 1000) * 4 + 3]).toBe(255);
    const other = PNG.sync.read(png.bytes);
    const apart = [0, 1, 2].map((c) => Math.abs(made.data[at(800, 900) * 4 + c] - other.data[at(800, 900) * 4 + c]));
    expect(Math.max(...apart)).toBeGreaterThan(20);
    // The hand that was marked as standing before the cover stays, within the face and beside it.
    expect(made.data[at(1104, 1520) * 4 + 3]).toBe(255);
  });

  await test.step('a colour of the cover marked as background takes nothing of the cover', async () => {
    await mode(page, 'By colour');
    const [x, y] = await onStage(page, 0.44, 0.5);
    await again(page, () => page.mouse.click(x, y));
    const clear = await saved(page, () => page.getByRole('button', { name: 'Save PNG, background clear' }).click());
    const made = PNG.sync.read(clear.bytes);
    for (const [px, py] of [
      [700, 1000],
      [760, 1150],
      [1104, 1520],
    ])
      expect(made.data[at(px, py) * 4 + 3]).toBe(255);
  });
});

test('the command line gives the same pixels, and the layers open again', async ({ page }) => {
  const photo = put('blank.png', await fileOf(photographOf(9).pixels, 'png'));
  const art = put('art.png', await fileOf(picturePixels(600, 900, 6), 'png'));
  const { inspector } = bench(page);
  await openTitle(page, 'Weather for Two Voices');
  await openPhoto(page, photo);
  await again(page, async () => {
    const [chooser] = await Promise.all([page.waitForEvent('filechooser'), mode(page, 'A picture')]);
    await chooser.setFiles(art);
  });
  const corners: string[] = [];
  for (const name of ['Top left', 'Top right', 'Foot right', 'Foot left'])
    for (const way of ['across', 'down'])
      corners.push(await inspector.getByLabel(`${name}, ${way}`, { exact: true }).inputValue());

  const shown = await saved(page, () => page.getByRole('button', { name: 'Save PNG' }).click());
  const out = put('cli.png', '');
  const lines = { out: '', err: '' };
  const code = await run(['pin', '--photo', photo, '--art', art, '--corners', corners.join(','), '--out', out], {
    out: (text) => (lines.out += text),
    err: (text) => (lines.err += text),
  });
  expect([code, lines.err]).toEqual([0, '']);
  const [mine, theirs] = [PNG.sync.read(shown.bytes), PNG.sync.read(readFileSync(out))];
  expect([mine.width, mine.height]).toEqual([theirs.width, theirs.height]);
  expect(Buffer.compare(mine.data, theirs.data)).toBe(0);

  await test.step('the layered file has photograph and art apart, and its faces as JSON', async () => {
    await mode(page, 'Layers');
    const file = await saved(page, () => page.getByRole('button', { name: 'Save the layers' }).click());
    const entries = unzipSync(new Uint8Array(file.bytes));
    expect(Object.keys(entries)[0]).toBe('mimetype');
    const stack = Buffer.from(entries['stack.xml']).toString();
    expect([...stack.matchAll(/layer name="([^"]+)"/g)].map((m) => m[1])).toEqual(['Front', 'Photograph']);
    const merged = PNG.sync.read(Buffer.from(entries['mergedimage.png']));
    expect(Buffer.compare(merged.data, mine.data)).toBe(0);
    expect(JSON.parse(Buffer.from(entries['yosomi/pin.json']).toString())).toMatchObject({
      format: 'yosomi-pin',
      version: 1,
    });

    await openTitle(page, 'A Debt of Foxfire');
    const give = async (path: string): Promise<void> => {
      const [chooser] = await Promise.all([
        page.waitForEvent('filechooser'),
        page.getByRole('button', { name: 'Open a file' }).click(),
      ]);
      await chooser.setFiles(path);
    };
    await give(file.path);
    await settled(page);
    expect(await inspector.getByLabel('Foot right, down', { exact: true }).inputValue()).toBe(corners[5]);
    await give(put('none.ora', 'no zip at all'));
    await expect(page.getByText(/This is no pinned photograph/)).toBeVisible();
  });

  await test.step('a save that is stopped leaves no file, and the page goes on', async () => {
    await mode(page, 'Layers');
    let files = 0;
    page.on('download', () => files++);
    await page.getByRole('button', { name: 'Save the layers' }).click();
    await page.getByRole('button', { name: 'Stop' }).click();
    await expect(page.getByRole('button', { name: 'Save the layers' })).toBeVisible();
    await page.waitForTimeout(1500);
    expect(files).toBe(0);
  });

  await test.step('a second face is bent, and removed', async () => {
    await again(page, () => page.getByRole('button', { name: 'Add a face' }).click());
    await expect(page.getByRole('button', { name: /^Top left corner of Spine/ })).toBeVisible();
    await mode(page, 'Bend');
    await mode(page, '3 x 3');
    const point = page.getByRole('button', { name: 'Bend at column 2, row 1' });
    const before = await shownMark(page, ON);
    await again(page, () => point.press('Shift+ArrowUp'));
    expect(await shownMark(page, ON)).not.toBe(before);
    await again(page, () => page.getByRole('button', { name: 'Remove Spine' }).click());
    await mode(page, 'Corners');
  });

  await test.step('corners that cross are said to be wrong, and undo mends them', async () => {
    const { number } = bench(page);
    await number('Top left, across', 1590);
    await expect(page.getByRole('status').filter({ hasText: 'These corners make no face' })).toBeVisible();
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await settled(page);
  });
});
