import { type Camera, type Vec3, add, along, cross, dot, projectPoint, sub, times, unit } from '../../space';
import { type Finish, type Lamp, type Occluder, type Scratch, occlusionAt, shadePoint } from '../light';
import type { FaceName, Panel } from '../models';

/** A function of the pixel position that is linear: value = x * a + y * b + c. */
export type Linear = readonly [a: number, b: number, c: number];

/**
 * A panel as the camera sees it. The place within its parallelogram is (a/g, b/g) with a, b, g linear over the
 * image; g is larger the nearer the point. `edges` are inward half-planes (a, b, c) of its outline in pixels, unit
 * normals; `seams` those across which the same face goes on.
 */
export type Facet = {
  readonly thing: number;
  readonly face: FaceName;
  readonly a: Linear;
  readonly b: Linear;
  readonly g: Linear;
  readonly edges: Float64Array;
  readonly seams: Float64Array;
  readonly box: readonly [x0: number, y0: number, x1: number, y1: number];
  readonly u0: number;
  readonly du: number;
  /** Light at the corners of a grid of columns x rows cells: pairs of diffuse and sheen, row by row. */
  readonly columns: number;
  readonly rows: number;
  readonly light: Float32Array;
  /** Opacity at the same corners, where it is not whole: a mirrored face fades. */
  readonly fade: Float32Array | null;
};

/** What all facets of a stage are made with. */
export type FacetMaker = {
  readonly camera: Camera;
  readonly lamps: readonly Lamp[];
  readonly occluders: readonly Occluder[];
  readonly scratch: Scratch;
  readonly fill: number;
  readonly heightMm: number;
  readonly exposure: number;
  /** Cells of a face's light where others stand in its light. */
  readonly cells: number;
};

export const outwards = ({ across, down }: Panel): Vec3 => unit(cross(down, across));

/** Whether a panel turns its outside to the eye. */
export const facesEye = (panel: Panel, eye: Vec3): boolean =>
  dot(cross(panel.down, panel.across), sub(eye, panel.origin)) > 1e-9;

const mirror = ([x, y, z]: Vec3): Vec3 => [x, -y, z];

/** The panel as it is mirrored in the ground. Its outside is on the other hand: cross(down, across) points inwards. */
export const mirrored = (panel: Panel): Panel => ({
  ...panel,
  origin: mirror(panel.origin),
  across: mirror(panel.across),
  down: mirror(panel.down),
  outline: panel.outline.map(mirror),
});

/** Other bodies that can stand in the light of a panel: those that rise over its plane. */
function above(panel: Panel, body: number, occluders: readonly Occluder[]): Occluder[] {
  const n = outwards(panel);
  const k = dot(n, panel.origin);
  return occluders.filter(({ vertices }, o) => {
    if (o === body) return false;
    for (let i = 0; i < vertices.length; i += 3)
      if (n[0] * vertices[i] + n[1] * vertices[i + 1] + n[2] * vertices[i + 2] > k + 0.01) return true;
    return false;
  });
}

type Lit = { readonly columns: number; readonly rows: number; readonly light: Float32Array };

/** Light at the corners of a grid over a panel; `shaded` tells whether other bodies take some of it. */
function lightGrid(panel: Panel, others: readonly Occluder[], finish: Finish, maker: FacetMaker, columns: number, rows: number): Lit & { shaded: boolean } {
  const { lamps, scratch, camera, fill, heightMm, exposure } = maker;
  const { origin, across, down, normals } = panel;
  const light = new Float32Array((columns + 1) * (rows + 1) * 2);
  const out = new Float64Array(2);
  const hidden = lamps.map(() => 0);
  const flat = outwards(panel);
  let shaded = false;
  for (let j = 0; j <= rows; j++) {
    for (let i = 0; i <= columns; i++) {
      const s = i / columns;
      const p = along(along(origin, across, s), down, j / rows);
      const n = add(times(normals[0], 1 - s), times(normals[1], s));
      let closed = 0;
      if (others.length > 0) {
        // A little inside the outline and above the plane: what touches there must not count as around it.
        const q = along(along(along(origin, across, 0.004 + 0.992 * s), down, 0.004 + (0.992 * j) / rows), flat, 0.05);
        lamps.forEach(({ light: lamp }, l) => {
          occlusionAt(others, -1, lamp, q[0], q[1], q[2], flat[0], flat[1], flat[2], scratch, out, false);
          hidden[l] = out[0];
          if (out[0] > 0.004) shaded = true;
        });
        closed = out[1];
        if (closed > 0.012) shaded = true;
      }
      const { diffuse, sheen } = shadePoint(p, n, camera.eye, lamps, hidden, closed, finish, { fill, heightMm });
      const at = (j * (columns + 1) + i) * 2;
      light[at] = diffuse * exposure;
      light[at + 1] = sheen * 65535;
    }
  }
  return { columns, rows, light, shaded };
} // prettier-ignore

const STEP_MM = 17;
const cellsFor = (mm: number, most: number): number => Math.max(1, Math.min(most, Math.ceil(mm / STEP_MM)));

function lightOf(panel: Panel, body: number, finish: Finish, maker: FacetMaker): Lit {
  const others = above(panel, body, maker.occluders);
  const [w, h] = [Math.hypot(...panel.across), Math.hypot(...panel.down)];
  const first = lightGrid(panel, others, finish, maker, cellsFor(w, 8), cellsFor(h, 12));
  if (!first.shaded) return first;
  // Where something stands in the light, the edge of its shadow needs a finer grid.
  const fine = (mm: number): number => Math.max(2, Math.min(maker.cells, Math.ceil(mm / 2.5)));
  const [columns, rows] = [w < STEP_MM ? first.columns : fine(w), h < STEP_MM ? first.rows : fine(h)];
  return lightGrid(panel, others, finish, maker, columns, rows);
}

/**
 * The facet of a panel; null where it is seen from its edge. `lit` is the panel that the light falls on: a mirror shows
 * the light of what it mirrors. `fadeMm` is the height over which a mirrored face fades, 0 for none.
 */
export function facetOf(
  lit: Panel,
  thing: number,
  body: number,
  finish: Finish,
  seamEdges: readonly number[],
  maker: FacetMaker,
  mirror: { readonly strength: number; readonly fadeMm: number } | null = null,
): Facet | null {
  const { camera } = maker;
  const panel = mirror ? mirrored(lit) : lit;
  const { origin, across, down } = panel;
  const { eye, forward, right, up, focalPx: f, centreX, centreY } = camera;

  // A ray d meets the panel where d = t' (Q + a U + b V); Cramer's rule makes a, b and the depth ratios of linear functions.
  const q = sub(origin, eye);
  const determinant = dot(across, cross(down, q));
  if (Math.abs(determinant) < 1e-9) return null;
  const linear = (r: Vec3): Linear => {
    const x = dot(r, right) / (f * determinant);
    const y = -dot(r, up) / (f * determinant);
    return [x, y, dot(r, forward) / determinant - x * centreX - y * centreY];
  };
  const a = linear(cross(down, q));
  const b = linear(cross(q, across));
  const g = linear(cross(across, down));

  const seen = panel.outline.map((p) => projectPoint(camera, p));
  const edges: number[] = [];
  const seams: number[] = [];
  let doubled = 0;
  seen.forEach((p, i) => {
    const n = seen[(i + 1) % seen.length];
    doubled += p[0] * n[1] - p[1] * n[0];
  });
  // Normals point inwards whichever way round the outline is seen.
  const way = doubled < 0 ? -1 : 1;
  seen.forEach((p, i) => {
    const n = seen[(i + 1) % seen.length];
    const dx = (n[0] - p[0]) * way;
    const dy = (n[1] - p[1]) * way;
    const l = Math.hypot(dx, dy);
    if (l < 1e-6) return;
    (seamEdges.includes(i) ? seams : edges).push(-dy / l, dx / l, (dy * p[0] - dx * p[1]) / l);
  });
  const { columns, rows, light } = lightOf(lit, body, finish, maker);
  return {
    thing,
    face: panel.face,
    a,
    b,
    g,
    edges: Float64Array.from(edges),
    seams: Float64Array.from(seams),
    box: [
      Math.min(...seen.map((p) => p[0])),
      Math.min(...seen.map((p) => p[1])),
      Math.max(...seen.map((p) => p[0])),
      Math.max(...seen.map((p) => p[1])),
    ],
    u0: panel.u0,
    du: panel.u1 - panel.u0,
    columns,
    rows,
    light,
    fade: mirror ? fadeGrid(lit, columns, rows, mirror) : null,
  };
}

function fadeGrid(
  panel: Panel,
  columns: number,
  rows: number,
  { strength, fadeMm }: { readonly strength: number; readonly fadeMm: number },
): Float32Array {
  const fade = new Float32Array((columns + 1) * (rows + 1));
  for (let j = 0; j <= rows; j++) {
    for (let i = 0; i <= columns; i++) {
      const y = panel.origin[1] + (panel.across[1] * i) / columns + (panel.down[1] * j) / rows;
      fade[j * (columns + 1) + i] = strength * Math.max(0, 1 - y / fadeMm) ** 2;
    }
  }
  return fade;
}
