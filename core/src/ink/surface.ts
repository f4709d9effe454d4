import type { Rect } from '../plane';

/** A gradient of the Canvas standard. */
export interface SurfaceGradient {
  addColorStop(offset: number, colour: string): void;
}

/**
 * The part of the Canvas 2D standard that the painter draws with. Browser canvases and their twins in Node both
 * satisfy it as they are. Clipping is left out: it is not antialiased everywhere.
 */
export interface Surface2D {
  globalAlpha: number;
  globalCompositeOperation: string;
  fillStyle: unknown;
  strokeStyle: unknown;
  filter: string;
  lineWidth: number;
  lineCap: string;
  lineJoin: string;
  imageSmoothingEnabled: boolean;
  imageSmoothingQuality: string;
  save(): void;
  restore(): void;
  setTransform(a: number, b: number, c: number, d: number, e: number, f: number): void;
  setLineDash(lengths: number[]): void;
  beginPath(): void;
  moveTo(x: number, y: number): void;
  lineTo(x: number, y: number): void;
  quadraticCurveTo(cx: number, cy: number, x: number, y: number): void;
  bezierCurveTo(ax: number, ay: number, bx: number, by: number, x: number, y: number): void;
  closePath(): void;
  fill(): void;
  stroke(): void;
  createLinearGradient(x0: number, y0: number, x1: number, y1: number): SurfaceGradient;
  createRadialGradient(x0: number, y0: number, r0: number, x1: number, y1: number, r1: number): SurfaceGradient;
}

/** An image a surface can draw; the platform knows what it is. */
export type SurfaceImage = { readonly widthPx: number; readonly heightPx: number; readonly source: unknown };

/** What a platform lends the painter: a way to draw an image, and fresh layers over a region of the same surface. */
export interface Easel {
  readonly surface: Surface2D;
  /** The region of the whole surface that this easel covers, whole pixels. */
  readonly region: Rect;
  drawImage(image: SurfaceImage, from: readonly number[], to: readonly number[]): void;
  /** A clear surface over a region of whole pixels. */
  layer(region: Rect): Easel;
  /** Draws a layer in its place, each of its pixels `times` as large, with the surface's alpha, filter and compositing. */
  drawLayer(layer: Easel, times: number): void;
}
