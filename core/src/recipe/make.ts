import { LRUCache } from 'lru-cache';
import { type Fault, type Finding, type Result, fail, never, ok } from '../base';
import type { Doc } from '../cover';
import type { SurfaceImage } from '../ink';
import { FINAL, type Scene, type ThingSubject, render } from '../mockup';
import type { Raster } from '../pixels';
import type { Book } from '../project';
import { findProfile } from '../stores';
import { type BookletFormat, bookletFileOf } from './booklet';
import { type Deliverable, type Wishes, ebookFile, formatFor, noWishes, pngFile } from './deliverables';
import type { Delivered } from './delivered';
import { type Drawn, missingFile } from './missing';
import { onGround, stageOf } from './mockup';
import { pdfFile, svgFile } from './page';
import {
  type FlatSource,
  type PromoAt,
  type PromoPicture,
  bookAt,
  coverPicture,
  isFlat,
  pictureKey,
  promoAt,
  promoDoc,
  promoFindings,
  promoPictures,
  promoRaster,
  sceneOfPicture,
} from './promo';
import { perStudio } from './per-studio';
import { type Others, noOthers, sceneArt, sceneTextures, subjectsOf } from './scene-art';
import { sceneFindings } from './side-findings';
import { storeImage } from './store-image';
import type { Studio } from './studio';

type Size = { readonly widthPx: number; readonly heightPx: number };

/** Who does the steps of making: one thread in Node, workers in the browser. The order of the steps is the same. */
export type Makers = {
  /** What would be lacking, as a fault; null where all is there. */
  missing(book: Book, what: Drawn, others: Others): Promise<Fault | null>;
  storeImage(book: Book, store: string, wishes: Wishes): Promise<Result<Delivered>>;
  ebook(book: Book, modified: string): Promise<Result<Delivered>>;
  pdf(book: Book, modified: string, wishes: Wishes): Promise<Result<Delivered>>;
  svg(book: Book): Promise<Result<Delivered>>;
  booklet(book: Book, modified: string, format: BookletFormat): Promise<Result<Delivered>>;
  /** The things of a scene on nothing, at the final quality; null where that was stopped. */
  trace(book: Book, scene: Scene, size: Size, others: Others): Promise<Raster | null>;
  onGround(things: Raster, book: Book, scene: Scene, subjects: readonly ThingSubject[]): Promise<Raster>;
  sceneFindings(book: Book): Promise<readonly Finding[]>;
  cover(book: Book, source: FlatSource, widthPx: number): Promise<Raster>;
  promoDoc(book: Book, at: PromoAt, others: Others): Promise<Doc>;
  promo(job: PromoJob): Promise<Raster>;
  promoFindings(job: PromoJob): Promise<readonly Finding[]>;
  png(pixels: Raster, clear: boolean): Promise<Result<Delivered>>;
};

/** One promo to be made, with its pictures. */
export type PromoJob = {
  readonly book: Book;
  readonly at: PromoAt;
  readonly pictures: ReadonlyMap<string, Raster>;
  readonly others: Others;
  /** How wide it is painted. */
  readonly widthPx: number;
};

/** Covers that one studio put on things last: promos of a title show the same few again and again. */
const frontsOf = perStudio<Raster>({ max: 4 });

/** All steps on one thread, by one studio. */
export const oneThread = (studio: Studio): Makers => ({
  missing: (book, what, others) => missingFile(book, what, studio, others),
  async storeImage(book, store, wishes) {
    const profile = findProfile(store, wishes.stores);
    return profile ? storeImage(book, profile, studio, formatFor(profile, wishes)) : fail('store-unknown', { store });
  },
  ebook: (book, modified) => ebookFile(book, modified, studio),
  pdf: (book, modified, wishes) => pdfFile(book, modified, studio, wishes.page),
  svg: (book) => svgFile(book, studio),
  booklet: (book, modified, format) => bookletFileOf(book, modified, format, studio),
  async trace(book, scene, { widthPx, heightPx }, others) {
    const textures = sceneTextures(await sceneArt(book, scene, others, studio, undefined, frontsOf(studio)));
    return render(stageOf(book, scene, widthPx, heightPx, others), textures, FINAL);
  },
  onGround: (things, book, scene, subjects) => onGround(things, book, scene, subjects, studio),
  sceneFindings: (book) => sceneFindings(book, studio),
  cover: (book, source, widthPx) => coverPicture(book, source, widthPx, studio),
  promoDoc: async (book, at, others) => (await promoDoc(book, at, others, studio)).doc,
  promo: ({ book, at, pictures, others, widthPx }) =>
    promoRaster(book, at, imagesOf(pictures, studio), widthPx, others, studio),
  promoFindings: ({ book, at, pictures, others }) =>
    promoFindings(book, at, imagesOf(pictures, studio), others, studio),
  png: (pixels, clear) => Promise.resolve(pngFile(pixels, clear)),
});

/** A scene as a finished picture; null where it was stopped. */
export async function sceneOn(
  makers: Pick<Makers, 'trace' | 'onGround'>,
  book: Book,
  scene: Scene,
  size: Size,
  others: Others,
): Promise<Raster | null> {
  const things = await makers.trace(book, scene, size, others);
  return things && makers.onGround(things, book, scene, subjectsOf(book, scene, others));
}

/** The same on one thread, which nobody stops. */
export async function scenePicture(
  book: Book,
  scene: Scene,
  size: Size,
  studio: Studio,
  others: Others = noOthers,
): Promise<Raster> {
  const made = await sceneOn(oneThread(studio), book, scene, size, others);
  if (!made) throw new Error('render was not cancelled');
  return made;
}

/** Pictures as a studio draws them. */
export const imagesOf = (pictures: ReadonlyMap<string, Raster>, studio: Studio): Map<string, SurfaceImage> =>
  new Map([...pictures].map(([name, pixels]) => [name, studio.imageOf(pixels)]));

/** The shots that were made last, by all that they are made from: the formats of a campaign show the same one. */
const shots = new LRUCache<string, Raster>({ maxSize: 16_000_000, sizeCalculation: (r) => r.width * r.height });

/** One picture of a promo; null where it was stopped. */
export async function promoPicture(
  makers: Pick<Makers, 'trace' | 'onGround' | 'cover'>,
  book: Book,
  picture: PromoPicture,
  others: Others,
): Promise<Raster | null> {
  const { source, widthPx, heightPx } = picture;
  if (isFlat(source)) return makers.cover(book, source, widthPx);
  const key = pictureKey(book, picture, others);
  const known = shots.get(key);
  if (known) return known;
  const scene = sceneOfPicture(book, picture, others)!;
  const made = await sceneOn(makers, book, scene, { widthPx, heightPx }, others);
  // The many pictures of a motion are each needed once.
  if (made && !picture.moment) shots.set(key, made);
  return made;
}

/** Who makes the pictures of a promo. */
export type PromoMakers = Pick<Makers, 'missing' | 'promoDoc' | 'trace' | 'onGround' | 'cover'>;

/** A promo with all its pictures, made for its full size. Faults: those of a missing picture or face, and `trace-stopped`. */
export async function promoJob(
  makers: PromoMakers,
  book: Book,
  at: PromoAt,
  others: Others,
): Promise<Result<PromoJob>> {
  const lost = await promoLacks(makers, book, at, others);
  if (lost) return { ok: false, fault: lost };
  const doc = await makers.promoDoc(book, at, others);
  const { widthPx } = at.format;
  const wanted = promoPictures(doc, book.brief, widthPx);
  const pictures = await picturesOf(makers, bookAt(book, at), wanted, others);
  return pictures ? ok({ book, at, pictures, others, widthPx }) : fail('trace-stopped');
}

/** What a promo lacks. What another campaign lacks is no matter here. */
export const promoLacks = (
  makers: Pick<Makers, 'missing'>,
  book: Book,
  at: PromoAt,
  others: Others,
): Promise<Fault | null> =>
  makers.missing({ ...bookAt(book, at), promos: { [at.campaign.id]: at.campaign } }, 'promo', others);

/** Pictures of a promo by their names, those that are known by their keys taken from there; null where it was stopped. */
export async function picturesOf(
  makers: Pick<Makers, 'trace' | 'onGround' | 'cover'>,
  book: Book,
  wanted: readonly PromoPicture[],
  others: Others,
  known: ReadonlyMap<string, Raster> = new Map(),
): Promise<Map<string, Raster> | null> {
  const pictures = new Map<string, Raster>();
  for (const picture of wanted) {
    const made = known.get(pictureKey(book, picture, others)) ?? (await promoPicture(makers, book, picture, others));
    if (!made) return null;
    pictures.set(picture.name, made);
  }
  return pictures;
}

/** A file with what is known of the words that it shows. */
const judged = (made: Result<Delivered>, seen: readonly Finding[]): Result<Delivered> =>
  made.ok ? ok({ ...made.value, findings: [...made.value.findings, ...seen] }) : made;

/** Makes one file of a title. Faults: those of its kind, `picture-missing`, `face-missing` and `volume-gone`, and `trace-stopped`. */
export async function makeWith(
  makers: Makers,
  book: Book,
  wanted: Deliverable,
  modified: string,
  wishes: Wishes,
  others: Others,
): Promise<Result<Delivered>> {
  switch (wanted.kind) {
    case 'store-image':
      return makers.storeImage(book, wanted.store ?? '', wishes);
    case 'epub':
      return makers.ebook(book, modified);
    case 'pdf':
      return makers.pdf(book, modified, wishes);
    case 'svg':
      return makers.svg(book);
    case 'booklet':
      return makers.booklet(book, modified, wanted.format === 'PDF' ? 'pdf' : 'epub');
    case 'mockup': {
      const lost = await makers.missing(book, 'scene', others);
      if (lost) return { ok: false, fault: lost };
      const shown = await sceneOn(makers, book, book.scene, wanted, others);
      if (!shown) return fail('trace-stopped');
      return judged(await makers.png(shown, book.scene.ground.kind === 'clear'), await makers.sceneFindings(book));
    }
    case 'promo': {
      const at = wanted.promo && promoAt(book, wanted.promo.campaign, wanted.promo.format);
      if (!at) return fail('campaign-gone');
      const job = await promoJob(makers, book, at, others);
      if (!job.ok) return job;
      const made = await makers.png(await makers.promo(job.value), false);
      return judged(made, await makers.promoFindings(job.value));
    }
    default:
      return never(wanted.kind);
  }
}

/** The same on one thread. */
export const makeDeliverable = (
  book: Book,
  wanted: Deliverable,
  modified: string,
  studio: Studio,
  wishes: Wishes = noWishes,
  others: Others = noOthers,
): Promise<Result<Delivered>> => makeWith(oneThread(studio), book, wanted, modified, wishes, others);
