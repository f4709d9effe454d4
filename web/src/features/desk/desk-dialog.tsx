import type { Book } from '@yosomi/core/project';
import { type HouseAsk, noHouse } from '@yosomi/core/recipe';
import { useEffect, useState } from 'react';
import { create } from 'zustand';
import { Dialog } from '../../ui/dialog';
import { Segmented } from '../../ui/segmented';
import { openDesk } from '../../work/desk';
import type { DeskLook } from '../../work/desk.worker';
import { OwnDesk } from './own-desk';
import { PaintedDesk } from './painted-desk';
import { filesDropped } from './files-dropped';
import { takeMany } from './taking';
import type { Whole } from './use-desk-picture';

/** What can be done with a picture where the desk was opened; `cover` is there where its words fit. */
export type DeskUse = {
  readonly label: string;
  /** Needs the title's words on the picture. */
  readonly asCover?: boolean;
  run(whole: Whole, cover: DeskLook['cover']): void | Promise<void>;
};

type From = 'painted' | 'own';

/** Where one looked last, for as long as the page is open. */
const useFrom = create<{ from: From }>(() => ({ from: 'painted' }));

const ABOUT: Readonly<Record<From, string>> = {
  painted: 'Pictures painted by this program. Every one may be used and sold, on covers and on goods.',
  own: 'Your own pictures, for every title. They stay in this browser.',
};

/** The library of pictures: those that the program paints, and one's own. Files can be dropped and pasted anywhere on it. */
export function DeskDialog(props: { book: Book | null; house?: HouseAsk; uses: readonly DeskUse[]; onClose(): void }) {
  const { book, house = noHouse, uses } = props;
  const from = useFrom((s) => s.from);
  const [folder, setFolder] = useState('');
  // The words have the focus where the desk was opened; who changes over keeps it where it is.
  const [opened, setOpened] = useState(true);
  useEffect(() => openDesk(), []);
  useEffect(() => {
    const paste = (e: ClipboardEvent): void => {
      const files = [...(e.clipboardData?.files ?? [])];
      if (files.length === 0) return;
      // The page under the desk would take it too.
      e.preventDefault();
      e.stopPropagation();
      useFrom.setState({ from: 'own' });
      takeMany(files.map((file) => ({ file, folder })));
    };
    document.addEventListener('paste', paste, true);
    return () => document.removeEventListener('paste', paste, true);
  }, [folder]);
  return (
    // The page under the dialog takes files as well: what happens on any part of the dialog ends here.
    <div
      className="contents"
      onDragOver={(e) => {
        e.preventDefault();
        e.stopPropagation();
      }}
      onDrop={(e) => {
        e.preventDefault();
        e.stopPropagation();
        useFrom.setState({ from: 'own' });
        void filesDropped(e.dataTransfer, folder).then(takeMany);
      }}
    >
      <Dialog open onClose={props.onClose} title="Picture desk" description={ABOUT[from]} full>
        <div className="flex min-h-0 flex-1 flex-col gap-4">
          <div className="w-80 max-w-full">
            <Segmented<From>
              label="Whose pictures"
              value={from}
              onChange={(value) => {
                setOpened(false);
                useFrom.setState({ from: value });
              }}
              options={[
                { value: 'painted', label: 'Painted here' },
                { value: 'own', label: 'Your own' },
              ]}
            />
          </div>
          {from === 'painted' ? (
            <PaintedDesk focus={opened} book={book} house={house} uses={uses} />
          ) : (
            <OwnDesk
              focus={opened}
              book={book}
              house={house}
              uses={uses}

              folder={folder}
              onFolder={setFolder}
            />
          )}
        </div>
      </Dialog>
    </div>
  );
}
