import type { Point } from '@yosomi/core/plane';

/** The colour of a picture at a place, fractions of it; null where it is clear or there is none. */
export function colourAt(canvas: HTMLCanvasElement | null | undefined, { x, y }: Point): string | null {
  const at = (share: number, length: number): number => Math.floor(share * length);
  const pixel = canvas?.getContext('2d')?.getImageData(at(x, canvas.width), at(y, canvas.height), 1, 1).data;
  if (!pixel || pixel[3] === 0) return null;
  return `#${[0, 1, 2].map((c) => pixel[c].toString(16).padStart(2, '0')).join('')}`;
}
