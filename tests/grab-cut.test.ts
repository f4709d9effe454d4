import { createRequire } from 'node:module';
import { hintPixels, refined } from '@yosomi/core/darkroom';
import { type Raster, raster } from '@yosomi/core/pixels';
import { beforeAll, describe, expect, it } from 'vitest';
import { type Cv, grabCut } from '../web/src/work/grab-cut';

/** Required, not imported: the module has a `then` of its own, and an import of it would never end. */
const cv = createRequire(import.meta.url)('@techstark/opencv-js') as Cv & { onRuntimeInitialized?: () => void };
beforeAll(() => (cv.Mat ? undefined : new Promise<void>((resolve) => (cv.onRuntimeInitialized = () => resolve()))));

/** A busy wall with a ball before it: light from the left, its shade on the wall. */
function ballOnWall(width: number, height: number): { picture: Raster; ball(x: number, y: number): boolean } {
  const picture = raster(width, height);
  const [cx, cy, r] = [width * 0.52, height * 0.55, height * 0.27];
  const ball = (x: number, y: number): boolean => Math.hypot(x + 0.5 - cx, y + 0.5 - cy) < r;
  let seed = 5;
  const noise = (): number => (seed = (seed * 1103515245 + 12345) % 2147483648) / 2147483648 - 0.5;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const brick = (Math.floor(x / 14) + Math.floor(y / 9)) % 2 === 0 ? 18 : 0;
      const light = ball(x, y) ? 1 - 0.35 * ((x - cx) / r) : 1;
      const [red, green, blue] = ball(x, y)
        ? [196 * light, 66 * light, 40 * light]
        : [96 + brick, 120 + brick, 128 + brick];
      picture.data.set([red + noise() * 22, green + noise() * 22, blue + noise() * 22, 255], (y * width + x) * 4);
    }
  return { picture, ball };
}

const off = (mask: Uint8Array, width: number, ball: (x: number, y: number) => boolean): number =>
  mask.reduce((sum, v, i) => sum + ((v === 1) === ball(i % width, Math.floor(i / width)) ? 0 : 1), 0) / mask.length;

describe('the subject of a picture', () => {
  const [width, height] = [240, 180];
  const { picture, ball } = ballOnWall(width, height);
  const none = hintPixels([], width, height);

  it('is found without a word before a busy wall, to within a hundredth of the picture', () => {
    const mask = grabCut(cv, picture, none)!;
    expect(off(mask, width, ball)).toBeLessThan(0.01);
  });

  it('is the same each time', () => {
    expect(grabCut(cv, picture, none)).toEqual(grabCut(cv, picture, none));
  });

  it('follows what strokes say: two dots turn it round, and what is like them goes with them', () => {
    const dot = (keep: boolean, x: number, y: number) => ({ keep, width: 0.04, points: [{ x, y }] });
    const said = hintPixels([dot(false, 0.52, 0.55), dot(true, 0.1, 0.2)], width, height);
    const mask = grabCut(cv, picture, said)!;
    expect(off(mask, width, (x, y) => !ball(x, y))).toBeLessThan(0.03);
    for (const [i, v] of said.entries()) if (v !== 0) expect(mask[i]).toBe(v === 1 ? 1 : 0);
    expect(grabCut(cv, picture, said, grabCut(cv, picture, none))).toEqual(mask);
  });

  it('one stroke on a piece that was missed brings it in and changes little else', () => {
    // A pale patch on the ball that looks like the wall.
    const patched = { ...picture, data: new Uint8ClampedArray(picture.data) };
    const patch = (x: number, y: number): boolean => x > 118 && x < 134 && y > 60 && y < 84;
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) if (patch(x, y)) patched.data.set([240, 232, 90, 255], (y * width + x) * 4);
    const keep = hintPixels(
      [
        {
          keep: true,
          width: 0.03,
          points: [
            { x: 0.51, y: 0.36 },
            { x: 0.54, y: 0.44 },
          ],
        },
      ],
      width,
      height,
    );
    const mask = grabCut(cv, patched, keep)!;
    expect(off(mask, width, ball)).toBeLessThan(0.012);
  });

  it('in a picture of one colour is nothing', () => {
    const plain = raster(60, 40);
    plain.data.fill(200);
    const mask = grabCut(cv, plain, new Uint8Array(2400));
    expect(mask === null || mask.reduce((a, b) => a + b, 0) > 0).toBe(true);
  });

  it('becomes a matte whose edge lies on the picture’s own, finer than the mask', () => {
    const large = ballOnWall(960, 720);
    const mask = grabCut(cv, picture, none)!;
    const matte = refined(large.picture, mask, width, height);
    let wrong = 0;
    for (let y = 0; y < 720; y++)
      for (let x = 0; x < 960; x++) wrong += Math.abs(matte.data[(y * 960 + x) * 4] / 255 - (large.ball(x, y) ? 1 : 0));
    const rough =
      mask.reduce((sum, v, i) => sum + ((v === 1) === ball(i % width, Math.floor(i / width)) ? 0 : 1), 0) * 16;
    expect(wrong / (960 * 720)).toBeLessThan(0.012);
    expect(rough / (960 * 720)).toBeLessThan(0.02);
  });
});
