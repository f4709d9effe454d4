import { z } from 'zod';
import { type Fault, fault, versioned } from '../base';
import { HexColour } from '../cover';

const px = z.number().min(-60_000).max(60_000);
const share = z.number().min(0).max(1);
const strength = z.number().min(0).max(1.5);
const point = z.tuple([px, px]);
const assetId = z.string().max(40);

/** What lies on a face: a side of this title, or a picture. */
export const FaceArt = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('side'), side: z.enum(['front', 'spine', 'back']) }),
  z.object({ kind: z.literal('picture'), asset: assetId }),
  /** One colour, such as that of a page block's edge. */
  z.object({ kind: z.literal('colour'), colour: HexColour }),
]);
export type FaceArt = z.infer<typeof FaceArt>;

/** Where the face has another ratio than the art: drawn out to the corners, cut to fill it, or whole on its edge colour. */
export const FACE_FITS = ['corners', 'fill', 'whole'] as const;
export type FaceFit = (typeof FACE_FITS)[number];

export const BENDS = [3, 4, 5] as const;
export const MOST_FACES = 6;
export const MOST_MARKS = 300;
const MOST_POINTS = 1500;
/** Largest radius of a brush, px. */
export const MOST_RADIUS = 4000;

/** A blank face in the photograph and what is put on it; lengths in px of the photograph. */
export const PinFace = z.object({
  id: z.string().min(1).max(40),
  name: z.string().max(60),
  /** Top left, top right, foot right, foot left of the art. */
  corners: z.array(point).length(4),
  bend: z
    .object({ size: z.union([z.literal(3), z.literal(4), z.literal(5)]), offsets: z.array(point).min(9).max(25) })
    .refine(({ size, offsets }) => offsets.length === size * size)
    .nullable(),
  art: FaceArt,
  fit: z.enum(FACE_FITS),
  /** How much of the blank's light lies over the art. */
  light: z.object({ smooth: strength, creases: strength, gleam: strength, tone: strength }),
  /** How much of the photograph's noise and softness the art takes. */
  grain: share,
});
export type PinFace = z.infer<typeof PinFace>;

/** What marks are for: what stands before the art, what is behind it all, and light painted on the art. */
export const MARKED = ['front', 'away', 'shade', 'light'] as const;
export type Marked = (typeof MARKED)[number];

/** A mark of a mask: a stroke of a soft brush, all that has the colour of a place, or all that is no face. */
export const Mark = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('brush'),
    on: z.enum(MARKED),
    /** False takes away. */
    add: z.boolean(),
    radius: z.number().min(0.5).max(MOST_RADIUS),
    /** Share of the radius over which the stroke fades. */
    soft: share,
    points: z.array(point).min(1).max(MOST_POINTS),
  }),
  z.object({
    kind: z.literal('range'),
    on: z.enum(MARKED),
    add: z.boolean(),
    at: point,
    /** Largest distance in OKLab to the colour at the place. */
    tolerance: z.number().min(0.005).max(0.5),
    /** Only what is joined to the place. */
    joined: z.boolean(),
  }),
  z.object({ kind: z.literal('outside'), on: z.literal('away'), add: z.boolean() }),
]);
export type Mark = z.infer<typeof Mark>;

/** Layers of a pinned photograph that can be hidden. */
export const PIN_LAYERS = ['smooth', 'creases', 'gleam', 'painted', 'front'] as const;
export type PinLayer = (typeof PIN_LAYERS)[number];

export const PIN_SCHEMA = 1;

/** A photograph with art pinned to its faces, as plain data. */
export const PinScene = z.object({
  schema: z.literal(PIN_SCHEMA),
  photo: z.object({
    asset: assetId,
    widthPx: z.number().int().min(1).max(30_000),
    heightPx: z.number().int().min(1).max(30_000),
  }),
  faces: z.array(PinFace).max(MOST_FACES),
  marks: z.array(Mark).max(MOST_MARKS),
  hidden: z.array(z.enum(PIN_LAYERS)).max(PIN_LAYERS.length),
  /** What stands where the background was marked away. */
  ground: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('photo') }),
    z.object({ kind: z.literal('clear') }),
    z.object({ kind: z.literal('colour'), colour: HexColour }),
  ]),
});
export type PinScene = z.infer<typeof PinScene>;

export const newPinScene = (photo: PinScene['photo']): PinScene => ({
  schema: PIN_SCHEMA,
  photo,
  faces: [],
  marks: [],
  hidden: [],
  ground: { kind: 'photo' },
});

export const newFace = (id: string, name: string, corners: PinFace['corners'], art: FaceArt): PinFace => ({
  id,
  name,
  corners,
  bend: null,
  art,
  fit: 'corners',
  light: { smooth: 1, creases: 1, gleam: 1, tone: 1 },
  grain: 1,
});

/** Adds a mark. Faults: `pin-marks` where there are as many as there may be. */
export function addMark(pin: PinScene, mark: Mark): Fault | undefined {
  if (pin.marks.length >= MOST_MARKS) return fault('pin-marks', { most: MOST_MARKS });
  pin.marks.push(mark);
  return undefined;
}

/** Goes on with the stroke that was begun last; one that is full is followed by another like it. Faults: those of `addMark`. */
export function goOn(pin: PinScene, to: readonly [number, number]): Fault | undefined {
  const mark = pin.marks.at(-1);
  if (mark?.kind !== 'brush') return undefined;
  if (mark.points.length >= MOST_POINTS)
    return addMark(pin, { ...mark, points: [mark.points[MOST_POINTS - 1], [...to]] });
  mark.points.push([...to]);
  return undefined;
}

/** Corners as points. */
export const pointsOf = (corners: readonly (readonly [number, number])[]): { x: number; y: number }[] =>
  corners.map(([x, y]) => ({ x, y }));

/** A pinned photograph, from a file or a stored row. Faults: `pin-newer`, `pin-wrong` with the place. */
export const PinScenes = versioned('pin', PinScene, [], { newer: 'pin-newer', wrong: 'pin-wrong' });
export const readPinScene = PinScenes.read;

/** Ids of the pictures that a pinned photograph needs. */
export const pinAssetsOf = (scene: PinScene): string[] => [
  ...new Set([scene.photo.asset, ...scene.faces.flatMap(({ art }) => (art.kind === 'picture' ? [art.asset] : []))]),
];

/** The scene as another title can use it: its own front where a picture was that it lacks. */
export const adoptedPin = (scene: PinScene, has: (asset: string) => boolean): PinScene => ({
  ...scene,
  faces: scene.faces.map((face) =>
    face.art.kind === 'picture' && !has(face.art.asset) ? { ...face, art: { kind: 'side', side: 'front' } } : face,
  ),
});
