import { Link, useLocation } from 'react-router';
import { Button } from '../../ui/button';
import { Working } from '../../ui/working';
import { MANY, useRuns } from '../deliver/runs';
import { useArrival } from '../shelf/arrivals';
import { stopOpening, useOpening } from '../shelf/opening';

/** What goes on wherever the person is: files being made, a picture being read. It lies under the page and over nothing. */
export function Background() {
  const runs = useRuns((s) => s.runs);
  const stop = useRuns((s) => s.stop);
  const arrival = useArrival((s) => s.state);
  const dropArrival = useArrival((s) => s.drop);
  const { pathname } = useLocation();
  // A run is shown once: where its own page is open, that shows it.
  const going = Object.values(runs).filter((run) => run.running && pathname !== `/title/${run.id}/deliver`);
  const opening = useOpening((s) => s.now);
  const arriving = arrival.kind !== 'none';
  const onShelf = pathname === '/';
  if (going.length === 0 && (onShelf || (!arriving && !opening))) return null;
  return (
    <aside
      aria-label="Work that goes on"
      className="flex shrink-0 flex-wrap items-center gap-x-8 gap-y-2 border-t border-edge bg-card px-4 py-2"
    >
      {going.map((run) => (
        <div key={run.id} className="flex w-96 max-w-full items-center gap-3" data-run={run.id}>
          <div className="flex-1">
            <Working
              label={`${run.label}, ${run.done} of ${run.of}`}
              done={run.done / Math.max(1, run.of)}
              onStop={() => stop(run.id)}
            />
          </div>
          <Link
            to={run.id === MANY ? '/' : `/title/${run.id}/deliver`}
            className="underline underline-offset-2 hover:no-underline"
          >
            Show
          </Link>
        </div>
      ))}
      {opening && !onShelf && (
        <div className="flex w-96 max-w-full items-center gap-3">
          <div className="flex-1">
            <Working
              label={`Opening titles, ${opening.done} of ${opening.of}`}
              done={opening.done / opening.of}
              onStop={stopOpening}
            />
          </div>
          <Link to="/" className="underline underline-offset-2 hover:no-underline">
            Show
          </Link>
        </div>
      )}
      {arriving && !onShelf && (
        <p className="flex items-center gap-3" role="status">
          {arrival.kind === 'reading' ? `Reading ${arrival.name}` : `${arrival.name} has been read.`}
          <Link to="/" className="underline underline-offset-2 hover:no-underline">
            Go on with it
          </Link>
          <Button kind="quiet" onClick={() => void dropArrival()}>
            Let it go
          </Button>
        </p>
      )}
    </aside>
  );
}
