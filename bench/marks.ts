// @ts-expect-error: the package has no types; Tracer below is the part of it that is used.
import ImageTracer from 'imagetracerjs';
import { hexOf } from '@yosomi/core/colour';
import { drawnBounds, pathBounds } from '@yosomi/core/plane';
import { readPathData, writePathData } from '@yosomi/core/forms';
import { compose, scale, transformPath, translate, union } from '@yosomi/core/plane';
import type { Raster } from '@yosomi/core/pixels';
import { traceRaster } from '@yosomi/core/vector';
import { MARKS, nodesOf, paintedMark, tracingError } from '../tests/fixtures/marks';
import { type Row, median } from './rows';

type Drawn = { d: string; colour: string | null }[];
type Tracer = {
  imagedataToSVG(image: { width: number; height: number; data: Uint8ClampedArray }, options: object): string;
};

/** The general tool with its own detailed settings and the true number of colours; what is clear and the ground's colour are left out of its result. */
function general(source: Raster, colours: number, ground: string | null): Drawn {
  const svg = (ImageTracer as Tracer).imagedataToSVG(
    { width: source.width, height: source.height, data: source.data },
    { numberofcolors: colours + (ground ? 0 : 1), pathomit: 8, ltres: 0.5, qtres: 0.5, roundcoords: 3 },
  );
  const shown = [...svg.matchAll(/<path fill="rgb\((\d+),(\d+),(\d+)\)"[^>]*opacity="([\d.]+)" d="([^"]+)"/g)].flatMap(
    (m) => {
      const rgb = [Number(m[1]), Number(m[2]), Number(m[3])] as const;
      const near =
        ground !== null && rgb.every((v, c) => Math.abs(v - parseInt(ground.slice(1 + 2 * c, 3 + 2 * c), 16)) < 28);
      const path = readPathData(m[5]);
      return Number(m[4]) < 0.5 || near || !path.ok ? [] : [{ path: path.value, colour: hexOf(rgb) }];
    },
  );
  const box = union(shown.map(({ path }) => drawnBounds(path)));
  const place = compose(scale(1000 / box.height), translate(-box.x, -box.y));
  return shown
    .filter(({ path }) => pathBounds(path).width > 0)
    .map(({ path, colour }) => ({ d: writePathData(transformPath(path, place)), colour }));
}

/** Ten made-up marks of 400 pixels, looked at in 1600: ours and a general tracer, side by side. */
export function markRows(rounds: number): Row[] {
  const rows: Row[] = [];
  const ratios: number[] = [];
  const sums = { ours: { nodes: 0, error: 0, ms: 0 }, theirs: { nodes: 0, error: 0, ms: 0 } };
  for (const mark of MARKS) {
    const source = paintedMark(mark, 400);
    const times: { ours: number; theirs: number }[] = [];
    let [ours, theirs]: [Drawn, Drawn] = [[], []];
    for (let round = 0; round < rounds; round++) {
      const t0 = performance.now();
      const traced = traceRaster(source, { colours: null, smoothness: 0.5, dropGround: true });
      const t1 = performance.now();
      theirs = general(source, mark.colours, mark.ground);
      const t2 = performance.now();
      if (!traced.ok) throw new Error(traced.fault.code);
      ours = [...traced.value.drawing.paths];
      times.push({ ours: t1 - t0, theirs: t2 - t1 });
    }
    ratios.push(...times.map((t) => t.ours / t.theirs));
    for (const [name, drawn] of [
      ['ours', ours],
      ['theirs', theirs],
    ] as const) {
      sums[name].nodes += nodesOf(drawn);
      sums[name].error += tracingError(mark, drawn) / MARKS.length;
      sums[name].ms += median(times.map((t) => t[name]));
    }
    rows.push({
      what: `${mark.name}: wrong pixels, ours`,
      value: tracingError(mark, ours) * 100,
      unit: '% of the mark',
    });
    rows.push({
      what: `${mark.name}: wrong pixels, imagetracerjs`,
      value: tracingError(mark, theirs) * 100,
      unit: '% of the mark',
    });
  }
  return [
    { what: 'points of all ten, ours', value: sums.ours.nodes, unit: 'points' },
    { what: 'points of all ten, imagetracerjs', value: sums.theirs.nodes, unit: 'points' },
    { what: 'wrong pixels, mean of ten, ours', value: sums.ours.error * 100, unit: '% of the mark' },
    { what: 'wrong pixels, mean of ten, imagetracerjs', value: sums.theirs.error * 100, unit: '% of the mark' },
    { what: 'all ten, ours', value: sums.ours.ms, unit: 'ms' },
    { what: 'all ten, imagetracerjs', value: sums.theirs.ms, unit: 'ms' },
    { what: 'our time over that of imagetracerjs', value: median(ratios), unit: 'times' },
    ...rows,
  ];
}
