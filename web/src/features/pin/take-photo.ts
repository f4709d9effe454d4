import type { Edit } from '@yosomi/core/base';
import { type Found, type PinFace, newFace, newPinScene } from '@yosomi/core/pin';
import { type Asset, type Book, takeAsset } from '@yosomi/core/project';
import { say } from '../../messages/say';
import { freshId } from '../../platform/ids';
import type { Merge } from '../../state/session';
import { pinner } from '../../work/pins';

type EditBook = (label: string, edit: Edit<Book>, merge?: Merge) => boolean;

const rounded = (v: number): number => Math.round(v * 10) / 10;

export const tuples = (corners: readonly { x: number; y: number }[]): PinFace['corners'] =>
  corners.map(({ x, y }): [number, number] => [rounded(x), rounded(y)]);

/** Where a face is put when none was found: in the middle, with the cover's ratio. */
export function placedInMiddle(photo: { widthPx: number; heightPx: number }, ratio: number): PinFace['corners'] {
  const { widthPx: w, heightPx: h } = photo;
  const height = Math.min(0.6 * h, (0.6 * w) / ratio);
  const [x, y] = [(w - height * ratio) / 2, (h - height) / 2];
  return tuples([
    { x, y },
    { x: x + height * ratio, y },
    { x: x + height * ratio, y: y + height },
    { x, y: y + height },
  ]);
}

/** What is said of what the corner finder found. */
export function sayFound(found: Found | null): void {
  switch (found?.kind) {
    case 'found':
      return say('Found the corners of the cover');
    case 'unsure':
      return say('The corners may be wrong. Look at each and drag it where it belongs.');
    case 'none':
    case undefined:
      return say('No blank cover was found. Drag the corners where the cover belongs.');
  }
}

/** Makes a picture the title's photograph, with its front on the blank that is found there. One step of the history. */
export async function openPhoto(asset: Asset, book: Book, edit: EditBook): Promise<void> {
  const { widthPx, heightPx } = asset;
  const merge = { job: `photo-${freshId()}` };
  edit(
    'Photograph',
    (b) => {
      takeAsset(b, asset);
      b.pin = newPinScene({ asset: asset.id, widthPx, heightPx });
    },
    merge,
  );
  const worker = pinner();
  const found = await worker.ask(worker.api.find(asset.id)).catch(() => null);
  const ratio = book.cover.widthPx / book.cover.heightPx;
  const corners = found && found.kind !== 'none' ? tuples(found.corners) : placedInMiddle(asset, ratio);
  edit(
    'Photograph',
    (b) => {
      if (b.pin?.photo.asset !== asset.id || b.pin.faces.length > 0) return;
      b.pin.faces.push(newFace(freshId(), 'Front', corners, { kind: 'side', side: 'front' }));
    },
    merge,
  );
  sayFound(found);
}
