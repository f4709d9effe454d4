import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Raster, LINEAR_OF, raster, toEncoded, toLinear } from '@yosomi/core/pixels';
import { type Point, homography, project } from '@yosomi/core/plane';
import {
  CUBIC,
  type Filter,
  NODE,
  PAD,
  type Surface,
  type Textures,
  plainShader,
  plainTones,
  plainWeaver,
  shaderOf,
  surfaceOn,
  texturesOf,
  warped,
} from '@yosomi/core/warp';
import { KERNEL } from '../core/src/warp/kernel-bytes';
import { picturePixels } from './fixtures/pictures';
import { compileKernel } from '../scripts/kernel.mjs';

const filled = (w: number, h: number, of: (x: number, y: number) => readonly number[]): Raster => {
  const r = raster(w, h);
  for (let i = 0; i < w * h; i++) r.data.set([...of(i % w, Math.floor(i / w)), 255], i * 4);
  return r;
};
const printed = (art: Raster, foil: Uint8Array | null = null): Textures => texturesOf([['art', { art, foil }]]);

const steep: Point[] = [
  { x: 26, y: 17 },
  { x: 92.5, y: 10.5 },
  { x: 89.5, y: 139.5 },
  { x: 30.5, y: 126 },
];

/** A texture's colour at a texel position, by the cubic written out as a function of the distance. */
function cubicAt(art: Raster, x: number, y: number, c: number): number {
  const weight = (d: number): number =>
    d < 1 ? 1.5 * d ** 3 - 2.5 * d * d + 1 : d < 2 ? -0.5 * d ** 3 + 2.5 * d * d - 4 * d + 2 : 0;
  const [i0, j0] = [Math.floor(x), Math.floor(y)];
  let sum = 0;
  for (let j = j0 - 1; j <= j0 + 2; j++) {
    for (let i = i0 - 1; i <= i0 + 2; i++) {
      const [p, q] = [Math.min(art.width - 1, Math.max(0, i)), Math.min(art.height - 1, Math.max(0, j))];
      sum += weight(Math.abs(x - i)) * weight(Math.abs(y - j)) * toLinear(art.data[(q * art.width + p) * 4 + c] / 255);
    }
  }
  return sum;
}

/** Mean squared error in codes to 8 x 8 samples a pixel in linear light, over pixels wholly inside. */
function errorTo(art: Raster, quad: readonly Point[], got: Raster): number {
  const back = homography(quad, [
    { x: 0, y: 0 },
    { x: art.width, y: 0 },
    { x: art.width, y: art.height },
    { x: 0, y: art.height },
  ])!;
  let [sum, n] = [0, 0];
  for (let y = 0; y < got.height; y += 3) {
    for (let x = 0; x < got.width; x += 3) {
      const corners = [
        [x - 3, y - 3],
        [x + 4, y - 3],
        [x - 3, y + 4],
        [x + 4, y + 4],
      ].map(([a, b]) => project(back, { x: a, y: b }));
      if (corners.some((p) => p.x < 0 || p.y < 0 || p.x > art.width || p.y > art.height)) continue;
      for (let c = 0; c < 3; c++) {
        let light = 0;
        for (let k = 0; k < 64; k++) {
          const p = project(back, { x: x + ((k & 7) + 0.5) / 8, y: y + ((k >> 3) + 0.5) / 8 });
          light += cubicAt(art, p.x - 0.5, p.y - 0.5, c);
        }
        sum += (255 * toEncoded(Math.min(1, Math.max(0, light / 64))) - got.data[(y * got.width + x) * 4 + c]) ** 2;
        n++;
      }
    }
  }
  expect(n).toBeGreaterThan(500);
  return sum / n;
}

describe('the kernel', () => {
  it('is what its source compiles to', () => {
    expect(compileKernel()).toBe(KERNEL);
  });

  it('shades as the plain shader does, for any surface, light, level, filter and foil', () => {
    const art = picturePixels(150, 230);
    const foil = Uint8Array.from({ length: 150 * 230 }, (_, i) => (i % 7 < 3 ? 255 : i % 256));
    const textures = printed(art, foil);
    const texture = textures.byName.get('art')!;
    const [fast, plain] = [shaderOf(textures), plainShader(textures)];
    fc.assert(
      fc.property(
        fc.tuple(...Array.from({ length: 8 }, () => fc.double({ min: -0.3, max: 0.3, noNaN: true }))),
        fc.double({ min: 12, max: 900, noNaN: true }),
        fc.constantFrom<Filter>({ kind: 'linear', taps: 1 }, { kind: 'linear', taps: 8 }, { kind: 'cubic', taps: 8 }),
        fc.record({ columns: fc.integer({ min: 1, max: 5 }), rows: fc.integer({ min: 1, max: 5 }), seed: fc.nat(99) }),
        fc.record({ profile: fc.boolean(), flat: fc.boolean(), u0: fc.double({ min: 0, max: 0.6, noNaN: true }) }),
        (jitter, size, filter, { columns, rows, seed }, { profile, flat, u0 }) => {
          const corners = [
            [0, 0],
            [1, 0],
            [1, 1],
            [0, 1],
          ].map(([x, y], i) => ({ x: (x + jitter[i * 2]) * size, y: (y + jitter[i * 2 + 1]) * size }));
          const base = surfaceOn(texture, corners);
          fc.pre(base !== null);
          const nodes = Float32Array.from({ length: (columns + 1) * (rows + 1) * NODE }, (_, i) => {
            const v = ((i * 7919 + seed * 104729) % 1000) / 1000;
            return i % NODE === 1 ? v * 9000 : v;
          });
          const surface: Surface = {
            ...base,
            u0,
            du: 0.4,
            light: { columns, rows, nodes },
            profile: profile ? Float32Array.of(0.2, 0.9, 1, 0.6) : null,
            texture: flat ? null : texture,
            colour: [40_000, 20_000, 10_000],
          };
          for (const shader of [fast, plain]) shader.place([surface], filter);
          const sums = [fast, plain].map((shader) => {
            const sum = shader.sums(48);
            shader.shade(0, size * 0.25 + 0.5, size * 0.5 + 0.5, 24, 1, sum, 0);
            shader.shade(0, size * 0.4, size * 0.6, 1, 0.3, sum, 4 * 40);
            return sum;
          });
          for (let i = 0; i < sums[0].length; i++) {
            // Coverage to rounding; light to a 500th of full light: weights of 256 places and 14 bits.
            const allowed = (i & 3) === 3 ? 1e-5 : 131 + Math.abs(sums[1][i]) * 0.004;
            expect(Math.abs(sums[0][i] - sums[1][i])).toBeLessThanOrEqual(allowed);
          }
          const bytes = [fast, plain].map((shader, i) => {
            const out = new Uint8ClampedArray(24 * 4);
            shader.encode(sums[i], 0, 24, plainTones, out, 0);
            return out;
          });
          for (let i = 3; i < 96; i += 4) expect([bytes[0][i], bytes[1][i]]).toEqual([255, 255]);
        },
      ),
      { numRuns: 250 },
    );
  });

  it('adds to the pixels of its run and to no others, whatever their number', () => {
    const textures = printed(picturePixels(60, 90));
    const shader = shaderOf(textures);
    const quad = [
      { x: 0, y: 0 },
      { x: 70, y: 4 },
      { x: 66, y: 80 },
      { x: 3, y: 90 },
    ];
    for (const flat of [false, true]) {
      const surface = surfaceOn(textures.byName.get('art')!, quad)!;
      shader.place([flat ? { ...surface, texture: null, colour: [1, 2, 3] } : surface], { kind: 'cubic', taps: 8 });
      for (let count = 1; count <= 50; count++) {
        const sums = shader.sums(60).fill(7);
        shader.shade(0, 5.5, 40.5, count, 1, sums, 4 * 4);
        const touched = Array.from({ length: 60 }, (_, i) => sums[i * 4 + 3] !== 7);
        expect(touched).toEqual(Array.from({ length: 60 }, (_, i) => i >= 4 && i < 4 + count));
        expect(sums.subarray(0, 16).every((v) => v === 7) && sums.subarray((4 + count) * 4).every((v) => v === 7)).toBe(
          true,
        );
      }
    }
  });

  it('takes the outermost texel where a place is far off the texture or beyond the horizon', () => {
    const textures = printed(filled(40, 40, () => [90, 90, 90]));
    const [fast, plain] = [shaderOf(textures), plainShader(textures)];
    // The plane's horizon goes through the run.
    const surface: Surface = {
      ...surfaceOn(textures.byName.get('art')!, steep)!,
      a: [1, 0, 0],
      b: [0, 1, 0],
      g: [1, 0, -20.5],
    };
    for (const kind of ['linear', 'cubic'] as const) {
      const runs = [fast, plain].map((shader) => {
        shader.place([surface], { kind, taps: 8 });
        const sums = shader.sums(40);
        shader.shade(0, 0.5, 3.5, 40, 1, sums, 0);
        return sums;
      });
      for (const sums of runs)
        for (let i = 0; i < 40; i++) expect(Math.abs(sums[i * 4] - LINEAR_OF[90])).toBeLessThan(40);
    }
  });

  it('gives whole pictures within one code of the plain ones', () => {
    const textures = printed(picturePixels(160, 256));
    for (const filter of [
      { kind: 'linear', taps: 8 },
      { kind: 'cubic', taps: 8 },
    ] as const) {
      const [fast, plain] = [shaderOf(textures), plainShader(textures)].map((shader) =>
        warped(textures, 'art', steep, 120, 150, filter, shader)!,
      );
      const away = fast.data.map((v, i) => Math.abs(v - plain.data[i]));
      expect(Math.max(...away)).toBeLessThanOrEqual(filter.kind === 'cubic' ? 3 : 1);
      expect(away.reduce((a, b) => a + b) / away.length).toBeLessThan(0.02);
    }
  });
});

describe('the weaver of texels', () => {
  /** Every 16-bit number of a store's texels, made by the kernel, and the same by plain code from the same pixels. */
  function bothWays(width: number, height: number, most: number): [Int16Array, Int16Array] {
    const art = filled(width, height, (x, y) =>
      [0, 1, 2].map((c) => (x * 37 + y * 101 + c * 59 + ((x * y) >> 3)) & 255),
    );
    const { memory, byName } = texturesOf([['art', { art, foil: null }]], most);
    const levels = byName.get('art')!;
    const plain = { buffer: new ArrayBuffer(memory.buffer.byteLength), grow: () => 0 };
    const weaver = plainWeaver(plain);
    const rows = ({ width: w, at }: (typeof levels)[number], y: number): number =>
      at + ((y + PAD) * (w + 2 * PAD) + PAD) * 8;
    const got: number[] = [];
    const want: number[] = [];
    levels.forEach((level, i) => {
      for (let y = 0; y < level.height; y++) {
        const to = rows(level, y);
        if (i === 0) weaver.row(new Int32Array(art.data.buffer), y * width, width, to);
        else weaver.half(rows(levels[i - 1], 2 * y), (levels[i - 1].width + 2 * PAD) * 8, level.width, to);
        got.push(...new Int16Array(memory.buffer, to, level.width * 4));
        want.push(...new Int16Array(plain.buffer, to, level.width * 4));
      }
    });
    return [Int16Array.from(got), Int16Array.from(want)];
  }

  it('gives the same numbers by the kernel and by plain code, also for odd sides and lines longer than its workspace', () => {
    for (const [width, height, most] of [
      [1, 1, 9],
      [33, 17, 9],
      [70, 51, 9],
      [9001, 3, 1],
    ]) {
      const [got, want] = bothWays(width, height, most);
      expect(want.some((v) => v > 0)).toBe(true);
      expect(got).toEqual(want);
    }
  });

  it('copies the outermost texels into the border of every level', () => {
    const textures = printed(picturePixels(40, 61));
    for (const { at, width, height } of textures.byName.get('art')!) {
      const texels = new BigInt64Array(textures.memory.buffer, at, (width + 2 * PAD) * (height + 2 * PAD));
      const texel = (x: number, y: number): bigint => texels[(y + PAD) * (width + 2 * PAD) + x + PAD];
      const kept = (v: number, most: number): number => Math.min(most - 1, Math.max(0, v));
      for (let y = -PAD; y < height + PAD; y++)
        for (let x = -PAD; x < width + PAD; x++) expect(texel(x, y)).toBe(texel(kept(x, width), kept(y, height)));
    }
  });
});

describe('a texture', () => {
  const shaded = (textures: Textures, size: number, filter: Filter): Float32Array => {
    const shader = shaderOf(textures);
    const quad = [
      { x: 0, y: 0 },
      { x: size, y: 0 },
      { x: size, y: size * 2 },
      { x: 0, y: size * 2 },
    ];
    shader.place([surfaceOn(textures.byName.get('art')!, quad)!], filter);
    const sum = shader.sums(1);
    shader.shade(0, size * 0.4, size * 1.2, 1, 1, sum, 0);
    return sum;
  };

  it('gives a flat colour back whatever the footprint and the filter', () => {
    const textures = printed(filled(200, 300, () => [120, 60, 200]));
    for (const size of [3, 30, 250, 9000]) {
      for (const kind of ['linear', 'cubic'] as const) {
        const sum = shaded(textures, size, { kind, taps: 8 });
        expect(sum[0]).toBeCloseTo(LINEAR_OF[120], -1);
        expect(sum[1]).toBeCloseTo(LINEAR_OF[60], -1);
        expect(sum[3]).toBe(1);
      }
    }
  });

  it('averages a fine checkerboard to half the light, not to the middle code', () => {
    const board = printed(filled(256, 256, (x, y) => ((x + y) & 1 ? [255, 255, 255] : [0, 0, 0])));
    expect(255 * toEncoded(shaded(board, 20, { kind: 'linear', taps: 8 })[0] / 65535)).toBeCloseTo(188, -1);
  });

  it('has weights that add up to one at every place, and are mirror images', () => {
    for (let i = 0; i < 256; i++) {
      expect(CUBIC[i * 4] + CUBIC[i * 4 + 1] + CUBIC[i * 4 + 2] + CUBIC[i * 4 + 3]).toBeCloseTo(1, 6);
      if (i > 0) for (let k = 0; k < 4; k++) expect(CUBIC[i * 4 + k]).toBeCloseTo(CUBIC[(256 - i) * 4 + 3 - k], 6);
    }
  });
});

describe('a picture under perspective', () => {
  // Rings that grow finer outwards: small type has such edges.
  const art = filled(160, 256, (x, y) =>
    [0, 1, 2].map((c) => 128 + 120 * Math.sin(((x - 20) ** 2 + (y - 40) ** 2) / (800 + 60 * c))),
  );
  const textures = printed(art);

  it('is nearer to sixty-four samples a pixel by cubics than by straight lines, and near by both', () => {
    const psnr = (kind: Filter['kind']): number => {
      const made = warped(textures, 'art', steep, 120, 150, { kind, taps: 8 }, shaderOf(textures))!;
      return 10 * Math.log10(255 ** 2 / errorTo(art, steep, made));
    };
    const [cubic, linear] = [psnr('cubic'), psnr('linear')];
    expect(cubic).toBeGreaterThan(40);
    expect(cubic).toBeGreaterThan(linear + 3);
  });

  it('is clear outside its outline, whole inside, and joins between them without a step', () => {
    const made = warped(textures, 'art', steep, 120, 150, { kind: 'linear', taps: 4 }, shaderOf(textures))!;
    const area = made.data.reduce((sum, v, i) => sum + ((i & 3) === 3 ? v / 255 : 0), 0);
    const exact =
      Math.abs(steep.reduce((sum, p, i) => sum + p.x * steep[(i + 1) % 4].y - p.y * steep[(i + 1) % 4].x, 0)) / 2;
    expect(area / exact).toBeCloseTo(1, 2);
    expect(made.data[(75 * 120 + 60) * 4 + 3]).toBe(255);
    expect(made.data[(3 * 120 + 60) * 4 + 3]).toBe(0);
  });

  it('has none where three corners are in a line, and none of a name that is not there', () => {
    const line = [
      { x: 0, y: 0 },
      { x: 5, y: 5 },
      { x: 10, y: 10 },
      { x: 0, y: 9 },
    ];
    const filter: Filter = { kind: 'linear', taps: 1 };
    expect(warped(textures, 'art', line, 20, 20, filter, shaderOf(textures))).toBeNull();
    expect(warped(textures, 'none', steep, 20, 20, filter, shaderOf(textures))).toBeNull();
  });
});
