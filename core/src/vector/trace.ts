import { contours } from 'd3-contour';
import { type Result, fail, ok } from '../base';
import { type Hex, hexOf } from '../colour';
import { type Path, fitRing, joinPaths } from '../plane';
import { type Raster, shrink } from '../pixels';
import { type Drawing, drawingOf } from './drawing';
import { type FlatColour, chosenColours, flatColours, proposedColours } from './flat-colours';
import { coverage } from './regions';

/** Longest side at which a mark is traced: enough for clean curves, few enough points. */
const TRACE_PX = 640;
const MOST_PATHS = 300;
/** Rounds of free nodes, so that what touches the picture's edge is closed beyond it. */
const MARGIN = 2;

export type TraceOptions = {
  /** 1..12 colours, the ground's among them; null takes as many as the mark seems to have. */
  readonly colours: number | null;
  /** 0 keeps every corner, 1 rounds generously. */
  readonly smoothness: number;
  /** Leaves out the colour of the corners. What is transparent is always left out. */
  readonly dropGround: boolean;
};

/** A mark as outlines, and of how many colours it was made. */
export type Traced = { readonly drawing: Drawing; readonly colours: number };

type Ring = readonly (readonly [number, number])[];

/**
 * Turns a raster mark into flat outlines, the largest colour at the back: coverage of every pixel by every colour, outlines
 * through it at one half (marching squares, d3-contour), cubics fitted to those. A colour runs on for a pixel under those in
 * front of it, so that no seam shows. Faults: `trace-empty`, `trace-many` when it is no mark but a picture.
 */
export function traceRaster(source: Raster, options: TraceOptions): Result<Traced> {
  const k = Math.min(1, TRACE_PX / Math.max(source.width, source.height));
  const small = shrink(source, source.width * k, source.height * k);
  const found = flatColours(small);
  if (found.length === 0) return fail('trace-empty');
  const count = options.colours ?? proposedColours(found);
  const ground = options.dropGround ? groundOf(small) : null;
  const colours = chosenColours(found, count);
  const planes = coverage(small, colours);
  const isGround = (one: FlatColour): boolean =>
    ground !== null && one.rgb.every((v, c) => Math.abs(v - ground[c]) < 28);
  const order = colours
    .map((colour, i) => ({ colour, plane: planes[i], area: planes[i].reduce((sum, v) => sum + v, 0) }))
    .filter(({ colour }) => !isGround(colour))
    .sort((a, b) => b.area - a.area);
  const paths: { path: Path; colour: Hex }[] = [];
  const tolerance = 0.2 + 0.3 * options.smoothness;
  const cornerRad = 0.5 + 0.5 * options.smoothness;
  const least = 5 + 16 * options.smoothness;
  for (const [i, { colour, plane }] of order.entries()) {
    const over = order.slice(i + 1).map((one) => one.plane);
    const grown = runsUnder(plane, over, small.width, small.height);
    // Specks are left out, and so are holes that small.
    const shapes = outlines(grown, small.width, small.height)
      .filter(([outer]) => areaOf(outer) > least)
      .map(([outer, ...holes]) => [outer, ...holes.filter((ring) => areaOf(ring) > least)]);
    if (paths.length + shapes.length > MOST_PATHS) return fail('trace-many', { most: MOST_PATHS });
    for (const rings of shapes) {
      const shown = rings.filter((ring, r) => r === 0 || !coveredBy(over, ring, small.width, small.height));
      const fitted = shown.flatMap(
        (ring) =>
          fitRing(
            ring.map(([x, y]) => ({ x, y })),
            tolerance,
            cornerRad,
          ) ?? [],
      );
      if (fitted.length > 0) paths.push({ path: joinPaths(fitted), colour: hexOf(colour.rgb) });
    }
  }
  const drawing = drawingOf(paths);
  return drawing ? ok({ drawing, colours: colours.length }) : fail('trace-empty');
}

/** A colour's coverage, run on for a pixel under the colours in front of it. */
function runsUnder(plane: Float32Array, over: readonly Float32Array[], w: number, h: number): Float32Array {
  if (over.length === 0) return plane;
  const grown = new Float32Array(plane);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const p = y * w + x;
      let front = 0;
      for (const one of over) front += one[p];
      if (front === 0) continue;
      let near = 0;
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -1; dx <= 1; dx++)
          if (x + dx >= 0 && y + dy >= 0 && x + dx < w && y + dy < h) near = Math.max(near, plane[p + dy * w + dx]);
      grown[p] = Math.min(1, plane[p] + front * near);
    }
  return grown;
}

/** Outlines of what is covered by more than a half, each with its holes, in px of the picture. */
function outlines(plane: Float32Array, w: number, h: number): Ring[][] {
  const [wide, high] = [w + 2 * MARGIN, h + 2 * MARGIN];
  const padded = Array.from({ length: wide * high }, () => 0);
  for (let y = 0; y < h; y++) for (let x = 0; x < w; x++) padded[(y + MARGIN) * wide + x + MARGIN] = plane[y * w + x];
  const found = contours().size([wide, high]).smooth(true).contour(padded, 0.5);
  return found.coordinates.map((polygon) =>
    polygon.map((ring) => ring.slice(0, -1).map(([x, y]) => [x - MARGIN, y - MARGIN] as const)),
  );
}

function areaOf(ring: Ring): number {
  let twice = 0;
  ring.forEach(([x, y], i) => {
    const [nx, ny] = ring[(i + 1) % ring.length];
    twice += x * ny - nx * y;
  });
  return Math.abs(twice) / 2;
}

/** Whether a hole shows nothing but colours that lie in front: then it need not be cut. */
function coveredBy(over: readonly Float32Array[], ring: Ring, w: number, h: number): boolean {
  if (over.length === 0) return false;
  const ys = ring.map(([, y]) => y);
  for (let y = Math.max(0, Math.floor(Math.min(...ys))); y <= Math.min(h - 1, Math.ceil(Math.max(...ys))); y++) {
    const crossings: number[] = [];
    ring.forEach(([x, y0], i) => {
      const [nx, y1] = ring[(i + 1) % ring.length];
      if (y0 > y + 0.5 !== y1 > y + 0.5) crossings.push(x + ((y + 0.5 - y0) / (y1 - y0)) * (nx - x));
    });
    crossings.sort((a, b) => a - b);
    for (let c = 0; c + 1 < crossings.length; c += 2)
      for (let x = Math.ceil(crossings[c] + 1); x < Math.floor(crossings[c + 1] - 1) && x < w; x++) {
        let front = 0;
        for (const one of over) front += one[y * w + Math.max(0, x)];
        if (front < 0.5) return false;
      }
  }
  return true;
}

/** The colour of the corners where they agree and are opaque. */
function groundOf(source: Raster): readonly [number, number, number] | null {
  const { width: w, height: h, data } = source;
  const corners = [0, w - 1, (h - 1) * w, h * w - 1].map((i) => [...data.slice(i * 4, i * 4 + 4)]);
  const [first] = corners;
  const alike = corners.every((c) => c[3] > 200 && c.every((v, i) => Math.abs(v - first[i]) < 24));
  return alike ? [first[0], first[1], first[2]] : null;
}
