import { smoothstep } from '../../plane';
import type { Vec3 } from '../../space';
import { Draft, boxSolid, prismSolid } from './draft';
import type { FaceName, Look, Model } from './model';

/** Strips of rounded faces: more cannot be told from a smooth one at 3000 px, fewer do for a preview. */
export const SMOOTH = 28;
export const COARSE = 12;

/** Outer sizes of a closed book. */
export type BoundSize = { readonly widthMm: number; readonly heightMm: number; readonly thicknessMm: number };

const COVER_PAPER = '#dedcd6';

/**
 * A spine's cross-section from the back's edge round to the front's: a superellipse. An exponent of 2 is a round fold,
 * more is flatter on the back of the spine with tighter shoulders.
 */
function spineCurve(
  xMm: number,
  halfMm: number,
  bulge: number,
  exponent: number,
  strips: number,
): { x: number; z: number }[] {
  const e = 2 / exponent;
  return Array.from({ length: strips + 1 }, (_, i) => {
    const a = Math.PI * (i / strips - 0.5);
    const s = Math.sin(a);
    return { x: xMm - bulge * Math.abs(Math.cos(a)) ** e, z: halfMm * Math.sign(s) * Math.abs(s) ** e };
  });
}

const artLook = (side: 'front' | 'spine' | 'back', ratio: number): Look => ({
  kind: 'art',
  side,
  ratio,
  surface: 'cover',
});

const pagesLook = (leaves: number, throughMm: number, turned: boolean): Look => ({
  kind: 'pages',
  leaves,
  throughMm,
  turned,
  surface: 'paper',
});

const leavesOf = (thicknessMm: number): number => Math.max(8, Math.round(thicknessMm / 0.126));

/** Every fourth point of a curve is enough for a shadow. */
const thinned = <T>(points: readonly T[]): T[] => points.filter((_, i) => i % 4 === 0 || i === points.length - 1);

export type BindingStyle = {
  /** How far the spine stands out, mm, and how square it is. */
  readonly bulgeMm: number;
  readonly exponent: number;
  /** Whether the cover is scored beside the spine. */
  readonly creased: boolean;
};

/** Where a paperback's cover folds, from the spine, and how thick it is, mm. */
const CREASE_MM = 6.5;
const CARD_MM = 0.4;

/** The front of a cover that stands off the pages: a strip beside the spine, and the rest turned about the crease. */
function liftedFront(draft: Draft, body: number, size: BoundSize, liftMm: number): void {
  const { widthMm: w, heightMm: h, thicknessMm: d } = size;
  const half = d / 2;
  const x0 = -w / 2 + Math.min(CREASE_MM, w / 4);
  const reach = w / 2 - x0;
  const a = Math.asin(Math.min(0.95, liftMm / reach));
  const [c, s] = [Math.cos(a), Math.sin(a)];
  const swing = ([x, y, z]: Vec3): Vec3 => [x * c - z * s, y, x * s + z * c];
  const share = (x0 + w / 2) / w;
  draft.strip('front', body, [-w / 2, h, half], [x0 + w / 2, 0, 0], [0, -h, 0], [], { u0: 0, u1: share });
  const one = new Draft();
  const card = one.box([0, 0, -CARD_MM], [reach, h, 0], { right: 'rim', top: 'rim', bottom: 'rim' });
  one.strip('front', card, [0, h, 0], [reach, 0, 0], [0, -h, 0], [], { u0: share, u1: 1 });
  one.flat('inside', card, [reach, h, -CARD_MM], [-reach, 0, 0], [0, -h, 0]);
  draft.take(
    one,
    (p) => {
      const [x, y, z] = swing(p);
      return [x + x0, y, z + half];
    },
    swing,
  );
  draft.flat('inside', body, [x0, h, half], [reach, 0, 0], [0, -h, 0]);
  const edge: Vec3 = [x0 + reach * c, h, half + reach * s];
  draft.corners.set('front', [[-w / 2, h, half], edge, [edge[0], 0, edge[2]], [-w / 2, 0, half]]);
  draft.looks.set('inside', { kind: 'flat', colour: COVER_PAPER, surface: 'paper' });
  draft.looks.set('rim', { kind: 'flat', colour: COVER_PAPER, surface: 'paper' });
}

/** A book in soft covers: rounded spine on its left, flush page block. Sizes must be positive. */
export function softBound(size: BoundSize, style: BindingStyle, strips = SMOOTH, liftMm = 0): Model {
  const { widthMm: w, heightMm: h, thicknessMm: d } = size;
  const half = d / 2;
  const curve = spineCurve(-w / 2, half, style.bulgeMm, style.exponent, strips);
  const draft = new Draft();
  const base = [[w / 2, half] as const, [w / 2, -half] as const, ...curve.map((p) => [p.x, p.z] as const)];
  const ring = (y: number): Vec3[] => base.map(([x, z]) => [x, y, z]);
  const body = draft.solid(
    prismSolid([[w / 2, 0, half], [w / 2, 0, -half], ...thinned(curve).map((p): Vec3 => [p.x, 0, p.z])], [0, h, 0]),
  );
  const bulge = style.bulgeMm;
  if (liftMm > 0) liftedFront(draft, body, size, liftMm);
  else draft.flat('front', body, [-w / 2, h, half], [w, 0, 0], [0, -h, 0]);
  draft.flat('back', body, [w / 2, h, -half], [-w, 0, 0], [0, -h, 0]);
  draft.flat('edge', body, [w / 2, h, half], [0, 0, -d], [0, -h, 0]);
  const tops = curve.map((p): Vec3 => [p.x, h, p.z]);
  draft.bent('spine', body, tops, [0, -h, 0]);
  draft.flat('top', body, [-w / 2 - bulge, h, -half], [w + bulge, 0, 0], [0, 0, d], ring(h));
  draft.flat('bottom', body, [-w / 2 - bulge, 0, half], [w + bulge, 0, 0], [0, 0, -d], ring(0));
  const leaves = leavesOf(d);
  draft.looks.set('front', artLook('front', w / h));
  draft.looks.set('back', artLook('back', w / h));
  draft.looks.set('spine', artLook('spine', d / h));
  draft.looks.set('top', pagesLook(leaves, d, false));
  draft.looks.set('bottom', pagesLook(leaves, d, false));
  draft.looks.set('edge', pagesLook(leaves, d, true));
  if (style.creased) {
    draft.profiles.set('front', crease(w, false));
    draft.profiles.set('back', crease(w, true));
  }
  return draft.model(liftMm === 0);
}

const BOARD_MM = 2.6;
const OVERHANG_MM = 3.2;

/** A case-bound book: boards that stand over the block, a rounded spine, a hinge groove; in a jacket there is no groove. */
export function caseBound(size: BoundSize, jacket: boolean, openRad: number, strips = SMOOTH): Model {
  const { widthMm: w, heightMm: h, thicknessMm: d } = size;
  const half = d / 2;
  const b = Math.min(BOARD_MM, d / 4);
  const over = Math.min(OVERHANG_MM, w / 20);
  const bulge = Math.min(d * 0.2, 6);
  const draft = new Draft();
  const block = boxSolid([-w / 2, over, -half + b], [w / 2 - over, h - over, half - b]);
  const inner = draft.solid(block);
  const [t, x1] = [d - 2 * b, w / 2 - over];
  draft.flat('edge', inner, [x1, h - over, half - b], [0, 0, -t], [0, -(h - 2 * over), 0]);
  draft.flat('top', inner, [-w / 2, h - over, -half + b], [x1 + w / 2, 0, 0], [0, 0, t]);
  draft.flat('bottom', inner, [-w / 2, over, half - b], [x1 + w / 2, 0, 0], [0, 0, -t]);
  if (openRad > 0)
    draft.flat('inside', inner, [-w / 2, h - over, half - b], [x1 + w / 2, 0, 0], [0, -(h - 2 * over), 0]);

  const board = (front: boolean): Draft => {
    const one = new Draft();
    const [z0, z1] = front ? [half - b, half] : [-half, -half + b];
    const rims: FaceName = 'rim';
    const body = one.box([-w / 2, 0, z0], [w / 2, h, z1], { right: rims, top: rims, bottom: rims });
    if (front) {
      one.flat('front', body, [-w / 2, h, z1], [w, 0, 0], [0, -h, 0]);
      one.flat('inside', body, [w / 2, h, z0], [-w, 0, 0], [0, -h, 0]);
      if (jacket) one.flat('flap', body, [w / 2, h, z0 - 0.3], [-w * FLAP, 0, 0], [0, -h, 0]);
    } else {
      one.flat('back', body, [w / 2, h, z0], [-w, 0, 0], [0, -h, 0]);
      one.flat('inside', body, [-w / 2, h, z1], [w, 0, 0], [0, -h, 0]);
    }
    return one;
  };
  const [c, s] = [Math.cos(-openRad), Math.sin(-openRad)];
  const [hx, hz] = [-w / 2, half - b / 2];
  const swing = ([x, y, z]: Vec3): Vec3 => [x * c + z * s, y, -x * s + z * c];
  draft.take(
    board(true),
    ([x, y, z]) => {
      const [px, , pz] = swing([x - hx, y, z - hz]);
      return [px + hx, y, pz + hz];
    },
    swing,
  );
  draft.take(
    board(false),
    (p) => p,
    (v) => v,
  );

  const outer = spineCurve(-w / 2, half, bulge, 2.4, strips);
  const spine = draft.solid(
    prismSolid(
      thinned(outer).map((p): Vec3 => [p.x, 0, p.z]),
      [0, h, 0],
    ),
  );
  draft.bent(
    'spine',
    spine,
    outer.map((p): Vec3 => [p.x, h, p.z]),
    [0, -h, 0],
  );
  // The spine's own thickness, seen from above and below, and its hollow.
  const within = spineCurve(-w / 2, half - b, Math.max(0.3, bulge - b), 2.4, strips);
  for (let i = 0; i < strips; i++) {
    const [o, p, q, r] = [outer[i], outer[i + 1], within[i + 1], within[i]];
    for (const y of [h, 0]) {
      const ring: Vec3[] = [
        [o.x, y, o.z],
        [p.x, y, p.z],
        [q.x, y, q.z],
        [r.x, y, r.z],
      ];
      const down: Vec3 = y > 0 ? [0, 0, 1] : [0, 0, -1];
      draft.flat('rim', spine, [-w / 2 - bulge, y, y > 0 ? -half : half], [bulge, 0, 0], down, ring);
    }
  }
  // The bottom of the hollow between spine and pages, only as far as the spine goes round it.
  const floor = h - over - 1;
  draft.flat(
    'inside',
    spine,
    [-w / 2 - bulge, floor, -half + b],
    [bulge, 0, 0],
    [0, 0, d - 2 * b],
    thinned(within).map((p): Vec3 => [p.x, floor, p.z]),
  );

  const leaves = leavesOf(t);
  draft.looks.set('front', artLook('front', w / h));
  draft.looks.set('back', artLook('back', w / h));
  draft.looks.set('spine', artLook('spine', d / h));
  draft.looks.set('top', pagesLook(leaves, t, false));
  draft.looks.set('bottom', pagesLook(leaves, t, false));
  draft.looks.set('edge', pagesLook(leaves, t, true));
  draft.looks.set('inside', { kind: 'flat', colour: COVER_PAPER, surface: 'paper' });
  draft.looks.set(
    'rim',
    jacket
      ? { kind: 'flat', colour: COVER_PAPER, surface: 'paper' }
      : { kind: 'art', side: 'plain', ratio: 1, surface: 'cover' },
  );
  if (jacket) draft.looks.set('flap', { kind: 'art', side: 'flap', ratio: (w * FLAP) / h, surface: 'cover' });
  else {
    draft.profiles.set('front', groove(w, false));
    draft.profiles.set('back', groove(w, true));
  }
  return draft.model();
}

/** Share of the front's width that a jacket's flap has. */
const FLAP = 0.62;

/** Brightness across a face of `widthMm`, from what stands `mm` from the spine. */
function profileOf(widthMm: number, mirrored: boolean, light: (mm: number) => number): Float32Array {
  const n = 1024;
  const profile = new Float32Array(n);
  for (let i = 0; i < n; i++) profile[mirrored ? n - 1 - i : i] = light(((i + 0.5) / n) * widthMm);
  return profile;
}

/** The scored line along a paperback's spine, 6.5 mm from it: a soft dip with a light lip. */
const crease = (widthMm: number, mirrored: boolean): Float32Array =>
  profileOf(widthMm, mirrored, (from) => {
    const mm = from - 6.5;
    const dip = Math.exp(-((mm / 0.45) ** 2));
    const lip = Math.exp(-(((mm - 1.1) / 0.6) ** 2));
    const swell = smoothstep(-6.5, -0.5, mm) * smoothstep(1, -0.5, mm);
    return 1 - 0.16 * dip + 0.045 * lip - 0.03 * swell;
  });

/** The hinge of a case: a round groove 8 mm from the spine, its far side catching the light. */
const groove = (widthMm: number, mirrored: boolean): Float32Array =>
  profileOf(widthMm, mirrored, (from) => {
    const mm = from - 8;
    const near = Math.exp(-(((mm + 1.4) / 1.3) ** 2));
    const far = Math.exp(-(((mm - 1.7) / 1.1) ** 2));
    return 1 - 0.3 * near + 0.09 * far - 0.05 * Math.exp(-((mm / 4.5) ** 2));
  });
