import type { Texture } from './textures';

/** A function of the pixel position that is linear: value = x * a + y * b + c. */
export type Linear = readonly [a: number, b: number, c: number];

/** Numbers at each corner of a grid of light: light that multiplies the art, white that is added, light of foil, opacity. */
export const NODE = 4;

/** Light over a surface: (columns + 1) x (rows + 1) nodes, row by row; between them it is bilinear. White is 0..65535. */
export type LightGrid = { readonly columns: number; readonly rows: number; readonly nodes: Float32Array };

/** Light that changes nothing. */
export const plainLight: LightGrid = {
  columns: 1,
  rows: 1,
  nodes: Float32Array.from({ length: 16 }, (_, i) => ((i & 3) === 1 ? 0 : 1)),
};

/** A flat printed surface as a picture sees it. */
export type Surface = {
  /** The place on the surface is (a/g, b/g), each 0..1 across and down it. */
  readonly a: Linear;
  readonly b: Linear;
  readonly g: Linear;
  /** The place across is u0 + du * a/g of the texture's width. */
  readonly u0: number;
  readonly du: number;
  readonly light: LightGrid;
  /** Brightness at even places across the texture, two or more, where it is not one. */
  readonly profile: Float32Array | null;
  readonly texture: Texture | null;
  /** Linear light 0..65535 where there is no texture. */
  readonly colour: readonly [number, number, number];
};

/** How texels are joined: by straight lines, or by cubics (Catmull and Rom 1974), which keep small type sharper. */
export type Filter = {
  readonly kind: 'linear' | 'cubic';
  /** Most taps along each side of a pixel's footprint. */
  readonly taps: number;
};

/** Sums of linear premultiplied light 0..65535 and coverage 0..1, four numbers a pixel. */
export type Sums = Float32Array;

/** Shades runs of pixels. */
export type Shader = {
  /** Room for sums of so many pixels, all 0. What was given out before is void after it, and after `place`. */
  sums(pixels: number): Sums;
  /** The same with room for so many pixels as bytes: what is encoded into them is not copied. */
  room(sums: number, bytes: number): { readonly sums: Sums; readonly bytes: Uint8ClampedArray<ArrayBuffer> };
  /** Takes the surfaces that are shaded next; they are called by their place in the list. */
  place(surfaces: readonly Surface[], filter: Filter): void;
  /** Adds `count` pixels of a surface, to the right from the position (x, y), times `whole`, to sums from number `at`. */
  shade(surface: number, x: number, y: number, count: number, whole: number, sums: Sums, at: number): void;
  /** Writes sums that are wholly covered as opaque sRGB; tones are 3 x 8192 bytes, looked up by `value >> 3`. */
  encode(sums: Sums, at: number, count: number, tones: Uint8Array, out: Uint8ClampedArray, o: number): void;
};

/** Pixels of a run that share one footprint. */
export const BLOCK = 16;
