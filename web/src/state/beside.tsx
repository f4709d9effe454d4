import type { ReactNode } from 'react';
import { Calm } from '../ui/calm';
import { ShownTitle, useSession } from './session';

/** What stands beside the work and shows the open title: while a drag is under way it waits, and so does the title it reads. */
export function Beside({ busy, children }: { busy: boolean; children: ReactNode }) {
  const book = useSession((s) => s.book);
  return (
    <Calm busy={busy}>
      <ShownTitle.Provider value={book}>{children}</ShownTitle.Provider>
    </Calm>
  );
}
