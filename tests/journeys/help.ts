import { mkdtempSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { type Download, type Page, expect, test as base } from '@playwright/test';
import { writePng } from '@yosomi/core/image-file';
import { type Raster, raster, ssim } from '@yosomi/core/pixels';
import { type Project, unpackProject } from '@yosomi/core/project';
import { PNG } from 'pngjs';
import { DEMO_FOLDER } from '../fixtures/demos';

/** Demo books by a piece of their file names. */
type Demos = readonly ('moss' | 'lamplighter-1' | 'lamplighter' | 'weather')[];

/** Said of one journey: the Shelf begins with these demo books alone, whatever its file says. */
export const shelf = (...books: Demos) => ({ annotation: { type: 'shelf', description: books.join(' ') } });

/**
 * Every journey fails on a request that leaves the machine, on a page error and on a policy violation. `shelf` says which
 * demo books its Shelf begins with, all of them where it says nothing: what a journey does not open need not be loaded.
 */
export const test = base.extend<{ watched: void; shelf: Demos | 'all' }>({
  shelf: ['all', { option: true }],
  context: async ({ context, shelf: usual }, use, { annotations }) => {
    const own = annotations.find(({ type }) => type === 'shelf')?.description?.split(' ');
    const shelf = own ?? usual;
    const files = readdirSync(DEMO_FOLDER).filter(
      (f) => f.endsWith('.yosomi') && shelf !== 'all' && shelf.some((s) => f.includes(s)),
    );
    if (shelf !== 'all')
      await context.route('**/api/demo', (route) => route.fulfill({ json: { autoload: true, files: files.sort() } }));
    await use(context);
  },
  watched: [
    async ({ page, baseURL }, use) => {
      const wrong: string[] = [];
      page.on('request', (request) => {
        const url = request.url();
        if (!url.startsWith(`${baseURL}/`) && !/^(blob|data):/.test(url)) wrong.push(`request to ${url}`);
      });
      page.on('pageerror', (error) => wrong.push(`page error: ${error.message}`));
      page.on('console', (message) => {
        if (message.type() === 'error') wrong.push(`console: ${message.text()}`);
      });
      await use();
      expect(wrong).toEqual([]);
    },
    { auto: true },
  ],
});
export { expect };

const folder = mkdtempSync(join(tmpdir(), 'journey-'));

/** Writes a file for the browser to pick. */
export function put(name: string, bytes: Uint8Array | string): string {
  const path = join(folder, name);
  writeFileSync(path, bytes);
  return path;
}

/** Clicks and answers the file that comes of it. */
export async function saved(
  page: Page,
  click: () => Promise<void>,
): Promise<{ name: string; bytes: Buffer; path: string }> {
  const [download] = await Promise.all([page.waitForEvent('download', { timeout: 90_000 }), click()]);
  const path = join(folder, `${Math.floor(performance.now())}-${(download as Download).suggestedFilename()}`);
  await download.saveAs(path);
  return { name: download.suggestedFilename(), bytes: readFileSync(path), path };
}

/** The title as the file that Deliver saves of it, read back. */
export async function savedTitle(page: Page): Promise<Project> {
  const file = await saved(page, () => page.getByRole('button', { name: 'Save the title as a file' }).click());
  const opened = unpackProject(new Uint8Array(file.bytes));
  if (!opened.ok) throw new Error(opened.fault.code);
  return opened.value;
}

/** Picks a file by one of the buttons of the Shelf. */
export async function pick(page: Page, button: string, path: string): Promise<void> {
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: button }).click(),
  ]);
  await chooser.setFiles(path);
}

export const step = (page: Page, name: string): Promise<void> =>
  page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name, exact: true }).click();

/** A new title of these words, on its sketch sheet. `kind` is what it is, by its name in the list. */
export async function fromWords(page: Page, title: string, author: string, kind?: string): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: 'From words' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Title', { exact: true }).fill(title);
  await dialog.getByLabel('Author').fill(author);
  if (kind !== undefined) {
    await dialog.getByRole('combobox', { name: 'What it is' }).click();
    await page.getByRole('option', { name: kind, exact: true }).click();
  }
  await dialog.getByRole('button', { name: 'Compose covers' }).click();
  await expect(page).toHaveURL(/\/sketches$/);
  // Keys that are pressed before the page is there go nowhere.
  await expect(page.getByRole('heading', { level: 1, name: 'Sketches' })).toBeAttached();
}

/** From the sketch sheet, where a new title begins, to its first composition on the Front. */
export const onToFront = async (page: Page): Promise<void> => {
  await expect(page).toHaveURL(/\/sketches$/);
  await step(page, 'Front');
};

/** Waits until the cover on the table is the present one and measured. */
export const coverReady = async (page: Page): Promise<void> => {
  await expect(page.locator('main[data-fresh="true"]')).toBeVisible();
  await expect(page.locator('[data-verdict="200"]')).toBeVisible();
};

/** Waits for the finished picture of a scene. */
export const settled = (page: Page): Promise<void> =>
  expect(page.locator('canvas[data-state="final"]')).toBeVisible({ timeout: 90_000 });

/** Waits for the picture of a change that was just made. */
export const again = async (page: Page, change: () => Promise<void>): Promise<void> => {
  const canvas = page.locator('canvas[data-state]');
  const before = Number(await canvas.getAttribute('data-frames'));
  await change();
  await expect
    .poll(async () => Number(await canvas.getAttribute('data-frames')), { timeout: 60_000 })
    .toBeGreaterThan(before);
  await settled(page);
};

export const kept = (page: Page): Promise<void> => expect(page.locator('[data-kept="kept"]')).toBeVisible();

export const part = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Parts' }).getByRole('button', { name: new RegExp(`^${name}`) });

/** Colour of a pixel of the cover as it is shown, on a canvas or as a picture; nothing where its place is empty. */
export function shownPixel(page: Page, label: RegExp, x: number, y: number): Promise<number[]> {
  return page
    .getByRole('img', { name: label })
    .first()
    .evaluate(
      (shown, [fx, fy]) => {
        let c = shown as HTMLCanvasElement;
        if (!(shown instanceof HTMLCanvasElement)) {
          c = document.createElement('canvas');
          const picture = shown instanceof HTMLImageElement && shown.naturalWidth > 0 ? shown : null;
          c.width = picture?.naturalWidth ?? 1;
          c.height = picture?.naturalHeight ?? 1;
          if (picture) c.getContext('2d')!.drawImage(picture, 0, 0);
        }
        return [...c.getContext('2d')!.getImageData(Math.floor(c.width * fx), Math.floor(c.height * fy), 1, 1).data];
      },
      [x, y],
    );
}

/** A mark of all pixels of a shown picture: it changes when the picture does. */
export async function shownMark(page: Page, label: RegExp): Promise<number> {
  // A picture that is not measured yet is not what will stay.
  await page.locator('main:not([data-fresh="false"])').first().waitFor();
  return markNow(page, label);
}

/** The same of what stands there at this moment, measured or not. */
export const markNow = (page: Page, label: RegExp): Promise<number> =>
  page
    .getByRole('img', { name: label })
    .first()
    .evaluate((canvas) => {
      const c = canvas as HTMLCanvasElement;
      const { data } = c.getContext('2d')!.getImageData(0, 0, c.width, c.height);
      let mark = 0;
      for (let i = 0; i < data.length; i += 97) mark = (mark * 31 + data[i]) >>> 0;
      return mark;
    });

/** What a person does in the inspector, by the names that are on the screen. */
export function bench(page: Page) {
  const inspector = page.getByRole('complementary', { name: 'Inspector' });
  return {
    inspector,
    /** Adds a part by its name in the menu, and is there when it is: what looks for its place comes a moment later. */
    async add(name: string): Promise<void> {
      const rows = page.getByRole('navigation', { name: 'Parts' }).getByRole('listitem');
      const before = await rows.count();
      await page.getByRole('button', { name: 'Add a part' }).click();
      await page.getByRole('menuitem', { name, exact: true }).click();
      await expect(page.getByRole('menu')).toHaveCount(0);
      // A mark asks for its file first.
      if (name !== 'Mark') await expect(rows).toHaveCount(before + 1);
    },
    async number(label: string, value: number): Promise<void> {
      const field = inspector.getByLabel(label, { exact: true }).first();
      await field.fill(String(value));
      await field.press('Enter');
    },
    /** Left, top, width and height in px. */
    async place(left: number | null, top: number | null, width: number | null, height: number | null): Promise<void> {
      const sits = inspector.getByRole('region', { name: 'Where it sits' });
      const words = (await sits.getByLabel('Room across', { exact: true }).count()) > 0;
      const put = async (label: string, value: number | null): Promise<void> => {
        if (value === null) return;
        await sits.getByLabel(label, { exact: true }).fill(String(value));
        await sits.getByLabel(label, { exact: true }).press('Enter');
      };
      await put(words ? 'Room across' : 'Width', width);
      await put(words ? 'Room down' : 'Height', height);
      // Words are measured by their letters, which are there once they are set.
      if (words) await coverReady(page);
      await put('Left', left);
      await put('Top', top);
    },
    async open(group: string): Promise<void> {
      const head = inspector.getByRole('button', { name: group, exact: true });
      if ((await head.getAttribute('aria-expanded')) === 'false') await head.click();
    },
    async choose(menu: string, option: string): Promise<void> {
      await inspector.getByRole('combobox', { name: menu, exact: true }).click();
      await page.getByRole('option', { name: option, exact: true }).click();
    },
    async face(name: string): Promise<void> {
      await inspector.getByRole('combobox', { name: 'Face' }).click();
      await page
        .getByRole('option', { name: new RegExp(`^${name}`) })
        .first()
        .click();
    },
    async colour(label: string, hex: string): Promise<void> {
      await inspector
        .getByRole('button', { name: new RegExp(`^${label}: #`) })
        .first()
        .click();
      await page.getByLabel('Colour as #rrggbb').fill(hex);
      await page.keyboard.press('Escape');
    },
    /** Sets a slider by its keys: to an end, then steps from there. */
    async slide(name: string, from: 'Home' | 'End', steps = 0): Promise<void> {
      const slider = inspector.getByRole('slider', { name, exact: true }).first();
      await slider.focus();
      await slider.press(from);
      const key = from === 'Home' ? 'ArrowRight' : 'ArrowLeft';
      for (let i = 0; i < Math.floor(steps / 10); i++) await slider.press(`Shift+${key}`);
      for (let i = 0; i < steps % 10; i++) await slider.press(key);
    },
    /** Draws on the cover along points given in fractions of it. */
    async draw(points: readonly (readonly [number, number])[]): Promise<void> {
      const box = (await page.locator('[data-surface]').boundingBox())!;
      const at = ([x, y]: readonly [number, number]): [number, number] => [
        box.x + x * box.width,
        box.y + y * box.height,
      ];
      await page.mouse.move(...at(points[0]));
      await page.mouse.down();
      for (const p of points.slice(1)) await page.mouse.move(...at(p), { steps: 2 });
      await page.mouse.up();
    },
  };
}

/** The cover on the table, as pixels. */
export async function shownCover(page: Page): Promise<Raster> {
  const url = await page
    .getByRole('img', { name: /^Cover of/ })
    .first()
    .evaluate((canvas) => (canvas as HTMLCanvasElement).toDataURL('image/png'));
  const png = PNG.sync.read(Buffer.from(url.slice(url.indexOf(',') + 1), 'base64'));
  return raster(png.width, png.height, new Uint8ClampedArray(png.data));
}

const GOLDENS = join(import.meta.dirname, '../goldens');

/** Holds the cover on the table against the kept one; `UPDATE_GOLDENS=1` keeps the new one. */
export async function looksLike(page: Page, name: string): Promise<void> {
  await coverReady(page);
  const actual = await shownCover(page);
  const file = join(GOLDENS, `${name}.png`);
  if (process.env.UPDATE_GOLDENS === '1') writeFileSync(file, writePng(actual, 72));
  const kept = PNG.sync.read(readFileSync(file));
  expect([actual.width, actual.height]).toEqual([kept.width, kept.height]);
  expect(ssim(actual, raster(kept.width, kept.height, new Uint8ClampedArray(kept.data))), name).toBeGreaterThan(0.99);
}

/** All promos in view are painted as they are now. */
export const promosReady = (page: Page): Promise<void> =>
  expect(page.locator('main [data-fresh="true"]').first()).toBeAttached({ timeout: 120_000 });

/**
 * What of the page, or of a part of it, breaks the rules of accessibility: each rule with where. In one page and for what is wrong
 * alone: the rules are the same, and take a fifth of the time.
 */
export async function breaches(page: Page, within = 'html'): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page })
    .include(within)
    .setLegacyMode(true)
    .options({ resultTypes: ['violations'] })
    .analyze();
  return violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join(', ')}`);
}

/** Opens a title of the Shelf at Deliver. */
export async function deliverOf(page: Page, title: string): Promise<void> {
  await page.goto('/');
  await page.getByRole('link', { name: `Open ${title}` }).click({ timeout: 60_000 });
  await coverReady(page);
  await step(page, 'Deliver');
}

export const deliverTab = (page: Page, name: string): Promise<void> =>
  page.getByRole('navigation', { name: 'Parts of Deliver' }).getByRole('link', { name, exact: true }).click();
