import type { Vec3 } from '../../space';
import { Draft, prismSolid } from './draft';
import type { Model } from './model';

/**
 * A book that lies open on its back: two stacks of leaves whose tops rise from the gutter and fall to the fore-edge,
 * on a cover a little larger than they. Widths are those of one page; it lies on y = 0 with its head away from the viewer.
 * `own` asks for pages of the book; else they are lines that only look like text.
 */
export function openBook(widthMm: number, heightMm: number, thicknessMm: number, strips: number, own: boolean): Model {
  const [w, h] = [widthMm, heightMm];
  const rise = Math.max(3, thicknessMm / 2);
  const draft = new Draft();
  draft.box([-w - 3, 0, -h / 2 - 3], [w + 3, 1.6, h / 2 + 3], {
    front: 'rim',
    back: 'rim',
    left: 'rim',
    right: 'rim',
    top: 'inside',
    bottom: 'rim',
  });
  for (const side of [-1, 1] as const) {
    const top = (s: number): [number, number] => {
      // From the gutter: a quick round rise, then a long, slightly falling page.
      const swell = 1 - Math.exp(-s * 16);
      return [side * s * w, 1.6 + rise * (0.3 + 0.78 * swell - 0.2 * s * s)];
    };
    const profile = Array.from({ length: strips + 1 }, (_, i) => top((i / strips) ** 1.6));
    // The page is seen from above: it runs from left to right.
    const run = side < 0 ? [...profile].reverse() : profile;
    const hull = profile.filter((_, i) => i % 4 === 0 || i === strips);
    const ring: Vec3[] = [...hull.map(([x, y]): Vec3 => [x, y, -h / 2]), [side * w, 1.6, -h / 2], [0, 1.6, -h / 2]];
    const body = draft.solid(prismSolid(ring, [0, 0, h]));
    draft.bent(
      side < 0 ? 'leftPage' : 'rightPage',
      body,
      run.map(([x, y]): Vec3 => [x, y, -h / 2]),
      [0, 0, h],
    );
    const high = Math.max(...profile.map((p) => p[1]));
    const outline = (z: number): Vec3[] => [
      ...profile.map(([x, y]): Vec3 => [x, y, z]),
      [side * w, 1.6, z],
      [0, 1.6, z],
    ];
    const [from, to] = side < 0 ? [-w, 0] : [0, w];
    draft.flat('top', body, [to, high, -h / 2], [from - to, 0, 0], [0, 1.6 - high, 0], outline(-h / 2));
    draft.flat('bottom', body, [from, high, h / 2], [to - from, 0, 0], [0, 1.6 - high, 0], outline(h / 2));
    const edge = profile[strips][1];
    if (side > 0) draft.flat('edge', body, [w, edge, h / 2], [0, 0, -h], [0, 1.6 - edge, 0]);
    else draft.flat('edge', body, [-w, edge, -h / 2], [0, 0, h], [0, 1.6 - edge, 0]);
  }
  const leaves = Math.max(8, Math.round(thicknessMm / 0.252));
  const pages = { kind: 'pages', leaves, throughMm: rise, turned: false, surface: 'paper' } as const;
  draft.looks.set('top', pages);
  draft.looks.set('bottom', pages);
  draft.looks.set('edge', pages);
  for (const [i, side] of (['leftPage', 'rightPage'] as const).entries())
    draft.looks.set(
      side,
      own ? { kind: 'art', side, ratio: w / h, surface: 'paper' } : { kind: 'text', seed: i + 1, surface: 'paper' },
    );
  draft.looks.set('inside', { kind: 'flat', colour: '#e4e1d8', surface: 'paper' });
  draft.looks.set('rim', { kind: 'art', side: 'plain', ratio: 1, surface: 'cover' });
  return draft.model();
}
