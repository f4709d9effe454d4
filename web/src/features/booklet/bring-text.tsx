import { type Result, fail } from '@yosomi/core/base';
import { fits, sumOf } from '@yosomi/core/booklet';
import { beginBooklet } from '@yosomi/core/project';
import { TEXT_ENDINGS, type TextTaken } from '@yosomi/core/recipe';
import { proxy } from 'comlink';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { say, sayFault } from '../../messages/say';
import { saveAsset } from '../../persist/assets';
import { useSession } from '../../state/session';
import { Dialog } from '../../ui/dialog';
import { Working } from '../../ui/working';
import { type TextWorker, startTextWorker } from '../../work/text-files';
import type { TextChoice } from '../../work/text.worker';
import { ChooseChapters } from './choose-chapters';

const DROPPED_NAMES = {
  html: 'raw HTML',
  picture: 'pictures that are not in the title',
  code: 'the look of code',
  struck: 'struck words',
  depth: 'nesting that is too deep',
  page: 'cover, title page and contents of the file',
} as const;

/** The files that a text can come from, for a chooser. */
export const TEXT_FILES = TEXT_ENDINGS.map((ending) => `.${ending}`).join();

/** Lays a text into a title, with its pictures, and says what was left out; nothing where another title is open by then. */
async function lay({ manuscript, pictures, dropped }: TextTaken, title: string | undefined): Promise<void> {
  for (const { asset, bytes } of pictures) {
    const kept = await saveAsset(asset.id, bytes);
    if (!kept.ok) return sayFault(kept.fault);
  }
  const { book, edit } = useSession.getState();
  if (book?.id !== title) return say(STOPPED);
  const assets = pictures.map(({ asset }) => asset);
  if (!edit('Text of a booklet', beginBooklet(manuscript, assets))) return;
  const left = dropped.map(({ kind, count }) => `${DROPPED_NAMES[kind]} (${count})`).join(', ');
  say(left ? `Taken in. Left out: ${left}.` : 'Taken in whole.');
}

const STOPPED = 'Stopped. Nothing was taken in.';

/** Reading, then choosing where there is much, then taking with its pictures. */
type Phase =
  | { readonly kind: 'reading' }
  | { readonly kind: 'choosing'; readonly choice: TextChoice }
  | { readonly kind: 'taking'; readonly done: number; readonly of: number };

/** A whole book is chosen from, and so is what is longer than one booklet. */
const asksFor = ({ chapters, isBook }: TextChoice): boolean =>
  chapters.filter(({ pieces }) => pieces > 0).length > 1 && (isBook || !fits(sumOf(chapters)));

/** What takes less time than this needs no window to say so, ms. */
const SOON = 500;

/** Brings the text of a file into the title: `bring` begins, `dialog` is what is seen of it. */
export function useBringText(): { readonly bring: (file: File) => void; readonly dialog: ReactNode } {
  const [job, setJob] = useState<{ readonly name: string; readonly phase: Phase } | null>(null);
  const [seen, setSeen] = useState(false);
  const worker = useRef<TextWorker | null>(null);
  const end = (): void => {
    worker.current?.end();
    worker.current = null;
    setJob(null);
    setSeen(false);
  };
  useEffect(
    () => () => {
      if (!worker.current) return;
      worker.current.end();
      worker.current = null;
      say(STOPPED);
    },
    [],
  );
  const busy = job !== null;
  useEffect(() => {
    if (!busy) return undefined;
    const timer = setTimeout(() => setSeen(true), SOON);
    return () => clearTimeout(timer);
  }, [busy]);

  /** What the worker answers to a question; null where it was stopped, or broke or refused, which is said. */
  const answer = async <T,>(own: TextWorker, asked: Promise<Result<T>>): Promise<T | null> => {
    const given = await own.ask(asked).catch((): Result<T> => fail('work-failed'));
    if (worker.current !== own) return null;
    if (given.ok) return given.value;
    end();
    sayFault(given.fault);
    return null;
  };
  const take = async (own: TextWorker, name: string, chosen: readonly number[] | null): Promise<void> => {
    const now = (done: number, of: number): void => {
      if (worker.current === own) setJob({ name, phase: { kind: 'taking', done, of } });
    };
    now(0, 1);
    const title = useSession.getState().book?.id;
    const taken = await answer(own, own.api.take(chosen, proxy(now)));
    if (!taken) return;
    end();
    await lay(taken, title);
  };
  const bring = (file: File): void => {
    end();
    const own = startTextWorker();
    worker.current = own;
    setJob({ name: file.name, phase: { kind: 'reading' } });
    void answer(own, own.api.open(file, file.name)).then((choice) => {
      if (!choice) return undefined;
      if (!asksFor(choice)) return take(own, file.name, null);
      setJob({ name: file.name, phase: { kind: 'choosing', choice } });
      return setSeen(true);
    });
  };
  const stop = (): void => {
    if (job?.phase.kind !== 'choosing') say(STOPPED);
    end();
  };

  const { name, phase } = job ?? { name: '', phase: null };
  const dialog = (
    <Dialog
      open={phase !== null && seen}
      onClose={stop}
      title={phase?.kind === 'choosing' ? 'Which chapters' : 'Bringing the text'}
      description={name}
    >
      {phase?.kind === 'reading' && <Working label="Reading" done={null} onStop={stop} />}
      {phase?.kind === 'choosing' && (
        <ChooseChapters
          chapters={phase.choice.chapters}
          onTake={(chosen) => worker.current && void take(worker.current, name, chosen)}
        />
      )}
      {phase?.kind === 'taking' && (
        <Working
          label={phase.of > 1 ? `Picture ${phase.done + 1} of ${phase.of}` : 'Taking it in'}
          done={phase.of > 1 ? phase.done / phase.of : null}
          onStop={stop}
        />
      )}
    </Dialog>
  );
  return { bring, dialog };
}
