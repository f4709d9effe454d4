import { type Canvas, type SKRSContext2D, createCanvas } from '@napi-rs/canvas';
import { type Easel, type Images, type Ink, type Surface2D, paint } from '@yosomi/core/ink';
import { type Raster, raster } from '@yosomi/core/pixels';

class NodeEasel implements Easel {
  readonly canvas: Canvas;
  readonly context: SKRSContext2D;
  readonly surface: Surface2D;

  constructor(
    readonly widthPx: number,
    readonly heightPx: number,
  ) {
    this.canvas = createCanvas(widthPx, heightPx);
    this.context = this.canvas.getContext('2d');
    this.surface = this.context as unknown as Surface2D;
  }

  drawImage(image: { source: unknown }, f: readonly number[], t: readonly number[]): void {
    this.context.drawImage(image.source as Canvas, f[0], f[1], f[2], f[3], t[0], t[1], t[2], t[3]);
  }

  layer(): NodeEasel {
    return new NodeEasel(this.widthPx, this.heightPx);
  }

  drawLayer(layer: Easel): void {
    this.context.setTransform(1, 0, 0, 1, 0, 0);
    this.context.drawImage((layer as NodeEasel).canvas, 0, 0);
  }
}

/** Paints a display list at a width, with the height that its ratio gives. */
export function paintRaster(ink: Ink, widthPx: number, images: Images): Raster {
  const easel = new NodeEasel(widthPx, Math.max(1, Math.round((widthPx * ink.heightPx) / ink.widthPx)));
  paint(ink, easel, images);
  const { data } = easel.context.getImageData(0, 0, easel.widthPx, easel.heightPx);
  return raster(easel.widthPx, easel.heightPx, new Uint8ClampedArray(data));
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
