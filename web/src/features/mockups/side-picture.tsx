import { setThing } from '@yosomi/core/mockup';
import { onScene, withAsset } from '@yosomi/core/project';
import { useBook, useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { useOpenSide } from '../front/use-open-side';
import { usePictureInput } from '../front/use-picture-input';
import { useNavigate } from 'react-router';

/** The spine or back of a thing: made from the front, edited beside it, or a picture of one's own, cut to fill its place. */
export function SidePicture({ index, side }: { index: number; side: 'spine' | 'back' }) {
  const book = useBook();
  const edit = useSession((s) => s.edit);
  const own = book.scene.things[index][side];
  const openSide = useOpenSide();
  const navigate = useNavigate();
  // Only this title's own sides are edited here; another title's are in that title.
  const editable = own === null && book.scene.things[index].art.kind === 'this';
  const what = side === 'spine' ? 'Spine' : 'Back';
  const picture = usePictureInput(
    ({ asset }) =>
      void edit(`${what} from a picture`, withAsset(asset, onScene(setThing(index, { [side]: asset.id })))),
  );
  return (
    <div className="flex items-center justify-between gap-2" role="group" aria-label={what}>
      <span className="min-w-0">
        <b>{what}</b>
        <span className="block truncate text-xs text-ink-2">
          {own === null
            ? book.scene.things[index].art.kind === 'this' && book.sides[side]
              ? 'edited in Front'
              : 'made from the front'
            : (book.assets[own]?.name ?? 'its picture is gone: made from the front')}
        </span>
      </span>
      {picture.input}
      {editable && (
        <Button
          kind="link"
          onClick={() => void openSide(side).then((there) => there && navigate(`../front?show=${side}`))}
        >
          Edit
        </Button>
      )}
      {own === null ? (
        <Button kind="link" onClick={picture.open}>
          Use a picture
        </Button>
      ) : (
        <Button
          kind="link"
          onClick={() => void edit(`${what} from the front`, onScene(setThing(index, { [side]: null })))}
        >
          From the front
        </Button>
      )}
    </div>
  );
}
