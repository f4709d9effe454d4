import { LINEAR_OF, type Raster } from '../pixels';
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

/** Linear light 0..32767 of each sRGB code, as the lower and the upper half of a word. */
const LOWER = Int32Array.from(LINEAR_OF, (v) => v >> 1);
const UPPER = LOWER.map((v) => v << 16);

function fillFirst(texels: Int32Array, { at, width, height }: Level, { art, foil }: Print): void {
  const pixels = new Int32Array(art.data.buffer, art.data.byteOffset, width * height);
  const stride = (width + 2 * PAD) * 2;
  for (let y = 0; y < height; y++) {
    const o = at / 4 + (y + PAD) * stride + PAD * 2;
    fillRow(texels, o, pixels, y * width, width);
    if (foil) for (let x = 0; x < width; x++) texels[o + x * 2 + 1] |= UPPER_SHARE[foil[y * width + x]];
  }
}

/** Shares of foil as the upper half of a word. */
const UPPER_SHARE = Int32Array.from({ length: 256 }, (_, i) => Math.round((i * 32767) / 255) << 16);

/** On its own, so that the engine compiles it well: two words a pixel. */
function fillRow(texels: Int32Array, o: number, pixels: Int32Array, p: number, count: number): void {
  for (const end = p + count; p < end; p++, o += 2) {
    const v = pixels[p];
    texels[o] = LOWER[v & 255] | UPPER[(v >>> 8) & 255];
    texels[o + 1] = LOWER[(v >>> 16) & 255];
  }
}

/** Each texel of a level the mean of four of the level above. */
function fillHalf(texels: Int16Array, from: Level, to: Level): void {
  const above = (from.width + 2 * PAD) * 4;
  const stride = (to.width + 2 * PAD) * 4;
  for (let y = 0; y < to.height; y++) {
    let p = from.at / 2 + (2 * y + PAD) * above + PAD * 4;
    let o = to.at / 2 + (y + PAD) * stride + PAD * 4;
    for (let x = 0; x < to.width; x++, p += 8, o += 4) {
      const q = p + above;
      texels[o] = (texels[p] + texels[p + 4] + texels[q] + texels[q + 4] + 2) >> 2;
      texels[o + 1] = (texels[p + 1] + texels[p + 5] + texels[q + 1] + texels[q + 5] + 2) >> 2;
      texels[o + 2] = (texels[p + 2] + texels[p + 6] + texels[q + 2] + texels[q + 6] + 2) >> 2;
      texels[o + 3] = (texels[p + 3] + texels[p + 7] + texels[q + 3] + texels[q + 7] + 2) >> 2;
    }
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
  const memory = new wasm.Memory({ initial: Math.ceil(used / PAGE) + 1 });
  const words = new Int32Array(memory.buffer);
  const halves = new Int16Array(memory.buffer);
  for (const [print, levels] of made) {
    levels.forEach((level, i) => {
      if (i === 0) fillFirst(words, level, print);
      else fillHalf(halves, levels[i - 1], level);
      closeBorder(words, level);
    });
  }
  return { memory, used, byName };
}
