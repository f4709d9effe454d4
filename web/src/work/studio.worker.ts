import type { Fault, Finding, Result } from '@yosomi/core/base';
import { type Hex, type Scheme, hexOf, palette, schemesAround, unlikeSchemes } from '@yosomi/core/colour';
import { type Busyness, type QuietPlace, busyness, compose, quietestPlace } from '@yosomi/core/compose';
import { GLANCE_WIDTHS } from '@yosomi/core/glance';
import type { Area, PartSeed } from '@yosomi/core/cover';
import type { Rect } from '@yosomi/core/plane';
import { type Raster, shrink } from '@yosomi/core/pixels';
import { Book, type Project, packProject, unpackProject } from '@yosomi/core/project';
import {
  type Delivered,
  type Drawn,
  type Fix,
  type Landing,
  type Measure,
  type Settled,
  type Start,
  type WordsReport,
  contrastFixes,
  coverKey,
  frontFindings,
  landing,
  seenOn,
  coverRaster,
  frontEdge,
  gather,
  groundInk,
  jpegFile,
  missingFile,
  onGround,
  pngFile,
  sceneFindings,
  measureOf,
  coverPartPictures,
  offerPictures,
  type TakenPicture,
  rememberMeasure,
  settledCover,
  type Places,
  placesAt,
  sideArt,
  sideRatio,
  sizedCover,
  spineStrip,
  startFromFinished,
  startFromPicture,
  widthOfShape,
} from '@yosomi/core/recipe';
import type { Scene, ThingSubject } from '@yosomi/core/mockup';
import { type Remote, expose, transfer, wrap } from 'comlink';
import { bitmapOf, bitmapsOf } from './bitmaps';
import { BrowserStudio } from './browser-studio';
import type { fileMakers } from './file-makers';
import type { bookletViews } from './booklet-views';
import type { cutOuts } from './cut-outs';
import { later } from './later';
import type { markMakers } from './marks';
import { pictureFiles } from './picture-files';
import { pinArts } from './pin-arts';
import { promoArt } from './promo-art';
import { sceneThumb, sendArt } from './scenes';
import type { TracerApi } from './tracer.worker';
import { takenIn } from './taken-in';

/** The cover as the editor shows it. */
export type CoverView = {
  readonly bitmap: ImageBitmap;
  readonly thumbs: readonly ImageBitmap[];
  readonly reports: ReadonlyMap<string, WordsReport>;
  readonly frames: ReadonlyMap<string, Rect>;
  readonly findings: readonly Finding[];
  readonly measure: Measure;
  /** True where the cover was measured with all its pictures and fonts there. */
  readonly whole: boolean;
};

/** A way to make words read, with a small picture of how it looks. */
export type FixView = Omit<Fix, 'preview'> & { readonly bitmap: ImageBitmap };

const studio = new BrowserStudio();
const tracers: Remote<TracerApi>[] = [];

/** Scrims of the last measured cover, for quick views while something is dragged. */
let lastAdded: { book: string; added: Settled['added'] } = { book: '', added: [] };

/** The cover without its words, small: what words stand on. */
async function underWords(book: Book): Promise<Raster> {
  const { resources, images } = await gather(book.cover, book.brief, studio, QUIET_PX);
  const { ink } = compose(book.cover, book.brief, resources);
  // What lies behind the letters ("id/behind") belongs to the words and goes with them.
  const words = (part: string | null): boolean => book.cover.parts[(part ?? '').split('/')[0]]?.kind === 'words';
  return studio.paint({ ...ink, items: ink.items.filter((item) => !words(item.part)) }, QUIET_PX, images);
}
const QUIET_PX = 256;
const QUIET_COLUMNS = 24;

/** What makes files needs much code that the screen does not: it comes with the first file. */
const makers = later<ReturnType<typeof fileMakers>>(
  {
    storeImage: true,
    plain: true,
    pdf: true,
    svg: true,
    booklet: true,
    ebook: true,
    ebookPicture: true,
    checkImage: true,
    repairImage: true,
    onPaper: true,
    pdfCover: true,
    checkEpub: true,
  },
  async () => (await import('./file-makers')).fileMakers(studio),
);

/** What draws marks comes with the first one. */
const marks = later<ReturnType<typeof markMakers>>({ markDrawings: true, drawingFile: true }, async () =>
  (await import('./marks')).markMakers(studio),
);

/** What sets the pages of booklets comes with the first one. */
const booklets = later<ReturnType<typeof bookletViews>>(
  { bookletShape: true, bookletPage: true, bookletSample: true, smallPicture: true },
  async () => (await import('./booklet-views')).bookletViews(studio),
);

/** What cuts pictures out comes with the first one. */
const cutting = later<ReturnType<typeof cutOuts>>({ subjectPicture: true, matteOf: true }, async () =>
  (await import('./cut-outs')).cutOuts(studio),
);

const api = {
  ...takenIn(studio),
  ...marks,
  ...cutting,
  ...booklets,

  startFromPicture: (start: Start, taken: TakenPicture): Book => startFromPicture(start, taken.asset, taken.sample),
  startFromFinished: (start: Start, taken: TakenPicture): Book => startFromFinished(start, taken.asset),

  /** The cover with thumbnails and measurements; `quick` keeps the last scrims and measures nothing; `front` tells it from a side. */
  async coverView(input: Book, widthPx: number, quick: boolean, front: boolean): Promise<CoverView> {
    const book = Book.parse(input);
    if (quick && lastAdded.book === book.id) {
      const { resources, images } = await gather(book.cover, book.brief, studio, widthPx);
      const composition = compose(book.cover, book.brief, resources, lastAdded.added);
      const bitmap = studio.live(composition.ink, widthPx, images);
      const { frames, findings } = composition;
      const quickly = {
        thumbs: [],
        reports: new Map(),
        measure: { added: lastAdded.added, titleFromPx: undefined, reads: [], findings: [] },
        whole: false,
      };
      return transfer({ ...quickly, bitmap, frames, findings }, [bitmap]);
    }
    studio.rest();
    const paintedPx = Math.max(widthPx, widthOfShape(book.cover, 800));
    const { settled, images, whole } = await settledCover(book, studio, paintedPx);
    lastAdded = { book: book.id, added: settled.added };
    const measure = measureOf(book, settled);
    if (whole) rememberMeasure(studio, coverKey(book), measure);
    const full = studio.paint(settled.composition.ink, paintedPx, images);
    const view = shrink(full, widthPx, Math.round((widthPx * full.height) / full.width));
    const bitmap = await bitmapOf(view);
    const thumbs = await Promise.all(
      GLANCE_WIDTHS.map((w) => bitmapOf(shrink(full, w, Math.round((w * full.height) / full.width)))),
    );
    const { reports } = settled;
    const findings = [...(front ? frontFindings(book.cover, book.brief) : []), ...settled.findings];
    return transfer({ bitmap, thumbs, reports, frames: settled.composition.frames, findings, measure, whole }, [
      bitmap,
      ...thumbs,
    ]);
  },

  /** The cover at another size as files have it. */
  async sizeBitmap(input: Book, size: { widthPx: number; heightPx: number }, widthPx: number): Promise<ImageBitmap> {
    return api.coverBitmap(await sizedCover(Book.parse(input), size, studio), widthPx);
  },

  /** Where things sit on the cover at another size, as files of it have it. */
  async placesAt(input: Book, size: { widthPx: number; heightPx: number }): Promise<Places> {
    const book = Book.parse(input);
    return book.cover.finished ? {} : placesAt(book, coverKey(book), size, studio);
  },

  async coverBitmap(input: Book, widthPx: number): Promise<ImageBitmap> {
    const book = Book.parse(input);
    const full = await coverRaster(book, Math.max(widthPx, widthOfShape(book.cover, 400)), studio);
    const bitmap = await bitmapOf(shrink(full, widthPx, Math.round((widthPx * full.height) / full.width)));
    return transfer(bitmap, [bitmap]);
  },

  /** Each part by itself, small, for the list of parts. */
  async partPictures(input: Book, px: number): Promise<Map<string, ImageBitmap>> {
    const bitmaps = await bitmapsOf(await coverPartPictures(Book.parse(input), studio, px));
    return transfer(bitmaps, [...bitmaps.values()]);
  },

  /** How parts that the cover does not have would look on it, small, by their keys. */
  async offerPictures(
    input: Book,
    offers: Readonly<Record<string, readonly PartSeed[]>>,
    px: number,
  ): Promise<Map<string, ImageBitmap>> {
    const bitmaps = await bitmapsOf(await offerPictures(Book.parse(input), offers, studio, px));
    return transfer(bitmaps, [...bitmaps.values()]);
  },

  /** Main colours of the cover, for choosing others that go with it. */
  async coverColours(input: Book): Promise<Hex[]> {
    const small = await coverRaster(Book.parse(input), 160, studio);
    return palette(small, 7).map((swatch) => swatch.hex);
  },

  frontEdge: (input: Book): Promise<Hex[]> => frontEdge(Book.parse(input), studio),

  /** How busy the picture is behind the words, cell by cell. */
  async quietMap(input: Book): Promise<Busyness> {
    return busyness(await underWords(Book.parse(input)), QUIET_COLUMNS);
  },

  /** The calmest place for a part as large as it is now, clear of the other words. Fractions of the cover. */
  async quietPlace(input: Book, part: string, frame: Rect, safe: number): Promise<QuietPlace | null> {
    const book = Book.parse(input);
    const { widthPx: w, heightPx: h } = book.cover;
    const { resources } = await gather(book.cover, book.brief, studio, QUIET_PX);
    const { frames } = compose(book.cover, book.brief, resources);
    const others = Object.values(book.cover.parts).flatMap((one) => {
      const f = frames.get(one.id);
      const hangs = one.kind === 'words' && one.follows?.part === part;
      return one.kind === 'words' && !one.hidden && one.id !== part && !hangs && f && f.width > 0 ? [f] : [];
    });
    const share = (r: Rect): Rect => ({ x: r.x / w, y: r.y / h, width: r.width / w, height: r.height / h });
    const map = busyness(await underWords(book), QUIET_COLUMNS);
    return quietestPlace(map, share(frame), { x: safe, y: (safe * w) / h }, others.map(share));
  },

  /** Where the mass of a part's letters lies, px; null where it draws none. */
  async massOf(input: Book, part: string): Promise<{ x: number; y: number } | null> {
    const book = Book.parse(input);
    const { resources, images } = await gather(book.cover, book.brief, studio, 400);
    const { ink } = compose(book.cover, book.brief, resources);
    const own = studio.paint({ ...ink, items: ink.items.filter((item) => item.part === part) }, 400, images);
    let [sum, sx, sy] = [0, 0, 0];
    for (let y = 0; y < own.height; y++) {
      for (let x = 0; x < own.width; x++) {
        const a = own.data[(y * own.width + x) * 4 + 3];
        sum += a;
        sx += a * (x + 0.5);
        sy += a * (y + 0.5);
      }
    }
    const k = book.cover.widthPx / own.width;
    return sum === 0 ? null : { x: (sx / sum) * k, y: (sy / sum) * k };
  },

  /** Colours that would suit the cover, readable on what is really behind the words of a picture. */
  async schemes(input: Book): Promise<Scheme[]> {
    const book = Book.parse(input);
    const under = await underWords(book);
    const pictured = Object.values(book.cover.parts).some((p) => p.kind === 'picture' && !p.hidden);
    const mean = [0, 1, 2].map((c) => {
      let sum = 0;
      for (let i = c; i < under.data.length; i += 4) sum += under.data[i];
      return sum / (under.data.length / 4);
    }) as [number, number, number];
    if (pictured) return unlikeSchemes(palette(under), [hexOf(mean)]);
    return schemesAround(palette(await coverRaster(book, 160, studio))[0]?.hex ?? '#888888');
  },

  /** Ways to make the words of a part read, each tried and shown. */
  async fixes(input: Book, part: string): Promise<FixView[]> {
    const found = await contrastFixes(Book.parse(input), part, studio);
    const views = await Promise.all(
      found.map(async ({ preview, ...rest }) => ({ ...rest, bitmap: await bitmapOf(preview) })),
    );
    return transfer(
      views,
      views.map((v) => v.bitmap),
    );
  },

  /** Where new words land, and the colour they read in there. */
  seenOn: (input: Book, area: Area): Promise<Hex> => seenOn(Book.parse(input), area, studio),

  landing: (input: Book, area: Area, enough?: number): Promise<Landing> =>
    landing(Book.parse(input), area, studio, enough),

  /** What a face can do beyond its plain letters. */
  async offers(cut: string): Promise<{ smallCaps: boolean; alternates: boolean; figures: boolean }> {
    await studio.loadFonts([cut]);
    return studio.shaper.has(cut) ? studio.shaper.offers(cut) : { smallCaps: false, alternates: false, figures: false };
  },

  /** Takes a line to a tracer, so that art goes there without a stop on the page. */
  connect(port: MessagePort): void {
    tracers.push(wrap<TracerApi>(port));
  },

  dropTracers: (): void => void (tracers.length = 0),

  /** Makes the art of a scene and hands it to every tracer under its key. */
  sendArt: (input: Book, scene: Scene, shown: readonly Book[], mostPx: number | null, key: string): Promise<void> =>
    sendArt(input, scene, shown, studio, tracers, { mostPx, key }),

  async sceneThumb(input: Book, scene: Scene, shown: readonly Book[], px: number): Promise<ImageBitmap> {
    const bitmap = await bitmapOf(await sceneThumb(input, scene, shown, px, studio));
    return transfer(bitmap, [bitmap]);
  },

  /** Traced things on the ground of their scene. */
  onGround: (things: Raster, input: Book, scene: Scene, subjects: readonly ThingSubject[]): Promise<Raster> =>
    onGround(things, Book.parse(input), scene, subjects, studio),

  /** The ground of a scene alone; null where it is clear. */
  async groundBitmap(
    input: Book,
    scene: Scene,
    subjects: readonly ThingSubject[],
    widthPx: number,
    heightPx: number,
  ): Promise<ImageBitmap | null> {
    const ground = await groundInk(Book.parse(input), scene, subjects, { widthPx, heightPx }, studio);
    if (!ground) return null;
    const bitmap = await bitmapOf(studio.paint(ground.ink, widthPx, ground.images));
    return transfer(bitmap, [bitmap]);
  },

  async spineBitmap(input: Book, widthPx: number, heightPx: number, head: number): Promise<ImageBitmap> {
    const bitmap = await bitmapOf(await spineStrip(Book.parse(input), { widthPx, heightPx }, head, studio));
    return transfer(bitmap, [bitmap]);
  },

  /** A title's spine as it stands on the shelf, as thick as the book is at this height. */
  async spineSide(input: Book, heightPx: number): Promise<ImageBitmap> {
    const book = Book.parse(input);
    const ratio = sideRatio(book, 'spine');
    const mostPx = (heightPx * book.cover.widthPx) / book.cover.heightPx;
    const bitmap = await bitmapOf(await sideArt(book, 'spine', ratio, 'fill', studio, Math.ceil(mostPx)));
    return transfer(bitmap, [bitmap]);
  },

  /** What makes words hard to read in what a scene shows of a title. */
  sceneFindings: (input: Book): Promise<Finding[]> => sceneFindings(Book.parse(input), studio),

  /** What a file of a title would lack, as a fault; null where nothing is missing. */
  missing: (input: Book, what: Drawn, shown: readonly Book[], scene?: Scene): Promise<Fault | null> =>
    missingFile(Book.parse(input), what, studio, new Map(shown.map((one) => [one.id, Book.parse(one)])), scene),

  png: (pixels: Raster, clear: boolean): Result<Delivered> => pngFile(pixels, clear),

  jpeg: (pixels: Raster): Promise<Uint8Array<ArrayBuffer>> => jpegFile(pixels, studio),

  ...pictureFiles,
  ...pinArts(studio),
  ...promoArt(studio),
  ...makers,

  pack: (project: Project): Uint8Array<ArrayBuffer> => packProject(project),
  unpack: (bytes: Uint8Array): Result<Project> => unpackProject(bytes),
};

export type StudioApi = typeof api;
expose(api);
