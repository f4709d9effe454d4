import type { Vec3 } from '../../space';

export type FaceName = 'front' | 'spine' | 'back' | 'top' | 'bottom' | 'edge';
export const FACE_NAMES: readonly FaceName[] = ['front', 'spine', 'back', 'top', 'bottom', 'edge'];

/**
 * A flat piece of a face: the parallelogram from `origin` (the art's top left) along `across` and `down`, cut to
 * `outline`. `u0..u1` is its stretch of the face's width. Normals at its left and right end, for rounded shading.
 * `seams` lists the outline's edges (by their first corner) beyond which the same face goes on in another panel (by
 * its index): where that one is seen too, there is no edge to see.
 */
export type Panel = {
  readonly face: FaceName;
  readonly origin: Vec3;
  readonly across: Vec3;
  readonly down: Vec3;
  readonly outline: readonly Vec3[];
  readonly u0: number;
  readonly u1: number;
  readonly normals: readonly [Vec3, Vec3];
  readonly seams: readonly { readonly edge: number; readonly beside: number }[];
};

/** An upright convex prism on the ground: what casts the shadow. Base corners as (x, z), counter-clockwise from above. */
export type Prism = { readonly base: readonly (readonly [x: number, z: number])[]; readonly heightMm: number };

/** An object built from numbers, standing at the origin, its front towards +z. Millimetres. */
export type Model = {
  readonly panels: readonly Panel[];
  /** Corners of each face as its art has them: top left, top right, bottom right, bottom left. */
  readonly corners: ReadonlyMap<FaceName, readonly [Vec3, Vec3, Vec3, Vec3]>;
  readonly prism: Prism;
  readonly heightMm: number;
  /** Brightness along a face's width, where it is not even: creases. Values about 1, index 0 at the left. */
  readonly profiles: ReadonlyMap<FaceName, Float32Array>;
};
