import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type BrowserContext, type Page, chromium } from '@playwright/test';
import { seeded } from '@yosomi/core/base';
import { ROOT } from '@yosomi/node-kit';
import { makeServer } from '@yosomi/server';

const CHROMIUM = process.env.YOSOMI_CHROMIUM ?? ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find(existsSync);
/** The promise: what was changed this long before the end is there afterwards. */
const KEPT_MS = 1000;
/** Each how many kills it is the whole browser, and not only the page. */
const BROWSER_EACH = 10;

/** A step of the work: how to come to a field there, and what to write into it the nth time. */
type Step = {
  readonly name: string;
  readonly path: string;
  /** Null: nothing is written there, and the page is killed at its work. */
  readonly field: ((page: Page) => Promise<void>) | null;
  readonly label: string;
  write(n: number): string;
};

const partNamed =
  (name: string) =>
  async (page: Page): Promise<void> => {
    await page
      .getByRole('navigation', { name: 'Parts' })
      .getByRole('button', { name: new RegExp(`^${name}`) })
      .click();
  };
const nowhere = async (): Promise<void> => {};

const STEPS: readonly Step[] = [
  { name: 'Brief', path: 'brief', field: nowhere, label: 'Author', write: (n) => `Ilse Brannagh ${n}` },
  { name: 'Sketches', path: 'sketches', field: null, label: '', write: () => '' },
  { name: 'Front', path: 'front', field: partNamed('Title'), label: 'Size', write: (n) => String(90 + (n % 41)) },
  { name: 'Glance', path: 'glance', field: null, label: '', write: () => '' },
  { name: 'Mockups', path: 'mockups', field: nowhere, label: 'Turn', write: (n) => String(3 + (n % 37)) },
  {
    name: 'Promos',
    path: 'promos',
    field: nowhere,
    label: 'What to do',
    write: (n) => `Read chapter ${n}`,
  },
  { name: 'Deliver', path: 'deliver', field: null, label: '', write: () => '' },
];

export type Killed = {
  readonly step: string;
  readonly kills: number;
  /** Changes made at least a second before the end, and how many of them were there afterwards. */
  readonly due: number;
  readonly there: number;
  /** Changes made later than that, and how many of those were there too. */
  readonly late: number;
  readonly lateThere: number;
  readonly broken: readonly string[];
};

/**
 * Kills page or browser at any moment of the work, over and over on one Shelf, and looks each time whether every title opens,
 * nothing is said to be lost, and what was changed a second before is there.
 */
export async function kills(seed: number, count: number): Promise<Killed[]> {
  const app = await makeServer({ web: join(ROOT, 'build/web'), demo: join(ROOT, 'build/demo') });
  const base = await app.listen({ host: '127.0.0.1', port: 0 });
  const home = mkdtempSync(join(tmpdir(), 'endure-'));
  const random = seeded(seed);
  const open = (): Promise<BrowserContext> =>
    chromium.launchPersistentContext(home, {
      executablePath: CHROMIUM,
      viewport: { width: 1280, height: 800 },
      args: ['--no-sandbox', '--disable-gpu'],
    });
  const counts = STEPS.map(() => ({ kills: 0, due: 0, there: 0, late: 0, lateThere: 0, broken: [] as string[] }));
  const last = new Map<Step, { before: string; after: string; restedMs: number }>();
  let context = await open();
  try {
    const titles = await firstVisit(context, base);
    for (let n = 0; n < count; n++) {
      const step = STEPS[n % STEPS.length]!;
      const tally = counts[n % STEPS.length]!;
      const url = `${base}/title/${titles[(n % STEPS.length) % titles.length]}/${step.path}`;
      const page = await context.newPage();
      try {
        await page.goto(url);
        await lookForLoss(page);
        await step.field?.(page);
        const field = page.getByLabel(step.label, { exact: true });
        const told = last.get(step);
        if (step.field && told) {
          await field.waitFor();
          const found = await field.inputValue();
          if (told.restedMs >= KEPT_MS) {
            tally.due++;
            if (found === told.after) tally.there++;
            else tally.broken.push(`kill ${n}: ${step.label} is ${found}, not ${told.after}`);
          } else {
            tally.late++;
            if (found === told.after) tally.lateThere++;
            else if (found !== told.before)
              tally.broken.push(`kill ${n}: ${step.label} is ${found}, neither old nor new`);
          }
        }
        let before = '';
        let after = '';
        if (step.field) {
          await field.waitFor();
          before = await field.inputValue();
          await field.fill(step.write(n));
          await field.press('Tab');
          // What the app made of it: a number may be held within bounds.
          after = await field.inputValue();
          if (after === before) throw new Error(`${step.label} takes no ${step.write(n)}`);
        } else if (step.name === 'Deliver') await page.getByRole('button', { name: 'Make all' }).click();
        const changed = performance.now();
        await page.waitForTimeout(Math.floor(random() * 2200));
        const restedMs = performance.now() - changed;
        if (n % BROWSER_EACH === BROWSER_EACH - 1) {
          context = await killBrowser(context, home, open);
        } else await killPage(context, page);
        tally.kills++;
        last.set(step, { before, after, restedMs });
      } catch (error) {
        console.log(n, step.name, error);
        tally.broken.push(
          `kill ${n} at ${step.name}: ${error instanceof Error ? error.message.split('\n')[0] : String(error)}`,
        );
        last.delete(step);
        await page.close().catch(() => {});
      }
      if (n % 25 === 24) console.log(`${n + 1} kills, ${counts.flatMap((one) => one.broken).length} broken`);
    }
  } finally {
    await context.close().catch(() => {});
    await app.close();
    rmSync(home, { recursive: true, force: true });
  }
  return STEPS.map(({ name }, i) => ({ step: name, ...counts[i]! }));
}

/** Waits for the made-up books; answers their ids. */
async function firstVisit(context: BrowserContext, base: string): Promise<string[]> {
  const page = await context.newPage();
  await page.goto(base);
  const links = page.getByRole('link', { name: /^Open / });
  await page.getByRole('link', { name: 'Open Weather for Two Voices' }).waitFor({ timeout: 60_000 });
  while ((await links.count()) < 5) await page.waitForTimeout(200);
  const paths = await links.evaluateAll((all) => all.map((one) => one.getAttribute('href') ?? ''));
  await page.close();
  return paths.map((path) => /title\/([^/]+)/.exec(path)?.[1] ?? '').sort();
}

async function lookForLoss(page: Page): Promise<void> {
  await page.getByRole('navigation', { name: 'Steps' }).waitFor({ timeout: 60_000 });
  const lost = page.getByText(/could not be read|cannot be read|is not in this browser any more/);
  if ((await lost.count()) > 0) throw new Error(`it says: ${await lost.first().innerText()}`);
}

async function killPage(context: BrowserContext, page: Page): Promise<void> {
  const session = await context.newCDPSession(page);
  const crashed = page.waitForEvent('crash');
  void session.send('Page.crash').catch(() => {});
  await crashed;
  await page.close();
}

async function killBrowser(
  context: BrowserContext,
  home: string,
  open: () => Promise<BrowserContext>,
): Promise<BrowserContext> {
  const { execFileSync } = await import('node:child_process');
  try {
    execFileSync('pkill', ['-9', '-f', `user-data-dir=${home}`]);
  } catch {
    // The processes of a browser end one another.
  }
  await context.close().catch(() => {});
  rmSync(join(home, 'SingletonLock'), { force: true });
  return open();
}
