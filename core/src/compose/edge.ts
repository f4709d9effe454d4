import { type Hex, hexOf } from '../colour';
import { type Paint, type Stop } from '../ink';
import type { Raster } from '../pixels';

/** Colours down the left or right edge of a cover, evenly spaced from top to bottom. */
export function edgeColours(front: Raster, side: 'left' | 'right', count = 33): Hex[] {
  const strip = Math.max(1, Math.round(front.width * 0.004));
  const x0 = side === 'left' ? 0 : front.width - strip;
  return Array.from({ length: count }, (_, i) => {
    // Each colour is the mean of the rows around its stop, so that a gradient between stops follows the edge.
    const centre = (i / (count - 1)) * (front.height - 1);
    const half = front.height / (count - 1) / 2;
    const y0 = Math.max(0, Math.floor(centre - half));
    const y1 = Math.min(front.height, Math.ceil(centre + half) + 1);
    const sum = [0, 0, 0];
    for (let y = y0; y < y1; y++) {
      for (let x = x0; x < x0 + strip; x++) {
        const p = (y * front.width + x) * 4;
        for (let c = 0; c < 3; c++) sum[c] += front.data[p + c];
      }
    }
    const n = (y1 - y0) * strip;
    return hexOf([sum[0] / n, sum[1] / n, sum[2] / n]);
  });
}

/** A vertical gradient through these colours over a height. */
export function edgePaint(colours: readonly Hex[], height: number): Paint {
  const stops: Stop[] = colours.map((colour, i) => ({ at: i / (colours.length - 1), colour, opacity: 1 }));
  return { kind: 'linear', from: { x: 0, y: 0 }, to: { x: 0, y: height }, stops };
}
