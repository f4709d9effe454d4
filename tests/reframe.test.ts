import { type Raster, ssim, shrink, raster } from '@yosomi/core/pixels';
import { REFRAMES, carriedTo, cutTo, fitsRatio, fitted, repairImage, verdictOf } from '@yosomi/core/recipe';
import { PROFILES, findProfile, nonsense } from '@yosomi/core/stores';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { run } from '../cli/src/run';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { inTurn } from './fixtures/cases';
import { fileOf, picturePixels, scenePixels } from './fixtures/pictures';
import { QuickStudio } from './fixtures/quick-studio';

const studio = new QuickStudio(new Map());

/** A picture that is busy only in a square about a point, given as a fraction of its width. */
function subjectAt(width: number, height: number, x: number) {
  const out = raster(width, height);
  for (let p = 0; p < width * height; p++) {
    const [i, j] = [p % width, Math.floor(p / width)];
    const inside = Math.abs(i - x * width) < height * 0.2 && Math.abs(j - height / 2) < height * 0.3;
    const v = inside ? ((i * 31 + j * 17) % 7) * 36 : 90;
    out.data.set([v, v, v, 255], p * 4);
  }
  return out;
}

describe('bringing a picture into another ratio', () => {
  it('cuts away what is calm and keeps the subject', () => {
    for (const x of [0.25, 0.5, 0.8]) {
      const cut = cutTo(subjectAt(640, 400, x), { widthPx: 250, heightPx: 400 }, studio);
      expect([cut.width, cut.height]).toEqual([250, 400]);
      let busy = 0;
      for (let i = 0; i < cut.data.length; i += 4) if (cut.data[i] !== 90) busy++;
      expect(busy, String(x)).toBeGreaterThan(0.9 * (160 * 240 * (6 / 7)));
    }
  });

  it('carries the ground on without a seam, the picture itself untouched', () => {
    const picture = scenePixels(400, 400);
    const size = { widthPx: 400, heightPx: 640 };
    const made = carriedTo(picture, size, studio);
    expect([made.width, made.height]).toEqual([400, 640]);
    const middle = raster(400, 400, made.data.slice(120 * 400 * 4, 520 * 400 * 4));
    expect(ssim(middle, picture)).toBeGreaterThan(0.999);
    // No step where the picture ends that is larger than those within it.
    const step = (y: number): number => {
      let sum = 0;
      for (let i = 0; i < 400 * 4; i++) sum += Math.abs(made.data[y * 1600 + i] - made.data[(y - 1) * 1600 + i]);
      return sum / 1600;
    };
    const within = Array.from({ length: 300 }, (_, i) => step(150 + i));
    expect(step(120)).toBeLessThanOrEqual(Math.max(...within) + 1);
    expect(step(520)).toBeLessThanOrEqual(Math.max(...within) + 1);
    expect(made.data.every((v, i) => i % 4 !== 3 || v === 255)).toBe(true);
  });
});

describe('what is added round a picture', () => {
  /** Green above, dark blue from the middle on, with a white line of words near the foot. */
  const worded = raster(400, 400);
  for (let y = 0; y < 400; y++)
    for (let x = 0; x < 400; x++) {
      const word = y >= 350 && y < 380 && x > 60 && x < 340;
      worded.data.set(
        word ? [255, 255, 255, 255] : y < 200 ? [60, 110, 80, 255] : [30, 50, 80, 255],
        (y * 400 + x) * 4,
      );
    }
  const size = { widthPx: 400, heightPx: 640 };
  const at = (made: Raster, y: number): number[] => [
    ...made.data.subarray((y * 400 + 200) * 4, (y * 400 + 200) * 4 + 3),
  ];

  it('has the colour of the edge that it lies at, above and below, left and right', () => {
    const made = fitted(worded, size, studio);
    expect(at(made, 3)).toEqual([60, 110, 80]);
    expect(at(made, 636)).toEqual([30, 50, 80]);
    const split = raster(400, 400);
    for (let i = 0; i < split.data.length; i += 4)
      split.data.set((i / 4) % 400 < 200 ? [200, 20, 20, 255] : [20, 20, 200, 255], i);
    const wide = fitted(split, { widthPx: 640, heightPx: 400 }, studio);
    expect([...wide.data.subarray(8, 11)]).toEqual([200, 20, 20]);
    expect([...wide.data.subarray(639 * 4, 639 * 4 + 3)]).toEqual([20, 20, 200]);
  });

  it('shows no words a second time where the ground is carried on', () => {
    const made = carriedTo(worded, size, studio);
    let brightest = 0;
    for (const y of [...Array(118).keys(), ...Array.from({ length: 118 }, (_, i) => 522 + i)])
      for (let x = 0; x < 400; x++) brightest = Math.max(brightest, made.data[(y * 400 + x) * 4]);
    expect(brightest).toBeLessThan(100);
  });
});

const SOURCES = [
  [900, 900],
  [2560, 1600],
  [1600, 2000],
  [500, 1600],
] as const;

describe('a copy that passes', () => {
  it.each(SOURCES)(
    'of %i x %i really does, in every way, at every store',
    async (w, h) => {
      const bytes = await fileOf(picturePixels(w / 2, h / 2), 'jpeg');
      const from = SOURCES.findIndex(([width]) => width === w);
      for (const [p, profile] of PROFILES.entries()) {
        const ways = fitsRatio({ widthPx: w, heightPx: h }, profile) ? (['whole'] as const) : REFRAMES;
        for (const [k, way] of ways.entries()) {
          if (!inTurn(2, from, p, k)) continue;
          const made = await repairImage(bytes, profile, studio, undefined, way);
          if (!made.ok) throw new Error(`${profile.id} ${way}: ${made.fault.code}`);
          const wrong = made.value.findings.filter((f) => f.severity !== 'note' && f.code !== 'cover-enlarged');
          expect(wrong, `${profile.id} ${way}`).toEqual([]);
          const meta = await sharp(made.value.bytes).metadata();
          expect(fitsRatio({ widthPx: meta.width!, heightPx: meta.height! }, profile), `${profile.id} ${way}`).toBe(
            true,
          );
        }
      }
    },
    240_000,
  );

  it('is asked for by a picture that lies, and check says so with its exit code', async () => {
    const dir = mkdtempSync(join(tmpdir(), 'lying-'));
    const lying = join(dir, 'lying.jpg');
    writeFileSync(lying, await fileOf(scenePixels(1600, 1000), 'jpeg'));
    let said = '';
    const code = await run(['check', lying, '--store', 'longreach'], { out: (t) => void (said += t), err: () => {} });
    expect(code).toBe(1);
    expect(said).toContain('store-lying');
    const square = join(dir, 'square.jpg');
    writeFileSync(square, await fileOf(scenePixels(3000, 3000), 'jpeg'));
    expect(await run(['check', square, '--store', 'earshot'], { out: () => {}, err: () => {} })).toBe(0);
  });

  it('looks the same from afar when it is carried as when it is whole', async () => {
    const source = scenePixels(600, 600);
    const bytes = await fileOf(source, 'jpeg');
    const made = await repairImage(bytes, findProfile('longreach', [])!, studio, undefined, 'carried');
    if (!made.ok) throw new Error(made.fault.code);
    expect(verdictOf(made.value.findings)).not.toBe('fails');
    const pixels = (await studio.decode(made.value.bytes))!;
    const k = pixels.width / 600;
    const y0 = Math.round((pixels.height - 600 * k) / 2);
    const part = raster(
      pixels.width,
      Math.round(600 * k),
      pixels.data.slice(y0 * pixels.width * 4, (y0 + Math.round(600 * k)) * pixels.width * 4),
    );
    expect(ssim(shrink(part, 150, 150), shrink(source, 150, 150))).toBeGreaterThan(0.97);
  });
});

describe('demands of a store', () => {
  it('that ship with the product go together', () => {
    for (const profile of PROFILES) expect(nonsense(profile), profile.id).toBeNull();
  });
  it('that contradict each other are told, also a ratio that is only wished for', () => {
    const like = PROFILES[0];
    expect(
      nonsense({ ...like, ideal: { widthPx: 1600, heightPx: 2400 }, ratio: { low: 1.59, high: 1.61, must: false } }),
    ).toBe('ratio');
    expect(nonsense({ ...like, ideal: { widthPx: 1600, heightPx: 2400 }, ratio: null })).toBeNull();
  });
});
