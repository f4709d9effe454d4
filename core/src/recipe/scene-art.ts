import { emptyBrief, thicknessMm } from '../book';
import {
  composeBack,
  composeSpine,
  cropShare,
  edgeColour,
  edgeColours,
  edgePaint,
  finishedCover,
  spineDoc,
  spineNeeds,
} from '../compose';
import type { Doc } from '../cover';
import { type Hex, rgbOf } from '../colour';
import { fill, flat, image } from '../ink';
import {
  COARSE,
  type Look,
  type Scene,
  type Thing,
  type ThingArt,
  type ThingSubject,
  type WantedArt,
  drawnLook,
  looksOf,
  onLinen,
  setting,
} from '../mockup';
import { type Raster, flatten, raster } from '../pixels';
import { rectPath } from '../plane';
import { type Book, type Paged, hasPages } from '../project';
import { type Print, type Textures, texturesOf } from '../warp';
import { spreadWith, findSheet } from '../booklet';
import { bookletKey, bookletOpening, bookletPage, bookletPages } from './booklet-pages';
import { coverAt, coverKey, coverRaster } from './cover';
import { foilRaster, hasFoil } from './foil';
import { asSide, shownSide } from './sides';
import type { Studio } from './studio';

/** Other titles by id, as far as a scene shows them and they are there. */
export type Others = ReadonlyMap<string, Book>;
export const noOthers: Others = new Map();

/** Ids of the other titles that a scene shows. */
export const titlesOf = (scene: Scene): string[] => [
  ...new Set(scene.things.flatMap(({ art }) => (art.kind === 'title' ? [art.id] : []))),
];

/** Ids of the other titles that anything made of a title shows: in Mockups, and in the scenes of its campaigns. */
export const titlesShownBy = ({ id, scene, scenes }: Pick<Book, 'id' | 'scene' | 'scenes'>): string[] => {
  const all = [scene, ...Object.values(scenes).map((one) => one.scene)].flatMap(titlesOf);
  return [...new Set(all)].filter((other) => other !== id);
};

/** Of these, those that are not there. */
export const goneFrom = (scene: Scene, book: Book, others: Others): string[] =>
  titlesOf(scene).filter((id) => id !== book.id && !others.has(id));

/** A picture as if it were a title: a finished cover without words. */
function asTitle(book: Book, asset: string): Book {
  const { widthPx, heightPx } = book.assets[asset] ?? book.cover;
  const brief = { ...emptyBrief, pageCount: book.brief.pageCount };
  return { ...book, brief, cover: finishedCover(asset, widthPx, heightPx) };
}

/** The title whose art is on a thing. Until what is missing is there this title stands in for it, on the screen alone: no file is made so (`missingFile`). */
export function titleOn(book: Book, art: ThingArt, others: Others): Book {
  switch (art.kind) {
    case 'this':
    case 'page':
      return book;
    case 'title':
      return others.get(art.id) ?? book;
    case 'picture':
      return book.assets[art.asset] ? asTitle(book, art.asset) : book;
  }
}

/** The title whose pages are seen on a thing that lies open, or shows one page; null where there are none to see. */
export function pagedOn(book: Book, { object, art }: Pick<Thing, 'object' | 'art'>, others: Others): Paged | null {
  if (art.kind !== 'page' && (object.kind !== 'open-book' || art.kind === 'picture')) return null;
  const title = titleOn(book, art, others);
  return hasPages(title) ? title : null;
}

/** Titles whose pages a scene shows, each once. */
export const pagedIn = (book: Book, scene: Scene, others: Others): Paged[] => [
  ...new Set(scene.things.flatMap((thing) => pagedOn(book, thing, others) ?? [])),
];

/** What is printed for a booklet's pages is as thick as some thirty of them. */
const PAGED_MM = 3;

export function subjectOf(book: Book, thing: Pick<Thing, 'object' | 'art'>, others: Others): ThingSubject {
  const { cover, brief } = titleOn(book, thing.art, others);
  const { pageCount } = brief;
  const bookMm = thicknessMm(pageCount);
  const paged = pagedOn(book, thing, others);
  if (!paged) return { widthPx: cover.widthPx, heightPx: cover.heightPx, pageCount, bookMm };
  const { width, height } = findSheet(paged.booklet.sheet);
  const open = thing.object.kind === 'open-book';
  return { widthPx: width, heightPx: height, pageCount, bookMm: open ? PAGED_MM : bookMm, pages: open };
}

export const subjectsOf = (book: Book, scene: Scene, others: Others): ThingSubject[] =>
  scene.things.map((thing) => subjectOf(book, thing, others));

/** Most width of a front that things are textured with: the more things, the smaller each is seen. */
const artWidth = (things: number): number => (things === 1 ? 1600 : things <= 3 ? 1200 : 900);

/** Covers that are remembered by name. */
type Fronts = { get(name: string): Raster | undefined; set(name: string, front: Raster): unknown };

/** What a scene's tracers need: art as pixels by key, and looks that they draw themselves. */
export type SceneArt = {
  readonly art: ReadonlyMap<string, Raster>;
  /** Where art is foil, white on black, for those keys that have some. */
  readonly foil: ReadonlyMap<string, Raster>;
  readonly drawn: ReadonlyMap<string, Look>;
};

/**
 * The art on every face of every thing, fronts at most `mostPx` wide; spines, backs and flaps are made from the fronts.
 * `fronts` remembers covers for the next scene; whoever hands it in keeps it small.
 */
export async function sceneArt(
  book: Book,
  scene: Scene,
  others: Others,
  studio: Studio,
  mostPx?: number,
  fronts: Fronts = new Map(),
): Promise<SceneArt> {
  const models = setting(scene, subjectsOf(book, scene, others), COARSE);
  const { drawn, art: wanted } = looksOf(
    scene,
    models.map((model) => model.looks),
  );
  const art = new Map<string, Raster>();
  const foil = new Map<string, Raster>();
  for (const [key, want] of wanted) {
    const title = titleOn(book, want.art, others);
    const most = mostPx ?? artWidth(scene.things.length);
    const page = await pageOn(want, title, studio);
    const name = page === null ? `${coverKey(title)} ${most}` : `${bookletKey(title)} ${page} ${most}`;
    const front =
      fronts.get(name) ??
      (page === null
        ? await coverRaster(title, Math.min(most, Math.max(title.cover.widthPx, 800)), studio)
        : await pageRaster(title, page, most, studio));
    fronts.set(name, front);
    const made =
      page !== null && want.side !== 'spine' && want.side !== 'back' && want.side !== 'flap'
        ? placed(front, want.ratio, want.fit === 'fill' ? 'fill' : 'whole', studio, await paperOf(title, studio))
        : await faceArt(want, title, book, front, studio);
    art.set(key, want.surface === 'linen' ? onLinen(made) : made);
    const stamped = page === null ? await faceFoil(want, title, front, studio) : null;
    if (stamped?.width === made.width && stamped.height === made.height) foil.set(key, stamped);
  }
  return { art, foil, drawn };
}

/** The page of its booklet that a face shows, or that is there in place of the front, by its place from 0; null where that is the cover. */
async function pageOn({ art, side }: WantedArt, title: Book, studio: Studio): Promise<number | null> {
  if (!hasPages(title) || side === 'plain') return null;
  // A text that has become shorter ends before the page that was asked for.
  const last = async (at: number): Promise<number> =>
    Math.min(at, (await bookletPages(title, studio)).pages.pages.length - 1);
  if (side !== 'leftPage' && side !== 'rightPage') return art.kind === 'page' ? Math.max(0, await last(art.at)) : null;
  const left = art.kind === 'page' ? spreadWith(await last(art.at)) : await bookletOpening(title, studio);
  return side === 'leftPage' ? left : left + 1;
}

/** A page as a picture; beyond the first and the last one bare paper. */
async function pageRaster(title: Book, at: number, widthPx: number, studio: Studio): Promise<Raster> {
  const made = hasPages(title) ? await bookletPage(title, at, widthPx, studio) : null;
  if (made) return made;
  const bare = raster(16, 16);
  const paper = [...rgbOf(await paperOf(title, studio)), 255];
  for (let i = 0; i < bare.data.length; i += 4) bare.data.set(paper, i);
  return bare;
}

/** The colour of its paper. */
const paperOf = async (title: Book, studio: Studio): Promise<Hex> =>
  hasPages(title) ? (await bookletPages(title, studio)).design.colours.paper : '#ffffff';

/** A side of a title, or a picture as if it were a front, for a place of a ratio. */
export async function sideArt(
  book: Book,
  of: 'front' | 'spine' | 'back' | { readonly kind: 'picture'; readonly asset: string },
  ratio: number,
  fit: WantedArt['fit'],
  studio: Studio,
  mostPx: number,
): Promise<Raster> {
  const art: ThingArt = typeof of === 'string' ? { kind: 'this' } : of;
  const title = titleOn(book, art, noOthers);
  const front = await coverRaster(title, Math.min(mostPx, Math.max(title.cover.widthPx, 800)), studio);
  const side = typeof of === 'string' ? of : 'front';
  return faceArt({ art, side, ratio, fit, surface: 'matte', own: null }, title, book, front, studio);
}

/** A side as a composition: as a person has edited it; where the front has foil, as it is made from the front. */
function sideDocOf({ side, ratio }: WantedArt, title: Book, front: Raster): Doc | null {
  if (side !== 'spine' && side !== 'back') return null;
  const heightPx = side === 'spine' ? front.height : Math.ceil(front.height / 2);
  const size = { widthPx: Math.max(16, Math.round(heightPx * ratio)), heightPx };
  const edge = edgeColours(front, 'left');
  const edited = title.sides[side];
  if (edited) return shownSide(edited, edge, size);
  return side === 'spine' && hasFoil(title.cover) ? spineDoc(title.cover, title.brief, edge, size) : null;
}

/** Where a face is foil, as large as its art; null where it is nowhere. */
async function faceFoil(want: WantedArt, title: Book, front: Raster, studio: Studio): Promise<Raster | null> {
  if (want.own) return null;
  const doc = sideDocOf(want, title, front);
  if (doc) return foilRaster(asSide(title, doc), doc.widthPx, studio);
  if (want.side !== 'front') return null;
  const stamped = await foilRaster(title, front.width, studio);
  return stamped && frontAt(want, title, stamped, foilRaster, studio);
}

async function faceArt(want: WantedArt, title: Book, book: Book, front: Raster, studio: Studio): Promise<Raster> {
  const { side, ratio } = want;
  if (want.own && book.assets[want.own]) {
    const own = await coverRaster(asTitle(book, want.own), Math.min(1600, book.assets[want.own].widthPx), studio);
    return placed(own, ratio, 'fill', studio);
  }
  if (side === 'front') return (await frontAt(want, title, front, coverRaster, studio)) ?? front;
  const doc = sideDocOf(want, title, front);
  if (doc) return flatten(await coverRaster(asSide(title, doc), doc.widthPx, studio), [255, 255, 255]);
  await studio.loadFonts(spineNeeds(title.cover));
  const { shaper } = studio;
  const heightPx = side === 'spine' ? front.height : Math.ceil(front.height / 2);
  const size = { widthPx: Math.max(8, Math.round(heightPx * ratio)), heightPx };
  switch (side) {
    case 'spine': {
      const ink = composeSpine(title.cover, title.brief, shaper, edgeColours(front, 'left'), size);
      return studio.paint(ink, size.widthPx, new Map());
    }
    // Back and flap have few words and are rarely seen: half the pixels do.
    case 'back':
    case 'flap': {
      const edge = edgeColours(front, side === 'back' ? 'left' : 'right');
      return studio.paint(composeBack(title.cover, title.brief, shaper, edge, size), size.widthPx, new Map());
    }
    case 'leftPage':
    case 'rightPage':
      return front;
    case 'plain': {
      const colour = edgeColour(front);
      const ink = {
        widthPx: 32,
        heightPx: 32,
        items: [fill(rectPath({ x: 0, y: 0, width: 32, height: 32 }), edgePaint([colour, colour], 32))],
      };
      return studio.paint(ink, 32, new Map());
    }
  }
}

const SAME = 0.006;

/** The front in a place of another ratio: composed anew where that is wished and possible, else whole or cut; never stretched. `paint` is what the front was painted by. */
async function frontAt(
  want: WantedArt,
  title: Book,
  front: Raster,
  paint: (title: Book, widthPx: number, studio: Studio) => Promise<Raster | null>,
  studio: Studio,
): Promise<Raster | null> {
  const own = front.width / front.height;
  if (Math.abs(want.ratio / own - 1) < SAME) return flatten(front, [255, 255, 255]);
  if (want.fit === 'recompose' && !title.cover.finished) {
    const area = front.width * front.height;
    const widthPx = Math.round(Math.sqrt(area * want.ratio));
    const size = { widthPx, heightPx: Math.round(widthPx / want.ratio) };
    const anew = await paint(coverAt(title, size, '#ffffff'), widthPx, studio);
    return anew && flatten(anew, [255, 255, 255]);
  }
  return placed(front, want.ratio, want.fit === 'fill' ? 'fill' : 'whole', studio);
}

/** Art in a place of a ratio: cut to fill it about its middle, or whole on a ground, or else on the colours of its edge. */
function placed(art: Raster, ratio: number, fit: 'fill' | 'whole', studio: Studio, ground?: Hex): Raster {
  const own = art.width / art.height;
  if (Math.abs(ratio / own - 1) < SAME) return flatten(art, [255, 255, 255]);
  const wider = ratio > own;
  const grows = fit === 'whole' ? wider : !wider;
  const width = grows ? Math.round(art.height * ratio) : art.width;
  const height = grows ? art.height : Math.round(art.width / ratio);
  const whole = { x: 0, y: 0, width, height };
  const from =
    fit === 'fill'
      ? cropShare({ widthPx: art.width, heightPx: art.height }, whole, { x: 0.5, y: 0.5 }, 1)
      : { x: 0, y: 0, width: 1, height: 1 };
  const to =
    fit === 'fill'
      ? whole
      : { x: (width - art.width) / 2, y: (height - art.height) / 2, width: art.width, height: art.height };
  const edge = edgeColour(art);
  const beyond = ground ? flat(ground) : edgePaint([edge, edge], height);
  const ink = {
    widthPx: width,
    heightPx: height,
    items: [fill(rectPath(whole), beyond), image('art', from, to)],
  };
  return flatten(studio.paint(ink, width, new Map([['art', studio.imageOf(art)]])), [255, 255, 255]);
}

/** Textures of a scene's art. */
export function sceneTextures({ art, foil, drawn }: SceneArt): Textures {
  const prints = new Map<string, Print>();
  for (const [key, pixels] of art) {
    const stamped = foil.get(key);
    prints.set(key, {
      art: pixels,
      foil: stamped ? Uint8Array.from({ length: stamped.width * stamped.height }, (_, i) => stamped.data[i * 4]) : null,
    });
  }
  for (const [key, look] of drawn) {
    const pixels = drawnLook(look);
    if (pixels) prints.set(key, { art: pixels, foil: null });
  }
  return texturesOf(prints);
}
