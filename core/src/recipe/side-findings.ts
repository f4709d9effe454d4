import type { Finding } from '../base';
import { edgeColours, spineDoc } from '../compose';
import type { Doc } from '../cover';
import type { Book } from '../project';
import { coverFindings, coverRaster, settledCover } from './cover';
import { readsFindings } from './legibility';
import { sideRatio } from './new-side';
import { asSide, shownSide } from './sides';
import type { Studio } from './studio';

const SPINE_PX = 1600;

/** What makes the words of a title's spine and back hard to read, where they are shown. */
export async function sideFindings(book: Book, studio: Studio): Promise<Finding[]> {
  const edge = edgeColours(await coverRaster(book, 400, studio), 'left');
  const size = { widthPx: Math.max(16, Math.round(SPINE_PX * sideRatio(book, 'spine'))), heightPx: SPINE_PX };
  const { spine, back } = book.sides;
  const found: Finding[] = [];
  const judge = async (doc: Doc, name: string): Promise<void> => {
    const side = asSide(book, doc);
    const { settled } = await settledCover(side, studio, doc.widthPx);
    found.push(...readsFindings(doc, settled.findings, name));
  };
  await judge(spine ? shownSide(spine, edge) : spineDoc(book.cover, book.brief, edge, size), 'spine');
  if (back) await judge(shownSide(back, edge), 'back');
  return found;
}

/** The same of everything of a title that a scene shows: its front and its sides. */
export async function sceneFindings(book: Book, studio: Studio): Promise<Finding[]> {
  return [...(await coverFindings(book, studio)), ...(await sideFindings(book, studio))];
}
