import type { Point, Rect } from '../plane';

/** The room on one side of a thing, up to its nearest neighbour there or to the edge of the page; px. */
export type Gap = {
  readonly side: 'left' | 'right' | 'top' | 'foot';
  readonly px: number;
  readonly from: Point;
  readonly to: Point;
};

/**
 * The gaps round a box on a page of a size: on each side to the nearest of the others that lies beyond it and beside it, else to the
 * edge. A side that lies over the edge, or within a neighbour, has none.
 */
export function gapsRound(
  box: Rect,
  others: readonly Rect[],
  page: { readonly width: number; readonly height: number },
): Gap[] {
  const [right, foot] = [box.x + box.width, box.y + box.height];
  const beside = others.filter((o) => o.y < foot && o.y + o.height > box.y);
  const along = others.filter((o) => o.x < right && o.x + o.width > box.x);
  const most = (values: readonly number[], edge: number): number => Math.max(edge, ...values);
  const least = (values: readonly number[], edge: number): number => Math.min(edge, ...values);
  const west = most(
    beside.map((o) => o.x + o.width).filter((v) => v <= box.x),
    0,
  );
  const east = least(
    beside.map((o) => o.x).filter((v) => v >= right),
    page.width,
  );
  const north = most(
    along.map((o) => o.y + o.height).filter((v) => v <= box.y),
    0,
  );
  const south = least(
    along.map((o) => o.y).filter((v) => v >= foot),
    page.height,
  );
  const [cx, cy] = [box.x + box.width / 2, box.y + box.height / 2];
  const all: Gap[] = [
    { side: 'left', px: box.x - west, from: { x: west, y: cy }, to: { x: box.x, y: cy } },
    { side: 'right', px: east - right, from: { x: right, y: cy }, to: { x: east, y: cy } },
    { side: 'top', px: box.y - north, from: { x: cx, y: north }, to: { x: cx, y: box.y } },
    { side: 'foot', px: south - foot, from: { x: cx, y: foot }, to: { x: cx, y: south } },
  ];
  return all.filter(({ px }) => px > 0);
}
