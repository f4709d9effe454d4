import type { PDFPage } from '@cantoo/pdf-lib';
import type { Affine } from '../plane';

/** A page as it is seen: its box turned upright, from its top left, y down, in points. */
export type Seen = {
  readonly width: number;
  readonly height: number;
  /** From the page's own coordinates to those that are seen. */
  readonly matrix: Affine;
  /** From what is seen, with y up from its top, to the page's own coordinates. */
  readonly upright: Affine;
};

/** How a page is seen: its crop box, turned as the page says. */
export function seenOf(page: PDFPage): Seen {
  const { x, y, width: w, height: h } = page.getCropBox();
  const turn = (((Math.round(page.getRotation().angle / 90) % 4) + 4) % 4) as 0 | 1 | 2 | 3;
  const ways: readonly [matrix: Affine, upright: Affine][] = [
    [
      [1, 0, 0, -1, -x, y + h],
      [1, 0, 0, 1, x, y + h],
    ],
    [
      [0, 1, 1, 0, -y, -x],
      [0, 1, -1, 0, x, y],
    ],
    [
      [-1, 0, 0, 1, x + w, -y],
      [-1, 0, 0, -1, x + w, y],
    ],
    [
      [0, -1, -1, 0, y + h, x + w],
      [0, -1, 1, 0, x + w, y + h],
    ],
  ];
  const [matrix, upright] = ways[turn];
  return { width: turn % 2 ? h : w, height: turn % 2 ? w : h, matrix, upright };
}
