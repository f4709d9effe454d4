import { mkdtempSync, mkdirSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, relative, resolve } from 'node:path';
import { describe, expect, it } from 'vitest';

const ROOT = resolve(import.meta.dirname, '..');

/** Levels of the core's rooms: imports go only to a lower one. */
const CORE: Readonly<Record<string, number>> = {
  base: 0,
  plane: 1,
  space: 1,
  pixels: 1,
  jobs: 1,
  csv: 1,
  colour: 2,
  book: 2,
  text: 2,
  'image-file': 2,
  archive: 2,
  forms: 2,
  renaming: 2,
  'title-table': 3,
  symbols: 3,
  vector: 3,
  ink: 3,
  darkroom: 3,
  texture: 3,
  warp: 3,
  cover: 4,
  compose: 5,
  booklet: 5,
  glance: 6,
  mockup: 6,
  pin: 6,
  promo: 6,
  sketch: 6,
  marks: 4,
  scenery: 4,
  paintings: 4,
  desk: 6,
  wrapping: 5,
  motion: 4,
  stores: 6,
  ebook: 6,
  pdf: 6,
  project: 7,
  recipe: 8,
  library: 8,
  demo: 9,
  shelf: 9,
};

/** Levels of the web app's rooms. `ui` is a leaf that knows no other room of ours. */
const WEB: Readonly<Record<string, number>> = {
  platform: 0,
  persist: 1,
  messages: 1,
  ui: 1,
  work: 2,
  state: 3,
  features: 4,
  routes: 5,
  'main.tsx': 6,
};

const PACKAGES: Readonly<Record<string, readonly string[]>> = {
  core: [
    'fflate',
    'immer',
    'lru-cache',
    'zod',
    'harfbuzzjs',
    '@xmldom/xmldom',
    'simplex-noise',
    'd3-contour',
    '@cantoo/pdf-lib',
    '@zip.js/zip.js/lib/zip-core-native.js',
    'utif2',
    '@countertype/clipper2-ts',
    'gifenc',
    'papaparse',
    // Text in Markdown, and the types of its tree.
    'mdast-util-from-markdown',
    'mdast-util-gfm',
    'micromark-extension-gfm',
    'hast',
    'hast-util-from-html',
    'hast-util-to-mdast',
    'mammoth',
    'mdast',
    // Rules of hyphenation, one file a language.
    ...'ca cs da de el en en-gb es fi fr hr it nb nl pl pt ro ru sk sl sv tr uk'
      .split(' ')
      .map((tag) => `hyphen/${tag}/index.js`),
  ],
  'web/src/ui': ['react', 'radix-ui', 'lucide-react', 'react-colorful', '@tanstack/react-virtual'],
};

function* sources(folder: string): Generator<string> {
  for (const name of readdirSync(folder)) {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) {
      if (name !== 'node_modules') yield* sources(path);
    } else if (/\.tsx?$/.test(name) && !/\.test\.ts$|\.d\.ts$/.test(name)) yield path;
  }
}

function importsOf(file: string): string[] {
  const text = readFileSync(file, 'utf8');
  const found = [
    ...text.matchAll(/(?:^|\n)\s*(?:import|export)\s[^'";]*?from\s+'([^']+)'/g),
    ...text.matchAll(/import\s*\(?\s*'([^']+)'/g),
    ...text.matchAll(/new URL\('(\.[^']+)'/g),
  ];
  return found.map((m) => m[1]);
}

type Problem = string;

/** Walks one tree of rooms and reports arrows that do not point down. */
function wrongArrows(root: string, tree: string, levels: Readonly<Record<string, number>>): Problem[] {
  const base = join(root, tree);
  const roomOf = (path: string): string => relative(base, path).split('/')[0];
  const problems: Problem[] = [];
  for (const file of sources(base)) {
    const room = roomOf(file);
    const where = relative(root, file);
    if (room.endsWith('.ts') && !(room in levels)) continue;
    if (!(room in levels)) problems.push(`${where}: room ${room} has no level`);
    for (const name of importsOf(file)) {
      if (name.endsWith('.css')) continue;
      if (name.startsWith('.')) {
        const target = resolve(dirname(file), name);
        const other = relative(base, target).startsWith('..') ? null : roomOf(target);
        if (other === null) {
          if (!name.includes('assets/')) problems.push(`${where} leaves ${tree}: ${name}`);
        } else if (other !== room && !(levels[other] < levels[room]))
          problems.push(`${where} -> ${other} does not point down`);
        else if (other !== room && tree === 'core/src' && resolve(base, other) !== target)
          problems.push(`${where} enters ${other} by a side door: ${name}`);
      } else if (name.startsWith('@yosomi/')) {
        if (tree === 'core/src') problems.push(`${where} imports ${name}: the core stands alone`);
        if (tree === 'web/src' && !name.startsWith('@yosomi/core/')) problems.push(`${where} imports ${name}`);
        if (room === 'ui') problems.push(`${where} imports ${name}: the kit knows nothing of books`);
      } else if (tree === 'core/src') {
        if (!PACKAGES.core.includes(name)) problems.push(`${where} imports ${name}: not for the core`);
      } else if (room === 'ui' && !PACKAGES['web/src/ui'].includes(name))
        problems.push(`${where} imports ${name}: not for the kit`);
    }
  }
  return problems;
}

describe('the house', () => {
  it('has arrows that only point down, in the core', () => expect(wrongArrows(ROOT, 'core/src', CORE)).toEqual([]));
  it('has arrows that only point down, in the web app', () => expect(wrongArrows(ROOT, 'web/src', WEB)).toEqual([]));

  it('lets node-kit, cli and server enter the core by each room\u2019s door', () => {
    const problems: string[] = [];
    for (const tree of ['node-kit/src', 'cli/src', 'server/src']) {
      for (const file of sources(join(ROOT, tree))) {
        for (const name of importsOf(file)) {
          const inside = name.startsWith('.')
            ? !relative(join(ROOT, tree), resolve(dirname(file), name)).startsWith('..')
            : true;
          const door = !name.startsWith('@yosomi/core') || /^@yosomi\/core\/[a-z-]+$/.test(name);
          if (!inside || !door || name.startsWith('@yosomi/web')) problems.push(`${file}: ${name}`);
          if (tree === 'node-kit/src' && /^@yosomi\/(cli|server)/.test(name)) problems.push(`${file}: ${name}`);
        }
      }
    }
    expect(problems).toEqual([]);
  });

  it('keeps the browser and Node out of the core, and fetch and the clock in the platform room', () => {
    const problems: string[] = [];
    for (const file of sources(join(ROOT, 'core/src'))) {
      const code = readFileSync(file, 'utf8').replace(/\/\*[\s\S]*?\*\/|\/\/.*/g, '');
      if (
        /(?<![.\w])(document|window|navigator|process|Buffer|fetch|performance)\s*[.(]|Math\.random|Date\.now|new Date\(\)/.test(
          code,
        )
      )
        problems.push(relative(ROOT, file));
    }
    for (const file of sources(join(ROOT, 'web/src'))) {
      if (file.includes('/platform/')) continue;
      const code = readFileSync(file, 'utf8');
      if (/\bfetch\(|Date\.now|new Date\(\)|Math\.random|crypto\./.test(code)) problems.push(relative(ROOT, file));
    }
    expect(problems).toEqual([]);
  });

  it('has tests beside their rooms that need nothing but their package, and all others in tests/', () => {
    const own = /^(\.|vitest$|fast-check$|fake-indexeddb)/;
    const problems: string[] = [];
    for (const tree of ['core/src', 'web/src', 'node-kit/src', 'cli/src', 'server/src', 'tests']) {
      for (const name of readdirSync(join(ROOT, tree), { recursive: true, encoding: 'utf8' })) {
        if (!name.endsWith('.test.ts')) continue;
        const file = join(ROOT, tree, name);
        const outside = importsOf(file).filter((one) => {
          if (one.startsWith('.'))
            return relative(join(ROOT, tree), resolve(dirname(file), one)).startsWith('..') || tree === 'tests';
          return !own.test(one) && !(one.startsWith('@yosomi/core') && tree !== 'tests');
        });
        if (tree !== 'tests') problems.push(...outside.map((one) => `${tree}/${name} needs ${one}`));
        else if (outside.every((one) => one.startsWith('@yosomi/core')))
          problems.push(`tests/${name} needs only the core`);
      }
    }
    expect(problems).toEqual([]);
  });

  it('would notice a wrong arrow, a sibling arrow, a side door and a strange package', () => {
    const root = mkdtempSync(join(tmpdir(), 'house-'));
    try {
      const put = (path: string, text: string): void => {
        mkdirSync(dirname(join(root, path)), { recursive: true });
        writeFileSync(join(root, path), text);
      };
      put('core/src/base/index.ts', "import { x } from '../cover';\nexport const y = x;");
      put('core/src/cover/index.ts', "export * from './inner';");
      put('core/src/cover/inner.ts', 'export const x = 1;');
      put('core/src/mockup/index.ts', "import { f } from '../promo';\nexport { f };");
      put(
        'core/src/promo/index.ts',
        "import { x } from '../cover/inner';\nimport fs from 'node:fs';\nexport const f = [x, fs];",
      );
      expect(wrongArrows(root, 'core/src', CORE)).toEqual([
        'core/src/base/index.ts -> cover does not point down',
        'core/src/mockup/index.ts -> promo does not point down',
        'core/src/promo/index.ts enters cover by a side door: ../cover/inner',
        'core/src/promo/index.ts imports node:fs: not for the core',
      ]);
    } finally {
      rmSync(root, { recursive: true });
    }
  });

  it('keeps files short: a reason is needed above 400 lines', () => {
    const long = ['core/src', 'web/src', 'node-kit/src', 'cli/src', 'server/src'].flatMap((tree) =>
      [...sources(join(ROOT, tree))].filter((file) => readFileSync(file, 'utf8').split('\n').length > 400),
    );
    expect(long.map((file) => relative(ROOT, file))).toEqual([]);
  });
});
