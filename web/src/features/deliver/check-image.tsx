import type { Fault, Finding } from '@yosomi/core/base';
import { IMAGE_FILES, verdictOf } from '@yosomi/core/recipe';
import type { Profile } from '@yosomi/core/stores';
import { readDelivered } from '@yosomi/core/image-file';
import { useEffect, useState } from 'react';
import { sayFault } from '../../messages/say';
import { saveFile, stemOf } from '../../platform/files';
import { Bitmap } from '../../ui/bitmap';
import { Button } from '../../ui/button';
import type { CheckedImage } from '../../work/file-makers';
import { press } from '../../work/workers';
import { sizeText } from './file-row';
import { FindingsView, Unreadable } from './findings';

type Bytes = Uint8Array<ArrayBuffer>;
type Copy = { readonly bytes: Bytes; readonly findings: readonly Finding[] };

const COLOURS = { grey: 'greyscale', rgb: 'RGB', cmyk: 'CMYK', indexed: 'a colour table' } as const;

/** An image from outside: what it is, what the store finds, and a copy that passes. */
export function CheckImage({ name, bytes, profile }: { name: string; bytes: Bytes; profile: Profile }) {
  const [checked, setChecked] = useState<CheckedImage | null>(null);
  const [fault, setFault] = useState<Fault | null>(null);
  const [bitmap, setBitmap] = useState<ImageBitmap | null>(null);
  const [copy, setCopy] = useState<Copy | null>(null);
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
    if (made.ok) setCopy(made.value);
    else sayFault(made.fault);
  };
  if (fault) return <Unreadable name={name} fault={fault} />;
  if (!checked) return <p className="text-ink-2">Reading {name}</p>;
  const { info, findings } = checked;
  const fine = verdictOf(findings) === 'passes';
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
          {!fine && !copy && (
            <Button kind="ink" className="mt-2 self-start" disabled={busy} onClick={() => void repair()}>
              {busy ? 'Making a copy' : 'Make a copy that passes'}
            </Button>
          )}
        </section>
        {copy && <CopyView copy={copy} name={name} />}
      </div>
    </div>
  );
}

/** The copy that was made, what was done, and a way to keep it. */
function CopyView({ copy, name }: { copy: Copy; name: string }) {
  const info = readDelivered(copy.bytes);
  if (!info.ok) return null;
  const { format, widthPx, heightPx } = info.value;
  const [ending, type] = IMAGE_FILES[format];
  const file = `${stemOf(name).replace(/[^\w-]+/g, '-').slice(0, 80) || 'cover'}-mended.${ending}`;
  return (
    <section aria-label="The copy" className="flex flex-col gap-1.5 border-t border-line pt-4">
      <h2 className="text-base font-semibold">The copy</h2>
      <p className="font-mono text-xs text-ink-2">
        {format.toUpperCase()}, {widthPx} x {heightPx} px, {sizeText(copy.bytes.length)}
      </p>
      <FindingsView findings={copy.findings} />
      <Button kind="ink" className="mt-2 self-start" onClick={() => saveFile(copy.bytes, file, type)}>
        Save {file}
      </Button>
    </section>
  );
} // prettier-ignore
