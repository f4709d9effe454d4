import { type Camera, type Vec3, add, along, cross, dot, projectPoint, sub, times, unit } from '../../space';
import { type Finish, type Lamp, type Occluder, type Scratch, occlusionAt, shadePoint } from '../light';
import { type LightGrid, type Linear, NODE, type Surface } from '../../warp';
import type { FaceName, Panel } from '../models';

/**
 * A panel as the camera sees it, still without what is printed on it; g is larger the nearer the point. `edges` are inward half-planes (a, b, c) of its outline in pixels, unit
 * normals; `seams` those across which the same face goes on.
 */
export type Facet = Pick<Surface, 'a' | 'b' | 'g' | 'u0' | 'du' | 'light'> & {
  readonly thing: number;
  readonly face: FaceName;
  readonly edges: Float64Array;
  readonly seams: Float64Array;
  readonly box: readonly [x0: number, y0: number, x1: number, y1: number];
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
  /** Light that was found for a panel, for the next view of it. */
  readonly known: Map<Panel, LightGrid>;
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

/** Light at the corners of a grid over a panel; `shaded` tells whether other bodies take some of it. */
function lightGrid(
  panel: Panel,
  others: readonly Occluder[],
  finish: Finish,
  maker: FacetMaker,
  columns: number,
  rows: number,
): LightGrid & { shaded: boolean } {
  const { lamps, scratch, camera, fill, heightMm, exposure } = maker;
  const { origin, across, down, normals } = panel;
  const nodes = new Float32Array((columns + 1) * (rows + 1) * NODE);
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
      const { diffuse, sheen, foil } = shadePoint(p, n, camera.eye, lamps, hidden, closed, finish, { fill, heightMm });
      const at = (j * (columns + 1) + i) * NODE;
      nodes[at] = diffuse * exposure;
      nodes[at + 1] = sheen * 65535;
      nodes[at + 2] = foil * exposure;
      nodes[at + 3] = 1;
    }
  }
  return { columns, rows, nodes, shaded };
}

const STEP_MM = 17;
const cellsFor = (mm: number, most: number): number => Math.max(1, Math.min(most, Math.ceil(mm / STEP_MM)));

function lightOf(panel: Panel, body: number, finish: Finish, maker: FacetMaker): LightGrid {
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
  const light = maker.known.get(lit) ?? lightOf(lit, body, finish, maker);
  maker.known.set(lit, light);
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
    light: mirror ? faded(light, lit, mirror) : light,
  };
}

/** Light that fades with the height over the ground, as a mirrored face does. */
function faded(
  { columns, rows, nodes }: LightGrid,
  panel: Panel,
  { strength, fadeMm }: { readonly strength: number; readonly fadeMm: number },
): LightGrid {
  const own = Float32Array.from(nodes);
  for (let j = 0; j <= rows; j++) {
    for (let i = 0; i <= columns; i++) {
      const y = panel.origin[1] + (panel.across[1] * i) / columns + (panel.down[1] * j) / rows;
      own[(j * (columns + 1) + i) * NODE + 3] = strength * Math.max(0, 1 - y / fadeMm) ** 2;
    }
  }
  return { columns, rows, nodes: own };
}
