import { titleStem } from '@yosomi/core/recipe';
import { PROFILES } from '@yosomi/core/stores';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { DeliverFrame } from '../features/deliver/deliver-frame';
import { FileOptions } from '../features/deliver/file-options';
import { FileRow } from '../features/deliver/file-row';
import { type Ready, saveOne, savePackage, sendOne } from '../features/deliver/leave';
import { type Row, useDeliver } from '../features/deliver/use-deliver';
import { useWishes } from '../features/deliver/use-wishes';
import { LeftAsItIs } from '../features/frame/left-as-it-is';
import { useAllOthers } from '../features/mockups/use-others';
import { saveTitleAs } from '../features/frame/save-title';
import { RightsAndCredits } from '../features/rights/rights-and-credits';
import { sayFault } from '../messages/say';
import { useBook } from '../state/session';
import { Button } from '../ui/button';
import { Working } from '../ui/working';

const readyOf = ({ wanted, made, stale }: Row): Ready | null => (made && !stale ? { wanted, made } : null);

export function DeliverPage() {
  const book = useBook();
  const { wishes, wish } = useWishes();
  const { rows, unread, make, progress, stop } = useDeliver(book, wishes);
  const others = useAllOthers(book);
  const [options, setOptions] = useState(false);
  const [sending, setSending] = useState(false);
  const current = rows.flatMap((r) => readyOf(r) ?? []);
  const stale = rows.filter((r) => r.stale);
  const send = (ready: Ready): void => {
    setSending(true);
    void sendOne(book, ready).finally(() => setSending(false));
  };
  const saveAll = async (): Promise<void> => {
    const files = current.map(({ wanted, made }) => ({ wanted, size: made.bytes.length }));
    const lacks = rows.filter((row) => !readyOf(row)).map((row) => row.wanted);
    const done = await savePackage(`${titleStem(book)}-files.zip`, [{ book, files, lacks, others }]);
    if (done && lacks.length > 0) sayFault({ code: 'package-lacks', data: { count: lacks.length } });
  };
  const working = useRef<HTMLDivElement>(null);
  const zip = useRef<HTMLButtonElement>(null);
  const making = progress !== null;
  const made = useRef(making);
  // The button that was pressed is gone: the keyboard goes on with what one does next.
  useEffect(() => {
    if (made.current === making) return;
    made.current = making;
    if (document.activeElement !== document.body) return;
    (making ? working.current?.querySelector('button') : zip.current)?.focus();
  }, [making]);
  const actions = making ? (
    <div className="w-72" ref={working}>
      <Working label="Making the files" done={progress} onStop={stop} />
    </div>
  ) : (
    <>
      <Button kind="quiet" onClick={() => setOptions(true)}>
        Names and sheets
      </Button>
      <Button kind="quiet" onClick={() => void saveTitleAs(book)}>
        Save the title as a file
      </Button>
      {stale.length > 0 && <Button onClick={() => make(stale.map((r) => r.wanted))}>Remake what is stale</Button>}
      <Button ref={zip} onClick={() => void saveAll()} disabled={current.length === 0}>
        Save all as a zip
      </Button>
      <Button kind="ink" onClick={() => make(rows.map((r) => r.wanted))}>
        Make all
      </Button>
    </>
  );
  return (
    <DeliverFrame actions={actions}>
      <p className="-mt-3 pb-3 text-ink-2" role="status">
        {current.length} of {rows.length} files are up to date.
        {book.brief.stores.length === 0 &&
          ' No store is chosen. Choose where it is sold under Stores, and its cover file appears here.'}
      </p>
      <LeftAsItIs why={unread} />
      <table className="w-full border-collapse text-left">
        <thead className="text-xs text-ink-2">
          <tr className="border-b border-edge">
            <th className="py-2 pr-4">File</th>
            <th className="w-26 pr-4">Pixels</th>
            <th className="w-20 pr-4">Format</th>
            <th className="w-24 pr-4 text-right">Size</th>
            <th className="w-[25%] pr-4 pl-6">Verdict</th>
            <th className="w-44">
              <span className="sr-only">Actions</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <FileRow
              key={row.wanted.id}
              row={row}
              idle={progress === null && !sending}
              wishes={wishes}
              title={book.id}
              canSend={PROFILES.some((p) => p.id === row.wanted.store)}
              onFormat={(format) =>
                void wish((now) => ({ ...now, formats: { ...now.formats, [row.wanted.store ?? '']: format } }))
              }
              onMake={() => make([row.wanted])}
              onSave={() => {
                const ready = readyOf(row);
                if (ready) void saveOne(book, ready);
              }}
              onSend={() => {
                const ready = readyOf(row);
                if (ready) send(ready);
              }}
            />
          ))}
        </tbody>
      </table>
      {book.booklet === null && (
        <p className="pt-3 text-ink-2">
          Something to give away?{' '}
          <Link to={`/title/${book.id}/booklet`} className="underline underline-offset-2 hover:no-underline">
            Make a booklet
          </Link>{' '}
          of a text, in the look of the cover.
        </p>
      )}
      <RightsAndCredits others={others} />
      {options && (
        <FileOptions
          book={book}
          wishes={wishes}
          onWish={(more) => void wish((now) => ({ ...now, ...more }))}
          onClose={() => setOptions(false)}
        />
      )}
    </DeliverFrame>
  );
}
