import { bench, coverReady, expect, kept, part, shownMark, shownPixel, shelf, step, test } from './help';
import type { Page } from '@playwright/test';

test.use({ shelf: ['weather'] });

const open = async (page: Page, title: string): Promise<void> => {
  await page.goto('/');
  await page.getByRole('link', { name: `Open ${title}` }).click({ timeout: 60_000 });
  await coverReady(page);
};
const surface = (page: Page) => page.locator('[data-surface]');
const at = async (page: Page, x: number, y: number): Promise<[number, number]> => {
  const box = (await surface(page).boundingBox())!;
  return [box.x + (x / 1600) * box.width, box.y + (y / 2560) * box.height];
};
const dragTo = async (page: Page, from: [number, number], to: [number, number]): Promise<void> => {
  await page.mouse.move(...from);
  await page.mouse.down();
  await page.mouse.move((from[0] + to[0]) / 2, (from[1] + to[1]) / 2, { steps: 3 });
  await page.mouse.move(...to, { steps: 4 });
  await page.mouse.up();
};

test('steps of the history outlive a reload, and lead back to any of them', async ({ page }) => {
  const b = bench(page);
  await open(page, 'Weather for Two Voices');
  await part(page, 'Title').click();
  const first = await b.inspector
    .getByRole('button', { name: /^Colour: #/ })
    .first()
    .innerText();
  for (const colour of ['#224466', '#335577', '#446688']) await b.colour('Colour', colour);
  await b.number('Tracking', 40);
  await kept(page);
  await page.reload();
  await coverReady(page);
  await part(page, 'Title').click();
  await expect(b.inspector.getByLabel('Tracking', { exact: true })).toHaveValue('40');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(b.inspector.getByLabel('Tracking', { exact: true })).not.toHaveValue('40');
  await expect(b.inspector.getByRole('button', { name: 'Colour: #446688, choose another' })).toBeVisible();

  await surface(page).focus();
  await page.keyboard.press('Escape');
  await b.inspector.getByRole('button', { name: 'History' }).click();
  const dialog = page.getByRole('dialog', { name: 'History' });
  const steps = dialog.getByRole('listitem');
  await expect(steps).toHaveCount(5);
  await expect(steps.first()).toContainText('Tracking of title');
  await dialog.getByRole('button', { name: 'As it was opened first' }).click();
  await page.keyboard.press('Escape');
  await part(page, 'Title').click();
  await expect(b.inspector.getByRole('button', { name: /^Colour: #/ }).first()).toHaveText(first);
  // Later steps are still there until something else is done.
  for (let i = 0; i < 4; i++) await page.getByRole('button', { name: 'Redo', exact: true }).click();
  await expect(b.inspector.getByLabel('Tracking', { exact: true })).toHaveValue('40');
});

test('versions are kept under a name, compared and brought back', async ({ page }) => {
  const b = bench(page);
  await open(page, 'Weather for Two Voices');
  const before = await shownMark(page, /^Cover of/);
  await page.keyboard.press('v');
  const dialog = page.getByRole('dialog', { name: 'Versions' });
  await dialog.getByLabel('Name of the version').fill('Green and clay');
  await dialog.getByRole('button', { name: 'Keep the cover as it is' }).click();
  await expect(dialog.getByRole('list', { name: 'Kept versions' }).getByRole('button')).toHaveCount(1);
  await page.keyboard.press('Escape');
  await part(page, 'Ground').click();
  await b.colour('Colour', '#203040');
  await coverReady(page);
  await expect.poll(() => shownMark(page, /^Cover of/)).not.toBe(before);
  await surface(page).focus();
  await page.keyboard.press('Escape');
  await page.keyboard.press('v');
  await expect(dialog.getByRole('img', { name: 'Cover: Green and clay' })).toBeVisible();
  await expect(dialog.getByRole('img', { name: 'Cover: Now' })).toBeVisible();
  await dialog.getByRole('button', { name: 'Bring this one back' }).click();
  await page.keyboard.press('Escape');
  await coverReady(page);
  await expect.poll(() => shownMark(page, /^Cover of/)).toBe(before);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect.poll(() => shownMark(page, /^Cover of/)).not.toBe(before);
});

test('two windows on one title never overwrite each other in silence', async ({ page, context }) => {
  await open(page, 'Weather for Two Voices');
  const other = await context.newPage();
  await other.goto(page.url());
  await coverReady(other);
  // Seen by the other window while it has nothing of its own.
  await step(page, 'Brief');
  await page.getByLabel('Author').fill('Ilse A. Brannagh');
  await kept(page);
  await step(other, 'Brief');
  await expect(other.getByLabel('Author')).toHaveValue('Ilse A. Brannagh');
  const asked = async (p: Page): Promise<boolean> =>
    (await p.getByRole('dialog', { name: /changed in another window/ }).count()) > 0;
  // Both change it at once: the later one is asked, and both are kept. Where one had heard of the other's change before
  // it typed, nobody has to be asked, and both type again.
  let round = 0;
  await expect(async () => {
    round++;
    await Promise.all([
      page.getByLabel('Strapline').fill(`From the one, ${round}`, { timeout: 5_000 }),
      other.getByLabel('Strapline').fill(`From the other, ${round}`, { timeout: 5_000 }),
    ]);
    await expect.poll(async () => (await asked(page)) || (await asked(other)), { timeout: 5_000 }).toBe(true);
  }).toPass({ timeout: 60_000 });
  const late = (await asked(page)) ? page : other;
  const mine = `${late === page ? 'From the one' : 'From the other'}, ${round}`;
  await late.getByRole('button', { name: 'Keep both' }).click();
  await coverReady(late);
  await step(late, 'Brief');
  await expect(late.getByLabel('Strapline')).toHaveValue(mine);
  await late.goto('/');
  await expect(late.getByRole('link', { name: 'Open Weather for Two Voices' })).toHaveCount(2);
});

test(
  'parts are copied into another title, with the picture they show',
  shelf('lamplighter-1', 'weather'),
  async ({ page }) => {
    await open(page, 'A Debt of Foxfire');
    await part(page, 'Picture').click();
    await part(page, 'Mark').click({ modifiers: ['Control'] });
    await surface(page).focus();
    await page.keyboard.press('Control+c');
    await expect(page.getByText('Copied 2 parts.')).toBeVisible();
    await page.getByRole('link', { name: 'Back to the Shelf' }).click();
    await page.getByRole('link', { name: 'Open Weather for Two Voices' }).click();
    await coverReady(page);
    const before = await shownMark(page, /^Cover of/);
    await surface(page).focus();
    await page.keyboard.press('Control+v');
    await expect(part(page, 'Picture')).toContainText('Foxfire clearing');
    await expect(part(page, 'Mark')).toHaveCount(1);
    await coverReady(page);
    await expect.poll(() => shownMark(page, /^Cover of/)).not.toBe(before);
    // The title it came from may go: the picture stays.
    await kept(page);
    await page.goto('/');
    await page.getByRole('button', { name: 'More for A Debt of Foxfire' }).click();
    await page.getByRole('menuitem', { name: /Remove/ }).click();
    await page.getByRole('link', { name: 'Open Weather for Two Voices' }).click();
    await coverReady(page);
    await part(page, 'Picture').click();
    await expect(page.getByText('The picture is missing. Replace it.')).toHaveCount(0);
    await expect(page.getByText('1600 x 2560 px')).toBeVisible();
  },
);

test('a drag snaps to lines and says how far; a marquee gathers several', async ({ page }) => {
  const b = bench(page);
  await open(page, 'Weather for Two Voices');
  await part(page, 'Byline').click();
  const left = b.inspector.getByLabel('Left', { exact: true });
  await b.inspector.getByRole('button', { name: 'To the centre' }).click();
  await coverReady(page);
  const centred = Number(await left.inputValue());
  await b.number('Left', centred + 60);
  await coverReady(page);
  const top = Number(await b.inspector.getByLabel('Top', { exact: true }).inputValue());
  const dragged = async (byPx: number, alt: boolean): Promise<number> => {
    const from = await at(page, 860, top + 30);
    const to = await at(page, 860 + byPx, top + 30);
    if (alt) await page.keyboard.down('Alt');
    await page.mouse.move(...from);
    await page.mouse.down();
    await page.mouse.move((from[0] + to[0]) / 2, from[1], { steps: 3 });
    await page.mouse.move(to[0], to[1], { steps: 4 });
    if (!alt) await expect(page.getByText('centre', { exact: true })).toBeVisible();
    await expect(page.getByText(/^\d+ from the left, \d+ from the top$/)).toBeVisible();
    await page.mouse.up();
    if (alt) await page.keyboard.up('Alt');
    await coverReady(page);
    return Number(await left.inputValue());
  };
  // 50 of 60 px: within reach of the centre, so it is pulled all the way.
  expect(Math.abs((await dragged(-50, false)) - centred)).toBeLessThanOrEqual(1);
  await page.keyboard.press('Control+z');
  await coverReady(page);
  // With Alt nothing pulls: it lies where the hand left it, to the pixel of the screen.
  expect(Math.abs((await dragged(-50, true)) - (centred + 10))).toBeLessThanOrEqual(3);

  await surface(page).focus();
  await page.keyboard.press('Escape');
  await dragTo(page, await at(page, 40, 60), await at(page, 1560, 1300));
  await expect(page.getByRole('heading', { name: '2 parts' })).toBeVisible();
  await page.keyboard.press('Control+g');
  await surface(page).focus();
  await page.keyboard.press('Escape');
  const [x, y] = await at(page, 400, 330);
  await page.mouse.click(x, y);
  await expect(page.getByRole('heading', { name: '2 parts' })).toBeVisible();
});

test(
  'the view zooms to the pointer, shows all pixels, and moves with the space bar',
  shelf('lamplighter-1'),
  async ({ page }) => {
    await open(page, 'A Debt of Foxfire');
    const box = (await surface(page).boundingBox())!;
    const [x, y] = [box.x + box.width * 0.25, box.y + box.height * 0.25];
    await page.mouse.move(x, y);
    await page.mouse.wheel(0, -300);
    const near = (await surface(page).boundingBox())!;
    expect(near.width).toBeGreaterThan(box.width * 1.5);
    // The point under the pointer has stayed under it.
    expect((x - near.x) / near.width).toBeCloseTo(0.25, 1);
    expect((y - near.y) / near.height).toBeCloseTo(0.25, 1);
    await page.getByRole('button', { name: 'Show all pixels' }).click();
    expect((await surface(page).boundingBox())!.width).toBeCloseTo(1600, -1);
    await surface(page).focus();
    const before = (await surface(page).boundingBox())!;
    await page.keyboard.down('Space');
    await dragTo(page, [600, 400], [560, 330]);
    await page.keyboard.up('Space');
    const after = (await surface(page).boundingBox())!;
    expect(after.x - before.x).toBeCloseTo(-40, 0);
    expect(after.y - before.y).toBeCloseTo(-70, 0);
    await page.keyboard.press('0');
    expect((await surface(page).boundingBox())!.width).toBeCloseTo(box.width, 0);
  },
);

test(
  'colours: one changed everywhere, taken from the cover, and a scheme put on',
  shelf('lamplighter-1', 'weather'),
  async ({ page }) => {
    const b = bench(page);
    await open(page, 'A Debt of Foxfire');
    await surface(page).focus();
    await page.keyboard.press('Escape');
    const colours = b.inspector.getByRole('group', { name: 'Colours of the cover' });
    const swatch = colours.getByRole('button', { name: /^#cfe277, used in \d+ places/ });
    const places = Number(/used in (\d+)/.exec((await swatch.getAttribute('aria-label'))!)![1]);
    expect(places).toBeGreaterThan(4);
    await swatch.click();
    await b.colour('Change it everywhere to', '#f0a040');
    await expect(colours.getByRole('button', { name: `#f0a040, used in ${places} places` })).toBeVisible();
    await expect(part(page, 'Frame')).toContainText('#f0a040');
    await page.keyboard.press('Control+z');
    await expect(part(page, 'Frame')).toContainText('#cfe277');

    await part(page, 'Frame').click();
    await coverReady(page);
    await b.inspector.getByRole('button', { name: 'Colour: take it from the cover' }).click();
    await expect(page.getByText('Click a colour on the cover')).toBeVisible();
    const want = await shownPixel(page, /^Cover of/, 0.5, 0.7);
    await page.mouse.click(...(await at(page, 800, 0.7 * 2560)));
    const hex = `#${want
      .slice(0, 3)
      .map((v) => v.toString(16).padStart(2, '0'))
      .join('')}`;
    const got = await part(page, 'Frame').innerText();
    const [r, g, bl] = [1, 3, 5].map((i) => parseInt(/#[0-9a-f]{6}/.exec(got)![0].slice(i, i + 2), 16));
    for (const [i, v] of [r, g, bl].entries()) expect(Math.abs(v - want[i]), `${got} for ${hex}`).toBeLessThan(12);

    await page.goto('/');
    await open(page, 'Weather for Two Voices');
    await surface(page).focus();
    await page.keyboard.press('Escape');
    const before = await shownMark(page, /^Cover of/);
    await b.open('Schemes that would suit it');
    await b.inspector.getByRole('button', { name: /^Opposites, dark/ }).click();
    await coverReady(page);
    await expect.poll(() => shownMark(page, /^Cover of/)).not.toBe(before);
    await expect(b.inspector.getByText('Every word reaches a contrast of 4.5 : 1.')).toBeVisible();
  },
);

test(
  'words that cannot be read are offered fixes with a preview, taken as one step',
  shelf('lamplighter'),
  async ({ page }) => {
    const b = bench(page);
    await open(page, 'The Ledger of Small Hours');
    await part(page, 'Title').click();
    await b.colour('Colour', '#4a3558');
    await b.open('Words set apart');
    await b.colour('Colour of small words', '#4a3558');
    await coverReady(page);
    await expect(part(page, 'Title')).toContainText(/too faint|from/);
    const help = b.inspector.getByRole('region', { name: 'What would help' });
    await expect(help.getByRole('button').first()).toBeVisible({ timeout: 60_000 });
    expect(await help.getByRole('button').count()).toBeGreaterThanOrEqual(2);
    await help
      .getByRole('button', { name: /Another colour|A plate behind|An outline/ })
      .first()
      .click();
    await coverReady(page);
    await expect(help).toHaveCount(0);
    const figure = Number(
      await page
        .getByText(/worst tenth/)
        .locator('span')
        .innerText(),
    );
    expect(figure).toBeGreaterThanOrEqual(4.5);
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(help.getByRole('button').first()).toBeVisible({ timeout: 60_000 });
  },
);

test('the calm places are shown, and words go to the quietest', shelf('moss'), async ({ page }) => {
  const b = bench(page);
  await open(page, 'The Balcony Moss Garden');
  await page.keyboard.press('q');
  await expect(page.getByText('Pale is calm')).toBeVisible();
  await page.keyboard.press('q');
  await part(page, 'Byline').click();
  const top = await b.inspector.getByLabel('Top', { exact: true }).inputValue();
  await b.inspector.getByRole('button', { name: 'Set it in the quietest place' }).click();
  await expect(page.getByText(/of its usual detail|equally calm/)).toBeVisible();
  await expect(b.inspector.getByLabel('Top', { exact: true })).not.toHaveValue(top);
});

test('a square sibling follows the words, and keeps its own places', shelf('lamplighter-1'), async ({ page }) => {
  const b = bench(page);
  await open(page, 'A Debt of Foxfire');
  await page.getByRole('button', { name: 'Front', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Make a square one for audiobooks' }).click();
  await coverReady(page);
  await expect(page.getByText('2400 x 2400', { exact: true })).toBeVisible();
  await part(page, 'Byline').click();
  const top = Number(await b.inspector.getByLabel('Top', { exact: true }).inputValue());
  await b.number('Top', top - 200);
  await coverReady(page);
  await step(page, 'Brief');
  await page.getByLabel('Author').fill('C. Durrow');
  await step(page, 'Front');
  await coverReady(page);
  await part(page, 'Byline').click();
  const front = Number(await b.inspector.getByLabel('Top', { exact: true }).inputValue());
  expect(front).toBeGreaterThan(2300);
  await page.getByRole('button', { name: 'Front', exact: true }).click();
  await page.getByRole('menuitem', { name: /^Square, 2400 x 2400/ }).click();
  await coverReady(page);
  await expect(part(page, 'Byline')).toContainText('C. Durrow');
  await part(page, 'Byline').click();
  await expect
    .poll(async () => Math.abs(Number(await b.inspector.getByLabel('Top', { exact: true }).inputValue()) - (top - 200)))
    .toBeLessThan(12);
});

test(
  'one key covers the slivers that a picture leaves at the edges; a store changes the pixels',
  shelf('lamplighter-1'),
  async ({ page }) => {
    const b = bench(page);
    await open(page, 'A Debt of Foxfire');
    await part(page, 'Picture').click();
    await b.place(12, null, 1580, null);
    await coverReady(page);
    await expect(b.inspector.getByText(/does not quite reach|sliver|gap/i).first()).toBeVisible();
    await surface(page).focus();
    await page.keyboard.press('s');
    await coverReady(page);
    const sits = b.inspector.getByRole('region', { name: 'Where it sits' });
    await expect(sits.getByLabel('Left', { exact: true })).toHaveValue('0');
    await expect(sits.getByLabel('Width', { exact: true })).toHaveValue('1600');
    await page.getByRole('button', { name: 'Front', exact: true }).click();
    await page.getByRole('menuitem', { name: /Bindery Row/ }).click();
    await coverReady(page);
    await expect(page.locator('footer').getByText('1600 x 2400')).toBeVisible();
    await page.keyboard.press('Control+z');
    await expect(page.locator('footer').getByText('1600 x 2560')).toBeVisible();
  },
);
