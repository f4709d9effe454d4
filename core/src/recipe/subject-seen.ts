import { type Composition, cropShare, imageOf } from '../compose';
import { type Doc, type PicturePart, inOrder } from '../cover';
import type { Images } from '../ink';
import { type Raster, raster } from '../pixels';
import { type Rect, contains } from '../plane';
import type { PictureFacts } from '../sketch';
import type { Studio } from './studio';

/** Width at which it is measured, px. */
const WIDTH_PX = 160;
/** As much of a picture must come through what lies over it for its subject to be seen there: a scrim lets that through, a plate does not. */
const THROUGH = 0.4;
/** A picture blurred by more of its width than this shows colours and no subject. */
const BLURRED = 0.02;

/**
 * How much of what its pictures are about is seen on a painted cover, 0..1: the least of them; 1 where none has a subject. Each picture is
 * painted once as white and once as black, with all that lies over it as it is: by how much that changes a pixel says how much of the
 * picture comes through there, whatever covers it. What a crop or a mask leaves out is not seen either, nor what lies
 * between the letters of words.
 */
export function subjectSeen(
  doc: Doc,
  { ink, blocks }: Composition,
  images: Images,
  pictures: readonly PictureFacts[],
  studio: Pick<Studio, 'paint' | 'imageOf'>,
): number {
  return Math.min(
    1,
    ...pictures.map((facts) => {
      const seen = facts.subject.clear ? seenIn(doc, { ink, blocks }, images, facts, studio) : null;
      return seen ? seen(facts.subject) : 1;
    }),
  );
}

/**
 * The same for a number of slices of a picture's subject, from its top to its foot: who is hidden to the knees is hidden, however large the light
 * around them is. Empty where the picture has no subject, or is not shown.
 */
export function slicesSeen(
  doc: Doc,
  composition: Pick<Composition, 'ink' | 'blocks'>,
  images: Images,
  facts: PictureFacts,
  slices: number,
  studio: Pick<Studio, 'paint' | 'imageOf'>,
): number[] {
  const { subject } = facts;
  const seen = subject.clear ? seenIn(doc, composition, images, facts, studio) : null;
  if (!seen) return [];
  const rows = subject.cells.reduce<number[]>((found, weight, i) => {
    const row = Math.floor(i / subject.columns);
    return weight > 0 && found.at(-1) !== row ? [...found, row] : found;
  }, []);
  const [top, foot] = [rows[0] ?? 0, rows.at(-1) ?? 0];
  const tall = (foot - top + 1) / slices;
  return Array.from({ length: slices }, (_, n) => {
    const within = (i: number): boolean => Math.floor((Math.floor(i / subject.columns) - top) / tall) === n;
    const cells = subject.cells.map((weight, i) => (within(i) ? weight : 0));
    return cells.some((weight) => weight > 0) ? seen({ ...subject, cells }) : 1;
  });
}

/** How to ask how much of a subject is seen where a picture is shown; null where it is not. */
function seenIn(
  doc: Doc,
  { ink, blocks }: Pick<Composition, 'ink' | 'blocks'>,
  images: Images,
  facts: PictureFacts,
  studio: Pick<Studio, 'paint' | 'imageOf'>,
): ((subject: PictureFacts['subject']) => number) | null {
  const parts = inOrder(doc).filter(
    (part): part is PicturePart => part.kind === 'picture' && !part.hidden && shows(part, facts.asset),
  );
  if (parts.length === 0) return null;
  const names = parts.map(imageOf);
  const painted = (value: number): Uint8ClampedArray => {
    const flat = raster(2, 2);
    flat.data.fill(255);
    for (let i = 0; i < 4; i++) flat.data.fill(value, i * 4, i * 4 + 3);
    const image = studio.imageOf(flat);
    return studio.paint(ink, WIDTH_PX, new Map([...images, ...names.map((name) => [name, image] as const)])).data;
  };
  const [white, black] = [painted(255), painted(0)];
  const through = (pixel: number): number => (white[pixel * 4 + 1] - black[pixel * 4 + 1]) / 255;
  const boxes = [...blocks.values()].map(({ box }) => box);
  return (subject) => shareSeen({ ...facts, subject }, parts, doc, boxes, through);
}

/** The share of a cover's pixels, those that change most, by which it is told that a picture is there. */
const TELLING = 0.02;

/**
 * How much of its pictures is to be seen on a painted cover at all, 0..1: the least of them, 1 where it has none. Each is painted as it is and
 * as nothing but its own mean colour: the mean change, of the channel that changes most, over the fiftieth of the cover that changes most.
 */
export function pictureShows(
  doc: Doc,
  { ink }: Composition,
  images: Images,
  pictures: readonly PictureFacts[],
  studio: Pick<Studio, 'paint' | 'imageOf' | 'pixelsOf'>,
): number {
  let least = 1;
  const paint = (shown: Images): Uint8ClampedArray => studio.paint(ink, WIDTH_PX, shown).data;
  const asIs = pictures.length > 0 ? paint(images) : new Uint8ClampedArray();
  for (const { asset } of pictures) {
    const names = inOrder(doc).flatMap((part) =>
      part.kind === 'picture' && !part.hidden && part.source.kind === 'asset' && part.source.asset === asset
        ? [imageOf(part)]
        : [],
    );
    const flats = names.flatMap((name) => {
      const image = images.get(name);
      return image ? [[name, studio.imageOf(meanOf(studio.pixelsOf(image)))] as const] : [];
    });
    if (flats.length === 0) continue;
    const flat = paint(new Map([...images, ...flats]));
    const change = new Float32Array(flat.length / 4);
    for (const [i, one] of flat.entries())
      if (i % 4 < 3) change[i >> 2] = Math.max(change[i >> 2], Math.abs(one - asIs[i]));
    change.sort();
    const most = change.subarray(Math.floor(change.length * (1 - TELLING)));
    least = Math.min(least, most.reduce((sum, one) => sum + one, 0) / most.length / 255);
  }
  return least;
}

/** A picture of one colour: the mean of another, by its opaque pixels. */
function meanOf({ data }: Raster): Raster {
  const sum = [0, 0, 0, 1e-9];
  for (let i = 0; i < data.length; i += 4) {
    for (let c = 0; c < 3; c++) sum[c] += data[i + c] * data[i + 3];
    sum[3] += data[i + 3];
  }
  const out = raster(2, 2);
  for (let i = 0; i < 16; i += 4) out.data.set([sum[0] / sum[3], sum[1] / sum[3], sum[2] / sum[3], 255], i);
  return out;
}

/** Whether a part shows a picture so that its subject is meant to be seen. */
function shows({ source, look }: PicturePart, asset: string): boolean {
  const flat = look.tint !== null && look.tint.amount >= 1 && look.tint.dark === look.tint.light;
  return source.kind === 'asset' && source.asset === asset && look.blur <= BLURRED && !flat;
}

function shareSeen(
  { subject, widthPx, heightPx }: PictureFacts,
  parts: readonly PicturePart[],
  doc: Doc,
  words: readonly Rect[],
  through: (pixel: number) => number,
): number {
  const tall = Math.round((WIDTH_PX * doc.heightPx) / doc.widthPx);
  const frames = parts.map((part) => placeOf(part, { widthPx, heightPx }, doc));
  let [seen, all] = [0, 1e-9];
  subject.cells.forEach((weight, i) => {
    if (weight <= 0) return;
    all += weight;
    const u = ((i % subject.columns) + 0.5) / subject.columns;
    const v = (Math.floor(i / subject.columns) + 0.5) / subject.rows;
    const best = frames.map(({ x, y, width, height, crop }) => {
      const [s, t] = [(u - crop.x) / crop.width, (v - crop.y) / crop.height];
      if (s < 0 || t < 0 || s >= 1 || t >= 1) return 0;
      const column = Math.floor((x + s * width) * WIDTH_PX);
      const row = Math.floor((y + t * height) * tall);
      const at = { x: ((column + 0.5) / WIDTH_PX) * doc.widthPx, y: ((row + 0.5) / tall) * doc.heightPx };
      if (column < 0 || row < 0 || column >= WIDTH_PX || row >= tall || words.some((box) => contains(box, at)))
        return 0;
      return through(row * WIDTH_PX + column);
    });
    if (Math.max(...best) >= THROUGH) seen += weight;
  });
  return seen / all;
}

/** Where a picture lies on the cover, in fractions of it, and which part of it that is. */
function placeOf(part: PicturePart, size: { widthPx: number; heightPx: number }, doc: Doc) {
  const { area } = part;
  const px = { x: 0, y: 0, width: area.width * doc.widthPx, height: area.height * doc.heightPx };
  if (part.fit !== 'whole') return { ...area, crop: cropShare(size, px, part.focus, part.zoom) };
  const k = Math.min(px.width / size.widthPx, px.height / size.heightPx) * part.zoom;
  const [width, height] = [(size.widthPx * k) / doc.widthPx, (size.heightPx * k) / doc.heightPx];
  const [x, y] = [area.x + (area.width - width) / 2, area.y + (area.height - height) / 2];
  return { x, y, width, height, crop: { x: 0, y: 0, width: 1, height: 1 } };
}
