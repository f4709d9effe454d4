import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  checkCorners,
  fullStrength,
  grainOf,
  lightGridOf,
  pinned,
  rectified,
  shadingOf,
  withNoise,
} from '@yosomi/core/pin';
import { LINEAR_OF, type Raster, raster, toEncoded } from '@yosomi/core/pixels';
import { type Point, homography, project } from '@yosomi/core/plane';
import { NODE, shaderOf, texturesOf, warped } from '@yosomi/core/warp';

const QUAD: Point[] = [
  { x: 95, y: 60 },
  { x: 330, y: 88 },
  { x: 318, y: 402 },
  { x: 80, y: 436 },
];
const [W, H] = [420, 500];
const SQUARE: Point[] = [
  { x: 0, y: 0 },
  { x: 1, y: 0 },
  { x: 1, y: 1 },
  { x: 0, y: 1 },
];
type Light = (u: number, v: number) => number;

const plain = (w: number, h: number, grey: number): Raster => {
  const r = raster(w, h);
  for (let i = 0; i < r.data.length; i += 4) r.data.set([grey, grey, grey, 255], i);
  return r;
};

/** A Gaussian blur of the light itself, as a lens makes it. */
function outOfFocus(photo: Raster, sigma: number): Raster {
  if (sigma === 0) return photo;
  const r = Math.ceil(sigma * 3.5);
  const weights = Array.from({ length: 2 * r + 1 }, (_, i) => Math.exp(-((i - r) ** 2) / (2 * sigma * sigma)));
  const whole = weights.reduce((x, y) => x + y);
  let light = Float32Array.from(photo.data, (v) => LINEAR_OF[v]);
  for (const along of [0, 1]) {
    const next = new Float32Array(light.length);
    for (let y = 0; y < H; y++)
      for (let x = 0; x < W; x++)
        for (let k = -r; k <= r; k++) {
          const [px, py] = [
            Math.min(W - 1, Math.max(0, x + (along ? 0 : k))),
            Math.min(H - 1, Math.max(0, y + (along ? k : 0))),
          ];
          for (let c = 0; c < 3; c++)
            next[(y * W + x) * 4 + c] += (light[(py * W + px) * 4 + c] * weights[k + r]) / whole;
        }
    light = next;
  }
  const out = raster(W, H);
  for (let i = 0; i < out.data.length; i++) out.data[i] = (i & 3) === 3 ? 255 : 255 * toEncoded(light[i] / 65535);
  return out;
}

/** A photograph of a blank face before a dark wall, in a light that is known. */
function photograph(light: Light, noise = 0, soft = 0): Raster {
  const cells = 200;
  const nodes = new Float32Array((cells + 1) ** 2 * NODE);
  for (let j = 0; j <= cells; j++)
    for (let i = 0; i <= cells; i++) nodes.set([light(i / cells, j / cells), 0, 0, 1], (j * (cells + 1) + i) * NODE);
  const textures = texturesOf([['blank', { art: plain(64, 64, 232), foil: null }]]);
  const face = warped(textures, 'blank', QUAD, W, H, { kind: 'linear', taps: 4 }, shaderOf(textures), {
    columns: cells,
    rows: cells,
    nodes,
  })!;
  const photo = plain(W, H, 46);
  for (let i = 0; i < photo.data.length; i += 4) {
    const a = face.data[i + 3] / 255;
    for (let c = 0; c < 3; c++) photo.data[i + c] = photo.data[i + c] * (1 - a) + face.data[i + c] * a;
  }
  return withNoise(outOfFocus(photo, soft), noise, 3);
}

const fold: Light = (u, v) => (0.95 - 0.4 * u - 0.12 * v) * (1 - 0.35 * Math.exp(-(((u - 0.3) / 0.02) ** 2)));
const onPhoto = homography(SQUARE, QUAD)!;
const at = (r: Raster, u: number, v: number): number => {
  const p = project(onPhoto, { x: u, y: v });
  return (Math.floor(p.y) * r.width + Math.floor(p.x)) * 4;
};

describe('the light of a photograph', () => {
  it('is found within 5 % on a blank face, with slopes, a fold and noise', () => {
    for (const [light, noise] of [
      [fold, 0],
      [fold, 3],
      [(u: number) => 0.5 + 0.5 * Math.sin(2.4 * u), 3],
    ] as const) {
      const photo = photograph(light, noise);
      const textures = texturesOf([['photo', { art: photo, foil: null }]]);
      const shading = shadingOf(rectified(textures, 'photo', photo, QUAD, 180, 240)!);
      const grid = lightGridOf(shading, fullStrength);
      const found: number[] = [];
      const truth: number[] = [];
      for (let j = 12; j < 228; j += 6) {
        for (let i = 9; i < 171; i += 3) {
          const p = (j * 181 + i) * NODE;
          found.push(grid.nodes[p] * (1 + Math.max(0, shading.gleam[j * 180 + i])));
          truth.push(light(i / 180, j / 240));
        }
      }
      // The face's own brightness is not known: one gain for all.
      const gain = truth.reduce((a, b) => a + b) / found.reduce((a, b) => a + b);
      const rms = Math.sqrt(found.reduce((sum, v, i) => sum + ((v * gain) / truth[i] - 1) ** 2, 0) / found.length);
      expect(rms).toBeLessThan(0.05);
    }
  });

  it('lies on mid grey art as it lay on the blank, and not at all where its strength is nothing', () => {
    const photo = photograph(fold, 2);
    const grey = plain(300, 400, 128);
    const made = pinned(photo, grey, { corners: QUAD, strengths: fullStrength, grain: 0 });
    const bare = pinned(photo, grey, { corners: QUAD, strengths: { smooth: 0, creases: 0, gleam: 0 }, grain: 0 });
    if (!made.ok || !bare.ok) throw new Error('not pinned');
    const ratios: number[] = [];
    for (let v = 0.06; v < 0.95; v += 0.02) {
      for (let u = 0.06; u < 0.95; u += 0.02) {
        expect(bare.value.data[at(photo, u, v)]).toBe(128);
        ratios.push(LINEAR_OF[made.value.data[at(photo, u, v)]] / fold(u, v));
      }
    }
    const mean = ratios.reduce((a, b) => a + b) / ratios.length;
    const rms = Math.sqrt(ratios.reduce((sum, r) => sum + (r / mean - 1) ** 2, 0) / ratios.length);
    expect(rms).toBeLessThan(0.07);
    expect(mean / LINEAR_OF[128]).toBeGreaterThan(1);
    expect(mean / LINEAR_OF[128]).toBeLessThan(1.4);
  });
});

describe('grain', () => {
  it('is measured: noise within a sixth, softness within a quarter', () => {
    for (const noise of [1.5, 3, 7]) {
      const found = grainOf(photograph(fold, noise), QUAD).noise;
      expect(found / noise).toBeGreaterThan(0.84);
      expect(found / noise).toBeLessThan(1.17);
    }
    expect(grainOf(photograph(fold), QUAD).noise).toBeLessThan(0.7);
    for (const soft of [1.2, 2]) {
      const found = grainOf(
        photograph(() => 0.9, 0, soft),
        QUAD,
      ).softPx;
      expect(found / Math.hypot(soft, 0.55)).toBeGreaterThan(0.75);
      expect(found / Math.hypot(soft, 0.55)).toBeLessThan(1.25);
    }
  });

  it('is taken by the art: as much noise on it as on the blank', () => {
    const photo = photograph(() => 0.9, 4, 1.2);
    const made = pinned(photo, plain(300, 400, 150), { corners: QUAD, strengths: fullStrength, grain: 1 });
    if (!made.ok) throw new Error(made.fault.code);
    const [was, is] = [grainOf(photo, QUAD).noise, grainOf(made.value, QUAD).noise];
    expect(is / was).toBeGreaterThan(0.75);
    expect(is / was).toBeLessThan(1.3);
    expect(grainOf(made.value, QUAD).softPx / grainOf(photo, QUAD).softPx).toBeGreaterThan(0.8);
  });
});

describe('a pin', () => {
  it('leaves the photograph as it is off the face, and is the art on it', () => {
    const photo = photograph(() => 1);
    const art = raster(200, 300);
    for (let i = 0; i < 60_000; i++) art.data.set(i % 200 < 100 ? [200, 30, 30, 255] : [30, 30, 200, 255], i * 4);
    const made = pinned(photo, art, { corners: QUAD, strengths: fullStrength, grain: 0 });
    if (!made.ok) throw new Error(made.fault.code);
    for (const [x, y] of [
      [5, 5],
      [400, 480],
      [60, 250],
      [345, 250],
    ]) {
      const p = (y * W + x) * 4;
      expect([...made.value.data.slice(p, p + 4)]).toEqual([...photo.data.slice(p, p + 4)]);
    }
    const [left, right] = [at(photo, 0.2, 0.5), at(photo, 0.8, 0.5)];
    expect(made.value.data[left]).toBeGreaterThan(150);
    expect(made.value.data[left + 2]).toBeLessThan(60);
    expect(made.value.data[right + 2]).toBeGreaterThan(150);
  });

  it('leaves no rim of the blank round dark art', () => {
    const photo = photograph(() => 1, 0, 1.5);
    const made = pinned(photo, plain(200, 300, 40), { corners: QUAD, strengths: fullStrength, grain: 1 });
    if (!made.ok) throw new Error(made.fault.code);
    // Across the left side: wall of 46, art of about 40, and nothing lighter between.
    for (let y = 150; y < 350; y += 10)
      for (let x = 70; x < 110; x++) expect(made.value.data[(y * W + x) * 4]).toBeLessThan(66);
  });

  it('refuses corners that are no face, and takes every convex one', () => {
    const photo = { width: W, height: H };
    const wrong = (corners: Point[]): unknown => {
      const checked = checkCorners(corners, photo);
      return checked.ok ? null : checked.fault.data?.wrong;
    };
    expect(wrong(QUAD)).toBeNull();
    expect(wrong([QUAD[1], QUAD[0], QUAD[2], QUAD[3]])).toBe('crossed');
    expect(wrong([...QUAD].reverse())).toBe('crossed');
    expect(wrong([QUAD[0], QUAD[1], QUAD[2], { x: 250, y: 200 }])).toBe('crossed');
    expect(
      wrong([
        { x: 0, y: 0 },
        { x: 50, y: 50 },
        { x: 100, y: 100 },
        { x: 0, y: 90 },
      ]),
    ).toBe('flat');
    expect(wrong([QUAD[0], QUAD[0], QUAD[2], QUAD[3]])).toBe('flat');
    expect(wrong(QUAD.map((p) => ({ x: p.x + 900, y: p.y })))).toBe('outside');
    expect(wrong(QUAD.slice(1))).toBe('count');
    expect(wrong([{ x: NaN, y: 0 }, ...QUAD.slice(1)])).toBe('count');
    fc.assert(
      fc.property(fc.array(fc.double({ min: -0.2, max: 0.2, noNaN: true }), { minLength: 8, maxLength: 8 }), (j) => {
        const quad = SQUARE.map((p, i) => ({ x: 60 + (p.x + j[i * 2]) * 300, y: 60 + (p.y + j[i * 2 + 1]) * 380 }));
        expect(checkCorners(quad, photo).ok).toBe(true);
      }),
    );
  });

  it('stands art of one pixel, and a face partly outside the photograph', () => {
    const photo = photograph(() => 0.8);
    const shifted = QUAD.map((p) => ({ x: p.x - 200, y: p.y }));
    for (const art of [plain(1, 1, 90), plain(40, 9, 90)]) {
      for (const corners of [QUAD, shifted]) {
        const made = pinned(photo, art, { corners, strengths: fullStrength, grain: 1 });
        expect(made.ok && [made.value.width, made.value.height]).toEqual([W, H]);
      }
    }
  });
});
