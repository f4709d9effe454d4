import fc from 'fast-check';
import { unzipSync, zipSync } from 'fflate';
import { PNG } from 'pngjs';
import { describe, expect, it } from 'vitest';
import {
  type Bend,
  type Mark,
  type PinFace,
  type PinScene,
  type Strengths,
  addMark,
  artOf,
  checkBend,
  checkCorners,
  coverageOf,
  fullStrength,
  goOn,
  grainOf,
  laid,
  lightGridOf,
  maskOf,
  newFace,
  newPinScene,
  noStrength,
  photoOf,
  pinned,
  ratioOf,
  readPinFile,
  readPinScene,
  rectified,
  renamed,
  scaledPin,
  shadingOf,
  sheetIn,
  sheetOf,
  rebent,
  withNoise,
  writePinFile,
} from '@yosomi/core/pin';
import { LINEAR_OF, type Raster, raster, toEncoded } from '@yosomi/core/pixels';
import { type Point, homography, project } from '@yosomi/core/plane';
import { NODE, plainLight, plainTones, shaderOf, texturesOf, warped } from '@yosomi/core/warp';

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

/** The photograph with art on the face, as a scene of one face. */
function pinOn(
  photo: Raster,
  art: Raster,
  light: Strengths,
  grain: number,
  more: Partial<PinScene> = {},
  face: Partial<PinFace> = {},
) {
  const corners = QUAD.map((p): [number, number] => [p.x, p.y]);
  const one = { ...newFace('a', 'Front', corners, { kind: 'side', side: 'front' }), light, grain, ...face };
  const scene = { ...newPinScene({ asset: 'p', widthPx: W, heightPx: H }), faces: [one], ...more };
  return pinned(photoOf(photo), scene, new Map([['a', artOf(art)]]));
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
      const shading = shadingOf(rectified(textures, 'photo', photo, sheetOf(QUAD, null)!, 180, 240)!);
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
    const made = pinOn(photo, grey, fullStrength, 0);
    const bare = pinOn(photo, grey, noStrength, 0);
    if (!made.ok || !bare.ok) throw new Error('not pinned');
    // White paper throws back 92 % of what falls on it; the blank is a little greyer than that.
    const blank = LINEAR_OF[232] / 65535 / 0.92;
    const ratios: number[] = [];
    for (let v = 0.06; v < 0.95; v += 0.02) {
      for (let u = 0.06; u < 0.95; u += 0.02) {
        expect(bare.value.data[at(photo, u, v)]).toBe(128);
        ratios.push(LINEAR_OF[made.value.data[at(photo, u, v)]] / (fold(u, v) * blank * LINEAR_OF[128]));
      }
    }
    const mean = ratios.reduce((a, b) => a + b) / ratios.length;
    const rms = Math.sqrt(ratios.reduce((sum, r) => sum + (r / mean - 1) ** 2, 0) / ratios.length);
    expect(rms).toBeLessThan(0.07);
    expect(Math.abs(mean - 1)).toBeLessThan(0.05);
  });

  it('is found behind what stands before the face', () => {
    const photo = photograph(fold, 2);
    // A dark thumb over the middle of the foot.
    for (let y = 330; y < H; y++) for (let x = 180; x < 230; x++) photo.data.set([60, 40, 30, 255], (y * W + x) * 4);
    const thumb: Mark = {
      kind: 'brush',
      on: 'front',
      add: true,
      radius: 30,
      soft: 0.1,
      points: [
        [205, 352],
        [205, 480],
      ],
    };
    const grey = plain(300, 400, 128);
    const clean = pinOn(photograph(fold, 2), grey, fullStrength, 0);
    const known = pinOn(photo, grey, fullStrength, 0, { marks: [thumb] });
    const blind = pinOn(photo, grey, fullStrength, 0);
    if (!clean.ok || !known.ok || !blind.ok) throw new Error('not pinned');
    const off = (made: Raster, x: number, y: number): number =>
      Math.abs(made.data[(y * W + x) * 4] - clean.value.data[(y * W + x) * 4]);
    // Beside the thumb the art is lit as if it were not there; where it is not marked its darkness spreads.
    let [with_, without] = [0, 0];
    for (let y = 300; y < 400; y += 4) {
      with_ = Math.max(with_, off(known.value, 166, y), off(known.value, 246, y));
      without = Math.max(without, off(blind.value, 166, y), off(blind.value, 246, y));
    }
    expect(with_).toBeLessThan(12);
    expect(without).toBeGreaterThan(with_);
    // And the thumb itself stays what it was.
    for (let y = 370; y < 420; y += 5) expect(known.value.data[(y * W + 205) * 4]).toBe(60);
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
    const made = pinOn(photo, plain(300, 400, 150), fullStrength, 1);
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
    const made = pinOn(photo, art, fullStrength, 0);
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
    const made = pinOn(photo, plain(200, 300, 40), fullStrength, 1);
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
        const own = corners.map((p): [number, number] => [p.x, p.y]);
        const made = pinOn(photo, art, fullStrength, 1, {}, { corners: own });
        expect(made.ok && [made.value.width, made.value.height]).toEqual([W, H]);
      }
    }
  });
});

const quads = fc
  .array(fc.double({ min: -0.2, max: 0.2, noNaN: true }), { minLength: 8, maxLength: 8 })
  .map((j) => SQUARE.map((p, i) => ({ x: 60 + (p.x + j[i * 2]) * 300, y: 60 + (p.y + j[i * 2 + 1]) * 380 })));

describe('a bent face', () => {
  it('goes through its points, keeps its corners, and is the plane where none is moved', () => {
    fc.assert(
      fc.property(
        quads,
        fc.constantFrom(3, 4, 5),
        fc.array(fc.double({ min: -20, max: 20, noNaN: true }), { minLength: 50, maxLength: 50 }),
        (quad, size, d) => {
          const flat = sheetOf(quad, null)!;
          const bend = rebent(null, size as 3 | 4 | 5);
          bend.offsets.forEach((_, k) => {
            const [i, j] = [k % size, Math.floor(k / size)];
            if (!((i === 0 || i === size - 1) && (j === 0 || j === size - 1)))
              bend.offsets[k] = [d[k * 2], d[k * 2 + 1]];
          });
          const sheet = sheetOf(quad, bend)!;
          bend.offsets.forEach(([dx, dy], k) => {
            const [u, v] = [(k % size) / (size - 1), Math.floor(k / size) / (size - 1)];
            const [p, q] = [flat.place(u, v), sheet.place(u, v)];
            expect(Math.hypot(q.x - p.x - dx, q.y - p.y - dy)).toBeLessThan(1e-9);
          });
          expect(sheetOf(quad, rebent(null, size as 3 | 4 | 5))!.pieces).toBe(1);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('stays as it is bent when it gets more points, and nearly so with fewer', () => {
    const bow = rebent(null, 3);
    for (const [k, dy] of [
      [1, -22],
      [7, -18],
      [4, -20],
    ])
      bow.offsets[k] = [3, dy];
    const most = (a: Bend, b: Bend): number => {
      const [one, other] = [sheetOf(QUAD, a)!, sheetOf(QUAD, b)!];
      return Math.max(
        ...Array.from({ length: 121 }, (_, k) => {
          const [u, v] = [(k % 11) / 10, Math.floor(k / 11) / 10];
          const [p, q] = [one.place(u, v), other.place(u, v)];
          return Math.hypot(p.x - q.x, p.y - q.y);
        }),
      );
    };
    const five = rebent(bow, 5);
    expect(five.offsets).toHaveLength(25);
    expect(most(bow, five)).toBeLessThan(1);
    expect(most(five, rebent(five, 4))).toBeLessThan(1.5);
    expect(rebent(five, 3)).toEqual({ size: 3, offsets: bow.offsets.map((o) => o.map((v) => expect.closeTo(v, 9))) });
    expect(rebent(null, 4).offsets).toEqual(Array.from({ length: 16 }, () => [0, 0]));
  });

  it('is laid as the plane is where it hardly bends, without gaps between its pieces', () => {
    const art = raster(160, 220);
    for (let i = 0; i < art.data.length; i += 4)
      art.data.set([(i / 4) % 160, 90 + Math.floor(i / 640) / 2, 200 - ((i / 4) % 160), 255], i);
    const textures = artOf(art).textures;
    const region = { x: 70, y: 50, width: 270, height: 400 };
    const lay = (offset: number): Raster => {
      const bend = rebent(null, 3);
      bend.offsets[4] = [offset, 0];
      return laid(
        textures,
        'art',
        sheetOf(QUAD, bend)!,
        region,
        { kind: 'linear', taps: 4 },
        shaderOf(textures),
        plainLight,
        plainTones,
      )!;
    };
    const [flat, bent] = [lay(0), lay(1e-4)];
    const cover = coverageOf(sheetOf(QUAD, null)!, region);
    let worst = 0;
    for (let i = 0; i < flat.data.length; i += 4) {
      worst = Math.max(worst, Math.abs(flat.data[i + 3] - bent.data[i + 3]), Math.abs(flat.data[i + 3] - cover[i / 4]));
      if (flat.data[i + 3] === 255)
        for (let c = 0; c < 3; c++) worst = Math.max(worst, Math.abs(flat.data[i + c] - bent.data[i + c]));
    }
    expect(worst).toBeLessThanOrEqual(2);
    const bowed = lay(40);
    // Every pixel well within the outline is covered.
    let least = 255;
    for (let y = 120; y < 300; y++)
      for (let x = 40; x < 220; x++) least = Math.min(least, bowed.data[(y * 270 + x) * 4 + 3]);
    expect(least).toBe(255);
  });

  it('finds the light of a bowed blank', () => {
    const photo = photograph(() => 0.7, 0);
    const bend = rebent(null, 3);
    bend.offsets[4] = [12, 5];
    const made = pinOn(photo, plain(100, 150, 200), fullStrength, 0, {}, { bend });
    if (!made.ok) throw new Error(made.fault.code);
    const p = at(photo, 0.5, 0.5);
    expect(
      Math.abs(LINEAR_OF[made.value.data[p]] / (LINEAR_OF[200] * 0.7 * (LINEAR_OF[232] / 65535 / 0.92)) - 1),
    ).toBeLessThan(0.06);
  });

  it('is refused where it folds, moves a corner or has too few points', () => {
    const wrong = (change: (bend: { size: number; offsets: [number, number][] }) => void): unknown => {
      const bend = { size: 3, offsets: rebent(null, 3).offsets.map((o): [number, number] => [o[0], o[1]]) };
      change(bend);
      const checked = checkBend(QUAD, bend);
      return checked.ok ? null : checked.fault.data?.wrong;
    };
    expect(wrong(() => {})).toBeNull();
    expect(wrong((b) => (b.offsets[4] = [30, 0]))).toBeNull();
    expect(wrong((b) => (b.offsets[4] = [300, 0]))).toBe('folded');
    expect(wrong((b) => (b.offsets[0] = [1, 0]))).toBe('corners');
    expect(wrong((b) => b.offsets.pop())).toBe('count');
    expect(wrong((b) => (b.size = 6))).toBe('count');
    expect(wrong((b) => (b.offsets[4] = [NaN, 0]))).toBe('count');
  });
});

describe('the ratio of a face', () => {
  it('is told from its corners, however the camera stood', () => {
    const turned = (p: [number, number, number], yaw: number, tilt: number): [number, number, number] => {
      const [x, y, z] = [
        p[0] * Math.cos(yaw) + p[2] * Math.sin(yaw),
        p[1],
        -p[0] * Math.sin(yaw) + p[2] * Math.cos(yaw),
      ];
      return [x, y * Math.cos(tilt) - z * Math.sin(tilt), y * Math.sin(tilt) + z * Math.cos(tilt)];
    };
    fc.assert(
      fc.property(
        fc.double({ min: 0.4, max: 2, noNaN: true }),
        fc.double({ min: -0.9, max: 0.9, noNaN: true }),
        fc.double({ min: -0.8, max: 0.8, noNaN: true }),
        (ratio, yaw, tilt) => {
          // A lens of 1.1 longer sides: found where there is perspective both ways, and supposed where there is not.
          const corners = (
            [
              [-ratio, -1],
              [ratio, -1],
              [ratio, 1],
              [-ratio, 1],
            ] as const
          ).map(([x, y]) => {
            const q = turned([x, y, 0], yaw, tilt);
            return { x: 800 + (1760 * q[0]) / (q[2] + 6), y: 600 + (1760 * q[1]) / (q[2] + 6) };
          });
          expect(ratioOf(corners, { width: 1600, height: 1200 }) / ratio).toBeCloseTo(1, 3);
        },
      ),
    );
  });
});

describe('marks', () => {
  const region = { x: 0, y: 0, width: 120, height: 90 };
  const brush = (more: object = {}): Mark =>
    ({
      kind: 'brush',
      on: 'front',
      add: true,
      radius: 12,
      soft: 0.5,
      points: [
        [30, 40],
        [80, 40],
      ],
      ...more,
    }) as Mark;
  const mask = (marks: Mark[], photo = plain(120, 90, 99)): Uint8Array => maskOf(marks, 'front', photo, region, [])!;

  it('of a brush fill the stroke, fade at its rim and end there', () => {
    const m = mask([brush()]);
    expect(m[40 * 120 + 50]).toBe(255);
    expect(m[40 * 120 + 18 - 4]).toBe(0);
    expect(m[56 * 120 + 50]).toBe(0);
    const down = Array.from({ length: 16 }, (_, i) => m[(40 + i) * 120 + 50]);
    for (let i = 1; i < down.length; i++) expect(down[i]).toBeLessThanOrEqual(down[i - 1]);
    expect(down.filter((v) => v > 0 && v < 255).length).toBeGreaterThan(3);
  });

  it('are the same in any part of the photograph, take away what they are told to, and scale with it', () => {
    const marks = [brush(), brush({ add: false, radius: 5, points: [[55, 40]] })];
    const whole = mask(marks);
    expect(whole[40 * 120 + 55]).toBe(0);
    expect(whole[40 * 120 + 40]).toBe(255);
    const part = maskOf(marks, 'front', plain(120, 90, 99), { x: 25, y: 30, width: 40, height: 20 }, [])!;
    for (let y = 0; y < 20; y++)
      for (let x = 0; x < 40; x++) expect(part[y * 40 + x]).toBe(whole[(y + 30) * 120 + x + 25]);
    const twice = scaledPin({ ...newPinScene({ asset: 'p', widthPx: 120, heightPx: 90 }), marks }, 2).marks;
    const large = maskOf(twice, 'front', plain(240, 180, 99), { x: 0, y: 0, width: 240, height: 180 }, [])!;
    for (const [x, y] of [
      [30, 40],
      [55, 40],
      [70, 48],
      [100, 80],
    ])
      expect(Math.abs(large[y * 2 * 240 + x * 2] - whole[y * 120 + x])).toBeLessThan(40);
    expect(maskOf(marks, 'away', plain(120, 90, 99), region, [])).toBeNull();
  });

  it('of a colour take what is like it, joined to it or everywhere, in spite of noise', () => {
    const photo = plain(120, 90, 210);
    const skin = (x0: number, x1: number): void => {
      for (let y = 20; y < 70; y++)
        for (let x = x0; x < x1; x++) photo.data.set([190, 130, 100, 255], (y * 120 + x) * 4);
    };
    skin(10, 50);
    skin(80, 110);
    // A nail: of another colour, but enclosed.
    for (let y = 30; y < 36; y++) for (let x = 20; x < 28; x++) photo.data.set([230, 190, 180, 255], (y * 120 + x) * 4);
    const noisy = withNoise(photo, 4, 9);
    const pick = (joined: boolean): Uint8Array =>
      mask([{ kind: 'range', on: 'front', add: true, at: [30, 40], tolerance: 0.08, joined }], noisy);
    const [all, one] = [pick(false), pick(true)];
    for (const m of [all, one]) {
      expect(m[40 * 120 + 40]).toBeGreaterThan(240);
      expect(m[40 * 120 + 65]).toBe(0);
    }
    expect(all[40 * 120 + 95]).toBeGreaterThan(240);
    expect(one[40 * 120 + 95]).toBe(0);
    expect([all[33 * 120 + 24], one[33 * 120 + 24]]).toEqual([0, 255]);
  });

  it('of the background take all but the faces, clear or in a colour', () => {
    const photo = photograph(() => 0.9);
    const marks: Mark[] = [{ kind: 'outside', on: 'away', add: true }];
    const art = plain(80, 120, 120);
    const clear = pinOn(photo, art, fullStrength, 0, { marks, ground: { kind: 'clear' } });
    const red = pinOn(photo, art, fullStrength, 0, { marks, ground: { kind: 'colour', colour: '#c02020' } });
    if (!clear.ok || !red.ok) throw new Error('not pinned');
    expect(clear.value.data[(10 * W + 10) * 4 + 3]).toBe(0);
    expect(clear.value.data[at(photo, 0.5, 0.5) + 3]).toBe(255);
    expect([...red.value.data.slice((10 * W + 10) * 4, (10 * W + 10) * 4 + 4)]).toEqual([192, 32, 32, 255]);
    const kept = pinOn(photo, art, fullStrength, 0, { marks });
    expect(kept.ok && kept.value.data[(10 * W + 10) * 4]).toBe(46);
  });

  it('of the background never take a face away, nor what stands before one', () => {
    // The wall has the very colour of the blank, and a hand of another holds it, within the face and beside it.
    const photo = plain(W, H, 200);
    const hand = (x: number, y: number): boolean => y > H * 0.45 && y < H * 0.55 && x < W * 0.5;
    for (let y = 0; y < H; y++)
      for (let x = 0; x < W; x++) if (hand(x, y)) photo.data.set([190, 120, 90, 255], (y * W + x) * 4);
    const wall: Mark = { kind: 'range', on: 'away', add: true, at: [5, 5], tolerance: 0.1, joined: false };
    const brushed: Mark = { kind: 'brush', on: 'away', add: true, radius: 2 * W, soft: 0, points: [[W / 2, H / 2]] };
    const skin: Mark = { kind: 'range', on: 'front', add: true, at: [20, H / 2], tolerance: 0.1, joined: false };
    for (const away of [[wall], [brushed], [{ kind: 'outside', on: 'away', add: true } as Mark]]) {
      const made = pinOn(photo, plain(80, 120, 120), noStrength, 0, {
        marks: [...away, skin],
        ground: { kind: 'clear' },
      });
      if (!made.ok) throw new Error('not pinned');
      const alpha = (x: number, y: number): number => made.value.data[(Math.round(y) * W + Math.round(x)) * 4 + 3];
      for (const [u, v] of [
        [0.5, 0.2],
        [0.1, 0.1],
        [0.9, 0.9],
        [0.2, 0.5],
      ]) {
        const p = project(onPhoto, { x: u, y: v });
        expect(alpha(p.x, p.y)).toBe(255);
      }
      // The hand beside the face stays whole, the wall goes.
      expect(alpha(8, H / 2)).toBe(255);
      expect(alpha(8, 8)).toBe(0);
    }
  });

  it('paint light and shade on the art, and nowhere else', () => {
    const photo = photograph(() => 0.9);
    const at3 = (u: number): [number, number] => {
      const p = project(onPhoto, { x: u, y: 0.5 });
      return [p.x, p.y];
    };
    const marks: Mark[] = [
      { kind: 'brush', on: 'shade', add: true, radius: 20, soft: 1, points: [at3(0.25)] },
      { kind: 'brush', on: 'light', add: true, radius: 20, soft: 1, points: [at3(0.75)] },
      { kind: 'brush', on: 'shade', add: true, radius: 20, soft: 1, points: [[20, 20]] },
    ];
    const art = plain(80, 120, 120);
    const made = pinOn(photo, art, noStrength, 0, { marks });
    const hidden = pinOn(photo, art, noStrength, 0, { marks, hidden: ['painted'] });
    if (!made.ok || !hidden.ok) throw new Error('not pinned');
    expect(made.value.data[at(photo, 0.25, 0.5)]).toBeLessThan(85);
    expect(made.value.data[at(photo, 0.75, 0.5)]).toBeGreaterThan(160);
    expect(made.value.data[at(photo, 0.5, 0.5)]).toBe(120);
    expect(made.value.data[(20 * W + 20) * 4]).toBe(photo.data[(20 * W + 20) * 4]);
    expect(hidden.value.data[at(photo, 0.25, 0.5)]).toBe(120);
  });
});

describe('a job', () => {
  it('stops between faces when it is cancelled', () => {
    const corners = QUAD.map((p): [number, number] => [p.x, p.y]);
    const faces = ['a', 'b'].map((id) => newFace(id, id, corners, { kind: 'side', side: 'front' }));
    const scene = { ...newPinScene({ asset: 'p', widthPx: W, heightPx: H }), faces };
    let asked = 0;
    const made = pinned(photoOf(photograph(() => 1)), scene, new Map(), 'final', () => ++asked > 1);
    expect(made).toMatchObject({ ok: false, fault: { code: 'pin-stopped' } });
    expect(asked).toBe(2);
  });

  it('takes a photograph that is partly clear, and leaves it so off the face', () => {
    const photo = photograph(() => 0.9);
    for (let i = 0; i < 40 * W * 4; i += 4) photo.data[i + 3] = 0;
    const made = pinOn(photo, plain(60, 90, 120), fullStrength, 1);
    expect(made.ok && made.value.data[(10 * W + 10) * 4 + 3]).toBe(0);
    expect(made.ok && made.value.data[at(photo, 0.5, 0.5) + 3]).toBe(255);
  });
});

describe('several faces', () => {
  it('meet without a seam of the blank between them', () => {
    const photo = photograph(() => 1);
    const mid = (v: number): [number, number] => {
      const p = project(onPhoto, { x: 0.3, y: v });
      return [p.x, p.y];
    };
    const [a, b, c, d] = QUAD.map((p): [number, number] => [p.x, p.y]);
    const face = (id: string, corners: [number, number][]) => ({
      ...newFace(id, id, corners, { kind: 'side', side: 'front' } as const),
      grain: 0,
    });
    const scene = {
      ...newPinScene({ asset: 'p', widthPx: W, heightPx: H }),
      faces: [face('a', [a, mid(0), mid(1), d]), face('b', [mid(0), b, c, mid(1)])],
    };
    const dark = artOf(plain(60, 90, 40));
    const made = pinned(
      photoOf(photo),
      scene,
      new Map([
        ['a', dark],
        ['b', dark],
      ]),
    );
    if (!made.ok) throw new Error(made.fault.code);
    for (let v = 0.1; v < 0.9; v += 0.05)
      for (let u = 0.2; u < 0.4; u += 0.004) expect(made.value.data[at(photo, u, v)]).toBeLessThan(52);
  });
});

describe('an open file', () => {
  const corners = QUAD.map((p): [number, number] => [p.x, p.y]);
  const marks: Mark[] = [
    {
      kind: 'brush',
      on: 'front',
      add: true,
      radius: 20,
      soft: 0.2,
      points: [
        [200, 380],
        [200, 460],
      ],
    },
  ];
  const base = newPinScene({ asset: 'photo1', widthPx: W, heightPx: H });
  const face = (id: string): PinFace => newFace(id, `Face ${id}`, corners, { kind: 'picture', asset: 'own1' });
  const scene: PinScene = { ...base, faces: [face('a')], marks };
  const photo = photograph(fold, 2);
  const arts = new Map([['a', artOf(plain(60, 90, 120))]]);
  const written = writePinFile(photoOf(photo), scene, arts, new Map([['own1', new Uint8Array([1, 2, 3])]]));
  if (!written.ok) throw new Error(written.fault.code);
  const entries = unzipSync(written.value);

  it('holds photograph, art and what is in front as layers that another decoder reads', () => {
    const stack = new TextDecoder().decode(entries['stack.xml']);
    const layers = [...stack.matchAll(/name="([^"]+)" src="([^"]+)" x="(\d+)" y="(\d+)"/g)].map((m) => m.slice(1));
    expect(layers.map(([name]) => name)).toEqual(['Before Face a', 'Face a', 'Photograph']);
    const [front, art, whole] = layers.map(([, src]) => PNG.sync.read(Buffer.from(entries[src])));
    expect(Buffer.compare(whole.data, Buffer.from(photo.data))).toBe(0);
    expect(art.width).toBeLessThan(W);
    // What is in front is opaque under the stroke and nothing off it.
    const [fx, fy] = [Number(layers[0][2]), Number(layers[0][3])];
    expect(front.data[((400 - fy) * front.width + 200 - fx) * 4 + 3]).toBe(255);
    expect(front.data[((400 - fy) * front.width + 260 - fx) * 4 + 3]).toBe(0);
    const merged = PNG.sync.read(Buffer.from(entries['mergedimage.png']));
    const made = pinned(photoOf(photo), scene, arts);
    expect(made.ok && Buffer.compare(merged.data, Buffer.from(made.value.data))).toBe(0);
  });

  it('is opened again as it was, its pictures by the names that the scene calls them', () => {
    const read = readPinFile(written.value);
    if (!read.ok) throw new Error(read.fault.code);
    expect(read.value.scene).toEqual(scene);
    expect([...read.value.pictures.keys()].sort()).toEqual(['own1', 'photo1']);
    expect([...read.value.pictures.get('own1')!]).toEqual([1, 2, 3]);
    const other = renamed(
      scene,
      new Map([
        ['photo1', 'p9'],
        ['own1', 'o9'],
      ]),
    );
    expect([other.photo.asset, other.faces[0].art]).toEqual(['p9', { kind: 'picture', asset: 'o9' }]);
  });

  it('is refused where it is none, newer, damaged, or lacks a picture', () => {
    const code = (change: (files: Record<string, Uint8Array>) => void): unknown => {
      const files = { ...entries };
      change(files);
      const read = readPinFile(zipSync(files));
      return read.ok ? null : read.fault.code;
    };
    const json =
      (edit: (manifest: { version: number; scene: { schema: number; faces: unknown } }) => void) =>
      (files: Record<string, Uint8Array>) => {
        const manifest = JSON.parse(new TextDecoder().decode(files['yosomi/pin.json']));
        edit(manifest);
        files['yosomi/pin.json'] = new TextEncoder().encode(JSON.stringify(manifest));
      };
    expect(code(() => {})).toBeNull();
    expect(code((files) => delete files['yosomi/pin.json'])).toBe('pin-file-not');
    expect(code((files) => delete files['yosomi/own1'])).toBe('pin-picture');
    expect(code((files) => delete files['data/layer2.png'])).toBe('pin-picture');
    expect(code(json((m) => (m.version = 2)))).toBe('pin-newer');
    expect(code(json((m) => (m.scene.schema = 2)))).toBe('pin-newer');
    expect(code(json((m) => (m.scene.faces = 7)))).toBe('pin-wrong');
    expect(code((files) => (files['yosomi/pin.json'] = new Uint8Array([1])))).toBe('pin-wrong');
    const many = Object.fromEntries(Array.from({ length: 80 }, (_, i) => [`data/${i}.png`, new Uint8Array(1)]));
    expect(readPinFile(zipSync(many))).toMatchObject({ fault: { code: 'pin-file-large' } });
    expect(readPinFile(new Uint8Array([1, 2, 3]))).toMatchObject({ fault: { code: 'pin-file-not' } });
    expect(readPinFile(written.value.slice(0, 400))).toMatchObject({ fault: { code: 'pin-file-not' } });
  });
});

describe('marks of a hand', () => {
  it('never make a scene that cannot be read again', () => {
    const scene = newPinScene({ asset: 'p', widthPx: W, heightPx: H });
    const stroke: Mark = { kind: 'brush', on: 'front', add: true, radius: 5, soft: 0.5, points: [[0, 0]] };
    expect(addMark(scene, stroke)).toBeUndefined();
    for (let i = 1; i < 3200; i++) expect(goOn(scene, [i, i])).toBeUndefined();
    expect(scene.marks.map((m) => (m.kind === 'brush' ? m.points.length : 0))).toEqual([1500, 1500, 202]);
    expect(readPinScene(scene).ok).toBe(true);
    while (scene.marks.length < 300) addMark(scene, { ...stroke, points: [[1, 1]] });
    expect(addMark(scene, stroke)).toMatchObject({ code: 'pin-marks' });
    expect(readPinScene(scene).ok).toBe(true);
  });
});

describe('a scene file', () => {
  it('is read back as it was, and refused with the reason where it is none', () => {
    const corners = QUAD.map((p): [number, number] => [p.x, p.y]);
    const scene: PinScene = {
      ...newPinScene({ asset: 'p', widthPx: W, heightPx: H }),
      faces: [newFace('a', 'Front', corners, { kind: 'side', side: 'front' })],
    };
    expect(readPinScene(JSON.parse(JSON.stringify(scene)))).toEqual({ ok: true, value: scene });
    expect(readPinScene({ ...scene, schema: 2 })).toMatchObject({ fault: { code: 'pin-newer' } });
    for (const raw of [null, 4, [], {}, { schema: '1' }, { ...scene, faces: [{}] }, { ...scene, photo: null }])
      expect(readPinScene(raw)).toMatchObject({ fault: { code: 'pin-wrong' } });
    expect(sheetIn({ corners: [[0, 0]], bend: null }, { width: W, height: H }).ok).toBe(false);
  });
});
