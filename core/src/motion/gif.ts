// oxlint-disable-next-line typescript/triple-slash-reference
/// <reference path="./gifenc.d.ts" />
import * as gifenc from 'gifenc';
import type { Raster } from '../pixels';
import { type Palette, indexer } from './indexed';

/** The package comes in two shapes: bundlers see its names, Node sees them under its default. */
const { GIFEncoder } = 'GIFEncoder' in gifenc ? gifenc : (gifenc as { default: typeof gifenc }).default;

/** Most colours of a frame: one number is kept for what has not changed. */
export const MOST_COLOURS = 255;

/** Writes frames of one size as a GIF, with one palette for all of them; of each only what has changed is stored. */
export function gifWriter(palette: Palette, looped: boolean) {
  const gif = GIFEncoder();
  const index = indexer(palette);
  const same = palette.length;
  const colours = [...palette, [0, 0, 0] as const];
  let before: Uint8Array | null = null;
  /** Hundredths of a second written, and due: the format knows no shorter time. */
  let written = 0;
  let due = 0;
  return {
    add(frame: Raster, seconds: number): void {
      const now = index(frame);
      due += seconds * 100;
      const delay = Math.max(2, Math.round(due) - written);
      written += delay;
      const left = before ? now.map((colour, i) => (colour === before![i] ? same : colour)) : now;
      gif.writeFrame(left, frame.width, frame.height, {
        ...(before ? { transparent: true, transparentIndex: same } : { palette: colours, repeat: looped ? 0 : -1 }),
        delay: delay * 10,
        // Each frame lies on those before it.
        dispose: 1,
      });
      before = now;
    },
    size: (): number => gif.bytesView().length,
    bytes(): Uint8Array<ArrayBuffer> {
      gif.finish();
      return gif.bytes();
    },
  };
}
