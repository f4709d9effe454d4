import { type Hex, contrastOf, luminance, rgbOf } from '../colour';
import { areaPx, busyness, compose, quietestPlace } from '../compose';
import { type Area, type Doc, SAFE, coloursOf, isDrawn } from '../cover';
import { ENOUGH } from '../glance';
import type { Raster } from '../pixels';
import { type Rect, intersect } from '../plane';
import type { Book } from '../project';
import { coverRaster } from './cover';
import { gather } from './gather';
import type { Studio } from './studio';

/** Where something that is added lands and the colour it reads in there. */
export type Landing = { readonly area: Area; readonly colour: Hex; readonly contrast: number };

const LOOK_PX = 240;

/** What nine tenths of a box reach against a colour. */
function reached(under: Raster, box: Rect, hex: Hex): number {
  const own = luminance(rgbOf(hex));
  const ratios: number[] = [];
  const x1 = Math.min(under.width, Math.ceil(box.x + box.width));
  const y1 = Math.min(under.height, Math.ceil(box.y + box.height));
  for (let y = Math.max(0, Math.floor(box.y)); y < y1; y++) {
    for (let x = Math.max(0, Math.floor(box.x)); x < x1; x++) {
      const p = (y * under.width + x) * 4;
      ratios.push(contrastOf(own, luminance([under.data[p], under.data[p + 1], under.data[p + 2]])));
    }
  }
  ratios.sort((a, b) => a - b);
  return ratios[Math.floor(ratios.length * 0.1)] ?? 0;
}

/** Contrast at which a shape or a line is seen. */
export const SEEN = 2;

/** A colour of the cover's own that is seen on what is painted in an area, or the one that is seen best there. */
export async function seenOn(book: Book, area: Area, studio: Studio): Promise<Hex> {
  const under = await coverRaster(book, LOOK_PX, studio);
  const box = areaPx(area, { widthPx: under.width, heightPx: under.height });
  const tried = coloursFor(book.cover).map((hex) => ({ hex, contrast: reached(under, box, hex) }));
  return (tried.find(({ contrast }) => contrast >= SEEN) ?? tried.reduce((a, b) => (b.contrast > a.contrast ? b : a)))
    .hex;
}

/** Colours to be tried for what is added: those of the cover's words, then others. */
function coloursFor(cover: Doc): Hex[] {
  const words = Object.values(cover.parts).flatMap((p) => (p.kind === 'words' && !p.hidden ? [p.colour] : []));
  return [...new Set<Hex>([...words, '#fbf8f1', '#17191c', ...coloursOf(cover), '#ffffff', '#000000'])];
}

/** Frames, px, of what nothing should be laid over: words, marks and drawings. */
function mattering(book: Book, frames: ReadonlyMap<string, Rect>): Rect[] {
  return Object.values(book.cover.parts).flatMap((part) => {
    const counts = part.kind === 'words' || (part.kind === 'shape' && (part.role === 'mark' || isDrawn(part)));
    const frame = frames.get(part.id);
    return counts && !part.hidden && frame ? [frame] : [];
  });
}

/**
 * A place and a colour for what is added: where it is meant to stand if that is free and some colour reads there, else the
 * calmest place that lies on no words and no mark; in a colour of the cover's own words before others. What is measured is
 * the finished cover. `enough` is the contrast that is asked for: a shape needs less than words.
 */
export async function landing(book: Book, area: Area, studio: Studio, enough = ENOUGH): Promise<Landing> {
  const under = await coverRaster(book, LOOK_PX, studio);
  const size = { widthPx: under.width, heightPx: under.height };
  const { cover } = book;
  const { resources } = await gather(cover, book.brief, studio, LOOK_PX);
  const taken = mattering(book, compose({ ...cover, ...size }, book.brief, resources).frames);
  const colours = coloursFor(cover);
  const best = (place: Area): Landing => {
    const box = areaPx(place, size);
    const tried = colours.map((colour) => ({ area: place, colour, contrast: reached(under, box, colour) }));
    return (
      tried.find(({ contrast }) => contrast >= enough) ?? tried.reduce((a, b) => (b.contrast > a.contrast ? b : a))
    );
  };
  const meant = best(area);
  const box = areaPx(area, size);
  const free = taken.every((frame) => intersect(box, frame).width <= 0 || intersect(box, frame).height <= 0);
  if (meant.contrast >= enough && free) return meant;
  const safe = { x: SAFE, y: (SAFE * cover.widthPx) / cover.heightPx };
  const shares = taken.map(({ x, y, width, height }) => ({
    x: x / size.widthPx,
    y: y / size.heightPx,
    width: width / size.widthPx,
    height: height / size.heightPx,
  }));
  const calm = quietestPlace(busyness(under, 24), area, safe, shares);
  if (!calm) return meant;
  const moved = best({ ...area, x: calm.x, y: calm.y });
  return !free || moved.contrast > meant.contrast ? moved : meant;
}
