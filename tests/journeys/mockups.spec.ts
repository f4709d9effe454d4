import { readFileSync } from 'node:fs';
import { unzipSync } from 'fflate';
import type { Page } from '@playwright/test';
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { fileOf, picturePixels } from '../fixtures/pictures';
import { breaches, again, expect, kept, put, saved, settled, shelf, step, test } from './help';

test.use({ shelf: ['lamplighter', 'weather'] });

const open = async (page: Page, title: string): Promise<void> => {
  await page.goto('/');
  await page.getByRole('link', { name: `Open ${title}` }).click({ timeout: 60_000 });
  await step(page, 'Mockups');
  await settled(page);
};

const arrange = (page: Page, name: string): Promise<void> =>
  again(page, () =>
    page.getByRole('navigation', { name: 'Arrangements' }).getByRole('button', { name, exact: true }).click(),
  );

const choose = async (page: Page, label: string, option: string): Promise<void> => {
  await page.getByRole('combobox', { name: label }).click();
  await page.getByRole('option', { name: option, exact: true }).click();
};

const size = async (page: Page, width: number, height: number): Promise<void> => {
  for (const [label, value] of [
    ['Width', width],
    ['Height', height],
  ] as const) {
    await page.getByLabel(label, { exact: true }).fill(String(value));
    await page.getByLabel(label, { exact: true }).press('Enter');
  }
};

const format = (page: Page, name: string): Promise<void> => page.getByRole('radio', { name, exact: true }).click();

test(
  'one object: exchanged without losing pose, light and art, and saved in every format',
  shelf('lamplighter-1'),
  async ({ page }) => {
    await open(page, 'A Debt of Foxfire');
    const turn = page.getByLabel('Turn', { exact: true });
    await again(page, async () => {
      await turn.fill('-20');
      await turn.press('Enter');
    });
    await test.step('a spine of one’s own, and back to the one made from the front', async () => {
      const spine = page.getByRole('group', { name: 'Spine' });
      await again(page, async () => {
        const [chooser] = await Promise.all([
          page.waitForEvent('filechooser'),
          spine.getByRole('button', { name: 'Use a picture' }).click(),
        ]);
        await chooser.setFiles(put('red-spine.png', await fileOf(picturePixels(80, 900, 6), 'png')));
      });
      await expect(spine).toContainText('red spine');
      await again(page, () => spine.getByRole('button', { name: 'From the front' }).click());
      await expect(spine).toContainText('made from the front');
    });
    for (const object of ['Hardcover', 'Carton', 'Tablet']) await again(page, () => choose(page, 'What it is', object));
    await expect(turn).toHaveValue('-20');
    await expect(page.getByRole('heading', { name: 'Tablet' })).toBeVisible();
    await again(page, () => page.getByRole('radio', { name: 'Anew', exact: true }).click());
    await expect(page.getByText('The cover is composed anew for the place.')).toBeVisible();
    await test.step('a picture dropped here goes on it, and undo takes it off', async () => {
      const data = await page.evaluateHandle(
        (base64) => {
          const transfer = new DataTransfer();
          const bytes = Uint8Array.from(atob(base64), (c) => c.charCodeAt(0));
          transfer.items.add(new File([bytes], 'poster.jpg', { type: 'image/jpeg' }));
          return transfer;
        },
        Buffer.from(await fileOf(picturePixels(600, 900, 4), 'jpeg')).toString('base64'),
      );
      await again(page, () => page.locator('main').dispatchEvent('drop', { dataTransfer: data }));
      await expect(page.getByText('a picture, as it is')).toBeVisible();
      await again(page, () => page.getByRole('button', { name: 'Undo', exact: true }).click());
      await expect(page.getByText('the cover, as it is now')).toBeVisible();
    });
    await kept(page);
    await page.reload();
    await settled(page);
    await expect(turn).toHaveValue('-20');

    await size(page, 600, 480);
    await page.getByRole('checkbox', { name: 'Also at twice the size' }).check();
    const names: string[] = [];
    page.on('download', (d) => names.push(d.suggestedFilename()));
    await page.getByRole('button', { name: 'Save PNG, background clear' }).click();
    await expect
      .poll(() => names, { timeout: 60_000 })
      .toEqual(['a-debt-of-foxfire-vol-1-mockup-600x480.png', 'a-debt-of-foxfire-vol-1-mockup-1200x960@2x.png']);
    await page.getByRole('checkbox', { name: 'Cut to the things and their shadow' }).check();
    const files: { name: string; path: Promise<string> }[] = [];
    page.on('download', (d) => files.push({ name: d.suggestedFilename(), path: d.path() }));
    await page.getByRole('button', { name: 'Save PNG, background clear' }).click();
    await expect.poll(() => files.length, { timeout: 60_000 }).toBe(2);
    const [once, double] = await Promise.all(
      files.map(async ({ name, path }) => ({ name, png: PNG.sync.read(readFileSync(await path)) })),
    );
    expect([double.png.width, double.png.height]).toEqual([2 * once.png.width, 2 * once.png.height]);
    expect(once.name).toBe(`a-debt-of-foxfire-vol-1-mockup-${once.png.width}x${once.png.height}.png`);
    expect(double.name).toBe(`a-debt-of-foxfire-vol-1-mockup-${double.png.width}x${double.png.height}@2x.png`);
    await page.getByRole('checkbox', { name: 'Also at twice the size' }).uncheck();
    await page.getByRole('checkbox', { name: 'Cut to the things and their shadow' }).uncheck();

    await page.getByRole('checkbox', { name: 'Cut to the things and their shadow' }).check();
    const cut = await saved(page, () => page.getByRole('button', { name: 'Save PNG, background clear' }).click());
    const png = PNG.sync.read(cut.bytes);
    expect(png.width).toBeLessThan(600);
    const rowHas = (y: number): boolean =>
      Array.from({ length: png.width }, (_, x) => png.data[(y * png.width + x) * 4 + 3]).some((a) => a > 0);
    expect([rowHas(0), rowHas(9), rowHas(10), rowHas(png.height - 1)]).toEqual([false, false, true, false]);

    await format(page, 'WebP');
    const webp = await saved(page, () => page.getByRole('button', { name: 'Save WebP, background clear' }).click());
    expect(await sharp(webp.bytes).metadata()).toMatchObject({ format: 'webp', hasAlpha: true });
    await format(page, 'JPEG');
    const jpeg = await saved(page, () => page.getByRole('button', { name: 'Save JPEG', exact: true }).click());
    expect(jpeg.name).toBe('a-debt-of-foxfire-vol-1-mockup-600x480.jpg');
    const { data, info } = await sharp(jpeg.bytes).raw().toBuffer({ resolveWithObject: true });
    expect([info.width, info.height, info.channels]).toEqual([600, 480, 3]);
    expect(Math.min(...data.subarray(0, 3))).toBeGreaterThan(250);
  },
);

test(
  'a length is typed in any unit, says what it was taken for, and is shown in inches where that is wanted',
  shelf('lamplighter-1'),
  async ({ page }) => {
    await open(page, 'A Debt of Foxfire');
    const thickness = page.getByLabel('Thickness', { exact: true });
    const type = async (text: string): Promise<void> => {
      await thickness.fill(text);
      await thickness.press('Enter');
    };
    await again(page, () => type('1.25 in'));
    await expect(thickness).toHaveValue('31.8');
    await expect(page.getByText('1.25 in is 31.8 mm.')).toBeVisible();
    // What is said covers nothing that the hand or the Tab key goes to next.
    await page.keyboard.press('Tab');
    await expect(page.getByText('1.25 in is 31.8 mm.')).toBeVisible();
    const covered = await page.getByLabel('Cover stands off', { exact: true }).evaluate((el) => {
      const { x, y, width, height } = el.getBoundingClientRect();
      return document.elementFromPoint(x + width / 3, y + height / 2) !== el;
    });
    expect(covered).toBe(false);
    // Of another value it would not be true.
    await again(page, () => page.getByRole('button', { name: 'Undo', exact: true }).click());
    await expect(page.getByText('1.25 in is 31.8 mm.')).toHaveCount(0);
    await again(page, () => type('3cm'));
    await expect(thickness).toHaveValue('30.0');
    for (const [text, said] of [
      ['thick', 'Type a number, such as 18, 1.25 in or 3 cm.'],
      ['3 px', '“px” is not measured here. Type it in mm, cm, in or pt.'],
    ]) {
      await type(text);
      await expect(page.getByRole('alert').filter({ hasText: said })).toBeVisible();
      await expect(thickness).toHaveAttribute('aria-invalid', 'true');
      await thickness.press('Escape');
      await expect(thickness).toHaveValue('30.0');
    }
    await again(page, () => type('80 in'));
    await expect(thickness).toHaveValue('120.0');
    await expect(page.getByText('The most is 120 mm.')).toBeVisible();
    await page.keyboard.press('Control+k');
    await page.keyboard.type('inches');
    await page.keyboard.press('Enter');
    await expect(thickness).toHaveValue('4.72');
    await again(page, () => type('5/8'));
    await expect(thickness).toHaveValue('0.63');
    await kept(page);
    await page.reload();
    await settled(page);
    await expect(thickness).toHaveValue('0.63');
    await page.getByRole('button', { name: 'Show lengths in millimetres' }).first().click();
    await expect(thickness).toHaveValue('15.9');
  },
);

test(
  'layers: things, reflection, shadow and ground apart, and together the picture',
  shelf('weather'),
  async ({ page }) => {
    await open(page, 'Weather for Two Voices');
    await again(page, () => page.getByRole('radio', { name: 'Fade' }).click());
    await again(page, async () => {
      await page.getByRole('slider', { name: 'Reflection' }).focus();
      for (let i = 0; i < 30; i++) await page.keyboard.press('ArrowRight');
    });
    await size(page, 400, 400);
    await format(page, 'Layers');
    const file = await saved(page, () => page.getByRole('button', { name: 'Save the layers' }).click());
    expect(file.name).toBe('weather-for-two-voices-mockup-400x400.ora');
    // The media type comes first and is stored, so that the file can be told by its head.
    expect(file.bytes.subarray(30, 54).toString('latin1')).toBe('mimetypeimage/openraster');
    const entries = unzipSync(new Uint8Array(file.bytes));
    const xml = new TextDecoder().decode(entries['stack.xml']);
    expect([...xml.matchAll(/<layer name="(\w+)"/g)].map((m) => m[1])).toEqual([
      'Things',
      'Reflection',
      'Shadow',
      'Ground',
    ]);
    const layers = [3, 2, 1, 0].map((i) => PNG.sync.read(Buffer.from(entries[`data/layer${i}.png`])));
    const merged = PNG.sync.read(Buffer.from(entries['mergedimage.png']));
    let most = 0;
    for (let i = 0; i < merged.data.length; i += 4) {
      const over = [0, 0, 0];
      for (const layer of layers) {
        const a = layer.data[i + 3] / 255;
        for (let c = 0; c < 3; c++) over[c] = layer.data[i + c] * a + over[c] * (1 - a);
      }
      for (let c = 0; c < 3; c++) most = Math.max(most, Math.abs(over[c] - merged.data[i + c]));
    }
    expect(most).toBeLessThanOrEqual(4);
  },
);

test('a group: each thing has its own cover, chosen by a click; the series fills a row', async ({ page }) => {
  await open(page, 'A Debt of Foxfire');
  await arrange(page, 'The series in a row');
  const things = page.getByRole('group', { name: 'Things in the scene' });
  await expect(things.getByRole('button', { name: /Paperback/ })).toHaveCount(3);
  const cover = page.getByRole('combobox', { name: 'Cover on it' });
  for (const [i, name] of ['A Debt of Foxfire', 'The Ledger of Small Hours', 'Interest Paid in Snow'].entries()) {
    await things.getByRole('button', { name: new RegExp(`^${i + 1} `) }).click();
    await expect(cover).toContainText(name);
  }
  // The middle of the picture is the middle book.
  const box = (await page.locator('canvas[data-state]').boundingBox())!;
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
  await expect(things.getByRole('button', { pressed: true })).toHaveText('2 Paperback');
  await again(page, () => choose(page, 'Cover on it', 'Weather for Two Voices'));
  await again(page, async () => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Put a picture on it' }).click(),
    ]);
    await chooser.setFiles(put('own-art.jpg', await fileOf(picturePixels(500, 800, 2), 'jpeg')));
  });
  await expect(page.getByText('a picture, as it is')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(cover).toContainText('Weather for Two Voices');

  await test.step('a thing is added, moved and taken out, and all of it undone', async () => {
    await again(page, () => things.getByRole('button', { name: 'Add a thing' }).click());
    await expect(things.getByRole('button', { name: '4 Paperback', exact: true })).toHaveAttribute(
      'aria-pressed',
      'true',
    );
    await again(page, async () => {
      await page.getByLabel('To the right').fill('40');
      await page.getByLabel('To the right').press('Enter');
    });
    await again(page, () => things.getByRole('button', { name: /^Take out/ }).click());
    await expect(things.getByRole('button', { name: /Paperback$/ })).toHaveCount(3);
  });
  expect(await breaches(page)).toEqual([]);

  await test.step('a change of the other title shows here', async () => {
    const mark = (): Promise<string> =>
      page.locator('canvas[data-state="final"]').evaluate((c) => (c as HTMLCanvasElement).toDataURL());
    const before = await mark();
    await page.getByRole('link', { name: 'Back to the Shelf' }).click();
    await page.getByRole('link', { name: 'Open Weather for Two Voices' }).click();
    await step(page, 'Brief');
    await page.getByLabel('Title', { exact: true }).fill('Weather for Nine Voices');
    await kept(page);
    await page.getByRole('link', { name: 'Back to the Shelf' }).click();
    await page.getByRole('link', { name: 'Open A Debt of Foxfire' }).click();
    await step(page, 'Mockups');
    await settled(page);
    await things.getByRole('button', { name: /^2 / }).click();
    await expect(cover).toContainText('Weather for Nine Voices');
    await settled(page);
    expect(await mark()).not.toBe(before);
  });
});

test('a row of which a volume was removed says so, saves nothing wrong, and is whole again when it is back', async ({
  page,
}) => {
  await open(page, 'The Ledger of Small Hours');
  await arrange(page, 'The series in a row');
  await settled(page);
  await kept(page);
  await page.getByRole('link', { name: 'Back to the Shelf' }).click();
  await page.getByRole('button', { name: 'More for A Debt of Foxfire' }).click();
  await page.getByRole('menuitem', { name: 'Remove from the Shelf' }).click();
  await page.getByRole('link', { name: 'Open The Ledger of Small Hours' }).click();
  await step(page, 'Mockups');
  await settled(page);
  const said = page.getByText('The picture shows a title that is not on your Shelf, so it is not made.').first();
  await expect(said).toBeVisible();
  let downloads = 0;
  page.on('download', () => downloads++);
  await page.getByRole('button', { name: 'Save PNG, background clear' }).click();
  await expect(page.getByText('so it is not made')).toHaveCount(2);
  expect(downloads).toBe(0);
  await page.getByRole('link', { name: 'Back to the Shelf' }).click();
  await page.getByRole('button', { name: 'Removed titles' }).click();
  await page.getByRole('button', { name: 'Put A Debt of Foxfire back' }).click();
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Open The Ledger of Small Hours' }).click();
  await step(page, 'Mockups');
  await settled(page);
  await expect(said).toBeHidden();
});

test('a kept scene serves another title with its own cover, and the series in one go', async ({ page }) => {
  await open(page, 'A Debt of Foxfire');
  await arrange(page, 'A stack');
  await page.getByRole('button', { name: 'Keep this scene' }).click();
  const dialog = page.getByRole('dialog', { name: 'Keep this scene' });
  await expect(dialog.getByLabel('Name of the scene')).toHaveValue('A stack');
  await dialog.getByLabel('Name of the scene').fill('Three in a pile');
  await page.keyboard.press('Enter');
  await expect(dialog).toHaveCount(0);
  const name = page.getByRole('heading', { level: 2, name: 'Paperback' });

  await open(page, 'Weather for Two Voices');
  const things = page.getByRole('group', { name: 'Things in the scene' });
  await again(page, () => page.getByRole('button', { name: 'Three in a pile', exact: true }).click());
  await expect(name).toBeVisible();
  await expect(things.getByRole('button', { name: /Paperback$/ })).toHaveCount(3);
  await expect(page.getByRole('combobox', { name: 'Cover on it' })).toContainText('Weather for Two Voices');
  await expect(page.getByRole('button', { name: 'Give it to the series' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Remove the scene Three in a pile' }).click();
  await expect(page.getByRole('button', { name: 'Three in a pile', exact: true })).toHaveCount(0);

  await open(page, 'A Debt of Foxfire');
  await arrange(page, 'Leaning back');
  await page.getByRole('button', { name: 'Give it to the series' }).click();
  await expect(page.getByText('Given to 2 other titles of the series')).toBeVisible();
  await open(page, 'Interest Paid in Snow');
  const leaning = page.getByRole('navigation', { name: 'Arrangements' }).getByRole('button', { name: 'Leaning back' });
  await expect(leaning).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByRole('combobox', { name: 'Cover on it' })).toContainText('Interest Paid in Snow');
});

test('a film of one turn, stopped once and then saved', shelf('weather'), async ({ page }) => {
  await open(page, 'Weather for Two Voices');
  await size(page, 120, 160);
  await format(page, 'Film');
  const save = page.getByRole('button', { name: 'Save the film' });
  await save.click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(save).toBeVisible();
  const file = await saved(page, () => save.click());
  expect(file.name).toBe('weather-for-two-voices-turning-120x160.webp');
  const meta = await sharp(file.bytes, { animated: true }).metadata();
  expect(meta).toMatchObject({ format: 'webp', width: 120, pageHeight: 160, pages: 48, loop: 0, hasAlpha: true });
  expect(new Set(meta.delay)).toEqual(new Set([70]));
  const frames = await sharp(file.bytes, { animated: true }).ensureAlpha().raw().toBuffer();
  const frame = (i: number): Buffer => frames.subarray(i * 120 * 160 * 4, (i + 1) * 120 * 160 * 4);
  const apart = (i: number, j: number): number =>
    frame(i).reduce((sum, v, k) => sum + Math.abs(v - frame(j)[k]), 0) / frame(i).length;
  const opaque = (i: number): number => frame(i).filter((v, k) => k % 4 === 3 && v > 250).length;
  // A quarter of the way round the book is thin; frames go on from one to the next, and the last leads into the first.
  expect(Math.min(...[8, 10, 12, 14, 16].map(opaque))).toBeLessThan(0.6 * opaque(0));
  expect(apart(47, 0)).toBeLessThan(2 * apart(0, 1));
  expect(apart(0, 6)).toBeGreaterThan(1.5 * apart(0, 1));
});
