import { smoothstep } from '../../plane';
import { type Camera, type Vec3, projectPoint, rayThrough } from '../../space';
import { type AreaLight, type Occluder, type Scratch, occlusionAt } from '../light';

/** Everything the ground's shadow is made from. */
export type Ground = {
  readonly occluders: readonly Occluder[];
  /** Upright circles that hold the bodies, x, z and radius: the shadow fades with the distance from them. */
  readonly circles: Float64Array;
  readonly lamps: readonly { readonly light: AreaLight; readonly strength: number }[];
  readonly cast: number;
  readonly contact: number;
  /** Distance from the bodies beyond which there is no shadow, mm. */
  readonly reachMm: number;
};

export function groundOf(
  occluders: readonly Occluder[],
  lamps: Ground['lamps'],
  cast: number,
  contact: number,
  reachMm: number,
): Ground {
  const circles = occluders.flatMap(({ vertices }) => {
    const points = Array.from({ length: vertices.length / 3 }, (_, i) => [vertices[i * 3], vertices[i * 3 + 2]]);
    // About the middle of the farthest pair, which stays the same point of a body however it is turned.
    let [x, z, radius] = [points[0][0], points[0][1], 0];
    for (const [i, a] of points.entries()) {
      for (const b of points.slice(i + 1)) {
        const half = Math.hypot(a[0] - b[0], a[1] - b[1]) / 2;
        if (half > radius) [x, z, radius] = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, half];
      }
    }
    for (const p of points) radius = Math.max(radius, Math.hypot(p[0] - x, p[1] - z));
    return [x, z, radius];
  });
  return { occluders, circles: Float64Array.from(circles), lamps, cast, contact, reachMm };
}

/** Distance of a ground point from the nearest circle, as a share of the reach; 1 and more is out of it. */
function away({ circles, reachMm }: Ground, x: number, z: number): number {
  let least = Infinity;
  for (let i = 0; i < circles.length; i += 3) {
    const dx = x - circles[i];
    const dz = z - circles[i + 1];
    const d = Math.sqrt(dx * dx + dz * dz) - circles[i + 2];
    if (d < least) least = d;
  }
  return Math.max(0, least) / reachMm;
}

/** Points this close to a body that stands on the ground are moved out of it, mm. */
const NEAR_MM = 0.8;

/** A body whose underside is this far over the ground is no obstacle on it, mm. */
const HOVER_MM = 0.02;

/** Moves a ground point out of the bodies that it lies in; false where it lies in several and cannot. */
function outOf({ occluders, circles }: Ground, p: Float64Array): boolean {
  for (let round = 0; round < 4; round++) {
    let moved = false;
    for (let o = 0; o < occluders.length; o++) {
      const { planes } = occluders[o];
      const x = p[0] - circles[o * 3];
      const z = p[1] - circles[o * 3 + 1];
      const near = circles[o * 3 + 2] + NEAR_MM;
      if (x * x + z * z > near * near) continue;
      // Inside, or nearer than it should be: the plane it is least behind is the nearest way out.
      let most = -Infinity;
      let best = -1;
      let below = false;
      for (let i = 0; i < planes.length; i += 4) {
        const flat = Math.sqrt(planes[i] ** 2 + planes[i + 2] ** 2);
        const d = planes[i] * p[0] + planes[i + 2] * p[1] - planes[i + 3];
        if (flat < 0.35) {
          if (d > HOVER_MM) below = true;
        } else if (d / flat > most) {
          most = d / flat;
          best = i;
        }
      }
      if (below || best < 0 || most >= NEAR_MM) continue;
      const flat2 = planes[best] ** 2 + planes[best + 2] ** 2;
      const step = ((NEAR_MM - most) * Math.sqrt(flat2) * 1.001) / flat2;
      p[0] += planes[best] * step;
      p[1] += planes[best + 2] * step;
      moved = true;
    }
    if (!moved) return true;
  }
  return false;
}

/**
 * The darkness of the ground at a point, 0..1: the hidden share of each lamp and the form factor of the bodies. The
 * cast shadow runs out over the reach; the contact shadow, which only grounds the things, keeps closer to them.
 */
export function darkness(
  ground: Ground,
  x: number,
  z: number,
  scratch: Scratch,
  out: Float64Array,
  point: Float64Array,
): number {
  const { occluders, lamps, cast, contact } = ground;
  const far = away(ground, x, z);
  if (far >= 1) return 0;
  point[0] = x;
  point[1] = z;
  const free = outOf(ground, point);
  let hidden = free ? 0 : 1;
  let form = free ? 0 : 1;
  if (free) {
    let total = 0;
    for (const { light, strength } of lamps) {
      occlusionAt(occluders, -1, light, point[0], 0, point[1], 0, 1, 0, scratch, out);
      hidden += out[0] * strength;
      total += strength;
      form = out[1];
    }
    hidden = total > 0 ? hidden / total : 0;
  }
  const dark = 0.66 * cast * hidden * (1 - smoothstep(0.05, 1, far));
  const close = 0.85 * contact * form ** 1.35 * (1 - smoothstep(-0.1, 0.52, far));
  return 1 - (1 - dark) * (1 - close);
}

/**
 * Shadow alpha on a coarse grid over some rows of the picture, each cell made when it is first looked at: under the
 * things none is. Where the shadow is steep, each pixel of a cell has its own value; elsewhere it is bilinear.
 */
export type ShadowGrid = {
  readonly step: number;
  readonly columns: number;
  readonly rows: number;
  readonly firstRow: number;
  /** At the cells' corners; below 0 where it has not been computed. */
  readonly alpha: Float32Array;
  /** For each cell 0 before it is made, below 0 for a smooth one, else the number of its patch. */
  readonly cells: Int32Array;
  readonly patches: Float32Array[];
  readonly refined: boolean;
  readonly ground: Ground;
  readonly camera: Camera;
  readonly scratch: Scratch;
  readonly out: Float64Array;
  readonly point: Float64Array;
};

/** Corners of a cell that differ by more than this are too far apart to be joined by a straight line. */
const STEEP = 0.045;

/** The grid that output rows y0..y1 of a picture need, and `beyond` rows over and under them, with a corner every `step` pixels. */
export function shadowGrid(
  ground: Ground,
  camera: Camera,
  width: number,
  y0: number,
  y1: number,
  step: number,
  refined: boolean,
  scratch: Scratch,
  beyond: number,
): ShadowGrid {
  const columns = Math.ceil(width / step) + 2;
  const firstRow = Math.floor((y0 - beyond) / step);
  const rows = Math.floor((y1 + beyond) / step) + 2 - firstRow;
  return {
    rows,
    step,
    columns,
    firstRow,
    alpha: new Float32Array(columns * rows).fill(-1),
    cells: new Int32Array(columns * rows),
    patches: [],
    refined,
    ground,
    camera,
    scratch,
    out: new Float64Array(2),
    point: new Float64Array(2),
  };
}

/** The darkness of the ground that is seen at a pixel position. */
function seen({ ground, camera, scratch, out, point }: ShadowGrid, x: number, y: number): number {
  const ray = rayThrough(camera, x, y);
  if (ray[1] > -1e-6) return 0;
  const t = -camera.eye[1] / ray[1];
  return darkness(ground, camera.eye[0] + ray[0] * t, camera.eye[2] + ray[2] * t, scratch, out, point);
}

function corner(grid: ShadowGrid, p: number): number {
  const { alpha, columns, firstRow, step } = grid;
  if (alpha[p] < 0) alpha[p] = seen(grid, (p % columns) * step, (firstRow + Math.floor(p / columns)) * step);
  return alpha[p];
}

/** Makes a cell; answers as `cells` does. */
function opened(grid: ShadowGrid, p: number): number {
  const { columns, firstRow, step, cells, patches, refined } = grid;
  const a = corner(grid, p);
  const b = corner(grid, p + 1);
  const c = corner(grid, p + columns);
  const d = corner(grid, p + columns + 1);
  if (!refined || Math.max(a, b, c, d) - Math.min(a, b, c, d) < STEEP) return (cells[p] = -1);
  const [x, y] = [(p % columns) * step, (firstRow + Math.floor(p / columns)) * step];
  const patch = new Float32Array(step * step);
  for (let v = 0, o = 0; v < step; v++)
    for (let u = 0; u < step; u++, o++) patch[o] = seen(grid, x + u + 0.5, y + v + 0.5);
  return (cells[p] = patches.push(patch));
}

/** Shadow alpha at the middle of a pixel; past the grid's edge that of its edge. */
export function shadowAt(grid: ShadowGrid, x: number, y: number): number {
  const { alpha, columns, rows, step, cells } = grid;
  const gx = Math.min(columns - 1.001, Math.max(0, (x + 0.5) / step));
  const gy = Math.min(rows - 1.001, Math.max(0, (y + 0.5) / step - grid.firstRow));
  const i = gx | 0;
  const j = gy | 0;
  const p = j * columns + i;
  const patch = cells[p] || opened(grid, p);
  const fx = gx - i;
  const fy = gy - j;
  if (patch > 0) return grid.patches[patch - 1][((fy * step) | 0) * step + ((fx * step) | 0)];
  const q = p + columns;
  const above = alpha[p] + (alpha[p + 1] - alpha[p]) * fx;
  return above + (alpha[q] + (alpha[q + 1] - alpha[q]) * fx - above) * fy;
}

/** Shadow below this alpha does not show in 8 bits and needs no room. */
const LEAST_ALPHA = 0.004;

/** Ground points out to which the shadow can be seen, round the origin. */
export function shadowReach(ground: Ground, scratch: Scratch): Vec3[] {
  if (ground.cast <= 0 && ground.contact <= 0) return [];
  const { circles, reachMm } = ground;
  let most = 0;
  for (let i = 0; i < circles.length; i += 3)
    most = Math.max(most, Math.hypot(circles[i], circles[i + 1]) + circles[i + 2] + reachMm);
  const out = new Float64Array(2);
  const point = new Float64Array(2);
  const points: Vec3[] = [];
  const [rays, steps] = [28, 18];
  for (let i = 0; i < rays; i++) {
    const a = (i / rays) * 2 * Math.PI;
    for (let step = steps; step > 0; step--) {
      const dark = (r: number): boolean =>
        darkness(ground, Math.cos(a) * r, Math.sin(a) * r, scratch, out, point) >= LEAST_ALPHA;
      if (!dark((most * step) / steps)) continue;
      // Closer in, so that the frame does not jump by a step where the scene changes a little.
      let [from, to] = [(most * step) / steps, (most * (step + 1)) / steps];
      for (let k = 0; k < 6; k++) {
        const middle = (from + to) / 2;
        if (dark(middle)) from = middle;
        else to = middle;
      }
      points.push([Math.cos(a) * to, 0, Math.sin(a) * to]);
      break;
    }
  }
  return points;
}

/** The pixels that can hold shadow. */
export function shadowBox(
  ground: Ground,
  camera: Camera,
  width: number,
  height: number,
): [x0: number, y0: number, x1: number, y1: number] {
  const { circles, reachMm } = ground;
  const box: [number, number, number, number] = [width, height, 0, 0];
  for (let c = 0; c < circles.length; c += 3) {
    for (let i = 0; i < 32; i++) {
      const a = (i / 32) * 2 * Math.PI;
      const r = (circles[c + 2] + reachMm) * 1.01;
      const p: Vec3 = [circles[c] + Math.cos(a) * r, 0, circles[c + 1] + Math.sin(a) * r];
      const depth = [0, 1, 2].reduce((sum, k) => sum + (p[k] - camera.eye[k]) * camera.forward[k], 0);
      // Ground behind the camera: the shadow may reach the picture's foot.
      const [x, y] = depth > 1 ? projectPoint(camera, p) : [p[0] > 0 ? width : 0, height];
      box[0] = Math.min(box[0], Math.floor(x));
      box[1] = Math.min(box[1], Math.floor(y));
      box[2] = Math.max(box[2], Math.ceil(x));
      box[3] = Math.max(box[3], Math.ceil(y));
    }
  }
  return [Math.max(0, box[0]), Math.max(0, box[1]), Math.min(width, box[2]), Math.min(height, box[3])];
}
