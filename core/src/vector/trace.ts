// @ts-expect-error: the package has no types; Tracer below is the part of it that is used.
import ImageTracer from 'imagetracerjs';
import { type Result, fail, ok } from '../base';
import { type Hex, hexOf } from '../colour';
import { type Path, PathBuilder, joinPaths } from '../plane';
import { type Raster, shrink } from '../pixels';
import { type Drawing, drawingOf } from './drawing';

/** Longest side at which a mark is traced: enough for clean curves, few enough points. */
const TRACE_PX = 480;
const MOST_PATHS = 300;

type Tracer = {
  imagedataToTracedata(image: { width: number; height: number; data: Uint8ClampedArray }, options: object): unknown;
};

export type TraceOptions = {
  /** 2..16 colours. */
  readonly colours: number;
  /** 0 keeps every corner, 1 rounds generously. */
  readonly smoothness: number;
  /** Leaves out the colour of the corners. */
  readonly dropGround: boolean;
};

type Segment = { type: 'L' | 'Q'; x1: number; y1: number; x2: number; y2: number; x3?: number; y3?: number };
type Traced = {
  layers: { segments: Segment[]; holechildren: number[]; isholepath: boolean }[][];
  palette: { r: number; g: number; b: number; a: number }[];
};

/** Turns a raster mark into flat outlines. Faults: `trace-empty`, `trace-many` when it is no mark but a picture. */
export function traceRaster(source: Raster, options: TraceOptions): Result<Drawing> {
  const k = Math.min(1, TRACE_PX / Math.max(source.width, source.height));
  const small = shrink(source, source.width * k, source.height * k);
  const tolerance = 0.4 + options.smoothness * 2.2;
  const traced = (ImageTracer as Tracer).imagedataToTracedata(
    { width: small.width, height: small.height, data: small.data },
    {
      numberofcolors: options.colours,
      colorquantcycles: 4,
      colorsampling: 2,
      mincolorratio: 0,
      pathomit: 6 + Math.round(options.smoothness * 10),
      ltres: tolerance,
      qtres: tolerance,
      rightangleenhance: options.smoothness < 0.5,
      blurradius: options.smoothness > 0.3 ? 1 : 0,
      blurdelta: 30,
    },
  ) as Traced;
  const ground = options.dropGround ? cornerColour(small) : null;
  const found: { path: Path; colour: Hex }[] = [];
  traced.layers.forEach((layer, i) => {
    const { r, g, b, a } = traced.palette[i];
    if (a < 128 || (ground && Math.hypot(r - ground[0], g - ground[1], b - ground[2]) < 48)) return;
    const colour = hexOf([r, g, b]);
    for (const one of layer) {
      if (one.isholepath || one.segments.length < 2) continue;
      const holes = one.holechildren.flatMap((h) => (layer[h] ? [contour(layer[h].segments, true)] : []));
      found.push({ path: joinPaths([contour(one.segments, false), ...holes]), colour });
    }
  });
  if (found.length > MOST_PATHS) return fail('trace-many', { most: MOST_PATHS });
  const drawing = drawingOf(found);
  return drawing ? ok(drawing) : fail('trace-empty');
}

/** A contour; backwards for holes, so that they are cut out by direction. */
function contour(segments: readonly Segment[], backwards: boolean): Path {
  const b = new PathBuilder();
  const end = (s: Segment): [number, number] => (s.type === 'Q' ? [s.x3 ?? s.x2, s.y3 ?? s.y2] : [s.x2, s.y2]);
  if (!backwards) {
    b.move(segments[0].x1, segments[0].y1);
    for (const s of segments) {
      if (s.type === 'Q') b.quad(s.x2, s.y2, ...end(s));
      else b.line(...end(s));
    }
  } else {
    b.move(...end(segments[segments.length - 1]));
    for (const s of [...segments].reverse()) {
      if (s.type === 'Q') b.quad(s.x2, s.y2, s.x1, s.y1);
      else b.line(s.x1, s.y1);
    }
  }
  return b.close().done();
}

/** The colour of the corners where they agree and are opaque. */
function cornerColour(source: Raster): readonly [number, number, number] | null {
  const { width: w, height: h, data } = source;
  const corners = [0, w - 1, (h - 1) * w, h * w - 1].map((i) => [...data.slice(i * 4, i * 4 + 4)]);
  const [first] = corners;
  const alike = corners.every((c) => c[3] > 200 && c.every((v, i) => Math.abs(v - first[i]) < 24));
  return alike ? [first[0], first[1], first[2]] : null;
}
