import { MOST_PX, setScene } from '@yosomi/core/mockup';
import type { PixelBox } from '@yosomi/core/pixels';
import { type Others, titleStem } from '@yosomi/core/recipe';
import { useRef, useState } from 'react';
import { sayFault, say } from '../../messages/say';
import { saveFile } from '../../platform/files';
import { useBook } from '../../state/session';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { NumberField } from '../../ui/number-field';
import { Group } from '../../ui/group';
import { Segmented } from '../../ui/segmented';
import { Working } from '../../ui/working';
import { ENDINGS, FILM_FRAMES, FORMATS, type Format, makePicture } from './make-picture';
import { useScene } from './use-scene';

/** A film is many pictures: its longer side stays within this, px. */
const FILM_PX = 800;

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
  const still = format !== 'ora' && format !== 'film';
  const canCrop = clear && still && format !== 'jpeg';
  const canTwice = still && Math.max(widthPx, heightPx) * 2 <= MOST_PX;
  const [ending, type, verb] = ENDINGS[format];

  const save = async (): Promise<void> => {
    const { signal } = (abort.current = new AbortController());
    const k = format === 'film' ? Math.min(1, FILM_PX / Math.max(widthPx, heightPx)) : 1;
    const scales = twice && canTwice ? [1, 2] : [k];
    setDone(0);
    let box: PixelBox | null = null;
    try {
      for (const [i, scale] of scales.entries()) {
        const size = { widthPx: Math.round(widthPx * scale), heightPx: Math.round(heightPx * scale) };
        const onProgress = (d: number): void => setDone((i + d) / scales.length);
        const made = await makePicture(format, {
          book,
          scene,
          others,
          size,
          // Twice the size is cut as the single one was, so that it has exactly twice its pixels.
          cut: !crop || !canCrop ? null : box ? { box, times: scale } : 'ink',
          signal,
          onProgress,
        });
        if (signal.aborted) return;
        if (!made.ok) return sayFault(made.fault);
        box = made.value.box;
        const { bytes, widthPx: w, heightPx: h } = made.value;
        const what = format === 'film' ? 'turning' : 'mockup';
        const name = `${titleStem(book)}-${what}-${w}x${h}${scale > 1 ? '@2x' : ''}.${ending}`;
        saveFile(bytes, name, type);
        say(`Saved ${name}`);
      }
    } catch {
      sayFault({ code: 'work-failed', data: {} });
    } finally {
      setDone(null);
    }
  };

  const resize = (side: 'widthPx' | 'heightPx') => (px: number, dragging: boolean) =>
    set('Size of the picture', setScene('frame', { [side]: Math.round(px) }), dragging ? `frame-${side}` : null);
  return (
    <>
      <Group title="The finished picture">
        <NumberField
          label="Width"
          unit="px"
          value={widthPx}
          least={64}
          most={MOST_PX}
          step={10}
          onChange={resize('widthPx')}
        />
        <NumberField
          label="Height"
          unit="px"
          value={heightPx}
          least={64}
          most={MOST_PX}
          step={10}
          onChange={resize('heightPx')}
        />
        <Segmented<Format>
          label="Format"
          value={format}
          onChange={setFormat}
          options={[...FORMATS, { value: 'film', label: 'Film' }]}
        />
        {format === 'ora' && (
          <p className="text-xs text-ink-2">Things, shadow and ground apart, as an OpenRaster file.</p>
        )}
        {format === 'film' && (
          <p className="text-xs text-ink-2">
            One turn in {FILM_FRAMES} pictures, over and over, as an animated WebP. At most {FILM_PX} px.
          </p>
        )}
        {format === 'jpeg' && clear && (
          <p className="text-xs text-ink-2">A JPEG cannot be clear: it gets a white ground.</p>
        )}
        <Check
          label="Cut to the things and their shadow"
          checked={crop && canCrop}
          disabled={!canCrop}
          onChange={setCrop}
        />
        <Check label="Also at twice the size" checked={twice && canTwice} disabled={!canTwice} onChange={setTwice} />
      </Group>
      <div className="sticky bottom-0 mt-auto border-t border-line bg-paper p-4">
        {done !== null ? (
          <Working label="Making the picture" done={done} onStop={() => abort.current?.abort()} />
        ) : (
          <Button kind="ink" className="w-full" onClick={() => void save()}>
            {clear && canCrop ? `${verb}, background clear` : verb}
          </Button>
        )}
      </div>
    </>
  );
}
