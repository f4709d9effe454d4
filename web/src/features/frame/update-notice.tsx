import { Button } from '../../ui/button';
import { useAppUpdate } from '../../work/app-update';

/** Offers a newer app that has been fetched; nothing is loaded until a person says so. */
export function UpdateNotice() {
  const waiting = useAppUpdate((s) => s.waiting);
  const take = useAppUpdate((s) => s.take);
  const later = useAppUpdate((s) => s.later);
  if (!waiting) return null;
  return (
    <aside
      aria-label="A newer Yosomi"
      className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1 border-b border-line bg-card px-4 py-2"
    >
      <p className="flex-1">A newer Yosomi is ready. Taking it loads the page again; your titles stay as they are.</p>
      <Button onClick={take}>Take it now</Button>
      <Button kind="quiet" onClick={later}>
        Later
      </Button>
    </aside>
  );
}
