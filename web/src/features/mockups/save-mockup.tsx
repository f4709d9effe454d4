import { slug } from '@yosomi/core/base';
import { MOST_PX } from '@yosomi/core/mockup';
import { type Raster, cropped } from '@yosomi/core/pixels';
import type { Others } from '@yosomi/core/recipe';
import { useRef, useState } from 'react';
import { sayFault, say } from '../../messages/say';
import { saveFile } from '../../platform/files';
import { useBook } from '../../state/session';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { NumberField } from '../../ui/field';
import { Group } from '../../ui/group';
import { Segmented } from '../../ui/segmented';
import { Working } from '../../ui/working';
import { FINAL, traceBook } from '../../work/trace';
import { press } from '../../work/workers';
import { useScene } from './use-scene';

type Format = 'png' | 'jpeg' | 'webp' | 'ora';
const TYPES: Record<Format, [ending: string, type: string]> = {
  png: ['png', 'image/png'],
  jpeg: ['jpg', 'image/jpeg'],
  webp: ['webp', 'image/webp'],
  ora: ['ora', 'image/openraster'],
};

/** The finished picture: its pixels and format, and saving it with progress and a way to stop. */
export function SaveMockup({ others }: { others: Others }) {
  const book = useBook();
  const { scene, set } = useScene();
  const { widthPx, heightPx } = scene.frame;
  const [format, setFormat] = useState<Format>('png');
  const [crop, setCrop] = useState(false);
  const [twice, setTwice] = useState(false);
  const [done, setDone] = useState<number | null>(null);
  const abort = useRef<AbortController | null>(null);
  const clear = scene.ground.kind === 'clear';
  const canCrop = clear && format !== 'jpeg' && format !== 'ora';
  const canTwice = Math.max(widthPx, heightPx) * 2 <= MOST_PX && format !== 'ora';

  const save = async (): Promise<void> => {
    const stop = (abort.current = new AbortController());
    setDone(0);
    const scales = twice && canTwice ? [1, 2] : [1];
    try {
      for (const [i, scale] of scales.entries()) {
        const size = { widthPx: widthPx * scale, heightPx: heightPx * scale };
        const report = (d: number): void => setDone((i + d * 0.9) / scales.length);
        const bytes = format === 'ora' ? await layered(size, stop.signal, report) : await flat(size, stop.signal, report);
        if (stop.signal.aborted) return;
        if (!bytes) return;
        const [ending, type] = TYPES[format];
        const name = `${slug(book.brief.title)}-mockup-${size.widthPx}x${size.heightPx}${scale > 1 ? '@2x' : ''}.${ending}`;
        saveFile(bytes, name, type);
        say(`Saved ${name}`);
      }
    } catch {
      sayFault({ code: 'work-failed', data: {} });
    } finally {
      setDone(null);
    }
  };

  const flat = async (size: { widthPx: number; heightPx: number }, signal: AbortSignal, onProgress: (d: number) => void): Promise<Uint8Array<ArrayBuffer> | null> => {
    const things = await traceBook(book, scene, size, FINAL, { others, signal, onProgress });
    if (signal.aborted) return null;
    if (!things) return stopped();
    let pixels: Raster = clear ? things : await press().onGround(things, book, scene);
    if (crop && canCrop) pixels = cropped(pixels, Math.round(Math.min(size.widthPx, size.heightPx) * 0.02));
    if (format === 'jpeg') return press().jpeg(pixels);
    if (format === 'webp') {
      const made = await press().webp(pixels);
      if (!made) sayFault({ code: 'webp-missing', data: {} });
      return made;
    }
    const png = await press().png(pixels, clear);
    if (png.ok) return png.value.bytes;
    sayFault(png.fault);
    return null;
  };

  /** Things, reflection, shadow and ground apart; each is traced on nothing. */
  const layered = async (size: { widthPx: number; heightPx: number }, signal: AbortSignal, onProgress: (d: number) => void): Promise<Uint8Array<ArrayBuffer> | null> => {
    const none = { things: false, reflection: false, shadow: false };
    const wanted = [
      { name: 'Things', layers: { ...none, things: true } },
      ...(scene.reflection > 0 ? [{ name: 'Reflection', layers: { ...none, reflection: true } }] : []),
      { name: 'Shadow', layers: { ...none, shadow: true } },
    ];
    const made: { name: string; pixels: Raster }[] = [];
    for (const [i, { name, layers }] of wanted.entries()) {
      const pixels = await traceBook(book, scene, size, FINAL, { others, signal, layers, onProgress: (d) => onProgress((i + d) / (wanted.length + 1)) });
      if (signal.aborted) return null;
      if (!pixels) return stopped();
      made.push({ name, pixels });
    }
    const merged = await traceBook(book, scene, size, FINAL, { others, signal, onProgress: (d) => onProgress((wanted.length + d) / (wanted.length + 1)) });
    if (signal.aborted) return null;
    if (!merged) return stopped();
    if (!clear) {
      const nothing = { ...merged, data: new Uint8ClampedArray(merged.data.length) };
      made.push({ name: 'Ground', pixels: await press().onGround(nothing, book, scene) });
    }
    return press().openRaster(made, clear ? merged : await press().onGround(merged, book, scene));
  };

  const stopped = (): null => {
    sayFault({ code: 'trace-stopped', data: {} });
    return null;
  };

  const resize = (side: 'widthPx' | 'heightPx') => (px: number, dragging: boolean) =>
    set('Size of the picture', (s) => void (s.frame[side] = Math.round(px)), dragging ? `frame-${side}` : null);
  return (
    <>
      <Group title="The finished picture">
        <NumberField label="Width" unit="px" value={widthPx} least={64} most={MOST_PX} step={10} onChange={resize('widthPx')} />
        <NumberField label="Height" unit="px" value={heightPx} least={64} most={MOST_PX} step={10} onChange={resize('heightPx')} />
        <Segmented<Format>
          label="Format"
          value={format}
          onChange={setFormat}
          options={[
            { value: 'png', label: 'PNG' },
            { value: 'jpeg', label: 'JPEG' },
            { value: 'webp', label: 'WebP' },
            { value: 'ora', label: 'Layers' },
          ]}
        />
        {format === 'ora' && <p className="text-xs text-ink-2">Things, shadow and ground apart, as an OpenRaster file.</p>}
        {format === 'jpeg' && clear && <p className="text-xs text-ink-2">A JPEG cannot be clear: it gets a white ground.</p>}
        <Check label="Cut to the things and their shadow" checked={crop && canCrop} disabled={!canCrop} onChange={setCrop} />
        <Check label="Also at twice the size" checked={twice && canTwice} disabled={!canTwice} onChange={setTwice} />
      </Group>
      <div className="sticky bottom-0 mt-auto border-t border-line bg-paper p-4">
        {done !== null ? (
          <Working label="Making the picture" done={done} onStop={() => abort.current?.abort()} />
        ) : (
          <Button kind="ink" className="w-full" onClick={() => void save()}>
            {format === 'ora' ? 'Save the layers' : `Save ${format === 'png' ? 'PNG' : format === 'jpeg' ? 'JPEG' : 'WebP'}${clear && format !== 'jpeg' ? ', background clear' : ''}`}
          </Button>
        )}
      </div>
    </>
  );
} // prettier-ignore
