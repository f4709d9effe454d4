import { inMemory } from '../../persist/memory';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { saveTitleAs } from './save-title';

/** Says, where the browser stores nothing, what becomes of the work, and offers the way to keep it. */
export function MemoryNotice() {
  const why = inMemory();
  const open = useSession((s) => s.book !== null);
  if (!why) return null;
  const save = (): void => {
    const { book } = useSession.getState();
    if (book) void saveTitleAs(book);
  };
  return (
    <aside
      aria-label="Nothing is stored"
      className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1 border-b border-may bg-card px-4 py-2"
    >
      <p className="flex-1">
        {why === 'newer'
          ? 'A newer Yosomi has stored your titles in this browser, and this one cannot read them; they are safe.'
          : 'This browser stores nothing here: it is a private window, or storage is blocked.'}{' '}
        What you make now is in memory and ends with this page. Save each title as a file to keep it.
      </p>
      {open && <Button onClick={save}>Save as a file</Button>}
    </aside>
  );
}
