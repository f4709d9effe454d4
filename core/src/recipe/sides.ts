import { type Edit, fault } from '../base';
import type { Hex } from '../colour';
import { edgeColours, edgeFill } from '../compose';
import { type Doc, type Part, adaptDoc } from '../cover';
import type { Book, Side, SideName } from '../project';
import { coverRaster } from './cover';
import type { Studio } from './studio';

/** Colours down the front's left edge, which spine and back go on with. */
export const frontEdge = async (book: Book, studio: Studio): Promise<Hex[]> =>
  edgeColours(await coverRaster(book, 400, studio), 'left');

/** A side as it is shown: its ground turned to the front's edge while it follows, fitted to another ratio where one is given. */
export function shownSide(
  { doc, follows }: Side,
  edge: readonly Hex[],
  size?: { widthPx: number; heightPx: number },
): Doc {
  const fitted = size ? adaptDoc(doc, size) : doc;
  const base = fitted.parts.ground;
  if (!follows || base?.kind !== 'ground') return fitted;
  return {
    ...fitted,
    parts: { ...fitted.parts, ground: { ...base, paint: edgeFill(edge, Object.values(fitted.parts)) } },
  };
}

/** A title whose cover is one of its edited sides: what paints covers paints it. */
export const asSide = (book: Book, doc: Doc): Book => ({ ...book, cover: doc, siblings: {} });

const paintOf = (part: Part | undefined): string => (part?.kind === 'ground' ? JSON.stringify(part.paint) : '');

/** An edit of a side. A ground that is painted by hand no longer follows the front. Faults: `side-gone`, and those of the edit. */
export function onSide(side: SideName, edit: Edit<Doc>): Edit<Book> {
  return (book) => {
    const now = book.sides[side];
    if (!now) return fault('side-gone');
    const before = paintOf(now.doc.parts.ground);
    const wrong = edit(now.doc);
    if (wrong) return wrong;
    if (paintOf(now.doc.parts.ground) !== before) now.follows = false;
  };
}
