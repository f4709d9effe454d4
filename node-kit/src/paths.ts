import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The folder that holds package.json and assets, found upwards from this file. */
function findRoot(): string {
  let at = dirname(fileURLToPath(import.meta.url));
  while (!existsSync(join(at, 'assets', 'fonts'))) {
    const up = dirname(at);
    if (up === at) throw new Error('assets/fonts not found');
    at = up;
  }
  return at;
}

export const ROOT = findRoot();
export const FONTS = join(ROOT, 'assets', 'fonts');
