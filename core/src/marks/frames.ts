import { archIn, badgeIn, ellipseIn, leafPath, polygonIn } from '../forms';
import { type Path, PathBuilder, type Point, polygonPath, rectPath } from '../plane';
import { type Region, both, grown, moved, rectRegion, regionOf, together, without } from './region';
import { symbolRegion } from './symbols';

export const FRAMES = [
  'disc',
  'square',
  'soft-square',
  'lozenge',
  'hexagon',
  'octagon',
  'shield',
  'arch',
  'oval',
  'seal',
  'stamp',
  'plaque',
  'pennant',
] as const;
export type FrameName = (typeof FRAMES)[number];

/** How a frame is drawn: full with the letters cut out of it (with a fine line or without), as one line or two round them, or half and half. */
export type Drawn = 'full' | 'full-lined' | 'line' | 'two-lines' | 'split';

export type Frame = {
  readonly field: Region;
  /** Where letters may stand. */
  readonly room: Region;
  /** Where their middle comes to stand. */
  readonly middle: Point;
};

/** Frames are drawn in a square of this side with the origin in its middle. */
export const SIDE = 1000;
const HALF = SIDE / 2;
const square = { x: -HALF, y: -HALF, width: SIDE, height: SIDE };

const poly = (...at: readonly (readonly [number, number])[]): Path => polygonPath(at.map(([x, y]) => ({ x, y })));
const centred = (field: Region, inset = 0.1, y = 0): Frame => ({
  field,
  room: grown(field, -inset * SIDE),
  middle: { x: 0, y },
});

function shield(): Path {
  return new PathBuilder()
    .move(-430, -500)
    .cubic(-300, -466, -140, -466, 0, -500)
    .cubic(140, -466, 300, -466, 430, -500)
    .line(430, -60)
    .cubic(430, 220, 240, 400, 0, 520)
    .cubic(-240, 400, -430, 220, -430, -60)
    .close()
    .done();
}

function stamp(): Region {
  const r = 26;
  const step = SIDE / 12;
  const bites: Region[] = [];
  for (let i = 0; i <= 12; i++) {
    const at = -HALF + i * step;
    for (const [x, y] of [
      [at, -HALF],
      [at, HALF],
      [-HALF, at],
      [HALF, at],
    ])
      bites.push(regionOf(ellipseIn({ x: x - r, y: y - r, width: 2 * r, height: 2 * r })));
  }
  return without(regionOf(rectPath(square)), together(...bites));
}

/** An open book, and the room on one of its pages: `page` is the distance of its middle from the fold. */
export const openBook = (): { field: Region; page: number; width: number; height: number } => ({
  field: moved(symbolRegion('book'), [1.3, 0, 0, 1.15, -650, -575]),
  page: 320,
  width: 440,
  height: 430,
});

export function frameOf(name: FrameName): Frame {
  switch (name) {
    case 'disc':
      return centred(regionOf(ellipseIn(square)));
    case 'square':
      return centred(regionOf(rectPath(square)), 0.13);
    case 'soft-square':
      return centred(regionOf(rectPath(square, 170)), 0.13);
    case 'lozenge':
      return centred(regionOf(poly([0, -620], [620, 0], [0, 620], [-620, 0])), 0.09);
    case 'hexagon':
      return centred(regionOf(polygonIn({ x: -540, y: -480, width: 1080, height: 960 }, 6)), 0.1);
    case 'octagon':
      return centred(regionOf(polygonIn(square, 8)), 0.1);
    case 'shield':
      return centred(regionOf(shield()), 0.1, -50);
    case 'arch':
      return centred(regionOf(archIn({ x: -380, y: -560, width: 760, height: 1120 })), 0.1, 60);
    case 'oval':
      return centred(regionOf(ellipseIn({ x: -640, y: -450, width: 1280, height: 900 })));
    case 'seal':
      return centred(regionOf(badgeIn(square, 22, false)), 0.14);
    case 'stamp':
      return centred(stamp(), 0.14);
    case 'plaque': {
      const plaque = { x: -640, y: -430, width: 1280, height: 860 };
      const corners = [-640, 640].flatMap((x) =>
        [-430, 430].map((y) => regionOf(ellipseIn({ x: x - 120, y: y - 120, width: 240, height: 240 }))),
      );
      return centred(without(regionOf(rectPath(plaque)), together(...corners)), 0.13);
    }
    case 'pennant':
      return centred(regionOf(poly([-400, -560], [400, -560], [400, 560], [0, 340], [-400, 560])), 0.12, -110);
  }
}

/** Lines along a frame's outline: one, or a strong and a fine one. */
export function linesOf({ field }: Frame, two: boolean): Region {
  const outer = without(field, grown(field, -0.028 * SIDE));
  if (!two) return outer;
  return together(outer, without(grown(field, -0.05 * SIDE), grown(field, -0.062 * SIDE)));
}

/** The right half of a frame, for letters that change from dark to light in the middle. */
export const rightHalf = (field: Region): Region => both(field, rectRegion(0, -2 * SIDE, 2 * SIDE, 4 * SIDE));

/** Two branches that part at the foot and nearly meet above, round a circle of radius `r`. */
export function branches(r: number): Region {
  const leaves: Region[] = [];
  for (const side of [1, -1]) {
    for (let i = 0; i < 11; i++) {
      const at = Math.PI / 2 - side * (0.14 + i * 0.22);
      const [x, y] = [Math.cos(at) * r, Math.sin(at) * r];
      const along = at - side * (Math.PI / 2);
      const length = r * (0.3 - i * 0.009);
      for (const lean of [0.42, -0.42]) leaves.push(regionOf(leafPath(x, y, length, length * 0.24, along + lean)));
    }
    const stem = without(
      regionOf(ellipseIn({ x: -r - 5, y: -r - 5, width: 2 * r + 10, height: 2 * r + 10 })),
      regionOf(ellipseIn({ x: -r + 5, y: -r + 5, width: 2 * r - 10, height: 2 * r - 10 })),
    );
    const [a, b] = [Math.PI / 2 - side * 0.06, Math.PI / 2 - side * (0.14 + 10.6 * 0.22)];
    const fan: (readonly [number, number])[] = Array.from({ length: 13 }, (_, i) => {
      const t = a + ((b - a) * i) / 12;
      return [Math.cos(t) * r * 1.3, Math.sin(t) * r * 1.3];
    });
    leaves.push(both(stem, regionOf(poly([0, 0], ...fan))));
  }
  return together(...leaves);
}

/** Rays of a sun that rises behind what stands below y = 0, from radius `from` to `to`. */
export function raysAbove(from: number, to: number): Region {
  return together(
    ...Array.from({ length: 11 }, (_, i) => {
      const at = Math.PI + ((i + 0.5) / 11) * Math.PI;
      const end = i % 2 === 0 ? to : from + (to - from) * 0.72;
      const spread = 0.032;
      const p = (r: number, rad: number): readonly [number, number] => [Math.cos(rad) * r, Math.sin(rad) * r];
      return regionOf(
        poly(p(from, at - spread), p(end, at - spread * 0.7), p(end, at + spread * 0.7), p(from, at + spread)),
      );
    }),
  );
}
