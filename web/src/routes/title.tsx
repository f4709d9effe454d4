import { Redo2, Undo2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Link, NavLink, Outlet, useParams } from 'react-router';
import type { Fault } from '@yosomi/core/base';
import { Commands } from '../features/commands/commands';
import { ClashDialog } from '../features/frame/clash-dialog';
import { Kept } from '../features/frame/kept';
import { STEPS } from '../features/frame/steps';
import { TitleSpine } from '../features/frame/title-spine';
import { sentenceOf } from '../messages/sentences';
import { openTitle } from '../persist/titles';
import { useSession } from '../state/session';
import { Button } from '../ui/button';
import { Tip } from '../ui/tip';

/** One title: its spine, its steps, and the step that is open. */
export function TitlePage() {
  const { id = '' } = useParams();
  const book = useSession((s) => s.book);
  const undo = useSession((s) => s.undo);
  const redo = useSession((s) => s.redo);
  const { past, future } = useSession((s) => s.history);
  const [fault, setFault] = useState<Fault | null>(null);
  useEffect(() => {
    let current = true;
    const { open } = useSession.getState();
    void openTitle(id).then((loaded) => {
      if (!current) return;
      if (loaded.ok) open(loaded.value);
      else setFault(loaded.fault);
    });
    return () => {
      current = false;
      useSession.getState().close();
    };
  }, [id]);
  useEffect(() => {
    document.title = book ? `${book.brief.title || 'Untitled'} · Yosomi` : 'Yosomi';
  }, [book]);

  if (fault) {
    return (
      <main className="flex flex-col items-start gap-4 p-12">
        <p className="text-base" role="alert">
          {sentenceOf(fault)}
        </p>
        <Link to="/" className="underline">
          Back to the Shelf
        </Link>
      </main>
    );
  }
  if (!book || book.id !== id) return <main className="p-12 text-ink-2">Opening the title</main>;
  return (
    <div className="flex h-full">
      <TitleSpine />
      <div className="flex min-w-0 flex-1 flex-col">
        <header className="flex h-[46px] shrink-0 items-center border-b border-line pr-3 pl-4">
          <nav aria-label="Steps" className="flex h-full">
            {STEPS.map((step) => (
              <NavLink
                key={step.path}
                to={step.path}
                className="flex items-center border-y-3 border-transparent px-4 text-ink-2 hover:text-ink aria-[current=page]:border-b-ink aria-[current=page]:font-semibold aria-[current=page]:text-ink"
              >
                {step.label}
              </NavLink>
            ))}
          </nav>
          <div className="ml-auto flex items-center gap-2">
            <Kept />
            <Tip text={past.length > 0 ? `Undo: ${past[past.length - 1].label}` : 'Nothing to undo'} keys="Ctrl Z">
              <Button kind="quiet" aria-label="Undo" disabled={past.length === 0} onClick={undo}>
                <Undo2 size={16} />
              </Button>
            </Tip>
            <Tip text={future.length > 0 ? `Redo: ${future[0].label}` : 'Nothing to redo'} keys="Ctrl Shift Z">
              <Button kind="quiet" aria-label="Redo" disabled={future.length === 0} onClick={redo}>
                <Redo2 size={16} />
              </Button>
            </Tip>
            <Commands id={id} />
          </div>
        </header>
        <Outlet />
        <ClashDialog />
      </div>
    </div>
  );
}
