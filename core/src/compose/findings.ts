import { type Finding, finding } from '../base';
import { type Doc, type Part, type PicturePart, SAFE, type WordsPart } from '../cover';
import type { Rect } from '../plane';
import { type Block, type Shaper, familyOf } from '../text';
import { imageOf } from './needs';

/** Words set smaller than this fraction of the cover's width are reported. */
export const SMALL_WORDS = 0.02;

/** A gap at an edge up to this fraction of the width is a sliver and not a margin. */
const SLIVER = 0.02;

export function wordFindings(part: WordsPart, block: Block, doc: Doc, shaper: Shaper): Finding[] {
  const found: Finding[] = [];
  if (block.words.length > 0 && !shaper.has(part.cut)) found.push(finding('face-missing', 'must', part.id));
  const px = Math.round(block.sizePx);
  const least = part.leastSize === null ? 0 : Math.round(part.leastSize * doc.widthPx);
  if (block.words.length > 0 && least > 0 && px < least) {
    found.push(finding('words-below-least', 'should', part.id, { px, least }));
  } else if (block.words.length > 0 && block.sizePx < SMALL_WORDS * doc.widthPx) {
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

/** A picture that a part draws and that is not there: what is painted is not the cover. */
export function missingFindings(part: Part, images: ReadonlyMap<string, unknown>): Finding[] {
  const names =
    part.kind === 'picture'
      ? [imageOf(part)]
      : (part.kind === 'words' || part.kind === 'shape') && part.fill?.kind === 'picture'
        ? [part.fill.asset]
        : part.kind === 'ground' && part.paint.kind === 'picture'
          ? [part.paint.asset]
          : [];
  return names.some((name) => !images.has(name)) ? [finding('picture-lost', 'must', part.id)] : [];
}

/** Letters that reach over an edge of the cover, or into the margin that is cut or covered easily. `ink` is their box, px. */
export function outsideFindings(part: WordsPart, ink: Rect, doc: Doc): Finding[] {
  if (doc.finished || ink.width === 0) return [];
  const past = (margin: number): { edge: Edge; px: number } => {
    const gaps: [Edge, number][] = [
      ['left', margin - ink.x],
      ['right', ink.x + ink.width - (doc.widthPx - margin)],
      ['top', margin - ink.y],
      ['bottom', ink.y + ink.height - (doc.heightPx - margin)],
    ];
    const [edge, px] = gaps.reduce((a, b) => (b[1] > a[1] ? b : a));
    return { edge, px: Math.round(px) };
  };
  const cut = past(0);
  if (cut.px >= 1) return [finding('words-outside', 'must', part.id, cut)];
  const near = past(SAFE * doc.widthPx);
  return near.px >= 1 ? [finding('words-unsafe', 'should', part.id, near)] : [];
}

export type Edge = 'left' | 'right' | 'top' | 'bottom';

/** Edges at which a picture nearly, but not quite, reaches the edge of the cover, with the gap in px. */
export function slivers(part: PicturePart, frame: Rect, doc: Doc): { edge: Edge; px: number }[] {
  if (part.hidden || part.turnRad !== 0 || part.mask || part.fit === 'whole' || doc.finished) return [];
  const gaps: { edge: Edge; px: number; along: boolean }[] = [
    { edge: 'left', px: frame.x, along: false },
    { edge: 'right', px: doc.widthPx - frame.x - frame.width, along: false },
    { edge: 'top', px: frame.y, along: true },
    { edge: 'bottom', px: doc.heightPx - frame.y - frame.height, along: true },
  ];
  return gaps
    .filter(({ px }) => px > 0.25 && px <= SLIVER * doc.widthPx)
    .filter(({ along }) => (along ? frame.width > 0.5 * doc.widthPx : frame.height > 0.3 * doc.heightPx))
    .map(({ edge, px }) => ({ edge, px: Math.round(px * 10) / 10 }));
}

export function pictureFindings(part: PicturePart, frame: Rect, doc: Doc): Finding[] {
  return slivers(part, frame, doc).map(({ edge, px }) => finding('picture-sliver', 'should', part.id, { edge, px }));
}

/** The families of the words in view; a third one is reported. */
export function faceFindings(doc: Doc): Finding[] {
  const names = new Set<string>();
  for (const part of Object.values(doc.parts)) {
    if (part.kind !== 'words' || part.hidden) continue;
    for (const cut of [part.cut, part.minor?.cut, ...part.accents.map((a) => a.cut)]) {
      if (cut) names.add(familyOf(cut)?.name ?? 'a font of your own');
    }
  }
  return names.size > 2
    ? [finding('faces-many', 'should', null, { count: names.size, names: [...names].join(', ') })]
    : [];
}
