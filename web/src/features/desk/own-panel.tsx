import type { Rights } from '@yosomi/core/book';
import { LONGEST_FOLDER, type OwnPicture, plainName, withTags } from '@yosomi/core/library';
import type { Book } from '@yosomi/core/project';
import { fillsSharp } from '@yosomi/core/sketch';
import type { HouseAsk } from '@yosomi/core/recipe';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { sayFault } from '../../messages/say';
import { Bitmap } from '../../ui/bitmap';
import { Button } from '../../ui/button';
import { wholeOwn } from '../../work/desk';
import type { DeskLook } from '../../work/desk.worker';
import { RightsAnswer } from '../rights/rights-answer';
import type { DeskUse } from './desk-dialog';
import { Facts } from './facts';
import { FolderChips } from './folder-chips';
import { factsOfReading } from './names';
import { TypedField } from './typed-field';
import { useOwn, useOwnLook, useSmall, useTitlesWith } from './use-own';
import type { OwnPicturesHere } from './use-library';

type Props = {
  id: string;
  library: OwnPicturesHere;
  book: Book | null;
  house: HouseAsk;
  uses: readonly DeskUse[];
  onChoose(id: string): void;
  onRemoved(): void;
};

/** One of one's own pictures: large, what can be done with it, its names, where it is used, and what is nearly the same. */
export function OwnPanel(props: Props) {
  const { data: own, isPending } = useOwn(props.id);
  if (own) return <Whole {...props} own={own} />;
  return <p role="status">{isPending ? 'Reading' : 'This picture is not here any more.'}</p>;
}

function Whole({ own, library, book, house, uses, ...props }: Props & { own: OwnPicture }) {
  const { asset, tags, folder } = own;
  const small = useSmall(asset.id);
  const look = useOwnLook(asset, book, house);
  // What is told stands here at once and is stored a moment later; once the pictures are read anew, what is stored stands.
  const [draft, setDraft] = useState<{ readonly rev: number | null; readonly rights: Rights } | null>(null);
  const rights = draft && draft.rev === library.rev ? draft.rights : asset.rights;
  const change = (what: string, edit: (one: OwnPicture) => OwnPicture): void =>
    void library.change([asset.id], what, edit);
  const putInto = (name: string): void => {
    const into = plainName(name, LONGEST_FOLDER);
    change(into ? `It lies in “${into}”.` : 'It lies in no folder.', (one) => ({ ...one, folder: into }));
  };
  const bitmap = look.data?.bitmap ?? small.data;
  const gone = small.data === null;
  return (
    <>
      {bitmap && <Bitmap bitmap={bitmap} label={asset.name} className="block max-h-[30vh] w-full object-contain" />}
      {gone ? (
        <p>Its file is gone from this browser. Add the picture again, and it is whole.</p>
      ) : (
        <Uses own={own} uses={uses} cover={look.data?.cover ?? null} />
      )}
      {look.data && book && !look.data.cover && (
        <p className="text-ink-2">
          {fillsSharp(asset, book.cover)
            ? 'The title fits nowhere on it as it is. On the Front it can be set by hand.'
            : `It has ${asset.widthPx} x ${asset.heightPx} px, too few to fill this cover sharply. On the Front it can stand small.`}
        </p>
      )}
      <TypedField
        label="Name"
        value={asset.name}
        maxLength={200}
        onKeep={(typed) => {
          const name = plainName(typed, 200);
          if (name) change('The name is kept.', (one) => ({ ...one, asset: { ...one.asset, name } }));
        }}
      />
      <TypedField
        label="Tags"
        hint="Apart by commas, such as sea, dawn."
        value={tags.join(', ')}
        maxLength={600}
        onKeep={(typed) => change('The tags are kept.', (one) => ({ ...one, tags: withTags([], typed) }))}
      />
      <div className="flex flex-col gap-2">
        <TypedField label="Folder" value={folder} maxLength={LONGEST_FOLDER} onKeep={putInto} />
        <FolderChips library={library} now={folder} onTake={putInto} />
      </div>
      <Facts facts={factsOfReading(own.reading, asset)} />
      <UsedIn id={asset.id} />
      <NearlySame id={asset.id} library={library} onChoose={props.onChoose} />
      <section aria-label="Rights" className="flex flex-col gap-2">
        <h3 className="font-semibold">Rights</h3>
        <RightsAnswer
          asset={{ name: asset.name, rights }}
          author={book?.brief.author ?? ''}
          onTell={(more, line) => {
            const next = { ...rights, ...more };
            setDraft({ rev: library.rev, rights: next });
            void library.change([asset.id], line ? null : 'Its rights are kept.', (one) => ({
              ...one,
              asset: { ...one.asset, rights: next },
            }));
          }}
        />
      </section>
      <Button
        onClick={() => {
          void library.remove([asset.id]);
          props.onRemoved();
        }}
      >
        Remove from your pictures
      </Button>
    </>
  );
}

function Uses({ own, uses, cover }: { own: OwnPicture; uses: readonly DeskUse[]; cover: DeskLook['cover'] }) {
  const [busy, setBusy] = useState(false);
  const leaving = useRef<AbortController | null>(null);
  useEffect(() => () => leaving.current?.abort(), []);
  const use = async (one: DeskUse): Promise<void> => {
    const signal = (leaving.current = new AbortController()).signal;
    setBusy(true);
    try {
      const taken = await wholeOwn(own.asset, signal);
      if (!taken) return sayFault({ code: 'picture-missing', data: { name: own.asset.name } });
      await one.run({ taken, stoodFor: own.asset.id }, cover);
    } catch {
      if (!signal.aborted) sayFault({ code: 'work-failed', data: {} });
    } finally {
      setBusy(false);
    }
  };
  return (
    <div className="flex flex-col gap-2">
      {uses
        .filter((one) => !one.asCover || cover)
        .map((one, i) => (
          <Button key={one.label} kind={i === 0 ? 'ink' : undefined} disabled={busy} onClick={() => void use(one)}>
            {one.label}
          </Button>
        ))}
    </div>
  );
}

function UsedIn({ id }: { id: string }) {
  const { data } = useTitlesWith(id);
  return (
    <section aria-label="Used in">
      <h3 className="font-semibold">Used in</h3>
      {data && data.length > 0 ? (
        <ul>
          {data.map((title, i) => (
            <li key={`${title} ${i}`}>{title}</li>
          ))}
        </ul>
      ) : (
        <p className="text-ink-2">{data ? 'No title on the Shelf' : ''}</p>
      )}
    </section>
  );
}

function NearlySame({ id, library, onChoose }: { id: string; library: OwnPicturesHere; onChoose(id: string): void }) {
  const { search, rev } = library;
  const { data } = useQuery({
    queryKey: ['own-pictures', 'near', rev, id],
    queryFn: () => search.nearOf(id),
    enabled: rev !== null,
    gcTime: 0,
  });
  if (!data || data.length === 0) return null;
  return (
    <section aria-label="Nearly the same" className="flex flex-col gap-1.5">
      <h3 className="font-semibold">Nearly the same</h3>
      <ul className="flex flex-wrap gap-2">
        {data.slice(0, 8).map((one) => (
          <li key={one.id}>
            <button
              type="button"
              aria-label={`${one.name}, ${one.widthPx} x ${one.heightPx} px`}
              title={`${one.name}, ${one.widthPx} x ${one.heightPx} px`}
              onClick={() => onChoose(one.id)}
              className="block h-16 w-16 rounded-sm border border-line hover:border-ink"
            >
              <Twin id={one.id} />
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Twin({ id }: { id: string }) {
  const { data } = useSmall(id);
  return data ? <Bitmap bitmap={data} label="" className="h-full w-full object-contain" /> : null;
}
