import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { type FontSubsetter, fontSubsetter } from '@yosomi/core/text';

let known: Promise<FontSubsetter> | null = null;

/** HarfBuzz's subsetter, compiled once. */
export const nodeSubsetter = (): Promise<FontSubsetter> =>
  (known ??= (async () => {
    const file = createRequire(import.meta.url).resolve('harfbuzzjs/dist/harfbuzz-subset.wasm');
    return fontSubsetter(new WebAssembly.Instance(new WebAssembly.Module(readFileSync(file)), {}));
  })());
