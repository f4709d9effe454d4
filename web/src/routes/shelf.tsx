import { FileImage, Image, Type } from 'lucide-react';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { BatchDialog } from '../features/deliver/batch-dialog';
import { type Starting, StartDialog } from '../features/shelf/start-dialog';
import { TitleCard } from '../features/shelf/title-card';
import { takeIn } from '../features/shelf/take-in';
import { addDemoBooks, removeFromShelf, saveTitleAs, useDemoOnFirstVisit, useShelf } from '../features/shelf/use-shelf';
import { sayFault } from '../messages/say';
import { Button } from '../ui/button';
import { FileInput } from '../ui/file-input';
import { Mark } from '../ui/mark';

const ACCEPT = 'image/jpeg,image/png,image/webp,image/svg+xml,.yosomi';

export function ShelfPage() {
  const shelf = useShelf();
  const demo = useDemoOnFirstVisit(shelf);
  const navigate = useNavigate();
  const [starting, setStarting] = useState<Starting | null>(null);
  const [over, setOver] = useState(false);
  const [reading, setReading] = useState(false);
  const [delivering, setDelivering] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const as = useRef<'picture' | 'finished' | null>(null);

  const take = useCallback(
    async (file: File, use: 'picture' | 'finished' | null): Promise<void> => {
      setReading(true);
      const taken = await takeIn(file).catch(() => ({ ok: false, fault: { code: 'work-failed', data: {} } }) as const);
      setReading(false);
      if (!taken.ok) return sayFault(taken.fault);
      if (taken.value.kind === 'title') return void navigate(`/title/${taken.value.book.id}/front`);
      const { sample } = taken.value.taken;
      const preview = await createImageBitmap(new ImageData(sample.data, sample.width, sample.height));
      setStarting({ ...taken.value, as: use, preview });
    },
    [navigate],
  );

  useEffect(() => {
    // While the words of a new title are typed, the pages that may come next are fetched; one that cannot be is asked for again when it is opened.
    if (starting) Promise.all([import('./title'), import('./mockups'), import('./sketches')]).catch(() => {});
  }, [starting]);

  useEffect(() => {
    const paste = (e: ClipboardEvent): void => {
      const file = [...(e.clipboardData?.files ?? [])][0];
      if (file) void take(file, null);
    };
    window.addEventListener('paste', paste);
    return () => window.removeEventListener('paste', paste);
  }, [take]);

  const choose = (use: 'picture' | 'finished' | null): void => {
    as.current = use;
    input.current?.click();
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
        const file = e.dataTransfer.files[0];
        if (file) void take(file, null);
      }}
    >
      <header className="flex items-center gap-3 px-10 pt-8 pb-6">
        <Mark className="text-ink" size={30} />
        <h1 className="text-lg font-semibold">Shelf</h1>
        <p className="ml-auto text-ink-2" role="status">
          {reading
            ? 'Reading the file'
            : demo === 'loading'
              ? 'Putting the demo books on the Shelf'
              : 'Everything stays in this browser'}
        </p>
        {shelf && shelf.books.length > 1 && (
          <Button kind="quiet" onClick={() => setDelivering(true)}>
            Deliver many titles
          </Button>
        )}
        <Button kind="quiet" onClick={() => choose(null)}>
          Open a .yosomi file
        </Button>
      </header>
      <FileInput ref={input} accept={ACCEPT} label="File" onFile={(file) => void take(file, as.current)} />
      <section aria-label="Start a title" className="grid grid-cols-3 gap-4 px-10">
        <Way
          icon={<Type size={22} />}
          title="From words"
          text="A title, an author: a cover is composed of them."
          onClick={() => setStarting({ kind: 'words' })}
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
      </section>
      <p className="px-10 pt-2.5 text-ink-2">You can also drop or paste a picture anywhere on this page.</p>
      <section
        aria-label="Titles"
        className={`m-6 flex-1 rounded-sm p-4 ${over ? 'bg-blue-wash outline-2 outline-dashed outline-blue' : ''}`}
      >
        {shelf && shelf.unreadable > 0 && (
          <p className="mb-4 text-fail" role="alert">
            {shelf.unreadable} title{shelf.unreadable > 1 ? 's' : ''} could not be read. Nothing was removed.
          </p>
        )}
        {shelf?.books.length === 0 && demo !== 'loading' ? (
          <div className="flex flex-col items-start gap-3 py-10">
            <p className="text-base font-semibold">No titles yet</p>
            <p className="text-ink-2">
              Start one above{demo === 'offered' ? ', or look around with the demo books' : ''}.
            </p>
            {demo === 'offered' && <Button onClick={() => void addDemoBooks()}>Open the demo books</Button>}
          </div>
        ) : (
          <ul className="flex flex-wrap gap-x-9 gap-y-8">
            {shelf?.books.map((book) => (
              <TitleCard
                key={book.id}
                book={book}
                onSaveAs={(b) => void saveTitleAs(b)}
                onRemove={(b) => void removeFromShelf(b)}
              />
            ))}
          </ul>
        )}
      </section>
      {delivering && shelf && <BatchDialog books={shelf.books} onClose={() => setDelivering(false)} />}
      {starting && (
        <StartDialog
          starting={starting}
          onClose={() => setStarting(null)}
          onStarted={(id, step) => {
            setStarting(null);
            void navigate(`/title/${id}/${step}`);
          }}
        />
      )}
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
