import { LINEAR_OF, type Raster } from '../pixels';
import { machineOn } from './machine';
import { type Memory, wasm } from './wasm';

/**
 * One size of a texture within the memory of its store: RGBA texels of 16 bits, RGB in linear light 0..32767, the
 * fourth the share of foil. A border of `PAD` texels repeats the outermost ones, so that taps need no test.
 */
export type Level = { readonly at: number; readonly width: number; readonly height: number };

/** Levels, each half the size of the one before, down to about 8 px. */
export type Texture = readonly Level[];

/** Textures by name, all in one memory, so that plain code and the kernel read the same texels. `used` bytes are theirs. */
export type Textures = {
  readonly memory: Memory;
  readonly used: number;
  readonly byName: ReadonlyMap<string, Texture>;
};

/** Opaque pixels, and where they are foil: one byte a pixel, 255 for all of it. */
export type Print = { readonly art: Raster; readonly foil: Uint8Array | null };

export const PAD = 2;
export const PAGE = 65_536;

/** The next place that a register can be loaded from at once. */
export const aligned = (at: number): number => (at + 15) & ~15;

const TEXEL = 8;
const LEAST = 16;

function levelsFrom(at: number, art: Raster, most: number): Level[] {
  const levels: Level[] = [];
  let { width, height } = art;
  for (;;) {
    levels.push({ at, width, height });
    at += (width + 2 * PAD) * (height + 2 * PAD) * TEXEL;
    if (width <= LEAST || height <= LEAST || levels.length >= most) return levels;
    width >>= 1;
    height >>= 1;
  }
}

const bytesOf = (levels: Texture): number => {
  const { at, width, height } = levels[levels.length - 1];
  return at + (width + 2 * PAD) * (height + 2 * PAD) * TEXEL - levels[0].at;
};

/** Copies the outermost texels of a level into its border. */
function closeBorder(texels: Int32Array, { at, width, height }: Level): void {
  const stride = (width + 2 * PAD) * 2;
  const first = at / 4;
  for (let y = PAD; y < height + PAD; y++) {
    const left = first + y * stride + PAD * 2;
    const right = left + (width - 1) * 2;
    for (let c = 0; c < 2; c++) {
      for (let i = 1; i <= PAD; i++) {
        texels[left - i * 2 + c] = texels[left + c];
        texels[right + i * 2 + c] = texels[right + c];
      }
    }
  }
  const top = first + PAD * stride;
  const foot = first + (height + PAD - 1) * stride;
  for (let i = 1; i <= PAD; i++) {
    texels.copyWithin(top - i * stride, top, top + stride);
    texels.copyWithin(foot + i * stride, foot, foot + stride);
  }
}

/** How texels are made, by the kernel or by plain code; `from`, `to` and `stride` count bytes of the memory. */
export type Weaver = {
  /** Writes a row of pixels, the first at number p of `pixels`, without foil. */
  row(pixels: Int32Array, p: number, count: number, to: number): void;
  /** Writes a row of means of two by two texels; `stride` bytes to the row below. */
  half(from: number, stride: number, count: number, to: number): void;
};

const LIGHT = Uint16Array.from(LINEAR_OF, (v) => v >> 1);

/** The weaver in plain code, and what the kernel is held against. */
export function plainWeaver({ buffer }: Memory): Weaver {
  const halves = new Int16Array(buffer);
  return {
    row(pixels, p, count, to) {
      for (let o = to / 2; count > 0; count--, o += 4) {
        const v = pixels[p++];
        halves[o] = LIGHT[v & 255];
        halves[o + 1] = LIGHT[(v >>> 8) & 255];
        halves[o + 2] = LIGHT[(v >>> 16) & 255];
        halves[o + 3] = 0;
      }
    },
    half(from, stride, count, to) {
      let [p, q] = [from / 2, (from + stride) / 2];
      for (let o = to / 2; count > 0; count--, o += 4, p += 8, q += 8)
        for (let c = 0; c < 4; c++)
          halves[o + c] = (halves[p + c] + halves[p + 4 + c] + halves[q + c] + halves[q + 4 + c] + 2) >> 2;
    },
  };
}

/** Pixels that are handed to the kernel at once. */
const LINE = 4096;
const LIGHT_BYTES = LIGHT.byteLength;
const WORKSPACE = LIGHT_BYTES + LINE * 4;

/** The weaver of a memory whose bytes from `free` on nobody uses yet. */
function weaverOn(memory: Memory, free: number): Weaver {
  const machine = machineOn(memory);
  if (!machine) return plainWeaver(memory);
  new Uint16Array(memory.buffer, free, LIGHT.length).set(LIGHT);
  const line = new Int32Array(memory.buffer, free + LIGHT_BYTES, LINE);
  return {
    row(pixels, p, count, to) {
      for (let n = 0; n < count; n += LINE) {
        const some = Math.min(LINE, count - n);
        line.set(pixels.subarray(p + n, p + n + some));
        machine.texels(line.byteOffset, some, to + n * TEXEL, free);
      }
    },
    half: machine.halve,
  };
}

function fillFirst(weaver: Weaver, shares: Int16Array, { at, width, height }: Level, { art, foil }: Print): void {
  const pixels = new Int32Array(art.data.buffer, art.data.byteOffset, width * height);
  for (let y = 0; y < height; y++) {
    const to = at + ((y + PAD) * (width + 2 * PAD) + PAD) * TEXEL;
    weaver.row(pixels, y * width, width, to);
    if (foil) for (let x = 0; x < width; x++) shares[(to + x * TEXEL) / 2 + 3] = SHARE[foil[y * width + x]];
  }
}

const SHARE = Int16Array.from({ length: 256 }, (_, i) => Math.round((i * 32767) / 255));

/** Each texel of a level the mean of four of the level above. */
function fillHalf(weaver: Weaver, from: Level, to: Level): void {
  const stride = (from.width + 2 * PAD) * TEXEL;
  for (let y = 0; y < to.height; y++) {
    const first = from.at + (2 * y + PAD) * stride + PAD * TEXEL;
    weaver.half(first, stride, to.width, to.at + ((y + PAD) * (to.width + 2 * PAD) + PAD) * TEXEL);
  }
}

/** Makes textures of opaque pictures, each of at most so many levels; transparent pixels count with their colour. */
export function texturesOf(prints: Iterable<readonly [name: string, print: Print]>, most = Infinity): Textures {
  const byName = new Map<string, Texture>();
  const made: [Print, Texture][] = [];
  let used = 0;
  for (const [name, print] of prints) {
    const levels = levelsFrom(used, print.art, most);
    used += bytesOf(levels);
    byName.set(name, levels);
    made.push([print, levels]);
  }
  const free = aligned(used);
  const memory = new wasm.Memory({ initial: Math.ceil((free + WORKSPACE) / PAGE) });
  const weaver = weaverOn(memory, free);
  const words = new Int32Array(memory.buffer);
  const shares = new Int16Array(memory.buffer);
  for (const [print, levels] of made) {
    levels.forEach((level, i) => {
      if (i === 0) fillFirst(weaver, shares, level, print);
      else fillHalf(weaver, levels[i - 1], level);
      closeBorder(words, level);
    });
  }
  return { memory, used, byName };
}
