import { type Raster, flatten, raster } from '../pixels';
import { concat } from './bytes';
import { SOS, isFrame, segment, segments } from './jpeg';
import { type HuffmanTable, decodeTable, encodeTable, optimalTable, readTables, tablesPayload } from './jpeg-huffman';

const DHT = 0xc4;
const DRI = 0xdd;
const BLOCK_PX = 8;
const STRIPS = 4;
/** Pictures of fewer pixels are coded faster whole. */
const LEAST_PIXELS = 1_000_000;

/** Heights, in rows, of the strips that a baseline 4:4:4 JPEG of this size is coded in, so that several threads can work. */
export function jpegStripRows(widthPx: number, heightPx: number): number[] {
  const across = Math.ceil(widthPx / BLOCK_PX);
  const each = Math.ceil(heightPx / BLOCK_PX / STRIPS);
  // The restart interval is a 16-bit count of blocks.
  if (widthPx * heightPx < LEAST_PIXELS || each * across > 65_535) return [heightPx];
  const rows: number[] = [];
  for (let y = 0; y < heightPx; y += each * BLOCK_PX) rows.push(Math.min(each * BLOCK_PX, heightPx - y));
  return rows;
}

/** How colour is sampled: at every pixel, so that the edges of coloured type stay sharp, or at every second one each way. */
export type Chroma = '4:4:4' | '4:2:0';

/** What MozJPEG is asked for. */
export const jpegOptions = (quality: number, progressive: boolean, chroma: Chroma = '4:4:4') => ({
  quality,
  progressive,
  baseline: !progressive,
  auto_subsample: false,
  chroma_subsample: chroma === '4:4:4' ? 1 : 2,
});

/**
 * A picture as JPEG over white where it is transparent, its strips coded by `code`, at the same time where that
 * can. Undressed: no density, no profile. Quality 1..100.
 */
export async function jpegByStrips(
  source: Raster,
  quality: number,
  progressive: boolean,
  code: (strip: Raster, options: ReturnType<typeof jpegOptions>, index: number) => Promise<Uint8Array>,
  chroma: Chroma = '4:4:4',
): Promise<Uint8Array<ArrayBuffer>> {
  const { data, width, height } = flatten(source, [255, 255, 255]);
  const options = jpegOptions(quality, progressive, chroma);
  let from = 0;
  const whole = progressive || chroma !== '4:4:4';
  const strips = (whole ? [height] : jpegStripRows(width, height)).map((rows, i) => {
    const strip = raster(width, rows, data.slice(from, (from += rows * width * 4)));
    return code(strip, options, i);
  });
  return joinJpegStrips(await Promise.all(strips));
}

type Strip = {
  readonly bytes: Uint8Array;
  readonly widthPx: number;
  readonly heightPx: number;
  /** Where the frame header, the scan header and the coded data begin. */
  readonly frame: number;
  readonly scan: number;
  readonly data: number;
  /** Class and id bytes of the DC and AC table of each component, in the order of the scan. */
  readonly uses: readonly { readonly dc: number; readonly ac: number }[];
  readonly tables: ReadonlyMap<number, HuffmanTable>;
};

function parse(bytes: Uint8Array): Strip {
  const list = segments(bytes);
  const frame = list?.find((s) => isFrame(s.marker));
  const scan = list?.at(-1);
  if (!list || frame?.marker !== 0xc0 || scan?.marker !== SOS || bytes.at(-1) !== 0xd9) {
    throw new Error('not a strip of a baseline JPEG');
  }
  const tables = new Map<number, HuffmanTable>();
  for (const s of list) if (s.marker === DHT) readTables(bytes, s.from + 4, s.to, tables);
  const uses = Array.from({ length: bytes[scan.from + 4] }, (_, i) => {
    const both = bytes[scan.from + 6 + 2 * i];
    return { dc: both >> 4, ac: 0x10 | (both & 15) };
  });
  const [heightPx, widthPx] = [5, 7].map((at) => bytes[frame.from + at] * 256 + bytes[frame.from + at + 1]);
  return { bytes, widthPx, heightPx, frame: frame.from, scan: scan.from, data: scan.to, uses, tables };
}

/** Visits each symbol of a strip's scan: its table, itself, and the bits that follow it. */
function walk(strip: Strip, visit: (table: number, symbol: number, extra: number, bits: number) => void): void {
  const { bytes, uses, tables } = strip;
  const decoders = new Map([...tables].map(([id, table]) => [id, decodeTable(table)]));
  const planes = uses.map(({ dc, ac }) => ({ dc, ac, ofDc: decoders.get(dc)!, ofAc: decoders.get(ac)! }));
  const end = bytes.length - 2;
  let at = strip.data;
  let held = 0;
  let count = 0;
  const fill = (): void => {
    while (count <= 16) {
      const byte = at < end ? bytes[at++] : 0;
      if (byte === 0xff) at++; // the zero that is stuffed after it
      held = (held << 8) | byte;
      count += 8;
    }
  };
  const take = (bits: number): number => {
    if (bits === 0) return 0;
    fill();
    count -= bits;
    return (held >>> count) & ((1 << bits) - 1);
  };
  const symbolBy = (decoder: Uint16Array): number => {
    fill();
    const found = decoder[(held >>> (count - 16)) & 0xffff];
    if (found === 0) throw new Error('a strip of a JPEG is damaged');
    count -= found >> 8;
    return found & 255;
  };
  const blocks = Math.ceil(strip.widthPx / BLOCK_PX) * Math.ceil(strip.heightPx / BLOCK_PX);
  for (let block = 0; block < blocks; block++) {
    for (const { dc, ac, ofDc, ofAc } of planes) {
      const size = symbolBy(ofDc);
      visit(dc, size, take(size), size);
      for (let k = 1; k < 64; k++) {
        const symbol = symbolBy(ofAc);
        const bits = symbol & 15;
        visit(ac, symbol, take(bits), bits);
        if (symbol === 0) break;
        k += symbol >> 4;
      }
    }
  }
}

/** The strip's scan in the codes of other tables, its last byte filled with ones. */
function recode(strip: Strip, codes: ReadonlyMap<number, Uint32Array>): Uint8Array {
  const out = new Uint8Array(strip.bytes.length * 2 + 1024);
  let at = 0;
  let held = 0;
  let count = 0;
  const put = (value: number, bits: number): void => {
    held = (held << bits) | value;
    count += bits;
    while (count >= 8) {
      const byte = (held >>> (count - 8)) & 255;
      out[at++] = byte;
      if (byte === 0xff) out[at++] = 0;
      count -= 8;
    }
  };
  const byId = Array.from({ length: 32 }, (_, id) => codes.get(id)!);
  walk(strip, (table, symbol, extra, bits) => {
    const code = byId[table][symbol];
    put(code >>> 5, code & 31);
    put(extra, bits);
  });
  if (count > 0) put((1 << (8 - count)) - 1, 8 - count);
  return out.subarray(0, at);
}

/**
 * One baseline JPEG from strips that were coded alone without subsampling, top first; all but the last are equally high,
 * in whole blocks. Each was given codes of its own: the codes that are best for all are found, the scans rewritten in
 * them without a change of any coefficient, and put after one another with restart markers between, where a decoder
 * starts anew (ITU-T T.81, B.2.4.4, E.1.4, F.1.2).
 */
export function joinJpegStrips(files: readonly Uint8Array[]): Uint8Array<ArrayBuffer> {
  if (files.length === 1) return concat([files[0]]);
  const strips = files.map(parse);
  const [first] = strips;
  const frequencies = new Map([...first.tables.keys()].map((id) => [id, new Float64Array(256)]));
  const counters = Array.from({ length: 32 }, (_, id) => frequencies.get(id)!);
  for (const strip of strips) walk(strip, (table, symbol) => void counters[table][symbol]++);
  const tables = new Map([...frequencies].map(([id, counts]) => [id, optimalTable(counts)]));
  const codes = new Map([...tables].map(([id, table]) => [id, encodeTable(table)]));

  const height = strips.reduce((sum, strip) => sum + strip.heightPx, 0);
  const interval = Math.ceil(first.widthPx / BLOCK_PX) * (first.heightPx / BLOCK_PX);
  const pieces: Uint8Array[] = [first.bytes.subarray(0, 2)];
  for (const s of segments(first.bytes)!) {
    if (s.marker === DHT || s.marker === SOS) continue;
    const piece = first.bytes.slice(s.from, s.to);
    if (s.from === first.frame) piece.set([height >> 8, height & 255], 5);
    pieces.push(piece);
  }
  pieces.push(segment(DHT, tablesPayload(tables)), segment(DRI, Uint8Array.of(interval >> 8, interval & 255)));
  pieces.push(first.bytes.subarray(first.scan, first.data));
  strips.forEach((strip, i) => {
    pieces.push(recode(strip, codes));
    pieces.push(Uint8Array.of(0xff, i === strips.length - 1 ? 0xd9 : 0xd0 + (i % 8)));
  });
  return concat(pieces);
}
