import type { Edit } from '@yosomi/core/base';
import type { Asset, Book, House } from '@yosomi/core/project';
import { type SeriesCover, laidOnVolume } from '@yosomi/core/recipe';
import { nowIso } from '../../platform/clock';
import { freshId } from '../../platform/ids';
import { bringFaces } from '../sketch/sheet-edits';

/** Puts a cover of the series on one of its volumes, with the faces of the house that its sketch sets. */
export const layOnVolume =
  (cover: SeriesCover, from: Book, house: House, brought: readonly Asset[]): Edit<Book> =>
  (book) => {
    if (cover.sketch) bringFaces(book, cover.sketch, house);
    return laidOnVolume(cover, from, { id: freshId(), madeAt: nowIso() }, brought)(book);
  };
