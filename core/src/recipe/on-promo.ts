import { type Edit, fault } from '../base';
import type { Doc, Part } from '../cover';
import type { Book } from '../project';
import { type Campaign, editRuled } from '../promo';

const colourKey = (part: Part | undefined): string => {
  if (!part || part.kind === 'picture') return '';
  return JSON.stringify(part.kind === 'ground' ? part.paint : part.colour);
};

/**
 * An edit of a promo that is drawn by hand, as it is shown. While it follows the cover, the shown colours are written down first; an
 * edit that then changes one of them ends the following, so that a colour chosen by hand stays.
 */
const editDrawn =
  (format: string, shown: Doc, edit: Edit<Doc>): Edit<Campaign> =>
  (campaign) => {
    const made = campaign.made[format];
    if (made?.kind !== 'drawn') return undefined;
    if (!made.follows) return edit(made.doc);
    const { parts } = made.doc;
    const before = new Map(Object.keys(parts).map((id) => [id, colourKey(shown.parts[id])]));
    for (const id of before.keys()) {
      const part = parts[id];
      const dressed = shown.parts[id];
      if (part.kind === 'ground' && dressed?.kind === 'ground') part.paint = structuredClone(dressed.paint);
      else if (part.kind === 'words' && dressed?.kind === 'words') part.colour = dressed.colour;
      else if (part.kind === 'shape' && dressed?.kind === 'shape') part.colour = dressed.colour;
    }
    const refused = edit(made.doc);
    if (refused) return refused;
    for (const [id, key] of before) {
      const part = made.doc.parts[id];
      if (part && colourKey(part) !== key) made.follows = false;
    }
  };

/** An edit of one format of a campaign, as it is shown; `ruled` is that promo by its rule alone, null where it is drawn by hand. Fault: `campaign-gone`. */
export const onPromo =
  (campaignId: string, format: string, shown: Doc, ruled: Doc | null): ((edit: Edit<Doc>) => Edit<Book>) =>
  (edit) =>
  (book) => {
    const campaign = book.promos[campaignId];
    if (!campaign) return fault('campaign-gone');
    return ruled ? editRuled(format, ruled, edit)(campaign) : editDrawn(format, shown, edit)(campaign);
  };

/** The colours of a promo that is drawn by hand follow the cover from now on, or stay as they are shown. Fault: `campaign-gone`. */
export const promoFollowing =
  (campaignId: string, format: string, shown: Doc, follows: boolean): Edit<Book> =>
  (book) => {
    const campaign = book.promos[campaignId];
    if (!campaign) return fault('campaign-gone');
    campaign.made[format] = { kind: 'drawn', doc: structuredClone(shown), follows };
  };
