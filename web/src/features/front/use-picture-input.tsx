import { useRef } from 'react';
import { sayFault } from '../../messages/say';
import { saveAsset } from '../../persist/assets';
import { bytesOfFile, stemOf } from '../../platform/files';
import type { TakenPicture } from '@yosomi/core/recipe';
import { cameBack } from '../../work/come-back';
import { useSession } from '../../state/session';
import { studio } from '../../work/workers';

/** A hidden file input for one picture, and a way to hand in a dropped one: checked, stripped and stored before it is handed on. */
export function usePictureInput(onTaken: (taken: TakenPicture) => void) {
  const ref = useRef<HTMLInputElement>(null);
  const take = async (file: File): Promise<void> => {
    const taken = await studio.takePicture(await bytesOfFile(file), stemOf(file.name));
    if (!taken.ok) return sayFault(taken.fault);
    const kept = await saveAsset(taken.value.asset.id, taken.value.bytes);
    if (!kept.ok) return sayFault(kept.fault);
    const { book } = useSession.getState();
    onTaken(taken.value);
    if (!kept.value || !book?.assets[taken.value.asset.id]) return;
    // The title named it already: it was missing, and is there again.
    cameBack();
  };
  const taken = (file: File): void => void take(file).catch(() => sayFault({ code: 'work-failed', data: {} }));
  const input = (
    <input
      ref={ref}
      type="file"
      aria-label="Picture file"
      accept="image/jpeg,image/png,image/webp,image/svg+xml"
      className="hidden"
      onChange={(e) => {
        const file = e.target.files?.[0];
        e.target.value = '';
        if (file) taken(file);
      }}
    />
  );
  return { input, open: () => ref.current?.click(), take: taken };
}
