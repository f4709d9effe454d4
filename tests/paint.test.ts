import { describe, expect, it } from 'vitest';
import { BLENDS, type Ink, type InkItem, fill, flat, group, image, imagesOf, stroke } from '@yosomi/core/ink';
import { PathBuilder, ellipsePath, rectPath, rotateAbout, translate } from '@yosomi/core/plane';
import { type Raster, largestDifference, raster } from '@yosomi/core/pixels';
import { imageOfRaster, paintRaster } from '@yosomi/node-kit';
import { picturePixels } from './fixtures/pictures';

const W = 100;
const box = (x: number, y: number, width: number, height: number) => rectPath({ x, y, width, height });
const white = fill(box(0, 0, W, W), flat('#ffffff'));
const list = (...items: InkItem[]): Ink => ({ widthPx: W, heightPx: W, items });
const picture = picturePixels(40, 40);
const images = new Map([['p', imageOfRaster(picture)]]);
const whole = { x: 0, y: 0, width: 40, height: 40 };
const all = { x: 0, y: 0, width: 1, height: 1 };
const at = (r: Raster, x: number, y: number): number[] =>
  Array.from(r.data.slice((y * r.width + x) * 4, (y * r.width + x) * 4 + 4));

describe('the painter', () => {
  it('fills, strokes and fades', () => {
    const line = new PathBuilder().move(10, 80).line(90, 80).done();
    const r = paintRaster(
      list(
        white,
        fill(box(10, 10, 30, 30), flat('#ff0000')),
        fill(box(50, 10, 30, 30), flat('#0000ff', 0.5)),
        stroke(line, 6, flat('#00ff00')),
      ),
      W,
      new Map(),
    );
    expect(at(r, 20, 20)).toEqual([255, 0, 0, 255]);
    expect(at(r, 60, 20)[0]).toBeCloseTo(127, -1);
    expect(at(r, 50, 80)).toEqual([0, 255, 0, 255]);
    expect(at(r, 50, 90)).toEqual([255, 255, 255, 255]);
  });

  it('gives the same picture at another scale, only larger', () => {
    const ink = list(white, fill(ellipsePath(50, 50, 30, 20), flat('#204060')));
    const small = paintRaster(ink, 100, new Map());
    const large = paintRaster(ink, 300, new Map());
    for (const [x, y] of [
      [50, 50],
      [22, 50],
      [50, 68],
      [10, 10],
      [85, 85],
    ]) {
      expect(at(large, x * 3 + 1, y * 3 + 1)).toEqual(at(small, x, y));
    }
  });

  it('carries the transform of a group to its children, and theirs on top', () => {
    const child = fill(box(0, 0, 10, 10), flat('#ff0000'), { transform: translate(20, 0) });
    const r = paintRaster(
      list(white, group([group([child], { transform: translate(0, 30) })], { transform: translate(40, 5) })),
      W,
      new Map(),
    );
    expect(at(r, 65, 40)).toEqual([255, 0, 0, 255]);
    expect(at(r, 55, 40)).toEqual([255, 255, 255, 255]);
    const turned = paintRaster(
      list(white, fill(box(40, 45, 20, 10), flat('#ff0000'), { transform: rotateAbout(Math.PI / 2, 50, 50) })),
      W,
      new Map(),
    );
    expect(at(turned, 50, 42)).toEqual([255, 0, 0, 255]);
    expect(at(turned, 42, 50)).toEqual([255, 255, 255, 255]);
  });

  it('fades a group as one: where its parts overlap nothing shines through', () => {
    const two = [fill(box(10, 10, 50, 50), flat('#000000')), fill(box(30, 30, 50, 50), flat('#000000'))];
    const together = paintRaster(list(white, group(two, { opacity: 0.5 })), W, new Map());
    const apart = paintRaster(list(white, ...two.map((item) => ({ ...item, opacity: 0.5 }))), W, new Map());
    expect(at(together, 40, 40)[0]).toBe(at(together, 20, 20)[0]);
    expect(at(apart, 40, 40)[0]).toBeLessThan(at(apart, 20, 20)[0] - 50);
  });

  it('draws part of a picture into a place, and nothing for a picture that is missing', () => {
    const r = paintRaster(list(white, image('p', all, { x: 10, y: 10, width: 80, height: 80 })), W, images);
    for (const [x, y] of [
      [30, 30],
      [60, 45],
    ]) {
      const [a, b] = [at(r, x, y), at(picture, (x - 10) / 2, Math.floor((y - 10) / 2))];
      expect(Math.abs(a[0] - b[0])).toBeLessThan(12);
    }
    const none = paintRaster(list(white, image('gone', all, whole)), W, images);
    expect(largestDifference(none, paintRaster(list(white), W, images))).toBe(0);
  });

  it('masks a picture with a smooth edge', () => {
    const masked = group([image('p', all, { x: 0, y: 0, width: W, height: W })], {
      mask: [fill(ellipsePath(50, 50, 40), flat('#000000'))],
    });
    const r = paintRaster(list(masked), W, images);
    expect(at(r, 50, 50)[3]).toBe(255);
    expect(at(r, 3, 3)[3]).toBe(0);
    const edge = Array.from({ length: W }, (_, y) => Array.from({ length: W }, (__, x) => at(r, x, y)[3]))
      .flat()
      .filter((a) => a > 0 && a < 255);
    expect(edge.length).toBeGreaterThan(100);
    expect(edge.length).toBeLessThan(700);
  });

  it('knows all sixteen blend modes, each by its own look', () => {
    const base = [fill(box(0, 0, W, W), flat('#c08040')), fill(box(50, 0, 50, W), flat('#305070'))];
    const seen = new Map<string, string>();
    for (const blend of BLENDS) {
      const r = paintRaster(list(...base, fill(box(0, 0, W, W), flat('#7090d0'), { blend })), W, new Map());
      seen.set(blend, `${at(r, 20, 20)} ${at(r, 80, 20)}`);
    }
    expect(new Set(seen.values()).size).toBe(BLENDS.length);
    const [r] = seen.get('multiply')!.split(',').map(Number);
    expect(r).toBe(Math.round((0xc0 * 0x70) / 255));
  });

  it('runs gradients from stop to stop', () => {
    const paint = {
      kind: 'linear',
      from: { x: 0, y: 0 },
      to: { x: W, y: 0 },
      stops: [
        { at: 0, colour: '#000000', opacity: 1 },
        { at: 1, colour: '#ffffff', opacity: 1 },
      ],
    } as const;
    const r = paintRaster(list(fill(box(0, 0, W, W), paint)), W, new Map());
    for (let x = 1; x < W; x++) expect(at(r, x, 50)[0]).toBeGreaterThanOrEqual(at(r, x - 1, 50)[0]);
    expect(at(r, 50, 50)[0]).toBeCloseTo(128, -1);
    const radial = paintRaster(
      list(fill(box(0, 0, W, W), { kind: 'radial', centre: { x: 50, y: 50 }, radius: 50, stops: paint.stops })),
      W,
      new Map(),
    );
    expect(at(radial, 50, 50)[0]).toBeLessThan(10);
    expect(at(radial, 98, 50)[0]).toBeGreaterThan(235);
  });

  it('names every picture a list needs', () => {
    expect(
      imagesOf([image('a', all, whole), group([image('b', all, whole)], { mask: [image('c', all, whole)] }), white]),
    ).toEqual(['a', 'b', 'c']);
    expect(raster(1, 1).data).toHaveLength(4);
  });
});
