import { z } from 'zod';
import { Booklet, picturesIn } from '../booklet';
import { Brief, MOST_ORIGINS, Origin, Rights, emptyBrief } from '../book';
import { Area, CurveNode, Room, WordsPart, Doc, type Fill, type Part } from '../cover';
import { Scene, assetsOf, defaultScene } from '../mockup';
import { PinScene, pinAssetsOf } from '../pin';
import { Campaign, MOST_CAMPAIGNS } from '../promo';
import { MOST_PICTURES, Sheet, emptySheet } from '../sketch';

/** A picture a title uses, stored upright; its bytes are kept beside the document under the same id (their hash). */
export const Asset = z.object({
  id: z.string().regex(/^[a-z0-9]{6,40}$/),
  format: z.enum(['jpeg', 'png', 'webp']),
  widthPx: z.number().int().min(1).max(30_000),
  heightPx: z.number().int().min(1).max(30_000),
  name: z.string().max(200),
  rights: Rights,
});
export type Asset = z.infer<typeof Asset>;

/** A person's own font: its bytes are kept beside the document under its id. Cuts name it "own/<id>". */
export const OwnFace = z.object({
  id: z.string().regex(/^[a-z0-9]{6,40}$/),
  name: z.string().max(120),
  format: z.enum(['ttf', 'otf']),
});
export type OwnFace = z.infer<typeof OwnFace>;

/** A cover as it was when a person named it. */
export const Version = z.object({
  id: z.string().min(1).max(40),
  name: z.string().max(120),
  madeAt: z.iso.datetime(),
  cover: Doc,
});
export type Version = z.infer<typeof Version>;

/** Where a part sits in a sibling, as far as a person has placed it there by hand. */
export const Place = z.object({
  area: Area.optional(),
  hidden: z.boolean().optional(),
  align: z.enum(['left', 'centre', 'right']).optional(),
  alignY: z.enum(['top', 'middle', 'bottom']).optional(),
  /** Hung there at another gap, or set free. */
  follows: WordsPart.shape.follows.optional(),
  turnRad: z.number().min(-6.3).max(6.3).optional(),
  baseline: WordsPart.shape.baseline.optional(),
  /** Set free from what they stand in elsewhere. */
  room: Room.nullable().optional(),
  size: z.number().min(0.004).max(2).nullable().optional(),
  maxSize: z.number().min(0.004).max(2).optional(),
  focus: z.object({ x: z.number().min(0).max(1), y: z.number().min(0).max(1) }).optional(),
  zoom: z.number().min(1).max(8).optional(),
  nodes: z.array(CurveNode).min(2).max(200).optional(),
});
export type Place = z.infer<typeof Place>;

/** The same cover at another ratio, such as a square for an audiobook: words, pictures and colours follow the cover. */
export const Sibling = z.object({
  name: z.string().max(60),
  widthPx: z.number().int().min(16).max(10_000),
  heightPx: z.number().int().min(16).max(10_000),
  places: z.record(z.string(), Place),
});
export type Sibling = z.infer<typeof Sibling>;

/** Spine or back as a composition of its own, at the front's height. */
export const Side = z.object({
  doc: Doc,
  /** True while its ground is the colours of the front's edge and turns with them. */
  follows: z.boolean(),
});
export type Side = z.infer<typeof Side>;
export const SIDES = ['spine', 'back'] as const;
export type SideName = (typeof SIDES)[number];

/** A scene with its name, that campaigns show their books in. */
export const NamedScene = z.object({ name: z.string().max(80), scene: Scene });
export type NamedScene = z.infer<typeof NamedScene>;

export const MOST_VERSIONS = 60;
export const BOOK_SCHEMA = 18;

/** Everything known of one title. The flat cover is the source; mockup, promos and files hold only how they are made from it. */
export const Book = z.object({
  schema: z.literal(BOOK_SCHEMA),
  id: z.string().regex(/^[a-z0-9-]{6,40}$/),
  brief: Brief,
  cover: Doc,
  scene: Scene,
  /** Other scenes that campaigns show their books in, by their ids. */
  scenes: z.record(z.string().max(40), NamedScene).refine((scenes) => Object.keys(scenes).length <= MOST_CAMPAIGNS),
  /** A photograph with the cover pinned on it; null where none was opened. */
  pin: PinScene.nullable(),
  /** Campaigns by their ids: each one message in all its formats. */
  promos: z.record(z.string(), Campaign).refine((promos) => Object.keys(promos).length <= MOST_CAMPAIGNS),
  /** The pages that go with it; null where it has none. */
  booklet: Booklet.nullable(),
  /** Works of others that its text, or that of its booklet, is made from. */
  origins: z.array(Origin).max(MOST_ORIGINS),
  assets: z.record(z.string(), Asset),
  faces: z.record(z.string(), OwnFace),
  versions: z.array(Version).max(MOST_VERSIONS),
  siblings: z.record(z.string(), Sibling),
  /** What is asked of the sketch sheet and kept of it. */
  sheet: Sheet,
  /** Sides that a person has edited; null is made from the front. */
  sides: z.object({ spine: Side.nullable(), back: Side.nullable() }),
  /** Stable identifier for ebook files, a urn. */
  identifier: z.string().regex(/^urn:[\w:.-]{4,80}$/),
  createdAt: z.iso.datetime(),
  updatedAt: z.iso.datetime(),
});
export type Book = z.infer<typeof Book>;

/** A title whose booklet has a text. */
export type Paged = Book & { readonly booklet: Booklet };
export const hasPages = (book: Book): book is Paged => (book.booklet?.manuscript.blocks.length ?? 0) > 0;

export function newBook(id: string, identifier: string, now: string, cover: Doc): Book {
  return {
    schema: BOOK_SCHEMA,
    id,
    brief: emptyBrief,
    cover,
    scene: defaultScene,
    scenes: {},
    pin: null,
    promos: {},
    booklet: null,
    origins: [],
    assets: {},
    faces: {},
    versions: [],
    siblings: {},
    sheet: { ...emptySheet, pictures: shownBy(cover).slice(0, MOST_PICTURES) },
    sides: { spine: null, back: null },
    identifier,
    createdAt: now,
    updatedAt: now,
  };
}

/** Ids of the pictures that parts draw and are cut out by, each once. */
export function picturesOf(parts: readonly Part[]): string[] {
  const ofFill = (fill: Fill | null): string[] => (fill?.kind === 'picture' ? [fill.asset] : []);
  const ids = parts.flatMap((part) => {
    if (part.kind === 'picture')
      return [
        ...(part.source.kind === 'asset' ? [part.source.asset] : []),
        ...(part.cutOut ? [part.cutOut.matte] : []),
      ];
    if (part.kind === 'words' || part.kind === 'shape') return ofFill(part.fill);
    return part.kind === 'ground' ? ofFill(part.paint) : [];
  });
  return [...new Set(ids)];
}

/** Ids of the pictures that a cover shows, without what they are cut out by. */
export const shownBy = ({ parts }: Doc): string[] =>
  picturesOf(Object.values(parts).map((part) => (part.kind === 'picture' ? { ...part, cutOut: null } : part)));

/** Whether a picture only says what of another one is kept. */
export const isMatte = ({ cover, sides, versions }: Book, id: string): boolean =>
  [cover, ...SIDES.flatMap((side) => sides[side]?.doc ?? []), ...versions.map((one) => one.cover)].some((doc) =>
    Object.values(doc.parts).some((part) => part.kind === 'picture' && part.cutOut?.matte === id),
  );

/** Ids of a title's pictures that stand anywhere in something plain: what names one needs it. */
function named(value: unknown, known: Book['assets'], found = new Set<string>()): Set<string> {
  if (typeof value === 'string') {
    if (Object.hasOwn(known, value)) found.add(value);
  } else if (typeof value === 'object' && value !== null)
    for (const inner of Object.values(value)) named(inner, known, found);
  return found;
}

/** Ids of the pictures that a campaign shows, in any format and behind any look. */
export const campaignAssets = (book: Book, campaign: Campaign): string[] => [
  ...named([campaign.style, campaign.made], book.assets),
];

/** Ids of the pictures that the cover, its sides and kept versions, the sketch sheet, the scene, the pinned photograph, the booklet and the campaigns show. */
export function assetsInUse(book: Book): string[] {
  const sides = SIDES.flatMap((side) => book.sides[side]?.doc ?? []);
  const docs = [
    book.cover,
    ...sides,
    ...book.versions.map((v) => v.cover),
    ...book.sheet.favourites.map((f) => f.cover),
  ];
  const pinned = book.pin ? pinAssetsOf(book.pin) : [];
  return [
    ...new Set([
      ...picturesOf(docs.flatMap((doc) => Object.values(doc.parts))),
      ...book.sheet.pictures,
      ...assetsOf(book.scene),
      ...Object.values(book.scenes).flatMap(({ scene }) => assetsOf(scene)),
      ...pinned,
      ...(book.booklet ? picturesIn(book.booklet.manuscript) : []),
      ...Object.values(book.promos).flatMap((campaign) => campaignAssets(book, campaign)),
    ]),
  ];
}

/** Ids of all files that belong to a title: pictures in use and its own faces. */
export const filesInUse = (book: Book): string[] => [...assetsInUse(book), ...Object.keys(book.faces)];
