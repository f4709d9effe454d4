import { useBlocker } from 'react-router';
import { sentenceOf } from '../../messages/sentences';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { saveTitleAs } from './save-title';

function save(): void {
  const { book } = useSession.getState();
  if (book) void saveTitleAs(book);
}

/** While the last change cannot be stored: says so, offers the title as a file, and holds back who would leave it. */
export function NotKept({ id }: { id: string }) {
  const fault = useSession((s) => (s.kept.kind === 'failed' ? s.kept.fault : null));
  const tryAgain = useSession((s) => s.tryAgain);
  const letGo = useSession((s) => s.letGo);
  const blocker = useBlocker(
    ({ nextLocation }) => fault !== null && !nextLocation.pathname.startsWith(`/title/${id}/`),
  );
  if (!fault) return null;
  return (
    <>
      <div
        role="alert"
        className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-2 border-b border-fail bg-card px-4 py-2"
      >
        <p className="flex-1 text-fail">{sentenceOf(fault)}</p>
        <Button onClick={save}>Save as a file</Button>
        <Button onClick={tryAgain}>Try now</Button>
      </div>
      <Dialog
        open={blocker.state === 'blocked'}
        onClose={() => blocker.reset?.()}
        title="The last change is not stored"
        description={sentenceOf(fault)}
      >
        <div className="flex flex-wrap gap-2">
          <Button kind="ink" onClick={() => blocker.reset?.()}>
            Stay here
          </Button>
          <Button onClick={save}>Save as a file</Button>
          <Button
            className="text-fail"
            onClick={() => {
              letGo();
              blocker.proceed?.();
            }}
          >
            Leave without it
          </Button>
        </div>
      </Dialog>
    </>
  );
}
