import { Redo2, Undo2 } from 'lucide-react';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Tip } from '../../ui/tip';

/** Takes the last step back, or does it again; each says which. */
export function UndoRedo() {
  const undo = useSession((s) => s.undo);
  const redo = useSession((s) => s.redo);
  const last = useSession((s) => s.history.past.at(-1)?.label ?? null);
  const next = useSession((s) => s.history.future[0]?.label ?? null);
  return (
    <>
      <Tip text={last === null ? 'Nothing to undo' : `Undo: ${last}`} keys="Ctrl Z">
        <Button kind="quiet" aria-label="Undo" disabled={last === null} onClick={undo}>
          <Undo2 size={16} />
        </Button>
      </Tip>
      <Tip text={next === null ? 'Nothing to redo' : `Redo: ${next}`} keys="Ctrl Shift Z">
        <Button kind="quiet" aria-label="Redo" disabled={next === null} onClick={redo}>
          <Redo2 size={16} />
        </Button>
      </Tip>
    </>
  );
}
