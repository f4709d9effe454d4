import { breaches, coverReady, expect, part, promosReady, shelf, step, test } from './help';

test.use({ shelf: ['moss', 'weather'] });

test('every screen passes the accessibility rules and holds from 1024 to 2560 px', async ({ page }) => {
  test.setTimeout(600_000);
  await page.goto('/');
  await expect(page.getByRole('link', { name: 'Open The Balcony Moss Garden' })).toBeVisible({ timeout: 60_000 });
  const inspect = async (name: string): Promise<void> => {
    // A notice is read when it stands, not while it fades.
    await page.waitForFunction(() =>
      [...document.querySelectorAll('[data-sonner-toast]')].every((toast) => toast.getAnimations().length === 0),
    );
    expect(await breaches(page), name).toEqual([]);
    for (const width of [1024, 2560]) {
      await page.setViewportSize({ width, height: 800 });
      const spill = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      expect(spill, `${name} at ${width} px`).toBeLessThanOrEqual(0);
    }
    await page.setViewportSize({ width: 1280, height: 800 });
  };
  await inspect('Shelf');
  await page.getByRole('button', { name: 'From words' }).click();
  await inspect('Start');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Open The Balcony Moss Garden' }).click();
  await coverReady(page);
  await inspect('Front');
  for (const name of ['Title', 'Picture', 'Ribbon', 'Badge', 'Frame', 'Paper', 'Ground']) {
    await part(page, name).first().click();
    // With every group of the inspector open.
    const folded = page.getByRole('complementary', { name: 'Inspector' }).locator('h3 button[aria-expanded="false"]');
    while ((await folded.count()) > 0) await folded.first().click();
    await inspect(`Front, ${name}`);
  }
  await part(page, 'Picture').first().click();
  await page.getByRole('button', { name: 'Cut out the subject' }).click();
  await expect(page.locator('[data-cut-out="found"]')).toBeVisible({ timeout: 60_000 });
  await inspect('Front, cut out');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Add a part' }).click();
  await page.getByRole('menuitem', { name: 'Mark from a name' }).click();
  await expect(page.locator('[data-tile] svg').nth(39)).toBeAttached({ timeout: 30_000 });
  await page.getByRole('checkbox', { name: 'A second colour' }).check();
  await inspect('Front, mark from a name');
  await page.keyboard.press('Escape');
  await page.keyboard.press('ControlOrMeta+k');
  await page.getByRole('combobox').fill('Every size');
  await page.getByRole('option', { name: /Every size/ }).click();
  await page.getByRole('button', { name: 'One of your own' }).click();
  await inspect('Front, all sizes');
  await page.keyboard.press('Escape');
  for (const name of ['Brief', 'Glance', 'Promos', 'Deliver', 'Mockups']) {
    await step(page, name);
    await expect(page.getByRole('heading', { level: 1, name })).toHaveCount(1);
    await inspect(name);
  }
  await step(page, 'Promos');
  await page.getByRole('radio', { name: 'Looks' }).click();
  await promosReady(page);
  await inspect('Promos, looks');
  await page.getByRole('button', { name: 'More like Standing in its dusk' }).click();
  await page.getByRole('button', { name: 'Motion' }).click();
  await promosReady(page);
  await inspect('Promos, more like one look, motion unfolded');
  await page.getByRole('button', { name: 'Campaign as a whole' }).click();
  await page.getByRole('menuitem', { name: 'Save for several titles' }).click();
  await inspect('Promos, several titles');
  await page.keyboard.press('Escape');
  await page.getByRole('radio', { name: 'Formats' }).click();
  await page.getByRole('button', { name: 'Play it' }).click();
  await inspect('Promos, a film');
  await page.keyboard.press('Escape');
  await page.locator('[data-tile]').first().focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('main[data-fresh="true"]')).toBeVisible({ timeout: 60_000 });
  await inspect('Promos, one format');
  await step(page, 'Sketches');
  await expect(page.locator('button[data-cover]')).toHaveCount(48, { timeout: 60_000 });
  await page.locator('button[data-cover]').first().click();
  await inspect('Sketches');
  for (const name of ['Favourites 0', 'Compare 0', 'In company']) {
    await page.getByRole('radio', { name }).click();
    if (name === 'In company')
      await expect(page.getByRole('list', { name: 'Among others' })).toBeVisible({ timeout: 60_000 });
    await inspect(`Sketches, ${name}`);
  }
  await step(page, 'Deliver');
  for (const name of ['Stores', 'Check a file', 'Reader']) {
    await page.getByRole('navigation', { name: 'Parts of Deliver' }).getByRole('link', { name }).click();
    if (name === 'Reader') {
      // One that came after they are left out would hold the rules up for ever.
      for (const title of ['The page on a phone', 'The page on a tablet', 'The cover as a page of words and a picture'])
        await expect(page.locator(`iframe[title="${title}"]`)).toBeVisible({ timeout: 60_000 });
      // Frames of books run no script, not even that of the rules: they have names, and are left out.
      for (const frame of await page.locator('iframe').all()) await expect(frame).toHaveAttribute('title', /\w/);
      await page.evaluate(() => document.querySelectorAll('iframe').forEach((frame) => frame.remove()));
    }
    await inspect(name);
  }
  await step(page, 'Mockups');
  await page.getByRole('link', { name: 'Photograph' }).click();
  await inspect('Photograph, none');
  await page.getByRole('button', { name: 'Tablet on stone' }).click();
  await expect(page.getByRole('button', { name: /^Top left corner/ })).toBeVisible({ timeout: 60_000 });
  for (const mode of ['Corners', 'Bend', 'In front', 'Light', 'Background']) {
    await page.getByRole('radio', { name: mode, exact: true }).click();
    await inspect(`Photograph, ${mode}`);
  }
  // What is marked with the pointer can be marked without.
  await page.getByRole('radio', { name: 'In front', exact: true }).click();
  const clear = page.getByRole('button', { name: 'Clear these marks' });
  await expect(clear).toBeDisabled();
  await page.getByRole('application').focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Space');
  await expect(clear).toBeEnabled();
});

test('a title can be worked on with the keyboard alone', async ({ page }) => {
  await page.goto('/');
  const link = page.getByRole('link', { name: 'Open Weather for Two Voices' });
  await expect(link).toBeVisible({ timeout: 60_000 });
  await link.focus();
  await page.keyboard.press('Enter');
  await coverReady(page);
  await page.keyboard.press('Control+k');
  await page.keyboard.type('mockups');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/mockups$/);
  await page.locator('canvas[data-state]').focus();
  const turn = page.getByLabel('Turn', { exact: true });
  const before = Number(await turn.inputValue());
  await page.keyboard.press('Shift+ArrowRight');
  expect(Number(await turn.inputValue())).toBeGreaterThan(before);
  await page.keyboard.press('Control+z');
  expect(Number(await turn.inputValue())).toBe(before);
  await page.keyboard.press('Alt+3');
  await expect(page).toHaveURL(/\/front$/);
  await part(page, 'Byline').focus();
  await page.keyboard.press('Space');
  await expect(page.getByRole('heading', { name: 'Byline', level: 2 })).toBeVisible();
  const size = page.getByLabel('Size', { exact: true });
  const px = Number(await size.inputValue());
  await size.focus();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Shift+ArrowUp');
  await expect(size).toHaveValue(String(px + 11));
});

test('where a page, a list or a button goes away, the keyboard goes on where one is', async ({ page }) => {
  await page.goto('/');
  const open = page.getByRole('link', { name: 'Open The Balcony Moss Garden' });
  await expect(open).toBeVisible({ timeout: 60_000 });
  await open.press('Enter');
  await coverReady(page);
  await expect(page.getByRole('main')).toBeFocused();
  await page.keyboard.press('ControlOrMeta+k');
  await page.keyboard.type('add symbol');
  await expect(page.getByRole('option')).toHaveText(['Add a symbol']);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('main')).toBeFocused();
  await page.keyboard.press('ControlOrMeta+k');
  await page.keyboard.type('add symbol');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: 'Symbol' }).getByLabel('What it shows')).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('main')).toBeFocused();
  await page.keyboard.press('Alt+7');
  await expect(page.getByRole('heading', { name: 'Deliver' })).toBeVisible();
  await expect(page.getByRole('main')).toBeFocused();
  await page.getByRole('button', { name: 'Make all' }).press('Enter');
  await expect(page.getByRole('button', { name: 'Stop' })).toBeFocused();
  await expect(page.getByRole('button', { name: 'Save all as a zip' })).toBeFocused({ timeout: 150_000 });
});

test(
  'a change is stored within a second, even when the page is killed',
  shelf('weather'),
  async ({ page, context }) => {
    await page.goto('/');
    await page.getByRole('link', { name: 'Open Weather for Two Voices' }).click({ timeout: 60_000 });
    await coverReady(page);
    await step(page, 'Brief');
    await expect(page).toHaveURL(/\/brief$/);
    const url = page.url();
    const author = page.getByLabel('Author');
    await author.press('End');
    await author.pressSequentially(' the Second', { delay: 60 });
    await page.waitForTimeout(1000);
    const session = await context.newCDPSession(page);
    const crashed = page.waitForEvent('crash');
    void session.send('Page.crash').catch(() => {});
    await crashed;
    const other = await context.newPage();
    await other.goto(url);
    await expect(other.getByLabel('Author')).toHaveValue('Ilse Brannagh the Second');
  },
);
