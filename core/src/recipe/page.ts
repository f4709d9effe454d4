import { type Result, base64, fail, finding, ok, xml } from '../base';
import { compose, edgeColour } from '../compose';
import { dressJpeg, srgbProfile, writePng } from '../image-file';
import { outlinesOnTop } from '../ink';
import { coverPage } from '../pdf';
import { type Raster, hasTransparency, raster } from '../pixels';
import { centreOf, rectAround, rotateAbout, svgPathOf, transformPath, translate } from '../plane';
import type { Book } from '../project';
import { BEST_QUALITY } from '../stores';
import { coverAt, coverFindings, coverMeasure, coverRaster } from './cover';
import { type Delivered, PRINT_PPI } from './delivered';
import { gather } from './gather';
import { missingFile } from './missing';
import type { Studio } from './studio';

/** Sheets that a cover can be put on as a PDF, millimetres; null is the cover's own pixels at 300 to the inch. */
export const PAGE_SIZES = {
  cover: null,
  letter: { widthMm: 215.9, heightMm: 279.4 },
  a4: { widthMm: 210, heightMm: 297 },
  '6x9': { widthMm: 152.4, heightMm: 228.6 },
} as const;
export type PageWish = { readonly size: keyof typeof PAGE_SIZES; readonly ppi: 150 | 300; readonly bleedMm: 0 | 3 };
export const plainPage: PageWish = { size: 'cover', ppi: 300, bleedMm: 0 };

const toPx = (mm: number, ppi: number): number => Math.round((mm / 25.4) * ppi);

/** The pixels of the page that the cover is put on: those of the sheet with its bleed, or the cover's own. */
export function pagePixels({ cover }: Book, { size, ppi, bleedMm }: PageWish): { widthPx: number; heightPx: number } {
  const sheet = PAGE_SIZES[size];
  const bleed = 2 * toPx(bleedMm, sheet ? ppi : PRINT_PPI);
  const { widthPx, heightPx } = sheet
    ? { widthPx: toPx(sheet.widthMm, ppi), heightPx: toPx(sheet.heightMm, ppi) }
    : cover;
  return { widthPx: widthPx + bleed, heightPx: heightPx + bleed };
}

/** The cover in two layers: a picture, and over it what can stay outlines. */
async function layers(book: Book, studio: Studio) {
  const { brief, cover } = book;
  const { added } = await coverMeasure(book, studio);
  const { resources, images } = await gather(cover, brief, studio, cover.widthPx);
  const { ink, frames } = compose(cover, brief, resources, added);
  const { rest, outlines } = outlinesOnTop(ink);
  return { picture: studio.paint(rest, cover.widthPx, images), outlines, frames };
}

/** The picture reaching beyond its edges: what lies near them mirrored, so that a cut that is off shows no white. */
function bled(source: Raster, px: number): Raster {
  if (px === 0) return source;
  const { width, height, data } = source;
  const out = raster(width + 2 * px, height + 2 * px);
  const mirror = (i: number, n: number): number =>
    i < 0 ? Math.min(n - 1, -i - 1) : i >= n ? Math.max(0, 2 * n - 1 - i) : i;
  for (let y = 0; y < out.height; y++) {
    const row = mirror(y - px, height) * width;
    for (let x = 0; x < out.width; x++) {
      const p = (row + mirror(x - px, width)) * 4;
      out.data.set(data.subarray(p, p + 4), (y * out.width + x) * 4);
    }
  }
  return out;
}

/** The cover as a PDF of one page: its picture once, its words as outlines where nothing lies over them, its links live. Fault: `title-missing`. */
export async function pdfFile(
  book: Book,
  modified: string,
  studio: Studio,
  wish: PageWish = plainPage,
): Promise<Result<Delivered>> {
  if (!book.brief.title.trim()) return fail('title-missing');
  const lost = await missingFile(book, 'cover', studio);
  if (lost) return { ok: false, fault: lost };
  const sheet = PAGE_SIZES[wish.size];
  const ppi = sheet ? wish.ppi : PRINT_PPI;
  const edge = book.cover.finished && sheet ? edgeColour(await coverRaster(book, 200, studio)) : '#ffffff';
  const sized = sheet
    ? coverAt(book, { widthPx: toPx(sheet.widthMm, ppi), heightPx: toPx(sheet.heightMm, ppi) }, edge)
    : book;
  const { brief, cover } = sized;
  const { picture, outlines, frames } = await layers(sized, studio);
  const bleedPx = toPx(wish.bleedMm, ppi);
  const links = Object.values(cover.parts).flatMap((part) => {
    const frame = frames.get(part.id);
    if (!part.link || part.hidden || !frame || frame.width === 0) return [];
    const { x, y } = centreOf(frame);
    const placed = rectAround(rotateAbout(part.turnRad, x, y), frame);
    return [{ url: part.link, frame: { ...placed, x: placed.x + bleedPx, y: placed.y + bleedPx } }];
  });
  const whole = bled(picture, bleedPx);
  const jpeg = dressJpeg(await studio.encodeJpeg(whole, BEST_QUALITY, false), ppi, srgbProfile());
  const { title, author, publisher, language } = brief;
  const shift = translate(bleedPx, bleedPx);
  const moved = outlines.map(({ path, colour }) => ({ path: transformPath(path, shift), colour }));
  const page = {
    jpeg,
    widthPx: whole.width,
    heightPx: whole.height,
    ppi,
    bleedPx,
    outlines: moved,
    links,
    title,
    author,
    publisher,
    language,
    modified,
  };
  const notes = [
    ...(await coverFindings(book, studio)),
    ...(links.length > 0 ? [finding('links-live', 'note', null, { count: links.length })] : []),
    ...(outlines.length > 0 ? [finding('words-outlines', 'note', null, { count: outlines.length })] : []),
  ];
  return ok({ bytes: await coverPage(page), findings: notes });
}

/** The cover as an SVG that needs nothing else: its picture within, words as outlines. Fault: `title-missing`. */
export async function svgFile(book: Book, studio: Studio): Promise<Result<Delivered>> {
  if (!book.brief.title.trim()) return fail('title-missing');
  const lost = await missingFile(book, 'cover', studio);
  if (lost) return { ok: false, fault: lost };
  const { widthPx, heightPx } = book.cover;
  const { picture, outlines } = await layers(book, studio);
  const clear = hasTransparency(picture);
  const data = clear
    ? writePng(picture, PRINT_PPI)
    : dressJpeg(await studio.encodeJpeg(picture, BEST_QUALITY, false), PRINT_PPI, srgbProfile());
  const words = outlines.map(({ path, colour }) => `  <path fill="${colour}" d="${svgPathOf(path)}"/>`).join('\n');
  const svg = `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${widthPx} ${heightPx}" width="${widthPx}" height="${heightPx}">
  <title>${xml(book.brief.title)}</title>
  <image width="${widthPx}" height="${heightPx}" href="data:image/${clear ? 'png' : 'jpeg'};base64,${base64(data)}"/>
${words}
</svg>
`;
  const notes = [
    ...(await coverFindings(book, studio)),
    ...(outlines.length > 0 ? [finding('words-outlines', 'note', null, { count: outlines.length })] : []),
  ];
  return ok({ bytes: new TextEncoder().encode(svg), findings: notes });
}
