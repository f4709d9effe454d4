import { useEffect, useState } from 'react';
import { inMemory } from '../../persist/memory';
import { nowMs } from '../../platform/clock';
import { useSession } from '../../state/session';

/** Says when the title was last stored. */
export function Kept() {
  const kept = useSession((s) => s.kept);
  const [, tick] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => tick((n) => n + 1), 5000);
    return () => clearInterval(timer);
  }, []);
  let text = 'Keeping';
  const lost = kept.kind === 'failed' || kept.kind === 'elsewhere' || kept.kind === 'removed';
  if (lost) text = 'Not kept';
  else if (inMemory()) text = 'In memory only';
  else if (kept.kind === 'kept') {
    const s = Math.max(0, Math.round((nowMs() - kept.atMs) / 1000));
    text =
      s < 3 ? 'Kept just now' : s < 60 ? `Kept ${s} s ago` : s < 3600 ? `Kept ${Math.floor(s / 60)} min ago` : 'Kept';
  }
  return (
    <span
      title={inMemory() ? 'This browser stores nothing here: save the title as a file.' : undefined}
      className={`text-xs ${lost ? 'text-fail' : 'text-ink-2'}`}
      data-kept={kept.kind}
    >
      {text}
    </span>
  );
}
