import { type Raster, shrink } from '../../pixels';
import type { Point } from '../../plane';
import { blanknessOf } from './blank';
import { channelsOf, gradientOf } from './gradient';
import { linesOf, threshold } from './lines';
import { type Quad, areaOf, quadsOf } from './quads';
import { settled } from './settle';

/** What was found: a face, a face that may be wrong and has to be looked at, or none. Corners as `checkCorners` wants them. */
export type Found =
  | { readonly kind: 'found'; readonly corners: readonly Point[] }
  | { readonly kind: 'unsure'; readonly corners: readonly Point[] }
  | { readonly kind: 'none' };

/** Longer side at which lines are looked for, px. */
const SEARCH_PX = 640;
const MOST_LINES = 40;
const MOST_QUADS = 160;

/** So many of the best are looked at closely. */
const CLOSE = 5;

type Candidate = Quad & { readonly sides: number; readonly even: number };
type Close = Candidate & { readonly held: number; readonly worst: number };

const apart = (a: readonly Point[], b: readonly Point[]): number =>
  Math.max(...a.map((p, i) => Math.hypot(p.x - b[i].x, p.y - b[i].y)));

/** The corners of the blank face in a photograph. */
export function findCorners(photo: Raster): Found {
  const k = Math.max(1, Math.max(photo.width, photo.height) / SEARCH_PX);
  const [width, height] = [photo.width, photo.height].map((v) => Math.max(1, Math.round(v / k)));
  if (width < 24 || height < 24) return { kind: 'none' };
  const small = k > 1 ? shrink(photo, width, height) : photo;
  const channels = channelsOf(small);
  const g = gradientOf(channels, width, height);
  const least = threshold(g);
  const [kx, ky] = [photo.width / width, photo.height / height];
  const candidates = quadsOf(linesOf(g, MOST_LINES), g, MOST_QUADS).map((quad): Candidate => {
    const { even, apart: part, sides } = blanknessOf(quad.corners, channels, g, least);
    const size = Math.min(1, areaOf(quad.corners) / (USUAL_SIZE * width * height)) ** 0.5;
    const score = quad.score * even ** 3 * part * Math.max(0.15, sides) ** 0.5 * size;
    return { score, even, sides, corners: quad.corners.map((p) => ({ x: p.x * kx, y: p.y * ky })) };
  });
  candidates.sort((a, b) => b.score - a.score);
  const close: Close[] = [];
  for (const one of candidates) {
    if (close.length >= CLOSE || one.score < 0.5 * candidates[0].score) break;
    const { corners, held } = settled(photo, one.corners, Math.max(3, 2.2 * k));
    // Those that settle at the same place are one.
    if (close.some((c) => apart(c.corners, corners) < 1.5 * k)) continue;
    const mean = held.reduce((sum, h) => sum + h, 0) / 4;
    close.push({ ...one, corners, score: one.score * Math.sqrt(mean), held: mean, worst: Math.min(...held) });
  }
  const [best, second] = close.sort((a, b) => b.score - a.score);
  if (!best) return { kind: 'none' };
  const rivalry = second ? second.score / best.score : 0;
  const sure = best.worst > 0.36 && best.held > 0.5 && best.even > 0.8 && best.sides > 0.45 && rivalry < 0.9;
  return { kind: sure ? 'found' : 'unsure', corners: best.corners };
}

/** Share of a picture that a face takes at least, most of the time. */
const USUAL_SIZE = 0.12;
