import type { Fault } from '@yosomi/core/base';
import { type BookKind, type Mood, ownPainting } from '@yosomi/core/book';
import { neighbours } from '@yosomi/core/demo';
import type { Raster } from '@yosomi/core/pixels';
import { type Asset, Book } from '@yosomi/core/project';
import { type SceneryKind, scenery } from '@yosomi/core/scenery';
import {
  type Sketched,
  composeSheet,
  fillSlot,
  noHouse,
  sheetAsk,
  sheetPictures,
  sheetSymbols,
  trySketch,
} from '@yosomi/core/recipe';
import {
  ALL_CUTS,
  type Kept,
  type PictureFacts,
  type SheetAsk,
  type Sketch,
  type Slot,
  oneWithoutOf,
  planSheet,
  sceneryColours,
  seriesSketch,
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

  /**
   * One sketch for each of some titles, in their own words and pictures, the palette turned from one to the next;
   * that of the title at `own` stays as it is.
   */
  async volumes(sketch: Sketch, inputs: readonly Book[], own: number): Promise<Volume[]> {
    const made: Volume[] = [];
    for (const [i, input] of inputs.entries()) {
      const book = Book.parse(input);
      const pictures = await sheetPictures(book.sheet.pictures, studio);
      const ids = pictures.map((p) => p.asset);
      // The title that the sketch was made in keeps its choice of pictures.
      const used =
        i === own && sketch.pictures.every((id) => ids.includes(id))
          ? sketch.pictures
          : ids.slice(0, sketch.pictures.length);
      const turned = seriesSketch(sketch, i - own, inputs.length, used);
      const { symbols } = await sheetSymbols(book.brief, turned.symbols, studio);
      const on = sheetAsk(book, noHouse, pictures, symbols);
      const tried = await trySketch(turned, on, studio, LOOK_PX);
      made.push(tried.ok ? await volumeOf(book.id, tried.value) : { id: book.id, cover: null, fault: tried.fault });
    }
    return transfer(
      made,
      made.flatMap((one) => (one.cover ? [one.cover.bitmap] : [])),
    );
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
  | { readonly id: string; readonly cover: SketchView; readonly fault: null }
  | { readonly id: string; readonly cover: null; readonly fault: Fault };

async function volumeOf(id: string, { pixels, ...sketched }: Sketched & { pixels: Raster }): Promise<Volume> {
  return { id, cover: { ...sketched, bitmap: await bitmapOf(pixels) }, fault: null };
}

export type SketchApi = typeof api;
expose(api);
