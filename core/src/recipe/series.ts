import { type Edit, type Result, ok } from '../base';
import type { Doc } from '../cover';
import { type Swatch, palette } from '../colour';
import { type Asset, type Book, MOST_VERSIONS, alongSheet, picturesOf, takeAsset } from '../project';
import { OWN_FACE } from '../text';
import type { Raster } from '../pixels';
import {
  type PictureFacts,
  type Sketch,
  coloursOfSketch,
  evenTurn,
  gradedFacts,
  isDark,
  lookOfGrade,
  seriesSketch,
  volumeTurns,
} from '../sketch';
import { contrastFixes, withChanges } from './fixes';
import { ENOUGH } from '../glance';
import { OWN_TINT, type Typed, carriedFront, coloursOfFront, mainPicture } from './carry-front';
import { gather } from './gather';
import { settle } from './settle';
import { noHouse, sheetAsk, sheetPictures, sheetSymbols, titleReads, trySketch, wordsRead } from './sketches';
import type { Studio } from './studio';

/** What is laid on the volumes of a series: a sketch, or the front of one of them as it is. */
export type SeriesDesign = { readonly kind: 'sketch'; readonly sketch: Sketch } | { readonly kind: 'front' };

/**
 * One volume of a series in its design. `from` is the title that the design is of, `place` how many volumes after it this one comes, of `volumes`
 * in all. `picture` is the one that it shows; null takes the title's own. `turning` says whether its colours differ from the design's;
 * `taken` are the turns of volumes that have theirs. `own` is how the words of the design's own cover read, where that is known.
 */
export type VolumeAsk = {
  readonly design: SeriesDesign;
  readonly from: Book;
  readonly to: Book;
  readonly place: number;
  readonly volumes: number;
  readonly picture: string | null;
  readonly turning: boolean;
  readonly taken: readonly number[];
  readonly own: Reading | null;
};

/** How the words of a cover read. */
export type Reading = {
  /** Least width at which all of them read, px; null where some never do. */
  readonly wordsFromPx: number | null;
  /** Parts of which some word has too little contrast, and those that read since they were given another colour or ground. */
  readonly low: readonly string[];
  readonly mended: readonly string[];
};

export type SeriesCover = Reading & {
  readonly doc: Doc;
  readonly sketch: Sketch | null;
  /** By which angle its colours are turned, and how much brighter its picture is printed than the design's, so that its words read. */
  readonly turn: number;
  readonly light: number;
  /** The picture that it is about; null where it shows none. */
  readonly picture: string | null;
  readonly typed: readonly Typed[];
  readonly titleFromPx: number | null;
};

type Made = SeriesCover & { readonly pixels: Raster };

/** Turns that are drawn and measured for one volume at most. */
const MOST_TRIED = 5;
/** As much wider than in the design's own cover may a volume have to be until its words read. */
const AS_WELL = 1.15;
/** How much a picture is darkened, or brightened, where its words do not read otherwise. */
const LIGHTS = [0.15, 0.3] as const;

/** The volume's cover in the design, in colours that go with its picture and in which its words read. Faults: those of `trySketch`. */
export async function seriesCover(ask: VolumeAsk, studio: Studio, lookPx: number): Promise<Result<Made>> {
  const { design, from, to, place, turning } = ask;
  const own = from.id === to.id;
  const pictures = await picturesFor(ask, studio);
  const attempt = (turn: number, light = 0): Promise<Result<Made>> =>
    design.kind === 'sketch'
      ? sketchTurned(design.sketch, to, turn, pictures, studio, lookPx)
      : frontTurned(from, to, { turn, light }, own ? null : (pictures[0] ?? null), studio, lookPx);
  if (own) return attempt(0);

  const even = evenTurn(place, ask.volumes);
  const colours = design.kind === 'sketch' ? coloursOfSketch(design.sketch) : coloursOfFront(from.cover);
  const turns = turning ? volumeTurns(colours, even, shownColours(design, from.cover, pictures), ask.taken) : [0];
  const enough = ask.own ? unease(ask.own) * AS_WELL : 0;
  let best = await attempt(turns[0]);
  const better = async (turn: number, light: number): Promise<void> => {
    if (best.ok && unease(best.value) <= enough) return;
    const made = await attempt(turn, light);
    if (!best.ok || (made.ok && unease(made.value) < unease(best.value))) best = made;
  };
  for (const turn of turns.slice(1, MOST_TRIED)) await better(turn, 0);
  // Where no colours help, the picture is printed in the key of the design.
  if (design.kind === 'front' && best.ok && pictures.length > 0) {
    const { turn } = best.value;
    const away = wordsAreLight(from.cover) ? -1 : 1;
    for (const step of LIGHTS) await better(turn, away * step);
  }
  return design.kind === 'front' && best.ok ? mended(best.value, ask, studio, lookPx) : best;
}

/** What words without contrast weigh beside a cover that has to be so many pixels wide. */
const NEVER_PX = 5000;
const unease = ({ wordsFromPx, low }: Reading): number => low.length * NEVER_PX + (wordsFromPx ?? NEVER_PX);

const wordsAreLight = ({ parts }: Doc): boolean =>
  Object.values(parts).some((part) => part.kind === 'words' && part.role === 'title' && !isDark(part.colour));

/** The pictures of a volume, read, in the order in which the design takes them. */
async function picturesFor({ design, from, to, picture }: VolumeAsk, studio: Studio): Promise<PictureFacts[]> {
  if (design.kind === 'front') {
    // A finished file has its words in the picture: it is nobody's picture.
    const mine = picture ?? (to.cover.finished ? undefined : (mainPicture(to.cover) ?? to.sheet.pictures[0]));
    return mine === undefined ? [] : sheetPictures([mine], studio);
  }
  const { sheet } = to;
  const ids = picture === null ? sheet.pictures : [picture, ...sheet.pictures.filter((id) => id !== picture)];
  const found = await sheetPictures(ids, studio);
  // The title that the sketch was made in keeps its choice of pictures.
  const { pictures } = design.sketch;
  const kept = pictures.flatMap((id) => found.filter(({ asset }) => asset === id));
  return from.id === to.id && kept.length === pictures.length ? kept : found.slice(0, pictures.length);
}

/** What pictures have of colours, as the design prints them. */
function shownColours(design: SeriesDesign, front: Doc, pictures: readonly PictureFacts[]): Swatch[] {
  return pictures.flatMap((picture) => {
    const looks =
      design.kind === 'sketch'
        ? [lookOfGrade(design.sketch.grade, design.sketch.tones)]
        : Object.values(front.parts).flatMap((part) =>
            part.kind === 'picture' && part.source.kind === 'asset' && part.source.asset === mainPicture(front)
              ? [part.look]
              : [],
          );
    const [look] = looks;
    // Printed in the design's own colours it goes with them however they are turned.
    if (look?.tint && look.tint.amount >= OWN_TINT) return [];
    return palette((look ? gradedFacts(picture, look) : picture).sample);
  });
}

async function sketchTurned(
  sketch: Sketch,
  to: Book,
  turn: number,
  pictures: readonly PictureFacts[],
  studio: Studio,
  lookPx: number,
): Promise<Result<Made>> {
  const ids = pictures.map(({ asset }) => asset);
  const turned = seriesSketch(sketch, turn, ids);
  const { symbols } = await sheetSymbols(to.brief, turned.symbols, studio);
  const tried = await trySketch(turned, sheetAsk(to, noHouse, pictures, symbols), studio, lookPx);
  if (!tried.ok) return tried;
  const { doc, titleFromPx, wordsFromPx, pixels } = tried.value;
  return ok({
    doc,
    sketch: turned,
    turn,
    light: 0,
    picture: ids[0] ?? null,
    typed: [],
    titleFromPx,
    wordsFromPx,
    low: [],
    mended: [],
    pixels,
  });
}

async function frontTurned(
  from: Book,
  to: Book,
  { turn, light }: { readonly turn: number; readonly light: number },
  picture: PictureFacts | null,
  studio: Studio,
  lookPx: number,
): Promise<Result<Made>> {
  const { doc, typed } = carriedFront(from, to.brief, turn, picture, light);
  return ok({ ...(await looked(doc, to, studio, lookPx)), sketch: null, turn, light, typed, mended: [] });
}

/** A cover as it is seen, and how its words read. */
async function looked(doc: Doc, { brief }: Book, studio: Studio, lookPx: number) {
  const { resources, images } = await gather(doc, brief, studio, Math.max(400, lookPx));
  const settled = settle(doc, brief, resources, images, studio.paint.bind(studio));
  return {
    doc,
    picture: mainPicture(doc),
    titleFromPx: titleReads(doc, settled),
    wordsFromPx: wordsRead(settled),
    low: [...settled.reports].flatMap(([id, { worstTenth }]) => (worstTenth < ENOUGH ? [id] : [])),
    pixels: studio.paint(settled.composition.ink, lookPx, images),
  };
}

/** Words that read in the design and do not here take the least change by which they do. */
async function mended(made: Made, { to, own }: VolumeAsk, studio: Studio, lookPx: number): Promise<Result<Made>> {
  let { doc } = made;
  const parts: string[] = [];
  for (const part of made.low) {
    if (own?.low.includes(part)) continue;
    const [fix] = await contrastFixes({ ...to, cover: doc }, part, studio, () => false, 1);
    if (!fix) continue;
    doc = withChanges(doc, fix.changes);
    parts.push(part);
  }
  if (parts.length === 0) return ok(made);
  return ok({ ...made, ...(await looked(doc, to, studio, lookPx)), mended: parts });
}

/** The name under which a volume keeps the cover that it had. */
const BEFORE = 'Before the series design';

/** Puts a cover of the series on one of its volumes, with the pictures and faces that it shows. `brought` are pictures that neither title knows yet. */
export const wearsSeries =
  ({ doc, sketch }: Pick<SeriesCover, 'doc' | 'sketch'>, from: Book, brought: readonly Asset[] = []): Edit<Book> =>
  (book) => {
    for (const id of picturesOf(Object.values(doc.parts))) {
      const asset = brought.find((one) => one.id === id) ?? book.assets[id] ?? from.assets[id];
      if (asset) takeAsset(book, asset);
    }
    book.cover = structuredClone(doc);
    book.sheet.taken = structuredClone(sketch);
    const named = JSON.stringify(doc);
    for (const face of Object.values(from.faces))
      if (named.includes(`"${OWN_FACE}${face.id}`)) book.faces[face.id] = face;
  };

/** Does the same on a title that has a cover: that is kept as a version while there is room for one. */
export const laidOnVolume = (
  cover: Pick<SeriesCover, 'doc' | 'sketch'>,
  from: Book,
  before: { readonly id: string; readonly madeAt: string },
  brought: readonly Asset[] = [],
): Edit<Book> =>
  alongSheet((book) => {
    if (book.versions.length < MOST_VERSIONS) book.versions.push({ ...before, name: BEFORE, cover: book.cover });
    return wearsSeries(cover, from, brought)(book);
  });
