import { type LibraryAsk, type LibraryPlace, anyOwn } from '@yosomi/core/library';
import type { Book } from '@yosomi/core/project';
import type { HouseAsk } from '@yosomi/core/recipe';
import { useRef, useState } from 'react';
import { stepAmong } from '../../ui/step-among';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { TextField } from '../../ui/field';
import { Menu } from '../../ui/menu';
import { Working } from '../../ui/working';
import { ANY, ChoiceMenus, OWN_CHOICES } from './choice-menus';
import type { DeskUse } from './desk-dialog';
import { OwnEmpty } from './own-empty';
import { OwnGrid } from './own-grid';
import { OwnPanel } from './own-panel';
import { ManyPanel } from './many-panel';
import { TakenReport } from './taken-report';
import { useChosen } from '../../ui/use-chosen';
import { useLibrary, useSearch } from './use-library';
import { forgetTaken, stopTaking, takeMany, useTaking } from './taking';

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
  /** Where what comes in is put; empty for no folder. */
  folder: string;
  onFolder(folder: string): void;
}) {
  const { book, house } = props;
  const taking = useTaking();
  const hasWords = book !== null && book.brief.title.trim() !== '';
  const [withWords, setWithWords] = useState(true);
  const [ask, setAsk] = useState<LibraryAsk>({
    ...anyOwn,
    place: props.folder ? { kind: 'folder', folder: props.folder } : { kind: 'all' },
  });
  const grid = useRef<HTMLDivElement>(null);
  /** Another question is looked at from its first answer. */
  const askFor = (more: Partial<LibraryAsk>): void => {
    setAsk((now) => ({ ...now, ...more }));
    grid.current?.scrollTo(0, 0);
  };
  const library = useLibrary();
  const { hits, failed } = useSearch(library, ask);
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
  /** The next one is chosen in the place of those that are removed, and has the keyboard. */
  const goOn = (removed: readonly string[]): void => {
    const gone = new Set(removed);
    const last = found.findLastIndex(({ id }) => gone.has(id));
    const next = [...found.slice(last + 1), ...found.slice(0, Math.max(0, last)).reverse()].find(
      ({ id }) => !gone.has(id),
    );
    if (!next) return chosen.none();
    chosen.one(next.id);
    grid.current?.querySelector<HTMLElement>(`[data-tile="${next.id}"]`)?.focus();
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
          takeMany(files.map((file) => ({ file, folder: props.folder })));
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
              onStop={stopTaking}
            />
          </div>
        )}
      </div>
      {taking.last && <TakenReport taken={taking.last} onClose={forgetTaken} />}
      <div className="-mx-6 -mb-6 flex min-h-0 flex-1 border-t border-line">
        {found.length > 0 ? (
          <OwnGrid ref={grid} found={found} book={shownBook} house={house} chosen={chosen} onKeyDown={stepAmong} />
        ) : (
          <OwnEmpty
            nothing={facts?.count === 0}
            failed={library.failed || failed}
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
            <ManyPanel ids={chosen.ids} library={library} onRemoved={() => goOn(chosen.ids)} />
          ) : chosen.ids.length === 1 ? (
            <OwnPanel
              key={chosen.ids[0]}
              id={chosen.ids[0]}
              library={library}
              book={shownBook}
              house={house}
              uses={props.uses}
              onChoose={chosen.one}
              onRemoved={() => goOn(chosen.ids)}
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
