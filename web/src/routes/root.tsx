import { Link, Outlet, isRouteErrorResponse, useRouteError } from 'react-router';
import { Background } from '../features/background/background';
import { Lengths } from '../features/frame/lengths';
import { MemoryNotice } from '../features/frame/memory-notice';
import { UpdateNotice } from '../features/frame/update-notice';
import { Button } from '../ui/button';
import { Mark } from '../ui/mark';

/** What stands round every page: what is said of the store above it, and the work that goes on below it. */
export function Root() {
  return (
    <div className="flex h-full flex-col">
      <MemoryNotice />
      <UpdateNotice />
      <div className="min-h-0 flex-1 overflow-auto">
        <Lengths>
          <Outlet />
        </Lengths>
      </div>
      <Background />
    </div>
  );
}

/** A page that could not be shown: what happened, what is safe, and the ways on. */
export function PageError() {
  const error = useRouteError();
  const fetching = error instanceof Error && /import|fetch|module|load/i.test(error.message);
  const lost = isRouteErrorResponse(error) && error.status === 404;
  return (
    <main className="flex min-h-full flex-col items-start gap-4 p-12">
      <Mark className="text-ink" size={30} />
      <h1 className="text-lg font-semibold">
        {lost ? 'There is no such page' : fetching ? 'This page could not be fetched' : 'This page stopped working'}
      </h1>
      <p className="max-w-[60ch]">
        {fetching
          ? 'A file of the app is missing here, and the server that hands it out does not answer.'
          : 'Something in it went wrong.'}{' '}
        Your titles are safe: every change is stored in this browser within a second.
      </p>
      <div className="flex gap-2">
        <Button kind="ink" onClick={() => location.reload()}>
          Load it again
        </Button>
        <Link
          to="/"
          reloadDocument
          className="rounded-sm border border-edge px-3 py-1.5 font-semibold hover:border-ink"
        >
          Back to the Shelf
        </Link>
      </div>
    </main>
  );
}
