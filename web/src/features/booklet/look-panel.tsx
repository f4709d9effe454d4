import { type Booklet, PAGE_LOOKS, SHEETS, type SheetId, findPageLook } from '@yosomi/core/booklet';
import type { Finding } from '@yosomi/core/base';
import { type BookletFormat } from '@yosomi/core/recipe';
import { useMemo, useRef } from 'react';
import { type Book, onBooklet, setCoverFirst, setPageLook, setSheet, hasPages } from '@yosomi/core/project';
import { sentenceOf } from '../../messages/sentences';
import { useSession } from '../../state/session';
import { Bitmap } from '../../ui/bitmap';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { FileInput } from '../../ui/file-input';
import { Group } from '../../ui/group';
import { Menu } from '../../ui/menu';
import { useRested } from '../../ui/use-rested';
import { TEXT_FILES, useBringText } from './bring-text';
import { useBookletSample } from '../../work/booklets';

const SMALL_PX = 58;

/** The first page of the text in a look, small. */
function LookPicture({ book, look, wanted }: { book: Book; look: string; wanted: boolean }) {
  const dressed = useMemo(() => ({ ...book, booklet: book.booklet && { ...book.booklet, look } }), [book, look]);
  const { data } = useBookletSample(dressed, SMALL_PX * 2, wanted && hasPages(book));
  return (
    <span className="flex h-[72px] items-center justify-center bg-table/40 p-1" aria-hidden>
      {data && <Bitmap bitmap={data} label="" className="max-h-full max-w-full" />}
    </span>
  );
}

/** How the pages look, on which sheet, what is not right with them, and the file. */
export function LookPanel(props: {
  /** The title as its pages are shown. */
  book: Book;
  booklet: Booklet;
  count: number;
  findings: readonly Finding[];
  saving: BookletFormat | null;
  onSave(format: BookletFormat): void;
  onRemove(): void;
}) {
  const { booklet, count, findings } = props;
  const edit = useSession((s) => s.edit);
  const input = useRef<HTMLInputElement>(null);
  const { bring, dialog } = useBringText();
  // The pages themselves come first, and the looks once the hand has rested longer.
  const shown = useRested(props.book);
  const ready = useRested(count > 0);
  const idle = count === 0 || props.saving !== null;
  return (
    <aside aria-label="How it looks" className="w-64 shrink-0 overflow-y-auto border-l border-line bg-paper">
      <Group title="File">
        <p className="text-ink-2" role="status">
          {count === 0 ? 'No pages yet.' : count === 1 ? 'One page.' : `${count} pages.`}
        </p>
        {findings.length > 0 && (
          <ul aria-label="What to look at" className="flex flex-col gap-1.5">
            {findings.map((finding, i) => (
              <li key={i} className="border-l-2 border-may pl-2">
                {sentenceOf(finding)}
              </li>
            ))}
          </ul>
        )}
        <Button kind="ink" disabled={idle} onClick={() => props.onSave('pdf')}>
          {props.saving === 'pdf' ? 'Making the PDF' : 'Save PDF'}
        </Button>
        <Button disabled={idle} onClick={() => props.onSave('epub')}>
          {props.saving === 'epub' ? 'Making the EPUB' : 'Save EPUB'}
        </Button>
      </Group>
      <Group title="Look">
        <div role="radiogroup" aria-label="Look of the pages" className="grid grid-cols-2 gap-1.5">
          {PAGE_LOOKS.map((look) => (
            <label
              key={look.id}
              className="flex cursor-pointer flex-col gap-1 rounded-sm border border-line bg-card p-1.5 hover:border-ink has-checked:border-ink has-checked:bg-blue-wash"
            >
              <LookPicture book={shown} look={look.id} wanted={ready} />
              <span className="flex items-center gap-1.5">
                <input
                  type="radio"
                  name="page-look"
                  aria-label={`${look.name}: ${look.says}`}
                  className="accent-ink"
                  checked={booklet.look === look.id}
                  onChange={() => void edit(`Look of the pages: ${look.name}`, onBooklet(setPageLook(look.id)))}
                />
                <span className="font-semibold">{look.name}</span>
              </span>
            </label>
          ))}
        </div>
        <p className="text-xs text-ink-2">{findPageLook(booklet.look).says}.</p>
      </Group>
      <Group title="Sheet">
        <Menu
          label="Sheet"
          value={booklet.sheet}
          groups={[{ title: 'Sheets', options: SHEETS.map(({ id, name }) => ({ value: id, label: name })) }]}
          onChange={(id) => void edit('Sheet of the pages', onBooklet(setSheet(id as SheetId)))}
        />
        <Check
          label="The cover is the first page"
          checked={booklet.cover}
          onChange={(on) => void edit('Cover as the first page', onBooklet(setCoverFirst(on)))}
        />
      </Group>
      <Group title="Text">
        <FileInput ref={input} accept={TEXT_FILES} label="Text file" onFile={bring} />
        {dialog}
        <Button kind="link" className="self-start" onClick={() => input.current?.click()}>
          Open another text
        </Button>
        <Button kind="link" className="self-start" onClick={props.onRemove}>
          Remove the booklet
        </Button>
      </Group>
    </aside>
  );
}
