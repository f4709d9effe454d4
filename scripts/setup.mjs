/** Puts in place what the product and its tests need on a fresh machine; does nothing where it is there already. */
import { execFileSync, spawnSync } from 'node:child_process';
import {
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { createHash } from 'node:crypto';
import { basename, dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { gunzipSync } from 'node:zlib';

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

/** Browser, Java, EPUBCheck, Redis and readers of films and PDFs for the tests: found by variable or path, else installed by apt as root. */
export function installTestTools(more = []) {
  const needed = [
    ...more,
    { have: onPath('ffmpeg') && onPath('ffprobe'), deb: 'ffmpeg', variable: 'PATH' },
    { have: onPath('pdftotext') && onPath('pdftoppm'), deb: 'poppler-utils', variable: 'PATH' },
    { have: onPath('qpdf'), deb: 'qpdf', variable: 'PATH' },
    { have: process.env.YOSOMI_REDIS || onPath('redis-server'), deb: 'redis-server', variable: 'YOSOMI_REDIS' },
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

/** Debian packages whose documentation comes as ebooks and PDFs: real ones, made by others, for the tests of new editions. */
const BOOK_PACKAGES = [
  'debian-policy',
  'developers-reference',
  'debmake-doc',
  'live-manual-epub',
  'ubuntu-packaging-guide-epub',
  'ubuntu-packaging-guide-epub-ru',
  'live-manual-pdf',
  'ubuntu-packaging-guide-pdf',
];
const BOOKS = /\/(policy|developers-reference|debmake-doc\.(en|ja)|live-manual\.en|ubuntu-packaging-guide)\.epub$/;
const PDFS =
  /\/(policy|fhs-3\.0|developers-reference|debmake-doc\.(en|ja)|live-manual\.(portrait\.en\.letter|landscape\.en\.letter)|ubuntu-packaging-guide)\.pdf(\.gz)?$/;
const LEAST_PDFS = 7;

/** Fetches those packages and takes the books out of them, without installing anything, into build/books. */
export function installBooks() {
  const folder = join(ROOT, 'build', 'books');
  const there = existsSync(folder) ? readdirSync(folder) : [];
  const count = (ending) => there.filter((name) => name.endsWith(ending)).length;
  if (process.env.YOSOMI_BOOKS || (count('.epub') >= 6 && count('.pdf') >= LEAST_PDFS)) return;
  if (!onPath('apt-get') || !onPath('dpkg')) {
    console.error('Put at least six EPUBs and five PDFs of others into a folder, and name it in YOSOMI_BOOKS.');
    process.exit(1);
  }
  const temporary = mkdtempSync(join(tmpdir(), 'yosomi-books-'));
  const quiet = { cwd: temporary, stdio: ['ignore', 'ignore', 'inherit'] };
  // Where the lists of packages are missing or old, they are fetched first.
  if (spawnSync('apt-get', ['download', '-qq', ...BOOK_PACKAGES], { cwd: temporary, stdio: 'ignore' }).status !== 0) {
    run('apt-get', ['update', '-qq'], quiet);
    run('apt-get', ['download', '-qq', ...BOOK_PACKAGES], quiet);
  }
  mkdirSync(folder, { recursive: true });
  for (const name of readdirSync(temporary).filter((one) => one.endsWith('.deb'))) {
    const unpacked = join(temporary, `${name}.d`);
    run('dpkg', ['-x', name, unpacked], quiet);
    for (const file of readdirSync(unpacked, { recursive: true, encoding: 'utf8' })) {
      const path = join(unpacked, file);
      if (PDFS.test(`/${file}`)) {
        const bytes = readFileSync(path);
        writeFileSync(join(folder, basename(file, '.gz')), file.endsWith('.gz') ? gunzipSync(bytes) : bytes);
      }
      if (!BOOKS.test(`/${file}`)) continue;
      const own = name.includes('-ru_') ? basename(file).replace('.epub', '.ru.epub') : basename(file);
      copyFileSync(join(unpacked, file), join(folder, own));
    }
  }
  rmSync(temporary, { recursive: true });
}

/** Builds the web app and the demo titles. */
export function build() {
  run('npx', ['vite', 'build', 'web', '--logLevel', 'error']);
  buildDemo();
}

/** Makes the demo titles in build/demo, unless they are there as the present sources make them. */
export function buildDemo() {
  const hash = createHash('sha256').update(readFileSync(join(ROOT, 'package-lock.json')));
  for (const tree of ['core/src', 'node-kit/src', 'cli/src', 'assets/fonts']) {
    const files = readdirSync(join(ROOT, tree), { recursive: true, withFileTypes: true });
    const paths = files.filter((one) => one.isFile()).map((one) => join(one.parentPath, one.name));
    for (const path of paths.sort())
      if (!path.endsWith('.test.ts')) hash.update(path.slice(ROOT.length)).update(readFileSync(path));
  }
  const made = hash.digest('hex');
  const stamp = join(ROOT, 'build', 'demo', '.sources');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === made) return;
  rmSync(join(ROOT, 'build', 'demo'), { recursive: true, force: true });
  run('npx', ['tsx', 'cli/src/main.ts', 'demo', '--out', 'build/demo'], { stdio: ['ignore', 'ignore', 'inherit'] });
  writeFileSync(stamp, made);
}
