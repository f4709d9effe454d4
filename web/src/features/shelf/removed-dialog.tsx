import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { sayFault } from '../../messages/say';
import { REMOVED_DAYS } from '../../persist/assets';
import { type RemovedTitle, forgetTitle, putBack, removedTitles, tidy } from '../../persist/removed';
import { nowMs } from '../../platform/clock';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';

const daysLeft = ({ removedAt }: RemovedTitle): number =>
  Math.max(0, Math.ceil(REMOVED_DAYS - (nowMs() - Date.parse(removedAt)) / 86_400_000));

/** Titles that were taken off the Shelf: each can be put back whole, or removed for good. */
export function RemovedDialog({ onClose }: { onClose(): void }) {
  const titles = useLiveQuery(removedTitles);
  const [asked, setAsked] = useState<string | null>(null);
  const back = async (id: string): Promise<void> => {
    const done = await putBack(id);
    if (!done.ok) sayFault(done.fault);
  };
  const forget = async (id: string): Promise<void> => {
    setAsked(null);
    const done = await forgetTitle(id);
    if (!done.ok) return sayFault(done.fault);
    await tidy();
  };
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title="Removed titles"
      description={`They stay here for ${REMOVED_DAYS} days, with their pictures, files and history.`}
    >
      {titles?.length === 0 && <p className="text-ink-2">Nothing has been removed.</p>}
      <ul aria-label="Removed titles" className="flex max-h-[50vh] flex-col overflow-auto">
        {titles?.map((one) => (
          <li key={one.id} className="flex flex-wrap items-center gap-3 border-t border-line py-2.5">
            <span className="min-w-0 flex-1">
              <span className="block truncate font-semibold">{one.name}</span>
              <span className="text-xs text-ink-2">
                {daysLeft(one) === 1 ? 'One more day' : `${daysLeft(one)} more days`}
              </span>
            </span>
            {asked === one.id ? (
              <>
                <span className="text-fail">This cannot be undone.</span>
                <Button className="text-fail" onClick={() => void forget(one.id)}>
                  Remove for good
                </Button>
                <Button onClick={() => setAsked(null)}>Keep it here</Button>
              </>
            ) : (
              <>
                <Button onClick={() => void back(one.id)} aria-label={`Put ${one.name} back`}>
                  Put it back
                </Button>
                <Button kind="quiet" onClick={() => setAsked(one.id)} aria-label={`Remove ${one.name} for good`}>
                  Remove for good
                </Button>
              </>
            )}
          </li>
        ))}
      </ul>
    </Dialog>
  );
}
