import {
  type Easel,
  type Images,
  type Ink,
  type Surface2D,
  type SurfaceImage,
  paint,
  sameAtBack,
} from '@yosomi/core/ink';
import { type Raster, raster } from '@yosomi/core/pixels';
import type { Rect } from '@yosomi/core/plane';
import type { Studio } from '@yosomi/core/recipe';
import {
  type Drawn,
  type Silhouettes,
  type Symbols,
  noSymbols,
  readPacket,
  readSilhouettes,
  readSymbols,
} from '@yosomi/core/symbols';
import { type FontSubsetter, OWN_FACE, Shaper, findCut, fontSubsetter, isOwnCut } from '@yosomi/core/text';
import {
  MOST_DELIVERED,
  type Chroma,
  decodeTiff,
  liesOnSide,
  readDelivered,
  readImage,
  stripMetadata,
  uprightMap,
} from '@yosomi/core/image-file';
import { LRUCache } from 'lru-cache';
import { bytesFor } from '../persist/bytes';
import { SUBSETTER_URL, fontUrl } from '../platform/font-files';
import { fetchBytes } from '../platform/http';
import { SILHOUETTES_URL, SYMBOLS_URL, packetUrl } from '../platform/symbol-file';
import { encodeModern, smallerPng } from './codecs';
import { encodeJpeg } from './encode-jpeg';

class BrowserEasel implements Easel {
  readonly canvas: OffscreenCanvas;
  readonly context: OffscreenCanvasRenderingContext2D;
  readonly surface: Surface2D;

  constructor(readonly region: Rect) {
    this.canvas = new OffscreenCanvas(region.width, region.height);
    const context = this.canvas.getContext('2d', { willReadFrequently: true });
    if (!context) throw new Error('no canvas to draw on');
    this.context = context;
    this.surface = context as unknown as Surface2D;
  }

  drawImage(image: SurfaceImage, f: readonly number[], t: readonly number[]): void {
    this.context.drawImage(image.source as OffscreenCanvas, f[0], f[1], f[2], f[3], t[0], t[1], t[2], t[3]);
  }

  layer(region: Rect): BrowserEasel {
    return new BrowserEasel(region);
  }

  drawLayer(layer: Easel, times: number): void {
    this.context.setTransform(1, 0, 0, 1, 0, 0);
    const { x, y, width, height } = layer.region;
    const { canvas } = layer as BrowserEasel;
    if (times === 1) return void this.context.drawImage(canvas, x - this.region.x, y - this.region.y);
    this.context.imageSmoothingEnabled = true;
    this.context.imageSmoothingQuality = 'low';
    const [left, top] = [x * times - this.region.x, y * times - this.region.y];
    this.context.drawImage(canvas, left, top, width * times, height * times);
  }
}

const easelOf = (width: number, height: number): BrowserEasel => new BrowserEasel({ x: 0, y: 0, width, height });

/** Decodes a picture that `readImage` has accepted, upright, without premultiplied colours. */
export async function decodeUpright(
  bytes: Uint8Array<ArrayBuffer>,
  mostPixels?: number,
): Promise<OffscreenCanvas | null> {
  const read = readImage(bytes, mostPixels);
  if (!read.ok) return null;
  const { widthPx, heightPx, orientation, format } = read.value;
  // Without its tag the picture is decoded as it is stored, by every browser alike.
  const blob = new Blob([stripMetadata(bytes, read.value)], { type: `image/${format}` });
  const bitmap = await createImageBitmap(blob).catch(() => null);
  if (!bitmap) return null;
  const side = liesOnSide(orientation);
  const easel = easelOf(side ? heightPx : widthPx, side ? widthPx : heightPx);
  easel.context.setTransform(...uprightMap(orientation, widthPx, heightPx));
  easel.context.drawImage(bitmap, 0, 0);
  bitmap.close();
  return easel.canvas;
}

/** The same for any image that a store may be sent. */
async function decodeDelivered(bytes: Uint8Array<ArrayBuffer>): Promise<OffscreenCanvas | null> {
  const read = readDelivered(bytes);
  if (!read.ok) return null;
  const { format, orientation, widthPx, heightPx } = read.value;
  if (format !== 'tiff' && format !== 'avif') return decodeUpright(bytes, MOST_DELIVERED);
  const tiff = format === 'tiff' ? decodeTiff(bytes) : null;
  if (format === 'tiff' && !tiff) return null;
  const source = tiff ? new ImageData(tiff.data, tiff.width, tiff.height) : new Blob([bytes], { type: 'image/avif' });
  const bitmap = await createImageBitmap(source).catch(() => null);
  if (!bitmap) return null;
  // An AVIF is turned by its decoder.
  const turn = tiff ? orientation : 1;
  const easel =
    turn === 1
      ? easelOf(bitmap.width, bitmap.height)
      : easelOf(...(liesOnSide(turn) ? ([heightPx, widthPx] as const) : ([widthPx, heightPx] as const)));
  easel.context.setTransform(...uprightMap(turn, widthPx, heightPx));
  easel.context.drawImage(bitmap, 0, 0);
  bitmap.close();
  return easel.canvas;
}

/** What a file of the app says; null where it cannot be reached. */
async function shipped<T>(url: string, read: (raw: unknown) => T): Promise<T | null> {
  const bytes = await fetchBytes(url);
  return bytes && read(JSON.parse(new TextDecoder().decode(bytes)));
}

/** How many decoded pictures are kept: a picture of 24 megapixels takes 96 MB. */
const KEPT_PICTURES = 3;

/** The recipes' studio in a worker. Pictures come from the database, fonts from the app's own files. */
export class BrowserStudio implements Studio {
  #shaper: Promise<Shaper> | null = null;
  #ready: Shaper | null = null;
  #subsetter: Promise<FontSubsetter> | null = null;
  #live: { ink: Ink; widthPx: number; back: BrowserEasel | null; backCount: number } | null = null;
  #symbols: Symbols | null = null;
  #silhouettes: Silhouettes | null = null;
  readonly #packets = new Map<number, readonly Drawn[]>();
  readonly #pictures = new LRUCache<string, SurfaceImage>({ max: KEPT_PICTURES });
  readonly #fonts = new Map<string, Promise<void>>();

  get shaper(): Shaper {
    if (!this.#ready) throw new Error('fonts are loaded before anything is set');
    return this.#ready;
  }

  async subsetter(): Promise<FontSubsetter> {
    this.#subsetter ??= (async () => {
      const bytes = await fetchBytes(SUBSETTER_URL);
      if (!bytes) throw new Error('the subsetter could not be fetched');
      return fontSubsetter((await WebAssembly.instantiate(bytes, {})).instance);
    })();
    return this.#subsetter;
  }

  async loadFonts(cuts: readonly string[]): Promise<void> {
    // Imported here and not above: a worker that waits while it loads loses the messages sent to it meanwhile.
    this.#shaper ??= import('harfbuzzjs').then((harfbuzz) => new Shaper(harfbuzz));
    this.#ready = await this.#shaper;
    await Promise.all(
      cuts.map((cut) => {
        let loading = this.#fonts.get(cut);
        if (!loading) this.#fonts.set(cut, (loading = this.#loadFont(cut)));
        return loading;
      }),
    );
  }

  async #loadFont(cut: string): Promise<void> {
    if (isOwnCut(cut)) {
      const bytes = await bytesFor('assets', cut.slice(OWN_FACE.length));
      if (bytes) this.shaper.add(cut, bytes);
      else this.#fonts.delete(cut);
      return;
    }
    const bytes = await fetchBytes(fontUrl(cut));
    if (!bytes) {
      this.#fonts.delete(cut);
      throw new Error(`font did not load: ${cut}`);
    }
    this.shaper.add(cut, bytes, findCut(cut)?.cut.axes ?? {});
  }

  async symbols(): Promise<Symbols> {
    // Out of reach for now: what needs none goes on, and the next one asks again.
    return (this.#symbols ??= await shipped(SYMBOLS_URL, readSymbols)) ?? noSymbols;
  }

  async silhouettes(): Promise<Silhouettes | null> {
    return (this.#silhouettes ??= await shipped(SILHOUETTES_URL, readSilhouettes));
  }

  async packet(number: number): Promise<readonly Drawn[] | null> {
    const all = await this.silhouettes();
    const known = this.#packets.get(number);
    if (known || !all) return known ?? null;
    const read = await shipped(packetUrl(number), (raw) => readPacket(raw, all, number));
    if (read) this.#packets.set(number, read);
    return read;
  }

  async picture(asset: string): Promise<SurfaceImage | null> {
    const known = this.#pictures.get(asset);
    if (known) return known;
    const bytes = await bytesFor('assets', asset);
    const image = bytes ? await this.opened(bytes) : null;
    if (!image) return null;
    this.#pictures.set(asset, image);
    return image;
  }

  file(asset: string): Promise<Uint8Array<ArrayBuffer> | null> {
    return bytesFor('assets', asset);
  }

  async opened(bytes: Uint8Array<ArrayBuffer>): Promise<SurfaceImage | null> {
    const canvas = await decodeUpright(bytes);
    return canvas && { widthPx: canvas.width, heightPx: canvas.height, source: canvas };
  }

  paint(ink: Ink, widthPx: number, images: Images): Raster {
    const height = Math.max(1, Math.round((widthPx * ink.heightPx) / ink.widthPx));
    const easel = easelOf(widthPx, height);
    paint(ink, easel, images);
    const { data } = easel.context.getImageData(0, 0, widthPx, height);
    return raster(widthPx, height, data as Uint8ClampedArray<ArrayBuffer>);
  }

  /**
   * A list painted for the screen. What lies behind the first thing that has changed since the last call is not painted
   * again, so that a part under the hand costs only itself and what is before it.
   */
  live(ink: Ink, widthPx: number, images: Images): ImageBitmap {
    const height = Math.max(1, Math.round((widthPx * ink.heightPx) / ink.widthPx));
    const easel = easelOf(widthPx, height);
    const last = this.#live?.widthPx === widthPx ? this.#live : null;
    const same = last ? sameAtBack(last.ink, ink) : 0;
    const kept = last?.back && last.backCount <= same ? last : null;
    if (kept?.back) easel.drawLayer(kept.back, 1);
    const from = kept ? kept.backCount : 0;
    paint({ ...ink, items: ink.items.slice(from, same) }, easel, images);
    let back = kept?.back ?? null;
    if (same > from) {
      back = easelOf(widthPx, height);
      back.drawLayer(easel, 1);
    }
    paint({ ...ink, items: ink.items.slice(same) }, easel, images);
    this.#live = { ink, widthPx, back, backCount: back ? Math.max(from, same) : 0 };
    return easel.canvas.transferToImageBitmap();
  }

  /** Ends a run of `live` pictures: the next one is painted whole. */
  rest(): void {
    this.#live = null;
  }

  resized(image: SurfaceImage, widthPx: number): SurfaceImage {
    const heightPx = Math.max(1, Math.round((widthPx * image.heightPx) / image.widthPx));
    const easel = easelOf(widthPx, heightPx);
    easel.context.imageSmoothingQuality = 'high';
    easel.context.drawImage(image.source as OffscreenCanvas, 0, 0, widthPx, heightPx);
    return { widthPx, heightPx, source: easel.canvas };
  }

  pixelsOf(image: SurfaceImage): Raster {
    const { widthPx, heightPx } = image;
    const context = (image.source as OffscreenCanvas).getContext('2d');
    if (!context) throw new Error('no canvas to read');
    const { data } = context.getImageData(0, 0, widthPx, heightPx);
    return raster(widthPx, heightPx, data as Uint8ClampedArray<ArrayBuffer>);
  }

  imageOf(source: Raster): SurfaceImage {
    const easel = easelOf(source.width, source.height);
    easel.context.putImageData(new ImageData(source.data, source.width, source.height), 0, 0);
    return { widthPx: source.width, heightPx: source.height, source: easel.canvas };
  }

  encodeJpeg(source: Raster, quality: number, progressive: boolean, chroma?: Chroma): Promise<Uint8Array<ArrayBuffer>> {
    return encodeJpeg(source, quality, progressive, chroma);
  }

  encodeModern(source: Raster, format: 'webp' | 'avif', quality: number): Promise<Uint8Array<ArrayBuffer>> {
    return encodeModern(source, format, quality);
  }

  smallerPng(png: Uint8Array<ArrayBuffer>): Promise<Uint8Array<ArrayBuffer>> {
    return smallerPng(png);
  }

  async decode(bytes: Uint8Array<ArrayBuffer>): Promise<Raster | null> {
    const canvas = await decodeDelivered(bytes);
    return canvas && this.pixelsOf({ widthPx: canvas.width, heightPx: canvas.height, source: canvas });
  }
}
