import { titleStem } from '@yosomi/core/recipe';
import type { PinScene } from '@yosomi/core/pin';
import { hasTransparency } from '@yosomi/core/pixels';
import { useRef, useState } from 'react';
import { say, sayFault } from '../../messages/say';
import { saveFile } from '../../platform/files';
import { useBook } from '../../state/session';
import { Button } from '../../ui/button';
import { Group } from '../../ui/group';
import { Segmented } from '../../ui/segmented';
import { ENDINGS, FORMATS, type Still, encoded } from '../mockups/make-picture';
import { finishedPin, layeredPin } from './make-pin';

type PinFormat = Still | 'ora';

/** Saving the finished picture, with a way to stop. */
export function SavePin({ pin }: { pin: PinScene }) {
  const book = useBook();
  const [format, setFormat] = useState<PinFormat>('png');
  const [busy, setBusy] = useState(false);
  const abort = useRef<AbortController | null>(null);
  const [ending, type, verb] = ENDINGS[format];
  const clear = pin.ground.kind === 'clear' && format !== 'jpeg';
  const save = async (): Promise<void> => {
    const { signal } = (abort.current = new AbortController());
    setBusy(true);
    try {
      let bytes: Uint8Array<ArrayBuffer>;
      if (format === 'ora') {
        const made = await layeredPin(book, pin, signal);
        if (!made.ok) return void (signal.aborted || sayFault(made.fault));
        bytes = made.value;
      } else {
        const made = await finishedPin(book, pin, signal);
        if (!made.ok) return void (signal.aborted || sayFault(made.fault));
        const file = await encoded(format, made.value, hasTransparency(made.value));
        if (signal.aborted) return;
        if (!file.ok) return sayFault(file.fault);
        bytes = file.value;
      }
      if (signal.aborted) return;
      const name = `${titleStem(book)}-photograph-${pin.photo.widthPx}x${pin.photo.heightPx}.${ending}`;
      saveFile(bytes, name, type);
      say(`Saved ${name}`);
    } catch {
      sayFault({ code: 'work-failed', data: {} });
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      <Group title="The finished picture">
        <Segmented<PinFormat> label="Format" value={format} onChange={setFormat} options={FORMATS} />
        {format === 'ora' && (
          <p className="text-xs text-ink-2">
            Photograph, art and what is in front apart, as an OpenRaster file. It can be opened here again.
          </p>
        )}
        {format === 'jpeg' && pin.ground.kind === 'clear' && (
          <p className="text-xs text-ink-2">A JPEG cannot be clear: it gets a white ground.</p>
        )}
      </Group>
      <div className="sticky bottom-0 mt-auto border-t border-line bg-paper p-4">
        {busy ? (
          <div className="flex items-center justify-between gap-3">
            <p role="status">Making the picture</p>
            <Button onClick={() => abort.current?.abort()}>Stop</Button>
          </div>
        ) : (
          <Button kind="ink" className="w-full" disabled={pin.faces.length === 0} onClick={() => void save()}>
            {clear && format !== 'ora' ? `${verb}, background clear` : verb}
          </Button>
        )}
      </div>
    </>
  );
}
