/**
 * Writes core/src/recipe/versions.ts: for each kind of thing that is made, a hash of all that makes it. That is the code
 * that its maker reaches (as the bundler leaves it: without comments, types, and what is never called), the packages
 * and shipped fonts that this code stands on, and the pictures that its goldens hold.
 */
import { createHash } from 'node:crypto';
import { readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { rolldown } from 'rolldown';
import { ROOT } from './setup.mjs';

const CODECS = ['@jsquash/avif', '@jsquash/jpeg', '@jsquash/oxipng', '@jsquash/webp'];
const COVERS = /^(built|demo|structures|sceneries)/;

/** Maker by maker: what it is called in `recipe`, `pin` or `paintings`, the packages that it is handed, and the goldens that show it. */
const MAKERS = {
  paint: { recipe: ['coverRaster', 'settledCover'], goldens: COVERS },
  trace: { recipe: ['scenePicture', 'pngFile'], goldens: /^(arrangements|demo|mockup|objects|table)/ },
  pin: { recipe: ['faceArtOf'], pin: ['pinned', 'photoOf'], goldens: /^photographs/ },
  promo: {
    recipe: ['promoRaster', 'promoPicture', 'promoFile', 'scenePicture', 'pngFile'],
    goldens: /^(mockup|promo)/,
  },
  image: { recipe: ['storeImage', 'plainFile'], packages: CODECS, goldens: COVERS },
  epub: { recipe: ['ebookFile'], packages: CODECS, goldens: COVERS },
  pdf: { recipe: ['pdfFile'], packages: CODECS, goldens: COVERS },
  svg: { recipe: ['svgFile'], goldens: COVERS },
  booklet: { recipe: ['bookletFileOf', 'bookletPage'], packages: CODECS, goldens: /^booklet/ },
  desk: { recipe: ['deskCover'], paintings: ['paintPicture'], goldens: /^desk/ },
};

/** What every picture stands on: shaping, Node's canvas, and how the browser paints. */
const ALWAYS = ['harfbuzzjs', '@napi-rs/canvas'];
const BROWSER = join(ROOT, 'web/src/work/browser-studio.ts');

const lock = () => JSON.parse(readFileSync(join(ROOT, 'package-lock.json'), 'utf8')).packages;
const owner = (id) =>
  id
    .split('/')
    .slice(0, id.startsWith('@') ? 2 : 1)
    .join('/');

/** The makers that a golden shows the work of. */
export const makersOf = (golden) => Object.keys(MAKERS).filter((name) => MAKERS[name].goldens.test(golden));

const bundles = new Map();
const reached = (maker) => bundles.get(maker) ?? bundles.set(maker, bundled(maker)).get(maker);

async function bundled(maker) {
  const entry = '\0maker';
  const source = [
    `export { ${maker.recipe.join(', ')} } from '@yosomi/core/recipe';`,
    ...['pin', 'paintings'].flatMap((room) =>
      maker[room] ? [`export { ${maker[room].join(', ')} } from '@yosomi/core/${room}';`] : [],
    ),
    `export { BrowserStudio } from ${JSON.stringify(BROWSER)};`,
  ].join('\n');
  const bundle = await rolldown({
    input: entry,
    cwd: ROOT,
    platform: 'browser',
    logLevel: 'silent',
    // A version cannot hold itself.
    external: (id) => /\/versions(\.ts)?$/.test(id) || !/^([./\0]|@yosomi\/)/.test(id),
    treeshake: { moduleSideEffects: false, manualPureFunctions: ['z', 'versioned'] },
    plugins: [
      {
        name: 'maker',
        resolveId: (id) => (id === entry ? id : undefined),
        load: (id) => (id === entry ? source : undefined),
      },
    ],
  });
  const { output } = await bundle.generate({ format: 'esm', minify: true });
  await bundle.close();
  return {
    code: output.map((chunk) => chunk.code ?? '').join(),
    imports: output.flatMap((chunk) => chunk.imports ?? []),
  };
}

function files(folder, wanted = /./) {
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((one) => one.isFile() && wanted.test(one.name))
    .map((one) => join(one.parentPath, one.name))
    .sort();
}

/** The version of every kind of thing, computed anew. `goldens` is the folder of the pictures. */
export async function versions(goldens = join(ROOT, 'tests/goldens')) {
  const packages = lock();
  const fonts = files(join(ROOT, 'assets/fonts'), /\.(ttf|otf)$/);
  const made = {};
  for (const [name, maker] of Object.entries(MAKERS)) {
    const hash = createHash('sha256');
    const { code, imports } = await reached(maker);
    hash.update(code);
    const owners = new Set([
      ...imports.filter((id) => !/^[./\0]|^node:/.test(id)).map(owner),
      ...ALWAYS,
      ...(maker.packages ?? []),
    ]);
    for (const id of [...owners].sort()) hash.update(`${id} ${packages[`node_modules/${id}`]?.version ?? ''}\n`);
    for (const file of [...fonts, ...files(goldens, maker.goldens)]) hash.update(readFileSync(file));
    made[name] = hash.digest('hex').slice(0, 10);
  }
  return made;
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  const lines = Object.entries(await versions()).map(([name, version]) => `  ${name}: '${version}',`);
  const text = `/**
 * Written by \`npm run versions\`: for each kind of thing, a hash of all that makes it. Every key holds the one of its
 * thing, so that what an earlier release made is known to be out of date.
 */
export const VERSIONS = {
${lines.join('\n')}
} as const;
`;
  writeFileSync(join(ROOT, 'core/src/recipe/versions.ts'), text);
}
