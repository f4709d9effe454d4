import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decodeTable, encodeTable, optimalTable, readTables, tablesPayload } from './jpeg-huffman';

const frequencies = fc
  .array(fc.tuple(fc.nat(255), fc.integer({ min: 1, max: 1_000_000 })), { minLength: 1, maxLength: 200 })
  .map((list) => {
    const counts = new Float64Array(256);
    for (const [symbol, n] of list) counts[symbol] = n;
    return counts;
  });

const present = (counts: Float64Array): number[] => [...counts.keys()].filter((s) => counts[s] > 0);
const lengthOf = (codes: Uint32Array, symbol: number): number => codes[symbol] & 31;

describe('the best Huffman table', () => {
  it('has one code for each symbol, none the beginning of another, none of only ones, none over 16 bits', () => {
    fc.assert(
      fc.property(frequencies, (counts) => {
        const table = optimalTable(counts);
        const codes = encodeTable(table);
        const decoder = decodeTable(table);
        expect([...table.symbols].sort((a, b) => a - b)).toEqual(present(counts));
        for (const symbol of present(counts)) {
          const [code, length] = [codes[symbol] >>> 5, lengthOf(codes, symbol)];
          expect(length).toBeGreaterThan(0);
          expect(length).toBeLessThanOrEqual(16);
          expect(code).not.toBe((1 << length) - 1);
          for (const rest of [0, (1 << (16 - length)) - 1]) {
            expect(decoder[(code << (16 - length)) | rest]).toBe((length << 8) | symbol);
          }
        }
        const read = new Map();
        const payload = tablesPayload(new Map([[0x11, table]]));
        readTables(payload, 0, payload.length, read);
        expect(read.get(0x11)).toEqual(table);
      }),
    );
  });

  it('is within one bit a symbol of the entropy, where no length had to be cut', () => {
    fc.assert(
      fc.property(frequencies, (counts) => {
        const codes = encodeTable(optimalTable(counts));
        const total = counts.reduce((sum, n) => sum + n, 0);
        const symbols = present(counts);
        fc.pre(symbols.every((s) => counts[s] / total > 2 ** -13));
        const bits = symbols.reduce((sum, s) => sum + (counts[s] / total) * lengthOf(codes, s), 0);
        const entropy = -symbols.reduce((sum, s) => sum + (counts[s] / total) * Math.log2(counts[s] / total), 0);
        expect(bits).toBeGreaterThanOrEqual(entropy - 1e-9);
        expect(bits).toBeLessThanOrEqual(entropy + 1);
      }),
    );
  });

  it('cuts the longest codes where frequencies grow like Fibonacci numbers', () => {
    const counts = new Float64Array(256);
    let [a, b] = [1, 1];
    for (let i = 0; i < 40; i++) {
      counts[i] = a;
      [a, b] = [b, a + b];
    }
    const codes = encodeTable(optimalTable(counts));
    const lengths = present(counts).map((s) => lengthOf(codes, s));
    expect(Math.max(...lengths)).toBe(16);
    expect(lengths.reduce((sum, n) => sum + 2 ** -n, 0)).toBeLessThan(1);
    expect(lengthOf(codes, 39)).toBeLessThanOrEqual(lengthOf(codes, 20));
  });
});
