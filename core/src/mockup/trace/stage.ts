import { smoothstep } from '../../plane';
import { type Camera, type Vec3, add, along, cross, dot, lookAt, projectPoint, sub, times, turnY } from '../../space';
import { type AreaLight, type Occluder, areaLight, occluder, shadePoint, shadowAt, shadowScratch } from '../light';
import { type FaceName, FACE_NAMES, type Model, type Panel, middleOf } from '../models';
import type { Scene } from '../scene';

/** A function of the pixel position that is linear: value = x * a + y * b + c. */
export type Linear = readonly [a: number, b: number, c: number];

/** Cells of a facet's light samples across a whole face (a strip of one has one) and down it. */
const COLUMNS = 8;
export const ROWS = 12;

/**
 * A panel as the camera sees it. The place within its parallelogram is (a/g, b/g) with a, b, g linear over the
 * image; g is larger the nearer the point. `edges` are inward half-planes (a, b, c) of its outline in pixels, unit
 * normals; `seams` those across which the same face goes on.
 */
export type Facet = {
  readonly face: FaceName;
  readonly a: Linear;
  readonly b: Linear;
  readonly g: Linear;
  readonly edges: Float64Array;
  readonly seams: Float64Array;
  readonly box: readonly [x0: number, y0: number, x1: number, y1: number];
  readonly u0: number;
  readonly du: number;
  /** Light at the corners of a grid of `columns` x ROWS cells: pairs of diffuse and sheen, row by row. */
  readonly columns: number;
  readonly light: Float32Array;
};

/** A scene made ready for one picture size. */
export type Stage = {
  readonly width: number;
  readonly height: number;
  readonly camera: Camera;
  readonly facets: readonly Facet[];
  /** True where no facet hides another, as with one convex object: the first one found is the one that is seen. */
  readonly disjoint: boolean;
  readonly profiles: ReadonlyMap<FaceName, Float32Array>;
  readonly occluder: Occluder;
  readonly light: AreaLight;
  readonly shadow: number;
  /** Radius on the ground beyond which there is no shadow, mm from the object's middle. */
  readonly fadeTo: number;
  /** Pixel box that can hold shadow. */
  readonly shadowBox: readonly [x0: number, y0: number, x1: number, y1: number];
  readonly ground: Scene['ground'];
  /** Corners of the visible faces in output pixels, as the art has them. */
  readonly faces: Readonly<Partial<Record<FaceName, readonly (readonly [number, number])[]>>>;
};

/** Margin round the object and its shadow, as a fraction of the shorter side. */
const MARGIN = 0.06;
/** Shadow below this alpha does not show in 8 bits and needs no room. */
const LEAST_ALPHA = 0.004;

/**
 * The darkness of the ground, 0..1, from the hidden share of the light and the form factor at a distance (as a share
 * of `fadeTo`) from the object's middle. The cast shadow runs out over the outer half; the contact shadow, which
 * only grounds the object, keeps close to it.
 */
export function shadowAlpha(strength: number, hidden: number, form: number, away: number): number {
  const cast = 0.66 * strength * hidden * (1 - smoothstep(0.3, 1, away));
  const contact = 0.85 * strength * form ** 1.35 * (1 - smoothstep(0.12, 0.82, away));
  return 1 - (1 - cast) * (1 - contact);
}

/** Prepares a scene for a picture of width x height pixels. */
export function stage(scene: Scene, model: Model, width: number, height: number): Stage {
  const { pose, light: look } = scene;
  const target = middleOf(model);
  const h = model.heightMm;
  const distance = (h * pose.lensMm) / 21;
  const eye = add(target, times([0, Math.sin(pose.tiltRad), Math.cos(pose.tiltRad)], distance));
  const light = areaLight(target, look.azimuthRad, look.heightRad, h * 3.4, h * (0.12 + 2.1 * look.softness ** 1.4));
  const turned = turnedModel(model, pose.turnRad);
  const occ = occluder(turned.prism);
  const fadeTo = h * 0.72;
  const rough = lookAt(eye, target, 1, 0, 0);
  // The frame is fitted to the object's whole turn, so that it does not breathe while the object is turned.
  const round = cylinderOf(model);
  const reach = look.shadow > 0 ? shadowReach(occluder(round.prism), light, look.shadow, fadeTo) : [];
  const camera = framed(rough, [...round.rim, ...reach], width, height);
  const facets: Facet[] = [];
  const faces: Partial<Record<FaceName, readonly (readonly [number, number])[]>> = {};
  const exposure = exposureOf(turned, eye, light, scene, h);
  const seen = turned.panels.map((panel) => facesEye(panel, eye));
  turned.panels.forEach((panel, i) => {
    if (!seen[i]) return;
    const seams = panel.seams.filter((seam) => seen[seam.beside]).map((seam) => seam.edge);
    const facet = facetOf(panel, seams, camera, light, scene, h, exposure);
    if (facet) facets.push(facet);
  });
  for (const name of FACE_NAMES) {
    const corners = turned.corners.get(name);
    if (corners && facets.some((facet) => facet.face === name))
      faces[name] = corners.map((p) => projectPoint(camera, p));
  }
  return {
    width,
    height,
    camera,
    facets,
    disjoint: true,
    profiles: model.profiles,
    occluder: occ,
    light,
    shadow: look.shadow,
    fadeTo,
    shadowBox: groundBox(camera, fadeTo, width, height),
    ground: scene.ground,
    faces,
  };
}

function turnedModel(model: Model, angleRad: number): Model {
  const turn = (v: Vec3): Vec3 => turnY(v, angleRad);
  const panels = model.panels.map((panel) => ({
    ...panel,
    origin: turn(panel.origin),
    across: turn(panel.across),
    down: turn(panel.down),
    outline: panel.outline.map(turn),
    normals: [turn(panel.normals[0]), turn(panel.normals[1])] as const,
  }));
  const corners = new Map(
    [...model.corners].map(([name, c]) => [name, [turn(c[0]), turn(c[1]), turn(c[2]), turn(c[3])] as const] as const),
  );
  const base = model.prism.base.map(([x, z]) => {
    const p = turn([x, 0, z]);
    return [p[0], p[2]] as const;
  });
  return { ...model, panels, corners, prism: { ...model.prism, base } };
}

/** The upright cylinder round an object: its rim points and its prism. */
function cylinderOf(model: Model): { rim: Vec3[]; prism: Model['prism'] } {
  const radius = Math.max(...model.prism.base.map(([x, z]) => Math.hypot(x, z)));
  const base = Array.from({ length: 16 }, (_, i) => {
    const a = (i / 16) * 2 * Math.PI;
    return [Math.cos(a) * radius, Math.sin(a) * radius] as const;
  });
  const rim = base.flatMap(([x, z]): Vec3[] => [
    [x, 0, z],
    [x, model.heightMm, z],
  ]);
  return { rim, prism: { base, heightMm: model.heightMm } };
}

/** Ground points out to which the shadow can be seen. */
function shadowReach(occ: Occluder, light: AreaLight, strength: number, fadeTo: number): Vec3[] {
  const scratch = shadowScratch(occ);
  const out = new Float64Array(2);
  const points: Vec3[] = [];
  const rays = 28;
  const steps = 16;
  for (let i = 0; i < rays; i++) {
    const a = (i / rays) * 2 * Math.PI;
    for (let step = steps; step > 0; step--) {
      const r = (fadeTo * step) / steps;
      const x = Math.cos(a) * r;
      const z = Math.sin(a) * r;
      shadowAt(occ, light, x, z, scratch, out);
      const alpha = shadowAlpha(strength, out[0], out[1], r / fadeTo);
      if (alpha < LEAST_ALPHA) continue;
      points.push([x, 0, z]);
      break;
    }
  }
  return points;
}

/** The camera with focal length and centre such that all points fit the frame with its margin, centred. */
function framed(camera: Camera, points: readonly Vec3[], width: number, height: number): Camera {
  const seen = points.map((p) => projectPoint(camera, p));
  const x0 = Math.min(...seen.map((p) => p[0]));
  const x1 = Math.max(...seen.map((p) => p[0]));
  const y0 = Math.min(...seen.map((p) => p[1]));
  const y1 = Math.max(...seen.map((p) => p[1]));
  const room = 1 - 2 * MARGIN;
  const focalPx = Math.min((width * room) / (x1 - x0), (height * room) / (y1 - y0));
  return {
    ...camera,
    focalPx,
    centreX: width / 2 - (focalPx * (x0 + x1)) / 2,
    centreY: height / 2 - (focalPx * (y0 + y1)) / 2,
  };
}

function groundBox(camera: Camera, radius: number, width: number, height: number): [number, number, number, number] {
  const seen = Array.from({ length: 48 }, (_, i) => {
    const a = (i / 48) * 2 * Math.PI;
    return projectPoint(camera, [Math.cos(a) * radius, 0, Math.sin(a) * radius]);
  });
  return [
    Math.max(0, Math.floor(Math.min(...seen.map((p) => p[0])))),
    Math.max(0, Math.floor(Math.min(...seen.map((p) => p[1])))),
    Math.min(width, Math.ceil(Math.max(...seen.map((p) => p[0])))),
    Math.min(height, Math.ceil(Math.max(...seen.map((p) => p[1])))),
  ];
}

/** A factor that keeps the front near its flat colours, whatever the light: art must be recognised. */
function exposureOf(model: Model, eye: Vec3, light: AreaLight, scene: Scene, heightMm: number): number {
  const front = model.panels.find((panel) => panel.face === 'front');
  if (!front) return 1;
  const middle = along(along(front.origin, front.across, 0.5), front.down, 0.5);
  const facing = dot(front.normals[0], sub(eye, middle)) > 0 ? front.normals[0] : ([0, 0, 1] as const);
  const { diffuse } = shadePoint(middle, facing, eye, light, { ...scene.light, heightMm });
  return 0.97 / diffuse ** 0.85;
}

/** Whether a panel turns its outside to the eye. */
function facesEye({ origin, across, down, normals }: Panel, eye: Vec3): boolean {
  const normal = cross(across, down);
  const toEye = dot(normal, sub(eye, origin));
  return (dot(normal, add(normals[0], normals[1])) < 0 ? -toEye : toEye) > 1e-9;
}

function facetOf(
  panel: Panel,
  seamEdges: readonly number[],
  camera: Camera,
  light: AreaLight,
  scene: Scene,
  heightMm: number,
  exposure: number,
): Facet | null {
  const { origin, across, down } = panel;
  const { eye, forward, right, up, focalPx: f, centreX, centreY } = camera;

  // A ray d meets the panel where d = t' (Q + a U + b V); Cramer's rule makes a, b and the depth ratios of linear functions.
  const q = sub(origin, eye);
  const determinant = dot(across, cross(down, q));
  if (Math.abs(determinant) < 1e-12) return null;
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

  const columns = panel.u1 - panel.u0 < 1 ? 1 : COLUMNS;
  const lit = new Float32Array((columns + 1) * (ROWS + 1) * 2);
  for (let j = 0; j <= ROWS; j++) {
    for (let i = 0; i <= columns; i++) {
      const s = i / columns;
      const p = along(along(origin, across, s), down, j / ROWS);
      const n = add(times(panel.normals[0], 1 - s), times(panel.normals[1], s));
      const { diffuse, sheen } = shadePoint(p, n, eye, light, { ...scene.light, heightMm });
      const at = (j * (columns + 1) + i) * 2;
      lit[at] = diffuse * exposure;
      lit[at + 1] = sheen * 65535;
    }
  }
  return {
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
    light: lit,
  };
}
