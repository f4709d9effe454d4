import type { Book } from '@yosomi/core/project';
import { PLAIN_FILES, PLAIN_LEAST, PLAIN_MOST, type PlainFormat, titleStem } from '@yosomi/core/recipe';
import { useState } from 'react';
import { say, sayFault } from '../../messages/say';
import { sentenceOf } from '../../messages/sentences';
import { nowIso } from '../../platform/clock';
import { saveFile } from '../../platform/files';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { Segmented } from '../../ui/segmented';
import { press } from '../../work/workers';
import { SizeFields } from './size-fields';

const FORMATS: readonly { readonly value: PlainFormat; readonly label: string }[] = [
  { value: 'png', label: 'PNG' },
  { value: 'jpeg', label: 'JPEG' },
  { value: 'webp', label: 'WebP' },
  { value: 'tiff', label: 'TIFF' },
  { value: 'pdf', label: 'PDF' },
  { value: 'svg', label: 'SVG' },
];

const WHAT: Readonly<Record<PlainFormat, string>> = {
  png: 'Nothing is lost. Good for sending it on.',
  jpeg: 'Small, for pages and mail.',
  webp: 'Smaller still, for pages of your own.',
  tiff: 'Nothing is lost, for printers.',
  pdf: 'One page. Words stay sharp at any size, links work.',
  svg: 'Words and shapes stay sharp at any size.',
};

/** Saves the cover as it is, or at another size, in a format of one's choice; no store is asked. */
export function SavePicture({ book, onClose }: { book: Book; onClose(): void }) {
  const { widthPx, heightPx } = book.cover;
  const [format, setFormat] = useState<PlainFormat>('png');
  const [size, setSize] = useState({ widthPx, heightPx });
  const [busy, setBusy] = useState(false);
  const [ending, type] = PLAIN_FILES[format];
  const same = size.widthPx === widthPx && size.heightPx === heightPx;
  const name = `${titleStem(book)}-cover${same ? '' : `-${size.widthPx}x${size.heightPx}`}.${ending}`;
  const recomposed = Math.abs((size.heightPx * widthPx) / (size.widthPx * heightPx) - 1) > 0.004;

  const save = async (): Promise<void> => {
    setBusy(true);
    const made = await press()
      .plain(book, format, size, nowIso())
      .catch(() => ({ ok: false, fault: { code: 'work-failed', data: {} } }) as const);
    setBusy(false);
    if (!made.ok) return sayFault(made.fault);
    saveFile(made.value.bytes, name, type);
    const grave = made.value.findings.find((f) => f.severity !== 'note');
    if (grave) sayFault(grave);
    else say(`Saved ${name}`);
    onClose();
  };
  return (
    <Dialog open onClose={onClose} title="Save picture" description="The cover as a file, in any size.">
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          void save();
        }}
      >
        <Segmented<PlainFormat> label="Format" value={format} options={FORMATS} onChange={setFormat} />
        <p className="-mt-2 text-ink-2">{WHAT[format]}</p>
        <SizeFields size={size} least={PLAIN_LEAST} most={PLAIN_MOST} ratio={heightPx / widthPx} onChange={setSize} />
        {recomposed && (
          <p className="text-ink-2">
            {sentenceOf({
              code: book.cover.finished ? 'cover-fitted' : 'cover-recomposed',
              severity: 'note',
              part: null,
              data: {},
            })}
          </p>
        )}
        <p className="font-mono text-xs wrap-anywhere text-ink-2">{name}</p>
        <Button kind="ink" type="submit" className="self-end" disabled={busy}>
          {busy ? 'Saving' : `Save ${format.toUpperCase()}`}
        </Button>
      </form>
    </Dialog>
  );
}
