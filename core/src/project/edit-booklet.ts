import { type Edit, fault, keyOf } from '../base';
import { type Block, type Booklet, type Manuscript, LOOK_IDS, MOST_BLOCKS, newBooklet } from '../booklet';
import type { Asset, Book } from './book';
import { takeAsset } from './edit-book';

/** A booklet with a text and the pictures that it shows, or without one. One that is there keeps its look and its sheet. Fault: `text-long`. */
export const beginBooklet =
  (manuscript?: Manuscript, pictures: readonly Asset[] = []): Edit<Book> =>
  (book) => {
    if (manuscript && manuscript.blocks.length > MOST_BLOCKS) return fault('text-long', { most: MOST_BLOCKS });
    for (const asset of pictures) takeAsset(book, asset);
    if (book.booklet && manuscript) book.booklet.manuscript = manuscript;
    else book.booklet ??= newBooklet(manuscript);
  };

export const removeBooklet: Edit<Book> = (book) => {
  book.booklet = null;
};

/** An edit of the booklet as one of its title. Fault: `booklet-gone`. */
export const onBooklet =
  (edit: Edit<Booklet>): Edit<Book> =>
  (book) =>
    book.booklet ? edit(book.booklet) : fault('booklet-gone');

const same = (a: Block | undefined, b: Block): boolean => a !== undefined && (a === b || keyOf(a) === keyOf(b));

/** Another text. Blocks that are as they were stay untouched, so that a step holds only what was changed. Fault: `text-long`. */
export const setText =
  (blocks: readonly Block[]): Edit<Booklet> =>
  (booklet) => {
    if (blocks.length > MOST_BLOCKS) return fault('text-long', { most: MOST_BLOCKS });
    const now = booklet.manuscript.blocks;
    let head = 0;
    while (head < now.length && head < blocks.length && same(now[head], blocks[head])) head++;
    let tail = 0;
    const most = Math.min(now.length, blocks.length) - head;
    while (tail < most && same(now[now.length - 1 - tail], blocks[blocks.length - 1 - tail])) tail++;
    now.splice(head, now.length - head - tail, ...structuredClone(blocks.slice(head, blocks.length - tail)));
  };

/** Fault: `look-unknown`. */
export const setPageLook =
  (look: string): Edit<Booklet> =>
  (booklet) => {
    if (!LOOK_IDS.includes(look)) return fault('look-unknown', { look });
    booklet.look = look;
  };

export const setSheet =
  (sheet: Booklet['sheet']): Edit<Booklet> =>
  (booklet) => {
    booklet.sheet = sheet;
  };

export const setCoverFirst =
  (first: boolean): Edit<Booklet> =>
  (booklet) => {
    booklet.cover = first;
  };

/** A picture of one's own after a block, at the end where there is no such block. Fault: `booklet-gone`. */
export const addPagePicture =
  (asset: Asset, after: number | null): Edit<Book> =>
  (book) => {
    if (!book.booklet) return fault('booklet-gone');
    takeAsset(book, asset);
    const { blocks } = book.booklet.manuscript;
    const at = after === null ? blocks.length : Math.min(blocks.length, after + 1);
    blocks.splice(at, 0, { kind: 'picture', asset: asset.id, alt: '', caption: [], width: 'column' });
  };
