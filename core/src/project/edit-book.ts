import { type Change, type Edit, type Result, change, fail, fault } from '../base';
import { MOST_ORIGINS, type Origin, type Rights, isUntold } from '../book';
import type { Doc } from '../cover';
import { type Scene, adopted } from '../mockup';
import { type Campaign, MOST_CAMPAIGNS, type MessageKind, newCampaign } from '../promo';
import { MOST_PICTURES } from '../sketch';
import { type Asset, Book, hasPages, shownBy } from './book';

/**
 * A change of a title. What it leaves is parsed, as far as it was changed: nothing is kept that could not be read again.
 * Faults: those of the edit, and `edit-wrong` with the place.
 */
export function editBook(book: Book, edit: Edit<Book>): Result<Change<Book>> {
  const done = change(book, edit);
  if (!done.ok) return done;
  const { next } = done.value;
  for (const [key, schema] of Object.entries(Book.shape)) {
    if (next[key as keyof Book] === book[key as keyof Book]) continue;
    const parsed = schema.safeParse(next[key as keyof Book]);
    if (!parsed.success) return fail('edit-wrong', { where: [key, ...(parsed.error.issues[0]?.path ?? [])].join('.') });
  }
  return done;
}

/** An edit of the front as one of its title. */
export const onCover =
  (edit: Edit<Doc>): Edit<Book> =>
  (book) =>
    edit(book.cover);

/** An edit of the scene as one of its title. */
export const onScene =
  (edit: Edit<Scene>): Edit<Book> =>
  (book) =>
    edit(book.scene);

/** Makes a picture known to a title. One that it knew keeps what was told of its rights: the file says nothing of them. */
export function takeAsset(book: Book, asset: Asset): void {
  const known = book.assets[asset.id];
  book.assets[asset.id] = known && isUntold(asset.rights) ? { ...asset, rights: known.rights } : asset;
}

/** Tells of a picture's rights; what is left out stays. Fault: `picture-unknown`. */
export const setRights =
  (id: string, rights: Partial<Rights>): Edit<Book> =>
  (book) => {
    const asset = book.assets[id];
    if (!asset) return fault('picture-unknown');
    asset.rights = { ...asset.rights, ...rights };
  };

/** An edit that shows a picture which the title may not know yet. */
export const withAsset =
  (asset: Asset, edit: Edit<Book>): Edit<Book> =>
  (book) => {
    takeAsset(book, asset);
    return edit(book);
  };

/**
 * An edit of the front that may bring or exchange pictures: the sketch sheet goes along. What takes the place of a picture there takes
 * it on the sheet too, and what is new is added while there is room.
 */
export const alongSheet =
  (edit: Edit<Book>): Edit<Book> =>
  (book) => {
    const before = shownBy(book.cover);
    const refused = edit(book);
    if (refused) return refused;
    const after = shownBy(book.cover);
    const gone = before.filter((id) => !after.includes(id));
    const { pictures } = book.sheet;
    for (const id of after.filter((one) => !before.includes(one) && !pictures.includes(one))) {
      const at = pictures.findIndex((one) => gone.includes(one));
      if (at >= 0) pictures[at] = id;
      else if (pictures.length < MOST_PICTURES) pictures.push(id);
    }
  };

/** An edit of a campaign as one of its title. Fault: `campaign-gone`. */
export const onCampaign =
  (id: string, edit: Edit<Campaign>): Edit<Book> =>
  (book) => {
    const campaign = book.promos[id];
    return campaign ? edit(campaign) : fault('campaign-gone');
  };

const freeId = (book: Book): string => {
  let n = Object.keys(book.promos).length + 1;
  while (book.promos[`campaign-${n}`]) n++;
  return `campaign-${n}`;
};

/** The id that the next campaign gets. */
export const nextCampaignId = freeId;

/** A new campaign, or a copy of another with its look and words. Fault: `campaigns-full`. */
export const addCampaign =
  (name: string, from: MessageKind | Campaign): Edit<Book> =>
  (book) => {
    if (Object.keys(book.promos).length >= MOST_CAMPAIGNS) return fault('campaigns-full', { most: MOST_CAMPAIGNS });
    const id = freeId(book);
    book.promos[id] = typeof from === 'string' ? newCampaign(id, name, from) : { ...structuredClone(from), id, name };
  };

/** Fault: `campaign-gone`. */
export const removeCampaign =
  (id: string): Edit<Book> =>
  (book) => {
    if (!book.promos[id]) return fault('campaign-gone');
    delete book.promos[id];
    dropScenes(book);
  };

/** Lets go of the scenes that no campaign shows any more. */
function dropScenes(book: Book): void {
  const shown = new Set(Object.values(book.promos).map(({ style }) => style.scene));
  for (const id of Object.keys(book.scenes)) if (!shown.has(id)) delete book.scenes[id];
}

/** A scene as this title can use it. */
export const adoptedBy = (scene: Scene, book: Book): Scene =>
  adopted(scene, { id: book.id, pages: hasPages(book), has: (asset) => book.assets[asset] !== undefined });

/** A campaign shows its books in a scene that was kept, as it is in this title; null is that of Mockups. Fault: `campaign-gone`. */
export const showCampaignIn =
  (id: string, kept: { readonly id: string; readonly name: string; readonly scene: Scene } | null): Edit<Book> =>
  (book) => {
    const campaign = book.promos[id];
    if (!campaign) return fault('campaign-gone');
    if (kept) {
      const scene = adoptedBy(kept.scene, book);
      book.scenes[kept.id] = { name: kept.name, scene };
    }
    campaign.style.scene = kept?.id ?? null;
    dropScenes(book);
  };

/** Names a work that the text is made from, or says something else of one: those from 0 are there, the next is new. Faults: `origin-gone`, `origins-full`. */
export const setOrigin =
  (at: number, origin: Origin): Edit<Book> =>
  ({ origins }) => {
    if (at > origins.length || at < 0) return fault('origin-gone');
    if (at >= MOST_ORIGINS) return fault('origins-full', { most: MOST_ORIGINS });
    origins[at] = origin;
  };

/** Fault: `origin-gone`. */
export const removeOrigin =
  (at: number): Edit<Book> =>
  ({ origins }) => {
    if (!origins[at]) return fault('origin-gone');
    origins.splice(at, 1);
  };
