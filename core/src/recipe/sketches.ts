import type { Brief } from '../book';
import { type Result, fail, ok } from '../base';
import { type Lab, contrastOf, labOf, luminance } from '../colour';
import type { Doc } from '../cover';
import { clamp } from '../plane';
import type { Book, House } from '../project';
import { type Raster, shrink } from '../pixels';
import {
  Chooser,
  LOOK,
  type PictureFacts,
  type SheetAsk,
  type Sketch,
  type SketchGround,
  type Slot,
  type Traits,
  drawSketch,
  findStructure,
  mannerOf,
  moodsOf,
  oneWithoutOf,
  pictureFacts,
  structuresIn,
} from '../sketch';
import { MOST_OUTLINE, type Symbols, packetOf, silhouetteIdeas } from '../symbols';
import { OWN_FACE, italicOf } from '../text';
import { gather } from './gather';
import { type Settled, settle } from './settle';
import type { Studio } from './studio';
import { pictureShows, subjectSeen } from './subject-seen';

/** What a cover of the sheet is good at, each 0..1. */
export type SketchMarks = {
  /** At what width the title reads. */
  readonly legibility: number;
  readonly contrast: number;
  /** How even it is behind the words, and how little help they need. */
  readonly quiet: number;
  readonly balance: number;
  /** How well structure and faces go with kind and mood. */
  readonly suits: number;
};

/** A cover that may come onto the sheet: a full document, measured and found to read. */
export type Sketched = Traits & {
  readonly doc: Doc;
  readonly marks: SketchMarks;
  /** Weighted mean of the marks. */
  readonly score: number;
  readonly titleFromPx: number | null;
  /** Least width at which all its words read, px; null where some never do. */
  readonly wordsFromPx: number | null;
};

const WEIGHTS: Readonly<Record<keyof SketchMarks, number>> = {
  legibility: 0.32,
  contrast: 0.16,
  quiet: 0.2,
  balance: 0.12,
  suits: 0.2,
};

/** A cover that is this good ends the search at its place of the sheet; one under `POOR` never comes onto it. */
const GOOD = 0.66;
const POOR = 0.42;
/** Strongest scrim that may be added behind words: more of it hides the picture. */
const MOST_SCRIM = 0.6;
/** As much of a picture's subject is seen on every cover. */
const LEAST_SEEN = 0.8;
/** A picture that changes the cover by less than this is not shown: it would be counted and not seen. */
const LEAST_SHOWN = 0.06;

/** Symbols for a sheet, and whether all that it asked for could be read. */
export type SheetSymbols = { readonly symbols: Symbols; readonly whole: boolean };

/**
 * The symbols of a title's sheet: the plain ones, with detailed silhouettes for words of which those show nothing, and those that sketches
 * name (`named`).
 */
export async function sheetSymbols(brief: Brief, named: readonly string[], studio: Studio): Promise<SheetSymbols> {
  const plain = await studio.symbols();
  const all = await studio.silhouettes();
  if (plain.size === 0 || !all) return { symbols: plain, whole: false };
  const ideas = silhouetteIdeas(plain, all, [brief.title, brief.subtitle], brief.language);
  const found = new Map(plain);
  let whole = true;
  for (const id of [...ideas, ...named]) {
    const number = found.has(id) ? null : packetOf(all, id);
    if (number === null) continue;
    const packet = await studio.packet(number);
    const drawn = packet?.find((one) => one.id === id);
    if (!packet) whole = false;
    if (drawn && drawn.d.length <= MOST_OUTLINE) found.set(id, drawn);
  }
  return { symbols: found, whole };
}

/** What the sketch sheet of a title asks; `pictures` are those of its sheet, read. */
export function sheetAsk(book: Book, house: HouseAsk, pictures: readonly PictureFacts[], symbols: Symbols): SheetAsk {
  const { sheet, brief, cover } = book;
  return {
    brief,
    widthPx: cover.widthPx,
    heightPx: cover.heightPx,
    pictures,
    symbols,
    authorLarge: sheet.authorLarge,
    mark: sheet.must.mark,
    seed: sheet.seed,
    house: sheet.house ? house : noHouse,
    must: { colour: sheet.must.colour, cut: sheet.must.cut },
    pictured: sheet.pictured,
  };
}

export type HouseAsk = SheetAsk['house'];
export const noHouse: HouseAsk = { colours: [], cuts: [] };

/** What a house style lends a sheet. */
export const houseAsk = (house: House): HouseAsk => ({
  colours: house.colours,
  cuts: house.faces.map((face) => `${OWN_FACE}${face.id}`),
});

/** The title with this cover of its sheet as its front. */
export const withSketch = (book: Book, sketch: Sketch, cover: Doc): Book => ({
  ...book,
  cover,
  sheet: { ...book.sheet, taken: sketch },
});

/** Reads the pictures of a sheet; those whose bytes are missing are left out. */
export async function sheetPictures(ids: readonly string[], studio: Studio): Promise<PictureFacts[]> {
  const found: PictureFacts[] = [];
  for (const id of ids) {
    const image = await studio.picture(id);
    if (!image) continue;
    const k = Math.min(1, 480 / Math.max(image.widthPx, image.heightPx));
    const small = studio.pixelsOf(k < 1 ? studio.resized(image, Math.max(1, Math.round(image.widthPx * k))) : image);
    found.push(pictureFacts(id, small, image));
  }
  return found;
}

/**
 * Draws one sketch, sets and measures it. Faults: those of `drawSketch`, `sketch-contrast` (some word does not read, or
 * only behind a heavy scrim), `sketch-covers` (too little is seen of what a picture is about), `sketch-faint` (a picture is there and cannot be told from its mean colour).
 */
export async function trySketch(
  sketch: Sketch,
  on: SketchGround,
  studio: Studio,
  lookPx: number,
): Promise<Result<Sketched & { pixels: Raster }>> {
  await studio.loadFonts(cutsOf(sketch));
  const drawn = drawSketch(sketch, on, studio.shaper);
  if (!drawn.ok) return drawn;
  const doc = drawn.value;
  const { resources, images } = await gather(doc, on.brief, studio, Math.max(400, lookPx));
  const settled = settle(doc, on.brief, resources, images, studio.paint.bind(studio));
  const reports = [...settled.reports.values()];
  const scrim = Math.max(0, ...settled.added.map((a) => a.opacity));
  if (reports.some((r) => r.worstTenth < 4.5) || scrim > MOST_SCRIM)
    return fail('sketch-contrast', { structure: sketch.structure });
  if (subjectSeen(doc, settled.composition, images, on.pictures, studio) < LEAST_SEEN)
    return fail('sketch-covers', { structure: sketch.structure });
  if (pictureShows(doc, settled.composition, images, on.pictures, studio) < LEAST_SHOWN)
    return fail('sketch-faint', { structure: sketch.structure });
  const pixels = studio.paint(settled.composition.ink, lookPx, images);
  const title = titleReads(doc, settled);
  const marks: SketchMarks = {
    legibility: legibilityOf(title),
    contrast: clamp((Math.min(...reports.map((r) => r.typical)) - 4.5) / 6, 0, 1),
    quiet: clamp(Math.min(...reports.map((r) => r.worstTenth / r.typical)), 0, 1) * (1 - scrim),
    balance: balanceOf(pixels),
    suits: suitOf(sketch, on),
  };
  const score = (Object.keys(WEIGHTS) as (keyof SketchMarks)[]).reduce(
    (sum, key) => sum + WEIGHTS[key] * marks[key],
    0,
  );
  return ok({
    sketch,
    doc,
    marks,
    score,
    titleFromPx: title,
    wordsFromPx: wordsRead(settled),
    look: lookOf(pixels),
    pixels,
  });
}

/** The best of a place's attempts: the first good one, or the best that is not poor; null where none fits. */
export async function fillSlot(
  slot: Slot,
  on: SketchGround,
  studio: Studio,
  lookPx: number,
): Promise<(Sketched & { pixels: Raster }) | null> {
  let best: (Sketched & { pixels: Raster }) | null = null;
  for (const attempt of slot.attempts) {
    const tried = await trySketch(attempt, on, studio, lookPx);
    if (!tried.ok || tried.value.score < POOR) continue;
    if (!best || tried.value.score > best.score) best = tried.value;
    if (best.score >= GOOD) break;
  }
  return best;
}

export const cutsOf = ({ faces }: Sketch): string[] => [faces.title, faces.other, italicOf(faces.title)];

/** Least cover width at which the title reads, px; null where it reads at none. */
export const titleReads = (doc: Doc, { reports }: Settled): number | null =>
  widest(
    [...reports].flatMap(([id, report]) => {
      const part = doc.parts[id];
      return part.kind === 'words' && part.role === 'title' ? [report.readsFromPx] : [];
    }),
  );

/** Least cover width at which all words read, px; null where some read at none. */
export const wordsRead = ({ reports }: Settled): number | null =>
  widest([...reports.values()].map(({ readsFromPx }) => readsFromPx));

const widest = (froms: readonly (number | null)[]): number | null =>
  froms.some((px) => px === null) || froms.length === 0 ? null : Math.max(...froms.map(Number));

/** 1 for a title that reads 64 px wide, 0.85 at 120, 0.5 at 200, less beyond. */
function legibilityOf(px: number | null): number {
  if (px === null) return 0;
  if (px <= 64) return 1;
  if (px <= 120) return 1 - (0.15 * (px - 64)) / 56;
  if (px <= 200) return 0.85 - (0.35 * (px - 120)) / 80;
  return (0.5 * 200) / px;
}

/** How near the middle axis the weight of a cover lies: what differs from its mean lightness weighs. */
function balanceOf(pixels: Raster): number {
  const small = shrink(pixels, 16, Math.round((16 * pixels.height) / pixels.width));
  const lights = Array.from({ length: small.width * small.height }, (_, i) =>
    luminance([small.data[i * 4], small.data[i * 4 + 1], small.data[i * 4 + 2]]),
  );
  const mean = lights.reduce((sum, l) => sum + l, 0) / lights.length;
  let [left, sum] = [0, 1e-9];
  lights.forEach((l, i) => {
    const weight = contrastOf(l, mean) - 1;
    sum += weight;
    left += weight * ((i % small.width) + 0.5);
  });
  return clamp(1 - Math.abs(left / sum / small.width - 0.5) * 4, 0, 1);
}

function suitOf(sketch: Sketch, { brief }: SketchGround): number {
  const structure = findStructure(sketch.structure);
  const pair = mannerOf(sketch.faces);
  const moods = moodsOf({ brief });
  const share = (list: readonly string[]): number =>
    Math.min(1, list.filter((m) => moods.some((x) => x === m)).length / Math.min(2, moods.length));
  const kind = (structure?.kinds[brief.kind] ?? 1) / 3;
  return (
    0.35 * kind +
    0.2 * ((pair.kinds[brief.kind] ?? 0.5) / 3) +
    0.25 * share(structure?.moods ?? []) +
    0.2 * share(pair.moods)
  );
}

function lookOf(pixels: Raster): Lab[] {
  const small = shrink(pixels, LOOK.columns, LOOK.rows);
  return Array.from({ length: small.width * small.height }, (_, i) =>
    labOf([small.data[i * 4], small.data[i * 4 + 1], small.data[i * 4 + 2]]),
  );
}

/**
 * The covers of a planned sheet one after another, as they come onto it, until there are `most` or the plan is through.
 */
export async function* composeSheet(
  plan: readonly Slot[],
  on: SheetAsk,
  most: number,
  studio: Studio,
  lookPx: number,
): AsyncGenerator<Sketched & { pixels: Raster }> {
  const chooser = new Chooser<Sketched & { pixels: Raster }>(most, structuresIn(plan, on), false, oneWithoutOf(on));
  for (const slot of plan) {
    if (chooser.full) return;
    const made = await fillSlot(slot, on, studio, lookPx);
    if (made) yield* chooser.offer(made);
  }
  yield* chooser.rest();
}
