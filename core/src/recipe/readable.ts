import { type Hex, contrastOf, luminance, rgbOf } from '../colour';
import { type QuietPlace, areaPx, busyness, quietestPlace } from '../compose';
import { type Area, SAFE, coloursOf } from '../cover';
import { ENOUGH } from '../glance';
import type { Raster } from '../pixels';
import type { Rect } from '../plane';
import type { Book } from '../project';
import { coverRaster } from './cover';
import type { Studio } from './studio';

/** Where new words land and the colour they read in there. */
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

/**
 * A place and a colour for new words: where they are meant to stand if some colour reads there, else in the calmest place
 * that has room; in a colour of the cover's own words before others. What is measured is the finished cover.
 */
export async function landing(book: Book, area: Area, studio: Studio): Promise<Landing> {
  const under = await coverRaster(book, LOOK_PX, studio);
  const size = { widthPx: under.width, heightPx: under.height };
  const { cover } = book;
  const words = Object.values(cover.parts).flatMap((p) => (p.kind === 'words' && !p.hidden ? [p.colour] : []));
  const colours = [...new Set<Hex>([...words, '#fbf8f1', '#17191c', ...coloursOf(cover), '#ffffff', '#000000'])];
  const best = (place: Area): Landing => {
    const box = areaPx(place, size);
    const tried = colours.map((colour) => ({ area: place, colour, contrast: reached(under, box, colour) }));
    return (
      tried.find(({ contrast }) => contrast >= ENOUGH) ?? tried.reduce((a, b) => (b.contrast > a.contrast ? b : a))
    );
  };
  const meant = best(area);
  if (meant.contrast >= ENOUGH) return meant;
  const safe = { x: SAFE, y: (SAFE * cover.widthPx) / cover.heightPx };
  const calm: QuietPlace | null = quietestPlace(busyness(under, 24), area, safe);
  if (!calm) return meant;
  const moved = best({ ...area, x: calm.x, y: calm.y });
  return moved.contrast > meant.contrast ? moved : meant;
}
