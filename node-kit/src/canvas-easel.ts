import { type Canvas, type SKRSContext2D, createCanvas } from '@napi-rs/canvas';
import { type Easel, type Images, type Ink, type Surface2D, paint } from '@yosomi/core/ink';
import { type Raster, raster } from '@yosomi/core/pixels';
import type { Rect } from '@yosomi/core/plane';

class NodeEasel implements Easel {
  readonly canvas: Canvas;
  readonly context: SKRSContext2D;
  readonly surface: Surface2D;

  constructor(readonly region: Rect) {
    this.canvas = createCanvas(region.width, region.height);
    this.context = this.canvas.getContext('2d');
    this.surface = this.context as unknown as Surface2D;
  }

  drawImage(image: { source: unknown }, f: readonly number[], t: readonly number[]): void {
    this.context.drawImage(image.source as Canvas, f[0], f[1], f[2], f[3], t[0], t[1], t[2], t[3]);
  }

  layer(region: Rect): NodeEasel {
    return new NodeEasel(region);
  }

  drawLayer(layer: Easel, times: number): void {
    this.context.setTransform(1, 0, 0, 1, 0, 0);
    const { x, y, width, height } = layer.region;
    const { canvas } = layer as NodeEasel;
    if (times === 1) return void this.context.drawImage(canvas, x - this.region.x, y - this.region.y);
    this.context.imageSmoothingEnabled = true;
    this.context.imageSmoothingQuality = 'low';
    const [left, top] = [x * times - this.region.x, y * times - this.region.y];
    this.context.drawImage(canvas, left, top, width * times, height * times);
  }
}

/** Paints a display list at a width, with the height that its ratio gives. */
export function paintRaster(ink: Ink, widthPx: number, images: Images): Raster {
  const height = Math.max(1, Math.round((widthPx * ink.heightPx) / ink.widthPx));
  const easel = new NodeEasel({ x: 0, y: 0, width: widthPx, height });
  paint(ink, easel, images);
  const { data } = easel.context.getImageData(0, 0, widthPx, height);
  return raster(widthPx, height, new Uint8ClampedArray(data));
}

/** A raster as an image that an easel can draw. */
export function imageOfRaster(source: Raster): { widthPx: number; heightPx: number; source: Canvas } {
  const canvas = createCanvas(source.width, source.height);
  const context = canvas.getContext('2d');
  const target = context.createImageData(source.width, source.height);
  target.data.set(source.data);
  context.putImageData(target, 0, 0);
  return { widthPx: source.width, heightPx: source.height, source: canvas };
}

type NodeImage = { readonly widthPx: number; readonly heightPx: number; readonly source: unknown };

/** The same image at another width. */
export function resizedImage(image: NodeImage, widthPx: number): NodeImage {
  const heightPx = Math.max(1, Math.round((widthPx * image.heightPx) / image.widthPx));
  const canvas = createCanvas(widthPx, heightPx);
  const context = canvas.getContext('2d');
  context.imageSmoothingEnabled = true;
  context.imageSmoothingQuality = 'high';
  context.drawImage(image.source as Canvas, 0, 0, widthPx, heightPx);
  return { widthPx, heightPx, source: canvas };
}

export function rasterOfImage(image: NodeImage): Raster {
  const { data } = (image.source as Canvas).getContext('2d').getImageData(0, 0, image.widthPx, image.heightPx);
  return raster(image.widthPx, image.heightPx, new Uint8ClampedArray(data));
}
