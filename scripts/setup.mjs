/** Puts in place what the product and its tests need on a fresh machine; does nothing where it is there already. */
import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));

const run = (command, args, options = {}) => execFileSync(command, args, { cwd: ROOT, stdio: 'inherit', ...options });

/** Installs the packages of the lock file when they are missing or the lock file has changed. */
export function installPackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  const stamp = join(ROOT, 'node_modules', '.yosomi-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
  writeFileSync(stamp, lock);
}

export const onPath = (name) => spawnSync('which', [name]).status === 0;

/** Browser, Java and EPUBCheck for the tests: found by variable or path, else installed by apt as root. */
export function installTestTools(more = []) {
  const needed = [
    ...more,
    {
      have: process.env.YOSOMI_CHROMIUM || onPath('chromium') || onPath('chromium-browser'),
      deb: 'chromium',
      variable: 'YOSOMI_CHROMIUM',
    },
    { have: process.env.YOSOMI_JAVA || onPath('java'), deb: 'default-jre-headless', variable: 'YOSOMI_JAVA' },
    {
      have: process.env.YOSOMI_EPUBCHECK || existsSync('/usr/bin/epubcheck'),
      deb: 'epubcheck',
      variable: 'YOSOMI_EPUBCHECK',
    },
  ].filter((tool) => !tool.have);
  if (needed.length === 0) return;
  const names = needed.map((tool) => tool.deb);
  if (process.getuid?.() !== 0 || !onPath('apt-get')) {
    console.error(
      `Install ${names.join(', ')}, or set ${needed.map((tool) => tool.variable).join(', ')} to where they are, then run the tests again.`,
    );
    process.exit(1);
  }
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  run('apt-get', ['update', '-qq'], { env });
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...names], {
    env,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
}

/** Builds the web app and the demo titles. */
export function build() {
  run('npx', ['vite', 'build', 'web', '--logLevel', 'error']);
  run('npx', ['tsx', 'cli/src/main.ts', 'demo', '--out', 'build/demo'], { stdio: ['ignore', 'ignore', 'inherit'] });
}
