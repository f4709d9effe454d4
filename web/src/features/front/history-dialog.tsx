import { useSession } from '../../state/session';
import { Dialog } from '../../ui/dialog';

/** The steps since the title was begun, the newest first; a click goes back to right after one. */
export function HistoryDialog({ open, onClose }: { open: boolean; onClose(): void }) {
  const { past, future } = useSession((s) => s.history);
  const goTo = useSession((s) => s.goTo);
  const steps = [...past, ...future].map((step, i) => ({ label: step.label, done: i + 1 }));
  const row =
    'block w-full rounded-sm px-3 py-1 text-left hover:bg-line/60 aria-current:bg-blue-wash aria-current:font-semibold';
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title="History"
      description="Choose a step to go back to it. Later steps stay until you change something."
    >
      <ol className="flex max-h-[60vh] flex-col overflow-auto" aria-label="Steps of the history">
        {[...steps].reverse().map(({ label, done }) => (
          <li key={done}>
            <button
              type="button"
              aria-current={done === past.length ? 'step' : undefined}
              onClick={() => goTo(done)}
              className={`${row} ${done > past.length ? 'text-ink-3' : ''}`}
            >
              {label}
            </button>
          </li>
        ))}
        <li>
          <button
            type="button"
            aria-current={past.length === 0 ? 'step' : undefined}
            onClick={() => goTo(0)}
            className={row}
          >
            {steps.length < 1000 ? 'As it was opened first' : 'The oldest state kept'}
          </button>
        </li>
      </ol>
    </Dialog>
  );
}
