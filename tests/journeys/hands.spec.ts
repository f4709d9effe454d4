import type { Page } from '@playwright/test';
import { bench, coverReady, expect, part, settled, step, test } from './help';

test.use({ shelf: ['moss', 'weather'] });

async function open(page: Page, title = 'Weather for Two Voices'): Promise<void> {
  await page.goto('/');
  await page.getByRole('link', { name: `Open ${title}` }).click({ timeout: 60_000 });
  await coverReady(page);
}
const active = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const at = document.activeElement as HTMLElement | null;
    return !at || at === document.body ? 'body' : (at.getAttribute('aria-label') ?? at.innerText.trim().slice(0, 40));
  });

test('focus returns to what opened a dialog, a sheet or a menu, and stays where something is made', async ({
  page,
}) => {
  await open(page);
  const inspector = bench(page).inspector;
  for (const name of ['Save picture', 'Versions', 'History', 'House style']) {
    await inspector.getByRole('button', { name, exact: true }).focus();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('dialog')).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await expect.poll(() => active(page), { message: name }).toBe(name);
  }
  // A dialog that a menu has opened leads back to the menu's own button.
  const size = page.getByRole('button', { name: 'Front', exact: true });
  await size.focus();
  await page.keyboard.press('Enter');
  await page.getByRole('menuitem', { name: 'A size of your own' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: 'Size of the front' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect.poll(() => active(page)).toBe('Front');
  const more = page.getByRole('button', { name: 'Add a part' });
  await more.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('menu')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect.poll(() => active(page)).toBe('Add a part');
  // The button of a making keeps the focus while it works and after.
  await step(page, 'Deliver');
  const make = page.getByRole('button', { name: /^Make .*\.svg/ });
  await make.focus();
  await page.keyboard.press('Enter');
  expect(await active(page)).not.toBe('body');
  await expect(page.locator('tr[data-file="svg"][data-state="made"]')).toBeVisible({ timeout: 60_000 });
  expect(await active(page)).not.toBe('body');
});

test('what the Front opens is found by its words from every step', async ({ page }) => {
  await open(page);
  for (const [from, typed, name] of [
    ['Deliver', 'save png', 'Save picture'],
    ['Brief', 'size', 'Size of the front'],
    ['Glance', 'brand', 'House style'],
  ] as const) {
    await step(page, from);
    await expect(page.getByRole('heading', { level: 1, name: from })).toHaveCount(1);
    await page.keyboard.press('Control+k');
    await page.getByPlaceholder('What do you want to do?').fill(typed);
    await expect(page.getByRole('option').first()).toContainText(name);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('dialog', { name })).toBeVisible();
    await expect(page).toHaveURL(/\/front$/);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await page.reload();
    await coverReady(page);
    await expect(page.getByRole('dialog')).toHaveCount(0);
  }
});

test('from Sketches the first cover is three stops away, and arrows lead through the rest', async ({ page }) => {
  await open(page);
  await step(page, 'Sketches');
  await expect(page.getByRole('list', { name: 'Covers of the sheet' }).getByRole('button').nth(3)).toBeVisible({
    timeout: 60_000,
  });
  await page.reload();
  await expect(page.getByRole('list', { name: 'Covers of the sheet' }).getByRole('button').nth(3)).toBeVisible({
    timeout: 60_000,
  });
  await page.keyboard.press('Tab');
  expect(await active(page)).toBe('To the page');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Tab');
  expect(await active(page)).toBe('To the covers');
  await page.keyboard.press('Enter');
  await expect.poll(() => active(page)).toMatch(/^Cover 1:/);
  await page.keyboard.press('ArrowRight');
  await expect.poll(() => active(page)).toMatch(/^Cover 2:/);
  // One stop: the next Tab leaves the covers.
  await page.keyboard.press('Tab');
  expect(await active(page)).not.toMatch(/^Cover \d/);
});

for (const [width, height] of [
  [640, 400],
  [800, 600],
] as const) {
  test(`at ${width} x ${height} everything is reachable and the work keeps half the width`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    await page.goto('/');
    await page.getByRole('link', { name: 'Open The Balcony Moss Garden' }).click({ timeout: 60_000 });
    await expect(page.locator('main[data-fresh="true"]')).toBeVisible();
    for (const [name, panels, work] of [
      ['Front', ['Parts', 'Glance', 'Inspector'], 'section[aria-label="Light table"]'],
      ['Sketches', ['What it asks', 'The chosen cover'], '[aria-label="The sheet"]'],
      ['Mockups', ['Arrangements', 'Inspector'], '[aria-label="Scene"]'],
      ['Promos', ['The message', 'The campaign'], '[aria-label="The sheet"]'],
      ['Brief', [], null],
      ['Glance', [], null],
      ['Deliver', [], null],
    ] as const) {
      await step(page, name);
      if (name === 'Mockups') await settled(page);
      for (const panel of [null, ...panels]) {
        if (panel)
          await page.getByRole('toolbar', { name: 'Panels' }).getByRole('button', { name: panel, exact: true }).click();
        expect(await page.evaluate(() => document.documentElement.scrollWidth), `${name} ${panel}`).toBeLessThanOrEqual(
          width,
        );
        for (const control of ['Undo', 'Redo', /^Find a command/]) {
          const box = (await page
            .getByRole('button', { name: control, exact: typeof control === 'string' })
            .boundingBox())!;
          expect(box.x + box.width, `${name} ${String(control)}`).toBeLessThanOrEqual(width);
        }
        if (!work) continue;
        const box = (await page.locator(work).boundingBox())!;
        expect(box.width, `${name} beside ${panel}`).toBeGreaterThanOrEqual((width - 52) / 2 - 1);
        expect(box.height).toBeGreaterThan(120);
      }
    }
    // A part is added, chosen and changed in that room.
    await step(page, 'Front');
    await expect(page.locator('main[data-fresh="true"]')).toBeVisible();
    const panel = (name: string) =>
      page.getByRole('toolbar', { name: 'Panels' }).getByRole('button', { name, exact: true }).click();
    await panel('Parts');
    await part(page, 'Byline').click();
    await panel('Inspector');
    await bench(page).inspector.getByLabel('Byline text').fill('O. Frew');
    await expect(page.locator('[data-kept="kept"]')).toBeVisible();
  });
}

test('toasts and the menu of parts lie over nothing that they inform about', async ({ page }) => {
  await open(page);
  await page.getByRole('button', { name: 'Add a part' }).click();
  const menu = (await page.getByRole('menu').boundingBox())!;
  // While a menu is open the rest of the page is hidden from those who hear it.
  const list = (await page.locator('nav[aria-label="Parts"]').boundingBox())!;
  expect(menu.x).toBeGreaterThanOrEqual(list.x + list.width - 40);
  await page.keyboard.press('Escape');
  await part(page, 'Title').click();
  await page.keyboard.press('Control+c');
  const toast = page.locator('[data-sonner-toast]').first();
  await expect(toast).toBeVisible();
  const told = (await toast.boundingBox())!;
  const thumb = (await page.getByRole('img', { name: 'The cover at 64 px' }).boundingBox())!;
  const cover = (await page.locator('[data-surface]').boundingBox())!;
  expect(told.y + told.height).toBeLessThan(thumb.y);
  expect(told.y + told.height).toBeLessThan(cover.y + cover.height / 2);
});

for (const [width, height] of [
  [1280, 800],
  [1000, 700],
] as const)
  test(`news leaves the steps and Undo free that are pressed next, ${width} px wide`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    await open(page, 'The Balcony Moss Garden');
    await part(page, 'Title').click();
    await page.keyboard.press('Control+c');
    const toast = page.locator('[data-sonner-toast]').first();
    await expect(toast).toBeVisible();
    await expect.poll(() => toast.evaluate((one) => one.getAnimations().length)).toBe(0);
    const told = (await toast.boundingBox())!;
    const bar = page.getByRole('banner');
    for (const one of [
      ...(await bar.getByRole('link').all()),
      ...(await bar.getByRole('button', { name: /^(Undo|Redo|Find a command)/ }).all()),
    ]) {
      const box = (await one.boundingBox())!;
      const apart =
        box.x + box.width <= told.x ||
        told.x + told.width <= box.x ||
        box.y + box.height <= told.y ||
        told.y + told.height <= box.y;
      expect(apart, await one.innerText()).toBe(true);
    }
  });

test('a side that is made shows its own shape at once', async ({ page }) => {
  await open(page);
  await page.getByRole('button', { name: 'Front', exact: true }).click();
  await page.getByRole('menuitem', { name: /^Spine,/ }).click();
  await expect(page.getByRole('img', { name: /^Spine of/ })).toBeVisible();
  // What is shown has the spine's ratio from the first moment; the front is never squeezed into it.
  const ratios = await page.evaluate(async () => {
    const seen: number[] = [];
    for (let i = 0; i < 60; i++) {
      const canvas = document.querySelector<HTMLCanvasElement>('[role="img"][aria-label^="Spine of"]');
      const there =
        canvas && canvas.getContext('2d')!.getImageData(canvas.width >> 1, canvas.height >> 1, 1, 1).data[3];
      if (canvas && there) seen.push(canvas.height / canvas.width);
      await new Promise((r) => requestAnimationFrame(r));
    }
    return seen;
  });
  for (const ratio of ratios) expect(ratio).toBeGreaterThan(4);
  await coverReadySide(page);
});

const coverReadySide = (page: Page): Promise<void> => expect(page.locator('main[data-fresh="true"]')).toBeVisible();
