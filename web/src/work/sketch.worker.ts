import type { Fault, Result } from '@yosomi/core/base';
import { type BookKind, type Mood, ownPainting } from '@yosomi/core/book';
import { neighbours } from '@yosomi/core/demo';
import { type Asset, Book } from '@yosomi/core/project';
import { type SceneryKind, scenery } from '@yosomi/core/scenery';
import {
  type ComposedTitle,
  type CoverManner,
  type Reading,
  type SeriesCover,
  type SeriesDesign,
  type Sketched,
  type TitleAsk,
  type VolumeAsk,
  composeSheet,
  composedTitle,
  fillSlot,
  noHouse,
  readingOf,
  seriesCover,
  sheetPictures,
  sheetSymbols,
} from '@yosomi/core/recipe';
import {
  ALL_CUTS,
  type Kept,
  type PictureFacts,
  type SheetAsk,
  type Slot,
  oneWithoutOf,
  planSheet,
  sceneryColours,
  structuresIn,
} from '@yosomi/core/sketch';
import { expose, transfer } from 'comlink';
import { bitmapOf } from './bitmaps';
import { BrowserStudio } from './browser-studio';
import { paintedPicture } from './painted-picture';

/** What a sheet asks, with its pictures by id: each worker reads them itself. */
export type SheetJob = Omit<SheetAsk, 'pictures' | 'symbols'> & {
  readonly pictures: readonly string[];
  readonly kept: Kept | null;
};

/** What a plan comes to: how many places it has and of how many structures; pictures that were not there; whether the symbols could be read. */
export type Planned =
  | {
      readonly kind: 'plan';
      readonly slots: number;
      readonly structures: number;
      readonly oneWithoutOf: number | null;
      readonly lost: number;
      readonly symbols: boolean;
    }
  | { readonly kind: 'none'; readonly fault: Fault };

/** A cover for the sheet, with its picture. */
export type SketchView = Sketched & { readonly bitmap: ImageBitmap };

/** Width of the pictures on the sheet. */
const LOOK_PX = 320;

const studio = new BrowserStudio();
const read = new Map<string, PictureFacts>();
let ask: SheetAsk | null = null;
let plan: readonly Slot[] = [];
/** The last sheet that was asked for: reading the pictures of one before it must not bring its plan back. */
let asked = 0;

const api = {
  /** Loads what most sheets need, and these pictures, before one is asked for. */
  async warm(pictures: readonly string[]): Promise<void> {
    // One that does not load now is asked for again, and missed aloud, when it is set.
    for (const cut of ALL_CUTS) await studio.loadFonts([cut]).catch(() => {});
    await studio.symbols();
    await studio.silhouettes();
    for (const facts of await sheetPictures(pictures, studio)) read.set(facts.asset, facts);
  },

  async prepare({ pictures: ids, kept, ...rest }: SheetJob): Promise<Planned> {
    const mine = ++asked;
    const wanted = ids.filter((id) => !read.has(id));
    for (const facts of await sheetPictures(wanted, studio)) read.set(facts.asset, facts);
    const pictures = ids.flatMap((id) => read.get(id) ?? []);
    const { symbols, whole } = await sheetSymbols(rest.brief, kept?.of.symbols ?? [], studio);
    const own = { ...rest, pictures, symbols };
    const planned = planSheet(own, kept);
    if (!planned.ok) return { kind: 'none', fault: planned.fault };
    if (mine === asked) [ask, plan] = [own, planned.value];
    return {
      kind: 'plan',
      slots: planned.value.length,
      structures: structuresIn(planned.value, own),
      // More like one that shows no picture shows none either.
      oneWithoutOf: kept ? null : oneWithoutOf(own),
      lost: ids.length - pictures.length,
      symbols: whole,
    };
  },

  /** The cover for one place of the plan; null where nothing that reads comes of it. */
  async fill(place: number): Promise<SketchView | null> {
    const slot = plan[place];
    if (!ask || !slot) return null;
    const made = await fillSlot(slot, ask, studio, LOOK_PX);
    if (!made) return null;
    const { pixels, ...sketched } = made;
    const bitmap = await bitmapOf(pixels);
    return transfer({ ...sketched, bitmap }, [bitmap]);
  },

  /** A stored picture, small; null where its file is missing. */
  async thumb(asset: string, widthPx: number): Promise<ImageBitmap | null> {
    const image = await studio.picture(asset);
    if (!image) return null;
    const small = studio.pixelsOf(studio.resized(image, Math.min(widthPx, image.widthPx)));
    const bitmap = await bitmapOf(small);
    return transfer(bitmap, [bitmap]);
  },

  /** A picture drawn by the product itself, as a file for a title. */
  async drawn(kind: SceneryKind, seed: number, mood: Mood): Promise<{ asset: Asset; bytes: Uint8Array<ArrayBuffer> }> {
    const ink = scenery(kind, seed, sceneryColours(mood, seed));
    const pixels = studio.paint(ink, ink.widthPx, new Map());
    return paintedPicture(studio, pixels, `${kind}-${seed}`, ownPainting('Drawn for this title'));
  },

  /** One volume of a series in its design, with its picture, or why it cannot be. */
  async volume({ from, to, ...rest }: VolumeAsk): Promise<Volume> {
    const made = await seriesCover({ ...rest, from: Book.parse(from), to: Book.parse(to) }, studio, LOOK_PX);
    if (!made.ok) return { cover: null, fault: made.fault };
    const { pixels, ...cover } = made.value;
    const bitmap = await bitmapOf(pixels);
    return transfer({ cover: { ...cover, bitmap }, fault: null }, [bitmap]);
  },

  /** A title that makes itself; its pictures are stored already. */
  title({ start, pictures }: TitleAsk, manner: CoverManner): Promise<Result<ComposedTitle>> {
    const from = manner.kind === 'series' ? { ...manner, from: Book.parse(manner.from) } : manner;
    return composedTitle(start, pictures, from, studio, LOOK_PX);
  },

  /** How the words of a design read on the title that it is of; null where it cannot be set. */
  async reading(from: Book, design: SeriesDesign): Promise<Reading | null> {
    const read = await readingOf(Book.parse(from), design, studio, LOOK_PX);
    if (!read.ok) return null;
    const { wordsFromPx, low, mended } = read.value;
    return { wordsFromPx, low, mended };
  },

  /** Covers of made-up books of a kind, for company. */
  async neighbours(kind: BookKind): Promise<ImageBitmap[]> {
    const found: ImageBitmap[] = [];
    for (const [i, brief] of neighbours(kind).entries()) {
      const on: SheetAsk = {
        brief,
        widthPx: 1600,
        heightPx: 2560,
        pictures: [],
        symbols: (await sheetSymbols(brief, [], studio)).symbols,
        authorLarge: false,
        mark: null,
        pictured: 'any',
        seed: 40 + i,
        house: noHouse,
        must: { colour: null, cut: null },
      };
      const planned = planSheet(on);
      if (!planned.ok) continue;
      for await (const made of composeSheet(planned.value, on, 1, studio, LOOK_PX))
        found.push(await bitmapOf(made.pixels));
    }
    return transfer(found, found);
  },
};

/** A volume of a series in the design, or why it cannot be. */
export type Volume =
  | { readonly cover: SeriesCover & { readonly bitmap: ImageBitmap }; readonly fault: null }
  | { readonly cover: null; readonly fault: Fault };

export type SketchApi = typeof api;
expose(api);
