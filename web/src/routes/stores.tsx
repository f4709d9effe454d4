import { keyOf, slug } from '@yosomi/core/base';
import { PROFILES, type Profile, allProfiles, readProfiles, writeProfiles } from '@yosomi/core/stores';
import { useRef, useState } from 'react';
import { DeliverFrame } from '../features/deliver/deliver-frame';
import { ProfileDialog } from '../features/deliver/profile-dialog';
import { StoreTable } from '../features/deliver/store-table';
import { useDeliver } from '../features/deliver/use-deliver';
import { useWishes } from '../features/deliver/use-wishes';
import { say, sayFault } from '../messages/say';
import { bytesOfFile, saveFile } from '../platform/files';
import { freshId } from '../platform/ids';
import { useBook, useSession } from '../state/session';
import { Button } from '../ui/button';
import { FileInput } from '../ui/file-input';
import { Working } from '../ui/working';

/** What each store asks, and how this title stands with it. */
export function StoresPage() {
  const book = useBook();
  const edit = useSession((s) => s.edit);
  const { wishes, wish } = useWishes();
  const { rows, make, progress, stop } = useDeliver(book, wishes);
  const [editing, setEditing] = useState<{ profile: Profile; isNew: boolean } | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const profiles = allProfiles(wishes.stores);
  const sold = book.brief.stores;

  const setSold = (id: string, on: boolean): void => {
    const name = profiles.find((p) => p.id === id)?.name ?? id;
    edit(on ? `Sell at ${name}` : `Not at ${name}`, (b) => {
      const others = b.brief.stores.filter((one) => one !== id);
      b.brief.stores = on ? [...others, id] : others;
    });
  };
  const keep = (profile: Profile): void => {
    void wish((now) => ({ ...now, stores: [...now.stores.filter((p) => p.id !== profile.id), profile] }));
    setEditing(null);
  };
  const remove = (id: string): void => {
    void wish((now) => ({ ...now, stores: now.stores.filter((p) => p.id !== id) }));
    if (sold.includes(id) && !PROFILES.some((p) => p.id === id)) setSold(id, false);
    setEditing(null);
  };
  const add = (): void => {
    const names = new Set(profiles.map((p) => p.id));
    const id = `own-${slug(freshId(), 20)}`.slice(0, 40);
    const like = PROFILES[0];
    const profile = {
      ...like,
      id: names.has(id) ? `${id}-2` : id,
      name: 'New store',
      edgeLine: false,
      thumb: null,
      ratio: null,
    };
    setEditing({ profile, isNew: true });
  };
  const take = async (file: File): Promise<void> => {
    const read = readProfiles(await bytesOfFile(file));
    if (!read.ok) return sayFault(read.fault);
    // What is as it is here already stays as it is: a file that was saved and not touched changes nothing.
    const here = new Map(profiles.map((p) => [p.id, keyOf(p)]));
    const other = read.value.filter((p) => here.get(p.id) !== keyOf(p));
    if (other.length === 0) return say('All of these stores are here already, just as they are in the file.');
    const done = await wish((now) => ({
      ...now,
      stores: [...now.stores.filter((p) => !other.some((one) => one.id === p.id)), ...other],
    }));
    if (done) say(other.length === 1 ? 'Took in one store' : `Took in ${other.length} stores`);
  };
  const wanted = rows.filter((r) => r.wanted.kind === 'store-image' && (!r.made || r.stale)).map((r) => r.wanted);
  const actions =
    progress !== null ? (
      <div className="w-72">
        <Working label="Making the covers" done={progress} onStop={stop} />
      </div>
    ) : (
      <>
        <FileInput ref={input} accept=".json,application/json" label="Stores file" onFile={(file) => void take(file)} />
        <Button kind="quiet" onClick={() => input.current?.click()}>
          Take in
        </Button>
        <Button
          kind="quiet"
          onClick={() => saveFile(writeProfiles(profiles), 'yosomi-stores.json', 'application/json')}
        >
          Save as a file
        </Button>
        <Button onClick={add}>Add a store</Button>
        <Button kind="ink" disabled={wanted.length === 0} onClick={() => make(wanted)}>
          Make and check
        </Button>
      </>
    );
  return (
    <DeliverFrame actions={actions}>
      <StoreTable
        profiles={profiles}
        sold={sold}
        rows={rows}
        onSold={setSold}
        onEdit={(profile) => setEditing({ profile, isNew: false })}
      />
      <p className="pt-4 text-ink-2">
        A mark says whether the present file meets what is asked; cells without one wait for their file.
      </p>
      {editing && (
        <ProfileDialog
          profile={editing.profile}
          isNew={editing.isNew}
          others={profiles.filter((p) => p.id !== editing.profile.id).map((p) => p.name)}
          changed={wishes.stores.some((p) => p.id === editing.profile.id)}
          onKeep={keep}
          onRemove={() => remove(editing.profile.id)}
          onClose={() => setEditing(null)}
        />
      )}
    </DeliverFrame>
  );
}
