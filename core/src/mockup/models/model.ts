import type { Hex } from '../../colour';
import { type Rigid, type Vec3, moved, turned } from '../../space';

/** Named faces. Those of `ART_SIDES` can take art; the report gives the corners of all that are seen. */
export const FACE_NAMES = [
  'front',
  'spine',
  'back',
  'flap',
  'screen',
  'label',
  'top',
  'bottom',
  'edge',
  'left',
  'right',
  'inside',
  'rim',
  'body',
  'sides',
  'keys',
  'pad',
  'metal',
  'hole',
  'leftPage',
  'rightPage',
] as const;
export type FaceName = (typeof FACE_NAMES)[number];

/** What art is asked for; `plain` is the colour of the front's edge, the pages are those of the book where it lies open. */
export type ArtSide = 'front' | 'spine' | 'back' | 'flap' | 'plain' | 'leftPage' | 'rightPage';

/** How much a face shines. */
export type Surface = 'cover' | 'paper' | 'plastic' | 'glass' | 'metal' | 'glow';

/** What is seen on a face. `ratio` is width over height of the place for the art; `leaves` run through `throughMm`. */
export type Look = { readonly surface: Surface } & (
  | { readonly kind: 'art'; readonly side: ArtSide; readonly ratio: number }
  | { readonly kind: 'pages'; readonly leaves: number; readonly throughMm: number; readonly turned: boolean }
  | { readonly kind: 'text'; readonly seed: number }
  | { readonly kind: 'keys' }
  | { readonly kind: 'flat'; readonly colour: Hex }
);

/**
 * A flat piece of a face: the parallelogram from `origin` (the art's top left) along `across` and `down`, cut to the
 * convex `outline`; seen from the side to which cross(down, across) points. `u0..u1` is its stretch of the face's
 * width. Normals at its left and right end, for rounded shading. `solid` is the body it belongs to. `seams` lists the
 * outline's edges (by their first corner) beyond which the same face goes on in another panel (by its index): where
 * that one is seen too, there is no edge to see.
 */
export type Panel = {
  readonly face: FaceName;
  readonly solid: number;
  readonly origin: Vec3;
  readonly across: Vec3;
  readonly down: Vec3;
  readonly outline: readonly Vec3[];
  readonly u0: number;
  readonly u1: number;
  readonly normals: readonly [Vec3, Vec3];
  readonly seams: readonly { readonly edge: number; readonly beside: number }[];
};

/** A convex body that casts shadow: corners, and faces as rings of corner indices, either way round. */
export type Solid = { readonly corners: readonly Vec3[]; readonly faces: readonly (readonly number[])[] };

export type Corners = readonly [Vec3, Vec3, Vec3, Vec3];

/** An object built from numbers, standing on y = 0 about the origin, its front towards +z. Millimetres. */
export type Model = {
  readonly panels: readonly Panel[];
  /** Corners of each face as its art has them: top left, top right, bottom right, bottom left. */
  readonly corners: ReadonlyMap<FaceName, Corners>;
  readonly solids: readonly Solid[];
  readonly looks: ReadonlyMap<FaceName, Look>;
  /** Brightness along a face's width, where it is not even: creases. Values about 1, index 0 at the left. */
  readonly profiles: ReadonlyMap<FaceName, Float32Array>;
  /** True for one convex body without anything before its faces: no face hides another. */
  readonly convex: boolean;
};

/** The model turned and shifted. */
export function placed(model: Model, by: Rigid): Model {
  const point = (p: Vec3): Vec3 => moved(by, p);
  const way = (v: Vec3): Vec3 => turned(by, v);
  return {
    ...model,
    panels: model.panels.map((panel) => ({
      ...panel,
      origin: point(panel.origin),
      across: way(panel.across),
      down: way(panel.down),
      outline: panel.outline.map(point),
      normals: [way(panel.normals[0]), way(panel.normals[1])] as const,
    })),
    corners: new Map(
      [...model.corners].map(([name, c]) => [name, [point(c[0]), point(c[1]), point(c[2]), point(c[3])] as const]),
    ),
    solids: model.solids.map((solid) => ({ ...solid, corners: solid.corners.map(point) })),
  };
}

export type Box = { readonly least: Vec3; readonly most: Vec3 };

/** The upright box round the bodies of models. */
export function boxOf(models: readonly Model[]): Box {
  const least: [number, number, number] = [Infinity, Infinity, Infinity];
  const most: [number, number, number] = [-Infinity, -Infinity, -Infinity];
  for (const model of models) {
    for (const { corners } of model.solids) {
      for (const p of corners) {
        for (let c = 0; c < 3; c++) {
          least[c] = Math.min(least[c], p[c]);
          most[c] = Math.max(most[c], p[c]);
        }
      }
    }
  }
  return { least, most };
}
