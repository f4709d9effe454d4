import { rgbOf } from '../../colour';
import { LINEAR_OF } from '../../pixels';
import { type Homography, type Point, type Rect, homography } from '../../plane';
import { type Camera, type Vec3, along, cross, lookAt, projectPoint, times, turnAbout } from '../../space';
import { type ThingSubject, roundOf, setting } from '../arrange';
import { type Lamp, type Scratch, areaLight, finishOf, occluder, scratchFor, shadePoint } from '../light';
import { type Box, type FaceName, type Look, type Model, type Panel, boxOf, placed, prismOfCircle } from '../models';
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

/** The scene from one point of the lens. */
export type View = {
  readonly camera: Camera;
  readonly facets: readonly Painted[];
  /** The things as they are mirrored in the ground; none where it does not reflect. */
  readonly mirror: readonly Painted[];
  /** From its pixels to those of the stage's own view in which the same ground is seen; null where that is itself. */
  readonly toMain: Homography | null;
};

export type Lens = { readonly radiusMm: number; readonly sharpMm: number };

/** A scene made ready for one picture size. */
export type Stage = View & {
  readonly width: number;
  readonly height: number;
  /** Radius of the lens and distance of its focus, mm; null where all is sharp. */
  readonly lens: Lens | null;
  /** Of all that stands there, mm: what distances are measured by. */
  readonly size: number;
  /** What the picture is the mean of: the stage's own view, or with depth of field views from all over the lens. */
  readonly views: readonly View[];
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

/** Prepares a scene for a picture of width x height pixels. `strips` and `cells` are how smooth round faces and shadows on things are, `lens` the most views for depth of field. */
export function stage(
  scene: Scene,
  subjects: readonly ThingSubject[],
  width: number,
  height: number,
  smooth: { readonly strips: number; readonly cells: number; readonly lens: number },
): Stage {
  const { light: look } = scene;
  const { resting, models, lamps, occluders, scratch, ground, size, eye, radiusMm, camera } = seen(
    scene,
    subjects,
    width,
    height,
    smooth.strips,
  );
  const alone = models.length === 1;
  const maker: FacetMaker = {
    camera,
    lamps,
    occluders,
    scratch,
    fill: look.fill,
    heightMm: size,
    exposure: exposureOf(resting[0], eye, scene),
    cells: smooth.cells,
    known: new Map(),
  };
  const main = viewOf(models, scene, maker);
  const { lens, eyes } = lensOf(scene.focus, camera, models, size, smooth.lens);
  const square = [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ].map(([x, z]): Vec3 => [x * radiusMm, 0, z * radiusMm]);
  const onPicture = (from: Camera): Point[] => square.map((p) => projectPoint(from, p)).map(([x, y]) => ({ x, y }));
  return {
    ...main,
    width,
    height,
    size,
    lens,
    views:
      eyes.length === 0
        ? [main]
        : eyes.map((eye) => ({
            ...viewOf(models, scene, { ...maker, camera: eye }),
            toMain: homography(onPicture(eye), onPicture(camera)),
          })),
    disjoint: alone && models[0].convex,
    ground,
    scratch,
    shadowBox: shadowBox(ground, camera, width, height),
    tones: tonesOf(scene.look, look.warmth),
    faces: models.map((model, t) => cornersOf(model, t, camera, main.facets)),
  };
}

/** Distance of a passing light, times the scene's size: near, so that its sheen wanders. */
const PASSING = 1.15;

/** What stands in a scene, how it is lit, and the camera that has it all in its frame. */
function seen(
  scene: Scene,
  subjects: readonly ThingSubject[],
  width: number,
  height: number,
  strips: number | undefined,
) {
  const { pose, light: look } = scene;
  const resting = setting(scene, subjects, strips);
  const { turnRad, light: passing } = scene.moved;
  const turn = turnAbout([0, 1, 0], turnRad);
  const models = turnRad === 0 ? resting : resting.map((model) => placed(model, turn));
  const { radiusMm, heightMm } = roundOf(resting);
  const size = Math.max(heightMm, 1.5 * radiusMm);
  const target: Vec3 = [0, heightMm / 2, 0];
  const distance = (size * pose.lensMm) / 21;
  const eye: Vec3 = [0, target[1] + Math.sin(pose.tiltRad) * distance, Math.cos(pose.tiltRad) * distance];
  const lampOf = (l: NonNullable<Scene['second']>, far = 3.4): Lamp => ({
    light: areaLight(target, l.azimuthRad, l.heightRad, size * far, size * (0.12 + 2.1 * l.softness ** 1.4)),
    strength: l.strength,
    softness: l.softness,
  });
  const standing = [lampOf(look), ...(scene.second ? [lampOf(scene.second)] : [])];
  const lamps = passing ? [...standing, lampOf(passing, PASSING)] : standing;
  const occluders = models.flatMap((model) => model.solids.map(occluder));
  const reachMm = 0.4 * Math.max(heightMm, ...resting.map((model) => halfFootprint(boxOf([model]))));
  // A light that passes throws no shadow on the ground: it would run over what stands beside the things.
  const ground = groundOf(occluders, standing, look.shadow, look.contact, reachMm);
  const scratch = scratchFor(occluders);

  // One thing's frame is fitted to its whole turn, so that it does not breathe while it is turned; what moves keeps the frame that it had at rest.
  const alone = models.length === 1;
  const hull = prismOfCircle(radiusMm, heightMm);
  const still = turnRad === 0 && !passing;
  const solids = still ? occluders : resting.flatMap((model) => model.solids.map(occluder));
  const cast = still ? ground : groundOf(solids, standing, look.shadow, look.contact, reachMm);
  const casting = still ? scratch : scratchFor(solids);
  const round = occluder(hull);
  const shadowed = alone ? groundOf([round], standing, look.shadow, look.contact, reachMm) : cast;
  const reached = shadowReach(shadowed, alone ? scratchFor([round]) : casting);
  // What leans or floats can cast farther than the cylinder it turns in.
  if (alone && scene.arrangement !== 'standing') reached.push(...shadowReach(cast, casting));
  const points = alone ? hull.corners : resting.flatMap((model) => model.solids.flatMap((s) => s.corners));
  const rough = rolled(lookAt(eye, target, 1, 0, 0), pose.rollRad);
  const fadeMm = REFLECTED * size;
  const inMirror = scene.reflection > 0 ? points.map(([x, y, z]): Vec3 => [x, -Math.min(y, fadeMm), z]) : [];
  const { margin } = pose;
  const room = scene.place ?? { x: margin, y: margin, width: 1 - 2 * margin, height: 1 - 2 * margin };
  const shown = scene.place ? resting.flatMap((model) => model.solids.flatMap((s) => s.corners)) : null;
  const camera = framed(rough, shown ?? [...points, ...inMirror, ...reached], width, height, room);
  return { resting, models, lamps, occluders, scratch, ground, size, eye, radiusMm, camera };
}

/** The box round the things themselves, without their shadows, in a picture of a scene: fractions of its width and height. */
export function thingsBox(scene: Scene, subjects: readonly ThingSubject[], width: number, height: number): Rect {
  const { models, camera } = seen(scene, subjects, width, height, undefined);
  const at = models.flatMap((model) => model.solids.flatMap((s) => s.corners)).map((p) => projectPoint(camera, p));
  const [xs, ys] = [at.map(([x]) => x / width), at.map(([, y]) => y / height)];
  const [x, y] = [Math.min(...xs), Math.min(...ys)];
  return { x, y, width: Math.max(...xs) - x, height: Math.max(...ys) - y };
}

function viewOf(models: readonly Model[], scene: Scene, maker: FacetMaker): View {
  const facets: Painted[] = [];
  const mirror: Painted[] = [];
  let body = 0;
  models.forEach((model, t) => {
    paintModel(model, t, body, scene, maker, facets, mirror);
    body += model.solids.length;
  });
  return { camera: maker.camera, facets, mirror, toMain: null };
}

/** Radius of the widest lens, as a share of the scene's size. */
const WIDEST = 0.034;

/**
 * Cameras spread evenly over the lens, shifted so that what lies in the focus stays where it is: their mean is a picture
 * with depth of field, without noise. As many as the widest blur asks for, so that they do not show apart.
 */
function lensOf(
  focus: Scene['focus'],
  camera: Camera,
  models: readonly Model[],
  size: number,
  most: number,
): { readonly lens: Lens | null; readonly eyes: readonly Camera[] } {
  if (focus.blur <= 0) return { lens: null, eyes: [] };
  const { eye, forward, right, up, focalPx, centreX, centreY } = camera;
  let [near, far] = [Infinity, 0];
  for (const corner of models.flatMap((model) => model.solids.flatMap((s) => s.corners))) {
    const depth = corner.reduce((sum, v, c) => sum + (v - eye[c]) * forward[c], 0);
    [near, far] = [Math.min(near, depth), Math.max(far, depth)];
  }
  near = Math.max(near, 0.05 * far);
  const sharp = near + (far - near) * focus.at;
  const radius = focus.blur ** 1.5 * WIDEST * size;
  const widest = 2 * radius * focalPx * Math.max(1 / near - 1 / sharp, 1 / sharp - 1 / far);
  const lens = { radiusMm: radius, sharpMm: sharp };
  if (widest < 0.5) return { lens, eyes: [] };
  const count = Math.min(most, Math.max(6, Math.ceil(0.3 * widest * widest)));
  const eyes = Array.from({ length: count }, (_, i) => {
    // A sunflower's seeds: even over the disc, without rings (Vogel 1979).
    const [r, a] = [radius * Math.sqrt((i + 0.5) / count), i * 2.399963];
    const [dx, dy] = [r * Math.cos(a), r * Math.sin(a)];
    return {
      ...camera,
      eye: along(along(eye, right, dx), up, dy),
      centreX: centreX + (focalPx * dx) / sharp,
      centreY: centreY - (focalPx * dy) / sharp,
    };
  });
  return { lens, eyes };
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

/** The camera with focal length and centre such that all points fit a place of the frame (fractions), centred in it. */
function framed(camera: Camera, points: readonly Vec3[], width: number, height: number, place: Rect): Camera {
  const seen = points.map((p) => projectPoint(camera, p));
  const x0 = Math.min(...seen.map((p) => p[0]));
  const x1 = Math.max(...seen.map((p) => p[0]));
  const y0 = Math.min(...seen.map((p) => p[1]));
  const y1 = Math.max(...seen.map((p) => p[1]));
  const focalPx = Math.min((width * place.width) / (x1 - x0), (height * place.height) / (y1 - y0));
  return {
    ...camera,
    focalPx,
    centreX: width * (place.x + place.width / 2) - (focalPx * (x0 + x1)) / 2,
    centreY: height * (place.y + place.height / 2) - (focalPx * (y0 + y1)) / 2,
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
