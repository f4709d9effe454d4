import { sayFault, say } from '../../messages/say';
import { useSession } from '../../state/session';
import { sketchWorker } from '../../work/sketches';

/** Composes the sketch that the front was taken from once more, for the words, pictures and size that are there now. */
export function useRecompose(): (() => void) | null {
  const taken = useSession((s) => s.book?.sheet.taken ?? null);
  const edit = useSession((s) => s.edit);
  const undo = useSession((s) => s.undo);
  if (!taken) return null;
  const run = async (): Promise<void> => {
    const { book } = useSession.getState();
    if (!book) return;
    const { api, ask } = sketchWorker();
    const made = await ask(
      api.volume({
        design: { kind: 'sketch', sketch: taken },
        from: book,
        to: book,
        place: 0,
        volumes: 1,
        picture: null,
        turning: false,
        taken: [],
        own: null,
      }),
    );
    if (!made.cover) return sayFault(made.fault);
    const { doc, bitmap } = made.cover;
    bitmap.close();
    const done = edit('Sketch composed anew', (b) => void (b.cover = structuredClone(doc)));
    if (done)
      say('The sketch is composed anew. What was changed by hand since is undone.', { label: 'Undo', run: undo });
  };
  return () => void run().catch(() => sayFault({ code: 'work-failed', data: {} }));
}
