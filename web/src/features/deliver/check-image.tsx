import type { Fault } from '@yosomi/core/base';
import { IMAGE_FILES, verdictOf } from '@yosomi/core/recipe';
import type { Profile } from '@yosomi/core/stores';
import { readDelivered } from '@yosomi/core/image-file';
import { useEffect, useState } from 'react';
import { sayFault } from '../../messages/say';
import { saveFile, stemOf } from '../../platform/files';
import { Bitmap } from '../../ui/bitmap';
import { Button } from '../../ui/button';
import type { CheckedImage, Mended } from '../../work/file-makers';
import { press } from '../../work/workers';
import { sizeText } from './file-row';
import { FindingsView, Unreadable } from './findings';

type Bytes = Uint8Array<ArrayBuffer>;

const COLOURS = { grey: 'greyscale', rgb: 'RGB', cmyk: 'CMYK', indexed: 'a colour table' } as const;

/** An image from outside: what it is, what the store finds, and a copy that passes. */
export function CheckImage({ name, bytes, profile }: { name: string; bytes: Bytes; profile: Profile }) {
  const [checked, setChecked] = useState<CheckedImage | null>(null);
  const [fault, setFault] = useState<Fault | null>(null);
  const [bitmap, setBitmap] = useState<ImageBitmap | null>(null);
  const [copies, setCopies] = useState<readonly Mended[]>([]);
  const [way, setWay] = useState<Mended['way']>('whole');
  const [busy, setBusy] = useState(false);
  useEffect(() => {
    let current = true;
    press()
      .checkImage(bytes, profile)
      .then(async (read) => {
        if (!current) return;
        if (!read.ok) return setFault(read.fault);
        const { small } = read.value;
        setBitmap(await createImageBitmap(new ImageData(small.data, small.width, small.height)));
        setChecked(read.value);
      })
      .catch(() => current && setFault({ code: 'work-failed', data: {} }));
    return () => {
      current = false;
    };
  }, [bytes, profile]);

  const repair = async (): Promise<void> => {
    setBusy(true);
    const made = await press()
      .repairImage(bytes, profile)
      .catch(() => null);
    setBusy(false);
    if (!made) return sayFault({ code: 'work-failed', data: {} });
    if (!made.ok) return sayFault(made.fault);
    setCopies(made.value);
    // First the one that the store takes, in the order in which they change least.
    setWay((made.value.find((one) => verdictOf(one.findings) !== 'fails') ?? made.value[0]).way);
  };
  if (fault) return <Unreadable name={name} fault={fault} />;
  if (!checked) return <p className="text-ink-2">Reading {name}</p>;
  const { info, findings } = checked;
  const fine = verdictOf(findings) === 'passes';
  const copy = copies.find((one) => one.way === way);
  return (
    <div className="flex items-start gap-8">
      <Bitmap bitmap={bitmap} label={`The picture of ${name}`} className="w-52 shadow-cover" />
      <div className="flex min-w-0 flex-1 flex-col gap-5">
        <section aria-label="The file" className="flex flex-col gap-1.5">
          <h2 className="text-base font-semibold break-all">{name}</h2>
          <p className="font-mono text-xs text-ink-2">
            {info.format.toUpperCase()}, {info.widthPx} x {info.heightPx} px, {sizeText(bytes.length)},{' '}
            {COLOURS[info.colour]}, {info.bitDepth} bits, {info.profile ?? 'no profile'},{' '}
            {info.ppi ? `${info.ppi} to the inch` : 'no density'}
          </p>
          <FindingsView findings={findings} />
          {!fine && (
            <Button kind="ink" className="mt-2 self-start" disabled={busy} onClick={() => void repair()}>
              {busy ? 'Making copies' : copies.length > 0 ? 'Make the copies again' : 'Make a copy that passes'}
            </Button>
          )}
        </section>
        {copies.length > 1 && <Ways copies={copies} way={way} onWay={setWay} />}
        {copy && <CopyView copy={copy} name={name} />}
      </div>
    </div>
  );
}

const WAYS: Readonly<Record<Mended['way'], string>> = {
  whole: 'Whole, on the colour of its edge',
  carried: 'Whole, its ground carried on',
  cut: 'Cut where it is calm',
};

/** The ways to bring the picture into the store's ratio, each as it comes out. */
function Ways(props: { copies: readonly Mended[]; way: Mended['way']; onWay(way: Mended['way']): void }) {
  return (
    <fieldset className="flex flex-col gap-2 border-t border-line pt-4">
      <legend className="sr-only">How it comes into the ratio of the store</legend>
      <p className="font-semibold">The store wants another ratio. Choose how the picture gets there:</p>
      <div className="flex flex-wrap gap-4">
        {props.copies.map((one) => (
          <label
            key={one.way}
            className="flex w-36 cursor-pointer flex-col gap-1.5 rounded-sm border border-line bg-card p-2 text-xs has-checked:border-ink has-focus-visible:outline-2"
          >
            <Small copy={one} label={WAYS[one.way]} />
            <span className="flex items-start gap-1.5">
              <input
                type="radio"
                name="reframe"
                className="mt-0.5 accent-ink"
                checked={props.way === one.way}
                onChange={() => props.onWay(one.way)}
              />
              {WAYS[one.way]}
            </span>
          </label>
        ))}
      </div>
    </fieldset>
  );
}

function Small({ copy: { small }, label }: { copy: Mended; label: string }) {
  const [bitmap, setBitmap] = useState<ImageBitmap | null>(null);
  useEffect(() => {
    let current = true;
    createImageBitmap(new ImageData(small.data, small.width, small.height)).then(
      (made) => current && setBitmap(made),
      () => {},
    );
    return () => {
      current = false;
    };
  }, [small]);
  return <Bitmap bitmap={bitmap} label={label} className="block max-h-44 w-full object-contain" />;
}

/** The copy that was made, what was done, and a way to keep it. */
function CopyView({ copy, name }: { copy: Mended; name: string }) {
  const info = readDelivered(copy.bytes);
  if (!info.ok) return null;
  const { format, widthPx, heightPx } = info.value;
  const [ending, type] = IMAGE_FILES[format];
  const file = `${
    stemOf(name)
      .replace(/[^\w-]+/g, '-')
      .slice(0, 80) || 'cover'
  }-mended.${ending}`;
  return (
    <section aria-label="The copy" className="flex flex-col gap-1.5 border-t border-line pt-4">
      <h2 className="text-base font-semibold">The copy</h2>
      <p className="font-mono text-xs text-ink-2">
        {format.toUpperCase()}, {widthPx} x {heightPx} px, {sizeText(copy.bytes.length)}
      </p>
      <FindingsView findings={copy.findings} />
      {verdictOf(copy.findings) === 'fails' && (
        <p className="font-semibold text-fail">
          No copy of this file can pass there: what is left to mend is on the picture itself.
        </p>
      )}
      <Button kind="ink" className="mt-2 self-start" onClick={() => saveFile(copy.bytes, file, type)}>
        Save {file}
      </Button>
    </section>
  );
}
