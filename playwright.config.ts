import { existsSync } from 'node:fs';
import { defineConfig } from '@playwright/test';

const port = Number(process.env.YOSOMI_TEST_PORT ?? 4289);
// The shell is the same browser without its window: it starts a page in less time.
const chromium =
  process.env.YOSOMI_CHROMIUM ??
  ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium', '/usr/bin/chromium-browser'].find(existsSync);

export default defineConfig({
  testDir: 'tests/journeys',
  outputDir: 'test-results/journeys',
  // Long enough for a machine of half the speed: nothing here measures time.
  timeout: 300_000,
  expect: { timeout: 40_000 },
  workers: 2,
  fullyParallel: true,
  forbidOnly: true,
  retries: process.env.CI ? 1 : 0,
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    acceptDownloads: true,
    // What the browser keeps of the app would stand between a journey and the requests that it watches.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: chromium,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
      ],
    },
  },
  webServer: {
    command: 'npx tsx server/src/main.ts',
    url: `http://127.0.0.1:${port}/api/demo`,
    env: { PORT: String(port) },
    reuseExistingServer: false,
  },
});
