import type { TakenPicture } from '@yosomi/core/recipe';
import { sortCards } from '@yosomi/core/shelf';
import { useLiveQuery } from 'dexie-react-hooks';
import { FileImage, Image, Table, Type } from 'lucide-react';
import { Suspense, lazy, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { useArrival } from '../features/shelf/arrivals';
import { useDemo } from '../features/shelf/demo-books';
import { OpenedReport } from '../features/shelf/opened-report';
import { openMany, stopOpening, useOpening } from '../features/shelf/opening';
import type { Starting } from '../features/shelf/start-dialog';
import { useMaking } from '../features/title-table/making';
import { Making } from '../features/title-table/making-now';
import { isTableFile } from '../features/title-table/table-files';
import { Titles } from '../features/shelf/titles';
import { UnreadTitles } from '../features/shelf/unread-titles';
import { useShelf } from '../features/shelf/use-shelf';
import { db } from '../persist/db';
import { inMemory } from '../persist/memory';
import { expireRemoved } from '../persist/removed';
import { nowMs } from '../platform/clock';
import { Button } from '../ui/button';
import { FileInput } from '../ui/file-input';
import { Mark } from '../ui/mark';
import { Working } from '../ui/working';

// What the Shelf opens comes when it is opened.
const BatchDialog = lazy(() => import('../features/deliver/batch-dialog').then((m) => ({ default: m.BatchDialog })));
const AgainDialog = lazy(() => import('../features/shelf/again-dialog').then((m) => ({ default: m.AgainDialog })));
const RemovedDialog = lazy(() =>
  import('../features/shelf/removed-dialog').then((m) => ({ default: m.RemovedDialog })),
);
const DeskDialog = lazy(() => import('../features/desk/desk-dialog').then((m) => ({ default: m.DeskDialog })));
const TableDialog = lazy(() =>
  import('../features/title-table/table-dialog').then((m) => ({ default: m.TableDialog })),
);
const StartDialog = lazy(() => import('../features/shelf/start-dialog').then((m) => ({ default: m.StartDialog })));

const ACCEPT = 'image/jpeg,image/png,image/webp,image/svg+xml,.yosomi';

/** A picture of the desk as one that came in by itself. */
const startingWith = async (taken: TakenPicture): Promise<Starting> => ({
  kind: 'picture',
  name: taken.asset.name,
  use: 'picture',
  taken,
  preview: await createImageBitmap(new ImageData(taken.sample.data, taken.sample.width, taken.sample.height)),
});

export function ShelfPage() {
  const shelf = useShelf();
  const demo = useDemo();
  const { look } = demo;
  const arrival = useArrival((s) => s.state);
  const take = useArrival((s) => s.take);
  const resume = useArrival((s) => s.resume);
  const drop = useArrival((s) => s.drop);
  const removed = useLiveQuery(() => db.removed.count()) ?? 0;
  const navigate = useNavigate();
  const [fromWords, setFromWords] = useState(false);
  const [desk, setDesk] = useState(false);
  const [fromDesk, setFromDesk] = useState<Starting | null>(null);
  const [over, setOver] = useState(false);
  /** Those that are delivered; all where it is null. */
  const [delivering, setDelivering] = useState<{ readonly ids: readonly string[] | null } | null>(null);
  const opening = useOpening();
  const making = useMaking((s) => s.now !== null);
  /** What was given for a table; null while none is looked at. */
  const [table, setTable] = useState<readonly File[] | null>(null);
  const [showRemoved, setShowRemoved] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const as = useRef<'picture' | 'finished' | null>(null);
  const starting: Starting | null = fromWords
    ? { kind: 'words' }
    : (fromDesk ?? (arrival.kind === 'picture' ? arrival : null));

  const titles = shelf && shelf.count;
  const delivered = useMemo(() => {
    const some = shelf?.cards.filter(({ id }) => delivering?.ids?.includes(id) ?? true) ?? [];
    return sortCards(some, 'changed', new Map());
  }, [shelf, delivering]);
  const looked = useRef(false);
  useEffect(() => {
    if (titles === null || looked.current) return;
    looked.current = true;
    void look(titles);
  }, [titles, look]);
  useEffect(() => {
    void resume();
    // What was removed long ago goes; it is tried again at the next visit where it cannot.
    expireRemoved(nowMs()).catch(() => {});
  }, [resume]);

  const open = useCallback(
    (id: string): void => {
      void drop();
      void navigate(`/title/${id}/front`);
    },
    [drop, navigate],
  );
  useEffect(() => {
    if (arrival.kind === 'title') open(arrival.book.id);
  }, [arrival, open]);

  const isStarting = starting !== null;
  useEffect(() => {
    // While the words of a new title are typed, the pages that may come next are fetched; one that cannot be is asked for again when it is opened.
    if (isStarting) Promise.all([import('./title'), import('./mockups'), import('./sketches')]).catch(() => {});
  }, [isStarting]);

  const takeAll = useCallback(
    (files: readonly File[]): void => {
      if (files.some(isTableFile)) setTable(files);
      else if (files.length > 1) openMany(files);
      else if (files.length === 1) void take(files[0], null);
    },
    [take],
  );
  useEffect(() => {
    const paste = (e: ClipboardEvent): void => {
      takeAll([...(e.clipboardData?.files ?? [])]);
    };
    window.addEventListener('paste', paste);
    return () => window.removeEventListener('paste', paste);
  }, [takeAll]);

  const choose = (use: 'picture' | 'finished' | null): void => {
    as.current = use;
    if (!input.current) return;
    // A title begins with one picture.
    input.current.multiple = use === null;
    input.current.click();
  };

  return (
    <main
      className="flex min-h-full flex-col"
      onDragOver={(e) => {
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={(e) => e.currentTarget === e.target && setOver(false)}
      onDrop={(e) => {
        e.preventDefault();
        setOver(false);
        takeAll([...e.dataTransfer.files]);
      }}
    >
      <header className="flex flex-wrap items-center gap-3 px-4 pt-8 pb-6 min-[1000px]:px-10">
        <Mark className="text-ink" size={30} />
        <h1 className="text-lg font-semibold">Shelf</h1>
        <p className="ml-auto text-ink-2" role="status">
          {arrival.kind === 'reading'
            ? `Reading ${arrival.name}`
            : demo.state === 'loading'
              ? `Putting the demo books on the Shelf, ${demo.done} of ${demo.of}`
              : inMemory()
                ? ''
                : 'Everything stays in this browser'}
        </p>
        {shelf && shelf.cards.length > 1 && (
          <Button kind="quiet" onClick={() => setDelivering({ ids: null })}>
            Deliver many titles
          </Button>
        )}
        <Button kind="quiet" onClick={() => setDesk(true)}>
          Picture desk
        </Button>
        {shelf && shelf.cards.length > 0 && (
          <Button kind="quiet" onClick={() => void navigate('/house')}>
            House style
          </Button>
        )}
        {removed > 0 && (
          <Button kind="quiet" onClick={() => setShowRemoved(true)}>
            Removed titles
          </Button>
        )}
        <Button kind="quiet" onClick={() => choose(null)}>
          Open .yosomi files
        </Button>
      </header>
      <FileInput
        ref={input}
        accept={ACCEPT}
        label="File"
        onFile={(file) => void take(file, as.current)}
        onFiles={openMany}
      />
      <section
        aria-label="Start a title"
        className="grid grid-cols-1 gap-4 px-4 min-[700px]:grid-cols-2 min-[1000px]:px-10 min-[1200px]:grid-cols-4"
      >
        <Way
          icon={<Type size={22} />}
          title="From words"
          text="A title, an author: a cover is composed of them."
          onClick={() => setFromWords(true)}
        />
        <Way
          icon={<Image size={22} />}
          title="From a picture"
          text="Your words are set where the picture is calm."
          onClick={() => choose('picture')}
        />
        <Way
          icon={<FileImage size={22} />}
          title="From a finished cover"
          text="For mockups, promos and store files of a cover you have."
          onClick={() => choose('finished')}
        />
        <Way
          icon={<Table size={22} />}
          title="From a table"
          text="A title and a cover for every row of a spreadsheet."
          onClick={() => setTable([])}
        />
      </section>
      <p className="px-4 pt-2.5 text-ink-2 min-[1000px]:px-10">
        You can also drop or paste a picture anywhere on this page.
      </p>
      <section
        aria-label="Titles"
        className={`m-0 flex-1 rounded-sm p-4 min-[1000px]:m-6 ${over ? 'bg-blue-wash outline-2 outline-dashed outline-blue' : ''}`}
      >
        {shelf && <UnreadTitles titles={shelf.unread} />}
        {opening.now && (
          <div className="mb-6 max-w-xl">
            <Working
              label={`Opening titles, ${opening.now.done} of ${opening.now.of}`}
              done={opening.now.done / opening.now.of}
              onStop={stopOpening}
            />
          </div>
        )}
        {opening.last && <OpenedReport last={opening.last} />}
        <Making />
        {shelf?.reading && (
          <p role="status" className="mb-6 text-ink-2">
            Reading the Shelf, {shelf.reading.done} of {shelf.reading.of}
          </p>
        )}
        {shelf?.count === 0 && demo.state !== 'loading' && !opening.now && !making ? (
          <div className="flex flex-col items-start gap-3 py-10">
            <p className="text-base font-semibold">No titles yet</p>
            <p className="text-ink-2">
              Start one above{demo.state === 'offered' ? ', or look around with the demo books' : ''}.
            </p>
            {demo.state === 'offered' && <Button onClick={() => void demo.add()}>Open the demo books</Button>}
          </div>
        ) : (
          shelf && <Titles cards={shelf.cards} onDeliver={(ids) => setDelivering({ ids })} />
        )}
      </section>
      <Suspense fallback={null}>
        {delivering && shelf && <BatchDialog cards={delivered} onClose={() => setDelivering(null)} />}
        {table && shelf && <TableDialog files={table} cards={shelf.cards} onClose={() => setTable(null)} />}
        {desk && (
          <DeskDialog
            book={null}
            uses={[
              { label: 'Start a title with it', run: async ({ taken }) => setFromDesk(await startingWith(taken)) },
            ]}
            onClose={() => setDesk(false)}
          />
        )}
        {showRemoved && <RemovedDialog onClose={() => setShowRemoved(false)} />}
        {arrival.kind === 'again' && (
          <AgainDialog project={arrival.project} there={arrival.there} onClose={() => void drop()} onOpened={open} />
        )}
        {starting && (
          <StartDialog
            starting={starting}
            onClose={() => {
              setFromWords(false);
              // The desk is still there, for another picture.
              setFromDesk(null);
              if (starting.kind === 'picture') void drop();
            }}
            onStarted={(id, step) => {
              setFromWords(false);
              setFromDesk(null);
              if (starting.kind === 'picture') void drop();
              void navigate(`/title/${id}/${step}`);
            }}
          />
        )}
      </Suspense>
    </main>
  );
}

function Way(props: { icon: React.ReactNode; title: string; text: string; onClick(): void }) {
  return (
    <button
      type="button"
      onClick={props.onClick}
      className="flex items-center gap-4 rounded-sm border border-line bg-card px-5 py-4 text-left hover:border-ink"
    >
      <span className="text-blue">{props.icon}</span>
      <span>
        <span className="block text-base font-semibold">{props.title}</span>
        <span className="text-ink-2">{props.text}</span>
      </span>
    </button>
  );
}
