import { smoothstep } from '../../plane';
import { type Vec3, add, along, sub, unit } from '../../space';
import type { FaceName, Model, Panel } from './model';

/** Strips of a rounded spine: more cannot be told from a smooth one at 3000 px, fewer do for a preview. */
export const SMOOTH = 28;
export const COARSE = 12;

/** Height of the trimmed page of a common trade paperback. */
export const TRIM_HEIGHT_MM = 203;

export type PaperbackSize = { readonly widthMm: number; readonly heightMm: number; readonly thicknessMm: number };

/** The spine's cross-section: from the back's edge round to the front's, gently rounded with tighter shoulders. */
function spineCurve(size: PaperbackSize, bulge: number, strips: number): { x: number; z: number }[] {
  const half = size.thicknessMm / 2;
  return Array.from({ length: strips + 1 }, (_, i) => {
    const a = Math.PI * (i / strips - 0.5);
    // A superellipse of exponent 2.6 is flatter on the back of the spine and rounder at its shoulders than a circle.
    const e = 2 / 2.6;
    const s = Math.sin(a);
    const x = -size.widthMm / 2 - bulge * Math.abs(Math.cos(a)) ** e;
    return { x, z: half * Math.sign(s) * Math.abs(s) ** e };
  });
}

/** A paperback with a rounded spine on its left and a flush page block. Throws nothing; sizes must be positive. */
export function paperback(size: PaperbackSize, strips = SMOOTH): Model {
  const { widthMm: w, heightMm: h, thicknessMm: d } = size;
  const half = d / 2;
  const bulge = Math.min(d * 0.16, 4.5);
  const curve = spineCurve(size, bulge, strips);
  const panels: Panel[] = [];
  const flat = (
    face: FaceName,
    origin: Vec3,
    across: Vec3,
    down: Vec3,
    normal: Vec3,
    outline?: readonly Vec3[],
  ): void => {
    const corners = [origin, add(origin, across), add(add(origin, across), down), add(origin, down)];
    panels.push({
      face,
      origin,
      across,
      down,
      outline: outline ?? corners,
      u0: 0,
      u1: 1,
      normals: [normal, normal],
      seams: [],
    });
  };
  flat('front', [-w / 2, h, half], [w, 0, 0], [0, -h, 0], [0, 0, 1]);
  flat('back', [w / 2, h, -half], [-w, 0, 0], [0, -h, 0], [0, 0, -1]);
  flat('edge', [w / 2, h, half], [0, 0, -d], [0, -h, 0], [1, 0, 0]);

  const lengths = [0];
  for (let i = 1; i < curve.length; i++) {
    lengths.push(lengths[i - 1] + Math.hypot(curve[i].x - curve[i - 1].x, curve[i].z - curve[i - 1].z));
  }
  const total = lengths[lengths.length - 1];
  const normalAt = (i: number): Vec3 => {
    const a = curve[Math.max(0, i - 1)];
    const b = curve[Math.min(curve.length - 1, i + 1)];
    return unit([-(b.z - a.z), 0, b.x - a.x]);
  };
  for (let i = 0; i < strips; i++) {
    const origin: Vec3 = [curve[i].x, h, curve[i].z];
    const across = sub([curve[i + 1].x, h, curve[i + 1].z], origin);
    const down: Vec3 = [0, -h, 0];
    panels.push({
      face: 'spine',
      origin,
      across,
      down,
      outline: [origin, add(origin, across), add(add(origin, across), down), add(origin, down)],
      u0: lengths[i] / total,
      u1: lengths[i + 1] / total,
      normals: [normalAt(i), normalAt(i + 1)],
      // Edge 1 runs down the right side, edge 3 up the left; strips follow each other in the list.
      seams: [
        ...(i < strips - 1 ? [{ edge: 1, beside: panels.length + 1 }] : []),
        ...(i > 0 ? [{ edge: 3, beside: panels.length - 1 }] : []),
      ],
    });
  }

  const base = [[w / 2, half] as const, [w / 2, -half] as const, ...curve.map((p) => [p.x, p.z] as const)];
  const rim = (y: number): Vec3[] => base.map(([x, z]) => [x, y, z]);
  flat('top', [-w / 2 - bulge, h, -half], [w + bulge, 0, 0], [0, 0, d], [0, 1, 0], rim(h));
  flat('bottom', [-w / 2 - bulge, 0, half], [w + bulge, 0, 0], [0, 0, -d], [0, -1, 0], rim(0));

  const corners = new Map<FaceName, readonly [Vec3, Vec3, Vec3, Vec3]>();
  for (const panel of panels) {
    if (panel.face === 'spine') continue;
    const right = add(panel.origin, panel.across);
    corners.set(panel.face, [panel.origin, right, add(right, panel.down), add(panel.origin, panel.down)]);
  }
  const [s0, s1] = [curve[0], curve[strips]];
  corners.set('spine', [
    [s0.x, h, s0.z],
    [s1.x, h, s1.z],
    [s1.x, 0, s1.z],
    [s0.x, 0, s0.z],
  ]);
  return {
    panels,
    corners,
    prism: { base: simplified(base), heightMm: h },
    heightMm: h,
    profiles: new Map([
      ['front', crease(w, false)],
      ['back', crease(w, true)],
    ]),
  };
}

/** The outline for the shadow: every fourth point of the spine is enough there. */
const simplified = (base: readonly (readonly [number, number])[]): (readonly [number, number])[] =>
  base.filter((_, i) => i < 2 || (i - 2) % 4 === 0);

/** The scored line along the spine, 6.5 mm from it: a soft dip with a light lip. */
function crease(widthMm: number, mirrored: boolean): Float32Array {
  const n = 1024;
  const profile = new Float32Array(n);
  for (let i = 0; i < n; i++) {
    const mm = ((i + 0.5) / n) * widthMm - 6.5;
    const dip = Math.exp(-((mm / 0.45) ** 2));
    const lip = Math.exp(-(((mm - 1.1) / 0.6) ** 2));
    const swell = smoothstep(-6.5, -0.5, mm) * smoothstep(1, -0.5, mm);
    profile[mirrored ? n - 1 - i : i] = 1 - 0.16 * dip + 0.045 * lip - 0.03 * swell;
  }
  return profile;
}

/** Where a book's centre of mass stands over the ground, for the camera's aim. */
export const middleOf = (model: Model): Vec3 => along([0, 0, 0], [0, 1, 0], model.heightMm / 2);
