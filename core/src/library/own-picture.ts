import { z } from 'zod';
import { versioned } from '../base';
import { COLOURS, PLACES, readPicture } from '../desk';
import type { Raster } from '../pixels';
import { Asset } from '../project';
import { alikeMark } from './alike';

export const MOST_TAGS = 24;
export const LONGEST_TAG = 40;
export const LONGEST_FOLDER = 60;

const Measured = z.object({
  light: z.number(),
  warmth: z.number(),
  busy: z.number(),
  quiet: z.array(z.enum(PLACES)).max(PLACES.length).readonly(),
  colours: z.array(z.enum(COLOURS)).max(COLOURS.length).readonly(),
});

const Shape = z.object({
  schema: z.literal(1),
  asset: Asset,
  /** Empty where it lies in none. */
  folder: z.string().max(LONGEST_FOLDER),
  tags: z.array(z.string().min(1).max(LONGEST_TAG)).max(MOST_TAGS).readonly(),
  addedAt: z.iso.datetime(),
  /** Mark of what it looks like, for those that are nearly the same. */
  alike: z.string().regex(/^([0-9a-f]{16})?$/),
  reading: Measured,
});

/** A picture of a person's own, kept across titles; its bytes are kept under the asset's id. */
export type OwnPicture = z.infer<typeof Shape>;

export const OwnPictures = versioned('picture', Shape, [], { newer: 'kept-newer', wrong: 'kept-wrong' });

/** A picture as it comes in: `sample` is the picture at any size, what is measured is measured on it. */
export const ownPicture = (asset: Asset, sample: Raster, folder: string, addedAt: string): OwnPicture => ({
  schema: 1,
  asset,
  folder: plainName(folder, LONGEST_FOLDER),
  tags: [],
  addedAt,
  alike: alikeMark(sample),
  reading: readPicture(sample),
});

/** A name as it is kept: one line, without space at its ends. */
export const plainName = (typed: string, most: number): string =>
  typed
    .replace(/[\p{Cc}\s]+/gu, ' ')
    .trim()
    .slice(0, most)
    .trim();

/** Tags as they are typed, apart by commas, beside those that are there; each once, whatever its capitals. */
export function withTags(tags: readonly string[], typed: string): string[] {
  const all = [...tags, ...typed.split(/[,;\n]/).map((tag) => plainName(tag, LONGEST_TAG))].filter((tag) => tag !== '');
  const known = new Set<string>();
  return all
    .filter((tag) => {
      const plain = tag.toLocaleLowerCase();
      return known.has(plain) ? false : known.add(plain);
    })
    .slice(0, MOST_TAGS);
}
