import { unzipSync } from 'fflate';
import sharp from 'sharp';
import { fileOf, picturePixels } from '../fixtures/pictures';
import { expect, kept, part, promosReady, put, saved, step, test } from './help';

test.describe('from a finished cover file alone', () => {
  test.use({ shelf: [] });

  test('to a lead magnet in every format, in one zip with a page to send', async ({ page }) => {
    const path = put('seven-stones.jpg', await fileOf(picturePixels(1600, 2560, 3), 'jpeg'));
    await page.goto('/');
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'From a finished cover' }).click(),
    ]);
    await chooser.setFiles(path);
    await page.getByRole('dialog').getByRole('button', { name: 'Put it in 3D' }).click();
    await expect(page).toHaveURL(/\/mockups$/);
    await step(page, 'Promos');
    await page.getByRole('button', { name: /^Lead magnet/ }).click();
    await page.getByRole('textbox', { name: 'Headline', exact: true }).fill('Seven stones to begin with');
    await page.getByLabel('What to do').fill('Get the guide');
    await page.getByLabel('Where it leads').fill('stones.example/seven');
    await page.getByLabel('On a seal').fill('Free');
    await expect(page.locator('[data-tile]')).toHaveCount(10);
    await promosReady(page);
    await page.getByRole('radio', { name: 'JPEG' }).click();
    await page.getByLabel('Each at most').fill('300 KB');
    const zip = await saved(page, () => page.getByRole('button', { name: 'Save all 10' }).click());
    const files = unzipSync(new Uint8Array(zip.bytes));
    const names = Object.keys(files);
    expect(names).toHaveLength(11);
    const html = new TextDecoder().decode(files['index.html']);
    for (const name of names.filter((one) => one.endsWith('.jpg'))) {
      const [, w, h] = /(\d+)x(\d+)\.jpg$/.exec(name)!;
      expect(await sharp(files[name]).metadata(), name).toMatchObject({
        format: 'jpeg',
        width: Number(w),
        height: Number(h),
      });
      expect(files[name].length, name).toBeLessThanOrEqual(300 * 1024);
      expect(html).toContain(`src="${name}"`);
    }
    expect(html).toContain('Get the guide: stones.example/seven');
    expect(html).not.toContain('<script');
  });
});

test.describe('a campaign of a demo book', () => {
  test.use({ shelf: ['lamplighter'] });

  test('one format changed by hand keeps that when the message changes; the look is taken from the sheet; all by keyboard', async ({
    page,
  }) => {
    await page.goto('/');
    await page.getByRole('link', { name: 'Open A Debt of Foxfire' }).click({ timeout: 60_000 });
    await step(page, 'Promos');
    await promosReady(page);

    await test.step('words typed on one format are its own, and the others go on following', async () => {
      await page.locator('[data-tile="square"]').focus();
      await page.keyboard.press('ArrowRight');
      await expect(page.locator('[data-tile="upright"]')).toBeFocused();
      await page.keyboard.press('Enter');
      await expect(page.locator('main[data-fresh="true"]')).toBeVisible({ timeout: 60_000 });
      await part(page, 'Headline').focus();
      await page.keyboard.press('Enter');
      await page.locator('[data-surface]').focus();
      await page.keyboard.press('Enter');
      await page.getByRole('textbox', { name: 'Headline on the cover' }).fill('Only here');
      await page.keyboard.press('Control+Enter');
      await page.keyboard.press('Escape');
      await expect(page.getByText('its own words.')).toBeVisible();
      await page.getByRole('link', { name: 'All formats' }).click();
      await page.getByRole('textbox', { name: 'Headline', exact: true }).fill('Somebody has to keep the lamps');
      await promosReady(page);
      await expect(page.locator('[data-tile="upright"]')).toHaveAccessibleName(/its own words/);
      await page.locator('[data-tile="upright"]').focus();
      await page.keyboard.press('Enter');
      await expect(page.getByRole('navigation', { name: 'Parts' }).getByText('Only here')).toBeVisible({
        timeout: 60_000,
      });
      await page.getByRole('button', { name: 'Give back the headline' }).click();
      await expect(
        page.getByRole('navigation', { name: 'Parts' }).getByText('Somebody has to keep the lamps'),
      ).toBeVisible();
      await page.getByRole('link', { name: 'All formats' }).click();
    });

    await test.step('a look is taken, kept as a favourite, and undone', async () => {
      await page.getByRole('radio', { name: 'Looks' }).click();
      await promosReady(page);
      expect(await page.locator('[data-tile]').count()).toBeGreaterThanOrEqual(24);
      const before = page.locator('[data-tile="dusk"]');
      await expect(before).toHaveAttribute('aria-pressed', 'true');
      const desk = page.locator('[data-tile="desk"]');
      await desk.focus();
      await page.keyboard.press('k');
      await page.keyboard.press('Enter');
      await expect(desk).toHaveAttribute('aria-pressed', 'true');
      await page.getByRole('radio', { name: 'Favourites' }).click();
      // The one favourite, in several formats to be compared.
      await expect(page.locator('[data-tile^="desk/"]')).toHaveCount(4);
      await page.getByRole('button', { name: 'Undo', exact: true }).click();
      await expect(page.locator('[data-tile="desk/square"]')).toHaveAttribute('aria-pressed', 'false');
      await page.getByRole('button', { name: 'Redo', exact: true }).click();
      await page.getByRole('radio', { name: 'Formats' }).click();
      await promosReady(page);
    });

    await test.step('a size of one\u2019s own is typed as people type it; what is no size says so', async () => {
      await page.getByRole('button', { name: 'Formats', exact: true }).click();
      const size = page.getByLabel('Own size, width by height');
      await size.fill('wide');
      await page.keyboard.press('Enter');
      await expect(page.getByText(/^Type width and height in pixels/)).toBeVisible();
      await size.fill('1600 by 400 px');
      await page.keyboard.press('Enter');
      await expect(page.locator('[data-tile="own-1600x400"]')).toBeVisible();
    });

    await test.step('it is there after a reload, and the wordings side by side', async () => {
      await page.getByRole('button', { name: 'Another wording' }).click();
      await page.getByRole('textbox', { name: 'Headline', exact: true }).fill('Lamps are lent, never given');
      await kept(page);
      await page.reload();
      await promosReady(page);
      await expect(page.locator('[data-tile="own-1600x400"]')).toBeVisible();
      await expect(
        page.getByRole('region', { name: 'Wordings' }).getByRole('button', { name: 'Somebody has to keep the lamps' }),
      ).toBeVisible();
    });
  });

  test('a series stands together in reading order, from any of its volumes', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('link', { name: 'Open Interest Paid in Snow' }).click({ timeout: 60_000 });
    await step(page, 'Promos');
    await promosReady(page);
    await expect(page.locator('[data-tile]')).toHaveCount(3);
    const file = await (async () => {
      await page.locator('[data-tile="square"]').focus();
      await page.keyboard.press('Enter');
      await expect(page.locator('main[data-fresh="true"]')).toBeVisible({ timeout: 60_000 });
      return saved(page, () => page.getByRole('button', { name: 'Save this one' }).click());
    })();
    // Green, violet and blue: one to three, from the left.
    const { data, info } = await sharp(file.bytes).raw().toBuffer({ resolveWithObject: true });
    const mean = (x0: number, x1: number): number[] => {
      const sum = [0, 0, 0];
      let n = 0;
      for (let y = 480; y < 760; y += 4)
        for (let x = x0; x < x1; x += 4) {
          for (let c = 0; c < 3; c++) sum[c] += data[(y * info.width + x) * info.channels + c];
          n++;
        }
      return sum.map((v) => v / n);
    };
    const [first, second, third] = [mean(130, 350), mean(440, 640), mean(740, 940)];
    expect(first[1]).toBeGreaterThan(first[2]);
    expect(second[0]).toBeGreaterThan(second[1] * 1.15);
    expect(third[2]).toBeGreaterThan(third[0]);
  });

  test('looks are narrowed and followed, wordings seen beside each other, and the message made for the whole series', async ({
    page,
  }) => {
    await page.goto('/');
    await page.getByRole('link', { name: 'Open Interest Paid in Snow' }).click({ timeout: 60_000 });
    await step(page, 'Promos');
    await promosReady(page);

    await test.step('one kind of look, then more like one of them on another ground', async () => {
      await page.getByRole('radio', { name: 'Looks' }).click();
      await page.getByRole('button', { name: 'Several things' }).click();
      await promosReady(page);
      await expect(page.locator('h3').filter({ hasText: 'Several things' })).toHaveCount(1);
      await expect(page.locator('[data-tile="dusk"]')).toHaveCount(0);
      await page.locator('[data-tile="fan"]').focus();
      await page.keyboard.press('m');
      await expect(page.getByRole('heading', { name: 'The series as a fan, on other grounds' })).toBeVisible();
      await promosReady(page);
      const night = page.locator('[data-tile="fan@night"]');
      await night.click();
      await expect(night).toHaveAttribute('aria-pressed', 'true');
      await page.getByRole('button', { name: 'Back to all looks' }).click();
      await page.getByRole('radio', { name: 'Formats' }).click();
      await expect(page.getByText('The series as a fan')).toBeVisible();
    });

    await test.step('two wordings as pictures; a click takes one', async () => {
      await page.getByRole('button', { name: 'Another wording' }).click();
      await page.getByRole('textbox', { name: 'Headline', exact: true }).fill('Three debts, one winter');
      await page.getByRole('radio', { name: 'Wordings' }).click();
      await promosReady(page);
      const [first, second] = [page.locator('[data-tile="wording-0"]'), page.locator('[data-tile="wording-1"]')];
      await expect(second).toHaveAttribute('aria-pressed', 'true');
      const pixels = (tile: typeof first): Promise<string> =>
        tile.locator('canvas').evaluate((c) => (c as HTMLCanvasElement).toDataURL());
      expect(await pixels(first)).not.toBe(await pixels(second));
      await first.click();
      await expect(first).toHaveAttribute('aria-pressed', 'true');
      await expect(page.getByRole('textbox', { name: 'Headline', exact: true })).not.toHaveValue(
        'Three debts, one winter',
      );
      await page.getByRole('radio', { name: 'Formats' }).click();
      await kept(page);
    });

    await test.step('for every title of the series, each with its own name in a folder of its own', async () => {
      await page.getByRole('button', { name: 'Campaign as a whole' }).click();
      await page.getByRole('menuitem', { name: 'Save for several titles' }).click();
      const dialog = page.getByRole('dialog', { name: 'Save for several titles' });
      await expect(dialog.getByRole('checkbox', { checked: true })).toHaveCount(3);
      await dialog.getByLabel('A Debt of Foxfire').uncheck();
      await dialog.getByRole('radio', { name: 'JPEG' }).click();
      const zip = await saved(page, () => dialog.getByRole('button', { name: 'Save 6 files' }).click());
      const files = unzipSync(new Uint8Array(zip.bytes));
      const folders = [...new Set(Object.keys(files).map((name) => name.split('/')[0]))].sort();
      expect(folders).toHaveLength(2);
      for (const folder of folders) {
        const own = Object.keys(files).filter((name) => name.startsWith(`${folder}/`));
        expect(own).toHaveLength(4);
        const html = new TextDecoder().decode(files[`${folder}/index.html`]);
        for (const name of own.filter((one) => one.endsWith('.jpg'))) {
          expect(name).toContain(`${folder}/${folder}-`);
          expect(html).toContain(`src="${name.split('/')[1]}"`);
          expect((await sharp(files[name]).metadata()).format).toBe('jpeg');
        }
      }
      await page.keyboard.press('Escape');
    });

    await test.step('the next title begins with this look, and with words of its own', async () => {
      await page.getByRole('link', { name: 'Back to the Shelf' }).click();
      await page.getByRole('link', { name: 'Open A Debt of Foxfire' }).click();
      await step(page, 'Promos');
      await page.getByRole('button', { name: 'Campaign as a whole' }).click();
      await page.getByRole('menuitem', { name: 'New campaign' }).click();
      await page
        .getByRole('button', { name: /^Begin as .* of Interest Paid in Snow$/ })
        .first()
        .click();
      await promosReady(page);
      await expect(page.locator('[data-tile]')).toHaveCount(3);
      await expect(page.getByText('The series as a fan')).toBeVisible();
      await expect(page.getByRole('button', { name: 'Night', exact: true })).toHaveAttribute('aria-pressed', 'true');
      await expect(page.getByRole('region', { name: 'Wordings' }).getByRole('listitem')).toHaveCount(0);
    });
  });

  test('a cover is revealed as a series of stills, from little to all', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('link', { name: 'Open Interest Paid in Snow' }).click({ timeout: 60_000 });
    await step(page, 'Promos');
    await page.getByLabel('Campaign', { exact: true }).click();
    await page.getByRole('option', { name: 'Cover reveal' }).click();
    await promosReady(page);
    // What the sliders say is where the product has torn it, until a hand moves it.
    const [across, down] = ['From the left', 'From the top'].map((name) => page.getByRole('slider', { name }));
    const said = (): Promise<string[]> =>
      Promise.all([across, down].map(async (one) => (await one.getAttribute('aria-valuetext')) ?? ''));
    const proposed = await said();
    await down.focus();
    await page.keyboard.press('ArrowUp');
    await expect(page.getByRole('button', { name: 'Where the cover tells most' })).toBeVisible();
    expect((await said())[0]).toBe(proposed[0]);
    expect(await said()).not.toEqual(proposed);
    await page.getByRole('button', { name: 'Where the cover tells most' }).click();
    await promosReady(page);
    await expect.poll(said).toEqual(proposed);
    expect(proposed).not.toEqual(['50 %', '60 %']);
    await page.getByRole('button', { name: 'Tiles' }).click();
    await page.getByLabel('Stills in a series').fill('3');
    await page.keyboard.press('Enter');
    const zip = await saved(page, () => page.getByRole('button', { name: 'Save the series' }).click());
    const stills = Object.entries(unzipSync(new Uint8Array(zip.bytes))).sort(([a], [b]) => (a < b ? -1 : 1));
    expect(stills.map(([name]) => name.slice(0, 3))).toEqual(['01-', '02-', '03-']);
    const raws = await Promise.all(stills.map(([, bytes]) => sharp(bytes).raw().toBuffer()));
    const far = (a: Buffer, b: Buffer): number => a.reduce((sum, v, i) => sum + Math.abs(v - b[i]), 0) / a.length;
    expect(far(raws[0], raws[2])).toBeGreaterThan(far(raws[1], raws[2]));
    expect(far(raws[1], raws[2])).toBeGreaterThan(0.5);
    // Another kind of message shows the book again.
    await page.getByRole('button', { name: 'Announcement', exact: true }).click();
    await expect(page.getByText('Standing in its dusk')).toBeVisible();
  });
});

test.describe('a scene that was kept', () => {
  test.use({ shelf: ['lamplighter-1', 'moss'] });

  test('a campaign shows its books in a kept scene, and Mockups stays as it is', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('link', { name: 'Open A Debt of Foxfire' }).click({ timeout: 60_000 });
    await step(page, 'Mockups');
    // The scene that is kept shows a title of no series of this one; what stands in Mockups afterwards does not.
    await page.getByRole('combobox', { name: 'Cover on it' }).click();
    await page.getByRole('option', { name: 'The Balcony Moss Garden' }).click();
    await page.getByRole('button', { name: 'Keep this scene' }).click();
    await page.getByLabel('Name of the scene').fill('As on the desk');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: 'As on the desk', exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'A stack', exact: true }).click();
    await step(page, 'Promos');
    await promosReady(page);
    await page.getByRole('combobox', { name: 'Scene' }).click();
    await page.getByRole('option', { name: 'As on the desk' }).click();
    await promosReady(page);
    await expect(page.getByText('As its scene is arranged')).toBeVisible();
    const picture = (): Promise<string> =>
      page.locator('[data-tile="square"] canvas').evaluate((c) => (c as HTMLCanvasElement).toDataURL());
    const kept = await picture();
    await expect(page.getByText(/not on your Shelf/)).toHaveCount(0);
    const zip = await saved(page, () => page.getByRole('button', { name: /^Save all/ }).click());
    expect(Object.keys(unzipSync(new Uint8Array(zip.bytes))).length).toBeGreaterThan(9);
    await page.getByRole('combobox', { name: 'Scene' }).click();
    await page.getByRole('option', { name: 'As in Mockups now' }).click();
    await promosReady(page);
    expect(await picture()).not.toBe(kept);
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await promosReady(page);
    expect(await picture()).toBe(kept);
  });
});
