import { adaptDoc, type Doc } from '@yosomi/core/cover';
import { type Book, SIDES, type SideName } from '@yosomi/core/project';
import { removeSize } from '@yosomi/core/recipe';
import { PROFILES, type Profile } from '@yosomi/core/stores';
import { DropdownMenu } from 'radix-ui';
import { ChevronDown } from 'lucide-react';
import { useState } from 'react';
import { useSession } from '../../state/session';
import { useAddSize } from './use-add-size';
import { SizeDialog } from './size-dialog';
import { useOpenSide } from './use-open-side';

const SIDE_NAMES: Record<SideName, string> = { spine: 'Spine', back: 'Back' };

/** What is on the table: the cover, a sibling of another size, spine or back. Makes those, and changes the size of the cover itself. */
export function SizeSwitch(props: {
  book: Book;
  shown: string | null;
  onShow(id: string | null): void;
  onAll(): void;
}) {
  const { book, shown, onShow: onSibling } = props;
  const sibling = shown !== null && book.siblings[shown] ? shown : null;
  const side = SIDES.find((name) => name === shown);
  const edit = useSession((s) => s.edit);
  const item =
    'cursor-pointer rounded-sm px-3 py-1.5 outline-none data-[highlighted]:bg-blue-wash data-[disabled]:text-ink-3';
  const now = sibling ? book.siblings[sibling] : undefined;
  const [asking, setAsking] = useState(false);
  /** Who takes a store's size sells there: one act. */
  const resize = ({ id, name, ideal }: Profile): void =>
    void edit(`Size for ${name}`, (draft) => {
      draft.cover = adaptDoc(JSON.parse(JSON.stringify(draft.cover)) as Doc, ideal);
      if (!draft.brief.stores.includes(id)) draft.brief.stores.push(id);
    });
  const add = useAddSize(book, onSibling);
  const addSquare = (): void => add('Square', { widthPx: 2400, heightPx: 2400 });
  const openSide = useOpenSide();
  const square = Object.entries(book.siblings).find(([, s]) => s.widthPx === s.heightPx);
  return (
    <>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger className="flex items-center gap-1 rounded-sm px-1.5 py-0.5 text-xs hover:bg-ink/10">
          <span className="max-w-28 truncate">{side ? SIDE_NAMES[side] : now ? now.name : 'Front'}</span>
          <ChevronDown size={13} aria-hidden />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            side="top"
            sideOffset={6}
            className="z-30 w-72 rounded-sm border border-edge bg-card p-1"
          >
            <DropdownMenu.Label className="px-3 pt-1 pb-0.5 text-xs font-semibold text-ink-2">Show</DropdownMenu.Label>
            <DropdownMenu.Item className={item} onSelect={() => onSibling(null)}>
              Front, {book.cover.widthPx} x {book.cover.heightPx}
            </DropdownMenu.Item>
            {Object.entries(book.siblings).map(([id, s]) => (
              <DropdownMenu.Item key={id} className={item} onSelect={() => onSibling(id)}>
                {s.name}, {s.widthPx} x {s.heightPx}
              </DropdownMenu.Item>
            ))}
            {SIDES.map((name) => (
              <DropdownMenu.Item
                key={name}
                className={item}
                onSelect={() => void openSide(name).then((there) => there && onSibling(name))}
              >
                {SIDE_NAMES[name]}, {book.sides[name] ? 'edited' : 'made from the front'}
              </DropdownMenu.Item>
            ))}
            {side && (
              <DropdownMenu.Item
                className={item}
                onSelect={() => {
                  onSibling(null);
                  edit(`${SIDE_NAMES[side]} from the front again`, (draft) => void (draft.sides[side] = null));
                }}
              >
                Make the {side} from the front again
              </DropdownMenu.Item>
            )}
            <DropdownMenu.Item className={item} onSelect={props.onAll}>
              Every size together
            </DropdownMenu.Item>
            {!square && !book.cover.finished && (
              <DropdownMenu.Item className={item} onSelect={addSquare}>
                Make a square one for audiobooks
              </DropdownMenu.Item>
            )}
            {sibling && (
              <DropdownMenu.Item
                className={item}
                onSelect={() => {
                  onSibling(null);
                  edit('Remove a sibling', removeSize(sibling));
                }}
              >
                Remove this sibling
              </DropdownMenu.Item>
            )}
            {!book.cover.finished && !sibling && !side && (
              <>
                <DropdownMenu.Label className="px-3 pt-2 pb-0.5 text-xs font-semibold text-ink-2">
                  Set the front to the size of
                </DropdownMenu.Label>
                <DropdownMenu.Item className={item} onSelect={() => setAsking(true)}>
                  A size of your own
                </DropdownMenu.Item>
                {PROFILES.filter((p) => p.ideal.widthPx !== p.ideal.heightPx).map((p) => (
                  <DropdownMenu.Item
                    key={p.id}
                    className={item}
                    disabled={p.ideal.widthPx === book.cover.widthPx && p.ideal.heightPx === book.cover.heightPx}
                    onSelect={() => resize(p)}
                  >
                    {p.name}, {p.ideal.widthPx} x {p.ideal.heightPx}
                  </DropdownMenu.Item>
                ))}
              </>
            )}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      {asking && <SizeDialog book={book} onClose={() => setAsking(false)} />}
    </>
  );
}
