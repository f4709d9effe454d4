import { expect, step, test } from './help';

test.use({ shelf: ['weather'] });

test('a worker that runs out of memory is said, loses nothing, and the next picture is made', async ({ page }) => {
  let short = true;
  // The first tracers find no memory for the art; those that are started after them do.
  await page.route(/tracer\.worker[^/]*\.js$/, async (route) => {
    const response = await route.fetch();
    const body = short
      ? `WebAssembly.Memory = class { constructor() { throw new RangeError('out of memory'); } };\n${await response.text()}`
      : await response.text();
    await route.fulfill({ response, body });
  });
  await page.goto('/');
  await page.getByRole('link', { name: 'Open Weather for Two Voices' }).click({ timeout: 60_000 });
  await step(page, 'Mockups');
  const status = page.getByRole('status').filter({ hasText: /could not be/ });
  await expect(status).toBeVisible({ timeout: 60_000 });
  short = false;
  await step(page, 'Front');
  await expect(page.getByRole('img', { name: /^Cover of Weather/ })).toBeVisible();
  await step(page, 'Mockups');
  await expect(page.locator('canvas[data-state="final"]')).toBeVisible({ timeout: 60_000 });
});
