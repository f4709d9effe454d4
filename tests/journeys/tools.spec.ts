import type { Page } from '@playwright/test';
import { bench, coverReady, expect, part, shownMark, shownPixel, test } from './help';

test.use({ shelf: ['moss'] });

const surface = (page: Page) => page.locator('[data-surface]');
const place = async (page: Page): Promise<string> => {
  const b = bench(page);
  const value = (name: string): Promise<string> => b.inspector.getByLabel(name, { exact: true }).inputValue();
  return `${await value('Left')} ${await value('Top')}`;
};

test('tools with keys: nothing moves, the view moves, a colour is taken, gaps are shown', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Open The Balcony Moss Garden' }).click({ timeout: 60_000 });
  await coverReady(page);
  const box = (await surface(page).boundingBox())!;
  const drag = async (dx: number, dy: number): Promise<void> => {
    // The badge, at the right above the middle.
    const at: [number, number] = [box.x + box.width * 0.8, box.y + box.height * 0.435];
    await page.mouse.move(...at);
    await page.mouse.down();
    await page.mouse.move(at[0] + dx, at[1] + dy, { steps: 5 });
    await page.mouse.up();
  };
  const status = page.getByRole('status').filter({ hasText: '1 moves things again' });

  await test.step('only choosing: a drag chooses and moves nothing', async () => {
    await part(page, 'Badge').click();
    const before = await place(page);
    await part(page, 'Title').click();
    await surface(page).focus();
    await page.keyboard.press('2');
    await expect(status).toBeVisible();
    await drag(60, 40);
    await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeDisabled();
    await part(page, 'Badge').click();
    expect(await place(page)).toBe(before);
  });

  await test.step('the hand moves the view, and no part', async () => {
    await surface(page).focus();
    await page.keyboard.press('3');
    await drag(70, 30);
    await expect.poll(async () => Math.round((await surface(page).boundingBox())!.x - box.x)).toBe(70);
    await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeDisabled();
    await drag(-70, -30);
    await page.keyboard.press('1');
    await expect(status).toHaveCount(0);
  });

  await test.step('a colour is taken from the cover for what is chosen, as one step', async () => {
    await part(page, 'Badge').click();
    const ground = await shownPixel(page, /^Cover of/, 0.12, 0.3);
    await surface(page).focus();
    await page.keyboard.press('4');
    await page.mouse.click(box.x + box.width * 0.12, box.y + box.height * 0.3);
    // The paper's grain differs from pixel to pixel; the badge's own colour is 147 away.
    const far = async (): Promise<number> => {
      const said = await bench(page)
        .inspector.getByRole('button', { name: /: #[0-9a-f]{6}, choose another/ })
        .first()
        .getAttribute('aria-label');
      const hex = /#([0-9a-f]{6})/.exec(said ?? '')?.[1] ?? '000000';
      return Math.max(...[0, 1, 2].map((c) => Math.abs(parseInt(hex.slice(c * 2, c * 2 + 2), 16) - ground[c])));
    };
    await expect.poll(far).toBeLessThan(40);
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeDisabled();
  });

  await test.step('a colour is taken by keys alone, and Esc takes none', async () => {
    await part(page, 'Badge').click();
    const before = await shownMark(page, /^Cover of/);
    await part(page, 'Badge').focus();
    await page.keyboard.press('4');
    await expect(surface(page)).toBeFocused();
    await page.keyboard.press('Shift+ArrowUp');
    const said = page.getByRole('status').filter({ hasText: /^#[0-9a-f]{6}$/ });
    const first = await said.textContent();
    for (let i = 0; i < 6; i++) await page.keyboard.press('Shift+ArrowUp');
    await expect.poll(() => said.textContent()).not.toBe(first);
    const hex = await said.textContent();
    await page.keyboard.press('Escape');
    await expect(said).toHaveCount(0);
    await expect(part(page, 'Badge')).toBeFocused();
    await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeDisabled();
    await page.keyboard.press('4');
    for (let i = 0; i < 7; i++) await page.keyboard.press('Shift+ArrowUp');
    await expect(said).toHaveText(hex!);
    await page.keyboard.press('Enter');
    await expect(bench(page).inspector.getByRole('button', { name: `Colour: ${hex}, choose another` })).toBeVisible();
    await expect.poll(() => shownMark(page, /^Cover of/)).not.toBe(before);
    await page.keyboard.press('Control+z');
    await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeDisabled();
  });

  await test.step('two letters are moved apart at the cursor, and wherever they meet', async () => {
    await part(page, 'Title').click();
    const before = await shownMark(page, /^Cover of/);
    await surface(page).focus();
    await page.keyboard.press('Enter');
    await page.keyboard.press('Home');
    await page.keyboard.press('Alt+ArrowUp');
    await expect(page.getByText('Put the cursor between two letters first.')).toBeVisible();
    await page.keyboard.press('ArrowRight');
    for (let i = 0; i < 8; i++) await page.keyboard.press('Alt+ArrowUp');
    await page.keyboard.press('Alt+ArrowDown');
    await page.keyboard.press('Escape');
    const b = bench(page);
    await expect(b.inspector.getByLabel('Between T and h')).toHaveValue('70');
    await expect.poll(() => shownMark(page, /^Cover of/)).not.toBe(before);
    await b.inspector.getByLabel('Between T and h').fill('-40');
    await page.keyboard.press('Enter');
    await b.choose('Two letters', 'M o');
    await expect(b.inspector.getByLabel('Between M and o')).toHaveValue('0');
    await b.inspector.getByRole('button', { name: 'All as the face has them' }).click();
    await expect.poll(() => shownMark(page, /^Cover of/)).toBe(before);
  });

  await test.step('a picture is set upright, and back', async () => {
    await part(page, 'Picture').click();
    const before = await shownMark(page, /^Cover of/);
    const upright = bench(page).inspector.getByRole('slider', { name: 'Upright' });
    await upright.focus();
    await page.keyboard.press('End');
    await expect.poll(() => shownMark(page, /^Cover of/)).not.toBe(before);
    await page.keyboard.press('Control+z');
    await expect.poll(() => shownMark(page, /^Cover of/)).toBe(before);
  });

  await test.step('the gaps round what is chosen are shown in px, and go again', async () => {
    await part(page, 'Byline').click();
    await surface(page).focus();
    await page.keyboard.press('5');
    const gaps = page.getByRole('img', { name: /^Gaps: / });
    await expect(gaps).toBeVisible();
    const left = Number(await bench(page).inspector.getByLabel('Left', { exact: true }).inputValue());
    const said = Number(/left (\d+) px/.exec((await gaps.getAttribute('aria-label'))!)![1]);
    // To the frame or the edge: never more than to the edge of the cover.
    expect(said).toBeLessThanOrEqual(left + 400);
    expect(said).toBeGreaterThan(0);
    await page.keyboard.press('5');
    await expect(gaps).toHaveCount(0);
  });

  await test.step('the list of keys names them', async () => {
    await page.keyboard.press('F1');
    const sheet = page.getByRole('dialog');
    for (const name of [
      'Only choose',
      'Move the view',
      'Take a colour from the cover',
      'Show the gaps round what is chosen',
    ])
      await expect(sheet.getByText(name)).toBeVisible();
  });
});
