import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writePng } from '@yosomi/core/image-file';
import { type Raster, LINEAR_OF, raster, ssim, toEncoded } from '@yosomi/core/pixels';
import { homography, project } from '@yosomi/core/plane';
import { coverRaster } from '@yosomi/core/recipe';
import { type Filter, CUBIC, levelsFor, plainShader, shaderOf, texturesOf, warped } from '@yosomi/core/warp';
import { NodeStudio, demoProjects } from '@yosomi/node-kit';
import { FROM, INTO, STEEP, cpu, ewa, ewaPixels, magick } from './general-tools';
import { denseCover, photograph } from './pictures';
import { type Row, median } from './rows';

const CORNERS = [
  { x: 0, y: 0 },
  { x: FROM.width, y: 0 },
  { x: FROM.width, y: FROM.height },
  { x: 0, y: FROM.height },
];
const TILE = 40;

/** Tiles spread over the inside of the view, each with its true pixels: 8 x 8 bicubic samples in linear light. */
export function truth(art: Raster): { x: number; y: number; pixels: Raster }[] {
  const back = homography(STEEP, CORNERS)!;
  const light = Float32Array.from(art.data, (v) => LINEAR_OF[v] / 65535);
  const inside = (x: number, y: number): boolean => {
    const p = project(back, { x, y });
    return p.x > 8 && p.y > 8 && p.x < FROM.width - 8 && p.y < FROM.height - 8;
  };
  const tiles: { x: number; y: number; pixels: Raster }[] = [];
  for (let y = 80; y < INTO.height - TILE; y += 190) {
    for (let x = 140; x < INTO.width - TILE; x += 190) {
      if (
        ![
          [x, y],
          [x + TILE, y],
          [x, y + TILE],
          [x + TILE, y + TILE],
        ].every(([a, b]) => inside(a, b))
      )
        continue;
      const pixels = raster(TILE, TILE);
      for (let i = 0; i < TILE * TILE; i++) {
        const sum = [0, 0, 0];
        for (let k = 0; k < 64; k++) {
          const p = project(back, {
            x: x + (i % TILE) + ((k & 7) + 0.5) / 8,
            y: y + Math.floor(i / TILE) + ((k >> 3) + 0.5) / 8,
          });
          const [u, v] = [p.x - 0.5, p.y - 0.5];
          const [iu, iv] = [Math.floor(u), Math.floor(v)];
          const [wu, wv] = [Math.floor((u - iu) * 256) * 4, Math.floor((v - iv) * 256) * 4];
          for (let j = 0; j < 4; j++) {
            for (let m = 0; m < 4; m++) {
              const w = CUBIC[wu + m] * CUBIC[wv + j];
              const at = ((iv - 1 + j) * FROM.width + iu - 1 + m) * 4;
              for (let c = 0; c < 3; c++) sum[c] += w * light[at + c];
            }
          }
        }
        for (let c = 0; c < 3; c++) pixels.data[i * 4 + c] = 255 * toEncoded(Math.min(1, Math.max(0, sum[c] / 64)));
        pixels.data[i * 4 + 3] = 255;
      }
      tiles.push({ x, y, pixels });
    }
  }
  return tiles;
}

/** Peak signal to noise ratio in dB and structural similarity of a frame to the truth. */
export function quality(tiles: ReturnType<typeof truth>, frame: Uint8ClampedArray): { psnr: number; ssim: number } {
  let [error, n, alike] = [0, 0, 0];
  for (const { x, y, pixels } of tiles) {
    const got = raster(TILE, TILE);
    for (let row = 0; row < TILE; row++) {
      const from = ((y + row) * INTO.width + x) * 4;
      got.data.set(frame.subarray(from, from + TILE * 4), row * TILE * 4);
    }
    for (let i = 0; i < got.data.length; i++)
      if ((i & 3) < 3) [error, n] = [error + (got.data[i] - pixels.data[i]) ** 2, n + 1];
    alike += ssim(got, pixels);
  }
  return { psnr: 10 * Math.log10((255 ** 2 * n) / error), ssim: alike / tiles.length };
}

type Cv = typeof import('@techstark/opencv-js');

/** Its module has a `then` of its own, so it is handed on in a box: awaiting it would never end. */
async function opencv(): Promise<{ cv: Cv }> {
  const module = await import('@techstark/opencv-js');
  const cv = (module as { default?: Cv }).default ?? module;
  if (!cv.Mat) await new Promise<void>((resolve) => (cv.onRuntimeInitialized = () => resolve()));
  return { cv };
}

/** One way to do the same work; `make` gives the frame's bytes where they are at hand. */
type Way = {
  readonly name: string;
  /** Whether it runs in this process. */
  readonly here: boolean;
  readonly time: () => number;
  readonly frame: () => Uint8ClampedArray;
};

function ways(art: Raster, picture: string, tool: string | null, cv: Cv): Way[] {
  const ours = (name: string, filter: Filter, plain = false): Way => {
    const run = (): Raster => {
      const textures = texturesOf([['art', { art, foil: null }]], levelsFor(art, STEEP, filter.taps));
      return warped(
        textures,
        'art',
        STEEP,
        INTO.width,
        INTO.height,
        filter,
        (plain ? plainShader : shaderOf)(textures),
      )!;
    };
    return { name, here: true, time: () => cpu(() => void run()), frame: () => run().data };
  };
  const textures = texturesOf([['art', { art, foil: null }]], levelsFor(art, STEEP, 8));
  const alone = (kind: Filter['kind']): Way => {
    const run = (): Raster =>
      warped(textures, 'art', STEEP, INTO.width, INTO.height, { kind, taps: 8 }, shaderOf(textures))!;
    return { name: `${kind} kernel alone`, here: true, time: () => cpu(() => void run()), frame: () => run().data };
  };
  const list: Way[] = [
    alone('cubic'),
    alone('linear'),
    ours('cubic kernel, texture made first', { kind: 'cubic', taps: 8 }),
    ours('linear kernel, texture made first', { kind: 'linear', taps: 8 }),
    ours('the same in plain code, linear', { kind: 'linear', taps: 8 }, true),
  ];
  if (tool) {
    for (const linear of [false, true]) {
      list.push({
        name: linear ? 'ImageMagick EWA in linear light' : 'ImageMagick EWA',
        here: false,
        time: () => ewa(tool, picture, STEEP, linear),
        frame: () => ewaPixels(tool, picture, STEEP, linear),
      });
    }
  }
  const source = cv.matFromArray(FROM.height, FROM.width, cv.CV_8UC4, art.data as unknown as number[]);
  const target = new cv.Mat();
  // This library counts pixels at their centres: half a pixel before, half a pixel after.
  const shifted = homography(
    CORNERS.map((p) => ({ x: p.x - 0.5, y: p.y - 0.5 })),
    STEEP.map((p) => ({ x: p.x - 0.5, y: p.y - 0.5 })),
  )!;
  const matrix = cv.matFromArray(3, 3, cv.CV_64F, [...shifted]);
  const size = new cv.Size(INTO.width, INTO.height);
  const run = (): void =>
    cv.warpPerspective(source, target, matrix, size, cv.INTER_LINEAR, cv.BORDER_CONSTANT, new cv.Scalar(0, 0, 0, 0));
  list.push({
    name: 'OpenCV in WebAssembly, linear',
    here: true,
    time: () => cpu(run),
    frame: () => {
      run();
      return new Uint8ClampedArray(target.data);
    },
  });
  return list;
}

/** Speed and quality of one steep view of a cover and of a picture, against general tools that do the same work. */
export async function warpRows(rounds: number): Promise<Row[]> {
  const [, { book, files }] = await demoProjects();
  const tool = magick();
  const { cv } = await opencv();
  const rows: Row[] = [];
  const folder = mkdtempSync(join(tmpdir(), 'bench-'));
  const pictures = [
    { what: 'cover', art: await coverRaster(book, FROM.width, new NodeStudio(files)) },
    { what: 'small type', art: await denseCover() },
    { what: 'picture', art: photograph() },
  ];
  try {
    for (const { what, art } of pictures) {
      const picture = join(folder, `${what}.png`);
      writeFileSync(picture, writePng(art, 72));
      const list = ways(art, picture, tool, cv);
      const tiles = truth(art);
      const found = list.map((way) => quality(tiles, way.frame()));
      // What a way leaves behind (code to compile, memory to sweep) is cleared before the next one's time is taken.
      const timed = (way: Way): number => {
        if (way.here) way.time();
        return way.time();
      };
      list.forEach((way) => way.here && timed(way));
      const times = list.map((): number[] => []);
      // Interleaved: the machine is shared, so only ratios within one round mean something.
      for (let i = 0; i < rounds; i++) list.forEach((way, k) => times[k].push(timed(way)));
      const first = list.findIndex(({ name }) => name === 'ImageMagick EWA');
      list.forEach(({ name }, k) => {
        rows.push({ what: `${what}, ${name}`, value: median(times[k]), unit: 'ms CPU' });
        if (name.endsWith('kernel alone'))
          rows.push({
            what: `${what}, ${name}: time over that of OpenCV`,
            value: median(times[k].map((v, i) => v / times[list.length - 1][i])),
            unit: 'times',
          });
        if (first >= 0 && k !== first)
          rows.push({
            what: `${what}, ${name}: speed against ImageMagick EWA`,
            value: median(times[k].map((v, i) => times[first][i] / v)),
            unit: 'times',
          });
        rows.push({ what: `${what}, ${name}: PSNR`, value: found[k].psnr, unit: 'dB' });
        rows.push({ what: `${what}, ${name}: SSIM`, value: found[k].ssim, unit: '' });
      });
    }
  } finally {
    rmSync(folder, { recursive: true });
  }
  return rows;
}
