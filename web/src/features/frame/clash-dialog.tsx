import { useNavigate } from 'react-router';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';

/** Shown when another window has changed the same title: nothing is overwritten until a person has chosen. */
export function ClashDialog() {
  const clash = useSession((s) => s.kept.kind === 'elsewhere');
  const takeOther = useSession((s) => s.takeOther);
  const keepBoth = useSession((s) => s.keepBoth);
  const navigate = useNavigate();
  return (
    <Dialog
      open={clash}
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
  );
}
