/** A point or vector in the plane; y grows downwards, as in images. */
export type Point = { readonly x: number; readonly y: number };

/** An axis-aligned rectangle by its top left corner and its size. */
export type Rect = { readonly x: number; readonly y: number; readonly width: number; readonly height: number };

/** x' = a x + c y + e, y' = b x + d y + f, the order of the Canvas and SVG standards. */
export type Affine = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

export const translate = (x: number, y: number): Affine => [1, 0, 0, 1, x, y];
export const scale = (x: number, y = x): Affine => [x, 0, 0, y, 0, 0];
export function rotate(angleRad: number): Affine {
  const cos = Math.cos(angleRad);
  const sin = Math.sin(angleRad);
  return [cos, sin, -sin, cos, 0, 0];
}

/** The map that applies `first`, then `then`. */
export function compose(then: Affine, first: Affine): Affine {
  return [
    then[0] * first[0] + then[2] * first[1],
    then[1] * first[0] + then[3] * first[1],
    then[0] * first[2] + then[2] * first[3],
    then[1] * first[2] + then[3] * first[3],
    then[0] * first[4] + then[2] * first[5] + then[4],
    then[1] * first[4] + then[3] * first[5] + then[5],
  ];
}

export function apply(m: Affine, p: Point): Point {
  return { x: m[0] * p.x + m[2] * p.y + m[4], y: m[1] * p.x + m[3] * p.y + m[5] };
}

export function rotateAbout(angleRad: number, x: number, y: number): Affine {
  return compose(translate(x, y), compose(rotate(angleRad), translate(-x, -y)));
}

/** The box of a rectangle after a map. */
export function rectAround(m: Affine, r: Rect): Rect {
  if (r.width <= 0 && r.height <= 0) return { x: 0, y: 0, width: 0, height: 0 };
  const corners = [
    apply(m, { x: r.x, y: r.y }),
    apply(m, { x: r.x + r.width, y: r.y }),
    apply(m, { x: r.x, y: r.y + r.height }),
    apply(m, { x: r.x + r.width, y: r.y + r.height }),
  ];
  const x = Math.min(...corners.map((p) => p.x));
  const y = Math.min(...corners.map((p) => p.y));
  return { x, y, width: Math.max(...corners.map((p) => p.x)) - x, height: Math.max(...corners.map((p) => p.y)) - y };
}

export const outset = (r: Rect, by: number): Rect => ({
  x: r.x - by,
  y: r.y - by,
  width: r.width + 2 * by,
  height: r.height + 2 * by,
});

/** What two rectangles share; without width or height where they share nothing. */
export function intersect(a: Rect, b: Rect): Rect {
  const x = Math.max(a.x, b.x);
  const y = Math.max(a.y, b.y);
  return {
    x,
    y,
    width: Math.max(0, Math.min(a.x + a.width, b.x + b.width) - x),
    height: Math.max(0, Math.min(a.y + a.height, b.y + b.height) - y),
  };
}

/** The smallest rectangle of whole pixels around one. */
export function wholePixels(r: Rect): Rect {
  const x = Math.floor(r.x);
  const y = Math.floor(r.y);
  return { x, y, width: Math.ceil(r.x + r.width) - x, height: Math.ceil(r.y + r.height) - y };
}

export const centreOf = (r: Rect): Point => ({ x: r.x + r.width / 2, y: r.y + r.height / 2 });

export const contains = (r: Rect, p: Point): boolean =>
  p.x >= r.x && p.y >= r.y && p.x <= r.x + r.width && p.y <= r.y + r.height;

/** The smallest rectangle around all given ones; a zero rectangle for none. */
export function union(rects: readonly Rect[]): Rect {
  if (rects.length === 0) return { x: 0, y: 0, width: 0, height: 0 };
  const x = Math.min(...rects.map((r) => r.x));
  const y = Math.min(...rects.map((r) => r.y));
  return {
    x,
    y,
    width: Math.max(...rects.map((r) => r.x + r.width)) - x,
    height: Math.max(...rects.map((r) => r.y + r.height)) - y,
  };
}

/**
 * The part of a picture that fills a frame without stretching, as a rectangle in picture pixels.
 * `focus` (0..1 in each direction) says which point stays in view, `zoom` >= 1 enlarges about it.
 */
export function cropToFill(
  picture: { widthPx: number; heightPx: number },
  frame: { width: number; height: number },
  focus: Point,
  zoom: number,
): Rect {
  const ratio = frame.width / frame.height;
  let width = Math.min(picture.widthPx, picture.heightPx * ratio);
  let height = width / ratio;
  width /= Math.max(1, zoom);
  height /= Math.max(1, zoom);
  return {
    x: (picture.widthPx - width) * clamp(focus.x, 0, 1),
    y: (picture.heightPx - height) * clamp(focus.y, 0, 1),
    width,
    height,
  };
}

export const clamp = (value: number, low: number, high: number): number =>
  value < low ? low : value > high ? high : value;

/** Smooth step from 0 at `from` to 1 at `to`, flat at both ends. */
export function smoothstep(from: number, to: number, value: number): number {
  const t = clamp((value - from) / (to - from), 0, 1);
  return t * t * (3 - 2 * t);
}
