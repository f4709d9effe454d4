import { LRUCache } from 'lru-cache';
import { keyOf } from '../base';
import type { Area, Doc, Part, PicturePart } from '../cover';
import { type Scene, type Thing, thingsBox } from '../mockup';
import { type Moment, type MotionKind, arrival } from '../motion';
import { type Rect, centreOf, union } from '../plane';
import type { Book } from '../project';
import { SLOTS } from '../promo';
import type { PromoAt, PromoPicture } from './promo';
import { sceneOfSource } from './promo-shots';
import { type Others, subjectsOf } from './scene-art';

export const stillAt = ({ campaign, format }: PromoAt): PromoAt => ({ campaign, format });

type Source = PromoPicture['source'];

/** Whether a picture is made anew at every moment. */
export const isMoving = (source: Source): boolean => source.kind === 'shot' || source.kind === 'mockup';

/** Several things turn less, or they would leave their place. */
const TOGETHER = 0.4;
/** Free room round several things while they turn, as a share of each side of their picture; one thing's picture has it already. */
const ROOM = 0.2;

/** Whether a scene's picture has to be larger while its things turn. */
const needsRoom = ({ things, place }: Scene): boolean => things.length > 1 && place === null;

/** A scene at a moment: framed and exposed as it is at rest. */
export function movedScene(scene: Scene, moment: Moment | undefined, book: Book, others: Others): Scene {
  if (!moment) return scene;
  const several = scene.things.length > 1;
  const light = moment.light === null ? null : passingLight(scene, moment.light);
  const moved = { turnRad: moment.turnRad * (several ? TOGETHER : 1), light };
  // A light that passes is seen on what shines; it shines all the time, or it would jump as the light comes.
  const shines = moment.light !== null;
  const things = shines ? scene.things.map((thing): Thing => ({ ...thing, surface: 'gloss' })) : scene.things;
  if (!needsRoom(scene)) return { ...scene, things, moved };
  const { x, y, width, height } = thingsBox(scene, subjectsOf(book, scene, others), 1000, 1000);
  const k = 1 + 2 * ROOM;
  return {
    ...scene,
    things,
    moved,
    place: { x: (x + ROOM) / k, y: (y + ROOM) / k, width: width / k, height: height / k },
  };
}

/** How far to either side of its mirror image in the front a light passes, rad, and how high it is. */
const PASSES_RAD = 1.1;
const PASSES_HIGH = 0.3;

/** A light that goes by where the front of what stands there throws it into the eye; it comes out of the dark and goes into it. */
function passingLight({ pose }: Scene, at: number): NonNullable<Scene['second']> | null {
  const strength = 1.5 * Math.sin(Math.PI * at) ** 1.5;
  if (strength < 0.01) return null;
  const azimuthRad = 2 * pose.turnRad + PASSES_RAD * (2 * at - 1);
  return { azimuthRad: Math.max(-3.1, Math.min(3.1, azimuthRad)), heightRad: PASSES_HIGH, softness: 0, strength };
}

const sceneOf = (book: Book, part: PicturePart, others: Others): Scene | null =>
  part.source.kind === 'shot'
    ? sceneOfSource(book, part.source, others)
    : part.source.kind === 'mockup'
      ? book.scene
      : null;

/** Word parts in the order in which they come: a message's by their rank, others as they lie on one another. */
function placeOf(part: Part, words: readonly Part[]): number {
  const id = part.id === 'badge-plate' ? 'badge' : part.id;
  const slot = SLOTS.findIndex((one) => one === id);
  return slot >= 0 ? slot : words.findIndex((one) => one.id === part.id);
}

/** How far below its place a word part begins, as a share of the height. */
const BELOW = 0.035;

/** A promo at a moment: how far its words have come, and how much is shown of what is wrapped. */
export function docAt(doc: Doc, moment: Moment, book: Book, others: Others): Doc {
  const words = Object.values(doc.parts)
    .filter((part) => part.kind === 'words' && !part.hidden)
    .sort((a, b) => (a.order < b.order ? -1 : 1));
  const parts = Object.values(doc.parts).map((part): Part => {
    if (part.kind === 'picture') return pictureAt(part, moment, book, others);
    if (part.kind !== 'words' && !(part.kind === 'shape' && part.id === 'badge-plate')) return part;
    const { shown, below } = arrival(moment, placeOf(part, words));
    return { ...part, opacity: part.opacity * shown, area: { ...part.area, y: part.area.y + below * BELOW } };
  });
  return { ...doc, parts: Object.fromEntries(parts.map((part) => [part.id, part])) };
}

function pictureAt(part: PicturePart, moment: Moment, book: Book, others: Others): PicturePart {
  if (part.source.kind === 'reveal')
    return moment.share === null ? part : { ...part, source: { ...part.source, share: moment.share } };
  const scene = sceneOf(book, part, others);
  if (!scene) return part;
  const placed = keptIn(part.area, scene, moment, book, others);
  if (!needsRoom(scene)) return { ...part, area: placed };
  const { x, y, width, height } = placed;
  const k = 1 + 2 * ROOM;
  return { ...part, area: { x: x - ROOM * width, y: y - ROOM * height, width: width * k, height: height * k } };
}

/** At how many angles what turns is measured. */
const MEASURED = 25;
/** Boxes that were measured last: every moment of a motion asks for the same. */
const boxes = new LRUCache<string, { readonly rest: Rect; readonly swept: Rect }>({ max: 40 });

/** Where things are in their picture at rest, and all the room that they take while they turn. */
function sweptBox(scene: Scene, moment: Moment, book: Book, others: Others): { rest: Rect; swept: Rect } {
  const subjects = subjectsOf(book, scene, others);
  const key = keyOf({ scene, subjects, sweep: moment.sweepRad });
  const known = boxes.get(key);
  if (known) return known;
  const boxAt = (share: number): Rect => {
    const { moved } = movedScene(scene, { ...moment, turnRad: moment.sweepRad * share }, book, others);
    return thingsBox({ ...scene, moved }, subjects, 1000, 1000);
  };
  const swept = union(Array.from({ length: MEASURED }, (_, i) => boxAt((2 * i) / (MEASURED - 1) - 1)));
  const made = { rest: boxAt(0), swept };
  boxes.set(key, made);
  return made;
}

/** The area in which turning things never leave the place that they have at rest: words stand beside it. What the sides cut stays as it is. */
function keptIn(area: Area, scene: Scene, moment: Moment, book: Book, others: Others): Area {
  // On a table the picture is the whole ground.
  if (moment.sweepRad === 0 || scene.place) return area;
  const { rest, swept } = sweptBox(scene, moment, book, others);
  const inFormat = { x: area.x + rest.x * area.width, y: area.y + rest.y * area.height };
  const [right, foot] = [inFormat.x + rest.width * area.width, inFormat.y + rest.height * area.height];
  if (inFormat.x < 0 || inFormat.y < 0 || right > 1) return area;
  // Where the foot is cut by the edge, the head keeps its place; else it stands where it stood.
  const cut = foot > 1;
  const k = Math.min(1, rest.width / swept.width, cut ? 1 : rest.height / swept.height);
  const [width, height] = [area.width * k, area.height * k];
  return {
    x: inFormat.x + (rest.width * area.width) / 2 - centreOf(swept).x * width,
    y: cut ? inFormat.y - swept.y * height : foot - (swept.y + swept.height) * height,
    width,
    height,
  };
}

/** What of a promo can move. */
export function motionsOf(doc: Doc, book: Book, others: Others): MotionKind[] {
  const shown = Object.values(doc.parts).filter((part) => !part.hidden);
  const pictures = shown.filter((part): part is PicturePart => part.kind === 'picture');
  const scenes = pictures.flatMap((part) => sceneOf(book, part, others) ?? []);
  return [
    ...(scenes.length > 0 ? (['swing', 'light'] as const) : []),
    ...(scenes.some(({ things }) => things.length === 1) ? (['round'] as const) : []),
    ...(pictures.some(({ source }) => source.kind === 'reveal') ? (['reveal'] as const) : []),
    ...(shown.some(({ kind }) => kind === 'words') ? (['words'] as const) : []),
  ];
}
