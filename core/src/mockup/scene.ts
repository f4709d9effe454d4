import { z } from 'zod';
import { versioned } from '../base';
import { Area, HexColour } from '../cover';
import { Kind } from './models';

const angle = z.number().min(-6.3).max(6.3);
const share = z.number().min(0).max(1);
const mm = z.number().min(-900).max(900);

/** What is printed on a thing: this title, another title of the shelf, a picture of the title, or its booklet from a page (from 0) on. */
export const ThingArt = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('this') }),
  z.object({ kind: z.literal('title'), id: z.string().max(40) }),
  z.object({ kind: z.literal('picture'), asset: z.string().max(40) }),
  z.object({ kind: z.literal('page'), at: z.number().int().min(-1).max(2000) }),
]);
export type ThingArt = z.infer<typeof ThingArt>;

export const SURFACES = ['matte', 'satin', 'gloss', 'linen'] as const;
export const FITS = ['whole', 'fill', 'recompose'] as const;

/** One object of a scene. Its arrangement says where it stands; what is here moves it from there. Angles in rad, lengths in mm. */
export const Thing = z.object({
  object: Kind,
  art: ThingArt,
  /** Where a face has another ratio than the art: whole on its edge colour, cut to fill, or composed anew. */
  fit: z.enum(FITS),
  surface: z.enum(SURFACES),
  /** Pictures of the title that are its spine and back; null makes them from the front. */
  spine: z.string().max(40).nullable(),
  back: z.string().max(40).nullable(),
  turnRad: angle,
  rightMm: mm,
  nearerMm: mm,
});
export type Thing = z.infer<typeof Thing>;

export const ARRANGEMENTS = [
  'standing',
  'lying',
  'leaning',
  'floating',
  'row',
  'fan',
  'stack',
  'boxed',
  'beside',
  'screens',
  'open',
] as const;
export type Arrangement = (typeof ARRANGEMENTS)[number];

export const MOST_THINGS = 12;
/** Longest side of a mockup, px. */
export const MOST_PX = 6000;

export const TABLES = ['wood', 'stone', 'cloth', 'plain'] as const;

const Light = z.object({
  /** Where it comes from, seen from above: 0 from the camera, negative from the left. */
  azimuthRad: z.number().min(-3.15).max(3.15),
  heightRad: z.number().min(0.15).max(1.5),
  /** 0 hard to 1 very soft. */
  softness: share,
  strength: z.number().min(0).max(2),
});

/** A mockup as plain data: objects and how they are arranged, how they are seen, how they are lit, what they stand on. */
export const Scene = z.object({
  schema: z.literal(3),
  arrangement: z.enum(ARRANGEMENTS),
  things: z.array(Thing).min(1).max(MOST_THINGS),
  pose: z.object({
    /** Turn of the whole about the upright; positive shows a book's spine (on the left), 0 is straight on. */
    turnRad: angle,
    /** How far the camera looks down. */
    tiltRad: z.number().min(0).max(1.45),
    rollRad: z.number().min(-0.8).max(0.8),
    /** Focal length for a 36 mm frame: short is strong perspective. */
    lensMm: z.number().min(24).max(600),
    /** Share of the picture's shorter side that is left free round the things. */
    margin: z.number().min(0).max(0.35),
  }),
  light: Light.extend({
    /** Strength of the cast and of the contact shadow; 0 leaves it out. */
    shadow: share,
    contact: share,
    /** Negative is cooler, positive warmer. */
    warmth: z.number().min(-1).max(1),
    /** Light from all round, times the usual. */
    fill: z.number().min(0).max(2),
  }),
  second: Light.nullable(),
  ground: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('clear') }),
    z.object({ kind: z.literal('colour'), colour: HexColour }),
    z.object({ kind: z.literal('gradient'), top: HexColour, foot: HexColour }),
    z.object({ kind: z.literal('picture'), asset: z.string().max(40) }),
    /** A table that the things stand on, seen as they are, before a wall. */
    z.object({ kind: z.literal('table'), material: z.enum(TABLES), colour: HexColour, wall: HexColour }),
  ]),
  /** How far what is nearer or farther than the focus is blurred, and where the focus is: 0 at the nearest point, 1 at the farthest. */
  focus: z.object({ blur: share, at: share }).default({ blur: 0, at: 0.25 }),
  /** Pixels of the finished picture. */
  frame: z.object({ widthPx: z.number().int().min(64).max(MOST_PX), heightPx: z.number().int().min(64).max(MOST_PX) }),
  /** Where in the picture the things are fitted, fractions of it; null is the middle, within the margin. */
  place: Area.nullable().default(null),
  /** A moment of a motion: how far the things have turned about the upright since the picture was framed and exposed, and a light that passes. */
  moved: z.object({ turnRad: angle, light: Light.nullable() }).default({ turnRad: 0, light: null }),
  /** Mirror of the things in what they stand on. */
  reflection: share,
  look: z.object({
    /** In photographic stops. */
    exposure: z.number().min(-2).max(2),
    contrast: z.number().min(-1).max(1),
  }),
});
export type Scene = z.infer<typeof Scene>;

export const plainThing = (object: Kind, art: ThingArt = { kind: 'this' }): Thing => ({
  object,
  art,
  fit: 'whole',
  surface: 'satin',
  spine: null,
  back: null,
  turnRad: 0,
  rightMm: 0,
  nearerMm: 0,
});

/** A standing paperback seen three-quarter from the left, light from the upper left, on nothing. */
export const defaultScene: Scene = {
  schema: 3,
  arrangement: 'standing',
  things: [plainThing({ kind: 'paperback', thicknessMm: null })],
  pose: { turnRad: 0.51, tiltRad: 0.2, rollRad: 0, lensMm: 85, margin: 0.06 },
  light: {
    azimuthRad: -0.42,
    heightRad: 0.86,
    softness: 0.55,
    strength: 1,
    shadow: 0.75,
    contact: 0.75,
    warmth: 0,
    fill: 1,
  },
  second: null,
  ground: { kind: 'clear' },
  focus: { blur: 0, at: 0.25 },
  frame: { widthPx: 2000, heightPx: 2000 },
  place: null,
  moved: { turnRad: 0, light: null },
  reflection: 0,
  look: { exposure: 0, contrast: 0 },
};

type Loose = Record<string, unknown>;

const isLoose = (v: unknown): v is Loose => typeof v === 'object' && v !== null && !Array.isArray(v);

/** A scene of the first schema, which held one paperback. What was wrong in it stays wrong. */
export function sceneTo2(old: Loose): Loose {
  const light: Loose = isLoose(old.light) ? old.light : {};
  const { gloss, ...rest } = light;
  const shine = typeof gloss === 'number' ? gloss : 0.25;
  const surface = shine < 0.12 ? 'matte' : shine < 0.5 ? 'satin' : 'gloss';
  return {
    ...defaultScene,
    schema: 2,
    things: [{ ...defaultScene.things[0], object: old.object, surface }],
    pose: isLoose(old.pose) ? { ...defaultScene.pose, ...old.pose } : null,
    light: isLoose(old.light) ? { ...defaultScene.light, ...rest, contact: light.shadow } : null,
    ground: old.ground,
  };
}

/** Since then a thing can show pages of the booklet; nothing that was there changes. */
export const sceneTo3 = (old: Loose): Loose => ({ ...old, schema: 3 });

/** A scene, from a file or a stored document. Faults: `scene-newer`, `scene-wrong` with the place. */
export const Scenes = versioned('scene', Scene, [sceneTo2, sceneTo3], { newer: 'scene-newer', wrong: 'scene-wrong' });
export const readScene = Scenes.read;

/** Ids of the title's pictures that a scene shows. */
export const assetsOf = (scene: Scene): string[] =>
  [
    ...scene.things.flatMap(({ art, spine, back }) => [art.kind === 'picture' ? art.asset : null, spine, back]),
    scene.ground.kind === 'picture' ? scene.ground.asset : null,
  ].filter((id) => id !== null);

/** A scene as another title can use it: its own cover where that of the first title was, and no pictures or pages that it lacks. */
export function adopted(
  scene: Scene,
  by: { readonly id: string; readonly pages: boolean; readonly has: (asset: string) => boolean },
): Scene {
  const kept = (asset: string | null): string | null => (asset && by.has(asset) ? asset : null);
  return {
    ...scene,
    things: scene.things.map((thing): Thing => {
      const { art } = thing;
      const own =
        (art.kind === 'picture' && !by.has(art.asset)) ||
        (art.kind === 'title' && art.id === by.id) ||
        (art.kind === 'page' && !by.pages);
      return { ...thing, art: own ? { kind: 'this' } : art, spine: kept(thing.spine), back: kept(thing.back) };
    }),
    ground: scene.ground.kind === 'picture' && !by.has(scene.ground.asset) ? { kind: 'clear' } : scene.ground,
  };
}
