import type { Edit } from '../base';
import type { Doc, Part } from '../cover';
import type { Book } from '../project';

const colourKey = (part: Part | undefined): string => {
  if (!part || part.kind === 'picture') return '';
  return JSON.stringify(part.kind === 'ground' ? part.paint : part.colour);
};

/**
 * An edit of the promo as it is shown. While it follows the cover, the shown colours are written down first; an edit
 * that then changes one of them ends the following, so that a colour chosen by hand stays.
 */
export const onPromo =
  (shown: Doc): ((edit: Edit<Doc>) => Edit<Book>) =>
  (edit) =>
  (book) => {
    if (!book.promoFollows) return edit(book.promo);
    const before = new Map(Object.keys(book.promo.parts).map((id) => [id, colourKey(shown.parts[id])]));
    for (const id of before.keys()) {
      const part = book.promo.parts[id];
      const dressed = shown.parts[id];
      if (part.kind === 'ground' && dressed?.kind === 'ground') part.paint = structuredClone(dressed.paint);
      else if (part.kind === 'words' && dressed?.kind === 'words') part.colour = dressed.colour;
      else if (part.kind === 'shape' && dressed?.kind === 'shape') part.colour = dressed.colour;
    }
    const refused = edit(book.promo);
    if (refused) return refused;
    for (const [id, key] of before) {
      const part = book.promo.parts[id];
      if (part && colourKey(part) !== key) book.promoFollows = false;
    }
  };

/** The promo's colours follow the cover from now on, or stay as they are shown. */
export const promoFollowing =
  (shown: Doc, follows: boolean): Edit<Book> =>
  (book) => {
    book.promo = structuredClone(shown);
    book.promoFollows = follows;
  };
