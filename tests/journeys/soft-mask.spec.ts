import type { Page } from '@playwright/test';
import { fileOf, scenePixels } from '../fixtures/pictures';
import { bench, coverReady, expect, kept, onToFront, part, pick, put, shownMark, shownPixel, test } from './help';

test.use({ shelf: [] });

const COVER = /^Cover of/;
/** The ground shows: pure red, a little darker where a scrim lies on it. */
const ground = ([r, g, b]: readonly number[]): boolean => r > 120 && g < 25 && b < 25;
const at = (page: Page, x: number, y: number): Promise<number[]> => shownPixel(page, COVER, x, y);

/** A new book from a photograph, its ground red, so that what is away can be told. */
async function begin(page: Page, pixels = scenePixels(1000, 1600)): Promise<void> {
  const picture = put('harbour.jpg', await fileOf(pixels, 'jpeg'));
  await page.goto('/');
  await pick(page, 'From a picture', picture);
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('radio', { name: 'A picture for a cover' }).click();
  await dialog.getByLabel('Title', { exact: true }).fill('The Salt Ledger');
  await dialog.getByLabel('Author').fill('Corin Amsel');
  await dialog.getByRole('button', { name: 'Compose covers' }).click();
  await onToFront(page);
  await coverReady(page);
  await part(page, 'Ground').click();
  await bench(page).colour('Colour', '#ff0000');
  await part(page, 'Picture').click();
  await bench(page).open('What it is cut to');
}

test('a picture fades out, is painted away by hand, and loses a colour', async ({ page }) => {
  const b = bench(page);
  await begin(page);
  const whole = await shownMark(page, COVER);

  await test.step('it fades to the foot, and the words above stay', async () => {
    await b.choose('Fades out', 'To the foot');
    await expect.poll(async () => ground(await at(page, 0.5, 0.985))).toBe(true);
    expect(ground(await at(page, 0.05, 0.05))).toBe(false);
    await b.choose('Fades out', 'Nowhere');
    await expect.poll(() => shownMark(page, COVER)).toBe(whole);
  });

  await test.step('a stroke of the brush takes away, another brings back, undo takes one stroke', async () => {
    await b.inspector.getByRole('button', { name: 'Paint parts away' }).click();
    await b.number('Width of the brush', 300);
    await b.slide('Softness', 'Home');
    const box = (await page.locator('[data-brush]').boundingBox())!;
    const on = (x: number, y: number): [number, number] => [box.x + x * box.width, box.y + y * box.height];
    await page.mouse.move(...on(0.15, 0.88));
    await page.mouse.down();
    await page.mouse.move(...on(0.85, 0.88), { steps: 8 });
    await page.mouse.up();
    await expect.poll(async () => ground(await at(page, 0.5, 0.88))).toBe(true);
    await page.keyboard.press('x');
    await expect(b.inspector.getByRole('radio', { name: 'Brings back' })).toHaveAttribute('aria-checked', 'true');
    await page.mouse.move(...on(0.5, 0.88));
    await page.mouse.down();
    await page.mouse.up();
    await expect.poll(async () => ground(await at(page, 0.5, 0.88))).toBe(false);
    expect(ground(await at(page, 0.2, 0.88))).toBe(true);
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect.poll(async () => ground(await at(page, 0.5, 0.88))).toBe(true);
    await b.inspector.getByRole('button', { name: 'Remove the stroke' }).click();
    await expect.poll(() => shownMark(page, COVER)).toBe(whole);
    await b.inspector.getByRole('button', { name: 'Done painting' }).click();
    await expect(page.locator('[data-brush]')).toHaveCount(0);
  });

  await test.step('a colour that is picked from the cover goes', async () => {
    await b.inspector.getByRole('checkbox', { name: 'Take out a colour' }).check();
    const [r, g, bl] = await at(page, 0.03, 0.02);
    const hex = `#${[r, g, bl].map((v) => v.toString(16).padStart(2, '0')).join('')}`;
    await b.colour('Colour that goes', hex);
    await expect.poll(async () => ground(await at(page, 0.03, 0.02))).toBe(true);
    await kept(page);
    await page.reload();
    await coverReady(page);
    await expect.poll(async () => ground(await at(page, 0.03, 0.02))).toBe(true);
  });
});

test('by keys alone: the brush is moved, set down, changed and laid aside', async ({ page }) => {
  const b = bench(page);
  await begin(page);
  await b.inspector.getByRole('button', { name: 'Paint parts away' }).focus();
  await page.keyboard.press('Enter');
  const layer = page.locator('[data-brush]');
  await expect(layer).toBeFocused();
  for (let i = 0; i < 8; i++) await page.keyboard.press('Shift+ArrowDown');
  for (let i = 0; i < 4; i++) await page.keyboard.press(']');
  await page.keyboard.press('Enter');
  await expect.poll(async () => ground(await at(page, 0.5, 0.8125))).toBe(true);
  await expect(b.inspector.getByRole('button', { name: 'Remove the stroke' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(layer).toHaveCount(0);
  await expect(page.locator('[data-surface]')).toBeFocused();
  await page.keyboard.press('Control+z');
  await expect.poll(async () => ground(await at(page, 0.5, 0.8125))).toBe(false);
});

test('a picture is levelled by a line that is drawn on it', async ({ page }) => {
  const b = bench(page);
  await begin(page);
  const before = await shownMark(page, COVER);
  await b.inspector.getByRole('button', { name: 'Level it by a line' }).click();
  const layer = page.locator('[data-level]');
  await expect(layer).toBeFocused();
  const box = (await layer.boundingBox())!;
  await page.mouse.move(box.x + 80, box.y + 300);
  await page.mouse.down();
  await page.mouse.move(box.x + 280, box.y + 320, { steps: 4 });
  await page.mouse.up();
  await expect(layer).toHaveCount(0);
  await expect(b.inspector.getByLabel('Turn inside')).toHaveValue('-6');
  await expect.poll(() => shownMark(page, COVER)).not.toBe(before);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect.poll(() => shownMark(page, COVER)).toBe(before);
});

/** A busy wall with a ball before it. */
function ballPixels(): ReturnType<typeof scenePixels> {
  const [width, height] = [1000, 1600];
  const pixels = scenePixels(width, height);
  let seed = 5;
  const noise = (): number => (seed = (seed * 1103515245 + 12345) % 2147483648) / 2147483648 - 0.5;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const inside = Math.hypot(x - 520, y - 1050) < 280;
      const brick = (Math.floor(x / 60) + Math.floor(y / 40)) % 2 === 0 ? 18 : 0;
      const colour = inside ? [60, 110, 200 - (x - 520) / 9] : [150 + brick, 165 + brick, 120 + brick];
      pixels.data.set([...colour.map((v) => v + noise() * 18), 255], (y * width + x) * 4);
    }
  return pixels;
}

test('the thing in a picture is cut out, by itself and with strokes, by keys alone', async ({ page }) => {
  const b = bench(page);
  await begin(page, ballPixels());
  const dialog = page.getByRole('dialog', { name: 'Cut out the subject' });
  const sheet = dialog.locator('[data-cut-out]');
  const found = () => expect(sheet).toHaveAttribute('data-cut-out', 'found', { timeout: 60_000 });
  const open = async (name: string): Promise<void> => {
    await b.inspector.getByRole('button', { name, exact: true }).focus();
    await page.keyboard.press('Enter');
    await found();
  };

  await test.step('it is found without a word; nothing changes before it is used', async () => {
    await open('Cut out the subject');
    await expect(dialog.getByRole('status')).toHaveText('Found. Paint what is missing or too much.');
    await page.keyboard.press('Escape');
    await expect(dialog).toHaveCount(0);
    expect(ground(await at(page, 0.5, 0.95))).toBe(false);
    await open('Cut out the subject');
    await dialog.getByRole('button', { name: 'Use it' }).press('Enter');
    await expect(dialog).toHaveCount(0);
    await expect.poll(async () => ground(await at(page, 0.5, 0.95))).toBe(true);
    expect(ground(await at(page, 0.52, 0.66))).toBe(false);
  });

  await test.step('one step: undone and done again', async () => {
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect.poll(async () => ground(await at(page, 0.5, 0.95))).toBe(false);
    await page.getByRole('button', { name: 'Redo', exact: true }).click();
    await expect.poll(async () => ground(await at(page, 0.5, 0.95))).toBe(true);
  });

  await test.step('a stroke says that the wall stays and the ball goes', async () => {
    await part(page, 'Picture').click();
    await open('Change what is cut out');
    await sheet.focus();
    // From the middle to the ball, which goes.
    await page.keyboard.press('x');
    for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowDown');
    await page.keyboard.press('Enter');
    await page.keyboard.press('x');
    for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowUp');
    for (let i = 0; i < 4; i++) await page.keyboard.press('Shift+ArrowLeft');
    await page.keyboard.press('Enter');
    await found();
    await expect(dialog.getByRole('button', { name: 'Remove the last stroke' })).toBeEnabled();
    await dialog.getByRole('button', { name: 'Use it' }).click();
    await expect.poll(async () => ground(await at(page, 0.52, 0.66))).toBe(true);
    expect(ground(await at(page, 0.08, 0.5))).toBe(false);
  });

  await test.step('it is there after a reload, and all of the picture comes back', async () => {
    await kept(page);
    await page.reload();
    await coverReady(page);
    await expect.poll(async () => ground(await at(page, 0.52, 0.66))).toBe(true);
    await part(page, 'Picture').click();
    await b.open('What it is cut to');
    await b.inspector.getByRole('button', { name: 'Show all of it' }).click();
    await expect.poll(async () => ground(await at(page, 0.52, 0.66))).toBe(false);
  });
});
