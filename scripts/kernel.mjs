/** Compiles the sampling kernel and writes it beside its source as text; run after a change of kernel.as.ts. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ROOT } from './setup.mjs';

const FLAGS =
  '-O3 --noAssert --converge --runtime stub --enable simd --enable nontrapping-f2i --importMemory --initialMemory 1';

/** The kernel's bytes as text, compiled anew. */
export function compileKernel() {
  const folder = mkdtempSync(join(tmpdir(), 'kernel-'));
  try {
    const out = join(folder, 'kernel.wasm');
    const asc = join(ROOT, 'node_modules/assemblyscript/bin/asc.js');
    execFileSync(process.execPath, [asc, join(ROOT, 'core/src/warp/kernel.as.ts'), '-o', out, ...FLAGS.split(' ')], {
      stdio: 'inherit',
    });
    return readFileSync(out).toString('base64');
  } finally {
    rmSync(folder, { recursive: true });
  }
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  const lines = compileKernel().match(/.{1,112}/g);
  const text = `/** Made by \`npm run kernel\` from kernel.as.ts: WebAssembly as base64. */\nexport const KERNEL =\n  '${lines.join("' +\n  '")}';\n`;
  writeFileSync(join(ROOT, 'core/src/warp/kernel-bytes.ts'), text);
}
