import { useEffect, useRef } from 'react';
import { DeliverFrame } from '../features/deliver/deliver-frame';
import { LibraryView } from '../features/reader/library-view';
import { BookPage, PAPER, PHONE, Screen, TABLET } from '../features/reader/screen';
import { useReader } from '../features/reader/use-reader';
import { useBook } from '../state/session';
import { Bitmap } from '../ui/bitmap';
import { Button } from '../ui/button';
import { FileInput } from '../ui/file-input';

/** An EPUB as readers show it: in the library, on several screens, and what a cover of words would have become. */
export function ReaderPage() {
  const title = useBook();
  const { reading, page, reflowed, busy, open, openOwn, turn } = useReader(title);
  const input = useRef<HTMLInputElement>(null);
  const started = useRef(false);
  useEffect(() => {
    if (started.current) return;
    started.current = true;
    void openOwn();
  });
  const at = page?.at ?? 0;
  const path = reading?.book.pages[at];
  const onCover = path !== undefined && path === reading?.book.coverPage;
  const actions = (
    <>
      <FileInput
        ref={input}
        accept=".epub,application/epub+zip"
        label="EPUB to read"
        onFile={(file) => void open(file, file.name)}
      />
      <Button kind="quiet" disabled={busy} onClick={() => void openOwn()}>
        This title’s ebook
      </Button>
      <Button disabled={busy} onClick={() => input.current?.click()}>
        Open an EPUB
      </Button>
    </>
  );
  return (
    <DeliverFrame actions={actions}>
      <div className="flex items-center gap-4 pb-4">
        <p className="min-w-0 truncate text-ink-2" role="status">
          {busy ? 'Opening the book' : (reading?.name ?? '')}
        </p>
        {reading && (
          <div className="ml-auto flex items-center gap-3">
            <Button disabled={at === 0} onClick={() => void turn(reading.book, at - 1)}>
              Page before
            </Button>
            <span className="font-mono text-xs">
              Page {at + 1} of {reading.book.pages.length}
            </span>
            <Button disabled={at + 1 >= reading.book.pages.length} onClick={() => void turn(reading.book, at + 1)}>
              Next page
            </Button>
          </div>
        )}
      </div>
      {reading && (
        <div className="-mx-10 flex flex-wrap items-end gap-x-9 gap-y-8 bg-table px-10 py-8">
          <Screen device={PHONE} title="Library">
            <LibraryView device={PHONE} cover={reading.cover} title={reading.book.title} author={reading.book.author} />
          </Screen>
          <Screen device={PHONE}>
            {page?.html && <BookPage device={PHONE} html={page.html} label="The page on a phone" />}
          </Screen>
          <Screen device={TABLET}>
            {page?.html && <BookPage device={TABLET} html={page.html} label="The page on a tablet" />}
          </Screen>
          <Screen device={PAPER}>
            {onCover && reading.onPaper ? (
              <div className="flex h-full w-full items-center justify-center bg-white">
                <Bitmap
                  bitmap={reading.onPaper}
                  label="The cover in 16 greys"
                  style={{ width: (reading.onPaper.width * PAPER.shownPx) / PAPER.widthPx }}
                />
              </div>
            ) : (
              page?.html && <BookPage device={PAPER} html={page.html} label="The page on electronic paper" grey />
            )}
          </Screen>
        </div>
      )}
      {reflowed && (
        <section aria-label="Why the cover is one image" className="flex items-start gap-8 pt-7">
          <Screen device={PHONE} title="Words and picture apart">
            <BookPage device={PHONE} html={reflowed} label="The cover as a page of words and a picture" />
          </Screen>
          <div className="max-w-[460px] pt-2">
            <h2 className="pb-1.5 text-base font-semibold">Why the cover is one image</h2>
            <p>
              A reader sets words in its own face and size and lets them flow. Built of words and a picture, the cover
              would look like this on a phone. As one image it is the same everywhere, and never cut.
            </p>
          </div>
        </section>
      )}
    </DeliverFrame>
  );
}
