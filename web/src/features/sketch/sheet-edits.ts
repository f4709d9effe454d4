import { type Edit, fault } from '@yosomi/core/base';
import { type Asset, type Book, type House, takeAsset } from '@yosomi/core/project';
import { MOST_PICTURES, type Sketch } from '@yosomi/core/sketch';
import { OWN_FACE } from '@yosomi/core/text';

/** Puts a picture on the sheet. Refuses a sixth: none is pushed off. */
export const withPicture =
  (asset: Asset): Edit<Book> =>
  (book) => {
    const { pictures } = book.sheet;
    if (pictures.includes(asset.id)) return;
    if (pictures.length >= MOST_PICTURES) return fault('pictures-many', { most: MOST_PICTURES });
    takeAsset(book, asset);
    pictures.push(asset.id);
  };

/** The faces of the house that a sketch sets come into the title, so that its file has them. */
export function bringFaces(book: Book, { faces }: Sketch, house: House): void {
  for (const face of house.faces)
    if ([faces.title, faces.other].includes(`${OWN_FACE}${face.id}`)) book.faces[face.id] = face;
}
