import { type Finding, finding, never } from '../base';
import { type Brief, wordsOf } from '../book';
import type { Hex } from '../colour';
import {
  type Area,
  type Doc,
  type GroundPart,
  type Part,
  type PicturePart,
  type ScrimPart,
  type WordsPart,
  inOrder,
} from '../cover';
import { type Ink, type InkItem, type Paint, type Stop, fill, flat, image } from '../ink';
import { type Rect, cropToFill, joinPaths, rectPath, rotateAbout, smoothstep } from '../plane';
import { type Block, FALLBACK_CUT, type Shaper, layOut } from '../text';

/** The name under which a picture part finds its image. */
export const imageOf = (part: PicturePart): string => (part.source.kind === 'asset' ? part.source.asset : 'mockup');

export type Needs = { readonly cuts: readonly string[]; readonly images: readonly string[] };

/** The fonts and pictures that `compose` will ask for. */
export function needs(doc: Doc): Needs {
  const cuts = new Set<string>([FALLBACK_CUT]);
  const images = new Set<string>();
  for (const part of Object.values(doc.parts)) {
    if (part.kind === 'words') {
      cuts.add(part.cut);
      if (part.minor) cuts.add(part.minor.cut);
    } else if (part.kind === 'picture') images.add(imageOf(part));
  }
  return { cuts: [...cuts], images: [...images] };
}

export type Resources = {
  readonly shaper: Shaper;
  /** Sizes of the images, upright. */
  readonly images: ReadonlyMap<string, { readonly widthPx: number; readonly heightPx: number }>;
};

/** A scrim that the engine adds behind words; it is drawn over pictures and under shapes and words. */
export type AddedScrim = Pick<ScrimPart, 'from' | 'hold' | 'reach' | 'colour' | 'opacity'> & {
  readonly parts: readonly string[];
};

export type Composition = {
  readonly ink: Ink;
  /** Set words by part. */
  readonly blocks: ReadonlyMap<string, Block>;
  /** Frame of every part in pixels: the area, or for words the box of their letters. */
  readonly frames: ReadonlyMap<string, Rect>;
  readonly findings: readonly Finding[];
};

/** Words set smaller than this fraction of the cover's width are reported. */
export const SMALL_WORDS = 0.02;

export const areaPx = (area: Area, doc: { widthPx: number; heightPx: number }): Rect => ({
  x: area.x * doc.widthPx,
  y: area.y * doc.heightPx,
  width: area.width * doc.widthPx,
  height: area.height * doc.heightPx,
});

/** Turns a document into its display list. Pure: equal input gives an equal list. Fonts must be loaded. */
export function compose(doc: Doc, brief: Brief, resources: Resources, added: readonly AddedScrim[] = []): Composition {
  const parts = inOrder(doc);
  const blocks = setAllWords(parts, doc, brief, resources.shaper);
  const frames = new Map<string, Rect>();
  const findings: Finding[] = [];
  const items: InkItem[] = [];
  const lastPicture = parts.findLastIndex((part) => part.kind === 'picture' || part.kind === 'ground');
  parts.forEach((part, i) => {
    const block = blocks.get(part.id);
    const frame = block ? block.box : 'area' in part ? areaPx(part.area, doc) : wholeOf(doc);
    frames.set(part.id, frame);
    if (!part.hidden) items.push(...inkOf(part, frame, doc, resources, block));
    if (!part.hidden && block && part.kind === 'words') findings.push(...wordFindings(part, block, doc));
    if (i === lastPicture) for (const scrim of added) items.push(scrimInk(scrim, doc, null));
  });
  return { ink: { widthPx: doc.widthPx, heightPx: doc.heightPx, items }, blocks, frames, findings };
}

const wholeOf = (doc: Doc): Rect => ({ x: 0, y: 0, width: doc.widthPx, height: doc.heightPx });

/** The text of a words part as it will be set. */
export const textOf = (part: WordsPart, brief: Brief): string =>
  part.says.kind === 'brief' ? wordsOf(brief, part.says.field) : part.says.text;

/** Sets parts after those they hang under. An empty part passes its own place on to what hangs under it. */
function setAllWords(parts: readonly Part[], doc: Doc, brief: Brief, shaper: Shaper): Map<string, Block> {
  const words = parts.filter((part): part is WordsPart => part.kind === 'words');
  const byId = new Map(words.map((part) => [part.id, part]));
  const blocks = new Map<string, Block>();
  const setting = new Set<string>();
  const setOne = (part: WordsPart): Block => {
    const known = blocks.get(part.id);
    if (known) return known;
    setting.add(part.id);
    const area = areaPx(part.area, doc);
    const above = part.follows ? byId.get(part.follows.part) : undefined;
    let from = area;
    if (above && part.follows && !setting.has(above.id)) {
      const { box } = setOne(above);
      const gap = box.height > 0 ? part.follows.gap * doc.heightPx : 0;
      from = { ...area, y: box.y + box.height + gap };
    }
    const block = layOut(shaper, specOf(part, textOf(part, brief), doc.widthPx), from);
    blocks.set(part.id, block);
    setting.delete(part.id);
    return block;
  };
  words.forEach(setOne);
  return blocks;
}

function specOf(part: WordsPart, text: string, widthPx: number) {
  return {
    text,
    cut: part.cut,
    tracking: part.tracking,
    leading: part.leading,
    upper: part.upper,
    align: part.align,
    alignY: part.follows ? ('top' as const) : part.alignY,
    sizePx: part.size === null ? null : part.size * widthPx,
    maxPx: part.maxSize * widthPx,
    minor: part.minor,
  };
}

function wordFindings(part: WordsPart, block: Block, doc: Doc): Finding[] {
  const found: Finding[] = [];
  const px = Math.round(block.sizePx);
  if (block.words.length > 0 && block.sizePx < SMALL_WORDS * doc.widthPx) {
    found.push(finding('words-small', 'should', part.id, { px, least: Math.round(SMALL_WORDS * doc.widthPx) }));
  }
  if (block.overflows) found.push(finding('words-overflow', 'should', part.id, { px }));
  if (block.missing.length > 0) {
    found.push(finding('letters-missing', 'must', part.id, { letters: block.missing.join(' ') }));
  } else if (block.borrowed.length > 0) {
    found.push(finding('letters-borrowed', 'note', part.id, { letters: block.borrowed.join(' ') }));
  }
  return found;
}

function inkOf(part: Part, frame: Rect, doc: Doc, resources: Resources, block: Block | undefined): InkItem[] {
  const more = {
    part: part.id,
    blend: part.blend,
    opacity: part.opacity,
    transform:
      part.turnRad === 0 ? null : rotateAbout(part.turnRad, frame.x + frame.width / 2, frame.y + frame.height / 2),
  };
  switch (part.kind) {
    case 'ground':
      return [fill(rectPath(wholeOf(doc)), groundPaint(part.paint, doc), more)];
    case 'picture': {
      const size = resources.images.get(imageOf(part));
      return size ? [pictureInk(part, size, frame, more)] : [];
    }
    case 'shape':
      return [fill(rectPath(frame, part.radius * Math.min(frame.width, frame.height)), flat(part.colour), more)];
    case 'scrim':
      return [{ ...scrimInk(part, doc, part.id), ...more }];
    case 'words': {
      if (!block || block.words.length === 0) return [];
      const ink = (colour: Hex, minor: boolean): InkItem[] => {
        const words = block.words.filter((word) => (part.minor !== null && word.minor) === minor);
        return words.length === 0 ? [] : [fill(joinPaths(words.map((word) => word.path)), flat(colour), more)];
      };
      return [...ink(part.colour, false), ...(part.minor ? ink(part.minor.colour, true) : [])];
    }
    default:
      return never(part);
  }
}

function pictureInk(
  part: PicturePart,
  size: { widthPx: number; heightPx: number },
  frame: Rect,
  more: Partial<InkItem>,
): InkItem {
  const id = imageOf(part);
  if (part.fit === 'fill') return image(id, cropToFill(size, frame, part.focus, part.zoom), frame, more);
  const k = Math.min(frame.width / size.widthPx, frame.height / size.heightPx) * part.zoom;
  const width = size.widthPx * k;
  const height = size.heightPx * k;
  const to = { x: frame.x + (frame.width - width) / 2, y: frame.y + (frame.height - height) / 2, width, height };
  return image(id, { x: 0, y: 0, width: size.widthPx, height: size.heightPx }, to, more);
}

function groundPaint(paint: GroundPart['paint'], doc: Doc): Paint {
  const { widthPx: w, heightPx: h } = doc;
  const stops = (colours: readonly Hex[]): Stop[] =>
    colours.map((colour, i) => ({ at: i / (colours.length - 1), colour, opacity: 1 }));
  switch (paint.kind) {
    case 'flat':
      return flat(paint.colour);
    case 'linear': {
      // The gradient line reaches the corners, as the CSS images standard has it.
      const c = Math.cos(paint.angleRad);
      const s = Math.sin(paint.angleRad);
      const half = (Math.abs(w * c) + Math.abs(h * s)) / 2;
      return {
        kind: 'linear',
        from: { x: w / 2 - c * half, y: h / 2 - s * half },
        to: { x: w / 2 + c * half, y: h / 2 + s * half },
        stops: stops(paint.colours),
      };
    }
    case 'radial':
      return {
        kind: 'radial',
        centre: { x: w / 2, y: h / 2 },
        radius: Math.hypot(w, h) / 2,
        stops: stops(paint.colours),
      };
    default:
      return never(paint);
  }
}

type ScrimShape = Pick<ScrimPart, 'from' | 'hold' | 'reach' | 'colour' | 'opacity'>;

/** Opacity of a scrim at a height (fraction of the cover), for strength 1: full to `hold`, eased to nothing at `reach`. */
export function scrimAt(scrim: Pick<ScrimShape, 'from' | 'hold' | 'reach'>, y: number): number {
  const fromEdge = scrim.from === 'top' ? y : 1 - y;
  return 1 - smoothstep(scrim.hold, Math.max(scrim.hold + 1e-6, scrim.reach), fromEdge);
}

function scrimInk(scrim: ScrimShape, doc: Doc, part: string | null): InkItem {
  const steps = 16;
  const stops: Stop[] = Array.from({ length: steps + 1 }, (_, i) => ({
    at: i / steps,
    colour: scrim.colour,
    opacity:
      Math.round(scrimAt({ from: 'top', hold: scrim.hold, reach: scrim.reach }, (i / steps) * scrim.reach) * 1000) /
      1000,
  }));
  const reach = scrim.reach * doc.heightPx;
  const top = scrim.from === 'top';
  const box = { x: 0, y: top ? 0 : doc.heightPx - reach, width: doc.widthPx, height: reach };
  const paint: Paint = {
    kind: 'linear',
    from: { x: 0, y: top ? 0 : doc.heightPx },
    to: { x: 0, y: top ? reach : doc.heightPx - reach },
    stops,
  };
  return fill(rectPath(box), paint, { part, opacity: scrim.opacity });
}
