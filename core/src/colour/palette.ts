import { type Raster, shrink } from '../pixels';
import { type Hex, type Lab, chromaOf, hexOf, labOf, rgbOfLab } from './colour';

export type Swatch = {
  readonly hex: Hex;
  readonly lab: Lab;
  /** Share of the picture, 0..1. */ readonly share: number;
};

const distance = (a: Lab, b: Lab): number => (a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2 + (a[2] - b[2]) ** 2;

/**
 * The picture's main colours, most frequent first: k-means in OKLab over an area-averaged thumbnail, seeded by
 * farthest points, so that a small but vivid colour is found and the result never depends on chance.
 */
export function palette(source: Raster, count = 6): Swatch[] {
  const small = shrink(source, 64, Math.max(1, Math.round((64 * source.height) / source.width)));
  const points: Lab[] = [];
  for (let i = 0; i < small.data.length; i += 4) {
    if (small.data[i + 3] < 128) continue;
    points.push(labOf([small.data[i], small.data[i + 1], small.data[i + 2]]));
  }
  if (points.length === 0) return [];
  const centres = farthestPoints(points, count);
  const member = new Int32Array(points.length);
  for (let round = 0; round < 12; round++) {
    points.forEach((p, i) => (member[i] = nearest(p, centres)));
    for (let k = 0; k < centres.length; k++) {
      const mine = points.filter((_, i) => member[i] === k);
      if (mine.length > 0) centres[k] = mean(mine);
    }
  }
  return centres
    .map((lab, k) => ({ lab, hex: hexOf(rgbOfLab(lab)), share: member.filter((m) => m === k).length / points.length }))
    .filter((swatch) => swatch.share > 0)
    .sort((a, b) => b.share - a.share);
}

function farthestPoints(points: readonly Lab[], count: number): Lab[] {
  const centres: Lab[] = [mean(points)];
  const away = points.map((p) => distance(p, centres[0]));
  while (centres.length < count) {
    let far = 0;
    for (let i = 1; i < points.length; i++) if (away[i] > away[far]) far = i;
    if (away[far] < 1e-4) break;
    centres.push(points[far]);
    points.forEach((p, i) => (away[i] = Math.min(away[i], distance(p, points[far]))));
  }
  return centres;
}

function nearest(p: Lab, centres: readonly Lab[]): number {
  let best = 0;
  for (let k = 1; k < centres.length; k++) if (distance(p, centres[k]) < distance(p, centres[best])) best = k;
  return best;
}

function mean(points: readonly Lab[]): Lab {
  let [l, a, b] = [0, 0, 0];
  for (const p of points) {
    l += p[0];
    a += p[1];
    b += p[2];
  }
  return [l / points.length, a / points.length, b / points.length];
}

/** The most colourful swatch that is neither a speck nor close to grey; null where the picture is grey. */
export function accentOf(swatches: readonly Swatch[]): Swatch | null {
  const vivid = swatches.filter((s) => chromaOf(s.lab) > 0.04 && s.share > 0.004 && s.lab[0] > 0.25);
  return vivid.sort((a, b) => chromaOf(b.lab) * (0.4 + b.lab[0]) - chromaOf(a.lab) * (0.4 + a.lab[0]))[0] ?? null;
}
