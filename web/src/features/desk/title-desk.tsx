import { type Asset, takeAsset } from '@yosomi/core/project';
import { houseAsk } from '@yosomi/core/recipe';
import { MOST_PICTURES } from '@yosomi/core/sketch';
import { say } from '../../messages/say';
import { useBook, useSession } from '../../state/session';
import { useHouse } from '../front/use-house';
import { bringFaces, withPicture } from '../sketch/sheet-edits';
import { DeskDialog, type DeskUse } from './desk-dialog';

/** The same with the picture's own name in the place of the one that stood for it. */
const named = <T,>(made: T, stoodFor: string, id: string): T =>
  JSON.parse(JSON.stringify(made).replaceAll(`"${stoodFor}"`, `"${id}"`)) as T;

/** Takes the picture and the title's words on it, as they were shown, for the front. */
function useAsCover(onDone: () => void): DeskUse {
  const edit = useSession((s) => s.edit);
  const undo = useSession((s) => s.undo);
  const { house } = useHouse();
  return {
    label: 'Make it the cover',
    asCover: true,
    run: ({ taken: { asset }, stoodFor }, cover) => {
      if (!cover) return;
      const doc = named(cover.doc, stoodFor, asset.id);
      const sketch = named(cover.sketch, stoodFor, asset.id);
      const done = edit('Cover from the picture desk', (b) => {
        takeAsset(b, asset);
        b.cover = doc;
        b.sheet.taken = sketch;
        const { pictures } = b.sheet;
        if (!pictures.includes(asset.id) && pictures.length < MOST_PICTURES) pictures.push(asset.id);
        bringFaces(b, sketch, house);
      });
      if (!done) return;
      say('The cover is on the Front. Everything on it can be changed.', { label: 'Undo', run: undo });
      onDone();
    },
  };
}

/** The desk over the sketch sheet. */
export function SheetDesk(props: { onClose(): void }) {
  const book = useBook();
  const edit = useSession((s) => s.edit);
  const { house } = useHouse();
  const asCover = useAsCover(props.onClose);
  const onSheet: DeskUse = {
    label: 'Put it on the sheet',
    run: ({ taken: { asset } }) => {
      if (edit('Picture for the sheet', withPicture(asset))) props.onClose();
    },
  };
  return <DeskDialog book={book} house={houseAsk(house)} uses={[onSheet, asCover]} onClose={props.onClose} />;
}

/** The desk over the front, or over a side, where a picture can only be added. */
export function FrontDesk(props: { front: boolean; onAdd(asset: Asset): void; onClose(): void }) {
  const book = useBook();
  const { house } = useHouse();
  const asCover = useAsCover(props.onClose);
  const add: DeskUse = {
    label: 'Put it behind the words',
    run: ({ taken: { asset } }) => {
      props.onAdd(asset);
      props.onClose();
    },
  };
  const uses = props.front ? [asCover, add] : [add];
  return <DeskDialog book={book} house={houseAsk(house)} uses={uses} onClose={props.onClose} />;
}
