import { useEffect, useState } from 'react';
import { Link, NavLink, Outlet, useLocation, useParams } from 'react-router';
import type { Fault } from '@yosomi/core/base';
import { Commands } from '../features/commands/commands';
import { ClashDialog } from '../features/frame/clash-dialog';
import { Kept } from '../features/frame/kept';
import { NotKept } from '../features/frame/not-kept';
import { STEPS } from '../features/frame/steps';
import { TitleSpine } from '../features/frame/title-spine';
import { UndoRedo } from '../features/frame/undo-redo';
import { sentenceOf } from '../messages/sentences';
import { useSession } from '../state/session';
import { focusOn, openedWith } from '../ui/opener';
import { SkipLink } from '../ui/skip-link';

/** Frames within which the page of a step comes. */
const COMES_WITHIN = 90;

/** Where a button led to another step and is gone with its page, the keyboard goes on in the page that came, not at the top of it all. */
function useFocusOnStep(open: boolean): void {
  const { pathname, key } = useLocation();
  // A page that the browser itself has opened or reloaded begins at its top.
  const led = open && key !== openedWith ? pathname : null;
  useEffect(() => {
    if (led === null) return;
    let [left, frame] = [COMES_WITHIN, 0];
    const look = (): void => {
      if (document.activeElement === document.body) focusOn(null);
      if (--left > 0) frame = requestAnimationFrame(look);
    };
    frame = requestAnimationFrame(look);
    return () => cancelAnimationFrame(frame);
  }, [led]);
}

/** One title: its spine, its steps, and the step that is open. */
export function TitlePage() {
  const { id = '' } = useParams();
  // Only what this frame shows: it must not be drawn anew with every change of the cover.
  const open = useSession((s) => s.book?.id ?? null);
  const title = useSession((s) => s.book?.brief.title ?? null);
  const paged = useSession((s) => s.book !== null && s.book.booklet !== null);
  const { pathname } = useLocation();
  const [fault, setFault] = useState<{ readonly id: string; readonly fault: Fault } | null>(null);
  useEffect(() => {
    let current = true;
    useSession
      .getState()
      .open(id)
      .catch((): Fault => ({ code: 'store-unread', data: {} }))
      .then((failed) => current && setFault(failed && { id, fault: failed }));
    return () => {
      current = false;
      useSession.getState().close();
    };
  }, [id]);
  useEffect(() => {
    document.title = title === null ? 'Yosomi' : `${title || 'Untitled'} · Yosomi`;
  }, [title]);

  useFocusOnStep(open === id);

  if (fault?.id === id) {
    return (
      <main className="flex flex-col items-start gap-4 p-12">
        <p className="text-base" role="alert">
          {sentenceOf(fault.fault)}
        </p>
        <Link to="/" className="underline">
          Back to the Shelf
        </Link>
      </main>
    );
  }
  // Few titles have one: its step is there for those, and while it is begun.
  const steps = STEPS.filter(({ path }) => path !== 'booklet' || paged || pathname.endsWith('/booklet'));
  if (open !== id) return <main className="p-12 text-ink-2">Opening the title</main>;
  return (
    <div className="flex h-full">
      <SkipLink>To the page</SkipLink>
      <TitleSpine />
      <div className="flex min-w-0 flex-1 flex-col">
        <header className="flex h-[46px] shrink-0 items-center border-b border-line pr-1 pl-1 min-[1000px]:pr-3 min-[1000px]:pl-4">
          <nav aria-label="Steps" data-steps className="flex h-full min-w-0 overflow-x-auto">
            {steps.map((step) => (
              <NavLink
                key={step.path}
                to={step.path}
                className="flex items-center border-y-3 border-transparent px-2 text-ink-2 hover:text-ink aria-[current=page]:border-b-ink min-[1000px]:px-4 aria-[current=page]:font-semibold aria-[current=page]:text-ink"
              >
                {step.label}
              </NavLink>
            ))}
          </nav>
          <div className="ml-auto flex shrink-0 items-center gap-1 min-[1000px]:gap-2">
            <Kept />
            <UndoRedo />
            <Commands id={id} />
          </div>
        </header>
        <NotKept id={id} />
        <Outlet />
        <ClashDialog />
      </div>
    </div>
  );
}
