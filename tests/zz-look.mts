import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { ROOT } from '@yosomi/node-kit';
import { makeServer } from '@yosomi/server';
export async function open(title: string): Promise<{ page: Page; end(): Promise<void> }> {
  const app = await makeServer({ web: join(ROOT, 'build/web'), demo: join(ROOT, 'build/demo') });
  const base = await app.listen({ host: '127.0.0.1', port: 0 });
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--no-first-run'] });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  page.on('pageerror', (e) => console.log('PAGEERROR', e.message));
  page.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text()));
  await page.goto(base);
  await page.getByRole('link', { name: 'Open ' + title }).click({ timeout: 120_000 });
  await page.locator('main[data-fresh="true"] [data-verdict="64"]').waitFor();
  return { page, end: async () => { await browser.close(); await app.close(); } };
}
