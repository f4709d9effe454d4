import { rgbOf } from '../../colour';
import { LINEAR_OF } from '../../pixels';
import { type Camera, type Vec3, along, cross, lookAt, projectPoint, times } from '../../space';
import { type ThingSubject, roundOf, setting } from '../arrange';
import { type Lamp, type Scratch, areaLight, finishOf, occluder, scratchFor, shadePoint } from '../light';
import { type Box, type FaceName, type Look, type Model, type Panel, boxOf, prismOfCircle } from '../models';
import type { Scene } from '../scene';
import { type Facet, type FacetMaker, facesEye, facetOf, mirrored, outwards } from './facet';
import { type Ground, groundOf, shadowBox, shadowReach } from './ground';
import { lookKey } from './looks';
import { type Tones, tonesOf } from './tones';

export type FaceCorners = Readonly<Partial<Record<FaceName, readonly (readonly [number, number])[]>>>;

/** A facet with the key of what is printed on it, or its one colour in linear light 0..65535, and its brightness across. */
export type Painted = {
  readonly facet: Facet;
  readonly texture: string | null;
  readonly colour: readonly [number, number, number] | null;
  readonly profile: Float32Array | null;
};

/** A scene made ready for one picture size. */
export type Stage = {
  readonly width: number;
  readonly height: number;
  readonly camera: Camera;
  readonly facets: readonly Painted[];
  /** The things as they are mirrored in the ground; none where it does not reflect. */
  readonly mirror: readonly Painted[];
  /** True where no facet hides another, as with one convex object: the first one found is the one that is seen. */
  readonly disjoint: boolean;
  readonly ground: Ground;
  readonly scratch: Scratch;
  /** Pixel box that can hold shadow. */
  readonly shadowBox: readonly [x0: number, y0: number, x1: number, y1: number];
  readonly tones: Tones;
  /** For each thing the corners of its visible faces in output pixels, as the art has them. */
  readonly faces: readonly FaceCorners[];
};

/** Height, as a share of the scene's size, over which a reflection fades out. */
const REFLECTED = 0.4;

const linearOf = (colour: string): [number, number, number] => {
  const [r, g, b] = rgbOf(colour);
  return [LINEAR_OF[r], LINEAR_OF[g], LINEAR_OF[b]];
};

/** Prepares a scene for a picture of width x height pixels. `strips` and `cells` are how smooth round faces and shadows on things are. */
export function stage(
  scene: Scene,
  subjects: readonly ThingSubject[],
  width: number,
  height: number,
  smooth: { readonly strips: number; readonly cells: number },
): Stage {
  const { pose, light: look } = scene;
  const models = setting(scene, subjects, smooth.strips);
  const { radiusMm, heightMm } = roundOf(models);
  const size = Math.max(heightMm, 1.5 * radiusMm);
  const target: Vec3 = [0, heightMm / 2, 0];
  const distance = (size * pose.lensMm) / 21;
  const eye: Vec3 = [0, target[1] + Math.sin(pose.tiltRad) * distance, Math.cos(pose.tiltRad) * distance];
  const lampOf = (l: NonNullable<Scene['second']>): Lamp => ({
    light: areaLight(target, l.azimuthRad, l.heightRad, size * 3.4, size * (0.12 + 2.1 * l.softness ** 1.4)),
    strength: l.strength,
    softness: l.softness,
  });
  const lamps = [lampOf(look), ...(scene.second ? [lampOf(scene.second)] : [])];
  const occluders = models.flatMap((model) => model.solids.map(occluder));
  const reachMm = 0.4 * Math.max(heightMm, ...models.map((model) => halfFootprint(boxOf([model]))));
  const ground = groundOf(occluders, lamps, look.shadow, look.contact, reachMm);
  const scratch = scratchFor(occluders);

  // One thing's frame is fitted to its whole turn, so that it does not breathe while it is turned.
  const alone = models.length === 1;
  const hull = prismOfCircle(radiusMm, heightMm);
  const round = occluder(hull);
  const shadowed = alone ? groundOf([round], lamps, look.shadow, look.contact, reachMm) : ground;
  const reached = shadowReach(shadowed, alone ? scratchFor([round]) : scratch);
  // What leans or floats can cast farther than the cylinder it turns in.
  if (alone && scene.arrangement !== 'standing') reached.push(...shadowReach(ground, scratch));
  const points = alone ? hull.corners : models.flatMap((model) => model.solids.flatMap((s) => s.corners));
  const rough = rolled(lookAt(eye, target, 1, 0, 0), pose.rollRad);
  const fadeMm = REFLECTED * size;
  const inMirror = scene.reflection > 0 ? points.map(([x, y, z]): Vec3 => [x, -Math.min(y, fadeMm), z]) : [];
  const camera = framed(rough, [...points, ...inMirror, ...reached], width, height, pose.margin);

  const maker: FacetMaker = {
    camera,
    lamps,
    occluders,
    scratch,
    fill: look.fill,
    heightMm: size,
    exposure: exposureOf(models[0], eye, scene),
    cells: smooth.cells,
  };
  const facets: Painted[] = [];
  const mirror: Painted[] = [];
  let body = 0;
  models.forEach((model, t) => {
    paintModel(model, t, body, scene, maker, facets, mirror);
    body += model.solids.length;
  });
  return {
    width,
    height,
    camera,
    facets,
    mirror,
    disjoint: alone && models[0].convex,
    ground,
    scratch,
    shadowBox: shadowBox(ground, camera, width, height),
    tones: tonesOf(scene.look, look.warmth),
    faces: models.map((model, t) => cornersOf(model, t, camera, facets)),
  };
}

/** Half the diagonal of a box's footprint. */
const halfFootprint = ({ least, most }: Box): number => Math.hypot(most[0] - least[0], most[2] - least[2]) / 2;

function paintModel(
  model: Model,
  thing: number,
  firstBody: number,
  scene: Scene,
  maker: FacetMaker,
  facets: Painted[],
  mirror: Painted[],
): void {
  const own = scene.things[thing];
  const { eye } = maker.camera;
  const add = (list: Painted[], facet: Facet | null, look: Look): void => {
    if (!facet) return;
    const colour = look.kind === 'flat' ? linearOf(look.colour) : null;
    const texture = colour ? null : lookKey(look, own);
    list.push({ facet, texture, colour, profile: model.profiles.get(facet.face) ?? null });
  };
  const each = (list: Painted[], seen: (panel: Panel) => boolean, reflected: Parameters<typeof facetOf>[6]): void => {
    const visible = model.panels.map(seen);
    model.panels.forEach((panel, i) => {
      if (!visible[i]) return;
      const look = model.looks.get(panel.face)!;
      const seams = panel.seams.filter((seam) => visible[seam.beside]).map((seam) => seam.edge);
      const finish = finishOf(look.surface, own.surface);
      add(list, facetOf(panel, thing, firstBody + panel.solid, finish, seams, maker, reflected), look);
    });
  };
  each(facets, (panel) => facesEye(panel, eye), null);
  if (scene.reflection > 0) {
    const reflected = { strength: scene.reflection, fadeMm: maker.heightMm * REFLECTED };
    each(mirror, (panel) => !facesEye(mirrored(panel), eye), reflected);
  }
}

function cornersOf(model: Model, thing: number, camera: Camera, facets: readonly Painted[]): FaceCorners {
  const faces: Partial<Record<FaceName, readonly (readonly [number, number])[]>> = {};
  for (const [name, corners] of model.corners) {
    if (!facets.some(({ facet }) => facet.thing === thing && facet.face === name)) continue;
    faces[name] = corners.map((p) => projectPoint(camera, p));
  }
  return faces;
}

/** The camera turned about its own axis; positive leans what is seen to the left. */
function rolled(camera: Camera, angleRad: number): Camera {
  if (angleRad === 0) return camera;
  const [c, s] = [Math.cos(angleRad), Math.sin(angleRad)];
  const { right, up } = camera;
  return { ...camera, right: along(times(right, c), up, s), up: along(times(up, c), right, -s) };
}

/** The camera with focal length and centre such that all points fit the frame with its margin, centred. */
function framed(camera: Camera, points: readonly Vec3[], width: number, height: number, margin: number): Camera {
  const seen = points.map((p) => projectPoint(camera, p));
  const x0 = Math.min(...seen.map((p) => p[0]));
  const x1 = Math.max(...seen.map((p) => p[0]));
  const y0 = Math.min(...seen.map((p) => p[1]));
  const y1 = Math.max(...seen.map((p) => p[1]));
  const room = 1 - 2 * margin;
  const focalPx = Math.min((width * room) / (x1 - x0), (height * room) / (y1 - y0));
  return {
    ...camera,
    focalPx,
    centreX: width / 2 - (focalPx * (x0 + x1)) / 2,
    centreY: height / 2 - (focalPx * (y0 + y1)) / 2,
  };
}

/** A factor that keeps the first front near its flat colours, wherever the light is: art must be recognised. */
function exposureOf(model: Model, eye: Vec3, scene: Scene): number {
  let face = model.panels[0];
  let most = 0;
  for (const panel of model.panels) {
    const area =
      Math.hypot(...cross(panel.across, panel.down)) * (model.looks.get(panel.face)?.kind === 'flat' ? 0.1 : 1);
    if (area <= most || !facesEye(panel, eye)) continue;
    face = panel;
    most = area;
  }
  const usual = { ...scene.light, strength: 1 };
  const { heightMm } = roundOf([model]);
  const middle = along(along(face.origin, face.across, 0.5), face.down, 0.5);
  const light = areaLight(middle, usual.azimuthRad, usual.heightRad, heightMm * 3.4, heightMm);
  const lamps = [{ light, strength: 1, softness: usual.softness }];
  const none = { gloss: 0, spread: 1, glow: 0 };
  const { diffuse } = shadePoint(middle, outwards(face), eye, lamps, [0], 0, none, { fill: 1, heightMm });
  return 0.97 / Math.max(0.3, diffuse) ** 0.85;
}
