import { fail } from '@yosomi/core/base';
import { addPagePicture, removeBooklet } from '@yosomi/core/project';
import { type BookletFormat, titleStem } from '@yosomi/core/recipe';
import { useEffect, useRef, useState } from 'react';
import { FirstBooklet } from '../features/booklet/first-booklet';
import { LookPanel } from '../features/booklet/look-panel';
import { type PagesShown, PagesView } from '../features/booklet/pages-view';
import { TextEditor } from '../features/booklet/text-editor';
import { usePictureInput } from '../features/front/use-picture-input';
import { say, sayFault } from '../messages/say';
import { nowIso } from '../platform/clock';
import { saveFile } from '../platform/files';
import { useActions } from '../state/actions';
import { useBook, useSession } from '../state/session';
import { Segmented } from '../ui/segmented';
import { Side, Sides } from '../ui/sides';
import { useBookletShape } from '../work/booklets';
import { press } from '../work/workers';

const SHOWN: readonly { readonly value: PagesShown; readonly label: string }[] = [
  { value: 'spreads', label: 'Spreads' },
  { value: 'one', label: 'One page' },
  { value: 'small', label: 'All small' },
];

/** The pages that go with a title. */
export function BookletPage() {
  const book = useBook();
  return (
    <main className="flex min-h-0 flex-1">
      <h1 className="sr-only">Booklet</h1>
      {book.booklet ? (
        <Pages />
      ) : (
        <div className="min-h-0 flex-1 overflow-auto">
          <FirstBooklet />
        </div>
      )}
    </main>
  );
}

function Pages() {
  const now = useBook();
  const edit = useSession((s) => s.edit);
  const { book, shape, failed, fresh } = useBookletShape(now);
  const [shown, setShown] = useState<PagesShown>('spreads');
  const [focused, setFocused] = useState<{ readonly block: number } | null>(null);
  const [saving, setSaving] = useState<BookletFormat | null>(null);
  const after = useRef<number | null>(null);
  const pictures = usePictureInput(({ asset }) => void edit('Picture on a page', addPagePicture(asset, after.current)));

  const save = async (format: BookletFormat): Promise<void> => {
    setSaving(format);
    const made = await press()
      .booklet(now, nowIso(), format)
      .catch(() => fail('work-failed'));
    setSaving(null);
    if (!made.ok) return sayFault(made.fault);
    const name = `${titleStem(now)}-booklet.${format}`;
    saveFile(made.value.bytes, name, format === 'pdf' ? 'application/pdf' : 'application/epub+zip');
    const grave = made.value.findings.find(({ severity }) => severity !== 'note');
    if (grave) sayFault(grave);
    else say(`Saved ${name}`);
  };
  const offer = useActions((s) => s.offer);
  const withdraw = useActions((s) => s.withdraw);
  useEffect(() => {
    offer(
      'booklet',
      SHOWN.map(({ value, label }) => ({
        id: `booklet-${value}`,
        label: `Pages: ${label.toLowerCase()}`,
        group: 'Booklet',
        run: () => setShown(value),
      })),
    );
    return () => withdraw('booklet');
  }, [offer, withdraw]);

  if (!now.booklet) return null;
  return (
    <div className="contents" data-fresh={fresh}>
      {pictures.input}
      <Sides names={['How it looks']}>
        <section aria-label="The text" className="flex min-h-0 w-[38%] min-w-64 flex-col border-r border-line">
          <TextEditor
            blocks={now.booklet.manuscript.blocks}
            focused={focused}
            onPicture={(block) => {
              after.current = block;
              pictures.open();
            }}
          />
        </section>
        <section aria-label="The pages" className="flex min-h-0 min-w-0 flex-1 flex-col">
          <div className="flex items-center gap-3 border-b border-line px-4 py-1.5">
            <div className="w-72 max-w-full">
              <Segmented<PagesShown> label="How pages are shown" value={shown} options={SHOWN} onChange={setShown} />
            </div>
            <span role="status" className="text-xs text-ink-2">
              {failed ? 'The pages could not be made. Undo the last step or reload.' : fresh ? '' : 'Setting'}
            </span>
          </div>
          <div className="min-h-0 flex-1 overflow-y-auto bg-table p-5">
            {shape ? (
              <PagesView book={book} shape={shape} shown={shown} onBlock={(block) => setFocused({ block })} />
            ) : (
              fresh && <p className="p-6 text-card">Type or paste the text, and its pages appear here.</p>
            )}
          </div>
        </section>
        <Side name="How it looks">
          <LookPanel
            book={book}
            booklet={now.booklet}
            count={shape?.pages.length ?? 0}
            findings={shape?.findings ?? []}
            saving={saving}
            onSave={(format) => void save(format)}
            onRemove={() => void edit('Remove the booklet', removeBooklet)}
          />
        </Side>
      </Sides>
    </div>
  );
}
