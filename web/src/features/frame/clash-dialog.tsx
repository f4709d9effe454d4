import { useNavigate } from 'react-router';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { saveTitleAs } from './save-title';

/** Shown when another window has changed or removed the same title: nothing is lost until a person has chosen. */
export function ClashDialog() {
  const kind = useSession((s) => s.kept.kind);
  const takeOther = useSession((s) => s.takeOther);
  const keepBoth = useSession((s) => s.keepBoth);
  const putBack = useSession((s) => s.putBack);
  const letGo = useSession((s) => s.letGo);
  const navigate = useNavigate();
  const save = (): void => {
    const { book } = useSession.getState();
    if (book) void saveTitleAs(book);
  };
  return (
    <>
      <Dialog
        open={kind === 'elsewhere'}
        onClose={() => {}}
        title="This title was changed in another window"
        description="Your last changes here are not stored yet. Keep both, or take what the other window has."
      >
        <div className="flex gap-2">
          <Button
            kind="ink"
            onClick={() =>
              void keepBoth().then((id) => {
                if (id) void navigate(`/title/${id}/front`);
              })
            }
          >
            Keep both
          </Button>
          <Button onClick={() => void takeOther()}>Take the other one</Button>
        </div>
      </Dialog>
      <Dialog
        open={kind === 'removed'}
        onClose={() => {}}
        title="This title was removed in another window"
        description="It is among the removed titles. Put it back as it is here, with its history, or leave it there."
      >
        <div className="flex flex-wrap gap-2">
          <Button kind="ink" onClick={() => void putBack()}>
            Put it back
          </Button>
          <Button onClick={save}>Save as a file</Button>
          <Button
            onClick={() => {
              letGo();
              void navigate('/');
            }}
          >
            Leave it removed
          </Button>
        </div>
      </Dialog>
    </>
  );
}
