import type { Finding } from '../../base';
import { contrastOf, luminance } from '../../colour';
import type { Raster } from '../../pixels';
import type { Profile } from '../profile';
import { graveFirst, must, should } from './severity';

export const EDGES = ['top', 'right', 'bottom', 'left'] as const;
type Edge = (typeof EDGES)[number];

/** An edge whose pixels have less contrast than this with a white page is lost on it. */
export const LEAST_EDGE_CONTRAST = 1.25;
/** Share of an edge's pixels that may be as pale as that. */
const MOST_PALE = 0.6;
/** A channel of at least this is white to the eye. */
const WHITE = 248;

type Walk = { readonly length: number; readonly depth: number; index(along: number, inward: number): number };

/** The pixels of a picture as seen from one edge: along it and inward. */
function walk({ width, height }: Raster, edge: Edge): Walk {
  const at = (x: number, y: number): number => (y * width + x) * 4;
  switch (edge) {
    case 'top':
      return { length: width, depth: height, index: (a, i) => at(a, i) };
    case 'bottom':
      return { length: width, depth: height, index: (a, i) => at(a, height - 1 - i) };
    case 'left':
      return { length: height, depth: width, index: (a, i) => at(i, a) };
    case 'right':
      return { length: height, depth: width, index: (a, i) => at(width - 1 - i, a) };
  }
}

/** Edges that would vanish on a white page: most of their outermost two pixels are nearly white. */
export function paleEdges(picture: Raster): Edge[] {
  const { data } = picture;
  return EDGES.filter((edge) => {
    const { length, index } = walk(picture, edge);
    let pale = 0;
    for (let a = 0; a < length; a++) {
      for (let i = 0; i < 2; i++) {
        const p = index(a, i);
        if (contrastOf(1, luminance([data[p], data[p + 1], data[p + 2]])) < LEAST_EDGE_CONTRAST) pale++;
      }
    }
    return pale > length * 2 * MOST_PALE;
  });
}

/**
 * Borders of empty white, px by edge: rows without a mark that end at a straight edge, where more than four fifths of a
 * row are coloured. White ground behind words ends nowhere like that and is none.
 */
export function emptyBorders(picture: Raster): { edge: Edge; px: number }[] {
  const { data } = picture;
  const found: { edge: Edge; px: number }[] = [];
  for (const edge of EDGES) {
    const { length, depth, index } = walk(picture, edge);
    const marks = (inward: number): number => {
      let count = 0;
      for (let a = 0; a < length; a++) {
        const p = index(a, inward);
        if (data[p] < WHITE || data[p + 1] < WHITE || data[p + 2] < WHITE) count++;
      }
      return count;
    };
    let px = 0;
    while (px < depth / 2 && marks(px) <= length * 0.002) px++;
    // Within two rows of it the straight edge begins: codecs make it soft. Borders at the ends of a row are not counted.
    const solid = px < depth / 2 && Math.max(marks(px), marks(px + 1), marks(px + 2)) > length * 0.5;
    if (px >= Math.max(3, depth * 0.01) && solid) found.push({ edge, px });
  }
  return found;
}

/** What the pixels of a finished image mean to a store. */
export function checkPixels(picture: Raster, profile: Profile): Finding[] {
  const found: Finding[] = [];
  if (profile.edgeLine) {
    const pale = paleEdges(picture);
    if (pale.length > 0) found.push(should('store-pale-edge', { edges: pale.join(', ') }));
  }
  if (profile.content.includes('no-empty-border')) {
    for (const { edge, px } of emptyBorders(picture)) found.push(must('store-empty-border', { edge, px }));
  }
  return graveFirst(found);
}

/** Grey of the line, contrast about 3 : 1 with white; and its width for a cover of that many pixels: 3 to 4 px where it is 1600 wide. */
const LINE = [148, 148, 148] as const;
export const edgeLinePx = (widthPx: number): number => Math.max(1, Math.round((widthPx / 1600) * 3.4));

/** The picture with a grey line just inside its edges; the source is not changed. */
export function withEdgeLine(source: Raster): Raster {
  const data = source.data.slice();
  const px = edgeLinePx(source.width);
  for (const edge of EDGES) {
    const { length, index } = walk(source, edge);
    for (let a = 0; a < length; a++) for (let i = 0; i < px; i++) data.set(LINE, index(a, i));
  }
  return { ...source, data };
}
