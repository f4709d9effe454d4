import { DEMO_PHOTOGRAPHS } from '@yosomi/core/demo';
import { adoptedPin, pinAssetsOf } from '@yosomi/core/pin';
import { type Asset, takeAsset } from '@yosomi/core/project';
import { useQuery } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { ImagePlus, X } from 'lucide-react';
import { useRef, useState } from 'react';
import { say, sayFault } from '../../messages/say';
import { type KeptPin, keepPin, loadPins } from '../../persist/pins';
import { saveAsset } from '../../persist/assets';
import { removePin } from '../../persist/removed';
import { demoPhotographUrl } from '../../platform/demo-photographs';
import { bytesOfFile } from '../../platform/files';
import { fetchBytes } from '../../platform/http';
import { freshId } from '../../platform/ids';
import { useBook, useSession } from '../../state/session';
import { Bitmap } from '../../ui/bitmap';
import { Button } from '../../ui/button';
import { NameDialog } from '../../ui/name-dialog';
import { useRested } from '../../ui/use-rested';
import { studio } from '../../work/workers';
import { LeftAsItIs } from '../frame/left-as-it-is';
import { usePictureInput } from '../front/use-picture-input';
import { inTurn } from '../mockups/in-turn';
import { MockupKinds } from '../mockups/mockup-kinds';
import { pinThumb } from './make-pin';
import { openPinFile } from './pin-file';

const failed = (): void => sayFault({ code: 'work-failed', data: {} });

/** Photographs to pin the cover on: the person's own, those that ship with the app, and those that were kept. */
export function PhotoStrip({ ready, onOpen }: { ready: boolean; onOpen(asset: Asset): Promise<void> }) {
  const book = useBook();
  const edit = useSession((s) => s.edit);
  const { value: kept, fault: unread } = useLiveQuery(loadPins) ?? { value: [], fault: null };
  const [naming, setNaming] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  const open = usePictureInput(({ asset }) => void onOpen(asset));
  const demo = async (which: string, title: string): Promise<void> => {
    const url = demoPhotographUrl(which);
    const bytes = url && (await fetchBytes(url));
    if (!bytes) return failed();
    const taken = await studio.takePicture(bytes, title);
    if (!taken.ok) return sayFault(taken.fault);
    const saved = await saveAsset(taken.value.asset.id, taken.value.bytes);
    if (!saved.ok) return sayFault(saved.fault);
    await onOpen(taken.value.asset);
  };
  const use = (one: KeptPin): void =>
    void edit(`Photograph: ${one.name}`, (b) => {
      for (const asset of Object.values(one.assets)) takeAsset(b, asset);
      b.pin = adoptedPin(one.pin, (asset) => b.assets[asset] !== undefined);
    });
  const keep = async (name: string): Promise<void> => {
    if (!book.pin) return;
    const assets = Object.fromEntries(
      pinAssetsOf(book.pin).flatMap((id) => (book.assets[id] ? [[id, book.assets[id]]] : [])),
    );
    const done = await keepPin({ id: freshId(), name, pin: book.pin, assets });
    if (!done.ok) return sayFault(done.fault);
    setNaming(false);
    say('Kept the photograph. Every title can use it.');
  };
  const drop = async (one: KeptPin): Promise<void> => {
    const done = await removePin(one);
    if (!done.ok) sayFault(done.fault);
  };
  return (
    <nav
      aria-label="Photographs"
      className="flex w-[148px] shrink-0 flex-col overflow-y-auto border-r border-line py-3"
    >
      <MockupKinds />
      {open.input}
      <div className="flex flex-col gap-1.5 px-3">
        <Button onClick={open.open}>
          <ImagePlus size={14} aria-hidden /> Open
        </Button>
        <p className="text-xs text-ink-2">A photograph of a blank book, board or screen.</p>
      </div>
      <h2 className="px-3 pt-4 pb-1.5 text-xs font-semibold text-ink-2">To try it on</h2>
      {DEMO_PHOTOGRAPHS.map((one) => {
        const url = demoPhotographUrl(one.name);
        return (
          url && (
            <button
              key={one.name}
              type="button"
              onClick={() => void demo(one.name, one.title).catch(failed)}
              className="flex flex-col gap-1 px-3 py-1.5 text-left hover:bg-line/50"
            >
              <img src={url} alt="" loading="lazy" decoding="async" className="h-[92px] w-full object-cover" />
              <span className="text-xs">{one.title}</span>
            </button>
          )
        );
      })}
      <h2 className="px-3 pt-4 pb-1.5 text-xs font-semibold text-ink-2">Kept photographs</h2>
      {kept.map((one) => (
        <span key={one.id} className="relative">
          <button
            type="button"
            onClick={() => use(one)}
            className="flex w-full flex-col gap-1 px-3 py-1.5 text-left hover:bg-line/50"
          >
            <KeptPicture one={one} ready={ready} />
            <span className="truncate text-xs">{one.name}</span>
          </button>
          <button
            type="button"
            aria-label={`Remove the photograph ${one.name}`}
            onClick={() => void drop(one).catch(failed)}
            className="absolute top-2.5 right-4 bg-card p-0.5"
          >
            <X size={13} />
          </button>
        </span>
      ))}
      <div className="flex flex-col gap-1.5 px-3 pt-2">
        <LeftAsItIs why={unread} />
        <Button disabled={!book.pin} onClick={() => setNaming(true)}>
          Keep this one
        </Button>
        <input
          ref={file}
          type="file"
          aria-label="Pinned photograph file"
          accept=".ora,image/openraster"
          className="hidden"
          onChange={(e) => {
            const chosen = e.target.files?.[0];
            e.target.value = '';
            if (chosen)
              void bytesOfFile(chosen)
                .then((bytes) => openPinFile(bytes, edit))
                .catch(failed);
          }}
        />
        <Button onClick={() => file.current?.click()}>Open a file</Button>
      </div>
      {naming && book.pin && (
        <NameDialog
          title="Keep this photograph"
          description="Every title can use it then, with its own cover."
          label="Name of the photograph"
          usual={book.assets[book.pin.photo.asset]?.name || 'Photograph'}
          onClose={() => setNaming(false)}
          onKeep={(name) => void keep(name).catch(failed)}
        />
      )}
    </nav>
  );
}

/** A kept photograph with this title's cover on it. */
function KeptPicture({ one, ready }: { one: KeptPin; ready: boolean }) {
  const book = useRested(useBook());
  const { data } = useQuery({
    queryKey: ['pin-thumb', one.id, pinThumb.key(book, one.pin)],
    queryFn: () => inTurn(() => pinThumb.make(book, one.pin)),
    enabled: ready,
    staleTime: Infinity,
    gcTime: 60_000,
  });
  return <Bitmap bitmap={data ?? null} label="" className="h-[92px] w-full bg-[#e3e3e0] object-cover" />;
}
