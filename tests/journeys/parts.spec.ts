import type { Page } from '@playwright/test';
import { writePng } from '@yosomi/core/image-file';
import { MARKS, paintedMark } from '../fixtures/marks';
import { bench, coverReady, expect, kept, part, shownMark, step, test } from './help';

test.use({ shelf: ['lamplighter-1'] });

const open = async (page: Page): Promise<void> => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Open A Debt of Foxfire' }).click({ timeout: 60_000 });
  await coverReady(page);
};
const list = (page: Page) => page.getByRole('navigation', { name: 'Parts' });
const rows = (page: Page) => list(page).locator('[data-row]');
/** What the rows are called, from the front. */
const names = (page: Page): Promise<string[]> =>
  rows(page).evaluateAll((all) => all.map((row) => row.querySelector('.font-semibold')?.textContent ?? ''));
const surface = (page: Page) => page.locator('[data-surface]');
const COVER = /^Cover of/;

test('the list stands as the parts lie; a row is carried to another depth, and the cover follows', async ({ page }) => {
  await open(page);
  const first = await names(page);
  expect(first.slice(0, 5)).toEqual(['Byline', 'Strapline', 'Title', 'Series line', 'Mark']);
  expect(first.at(-1)).toBe('Ground');
  const before = await shownMark(page, COVER);

  await test.step('by mouse: the mark goes behind the picture and is not seen', async () => {
    const from = (await rows(page).filter({ hasText: 'Mark' }).boundingBox())!;
    const to = (await rows(page).filter({ hasText: 'Foxfire clearing' }).boundingBox())!;
    await page.mouse.move(from.x + 70, from.y + 20);
    await page.mouse.down();
    for (let i = 1; i <= 10; i++) await page.mouse.move(from.x + 70, from.y + 20 + ((to.y - from.y) * i) / 10);
    await page.mouse.up();
    await expect.poll(() => names(page)).toEqual([...first.filter((n) => n !== 'Mark').slice(0, -1), 'Mark', 'Ground']);
    await expect.poll(() => shownMark(page, COVER)).not.toBe(before);
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect.poll(() => names(page)).toEqual(first);
    await expect.poll(() => shownMark(page, COVER)).toBe(before);
  });

  await test.step('by keys: named, carried, hidden, locked, without the mouse', async () => {
    await part(page, 'Mark').focus();
    await page.keyboard.press('F2');
    await page.keyboard.type('Lantern');
    await page.keyboard.press('Enter');
    await expect(part(page, 'Lantern')).toBeFocused();
    await page.keyboard.press('Alt+ArrowDown');
    await expect.poll(() => names(page)).toEqual(first.with(4, 'Ellipse').with(5, 'Lantern'));
    await expect(list(page).getByText('Now right behind ellipse.')).toHaveAttribute('role', 'status');
    await expect(part(page, 'Lantern')).toBeFocused();
    await page.keyboard.press('Tab');
    await expect(page.getByRole('button', { name: 'Hide Lantern' })).toBeFocused();
    await page.keyboard.press('Enter');
    await expect.poll(() => shownMark(page, COVER)).not.toBe(before);
    await page.keyboard.press('Enter');
    await page.keyboard.press('Tab');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: 'Unlock Lantern' })).toBeFocused();
    await page.keyboard.press('Enter');
  });

  await test.step('a group is a row that folds; its parts are chosen with Shift', async () => {
    await part(page, 'Ellipse').focus();
    await page.keyboard.press('Enter');
    await page.keyboard.press('Shift+ArrowDown');
    await page.keyboard.press('Control+g');
    await expect.poll(() => names(page)).toEqual(first.toSpliced(4, 2, 'Group of 2', 'Ellipse', 'Lantern'));
    await part(page, 'Group of 2').focus();
    await page.keyboard.press('ArrowLeft');
    await expect(rows(page)).toHaveCount(first.length - 1);
    await kept(page);
    await page.reload();
    await coverReady(page);
    await expect.poll(() => names(page)).toEqual(first.toSpliced(4, 2, 'Group of 2', 'Ellipse', 'Lantern'));
  });

  await test.step('a group is named, and its copy is a group of that name', async () => {
    await part(page, 'Group of 2').focus();
    await page.keyboard.press('F2');
    await page.keyboard.type('Lamp on its shelf');
    await page.keyboard.press('Enter');
    await expect(part(page, 'Lamp on its shelf')).toBeFocused();
    await page.keyboard.press('Enter');
    await page.keyboard.press('Control+d');
    const own = ['Lamp on its shelf', 'Ellipse', 'Lantern'];
    await expect.poll(() => names(page)).toEqual(first.toSpliced(4, 2, ...own, ...own));
    await page.keyboard.press('Control+c');
    await page.keyboard.press('Control+v');
    await expect.poll(() => names(page)).toEqual([...own, ...first.toSpliced(4, 2, ...own, ...own)]);
    await kept(page);
    await page.reload();
    await coverReady(page);
    await expect.poll(() => names(page)).toEqual([...own, ...first.toSpliced(4, 2, ...own, ...own)]);
  });
});

test('depth is moved past what is met, and what would change nothing cannot be pressed', async ({ page }) => {
  await open(page);
  const b = bench(page);
  const depth = b.inspector.getByRole('region', { name: 'How deep it lies' });
  const press = (name: string) => depth.getByRole('button', { name, exact: true });
  await part(page, 'Byline').click();
  // Nothing lies on the byline.
  await expect(press('Forward')).toBeDisabled();
  await expect(press('To the very front')).toBeDisabled();
  await part(page, 'Rule').click();
  await expect(press('Behind the words')).toBeDisabled();
  const first = await names(page);
  // It meets the ellipse first: the frame, which has the whole cover for its place, comes before.
  await press('Forward').click();
  await expect.poll(() => names(page)).not.toEqual(first);
  await page.keyboard.press('Control+z');
  await expect.poll(() => names(page)).toEqual(first);

  await test.step('what lies on one another is listed at a point, and the covered is chosen there', async () => {
    const box = (await surface(page).boundingBox())!;
    await page.mouse.click(box.x + box.width * 0.5, box.y + box.height * 0.89, { button: 'right' });
    const menu = page.getByRole('menu', { name: 'What lies here, from the front' });
    await expect(menu.getByRole('menuitem').first()).toContainText('Mark');
    await menu.getByRole('menuitem', { name: /^Band/ }).click();
    await expect(b.inspector.getByRole('heading', { name: 'Band', level: 2 })).toBeVisible();
    await expect(surface(page)).toBeFocused();
  });
});

test('what the Brief says and the cover does not show is offered, and stands where it reads', async ({ page }) => {
  await open(page);
  const add = page.getByRole('button', { name: 'Add the subtitle' });
  await expect(add).toHaveCount(0);
  await step(page, 'Brief');
  await page.getByLabel('Subtitle').fill('A tale of lamps and what they owe');
  await step(page, 'Front');
  await coverReady(page);
  const before = await shownMark(page, COVER);
  await add.click();
  await expect(part(page, 'Subtitle')).toContainText('A tale of lamps and what they owe');
  await expect.poll(() => shownMark(page, COVER)).not.toBe(before);
  await expect(page.getByText(/reaches only .* : 1/)).toHaveCount(0);
  await expect(add).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(add).toBeVisible();
  // One that is hidden was hidden on purpose, and a spine is another matter.
  await add.click();
  await part(page, 'Subtitle').hover();
  await page.getByRole('button', { name: 'Hide Subtitle' }).click();
  await expect(add).toHaveCount(0);
});

test('several parts share what all of them have, and grow and turn together', async ({ page }) => {
  await open(page);
  const b = bench(page);
  const before = await shownMark(page, COVER);
  await part(page, 'Title').click();
  await part(page, 'Byline').click({ modifiers: ['Control'] });
  await expect(b.inspector.getByRole('heading', { name: '2 parts' })).toBeVisible();
  await expect(b.inspector.getByLabel('Leading', { exact: true })).toHaveAttribute('placeholder', 'mixed');
  await b.number('Leading', 1.2);
  await expect(b.inspector.getByLabel('Leading', { exact: true })).toHaveValue('1.20');
  await b.inspector.getByRole('button', { name: 'Colour: mixed, choose another' }).click();
  await page.getByLabel('Colour as #rrggbb').fill('#f0c040');
  await page.keyboard.press('Escape');
  await expect(b.inspector.getByRole('button', { name: 'Colour: #f0c040, choose another' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await coverReady(page);
  await expect.poll(() => shownMark(page, COVER)).toBe(before);

  await part(page, 'Mark').click();
  await part(page, 'Ellipse').click({ modifiers: ['Control'] });
  const sits = b.inspector.getByRole('region', { name: 'Where they sit' });
  const width = async (): Promise<number> => Number(await sits.getByLabel('Width of all').inputValue());
  const was = await width();
  const corner = (await surface(page).locator('[data-handle="se"]').boundingBox())!;
  await page.mouse.move(corner.x + 4, corner.y + 4);
  await page.mouse.down();
  await page.mouse.move(corner.x + 24, corner.y + 24, { steps: 5 });
  await page.mouse.up();
  await expect.poll(width).toBeGreaterThan(was * 1.2);
  await sits.getByLabel('Width of all').fill(String(was));
  await sits.getByLabel('Width of all').press('Enter');
  await expect.poll(width).toBe(was);
  await sits.getByLabel('Turn by').fill('30');
  await sits.getByLabel('Turn by').press('Enter');
  await expect(sits.getByLabel('Turn by')).toHaveValue('0');
  await part(page, 'Mark').click();
  await expect(b.inspector.getByLabel('Turn', { exact: true })).toHaveValue('30');
  // Three steps, and the cover is as it was.
  for (let i = 0; i < 3; i++) await page.keyboard.press('Control+z');
  await coverReady(page);
  await expect.poll(() => shownMark(page, COVER)).toBe(before);
});

test('a mark on nothing is traced as it is, lands where nothing lies, and takes other colours', async ({ page }) => {
  await open(page);
  const b = bench(page);
  const png = writePng(paintedMark(MARKS[8], 400), 300);
  await page.getByRole('button', { name: 'Add a part' }).click();
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('menuitem', { name: 'Mark', exact: true }).click(),
  ]);
  await chooser.setFiles({ name: 'shield.png', mimeType: 'image/png', buffer: Buffer.from(png) });
  const dialog = page.getByRole('dialog', { name: 'Trace the mark' });
  await expect(dialog.getByRole('slider', { name: 'Colours' })).toHaveAttribute('aria-valuetext', '3');
  await expect(dialog.getByText('3 outlines.')).toBeVisible();
  await dialog.getByRole('button', { name: 'Use it' }).click();
  await expect(b.inspector.getByRole('heading', { name: 'Mark', level: 2 })).toBeVisible();
  const [width, height] = await Promise.all(
    ['Width', 'Height'].map(async (label) => Number(await b.inspector.getByLabel(label, { exact: true }).inputValue())),
  );
  // The shield is 300 by 346, and so is its place.
  expect(width / height).toBeCloseTo(300 / 346, 1);
  await b.number('Width', width * 2);
  await expect(b.inspector.getByLabel('Height', { exact: true })).toHaveValue(
    new RegExp(`^${height * 2}|${height * 2 - 1}|${height * 2 + 1}$`),
  );
  await coverReady(page);
  const before = await shownMark(page, COVER);
  await b.colour('Colour 1 of the drawing', '#ffffff');
  await expect.poll(() => shownMark(page, COVER)).not.toBe(before);
  await b.inspector.getByRole('button', { name: 'All of it in one colour' }).click();
  await expect(b.inspector.getByRole('combobox', { name: 'Covered with' })).toBeVisible();
});

test('inside a picture: entered, moved, enlarged about the hand, left again', async ({ page }) => {
  await open(page);
  const b = bench(page);
  await part(page, 'Picture').click();
  const unlock = b.inspector.getByRole('button', { name: 'Unlock', exact: true });
  if (await unlock.isVisible()) await unlock.click();
  const zoom = b.inspector.getByRole('slider', { name: 'Zoom', exact: true });
  const before = await shownMark(page, COVER);
  const was = Number(await zoom.getAttribute('aria-valuenow'));
  await surface(page).focus();
  await page.keyboard.press('Enter');
  await expect(surface(page).getByText('Drag to move it inside, wheel to zoom, Esc leaves')).toBeVisible();
  const box = (await surface(page).boundingBox())!;
  await page.mouse.move(box.x + box.width * 0.5, box.y + box.height * 0.7);
  await page.mouse.wheel(0, -300);
  await expect.poll(async () => Number(await zoom.getAttribute('aria-valuenow'))).toBeGreaterThan(was);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.4, box.y + box.height * 0.7, { steps: 4 });
  await page.mouse.up();
  await page.keyboard.press('ArrowRight');
  await coverReady(page);
  await expect.poll(() => shownMark(page, COVER)).not.toBe(before);
  await page.keyboard.press('Escape');
  await expect(surface(page).getByText(/Esc leaves/)).toHaveCount(0);
  // The picture is still chosen; what was done are steps.
  await expect(b.inspector.getByRole('heading', { name: 'Picture', level: 2 })).toBeVisible();
  for (let i = 0; i < 3; i++) await page.keyboard.press('Control+z');
  await coverReady(page);
  await expect.poll(() => shownMark(page, COVER)).toBe(before);
});

test('curves: drawn, given a point, a corner, an arrow, and joined to another', async ({ page }) => {
  await open(page);
  const b = bench(page);
  const curve = async (y: number): Promise<void> => {
    await surface(page).focus();
    await page.keyboard.press('d');
    await b.draw([
      [0.15, y],
      [0.3, y - 0.03],
      [0.5, y],
      [0.65, y + 0.03],
      [0.8, y],
    ]);
    await expect(b.inspector.getByRole('heading', { name: 'Drawn curve', level: 2 })).toBeVisible();
  };
  await curve(0.5);
  const points = b.inspector.getByRole('region', { name: 'Its points' });
  const count = async (): Promise<number> => Number(/(\d+) points/.exec(await points.innerText())?.[1]);
  const first = await count();
  await points.getByRole('button', { name: 'Add a point' }).click();
  await expect(points.getByText(new RegExp(`of ${first + 1}\\.`))).toBeVisible();
  // A new point is smooth.
  await expect(points.getByRole('button', { name: 'Smooth' })).toBeDisabled();
  await points.getByRole('button', { name: 'Corner' }).click();
  await expect(points.getByRole('button', { name: 'Smooth' })).toBeEnabled();
  const plain = await shownMark(page, COVER);
  await b.inspector.getByRole('checkbox', { name: 'Arrow at its end' }).check();
  await b.inspector.getByLabel('Dashes').fill('3');
  await b.inspector.getByLabel('Dashes').press('Enter');
  await expect.poll(() => shownMark(page, COVER)).not.toBe(plain);

  await curve(0.62);
  await b.inspector.getByRole('radio', { name: 'To another' }).click();
  await expect(b.inspector.getByRole('combobox', { name: 'To which curve' })).toHaveText(/Drawn curve/);
  await expect(b.inspector.getByRole('checkbox', { name: 'Take width, colour and opacity along' })).toBeChecked();
  await page.keyboard.press('Control+z');
  const rowsOfCurves = rows(page).filter({ hasText: 'Drawn curve' });
  await expect(rowsOfCurves).toHaveCount(2);
  await rowsOfCurves.nth(0).getByRole('button').first().click();
  await rowsOfCurves
    .nth(1)
    .getByRole('button')
    .first()
    .click({ modifiers: ['Control'] });
  await b.inspector.getByRole('button', { name: 'Join into one curve' }).click();
  await expect(rowsOfCurves).toHaveCount(1);
  await kept(page);
});
