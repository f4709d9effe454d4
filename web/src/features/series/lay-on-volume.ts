import { type Edit } from '@yosomi/core/base';
import {
  type Asset,
  type Book,
  type House,
  MOST_VERSIONS,
  alongSheet,
  picturesOf,
  takeAsset,
} from '@yosomi/core/project';
import type { SeriesCover } from '@yosomi/core/recipe';
import { OWN_FACE } from '@yosomi/core/text';
import { nowIso } from '../../platform/clock';
import { freshId } from '../../platform/ids';
import { bringFaces } from '../sketch/sheet-edits';

/**
 * Puts a cover of the series on one of its volumes, with the pictures and faces that it shows; the cover it had is kept under a name. `brought` are
 * pictures that were chosen just now.
 */
export const laidOnVolume = (
  { doc, sketch }: SeriesCover,
  from: Book,
  house: House,
  brought: readonly Asset[],
): Edit<Book> =>
  alongSheet((book) => {
    if (book.versions.length < MOST_VERSIONS)
      book.versions.push({ id: freshId(), name: 'Before the series design', madeAt: nowIso(), cover: book.cover });
    for (const id of picturesOf(Object.values(doc.parts))) {
      const asset = brought.find((one) => one.id === id) ?? book.assets[id] ?? from.assets[id];
      if (asset) takeAsset(book, asset);
    }
    book.cover = structuredClone(doc);
    book.sheet.taken = structuredClone(sketch);
    if (sketch) bringFaces(book, sketch, house);
    const set = JSON.stringify(doc);
    for (const face of Object.values(from.faces))
      if (set.includes(`"${OWN_FACE}${face.id}`)) book.faces[face.id] = face;
  });
