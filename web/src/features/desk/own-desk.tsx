import { type LibraryAsk, type LibraryPlace, anyOwn } from '@yosomi/core/library';
import type { Book } from '@yosomi/core/project';
import type { HouseAsk } from '@yosomi/core/recipe';
import { type ReactNode, useDeferredValue, useRef, useState } from 'react';
import { stepAmong } from '../../ui/step-among';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { TextField } from '../../ui/field';
import { Menu } from '../../ui/menu';
import { Working } from '../../ui/working';
import { ANY, ChoiceMenus, OWN_CHOICES } from './choice-menus';
import type { DeskUse } from './desk-dialog';
import { OwnGrid } from './own-grid';
import { OwnPanel } from './own-panel';
import { ManyPanel } from './many-panel';
import { TakenReport } from './taken-report';
import { useChosen } from './use-chosen';
import { useLibrary, useSearch } from './use-library';
import type { Taking } from './use-take-many';

const ACCEPT = 'image/jpeg,image/png,image/webp,image/svg+xml';

const FOLDER = 'folder:';
const placeOf = (value: string): LibraryPlace =>
  value.startsWith(FOLDER)
    ? { kind: 'folder', folder: value.slice(FOLDER.length) }
    : { kind: value === 'near' ? 'near' : 'all' };

/** One's own pictures, for every title: in folders, with tags, searched by words and by what is measured. */
export function OwnDesk(props: {
  focus: boolean;
  book: Book | null;
  house: HouseAsk;
  uses: readonly DeskUse[];
  taking: Taking;
  /** Where what comes in is put; empty for no folder. */
  folder: string;
  onFolder(folder: string): void;
}) {
  const { book, house, taking } = props;
  const hasWords = book !== null && book.brief.title.trim() !== '';
  const [withWords, setWithWords] = useState(true);
  const [ask, setAsk] = useState<LibraryAsk>(anyOwn);
  const grid = useRef<HTMLDivElement>(null);
  /** Another question is looked at from its first answer. */
  const askFor = (more: Partial<LibraryAsk>): void => {
    setAsk((now) => ({ ...now, ...more }));
    grid.current?.scrollTo(0, 0);
  };
  const asked = useDeferredValue(ask);
  const library = useLibrary(taking.rev);
  const hits = useSearch(library, asked);
  const chosen = useChosen(hits?.found ?? []);
  const input = useRef<HTMLInputElement>(null);
  const shownBook = hasWords && withWords ? book : null;
  const { facts } = library;
  const found = hits?.found ?? [];
  const place = ask.place.kind === 'folder' ? `${FOLDER}${ask.place.folder}` : ask.place.kind;
  const look = (value: string): void => {
    const next = placeOf(value);
    askFor({ place: next });
    props.onFolder(next.kind === 'folder' ? next.folder : '');
  };
  const add = (
    <Button kind={facts?.count === 0 ? 'ink' : undefined} onClick={() => input.current?.click()}>
      Add pictures
    </Button>
  );
  return (
    <>
      <input
        ref={input}
        type="file"
        multiple
        aria-label="Picture files"
        accept={ACCEPT}
        className="hidden"
        onChange={(e) => {
          const files = [...(e.target.files ?? [])];
          e.target.value = '';
          taking.take(files.map((file) => ({ file, folder: props.folder })));
        }}
      />
      <div className="flex flex-wrap items-end gap-2.5">
        <div className="min-w-60 flex-1">
          <TextField
            label="What it shows"
            value={ask.words}
            maxLength={80}
            autoFocus={props.focus}
            onChange={(words) => askFor({ words })}
          />
        </div>
        <div className="w-44">
          <Menu
            label="Folder"
            value={place}
            groups={[
              {
                title: 'Folder',
                options: [
                  { value: 'all', label: `All folders (${facts?.count ?? 0})` },
                  ...(facts?.folders ?? []).map(({ folder, count }) => ({
                    value: `${FOLDER}${folder}`,
                    label: `${folder || 'In no folder'} (${count})`,
                  })),
                ],
              },
              { title: 'Kept twice', options: [{ value: 'near', label: `Nearly the same (${facts?.near ?? 0})` }] },
            ]}
            onChange={look}
          />
        </div>
        <ChoiceMenus
          choices={OWN_CHOICES}
          ask={ask}
          onChoose={(choice, value) => askFor({ [choice]: value === ANY ? null : value })}
        />
      </div>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        {facts?.count !== 0 && add}
        <p aria-live="polite" className="text-ink-2">
          {found.length === 1 ? '1 picture' : `${found.length} pictures`}
          {hits && hits.hides > 0 && found.length > 0 ? `, ${hits.hides} more without the choices` : ''}
        </p>
        {hasWords && facts?.count !== 0 && (
          <Check label="With the title on them" checked={withWords} onChange={setWithWords} />
        )}
        {found.length > 1 && (
          <Button kind="quiet" onClick={chosen.all}>
            Choose all
          </Button>
        )}
        {library.removed > 0 && (
          <Button kind="quiet" onClick={library.putBackAll}>
            Put {library.removed} removed back
          </Button>
        )}
        {facts && facts.unread > 0 && (
          <p className="text-warn">
            {facts.unread === 1
              ? 'One picture cannot be read and stays stored.'
              : `${facts.unread} pictures cannot be read and stay stored.`}
          </p>
        )}
        {library.last && (
          <div role="status" className="flex items-center gap-2 bg-blue-wash px-3 py-0.5">
            <p>{library.last.text}</p>
            <Button kind="quiet" onClick={library.last.undo}>
              Undo
            </Button>
          </div>
        )}
        {taking.now && (
          <div className="min-w-64 flex-1">
            <Working
              label={`Picture ${taking.now.done + 1} of ${taking.now.of}`}
              done={taking.now.done / taking.now.of}
              onStop={taking.stop}
            />
          </div>
        )}
      </div>
      {taking.last && <TakenReport taken={taking.last} onClose={taking.forget} />}
      <div className="-mx-6 -mb-6 flex min-h-0 flex-1 border-t border-line">
        {found.length > 0 ? (
          <OwnGrid ref={grid} found={found} book={shownBook} house={house} chosen={chosen} onKeyDown={stepAmong} />
        ) : (
          <Empty
            nothing={facts?.count === 0}
            reading={!facts || !hits}
            hides={hits?.hides ?? 0}
            words={ask.words.trim()}
            add={add}
            onAll={() => askFor({ ...anyOwn, words: ask.words, place: ask.place })}
            onEverywhere={() => look('all')}
            everywhere={ask.place.kind !== 'all'}
          />
        )}
        <aside
          aria-label={chosen.ids.length > 1 ? 'The chosen pictures' : 'The chosen picture'}
          className="flex w-52 shrink-0 flex-col gap-4 overflow-y-auto p-5 min-[900px]:w-72"
        >
          {chosen.ids.length > 1 ? (
            <ManyPanel ids={chosen.ids} library={library} onDone={chosen.none} />
          ) : chosen.ids.length === 1 ? (
            <OwnPanel
              key={chosen.ids[0]}
              id={chosen.ids[0]}
              library={library}
              book={shownBook}
              house={house}
              uses={props.uses}
              onChoose={chosen.one}
              onRemoved={chosen.none}
            />
          ) : (
            <p className="text-ink-2">
              Choose a picture to see it large. With Ctrl or Shift several are chosen, for a folder or tags.
            </p>
          )}
        </aside>
      </div>
    </>
  );
}

/** Why nothing is shown, and what to do. */
function Empty(props: {
  nothing: boolean;
  reading: boolean;
  hides: number;
  words: string;
  everywhere: boolean;
  add: ReactNode;
  onAll(): void;
  onEverywhere(): void;
}) {
  return (
    <div className="flex min-w-0 flex-1 flex-col items-start gap-3 overflow-y-auto bg-table p-6">
      {props.reading ? (
        <p role="status">Reading your pictures</p>
      ) : props.nothing ? (
        <>
          <p className="text-base font-semibold">No pictures of your own yet</p>
          <p className="max-w-md text-ink">
            Drop or paste as many as you like here, or whole folders of them. They are kept for every title, and the
            same picture is kept once.
          </p>
          {props.add}
        </>
      ) : props.hides > 0 ? (
        <>
          <p>
            Nothing fits all that is chosen. {props.hides === 1 ? 'One picture fits' : `${props.hides} pictures fit`}{' '}
            the words alone.
          </p>
          <Button onClick={props.onAll}>Drop the choices</Button>
        </>
      ) : (
        <>
          <p>{props.words ? `No picture here answers “${props.words}”.` : 'No picture lies here.'}</p>
          {props.words && <p>Names, tags, folders, colours and moods are searched.</p>}
          {props.everywhere && <Button onClick={props.onEverywhere}>Look in all folders</Button>}
        </>
      )}
    </div>
  );
}
