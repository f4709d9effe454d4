import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Download, type Page, expect, test as base } from '@playwright/test';

/** Every journey fails on a request that leaves the machine, on a page error and on a policy violation. */
export const test = base.extend<{ watched: void }>({
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

/** Waits until the cover on the table is the present one and measured. */
export const coverReady = async (page: Page): Promise<void> => {
  await expect(page.locator('main[data-fresh="true"]')).toBeVisible();
  await expect(page.locator('[data-verdict="200"]')).toBeVisible();
};

export const kept = (page: Page): Promise<void> => expect(page.locator('[data-kept="kept"]')).toBeVisible();

export const part = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Parts' }).getByRole('button', { name: new RegExp(`^${name}`) });

/** Colour of a pixel of the cover as it is shown. */
export function shownPixel(page: Page, label: RegExp, x: number, y: number): Promise<number[]> {
  return page
    .getByRole('img', { name: label })
    .first()
    .evaluate(
      (canvas, [fx, fy]) => {
        const c = canvas as HTMLCanvasElement;
        return [...c.getContext('2d')!.getImageData(Math.floor(c.width * fx), Math.floor(c.height * fy), 1, 1).data];
      },
      [x, y],
    );
}

/** A mark of all pixels of a shown picture: it changes when the picture does. */
export function shownMark(page: Page, label: RegExp): Promise<number> {
  return page
    .getByRole('img', { name: label })
    .first()
    .evaluate((canvas) => {
      const c = canvas as HTMLCanvasElement;
      const { data } = c.getContext('2d')!.getImageData(0, 0, c.width, c.height);
      let mark = 0;
      for (let i = 0; i < data.length; i += 97) mark = (mark * 31 + data[i]) >>> 0;
      return mark;
    });
}
