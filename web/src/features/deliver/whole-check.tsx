import { useEffect, useRef, useState } from 'react';
import { sayFault } from '../../messages/say';
import { Button } from '../../ui/button';
import { Verdict } from '../../ui/verdict';
import type { CheckMessage, EpubCheckApi } from '../../work/epub-check.worker';
import { type OwnWorker, ownWorker } from '../../work/own-worker';

const start = (): OwnWorker<EpubCheckApi> =>
  ownWorker<EpubCheckApi>(new Worker(new URL('../../work/epub-check.worker.ts', import.meta.url), { type: 'module' }));

const nameOf = ({ id, path, text }: CheckMessage): string => `${id} ${path} ${text}`;

/** Messages of the second list that are not in the first, each as often as it is more. */
export function newOnes(before: readonly CheckMessage[], after: readonly CheckMessage[]): CheckMessage[] {
  const known = new Map<string, number>();
  for (const one of before) known.set(nameOf(one), (known.get(nameOf(one)) ?? 0) + 1);
  return after.filter((one) => {
    const left = known.get(nameOf(one)) ?? 0;
    known.set(nameOf(one), left - 1);
    return left <= 0;
  });
}

const SHOWN = 40;

/** Says what was examined and what was not, and examines the whole book where that is wished; with `made`, also its new edition. */
export function WholeCheck({ file, made }: { file: Blob; made: Blob | null }) {
  const [before, setBefore] = useState<readonly CheckMessage[] | null>(null);
  const [after, setAfter] = useState<{ of: Blob; messages: readonly CheckMessage[] } | null>(null);
  const [busy, setBusy] = useState(false);
  const worker = useRef<OwnWorker<EpubCheckApi> | null>(null);
  const stop = (): void => {
    worker.current?.end();
    worker.current = null;
    setBusy(false);
  };
  useEffect(() => () => worker.current?.end(), []);
  const run = async (): Promise<void> => {
    const own = (worker.current ??= start());
    setBusy(true);
    try {
      setBefore(before ?? (await own.ask(own.api.check(file))));
      if (made) setAfter({ of: made, messages: await own.ask(own.api.check(made)) });
    } catch {
      if (worker.current === own) sayFault({ code: 'work-failed', data: {} });
    } finally {
      if (worker.current === own) stop();
    }
  };
  const fresh = before && after && after.of === made ? newOnes(before, after.messages) : null;
  const open = !before || (made !== null && after?.of !== made);
  return (
    <section aria-label="The whole book" className="flex flex-col gap-2 border-t border-line pt-4">
      <h3 className="font-semibold">The whole book</h3>
      <p className="text-ink-2">
        Above, how the book is packed, what it says of itself and its cover were examined. The book’s own pages were
        not.
      </p>
      {before && <Messages label="In the file as it came" messages={before} />}
      {fresh && <Messages label="New in the new edition" messages={fresh} />}
      {busy ? (
        <p role="status" className="flex items-center gap-3">
          Checking every page by the rules of the standard
          <Button onClick={stop}>Stop</Button>
        </p>
      ) : (
        open && (
          <Button className="self-start" onClick={() => void run()}>
            {made ? 'Check the whole book, before and after' : 'Check the whole book'}
          </Button>
        )
      )}
    </section>
  );
}

function Messages({ label, messages }: { label: string; messages: readonly CheckMessage[] }) {
  const grave = messages.filter((m) => m.grave).length;
  return (
    <div className="flex flex-col gap-1">
      <Verdict grade={grave > 0 ? 'fail' : messages.length > 0 ? 'may' : 'pass'}>
        {label}: {messages.length === 0 ? 'nothing found' : `${messages.length} found, ${grave} of them grave`}
      </Verdict>
      {messages.length > 0 && (
        <ul className="max-h-48 overflow-auto text-xs text-ink-2" tabIndex={0}>
          {messages.slice(0, SHOWN).map((m, i) => (
            <li key={i} className="wrap-anywhere">
              <span className="font-mono">{m.id}</span> {m.path && `${m.path}: `}
              {m.text}
            </li>
          ))}
          {messages.length > SHOWN && <li>and {messages.length - SHOWN} more</li>}
        </ul>
      )}
    </div>
  );
}
