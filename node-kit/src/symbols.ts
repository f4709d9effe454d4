import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Symbols, readSymbols } from '@yosomi/core/symbols';
import { ROOT } from './paths';

let read: Symbols | null = null;

/** The symbols that ship, from their file, read once. */
export const shippedSymbols = (): Symbols =>
  (read ??= readSymbols(JSON.parse(readFileSync(join(ROOT, 'assets/symbols/symbols.json'), 'utf8'))));
