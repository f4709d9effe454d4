import { SAFE, type WordsPart, putWords } from '@yosomi/core/cover';
import type { Rect } from '@yosomi/core/plane';
import { useContext, useState } from 'react';
import { say, sayFault } from '../../messages/say';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { studio } from '../../work/workers';
import { nameOf } from './part-names';
import { inkOf } from './ink-of';
import { ShownBook } from './shown-book';
import type { On } from './use-set';

/** Moves words to the calmest place of the picture and sets them to that side. */
export function QuietButton(props: { part: WordsPart; on: On; frames: ReadonlyMap<string, Rect>; sizePx: number }) {
  const { part, on, frames, sizePx } = props;
  const book = useContext(ShownBook);
  const edit = useSession((s) => s.edit);
  const [busy, setBusy] = useState(false);
  const run = async (): Promise<void> => {
    const frame = frames.get(part.id);
    if (!frame || !book) return;
    setBusy(true);
    try {
      // Their frame, plate and all, is what has to find room; the letters are what is moved.
      const ink = inkOf(part, frame, sizePx);
      const found = await studio.quietPlace(book, part.id, frame, SAFE);
      if (!found) return say('There is no place where these words fit. Set them smaller first.');
      const { widthPx: w, heightPx: h } = book.cover;
      const at = { x: found.x * w + ink.x - frame.x, y: found.y * h + ink.y - frame.y };
      edit(`Quietest place for ${nameOf(part).toLowerCase()}`, on(putWords(part.id, found.align, at, ink)));
      say(
        found.mean > 0
          ? `Moved to where the picture is calmest: ${Math.round((100 * found.busy) / found.mean)} % of its usual detail.`
          : 'The picture is equally calm everywhere.',
      );
    } catch {
      sayFault({ code: 'work-failed', data: {} });
    } finally {
      setBusy(false);
    }
  };
  if (!book) return null;
  return (
    <Button onClick={() => void run()} disabled={busy || part.locked}>
      {busy ? 'Looking for it' : 'Set it in the quietest place'}
    </Button>
  );
}
