import { type Composition, type Resources, compose } from '../compose';
import { type Doc, type Part, SAFE, type ShapePart, type WordsPart, adaptDoc, eachColour, inOrder } from '../cover';
import type { Images } from '../ink';
import type { Raster } from '../pixels';
import { type Rect, clamp, intersect, outset } from '../plane';
import type { Book, Place } from '../project';
import type { PictureFacts } from '../sketch';
import { mainPicture } from './carry-front';
import { gather } from './gather';
import { perStudio } from './per-studio';
import { placed } from './sibling';
import { sheetPictures } from './sketches';
import type { Studio } from './studio';
import { slicesSeen } from './subject-seen';

type Size = { readonly widthPx: number; readonly heightPx: number };
export type Places = Readonly<Record<string, Place>>;

/** Width at which it is looked at what lies behind words, px. */
const LOOK_PX = 400;
/** Sizes that words are tried in, and by how much of the height they are moved, the least change first. */
const SCALES = [1, 0.9, 0.8, 0.7, 0.62] as const;
const MOVES = [0, -0.006, 0.006, -0.012, 0.012, -0.02, 0.02, -0.03, 0.03] as const;
/** Words keep this much of their height free around them from what they did not touch on the front. */
const AIR = 0.18;
/** What is less than this is no touching: a pixel more or less that another painter rounds. */
const LITTLE = 0.004;
/** Where more of a subject than this is hidden that is seen on the front, the picture is moved; and by how much it has to help. */
const HIDDEN = 0.02;
/** A subject is looked at in so many slices from its top to its foot. */
const SLICES = 8;
const CROPS = [0, 0.04, -0.04, 0.08, -0.08, 0.14, -0.14, 0.22, -0.22, 0.35, -0.35] as const;
/** Sizes of the title that leave the picture more room. */
const TITLES = [1, 0.9, 0.8, 0.72] as const;

/** Forms that words stand on or keep clear of, and that are not a plain ground behind them. */
const ORNAMENTS: ReadonlySet<string> = new Set([
  'frame',
  'divider',
  'line',
  'ellipse',
  'polygon',
  'burst',
  'badge',
  'drawn',
]);
const isOrnament = (part: Part): boolean =>
  part.kind === 'curve' || (part.kind === 'shape' && (ORNAMENTS.has(part.form.kind) || part.role === 'rule'));

const placesFor = perStudio<Places>({ max: 40 });

/**
 * Where things sit on the cover at another ratio, beyond what its constraints say: words keep clear of frames, seals, other words and the edge as they
 * do on the front, and a picture is cropped so that as much of its subject is seen. `key` names the cover as it is painted, and nothing else counts: a lock is for hands. Nothing where
 * nothing has to be mended.
 */
export async function placesAt(book: Book, key: string, size: Size, studio: Studio): Promise<Places> {
  const name = `${key} ${(size.heightPx / size.widthPx).toFixed(4)}`;
  const known = placesFor(studio).get(name);
  if (known) return known;
  const base = adaptDoc(book.cover, size);
  const front = await frontOf(book, key, studio);
  const there = await seenOf(base, book, studio);
  const words = placesOfWords(front, there, book, studio);
  const picture = await placesOfPicture(book, placed(base, words), size, front, studio);
  const ids = [...Object.keys(words), ...Object.keys(picture)];
  const places = Object.fromEntries(ids.map((id) => [id, { ...words[id], ...picture[id] }]));
  if (front.whole && there.whole) placesFor(studio).set(name, places);
  return places;
}

/** A document that is composed, with what it takes to paint it. */
type Seen = {
  readonly doc: Doc;
  readonly composition: Composition;
  readonly resources: Resources;
  readonly images: Images;
  readonly whole: boolean;
};

async function seenOf(doc: Doc, book: Book, studio: Studio): Promise<Seen> {
  const { resources, images, whole } = await gather(doc, book.brief, studio, LOOK_PX);
  return { doc, composition: compose(doc, book.brief, resources), resources, images, whole };
}

/** What other sizes are held against: how free the words of the front stand, and how much of its main picture's subject is seen. */
type Front = {
  readonly troubles: ReadonlyMap<string, number>;
  readonly facts: PictureFacts | null;
  /** Slice by slice of the subject; empty where it has none. */
  readonly slices: readonly number[];
  readonly whole: boolean;
};

const frontsFor = perStudio<Front>({ max: 40 });

async function frontOf(book: Book, key: string, studio: Studio): Promise<Front> {
  const known = frontsFor(studio).get(key);
  if (known) return known;
  const seen = await seenOf(book.cover, book, studio);
  const { composition, images, whole } = seen;
  const ornaments = ornamentsOf(seen, book, studio);
  const troubles = new Map(
    [...composition.blocks.keys()].map((id) => [id, trouble(id, book.cover, composition.blocks, ornaments)]),
  );
  const main = mainPicture(book.cover);
  const [facts = null] = main === null ? [] : await sheetPictures([main], studio);
  const slices = facts ? slicesSeen(book.cover, composition, images, facts, SLICES, studio) : [];
  const front = { troubles, facts, slices, whole };
  if (whole) frontsFor(studio).set(key, front);
  return front;
}

/** The ornaments of a cover as they are painted, black on white. */
function ornamentsOf({ doc, resources }: Seen, book: Book, studio: Studio): Raster {
  const parts: Doc['parts'] = {};
  for (const part of inOrder(doc)) {
    if (part.kind === 'ground') parts[part.id] = { ...part, paint: { kind: 'flat', colour: '#ffffff' } };
    if (!isOrnament(part) || part.hidden) continue;
    const plain = structuredClone({ ...part, opacity: 1, blend: 'normal', shadow: null, fill: null }) as ShapePart;
    eachColour(plain, () => '#000000');
    parts[part.id] = plain;
  }
  const { ink } = compose({ ...doc, parts }, book.brief, resources);
  return studio.paint(ink, LOOK_PX, new Map());
}

/** The share of a place that ornaments cover. */
function touched(ornaments: Raster, box: Rect, doc: Doc): number {
  const k = ornaments.width / doc.widthPx;
  const [x0, y0] = [Math.max(0, Math.floor(box.x * k)), Math.max(0, Math.floor(box.y * k))];
  const x1 = Math.min(ornaments.width, Math.ceil((box.x + box.width) * k));
  const y1 = Math.min(ornaments.height, Math.ceil((box.y + box.height) * k));
  let sum = 0;
  for (let y = y0; y < y1; y++)
    for (let x = x0; x < x1; x++) sum += 255 - ornaments.data[(y * ornaments.width + x) * 4];
  return sum / 255 / Math.max(1, (x1 - x0) * (y1 - y0));
}

/** The share of one box that another lies over. */
function shared(a: Rect, b: Rect): number {
  const { width, height } = intersect(a, b);
  return (width * height) / Math.max(1, a.width * a.height);
}

/** How much words of a part lie on what they should keep clear of, 0 where they stand free. */
function trouble(id: string, doc: Doc, blocks: Composition['blocks'], ornaments: Raster): number {
  const block = blocks.get(id);
  if (!block || block.words.length === 0) return 0;
  const { box } = block;
  const margin = SAFE * doc.widthPx;
  const out = Math.max(
    0,
    margin - box.x,
    margin - box.y,
    box.x + box.width - doc.widthPx + margin,
    box.y + box.height - doc.heightPx + margin,
  );
  const air = outset(box, AIR * block.sizePx);
  const others = [...blocks].map(([other, { box: its, words }]) =>
    other === id || words.length === 0 ? 0 : shared(box, its),
  );
  return touched(ornaments, air, doc) + out / doc.widthPx + Math.max(0, ...others);
}

/** Words that touch what they do not on the front, made smaller and moved as little as frees them. */
function placesOfWords(front: Front, there: Seen, book: Book, studio: Studio): Record<string, Place> {
  const ornaments = ornamentsOf(there, book, studio);
  const places: Record<string, Place> = {};
  for (const part of inOrder(there.doc)) {
    if (part.kind !== 'words' || part.hidden) continue;
    const usual = (front.troubles.get(part.id) ?? 0) + LITTLE;
    const now = (place: Place | null): number => {
      const doc = placed(there.doc, place ? { ...places, [part.id]: place } : places);
      return trouble(part.id, doc, compose(doc, book.brief, there.resources).blocks, ornaments);
    };
    let least = now(null);
    if (least <= usual) continue;
    for (const place of triesFor(part, sizeOf(part, there))) {
      const found = now(place);
      if (found >= least - LITTLE) continue;
      least = found;
      places[part.id] = place;
      if (found <= usual) break;
    }
  }
  return places;
}

/** The size in which words are set there, a fraction of the width. */
const sizeOf = (part: WordsPart, { doc, composition }: Seen): number =>
  (composition.blocks.get(part.id)?.sizePx ?? part.maxSize * doc.widthPx) / doc.widthPx;

/** Words at a share of the size in which they are set. */
function scaled(part: WordsPart, size: number, scale: number): Place {
  if (scale === 1) return {};
  const to = clamp(size * scale, 0.004, 2);
  return part.size === null ? { maxSize: Math.min(part.maxSize, to) } : { size: to };
}

function triesFor(part: WordsPart, size: number): Place[] {
  const moves = part.follows ? [0] : MOVES;
  return SCALES.flatMap((scale) =>
    moves.map((dy): Place => ({
      ...scaled(part, size, scale),
      ...(dy !== 0 && { area: { ...part.area, y: part.area.y + dy } }),
    })),
  );
}

/** Another crop of the main picture, and a smaller title, where more of its subject is hidden than on the front. */
async function placesOfPicture(
  book: Book,
  doc: Doc,
  size: Size,
  { facts, slices: usual }: Front,
  studio: Studio,
): Promise<Record<string, Place>> {
  if (!facts || usual.length === 0) return {};
  const part = Object.values(doc.parts).find(
    (one) =>
      one.kind === 'picture' &&
      one.source.kind === 'asset' &&
      one.source.asset === facts.asset &&
      one.fit === 'fill' &&
      !one.hidden,
  );
  if (part?.kind !== 'picture') return {};
  const words = Object.values(doc.parts).find((one) => one.kind === 'words' && one.role === 'title');
  const there = await seenOf(doc, book, studio);
  const lost = (places: Record<string, Place>): number => {
    const next = placed(doc, places);
    const seen = slicesSeen(next, compose(next, book.brief, there.resources), there.images, facts, SLICES, studio);
    return usual.reduce((sum, one, i) => sum + Math.max(0, one - (seen[i] ?? 0)) / SLICES, 0);
  };
  let least = lost({});
  if (least <= HIDDEN) return {};
  let best: Record<string, Place> = {};
  // The picture has room only where it is cut.
  const wide = size.widthPx / size.heightPx > book.cover.widthPx / book.cover.heightPx;
  const { focus } = part;
  for (const scale of TITLES) {
    const title: Record<string, Place> =
      words?.kind === 'words' && scale < 1 ? { [words.id]: scaled(words, sizeOf(words, there), scale) } : {};
    for (const by of CROPS) {
      const at = { x: clamp(focus.x + (wide ? 0 : by), 0, 1), y: clamp(focus.y + (wide ? by : 0), 0, 1) };
      const places = { ...title, [part.id]: { focus: at } };
      const found = lost(places);
      if (found < least - LITTLE) [least, best] = [found, places];
      if (least <= HIDDEN) return best;
    }
  }
  return best;
}
