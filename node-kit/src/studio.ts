import type { Chroma } from '@yosomi/core/image-file';
import type { Images, Ink, SurfaceImage } from '@yosomi/core/ink';
import type { Raster } from '@yosomi/core/pixels';
import type { Studio } from '@yosomi/core/recipe';
import type { Drawn, Silhouettes, Symbols } from '@yosomi/core/symbols';
import { type FontSubsetter, Shaper } from '@yosomi/core/text';
import * as harfbuzz from 'harfbuzzjs';
import { imageOfRaster, paintRaster, rasterOfImage, resizedImage } from './canvas-easel';
import { loadFonts } from './fonts';
import { encodeModern, smallerPng } from './codecs';
import { decodeDelivered, decodeImage } from './images';
import { shippedPacket, shippedSilhouettes, shippedSymbols } from './symbols';
import { encodeJpeg } from './jpeg';
import { nodeSubsetter } from './subset';

/** The recipes' studio in Node, over the pictures of one or several projects. */
export class NodeStudio implements Studio {
  readonly shaper = new Shaper(harfbuzz);
  readonly #decoded = new Map<string, SurfaceImage | null>();

  constructor(readonly files: ReadonlyMap<string, Uint8Array>) {}

  async loadFonts(cuts: readonly string[]): Promise<void> {
    loadFonts(this.shaper, cuts, this.files);
  }

  subsetter(): Promise<FontSubsetter> {
    return nodeSubsetter();
  }

  async symbols(): Promise<Symbols> {
    return shippedSymbols();
  }

  async silhouettes(): Promise<Silhouettes> {
    return shippedSilhouettes();
  }

  async packet(number: number): Promise<readonly Drawn[]> {
    return shippedPacket(number);
  }

  async picture(asset: string): Promise<SurfaceImage | null> {
    const known = this.#decoded.get(asset);
    if (known !== undefined) return known;
    const bytes = this.files.get(asset);
    const image = bytes ? await this.opened(bytes) : null;
    this.#decoded.set(asset, image);
    return image;
  }

  file(asset: string): Promise<Uint8Array<ArrayBuffer> | null> {
    const bytes = this.files.get(asset);
    return Promise.resolve(bytes ? new Uint8Array(bytes) : null);
  }

  async opened(bytes: Uint8Array): Promise<SurfaceImage | null> {
    const decoded = await decodeImage(bytes);
    return decoded.ok ? imageOfRaster(decoded.value.raster) : null;
  }

  paint(ink: Ink, widthPx: number, images: Images): Raster {
    return paintRaster(ink, widthPx, images);
  }

  resized(image: SurfaceImage, widthPx: number): SurfaceImage {
    return resizedImage(image, widthPx);
  }

  pixelsOf(image: SurfaceImage): Raster {
    return rasterOfImage(image);
  }

  imageOf(raster: Raster): SurfaceImage {
    return imageOfRaster(raster);
  }

  encodeJpeg(raster: Raster, quality: number, progressive: boolean, chroma?: Chroma): Promise<Uint8Array<ArrayBuffer>> {
    return encodeJpeg(raster, quality, progressive, chroma);
  }

  encodeModern(raster: Raster, format: 'webp' | 'avif', quality: number): Promise<Uint8Array<ArrayBuffer>> {
    return encodeModern(raster, format, quality);
  }

  smallerPng(png: Uint8Array<ArrayBuffer>): Promise<Uint8Array<ArrayBuffer>> {
    return smallerPng(png);
  }

  async decode(bytes: Uint8Array<ArrayBuffer>): Promise<Raster | null> {
    const decoded = await decodeDelivered(bytes);
    return decoded.ok ? decoded.value.raster : null;
  }
}
