import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  type Drawn,
  type Silhouettes,
  type Symbols,
  readPacket,
  readSilhouettes,
  readSymbols,
} from '@yosomi/core/symbols';
import { ROOT } from './paths';

const json = (name: string): unknown => JSON.parse(readFileSync(join(ROOT, 'assets/symbols', name), 'utf8'));

let symbols: Symbols | null = null;
let silhouettes: Silhouettes | null = null;
const packets = new Map<number, Drawn[]>();

/** The symbols that ship, from their file, read once. */
export const shippedSymbols = (): Symbols => (symbols ??= readSymbols(json('symbols.json')));

/** The names of the silhouettes that ship, read once. */
export const shippedSilhouettes = (): Silhouettes => (silhouettes ??= readSilhouettes(json('silhouettes/names.json')));

/** The outlines of one packet of silhouettes, read once. */
export function shippedPacket(number: number): readonly Drawn[] {
  const known =
    packets.get(number) ?? readPacket(json(`silhouettes/packet-${number}.json`), shippedSilhouettes(), number);
  packets.set(number, known);
  return known;
}
