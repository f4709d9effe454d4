import { type Page, expect } from '@playwright/test';
import { artOf, findCorners, newFace, newPinScene, photoOf, pinned, scaledPin } from '@yosomi/core/pin';
import { type Raster, raster, shrink } from '@yosomi/core/pixels';
import { cornerError, photographOf } from '../tests/fixtures/photographs';
import { picturePixels } from '../tests/fixtures/pictures';
import { type Row, median } from './rows';

/** A made-up photograph of 12 megapixels: one of 1600 x 1200 with each pixel two and a half times as large. */
export function twelveMegapixels(): { pixels: Raster; corners: [number, number][] } {
  const { pixels, corners } = photographOf(9);
  const [width, height] = [4000, 3000];
  const out = raster(width, height);
  const [from, to] = [new Uint32Array(pixels.data.buffer), new Uint32Array(out.data.buffer)];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) to[y * width + x] = from[Math.floor(y / 2.5) * pixels.width + Math.floor(x / 2.5)];
  return { pixels: out, corners: corners.map((p): [number, number] => [p.x * 2.5, p.y * 2.5]) };
}

const cpuMs = (run: () => void): number => {
  const from = process.cpuUsage();
  run();
  const { user, system } = process.cpuUsage(from);
  return (user + system) / 1000;
};

/** How the corner finder does on the sixty photographs of its test, and what pinning costs, on one thread. */
export function pinRows(rounds: number): Row[] {
  const errors: number[] = [];
  const times: number[] = [];
  let [sure, wrong] = [0, 0];
  for (let seed = 1; seed <= 60; seed++) {
    const { pixels, corners } = photographOf(seed);
    let found = findCorners(raster(1, 1));
    times.push(cpuMs(() => void (found = findCorners(pixels))));
    const error = found.kind === 'none' ? Infinity : cornerError(found.corners, corners);
    errors.push(error);
    if (found.kind !== 'found') continue;
    sure++;
    if (error > 3) wrong++;
  }
  const { pixels, corners } = twelveMegapixels();
  const scene = {
    ...newPinScene({ asset: 'p', widthPx: 4000, heightPx: 3000 }),
    faces: [newFace('a', 'Front', corners, { kind: 'side', side: 'front' })],
  };
  const arts = new Map([['a', artOf(picturePixels(900, 1440))]]);
  const [small, large] = [photoOf(shrink(pixels, 740, 555)), photoOf(pixels)];
  const seen = scaledPin(scene, 740 / 4000);
  const [quick, fine, whole]: number[][] = [[], [], []];
  for (let i = 0; i < rounds * 5; i++) {
    quick.push(cpuMs(() => void pinned(small, seen, arts, 'preview')));
    fine.push(cpuMs(() => void pinned(small, seen, arts, 'final')));
  }
  for (let i = 0; i < rounds; i++) whole.push(cpuMs(() => void pinned(large, scene, arts)));
  return [
    { what: 'corners in 60 made-up photographs of 1600 x 1200: median error', value: median(errors), unit: 'px' },
    { what: 'of them within 3 px', value: errors.filter((e) => e <= 3).length, unit: 'of 60' },
    { what: 'of them said to be sure', value: sure, unit: 'of 60' },
    { what: 'said to be sure, but more than 3 px off', value: wrong, unit: 'of 60' },
    { what: 'finding the corners', value: median(times), unit: 'ms CPU' },
    { what: 'a preview of 740 x 555', value: median(quick), unit: 'ms CPU' },
    { what: 'the same, final', value: median(fine), unit: 'ms CPU' },
    { what: '12 megapixels, final', value: median(whole), unit: 'ms CPU' },
  ];
}

/** Frames a second while a corner on a photograph of 12 megapixels is dragged for three seconds, and the longest main-thread task meanwhile. */
export async function cornerDrag(
  page: Page,
  photo: string,
  watch: () => Promise<void>,
  longest: () => Promise<number>,
): Promise<{ fps: number; longest: number }> {
  await page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: 'Mockups', exact: true }).click();
  await page.getByRole('link', { name: 'Photograph' }).click();
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Open', exact: true }).click(),
  ]);
  await chooser.setFiles(photo);
  const corner = page.getByRole('button', { name: /^Top left corner/ });
  await corner.waitFor({ timeout: 60_000 });
  const canvas = page.locator('canvas[data-state]');
  await expect(canvas).toHaveAttribute('data-state', 'final', { timeout: 60_000 });
  await page.waitForTimeout(3000);
  const box = await corner.boundingBox();
  if (!box) throw new Error('no corner');
  await watch();
  const frames = async (): Promise<number> => Number(await canvas.getAttribute('data-frames'));
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  const before = await frames();
  const from = performance.now();
  // Moves are made within the page, one a frame: to send them from here takes longer than to draw what they change.
  await corner.evaluate(
    (handle, [px, py]) =>
      new Promise<void>((done) => {
        let i = 0;
        const timer = setInterval(() => {
          const [clientX, clientY] = [px + 12 * Math.sin(i / 12), py + 8 * Math.cos(i / 9)];
          handle.dispatchEvent(new PointerEvent('pointermove', { pointerId: 1, bubbles: true, clientX, clientY }));
          if (++i < 180) return;
          clearInterval(timer);
          done();
        }, 16);
      }),
    [x, y],
  );
  const seconds = (performance.now() - from) / 1000;
  const fps = ((await frames()) - before) / seconds;
  await page.mouse.up();
  return { fps, longest: await longest() };
}
