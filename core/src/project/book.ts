import { z } from 'zod';
import { Brief, emptyBrief } from '../book';
import { Doc } from '../cover';
import { Scene, defaultScene } from '../mockup';

/** A picture a title uses, stored upright; its bytes are kept beside the document under the same id (their hash). */
export const Asset = z.object({
  id: z.string().regex(/^[a-z0-9]{6,40}$/),
  format: z.enum(['jpeg', 'png', 'webp']),
  widthPx: z.number().int().min(1).max(30_000),
  heightPx: z.number().int().min(1).max(30_000),
  name: z.string().max(200),
});
export type Asset = z.infer<typeof Asset>;

export const BOOK_SCHEMA = 1;

/** Everything known of one title. The flat cover is the source; mockup, promo and files hold only how they are made from it. */
export const Book = z.object({
  schema: z.literal(BOOK_SCHEMA),
  id: z.string().regex(/^[a-z0-9-]{6,40}$/),
  brief: Brief,
  cover: Doc,
  scene: Scene,
  promo: Doc,
  /** True while the promo's colours are taken from the cover and turn with it. */
  promoFollows: z.boolean(),
  assets: z.record(z.string(), Asset),
  /** Stable identifier for ebook files, a urn. */
  identifier: z.string().regex(/^urn:[\w:.-]{4,80}$/),
  createdAt: z.iso.datetime(),
  updatedAt: z.iso.datetime(),
});
export type Book = z.infer<typeof Book>;

export function newBook(id: string, identifier: string, now: string, cover: Doc, promo: Doc): Book {
  return {
    schema: BOOK_SCHEMA,
    id,
    brief: emptyBrief,
    cover,
    scene: defaultScene,
    promo,
    promoFollows: true,
    assets: {},
    identifier,
    createdAt: now,
    updatedAt: now,
  };
}

/** Ids of the pictures that the cover and the promo draw. */
export function assetsInUse(book: Book): string[] {
  const parts = [...Object.values(book.cover.parts), ...Object.values(book.promo.parts)];
  return [
    ...new Set(parts.flatMap((p) => (p.kind === 'picture' && p.source.kind === 'asset' ? [p.source.asset] : []))),
  ];
}
