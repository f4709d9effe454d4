import type { Edit } from '@yosomi/core/base';
import { readPinFile, renamed } from '@yosomi/core/pin';
import { type Asset, type Book, takeAsset } from '@yosomi/core/project';
import { say, sayFault } from '../../messages/say';
import { saveAsset } from '../../persist/assets';
import { studio } from '../../work/workers';

/** Opens a pinned photograph from a file: its pictures are checked and stored like any other. */
export async function openPinFile(
  bytes: Uint8Array<ArrayBuffer>,
  edit: (label: string, edit: Edit<Book>) => boolean,
): Promise<void> {
  const read = readPinFile(bytes);
  if (!read.ok) return sayFault(read.fault);
  const { scene, pictures } = read.value;
  const names = new Map<string, string>();
  const assets: Asset[] = [];
  for (const [id, data] of pictures) {
    const taken = await studio.takePicture(data, id === scene.photo.asset ? 'Photograph' : 'Picture');
    if (!taken.ok) return sayFault(taken.fault);
    const saved = await saveAsset(taken.value.asset.id, taken.value.bytes);
    if (!saved.ok) return sayFault(saved.fault);
    names.set(id, taken.value.asset.id);
    assets.push(taken.value.asset);
  }
  const photo = assets.find((asset) => asset.id === names.get(scene.photo.asset));
  if (photo?.widthPx !== scene.photo.widthPx || photo.heightPx !== scene.photo.heightPx) {
    return sayFault({ code: 'pin-size', data: {} });
  }
  edit('Open a pinned photograph', (b) => {
    for (const asset of assets) takeAsset(b, asset);
    b.pin = renamed(scene, names);
  });
  say('Opened the pinned photograph');
}
