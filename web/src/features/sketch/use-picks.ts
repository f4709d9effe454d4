import { MOST_FAVOURITES, type Sketch } from '@yosomi/core/sketch';
import type { Doc } from '@yosomi/core/cover';
import { fault } from '@yosomi/core/base';
import { useState } from 'react';
import { say } from '../../messages/say';
import { freshId } from '../../platform/ids';
import { useSession } from '../../state/session';
import { useHouse } from '../front/use-house';
import { bringFaces } from './sheet-edits';
import { sketchId } from './use-sheet';

export const MOST_COMPARED = 4;

export type Pick = { readonly id: string; readonly sketch: Sketch; readonly doc: Doc };

/** What is done with covers of the sheet: taken to the front, kept, and set beside each other. */
export function usePicks(onTaken: () => void) {
  const edit = useSession((s) => s.edit);
  const undo = useSession((s) => s.undo);
  const { house } = useHouse();
  const [compared, setCompared] = useState<readonly Pick[]>([]);

  const take = ({ sketch, doc }: Pick): void => {
    const done = edit('Front from the sketch sheet', (b) => {
      b.cover = structuredClone(doc);
      b.sheet.taken = structuredClone(sketch);
      bringFaces(b, sketch, house);
    });
    if (!done) return;
    say('The cover is on the Front. Everything on it can be changed.', { label: 'Undo', run: undo });
    onTaken();
  };

  const keep = ({ id, sketch, doc }: Pick): void =>
    void edit('Favourites of the sheet', (b) => {
      const others = b.sheet.favourites.filter((f) => sketchId(f.sketch) !== id);
      const has = others.length < b.sheet.favourites.length;
      if (!has && others.length >= MOST_FAVOURITES) return fault('favourites-full', { most: MOST_FAVOURITES });
      if (!has) others.push({ id: freshId(), sketch: structuredClone(sketch), cover: structuredClone(doc) });
      b.sheet.favourites = others;
      if (!has) bringFaces(b, sketch, house);
    });

  const compare = (pick: Pick): void =>
    setCompared((now) => {
      const others = now.filter((one) => one.id !== pick.id);
      return others.length < now.length ? others : [...others, pick].slice(0, MOST_COMPARED);
    });

  return { take, keep, compare, compared };
}
