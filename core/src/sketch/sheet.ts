import { z } from 'zod';
import { AssetId, CutName, Doc, DrawnForm, HexColour } from '../cover';
import { Sketch } from './sketch';

export const MOST_PICTURES = 5;
export const MOST_FAVOURITES = 24;

/** A cover of the sheet that a person keeps: how it is made, and as it was. */
export const Favourite = z.object({ id: z.string().min(1).max(40), sketch: Sketch, cover: Doc });
export type Favourite = z.infer<typeof Favourite>;

/** How many of a sheet's covers show a picture, where there is one: five of six, half, or as it comes. */
export const PICTURED = ['most', 'half', 'any'] as const;
export type Pictured = (typeof PICTURED)[number];

/** What a person asks of the sketch sheet, and what they keep of it. The same sheet comes again from the same seed. */
export const Sheet = z.object({
  seed: z.number().int().min(0).max(999_999),
  pictures: z.array(AssetId).max(MOST_PICTURES),
  pictured: z.enum(PICTURED),
  /** The author's name larger than is usual: it sells the book. */
  authorLarge: z.boolean(),
  /** Whether colours and faces of the house style take part. */
  house: z.boolean(),
  /** What every cover of the sheet must have. */
  must: z.object({ colour: HexColour.nullable(), cut: CutName.nullable(), mark: DrawnForm.nullable() }),
  favourites: z.array(Favourite).max(MOST_FAVOURITES),
  /** The sketch that the front was taken from last. */
  taken: Sketch.nullable(),
});
export type Sheet = z.infer<typeof Sheet>;

export const emptySheet: Sheet = {
  seed: 1,
  pictures: [],
  pictured: 'most',
  authorLarge: false,
  house: false,
  must: { colour: null, cut: null, mark: null },
  favourites: [],
  taken: null,
};
