import { toLinear } from '../pixels';
import { ascii, bytesOf, concat, put32, u32 } from './bytes';

const s15f16 = (v: number): number => Math.round(v * 65536) >>> 0;

function xyz(x: number, y: number, z: number): Uint8Array {
  const b = new Uint8Array(20);
  b.set(bytesOf('XYZ '));
  [x, y, z].forEach((v, i) => put32(b, 8 + i * 4, s15f16(v)));
  return b;
}

function description(text: string): Uint8Array {
  const b = new Uint8Array(12 + text.length + 1 + 78);
  b.set(bytesOf('desc'));
  put32(b, 8, text.length + 1);
  b.set(bytesOf(text), 12);
  return b;
}

function text(value: string): Uint8Array {
  return concat([bytesOf('text\0\0\0\0'), bytesOf(value), new Uint8Array(1)]);
}

function curve(points: number): Uint8Array {
  const b = new Uint8Array(12 + points * 2);
  b.set(bytesOf('curv'));
  put32(b, 8, points);
  for (let i = 0; i < points; i++) {
    const v = Math.round(65535 * toLinear(i / (points - 1)));
    b[12 + i * 2] = v >> 8;
    b[13 + i * 2] = v & 255;
  }
  return b;
}

/**
 * An sRGB display profile written from the numbers of IEC 61966-2-1, primaries adapted to D50 (Bradford),
 * as an ICC version 2.1 file (ICC.1:1998-09): readable by everything that reads profiles.
 */
export function srgbProfile(): Uint8Array<ArrayBuffer> {
  const trc = curve(1024);
  const tags: [string, Uint8Array][] = [
    ['desc', description('sRGB')],
    ['cprt', text('No copyright, use freely')],
    ['wtpt', xyz(0.9642, 1, 0.8249)],
    ['rXYZ', xyz(0.43607, 0.22249, 0.01392)],
    ['gXYZ', xyz(0.38515, 0.71687, 0.09708)],
    ['bXYZ', xyz(0.14307, 0.06061, 0.7141)],
    ['rTRC', trc],
    ['gTRC', trc],
    ['bTRC', trc],
  ];
  const table = new Uint8Array(4 + tags.length * 12);
  put32(table, 0, tags.length);
  const blocks: Uint8Array[] = [];
  const placed = new Map<Uint8Array, number>();
  let at = 128 + table.length;
  tags.forEach(([name, data], i) => {
    let offset = placed.get(data);
    if (offset === undefined) {
      placed.set(data, (offset = at));
      const padded = new Uint8Array(Math.ceil(data.length / 4) * 4);
      padded.set(data);
      blocks.push(padded);
      at += padded.length;
    }
    table.set(bytesOf(name), 4 + i * 12);
    put32(table, 8 + i * 12, offset);
    put32(table, 12 + i * 12, data.length);
  });
  const header = new Uint8Array(128);
  put32(header, 0, at);
  put32(header, 8, 0x02100000);
  header.set(bytesOf('mntrRGB XYZ '), 12);
  // Date: a constant, so that equal covers give equal bytes.
  header.set([0x07, 0xea, 0, 1, 0, 1], 24);
  header.set(bytesOf('acsp'), 36);
  [0.9642, 1, 0.8249].forEach((v, i) => put32(header, 68 + i * 4, s15f16(v)));
  return concat([header, table, ...blocks]);
}

/** The description inside a profile; "unnamed" where it cannot be read. */
export function profileName(icc: Uint8Array): string {
  const count = Math.min(64, u32(icc, 128));
  for (let i = 0; i < count; i++) {
    const row = 132 + i * 12;
    if (ascii(icc, row, 4) !== 'desc') continue;
    const at = u32(icc, row + 4);
    if (ascii(icc, at, 4) === 'desc') return ascii(icc, at + 12, Math.min(100, u32(icc, at + 8))).replace(/\0.*$/s, '');
    if (ascii(icc, at, 4) === 'mluc') {
      const start = at + u32(icc, at + 24);
      return ascii(icc, start, Math.min(200, u32(icc, at + 20))).replace(/\0/g, '');
    }
  }
  return 'unnamed';
}
