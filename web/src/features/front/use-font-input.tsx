import { assetId, type OwnFace } from '@yosomi/core/project';
import { useRef } from 'react';
import { say, sayFault } from '../../messages/say';
import { changeHouse, houseOf } from '../../persist/keeps';
import { saveAsset } from '../../persist/assets';
import { bytesOfFile, stemOf } from '../../platform/files';
import { useSession } from '../../state/session';
import { studio } from '../../work/workers';

/** A hidden input for a font file: checked and unpacked in the worker, kept with the house style, then handed on. */
export function useFontInput(onTaken: (face: OwnFace) => void, words: string) {
  const ref = useRef<HTMLInputElement>(null);
  const take = async (file: File): Promise<void> => {
    const taken = await studio.takeFont(await bytesOfFile(file), words);
    if (!taken.ok) return sayFault(taken.fault);
    const { bytes, format, name, lacks } = taken.value;
    const face: OwnFace = { id: assetId(bytes), format, name: (name || stemOf(file.name)).slice(0, 120) };
    const kept = await saveAsset(face.id, bytes);
    if (!kept.ok) return sayFault(kept.fault);
    const title = useSession.getState().book?.id ?? '';
    const shared = await changeHouse(houseOf(title), (house) => ({
      ...house,
      faces: [...house.faces.filter((one) => one.id !== face.id), face],
    }));
    if (!shared.ok) sayFault(shared.fault);
    onTaken(face);
    if (lacks.length > 0) say(`${face.name} lacks ${lacks.join(' ')}: such words are set in another face.`);
  };
  const input = (
    <input
      ref={ref}
      type="file"
      aria-label="Font file"
      accept=".ttf,.otf,.woff2"
      className="hidden"
      onChange={(e) => {
        const file = e.target.files?.[0];
        e.target.value = '';
        if (file) void take(file).catch(() => sayFault({ code: 'work-failed', data: {} }));
      }}
    />
  );
  return { input, open: () => ref.current?.click() };
}
