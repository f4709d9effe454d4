import { PDFDocument, PDFName, type PDFPage, PDFString } from '@cantoo/pdf-lib';
import type { Hex } from '../colour';
import { type Path, type Rect, scale, transformPath } from '../plane';
import { fillOps } from './content';

export type PageLink = { readonly url: string; /** In pixels of the cover, from its top left. */ readonly frame: Rect };

export type CoverPage = {
  readonly jpeg: Uint8Array;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly ppi: number;
  /** How far the picture reaches beyond the page that is cut from it, on each side, px. */
  readonly bleedPx: number;
  /** Shapes of one colour over the picture, in its pixels: they stay sharp at any size. */
  readonly outlines: readonly { readonly path: Path; readonly colour: Hex }[];
  readonly links: readonly PageLink[];
  readonly title: string;
  readonly author: string;
  readonly publisher: string;
  readonly language: string;
  /** When it was made, ISO 8601. */
  readonly modified: string;
};

const POINTS = 72;

/** An address as a string of a PDF: plain signs only, and those that end a string escaped. */
export const addressOf = (url: string): string =>
  url.replace(/[^\x21-\x7e]+/g, (signs) => encodeURIComponent(signs)).replace(/[\\()]/g, '\\$&');

/** A cover as a document of one page of its own size, with live links. Equal input gives equal bytes. */
export async function coverPage(page: CoverPage): Promise<Uint8Array<ArrayBuffer>> {
  const doc = await PDFDocument.create({ updateMetadata: false });
  doc.setTitle(page.title, { showInWindowTitleBar: true });
  if (page.author) doc.setAuthor(page.author);
  if (page.publisher) doc.setCreator(page.publisher);
  doc.setLanguage(page.language);
  doc.setCreationDate(new Date(page.modified));
  doc.setModificationDate(new Date(page.modified));
  const k = POINTS / page.ppi;
  const [width, height] = [page.widthPx * k, page.heightPx * k];
  const sheet = doc.addPage([width, height]);
  const bleed = page.bleedPx * k;
  if (bleed > 0) {
    sheet.setTrimBox(bleed, bleed, width - 2 * bleed, height - 2 * bleed);
    sheet.setBleedBox(0, 0, width, height);
  }
  sheet.drawImage(await doc.embedJpg(page.jpeg), { x: 0, y: 0, width, height });
  drawOutlines(sheet, page.outlines, k, height);
  const notes = page.links.map(({ url, frame }) =>
    doc.context.register(
      doc.context.obj({
        Type: 'Annot',
        Subtype: 'Link',
        // PDF counts from the foot of the page.
        Rect: [frame.x * k, height - (frame.y + frame.height) * k, (frame.x + frame.width) * k, height - frame.y * k],
        Border: [0, 0, 0],
        A: { Type: 'Action', S: 'URI', URI: PDFString.of(addressOf(url)) },
      }),
    ),
  );
  if (notes.length > 0) sheet.node.set(PDFName.of('Annots'), doc.context.obj(notes));
  return new Uint8Array(await doc.save({ useObjectStreams: false }));
}

/** Shapes over the picture, filled by the non-zero rule. */
function drawOutlines(sheet: PDFPage, outlines: CoverPage['outlines'], k: number, height: number): void {
  const lines = outlines.flatMap(({ path, colour }) => fillOps(transformPath(path, scale(k)), colour, height));
  const { context } = sheet.doc;
  if (lines.length > 0) sheet.node.addContentStream(context.register(context.flateStream(lines.join('\n'))));
}
