import { SCENERIES, type SceneryKind } from '@yosomi/core/scenery';
import { moodsOf } from '@yosomi/core/sketch';
import { useState } from 'react';
import { sayFault } from '../../messages/say';
import { saveAsset } from '../../persist/assets';
import { useSession } from '../../state/session';
import { sketchWorker } from '../../work/sketches';
import { SCENERY_NAMES } from './names';
import { withPicture } from './sheet-edits';

/** Draws a picture in the colours of the title's mood and puts it on the sheet; each one is another. */
export function useDrawn(): { drawing: SceneryKind | null; draw(kind: SceneryKind): void } {
  const [drawing, setDrawing] = useState<SceneryKind | null>(null);
  const edit = useSession((s) => s.edit);
  const run = async (kind: SceneryKind): Promise<void> => {
    const { book } = useSession.getState();
    if (!book) return;
    const [mood] = moodsOf(book);
    const drawn = Object.values(book.assets).filter((a) => SCENERIES.some((k) => a.name.startsWith(`${k}-`))).length;
    const { api, ask } = sketchWorker();
    const { asset, bytes } = await ask(api.drawn(kind, book.sheet.seed + drawn, mood));
    const kept = await saveAsset(asset.id, bytes);
    if (!kept.ok) return sayFault(kept.fault);
    edit(`Drawn picture: ${SCENERY_NAMES[kind].toLowerCase()}`, withPicture(asset));
  };
  const draw = (kind: SceneryKind): void => {
    setDrawing(kind);
    void run(kind)
      .catch(() => sayFault({ code: 'work-failed', data: {} }))
      .finally(() => setDrawing(null));
  };
  return { drawing, draw };
}
