import type { Form } from '@yosomi/core/cover';
import { useRef, useState } from 'react';
import { sayFault } from '../../messages/say';
import { bytesOfFile, stemOf } from '../../platform/files';
import { Bitmap } from '../../ui/bitmap';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { Dialog } from '../../ui/dialog';
import { Slider } from '../../ui/slider';
import { studio } from '../../work/workers';

type Drawn = Extract<Form, { kind: 'drawn' }>;
type Options = { colours: number | null; smoothness: number; dropGround: boolean };
const sameOptions = (a: Options, b: Options): boolean =>
  a.colours === b.colours && a.smoothness === b.smoothness && a.dropGround === b.dropGround;
type Tracing = { name: string; bytes: Uint8Array<ArrayBuffer>; options: Options; form: Drawn; bitmap: ImageBitmap };

/**
 * A mark from a file: the shapes of an SVG are taken as they are; a picture is traced, and the tracing can be tuned
 * before it is used.
 */
export function useMarkInput(onTaken: (form: Drawn, name: string) => void) {
  const ref = useRef<HTMLInputElement>(null);
  const [tracing, setTracing] = useState<Tracing | null>(null);
  const trace = async (name: string, bytes: Uint8Array<ArrayBuffer>, options: Options): Promise<Tracing | null> => {
    const traced = await studio.traceMark(bytes, options);
    if (traced.ok) {
      const { drawing, colours, bitmap } = traced.value;
      // As many colours as it seemed to have are said from then on.
      return { name, bytes, options: { ...options, colours }, form: { kind: 'drawn', ...drawing }, bitmap };
    }
    sayFault(traced.fault);
    return null;
  };
  const take = async (file: File): Promise<void> => {
    const bytes = await bytesOfFile(file);
    if (/^\s*<|^\uFEFF?\s*<\?xml/.test(new TextDecoder().decode(bytes.subarray(0, 200)))) {
      const read = await studio.takeDrawing(bytes);
      return read.ok ? onTaken({ kind: 'drawn', ...read.value }, stemOf(file.name)) : sayFault(read.fault);
    }
    const first = await trace(stemOf(file.name), bytes, { colours: null, smoothness: 0.5, dropGround: true });
    if (first) setTracing(first);
  };
  const failed = (): void => sayFault({ code: 'work-failed', data: {} });
  const tune = (next: Partial<Options>): void => {
    if (!tracing) return;
    const options = { ...tracing.options, ...next };
    // What was chosen shows at once; the outlines follow, and of several only the newest.
    setTracing({ ...tracing, options });
    void trace(tracing.name, tracing.bytes, options)
      .then(
        (next) => next && setTracing((now) => (now && sameOptions(now.options, options) ? { ...next, options } : now)),
      )
      .catch(failed);
  };
  const element = (
    <>
      <input
        ref={ref}
        type="file"
        aria-label="Mark file"
        accept="image/svg+xml,image/png,image/jpeg,image/webp"
        className="hidden"
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = '';
          if (file) void take(file).catch(failed);
        }}
      />
      <Dialog
        open={tracing !== null}
        onClose={() => setTracing(null)}
        title="Trace the mark"
        description="The picture is turned into clean outlines that stay sharp at any size."
      >
        {tracing && (
          <>
            <Bitmap
              bitmap={tracing.bitmap}
              label="The traced mark"
              className="mx-auto block max-h-72 max-w-full rounded-xs bg-table p-4"
            />
            <Slider
              label="Colours"
              value={tracing.options.colours ?? 2}
              least={1}
              most={12}
              step={1}
              onChange={(colours) => tune({ colours })}
            />
            <Slider
              label="Smooth"
              value={tracing.options.smoothness}
              least={0}
              most={1}
              step={0.1}
              onChange={(smoothness) => tune({ smoothness })}
              format={(v) => `${Math.round(v * 100)} %`}
            />
            <Check
              label="Leave the ground out"
              checked={tracing.options.dropGround}
              onChange={(dropGround) => tune({ dropGround })}
            />
            <p className="text-ink-2">
              {tracing.form.paths.length === 1 ? 'One outline.' : `${tracing.form.paths.length} outlines.`} What is
              clear in the picture stays clear. The ground counts as a colour where the picture has one.
            </p>
            <Button
              kind="ink"
              onClick={() => {
                onTaken(tracing.form, tracing.name);
                setTracing(null);
              }}
            >
              Use it
            </Button>
          </>
        )}
      </Dialog>
    </>
  );
  return { element, open: () => ref.current?.click() };
}
