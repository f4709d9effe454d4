import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { compress } from 'woff2-encoder';
import {
  bench,
  breaches,
  coverReady,
  expect,
  kept,
  onToFront,
  part,
  pick,
  put,
  shownMark,
  shownPixel,
  shelf,
  test,
} from './help';

test.use({ shelf: ['weather'] });

const FONTS = join(import.meta.dirname, '../../assets/fonts');
const font = (name: string): Buffer => readFileSync(join(FONTS, name));

const give = async (page: Page, button: string, path: string): Promise<void> => {
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: button, exact: true }).last().click(),
  ]);
  await chooser.setFiles(path);
};

const open = async (page: Page, title: string): Promise<void> => {
  await page.goto('/');
  await page.getByRole('link', { name: `Open ${title}` }).click({ timeout: 60_000 });
  await coverReady(page);
};

test(
  'fonts of one’s own: used, shared across titles, and refused with the reason',
  shelf('weather', 'lamplighter-1'),
  async ({ page }) => {
    const b = bench(page);
    await open(page, 'Weather for Two Voices');
    await part(page, 'Title').click();
    const before = await shownMark(page, /^Cover of/);

    await test.step('damaged, none at all, empty: one sentence each, nothing changed', async () => {
      for (const [name, content, sentence] of [
        ['cut-short.ttf', font('bebas-neue/400.ttf').subarray(0, 4000), /This font file is damaged/],
        ['notes.otf', Buffer.from('no font at all, only some words'), /not a font that can be used/],
        ['empty.ttf', Buffer.alloc(0), /This file is empty/],
        ['broken.woff2', Buffer.concat([Buffer.from('wOF2'), Buffer.alloc(400, 7)]), /This font file is damaged/],
      ] as const) {
        await give(page, 'Add a font of your own', put(name, content));
        await expect(page.getByText(sentence).last()).toBeVisible();
      }
      expect(await shownMark(page, /^Cover of/)).toBe(before);
    });

    await test.step('a good one is set at once', async () => {
      await give(page, 'Add a font of your own', put('own.woff2', await compress(font('bebas-neue/400.ttf'))));
      await expect(b.inspector.getByRole('combobox', { name: 'Face' })).toContainText('Bebas');
      await coverReady(page);
      await expect.poll(() => shownMark(page, /^Cover of/)).not.toBe(before);
    });

    await test.step('letters that it lacks are named, and set in another face', async () => {
      await b.inspector.getByLabel('Title text').fill('Тихий сад');
      await coverReady(page);
      await expect(b.inspector.getByText(/This face lacks .*Т.*set in Noto Serif/)).toBeVisible();
    });

    await test.step('it is at hand in another title', async () => {
      await open(page, 'A Debt of Foxfire');
      await part(page, 'Title').click();
      const old = await shownMark(page, /^Cover of/);
      await b.face('Bebas Neue');
      await coverReady(page);
      await expect.poll(() => shownMark(page, /^Cover of/)).not.toBe(old);
    });
  },
);

test(
  'the house style: colours and marks that every title has at hand',
  shelf('lamplighter-1', 'moss', 'weather'),
  async ({ page }) => {
    const b = bench(page);
    await open(page, 'Weather for Two Voices');
    await page.locator('[data-surface]').focus();
    await page.keyboard.press('Shift+H');
    const dialog = page.getByRole('dialog', { name: 'House style' });
    await expect(dialog.getByLabel('Name of the house')).toHaveValue('Fernhollow Press');
    expect(await breaches(page, '[role="dialog"]')).toEqual([]);

    await test.step('a colour is kept and taken out', async () => {
      await dialog.getByRole('button', { name: /^A colour to keep: #/ }).click();
      await page.getByLabel('Colour as #rrggbb').fill('#7733aa');
      await page.keyboard.press('Escape');
      await dialog.getByRole('button', { name: 'Keep this colour' }).click();
      await expect(dialog.getByRole('button', { name: 'Take out #7733aa' })).toBeVisible();
      await dialog.getByRole('button', { name: 'Take out #d9a441' }).click();
      await expect(dialog.getByRole('button', { name: 'Take out #d9a441' })).toHaveCount(0);
    });

    await test.step('a raster mark is traced, tuned and kept', async () => {
      const mark = await sharp(
        Buffer.from(
          '<svg xmlns="http://www.w3.org/2000/svg" width="300" height="300"><rect width="300" height="300" fill="#fff"/><circle cx="150" cy="150" r="110" fill="#123"/><rect x="40" y="130" width="220" height="40" fill="#c33"/></svg>',
        ),
      )
        .png()
        .toBuffer();
      await give(page, 'Add a mark', put('seal.png', mark));
      const trace = page.getByRole('dialog', { name: 'Trace the mark' });
      await expect(trace.getByText(/^(One outline|\d+ outlines)\./)).toBeVisible();
      const count = await trace.getByText(/^(One outline|\d+ outlines)\./).innerText();
      await trace.getByRole('checkbox', { name: 'Leave the ground out' }).uncheck();
      await expect(trace.getByText(/^(One outline|\d+ outlines)\./)).not.toHaveText(count);
      await trace.getByRole('checkbox', { name: 'Leave the ground out' }).check();
      await expect(trace.getByText(count)).toBeVisible();
      await trace.getByRole('button', { name: 'Use it' }).click();
      await expect(dialog.getByRole('button', { name: 'Take out seal' })).toBeVisible();
      await page.keyboard.press('Escape');
    });

    await test.step('a style of words is kept', async () => {
      await part(page, 'Byline').click();
      await b.inspector.getByRole('button', { name: 'Name this look as a style' }).click();
      await page.getByRole('dialog').getByLabel('Name', { exact: true }).fill('Quiet capitals');
      await page.keyboard.press('Enter');
      await b.inspector.getByRole('button', { name: 'Keep it in the house style' }).click();
      await expect(b.inspector.getByText('In the house style.')).toBeVisible();
      // The page is loaded anew next.
      await kept(page);
    });

    await test.step('both are at hand in another title', async () => {
      await open(page, 'The Balcony Moss Garden');
      const before = await shownMark(page, /^Cover of/);
      await page.getByRole('button', { name: 'Add a part' }).click();
      await page.getByRole('menuitem', { name: 'seal', exact: true }).click();
      await expect(page.getByRole('heading', { name: 'Mark', level: 2 })).toBeVisible();
      await b.inspector.getByRole('button', { name: 'Colour 1 of the drawing #7733aa' }).first().click();
      await coverReady(page);
      await expect.poll(() => shownMark(page, /^Cover of/)).not.toBe(before);
    });

    await test.step('and so is the style, which follows the house where one asks for it', async () => {
      await part(page, 'Byline').click();
      await b.choose('Style of the words', 'Quiet capitals');
      await expect(b.inspector.getByText('In the house style.')).toBeVisible();
      await b.number('Tracking', 300);
      await b.inspector.getByRole('button', { name: 'Change the style to this' }).click();
      await b.inspector.getByRole('button', { name: 'Change it in the house style' }).click();
      await expect(b.inspector.getByText('In the house style.')).toBeVisible();
      await kept(page);
      await open(page, 'Weather for Two Voices');
      await part(page, 'Byline').click();
      const before = await shownMark(page, /^Cover of/);
      await b.inspector.getByRole('button', { name: 'Take the one of the house' }).click();
      await expect(b.inspector.getByLabel('Tracking', { exact: true })).toHaveValue('300');
      await expect.poll(() => shownMark(page, /^Cover of/)).not.toBe(before);
      await page.keyboard.press('Control+z');
      await expect(b.inspector.getByRole('button', { name: 'Take the one of the house' })).toBeVisible();
    });
  },
);

/** Runs work on the keeps of this browser's store: reads the house, and writes it where a value is given. */
const houseRow = (page: Page, value?: object): Promise<unknown> =>
  page.evaluate<unknown, object | undefined>(
    (given) =>
      new Promise((resolve, reject) => {
        const opening = indexedDB.open('yosomi');
        opening.onerror = () => reject(new Error('no store'));
        opening.onsuccess = () => {
          const keeps = opening.result.transaction('keeps', 'readwrite').objectStore('keeps');
          const done = given ? keeps.put({ id: 'house-demo', value: given }) : keeps.get('house-demo');
          done.onsuccess = () => {
            opening.result.close();
            resolve(given ?? (done.result as { value: unknown }).value);
          };
        };
      }),
    value,
  );

test('a house style that a newer release wrote is left as it is', async ({ page }) => {
  await open(page, 'Weather for Two Voices');
  const newer = { schema: 99, name: 'Fernhollow Press', palettes: [{ night: '#101820' }] };
  await houseRow(page, newer);
  await page.reload();
  await coverReady(page);
  await page.locator('[data-surface]').focus();
  await page.keyboard.press('Shift+H');
  const dialog = page.getByRole('dialog', { name: 'House style' });
  // It is said where the house style is shown, and again where somebody tries to change it.
  const told = page.getByText(/made by a newer Yosomi, so it was not changed/);
  await expect(dialog.getByRole('status')).toContainText('made by a newer Yosomi');
  await expect(told).toHaveCount(1);
  await dialog.getByRole('button', { name: 'Keep this colour' }).click();
  await expect(told).toHaveCount(2);
  expect(await houseRow(page)).toEqual(newer);
});

test('marks and pictures from SVG: only shapes come in', async ({ page }) => {
  const b = bench(page);
  await open(page, 'Weather for Two Voices');
  const mark = async (name: string, content: string): Promise<void> => {
    const [chooser] = await Promise.all([page.waitForEvent('filechooser'), b.add('Mark')]);
    await chooser.setFiles(put(name, content));
  };
  const ns = 'xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"';
  await mark('script.svg', `<svg ${ns}><script>alert(1)</script><rect width="9" height="9"/></svg>`);
  await expect(page.getByText(/holds a script/).last()).toBeVisible();
  await mark('words.svg', `<svg ${ns}><text>Moss</text></svg>`);
  await expect(page.getByText(/no shapes that can be drawn/)).toBeVisible();
  await expect(part(page, 'Mark')).toHaveCount(0);
  await mark(
    'leaf.svg',
    `<svg ${ns}><image href="https://elsewhere.example/a.png" width="9" height="9"/><path d="M10 90Q10 10 90 10Q90 90 10 90Z" fill="#2f6f78"/></svg>`,
  );
  await expect(part(page, 'Mark')).toHaveCount(1);

  // As a picture: painted once, larger than the cover, and clear where it is open.
  await page.goto('/');
  await pick(
    page,
    'From a picture',
    put('emblem.svg', `<svg ${ns}><circle cx="50" cy="50" r="40" fill="#c03020"/></svg>`),
  );
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('radio', { name: 'A picture for a cover' }).click();
  await dialog.getByLabel('Title', { exact: true }).fill('Round');
  await dialog.getByRole('button', { name: 'Compose covers' }).click();
  await onToFront(page);
  await coverReady(page);
  await part(page, 'Picture').click();
  await expect(b.inspector.getByText('3200 x 3200 px')).toBeVisible();
});

test('pictures of other colour spaces and depths come in with the colours they mean', async ({ page }) => {
  const patches = [
    [200, 60, 40],
    [40, 140, 70],
    [240, 200, 120],
  ] as const;
  const raw = Buffer.alloc(300 * 3);
  for (let x = 0; x < 300; x++) raw.set(patches[Math.floor(x / 100)], x * 3);
  const flat = () =>
    sharp(raw, { raw: { width: 300, height: 1, channels: 3 } }).resize(900, 1440, { fit: 'fill', kernel: 'nearest' });
  const files = {
    // A profile of its own decides: taken without it these would be far off.
    'press.jpg': [await flat().toColourspace('cmyk').withIccProfile('cmyk').jpeg({ quality: 100 }).toBuffer(), 26],
    'wide.jpg': [await flat().withIccProfile('p3').jpeg({ quality: 100, chromaSubsampling: '4:4:4' }).toBuffer(), 4],
    'deep.png': [await flat().toColourspace('rgb16').png().toBuffer(), 1],
  } as const;
  for (const [name, [bytes, most]] of Object.entries(files)) {
    await page.goto('/');
    await pick(page, 'From a finished cover', put(name, bytes));
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('Title', { exact: true }).fill(name);
    await dialog.getByRole('button', { name: 'Put it in 3D' }).click();
    await coverReadyWithoutWords(page);
    for (const [i, patch] of patches.entries()) {
      const shown = await shownPixel(page, /^Cover of/, (i + 0.5) / 3, 0.5);
      for (const c of [0, 1, 2])
        expect(Math.abs(shown[c] - patch[c]), `${name} ${patch.join()} as ${shown.join()}`).toBeLessThanOrEqual(most);
    }
  }
});

const coverReadyWithoutWords = async (page: Page): Promise<void> => {
  if (!page.url().endsWith('/front'))
    await page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: 'Front', exact: true }).click();
  await expect(page.locator('main[data-fresh="true"]')).toBeVisible();
};

test('a cover is built with the keyboard alone', async ({ page }) => {
  const b = bench(page);
  await open(page, 'Weather for Two Voices');
  await page.getByRole('button', { name: 'Add a part' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('menu')).toBeVisible();
  // A menu forgets letters that came too far apart, as they may on a busy machine.
  await expect(async () => {
    await page.keyboard.type('Rib');
    await expect(page.getByRole('menuitem', { name: 'Ribbon' })).toBeFocused({ timeout: 500 });
  }).toPass();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Ribbon', level: 2 })).toBeVisible();
  const surface = page.locator('[data-surface]');
  await surface.focus();
  const top = Number(await b.inspector.getByLabel('Top', { exact: true }).inputValue());
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('ArrowDown');
  await expect(b.inspector.getByLabel('Top', { exact: true })).toHaveValue(String(top + 11));
  await page.keyboard.press('[');
  await page.keyboard.press('Control+d');
  await expect(part(page, 'Ribbon')).toHaveCount(2);
  await page.keyboard.press('Delete');
  await expect(part(page, 'Ribbon')).toHaveCount(1);
  await surface.focus();
  await page.keyboard.press('Escape');
  await page.keyboard.press('d');
  await surface.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Drawn curve', level: 2 })).toBeVisible();
  await coverReady(page);
  const before = await shownMark(page, /^Cover of/);
  await surface.focus();
  await page.keyboard.press('n');
  for (let i = 0; i < 5; i++) await page.keyboard.press('Shift+ArrowUp');
  await coverReady(page);
  await expect.poll(() => shownMark(page, /^Cover of/)).not.toBe(before);
  await page.keyboard.press('Control+k');
  await page.keyboard.type('equal margins');
  await page.keyboard.press('Enter');
  await page.keyboard.press('F1');
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByText('Bring forward')).toBeVisible();
  expect(await breaches(page, '[role="dialog"]')).toEqual([]);
});
