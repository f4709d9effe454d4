import type { Chroma } from '../image-file';
import type { Images, Ink, SurfaceImage } from '../ink';
import type { Raster } from '../pixels';
import type { Drawn, Silhouettes, Symbols } from '../symbols';
import type { FontSubsetter, Shaper } from '../text';

/** What a platform lends the recipes: fonts, pictures, a canvas and encoders. Browser workers and Node each have one. */
export interface Studio {
  readonly shaper: Shaper;
  /** Makes sure these cuts are in the shaper; a person's own face that is missing or damaged is left out. */
  loadFonts(cuts: readonly string[]): Promise<void>;
  /** What cuts a font down to the signs that a file shows; loaded when it is first asked for. */
  subsetter(): Promise<FontSubsetter>;
  /** The symbols that ship, read once. */
  symbols(): Promise<Symbols>;
  /** The names of the silhouettes that ship, read once; null where they cannot be reached. */
  silhouettes(): Promise<Silhouettes | null>;
  /** The outlines of one packet of them; null where it cannot be reached. */
  packet(number: number): Promise<readonly Drawn[] | null>;
  /** A decoded, upright picture by asset id; null where its bytes are missing or damaged. */
  picture(asset: string): Promise<SurfaceImage | null>;
  /** The file of a picture as it is kept; null where it is missing. */
  file(asset: string): Promise<Uint8Array<ArrayBuffer> | null>;
  /** Decodes a picture that `readImage` accepts, upright; null where it is damaged. */
  opened(bytes: Uint8Array<ArrayBuffer>): Promise<SurfaceImage | null>;
  paint(ink: Ink, widthPx: number, images: Images): Raster;
  imageOf(raster: Raster): SurfaceImage;
  pixelsOf(image: SurfaceImage): Raster;
  /** The same image at another width, smoothly resampled. */
  resized(image: SurfaceImage, widthPx: number): SurfaceImage;
  /** JPEG without density and profile. Quality 1..100. */
  encodeJpeg(raster: Raster, quality: number, progressive: boolean, chroma?: Chroma): Promise<Uint8Array<ArrayBuffer>>;
  /** Lossy WebP or AVIF without a profile. Quality 1..100. */
  encodeModern(raster: Raster, format: 'webp' | 'avif', quality: number): Promise<Uint8Array<ArrayBuffer>>;
  /** The same PNG in fewer bytes; other ways to hold its pixels (fewer colours, grey) may be chosen. */
  smallerPng(png: Uint8Array<ArrayBuffer>): Promise<Uint8Array<ArrayBuffer>>;
  /** Decodes any image that `readDelivered` accepts: upright, in sRGB. Null where it is damaged. */
  decode(bytes: Uint8Array<ArrayBuffer>): Promise<Raster | null>;
}
