import { concat } from './bytes';

/** A Huffman table as a DHT segment holds it: how many codes of each length 1..16, and the symbols, shortest codes first. */
export type HuffmanTable = { readonly counts: Uint8Array; readonly symbols: Uint8Array };

const LONGEST = 16;

/** The tables of the DHT segments between `from` and `to`, by their class and id byte. */
export function readTables(b: Uint8Array, from: number, to: number, into: Map<number, HuffmanTable>): void {
  for (let at = from; at < to;) {
    const counts = b.subarray(at + 1, at + 17);
    const total = counts.reduce((sum, n) => sum + n, 0);
    into.set(b[at], { counts, symbols: b.subarray(at + 17, at + 17 + total) });
    at += 17 + total;
  }
}

/** Payload of one DHT segment. */
export const tablesPayload = (tables: ReadonlyMap<number, HuffmanTable>): Uint8Array =>
  concat([...tables].flatMap(([id, t]) => [Uint8Array.of(id), t.counts, t.symbols]));

/** For each 16 bits that may come: length of the code they begin with, times 256, plus its symbol; 0 where none. */
export function decodeTable(table: HuffmanTable): Uint16Array {
  const found = new Uint16Array(1 << LONGEST);
  let code = 0;
  let next = 0;
  for (let length = 1; length <= LONGEST; length++) {
    for (let i = 0; i < table.counts[length - 1]; i++, code++) {
      const from = code << (LONGEST - length);
      found.fill((length << 8) | table.symbols[next++], from, from + (1 << (LONGEST - length)));
    }
    code <<= 1;
  }
  return found;
}

/** By symbol: its code times 32 plus the code's length. */
export function encodeTable(table: HuffmanTable): Uint32Array {
  const codes = new Uint32Array(256);
  let code = 0;
  let next = 0;
  for (let length = 1; length <= LONGEST; length++) {
    for (let i = 0; i < table.counts[length - 1]; i++) codes[table.symbols[next++]] = (code++ << 5) | length;
    code <<= 1;
  }
  return codes;
}

/**
 * The table that codes symbols of these frequencies in the fewest bits, with no code longer than 16 bits and none of
 * only ones (ITU-T T.81, K.2).
 */
export function optimalTable(frequencies: ArrayLike<number>): HuffmanTable {
  // One more symbol takes the code of only ones.
  const weight = Float64Array.from({ length: 257 }, (_, i) => (i < 256 ? frequencies[i] : 1));
  const size = new Uint8Array(257);
  const chain = new Int16Array(257).fill(-1);
  const least = (but: number): number => {
    let best = -1;
    for (let i = 0; i <= 256; i++) {
      if (i !== but && weight[i] > 0 && (best < 0 || weight[i] <= weight[best])) best = i;
    }
    return best;
  };
  for (;;) {
    const a = least(-1);
    const b = least(a);
    if (b < 0) break;
    weight[a] += weight[b];
    weight[b] = 0;
    let last = a;
    for (let i = a; i >= 0; i = chain[i]) {
      size[i]++;
      last = i;
    }
    chain[last] = b;
    for (let i = b; i >= 0; i = chain[i]) size[i]++;
  }
  const bits = new Uint16Array(258);
  for (const length of size) if (length > 0) bits[length]++;
  for (let i = 257; i > LONGEST; i--) {
    while (bits[i] > 0) {
      // Two of the longest codes share a prefix: one takes it, the other is hung under a shorter code.
      let j = i - 2;
      while (bits[j] === 0) j--;
      bits[i] -= 2;
      bits[i - 1]++;
      bits[j + 1] += 2;
      bits[j]--;
    }
  }
  let longest = LONGEST;
  while (bits[longest] === 0) longest--;
  bits[longest]--;
  const symbols = Array.from({ length: 256 }, (_, i) => i)
    .filter((i) => size[i] > 0)
    .sort((x, y) => size[x] - size[y] || x - y);
  return { counts: Uint8Array.from(bits.subarray(1, 17)), symbols: Uint8Array.from(symbols) };
}
