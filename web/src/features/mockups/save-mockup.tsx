import { slug } from '@yosomi/core/base';
import { MOCKUP_PX } from '@yosomi/core/recipe';
import { useRef, useState } from 'react';
import { sayFault, say } from '../../messages/say';
import { saveFile } from '../../platform/files';
import { useBook } from '../../state/session';
import { Button } from '../../ui/button';
import { Working } from '../../ui/working';
import { FINAL, traceBook } from '../../work/trace';
import { press } from '../../work/workers';

/** Saves the mockup at full size, with progress and a way to stop. */
export function SaveMockup() {
  const book = useBook();
  const [done, setDone] = useState<number | null>(null);
  const abort = useRef<AbortController | null>(null);
  const clear = book.scene.ground.kind === 'clear';
  const save = async (): Promise<void> => {
    const stop = (abort.current = new AbortController());
    setDone(0);
    try {
      const size = { widthPx: MOCKUP_PX, heightPx: MOCKUP_PX };
      const pixels = await traceBook(book, book.scene, size, FINAL, {
        signal: stop.signal,
        onProgress: (d) => setDone(d * 0.8),
      });
      if (stop.signal.aborted) return;
      if (!pixels) return sayFault({ code: 'trace-stopped', data: {} });
      const png = await press().png(pixels, clear);
      if (stop.signal.aborted) return;
      if (!png.ok) return sayFault(png.fault);
      const name = `${slug(book.brief.title)}-mockup-${MOCKUP_PX}.png`;
      saveFile(png.value.bytes, name, 'image/png');
      say(`Saved ${name}`);
    } catch {
      sayFault({ code: 'work-failed', data: {} });
    } finally {
      setDone(null);
    }
  };
  if (done !== null) return <Working label="Making the picture" done={done} onStop={() => abort.current?.abort()} />;
  return (
    <Button kind="ink" className="w-full" onClick={() => void save()}>
      {clear ? 'Save PNG, background clear' : 'Save PNG'}
    </Button>
  );
}
