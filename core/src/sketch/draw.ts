import { type Result, fail, ok } from '../base';
import type { Brief } from '../book';
import { readableOn } from '../colour';
import { setAllWords } from '../compose';
import { type Doc, type PartSeed, type WordsPart, docOf, inOrder, newShape, plainLook } from '../cover';
import type { Rect } from '../plane';
import { type Symbols, ideasOf } from '../symbols';
import type { Block, Shaper } from '../text';
import { Board, SAFE, type Setting, leastSize } from './board';
import { factsOf } from './facts';
import { mannerOf, setAs } from './pairings';
import { ruleOf } from './genres';
import { lookOfGrade } from './grades';
import { type PictureFacts, gradedFacts } from './picture';
import type { Sketch } from './sketch';
import { findStructure } from './structures';

/** What every sketch of a sheet is made from. */
export type SketchGround = {
  readonly brief: Brief;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly pictures: readonly PictureFacts[];
  /** The author's name larger than is usual for its kind. */
  readonly authorLarge: boolean;
  /** The symbols that ship; those of other books' sketches are found here too. */
  readonly symbols: Symbols;
  /** A mark that must stand on every cover. */
  readonly mark: Setting['mark'];
};

/** The symbols that a sheet plays with: what the words bring to mind, else what stands for the kind of book. */
export const symbolsFor = ({ brief, symbols }: Pick<SketchGround, 'brief' | 'symbols'>): string[] =>
  ideasOf(symbols, [brief.title, brief.subtitle], brief.language, ruleOf(brief.genres).symbols);

/** By how much a name that sells is larger. */
const LARGE_NAME = 1.7;

/**
 * The cover of a sketch: a full document, or why it cannot be. Faults: `sketch-unknown` (no such structure),
 * `sketch-misfit` (`why`: pictures, symbols, pixels, words, letters, edge, overlap, small, mark).
 */
export function drawSketch(sketch: Sketch, on: SketchGround, shaper: Shaper): Result<Doc> {
  const structure = findStructure(sketch.structure);
  if (!structure) return fail('sketch-unknown', { structure: sketch.structure });
  const pictures = sketch.pictures.flatMap((id) => on.pictures.filter((p) => p.asset === id));
  if (pictures.length < structure.asks.pictures[0]) return fail('sketch-misfit', { why: 'pictures' });
  const symbols = sketch.symbols.flatMap((id) => on.symbols.get(id) ?? []);
  if (symbols.length < (structure.asks.symbols ?? 0)) return fail('sketch-misfit', { why: 'symbols' });
  const rule = ruleOf(on.brief.genres);
  const look = structure.asks.ungraded ? plainLook : lookOfGrade(sketch.grade, sketch.tones);
  const board = new Board({
    brief: on.brief,
    facts: factsOf(on.brief),
    widthPx: on.widthPx,
    heightPx: on.heightPx,
    pair: setAs(mannerOf(sketch.faces), rule.caps),
    tones: sketch.tones,
    pictures: pictures.map((p) => gradedFacts(p, look)),
    look,
    symbols,
    byline: rule.byline * (on.authorLarge ? LARGE_NAME : 1),
    turn: sketch.turn % structure.turns,
    mark: on.mark,
    shaper,
  });
  const parts = structure.draw(board);
  if (!parts) return fail('sketch-misfit', { why: 'words' });
  if (pictures.some((p) => !sharpEnough(p, parts, board))) return fail('sketch-misfit', { why: 'pixels' });
  const plain = docOf(on.widthPx, on.heightPx, parts);
  const wrong = misfit(plain, on.brief, shaper);
  if (wrong) return fail('sketch-misfit', { why: wrong });
  if (!on.mark || plain.parts.mark) return ok(plain);
  const marked = withMark(parts, on, board, shaper);
  return marked ? ok(marked) : fail('sketch-misfit', { why: 'mark' });
}

/** A picture shows at one pixel for three of the cover's or more, but where it is blurred or printed coarsely. */
function sharpEnough(picture: PictureFacts, parts: readonly PartSeed[], board: Board): boolean {
  return parts.every((part) => {
    if (part.kind !== 'picture' || part.source.kind !== 'asset' || part.source.asset !== picture.asset) return true;
    return part.look.blur > 0.02 || part.id === 'arch-line' || board.sharp(picture, part.area);
  });
}

const overlaps = (a: Rect, b: Rect): boolean =>
  a.x < b.x + b.width - 0.5 && b.x < a.x + a.width - 0.5 && a.y < b.y + b.height - 0.5 && b.y < a.y + a.height - 0.5;

/** Words of a document as they are set, largest boxes of letters. */
function settledWords(doc: Doc, brief: Brief, shaper: Shaper): { part: WordsPart; block: Block }[] {
  const parts = inOrder(doc);
  const blocks = setAllWords(parts, doc, brief, { shaper, syllables: null });
  return parts.flatMap((part) => {
    const block = blocks.get(part.id);
    return part.kind === 'words' && block && block.words.length > 0 ? [{ part, block }] : [];
  });
}

/** What is wrong with how the words stand: null where nothing is. */
export function misfit(doc: Doc, brief: Brief, shaper: Shaper): 'letters' | 'edge' | 'small' | 'overlap' | null {
  const set = settledWords(doc, brief, shaper);
  const edge = SAFE * doc.widthPx - 1;
  const letters = factsOf(brief).letters;
  for (const { part, block } of set) {
    if (block.borrowed.length > 0 || block.missing.length > 0) return 'letters';
    const { x, y, width, height } = block.box;
    if (x < edge || y < edge || x + width > doc.widthPx - edge || y + height > doc.heightPx - edge) return 'edge';
    const least = leastSize(part.role, letters);
    if (block.overflows || block.sizePx < least * doc.widthPx * 0.99) return 'small';
  }
  for (const [i, a] of set.entries())
    for (const b of set.slice(i + 1)) if (overlaps(a.block.box, b.block.box)) return 'overlap';
  return null;
}

const MARK = 0.085;

/** The mark in the first corner that is free of words, in the colour that reads there. */
function withMark(parts: readonly PartSeed[], on: SketchGround, board: Board, shaper: Shaper): Doc | null {
  if (!on.mark) return null;
  const plain = docOf(on.widthPx, on.heightPx, parts);
  const words = settledWords(plain, on.brief, shaper).map(({ block }) => block.box);
  const [w, h] = [MARK, board.high(MARK)];
  const inset = SAFE + 0.01;
  const places = [1 - inset - w, inset, 0.5 - w / 2].flatMap((x) =>
    [1 - board.high(inset) - h, board.high(inset)].map((y) => ({ x, y, width: w, height: h })),
  );
  const px = (a: Rect): Rect => ({
    x: a.x * on.widthPx,
    y: a.y * on.heightPx,
    width: a.width * on.widthPx,
    height: a.height * on.heightPx,
  });
  // A drawing is no surface: within its box is what it shows and what it leaves out.
  const drawings = parts.flatMap((part) =>
    part.kind === 'shape' && part.form.kind === 'drawn' ? [px(part.area)] : [],
  );
  const boxes = [...words, ...drawings];
  const pad = 0.02 * on.widthPx;
  const free = places.find((place) => {
    const { x, y, width, height } = px(place);
    const box = { x: x - pad, y: y - pad, width: width + 2 * pad, height: height + 2 * pad };
    return boxes.every((other) => !overlaps(box, other));
  });
  if (!free) return null;
  const colour = colourAt(parts, free, board);
  const mark: PartSeed = { ...newShape(on.mark, { area: free, colour, role: 'mark' }), id: 'mark' };
  return docOf(on.widthPx, on.heightPx, [...parts, mark]);
}

/** Forms that are lines or lie apart: what is behind them is what a mark stands on. */
const NO_SURFACE = new Set(['frame', 'divider', 'line', 'ribbon', 'badge']);

/** Whether a part lies under a point (fractions of the cover). */
function liesUnder(part: Extract<PartSeed, { kind: 'shape' | 'picture' }>, x: number, y: number): boolean {
  const { area } = part;
  const [u, v] = [(x - area.x) / area.width, (y - area.y) / area.height];
  const round = part.kind === 'shape' ? part.form.kind === 'ellipse' : part.mask?.kind === 'ellipse';
  return round ? Math.hypot(u - 0.5, v - 0.5) <= 0.5 : u >= 0 && v >= 0 && u <= 1 && v <= 1;
}

/** A colour that reads on the last surface below a place: a shape, a picture as it is printed, or the ground. */
function colourAt(parts: readonly PartSeed[], place: Rect, board: Board): string {
  const { words, ground } = board.tones;
  const [x, y] = [place.x + place.width / 2, place.y + place.height / 2];
  for (const part of [...parts].reverse()) {
    if ((part.kind !== 'shape' && part.kind !== 'picture') || !liesUnder(part, x, y)) continue;
    if (part.kind === 'shape') {
      if (NO_SURFACE.has(part.form.kind)) continue;
      return readableOn(words, [part.colour]);
    }
    const { tint } = part.look;
    if (tint && tint.amount >= 0.9) return readableOn(words, [tint.dark, tint.light]);
    const asset = part.source.kind === 'asset' ? part.source.asset : null;
    const picture = board.s.pictures.find((p) => p.asset === asset);
    if (!picture) continue;
    const { area } = part;
    const at = {
      x: (place.x - area.x) / area.width,
      y: (place.y - area.y) / area.height,
      width: place.width / area.width,
      height: place.height / area.height,
    };
    return board.inksOver(board.crop(picture, area).pixels, at).words;
  }
  const paint = parts.find((part) => part.kind === 'ground')?.paint;
  return readableOn(words, [paint?.kind === 'flat' ? paint.colour : paint?.kind === 'pattern' ? paint.back : ground]);
}
